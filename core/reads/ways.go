package reads

import (
	"cmp"
	"math"
	"slices"

	"evrik/core/court"
)

// A read's way over the floor: where it takes the cutter, where its partner
// goes, and who has the ball at its end. Plays and the second opinion use the
// same ways.

// Places of the answers, in feet.
const (
	finishAt    = 4.0  // in front of the ring, where a cut to the rim ends
	twoFeet     = 6.0  // from the ring, where a drive at the big stops on two feet
	outsideArc  = 1.5  // a three is taken this far behind the line
	popBack     = 4.5  // behind the screener's back
	curlBack    = 5.0  // behind the screen, from which a curl to the rim is a turn right round
	middle      = 15.5 // from the ring, where the jumper in the middle is taken (common practice: 15 to 17 ft)
	pullUpLeg   = 5.0  // a long dribble toward the rim
	roomToShoot = 5.0  // from the big, where a pull-up stops short
	popGap      = 6.0  // inside the screen, the gap at the elbow
	popAlong    = 4.0  // along the screen's way, to either side of it, where a pop looks for room
	retreat     = 5.0  // a drag or a step away from the big
	shortRoll   = 13.0 // from the ring, where a short roll stops
	alongArc    = 0.45 // radians along the arc to where the post sees the passer
)

// ballTo is who has the ball when a read has been played; most often its reader.
func (sc *Screen) ballTo(s *Situation, read Read) Place {
	switch read {
	case ClearOut, Keep, Pocket, HitRoll, DragOut, HitSlip, PassOut, FeedSeal, Feed, Lob:
		return screener
	case HitPop:
		if sc.has(second) {
			return second
		}
		return screener
	case HighLow:
		return second
	case CornerPass:
		return sc.leftAlone(s)
	case ForOther:
		return screener
	}
	if read == Straight && sc.ID == Changes && Classify(s).Cue == Waits {
		return screener
	}
	return cutter
}

// partner is what the screener does for a pass to him.
var partner = map[Read]Read{
	Pocket: Roll, HitRoll: Roll, DragOut: Slip, HitSlip: Slip, PassOut: ShortRoll, HitPop: Pop, FeedSeal: Seal,
}

// has reports whether somebody is part of the screen.
func (sc *Screen) has(p Place) bool {
	for _, who := range sc.People {
		if who.ID == p {
			return true
		}
	}
	return false
}

// leftAlone is the spacer whose man is furthest from him.
func (sc *Screen) leftAlone(s *Situation) Place {
	best, far := one, -1.0
	for _, p := range sc.People {
		if p.ID >= xOne && p.ID.Defends() {
			if d := s.At(p.ID).Dist(s.At(p.Guards)); d > far {
				best, far = p.Guards, d
			}
		}
	}
	return best
}

// cutPath is the cutter's, or handler's, way after the read from his place.
func cutPath(c court.Court, f *frame, s *Situation, read Read) []court.Point {
	if path, ok := handlerPath(f, s, read); ok {
		return path
	}
	if path, ok := postPath(c, s, read); ok {
		return path
	}
	rim := finishNear(s.Screener)
	switch read {
	case Curl:
		if at, ok := sideSpot(c, s, func(l layout) string { return l.curlTo }); ok {
			return []court.Point{f.at(2, 1), f.at(2.6, -1.5), at}
		}
		if back, _ := f.in(rim); back < -curlBack {
			// The rim lies behind the cut: the curl goes across the lane first.
			return []court.Point{f.at(1.7, 1.3), f.at(2.3, -0.6), f.at(-0.5, -6), rim}
		}
		return []court.Point{f.at(1.7, 1.3), f.at(2.3, -0.6), rim}
	case Straight, RimCut:
		return []court.Point{s.To}
	case StepOut:
		return []court.Point{behindArc(c, s.From)}
	case Fade:
		if at, ok := sideSpot(c, s, func(l layout) string { return l.fadeTo }); ok {
			return []court.Point{at}
		}
		return []court.Point{behindArc(c, f.at(-0.4, popBack))}
	case BackCut, BackDoor:
		return []court.Point{f.at(-2, 0.6), rim}
	case Flare:
		return []court.Point{behindArc(c, f.at(-3, popBack+4))}
	case OtherSide:
		return []court.Point{s.To.Mirror()}
	case CutLow:
		return []court.Point{s.Screener.Add(court.Point{Y: -HipToHip}), s.To}
	case CutOver:
		return []court.Point{s.Screener.Add(court.Point{Y: HipToHip}), {X: s.To.X / 2, Y: s.To.Y + 3}}
	case ClearOut:
		return []court.Point{behindArc(c, f.at(1, popBack+6))}
	default: // Keep: catch short of the defender who steps out, and back up
		return []court.Point{s.Cutter.Toward(s.To, 4), behindArc(c, s.Cutter.Toward(s.To, 4).Add(f.n.Scale(3)))}
	}
}

