package reads

import (
	"testing"

	"evrik/core/court"
)

// scene is a situation that a test builds in its own words: it knows the places
// of the attackers and the directions on the floor, and nothing of the tables'
// conditions or examples.
type scene struct {
	Situation
	on, by, rim court.Point // along the cut, to the cutter's side, from the screener to the ring
}

func sceneOf(c court.Court, id string) *scene {
	screen, _ := ScreenByID(id)
	s := &scene{Situation: screen.Example(c, NoCue)}
	s.on, s.rim = s.To.Sub(s.From).Unit(), s.Screener.Scale(-1).Unit()
	s.by = s.Cutter.Sub(s.Screener).Unit()
	return s
}

func (s *scene) put(p Place, from Place, along, by, rim float64) *scene {
	s.Put(p, s.At(from).Add(s.on.Scale(along)).Add(s.by.Scale(by)).Add(s.rim.Scale(rim)))
	return s
}

// home puts everybody off the action back to his man.
func (s *scene) home(xs ...Place) *scene {
	for _, x := range xs {
		s.Put(x, s.At(x.man()).Toward(court.Point{}, 3))
	}
	return s
}

type tableCase struct {
	cue      Cue
	cut, scr Read
	place    func(s *scene)
}

func runTable(t *testing.T, id string, school School, cases []tableCase) {
	t.Helper()
	seen := map[Cue]bool{}
	for _, p := range court.Presets() {
		for _, tc := range cases {
			s := sceneOf(p.Court, id)
			tc.place(s)
			for _, sit := range []Situation{s.Situation, s.Situation.Mirror()} {
				a, err := Judge(On(p.Court).With(school), &sit)
				if err != nil || a.Cue != tc.cue || a.Row.CutterRead != tc.cut || a.Row.ScreenerRead != tc.scr {
					t.Errorf("%s on %s, %s: placed as %s, judged %s -> %s / %s, want %s / %s (%v)", id, p.ID, sit.Side(), tc.cue, a.Cue, a.Row.CutterRead, a.Row.ScreenerRead, tc.cut, tc.scr, err)
					continue
				}
				if a.Why == "" || a.Margin <= 0 {
					t.Errorf("%s %s: margin %.2f, why %q", id, tc.cue, a.Margin, a.Why)
				}
			}
			seen[tc.cue] = true
		}
	}
	screen, _ := ScreenByID(id)
	for _, r := range screen.rows {
		if !seen[r.Cue] {
			t.Errorf("%s: no case for %s", id, r.Cue)
		}
	}
}

// Places of guard and big at a ball screen as coaches describe the coverages
// (common practice, no source).
func chasing(s *scene)   { s.put(xCutter, cutter, -3.2, 0, 0) }
func goesUnder(s *scene) { s.put(xCutter, screener, 0.8, 0, 3.4) }
func bigBack(s *scene)   { s.put(xScreener, screener, 1, 0, 8) }
func bigOut(s *scene)    { s.put(xScreener, cutter, 3.3, 0.6, 0) }
func staysInBody(s *scene) {
	s.put(xCutter, screener, -0.8, -1.9, 0)
}

