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

// Suggest picks the goal of a plan that its blocks move least of those who should move.
// opponent names the next game and asks how often it is expected to ask for a read; days is
// how far off it is, negative where there is none.
func Suggest(p Plan, s Sheet, opponent string, asks map[reads.Read]float64, days int) (Suggestion, bool) {
	best, most := -1, 0
	for i, g := range s.Goals {
		if left := len(g.Players) - len(g.Moves); left > most {
			best, most = i, left
		}
	}
	if best < 0 {
		return Suggestion{}, false
	}
	g := s.Goals[best]
	info, _ := reads.Info(g.Read)
	reason := fmt.Sprintf("%s needs work. %s", info.Name, g.Why)
	switch {
	case len(p.Blocks) == 0:
		reason += " The next practice has no plan yet."
	case g.Each < 0.5:
		reason += " The next practice gives nobody a rep of it."
	default:
		moved := "nobody"
		if n := len(g.Moves); n > 0 {
			moved = fmt.Sprint(n)
		}
		reason += fmt.Sprintf(" The next practice gives each %s and moves %s forward.", about(g.Each), moved)
	}
	if share := asks[g.Read]; share > 0 && days >= 0 {
		reason += fmt.Sprintf(" %s is expected to ask for it in %.0f of 100 screens, in %s.", opponent, 100*share,
			inDays(days))
	}
	live := 0
	for _, id := range g.Players {
		if k, ok := p.needIndex()[SupplyKey{id, g.Role, g.Read}]; ok {
			live += count(p.Needs[k].Live)
		}
	}
	return Suggestion{g.Read, 2*live > len(g.Players), strings.TrimSpace(reason)}, true
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
