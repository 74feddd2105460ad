package reads

import (
	"evrik/core/court"
	"evrik/core/motion"
)

// Floor is what judging needs of a team: its court, its rules, how fast its players
// move, and their ages.
type Floor struct {
	Court court.Court
	Rules TeamRules
	Pace  motion.Pace
	// Ages is the age band, such as "12-14", which is also what an unknown one counts as.
	Ages string
}

// On is a court with the default rules, pace and ages.
func On(c court.Court) Floor { return Floor{Court: c, Pace: motion.DefaultPace} }

// With is the floor under other team rules.
func (fl Floor) With(rules TeamRules) Floor {
	fl.Rules = rules
	return fl
}

// Size scales the distances of the tables to the players and their court.
type Size struct {
	// Body multiplies distances of arms and strides, Court those between places.
	Body, Court float64
	// Range is how far from the ring players of the age shoot, Arc the radius of the
	// three-point line, both in feet.
	Range, Arc float64
}

// sizes are the reach of each age as a share of that of 12 to 14, and the range in feet
// (assumptions; the reach follows the mean heights of growth charts, from memory).
var sizes = map[string]struct{ body, shot float64 }{
	"7-8": {0.80, 10}, "9-11": {0.88, 15}, "12-14": {1, 20}, "grades 9-12": {1.07, 24},
}

// usualArc is the high-school arc, for which distances between places are given
// (NFHS court diagram, from memory: 19 ft 9 in).
const usualArc = 19.75

// Size is the size of the floor's players and court.
func (fl *Floor) Size() Size {
	of, ok := sizes[fl.Ages]
	if !ok {
		of = sizes["12-14"]
	}
	return Size{Body: of.body, Court: fl.Court.ArcRadius / usualArc, Range: of.shot, Arc: fl.Court.ArcRadius}
}
