package web

import (
	"context"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/floors"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// GetRun returns everything the floor needs of a practice at once.
func (s *Server) GetRun(ctx context.Context, r api.GetRunRequestObject) (api.GetRunResponseObject, error) {
	d, p, view, err := s.planned(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	run, err := s.floors.Run(ctx, p, d.Board)
	if err != nil {
		return nil, err
	}
	out := api.GetRun200JSONResponse{Practice: practiceView(view), Players: playerViews(d.Players),
		Presence: presence(run.Floor), Clock: s.clockView(p), Blocks: []api.RunBlock{}, Reps: repViews(run.Reps),
		Counts: []api.FloorCount{}}
	for _, row := range run.Counts {
		out.Counts = append(out.Counts, countView(row))
	}
	for _, block := range view.Blocks {
		b := runBlock(run.Floor, store.RulesOf(d.Team), block)
		if b.Reads && b.Order != nil {
			b.Advice = new(api.RunBlockAdvice(run.Advice(block)))
		}
		out.Blocks = append(out.Blocks, b)
	}
	return out, nil
}

func countView(r gen.FloorCount) api.FloorCount {
	return api.FloorCount{Id: r.ID, Block: r.BlockID, RepNo: int(r.RepNo), What: r.What, By: int(r.By)}
}

// GetScore adds up a live block.
func (s *Server) GetScore(ctx context.Context, r api.GetScoreRequestObject) (api.GetScoreResponseObject, error) {
	d, p, view, err := s.planned(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	run, err := s.floors.Run(ctx, p, d.Board)
	if err != nil {
		return nil, err
	}
	score, err := run.Score(view.Blocks, r.BlockId)
	return api.GetScore200JSONResponse(score), err
}

func (s *Server) clockView(p gen.Practice) api.Clock {
	c, now := store.ClockStateOf(p), s.now()
	return api.Clock{Status: api.ClockStatus(c.Status), Block: p.BlockID, ElapsedMs: c.Elapsed(now).Milliseconds(),
		Running: !c.Since.IsZero(), Began: p.BeganAt, Changed: p.ClockAt, Now: now}
}

// SetClock starts, stops or moves the practice's clock, as of when a device says it
// was done: one that had no network tells it late.
func (s *Server) SetClock(ctx context.Context, r api.SetClockRequestObject) (api.SetClockResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	did := floors.ClockAction{Action: practice.Action(r.Body.Action), At: app.Value(r.Body.At)}
	if r.Body.Block != nil {
		did.Block = r.Body.Block.String()
	}
	p, err := s.floors.SetClock(ctx, team, r.PracticeId, did, func(q *gen.Queries) error {
		return notify(ctx, q, change{Practice: r.PracticeId, Clock: true})
	})
	if err != nil {
		return nil, err
	}
	return api.SetClock200JSONResponse(s.clockView(p)), nil
}
