package court

import (
	"fmt"
	"math"
)

// Tape is a place as two lengths that a person can measure with a tape.
type Tape struct {
	// FromBaseline is measured square to the baseline, in feet.
	FromBaseline float64 `json:"fromBaseline"`
	// FromSideline is measured square to the nearer sideline, in feet.
	FromSideline float64 `json:"fromSideline"`
}

// TapeOf returns the tape-measure lengths of p.
func (c Court) TapeOf(p Point) Tape {
	return Tape{p.Y - c.BaselineY(), c.Width/2 - math.Abs(p.X)}
}

// FeetInches writes a length in feet as feet and inches to the half inch,
// such as 13' 9" or 7' 0½".
func FeetInches(ft float64) string {
	sign := ""
	if ft < 0 {
		sign, ft = "-", -ft
	}
	halves := int(math.Round(ft * 24))
	feet, rest := halves/24, halves%24
	half := ""
	if rest%2 == 1 {
		half = "½"
	}
	return fmt.Sprintf("%s%d' %d%s\"", sign, feet, rest/2, half)
}

// Metric writes a length in feet as meters to the centimeter, such as 6.75 m.
func Metric(ft float64) string { return fmt.Sprintf("%.2f m", ft/Meter) }

// Mark is one line of a tape sheet: a place as lengths a person can measure.
type Mark struct {
	Name string `json:"name"`
	At   Point  `json:"at"`
	// FromBaseline and FromSideline are written in the team's units, to the half
	// inch or the centimeter; FromSideline is empty for a line across the floor.
	FromBaseline string `json:"fromBaseline"`
	FromSideline string `json:"fromSideline"`
	// Sideline is the one to measure from: left, right, or either in the middle.
	Sideline string `json:"sideline"`
	// Screen is true for a place where a screen is set.
	Screen bool `json:"screen"`
}

// middle is how near the long axis, in feet, a spot is measured from either side.
const middle = 0.05

// MarkAt is one place of the floor as tape-measure lengths.
func (c Court) MarkAt(name string, at Point, metric bool) Mark {
	write := writer(metric)
	t := c.TapeOf(at)
	m := Mark{Name: name, At: at, FromBaseline: write(t.FromBaseline), FromSideline: write(t.FromSideline),
		Sideline: "right"}
	switch {
	case math.Abs(at.X) < middle:
		m.Sideline = "either"
	case at.X < 0:
		m.Sideline = "left"
	}
	return m
}

func writer(metric bool) func(float64) string {
	if metric {
		return Metric
	}
	return FeetInches
}

// TapeSheet lists every spot of the court, and the volleyball attack line that
// many gyms have, as tape-measure lengths.
func (c Court) TapeSheet(metric bool) []Mark {
	write := writer(metric)
	var out []Mark
	for _, s := range c.Spots(StandOff) {
		out = append(out, c.MarkAt(s.Name, s.At, metric))
	}
	return append(out, Mark{Name: "Volleyball attack line", At: Point{0, c.AttackLineFromBaseline() + c.BaselineY()},
		FromBaseline: write(c.AttackLineFromBaseline())})
}
