package practice

import (
	"fmt"
	"strings"

	"evrik/core/reads"
)

// Suggestion is the one thing to do about the next practice, with the reason.
type Suggestion struct {
	Read   reads.Read `json:"read"`
	Live   bool       `json:"live"`
	Reason string     `json:"reason"`
}

// worthSaying is how many reps have to be missing before anything is suggested
// (assumption).
const worthSaying = 6.0

// Suggest picks the read of which most that is needed is not in a plan, in the order of
// what a rep is worth. opponent names the next game and how often it is expected to ask
// for a read; days is how far off it is, negative where there is none.
func Suggest(p Plan, s Sheet, opponent string, asks map[reads.Read]float64, days int) (Suggestion, bool) {
	weight := map[Want]float64{}
	for _, w := range p.Wants {
		k := Want{Role: w.Role, Read: w.Read, Live: w.Live}
		weight[k] = max(weight[k], w.Weight)
	}
	best, most := Cover{}, 0.0
	for _, c := range s.Reads {
		missing := c.Demand - c.Covered
		if worth := missing * weight[Want{Role: c.Role, Read: c.Read, Live: c.Live}]; missing >= worthSaying && worth > most {
			best, most = c, worth
		}
	}
	if most == 0 {
		return Suggestion{}, false
	}
	info, _ := reads.Info(best.Read)
	kind := "when it is shown"
	if best.Live {
		kind = "live"
	}
	verb := "lack"
	if best.Players == 1 {
		verb = "lacks"
	}
	reason := fmt.Sprintf("%s %s reps of %s %s, and the next practice has ", players(best.Players), verb, strings.ToLower(info.Name), kind)
	if best.Covered < 1 {
		reason += "none."
	} else {
		reason += fmt.Sprintf("%.0f of the %.0f that are needed.", best.Covered, best.Demand)
	}
	if share := asks[best.Read]; share > 0 && days >= 0 {
		reason += fmt.Sprintf(" %s is expected to ask for it in %.0f of 100 screens, in %s.", opponent, 100*share, inDays(days))
	}
	return Suggestion{best.Read, best.Live, reason}, true
}

func inDays(n int) string {
	switch n {
	case 0:
		return "less than a day"
	case 1:
		return "one day"
	}
	return fmt.Sprintf("%d days", n)
}
