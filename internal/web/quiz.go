package web

import (
	"context"

	"evrik/core/quiz"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/quizzes"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// firstPack is how many questions a player's page asks for first (assumption).
const firstPack = 10

// packView is some questions as the contract has them.
func packView(p quizzes.Pack) api.QuizPack {
	out := api.QuizPack{Items: p.Items, Scenes: []api.QuizScene{}, Reads: []reads.CueInfo{},
		Lines: p.Floor.Court.Lines(), Step: int(p.Step), Steps: quiz.Steps}
	for _, read := range p.Reads {
		info, _ := reads.Info(read)
		out.Reads = append(out.Reads, reads.CueInfo{ID: string(read), Name: info.Name})
	}
	for _, a := range p.Actions {
		out.Scenes = append(out.Scenes, api.QuizScene{Id: a.ID, Name: a.Name, Participants: a.Participants,
			Word: a.Reader().Word})
	}
	return out
}

// GetQuiz makes the questions that a player should see next.
func (s *Server) GetQuiz(ctx context.Context, r api.GetQuizRequestObject) (api.GetQuizResponseObject, error) {
	l, err := s.quizzes.ByLink(ctx, r.QuizKey, clientPlace(ctx))
	if err != nil {
		return nil, err
	}
	pack, err := s.quizzes.Next(&l, r.Params.Size)
	if err != nil {
		return nil, err
	}
	view := packView(pack)
	view.Shape = l.Shape()
	return api.GetQuiz200JSONResponse(view), nil
}

// SendAnswers stores what a player answered, each answer once.
func (s *Server) SendAnswers(ctx context.Context, r api.SendAnswersRequestObject) (api.SendAnswersResponseObject,
	error) {
	l, err := s.quizzes.ByLink(ctx, r.QuizKey, clientPlace(ctx))
	if err != nil {
		return nil, err
	}
	given := make([]quizzes.Given, len(*r.Body))
	for i, a := range *r.Body {
		given[i] = quizzes.Given{ID: a.Id, Card: a.Card, Step: quiz.Step(a.Step), Seed: a.Seed,
			Choice: reads.Read(a.Choice), Seconds: a.Seconds, At: a.At}
	}
	stored, err := s.quizzes.Keep(ctx, &l, given)
	return api.SendAnswers200JSONResponse{Stored: stored, Step: int(l.Step()), Shape: l.Shape()}, err
}

// GetRound makes the questions of a round for the whole team.
func (s *Server) GetRound(ctx context.Context, r api.GetRoundRequestObject) (api.GetRoundResponseObject, error) {
	_, fl, err := s.onCourt(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	pack, err := quizzes.Round{Step: r.Params.Step, Seed: r.Params.Seed,
		Action: app.Value(r.Params.Action)}.Questions(fl)
	if err != nil {
		return nil, err
	}
	return api.GetRound200JSONResponse(packView(pack)), nil
}

// GetPlayerQuiz returns what a player sees away from the floor, read by read.
func (s *Server) GetPlayerQuiz(ctx context.Context, r api.GetPlayerQuizRequestObject) (api.GetPlayerQuizResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if _, err := s.rosters.Player(ctx, team, r.PlayerId); err != nil {
		return nil, err
	}
	report, err := s.quizzes.Of(ctx, team, r.PlayerId)
	if err != nil {
		return nil, err
	}
	out := api.GetPlayerQuiz200JSONResponse{Reads: report.Reads, Step: int(report.Step()), Steps: quiz.Steps,
		Shape: report.Shape(), LinkMade: report.LinkMade}
	if n := len(report.Answers); n > 0 {
		out.Last = &report.Answers[n-1].At
	}
	return out, nil
}

// SetRound makes a practice's displays show a question of a round, or its answer.
func (s *Server) SetRound(ctx context.Context, r api.SetRoundRequestObject) (api.SetRoundResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	b := r.Body
	round := quizzes.Round{Step: b.Step, Seed: b.Seed, Action: b.Action, Question: b.Question, Told: b.Told,
		Again: b.Again}
	return api.SetRound204Response{}, s.quizzes.SetRound(ctx, team, p.ID, round, func(q *gen.Queries) error {
		return notify(ctx, q, change{Practice: p.ID, Round: true})
	})
}

// EndRound makes displays show the practice again.
func (s *Server) EndRound(ctx context.Context, r api.EndRoundRequestObject) (api.EndRoundResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	return api.EndRound204Response{}, s.quizzes.EndRound(ctx, team.ProgramID, p.ID, func(q *gen.Queries) error {
		return notify(ctx, q, change{Practice: p.ID, Round: true})
	})
}

// roundView is a round as the contract has it, nil for none.
func roundView(r *quizzes.Round) *api.RoundState {
	if r == nil {
		return nil
	}
	return &api.RoundState{Step: r.Step, Seed: r.Seed, Action: r.Action, Question: r.Question, Told: r.Told,
		Again: r.Again}
}

// GetDisplayRound returns the questions of the round that a display shows.
func (s *Server) GetDisplayRound(ctx context.Context,
	_ api.GetDisplayRoundRequestObject) (api.GetDisplayRoundResponseObject, error) {
	team, p, err := s.displays.Shows(ctx, displayOf(ctx))
	if err != nil {
		return nil, err
	}
	of, err := s.quizzes.RoundOf(ctx, team.ProgramID, p.ID)
	if err == nil && of == nil {
		err = missing("quiz.no-round")
	}
	if err != nil {
		return nil, err
	}
	fl, err := store.FloorOf(team)
	if err != nil {
		return nil, err
	}
	pack, err := of.Questions(fl)
	if err != nil {
		return nil, err
	}
	return api.GetDisplayRound200JSONResponse(packView(pack)), nil
}
