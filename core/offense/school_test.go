package offense

import (
	"math/rand/v2"
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

// Continuity: from the start formation, following a school's rules with no defense, or
// with wings that are denied now and then, all spots are filled again after every pass,
// nobody screens twice in a row where that is a rule, and everything allowed is run.
func TestContinuity(t *testing.T) {
	c := floor(t)
	if len(Schools()) != 7 {
		t.Fatalf("%d schools", len(Schools()))
	}
	for _, s := range Schools() {
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
			allowed := p.answers(s, to, denied)
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
			if s.Switches.OneScreen {
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
func TestSchoolsThatCannotBe(t *testing.T) {
	c := floor(t)
	base, _ := ByID("cut")
	for name, tc := range map[string]struct {
		change func(*School)
		says   string
	}{
		"no answer":       {func(s *School) { s.Answers = nil }, "the passer would stand"},
		"five and inside": {func(s *School) { s.Inside = "blockR" }, "need 4 outside spots"},
		"four":            {func(s *School) { s.Ring = s.Ring[:4] }, "need 5 outside spots"},
		"twice":           {func(s *School) { s.Ring = []string{"top", "top", "wingR", "wingL", "cornerL"} }, "Two players would start"},
		"no such spot":    {func(s *School) { s.Ring = []string{"roof", "top", "wingR", "wingL", "cornerL"} }, "no spot called"},
		"ball nowhere":    {func(s *School) { s.Ball = "blockR" }, "ball has to start"},
		"two to one spot": {func(s *School) {
			s.Answers = []Answer{{"x", "X", AnyPass, [2]int{0, 9}, []Move{{Passer, Cut, "", Receiver}}, "", 1, ""}}
		}, "two players are sent to the"},
		"only some passes": {func(s *School) { s.Answers = []Answer{screenAway} }, "nothing is allowed"},
		"nobody moves":     {func(s *School) { s.Answers = []Answer{{"x", "X", AnyPass, [2]int{0, 9}, nil, "", 1, ""}} }, "one to 6 moves"},
		"a stranger": {func(s *School) {
			s.Answers = []Answer{{"x", "X", AnyPass, [2]int{0, 9}, []Move{{"coach", Cut, "", Last}}, "", 1, ""}}
		}, "not there"},
		"no other": {func(s *School) {
			s.Answers = []Answer{{"x", "X", AnyPass, [2]int{0, 9}, []Move{{Passer, Screen, "", Last}}, "", 1, ""}}
		}, "without the other"},
		"no way out of the post": {func(s *School) {
			*s, _ = ByID("entry")
			s.Answers = slices.DeleteFunc(slices.Clone(s.Answers), func(a Answer) bool { return a.On == FromPost })
		}, "from the highpost to the slotR nothing is allowed"},
		"denied and nothing to do": {func(s *School) {
			s.Answers = slices.DeleteFunc(s.Answers, func(a Answer) bool { return a.On == Denied })
		}, "is denied, nothing is allowed"},
		"ball nowhere then":     {func(s *School) { s.Answers[1].Ball = "roof" }, "leaves the ball nowhere"},
		"chain out of the post": {func(s *School) { s.Answers[0].On = FromPost }, "nobody moves up"},
		"nowhere": {func(s *School) {
			s.Answers = []Answer{{"x", "X", AnyPass, [2]int{0, 9}, []Move{{Passer, Cut, "", "moon"}}, "", 1, ""}}
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

// A team's own way of a school is the school with its rules switched, or is refused.
func TestVariants(t *testing.T) {
	c := floor(t)
	free, _ := ByID("free")
	v := VariantOf(free)
	if s, err := v.School(c); err != nil || len(s.Answers) != len(free.Answers) {
		t.Errorf("%v", err)
	}
	v.Weights = map[string]float64{"ball": 0, "cut": 5}
	v.Switches.Apart = false
	s, err := v.School(c)
	if err != nil || s.Switches.Apart || s.Answers[0].Weight != 5 || free.Answers[0].Weight != 1 {
		t.Errorf("%+v, %v", s.Answers, err)
	}
	for says, bad := range map[string]Variant{
		"no school called": {Base: "zone"}, "has no answer called": {Base: "free", Weights: map[string]float64{"dunk": 1}},
		"nothing is wanted": {Base: "cut", Weights: map[string]float64{"cut": 0}}, "0 to 100 times": {Base: "cut", Weights: map[string]float64{"cut": -3}},
	} {
		if _, err := bad.School(c); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
}

func TestPrinciples(t *testing.T) {
	if err := CheckPrinciples(FirstPrinciples()); err != nil {
		t.Error(err)
	}
	for says, bad := range map[string][]Principle{
		"needs a title": {{"", "x", Spacing}}, "nobody will remember": {{"t", strings.Repeat("x", 401), ""}}, "no such picture": {{"t", "x", "moon"}},
		"in mind at most": make([]Principle, 13),
	} {
		if err := CheckPrinciples(bad); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
	f := NewFloor(reads.On(floor(t)))
	for _, s := range Schools() {
		for _, p := range f.Pictures(s) {
			if len(p.At) != 5 || p.ID == AfterPass && len(p.Ways) == 0 || p.ID == Spacing && len(p.Distance) < 3 || p.ID == TwoOnBall && len(p.Defense) != 5 {
				t.Errorf("%s: %+v", s.ID, p)
			}
		}
	}
}
