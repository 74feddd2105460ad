package offense

import (
	"cmp"
	"slices"

	"evrik/core/reads"
)

// Actions lists the actions an offense is made of, by id, in the order to teach them: the
// base actions first, those that are wanted most often before the others, then the
// counters, which answer a denied pass, come out of the high post or wait for something.
func (o Offense) Actions() []string {
	type part struct {
		action        string
		base, counter float64 // weights
	}
	var parts []part
	for _, a := range o.Answers {
		if a.Action == "" || a.Weight == 0 {
			continue
		}
		i := slices.IndexFunc(parts, func(p part) bool { return p.action == a.Action })
		if i < 0 {
			i = len(parts)
			parts = append(parts, part{action: a.Action})
		}
		if a.On == Denied || a.On == FromPost || a.After != "" {
			parts[i].counter += a.Weight
		} else {
			parts[i].base += a.Weight
		}
	}
	slices.SortStableFunc(parts, func(a, b part) int {
		if a.base == 0 && b.base == 0 {
			return cmp.Compare(b.counter, a.counter)
		}
		return cmp.Compare(b.base, a.base)
	})
	out := make([]string, len(parts))
	for i, p := range parts {
		out[i] = p.action
	}
	return out
}

// Need is an action of the read tables that an offense asks for, and how often it comes up
// in a game.
type Need struct {
	Action  string  `json:"action"`
	PerGame float64 `json:"perGame"`
}

// needGames is over how many games Needs counts.
const needGames = 4

// Needs are the actions that an offense asks for, in the order to teach them, with how often
// each comes up in a game against the default defense by players who make six reads in ten.
func (o Offense) Needs(fl reads.Floor) []Need {
	sim := NewSimulator(fl, o, Defense{Dials: DefaultDials()}, EverybodyMakes(0.6))
	s := Sum(sim.Many(needGames*PerGame, 0))
	out := []Need{}
	for _, action := range o.Actions() {
		out = append(out, Need{action, s.Actions[action]})
	}
	return out
}
