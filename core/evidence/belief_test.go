package evidence

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/aclements/go-moremath/mathx"
	"gonum.org/v1/gonum/stat/distuv"
)

// gridError is what half a step of the grid can make of a probability or a rate.
const gridError = 0.012

// Closed form: without movement, observers' errors and guesses, from a prior in which every
// rate is equally likely, s of n leave Beta(s+1, n-s+1) (Bayes; beta-binomial). Tails by
// go-moremath, quantiles by inverting it, which the code under test does not use.
func TestBeliefAgainstBeta(t *testing.T) {
	for _, tc := range []Count{{0, 0}, {0, 5}, {3, 3}, {7, 9}, {31, 40}, {2, 60}} {
		b := prior(0.5, 2)
		b.weigh(likelihoods{}.of(look{weight: 1000}, tc))
		flat := b.flat()
		s, n := float64(tc.Correct), float64(tc.Reps)
		for _, target := range []float64{0.3, 0.7, 0.8, 0.95} {
			want := 1 - mathx.BetaInc(target, s+1, n-s+1)
			if got := flat.reaches(target); math.Abs(got-want) > gridError {
				t.Errorf("%d of %d reaches %g: %.4f, want %.4f", tc.Correct, tc.Reps, target, got, want)
			}
		}
		for _, q := range []float64{0.1, 0.5, 0.9} {
			if back := mathx.BetaInc(flat.quantile(q), s+1, n-s+1); math.Abs(back-q) > 0.03 {
				t.Errorf("%d of %d, quantile %g: %.4f is the quantile %.4f", tc.Correct, tc.Reps, q, flat.quantile(q),
					back)
			}
		}
		if want := (s + 1) / (n + 2); math.Abs(flat.mean()-want) > 0.005 {
			t.Errorf("%d of %d: mean %.4f, want %.4f", tc.Correct, tc.Reps, flat.mean(), want)
		}
		if want := (s + 1) * (n - s + 1) / (n + 2) / (n + 2) / (n + 3); math.Abs(flat.variance()-want) > 0.0005 {
			t.Errorf("%d of %d: variance %.5f, want %.5f", tc.Correct, tc.Reps, flat.variance(), want)
		}
	}
}

// The chance that one rate is higher than another, against draws from gonum's Beta.
func TestHigherAgainstDraws(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 9))
	for _, tc := range [][2]Count{{{6, 8}, {3, 9}}, {{5, 5}, {5, 5}}, {{10, 40}, {30, 40}}} {
		a, b := even(tc[0]), even(tc[1])
		draw := func(n Count) distuv.Beta {
			return distuv.Beta{Alpha: float64(n.Correct) + 1, Beta: float64(n.Reps-n.Correct) + 1, Src: rng}
		}
		x, y, above := draw(tc[0]), draw(tc[1]), 0.0
		const draws = 20000
		for range draws {
			if x.Rand() > y.Rand() {
				above++
			}
		}
		if got := a.higher(&b); math.Abs(got-above/draws) > 0.015 {
			t.Errorf("%v: %.3f, drawn %.3f", tc, got, above/draws)
		}
	}
}

// Time neither makes nor loses belief, moves nothing over the ends, and widens it up to a
// limit; a rate that learns rises.
func TestTimePasses(t *testing.T) {
	b := prior(0.6, 20)
	start := b.flat()
	width := start.variance()
	for days := range longestGap + 30 {
		later := b.after(days)
		flat := later.flat()
		total := 0.0
		for _, v := range flat {
			if v < 0 {
				t.Fatalf("%d days: %g", days, v)
			}
			total += v
		}
		if math.Abs(total-1) > 1e-9 {
			t.Fatalf("%d days: the chances sum to %g", days, total)
		}
		switch {
		case days == 0 && later != b:
			t.Error("no time changes something")
		case days > 0 && days <= longestGap && flat.variance() <= width:
			t.Errorf("%d days: not wider than a day before", days)
		case days > longestGap && later != b.after(longestGap):
			t.Errorf("%d days: wider than the longest gap", days)
		}
		width = flat.variance()
	}
	var learner, keeper belief
	learner[1][25], keeper[0][25] = 1, 1
	learner.pass(2)
	keeper.pass(2)
	a, s := learner.flat(), keeper.flat()
	if a.mean() < s.mean()+0.015 || math.Abs(s.mean()-0.5) > 0.005 {
		t.Errorf("a learner is at %.3f, who keeps a level at %.3f", a.mean(), s.mean())
	}
}

