package offense

import (
	"encoding/json"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"evrik/core/court"
	"evrik/core/reads"
)

func floor(t testing.TB) court.Court {
	t.Helper()
	c, ok := court.PresetCourt(court.HighSchool)
	if !ok {
		t.Fatal("no court")
	}
	return c
}

// Continuity: from the start formation, following an offense's rules with no defense, or
// with wings that are denied now and then, all spots are filled again after every pass,
// nobody screens twice in a row where that is a rule, and everything allowed is run.
func TestContinuity(t *testing.T) {
	c := floor(t)
	if len(Shipped()) != 7 {
		t.Fatalf("%d offenses", len(Shipped()))
	}
	for _, s := range Shipped() {
		if err := s.Validate(c); err != nil {
			t.Errorf("%s: %v", s.ID, err)
			continue
		}
		rng := rand.New(rand.NewPCG(1, 1))
		used, places := map[string]int{}, map[[2]int]bool{}
		p := s.Start()
		for range 3000 {
			targets := p.targets()
			to := targets[rng.IntN(len(targets))]
			denied := rng.IntN(2) == 0 && p.deniable(s, to)
			allowed := p.answers(s, to, denied, 0)
			if len(allowed) == 0 {
				t.Fatalf("%s: the passer on the %s stands", s.ID, p.spotOf(s, p.Ball()))
			}
			a := allowed[rng.IntN(len(allowed))]
			q, err := p.after(s, a, to)
			if err != nil {
				t.Fatalf("%s: %s: %v", s.ID, a.Name, err)
			}
			if err := q.filled(s); err != nil {
				t.Fatalf("%s: after %s: %v", s.ID, a.Name, err)
			}
			if s.Again == NeverTwice {
				for _, who := range q.screened {
					if slices.Contains(p.screened, who) {
						t.Fatalf("%s: %d screens twice in a row", s.ID, who)
					}
				}
			}
			// Who has the ball has not moved with it, and a denied pass is no pass.
			if denied && a.Ball == Stays && q.Ball() != p.Ball() || !denied && q.Ball() != p.Ring[to] {
				t.Fatalf("%s: after %s the ball is with %d", s.ID, a.Name, q.Ball())
			}
			used[a.ID]++
			for i, who := range q.Ring {
				places[[2]int{who, i}] = true
			}
			p = q
		}
		for _, a := range s.Answers {
			if a.Weight > 0 && used[a.ID] == 0 {
				t.Errorf("%s: %s is never run", s.ID, a.Name)
			}
		}
		// It is motion: everybody comes round to nearly every spot.
		if len(places) < 4*len(s.Ring)-4 {
			t.Errorf("%s: only %d places of players were seen", s.ID, len(places))
		}
	}
}

