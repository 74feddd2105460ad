package reads

import (
	"math/rand/v2"
	"slices"
	"testing"
)

func drawn(t *testing.T, fl Floor, sc *Action, cue Cue, ask Ask, seed uint64) (Snapshot, bool) {
	t.Helper()
	return sc.Draw(fl, cue, ask, rand.New(rand.NewPCG(seed, 1)))
}

// From one seed the attackers stand in the same places whatever the defenders show, on
// the same side, and both sides come.
func TestTheSetUpKnowsNothingOfTheCue(t *testing.T) {
	fl := On(highSchool(t))
	ask := Ask{AtLeast: 0.6, AtMost: 99, Mirror: true}
	sides := map[string]int{}
	for _, sc := range []*Action{downScreen, mustScreen(t, "flare"), mustScreen(t, "ball"), mustScreen(t, "feedpost")} {
		for seed := range uint64(40) {
			var first *Snapshot
			for _, row := range sc.rows {
				s, ok := drawn(t, fl, sc, row.Cue, ask, seed)
				if !ok {
					continue
				}
				if first == nil {
					first = &s
					sides[s.Side()]++
				}
				for _, p := range sc.Participants {
					if !p.ID.Defends() && s.At(p.ID) != first.At(p.ID) {
						t.Fatalf("%s seed %d: with %q %s stands at %v, with another cue at %v", sc.ID, seed, row.Cue,
							p.ID, s.At(p.ID), first.At(p.ID))
					}
				}
				if s.From != first.From || s.To != first.To || s.CutterShoots != first.CutterShoots {
					t.Fatalf("%s seed %d: the cut tells the cue", sc.ID, seed)
				}
			}
		}
	}
	if sides["left"] < 50 || sides["right"] < 50 {
		t.Errorf("sides %v", sides)
	}
}

func mustScreen(t *testing.T, id string) *Action {
	t.Helper()
	sc, ok := ActionByID(id)
	if !ok {
		t.Fatalf("no screen %q", id)
	}
	return sc
}

// What is drawn shows the cue within the margin's bounds, on the side that was asked for.
func TestDrawHoldsToWhatIsAsked(t *testing.T) {
	fl := On(highSchool(t))
	for _, ask := range []Ask{{AtLeast: 1, AtMost: 99}, {AtLeast: 0.5, AtMost: 0.9}, {AtLeast: 0.7, AtMost: 2}} {
		for _, row := range downScreen.rows {
			for seed := range uint64(20) {
				s, ok := drawn(t, fl, downScreen, row.Cue, ask, seed)
				if !ok {
					continue
				}
				v := Classify(testFloor, &s)
				if v.Cue != row.Cue || v.Margin < ask.AtLeast || v.Margin > ask.AtMost {
					t.Fatalf("asked %q with %.1f to %.1f ft, drew %q with %.2f", row.Cue, ask.AtLeast, ask.AtMost,
						v.Cue, v.Margin)
				}
				if s.Side() != "right" {
					t.Fatalf("%q lies %s without being asked to", row.Cue, s.Side())
				}
				if err := s.Validate(fl.Court); err != nil {
					t.Fatal(err)
				}
			}
		}
	}
}

// What would tell the cue by the attackers cannot be drawn, nor what an action does not
// know, nor a margin that nobody can show.
func TestDrawRefuses(t *testing.T) {
	fl := On(highSchool(t))
	ball := mustScreen(t, "ball")
	for _, c := range []struct {
		sc  *Action
		cue Cue
		ask Ask
	}{
		{ball, Weak, Ask{AtLeast: 0.5, AtMost: 99}},
		{ball, UnderFar, Ask{AtLeast: 0.5, AtMost: 99}},
		{ball, Trail, Ask{AtLeast: 0.5, AtMost: 99}},
		{downScreen, Trail, Ask{AtLeast: 40, AtMost: 99}},
	} {
		if s, ok := drawn(t, fl, c.sc, c.cue, c.ask, 1); ok {
			t.Errorf("%s, %q: %+v", c.sc.ID, c.cue, s)
		}
	}
}

// The choices are the table's answers under the team's rules, each once.
func TestChoices(t *testing.T) {
	for _, sc := range Actions() {
		for _, rules := range []TeamRules{{}, {FadeToCorner: true, FlareFirst: true, ShootFirst: true}} {
			seen := map[Read]bool{}
			for _, c := range sc.Choices(rules) {
				if seen[c] {
					t.Errorf("%s offers %q twice", sc.ID, c)
				}
				seen[c] = true
				if !slices.ContainsFunc(sc.Rows(rules), func(r Row) bool { return r.CutterRead == c }) {
					t.Errorf("%s offers %q, which its table does not know", sc.ID, c)
				}
			}
		}
		if r := sc.Reader(); r.ID != cutter || r.Word == "" {
			t.Errorf("%s: the reader is %+v", sc.ID, r)
		}
	}
}
