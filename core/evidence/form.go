package evidence

import (
	"evrik/core/reads"
)

// Form is how well players make reads against real defenders, as a number to plan with
// where a verdict would be too coarse: when a line-up is compared with another. A player's
// rate is that of the newest practices, shrunk to that of the others on the team; how much
// is learned from how alike the players are.
type Form struct {
	policy  Policy
	history *History
	// err is how often an observer errs.
	err float64
	// alike is how many reps the others' rate is worth.
	alike float64
	team  map[question]tally
	known map[Skill]Estimate
}

// tally is a weighted count.
type tally struct{ correct, reps float64 }

func (t tally) plus(o tally) tally  { return tally{t.correct + o.correct, t.reps + o.reps} }
func (t tally) minus(o tally) tally { return tally{t.correct - o.correct, t.reps - o.reps} }

const (
	// guidedCounts is what a guided rep counts in a form (assumption): it says less of a
	// game than one against defenders.
	guidedCounts = 0.5
	// othersStart is how many reps at one half the rate of the others begins with (assumption).
	othersStart = 4.0
	// usualAlike is how many reps the others' rate is worth where nothing is known of how alike
	// players are, likeReads how many rates of players that is worth, and leastAlike and
	// mostAlike are the limits (assumptions).
	usualAlike = 8.0
	likeReads  = 12.0
	leastAlike = 3.0
	mostAlike  = 400.0
	// fewForLikeness is from how many reps on a rate tells how alike players are.
	fewForLikeness = 4.0
)

// FormOf reads a form from a history. It is not safe for use by several goroutines.
func (p Policy) FormOf(h *History) Form {
	f := Form{p, h, p.observerError(h.double), 0, map[question]tally{}, map[Skill]Estimate{}}
	of := map[question][]tally{}
	for skill, m := range h.skills {
		q := question{skill.Role, skill.Read, Live}
		own := m.newest()
		f.team[q] = f.team[q].plus(own)
		if own.reps >= fewForLikeness {
			of[q] = append(of[q], own)
		}
	}
	f.alike = likeness(of)
	return f
}

// newest is what the newest practices with a skill came to.
func (m *memory) newest() (out tally) {
	for i, weight := range []float64{guidedCounts, 1} {
		for _, n := range m.groups[i].newest {
			out = out.plus(tally{weight * float64(n.Correct), weight * float64(n.Reps)})
		}
	}
	return out
}

// likeness is how many reps the rate of a team is worth to a player, from how much rates
// differ between players beyond what chance makes of few reps (the method of moments for a
// beta-binomial). Reads are put together: no one of them has players enough.
func likeness(of map[question][]tally) float64 {
	between := likeReads / (usualAlike + 1) // share of the variance that is between players
	weight := likeReads
	for _, list := range of {
		n := float64(len(list))
		if n < 3 {
			continue
		}
		mean := 0.0
		for _, t := range list {
			mean += t.correct / t.reps / n
		}
		if whole := mean * (1 - mean); whole > 0.02 {
			for _, t := range list {
				r := t.correct / t.reps
				between += ((r-mean)*(r-mean)*n/(n-1) - r*(1-r)/max(1, t.reps-1)) / whole
				weight++
			}
		}
	}
	share := between / weight
	return min(max(1/max(share, 1e-6)-1, leastAlike), mostAlike)
}

// Estimate is a player's rate on a read with the range that holds it.
type Estimate struct {
	Rate     float64  `json:"rate"`
	Interval Interval `json:"interval"`
	Count
	logged posterior // of how often a rep is logged as correct
	err    float64
}

// quantileSteps is how fine Estimate.Quantiles is.
const quantileSteps = 40

// Quantiles returns the rates that are not exceeded with the probabilities 0.5/n, 1.5/n, ...:
// a draw of one of them is a draw of the rate.
func (e *Estimate) Quantiles() []float64 {
	out := make([]float64, quantileSteps)
	for i := range out {
		out[i] = e.at((float64(i) + 0.5) / quantileSteps)
	}
	return out
}

// at is the rate that is not exceeded with a probability.
func (e *Estimate) at(probability float64) float64 {
	return e.corrected(e.logged.quantile(probability))
}

// corrected takes the observer's errors out of a rate.
func (e *Estimate) corrected(logged float64) float64 {
	return min(max((logged-e.err)/(1-2*e.err), 0), 1)
}

// Of estimates a player's rate from what the player did, shrunk to what the others did.
func (f Form) Of(player PlayerID, role reads.Role, read reads.Read) Estimate {
	skill := Skill{player, role, read}
	if e, ok := f.known[skill]; ok {
		return e
	}
	e := Estimate{err: f.err}
	var own tally
	if m := f.history.skills[skill]; m != nil {
		own = m.newest()
		e.Count = m.groups[0].Count.plus(m.groups[1].Count)
	}
	others := f.team[question{role, read, Live}].minus(own)
	rate := (others.correct + othersStart/2) / (others.reps + othersStart)
	e.logged = posterior{f.alike*rate + own.correct, f.alike*(1-rate) + own.reps - own.correct}
	e.Rate = e.corrected(e.logged.mean())
	tail := (1 - f.policy.Level) / 2
	e.Interval = Interval{e.at(tail), e.at(1 - tail)}
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
	e.Rate, e.Interval = newPosterior(s, n).mean(), Jeffreys(s, n, p.Level)
	return e
}
