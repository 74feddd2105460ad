package web

import (
	"context"

	"evrik/internal/app/reps"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// LogReps stores a batch of events of a practice whole or not at all. An event that is known already is not stored
// again, so a device may send until it is answered.
func (s *Server) LogReps(ctx context.Context, r api.LogRepsRequestObject) (api.LogRepsResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	out, err := s.reps.LogPractice(ctx, team, p, caller(ctx).ID, r.Body.Events,
		func(q *gen.Queries, news reps.Receipt) error {
			return notify(ctx, q, change{Practice: p.ID, Events: news.Events, Counts: news.Counts})
		})
	s.figures.reps.Add(float64(len(out.Events)))
	return api.LogReps200JSONResponse{Stored: out.Stored, Known: out.Known}, err
}

// LogGame does the same for what the bench saw of a game.
func (s *Server) LogGame(ctx context.Context, r api.LogGameRequestObject) (api.LogGameResponseObject, error) {
	team, g, err := s.game(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	out, err := s.reps.LogGame(ctx, team, g, caller(ctx).ID, r.Body.Events,
		func(q *gen.Queries, news reps.Receipt) error {
			// Counters are told whole.
			return notify(ctx, q, change{Practice: g.ID, Events: news.Events, All: len(news.Counts) > 0})
		})
	s.figures.reps.Add(float64(len(out.Events)))
	return api.LogGame200JSONResponse{Stored: out.Stored, Known: out.Known}, err
}
