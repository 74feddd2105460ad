package evidence

import (
	"time"

	"evrik/core/reads"
)

// Form is how well players make reads against real defenders, as a number to reckon with
// where a verdict would be too coarse: when a line-up is compared with another.
type Form struct {
	policy  Policy
	history *History
	now     time.Time
	known   map[Skill]Estimate
}

// FormOf reads a form from a history. It is not safe for use by several goroutines.
func (p Policy) FormOf(h *History, now time.Time) Form {
	return Form{p, h, now, map[Skill]Estimate{}}
}

// Estimate is a player's rate on a read with the range that holds it.
type Estimate struct {
	Rate     float64  `json:"rate"`
	Interval Interval `json:"interval"`
	Count
	// A and B are the parameters of a beta distribution with the mean and the variance of
	// what is known of the rate.
	A float64 `json:"-"`
	B float64 `json:"-"`
}

// Of estimates a player's rate from the belief on live rungs, which guided reps inform; of
// who has no reps, from what the rest of the team does.
func (f Form) Of(player PlayerID, role reads.Role, read reads.Read) Estimate {
	skill := Skill{player, role, read}
	if e, ok := f.known[skill]; ok {
		return e
	}
	m := f.history.skills[skill]
	if m == nil {
		m = f.policy.unseen(f.history, skill)
	}
	e := Estimate{Count: m.groups[0].Count.plus(m.groups[1].Count)}
	later := m.groups[Live.index()].belief.pass(daysBetween(m.at, f.now))
	flat := later.flat()
	e.Rate = flat.mean()
	size := max(e.Rate*(1-e.Rate)/max(flat.variance(), 1e-9)-1, 0.1)
	e.A, e.B = size*e.Rate, size*(1-e.Rate)
	tail := (1 - f.policy.Level) / 2
	e.Interval = Interval{flat.quantile(tail), flat.quantile(1 - tail)}
	f.known[skill] = e
	return e
}

// Team is what a whole team has done of a read.
func (f Form) Team(role reads.Role, read reads.Read) Count {
	return f.history.team[question{role, read, Guided}].plus(f.history.team[question{role, read, Live}])
}

// Counted is the rate of raw counts with its range, without weights and without the
// team's rate.
func (p Policy) Counted(reps []Rep) Estimate {
	e := Estimate{}
	for _, r := range reps {
		e.Count.add(r.Correct)
	}
	s, n := float64(e.Correct), float64(e.Reps)
	d := newPosterior(s, n)
	e.Rate, e.Interval, e.A, e.B = d.mean(), Jeffreys(s, n, p.Level), d.a, d.b
	return e
}
