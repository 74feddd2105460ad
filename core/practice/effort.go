package practice

import (
	"fmt"
	"strings"

	"evrik/core/refusal"
)

// MaxEffort is the highest rating of a practice's effort: 0 is rest, 10 the most there is
// (session rating of perceived exertion; Foster et al. 2001, from memory).
const MaxEffort = 10

// Effort is how hard a practice was, as it was told after it.
type Effort struct {
	// Team is the rating for everybody, ByPlayer of those who told their own; nil is none.
	Team     *int
	ByPlayer map[string]int
}

// Of is the rating that counts for a player, and whether there is one.
func (e Effort) Of(player string) (int, bool) {
	if own, ok := e.ByPlayer[player]; ok {
		return own, true
	}
	if e.Team != nil {
		return *e.Team, true
	}
	return 0, false
}

// CheckEffort refuses a rating that is off the scale. The error is a refusal.
func CheckEffort(rating int) error {
	if rating < 0 || rating > MaxEffort {
		return refusal.New("practice.effort", MaxEffort)
	}
	return nil
}

// Figures of comparing weeks.
const (
	// weeksBefore are the weeks that a week is compared with (assumption).
	weeksBefore = 4
	// muchMore is the change of a week's load, as a share of the weeks before, that is said
	// (common practice, no source).
	muchMore = 1.0 / 3
	// awayDays is after how many days without practice a player is coming back (assumption).
	awayDays = 14
)

// moreOrLess says a change in words: "45 % more".
func moreOrLess(share float64) string {
	if share < 0 {
		return fmt.Sprintf("%.0f%% less", -100*share)
	}
	return fmt.Sprintf("%.0f%% more", 100*share)
}

// listed joins a few names and counts the rest.
func listed(names []string, most int) string {
	if len(names) <= most {
		return Names(names)
	}
	return strings.Join(names[:most], ", ") + fmt.Sprintf(" and %d more", len(names)-most)
}
