package motion

import (
	"evrik/core/court"
)

// drift is where a defender is who does not react, at a time: a moving one slows down
// after a stride.
func (m *Moment) drift(d int, t float64) court.Point {
	const stride = 0.5 // seconds (assumption)
	b := &m.Defend[d]
	if b.Velocity == (court.Point{}) {
		return b.At
	}
	to := b.At.Add(b.Velocity.Scale(min(t, stride)))
	for i := range m.Attackers {
		// Whoever runs into a body that stands is stopped there.
		body := &m.Attack[i]
		if body.Velocity.Len() > 1 || body.At.Dist(b.At) < bodyWidth/2 ||
			court.SegmentDist(body.At, b.At, to) >= bodyWidth {
			continue
		}
		near := court.NearestOnSegment(body.At, b.At, to)
		to = b.At.Toward(near, max(0, b.At.Dist(near)-bodyWidth))
	}
	return to
}

// reaction is how long a defender needs to see that the ball goes to somebody.
func (m *Moment) reaction(d, receiver int, end court.Point) float64 {
	late := m.Pace.HelpReact()
	onBall := receiver == m.Ball && (m.Defend[d].Guards == m.Involved[0] || m.Defend[d].Guards == m.Involved[1])
	if m.minds(d) == receiver || onBall || m.close(d, end) || m.engaged(d, receiver) {
		late = m.Pace.React
	}
	if m.Defend[d].Away {
		late += awayFor
	}
	if m.late == d+1 {
		late = m.Pace.HelpReact() + m.Pace.React
	}
	return late
}

// faked is how much longer a defender goes on who takes a runner's fake: the own one, who
// comes too fast to stop.
func (m *Moment) faked(d, receiver int, r *Run) float64 {
	b := &m.Defend[d]
	way := m.Attack[receiver].At.Sub(b.At)
	if r == nil || r.Fakes == 0 || m.minds(d) != receiver || b.Velocity.Dot(way) <= 0 ||
		b.Velocity.Dot(b.Velocity)/(2*Braking) < way.Len()-Contest {
		return 0
	}
	return r.Fakes
}

// engaged reports whether a defender is on a runner already, whoever that defender guards.
func (m *Moment) engaged(d, runner int) bool {
	a := &m.Attack[runner]
	gap := m.Defend[d].At.Sub(a.At)
	return gap.Len() < onRunner && a.Velocity.Dot(gap) > 0
}

// close reports whether a defender is at a place already.
func (m *Moment) close(d int, end court.Point) bool { return m.Defend[d].At.Dist(end) < alreadyThere }

// contest is when a defender bothers a shot: at the rim on the run, at a jump shot coming
// to a stop.
func (m *Moment) contest(d int, t *Try, r *Run, shot court.Point, react float64) float64 {
	if r != nil && r.ToRim {
		return m.reach(d, shot, Contest, react, t)
	}
	b := &m.Defend[d]
	at := m.drift(d, react)
	if b.At.Dist(shot) <= Contest && at.Dist(shot) <= Contest {
		return 0
	}
	path := []court.Point{shot}
	if body, ok := m.inWay(d, at, shot, t); ok {
		path = Round(at, shot, body, bodyWidth)
		react += heldFor
	}
	last := len(path) - 1
	from := at
	if last > 0 {
		from = path[0]
	}
	if from.Dist(shot) <= Contest {
		path = path[:last]
	} else {
		path[last] = shot.Toward(from, Contest)
	}
	if len(path) == 0 {
		return react
	}
	return react + m.Pace.Cutting().StopAt(Mover{at, b.Velocity}, path)
}

// reach is when a defender is within some feet of a place: going on as before until the
// reaction, then straight there, around the bodies of attackers who do not run in t.
func (m *Moment) reach(d int, p court.Point, within, react float64, t *Try) float64 {
	return m.reachFrom(d, p, m.drift(d, react), within, react, t)
}

// reachFrom is reach for a defender who is at a place when reacting.
func (m *Moment) reachFrom(d int, p, at court.Point, within, react float64, t *Try) float64 {
	b := &m.Defend[d]
	before := b.At.Dist(p)
	after := at.Dist(p)
	switch {
	case before <= within && after <= within:
		return 0
	case after <= within:
		return react * (before - within) / (before - after)
	}
	v := b.Velocity
	if t != nil {
		if body, ok := m.inWay(d, at, p, t); ok {
			path := Round(at, p, body, bodyWidth)
			if len(path) > 1 {
				// Around a body nobody keeps the full speed.
				first := at.Dist(path[0])
				rest := max(0, path[0].Dist(path[1])-within)
				return react + heldFor + m.Pace.Cutting().timeWith(v, path[0].Sub(at), first+rest)
			}
		}
	}
	return react + m.Pace.Cutting().timeWith(v, p.Sub(at), after-within)
}

