package practice

// AgeBand is the age group a team belongs to; no birth date is kept.
type AgeBand string

// The age bands of the guideline.
const (
	Ages7to8   AgeBand = "7-8"
	Ages9to11  AgeBand = "9-11"
	Ages12to14 AgeBand = "12-14"
	Grades9on  AgeBand = "grades 9-12"
)

// Limits is what the guideline says for an age band.
type Limits struct {
	Band       AgeBand `json:"band"`
	Name       string  `json:"name"`
	MinMinutes float64 `json:"minMinutes"` // length of a practice
	MaxMinutes float64 `json:"maxMinutes"`
	MaxPerWeek int     `json:"maxPerWeek"` // practices
	Source     string  `json:"source"`
}

const guideline = "USA Basketball / NBA Youth Guidelines, 2016, from memory"

var limits = []Limits{
	{Ages7to8, "ages 7 and 8", 30, 60, 1, guideline},
	{Ages9to11, "ages 9 to 11", 45, 75, 2, guideline},
	{Ages12to14, "ages 12 to 14", 60, 90, 4, guideline},
	{Grades9on, "grades 9 to 12", 90, 120, 4, guideline},
}

// Limits returns the guideline's figures for the band, and whether it has any.
func (a AgeBand) Limits() (Limits, bool) {
	for _, l := range limits {
		if l.Band == a {
			return l, true
		}
	}
	return Limits{}, false
}

// AllLimits returns every band, youngest first.
func AllLimits() []Limits { return append([]Limits(nil), limits...) }
