package evidence

import (
	"fmt"
	"slices"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Outcome is how a rep ended. It is kept apart from the read: a right read
// with a missed shot is a right read.
type Outcome string

// Outcomes; the empty one was not noted.
const (
	NotNoted Outcome = ""
	Scored   Outcome = "made"
	Missed   Outcome = "missed"
	Foul     Outcome = "foul"
	Turnover Outcome = "turnover"
	NoShot   Outcome = "no-shot"
)

// Seen is what an observer reports of one player in one rep.
type Seen struct {
	Role reads.Role
	Side string
	// Unsided is true where the side may be left out, as on the bench of a game.
	Unsided     bool
	Cue         reads.Cue
	Made        reads.Read // empty when he made none
	Outcome     Outcome
	Corrections []string
}

// Score finds the read that was asked for and whether it was made. The error
// is a sentence that says what cannot be right in the report.
func Score(screen *reads.Screen, school reads.School, seen Seen) (expected reads.Read, right bool, err error) {
	row, ok := screen.Row(school, seen.Cue)
	switch {
	case !ok:
		return "", false, fmt.Errorf("The %s has no cue called %q.", screen.Name, seen.Cue)
	case seen.Role == screen.Roles[0]:
		expected = row.CutterRead
	case seen.Role == screen.Roles[1]:
		expected = row.ScreenerRead
	default:
		return "", false, fmt.Errorf("Nobody is judged as %q in this drill.", seen.Role)
	}
	if seen.Made != "" {
		if info, ok := reads.Info(seen.Made); !ok || info.Role != seen.Role {
			return "", false, fmt.Errorf("%q is not a read of the %s.", seen.Made, seen.Role)
		}
	}
	if seen.Side != drill.Right && seen.Side != drill.Left && !(seen.Unsided && seen.Side == "") {
		return "", false, fmt.Errorf("The side is left or right, not %q.", seen.Side)
	}
	if !slices.Contains([]Outcome{NotNoted, Scored, Missed, Foul, Turnover, NoShot}, seen.Outcome) {
		return "", false, fmt.Errorf("A rep does not end in %q.", seen.Outcome)
	}
	for _, id := range seen.Corrections {
		if !KnownCorrection(id) {
			return "", false, fmt.Errorf("There is no correction called %q.", id)
		}
	}
	return expected, seen.Made == expected, nil
}
