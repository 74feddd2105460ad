package web

import (
	"context"
	"slices"

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
	reps, err := s.db.RepsOfPractice(ctx, p.ProgramID, p.ID)
	if err != nil {
		return nil, err
	}
	out := api.GetRun200JSONResponse{Practice: practiceView(view), Players: playerViews(d.Players),
		Clock: s.clockView(p), Blocks: []api.RunBlock{}, Reps: []api.LoggedRep{}, Counts: []api.FloorCount{}}
	f, err := s.floors.Floor(ctx, p, d.Board)
	if err != nil {
		return nil, err
	}
	counts, err := s.db.FloorCounts(ctx, gen.FloorCountsParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	if err != nil {
		return nil, err
	}
	for _, row := range counts {
		out.Counts = append(out.Counts, countView(row))
	}
	lines := s.squads.Lines(f.Board)
	out.Presence = presence(f)
	for _, block := range view.Blocks {
		run := runBlock(f, store.RulesOf(d.Team), block)
		if run.Reads && run.Order != nil {
			run.Advice = new(api.RunBlockAdvice(f.Advice(lines, block, reps)))
		}
		out.Blocks = append(out.Blocks, run)
	}
	for _, rep := range reps {
		out.Reps = append(out.Reps, repView(rep))
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
	i := slices.IndexFunc(view.Blocks, func(b practice.Block) bool { return b.ID == r.BlockId.String() })
	if i < 0 {
		return nil, missing("practice.block-missing")
	}
	f, err := s.floors.Floor(ctx, p, d.Board)
	if err != nil {
		return nil, err
	}
	run := runBlock(f, store.RulesOf(d.Team), view.Blocks[i])
	if run.Order == nil || !run.Live {
		return nil, invalid("practice.score-not-live")
	}
	counts, err := s.db.FloorCounts(ctx, gen.FloorCountsParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	if err != nil {
		return nil, err
	}
	reps, err := s.db.RepsOfPractice(ctx, p.ProgramID, p.ID)
	if err != nil {
		return nil, err
	}
	return api.GetScore200JSONResponse(practice.ScoreOf(*run.Order, *run.Stage,
		store.EndingsOf(counts, reps, r.BlockId), practice.CorrectReads(reps, view.Blocks[i].ID))), nil
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
