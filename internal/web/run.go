package web

import (
	"context"
	"net/http"
	"slices"
	"time"

	"evrik/core/practice"
	"evrik/internal/app/planning"
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
	out := api.GetRun200JSONResponse{Practice: practiceView(view), Players: playerViews(d.Players), Clock: s.clockView(p), Blocks: []api.RunBlock{}, Reps: []api.LoggedRep{}, Counts: []api.FloorCount{}}
	f, err := s.onFloor(ctx, p, d.Board)
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
	out.Presence = f.presence()
	for _, block := range view.Blocks {
		run := f.block(d.Team, block)
		s.advise(f, &run, reps)
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
	f, err := s.onFloor(ctx, p, d.Board)
	if err != nil {
		return nil, err
	}
	run := f.block(d.Team, view.Blocks[i])
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
	return api.GetScore200JSONResponse(practice.ScoreOf(*run.Order, *run.Stage, store.EndingsOf(counts, reps, r.BlockId), practice.CorrectReads(reps, view.Blocks[i].ID))), nil
}

func clockOf(p gen.Practice) practice.Clock {
	c := practice.Clock{Status: practice.Status(p.Status), Before: time.Duration(p.BlockMs) * time.Millisecond}
	if p.BlockID != nil {
		c.Block = p.BlockID.String()
	}
	if p.RunningSince != nil {
		c.Since = *p.RunningSince
	}
	if p.BeganAt != nil {
		c.Began = *p.BeganAt
	}
	if p.ClockAt != nil {
		c.Changed = *p.ClockAt
	}
	return c
}

func (s *Server) clockView(p gen.Practice) api.Clock {
	c, now := clockOf(p), s.now()
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
	var p gen.Practice
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		p, err = q.LockPractice(ctx, gen.LockPracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: r.PracticeId})
		if err != nil {
			return orMissing(err, planning.NoPractice)
		}
		rows, err := q.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
		if err != nil {
			return err
		}
		blocks := make([]string, len(rows))
		for i, b := range rows {
			blocks[i] = b.ID.String()
		}
		wanted := ""
		if r.Body.Block != nil {
			wanted = r.Body.Block.String()
		}
		at := s.now()
		if r.Body.At != nil && r.Body.At.Before(at) {
			at = *r.Body.At
		}
		c, err := clockOf(p).Apply(practice.Action(r.Body.Action), wanted, blocks, at)
		if err != nil {
			return problem{http.StatusConflict, err}
		}
		if !c.Changed.Equal(at) {
			return nil // something newer stands
		}
		p.Status, p.BlockMs, p.BlockID, p.RunningSince = string(c.Status), c.Before.Milliseconds(), nil, nil
		if c.Block != "" {
			id, err := parseBlock(c.Block)
			if err != nil {
				return err
			}
			p.BlockID = &id
		}
		if !c.Since.IsZero() {
			p.RunningSince = &c.Since
		}
		if !c.Began.IsZero() {
			p.BeganAt = &c.Began
		}
		p.ClockAt = &at
		_, err = q.SetClock(ctx, gen.SetClockParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: p.ID, Status: p.Status,
			BlockID: p.BlockID, BlockMs: p.BlockMs, RunningSince: p.RunningSince, BeganAt: p.BeganAt, ClockAt: p.ClockAt})
		if err != nil {
			return err
		}
		if err := q.InsertClockEvent(ctx, gen.InsertClockEventParams{ProgramID: team.ProgramID, PracticeID: p.ID, At: at,
			Action: string(r.Body.Action), BlockID: p.BlockID}); err != nil {
			return err
		}
		return notify(ctx, q, change{Practice: p.ID, Clock: true})
	})
	if err != nil {
		return nil, err
	}
	return api.SetClock200JSONResponse(s.clockView(p)), nil
}