func TestBallScreenFromGeometry(t *testing.T) {
	cases := []tableCase{
		{Drop, PullUp, Roll, func(s *scene) { chasing(s); bigBack(s) }},
		{Tag, CornerPass, Roll, func(s *scene) { chasing(s); bigBack(s); s.put(xOne, screener, 0, 0, 10) }},
		{Under, UseAgain, Rescreen, func(s *scene) { goesUnder(s); bigBack(s) }},
		{UnderFar, UseAgain, Rescreen, func(s *scene) {
			// The whole screen is set some steps inside half court.
			for _, p := range []Place{start, cutter, screener} {
				s.Put(p, s.At(p).Add(court.Point{Y: 8}))
			}
			s.To = s.To.Add(court.Point{Y: 4})
			s.on = s.To.Sub(s.From).Unit()
			s.by = court.Point{X: -s.on.Y, Y: s.on.X}.Scale(-1)
			s.Put(cutter, s.Screener.Add(s.by.Scale(3.4)))
			s.put(xCutter, screener, 0.5, -3.6, 0)
			s.put(xScreener, screener, -2, -3.6, 0)
		}},
		{Early, Reject, Flip, func(s *scene) { s.put(xCutter, cutter, 3, 0.5, 0); s.put(xScreener, screener, 2, 0, 3) }},
		{Ice, AttackBig, Flip, func(s *scene) { s.put(xCutter, cutter, 3, 0.5, 0); s.put(xScreener, cutter, -4, 0, 4.5) }},
		{Hedge, DragOut, Slip, func(s *scene) { s.put(xCutter, cutter, -5.6, -0.5, 0); bigOut(s) }},
		{Blitz, PassOut, ShortRoll, func(s *scene) { s.put(xCutter, cutter, -1.4, 1.5, 0); s.put(xScreener, cutter, 2.2, 1.2, 0) }},
		{Switch, AttackBig, Seal, func(s *scene) { staysInBody(s); bigOut(s) }},
	}
	runTable(t, Ball, School{}, cases)
	cases[2].cut = ShootBehind // the other school, for a handler who shoots
	runTable(t, Ball, School{ShootFirst: true}, cases)

	// Who shoots decides: a handler who does not uses the screen again, and a
	// screener who does pops.
	c := highSchool(t)
	s := sceneOf(c, Ball)
	goesUnder(s)
	bigBack(s)
	s.CutterShoots = false
	if a, err := Judge(On(c).With(School{ShootFirst: true}), &s.Situation); err != nil || a.Row.CutterRead != UseAgain {
		t.Errorf("no shooter, under: %s, %v", a.Row.CutterRead, err)
	}
	s = sceneOf(c, Ball)
	chasing(s)
	bigBack(s)
	s.ScreenerShoots = true
	if a, err := Judge(On(c), &s.Situation); err != nil || a.Row.ScreenerRead != Pop {
		t.Errorf("a screener who shoots: %s, %v", a.Row.ScreenerRead, err)
	}
}

func TestOtherBallScreensFromGeometry(t *testing.T) {
	switched := func(s *scene) { staysInBody(s); bigOut(s) }
	hedged := func(s *scene) { s.put(xCutter, cutter, -5.6, -0.5, 0); bigOut(s) }
	drop := func(s *scene) { chasing(s); bigBack(s) }
	under := func(s *scene) { s.put(xCutter, screener, 0.8, -3.4, 0); bigBack(s) }
	runTable(t, StepUp, School{}, []tableCase{
		{Drop, TurnCorner, Pop, drop}, {Under, UseAgain, Rescreen, under}, {Hedge, HitPop, Pop, hedged}, {Switch, AttackBig, Seal, switched},
	})
	runTable(t, Ghost, School{}, []tableCase{
		{Drop, TurnCorner, Pop, drop}, {Under, ShootBehind, Pop, under}, {Hedge, HitSlip, Pop, hedged}, {Switch, HitSlip, Pop, switched},
	})
	runTable(t, DoubleHigh, School{}, []tableCase{
		{Drop, HitRoll, Roll, func(s *scene) { drop(s); s.home(xSecond) }},
		{TagLow, HitPop, Roll, func(s *scene) { drop(s); s.put(xSecond, screener, 0, 0, 13) }},
		{Under, UseAgain, Rescreen, func(s *scene) { under(s); s.home(xSecond) }},
		{Hedge, HitRoll, Roll, hedged},
		{Switch, AttackBig, Seal, switched},
	})
	runTable(t, Handoff, School{}, []tableCase{
		{Trail, TurnCorner, Roll, func(s *scene) { chasing(s); bigBack(s) }},
		{Under, ShootBehind, Rescreen, func(s *scene) { goesUnder(s); bigBack(s) }},
		{Denied, BackDoor, Roll, func(s *scene) { s.put(xCutter, cutter, 3, 0.5, 0); bigBack(s) }},
		{Switch, AttackBig, Slip, switched},
	})
	runTable(t, DribbleAt, School{}, []tableCase{
		{Behind, Straight, Shape, func(s *scene) { s.Put(xCutter, s.Cutter.Toward(court.Point{}, 6)) }},
		{Denied, BackCut, StepBall, func(s *scene) { s.Put(xCutter, s.Cutter.Toward(s.Passer, 4)) }},
	})
}

