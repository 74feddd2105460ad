package reads

import (
	"math"

	"evrik/core/court"
)

// The ways of somebody who has the ball: off a screen, and off a catch.

// sides are the ways that a drive past a big can take: the driver sees which is open.
var sides = map[Read]int{AttackBig: 4, TurnCorner: 2, Through: 2, WaitAttack: 2, ShootBehind: 2, DriveGap: 2}

// handlerPath is a handler's way with the ball.
func handlerPath(f *frame, s *Snapshot, read Read) ([]court.Point, bool) {
	ring := court.Point{}
	off := f.at(2.5, 1.4)
	switch read {
	case PullUp:
		// Stop with room in front of the big.
		leg := math.Max(0, math.Min(pullUpLeg, off.Dist(s.XScreener)-roomToShoot))
		return []court.Point{off, off.Toward(ring, leg)}, true
	case Floater:
		return []court.Point{off, ring.Toward(off, math.Min(off.Len(), floatAt*f.size.Court))}, true
	case Snake:
		return []court.Point{f.at(3.5, 1), ring.Toward(s.Screener, middle*f.size.Court)}, true
	case Pocket, LobRoll, HitRoll, CornerPass, WingPass, HitSlip, HitPop:
		return []court.Point{off}, true
	case StepBack:
		// Away from the big, but not out of range.
		away := s.Cutter.Add(s.Cutter.Sub(s.XScreener).Unit().Scale(stepAway))
		return []court.Point{away.Unit().Scale(math.Min(away.Len(), f.size.Arc+outsideArc))}, true
	case DragOut, PassOut:
		return []court.Point{s.Cutter.Toward(ring, -retreat)}, true
	case BackOut:
		return []court.Point{s.Cutter.Toward(ring, -retreat), ring.Toward(s.Cutter, middle*f.size.Court)}, true
	case KeepAlive:
		return []court.Point{off, ring.Toward(off, twoFeet), {X: -off.X / 2, Y: 0}}, true
	case Reject:
		return []court.Point{f.at(-3, 1), finishNear(s.Screener)}, true
	case WeakDrive:
		weak := s.Cutter.Add(s.strongSide().Scale(-weakStep))
		return []court.Point{weak, finishNear(weak)}, true
	case ShootBehind:
		return []court.Point{[...]court.Point{f.at(-0.3, HipToHip+1), f.at(1.5, HipToHip+0.4)}[f.side]}, true
	case UseAgain:
		return []court.Point{f.at(-3, 3), f.at(3, 1.6)}, true
	case Through, WaitAttack:
		// Inside the big who has come out, low, then to the rim.
		along, out := f.in(s.XScreener)
		gap := f.at(math.Max(1.5, along), math.Min(tight, math.Max(0.6, out-splitBy)))
		if f.side == 1 {
			return []court.Point{gap, finishNear(gap)}, true
		}
		return []court.Point{gap, ring.Toward(s.Screener, middle*f.size.Court)}, true
	case AttackBig:
		if a, _ := f.in(s.XScreener); a < 0 {
			// At the outside hip of a big who waits below the ball.
			side := court.Point{X: math.Copysign(hipOf, s.Cutter.X)}
			return []court.Point{s.XScreener.Add(side), ring.Toward(s.XScreener.Add(side), twoFeet)}, true
		}
		// By a big who has come out, on the side that is open.
		along, out := f.in(s.XScreener)
		past := [...]court.Point{f.at(math.Max(1.5, along), math.Max(0.6, out-splitBy)), f.at(along+wideOf, out+1),
			f.at(-3, 1), off}[f.side]
		if f.side == 3 {
			// in front of one who sits back
			return []court.Point{past, ring.Toward(past, math.Min(past.Len(), floatAt*f.size.Court))}, true
		}
		return []court.Point{past, ring.Toward(past, twoFeet)}, true
	case TurnCorner:
		if along, out := f.in(s.XScreener); along > 0 && along < wideReach && out > -wideReach {
			// Wide around the big who is at the level, or back the other way.
			off = [...]court.Point{f.at(along+wideOf, math.Max(out, 0)+1),
				f.at(math.Max(1.5, along), math.Max(0.6, out-splitBy))}[f.side]
		}
		return []court.Point{off, finishNear(off)}, true
	case FeedSeal:
		return nil, true
	}
	return catchPath(f, s, read)
}

// catchPath is the way of somebody who plays off a catch.
func catchPath(f *frame, s *Snapshot, read Read) ([]court.Point, bool) {
	rim := finishNear(s.Cutter)
	across := rim.Sub(s.Cutter).Unit().Left().Scale(goBy)
	switch read {
	case CatchShoot, Swing:
		return nil, true
	case DriveGap:
		by := s.XCutter.Add(across.Scale(1 - 2*float64(f.side)))
		return []court.Point{by, finishNear(by)}, true
	case FakeGo:
		// One dribble by, against the way the defender runs, to a jumper; to the middle
		// where that is straight.
		v, _ := s.Velocity.Of(xCutter)
		side := across
		if drift := v.Dot(across); drift > askew || drift >= -askew && across.X*s.Cutter.X > 0 {
			side = across.Scale(-1)
		}
		by := s.Cutter.Add(side).Add(rim.Sub(s.Cutter).Unit().Scale(goBy))
		return []court.Point{by, by.Toward(court.Point{}, oneDribble)}, true
	case LeadFoot:
		// At the foot in front, which is on the other side of where the chest points.
		at, _ := s.Facing.Of(xCutter)
		side := across
		if at.Sub(s.XCutter).Dot(across) > 0 {
			side = across.Scale(-1)
		}
		by := s.XCutter.Add(side)
		return []court.Point{by, finishNear(by)}, true
	}
	return nil, false
}
