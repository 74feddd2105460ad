package motion

import (
	"math"

	"evrik/core/court"
)

// Mover is somebody in motion: a place in feet and a velocity in feet a second along
// each axis.
type Mover struct {
	At       court.Point
	Velocity court.Point
}

// Along returns where a runner is t seconds after setting out along a path, and
// whether that is its end. On each leg the runner keeps
// the part of the speed that points along it, loses the time to brake what points the
// other way, and speeds up to the top.
func (r Runner) Along(m Mover, path []court.Point, t float64) (court.Point, bool) {
	for _, to := range path {
		s := r.stretch(m, to)
		if s.length == 0 {
			continue
		}
		if s.brakes > 0 && t <= s.brakes {
			return m.At, false
		}
		t -= s.brakes
		if t < s.takes {
			return m.At.Add(s.dir.Scale(r.coveredFrom(s.speed, t))), false
		}
		t -= s.takes
		m = r.atEnd(&s, to)
	}
	return m.At, true
}

// Arrival is when a runner comes to the end of a path, in seconds.
func (r Runner) Arrival(m Mover, path []court.Point) float64 {
	total := 0.0
	for _, to := range path {
		s := r.stretch(m, to)
		if s.length == 0 {
			continue
		}
		total += s.brakes
		total += s.takes
		m = r.atEnd(&s, to)
	}
	return total
}

// stretch is one leg of a path: its direction and length in feet, for how long the runner
// brakes first, with how much speed in feet a second it is then begun, and how long it takes
// from there, in seconds. A length of 0 is no leg.
type stretch struct {
	dir                          court.Point
	length, brakes, speed, takes float64
}

// stretch works out the leg to a place.
func (r Runner) stretch(m Mover, to court.Point) (s stretch) {
	way := to.Sub(m.At)
	if s.length = way.Len(); s.length == 0 {
		return s
	}
	s.dir = way.Scale(1 / s.length)
	s.speed = m.Velocity.Dot(s.dir)
	if s.speed < 0 {
		s.brakes, s.speed = -s.speed/Braking, 0
	}
	s.speed = min(s.speed, r.Top)
	s.takes = r.timeFrom(s.speed, s.length)
	return s
}

// atEnd is the runner at the end of a leg.
func (r Runner) atEnd(s *stretch, to court.Point) Mover {
	return Mover{At: to, Velocity: s.dir.Scale(r.speedAfter(s.speed, s.length))}
}

// StopAt is when a runner stands still at the end of a path, in seconds: speeding up,
// then braking.
func (r Runner) StopAt(m Mover, path []court.Point) float64 {
	at, length := m.At, 0.0
	speed, late := 0.0, 0.0
	for _, to := range path {
		leg := at.Dist(to)
		if leg > 0 && length == 0 {
			speed = m.Velocity.Dot(to.Sub(at)) / leg
		}
		length += leg
		at = to
	}
	if speed < 0 {
		late, speed = -speed/Braking, 0
	}
	// The top of the speed from which braking ends at the end.
	top := min(r.Top, math.Sqrt((2*r.Accel*Braking*length+Braking*speed*speed)/(r.Accel+Braking)))
	if top <= speed {
		// Too fast for so short a way: brake all along it.
		return late + length/max(speed/2, SlowWalk)
	}
	gone := (top*top-speed*speed)/(2*r.Accel) + top*top/(2*Braking)
	return late + (top-speed)/r.Accel + top/Braking + max(0, length-gone)/top
}

// SlowWalk is the slowest anybody goes who goes somewhere, in ft/s (assumption).
const SlowWalk = 3.0

// timeFrom is the time to cover d feet starting at speed u.
func (r Runner) timeFrom(u, d float64) float64 {
	if ramp := (r.Top*r.Top - u*u) / (2 * r.Accel); d > ramp {
		return (r.Top-u)/r.Accel + (d-ramp)/r.Top
	}
	return (math.Sqrt(u*u+2*r.Accel*d) - u) / r.Accel
}

// speedAfter is how fast a runner is who has covered d feet from a speed u.
func (r Runner) speedAfter(u, d float64) float64 { return min(r.Top, math.Sqrt(u*u+2*r.Accel*d)) }

// coveredFrom is the distance in feet covered in t seconds starting at speed u.
func (r Runner) coveredFrom(u, t float64) float64 {
	if ramp := (r.Top - u) / r.Accel; t > ramp {
		return u*ramp + r.Accel*ramp*ramp/2 + r.Top*(t-ramp)
	}
	return u*t + r.Accel*t*t/2
}

// Round returns a path from one place to another that does not go through a
// body of the given radius in feet: straight, or past the body's nearer side.
func Round(from, to, body court.Point, radius float64) []court.Point {
	near := court.NearestOnSegment(body, from, to)
	if near.Dist(body) >= radius || from.Dist(body) <= radius/2 {
		return []court.Point{to}
	}
	side := near.Sub(body).Unit()
	if side == (court.Point{}) {
		side = to.Sub(from).Unit().Left()
	}
	return []court.Point{body.Add(side.Scale(radius)), to}
}