// handlerPath is a handler's way with the ball.
func handlerPath(f *frame, s *Situation, read Read) ([]court.Point, bool) {
	rim := court.Point{}
	off := f.at(2.5, 1.4)
	switch read {
	case PullUp:
		// He stops with room in front of the big.
		leg := math.Max(0, math.Min(pullUpLeg, off.Dist(s.XScreener)-roomToShoot))
		return []court.Point{off, off.Toward(rim, leg)}, true
	case Snake:
		return []court.Point{f.at(3.5, 1), rim.Toward(s.Screener, middle)}, true
	case Pocket, HitRoll, CornerPass, HitSlip, HitPop:
		return []court.Point{off}, true
	case DragOut, PassOut, StepBack:
		return []court.Point{s.Cutter.Toward(rim, -retreat)}, true
	case BackOut:
		return []court.Point{s.Cutter.Toward(rim, -retreat), rim.Toward(s.Cutter, middle)}, true
	case Reject:
		return []court.Point{f.at(-3, 1), finishNear(s.Screener)}, true
	case ShootBehind:
		return []court.Point{f.at(-0.3, HipToHip+1)}, true
	case UseAgain:
		return []court.Point{f.at(-3, 3), f.at(3, 1.6)}, true
	case Through:
		gap := s.XCutter.Add(s.XScreener).Scale(0.5)
		return []court.Point{gap, gap.Toward(rim, pullUpLeg)}, true
	case AttackBig:
		if a, _ := f.in(s.XScreener); a < 0 {
			return []court.Point{f.at(-2.5, 1.2), rim.Toward(s.Screener, twoFeet)}, true
		}
		return []court.Point{off, rim.Toward(off, twoFeet)}, true
	case TurnCorner:
		return []court.Point{off, finishNear(off)}, true
	case FeedSeal:
		return nil, true
	}
	return nil, false
}

// postPath is the way of somebody who plays round a post.
func postPath(c court.Court, s *Situation, read Read) ([]court.Point, bool) {
	screen, ok := ScreenByID(s.Screen)
	if !ok || !screen.spots.free {
		return nil, false
	}
	switch read {
	case HandBack:
		// Over the top of the post, hip to hip, then to the rim.
		over := s.Screener.Sub(s.Cutter).Unit().Left()
		if over.Y < 0 {
			over = over.Scale(-1)
		}
		return []court.Point{s.Screener.Add(over.Scale(HipToHip)), finishNear(s.Screener)}, true
	case CutClear:
		return []court.Point{finishNear(s.Cutter)}, true
	case Relocate:
		turn := alongArc
		if s.Cutter.X > 0 {
			turn = -turn
		}
		sin, cos := math.Sincos(turn)
		p := s.Cutter
		return []court.Point{behindArc(c, court.Point{X: p.X*cos - p.Y*sin, Y: p.X*sin + p.Y*cos})}, true
	case ScreenSlip:
		return []court.Point{s.Second.Toward(s.Cutter, HipToHip+1), finishNear(s.Second)}, true
	case Flash:
		at, _ := c.SpotAt("nail")
		return []court.Point{at}, true
	case ForOther:
		return []court.Point{s.Two.Toward(s.Cutter, HipToHip+1)}, true
	case BackCut, RimCut:
		return []court.Point{finishNear(s.Cutter)}, true
	case Straight:
		return []court.Point{s.Cutter.Toward(s.Passer, 3)}, true
	case Feed, Lob, HighLow:
		return nil, true
	}
	return nil, false
}

// screenerPath is the screener's way after holding the screen, and the post's.
func screenerPath(c court.Court, f *frame, s *Situation, read Read) []court.Point {
	rim := finishNear(s.Screener)
	switch read {
	case Pop:
		if screen, ok := ScreenByID(s.Screen); ok && screen.Family == BallUp {
			return []court.Point{roomiest(s, behindArc(c, f.at(popAlong, 0)), behindArc(c, f.at(-popAlong, 0)), f.at(0, -popGap))}
		}
		return []court.Point{s.To}
	case Shape:
		return []court.Point{f.at(1.5, -1.5), guard(s.Screener, s.Screener.Len()-7)}
	case Rescreen:
		return []court.Point{f.at(-1.2, 0.6)}
	case Flip:
		return []court.Point{f.at(-1.5, 1.2)}
	case StepBall:
		return []court.Point{s.Screener.Toward(s.Passer, 5)}
	case Roll:
		// A curved way gives the passer room.
		return []court.Point{f.at(1.5, -4), rim}
	case ShortRoll:
		return []court.Point{court.Point{}.Toward(s.Screener, shortRoll)}
	case Seal:
		return []court.Point{court.Point{}.Toward(s.Screener, math.Min(s.Screener.Len(), twoFeet))}
	case GiveBack, Work, KickOut, HoldSeal:
		return nil
	case Slip:
		if s.Screen == Cross {
			return []court.Point{s.To}
		}
	}
	if s.Exit != (court.Point{}) && (read == Slip || read == Split) {
		return []court.Point{s.Exit, rim}
	}
	return []court.Point{rim} // straight to the rim, no loop
}

// roomiest is the place that is furthest from guard and big: a pop goes to space.
func roomiest(s *Situation, places ...court.Point) court.Point {
	room := func(at court.Point) float64 { return math.Min(at.Dist(s.XCutter), at.Dist(s.XScreener)) }
	return slices.MaxFunc(places, func(p, q court.Point) int { return cmp.Compare(room(p), room(q)) })
}

func finishNear(from court.Point) court.Point { return court.Point{}.Toward(from, finishAt) }

// behindArc moves p straight out from the ring until it is behind the
// three-point line, and keeps it on the floor.
func behindArc(c court.Court, p court.Point) court.Point {
	if p.Len() < c.ArcRadius+outsideArc {
		p = court.Point{}.Toward(p, c.ArcRadius+outsideArc)
	}
	return c.Clamp(p, 1)
}

// sideSpot is a spot of the screen's layout on this side of the floor, and
// whether it has one.
func sideSpot(c court.Court, s *Situation, of func(layout) string) (court.Point, bool) {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return court.Point{}, false
	}
	at, ok := c.SpotAt(of(screen.spots))
	if s.onLeft() {
		at = at.Mirror()
	}
	return at, ok
}
