package quiz

import (
	"fmt"
	"slices"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// Summary is what a player's answers say about one read: that the player sees when it
// is asked for. It is kept apart from what is done on the floor.
type Summary struct {
	Role reads.Role `json:"role"`
	Read reads.Read `json:"read"`
	// Right of Asked are answers in time, of the last ones; Range holds the rate.
	Right int               `json:"right"`
	Asked int               `json:"asked"`
	Range evidence.Interval `json:"range"`
	// Median is the middle decision time of the right answers, in seconds; 0
	// without any.
	Median float64 `json:"median"`
	// Gap is set where the player knows the read and does not do it yet.
	Gap string `json:"gap"`
}

// Figures of a summary (assumptions).
const (
	recent    = 30 // answers on a read that count, the last ones
	wilson    = 0.95
	fewToTell = 6 // answers below which nothing is said of a gap
)

// Done is how a read went against real defenders: right ones of all.
type Done struct{ Right, Reps int }

// Live counts a player's reps against real defenders, games left out.
func Live(reps []evidence.Rep) func(reads.Role, reads.Read) Done {
	type part struct {
		role reads.Role
		read reads.Read
	}
	done := map[part]Done{}
	for _, r := range reps {
		if info, _ := drill.RungByID(r.Rung); !info.Live || r.Rung == drill.Game {
			continue
		}
		at := part{r.Role, r.Expected}
		d := done[at]
		d.Reps++
		if r.Correct {
			d.Right++
		}
		done[at] = d
	}
	return func(role reads.Role, read reads.Read) Done { return done[part{role, read}] }
}

// Summarize sums up a player's answers, in order of time, read by read in board
// order; live tells how the read goes on the floor.
func Summarize(answers []Answer, live func(reads.Role, reads.Read) Done) []Summary {
	byRead := map[reads.Read][]Answer{}
	for _, a := range answers {
		byRead[a.Read] = append(byRead[a.Read], a)
	}
	out := []Summary{}
	for _, info := range reads.Catalogue() {
		given := byRead[info.ID]
		if len(given) == 0 {
			continue
		}
		given = given[max(0, len(given)-recent):]
		r := Summary{Role: info.Role, Read: info.ID, Asked: len(given)}
		var times []float64
		for _, a := range given {
			if a.Right {
				r.Right++
				times = append(times, a.Seconds)
			}
		}
		r.Range = evidence.Wilson(r.Right, r.Asked, wilson)
		if len(times) > 0 {
			slices.Sort(times)
			r.Median = (times[(len(times)-1)/2] + times[len(times)/2]) / 2
		}
		d := live(info.Role, info.ID)
		if min(r.Asked, d.Reps) >= fewToTell && r.Range.Low > evidence.Wilson(d.Right, d.Reps, wilson).High {
			r.Gap = fmt.Sprintf("Sees it, does not do it yet: %d of %d answered right, %d of %d live.", r.Right,
				r.Asked, d.Right, d.Reps)
		}
		out = append(out, r)
	}
	return out
}
