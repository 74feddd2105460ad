package evidence

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"github.com/aclements/go-moremath/mathx"

	"evrik/core/drill"
	"evrik/core/reads"
)

var now = time.Date(2026, 3, 20, 18, 0, 0, 0, time.UTC)

// made returns reps, oldest first, the newest `age` days ago.
func made(answers string, age int) []Rep {
	reps := make([]Rep, len(answers))
	for i, a := range answers {
		reps[i] = Rep{ID: fmt.Sprint(i), At: now.AddDate(0, 0, -age), Rung: drill.Live2, Side: drill.Right,
			Role: reads.Cutter, Expected: reads.Curl, Made: reads.Curl, Right: a == '+'}
		if a != '+' {
			reps[i].Made = reads.Straight
		}
	}
	return reps
}

// Newcombe 1998, Statistics in Medicine 17:857, table of examples, from memory.
func TestWilson(t *testing.T) {
	for _, tc := range []struct {
		s, n      int
		low, high float64
	}{
		{81, 263, 0.2553, 0.3662}, {15, 148, 0.0624, 0.1605}, {0, 20, 0, 0.1611}, {1, 29, 0.0061, 0.1718},
	} {
		got := Wilson(tc.s, tc.n, 0.95)
		if math.Abs(got.Low-tc.low) > 5e-5 || math.Abs(got.High-tc.high) > 5e-5 {
			t.Errorf("%d/%d: %.4f to %.4f, want %.4f to %.4f", tc.s, tc.n, got.Low, got.High, tc.low, tc.high)
		}
	}
	if got := Wilson(0, 0, 0.95); got != (Interval{0, 1}) {
		t.Errorf("no data: %+v", got)
	}
}

// The ends of the Jeffreys interval, put into the incomplete beta function of
// another library (go-moremath, which the code under test does not use), must
// give back the tail probabilities.
func TestJeffreysAgainstAnotherLibrary(t *testing.T) {
	for _, tc := range []struct{ s, n, level float64 }{
		{0, 0, 0.8}, {0, 5, 0.8}, {3, 3, 0.8}, {7, 9, 0.8}, {70, 100, 0.95}, {2.4, 6.1, 0.8}, {0.3, 11.7, 0.5},
	} {
		got := Jeffreys(tc.s, tc.n, tc.level)
		a, b := tc.s+0.5, tc.n-tc.s+0.5
		low, high := mathx.BetaInc(got.Low, a, b), mathx.BetaInc(got.High, a, b)
		tail := (1 - tc.level) / 2
		if math.Abs(low-tail) > 1e-7 || math.Abs(high-(1-tail)) > 1e-7 {
			t.Errorf("%g of %g: %+v has tails %.8f and %.8f, want %.2f", tc.s, tc.n, got, low, 1-high, tail)
		}
		for _, p := range []float64{0.1, 0.5, 0.7, 0.95} {
			if d := newPosterior(tc.s, tc.n).above(p) - (1 - mathx.BetaInc(p, a, b)); math.Abs(d) > 1e-9 {
				t.Errorf("%g of %g above %g differs by %g", tc.s, tc.n, p, d)
			}
		}
	}
}

// Closed forms: Beta(1,1) is uniform, Beta(n,1) has distribution function x^n.
func TestPosteriorClosedForms(t *testing.T) {
	for _, p := range []float64{0.05, 0.5, 0.7, 0.99} {
		if got := (posterior{1, 1}).above(p); math.Abs(got-(1-p)) > 1e-12 {
			t.Errorf("uniform above %g: %g", p, got)
		}
		for _, n := range []float64{2, 5.5, 12} {
			if got, want := (posterior{n, 1}).above(p), 1-math.Pow(p, n); math.Abs(got-want) > 1e-12 {
				t.Errorf("Beta(%g,1) above %g: %g, want %g", n, p, got, want)
			}
		}
	}
	if (posterior{2, 3}).above(0) != 1 || (posterior{2, 3}).above(1) != 0 {
		t.Error("every rate lies between 0 and 1")
	}
}

// waldSize is the expected number of reps of Wald's sequential test between
// rates p0 and p1 with equal error probabilities, at the true rate p, which is
// p0 or p1 (Wald 1947, from memory).
func waldSize(p0, p1, err, p float64) float64 {
	line := math.Log((1 - err) / err)
	drift := p*math.Log(p1/p0) + (1-p)*math.Log((1-p1)/(1-p0))
	upper := err // probability of ending at the upper line
	if p == p1 {
		upper = 1 - err
	}
	return (upper*line - (1-upper)*line) / drift
}

