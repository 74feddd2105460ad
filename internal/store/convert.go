package store

import (
	"encoding/json"
	"fmt"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store/gen"
)

// CourtOf reads a team's court.
func CourtOf(t gen.Team) (court.Court, error) {
	var c court.Court
	if err := json.Unmarshal(t.Court, &c); err != nil {
		return c, fmt.Errorf("the court of team %s cannot be read: %w", t.ID, err)
	}
	return c, nil
}

// CourtJSON is a court as it is stored.
func CourtJSON(c court.Court) []byte {
	b, err := json.Marshal(c)
	if err != nil {
		panic(err) // a court is seven numbers and a name; Validate has seen them
	}
	return b
}

// SchoolOf is a team's choice where practitioners differ.
func SchoolOf(t gen.Team) reads.School {
	return reads.School{FadeToCorner: t.FadeToCorner, FlareFirst: t.FlareFirst, ShootFirst: t.ShootFirst}
}

// RepsOf turns stored events into evidence.
func RepsOf(rows []gen.RepEvent) []evidence.Rep {
	reps := make([]evidence.Rep, len(rows))
	for i, r := range rows {
		cue, _ := reads.ParseCue(r.Cue)
		reps[i] = evidence.Rep{
			ID: r.ID.String(), At: r.At, Player: r.PlayerID.String(), Role: reads.Role(r.Role),
			Rung: drill.Rung(r.Rung), Side: r.Side, Cue: cue, Expected: reads.Read(r.Expected), Made: reads.Read(r.Made),
			Right: r.IsRight, Late: r.Late, Corrections: r.Corrections,
		}
	}
	return reps
}

// BlocksOf turns stored blocks into a plan's.
func BlocksOf(rows []gen.Block) []practice.Block {
	blocks := make([]practice.Block, len(rows))
	for i, b := range rows {
		blocks[i] = practice.Block{
			ID: b.ID.String(), Kind: practice.Kind(b.Kind), Title: b.Title, Drill: b.Drill, Stage: b.Stage,
			Minutes: b.Minutes, Baskets: int(b.Baskets), Seconds: b.Seconds, Seed: uint64(b.Seed),
		}
	}
	return blocks
}
