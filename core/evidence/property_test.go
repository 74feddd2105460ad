package evidence

import (
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"evrik/core/drill"
)

// random returns up to 40 reps of the last 80 days with a random true rate.
func random(rng *rand.Rand) []Rep {
	rate := rng.Float64()
	reps := make([]Rep, rng.IntN(40))
	for i := range reps {
		age := time.Duration(rng.Float64() * 80 * 24 * float64(time.Hour))
		reps[i] = Rep{At: now.Add(-age), Rung: drill.Live2, Right: rng.Float64() < rate}
	}
	return reps
}

// What must hold for any record: one more right rep never lowers the chance,
// one more wrong rep never raises it; the order of the log does not matter;
// and a verdict other than "too few" needs its weighted reps.
func TestJudgementProperties(t *testing.T) {
	p, rng := DefaultPolicy(), rand.New(rand.NewPCG(5, 6))
	for range 2000 {
		reps := random(rng)
		j := p.Judge(drill.Live2, reps, now)
		better := p.Judge(drill.Live2, append(reps[:len(reps):len(reps)], Rep{At: now, Right: true}), now)
		worse := p.Judge(drill.Live2, append(reps[:len(reps):len(reps)], Rep{At: now}), now)
		if better.Chance < j.Chance-1e-12 || worse.Chance > j.Chance+1e-12 {
			t.Fatalf("%d of %d: chance %.6f, after a right rep %.6f, after a wrong one %.6f", j.Tally.Right, j.Tally.Reps, j.Chance, better.Chance, worse.Chance)
		}
		rng.Shuffle(len(reps), func(a, b int) { reps[a], reps[b] = reps[b], reps[a] })
		if again := p.Judge(drill.Live2, reps, now); math.Abs(again.Chance-j.Chance) > 1e-9 || again.Verdict != j.Verdict {
			t.Fatalf("the order of the log changes the verdict: %+v and %+v", j, again)
		}
		if (j.Verdict == HasIt || j.Verdict == NotYet) && j.Tally.Weighted < p.MinReps {
			t.Fatalf("%s on %.2f weighted reps", j.Verdict, j.Tally.Weighted)
		}
		if j.Verdict == Stale && j.Tally.Weighted >= p.StaleReps {
			t.Fatalf("stale with %.2f weighted reps", j.Tally.Weighted)
		}
		if !(0 <= j.Interval.Low && j.Interval.Low <= j.Interval.High && j.Interval.High <= 1) || math.IsNaN(j.Chance) {
			t.Fatalf("%+v", j)
		}
		if j.Tally.Weighted > float64(j.Tally.Reps)+1e-9 || j.Tally.WeightedRight > j.Tally.Weighted+1e-9 {
			t.Fatalf("weights exceed counts: %+v", j.Tally)
		}
	}
}

// The honest promise behind the verdicts: of players whose true rate is well
// below the target, "has it" is said of few; of those well above, "not yet" of
// few. A simulation from the binomial alone is the outside check.
func TestVerdictsAreSeldomWrong(t *testing.T) {
	p, rng := DefaultPolicy(), rand.New(rand.NewPCG(7, 8))
	const players, reps = 4000, 12
	share := func(rate float64, wrong Verdict) float64 {
		n := 0
		for range players {
			list := make([]Rep, reps)
			for i := range list {
				list[i] = Rep{At: now, Right: rng.Float64() < rate}
			}
			if p.Judge(drill.Live2, list, now).Verdict == wrong {
				n++
			}
		}
		return float64(n) / players
	}
	if got := share(0.5, HasIt); got > 0.05 {
		t.Errorf("%.1f %% of players who read every other screen are said to have it", 100*got)
	}
	if got := share(0.9, NotYet); got > 0.02 {
		t.Errorf("%.1f %% of players who read nine of ten are said not to have it", 100*got)
	}
	if got := share(0.95, HasIt); got < 0.8 {
		t.Errorf("only %.1f %% of players who read nearly all are said to have it after %d reps", 100*got, reps)
	}
}

// A record that nobody adds to fades: weights only fall, and "has it" becomes
// "too few to say" or "stale", never "not yet".
func TestTimeAloneNeverCondemns(t *testing.T) {
	p := DefaultPolicy()
	reps := made("++++++++++", 0)
	last := math.Inf(1)
	order := []Verdict{}
	for day := range 200 {
		j := p.Judge(drill.Live2, reps, now.AddDate(0, 0, day))
		if j.Tally.Weighted >= last {
			t.Fatalf("day %d: weight %.3f does not fall", day, j.Tally.Weighted)
		}
		last = j.Tally.Weighted
		if len(order) == 0 || order[len(order)-1] != j.Verdict {
			order = append(order, j.Verdict)
		}
	}
	if len(order) != 3 || order[0] != HasIt || order[1] != TooFew || order[2] != Stale {
		t.Errorf("the verdict went through %v", order)
	}
}
