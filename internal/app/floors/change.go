package floors

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/planning"
	"evrik/internal/app/rosters"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Change is who came or went, or a swap of the sides, as a device tells it.
type Change struct {
	ID     uuid.UUID
	Kind   practice.ChangeKind
	At     time.Time // one in the future counts as now
	Block  *uuid.UUID
	After  int // the rep after which it happened
	Player *uuid.UUID
	State  practice.Presence
}

// core is the change as the core has it.
func (c Change) core() practice.Change {
	out := practice.Change{Kind: c.Kind, After: c.After, State: c.State}
	if c.Block != nil {
		out.Block = c.Block.String()
	}
	if c.Player != nil {
		out.Player = c.Player.String()
	}
	return out
}

// Change stores a change; the rotations of the practice follow. Sent twice, it happens once. notify runs in the
// transaction that stores it. It refuses with app.Missing whoever is not on the team, and with app.Invalid what makes
// no sense.
func (s Service) Change(ctx context.Context, team gen.Team, id uuid.UUID, c Change,
	notify func(*gen.Queries) error) error {
	if c.Player != nil {
		if _, err := (rosters.Service{Store: s.Store}).Player(ctx, team, *c.Player); err != nil {
			return err
		}
	}
	if err := c.core().Check(); err != nil {
		return app.RefuseBy(app.Invalid, err, "kept.nothing")
	}
	c.At = app.SeenAt(c.At, s.Now())
	return s.Store.Tx(ctx, func(q *gen.Queries) error {
		// One change at a time, so that each knows what was before.
		_, err := q.LockPractice(ctx, gen.LockPracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: id})
		if err != nil {
			return app.OrMissing(err, planning.NoPractice)
		}
		if stored, err := keepChange(ctx, q, team.ProgramID, id, c); err != nil || !stored {
			return err
		}
		return notify(q)
	})
}

// keepChange stores a change with what was before; false where it was stored already.
func keepChange(ctx context.Context, q *gen.Queries, program, practiceID uuid.UUID, c Change) (bool, error) {
	row := gen.InsertFloorChangeParams{ID: c.ID, ProgramID: program, PracticeID: practiceID, At: c.At,
		Kind: string(c.Kind), BlockID: c.Block,
		AfterRep: int32(c.After), State: string(c.State)}
	goes := c.Kind == practice.ComeAndGo
	if goes {
		row.PlayerID = c.Player
		here, err := q.Attendance(ctx, gen.AttendanceParams{ProgramID: program, PracticeID: practiceID})
		if err != nil {
			return false, err
		}
		if i := slices.IndexFunc(here, func(a gen.Attendance) bool { return a.PlayerID == *c.Player }); i >= 0 {
			row.Was = string(store.PresenceOf(here[i]))
		}
	}
	if n, err := q.InsertFloorChange(ctx, row); err != nil || n == 0 || !goes {
		return n > 0, err
	}
	set := gen.SetPresenceParams{ProgramID: program, PracticeID: practiceID, PlayerID: *c.Player,
		Limited: c.State == practice.Limited}
	if c.State == practice.Left || c.State == practice.Hurt {
		set.Gone = string(c.State)
	}
	return true, q.SetPresence(ctx, set)
}