// A set of rules edited into nonsense is refused in a sentence.
func TestOffensesThatCannotBe(t *testing.T) {
	c := floor(t)
	base, _ := ByID("cut")
	for name, tc := range map[string]struct {
		change func(*Offense)
		says   string
	}{
		"no answer":       {func(s *Offense) { s.Answers = nil }, "offense.no-answers"},
		"five and inside": {func(s *Offense) { s.Inside = "blockR" }, "offense.spots: 4, 5"},
		"four":            {func(s *Offense) { s.Ring = s.Ring[:4] }, "offense.spots: 5, 4"},
		"twice": {func(s *Offense) { s.Ring = []string{"top", "top", "wingR", "wingL", "cornerL"} },
			"offense.two-start-on-a-spot"},
		"no such spot": {func(s *Offense) { s.Ring = []string{"roof", "top", "wingR", "wingL", "cornerL"} },
			"offense.spot"},
		"ball nowhere": {func(s *Offense) { s.Ball = "blockR" }, "offense.ball-start"},
		"two to one spot": {func(s *Offense) {
			s.Answers = []Answer{{ID: "x", Name: "X", On: AnyPass, Behind: [2]int{0, 9},
				Moves: []Move{{Passer, Cut, "", Receiver}}, Weight: 1}}
		}, "offense.two-sent-to-a-spot"},
		"only some passes": {func(s *Offense) { s.Answers = []Answer{weighed(partByID("away"), 1)} },
			"offense.nothing-after"},
		"nobody moves": {func(s *Offense) {
			s.Answers = []Answer{{ID: "x", Name: "X", On: AnyPass, Behind: [2]int{0, 9}, Moves: nil, Weight: 1}}
		}, "offense.part-moves: X, 6"},
		"a stranger": {func(s *Offense) {
			s.Answers = []Answer{{ID: "x", Name: "X", On: AnyPass, Behind: [2]int{0, 9},
				Moves: []Move{{"coach", Cut, "", Last}}, Weight: 1}}
		}, "offense.mover-missing"},
		"no other": {func(s *Offense) {
			s.Answers = []Answer{{ID: "x", Name: "X", On: AnyPass, Behind: [2]int{0, 9},
				Moves: []Move{{Passer, Screen, "", Last}}, Weight: 1}}
		}, "offense.screen-alone"},
		"no way out of the post": {func(s *Offense) {
			*s, _ = ByID("entry")
			s.Answers = slices.DeleteFunc(slices.Clone(s.Answers), func(a Answer) bool { return a.On == FromPost })
		}, "offense.nothing-after"},
		"denied and nothing to do": {func(s *Offense) {
			s.Answers = slices.DeleteFunc(s.Answers, func(a Answer) bool { return a.On == Denied })
		}, "offense.nothing-denied"},
		"ball nowhere then":     {func(s *Offense) { s.Answers[1].Ball = "roof" }, "offense.ball-nowhere"},
		"chain out of the post": {func(s *Offense) { s.Answers[0].On = FromPost }, "offense.post-exit"},
		"no such choice":        {func(s *Offense) { s.Cutting = "sometimes" }, "offense.option"},
		"three bigs":            {func(s *Offense) { s.Bigs = []int{1, 2, 3} }, "offense.too-many-bigs: 2"},
		"no such player":        {func(s *Offense) { s.Bigs = []int{6} }, "offense.bigs-number: 5"},
		"bigs of no name":       {func(s *Offense) { s.BigRule = BigsScreen }, "offense.bigs-unsaid"},
		"a handoff too many": {func(s *Offense) { s.Answers = append(s.Answers, weighed(partByID("handoff"), 1)) },
			"offense.handoff-needs-dribble"},
		"the same part":  {func(s *Offense) { s.Answers = append(s.Answers, s.Answers[0]) }, "offense.part-twice"},
		"only a counter": {func(s *Offense) { s.Answers[0].After = CutCovered }, "offense.no-weight"},
		"no such trigger": {func(s *Offense) {
			s.Answers = append(s.Answers, Answer{ID: "y", Name: "Y", On: AnyPass, Moves: s.Answers[0].Moves, Weight: 1,
				After: "rain"})
		}, "offense.part-waits"},
		"nowhere": {func(s *Offense) {
			s.Answers = []Answer{{ID: "x", Name: "X", On: AnyPass, Behind: [2]int{0, 9},
				Moves: []Move{{Passer, Cut, "", "moon"}}, Weight: 1}}
		}, "nowhere"},
	} {
		s := base
		s.Answers = slices.Clone(base.Answers)
		tc.change(&s)
		if err := s.Validate(c); err == nil || !strings.Contains(err.Error(), tc.says) {
			t.Errorf("%s: %v, want it to say %q", name, err, tc.says)
		}
	}
}

func weighed(a Answer, weight float64) Answer {
	a.Weight = weight
	return a
}

// Shipped offenses are files, and nothing about them is special: written out and read again
// they are the same; a part that there is not is refused; the post does what its rule says.
func TestShippedAreFiles(t *testing.T) {
	c := floor(t)
	for _, o := range Shipped() {
		raw, err := json.Marshal(o)
		var again Offense
		if err == nil {
			err = json.Unmarshal(raw, &again)
		}
		if err != nil || len(again.Answers) != 0 {
			t.Fatalf("%s: %v", o.ID, err)
		}
		if again, err = again.Ready(c); err != nil || !reflect.DeepEqual(again, o) {
			t.Errorf("%s: %v", o.ID, err)
		}
	}
	own, _ := ByID("circle") // as it was called before
	own.Parts = append(slices.Clone(own.Parts), Part{ID: "dunk", Weight: 1})
	if _, err := own.Ready(c); err == nil || !strings.Contains(err.Error(), "offense.part: dunk") {
		t.Errorf("%v", err)
	}
	for post, want := range map[PostRule]string{PostStays: "", PostFollows: BallBlock, PostOpposite: FarBlock} {
		o, _ := ByID("pass4")
		o.Post = post
		o, err := o.Ready(c)
		moves := o.Answers[0].Moves
		if last := moves[len(moves)-1]; err != nil || want != "" && (last.Who != Inside || last.To != want) ||
			want == "" && last.Who == Inside {
			t.Errorf("%q: %+v, %v", post, last, err)
		}
	}
}

func TestPrinciples(t *testing.T) {
	if err := CheckPrinciples(FirstPrinciples()); err != nil {
		t.Error(err)
	}
	for says, bad := range map[string][]Principle{
		"offense.principle-title: 2": {{"t", "x", Spacing}, {"", "x", Spacing}},
		"offense.principle-too-long": {{"t", strings.Repeat("x", 401), ""}}, "offense.picture": {{"t", "x", "moon"}},
		"offense.too-many-principles": make([]Principle, 13),
	} {
		if err := CheckPrinciples(bad); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
	f := NewFloor(reads.On(floor(t)))
	for _, s := range Shipped() {
		for _, p := range f.Pictures(s) {
			if len(p.At) != 5 || p.ID == AfterPass && len(p.Ways) == 0 || p.ID == Spacing && len(p.Distance) < 3 ||
				p.ID == TwoOnBall && len(p.Defense) != 5 {
				t.Errorf("%s: %+v", s.ID, p)
			}
		}
	}
}
