package reads

import (
	"evrik/core/court"
	"evrik/core/motion"
)

// Floor is what judging needs of a team: its court, its school, and how fast its
// players move.
type Floor struct {
	Court  court.Court
	School School
	Pace   motion.Pace
}

// On is a court with the default school and pace.
func On(c court.Court) Floor { return Floor{Court: c, Pace: motion.DefaultPace} }

// With is the floor under another school.
func (fl Floor) With(school School) Floor {
	fl.School = school
	return fl
}
