package reads

import (
	"cmp"
	"math"
	"slices"

	"evrik/core/court"
)

// A read's way over the floor: where it takes the cutter, where its partner goes, and who
// has the ball at its end. Plays and the second opinion use the same ways.

// Places of the answers, in feet.
const (
	finishAt    = 4.0  // in front of the ring, where a cut to the rim ends
	twoFeet     = 5.0  // from the ring, where a drive at the big finishes on two feet
	outsideArc  = 1.5  // a three is taken this far behind the line
	popBack     = 4.5  // behind the screener's back
	curlBack    = 5.0  // behind the screen, from which a curl to the rim is a turn right round
	middle      = 15.5 // from the ring, where the jumper in the middle is taken (common practice: 15 to 17 ft)
	floatAt     = 10.0 // from the ring, where a floater is shot (common practice: 8 to 12 ft)
	splitBy     = 2.8  // inside the big, where a split goes
	tight       = 1.2  // outside the screener, at the most, where a split goes by
	stepAway    = 3.0  // of a step back
	wideReach   = 6.0  // within which a big at the level is gone around
	hipOf       = 3.0  // outside the hip of a big who waits
	wideOf      = 3.5  // beyond the big
	weakStep    = 3.0  // to the weak hand, before the drive to the rim
	pullUpLeg   = 5.0  // a long dribble toward the rim
	roomToShoot = 6.5  // from the big, where a pull-up stops short
	popGap      = 6.0  // inside the screen, the gap at the elbow
	nearArc     = 3.0  // from the line, where a pop goes on behind it
	ghostAway   = 6.0  // along the screen's way, away from the ball, where a ghost goes
	stepToBall  = 5.0  // of a screener who shows up for the ball
	popStep     = 7.0  // of a screener who pops after a cut
	popAlong    = 4.0  // along the screen's way, to either side of it, where a pop looks for room
	retreat     = 5.0  // a drag or a step away from the big
	pinStep     = 1.5  // past the defender whom a screener pins
	pinned      = 4.0  // from the screener, where the cutter's defender is in the way of a slip
	shortRoll   = 13.0 // from the ring, where a short roll stops
	goBy        = 2.8  // beside a defender who closes out, where a drive goes by
	askew       = 3.0  // ft²/s off the straight way, from which a defender runs to one side
	oneDribble  = 5.0  // a long dribble after a fake
	blindSide   = 2.2  // from a defender, where a cut behind the head goes by
	alongArc    = 0.45 // radians along the arc to where the post sees the passer
)

// ballTo is who has the ball when a read has been played; most often its reader.
func (a *Action) ballTo(s *Snapshot, read Read) Place {
	switch read {
	case ClearOut, Keep, Pocket, LobRoll, HitRoll, DragOut, HitSlip, PassOut, FeedSeal, Feed, Lob, HitCutter, FeedHigh:
		return screener
	case HitPop:
		if a.has(second) {
			return second
		}
		return screener
	case HighLow:
		return second
	case Swing:
		return one
	case StayWide, Drift, Lift, StepHigh, ShortCorner:
		return passer
	case HitShooter, SkipPass:
		return second
	case CornerPass:
		return a.leftAlone(s, one, three)
	case WingPass:
		return a.leftAlone(s, two)
	case ForOther:
		return screener
	}
	if read == Straight && a.ID == Changes && a.stepsUp(s) {
		return screener
	}
	return cutter
}

// stepsUp reports whether the screener's defender waits where the screen has been.
func (a *Action) stepsUp(s *Snapshot) bool {
	f := a.axes(s)
	c := all(onSide(xScreener), within(xScreener, takeReach, cutter))
	return c.measure(s, &f).certain()
}

// partner is what the screener does for a pass to come.
var partner = map[Read]Read{
	Lob: HoldSeal, Pocket: Roll, LobRoll: Roll, HitRoll: Roll, DragOut: Slip, HitSlip: Slip, PassOut: ShortRoll,
	HitPop: Pop, FeedSeal: Seal,
}

// has reports whether somebody is part of the screen.
func (a *Action) has(p Place) bool {
	for _, who := range a.Participants {
		if who.ID == p {
			return true
		}
	}
	return false
}

// leftAlone is the one of some spacers whose defender is farthest away.
func (a *Action) leftAlone(s *Snapshot, among ...Place) Place {
	best, far := among[0], -1.0
	for _, p := range a.Participants {
		if !slices.Contains(among, p.Guards) || !p.ID.Defends() {
			continue
		}
		if d := s.At(p.ID).Dist(s.At(p.Guards)); d > far {
			best, far = p.Guards, d
		}
	}
	return best
}