// Wald 1947, from memory: with alpha = beta = 0.05 the lines are at ±2.944.
// Reps to settle without data must be of the size of his expected number.
func TestSettleAgainstWald(t *testing.T) {
	if got := math.Log((1 - 0.05) / 0.05); math.Abs(got-2.944) > 5e-4 {
		t.Errorf("ln A = %.3f", got)
	}
	p := DefaultPolicy()
	got := float64(p.RepsToSettle(0, 0, p.LiveTarget))
	low := waldSize(0.5, p.LiveTarget+0.1, 0.15, 0.5)
	high := waldSize(0.5, p.LiveTarget+0.1, 0.15, p.LiveTarget+0.1)
	if low < 4 || high > 8 || got < low*0.7 || got > high*1.5 {
		t.Errorf("no data: %g reps to settle; Wald expects %.1f to %.1f", got, low, high)
	}
}

func TestVerdicts(t *testing.T) {
	p := DefaultPolicy()
	for _, tc := range []struct {
		name string
		reps []Rep
		rung drill.Rung
		want Verdict
	}{
		{"no reps", nil, drill.Live2, TooFew},
		{"three for three proves little", made("+++", 0), drill.Live2, TooFew},
		{"eight for eight", made("++++++++", 0), drill.Live2, HasIt},
		{"eight for eight, but the bar is higher when shown", made("+++++++-", 0), drill.Shown, TooFew},
		{"one of seven", made("+------", 0), drill.Live2, NotYet},
		{"five wrong are too few", made("-----", 0), drill.Live2, TooFew},
		{"six wrong", made("------", 0), drill.Live2, NotYet},
		{"around the target", made("+++++++---", 0), drill.Live2, TooFew},
		{"had it, two half-lives ago", made("++++++++++++", 56), drill.Live2, Stale},
		{"never had it, long ago", made("+-+-+-+-", 56), drill.Live2, TooFew},
	} {
		j := p.Judge(tc.rung, tc.reps, now)
		if j.Verdict != tc.want {
			t.Errorf("%s: %s (chance %.2f of %.1f weighted reps), want %s", tc.name, j.Verdict, j.Chance, j.Tally.Weighted, tc.want)
		}
		if j.Sentence == "" || !strings.EqualFold(j.Sentence[:len(tc.want.Name())], tc.want.Name()) {
			t.Errorf("%s: sentence %q", tc.name, j.Sentence)
		}
		if j.Interval.Low > j.Rate || j.Interval.High < j.Rate {
			t.Errorf("%s: rate %.2f outside %+v", tc.name, j.Rate, j.Interval)
		}
	}
}

// The promise "k right reps in a row would settle it" is kept, and k-1 would not.
func TestRightInARowIsTheSmallest(t *testing.T) {
	p := DefaultPolicy()
	for _, past := range []string{"", "+", "++-", "+-+-+", "-------", "+++++++---"} {
		j := p.Judge(drill.Live2, made(past, 0), now)
		if j.Verdict == HasIt {
			continue
		}
		after := func(k int) Verdict {
			return p.Judge(drill.Live2, made(past+strings.Repeat("+", k), 0), now).Verdict
		}
		if after(j.RightInARow) != HasIt || after(j.RightInARow-1) == HasIt {
			t.Errorf("%q: %d in a row gives %s, one fewer %s", past, j.RightInARow, after(j.RightInARow), after(j.RightInARow-1))
		}
		if j.Settle > p.MaxSettle {
			t.Errorf("%q: %d reps to settle", past, j.Settle)
		}
	}
}

func TestHalfLife(t *testing.T) {
	p := DefaultPolicy()
	got := p.Tallied(append(made("+", 0), made("-", 28)...), now)
	if math.Abs(got.Weighted-1.5) > 1e-12 || math.Abs(got.WeightedRight-1) > 1e-12 || got.Reps != 2 {
		t.Errorf("a rep one half-life old counts half: %+v", got)
	}
	if later := p.Tallied(made("+", -3), now); later.Reps != 0 {
		t.Errorf("a rep of the future counts: %+v", later)
	}
}

