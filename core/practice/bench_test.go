package practice

import (
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"evrik/core/practice/fit"
)

// evenings of the size the product promises a plan for within a second: 90
// minutes, 15 players, 25 reads, the whole catalogue.
const promised = 200

func promisedNight(seed int) Plan {
	return night(rand.New(rand.NewPCG(uint64(seed), 90)), 15, 25, 90)
}

// BenchmarkFill reports how many of the promised evenings are proven best, the
// largest gap of the others, and the slowest.
func BenchmarkFill(b *testing.B) {
	for b.Loop() {
		proven, late, gap := 0, 0, 0.0
		var slowest, total time.Duration
		for seed := range promised {
			evening := promisedNight(seed)
			began := time.Now()
			f, err := Fill(evening, Evening, counter())
			took := time.Since(began)
			total += took
			if err != nil {
				b.Fatal(err)
			}
			slowest = max(slowest, took)
			if f.Proven && took < time.Second {
				proven++
			} else if gap = max(gap, f.Gap); took >= time.Second {
				late++
			}
		}
		b.ReportMetric(100*float64(proven)/promised, "%proven<1s")
		b.ReportMetric(100*gap, "%largest-gap")
		b.ReportMetric(float64(late), "late")
		b.ReportMetric(slowest.Seconds()*1000, "ms-slowest")
		b.ReportMetric(total.Seconds()*1000/promised, "ms/plan")
	}
}

// BenchmarkDrag is what a coach waits for after dragging a block: the plan is laid out anew,
// with its rules and goals, on sixty evenings, each block dragged to the front in turn.
func BenchmarkDrag(b *testing.B) {
	const evenings = 60
	var plans []Plan
	for seed := range evenings {
		p := promisedNight(seed)
		f, err := Fill(p, Evening, counter())
		if err != nil {
			b.Fatal(err)
		}
		p.Blocks = f.Blocks
		plans = append(plans, p)
	}
	var took []time.Duration
	for b.Loop() {
		for _, p := range plans {
			for i := range p.Blocks {
				moved := p
				moved.Blocks = append([]Block{p.Blocks[i]}, slices.Delete(slices.Clone(p.Blocks), i, i+1)...)
				began := time.Now()
				LayOut(moved)
				took = append(took, time.Since(began))
			}
		}
	}
	slices.Sort(took)
	b.ReportMetric(took[len(took)/2].Seconds()*1000, "ms-median")
	b.ReportMetric(took[len(took)*95/100].Seconds()*1000, "ms-95th")
}

// BenchmarkRefill is what a coach waits for who has pinned two blocks and builds the practice
// again: the rest is found anew, on sixty evenings.
func BenchmarkRefill(b *testing.B) {
	const evenings = 60
	var took []time.Duration
	for b.Loop() {
		took = took[:0]
		for seed := range evenings {
			p := promisedNight(seed)
			f, err := Fill(p, Evening, counter())
			if err != nil {
				b.Fatal(err)
			}
			p.Blocks = f.Blocks
			pins := 0
			for i := range p.Blocks {
				if x := &p.Blocks[i]; x.Kind == DrillBlock && x.Basket == 0 && pins < 2 {
					x.Pin, pins = true, pins+1
				}
			}
			began := time.Now()
			if _, err := Fill(p, Evening, counter()); err != nil {
				b.Fatal(err)
			}
			took = append(took, time.Since(began))
		}
	}
	slices.Sort(took)
	ms := func(share float64) float64 { return took[int(share*(evenings-1))].Seconds() * 1000 }
	b.ReportMetric(ms(0.5), "ms-median")
	b.ReportMetric(ms(0.95), "ms-95th")
	b.ReportMetric(ms(1), "ms-slowest")
}

// greedily takes the block with the most new worth a minute until none fits.
func greedily(pr *fit.Problem) float64 {
	var chosen []int
	for {
		pick, top := -1, 0.0
		base := pr.Value(chosen)
		for o, opt := range pr.Options {
			if opt.Basket != fit.Whole || slices.Contains(chosen, o) {
				continue
			}
			next := append(slices.Clone(chosen), o)
			if gain := (pr.Value(next) - base) / float64(opt.Minutes); gain > top+1e-9 && pr.Arrange(next) != nil {
				pick, top = o, gain
			}
		}
		if pick < 0 {
			return base
		}
		chosen = append(chosen, pick)
	}
}

// evenly is the usual way on paper: ten minutes of every drill that teaches
// something wanted, in the order of the book, until the evening is full.
func evenly(pr *fit.Problem) float64 {
	var chosen []int
	for o, opt := range pr.Options {
		if next := append(slices.Clone(chosen), o); opt.Basket == fit.Whole && opt.Minutes == 10 &&
			pr.Arrange(next) != nil {
			chosen = next
		}
	}
	return pr.Value(chosen)
}

// problemOf is what the squad together has to choose from.
func problemOf(b *testing.B, p Plan) *fit.Problem {
	b.Helper()
	f := &filler{plan: p, scope: Evening, newID: counter()}
	if err := f.prepare(); err != nil {
		b.Fatal(err)
	}
	a, err := f.solveSplit(nil, p.Minutes, 0, 1)
	if err != nil {
		b.Fatal(err)
	}
	return a.problem
}

// BenchmarkBaselines reports how much more weighted demand the planner covers in
// the same minutes than a greedy choice and than an even split.
func BenchmarkBaselines(b *testing.B) {
	for b.Loop() {
		best, greedy, even := 0.0, 0.0, 0.0
		for seed := range promised {
			p := promisedNight(seed)
			f, err := Fill(p, Evening, counter())
			if err != nil {
				b.Fatal(err)
			}
			pr := problemOf(b, p)
			best, greedy, even = best+f.Value, greedy+greedily(pr), even+evenly(pr)
		}
		b.ReportMetric(100*(best/greedy-1), "%more-than-greedy")
		b.ReportMetric(100*(best/even-1), "%more-than-even-split")
	}
}
