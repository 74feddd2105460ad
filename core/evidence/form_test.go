package evidence

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"gonum.org/v1/gonum/stat/distuv"

	"evrik/core/drill"
	"evrik/core/reads"
)

// formReps are live curls of a player in one practice, the first of them correct.
func formReps(player PlayerID, correct, reps int, rung drill.Rung) (out []Rep) {
	for k := range reps {
		out = append(out, Rep{ID: RepID(fmt.Sprint(player, rung, k)), Practice: "p", Player: player, Role: reads.Cutter,
			Expected: reads.Curl,
			Cue:      []reads.Cue{reads.Trail, reads.Under}[k%2], Correct: k < correct, Rung: rung,
			At: now.Add(time.Duration(k-reps) * time.Minute)})
	}
	return out
}

// A form against the beta distribution of another library: the player's own reps, and
// eight reps' worth of the others' rate where nothing is known of how alike players are.
func TestFormAgainstBeta(t *testing.T) {
	p := DefaultPolicy()
	reps := append(formReps("a", 5, 6, drill.Live3), formReps("b", 2, 3, drill.Live3)...)
	reps = append(reps, formReps("b", 1, 4, drill.Guided)...) // half a rep each
	f := p.FormOf(p.ExtendByPeriod(NoHistory(), reps, time.UTC))
	for _, tc := range []struct {
		player         PlayerID
		own, ownReps   float64 // weighted
		others, theirs float64
		count          Count
	}{
		{"a", 5, 6, 2.5, 5, Count{5, 6}},
		{"b", 2.5, 5, 5, 6, Count{3, 7}},
		{"nobody", 0, 0, 7.5, 11, Count{}},
	} {
		rate := (tc.others + 2) / (tc.theirs + 4)
		beta := distuv.Beta{Alpha: 8*rate + tc.own, Beta: 8*(1-rate) + tc.ownReps - tc.own}
		unerring := func(logged float64) float64 {
			return min(max((logged-p.ObserverError)/(1-2*p.ObserverError), 0), 1)
		}
		e := f.Of(tc.player, reads.Cutter, reads.Curl)
		if e.Count != tc.count {
			t.Errorf("%s: count %v, want %v", tc.player, e.Count, tc.count)
		}
		for what, pair := range map[string][2]float64{
			"rate": {e.Rate, unerring(beta.Mean())},
			"low":  {e.Interval.Low, unerring(beta.Quantile((1 - p.Level) / 2))},
			"high": {e.Interval.High, unerring(beta.Quantile((1 + p.Level) / 2))},
		} {
			if math.Abs(pair[0]-pair[1]) > 1e-6 {
				t.Errorf("%s: %s %.6f, another library %.6f", tc.player, what, pair[0], pair[1])
			}
		}
		for i, q := range e.Quantiles() {
			if want := unerring(beta.Quantile((float64(i) + 0.5) / 40)); math.Abs(q-want) > 1e-6 {
				t.Errorf("%s: quantile %d %.6f, want %.6f", tc.player, i, q, want)
			}
		}
	}
	if got := f.Team(reads.Cutter, reads.Curl); got != (Count{8, 13}) {
		t.Errorf("the team: %v", got)
	}
}

// How alike players are is found again in what was drawn: rates from a beta distribution
// of known concentration give about that many reps, players who are all alike many.
func TestLikeness(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 5))
	drawn := func(rate func() float64) map[question][]tally {
		of := map[question][]tally{}
		for read := range 12 {
			q := question{read: reads.Read(fmt.Sprint(read))}
			for range 40 {
				of[q] = append(of[q], tally{distuv.Binomial{N: 30, P: rate(), Src: rng}.Rand(), 30})
			}
		}
		return of
	}
	for _, concentration := range []float64{4, 12, 30} {
		beta := distuv.Beta{Alpha: 0.6 * concentration, Beta: 0.4 * concentration, Src: rng}
		if got := likeness(drawn(beta.Rand)); got < 0.8*concentration || got > 1.25*concentration {
			t.Errorf("rates of concentration %g: found %.1f", concentration, got)
		}
	}
	if got := likeness(drawn(func() float64 { return 0.6 })); got < 150 {
		t.Errorf("all alike: %.1f", got)
	}
	if got := likeness(drawn(func() float64 { return float64(rng.IntN(2)) })); got != leastAlike {
		t.Errorf("all or nothing: %.1f, want %g", got, leastAlike)
	}
	for what, few := range map[string][]tally{"nobody": nil, "two players": {{1, 9}, {9, 9}},
		"all correct": {{9, 9}, {9, 9}, {9, 9}, {9, 9}}} {
		if got := likeness(map[question][]tally{{}: few}); math.Abs(got-usualAlike) > 1e-9 {
			t.Errorf("%s: %.3f, want %g", what, got, usualAlike)
		}
	}
}

// Rates on fewer than four reps do not tell how alike players are.
func TestFewRepsTellNothingOfLikeness(t *testing.T) {
	p := DefaultPolicy()
	form := func(reps int) Form {
		var all []Rep
		for i := range 6 {
			all = append(all, formReps(PlayerID(fmt.Sprint(i)), reps*(i%2), reps, drill.Live3)...)
		}
		return p.FormOf(p.ExtendByPeriod(NoHistory(), all, time.UTC))
	}
	if got := form(3).alike; math.Abs(got-usualAlike) > 1e-9 {
		t.Errorf("three reps each: %.2f, want %g", got, usualAlike)
	}
	if got := form(4).alike; got >= usualAlike {
		t.Errorf("four reps each, all or nothing: %.2f, want fewer than %g", got, usualAlike)
	}
}
