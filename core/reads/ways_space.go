package reads

import (
	"math"

	"evrik/core/court"
)

// The ways of those who make room for a drive or stand in the gaps of a zone, and of
// somebody who plays off a catch where nobody screens.

// Places of spacing, in feet.
const (
	belowRing = 2.0 // behind the ring's line, where a drift along the baseline ends
	offHip    = 2.5 // above the driver, where a handoff is taken
)

// spacePath is the way of somebody who stands at a place; false for reads that are no
// spacing.
func spacePath(c court.Court, s *Snapshot, from court.Point, read Read) ([]court.Point, bool) {
	spot := func(id string, side float64) []court.Point {
		at, _ := c.SpotAt(id)
		if side < 0 {
			at = at.Mirror()
		}
		return []court.Point{at}
	}
	switch read {
	case StayWide, StayDeep, ClearSide, CatchTurn, ShowHigh, LowPass, FeedHigh, SkipPass, SkipTo, HitCutter, HitShooter:
		return nil, true
	case Lift, LiftUp:
		return spot("wingR", from.X), true
	case Drift:
		return spot("cornerR", from.X), true
	case DriftBase:
		return []court.Point{{X: from.X, Y: -belowRing}}, true
	case StepHigh:
		return spot("elbowR", from.X), true
	case ShortCorner:
		return spot("shortR", s.side()), true
	case SlideSlot:
		return spot("slotR", -s.side()), true
	case ComeBehind, FillSpot:
		return []court.Point{s.From}, true
	case CutAway:
		return []court.Point{finishNear(from)}, true
	case TakeHand:
		return []court.Point{s.Passer.Add(court.Point{Y: offHip})}, true
	case BaseCut:
		return []court.Point{s.To}, true
	case Finish:
		return []court.Point{finishNear(from)}, true
	}
	switch {
	case s.Action == NotThrown && read == ClearOut:
		return spot("cornerR", -s.From.X), true
	case s.Action == ZoneTop && read == DriveGap:
		return []court.Point{court.Point{}.Toward(from, middle)}, true
	case s.Action == Curled && read == Floater:
		return []court.Point{court.Point{}.Toward(from, math.Min(from.Len(), floatAt))}, true
	case s.Action == CaughtStraight && read == PullUp:
		return []court.Point{from.Toward(court.Point{}, pullUpLeg)}, true
	case (s.Action == Curled || s.Action == CaughtStraight || s.Action == ZoneWing) &&
		(read == HitSlip || read == CornerPass):
		return nil, true // stands with the ball
	}
	return nil, false
}

// side is the sign of the side of the floor on which the action is.
func (s *Snapshot) side() float64 {
	if s.onLeft() {
		return -1
	}
	return 1
}
