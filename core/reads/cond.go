package reads

import (
	"math"

	"evrik/core/court"
	"evrik/core/motion"
)

// A cond is a line of a table that a coach can read, such as
//
//	all(ahead(xCutter, cutter), onSide(xCutter))
//
// Its measure is in feet and positive where the condition holds; moving one defender by
// less than that does not change it. A condition on something the snapshot does not
// tell, such as how a defender moves, measures a span from minus to plus infinity. all
// takes the least of its parts, anyOne the greatest, and not changes the sign.
type cond struct {
	test    test
	x, p, q Place
	k       dist
	kids    []cond
}

// span is by how many feet a condition holds, at least and at most: both are the same
// where everything it asks is told. byLow and byHigh are the defenders who decide them.
type span struct {
	low, high     float64
	byLow, byHigh Place
}

// certain reports whether the condition holds whatever is not told.
func (m span) certain() bool { return m.low >= 0 }

// possible reports whether the condition can hold.
func (m span) possible() bool { return m.high >= 0 }

var anything = span{low: math.Inf(-1), high: math.Inf(1)}

// is is the span of a fact that no defender's move changes.
func is(yes bool) span {
	if yes {
		return span{low: math.Inf(1), high: math.Inf(1)}
	}
	return span{low: math.Inf(-1), high: math.Inf(-1)}
}

// dist is a distance of a table in feet. It grows with the players, with the court, or
// with neither.
type dist struct {
	feet float64
	with growth
}

type growth uint8

const (
	fixed growth = iota
	withBody
	withCourt
)

// body is a distance of arms and strides, for players of 12 to 14.
func body(feet float64) dist { return dist{feet, withBody} }

// onCourt is a distance between places of a high-school court.
func onCourt(feet float64) dist { return dist{feet, withCourt} }

func (d dist) in(z Size) float64 {
	switch d.with {
	case withBody:
		return d.feet * z.Body
	case withCourt:
		return d.feet * z.Court
	}
	return d.feet
}

type test uint8

const (
	never test = iota // the zero condition: none was given
	allOf
	anyOf
	notOf
	isAhead
	isOnSide
	isWithin
	isOutside
	isNearer
	isInLane
	isDeeper
	isAbove
	isWatching
	isFarOut
	isMoving
	isChasing
	isShooter
	isInRange
	isForcing
	isTooFast
	isFast
	isComing
	isUntold
)

// given reports whether there is a condition.
func (c *cond) given() bool { return c.test != never }

// all holds where every condition does.
func all(c ...cond) cond { return cond{test: allOf, kids: c} }

// anyOne holds where one of the conditions does.
func anyOne(c ...cond) cond { return cond{test: anyOf, kids: c} }

// not holds where the condition does not.
func not(c cond) cond { return cond{test: notOf, kids: []cond{c}} }

// ahead: x is further along the cut than p.
func ahead(x, p Place) cond { return cond{test: isAhead, x: x, p: p} }

// onSide: x is on the side of the screen on which the cutter goes by.
func onSide(x Place) cond { return cond{test: isOnSide, x: x} }

// outside: x is farther out than p, by more than a distance, on the side on which the
// cutter goes by.
func outside(x Place, d dist, p Place) cond { return cond{test: isOutside, x: x, p: p, k: d} }

// within: x is no further than a distance from p.
func within(x Place, d dist, p Place) cond { return cond{test: isWithin, x: x, p: p, k: d} }

// nearer: x is nearer to p than to q.
func nearer(x, p, q Place) cond { return cond{test: isNearer, x: x, p: p, q: q} }

// inLane: x is no further than a distance from the straight way from p to q.
func inLane(x Place, d dist, p, q Place) cond {
	return cond{test: isInLane, x: x, p: p, q: q, k: d}
}

// deeper: x is nearer to the rim than p by more than a distance.
func deeper(x Place, d dist, p Place) cond { return cond{test: isDeeper, x: x, p: p, k: d} }

// above: x is nearer to half court than p by more than a distance.
func above(x Place, d dist, p Place) cond { return cond{test: isAbove, x: x, p: p, k: d} }

// watches: x looks at p rather than at q.
func watches(x, p, q Place) cond { return cond{test: isWatching, x: x, p: p, q: q} }

// farOut: p, an attacker, is further outside the arc than a distance.
func farOut(p Place, d dist) cond { return cond{test: isFarOut, p: p, k: d} }

