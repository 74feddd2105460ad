package evidence

import (
	"slices"

	"evrik/core/drill"
	"evrik/core/reads"
	"evrik/core/refusal"
)

// Outcome is how a rep ended. It is kept apart from the read: a correct read
// with a missed shot is a correct read.
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
	Unsided bool
	Cue     reads.Cue
	// SecondCue is the id of the second cue, empty where none was noted.
	SecondCue string
	Made      reads.Read // empty when no read was made
	Outcome   Outcome
	Tags      []Tag
	// ScreenerShoots tells whether the player in the screener's part makes the three.
	ScreenerShoots reads.Known
}

// Score finds the read that the cue asks for first and whether what was made answers
// it. The error is a refusal of what cannot be right in the report.
func Score(action *reads.Action, rules reads.TeamRules, seen Seen) (reads.Scored, error) {
	scored, err := action.Score(rules, reads.Logged{Cue: seen.Cue, Sign: seen.SecondCue, Read: seen.Made,
		Role: seen.Role, Shoots: seen.ScreenerShoots})
	if err != nil {
		return reads.Scored{}, err
	}
	if seen.Made != "" {
		if info, ok := reads.Info(seen.Made); !ok || info.Role != seen.Role {
			return reads.Scored{}, refusal.New("evidence.read", seen.Made, seen.Role)
		}
	}
	if seen.Side != drill.Right && seen.Side != drill.Left && !(seen.Unsided && seen.Side == "") {
		return reads.Scored{}, refusal.New("evidence.side", seen.Side)
	}
	if !slices.Contains([]Outcome{NotNoted, Scored, Missed, Foul, Turnover, NoShot}, seen.Outcome) {
		return reads.Scored{}, refusal.New("evidence.outcome", seen.Outcome)
	}
	for _, tag := range seen.Tags {
		if !KnownTag(tag.ID) {
			return reads.Scored{}, refusal.New("evidence.tag", tag.ID)
		}
	}
	return scored, nil
}
