package web

import (
	"context"
	"slices"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/internal/app"
	"evrik/internal/app/quizzes"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// mostAtHome is how many drills a team gives for home at once (assumption: short).
const mostAtHome = 4

// SetHome gives a drill for home, or takes it back.
func (s *Server) SetHome(ctx context.Context, r api.SetHomeRequestObject) (api.SetHomeResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	lib, err := s.squads.Library(ctx, team.ProgramID)
	if err != nil {
		return nil, err
	}
	d, ok := lib.ByID(r.Body.Drill)
	if !ok {
		return nil, missing("home.missing")
	}
	given := slices.DeleteFunc(slices.Clone(team.HomeDrills), func(id string) bool { return id == d.ID })
	if r.Body.Given {
		if !d.ForHome() {
			return nil, invalid("home.not-alone", d.Name)
		}
		if len(given) >= mostAtHome {
			return nil, invalid("home.too-many", mostAtHome)
		}
		given = append(given, d.ID)
	}
	return api.SetHome204Response{}, s.db.SetHomeDrills(ctx,
		gen.SetHomeDrillsParams{ProgramID: team.ProgramID, ID: team.ID, Drills: given})
}

// GetHome tells a player what to shoot at home, by the private link.
func (s *Server) GetHome(ctx context.Context, r api.GetHomeRequestObject) (api.GetHomeResponseObject, error) {
	l, err := s.learner(ctx, r.QuizKey)
	if err != nil {
		return nil, err
	}
	work, err := s.homeWork(ctx, l)
	return api.GetHome200JSONResponse(work), err
}

// TellHome stores what a player tells of home, once.
func (s *Server) TellHome(ctx context.Context, r api.TellHomeRequestObject) (api.TellHomeResponseObject, error) {
	l, err := s.learner(ctx, r.QuizKey)
	if err != nil {
		return nil, err
	}
	told := evidence.HomeSession{At: app.SeenAt(r.Body.At, s.now()), Right: r.Body.Right, Left: r.Body.Left}
	if err := told.Check(); err != nil {
		return nil, invalidBy(err, "")
	}
	if !slices.Contains(l.Team.HomeDrills, r.Body.Drill) {
		return nil, missing("home.taken-back")
	}
	if _, err := s.db.InsertHomeShots(ctx, gen.InsertHomeShotsParams{ProgramID: l.Program, PlayerID: l.Player,
		ID: r.Body.Id, Drill: r.Body.Drill, At: told.At,
		RightMade: int32(told.Right.Made), RightTried: int32(told.Right.Tried), LeftMade: int32(told.Left.Made),
		LeftTried: int32(told.Left.Tried)}); err != nil {
		return nil, err
	}
	work, err := s.homeWork(ctx, l)
	return api.TellHome200JSONResponse(work), err
}

// homeWork gathers the drills a player is given, with what the player told before.
func (s *Server) homeWork(ctx context.Context, l quizzes.Learner) (api.HomeWork, error) {
	out := api.HomeWork{Drills: []api.HomeDrill{}}
	lib, err := s.squads.Library(ctx, l.Program)
	if err != nil {
		return out, err
	}
	rows, err := s.db.HomeShotsOfPlayer(ctx, gen.HomeShotsOfPlayerParams{ProgramID: l.Program, PlayerID: l.Player})
	if err != nil {
		return out, err
	}
	for _, id := range l.Team.HomeDrills {
		d, ok := lib.ByID(id)
		if !ok || !d.ForHome() {
			continue
		}
		h := api.HomeDrill{Id: id, Name: d.Name, About: d.About, Say: goalOf(d), Rules: d.Stages[0].Rules,
			Watch: d.Watch, Told: []evidence.HomeSession{}}
		for _, row := range rows {
			if row.Drill == id {
				h.Told = append(h.Told, store.HomeOf(row))
			}
		}
		out.Drills = append(out.Drills, h)
	}
	return out, nil
}

// goalOf is what a drill is shot for, in words; empty for none.
func goalOf(d *drill.Drill) string {
	if d.Stages[0].Goal == nil {
		return ""
	}
	return d.Stages[0].Goal.Says()
}