// moving: x moves in a direction of the screen with at least so many feet a second.
func moving(x Place, way heading, speed float64) cond {
	return cond{test: isMoving, x: x, p: Place(way), k: dist{feet: speed}}
}

// follows: x goes along with the cutter rather than with the roll.
func follows(x Place) cond { return cond{test: isChasing, x: x} }

// shoots: p makes the three.
func shoots(p Place) cond { return cond{test: isShooter, p: p} }

// inRange: p, cutter or handler, is near enough for a shot.
func inRange(p Place) cond { return cond{test: isInRange, p: p} }

// forces: x stands on the side of the handler's strong hand, by more than a distance.
func forces(x Place, d dist) cond { return cond{test: isForcing, x: x, k: d} }

// tooFast: x runs at p too fast to stop within a distance of p: v²/(2b), braking at b.
func tooFast(x Place, d dist, p Place) cond { return cond{test: isTooFast, x: x, p: p, k: d} }

// fast: x moves with at least so many feet a second, whichever way.
func fast(x Place, speed float64) cond { return cond{test: isFast, x: x, k: dist{feet: speed}} }

// comesAt: x moves, and no more than an angle in radians off the way to p.
func comesAt(x Place, angle float64, p Place) cond {
	return cond{test: isComing, x: x, p: p, k: dist{feet: angle}}
}

// untold is a sign that no snapshot tells: it may be there.
func untold() cond { return cond{test: isUntold} }

// heading is a direction in which somebody may move, seen from the screen.
type heading uint8

const (
	withBall   heading = iota // along the cut
	atBall                    // against the cut, at the ball that comes
	outward                   // to the side on which the cutter goes by, away from the rim
	upToBall                  // from the rim toward the screen
	toRim                     // from the screen toward the rim
	middleward                // from the side of the floor to its middle, across the way to the rim
	baseward                  // from there to the baseline
)

func (w heading) in(f *frame) court.Point {
	switch w {
	case withBall:
		return f.a
	case atBall:
		return f.a.Scale(-1)
	case outward:
		return f.n
	case middleward:
		return f.n
	case baseward:
		return f.n.Scale(-1)
	case upToBall:
		return f.origin.Unit()
	}
	return f.origin.Unit().Scale(-1)
}

const (
	// turnFoot turns an angle of the head, in radians, into feet: half a foot at the
	// nose is much, a quarter turn is as clear as four feet (assumption).
	turnFoot = 2.6
	// horizon turns a speed into feet: how long a movement is watched, in seconds, so
	// that two feet a second are 0.8 ft of evidence (assumption).
	horizon = 0.4
	// chaseSpeed is how fast, in ft/s, somebody who chases the ball goes at least
	// (assumption).
	chaseSpeed = 2.0
)

// measure is by how many feet a condition holds.
func (c *cond) measure(s *Snapshot, f *frame) span {
	switch c.test {
	case allOf:
		out := is(true)
		for i := range c.kids {
			m := c.kids[i].measure(s, f)
			if m.low < out.low {
				out.low, out.byLow = m.low, m.byLow
			}
			if m.high < out.high {
				out.high, out.byHigh = m.high, m.byHigh
			}
		}
		return out
	case anyOf:
		out := is(false)
		for i := range c.kids {
			m := c.kids[i].measure(s, f)
			if m.low > out.low {
				out.low, out.byLow = m.low, m.byLow
			}
			if m.high > out.high {
				out.high, out.byHigh = m.high, m.byHigh
			}
		}
		return out
	case notOf:
		m := c.kids[0].measure(s, f)
		return span{-m.high, -m.low, m.byHigh, m.byLow}
	case isMoving, isChasing, isWatching, isShooter, isInRange, isForcing, isTooFast, isFast, isComing, isUntold:
		return c.told(s, f)
	}
	m := c.leaf(s, f)
	return span{m, m, c.x, c.x}
}

