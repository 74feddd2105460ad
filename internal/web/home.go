package web

import (
	"context"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/internal/app/quizzes"
	"evrik/internal/web/api"
)

// SetHome gives a drill for home, or takes it back.
func (s *Server) SetHome(ctx context.Context, r api.SetHomeRequestObject) (api.SetHomeResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	return api.SetHome204Response{}, s.homework.Give(ctx, team, r.Body.Drill, r.Body.Given)
}

// GetHome tells a player what to shoot at home, by the private link.
func (s *Server) GetHome(ctx context.Context, r api.GetHomeRequestObject) (api.GetHomeResponseObject, error) {
	l, err := s.quizzes.ByLink(ctx, r.QuizKey, clientPlace(ctx))
	if err != nil {
		return nil, err
	}
	work, err := s.homeWork(ctx, l)
	return api.GetHome200JSONResponse(work), err
}

// TellHome stores what a player tells of home, once.
func (s *Server) TellHome(ctx context.Context, r api.TellHomeRequestObject) (api.TellHomeResponseObject, error) {
	l, err := s.quizzes.ByLink(ctx, r.QuizKey, clientPlace(ctx))
	if err != nil {
		return nil, err
	}
	told := evidence.HomeSession{At: r.Body.At, Right: r.Body.Right, Left: r.Body.Left}
	if err := s.homework.Tell(ctx, l, r.Body.Id, r.Body.Drill, told); err != nil {
		return nil, err
	}
	work, err := s.homeWork(ctx, l)
	return api.TellHome200JSONResponse(work), err
}

// homeWork is what a player is given for home, as the contract has it.
func (s *Server) homeWork(ctx context.Context, l quizzes.Learner) (api.HomeWork, error) {
	out := api.HomeWork{Drills: []api.HomeDrill{}}
	work, err := s.homework.Of(ctx, l)
	for _, w := range work {
		d := w.Drill
		out.Drills = append(out.Drills, api.HomeDrill{Id: d.ID, Name: d.Name, About: d.About, Say: goalOf(d),
			Rules: d.Stages[0].Rules, Watch: d.Watch, Told: w.Told})
	}
	return out, err
}

// goalOf is what a drill is shot for, in words; empty for none.
func goalOf(d *drill.Drill) string {
	if d.Stages[0].Goal == nil {
		return ""
	}
	return d.Stages[0].Goal.Says()
}
