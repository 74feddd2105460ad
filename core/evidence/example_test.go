package evidence_test

import (
	"fmt"

	"evrik/core/evidence"
	"evrik/core/reads"
)

// An observer says what was shown and what was made; the table says whether that answers it.
func ExampleScore() {
	down, _ := reads.ActionByID(reads.Down)
	seen := evidence.Seen{Role: reads.Cutter, Side: "right", Cue: reads.Trail, Made: reads.Straight}
	scored, err := evidence.Score(down, reads.TeamRules{}, seen)
	fmt.Println(scored.Expected, scored.Correct, err)
	seen.Side = "middle"
	_, err = evidence.Score(down, reads.TeamRules{}, seen)
	fmt.Println(err)
	// Output:
	// curl false <nil>
	// evidence.side: middle
}