// told measures a condition on what a snapshot may leave out.
func (c *cond) told(s *Snapshot, f *frame) span {
	m, known := 0.0, false
	switch c.test {
	case isMoving:
		var v court.Point
		v, known = s.Velocity.Of(c.x)
		m = horizon * (v.Dot(heading(c.p).in(f)) - c.k.feet)
	case isChasing:
		var v court.Point
		v, known = s.Velocity.Of(c.x)
		m = horizon * (v.Dot(withBall.in(f).Sub(toRim.in(f)).Unit()) - chaseSpeed)
	case isWatching:
		var at court.Point
		at, known = s.Facing.Of(c.x)
		x := s.At(c.x)
		m = turnFoot * (angle(at.Sub(x), s.At(c.q).Sub(x)) - angle(at.Sub(x), s.At(c.p).Sub(x))) / 2
	case isForcing:
		if s.WeakHand == "" {
			return is(false) // nobody is sent to a weak hand that is not told
		}
		known, m = true, s.At(c.x).Sub(s.Cutter).Dot(s.strongSide())-c.k.in(f.size)
	case isFast:
		var v court.Point
		v, known = s.Velocity.Of(c.x)
		m = horizon * (v.Len() - c.k.feet)
	case isTooFast:
		var v court.Point
		v, known = s.Velocity.Of(c.x)
		way := s.At(c.p).Sub(s.At(c.x))
		m = math.Min(stopping(v)-(way.Len()-c.k.in(f.size)), v.Unit().Dot(way))
	case isComing:
		var v court.Point
		v, known = s.Velocity.Of(c.x)
		m = turnFoot * (c.k.feet - angle(v, s.At(c.p).Sub(s.At(c.x))))
	case isShooter:
		return ifKnown(s.shooter(c.p))
	case isInRange:
		return is(s.At(c.p).Len() <= s.rangeOf(f.size))
	}
	if !known {
		return anything
	}
	return span{m, m, c.x, c.x}
}

// stopping is how many feet somebody needs to stop.
func stopping(v court.Point) float64 { return v.Dot(v) / (2 * motion.Braking) }

func ifKnown(k Known) span {
	if k == Unknown {
		return anything
	}
	return is(k == Yes)
}

// shooter tells whether somebody makes the three.
func (s *Snapshot) shooter(p Place) Known {
	switch p {
	case cutter:
		return s.CutterShoots
	case screener:
		return s.ScreenerShoots
	case second:
		return s.SecondShoots
	}
	return Unknown
}

// rangeOf is how far out the cutter or handler shoots, in feet: as told, or behind the
// arc for a shooter, near the lane for one who does not shoot, else that of the age.
func (s *Snapshot) rangeOf(z Size) float64 {
	switch {
	case s.Range > 0:
		return s.Range
	case s.CutterShoots == Yes:
		return math.Max(z.Range, z.Arc+shooterBehind)
	case s.CutterShoots == No:
		return noShooter * z.Body
	}
	return z.Range
}

const (
	// shooterBehind is how far behind the arc a shooter still shoots, in feet (assumption).
	shooterBehind = 4.0
	// noShooter is the range in feet of somebody who does not shoot threes (assumption).
	noShooter = 14.0
)

// strongSide is the direction of the handler's strong hand, facing the rim.
func (s *Snapshot) strongSide() court.Point {
	left := s.Cutter.Scale(-1).Unit().Left()
	if s.WeakHand == "left" {
		return left.Scale(-1)
	}
	return left
}

// leaf measures a condition on places alone.
func (c *cond) leaf(s *Snapshot, f *frame) float64 {
	x, p, k := s.At(c.x), s.At(c.p), c.k.in(f.size)
	switch c.test {
	case isAhead:
		return x.Sub(p).Dot(f.a)
	case isOnSide:
		return x.Sub(f.origin).Dot(f.n)
	case isOutside:
		return x.Sub(p).Dot(f.n) - k
	case isWithin:
		return k - x.Dist(p)
	case isNearer:
		q := s.At(c.q)
		apart := max(p.Dist(q), SameSpot)
		dp, dq := x.Sub(p), x.Sub(q)
		return (dq.Dot(dq) - dp.Dot(dp)) / (2 * apart)
	case isInLane:
		return k - court.SegmentDist(x, p, s.At(c.q))
	case isDeeper:
		return p.Len() - x.Len() - k
	case isAbove:
		return x.Y - p.Y - k
	case isFarOut:
		// Nobody's move on defense changes where the ball is.
		return is(p.Len() > f.size.Arc+k).low
	}
	return math.Inf(-1)
}

// angle is the angle between two directions in radians, 0 to pi.
func angle(a, b court.Point) float64 {
	return math.Abs(math.Atan2(a.X*b.Y-a.Y*b.X, a.Dot(b)))
}
