package offense

import (
	"math"

	"evrik/core/court"
	"evrik/core/motion"
)

// The five of a two-three zone: two above, three below.
const (
	topLeft = iota
	topRight
	lowLeft
	lowMiddle
	lowRight
)

// Figures of the zone in feet (common practice for who takes whom, assumptions for where).
const (
	zoneWide   = 18.0 // from the middle, where the zone has moved all the way to a side
	zoneLow    = 8.0  // below it the ball is in the corner
	softWithin = 22.0 // how far somebody runs to a soft place
	// zoneReact is how long, in reactions, a defender needs who watches the passer and not a
	// player.
	zoneReact = 0.4
	// unseenReact is the same for somebody who comes from behind.
	unseenReact = 1.3
	zoneTop     = 0.6 // of zoneWide: nearer to the middle the ball is on top
)

// zoneSpot is where a defender of the zone belongs while the ball is somewhere: above, the
// one on the ball's side takes it on top and on the wing; below, the outer one takes it in
// the corner, and the middle one has the block on that side.
func zoneSpot(i int, ball court.Point) court.Point {
	s := max(-1, min(1, ball.X/zoneWide))
	sign := 1.0
	if s < 0 {
		sign = -1
	}
	near := (i == topRight || i == lowRight) == (s > 0)
	switch i {
	case topLeft, topRight:
		out := -1.0
		if i == topRight {
			out = 1
		}
		switch {
		case near && ball.Y > zoneLow:
			return guard(ball, 0)
		case near:
			return court.Point{X: 14 * sign, Y: 13}
		case math.Abs(s) < zoneTop:
			return court.Point{X: 6 * out, Y: 19}
		}
		return court.Point{X: 3 * sign, Y: 18}
	case lowMiddle:
		return court.Point{X: 5 * s, Y: 5}
	}
	switch {
	case near && ball.Y <= zoneLow:
		return guard(ball, 0)
	case near:
		return court.Point{X: sign * (13 + 4*math.Abs(s)), Y: 9 - 2*math.Abs(s)}
	}
	return court.Point{X: -sign * (13 - 5*math.Abs(s)), Y: 9}
}

// soft are the places inside a two-three zone that nobody has: the line, the elbows, the
// middle of the lane and the short corners (common practice, no source).
var soft = [...]court.Point{{X: 0, Y: 14}, {X: 6, Y: 13}, {X: -6, Y: 13}, {X: 0, Y: 9}, {X: 11, Y: 0}, {X: -11, Y: 0}}

// softest is where in the zone somebody comes open who runs there now.
func (g *possessionPlay) softest(m *motion.Moment, who int) motion.Outcome {
	best := motion.Outcome{Window: motion.LeastWindow}
	m.Pace.React = g.pace.React * unseenReact // who watches the ball sees nobody come from behind
	for _, to := range soft {
		if m.Attack[who].At.Dist(to) > softWithin {
			continue
		}
		try := motion.Try{Runs: []motion.Run{{Who: who, Path: []court.Point{to}}}, Receiver: who}
		if o := g.shot(m, &try); alone(&o) > alone(&best) {
			best = o
		}
	}
	return best
}