// timeWith is the time to cover so many feet in a direction, starting with a velocity.
func (r Runner) timeWith(v, dir court.Point, feet float64) float64 {
	length := dir.Len()
	if length == 0 || feet <= 0 {
		return 0
	}
	speed := v.Dot(dir) / length
	late := 0.0
	if speed < 0 {
		late, speed = -speed/Braking, 0
	}
	return late + r.timeFrom(min(speed, r.Top), feet)
}

// inWay is the body of an attacker who stands between a defender and a place.
func (m *Moment) inWay(d int, from, to court.Point, t *Try) (court.Point, bool) {
	for i := range m.Attackers {
		if i == t.Receiver || m.runOf(t, i) != nil && m.runOf(t, i).Delay < m.Pace.React {
			continue
		}
		at := m.Attack[i].At
		if m.Attack[i].Velocity.Len() > 1 || at.Dist(to) < bodyWidth {
			continue
		}
		if court.SegmentDist(at, from, to) < bodyWidth && from.Dist(at) > bodyWidth/2 {
			return at, true
		}
	}
	return court.Point{}, false
}

// passing is a place that a runner comes by, and when, in seconds.
type passing struct {
	at court.Point
	t  float64
}

// passings are the places of a run at which it can be cut off, in order, added to a list; none
// where nobody runs.
func (m *Moment) passings(r *Run, out []passing) []passing {
	if r == nil {
		return out
	}
	runner, mover := m.runner(r), Mover{m.Attack[r.Who].At, m.Attack[r.Who].Velocity}
	gone, at := 0.0, mover.At
	for leg, to := range r.Path {
		length := at.Dist(to)
		if length == 0 {
			continue
		}
		way := to.Sub(at).Scale(1 / length)
		last := leg == len(r.Path)-1
		for s := step; s < length || s < length+step && !last; s += step {
			far := min(s, length)
			out = append(out, passing{at.Add(way.Scale(far)),
				r.Delay + runner.Arrival(mover, []court.Point{at.Add(way.Scale(gone + far))})})
		}
		gone += length
		at = to
	}
	return out
}

// cutsOff reports whether a defender is in the way of a run that comes by some places, or
// gets to one of them first. Those behind its start are not met.
func (m *Moment) cutsOff(d, receiver int, r *Run, way []passing) bool {
	from := m.Attack[r.Who].At
	if m.Defend[d].At.Sub(from).Dot(r.Path[0].Sub(from)) <= 0 {
		return false
	}
	if m.faked(d, receiver, r) > 0 {
		return false // has flown by
	}
	react := m.reaction(d, receiver, r.Path[len(r.Path)-1])
	within := bodyReach
	switch {
	case m.Defend[d].Away:
		within = bodyWidth // who does not look is only a body
	case m.minds(d) == receiver || m.engaged(d, receiver):
		within = armReach
	}
	there := m.drift(d, react)
	for _, p := range way {
		if p.t < react && m.drift(d, p.t).Dist(p.at) <= within {
			return true // goes on as before, and is in the way
		}
		if m.inTime(p.at, there, within, p.t-react) && m.reachFrom(d, p.at, there, within, react, nil) < p.t {
			return true
		}
	}
	return false
}

// inTime reports whether anybody could come from one place to within so many feet of
// another in a time, at full speed from the start.
func (m *Moment) inTime(p, from court.Point, within, seconds float64) bool {
	return from.Dist(p) <= within+m.Pace.Top*max(0, seconds)
}

// keepsBack reports whether a defender of another attacker is nearer the rim than a
// place, and well away from it.
func (m *Moment) keepsBack(d, receiver int, end court.Point) bool {
	return m.minds(d) != receiver && m.Defend[d].At.Len() < end.Len() && m.Defend[d].At.Dist(end) > wellBack
}

// onBack reports whether a defender is behind somebody who goes somewhere with the ball.
func (m *Moment) onBack(d int, r *Run) bool {
	from := m.Attack[r.Who].At
	const went = 2.0 // feet from which a driver has somebody on the back (assumption)
	end := r.Path[len(r.Path)-1]
	return from.Len()-end.Len() > went && end.Len() < m.Defend[d].At.Len() &&
		m.Defend[d].At.Sub(from).Dot(r.Path[0].Sub(from)) < 0
}
