// Package evidence says honestly who can execute which read. It turns logged reps into
// beliefs about a player's rate of correct answers and into verdicts, and says how many
// more reps a verdict needs.
package evidence

import (
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Ids of what a rep names, as text.
type (
	RepID      string
	PlayerID   string
	PracticeID string // of a practice or a game
	BlockID    string
	ActionID   string // of a reads.Action; empty where a drill teaches no read
	ObserverID string // of an account
)

// Rep is one judged answer of one player. It never changes; a mistake is voided by
// another event before reps reach this package.
type Rep struct {
	ID       RepID
	Practice PracticeID
	Block    BlockID
	// No is its number in the block from 1; 0 where that is not known.
	No     int
	At     time.Time
	Player PlayerID
	Role   reads.Role
	Action ActionID
	Drill  string // its id
	Rung   drill.Rung
	// Side is drill.Left, drill.Right or empty.
	Side string
	Cue  reads.Cue
	// SecondCue is the id of the second cue, empty where none was noted.
	SecondCue string
	// Expected is the first answer to the cue, Made the read that was made, empty for none.
	Expected reads.Read
	Made     reads.Read
	Correct  bool
	Late     bool
	// Outcome is how it ended; NotNoted where nobody said.
	Outcome Outcome
	Tags    []Tag
	// Observer is who watched, and Device on what.
	Observer ObserverID
	Device   string
}

// watched is what several observations of one rep and role have in common.
type watched struct {
	block  BlockID
	no     int
	player PlayerID
	role   reads.Role
}

func (r *Rep) watched() watched { return watched{r.Block, r.No, r.Player, r.Role} }

// OnePerRep lets every rep count once, however many observers logged it. Of what an
// observer logged on one device the last stands; where observers differ, what most of
// them say; on a tie, what the first one said (assumption). A rep without a number
// stands by itself. The order is that of the first observations.
func OnePerRep(seen []Rep) []Rep {
	once, _ := oncePerRep(pointers(seen))
	out := make([]Rep, len(once))
	for i, r := range once {
		out[i] = *r
	}
	return out
}

// pointers are the reps of a list.
func pointers(reps []Rep) []*Rep {
	out := make([]*Rep, len(reps))
	for i := range reps {
		out[i] = &reps[i]
	}
	return out
}

// doubles counts the reps that two observers logged, and those of them on which the two
// who logged first differ about correct or not.
type doubles struct{ reps, differ int }

// oncePerRep is OnePerRep with a count of what was logged twice.
func oncePerRep(seen []*Rep) ([]*Rep, doubles) {
	type several struct {
		at   int // in the result
		last []*Rep
	}
	out := make([]*Rep, 0, len(seen))
	first := make(map[watched]int, len(seen))
	more := map[watched]*several{}
	for _, r := range seen {
		if r.No == 0 {
			out = append(out, r)
			continue
		}
		key := r.watched()
		at, known := first[key]
		if !known {
			first[key] = len(out)
			out = append(out, r)
			continue
		}
		w := more[key]
		if w == nil {
			w = &several{at, []*Rep{out[at]}}
			more[key] = w
		}
		if i := slices.IndexFunc(w.last, r.sameObserver); i >= 0 {
			w.last[i] = r
		} else {
			w.last = append(w.last, r)
		}
		out[w.at] = judged(w.last)
	}
	var d doubles
	for _, w := range more {
		if i := slices.IndexFunc(w.last, func(o *Rep) bool { return o.Observer != w.last[0].Observer }); i > 0 {
			d.reps++
			if w.last[i].Correct != w.last[0].Correct {
				d.differ++
			}
		}
	}
	return out, d
}

// sameObserver reports whether two observations come from one observer on one device.
func (r *Rep) sameObserver(o *Rep) bool { return r.Observer == o.Observer && r.Device == o.Device }

// judged is the observation that counts.
func judged(by []*Rep) *Rep {
	correct := 0
	for _, r := range by {
		if r.Correct {
			correct++
		}
	}
	verdict := by[0].Correct
	if 2*correct != len(by) {
		verdict = 2*correct > len(by)
	}
	return by[slices.IndexFunc(by, func(r *Rep) bool { return r.Correct == verdict })]
}

// Asking returns the reps that asked for a read.
func Asking(read reads.Read, reps []Rep) []Rep {
	return slices.DeleteFunc(slices.Clone(reps), func(r Rep) bool { return r.Expected != read })
}
