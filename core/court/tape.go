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

// Metric writes a length in feet as metres to the centimetre, such as 6.75 m.
func Metric(ft float64) string { return fmt.Sprintf("%.2f m", ft/Metre) }