func TestStanding(t *testing.T) {
	p := DefaultPolicy()
	shown := made("++++++++++++", 1)
	for i := range shown {
		shown[i].Rung = drill.Shown
	}
	air := made("------------", 1)
	for i := range air {
		air[i].Rung = drill.Air
	}
	left := made("------", 1)
	for i := range left {
		left[i].Side = drill.Left
	}
	st := p.Stand("a", "curl", append(append(append(shown, air...), made("++++++", 1)...), left...), now)
	if st.Held != drill.Shown.Number() || st.Rung != drill.Shown || len(st.Rungs) != 2 {
		t.Errorf("held %d on %s, %d rungs", st.Held, st.Rung, len(st.Rungs))
	}
	if !strings.HasPrefix(st.Gap, "Better on the right: 6 of 6 there, 0 of 6") {
		t.Errorf("gap %q", st.Gap)
	}
	if st.Confused != "straight" {
		t.Errorf("confused with %q", st.Confused)
	}
	old := made("++++++++++++", 60)
	for i := range old {
		old[i].Rung = drill.Shown
	}
	if st := p.Stand("a", "curl", append(old, made("+-", 50)...), now); st.Rung != drill.Shown || st.Judgement.Verdict != Stale || st.Held != 0 {
		t.Errorf("a stale rung is hidden by one tried once: %s on %s", st.Judgement.Verdict, st.Rung)
	}
	if none := p.Stand("a", "curl", air, now); none.Held != 0 || none.Rung != "" || none.Judgement.Verdict != TooFew {
		t.Errorf("technique counted as a read: %+v", none)
	}
}

func TestGroupAdvice(t *testing.T) {
	ten := func(right int) []bool {
		out := make([]bool, 12)
		for i := range right {
			out[2+i] = true
		}
		return out
	}
	for _, tc := range []struct {
		held, present int
		last          []bool
		want          Advice
	}{
		{8, 12, nil, GoUp}, {7, 12, nil, Stay}, {8, 12, ten(4), GoDown}, {8, 12, ten(5), GoUp}, {0, 0, nil, Stay},
		{1, 12, ten(4)[:9], Stay},
	} {
		if got := GroupAdvice(tc.held, tc.present, tc.last); got != tc.want {
			t.Errorf("%+v: %s", tc, got)
		}
	}
}

func TestCorrections(t *testing.T) {
	seen := map[string]bool{}
	for _, c := range Corrections() {
		if seen[c.ID] || !KnownCorrection(c.ID) || c.Name == "" {
			t.Errorf("correction %+v", c)
		}
		seen[c.ID] = true
	}
	if KnownCorrection("moon") {
		t.Error("an unknown correction is known")
	}
	reps := made("++++++++++", 0)
	reps[0].Corrections, reps[1].Corrections = []string{"early", "daylight"}, []string{"daylight"}
	if got := CountCorrections(reps); len(got) != 2 || got[0] != (CorrectionCount{"daylight", 2, 20}) || got[1].Count != 1 {
		t.Errorf("counts %+v", got)
	}
}

func TestBoardHoldsAndNeeds(t *testing.T) {
	p := DefaultPolicy()
	var reps []Rep
	for player, answers := range map[string]string{"a": "++++++++", "b": "-------", "c": "++"} {
		for _, r := range made(answers, 0) {
			r.Player = player
			reps = append(reps, r)
		}
	}
	other := made("--------", 0)[0]
	other.Player, other.Role = "a", reads.Screener
	columns := []reads.Read{reads.Curl, reads.Fade}
	lines := p.Board([]string{"a", "b", "c"}, reads.Cutter, columns, append(reps, other), now)
	for i, want := range []Verdict{HasIt, NotYet, TooFew} {
		if got := lines[i].Cells[0].Judgement; got.Verdict != want || (got.Need() == 0) != (want == HasIt) {
			t.Errorf("%s: %s, needs %d", lines[i].Player, got.Verdict, got.Need())
		}
		if got := lines[i].Cells[1].Judgement; got.Verdict != TooFew || got.Tally.Reps != 0 {
			t.Errorf("%s has no fade reps: %+v", lines[i].Player, got)
		}
	}
	holds := Holds(columns, lines)
	if holds[0].Read != reads.Curl || len(holds[0].NotYet) != 1 || holds[0].Has != 1 || len(holds[1].TooFew) != 3 {
		t.Errorf("holds %+v", holds)
	}
}

// refused checks that an error says something, or that there is none.
func refused(t *testing.T, err error, says string) {
	t.Helper()
	switch {
	case says == "" && err != nil:
		t.Errorf("refused: %v", err)
	case says != "" && (err == nil || !strings.Contains(err.Error(), says)):
		t.Errorf("%v, want it to say %q", err, says)
	}
}
