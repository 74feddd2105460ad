package reads

import (
	"math"
	"math/rand/v2"
	"slices"

	"evrik/core/motion"
)

// Equal is the difference in seconds below which two answers are equally open (assumption).
const Equal = 0.1

// Agreement compares an action's table with the kinematics on clear snapshots. Shares
// are 0 to 1.
type Agreement struct {
	Action string
	ByCue  []CueAgreement
}

// CueAgreement is what the kinematics say of one cue's answers.
type CueAgreement struct {
	Cue Cue
	// Clear is how many clear snapshots were compared; none where no answer ends in a
	// catch or a shot.
	Clear int
	// Accepted is in how many an accepted answer was the best or equal, First in how many
	// the first answer was.
	Accepted, First float64
	// Other is how often an answer that is not accepted was, Chance how often a random
	// set as large as the accepted one holds one that was.
	Other, Chance float64
	// Most is how many answers were accepted at once, at most.
	Most int
	// Instead counts what was best where no accepted answer was.
	Instead map[Read]int
}

// Share is the part of a count in all that were compared.
func (c CueAgreement) Share(of float64) float64 { return of / math.Max(1, float64(c.Clear)) }

// Best is what was best most often where no accepted answer was, and how often.
func (c CueAgreement) Best() (read Read, n int) {
	for r, k := range c.Instead {
		if k > n || k == n && r < read {
			read, n = r, k
		}
	}
	return read, n
}

// Plus sums two counts up.
func (c CueAgreement) Plus(d CueAgreement) CueAgreement {
	return CueAgreement{Clear: c.Clear + d.Clear, Accepted: c.Accepted + d.Accepted, First: c.First + d.First,
		Other: c.Other + d.Other, Chance: c.Chance + d.Chance, Most: max(c.Most, d.Most)}
}

// Total sums an action's cues up.
func (a Agreement) Total() CueAgreement {
	var out CueAgreement
	for _, c := range a.ByCue {
		out = out.Plus(c)
	}
	return out
}

// agreeTries is how many places are tried for one clear snapshot (assumption).
const agreeTries = 200

// Agree samples so many clear snapshots of an action, every cue as often: every defender
// anywhere near where a clear example has them, and moving about as there. The table's
// answers and all others of the action are played, and compared by their windows.
func Agree(fl Floor, a *Action, n int, seed uint64) Agreement {
	rng := rand.New(rand.NewPCG(seed, uint64(len(a.ID))))
	out := Agreement{Action: a.ID}
	for i := range a.rows {
		c := CueAgreement{Cue: a.rows[i].Cue, Instead: map[Read]int{}}
		for tries := 0; c.Clear < n/len(a.rows) && tries < n*agreeTries/len(a.rows); tries++ {
			s := a.sample(&fl, rng, a.rows[i].Cue)
			v := Classify(&fl, &s)
			if v.Cue != c.Cue || v.Margin < clearMargin || s.Validate(fl.Court) != nil {
				continue
			}
			if !a.compare(&fl, &s, &c) {
				break
			}
		}
		out.ByCue = append(out.ByCue, c)
	}
	return out
}

// Most a defender of a sample moves otherwise than in the example, in feet a second
// along each axis (assumption).
const sampleSpeed = 1.5

// sample puts every defender near the place in a cue's example, moving about as there.
func (a *Action) sample(fl *Floor, rng *rand.Rand, cue Cue) Snapshot {
	s := a.Example(fl.Court, cue)
	s.ScreenerShoots = KnownIf(rng.IntN(2) == 0)
	for _, p := range a.Participants {
		if !p.ID.Defends() {
			continue
		}
		s.Put(p.ID, near(rng, s.At(p.ID)))
		if v, told := s.Velocity.Of(p.ID); told && (p.ID == xCutter || p.ID == xScreener) {
			v.X += sampleSpeed * (2*rng.Float64() - 1)
			v.Y += sampleSpeed * (2*rng.Float64() - 1)
			s.Velocity.Set(p.ID, v)
		}
	}
	return s
}

// compare plays every answer of one snapshot; false where none of the accepted ones can
// be played.
func (a *Action) compare(fl *Floor, s *Snapshot, c *CueAgreement) bool {
	f := a.frame(fl, s)
	row, _ := a.Row(fl.Rules, c.Cue)
	var accepted []Read
	for _, n := range row.order(cutter, s, &f) {
		if runs[n.Read] {
			accepted = append(accepted, n.Read)
		}
	}
	if len(accepted) == 0 {
		return slices.ContainsFunc(row.Cutter, func(n Answer) bool { return runs[n.Read] })
	}
	m := a.moment(fl, &f, s)
	worth := make([]float64, len(a.plays))
	played := make([]Option, len(a.plays))
	best := math.Inf(-1)
	for i, p := range a.plays {
		played[i] = a.play(fl, &f, s, &m, p)
		worth[i] = math.Max(motion.LeastWindow, played[i].worth())
		best = math.Max(best, worth[i])
	}
	if best <= motion.LeastWindow {
		return true // everything is shut: there is nothing to compare
	}
	c.Clear++
	c.Most = max(c.Most, len(row.order(cutter, s, &f)))
	// Two names of one and the same catch are one play.
	same := func(o Option) bool {
		return slices.ContainsFunc(played, func(q Option) bool {
			return slices.Contains(accepted, q.Read) && q.To == o.To && math.Abs(q.Feet-o.Feet) < 0.5 &&
				math.Abs(q.Seconds-o.Seconds) < 0.1
		})
	}
	equal, others, otherBest, yes, first := 0, 0, 0, false, false
	for i, p := range a.plays {
		good := worth[i] >= best-Equal
		if good {
			equal++
		}
		switch {
		case !slices.Contains(accepted, p.read):
			if same(played[i]) {
				yes = yes || good && played[i].Pass != NoPass
				continue
			}
			others++
			if good {
				otherBest++
			}
		case good:
			yes = true
			first = first || p.read == accepted[0]
		}
	}
	if yes {
		c.Accepted++
	} else {
		i := slices.IndexFunc(worth, func(w float64) bool { return w == best })
		c.Instead[a.plays[i].read]++
	}
	if first {
		c.First++
	}
	if others > 0 {
		c.Other += float64(otherBest) / float64(others)
	}
	c.Chance += chance(len(a.plays), equal, len(accepted))
	return true
}

// chance is how likely a random set of some size out of n holds one of the good ones.
func chance(n, good, size int) float64 {
	none := 1.0
	for i := range size {
		none *= math.Max(0, float64(n-good-i)) / float64(max(1, n-i))
	}
	return 1 - none
}
