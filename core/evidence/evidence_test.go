package evidence

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/aclements/go-moremath/mathx"
	"gonum.org/v1/gonum/mathext"

	"evrik/core/drill"
	"evrik/core/reads"
)

var now = time.Date(2026, 3, 20, 18, 0, 0, 0, time.UTC)

// made returns reps of one practice, oldest first, the newest `age` days ago.
func made(answers string, age int) []Rep {
	reps := make([]Rep, len(answers))
	for i, a := range answers {
		reps[i] = Rep{ID: RepID(fmt.Sprint(age, "-", i)), Practice: PracticeID(fmt.Sprint("p", age)),
			At: now.AddDate(0, 0, -age), Rung: drill.Live2, Side: drill.Right,
			Player: "a", Role: reads.Cutter, Expected: reads.Curl, Made: reads.Curl, Correct: a == '+'}
		if a != '+' {
			reps[i].Made = reads.Straight
		}
	}
	return reps
}

// guided are the same where a coach shows one of two cues.
func guided(answers string, age int) []Rep {
	reps := made(answers, age)
	for i := range reps {
		reps[i].Rung, reps[i].Block, reps[i].Cue = drill.Guided, BlockID(fmt.Sprint("b", age)),
			[]reads.Cue{reads.Trail, reads.Under}[i%2]
	}
	return reps
}

// of makes reps those of a player on a read.
func of(player PlayerID, read reads.Read, reps []Rep) []Rep {
	for i := range reps {
		reps[i].ID, reps[i].Player, reps[i].Expected = RepID(string(player)+string(read))+reps[i].ID, player, read
		if reps[i].Correct {
			reps[i].Made = read
		}
	}
	return reps
}

// history is what lists of reps come to.
func history(lists ...[]Rep) *History {
	return DefaultPolicy().ExtendByPeriod(NoHistory(), slices.Concat(lists...), time.UTC)
}

// curl is the skill of made.
var curl = Skill{"a", reads.Cutter, reads.Curl}

// stand is where the player of made stands.
func stand(lists ...[]Rep) Standing { return DefaultPolicy().Stand(history(lists...), curl, now) }

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

func TestTags(t *testing.T) {
	seen := map[string]bool{}
	for _, c := range Tags() {
		if seen[c.ID] || !KnownTag(c.ID) || c.Name == "" || strings.ContainsAny(c.ID, ":,") {
			t.Errorf("tag %+v", c)
		}
		seen[c.ID] = true
	}
	if KnownTag("moon") {
		t.Error("an unknown tag is known")
	}
	reps := made("++++++++++", 0)
	reps[0].Tags, reps[1].Tags = []Tag{{ID: "early"}, {"behind", "b"}}, []Tag{{"behind", "b"}}
	if got := CountTags(reps); len(got) != 2 || got[0] != (TagCount{"behind", 2, 20}) || got[1].Count != 1 {
		t.Errorf("counts %+v", got)
	}
	reps[9].Player = "b"
	if got := CountTagsOf("b", reps); len(got) != 1 || got[0] != (TagCount{"behind", 2, 200}) {
		t.Errorf("the passer's: %+v", got)
	}
	if got := CountTagsOf("a", reps); len(got) != 1 || got[0].ID != "early" || got[0].Count != 1 {
		t.Errorf("the player's own: %+v", got)
	}
}

func TestBoardAndHolds(t *testing.T) {
	p := DefaultPolicy()
	columns := []reads.Read{reads.Curl, reads.Fade}
	h := history(of("a", reads.Curl, made("++++++++++++++++", 0)), of("b", reads.Curl, made("---------", 0)),
		of("c", reads.Curl, made("++", 0)))
	lines := p.Board([]PlayerID{"a", "b", "c"}, reads.Cutter, columns, h, now)
	for i, want := range []Verdict{HasIt, NotYet, NotEnough} {
		if got := lines[i].Cells[0].Judgement; got.Verdict != want || (got.InARow == 0) != (want == HasIt) {
			t.Errorf("%s: %s, needs %d", lines[i].Player, got.Verdict, got.InARow)
		}
		if got := lines[i].Cells[1].Judgement; got.Verdict != NotEnough || got.Reps != 0 {
			t.Errorf("%s has no fade reps: %+v", lines[i].Player, got)
		}
	}
	holds := Holds(columns, lines)
	if holds[0].Read != reads.Curl || len(holds[0].NotYet) != 1 || holds[0].Has != 1 || len(holds[1].NotEnough) != 3 {
		t.Errorf("holds %+v", holds)
	}
	if HoldOnRung(lines, drill.Live2) != 1 || HoldOnRung(lines, drill.Live3) != 0 ||
		HoldOnRung(OfPlayers(lines, []PlayerID{"b"}), drill.Live2) != 0 {
		t.Error("one player has half of the reads on live 2-on-2")
	}
	if h.Reps(reads.Cutter) != 27 || h.Reps(reads.Screener) != 0 || h.Reps() != 27 {
		t.Errorf("%d reps", h.Reps())
	}
}

