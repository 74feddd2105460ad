package practice

import (
	"math"

	"evrik/core/evidence"
)

// mostReps is how many reps in one practice are worth anything.
const mostReps = evidence.SettleReps

// dose is what a player gets of a read: reps, and what they count for learning and for the
// verdict.
type dose struct{ reps, learn, settle float64 }

// between reads a list at a place between its entries.
func between(list []float64, at float64) float64 {
	if len(list) == 0 || at <= 0 {
		return 0
	}
	k := int(at)
	if k+1 >= len(list) {
		return list[len(list)-1]
	}
	return list[k] + (at-float64(k))*(list[k+1]-list[k])
}

// worthOf is what reps do for a player: half for learning, as a share of the way to the
// target, half for the gain in the chance that the verdict becomes has it. planned are reps
// that practices before this one give. weight multiplies all of it.
func worthOf(o *evidence.Outlook, planned, weight float64) (learn, settle []float64) {
	if o.Done() {
		return nil, nil
	}
	rise := func(n float64) float64 {
		return min(1, max(0, learnMost-o.Rate)*(1-math.Pow(1-learnRate, min(n, learnReps)))/max(leastWay,
			o.Target-o.Rate))
	}
	start, settled := rise(planned), between(o.Settles, planned)
	for n := range mostReps + 1 {
		learn = append(learn, weight*0.5*(rise(planned+float64(n))-start))
		settle = append(settle, weight*0.5*(between(o.Settles, planned+float64(n))-settled))
	}
	return learn, settle
}
