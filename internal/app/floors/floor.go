package floors

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Floor is a practice with the people on it, as its rotations need it.
type Floor struct {
	squad.Board
	// People are everybody of the team, States who of them takes part how.
	People  []practice.Person
	States  map[string]practice.Presence
	Changes []practice.Change
}

// Floor gathers who is at a practice and what changed while it ran.
func (s Service) Floor(ctx context.Context, p gen.Practice, b squad.Board) (Floor, error) {
	f := Floor{Board: b, States: map[string]practice.Presence{}}
	here, err := s.Store.Attendance(ctx, gen.AttendanceParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	if err != nil {
		return f, err
	}
	all := make([]uuid.UUID, len(b.Players))
	for i, p := range b.Players {
		all[i] = p.ID
	}
	f.People = b.People(all, nil)
	for _, r := range here {
		f.States[r.PlayerID.String()] = store.PresenceOf(r)
	}
	rows, err := s.Store.FloorChanges(ctx, gen.FloorChangesParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	f.Changes = store.ChangesOf(rows)
	return f, err
}

// Block is a drill block as it runs.
type Block struct {
	Drill *drill.Drill
	Stage drill.Stage
	Order drill.Order
}

// Block works out the rotation of a drill block. The error is a refusal.
func (f Floor) Block(b practice.Block) (out Block, err error) {
	if out.Drill, out.Stage, err = practice.StageOf(f.Library, b); err != nil {
		return out, err
	}
	out.Order, err = practice.OrderThrough(f.Library, b, f.People, f.States, f.Changes)
	return out, err
}

// Link is an action of a block with its rows of answers.
type Link struct {
	drill.Link
	Action *reads.Action
	Rows   []reads.Row
}

// Links are the actions of a block: of the drill's own the cues that the stage shows, of one that a rep goes on with
// all.
func (b Block) Links(rules reads.TeamRules) []Link {
	var out []Link
	for i, link := range b.Drill.Links(b.Stage) {
		action, _ := reads.ActionByID(link.Action)
		l := Link{link, action, []reads.Row{}}
		if i > 0 {
			l.Rows = action.Rows(rules)
		} else {
			for _, cue := range b.Stage.Cues {
				if row, ok := action.Row(rules, cue); ok {
					l.Rows = append(l.Rows, row)
				}
			}
		}
		out = append(out, l)
	}
	return out
}

// Advice is what the reps of a block say about its rung, from where the players stand.
func (f Floor) Advice(lines []evidence.Line, block practice.Block, reps []evidence.Rep) evidence.Advice {
	first, rung := reads.Cutter, drill.Rung("")
	if d, stage, err := practice.StageOf(f.Library, block); err == nil {
		rung = stage.Rung
		if action, ok := reads.ActionByID(d.Action); ok {
			first = action.Roles[0]
		}
	}
	var answers []bool
	for _, rep := range evidence.OnePerRep(reps) {
		if string(rep.Block) == block.ID && rep.Role == first {
			answers = append(answers, rep.Correct)
		}
	}
	var present []evidence.PlayerID
	for _, p := range f.People {
		if state := f.States[p.ID]; state == practice.Here || state == practice.Limited {
			present = append(present, evidence.PlayerID(p.ID))
		}
	}
	here := evidence.OfPlayers(lines, present)
	return evidence.GroupAdvice(evidence.HoldOnRung(here, rung), len(present), answers)
}

// Progress is how far the reps of a block are, basket by basket.
func Progress(order drill.Order, block practice.Block, reps []evidence.Rep) []int {
	var logged []int
	for _, r := range reps {
		if string(r.Block) == block.ID {
			logged = append(logged, r.No)
		}
	}
	return practice.Progress(order, logged)
}
