package offense

import (
	"fmt"

	"evrik/core/court"
)

// Variant is a team's own way of a school: its rules switched, and how often what follows.
type Variant struct {
	Base     string   `json:"base"`
	Switches Switches `json:"switches"`
	// Weights by answer; 0 leaves one for when nothing else fits.
	Weights map[string]float64 `json:"weights"`
}

// School is the school that a variant makes, checked on a court. The error is a sentence.
func (v Variant) School(c court.Court) (School, error) {
	s, ok := ByID(v.Base)
	if !ok {
		return s, fmt.Errorf("There is no school called %q.", v.Base)
	}
	s.Switches = v.Switches
	answers := make([]Answer, 0, len(s.Answers))
	total := 0.0
	for _, a := range s.Answers {
		if w, own := v.Weights[a.ID]; own {
			a.Weight = w
		}
		if a.On != Denied && a.On != FromPost {
			total += a.Weight
		}
		answers = append(answers, a)
	}
	s.Answers = answers
	if total == 0 {
		return s, fmt.Errorf("After a pass nothing is wanted: the passer would stand. Give one of the answers a weight.")
	}
	for id := range v.Weights {
		if !hasAnswer(s, id) {
			return s, fmt.Errorf("%s has no answer called %q.", s.Name, id)
		}
	}
	return s, s.Validate(c)
}

func hasAnswer(s School, id string) bool {
	for _, a := range s.Answers {
		if a.ID == id {
			return true
		}
	}
	return false
}

// VariantOf is a school as it is.
func VariantOf(s School) Variant {
	v := Variant{Base: s.ID, Switches: s.Switches, Weights: map[string]float64{}}
	for _, a := range s.Answers {
		v.Weights[a.ID] = a.Weight
	}
	return v
}
