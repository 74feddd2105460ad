package practice

import (
	"evrik/core/refusal"
)

// AgeBand is the age group a team belongs to; no birth date is kept.
type AgeBand string

// The age bands of the guideline.
const (
	Ages7to8   AgeBand = "7-8"
	Ages9to11  AgeBand = "9-11"
	Ages12to14 AgeBand = "12-14"
	Grades9on  AgeBand = "grades 9-12"
)

// Limits is what the guideline, or a team's local rule, says.
type Limits struct {
	Band       AgeBand `json:"band"`
	Name       string  `json:"name"`
	MinMinutes float64 `json:"minMinutes"` // length of a practice
	MaxMinutes float64 `json:"maxMinutes"`
	MaxPerWeek int     `json:"maxPerWeek"` // practices
	MaxHours   float64 `json:"maxHours"`   // organized hours a week
	RestDays   int     `json:"restDays"`   // a week, at least
	// MaxHard are minutes of live play and MaxJumps jumps in one day (assumptions): a load
	// above is worth a look, no more.
	MaxHard  float64 `json:"maxHard"`
	MaxJumps int     `json:"maxJumps"`
	Source   string  `json:"source"`
}

const guideline = "USA Basketball / NBA Youth Guidelines, 2016" // from memory

var limits = []Limits{
	{Ages7to8, "ages 7 and 8", 30, 60, 1, 3, 2, 30, 60, guideline},
	{Ages9to11, "ages 9 to 11", 45, 75, 2, 5, 2, 40, 80, guideline},
	{Ages12to14, "ages 12 to 14", 60, 90, 4, 10, 1, 50, 110, guideline},
	{Grades9on, "grades 9 to 12", 90, 120, 4, 14, 1, 65, 140, guideline},
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

// LocalRule is what a team's own league, school or federation says; 0 leaves the
// guideline's figure.
type LocalRule struct {
	MaxMinutes float64 `json:"maxMinutes"`
	MaxPerWeek int     `json:"maxPerWeek"`
	MaxHours   float64 `json:"maxHours"`
	RestDays   int     `json:"restDays"`
}

// Check refuses a rule that cannot be. The error is a refusal.
func (r LocalRule) Check() error {
	const week, hours = 7, 60
	switch {
	case r.MaxMinutes != 0 && (r.MaxMinutes < MinPractice || r.MaxMinutes > MaxPractice):
		return refusal.New("practice.local-length", MinPractice, MaxPractice)
	case r.MaxPerWeek < 0 || r.MaxPerWeek > 2*week:
		return refusal.New("practice.local-practices")
	case r.MaxHours < 0 || r.MaxHours > hours:
		return refusal.New("practice.local-hours", hours)
	case r.RestDays < 0 || r.RestDays > week:
		return refusal.New("practice.local-rest")
	}
	return nil
}

// With puts a local rule in place of the guideline's figures.
func (l Limits) With(r LocalRule) Limits {
	if r == (LocalRule{}) {
		return l
	}
	if r.MaxMinutes > 0 {
		l.MaxMinutes, l.MinMinutes = r.MaxMinutes, min(l.MinMinutes, r.MaxMinutes)
	}
	if r.MaxPerWeek > 0 {
		l.MaxPerWeek = r.MaxPerWeek
	}
	if r.MaxHours > 0 {
		l.MaxHours = r.MaxHours
	}
	if r.RestDays > 0 {
		l.RestDays = r.RestDays
	}
	l.Source = "Your local rule where you set one; otherwise " + guideline
	return l
}
