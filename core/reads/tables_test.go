package reads

import (
	"slices"
	"testing"

	"evrik/core/court"
)

// scene is a snapshot that a test builds in its own words: it knows the places
// of the attackers and the directions on the floor, and nothing of the tables'
// conditions or examples.
type scene struct {
	Snapshot
	on, by, rim court.Point // along the cut, to the cutter's side, from the screener to the ring
}

func sceneOf(c court.Court, id string) *scene {
	screen, _ := ActionByID(id)
	s := &scene{Snapshot: screen.Example(c, NoCue)}
	s.on, s.rim = s.To.Sub(s.From).Unit(), s.Screener.Scale(-1).Unit()
	s.by = s.Cutter.Sub(s.Screener).Unit()
	return s
}

func (s *scene) put(p Place, from Place, along, by, rim float64) *scene {
	s.Put(p, s.At(from).Add(s.on.Scale(along)).Add(s.by.Scale(by)).Add(s.rim.Scale(rim)))
	return s
}

// home puts everybody off the action back to the own player.
func (s *scene) home(xs ...Place) *scene {
	for _, x := range xs {
		s.Put(x, s.At(x.guards()).Toward(court.Point{}, 3))
	}
	return s
}

type tableCase struct {
	cue      Cue
	cut, scr Read
	place    func(s *scene)
}

func runTable(t *testing.T, id string, rules TeamRules, cases []tableCase) {
	t.Helper()
	seen := map[Cue]bool{}
	for _, p := range court.Presets() {
		for _, tc := range cases {
			s := sceneOf(p.Court, id)
			tc.place(s)
			for _, sit := range []Snapshot{s.Snapshot, s.Snapshot.Mirror()} {
				a, err := Judge(On(p.Court).With(rules), &sit)
				if err != nil || a.Cue != tc.cue || a.Row.CutterRead != tc.cut || a.Row.ScreenerRead != tc.scr {
					t.Errorf("%s on %s, %s: placed as %s, judged %s -> %s / %s, want %s / %s (%v)", id, p.ID,
						sit.Side(), tc.cue, a.Cue, a.Row.CutterRead, a.Row.ScreenerRead, tc.cut, tc.scr, err)
					continue
				}
				if a.Why == "" || a.Margin <= 0 {
					t.Errorf("%s %s: margin %.2f, why %q", id, tc.cue, a.Margin, a.Why)
				}
			}
			seen[tc.cue] = true
		}
	}
	screen, _ := ActionByID(id)
	for _, r := range screen.rows {
		if !seen[r.Cue] {
			t.Errorf("%s: no case for %s", id, r.Cue)
		}
	}
}

// Places and movements of guard and big at a ball screen as coaches describe the
// coverages (common practice, no source). Speeds in feet a second along the cut, toward
// the cutter's side, and toward the rim.
func (s *scene) move(p Place, along, by, rim float64) *scene {
	s.Velocity.Set(p, s.on.Scale(along).Add(s.by.Scale(by)).Add(s.rim.Scale(rim)))
	return s
}

func chasing(s *scene) { s.put(xCutter, cutter, -3.2, 0, 0).move(xCutter, 8, 0, 0) }
func goesUnder(s *scene) {
	s.put(xCutter, screener, 0.8, 0, 3.6).move(xCutter, 7, 0, 0)
}
func bigBack(s *scene)  { s.put(xScreener, screener, 1, 0, 8).move(xScreener, 0, 0, 1) }
func stepsOut(s *scene) { s.put(xScreener, cutter, 3.3, 0.6, 0) }
func staysInBody(s *scene) {
	s.put(xCutter, screener, -0.8, -1.9, 0).move(xCutter, 0, 0, 5)
}
func switched(s *scene) { staysInBody(s); stepsOut(s); s.move(xScreener, 3, 0, 0) }
func jumpedIt(s *scene) { s.put(xCutter, cutter, 3, 0.5, 0).move(xCutter, 0, 0, 0) }

