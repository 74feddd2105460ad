package evidence

import (
	"math"

	"gonum.org/v1/gonum/mathext"
	"gonum.org/v1/gonum/stat/distuv"
)

// posterior is the Beta distribution of a rate after s right answers out of n,
// from the Jeffreys prior Beta(1/2, 1/2). Counts may be weighted.
type posterior struct{ a, b float64 }

func newPosterior(s, n float64) posterior {
	return posterior{s + 0.5, math.Max(0, n-s) + 0.5}
}

// quantile is the rate that is not exceeded with probability q.
func (d posterior) quantile(q float64) float64 { return mathext.InvRegIncBeta(d.a, d.b, q) }

// mean is the expected rate.
func (d posterior) mean() float64 { return d.a / (d.a + d.b) }

// Interval is a range of rates, both ends from 0 to 1.
type Interval struct {
	Low  float64 `json:"low"`
	High float64 `json:"high"`
}

// Jeffreys is the central interval that holds the rate with the given
// probability after s right answers out of n (weighted counts are fine).
func Jeffreys(s, n, level float64) Interval {
	d := newPosterior(s, n)
	tail := (1 - level) / 2
	return Interval{d.quantile(tail), d.quantile(1 - tail)}
}

// Wilson is Wilson's score interval for s right answers out of n raw counts at
// a confidence level such as 0.95; without data it is the whole range.
func Wilson(s, n int, level float64) Interval {
	if n <= 0 {
		return Interval{0, 1}
	}
	z := distuv.UnitNormal.Quantile(1 - (1-level)/2)
	p, m := float64(s)/float64(n), float64(n)
	mid := p + z*z/(2*m)
	half := z * math.Sqrt(p*(1-p)/m+z*z/(4*m*m))
	div := 1 + z*z/m
	return Interval{math.Max(0, (mid-half)/div), math.Min(1, (mid+half)/div)}
}
