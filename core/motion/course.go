package motion

import "evrik/core/court"

// Course is a run along a path with its times worked out once, for whoever asks often where
// the runner is.
type Course struct {
	from      court.Point
	stretches []stretch
	run       Runner
	took      float64
}

// stretch is one leg of a path: where and when it begins, how fast, and how long it takes.
type stretch struct {
	from, dir          court.Point
	speed, begin, ends float64
}

// Course works a run out that starts from rest.
func (r Runner) Course(from court.Point, path []court.Point) Course {
	c := Course{from: from, run: r, stretches: make([]stretch, 0, len(path))}
	at, v := from, court.Point{}
	for _, to := range path {
		way := to.Sub(at)
		length := way.Len()
		if length == 0 {
			continue
		}
		dir := way.Scale(1 / length)
		speed := v.Dot(dir)
		if speed < 0 {
			c.took -= speed / Braking
			speed = 0
		}
		speed = min(speed, r.Top)
		took := r.timeFrom(speed, length)
		c.stretches = append(c.stretches, stretch{at, dir, speed, c.took, c.took + took})
		c.took += took
		at, v = to, dir.Scale(r.speedAfter(speed, length))
	}
	if n := len(c.stretches); n > 0 {
		c.stretches = append(c.stretches, stretch{from: at, begin: c.took, ends: c.took})
	}
	return c
}

// Took is how long the run takes, in seconds.
func (c *Course) Took() float64 { return c.took }

// At is where the runner is t seconds after setting out.
func (c *Course) At(t float64) court.Point {
	at := c.from
	for i := range c.stretches {
		s := &c.stretches[i]
		if t < s.begin {
			return s.from
		}
		if t < s.ends {
			return s.from.Add(s.dir.Scale(c.run.coveredFrom(s.speed, t-s.begin)))
		}
		at = s.from
	}
	return at
}