// Ordered by what decides first: one more player who does not have it, one who had it, one
// too close to call.
func TestHoldsInOrder(t *testing.T) {
	cell := func(v Verdict) Standing { return Standing{Judgement: Judgement{Verdict: v}} }
	columns := []reads.Read{reads.Curl, reads.Fade, reads.Straight, reads.BackCut, reads.Pop}
	lines := []Line{{Cells: []Standing{cell(HasIt), cell(NotEnough), cell(TooClose), cell(Lapsed), cell(NotYet)}},
		{Cells: []Standing{cell(HasIt), cell(NotEnough), cell(HasIt), cell(HasIt), cell(HasIt)}}}
	var order []reads.Read
	for _, h := range Holds(columns, lines) {
		order = append(order, h.Read)
	}
	if want := []reads.Read{reads.Pop, reads.BackCut, reads.Straight, reads.Fade, reads.Curl}; !slices.Equal(order,
		want) {
		t.Errorf("%v, want %v", order, want)
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

// above is the probability that the rate is at least p.
func (d posterior) above(p float64) float64 {
	switch {
	case p <= 0:
		return 1
	case p >= 1:
		return 0
	}
	return 1 - mathext.RegIncBeta(d.a, d.b, p)
}

// Who has a read guided and has not met defenders goes up; who fails against them and does not have it guided goes
// back. A verdict of one practice alone moves nobody.
func TestWhoMovesOnTheLadder(t *testing.T) {
	standing := func(guided, live Judgement, instead reads.Read) Standing {
		return Standing{Player: PlayerID(fmt.Sprint(guided.Verdict, guided.New, live.Verdict, live.New)), Judgement: live,
			Groups: []InGroup{{Group: Guided, Judgement: guided}, {Group: Live, Judgement: live}}, Confused: instead}
	}
	for _, tc := range []struct {
		guided, live Judgement
		up, down     bool
	}{
		{Judgement{Verdict: HasIt}, Judgement{Verdict: NotEnough}, true, false},
		{Judgement{Verdict: HasIt, New: true}, Judgement{Verdict: NotEnough}, false, false},
		{Judgement{Verdict: HasIt}, Judgement{Verdict: NotYet}, false, false},
		{Judgement{Verdict: TooClose}, Judgement{Verdict: NotEnough}, false, false},
		{Judgement{Verdict: TooClose}, Judgement{Verdict: NotYet}, false, true},
		{Judgement{Verdict: NotEnough}, Judgement{Verdict: NotYet}, false, true},
		{Judgement{Verdict: NotYet}, Judgement{Verdict: NotYet, New: true}, false, false},
		{Judgement{Verdict: NotYet}, Judgement{Verdict: TooClose}, false, false},
		{Judgement{Verdict: Lapsed}, Judgement{Verdict: NotYet}, false, false},
	} {
		lines := []Line{{Cells: []Standing{standing(tc.guided, tc.live, "")}}}
		h := Holds([]reads.Read{reads.Curl}, lines)[0]
		if (len(h.GoUp) == 1) != tc.up || (len(h.GoDown) == 1) != tc.down || h.Instead != "" {
			t.Errorf("%+v, live %+v: up %v, down %v, instead %q", tc.guided, tc.live, h.GoUp, h.GoDown, h.Instead)
		}
	}
	lines := []Line{}
	for _, instead := range []reads.Read{reads.Straight, reads.Fade, reads.Straight, "", "", ""} {
		not := Judgement{Verdict: NotYet}
		lines = append(lines, Line{Cells: []Standing{standing(not, not, instead)}})
	}
	if h := Holds([]reads.Read{reads.Curl}, lines)[0]; h.Instead != reads.Straight || len(h.NotYet) != 6 {
		t.Errorf("%+v", h)
	}
	// Among equals the first by name.
	if h := Holds([]reads.Read{reads.Curl}, lines[:2])[0]; h.Instead != min(reads.Straight, reads.Fade) {
		t.Errorf("%+v", h)
	}
}

// A rung is held by whoever holds at least half of the reads on it, or higher.
func TestHeldByHalf(t *testing.T) {
	line := func(held ...int) Line {
		var l Line
		for _, n := range held {
			l.Cells = append(l.Cells, Standing{Held: n})
		}
		return l
	}
	live := drill.Live2.Number()
	lines := []Line{line(live, 0), line(live+1, 0), line(live-1, live-1), line(live, 0, 0), line()}
	if n := HoldOnRung(lines, drill.Live2); n != 2 {
		t.Errorf("%d hold it", n)
	}
}
