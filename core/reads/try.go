package reads

import (
	"math"

	"evrik/core/court"
	"evrik/core/motion"
)

// An answer as something that can be tried: who runs where, and the pass.

// leaves are what a screener does who is a target for the ball.
var leaves = map[Read]bool{Pop: true, Roll: true, ShortRoll: true, Slip: true}

// besides is what the screener does beside the cutter's answer, or beside a drive: who
// helps on the one leaves the other.
func (a *Action) besides(fl *Floor, f *frame, s *Snapshot, p playable) *motion.Run {
	with := p.with
	switch {
	case a.spots.free:
		return nil
	case a.Family != OffBall:
		if !leaves[p.with] {
			with = Roll
		}
		if s.ScreenerShoots == Yes {
			with = Pop
		}
	}
	if with == Rescreen {
		with = StepBall // whoever is left with nobody steps to the ball
	}
	path := screenerPath(fl.Court, f, s, with)
	if len(path) == 0 {
		return nil
	}
	return &motion.Run{Who: a.index(screener), Path: path, ToRim: toRimCut(path), Stride: rollCatch}
}

// feasible reports whether there is anything to play: a seal needs the other defender
// behind it, a split one in front, a step back somebody close, and a shot behind the
// screen a guard on its other side.
func (a *Action) feasible(f *frame, s *Snapshot, m *motion.Moment, read Read) bool {
	if x, out := f.in(s.XCutter); a.ID == Handoff && read != BackDoor && x > 0 && out > 0 &&
		s.XCutter.Dist(s.Cutter) < inFront {
		return false // a denied handoff cannot be given
	}
	switch read {
	case WeakDrive:
		return s.WeakHand != ""
	case HitPop:
		return a.has(second) || s.ScreenerShoots != No
	case FeedSeal:
		return m.Exchanged()
	case Through, WaitAttack:
		along, _ := f.in(s.XScreener)
		return along > 0 && s.XScreener.Dist(s.Cutter) < inFront
	case StepBack:
		if m.Exchanged() {
			return s.XScreener.Dist(s.Cutter) < inFront
		}
		return math.Min(s.XCutter.Dist(s.Cutter), s.XScreener.Dist(s.Cutter)) < pressing
	case ShootBehind:
		// The screener has to stand between the guard and the shot,
		// and nobody else may be on the ball.
		_, out := f.in(s.XCutter)
		behind := a.ID == Ghost || out < 0 && court.SegmentDist(s.Screener, s.XCutter, s.Cutter) < Touching
		return behind && s.XScreener.Dist(s.Cutter) > pressing && !m.Exchanged()
	}
	return true
}

// pressing is how near, in feet, a defender is from whom a handler steps away (assumption).
const pressing = 3.2

// inFront is how near, in feet, a defender is who can be split (assumption).
const inFront = 8.0

// passesOn are the reads of a handoff's receiver that give the ball on.
var passesOn = map[Read]bool{HitRoll: true, HitSlip: true, PassOut: true}

// stops are the reads that end in a jump shot off the dribble: a big keeps between ball
// and rim and comes out only when the handler stops.
var stops = map[Read]bool{PullUp: true, Floater: true, Snake: true, ShootBehind: true, StepBack: true}

// tryOf is an answer as runs and a pass.
func (a *Action) tryOf(fl *Floor, f *frame, s *Snapshot, m *motion.Moment, p playable) motion.Try {
	owner, to := a.ball(), a.ballTo(s, p.read)
	t := motion.Try{Receiver: a.index(to), Lobbed: p.read == Lob || p.read == LobRoll}
	handles := owner == cutter || a.ID == Handoff
	if path := cutPath(fl.Court, f, s, p.read); len(path) > 0 {
		run := motion.Run{Who: a.index(cutter), Path: path, Dribble: handles && p.read != BackDoor,
			ToRim: toRimCut(path)}
		if run.ToRim && !run.Dribble {
			run.Stride = a.stride(s, p.read)
		}
		switch p.read {
		case WaitAttack:
			run.Delay = waiting
		case FakeGo:
			run.Delay, run.Fakes = faking, faking
		}
		t.Runs = append(t.Runs, run)
	}
	if to != cutter {
		t.Leaves = released
		if p.read == DragOut {
			t.Leaves = dragging
		}
	}
	if to == screener {
		if path := screenerPath(fl.Court, f, s, a.partnerOf(s, p)); len(path) > 0 {
			t.Runs = append(t.Runs, motion.Run{Who: a.index(screener), Path: path, ToRim: toRimCut(path),
				Stride: rollCatch})
		}
	}
	if to == second && p.read == HitPop {
		t.Runs = append(t.Runs, motion.Run{Who: a.index(second), Path: []court.Point{behindArc(fl.Court, s.Second)}})
	}
	if to == cutter {
		t.Other = a.besides(fl, f, s, p)
	}
	t.Handed = a.ID == Handoff && to == cutter && p.read != BackDoor
	t.Stops = stops[p.read]
	return t
}

// partnerOf is what the screener does for an answer that ends with the screener.
func (a *Action) partnerOf(s *Snapshot, p playable) Read {
	if p.read == HitSlip && p.with == Pop && s.ScreenerShoots != No {
		return Pop // who slips out of a screen that never came
	}
	if then, ok := partner[p.read]; ok {
		return then
	}
	return p.with
}

// toRimCut reports whether a way ends at the rim, where nobody stops.
func toRimCut(path []court.Point) bool { return path[len(path)-1].Len() < AtRim }

// stride is how far before the rim the ball meets a cutter: in the last leg, at most
// strideCatch past the screen; at the post's hip for a hand-back.
func (a *Action) stride(s *Snapshot, read Read) float64 {
	if read == HandBack {
		return s.Screener.Len()
	}
	return strideCatch
}

// worth is an option's window in seconds; the least there is when the ball cannot get
// there.
func (o Option) worth() float64 {
	if o.Pass == NoPass {
		return math.Inf(-1)
	}
	return o.Window
}