func TestBallScreenFromGeometry(t *testing.T) {
	cases := []tableCase{
		{Drop, PullUp, Roll, func(s *scene) { chasing(s); bigBack(s) }},
		{Level, TurnCorner, ShortRoll, func(s *scene) {
			chasing(s)
			s.put(xScreener, screener, 2, 0, 1.5).move(xScreener, 1, 0, 0)
		}},
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
			s.put(xCutter, screener, 0.5, -3.6, 0).move(xCutter, 7, 0, 0)
			s.put(xScreener, screener, -2, -3.6, 0)
		}},
		{Early, Reject, Flip, func(s *scene) {
			jumpedIt(s)
			s.put(xScreener, screener, 9, 0, -1).move(xScreener, 0, 0, 0)
		}},
		{Ice, AttackBig, Flip, func(s *scene) {
			jumpedIt(s)
			s.put(xScreener, cutter, -4, 0, 4.5).move(xScreener, 0, 0, 0)
		}},
		{SoftShow, WaitAttack, Slip, func(s *scene) { chasing(s); stepsOut(s); s.move(xScreener, 3, 0, 0) }},
		{HardHedge, DragOut, Slip, func(s *scene) {
			s.put(xCutter, cutter, -5.6, -0.5, 0).move(xCutter, 8, 0, 0)
			stepsOut(s)
			s.move(xScreener, 1, 6, 0)
		}},
		{Blitz, PassOut, ShortRoll, func(s *scene) {
			s.put(xCutter, cutter, -1.4, 1.5, 0).move(xCutter, 6, 0, 0)
			s.put(xScreener, cutter, 2.2, 1.2, 0).move(xScreener, -5, 0, 0)
		}},
		{Switch, AttackBig, Seal, switched},
		{Weak, WeakDrive, Flip, func(s *scene) {
			// The strong hand is on the side of the guard.
			s.put(xCutter, cutter, 2.6, 2.4, 0).move(xCutter, 0, 0, 0)
			bigBack(s)
			s.WeakHand = "left"
			if s.XCutter.Sub(s.Cutter).Dot(s.Cutter.Scale(-1).Unit().Left()) > 0 {
				s.WeakHand = "right"
			}
		}},
	}
	runTable(t, Ball, TeamRules{}, cases)
	cases[3].cut = ShootBehind // the other rule
	runTable(t, Ball, TeamRules{ShootFirst: true}, cases)

	// Who shoots decides: a screener who does pops, and the shot behind the screen is
	// only right for a handler in range.
	c := highSchool(t)
	s := sceneOf(c, Ball)
	goesUnder(s)
	bigBack(s)
	for shoots, want := range map[Known]bool{Yes: true, No: false} {
		s.CutterShoots = shoots
		j, err := Judge(On(c), &s.Snapshot)
		if got := accepts(j, ShootBehind); err != nil || got != want {
			t.Errorf("under, shooter %d: the shot is accepted: %v, %v", shoots, got, err)
		}
	}
	s = sceneOf(c, Ball)
	chasing(s)
	bigBack(s)
	for shoots, want := range map[Known]Read{Yes: Pop, No: Roll, Unknown: Roll} {
		s.ScreenerShoots = shoots
		j, err := Judge(On(c), &s.Snapshot)
		if err != nil || j.Row.ScreenerRead != want || accepts(j, Pop) != (shoots != No) || !accepts(j, Roll) {
			t.Errorf("drop, shooting screener %d: %s first of %v, %v", shoots, j.Row.ScreenerRead, j.Accepted, err)
		}
	}
}

// accepts reports whether a judgment takes a read for right.
func accepts(j Judgment, read Read) bool {
	return slices.ContainsFunc(j.Accepted, func(a Accepted) bool { return a.Read == read })
}