// What an observer logs: errors pull to the middle, guesses up, the other rungs are easier or
// harder. By hand from the formulas of the handbook: q = r(1-e) + (1-r)e, r = p + (1-p)g/2.
func TestLooks(t *testing.T) {
	for _, tc := range []struct {
		look look
		rate float64
		want float64
	}{
		{look{}, 0.7, 0.7}, {look{err: 0.1}, 1, 0.9}, {look{err: 0.1}, 0.7, 0.66}, {look{guess: 40}, 0.5, 0.6},
		{look{err: 0.1, guess: 40}, 0.5, 0.58}, {look{loss: 5}, 0.7, 0.6}, {look{loss: -5}, 0.95, 1},
		{look{loss: 5}, 0.02, 0},
	} {
		if got := tc.look.seen(tc.rate); math.Abs(got-tc.want) > 1e-12 {
			t.Errorf("%+v at %g: %g, want %g", tc.look, tc.rate, got, tc.want)
		}
	}
}

// Two who err in 7 % each differ in 2(0.07)(0.93) = 13 %; the start value is worth 50 reps,
// and observers who differ as often as not are worth nothing, but break nothing.
func TestObserverError(t *testing.T) {
	p := DefaultPolicy()
	for _, tc := range []struct {
		d        doubles
		low, top float64
	}{{doubles{}, 0.0699, 0.0701}, {doubles{1000, 130}, 0.0695, 0.0705}, {doubles{100000, 0}, 0, 0.0005},
		{doubles{50, 20}, 0.15, 0.17}, {doubles{5000, 4000}, 0.39, 0.41}} {
		if got := p.observerError(tc.d); got < tc.low || got > tc.top {
			t.Errorf("%+v: %.4f", tc.d, got)
		}
	}
}

// One more correct rep never lowers a chance, one more wrong rep never raises it.
func TestMoreRepsMonotone(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 6))
	p := DefaultPolicy()
	for range 200 {
		var lists [][]Rep
		for k := range 1 + rng.IntN(6) {
			text := ""
			for range 1 + rng.IntN(8) {
				text += string("+-"[rng.IntN(2)])
			}
			lists = append(lists, made(text, 60-10*k))
		}
		last := len(lists) - 1
		at := 60 - 10*last
		text := ""
		for _, r := range lists[last] {
			text += map[bool]string{true: "+", false: "-"}[r.Correct]
		}
		chance := func(more string) Judgement {
			return p.Stand(history(append(lists[:last:last], made(text+more, at))...), curl, now).Groups[1].Judgement
		}
		j, better, worse := chance(""), chance("+"), chance("-")
		if better.Chance < j.Chance-1e-9 || worse.Chance > j.Chance+1e-9 {
			t.Fatalf("%q: %.6f, better %.6f, worse %.6f", text, j.Chance, better.Chance, worse.Chance)
		}
		if better.InARow > j.InARow || worse.InARow < j.InARow {
			t.Fatalf("%q: needs %d, better %d, worse %d", text, j.InARow, better.InARow, worse.InARow)
		}
		if !(0 <= j.Interval.Low && j.Interval.Low <= j.Rate && j.Rate <= j.Interval.High && j.Interval.High <= 1) {
			t.Fatalf("%+v", j)
		}
	}
}

