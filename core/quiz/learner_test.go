package quiz

import (
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// Every court has questions, and team rules decide what is right.
func TestCardsOfEveryFloor(t *testing.T) {
	for _, preset := range []string{court.HighSchool, court.FIBA} {
		c, ok := court.PresetCourt(preset)
		if !ok {
			t.Fatal(preset)
		}
		for _, rules := range []reads.TeamRules{{}, {FlareFirst: true}, {FadeToCorner: true, ShootFirst: true}} {
			fl := reads.On(c).With(rules)
			cards := Cards(fl)
			if len(cards) < 70 {
				t.Errorf("%s, %+v: %d cards", preset, rules, len(cards))
			}
			for i := 1; i < len(cards); i++ {
				if slices.Contains(cards[:i], cards[i]) {
					t.Errorf("%v is listed twice", cards[i])
				}
			}
			it, err := New(fl, Card{"down", reads.Jump}, 2, 7)
			want := reads.BackCut
			if rules.FlareFirst {
				want = reads.Flare
			}
			if err != nil || it.Right != want || it.Role != reads.Cutter {
				t.Errorf("%s, %+v: %q for a jump, want %q (%v)", preset, rules, it.Right, want, err)
			}
		}
	}
}

// A quiz asks a team of nine no ball screen and no double team, unless its coach turns
// them on; what else it asks stays.
func TestCardsByAge(t *testing.T) {
	c, _ := court.PresetCourt(court.HighSchool)
	fl := reads.On(c)
	fl.Ages = "9-11"
	young, all := Cards(fl), Cards(fl.With(reads.TeamRules{AllActions: true}))
	for _, card := range all {
		a, _ := reads.ActionByID(card.Action)
		meets, asked := (reads.TeamRules{}).Meets(fl.Ages, a, card.Cue), slices.Contains(young, card)
		// One answer alone makes no question.
		alone := !slices.ContainsFunc(young, func(c Card) bool { return c.Action == card.Action })
		if asked && !meets || meets && !asked && !alone {
			t.Errorf("%v is asked: %v", card, asked)
		}
	}
	if len(young) < 40 || len(young) > len(all)-10 {
		t.Errorf("%d of %d cards are asked at nine", len(young), len(all))
	}
}

// A learner who never sees some of the cues and all others is asked about those they
// miss more often than about the others, once they have seen all of them.
func TestWhatIsMissedComesBack(t *testing.T) {
	fl := floor(t)
	cards := Cards(fl)
	rng := rand.New(rand.NewPCG(3, 3))
	blind := map[Card]bool{}
	for _, i := range rng.Perm(len(cards))[:len(cards)/5] {
		blind[cards[i]] = true
	}
	now := time.Date(2026, 1, 5, 19, 0, 0, 0, time.UTC)
	var given []Answer
	asked := map[bool]int{}
	aDay := len(cards) / 4 // so that every card comes as often, however many there are
	for day := range 40 {
		file := File(cards, given)
		for _, card := range Pack(file, 3, now, aDay, uint64(day)) {
			given = append(given, Answer{Card: card, Step: 3, Right: !blind[card], At: now})
			if day >= 10 {
				asked[blind[card]]++
			}
			now = now.Add(10 * time.Second)
		}
		now = now.Add(23 * time.Hour)
	}
	missed := float64(asked[true]) / float64(len(blind))
	known := float64(asked[false]) / float64(len(cards)-len(blind))
	if missed < 3*known {
		t.Errorf("a missed cue is asked %.1f times, a known one %.1f", missed, known)
	}
	shape := ShapeOf(File(cards, given), given)
	if shape.Held < (len(cards)-len(blind))*4/5 || shape.Held > len(cards)-len(blind) || shape.Asked != len(given) ||
		shape.Cards != len(cards) {
		t.Errorf("%+v", shape)
	}
}

// Only the last thirty answers on a read count, and only from six on is a gap told.
func TestSummaryForgets(t *testing.T) {
	var given []Answer
	for i := range 60 {
		given = append(given, Answer{Read: reads.Fade, Right: i >= 30, Seconds: 0.8})
	}
	never := func(reads.Role, reads.Read) Done { return Done{0, 5} }
	got := Summarize(given, never)
	if len(got) != 1 || got[0].Right != 30 || got[0].Asked != 30 || got[0].Gap != "" {
		t.Errorf("%+v", got)
	}
	if got := Summarize(nil, never); got == nil || len(got) != 0 {
		t.Errorf("of nothing: %+v", got)
	}
	wrong := Summarize(given[:10], never)
	if wrong[0].Median != 0 || wrong[0].Range.Low > 1e-9 {
		t.Errorf("without a right answer: %+v", wrong[0])
	}
	// The Wilson interval of 0 of 20: Newcombe 1998, from memory.
	if r := Summarize(given[:20], never)[0].Range; r.High < 0.161 || r.High > 0.1612 {
		t.Errorf("0 of 20: %+v", r)
	}
}

// Live are live rungs of practice alone.
func TestLive(t *testing.T) {
	rep := func(rung drill.Rung, correct bool) evidence.Rep {
		return evidence.Rep{Role: reads.Cutter, Expected: reads.Curl, Rung: rung, Correct: correct}
	}
	live := Live([]evidence.Rep{rep(drill.Guided, true), rep(drill.Live2, true), rep(drill.Live2, false),
		rep(drill.Game, true)})
	if d := live(reads.Cutter, reads.Curl); d != (Done{1, 2}) {
		t.Errorf("%+v, want 1 of 2", d)
	}
	if d := live(reads.Screener, reads.Curl); d != (Done{}) {
		t.Errorf("another part: %+v", d)
	}
}

// Every step is harder than the one before in time and in margin, and gives up nothing;
// a step out of range counts as the nearest.
func TestStepsGetHarder(t *testing.T) {
	for s := Step(2); s <= Steps; s++ {
		a, b := (s - 1).Of(), s.Of()
		if b.Seconds >= a.Seconds || b.AtLeast > a.AtLeast || b.AtMost > a.AtMost || a.Mirror && !b.Mirror || a.Mixed &&
			!b.Mixed || a.Disguise && !b.Disguise {
			t.Errorf("step %d: %+v after %+v", s, b, a)
		}
		if b.AtLeast < reads.LateMargin {
			t.Errorf("step %d asks for cues that come late: %.1f ft", s, b.AtLeast)
		}
	}
	if Step(0).Of() != Step(1).Of() || Step(99).Of() != Step(Steps).Of() {
		t.Error("a step out of range is not the nearest")
	}
	if first, last := Step(1).Of().Seconds, Step(Steps).Of().Seconds; first != 2.0 || last != 0.7 {
		t.Errorf("from %.1f to %.1f s, want 2.0 to 0.7", first, last)
	}
}
