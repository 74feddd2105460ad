package motion

import "evrik/core/court"

// Course is a run along a path with its times worked out once, for whoever asks often where
// the runner is.
type Course struct {
	from court.Point
	legs []courseLeg
	run  Runner
	took float64
}

// courseLeg is one leg of a course: where and when it begins, how fast, and when it ends.
type courseLeg struct {
	from, dir          court.Point
	speed, begin, ends float64
}

// Course works a run out that starts from rest.
func (r Runner) Course(from court.Point, path []court.Point) Course {
	c := Course{from: from, run: r, legs: make([]courseLeg, 0, len(path)+1)}
	m := Mover{At: from}
	for _, to := range path {
		s := r.stretch(m, to)
		if s.length == 0 {
			continue
		}
		c.took += s.brakes
		c.legs = append(c.legs, courseLeg{m.At, s.dir, s.speed, c.took, c.took + s.takes})
		c.took += s.takes
		m = r.atEnd(&s, to)
	}
	if len(c.legs) > 0 {
		c.legs = append(c.legs, courseLeg{from: m.At, begin: c.took, ends: c.took})
	}
	return c
}

// Took is how long the run takes, in seconds.
func (c *Course) Took() float64 { return c.took }

// At is where the runner is t seconds after setting out.
func (c *Course) At(t float64) court.Point {
	at := c.from
	for i := range c.legs {
		s := &c.legs[i]
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
