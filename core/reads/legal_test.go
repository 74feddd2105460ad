package reads

import (
	"math"
	"strings"
	"testing"

	"evrik/core/court"
)

// The law of screens on both sides of every limit: NFHS Rule 4-40 and FIBA Art. 33, from
// memory. A normal step is taken as 3 ft and one to two strides as 3 to 6 ft (assumptions).
func TestLawOfScreens(t *testing.T) {
	at := func(x, y float64) court.Point { return court.Point{X: x, Y: y} }
	still := Screening{Screener: at(0, 0), FeetSet: Yes, Body: 1, Contact: true}
	for name, tc := range map[string]struct {
		change func(*Screening)
		law    Law
		legal  bool
	}{
		"in view, a hand away": {func(s *Screening) { s.Opponent, s.Looks = at(1.6, 0), at(0, 0) }, InView, true},
		"in view, to the side": {func(s *Screening) { s.Opponent, s.Looks = at(2, 0), at(2, 9) }, InView, true},
		"just out of view":     {func(s *Screening) { s.Opponent, s.Looks = at(2, 0), at(2.2, 9) }, BlindSide, false},
		"behind, 1.5 ft": {func(s *Screening) {
			s.Opponent, s.Blind = at(1.5, 0), true
			s.Looks = s.Opponent
		}, BlindSide, false},
		"behind, 2.0 ft": {func(s *Screening) {
			s.Opponent, s.Blind = at(2, 0), true
			s.Looks = s.Opponent
		}, BlindSide, false},
		"behind, 2.4 ft": {func(s *Screening) {
			s.Opponent, s.Blind = at(2.4, 0), true
			s.Looks = s.Opponent
		}, BlindSide, false},
		"behind, a step": {func(s *Screening) {
			s.Opponent, s.Blind = at(3, 0), true
			s.Looks = s.Opponent
		}, BlindSide, true},
		"behind, an inch short": {func(s *Screening) { s.Opponent, s.Looks = at(2.92, 0), at(9, 0) }, BlindSide, false},
		"fast, two strides": {func(s *Screening) { s.Opponent, s.OpponentMoves = at(6, 0), at(-14, 0) },
			MovingPlayer, true},
		"fast, short of two strides": {func(s *Screening) { s.Opponent, s.OpponentMoves = at(5.9, 0), at(-14, 0) },
			MovingPlayer, false},
		"slow, one stride": {func(s *Screening) { s.Opponent, s.OpponentMoves = at(3, 0), at(-4, 0) },
			MovingPlayer, true},
		"slow, short of a stride": {func(s *Screening) { s.Opponent, s.OpponentMoves = at(2.9, 0), at(-4, 0) },
			MovingPlayer, false},
		"feet not set": {func(s *Screening) {
			s.Opponent, s.FeetSet = at(6, 0), No
			s.Looks = at(0, 0)
		}, MovingScreen, false},
		"sliding": {func(s *Screening) {
			s.Opponent, s.ScreenerMoves = at(2, 0), at(0, 3)
			s.Looks = at(0, 0)
		}, MovingScreen, false},
		"one path, one direction": {func(s *Screening) {
			s.Opponent, s.ScreenerMoves, s.OpponentMoves = at(-2, 0), at(6, 0), at(8, 1)
		}, SamePath, true},
		"paths that cross": {func(s *Screening) {
			s.Opponent, s.ScreenerMoves, s.OpponentMoves = at(-2, 0), at(6, 0), at(6, 6)
		}, MovingScreen, false},
		"one path, against each other": {func(s *Screening) {
			s.Opponent, s.ScreenerMoves, s.OpponentMoves = at(2, 0), at(6, 0), at(-8, 0)
		}, MovingScreen, false},
	} {
		s := still
		tc.change(&s)
		r := s.Rule()
		if r.Law != tc.law || r.Legal != tc.legal || r.Foul != !tc.legal {
			t.Errorf("%s: %+v", name, r)
		}
		// Without contact there is no foul.
		s.Contact = false
		if s.Rule().Foul {
			t.Errorf("%s: a foul without contact", name)
		}
	}
	// Smaller players leave a smaller step.
	small := still
	small.Opponent, small.Looks, small.Body = at(2.5, 0), at(9, 0), 0.8
	if r := small.Rule(); !r.Legal || math.Abs(r.Needed-2.4) > 1e-9 {
		t.Errorf("a step of small players: %+v", r)
	}
	for speed, needed := range map[float64]float64{3: 2.4, 14: 4.8} {
		small.OpponentMoves = at(-speed, 0)
		if r := small.Rule(); r.Law != MovingPlayer || math.Abs(r.Needed-needed) > 1e-9 {
			t.Errorf("strides of small players at %g ft a second: %+v", speed, r)
		}
	}
}

// On the floor: a still defender who cannot see it and had less than a step, whatever the
// cue; a pin-down on the body of one who sees it is legal.
func TestLawOnTheFloor(t *testing.T) {
	c := highSchool(t)
	for _, id := range []string{FlareS, Hammer, Back, High, StepUp} {
		a, _ := ActionByID(id)
		for _, feet := range []float64{1.5, 2.0, 2.4, 3.1} {
			s := a.Example(c, Stuck)
			f := newFrame(&s)
			s.WhenSet = court.Point{}
			s.XCutter = f.at(-feet, 0)
			s.Velocity.Set(xCutter, court.Point{})
			k, ok := check(t, c, &s, "legal")
			if !ok || k.OK != (feet >= NormalStep) || !k.OK && !strings.Contains(k.Text, "cannot see it") {
				t.Errorf("%s, %.1f ft: %+v", id, feet, k)
			}
		}
	}
	s := pinScreen.Example(c, Stuck)
	s.Velocity.Set(xCutter, court.Point{})
	s.Facing.Set(xCutter, s.Screener)
	if k, _ := check(t, c, &s, "legal"); !k.OK {
		t.Errorf("a pin-down on the body: %+v", k)
	}
	away := s
	away.Facing.Set(xCutter, s.XCutter.Scale(2).Sub(s.Screener))
	if k, _ := check(t, c, &away, "legal"); k.OK || !strings.Contains(k.Text, "cannot see it") {
		t.Errorf("a pin-down on the body of one who looks away: %+v", k)
	}
	s.FeetSet = No
	if k, _ := check(t, c, &s, "legal"); k.OK || !strings.Contains(k.Text, "moving screen") {
		t.Errorf("feet not set, on the body: %+v", k)
	}
}
