package evidence

import (
	"math"
	"slices"
	"sync"

	"gonum.org/v1/gonum/floats"
)

// gridPoints is how many rates from 0 to 1, both included, a belief tells apart.
const gridPoints = 51

// rates is a weight for every rate of the grid.
type rates [gridPoints]float64

// rateAt is the rate of a point of the grid.
func rateAt(i int) float64 { return float64(i) / (gridPoints - 1) }

// course is how a player's rate moves from one practice to the next.
type course struct {
	// sd is the spread per square root of a day, drift the movement per day of practice
	// and loss the movement per day that passes, both in rate.
	sd, drift, loss float64
	// share is how likely the course is when nothing is known.
	share float64
}

// The courses a belief weighs against each other: holding a level, learning, forgetting.
// The figures are assumptions, set by the operating figures of docs/model.md.
var courses = [...]course{
	{sd: 0.015, share: 0.7},
	{sd: 0.02, drift: 0.012, share: 0.2},
	{sd: 0.03, loss: 0.006, share: 0.1},
}

const (
	// keepsCourse is the chance that a player is on the same course a day later (assumption).
	keepsCourse = 0.97
	// longestGap in days: a longer one widens a belief no further (assumption).
	longestGap = 90
	// practiceDays is how many days of a gap are as between practices: a learner goes on
	// learning for as long, because it is practice that teaches and not time (assumption).
	practiceDays = 4
	// idleSD is the spread per square root of a further day, on every course: what nobody
	// has seen for weeks is not sure any more (assumption).
	idleSD = 0.026
	// kernelReach is how many standard deviations a transition spreads.
	kernelReach = 3.5
)

// belief is the chance of every course and rate; all of it sums to 1.
type belief [len(courses)]rates

// prior returns the belief before the first rep: a Beta distribution worth reps around a
// mean rate, the same on every course.
func prior(mean, reps float64) belief {
	a, b := reps*mean, reps*(1-mean)
	var density rates
	total := 0.0
	for i := range density {
		// A density that is infinite at an end is taken a quarter of a step inside.
		p := min(max(rateAt(i), 0.005), 0.995)
		density[i] = math.Pow(p, a-1) * math.Pow(1-p, b-1)
		if i == 0 || i == gridPoints-1 {
			density[i] /= 2 // half a step belongs to an end
		}
		total += density[i]
	}
	var out belief
	for c := range out {
		for i, d := range density {
			out[c][i] = courses[c].share * d / total
		}
	}
	return out
}

// kernel says where a rate is after some days: to[i] lists the shares that come to point
// i from the points beginning at from[i].
type kernel struct {
	from [gridPoints]int
	to   [gridPoints][]float64
}

// kernels are made when they are first needed, by days.
var kernels [longestGap + 1]struct {
	once sync.Once
	of   [len(courses)]kernel
}

func kernelsFor(days int) *[len(courses)]kernel {
	k := &kernels[days]
	k.once.Do(func() {
		for c, way := range courses {
			near, idle := float64(min(days, practiceDays)), float64(max(0, days-practiceDays))
			sd := math.Sqrt(way.sd*way.sd*near + idleSD*idleSD*idle)
			k.of[c] = newKernel(sd, way.drift*near-way.loss*float64(days))
		}
	})
	return &k.of
}

// newKernel spreads rates by a normal distribution that is reflected at 0 and 1.
func newKernel(sd, shift float64) kernel {
	var dense [gridPoints]rates // from, to
	for from := range dense {
		center := min(max(rateAt(from)+shift, 0), 1)
		total := 0.0
		for to := range dense[from] {
			for _, image := range []float64{rateAt(to), -rateAt(to), 2 - rateAt(to)} {
				if z := (image - center) / sd; math.Abs(z) <= kernelReach {
					dense[from][to] += math.Exp(-z * z / 2)
				}
			}
			total += dense[from][to]
		}
		for to := range dense[from] {
			dense[from][to] /= total
		}
	}
	var k kernel
	for to := range k.to {
		first, last := gridPoints, 0
		for from := range dense {
			if dense[from][to] > 0 {
				first, last = min(first, from), from
			}
		}
		k.from[to] = first
		for from := first; from <= last; from++ {
			k.to[to] = append(k.to[to], dense[from][to])
		}
	}
	return k
}

