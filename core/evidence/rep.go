// Package evidence says honestly who can execute which read: it turns logged
// reps into rates with intervals and into verdicts, and says how many more
// reps would settle what is open.
package evidence

import (
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Rep is one judged answer of one player. It never changes; a mistake is
// voided by another event before reps reach this package.
type Rep struct {
	ID string
	// Practice or game, and block of it.
	Practice string
	Block    string
	// No is its number in the block; 0 where that is not known.
	No     int
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
	// Of names the rep and the part that was watched, so that several observations
	// of it can be told from several reps; empty where that is not known. Observer
	// is who watched and on which device, Watcher who it was.
	Of, Observer, Watcher string
}

// OnePerRep lets every rep count once, however many watched it: what an observer
// said last of it stands, and where observers differ, what most of them say; on a
// tie, what the first one said (an assumption). The order stays that of the first
// observation.
func OnePerRep(seen []Rep) []Rep {
	type watched struct {
		at   int // in the result
		last []Rep
	}
	out := make([]Rep, 0, len(seen))
	several := map[string]*watched{}
	for _, r := range seen {
		if r.Of == "" {
			out = append(out, r)
			continue
		}
		w, known := several[r.Of]
		if !known {
			several[r.Of] = &watched{len(out), []Rep{r}}
			out = append(out, r)
			continue
		}
		if i := slices.IndexFunc(w.last, func(l Rep) bool { return l.Observer == r.Observer }); i >= 0 {
			w.last[i] = r
		} else {
			w.last = append(w.last, r)
		}
		out[w.at] = judged(w.last)
	}
	return out
}

// judged is the observation that counts.
func judged(by []Rep) Rep {
	right := 0
	for _, r := range by {
		if r.Right {
			right++
		}
	}
	verdict := by[0].Right
	if 2*right != len(by) {
		verdict = 2*right > len(by)
	}
	return by[slices.IndexFunc(by, func(r Rep) bool { return r.Right == verdict })]
}

// Asking are the reps that asked for a read.
func Asking(read reads.Read, reps []Rep) []Rep {
	return slices.DeleteFunc(slices.Clone(reps), func(r Rep) bool { return r.Expected != read })
}
