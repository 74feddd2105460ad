package game

import (
	"cmp"
	"slices"

	"evrik/core/evidence"
	"evrik/core/reads"
)

// NowDoing is what an opponent shows most in a family so far in a game, and what to use
// against it.
type NowDoing struct {
	Family string    `json:"family"`
	Cue    reads.Cue `json:"cue"`
	// Seen is how many of the Of moments so far showed the cue. Expected is the percentage that was expected; it
	// means something only where Known.
	Seen     int     `json:"seen"`
	Of       int     `json:"of"`
	Expected float64 `json:"expected"`
	Known    bool    `json:"known"`
	// Uses are the answers, action by action, those that were logged most first.
	Uses []Use `json:"uses"`
}

// Use is the answer ladder of an action to a coverage.
type Use struct {
	Action string `json:"action"`
	// First are the correct answers of who uses the action, the first one first; Second
	// those of the screener.
	First  []reads.Read `json:"first"`
	Second []reads.Read `json:"second"`
	// Count is how the team has answered it so far in this game.
	evidence.Count
}

const (
	// fewMoments is from how many logged moments on it is said what an opponent does, and
	// mostUses how many actions are told (assumptions).
	fewMoments = 4
	mostUses   = 2
)

// HalfTime says, family by family, what an opponent does now and which answers are correct,
// from what the bench has logged. Families with few logged moments are left out.
func HalfTime(mixes []Mix, played []evidence.Rep, rules reads.TeamRules) []NowDoing {
	out := []NowDoing{}
	seen := Coverages(mixes, played)
	for _, f := range families {
		now := NowDoing{Family: f.ID, Uses: []Use{}}
		for _, c := range seen {
			if c.Family != f.ID {
				continue
			}
			now.Of += c.Seen
			if c.Seen > now.Seen {
				now.Cue, now.Seen, now.Expected, now.Known = c.Cue, c.Seen, c.Expected, c.Known
			}
		}
		if now.Of < fewMoments {
			continue
		}
		now.Uses = usesAgainst(f, now.Cue, played, rules)
		out = append(out, now)
	}
	return out
}

// usesAgainst lists the answers to a coverage of the actions that were logged.
func usesAgainst(f Family, cue reads.Cue, played []evidence.Rep, rules reads.TeamRules) []Use {
	out := []Use{}
	logged := map[string]int{}
	for _, r := range played {
		action, ok := reads.ActionByID(string(r.Action))
		if own, known := FamilyOf(action); !ok || !known || own.ID != f.ID {
			continue
		}
		logged[action.ID]++
		i := slices.IndexFunc(out, func(u Use) bool { return u.Action == action.ID })
		if i < 0 {
			row, has := action.Row(rules, cue)
			if !has {
				continue
			}
			i = len(out)
			out = append(out, Use{Action: action.ID, First: readsOf(row.Cutter), Second: readsOf(row.Screener)})
		}
		if r.Cue == cue {
			out[i].Reps++
			if r.Correct {
				out[i].Correct++
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Use) int { return cmp.Compare(logged[b.Action], logged[a.Action]) })
	return out[:min(mostUses, len(out))]
}

// readsOf lists the reads of some answers, each once.
func readsOf(answers []reads.Answer) []reads.Read {
	out := []reads.Read{}
	for _, a := range answers {
		if !slices.Contains(out, a.Read) {
			out = append(out, a.Read)
		}
	}
	return out
}
