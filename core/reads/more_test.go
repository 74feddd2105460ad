package reads

import (
	"testing"

	"evrik/core/court"
)

// Where defenders and drivers are after a catch, on a drive and in a zone, as coaches tell
// it (common practice, no source). toRimOf is the direction from somebody to the ring.
func (s *scene) toRimOf(p Place) court.Point { return s.At(p).Scale(-1).Unit() }

// near puts somebody beside another: so many feet toward the ring, and across it.
func (s *scene) near(p, from Place, rim, across float64) *scene {
	to := s.toRimOf(from)
	s.Put(p, s.At(from).Add(to.Scale(rim)).Add(to.Left().Scale(across)))
	return s
}

func TestSecondReadsFromGeometry(t *testing.T) {
	behindBack := func(s *scene) { s.near(xCutter, cutter, -3, 0.5) }
	runTable(t, Curled, TeamRules{}, []tableCase{
		{Asleep, Finish, Pop, func(s *scene) { behindBack(s); s.home(xScreener, xOne) }},
		{LowHelp, CornerPass, Pop, func(s *scene) {
			behindBack(s)
			s.home(xScreener)
			s.Put(xOne, court.Point{}.Toward(s.Cutter, 5))
		}},
		{BigUp, HitSlip, Slip, func(s *scene) { behindBack(s); s.home(xOne); s.near(xScreener, cutter, 3.5, 0) }},
	})
	runTable(t, CaughtStraight, TeamRules{}, []tableCase{
		{Balanced, Swing, Shape, func(s *scene) { s.home(xScreener, xOne); s.near(xCutter, cutter, 2.5, 0) }},
		{Trail, PullUp, Shape, func(s *scene) { s.home(xScreener, xOne); s.near(xCutter, cutter, -0.3, 2.5) }},
		{Late, CatchShoot, Shape, func(s *scene) { s.home(xScreener, xOne); s.near(xCutter, cutter, 9, 1) }},
		{BigUp, HitSlip, Slip, func(s *scene) {
			s.home(xOne)
			s.near(xCutter, cutter, -1, 3)
			s.near(xScreener, cutter, 1, 1.6)
		}},
	})
	runTable(t, NotThrown, TeamRules{}, []tableCase{
		{Denied, ClearOut, FillSpot, func(s *scene) {
			s.home(xScreener)
			s.Put(xCutter, s.Cutter.Toward(s.Passer, 2.8))
		}},
		{Behind, RimCut, FillSpot, func(s *scene) {
			s.home(xScreener)
			s.Put(xCutter, s.Cutter.Toward(s.Passer, -3.5))
		}},
	})
}

func TestDrivesFromGeometry(t *testing.T) {
	// The driver goes where the test says: to the nail, to the block on the own side, at
	// a teammate, or nowhere.
	to := func(s *scene, at court.Point, speed float64) {
		s.Velocity.Set(passer, at.Sub(s.Passer).Unit().Scale(speed))
	}
	nail := func(s *scene) { to(s, court.Point{X: -s.Passer.X / 4, Y: 14}, 10) }
	baseline := func(s *scene) { to(s, court.Point{X: s.Passer.X * 0.72, Y: -1}, 10) }
	runTable(t, DriveWing, TeamRules{}, []tableCase{
		{MidDrive, StayWide, SlideSlot, nail}, {BaseDrive, Lift, ComeBehind, baseline},
		{AtYou, CutAway, ComeBehind, func(s *scene) { to(s, s.Cutter, 9) }},
		{Stopped, Lift, ComeBehind, func(s *scene) { to(s, s.Cutter, 0) }},
	})
	runTable(t, DriveTop, TeamRules{}, []tableCase{
		{MidDrive, Drift, StayDeep, func(s *scene) { to(s, court.Point{}, 10) }},
		{AtYou, CutAway, LiftUp, func(s *scene) { to(s, s.Cutter, 9) }},
	})
	runTable(t, DrivePost, TeamRules{}, []tableCase{
		{MidDrive, ShortCorner, StayWide, nail}, {BaseDrive, StepHigh, Lift, baseline},
	})
	// The far corner's answers are its own.
	s := sceneOf(highSchool(t), DriveWing)
	for drive, want := range map[*func(*scene)]Read{&nail: StayDeep, &baseline: DriftBase} {
		(*drive)(s)
		j, err := Judge(On(highSchool(t)), &s.Snapshot)
		if err != nil || !accepts(j, want) {
			t.Errorf("the far corner's %s is not accepted: %+v %v", want, j.Accepted, err)
		}
	}
	// A drive of which nobody knows where it goes is not decided.
	s.Velocity.Forget(passer)
	if j, err := Judge(On(highSchool(t)), &s.Snapshot); err != nil || j.State != Open || len(j.Watch) == 0 {
		t.Errorf("a still drive is %s, watch %v, %v", j.State, j.Watch, err)
	}
}

func TestZoneFromGeometry(t *testing.T) {
	top := func(s *scene, near, far float64) {
		s.Put(xCutter, s.Cutter.Add(court.Point{X: near, Y: -5}))
		s.Put(xSecond, s.Cutter.Add(court.Point{X: far, Y: -5}))
	}
	low := func(s *scene) { s.Put(xScreener, court.Point{Y: 4}) }
	up := func(s *scene) { s.Put(xScreener, s.Screener.Add(court.Point{Y: -2.5})) }
	runTable(t, ZoneTop, TeamRules{}, []tableCase{
		{GapShut, Swing, ShowHigh, func(s *scene) { top(s, 1.5, -2); up(s) }},
		{GapOpen, DriveGap, ShortCorner, func(s *scene) { top(s, 6, -6); up(s) }},
		{MidLow, FeedHigh, CatchTurn, func(s *scene) { top(s, 2, -1.5); low(s) }},
	})
	bottom := func(s *scene, feet float64, from Place, to Place) {
		s.Put(xOne, s.At(from).Toward(s.At(to), feet))
	}
	runTable(t, ZoneWing, TeamRules{}, []tableCase{
		{MidLow, FeedHigh, CatchTurn, func(s *scene) { low(s); bottom(s, 6, one, rim) }},
		{MidUp, SkipPass, LowPass, func(s *scene) { up(s); bottom(s, 6, one, rim) }},
		{BottomUp, CornerPass, ShortCorner, func(s *scene) {
			low(s)
			bottom(s, 4, cutter, rim)
			s.near(xCutter, cutter, 1, -5)
		}},
	})
	runTable(t, ZoneCut, TeamRules{}, []tableCase{
		{StaysLow, StepOut, SkipTo, func(s *scene) { s.Put(xCutter, court.Point{}.Toward(s.Screener, 4)) }},
		{SlidUp, BaseCut, HitCutter, func(s *scene) { s.Put(xCutter, s.Screener.Toward(court.Point{}, 6)) }},
	})
	runTable(t, BackDown, TeamRules{}, []tableCase{
		{HelpsLow, HitShooter, ClearOut, func(s *scene) { s.Put(xOne, s.Screener.Toward(court.Point{}, 4)) }},
		{HelpsHigh, HitCutter, RimCut, func(s *scene) { s.near(xOne, second, 4.5, 1.5) }},
	})
}