func TestOtherBallScreensFromGeometry(t *testing.T) {
	hedged := func(s *scene) {
		s.put(xCutter, cutter, -5.6, -0.5, 0).move(xCutter, 8, 0, 0)
		stepsOut(s)
		s.move(xScreener, 1, 6, 0)
	}
	drop := func(s *scene) { chasing(s); bigBack(s) }
	under := func(s *scene) { s.put(xCutter, screener, 0.8, -3.6, 0).move(xCutter, 7, 0, 0); bigBack(s) }
	shown := func(s *scene) { chasing(s); stepsOut(s); s.move(xScreener, 3, 0, 0) }
	trapped := func(s *scene) {
		s.put(xCutter, cutter, -1.4, 1.5, 0).move(xCutter, 6, 0, 0)
		s.put(xScreener, cutter, 2.2, 1.2, 0).move(xScreener, -6, 0, 0)
	}
	runTable(t, BallExit, TeamRules{}, []tableCase{
		{Drop, PullUp, Roll, drop}, {Tag, CornerPass, Roll,
			func(s *scene) { drop(s); s.put(xThree, screener, 0, 0, 11) }},
		{Under, UseAgain, Rescreen, under}, {SoftShow, WaitAttack, Slip, shown}, {HardHedge, DragOut, Slip, hedged},
		{Blitz, PassOut, ShortRoll, trapped}, {Switch, AttackBig, Seal, switched},
	})
	runTable(t, StepUp, TeamRules{}, []tableCase{
		{Drop, TurnCorner, Pop, drop}, {Under, UseAgain, Rescreen, under}, {HardHedge, HitPop, Pop, hedged},
		{Switch, AttackBig, Seal, switched},
	})
	runTable(t, Ghost, TeamRules{}, []tableCase{
		{Drop, TurnCorner, Pop, drop}, {Under, ShootBehind, Pop, under}, {HardHedge, HitSlip, Pop, hedged},
		{Switch, HitSlip, Pop, switched},
	})
	runTable(t, DoubleHigh, TeamRules{}, []tableCase{
		{Drop, PullUp, Roll, func(s *scene) { drop(s); s.home(xSecond) }},
		{Drop, HitRoll, Roll, func(s *scene) { drop(s); s.home(xSecond); s.put(xScreener, screener, 3.2, -1.3, 0) }},
		{TagLow, HitPop, Roll, func(s *scene) { drop(s); s.put(xSecond, screener, 0, 0, 13) }},
		{Under, UseAgain, Rescreen, func(s *scene) { under(s); s.home(xSecond) }},
		{HardHedge, HitRoll, Roll, hedged},
		{Switch, AttackBig, Seal, switched},
	})
	runTable(t, Handoff, TeamRules{}, []tableCase{
		{Trail, TurnCorner, Roll, func(s *scene) { chasing(s); bigBack(s) }},
		{Under, ShootBehind, Rescreen, func(s *scene) { goesUnder(s); bigBack(s) }},
		{Denied, BackDoor, Roll, func(s *scene) { jumpedIt(s); bigBack(s) }},
		{Hedge, HitSlip, Slip, hedged},
		{Blitz, PassOut, ShortRoll, trapped},
		{Switch, AttackBig, Slip, switched},
	})
	runTable(t, DribbleAt, TeamRules{}, []tableCase{
		{Behind, Straight, Shape, func(s *scene) { s.Put(xCutter, s.Cutter.Toward(court.Point{}, 6)) }},
		{Denied, BackCut, StepBall, func(s *scene) { s.Put(xCutter, s.Cutter.Toward(s.Passer, 4)) }},
	})
}

func TestMoreOffBallFromGeometry(t *testing.T) {
	up := court.Point{Y: 1}
	runTable(t, Cross, TeamRules{}, []tableCase{
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
			{Stuck, Straight, Shape, func(s *scene) {
				s.put(xCutter, screener, -1.3, 0, 0)
				s.put(xScreener, screener, 0, -3, 0)
			}},
			{Under, Fade, Rescreen, func(s *scene) {
				s.put(xCutter, screener, 0.8, -3.4, 0)
				s.put(xScreener, screener, -2.5, -3, 0)
			}},
			{jump, jumpRead, StepBall, func(s *scene) {
				s.put(xCutter, cutter, 3, 0.6, 0)
				s.put(xScreener, screener, 0, -3, 0)
			}},
		}
	}
	switching := []tableCase{
		{Switch, ClearOut, Split, switched},
		{Show, Keep, Slip, func(s *scene) { chasing(s); stepsOut(s) }},
	}
	runTable(t, Stagger, TeamRules{}, append(grammarCases(Jump, BackCut), switching...))
	runTable(t, First, TeamRules{}, slices.DeleteFunc(grammarCases(Jump, BackCut),
		func(c tableCase) bool { return c.cue == Under }))
	runTable(t, Floppy, TeamRules{}, append(grammarCases(Jump, BackCut), switching...))
	runTable(t, Changes, TeamRules{}, append(grammarCases(Denied, BackCut),
		tableCase{Waits, Straight, Change, func(s *scene) { chasing(s); s.put(xScreener, cutter, 1, 2.5, 0) }}))
}

func TestPostPlayFromGeometry(t *testing.T) {
	ring := court.Point{}
	look := func(s *scene, at Place) { s.Facing.Set(xCutter, s.At(at)) }
	runTable(t, AfterFeed, TeamRules{}, []tableCase{
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
	runTable(t, RoundPost, TeamRules{}, []tableCase{
		{Still, ForOther, Work, func(s *scene) { s.home(xCutter, xTwo, xThree, xSecond); look(s, cutter) }},
		{Opens, Flash, KickOut, func(s *scene) { s.Put(xCutter, ring.Toward(s.Cutter, 8)); look(s, cutter) }},
		{Turned, BackCut, GiveBack, func(s *scene) { s.home(xCutter); look(s, screener) }},
		{Doubled, RimCut, KickOut, func(s *scene) { s.Put(xTwo, s.Screener.Add(court.Point{Y: 3})); look(s, cutter) }},
	})
	runTable(t, FeedPost, TeamRules{}, []tableCase{
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
