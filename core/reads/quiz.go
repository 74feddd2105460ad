package reads

import (
	"math"
	"math/rand/v2"

	"evrik/core/court"
)

// Clear returns a situation of a screen that shows a clear cue, drawn from a
// seed: any cue, either side, the defenders anywhere that shows it beyond doubt.
func Clear(c court.Court, screen *Screen, seed uint64) Situation {
	rng := rand.New(rand.NewPCG(seed, 0))
	cue := screen.rows[rng.IntN(len(screen.rows))].Cue
	s := screen.Example(c, cue)
	clear := s
	for range clearTries {
		t := s
		t.XCutter, t.XScreener = near(rng, s.XCutter), near(rng, s.XScreener)
		if v := Classify(&t); v.Cue == cue && v.Margin >= clearMargin && t.Validate(c) == nil {
			clear = t
			break
		}
	}
	if rng.IntN(2) == 1 {
		return clear.Mirror()
	}
	return clear
}

const (
	clearTries = 60  // places tried before the plain example is taken
	clearDrift = 3.0 // feet a defender may stand off the example's place
)

func near(rng *rand.Rand, p court.Point) court.Point {
	r, angle := clearDrift*math.Sqrt(rng.Float64()), 2*math.Pi*rng.Float64()
	return p.Add(court.Point{X: r * math.Cos(angle), Y: r * math.Sin(angle)})
}