// The promise "k correct reps in a row would give it" is kept, and k-1 would not; reps a
// second apart count like any others.
func TestNeedIsKept(t *testing.T) {
	for _, past := range []string{"", "+", "++-", "+-+-+", "-------", "++++++", "+++++++---"} {
		j := stand(made(past, 0)).Groups[1].Judgement
		after := func(k int) Verdict { return stand(made(past+strings.Repeat("+", k), 0)).Groups[1].Judgement.Verdict }
		if after(j.InARow) != HasIt || after(j.InARow-1) == HasIt {
			t.Errorf("%q: %d in a row gives %s, one fewer %s", past, j.InARow, after(j.InARow), after(j.InARow-1))
		}
	}
}

// How many more reps to a line: more evidence on that side never needs more, 3 of 3 needs
// fewer than 2 of 3 on the way up, and the median is that of an independent simulation.
func TestRepsToDecide(t *testing.T) {
	p := DefaultPolicy()
	last := p.MaxMore + 1
	for n := 6; n < 14; n++ {
		j := stand(made(strings.Repeat("+", n), 0)).Judgement
		if j.Verdict != TooClose || !j.LeansUp() {
			continue
		}
		if j.More > last || j.More < 1 {
			t.Errorf("%d of %d: %d more after %d", n, n, j.More, last)
		}
		last = j.More
	}
	if last > 5 {
		t.Errorf("one short of it needs %d more", last)
	}
	for _, text := range []string{"++++++++++", "+++++++++-", "++++++--", "++++--"} {
		j := stand(made(text, 0)).Judgement
		if j.Verdict != TooClose {
			t.Fatalf("%s: %s", text, j.Verdict)
		}
		if want := simulatedMore(p, j); math.Abs(float64(j.More-want)) > 1 {
			t.Errorf("%s: %d more, simulated %d", text, j.More, want)
		}
	}
}

// simulatedMore draws players from a belief on the side it leans to, plays their reps one by
// one, and takes the median of how many it took. Written apart from repsToDecide.
func simulatedMore(p Policy, j Judgement) int {
	rng := rand.New(rand.NewPCG(2, 5))
	var took []int
	for len(took) < 4001 {
		at, rate := rng.Float64(), 0.0
		for i, v := range j.belief {
			if at -= v; at < 0 {
				rate = rateAt(i) + (rng.Float64()-0.5)/50
				break
			}
		}
		if (rate >= j.Target) != j.LeansUp() {
			continue
		}
		b, k := j.belief, 0
		for k < p.MaxMore {
			k++
			correct := (rng.Float64() < rate) != (rng.Float64() < p.ObserverError)
			total := 0.0
			for i := range b {
				q := rateAt(i)*(1-p.ObserverError) + (1-rateAt(i))*p.ObserverError
				if !correct {
					q = 1 - q
				}
				b[i] *= math.Pow(q, p.RepWeight)
				total += b[i]
			}
			for i := range b {
				b[i] /= total
			}
			if c := b.reaches(j.Target); j.LeansUp() && c >= p.Sure || !j.LeansUp() && c <= 1-p.Sure {
				break
			}
		}
		took = append(took, k)
	}
	counts := make([]int, p.MaxMore+1)
	for _, k := range took {
		counts[k]++
	}
	sum := 0
	for k, n := range counts {
		if sum += n; 2*sum >= len(took) {
			return k
		}
	}
	return p.MaxMore
}

func Example_verdicts() {
	for _, answers := range []string{"", "+++", "++++++++", "+++++++++++++", "+-----+-"} {
		fmt.Println(stand(made(answers, 0)).Groups[1].Judgement.Sentence)
	}
	// Output:
	// Not enough reps: none yet.
	// Not enough reps: 3 of 3, 3 more to say.
	// Too close to call: 8 of 8, leans to has it, about 7 more.
	// Has it: 13 of 13, last seen today.
	// Not yet: 2 of 8, the target is 7 in 10. Last seen today.
}

// mean is the expected rate.
func (r *rates) mean() float64 {
	sum := 0.0
	for i, v := range r {
		sum += v * rateAt(i)
	}
	return sum
}

// variance is that of the rate.
func (r *rates) variance() float64 {
	m, sum := r.mean(), 0.0
	for i, v := range r {
		sum += v * (rateAt(i) - m) * (rateAt(i) - m)
	}
	return sum
}
