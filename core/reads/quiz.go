package reads

import (
	"math"
	"math/rand/v2"

	"evrik/core/court"
)

// Clear returns a snapshot of an action that shows a clear cue, drawn from a seed: any
// cue, either side, the defenders anywhere that shows it beyond doubt.
func Clear(fl *Floor, a *Action, seed uint64) Snapshot {
	rng := rand.New(rand.NewPCG(seed, 0))
	cue := a.rows[rng.IntN(len(a.rows))].Cue
	clear := a.Example(fl.Court, cue)
	for range clearTries {
		t := clear
		t.XCutter, t.XScreener = near(rng, clear.XCutter), near(rng, clear.XScreener)
		if v := Classify(fl, &t); v.Cue == cue && v.Margin >= clearMargin && t.Validate(fl.Court) == nil {
			clear = t
			break
		}
	}
	if rng.IntN(2) == 1 {
		return clear.Mirror()
	}
	return clear
}

// clearMargin is the margin in feet from which a snapshot counts as clear (assumption).
const clearMargin = 1.0

const (
	clearTries = 60  // places tried before the plain example is taken
	clearDrift = 3.0 // feet a defender may stand off the example's place
)

func near(rng *rand.Rand, p court.Point) court.Point {
	r, angle := clearDrift*math.Sqrt(rng.Float64()), 2*math.Pi*rng.Float64()
	return p.Add(court.Point{X: r * math.Cos(angle), Y: r * math.Sin(angle)})
}
