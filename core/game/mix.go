// Package game prepares a game and learns from it: which coverages the opponent is
// expected to show, who answers them, which five answer most, and how practice and the
// game compare.
package game

import (
	"math"
	"slices"

	"evrik/core/reads"
	"evrik/core/refusal"
)

// Family is a group of actions that opponents cover in the same few ways.
type Family struct {
	ID   string      `json:"id"`
	Name string      `json:"name"`
	Cues []reads.Cue `json:"cues"`
}

// The families, and what a defense may do in each (common practice, no source).
const (
	Off  = "off"
	Ball = "ball"
)

var families = []Family{
	{Off, "Screens away from the ball", []reads.Cue{reads.Trail, reads.Stuck, reads.Under, reads.Jump, reads.Switch,
		reads.Show}},
	{Ball, "Ball screens", []reads.Cue{reads.Drop, reads.Under, reads.Hedge, reads.Switch, reads.Blitz, reads.Ice}},
}

// Families lists them.
func Families() []Family { return slices.Clone(families) }

// FamilyOf is the family of an action, and whether it has one: what happens round
// the post depends on more than a coverage.
func FamilyOf(s *reads.Action) (Family, bool) {
	switch {
	case s.Roles == [2]reads.Role{reads.Cutter, reads.Screener}:
		return families[0], true
	case s.Roles == [2]reads.Role{reads.Handler, reads.Screener}:
		return families[1], true
	}
	return Family{}, false
}

// Share is how often a coverage is expected, in percent.
type Share struct {
	Cue     reads.Cue `json:"cue"`
	Percent float64   `json:"percent"`
}

// Mix is what an opponent is expected to do in a family; nobody knows when it is empty.
type Mix struct {
	Family string  `json:"family"`
	Shares []Share `json:"shares"`
}

// percentSlack is how far shares may be off a hundred by rounding.
const percentSlack = 0.5

// CheckMixes refuses what cannot be expected. The error is a refusal.
func CheckMixes(mixes []Mix) error {
	seen := map[string]bool{}
	for _, m := range mixes {
		i := slices.IndexFunc(families, func(f Family) bool { return f.ID == m.Family })
		if i < 0 {
			return refusal.New("game.family", m.Family)
		}
		if seen[m.Family] {
			return refusal.New("game.family-twice", families[i].Name)
		}
		if len(m.Shares) == 0 {
			continue
		}
		seen[m.Family] = true
		total := 0.0
		for k, s := range m.Shares {
			if !slices.Contains(families[i].Cues, s.Cue) {
				return refusal.New("game.coverage", s.Cue.Name(), families[i].Name)
			}
			if slices.ContainsFunc(m.Shares[:k], func(o Share) bool { return o.Cue == s.Cue }) {
				return refusal.New("game.coverage-twice", s.Cue.Name())
			}
			if !(s.Percent >= 0 && s.Percent <= 100) {
				return refusal.New("game.share", s.Percent)
			}
			total += s.Percent
		}
		if math.Abs(total-100) > percentSlack {
			return refusal.New("game.shares-sum", families[i].Name, total)
		}
	}
	return nil
}

// Known reports whether somebody has an idea of a family.
func Known(mixes []Mix, family string) bool {
	return slices.ContainsFunc(mixes, func(m Mix) bool { return m.Family == family && len(m.Shares) > 0 })
}

// Runs is what a team is prepared on: what it has practiced, and ball screens where it
// is known how this opponent guards them.
func Runs(practiced []string, mixes []Mix) []string {
	if slices.Contains(practiced, reads.Ball) || !Known(mixes, Ball) {
		return practiced
	}
	return append(slices.Clone(practiced), reads.Ball)
}

// Meets is what a bench may see: what a team has practiced, and ball screens, which
// every game has.
func Meets(practiced []string) []string {
	if slices.Contains(practiced, reads.Ball) {
		return practiced
	}
	return append(slices.Clone(practiced), reads.Ball)
}

// shareOf is how often a coverage is expected in a family; even where nobody knows.
func shareOf(mixes []Mix, f Family, cue reads.Cue) float64 {
	for _, m := range mixes {
		if m.Family == f.ID && len(m.Shares) > 0 {
			for _, s := range m.Shares {
				if s.Cue == cue {
					return s.Percent / 100
				}
			}
			return 0
		}
	}
	return 1 / float64(len(f.Cues))
}

// Ask is one action with one coverage and what it asks of two players.
type Ask struct {
	Action string    `json:"action"`
	Family string    `json:"family"`
	Cue    reads.Cue `json:"cue"`
	// Share of all that the team runs; the shares of all asks come to 1.
	Share float64       `json:"share"`
	Roles [2]reads.Role `json:"roles"`
	Reads [2]reads.Read `json:"reads"`
}

// Asks lists what an opponent asks of a team that runs some actions, each as often
// as any other (assumption). A coverage that an action does not know is left out of
// it, and the others are as likely among themselves as before; where none is left they
// are even.
func Asks(actions []string, rules reads.TeamRules, mixes []Mix) []Ask {
	var out []Ask
	n := 0
	for _, id := range actions {
		action, ok := reads.ActionByID(id)
		if !ok {
			continue
		}
		family, ok := FamilyOf(action)
		if !ok {
			continue
		}
		var asks []Ask
		total := 0.0
		for _, row := range coveragesOf(action, rules, family) {
			if info, ok := reads.Info(row.ScreenerRead); !ok || info.Role != action.Roles[1] {
				continue
			}
			a := Ask{id, family.ID, row.Cue, shareOf(mixes, family, row.Cue), action.Roles,
				[2]reads.Read{row.CutterRead, row.ScreenerRead}}
			total += a.Share
			asks = append(asks, a)
		}
		if len(asks) == 0 {
			continue
		}
		n++
		for i := range asks {
			if total > 0 {
				asks[i].Share /= total
			} else {
				asks[i].Share = 1 / float64(len(asks))
			}
		}
		out = append(out, asks...)
	}
	for i := range out {
		out[i].Share /= float64(n)
	}
	return out
}

// coveragesOf are an action's rows for the coverages of a family; a coverage that the
// table splits is one row.
func coveragesOf(action *reads.Action, rules reads.TeamRules, family Family) []reads.Row {
	var out []reads.Row
	for _, row := range action.Rows(rules) {
		cue := row.Cue
		if parent := cue.Parent(); parent != reads.NoCue && slices.Contains(family.Cues, parent) {
			cue = parent
		}
		if !slices.Contains(family.Cues, cue) || slices.ContainsFunc(out,
			func(r reads.Row) bool { return r.Cue == cue }) {
			continue
		}
		whole, _ := action.Row(rules, cue)
		out = append(out, whole)
	}
	return out
}

// Demand is how often an opponent is expected to ask for a read, 0 to 1, per part in it.
func Demand(asks []Ask) map[reads.Read]float64 {
	out := map[reads.Read]float64{}
	for _, a := range asks {
		out[a.Reads[0]] += a.Share
		out[a.Reads[1]] += a.Share
	}
	return out
}
