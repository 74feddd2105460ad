package evidence

import (
	"math"

	"evrik/core/drill"
)

// Policy is what a team counts as enough. All values are assumptions that a team may
// change.
type Policy struct {
	// LiveTarget and GuidedTarget are the rates asked for against real defenders and where
	// the cue is shown.
	LiveTarget   float64 `json:"liveTarget"`
	GuidedTarget float64 `json:"guidedTarget"`
	// Sure is the chance of reaching the target that is needed for HasIt; 1-Sure is for NotYet.
	Sure float64 `json:"sure"`
	// MinReps is the number of reps below which nothing is said.
	MinReps int `json:"minReps"`
	// PriorReps is how many reps the team's rate is worth to a player who has none.
	PriorReps float64 `json:"priorReps"`
	// TeamTrust is how far a prior goes from the even rate toward the team's own, and TeamReps
	// how many reps at the even rate a team begins with.
	TeamTrust float64 `json:"teamTrust"`
	TeamReps  float64 `json:"teamReps"`
	// RepWeight is what a rep counts: those of one practice are not independent.
	RepWeight float64 `json:"repWeight"`
	// NeighborWeight is what a rep of the other group counts, NeighborMost how many of one
	// practice all of them are worth at most, and RungLoss by how much live rates are below
	// guided ones.
	NeighborWeight float64 `json:"neighborWeight"`
	NeighborMost   float64 `json:"neighborMost"`
	RungLoss       float64 `json:"rungLoss"`
	// ObserverError is the chance that an observer errs, before anybody has logged the same
	// reps; it is worth ErrorReps reps that two observers logged.
	ObserverError float64 `json:"observerError"`
	ErrorReps     float64 `json:"errorReps"`
	// Level is the probability that a range holds the rate.
	Level float64 `json:"level"`
	// Apart is the chance needed to say that one rate is higher than another, ApartReps how
	// many reps each needs.
	Apart     float64 `json:"apart"`
	ApartReps int     `json:"apartReps"`
	// MaxMore caps how many more reps are told.
	MaxMore int `json:"maxMore"`
}

// DefaultPolicy returns the product's assumptions.
func DefaultPolicy() Policy {
	return Policy{
		LiveTarget: 0.70, GuidedTarget: 0.80, Sure: 0.85, MinReps: 6,
		PriorReps: 6, TeamTrust: 0.35, TeamReps: 12, RepWeight: 0.95, NeighborWeight: 0.5, NeighborMost: 4,
		RungLoss:      0.10,
		ObserverError: 0.07, ErrorReps: 50, Level: 0.80, Apart: 0.95, ApartReps: 4, MaxMore: 30,
	}
}

// Group is a part of the ladder on which a player has one rate.
type Group string

// The groups: the cue is shown, or defenders choose it.
const (
	Guided Group = "guided"
	Live   Group = "live"
)

// Groups lists them, the lower first.
func Groups() []Group { return []Group{Guided, Live} }

// index is the group's place in a memory.
func (g Group) index() int {
	if g == Live {
		return 1
	}
	return 0
}

// GroupOf returns the group of a rung; ok is false where nobody reads.
func GroupOf(rung drill.Rung) (g Group, ok bool) {
	info, known := drill.RungByID(rung)
	switch {
	case !known || !info.Reads:
		return "", false
	case info.Live:
		return Live, true
	}
	return Guided, true
}

// Target is the rate asked for in a group.
func (p Policy) Target(g Group) float64 {
	if g == Live {
		return p.LiveTarget
	}
	return p.GuidedTarget
}

// evenRate is the live rate of a team nobody knows (assumption); guided ones are higher by
// the loss between the rungs.
const evenRate = 0.5

// priorMean is the rate that a player without reps is taken to have in a group, from what
// the rest of the team did there.
func (p Policy) priorMean(g Group, others Count) float64 {
	even := evenRate
	if g == Guided {
		even += p.RungLoss
	}
	rate := (float64(others.Correct) + even*p.TeamReps) / (float64(others.Reps) + p.TeamReps)
	return even + p.TeamTrust*(rate-even)
}

// observerError is the chance that one observer errs about correct or not, from the reps
// that two logged. Two who err independently with a chance e differ in 2e(1-e).
func (p Policy) observerError(d doubles) float64 {
	start := 2 * p.ObserverError * (1 - p.ObserverError)
	differ := (float64(d.differ) + p.ErrorReps*start) / (float64(d.reps) + p.ErrorReps)
	return (1 - math.Sqrt(1-2*min(differ, mostDiffer))) / 2
}

// mostDiffer caps the share of reps on which two observers differ: from one half on they
// might as well toss a coin (assumption).
const mostDiffer = 0.48
