package evidence

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"evrik/core/drill"
	"evrik/core/reads"
)

// The standard textbook example of Cohen's kappa, from memory: two observers agree on
// 35 of 50, chance gives 0.5, kappa is 0.40. Its interval by hand from the formula of
// Fleiss, Cohen and Everitt, from memory: a standard error of 0.1270.
func TestKappa(t *testing.T) {
	for _, tc := range []struct {
		counts [][]int
		want   float64
	}{
		{[][]int{{20, 5}, {10, 15}}, 0.40},
		{[][]int{{10, 0}, {0, 10}}, 1},
		{[][]int{{0, 10}, {10, 0}}, -1},
		{[][]int{{25, 25}, {25, 25}}, 0},
		{[][]int{{12}}, 1}, // both always saw the same: nothing to disagree on
		{nil, 0},
	} {
		got, in := Kappa(tc.counts)
		if math.Abs(got-tc.want) > 1e-12 || in.Low > got || in.High < got {
			t.Errorf("%v: %g in %v, want %g", tc.counts, got, in, tc.want)
		}
	}
	if _, in := Kappa([][]int{{20, 5}, {10, 15}}); math.Abs(in.High-in.Low-2*1.95996*0.1270) > 2e-3 {
		t.Errorf("interval %v", in)
	}
}

// The interval holds the kappa of the source as often as it says: a seeded simulation.
func TestKappaIntervalCovers(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 7))
	const looks = 3000
	held := 0
	for range looks {
		counts := [][]int{{0, 0}, {0, 0}}
		for range 80 { // both say the same of 7 in 10, each half of the time: kappa is 0.4
			first, same := rng.IntN(2), rng.Float64() < 0.7
			second := first
			if !same {
				second = 1 - first
			}
			counts[first][second]++
		}
		if _, in := Kappa(counts); in.Low <= 0.4 && 0.4 <= in.High {
			held++
		}
	}
	if share := float64(held) / looks; share < 0.93 || share > 0.97 {
		t.Errorf("the 95 %% interval holds in %.1f %%", 100*share)
	}
}

// The same table, as two people logged it: reps that one of them did not watch, and
// reps without a number, are not compared.
func TestAgreements(t *testing.T) {
	var seen []Rep
	say := func(no int, observer ObserverID, made reads.Read) {
		seen = append(seen, Rep{No: no, Observer: observer, Made: made, Correct: made == reads.Curl, Cue: reads.Trail})
	}
	n := 0
	for made, count := range map[[2]reads.Read]int{{reads.Curl, reads.Curl}: 20, {reads.Curl, reads.Fade}: 5,
		{reads.Fade, reads.Curl}: 10, {reads.Fade, reads.Fade}: 15} {
		for range count {
			n++
			say(n, "ann", made[0])
			say(n, "ben", made[1])
		}
	}
	say(900, "ann", reads.Curl)
	say(901, "cho", reads.Curl) // too few of these to tell
	say(901, "ann", reads.Fade)
	seen = append(seen, Rep{Observer: "ann", Made: reads.Curl}, Rep{Observer: "ben", Made: reads.Fade}) // of no rep
	got := Agreements(seen)
	if len(got) != 1 {
		t.Fatalf("%+v", got)
	}
	a := got[0]
	if a.Observers != [2]ObserverID{"ann", "ben"} || a.Reps != 50 || a.Read.Same != 35 ||
		math.Abs(a.Read.Kappa-0.40) > 1e-12 || a.Correct != a.Read ||
		a.Differ[0] != (Difference{reads.Fade, reads.Curl, 10}) ||
		a.Differ[1] != (Difference{reads.Curl, reads.Fade, 5}) {
		t.Errorf("%+v", a)
	}
	if a.Cue.Same != 50 || a.Cue.Kappa != 1 || !a.Cue.Lopsided || a.Read.Lopsided {
		t.Errorf("one cue throughout: %+v", a.Cue)
	}
	if a.Apart() {
		t.Errorf("an interval up to %.2f is not surely below %.1f", a.Correct.Interval.High, Watch)
	}
	if !(Agreement{Correct: Same{Kappa: 0.3, Interval: Interval{0.1, 0.59}}}).Apart() {
		t.Error("an interval that ends below the line is")
	}
}

