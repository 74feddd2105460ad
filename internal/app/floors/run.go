package floors

import (
	"context"
	"slices"
	"sync"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Run is everything the floor needs of a practice at once.
type Run struct {
	Floor
	Reps   []evidence.Rep
	Counts []gen.FloorCount
	lines  func() []evidence.Line // where the players stand, worked out when it is first asked for
}

// Run gathers who is on the floor of a practice and what was logged there.
func (s Service) Run(ctx context.Context, p gen.Practice, b squad.Board) (r Run, err error) {
	if r.Floor, err = s.Floor(ctx, p, b); err != nil {
		return r, err
	}
	if r.Reps, err = s.Store.RepsOfPractice(ctx, p.ProgramID, p.ID); err != nil {
		return r, err
	}
	r.Counts, err = s.Store.FloorCounts(ctx, gen.FloorCountsParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	r.lines = sync.OnceValue(func() []evidence.Line { return s.Squads.Lines(b) })
	return r, err
}

// Advice is what the reps of a block say about its rung.
func (r Run) Advice(block practice.Block) evidence.Advice {
	return r.Floor.Advice(r.lines(), block, r.Reps)
}

// Score adds up a live block of a practice. It refuses with app.Missing a block that is not there, with app.Invalid one
// that is not played live.
func (r Run) Score(blocks []practice.Block, id uuid.UUID) (score practice.Score, err error) {
	i := slices.IndexFunc(blocks, func(b practice.Block) bool { return b.ID == id.String() })
	if i < 0 {
		return score, app.Refuse(app.Missing, "practice.block-missing")
	}
	if blocks[i].Kind == practice.DrillBlock {
		run, err := r.Block(blocks[i])
		if rung, _ := drill.RungByID(run.Stage.Rung); err == nil && rung.Live {
			return practice.ScoreOf(run.Order, run.Stage, store.EndingsOf(r.Counts, r.Reps, id),
				practice.CorrectReads(r.Reps, blocks[i].ID)), nil
		}
	}
	return score, app.Refuse(app.Invalid, "practice.score-not-live")
}

// Late says how many minutes past its end a running practice will go, and lists what can be cut.
func (s Service) Late(p gen.Practice, plan practice.Plan) (over float64, cuts []practice.Cut) {
	l := practice.BehindAt(plan, store.ClockStateOf(p), s.Now())
	return l.Over(), practice.Cuts(l, uuid.NewString)
}

// News is what was logged on a floor a moment ago.
type News struct {
	Events []store.RepEvent
	Counts []gen.FloorCount
}

// News fetches some events and counts of a practice or a game.
func (s Service) News(ctx context.Context, program, practice uuid.UUID, events, counts []uuid.UUID) (n News,
	err error) {
	if n.Events, err = store.RepEvents(ctx, s.Store.Queries, program, events); err != nil || len(counts) == 0 {
		return n, err
	}
	n.Counts, err = s.Store.FloorCounts(ctx, gen.FloorCountsParams{ProgramID: program, PracticeID: practice})
	n.Counts = slices.DeleteFunc(n.Counts, func(c gen.FloorCount) bool { return !slices.Contains(counts, c.ID) })
	return n, err
}
