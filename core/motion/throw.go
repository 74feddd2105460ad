package motion

import (
	"math"

	"evrik/core/court"
)

// throw fills in how and when the ball gets to the receiver.
func (m *Moment) throw(t *Try, o *Outcome, arrive float64) {
	from := m.Attack[m.Ball].At
	if run := m.runOf(t, m.Ball); run != nil && t.Leaves > 0 {
		from, _ = m.Pace.Dribbling().Along(Mover{from, m.Attack[m.Ball].Velocity}, run.Path, max(0, t.Leaves-run.Delay))
	}
	if t.Handed {
		o.Ball = arrive
		o.Way = Straight
		// A handoff cannot be given through a defender.
		for d := range m.Defenders {
			at := m.Defend[d].At
			if m.minds(d) == t.Receiver && court.SegmentDist(at, m.Attack[t.Receiver].At, from) < bodyWidth &&
				at.Dist(from) < m.Attack[t.Receiver].At.Dist(from) {
				o.Way = Blocked
			}
		}
		return
	}
	far := from.Dist(o.End)
	if t.Lobbed {
		o.Way, o.Ball = Over, max(arrive, t.Leaves+far/m.Pace.Skip)
		for d := range m.Defenders {
			if m.minds(d) != t.Receiver && m.Defend[d].At.Len() < lobReach {
				o.Way = Blocked
			}
		}
		return
	}
	speed, ready := m.Pace.Pass, t.Leaves
	if far > longPass {
		speed = m.Pace.Skip
		if r := m.runOf(t, m.Ball); r != nil && r.Dribble {
			ready += gathers
		}
	}
	leaves := max(ready, arrive-far/speed)
	o.Way, o.Ball = Straight, leaves+far/speed
	if !m.takes(t, from, o.End, leaves, speed, math.Inf(1), 0) {
		return
	}
	leaves = max(ready, arrive-far/m.Pace.Skip)
	o.Way, o.Ball = Over, leaves+far/m.Pace.Skip
	if m.takes(t, from, o.End, leaves, m.Pace.Skip, overReach, toJump) {
		o.Way = Blocked
	}
}

// takes reports whether a defender gets to the ball's way in time, with so many seconds to
// spare and no farther than so many feet from its end. The defender at the catch itself is counted by the window.
func (m *Moment) takes(t *Try, from, to court.Point, leaves, speed, fromEnd, spare float64) bool {
	way := to.Sub(from)
	length := way.Len()
	for d := range m.Defenders {
		at := m.Defend[d].At
		if at.Dist(from) < nearPasser && m.minds(d) == m.Ball {
			continue
		}
		// Nobody knows of the pass before it leaves; till then a defender goes on.
		react := leaves + m.Pace.React
		here, there := m.drift(d, leaves), m.drift(d, react)
		if court.SegmentDist(here, from, to) >= laneReach &&
			!m.inTime(court.NearestOnSegment(there, from, to), there, laneReach, length/speed-m.Pace.React) {
			continue // too far from all of its way
		}
		around := at.Dist(from) < nearPasser
		for gone := step; gone < length-laneReach; gone += step {
			p := from.Add(way.Scale(gone / length))
			if length-gone > fromEnd || around && gone < nearPasser {
				continue
			}
			if here.Dist(p) < laneReach {
				return true
			}
			passes := leaves + gone/speed
			if m.inTime(p, there, laneReach, passes-react) &&
				m.reachFrom(d, p, there, laneReach, react, t)+spare < passes {
				return true
			}
		}
	}
	return false
}

// left is the window of the pass to the attacker whom a helper left, less what that pass
// costs: from the passer at once to one who was ready for it, else one more pass from the
// catch.
func (m *Moment) left(t *Try, helper int, from court.Point, caught float64) float64 {
	if t.Other == nil || m.minds(helper) != t.Other.Who || m.Ball == t.Other.Who {
		return m.next(helper, from, caught) - extraPass
	}
	one := Try{Runs: []Run{*t.Other}, Receiver: t.Other.Who, Leaves: m.Pace.HelpReact()}
	late := *m
	// The helper has gone to the catch until the ball leaves, and comes back from there.
	gone := max(0, late.Defend[helper].At.Dist(from)-Contest)
	late.Defend[helper].At = late.Defend[helper].At.Toward(from, min(gone, m.Pace.Cutting().Covered(m.Pace.React)))
	late.Defend[helper].Velocity = court.Point{}
	late.late = helper + 1
	for d := range m.Defenders {
		if m.minds(d) == t.Receiver {
			late.busy = d + 1
		}
	}
	o := late.Play(&one)
	if o.Way == Blocked {
		return LeastWindow
	}
	return o.Window - otherPass
}

// next is the window of one more pass from a catch, to the attacker whom a helper left.
func (m *Moment) next(helper int, from court.Point, caught float64) float64 {
	left := m.minds(helper)
	if left == m.Ball {
		// Whoever leaves the ball leaves a shot: the way back is how long it is open.
		at := m.Attack[m.Ball].At
		if at.Len() > m.Range {
			return math.Inf(-1)
		}
		return m.Pace.React + m.Pace.Cutting().TimeTo(max(0, from.Dist(at)-Contest)) - Release(at.Len())
	}
	// The one who was left moves away from the crowd.
	to := m.Attack[left].At
	to = to.Add(to.Sub(from).Unit().Scale(min(drifts, m.Pace.Cutting().Covered(caught))))
	ball := caught + from.Dist(to)/m.Pace.Pass
	window := math.Inf(1)
	for d := range m.Defenders {
		w := m.reach(d, to, Contest, caught, nil)
		if d == helper {
			// The helper has to come back from where the catch is.
			w = caught + m.Pace.React + m.Pace.Cutting().TimeTo(max(0, from.Dist(to)-Contest))
		}
		window = min(window, w-ball-Release(to.Len()))
	}
	return window
}

// Room is how far in feet the nearest defender is when a shot leaves the hand, from how many
// seconds later that defender bothers it: coming to a stop before a jump shot, running at
// one at the rim.
func Room(window float64, toRim bool) float64 {
	const running = 15.0 // ft/s of somebody who chases (assumption)
	switch {
	case window < 0:
		return max(0, Contest+running*window)
	case toRim:
		return Contest + running*window
	}
	return Contest + Braking*window*window/2 + SlowWalk*window
}
