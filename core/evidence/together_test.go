package evidence

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"evrik/core/drill"
	"evrik/core/reads"
)

// The standard textbook example of Cohen's kappa, from memory: two observers agree on
// 35 of 50, chance gives 0.5, kappa is 0.40.
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
		if got := Kappa(tc.counts); math.Abs(got-tc.want) > 1e-12 {
			t.Errorf("%v: %g, want %g", tc.counts, got, tc.want)
		}
	}
}

// The same table, as two people logged it: reps that one of them did not watch, and
// what somebody took back, are not compared.
func TestAgreements(t *testing.T) {
	var seen []Rep
	say := func(n int, observer string, made reads.Read) {
		seen = append(seen, Rep{Of: fmt.Sprint("rep", n), Observer: observer, Made: made})
	}
	n := 0
	for made, count := range map[[2]reads.Read]int{{reads.Curl, reads.Curl}: 20, {reads.Curl, reads.Fade}: 5, {reads.Fade, reads.Curl}: 10, {reads.Fade, reads.Fade}: 15} {
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
	got := Agreements(seen, func(r Rep) string { return r.Observer })
	if len(got) != 1 {
		t.Fatalf("%+v", got)
	}
	a := got[0]
	if a.Observers != [2]string{"ann", "ben"} || a.Reps != 50 || a.Same != 35 || math.Abs(a.Kappa-0.40) > 1e-12 ||
		a.Differ[0] != (Difference{reads.Fade, reads.Curl, 10}) || a.Differ[1] != (Difference{reads.Curl, reads.Fade, 5}) {
		t.Errorf("%+v", a)
	}
}

func TestConfusions(t *testing.T) {
	rep := func(player string, rung drill.Rung, expected, made reads.Read) Rep {
		return Rep{Player: player, Role: reads.Cutter, Rung: rung, Expected: expected, Made: made, Right: expected == made}
	}
	got := Confusions(reads.Cutter, []reads.Read{reads.BackCut, reads.Curl, reads.Fade}, []Rep{
		rep("a", drill.Live2, reads.BackCut, reads.Straight), rep("b", drill.Live2, reads.BackCut, reads.Straight), rep("b", drill.Shown, reads.BackCut, reads.Straight),
		rep("a", drill.Live2, reads.BackCut, reads.BackCut), rep("a", drill.Live2, reads.Curl, ""),
		rep("a", drill.Air, reads.Curl, reads.Fade), // technique: nobody reads
		{Player: "a", Role: reads.Screener, Rung: drill.Live2, Expected: reads.BackCut, Made: reads.Pop},
	})
	if want := "[{backcut 4 [{straight 3 [b a]} {backcut 1 [a]}]} {curl 1 [{ 1 [a]}]} {fade 0 []}]"; fmt.Sprint(got) != want {
		t.Errorf("%v, want %s", got, want)
	}
}

func TestPairs(t *testing.T) {
	var reps []Rep
	for n := 1; n <= 12; n++ {
		cutter, screener := "a", "x"
		if n > 6 {
			screener = "y"
		}
		reps = append(reps, Rep{Block: "b", No: n, Player: cutter, Role: reads.Cutter, Right: n != 3 && n < 9},
			Rep{Block: "b", No: n, Player: screener, Role: reads.Screener, Right: true})
	}
	reps = append(reps, Rep{Block: "b", No: 13, Player: "a", Role: reads.Cutter, Right: true}, // nobody judged the screen
		Rep{Block: "c", No: 1, Player: "z", Role: reads.Screener, Right: true}, Rep{Player: "q", Role: reads.Cutter}) // another block; no number
	got := DefaultPolicy().Pairs(reads.Cutter, reads.Screener, reps)
	if len(got) != 2 || got[0].Screener != "x" || got[0].Both != 5 || got[0].Reps != 6 || got[1].Both != 2 || !(got[0].Interval.Low > got[1].Interval.Low) {
		t.Errorf("%+v", got)
	}
}

func TestPairsOnOneRead(t *testing.T) {
	var reps []Rep
	for n := 1; n <= 10; n++ {
		asked := []reads.Read{reads.Curl, reads.Fade}[n%2]
		reps = append(reps, Rep{Block: "b", No: n, Player: "a", Role: reads.Cutter, Expected: asked, Right: true}, Rep{Block: "b", No: n, Player: "x", Role: reads.Screener, Expected: reads.Pop, Right: n > 2})
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
	stand := func(player, answers string, age int) Standing {
		return p.Stand(player, "curl", made(answers, age), now)
	}
	got := ByNeed([]Standing{stand("has", "++++++++++", 0), stand("none", "", 0), stand("few", "++", 0), stand("weak", "----------", 0), stand("half", "+-+-+-+---", 0), stand("stale", "++++++++++", 120)})
	var order []string
	for _, s := range got {
		order = append(order, s.Player)
	}
	if fmt.Sprint(order) != "[weak half stale few none has]" {
		t.Error(order)
	}
}

func TestCurve(t *testing.T) {
	p := DefaultPolicy()
	reps := append(append(made("+---", 21), made("++-+", 20)...), made("++++++", 0)...)
	reps = append(reps, Rep{At: now, Rung: drill.Air, Right: false})
	got := p.Curve(reps, 7)
	if len(got) != 2 || got[0].Reps != 8 || got[0].Right != 4 || got[1].Reps != 6 || got[1].Right != 6 || !(got[1].Interval.Low > got[0].Rate) {
		t.Errorf("%+v", got)
	}
	if !got[1].From.Equal(now.AddDate(0, 0, 0)) || p.Curve(nil, 7) == nil {
		t.Errorf("%+v", got)
	}
}

// How often verdicts are wrong when hidden true rates are spread evenly: at most as
// often as they claim, whatever the number of reps. Seeded; each verdict is looked at
// once.
func TestVerdictsAreAsGoodAsTheyClaim(t *testing.T) {
	p := DefaultPolicy()
	rng := rand.New(rand.NewPCG(20, 26))
	for _, rung := range []drill.Rung{drill.Shown, drill.Live2} {
		target := p.Target(rung)
		for _, reps := range []int{6, 8, 12, 20, 40} {
			said, wrong := map[Verdict]int{}, map[Verdict]int{}
			const players = 30000
			for range players {
				rate, right := rng.Float64(), 0.0
				for range reps {
					if rng.Float64() < rate {
						right++
					}
				}
				v := p.settled(right, float64(reps), target)
				said[v]++
				if v == HasIt && rate < target || v == NotYet && rate >= target {
					wrong[v]++
				}
			}
			for _, v := range []Verdict{HasIt, NotYet} {
				if share := float64(wrong[v]) / float64(max(1, said[v])); share > 1-p.Sure {
					t.Errorf("%s, %d reps: %q is wrong in %.1f %% of %d", rung, reps, v.Name(), 100*share, said[v])
				}
			}
			if said := said[HasIt] + said[NotYet]; reps >= 20 && said < players*2/3 {
				t.Errorf("%s, %d reps: settled only %d of %d", rung, reps, said, players)
			}
		}
	}
}