func TestConfusions(t *testing.T) {
	rep := func(player PlayerID, rung drill.Rung, expected, made reads.Read) Rep {
		return Rep{Player: player, Role: reads.Cutter, Rung: rung, Expected: expected, Made: made,
			Correct: expected == made}
	}
	got := Confusions(reads.Cutter, []reads.Read{reads.BackCut, reads.Curl, reads.Fade}, []Rep{
		rep("a", drill.Live2, reads.BackCut, reads.Straight), rep("b", drill.Live2, reads.BackCut, reads.Straight),
		rep("b", drill.Guided, reads.BackCut, reads.Straight),
		rep("a", drill.Live2, reads.BackCut, reads.BackCut), rep("a", drill.Live2, reads.Curl, ""),
		rep("a", drill.Air, reads.Curl, reads.Fade), // technique: nobody reads
		{Player: "a", Role: reads.Screener, Rung: drill.Live2, Expected: reads.BackCut, Made: reads.Pop},
	})
	if want := "[{backcut 4 [{straight 3 [b a]} {backcut 1 [a]}]} {curl 1 [{ 1 [a]}]} {fade 0 []}]"; fmt.Sprint(
		got) != want {
		t.Errorf("%v, want %s", got, want)
	}
}

func TestPairs(t *testing.T) {
	var reps []Rep
	for n := 1; n <= 12; n++ {
		cutter, screener := PlayerID("a"), PlayerID("x")
		if n > 6 {
			screener = "y"
		}
		reps = append(reps, Rep{Block: "b", No: n, Player: cutter, Role: reads.Cutter, Correct: n != 3 && n < 9},
			Rep{Block: "b", No: n, Player: screener, Role: reads.Screener, Correct: true})
	}
	// nobody judged the screen
	reps = append(reps, Rep{Block: "b", No: 13, Player: "a", Role: reads.Cutter, Correct: true},
		// another block; no number
		Rep{Block: "c", No: 1, Player: "z", Role: reads.Screener, Correct: true}, Rep{Player: "q", Role: reads.Cutter})
	got := DefaultPolicy().Pairs(reads.Cutter, reads.Screener, reps)
	if len(got) != 2 || got[0].Screener != "x" || got[0].Both != 5 || got[0].Reps != 6 || got[1].Both != 2 ||
		!(got[0].Interval.Low > got[1].Interval.Low) {
		t.Errorf("%+v", got)
	}
}

func TestPairsOnOneRead(t *testing.T) {
	var reps []Rep
	for n := 1; n <= 10; n++ {
		asked := []reads.Read{reads.Curl, reads.Fade}[n%2]
		reps = append(reps, Rep{Block: "b", No: n, Player: "a", Role: reads.Cutter, Expected: asked, Correct: true},
			Rep{Block: "b", No: n, Player: "x", Role: reads.Screener, Expected: reads.Pop, Correct: n > 2})
	}
	p := DefaultPolicy()
	if got := p.PairsOn(reads.Cutter, reads.Curl, reps); len(got) != 1 || got[0].Reps != 5 || got[0].Both != 4 {
		t.Errorf("%+v", got)
	}
	if got := p.PairsOn(reads.Pivot, reads.Curl, reps); got == nil || len(got) != 0 {
		t.Errorf("%+v", got)
	}
	if got := Asking(reads.Curl, reps); len(got) != 5 {
		t.Errorf("%d", len(got))
	}
}

// Who is held back comes first, the weakest of them before the others.
func TestByNeed(t *testing.T) {
	p := DefaultPolicy()
	line := func(player PlayerID, lists ...[]Rep) Standing {
		var reps []Rep
		for _, l := range lists {
			reps = append(reps, of(player, reads.Curl, l)...)
		}
		return p.Stand(history(reps), Skill{player, reads.Cutter, reads.Curl}, now)
	}
	got := ByNeed([]Standing{line("has", made("++++++++++++", 0)), line("none"), line("few", made("++", 0)),
		line("weak", made("----------", 0)),
		line("half", made("+-+-+-+---", 0)), line("close", made("+++++-+-", 0)),
		line("had", made("++++++++++++", 130), made("++++++++++++", 128))})
	var order []PlayerID
	for _, s := range got {
		order = append(order, s.Player)
	}
	if fmt.Sprint(order) != "[weak half had close few none has]" {
		t.Error(order)
	}
}

func TestCurve(t *testing.T) {
	p := DefaultPolicy()
	reps := slices.Concat(made("+---", 21), made("++-+", 20), made("++++++", 0))
	reps = append(reps, Rep{At: now, Rung: drill.Air, Correct: false})
	got := p.Curve(reps, 7)
	if len(got) != 2 || got[0].Reps != 8 || got[0].Correct != 4 || got[1].Reps != 6 || got[1].Correct != 6 ||
		!(got[1].Interval.Low > got[0].Rate) {
		t.Errorf("%+v", got)
	}
	if !got[1].From.Equal(now.AddDate(0, 0, 0)) || p.Curve(nil, 7) == nil {
		t.Errorf("%+v", got)
	}
}
