package game

import (
	"cmp"
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// Counter is something a bench counts for the team.
type Counter struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// Counters lists them in the order of play (common practice, no source).
func Counters() []Counter {
	return []Counter{{"first-cut", "First-cut layups"}, {"assist", "Assists"}, {"turnover", "Turnovers"},
		{"touch", "Touches"}}
}

// KnownCounter reports whether there is a counter of this id.
func KnownCounter(id string) bool {
	return slices.ContainsFunc(Counters(), func(c Counter) bool { return c.ID == id })
}

// Compared is a read in practice before a game and in the game.
type Compared struct {
	Role     reads.Role        `json:"role"`
	Read     reads.Read        `json:"read"`
	Practice evidence.Estimate `json:"practice"`
	Game     evidence.Estimate `json:"game"`
	// Verdict says in words whether the two differ by more than chance; empty where they
	// do not, or where there is too little to say.
	Verdict string `json:"verdict"`
	// Who missed it, most often first.
	Missed []evidence.PlayerID `json:"missed"`
}

// Compare sets what the team did in a game beside what it did live in practice before,
// as raw counts: what was missed most often in the game, first.
func Compare(p evidence.Policy, before, played []evidence.Rep) []Compared {
	type key struct {
		role reads.Role
		read reads.Read
	}
	group := func(reps []evidence.Rep, practice bool) map[key][]evidence.Rep {
		out := map[key][]evidence.Rep{}
		for _, r := range reps {
			if info, ok := drill.RungByID(r.Rung); ok && info.Live && (r.Rung != drill.Game) == practice {
				k := key{r.Role, r.Expected}
				out[k] = append(out[k], r)
			}
		}
		return out
	}
	trained, games := group(before, true), group(played, false)
	out := []Compared{}
	for k, reps := range games {
		c := Compared{Role: k.role, Read: k.read, Practice: p.Counted(trained[k]), Game: p.Counted(reps),
			Missed: []evidence.PlayerID{}}
		switch {
		case min(c.Practice.Reps, c.Game.Reps) < p.ApartReps:
		case c.Game.Interval.High < c.Practice.Interval.Low:
			c.Verdict = "Less in the game than in practice."
		case c.Practice.Interval.High < c.Game.Interval.Low:
			c.Verdict = "Better in the game than in practice."
		}
		missed := map[evidence.PlayerID]int{}
		for _, r := range reps {
			if !r.Correct {
				if missed[r.Player] == 0 {
					c.Missed = append(c.Missed, r.Player)
				}
				missed[r.Player]++
			}
		}
		slices.SortStableFunc(c.Missed, func(a, b evidence.PlayerID) int { return cmp.Compare(missed[b], missed[a]) })
		out = append(out, c)
	}
	slices.SortFunc(out, func(a, b Compared) int {
		return cmp.Or(cmp.Compare(b.unanswered(), a.unanswered()), cmp.Compare(a.Game.Rate, b.Game.Rate),
			cmp.Compare(a.Read, b.Read))
	})
	return out
}

// unanswered is how often a read was missed in the game.
func (c Compared) unanswered() int { return c.Game.Reps - c.Game.Correct }

// Covered is how often an opponent showed a coverage, and how often it was expected.
type Covered struct {
	Family   string    `json:"family"`
	Cue      reads.Cue `json:"cue"`
	Seen     int       `json:"seen"`
	Percent  float64   `json:"percent"`
	Expected float64   `json:"expected"` // percent
	Known    bool      `json:"known"`    // somebody had an idea
}

// Coverages counts what an opponent showed, an action once even when two players were
// judged in it.
func Coverages(mixes []Mix, played []evidence.Rep) []Covered {
	type moment struct {
		at  time.Time
		cue reads.Cue
	}
	out := []Covered{}
	for _, f := range families {
		seen, total := map[reads.Cue]int{}, 0
		counted := map[moment]bool{}
		for _, r := range played {
			action, ok := reads.ActionByID(string(r.Action))
			if !ok {
				continue
			}
			if own, ok := FamilyOf(action); !ok || own.ID != f.ID || counted[moment{r.At, r.Cue}] {
				continue
			}
			counted[moment{r.At, r.Cue}] = true
			seen[r.Cue]++
			total++
		}
		known := Known(mixes, f.ID)
		for _, cue := range f.Cues {
			c := Covered{Family: f.ID, Cue: cue, Seen: seen[cue], Known: known}
			if total > 0 {
				c.Percent = 100 * float64(seen[cue]) / float64(total)
			}
			if known {
				c.Expected = 100 * shareOf(mixes, f, cue)
			}
			out = append(out, c)
		}
	}
	return out
}
