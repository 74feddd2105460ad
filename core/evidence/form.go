package evidence

import (
	"math"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Form is how well players make reads, as a number to reckon with where a verdict
// would be too coarse: when a line-up is compared with another.
type Form struct {
	own  map[formKey]Count
	team map[formKey]Count
	tail float64
}

type formKey struct {
	player string
	role   reads.Role
	read   reads.Read
}

const (
	// shownCounts is what a rep counts that a coach has shown (assumption): it says
	// less of a game than one against defenders.
	shownCounts = 0.5
	// teamReps is how many reps of the team's own rate a player begins with
	// (assumption), so that who has few is taken for a player like the others.
	teamReps = 4.0
)

// FormOf reads a form from a ledger.
func (p Policy) FormOf(l Ledger, now time.Time) Form {
	f := Form{map[formKey]Count{}, map[formKey]Count{}, (1 - p.Level) / 2}
	scale := math.Exp2(-p.halves(now))
	for _, s := range l.Sums {
		w := scale
		if s.Rung == drill.Shown {
			w *= shownCounts
		}
		for k, of := range map[formKey]map[formKey]Count{{s.Player, s.Role, s.Expected}: f.own, {"", s.Role, s.Expected}: f.team} {
			c := of[k]
			c.Reps, c.Right = c.Reps+s.Reps, c.Right+s.Right
			c.Weighted, c.WeightedRight = c.Weighted+s.All*w, c.WeightedRight+s.RightOnes*w
			of[k] = c
		}
	}
	return f
}

// Estimate is a player's rate on a read with the range that holds it.
type Estimate struct {
	Rate     float64  `json:"rate"`
	Interval Interval `json:"interval"`
	Right    int      `json:"right"`
	Reps     int      `json:"reps"`
	// A and B are the parameters of the rate's beta distribution.
	A float64 `json:"-"`
	B float64 `json:"-"`
}

// Of estimates a player's rate: what he has done, together with a few reps at the
// rate of his team.
func (f Form) Of(player string, role reads.Role, read reads.Read) Estimate {
	own, team := f.own[formKey{player, role, read}], f.team[formKey{"", role, read}].rate()
	d := posterior{teamReps*team + own.WeightedRight, teamReps*(1-team) + math.Max(0, own.Weighted-own.WeightedRight)}
	return Estimate{Rate: d.mean(), Right: own.Right, Reps: own.Reps, A: d.a, B: d.b}
}

// Team is what a whole team has done of a read.
func (f Form) Team(role reads.Role, read reads.Read) Count { return f.team[formKey{"", role, read}] }

// Ranged adds the range to an estimate.
func (f Form) Ranged(e Estimate) Estimate {
	d := posterior{e.A, e.B}
	e.Interval = Interval{d.quantile(f.tail), d.quantile(1 - f.tail)}
	return e
}

// Counted is the rate of raw counts with its range, without weights and without the
// team's rate.
func (p Policy) Counted(reps []Rep) Estimate {
	e := Estimate{Reps: len(reps)}
	for _, r := range reps {
		if r.Right {
			e.Right++
		}
	}
	s, n := float64(e.Right), float64(e.Reps)
	d := newPosterior(s, n)
	e.Rate, e.Interval, e.A, e.B = d.mean(), Jeffreys(s, n, p.Level), d.a, d.b
	return e
}