func TestMoreOffBallFromGeometry(t *testing.T) {
	up := court.Point{Y: 1}
	runTable(t, Cross, School{}, []tableCase{
		{HighSide, CutLow, StepBall, func(s *scene) { s.Put(xCutter, s.Cutter.Add(up.Scale(2.5)).Add(s.on)) }},
		{LowSide, CutOver, Slip, func(s *scene) { s.Put(xCutter, s.Cutter.Add(up.Scale(-2.5)).Add(s.on)) }},
		{Switch, ClearOut, Seal, func(s *scene) {
			s.Put(xScreener, s.Cutter.Add(up.Scale(-2.2)))
			s.Put(xCutter, s.Screener.Add(up.Scale(2)).Add(s.on))
		}},
	})
	grammarCases := func(jump Cue, jumpRead Read) []tableCase {
		return []tableCase{
			{Trail, Curl, Pop, func(s *scene) { chasing(s); s.put(xScreener, screener, 0, -3, 0) }},
			{Stuck, Straight, Shape, func(s *scene) { s.put(xCutter, screener, -1.3, 0, 0); s.put(xScreener, screener, 0, -3, 0) }},
			{Under, Fade, Rescreen, func(s *scene) { s.put(xCutter, screener, 0.8, -3.4, 0); s.put(xScreener, screener, -2.5, -3, 0) }},
			{jump, jumpRead, StepBall, func(s *scene) { s.put(xCutter, cutter, 3, 0.6, 0); s.put(xScreener, screener, 0, -3, 0) }},
		}
	}
	switching := []tableCase{
		{Switch, ClearOut, Split, func(s *scene) { staysInBody(s); bigOut(s) }},
		{Show, Keep, Slip, func(s *scene) { chasing(s); bigOut(s) }},
	}
	runTable(t, Stagger, School{}, append(grammarCases(Jump, BackCut), switching...))
	runTable(t, Floppy, School{}, append(grammarCases(Jump, BackCut), switching...))
	runTable(t, Changes, School{}, append(grammarCases(Denied, BackCut),
		tableCase{Waits, Straight, Change, func(s *scene) { chasing(s); s.put(xScreener, cutter, 1, 2.5, 0) }}))
}

func TestPostPlayFromGeometry(t *testing.T) {
	ring := court.Point{}
	look := func(s *scene, at Place) { s.Eyes = s.At(at) }
	runTable(t, AfterFeed, School{}, []tableCase{
		{Crowded, ScreenSlip, Work, func(s *scene) {
			s.home(xCutter)
			look(s, cutter)
			s.Put(xTwo, ring.Toward(s.Cutter, 7))
		}},
		{Asleep, CutClear, GiveBack, func(s *scene) {
			s.home(xSecond, xTwo, xThree)
			s.Put(xCutter, s.Cutter.Add(court.Point{X: -2.5, Y: 7}))
			look(s, cutter)
		}},
		{Turned, HandBack, GiveBack, func(s *scene) { s.home(xCutter); look(s, screener) }},
		{Dig, Relocate, KickOut, func(s *scene) { s.Put(xCutter, s.Screener.Toward(s.Cutter, 3)); look(s, screener) }},
	})
	runTable(t, RoundPost, School{}, []tableCase{
		{Still, ForOther, Work, func(s *scene) { s.home(xCutter, xTwo, xThree, xSecond); look(s, cutter) }},
		{Opens, Flash, KickOut, func(s *scene) { s.Put(xCutter, ring.Toward(s.Cutter, 8)); look(s, cutter) }},
		{Turned, BackCut, GiveBack, func(s *scene) { s.home(xCutter); look(s, screener) }},
		{Doubled, RimCut, KickOut, func(s *scene) { s.Put(xTwo, s.Screener.Add(court.Point{Y: 3})); look(s, cutter) }},
	})
	runTable(t, FeedPost, School{}, []tableCase{
		{Behind, Feed, Work, func(s *scene) { s.Put(xScreener, s.Screener.Toward(ring, 3)) }},
		{Fronted, Lob, HoldSeal, func(s *scene) {
			s.Put(xScreener, s.Screener.Toward(s.Cutter, 2.5))
			s.home(xTwo, xThree, xSecond)
		}},
		{Helped, HighLow, HoldSeal, func(s *scene) {
			s.Put(xScreener, s.Screener.Toward(s.Cutter, 2.5))
			s.Put(xThree, ring.Toward(s.Three, 5))
		}},
	})
}
