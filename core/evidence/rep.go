// Package evidence says honestly who can execute which read: it turns logged
// reps into rates with intervals and into verdicts, and says how many more
// reps would settle what is open.
package evidence

import (
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Rep is one judged answer of one player. It never changes; a mistake is
// voided by another event before reps reach this package.
type Rep struct {
	ID     string
	At     time.Time
	Player string
	Role   reads.Role
	Rung   drill.Rung
	Side   string
	Cue    reads.Cue
	// Expected is the read the cue asks for, Made the one that was made.
	Expected reads.Read
	Made     reads.Read
	Right    bool
	Late     bool
	// Corrections are tags, see Corrections.
	Corrections []string
}

// Since returns the reps that are not older than a moment.
func Since(reps []Rep, from time.Time) []Rep {
	var out []Rep
	for _, r := range reps {
		if !r.At.Before(from) {
			out = append(out, r)
		}
	}
	return out
}