// pass lets days go by.
func (b *belief) pass(days int) {
	days = min(days, longestGap)
	if days <= 0 {
		return
	}
	stay := math.Pow(keepsCourse, float64(days))
	whole := b.flat()
	ways := kernelsFor(days)
	var mixed rates
	for c := range b {
		move := (1 - stay) * courses[c].share
		own := &b[c]
		for i := range mixed {
			mixed[i] = stay*own[i] + move*whole[i]
		}
		k := &ways[c]
		for to := range own {
			shares := k.to[to]
			own[to] = floats.Dot(shares, mixed[k.from[to]:k.from[to]+len(shares)])
		}
	}
}

// after is the belief when days have gone by.
func (b *belief) after(days int) belief {
	later := *b
	later.pass(days)
	return later
}

// weigh multiplies a belief by a likelihood.
func (b *belief) weigh(likelihood *rates) {
	total := 0.0
	for c := range b {
		for i, l := range likelihood {
			b[c][i] *= l
			total += b[c][i]
		}
	}
	whole := 1 / total
	for c := range b {
		for i := range b[c] {
			b[c][i] *= whole
		}
	}
}

// flat is the chance of every rate, whatever the course.
func (b *belief) flat() rates {
	var out rates
	for c := range b {
		for i, v := range b[c] {
			out[i] += v
		}
	}
	return out
}

// reaches is the chance that the rate is the target or more. A point of the grid stands
// for the rates half a step around it, so that one on the target counts half.
func (r *rates) reaches(target float64) float64 {
	edge := target * (gridPoints - 1)
	sum := 0.0
	for i, v := range r {
		sum += v * min(max(float64(i)-edge+0.5, 0), 1)
	}
	return sum
}

// quantile is the rate that is not exceeded with a probability.
func (r *rates) quantile(q float64) float64 {
	sum := 0.0
	for i, v := range r {
		if sum+v >= q && v > 0 {
			at := (float64(i) - 0.5 + (q-sum)/v) / (gridPoints - 1)
			return min(max(at, 0), 1)
		}
		sum += v
	}
	return 1
}

// higher is the chance that one rate is above another, ties halved.
func (r *rates) higher(other *rates) float64 {
	below, sum := 0.0, 0.0
	for i, v := range r {
		sum += v * (below + other[i]/2)
		below += other[i]
	}
	return sum
}

// look is how a try is seen: how often an observer errs, and what guessing makes of it.
type look struct {
	// err is the chance that an observer takes correct for wrong or the other way round.
	err float64
	// guess is the chance that a guess is correct, in hundredths.
	guess int
	// loss moves the rate before it is seen: the other rung group is this much easier
	// (below 0) or harder (above 0), in steps of the grid.
	loss int
	// weight is what a rep counts, in thousandths.
	weight int
}

// guessing is the share of wrong reads that are guesses (assumption).
const guessing = 0.5

// seen is the chance that a try of a player with a rate is logged as correct.
func (l look) seen(rate float64) float64 {
	p := min(max(rate-float64(l.loss)/(gridPoints-1), 0), 1)
	p += (1 - p) * float64(l.guess) / 100 * guessing
	return p*(1-l.err) + (1-p)*l.err
}

// likelihoods remembers the likelihoods of counts: most practices bring the same few.
type likelihoods map[likelihoodKey]*rates

type likelihoodKey struct {
	look
	correct, reps int
}

// of is the likelihood of a count for every rate of the grid.
func (m likelihoods) of(l look, n Count) *rates {
	key := likelihoodKey{l, n.Correct, n.Reps}
	if known := m[key]; known != nil {
		return known
	}
	out := new(rates)
	weight := float64(l.weight) / 1000
	for i := range out {
		q := min(max(l.seen(rateAt(i)), 1e-9), 1-1e-9)
		out[i] = weight * (float64(n.Correct)*math.Log(q) + float64(n.Reps-n.Correct)*math.Log(1-q))
	}
	top := slices.Max(out[:]) // the factor is free; without it many reps come to nothing
	for i := range out {
		out[i] = math.Exp(out[i] - top)
	}
	m[key] = out
	return out
}
