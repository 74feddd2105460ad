package evidence

import (
	"slices"
	"time"

	"evrik/core/drill"
)

// Point is a stretch of a learning curve: what was right in it, and the range that
// holds the rate of that stretch alone, from raw counts.
type Point struct {
	From     time.Time `json:"from"`
	Reps     int       `json:"reps"`
	Correct  int       `json:"correct"`
	Rate     float64   `json:"rate"`
	Interval Interval  `json:"interval"`
}

// Curve parts reps on rungs where players read into stretches of so many days, from
// the first rep on. Stretches without reps are left out: a line through them would
// tell of what nobody saw.
func (p Policy) Curve(reps []Rep, days int) []Point {
	reps = slices.DeleteFunc(slices.Clone(reps), func(r Rep) bool {
		info, ok := drill.RungByID(r.Rung)
		return !ok || !info.Reads
	})
	slices.SortStableFunc(reps, func(a, b Rep) int { return a.At.Compare(b.At) })
	out := []Point{}
	stretch := time.Duration(days) * 24 * time.Hour
	for _, r := range reps {
		from := r.At.Sub(reps[0].At) / stretch
		at := reps[0].At.Add(from * stretch)
		if len(out) == 0 || !out[len(out)-1].From.Equal(at) {
			out = append(out, Point{From: at})
		}
		last := &out[len(out)-1]
		last.Reps++
		if r.Correct {
			last.Correct++
		}
	}
	for i, pt := range out {
		s, n := float64(pt.Correct), float64(pt.Reps)
		out[i].Rate, out[i].Interval = newPosterior(s, n).mean(), Jeffreys(s, n, p.Level)
	}
	return out
}