// cutPath is the cutter's, or handler's, way after the read.
func cutPath(c court.Court, f *frame, s *Snapshot, read Read) []court.Point {
	if path, ok := spacePath(c, s, s.Cutter, read); ok {
		return path
	}
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
	case FadeCorner:
		at, _ := sideSpot(c, s, func(layout) string { return "cornerR" })
		return []court.Point{at}
	case Fade:
		if at, ok := sideSpot(c, s, func(l layout) string { return l.fadeTo }); ok {
			return []court.Point{at}
		}
		return []court.Point{behindArc(c, f.at(-0.4, popBack))}
	case BackCut, BackDoor:
		if s.Action == Hammer || s.Action == Changes {
			return []court.Point{rim} // in front of the screener, or before there is a screen
		}
		back, around := f.at(-1.8, 0.4), f.at(2.3, -0.6)
		if read == BackCut && room(s, around) > room(s, back) {
			return []court.Point{f.at(1.7, 1.3), around, rim} // the old defender stands behind the screen
		}
		return []court.Point{back, rim}
	case Flare:
		if s.From.Y < CornerLow && s.Action != Stagger {
			at, _ := sideSpot(c, s, func(layout) string { return "cornerR" })
			return []court.Point{at} // back to the corner, the second screen comes
		}
		out := behindArc(c, f.at(-3, popBack+4))
		if at, ok := sideSpot(c, s, func(layout) string { return "cornerR" }); ok {
			return []court.Point{roomiest(s, out, at)} // to the side that they leave open
		}
		return []court.Point{out}
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

// postPath is the way of somebody who plays round a post.
func postPath(c court.Court, s *Snapshot, read Read) ([]court.Point, bool) {
	action, ok := ActionByID(s.Action)
	if !ok || !action.spots.free {
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
		return behindHead(s, finishNear(s.Cutter)), true
	case Straight:
		return []court.Point{s.Cutter.Toward(s.Passer, 3)}, true
	case Feed, Lob, HighLow:
		return nil, true
	}
	return nil, false
}

// behindHead is a way to the rim past the own defender, on the side away from the ball.
func behindHead(s *Snapshot, rim court.Point) []court.Point {
	if court.SegmentDist(s.XCutter, s.Cutter, rim) > blindSide {
		return []court.Point{rim}
	}
	side := rim.Sub(s.Cutter).Unit().Left()
	if side.Dot(s.Screener.Sub(s.XCutter)) > 0 {
		side = side.Scale(-1)
	}
	return []court.Point{s.XCutter.Add(side.Scale(blindSide)), rim}
}

// screenerPath is the screener's way after holding the screen, and the post's.
func screenerPath(c court.Court, f *frame, s *Snapshot, read Read) []court.Point {
	if path, ok := spacePath(c, s, s.Screener, read); ok {
		return path
	}
	rim := finishNear(s.Screener)
	switch read {
	case Pop:
		if action, ok := ActionByID(s.Action); ok && action.Family == BallUp {
			back := behindArc(c, f.at(-popAlong, 0))
			if s.Action == Ghost {
				back = behindArc(c, f.at(-ghostAway, 0)) // away from the ball
			}
			return []court.Point{roomiest(s, behindArc(c, f.at(popAlong, 0)), back, f.at(0, -popGap))}
		}
		out := s.Screener.Toward(s.To, popStep)
		if s.To.Len() < AtRim {
			// The cutter goes in, so the screener goes out.
			out = s.Screener.Unit().Scale(math.Min(s.Screener.Len()+popStep, c.ArcRadius+outsideArc))
		}
		if c.BehindArc(out) > -nearArc {
			out = behindArc(c, out)
		}
		return []court.Point{out}
	case Shape:
		return []court.Point{f.at(1.5, -1.5), guard(s.Screener, s.Screener.Len()-7)}
	case Rescreen:
		return []court.Point{f.at(-1.2, 0.6)}
	case Flip:
		return []court.Point{f.at(-1.5, 1.2)}
	case StepBall:
		at := s.Screener.Toward(s.Passer, stepToBall)
		if s.To.Len() < AtRim && s.Action != Cross {
			at = roomiest(s, at, screenerPath(c, f, s, Pop)[0]) // back out, to be seen
		}
		return []court.Point{at}
	case Roll:
		// A bent way gives the passer room; it bends to the side with more of it.
		return []court.Point{roomiest(s, f.at(1.5, -4), f.at(-1.5, -4), s.Screener.Toward(rim, 4)), rim}
	case ShortRoll:
		return []court.Point{court.Point{}.Toward(s.Screener, shortRoll)}
	case Seal:
		if action, ok := ActionByID(s.Action); ok && action.Family != OffBall {
			return screenerPath(c, f, s, Roll) // with the defender on the back
		}
		return []court.Point{court.Point{}.Toward(s.Screener, math.Min(s.Screener.Len(), twoFeet))}
	case GiveBack, Work, KickOut:
		return nil
	case HoldSeal:
		return []court.Point{rim} // when the ball is overhead
	case Slip:
		if s.Action == Cross {
			return []court.Point{s.To}
		}
	}
	if action, ok := ActionByID(s.Action); ok && action.Family == OffBall &&
		(read == Split || read == Slip && s.XCutter.Dist(s.Screener) < pinned) {
		// Past the defender who is pinned, on the other side, then straight to the rim.
		way := rim.Sub(s.Screener).Unit()
		side := way.Left()
		if s.XCutter.Sub(s.Screener).Dot(side) > 0 {
			side = side.Scale(-1)
		}
		return []court.Point{s.Screener.Add(way).Add(side.Scale(pinStep)), rim}
	}
	if s.Exit != (court.Point{}) && read == Slip {
		return []court.Point{s.Exit, rim}
	}
	if action, ok := ActionByID(s.Action); ok && action.Family != OffBall && read == Slip {
		return screenerPath(c, f, s, Roll) // into the space that the big left
	}
	return []court.Point{rim} // straight to the rim, no loop
}

// roomiest is the place that is furthest from the two defenders: a pop goes to space.
func roomiest(s *Snapshot, places ...court.Point) court.Point {
	return slices.MaxFunc(places, func(p, q court.Point) int { return cmp.Compare(room(s, p), room(s, q)) })
}

// room is how far, in feet, the nearer of the two defenders is.
func room(s *Snapshot, at court.Point) float64 {
	return math.Min(at.Dist(s.XCutter), at.Dist(s.XScreener))
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
func sideSpot(c court.Court, s *Snapshot, of func(layout) string) (court.Point, bool) {
	action, ok := ActionByID(s.Action)
	if !ok {
		return court.Point{}, false
	}
	at, ok := c.SpotAt(of(action.spots))
	if s.onLeft() {
		at = at.Mirror()
	}
	return at, ok
}
