package evidence

import (
	"cmp"
	"slices"
)

// Correction is a tag for what went wrong, one tap each.
type Correction struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Group string `json:"group"`
}

var corrections = []Correction{
	{"named", "Ran the named cut, no look", "read"},
	{"no-backcut", "Missed the back cut", "read"},
	{"early", "Left before the screen was set", "timing"},
	{"waited", "Waited too long", "timing"},
	{"too-high", "Screen too high", "screen"},
	{"moving", "Feet moving", "screen"},
	{"no-call", "No call", "screen"},
	{"looped", "Looped out", "screen"},
	{"daylight", "Daylight at the hip", "use"},
	{"past", "Ran past the catch", "use"},
	{"upright", "Upright", "use"},
	{"angle", "Stopped at an angle", "use"},
	{"behind", "Pass behind him", "pass"},
	{"late-pass", "Pass late", "pass"},
	{"traffic", "Into traffic", "pass"},
	{"toes", "Toes on the line", "spacing"},
	{"stood", "Stood after the pass", "spacing"},
}

// Corrections lists the tags in the order of play.
func Corrections() []Correction { return slices.Clone(corrections) }

// KnownCorrection reports whether id is one of the tags.
func KnownCorrection(id string) bool {
	return slices.ContainsFunc(corrections, func(c Correction) bool { return c.ID == id })
}

// CorrectionCount is how often a tag was given.
type CorrectionCount struct {
	ID         string  `json:"id"`
	Count      int     `json:"count"`
	PerHundred float64 `json:"perHundred"` // per hundred reps
}

// CountCorrections counts the tags on reps, most common first.
func CountCorrections(reps []Rep) []CorrectionCount {
	counts := map[string]int{}
	for _, r := range reps {
		for _, id := range r.Corrections {
			counts[id]++
		}
	}
	out := []CorrectionCount{}
	for id, k := range counts {
		out = append(out, CorrectionCount{id, k, 100 * float64(k) / float64(len(reps))})
	}
	slices.SortFunc(out, func(a, b CorrectionCount) int {
		return cmp.Or(cmp.Compare(b.Count, a.Count), cmp.Compare(a.ID, b.ID))
	})
	return out
}
