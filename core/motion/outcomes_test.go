package motion

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"evrik/core/court"
	"evrik/core/kept"
)

// outcomes is where the results of TestOutcomesStay are kept. Whoever changes the second opinion on purpose asks
// `evrik agree` whether it got better.
const outcomes = "testdata/outcomes.txt"

// anyMoment makes a moment with four or five a side on half a floor, and something that the attackers try.
func anyMoment(rng *rand.Rand) (Moment, Try) {
	place := func() court.Point { return court.Point{X: 44*rng.Float64() - 22, Y: 28*rng.Float64() - 3} }
	speed := func(most float64) court.Point {
		if rng.IntN(2) == 0 {
			return court.Point{}
		}
		return court.Point{X: most * (2*rng.Float64() - 1), Y: most * (2*rng.Float64() - 1)}
	}
	sides := 3 + rng.IntN(3)
	m := Moment{Attackers: sides, Defenders: sides, Ball: 0, ArcRadius: 19.75, Range: 24, Pace: DefaultPace}
	for i := range sides {
		at := place()
		m.Attack[i] = Body{At: at, Velocity: speed(12)}
		// The own defender is near, on the rim's side.
		m.Defend[i] = Body{At: at.Toward(court.Point{}, 1+7*rng.Float64()), Velocity: speed(10), Guards: i,
			Away: rng.IntN(6) == 0}
		m.Defend[i].At.X += 3 * (2*rng.Float64() - 1)
	}
	if rng.IntN(2) == 0 {
		m.Involved = [2]int{0, 1}
	}
	run := func(who int) Run {
		r := Run{Who: who, Dribble: who == m.Ball, Delay: 0.4 * float64(rng.IntN(2))}
		for range 1 + rng.IntN(2) {
			r.Path = append(r.Path, place())
		}
		if rng.IntN(2) == 0 {
			r.Path[len(r.Path)-1], r.ToRim, r.Stride = court.Point{}, true, float64(6*rng.IntN(2))
		}
		if rng.IntN(4) == 0 {
			r.Fakes = 0.4
		}
		return r
	}
	try := Try{Receiver: rng.IntN(sides), Leaves: 0.5 * float64(rng.IntN(3))}
	if rng.IntN(3) > 0 {
		try.Runs = append(try.Runs, run(try.Receiver))
	}
	if rng.IntN(4) == 0 && try.Receiver != m.Ball {
		try.Runs = append(try.Runs, run(m.Ball))
	}
	switch rng.IntN(8) {
	case 0:
		try.Handed = try.Receiver != m.Ball
	case 1:
		try.Lobbed = true
	case 2:
		other := run((try.Receiver + 1) % sides)
		other.Dribble = false
		try.Other = &other
	case 3:
		try.Stops = try.Receiver == m.Ball && len(try.Runs) > 0
	}
	return m, try
}

// What the second opinion says of two thousand moments stays what it was.
func TestOutcomesStay(t *testing.T) {
	const moments = 2000
	var now []string
	open, blocked, next := 0, 0, 0
	for seed := range uint64(moments) {
		m, try := anyMoment(rand.New(rand.NewPCG(seed, 77)))
		o := m.Play(&try)
		now = append(now, fmt.Sprintf("%d %d %.5f %.5f %.5f %.4f %.4f %.4f %d %d", seed, o.Way, o.Window, o.Alone, o.Ball,
			o.End.X, o.End.Y, o.Feet, o.By, o.Next))
		if math.IsNaN(o.Window) || o.Window < LeastWindow || o.Window > mostWindow {
			t.Fatalf("%d: %+v", seed, o)
		}
		if o.Window > 0 {
			open++
		}
		if o.Way == Blocked {
			blocked++
		}
		if o.Next >= 0 {
			next++
		}
	}
	// The moments are worth looking at: some of everything is among them.
	if open < moments/20 || blocked < moments/20 || next < moments/20 {
		t.Errorf("%d open, %d blocked, %d with one more pass of %d", open, blocked, next, moments)
	}
	if err := kept.Compare(outcomes, now); err != nil {
		t.Error(err)
	}
}
