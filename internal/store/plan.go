package store

import (
	"context"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/store/gen"
)

// PutPlan replaces the blocks and the attendance of a practice. Run it in a
// transaction. Block ids stay as given, so that logged reps keep their block.
func PutPlan(ctx context.Context, q *gen.Queries, program, practiceID uuid.UUID, present, limited []uuid.UUID,
	blocks []practice.Block) error {
	if err := q.DeleteBlocks(ctx, gen.DeleteBlocksParams{ProgramID: program, PracticeID: practiceID}); err != nil {
		return err
	}
	for i, b := range blocks {
		id, err := uuid.Parse(b.ID)
		if err != nil {
			return err
		}
		players := make([]uuid.UUID, len(b.Players))
		for k, p := range b.Players {
			if players[k], err = uuid.Parse(p); err != nil {
				return err
			}
		}
		if err := q.InsertBlock(ctx, gen.InsertBlockParams{ID: id, ProgramID: program, PracticeID: practiceID,
			Position: int32(i),
			Kind:     string(b.Kind), Title: b.Title, Drill: b.Drill, Stage: b.Stage, Minutes: b.Minutes,
			Baskets: int32(b.Baskets),
			Seconds: b.Seconds, Seed: int64(b.Seed), Basket: int32(b.Basket), Players: players, Pin: b.Pin,
			NoHelpers: b.NoHelpers, Staff: staffJSON(b.Staff),
			PlayerShows: b.PlayerShows, Play: b.Play}); err != nil {
			return err
		}
	}
	if err := q.DeleteAttendance(ctx, gen.DeleteAttendanceParams{ProgramID: program,
		PracticeID: practiceID}); err != nil {
		return err
	}
	return q.InsertAttendance(ctx, gen.InsertAttendanceParams{ProgramID: program, PracticeID: practiceID,
		Players: present, Limited: limited})
}

// ClockStateOf is a practice's clock as its row has it.
func ClockStateOf(p gen.Practice) practice.Clock {
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

// PutClockState writes a clock into a practice's row. It fails where the clock's block is not named by an id.
func PutClockState(p *gen.Practice, c practice.Clock) error {
	p.Status, p.BlockMs, p.ClockAt, p.BlockID, p.RunningSince = string(c.Status), c.Before.Milliseconds(), &c.Changed,
		nil, nil
	if c.Block != "" {
		id, err := uuid.Parse(c.Block)
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
	return nil
}
