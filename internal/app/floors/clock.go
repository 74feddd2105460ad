// Package floors holds what is done to a practice while it runs.
package floors

import (
	"context"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/planning"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service changes practices that run.
type Service struct {
	Store  *store.Store
	Squads squad.Service
	Now    func() time.Time
}

// ClockAction is what a device says was done to a practice's clock.
type ClockAction struct {
	Action practice.Action
	// Block is the one that is gone to; empty where none is named.
	Block string
	// At is when it was done: a device that had no network tells it late. One in the future counts as now.
	At time.Time
}

// SetClock starts, stops or moves a practice's clock and returns the practice as it is then. An action that is older
// than the newest one changes nothing. notify runs with the change in one transaction. It refuses with app.Missing
// where there is no such practice, and with app.Conflict what the clock cannot do.
func (s Service) SetClock(ctx context.Context, team gen.Team, id uuid.UUID, did ClockAction,
	notify func(*gen.Queries) error) (p gen.Practice, err error) {
	at := app.SeenAt(did.At, s.Now())
	if did.At.IsZero() {
		at = s.Now()
	}
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		p, err = q.LockPractice(ctx, gen.LockPracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: id})
		if err != nil {
			return app.OrMissing(err, planning.NoPractice)
		}
		rows, err := q.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
		if err != nil {
			return err
		}
		blocks := make([]string, len(rows))
		for i, b := range rows {
			blocks[i] = b.ID.String()
		}
		c, err := store.ClockStateOf(p).Apply(did.Action, did.Block, blocks, at)
		if err != nil {
			return app.RefuseBy(app.Conflict, err, "")
		}
		if !c.Changed.Equal(at) {
			return nil // something newer stands
		}
		if err := keepClock(ctx, q, team, &p, c, did.Action); err != nil {
			return err
		}
		return notify(q)
	})
	return p, err
}

// keepClock stores a clock and what was done to it.
func keepClock(ctx context.Context, q *gen.Queries, team gen.Team, p *gen.Practice, c practice.Clock,
	action practice.Action) error {
	if err := store.PutClockState(p, c); err != nil {
		return err
	}
	if _, err := q.SetClock(ctx, gen.SetClockParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: p.ID,
		Status:  p.Status,
		BlockID: p.BlockID, BlockMs: p.BlockMs, RunningSince: p.RunningSince, BeganAt: p.BeganAt,
		ClockAt: p.ClockAt}); err != nil {
		return err
	}
	return q.InsertClockEvent(ctx, gen.InsertClockEventParams{ProgramID: team.ProgramID, PracticeID: p.ID,
		At:     c.Changed,
		Action: string(action), BlockID: p.BlockID})
}
