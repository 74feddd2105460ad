package motion

import (
	"math"

	"evrik/core/court"
)

// The second opinion: who gets open when somebody runs or passes, by kinematics alone.
// It knows places, velocities and the ball, and nothing of cues and tables.

// Most is how many a side can have in a moment.
const Most = 6

// Body is somebody on the floor: a place in feet, a velocity in feet a second.
type Body struct {
	At, Velocity court.Point
	// Guards is the index of the attacker that a defender guards.
	Guards int
	// Away is true for a defender who looks away from the own player.
	Away bool
}

// Moment is where everybody is and how everybody moves when an attacker chooses.
type Moment struct {
	Attack, Defend [Most]Body
	Attackers      int
	Defenders      int
	// Ball is the attacker who has it.
	Ball int
	// ArcRadius is the radius of the three-point line in feet.
	ArcRadius float64
	Pace      Pace
	// Involved are the two attackers whose defenders may have switched.
	Involved [2]int
	// Range is how far from the ring, in feet, a jump shot is taken.
	Range float64

	late int // one more than the defender who has helped and comes back late; 0 for none
}

// Run is what one attacker does: wait, then follow a path.
type Run struct {
	Who     int
	Path    []court.Point
	Delay   float64 // seconds before it starts
	Dribble bool    // with the ball
	// Stride is how far, in feet, before the end of the path the ball meets a cutter who
	// goes on to the rim; 0 for one who stops at the end to catch or shoot.
	Stride float64
	// ToRim is true for a run that does not stop.
	ToRim bool
}

// Try is something the attackers can do.
type Try struct {
	// Runs are the attackers who move; Receiver ends with the ball.
	Runs     []Run
	Receiver int
	// Leaves is the earliest the ball leaves the hand, in seconds.
	Leaves float64
	// Handed is true for a ball that is handed over rather than thrown.
	Handed bool
	// Lobbed is true for a pass over everybody to the rim.
	Lobbed bool
	// Other is somebody whom the passer can hit instead when that defender comes to help.
	Other *Run
	// Stops is true for a drive that ends in a jump shot: defenders who keep between ball
	// and rim come out only when they see the stop.
	Stops bool
}

// Way is how the ball gets to a catch.
type Way uint8

// Ways of the ball: kept by the dribbler, straight, over somebody's head, or not at all.
const (
	Kept Way = iota
	Straight
	Over
	Blocked
)

// Outcome is what a try comes to.
type Outcome struct {
	// End is where the shot would be, Ball when the ball is there, in seconds.
	End  court.Point
	Ball float64
	Way  Way
	// Window is how many seconds after the ball the first defender is within Contest of
	// it, less what the shot needs; negative when a defender is there in time.
	Window float64
	// By is the defender who decides the window.
	By int
	// Feet is how far the nearest defender is when the shot leaves the hand.
	Feet float64
	// Next is the attacker who gets one more pass because a helper came; -1 for none.
	Next int
}

// Figures of the second opinion.
const (
	// Contest is how near, in feet, a defender bothers a catch or a shot (assumption: an
	// arm and a step).
	Contest = 3.0
	// bodyWidth is the center distance in feet at which one body blocks another's way
	// (assumption).
	bodyWidth = 1.5
	// armReach is how near, in feet, a run may pass its own defender before it is stopped,
	// a body and an arm; bodyReach how near it may pass another one (assumptions).
	armReach  = 2.5
	bodyReach = 1.8
	// wellBack is how far, in feet, a big keeps from a handler who may still drive (assumption).
	wellBack = 6.0
	// heldFor is how long a body holds somebody up who has to go around it, in seconds
	// (assumption).
	heldFor = 0.25
	// laneReach is how near the ball's way, in feet, a defender takes it (assumption).
	laneReach = 2.0
	// longPass is from how far, in feet, a pass is thrown high and slower (assumption).
	longPass = 24.0
	// overReach is how near the catch, in feet, a defender still gets a pass thrown
	// overhead (assumption).
	overReach = 4.0
	// nearPasser is how near the passer, in feet, a defender can be passed around (assumption).
	nearPasser = 5.0
	// toJump is how much sooner, in seconds, a defender must be there who takes a pass
	// thrown overhead (assumption).
	toJump = 0.35
	// onRunner is how near, in feet, a defender ahead of a runner is on that runner (assumption).
	onRunner = 4.0
	// alreadyThere is how near the catch, in feet, a helper stands who needs no decision
	// to be there (assumption).
	alreadyThere = 5.0
	// lobReach is how near the rim, in feet, a defender takes a lob (assumption).
	lobReach = 8.0
	// step is how far apart, in feet, the points of a path are at which it can be cut off.
	step = 2.0
	// awayFor is how much later, in seconds, a defender sees a cut who looks away (assumption).
	awayFor = 0.5
	// LeastWindow and mostWindow are the least and the most a window counts, in seconds:
	// what is this open is open (assumption).
	LeastWindow, mostWindow = -1.2, 1.2
	// drifts is how far, in feet, somebody moves away who was left (assumption).
	drifts = 5.0
	// otherPass is what it costs to look at another receiver first, in seconds (assumption).
	otherPass = 0.2
	// extraPass is what one more pass costs, in seconds (assumption: catch, look, release).
	extraPass = 0.35
	// atRim is how near the ring, in feet, a shot is a layup (assumption).
	atRim = 6.0
)

// Release is how long a shot takes from the catch, or from the end of a drive, in
// seconds (assumption): a layup is on its way sooner than a jumper.
func Release(feet float64) float64 {
	if feet <= atRim {
		return 0.5
	}
	return 0.65
}

// Play runs a try against every defender. The shot is judged where and when it leaves
// the hand.
func (m *Moment) Play(t *Try) Outcome {
	run := m.runOf(t, t.Receiver)
	end := m.Attack[t.Receiver].At
	arrive := 0.0
	if run != nil {
		end, arrive = m.meets(run)
	}
	o := Outcome{End: end, Ball: arrive, Way: Kept, By: -1, Next: -1}
	if t.Receiver != m.Ball {
		m.throw(t, &o, arrive)
	}
	if o.Way == Blocked {
		o.Window = LeastWindow
		return o
	}
	shot, released := m.release(run, end, o.Ball)
	o.End = shot
	if (run == nil || !run.ToRim) && shot.Len() > m.Range {
		o.Window = LeastWindow
		return o // nobody shoots from there
	}
	own, help, ownBy, helpBy := math.Inf(1), math.Inf(1), -1, -1
	for d := range m.Defenders {
		if run != nil && (run.Dribble || t.Receiver == m.Ball) && m.onBack(d, run) {
			continue // on the driver's back
		}
		react := m.reaction(d, t.Receiver, shot)
		if t.Stops && m.keepsBack(d, t.Receiver, shot) {
			react += arrive
		}
		w := m.contest(d, t, run, shot, react) - released
		if run != nil && m.cutOff(d, t.Receiver, run) < 0 {
			w = LeastWindow // stopped on the way
		}
		if m.minds(d) == t.Receiver || m.close(d, shot) {
			if w < own {
				own, ownBy = w, d
			}
		} else if w < help {
			help, helpBy = w, d
		}
	}
	o.Window, o.By = own, ownBy
	if help < own {
		// A helper gives up an own player: the next pass may be better.
		o.Window, o.By = help, helpBy
		if next := math.Min(own, m.left(t, helpBy, end, o.Ball)); next > help {
			o.Window, o.Next = next, m.Defend[helpBy].Guards
		}
	}
	o.Window = math.Max(LeastWindow, math.Min(mostWindow, o.Window))
	o.Feet = feetAt(o.Window, run != nil && run.ToRim)
	return o
}

// meets is where and when a runner is ready for the ball: at the end of the path, at a
// stop, or so many feet before it in stride.
func (m *Moment) meets(r *Run) (court.Point, float64) {
	mover := Mover{m.Attack[r.Who].At, m.Attack[r.Who].Velocity}
	runner := m.runner(r)
	if !r.ToRim {
		return r.Path[len(r.Path)-1], r.Delay + runner.StopAt(mover, r.Path)
	}
	last := len(r.Path) - 1
	from := mover.At
	if last > 0 {
		from = r.Path[last-1]
	}
	at := r.Path[last].Toward(from, math.Min(r.Stride, r.Path[last].Dist(from)))
	path := append(append(make([]court.Point, 0, 8), r.Path[:last]...), at)
	return at, r.Delay + runner.Arrival(mover, path)
}

// release is where and when the shot leaves the hand.
func (m *Moment) release(r *Run, end court.Point, ball float64) (court.Point, float64) {
	if r == nil || !r.ToRim {
		return end, ball + Release(end.Len())
	}
	at := ball + Release(0)
	shot, _ := m.runner(r).Along(Mover{m.Attack[r.Who].At, m.Attack[r.Who].Velocity}, r.Path, at-r.Delay)
	return shot, at
}

func (m *Moment) runner(r *Run) Runner {
	if r.Dribble {
		return m.Pace.Dribbling()
	}
	return m.Pace.Cutting()
}

func (m *Moment) runOf(t *Try, who int) *Run {
	for i := range t.Runs {
		if t.Runs[i].Who == who && len(t.Runs[i].Path) > 0 {
			return &t.Runs[i]
		}
	}
	return nil
}

// throw fills in how and when the ball gets to the receiver.
func (m *Moment) throw(t *Try, o *Outcome, arrive float64) {
	from := m.Attack[m.Ball].At
	if run := m.runOf(t, m.Ball); run != nil && t.Leaves > 0 {
		from, _ = m.Pace.Dribbling().Along(Mover{from, m.Attack[m.Ball].Velocity}, run.Path, math.Max(0, t.Leaves-run.Delay))
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
		o.Way, o.Ball = Over, math.Max(arrive, t.Leaves+far/m.Pace.Skip)
		for d := range m.Defenders {
			if m.minds(d) != t.Receiver && m.Defend[d].At.Len() < lobReach {
				o.Way = Blocked
			}
		}
		return
	}
	speed := m.Pace.Pass
	if far > longPass {
		speed = m.Pace.Skip
	}
	leaves := math.Max(t.Leaves, arrive-far/speed)
	o.Way, o.Ball = Straight, leaves+far/speed
	if !m.takes(t, from, o.End, leaves, speed, math.Inf(1), 0) {
		return
	}
	leaves = math.Max(t.Leaves, arrive-far/m.Pace.Skip)
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
		if at.Dist(from) < nearPasser && m.minds(d) == m.Ball || court.SegmentDist(at, from, to) > laneReach+length/speed*m.Pace.Top+m.Pace.Top*leaves {
			continue
		}
		for gone := step; gone < length-laneReach; gone += step {
			p := from.Add(way.Scale(gone / length))
			if p.Dist(to) > fromEnd || p.Dist(from) < nearPasser && at.Dist(from) < nearPasser {
				continue
			}
			// Nobody knows of the pass before it leaves; till then a defender goes on.
			if m.stands(d, p, laneReach, leaves) || m.reach(d, p, laneReach, leaves+m.Pace.React, t)+spare < leaves+gone/speed {
				return true
			}
		}
	}
	return false
}

// stands reports whether a defender who goes on as before is near a place at a time.
func (m *Moment) stands(d int, p court.Point, within, at float64) bool {
	return m.drift(d, at).Dist(p) < within
}

// drift is where a defender is who does not react, at a time: a moving one slows down
// after a stride.
func (m *Moment) drift(d int, t float64) court.Point {
	const stride = 0.5 // seconds (assumption)
	b := &m.Defend[d]
	if b.Velocity == (court.Point{}) {
		return b.At
	}
	to := b.At.Add(b.Velocity.Scale(math.Min(t, stride)))
	for i := range m.Attackers {
		// Whoever runs into a body that stands is stopped there.
		body := &m.Attack[i]
		if body.Velocity.Len() > 1 || body.At.Dist(b.At) < bodyWidth/2 || court.SegmentDist(body.At, b.At, to) >= bodyWidth {
			continue
		}
		near := court.NearestOnSegment(body.At, b.At, to)
		to = b.At.Toward(near, math.Max(0, b.At.Dist(near)-bodyWidth))
	}
	return to
}

// minds is the attacker whom a defender follows: the own one, or the other one where the
// two have exchanged by how they move.
func (m *Moment) minds(d int) int {
	own := m.Defend[d].Guards
	a, b := m.Involved[0], m.Involved[1]
	if own != a && own != b || a == b {
		return own
	}
	x, y := m.defenderOf(a), m.defenderOf(b)
	if x < 0 || y < 0 || !m.switched(x, y, a, b) {
		return own
	}
	return a + b - own
}

// Exchanged reports whether the two involved defenders follow each other's attacker.
func (m *Moment) Exchanged() bool {
	x := m.defenderOf(m.Involved[0])
	return x >= 0 && m.minds(x) != m.Involved[0]
}

func (m *Moment) defenderOf(a int) int {
	for d := range m.Defenders {
		if m.Defend[d].Guards == a {
			return d
		}
	}
	return -1
}

// switched reports whether two defenders are nearer to each other's attacker, and will
// be after a reaction as they move.
func (m *Moment) switched(x, y, a, b int) bool {
	const clearly = 1.0 // feet (assumption)
	apart := func(t float64) float64 {
		dx, dy := m.drift(x, t), m.drift(y, t)
		pa, pb := m.Attack[a].At.Add(m.Attack[a].Velocity.Scale(t)), m.Attack[b].At
		return dx.Dist(pa) + dy.Dist(pb) - dx.Dist(pb) - dy.Dist(pa)
	}
	return apart(0) > clearly && apart(m.Pace.React) > clearly
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
	b := &m.Defend[d]
	before := b.At.Dist(p)
	at := m.drift(d, react)
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
				rest := math.Max(0, path[0].Dist(path[1])-within)
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
	return late + r.timeFrom(math.Min(speed, r.Top), feet)
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

// cutOff is how many seconds a defender comes late to cut a run off: negative for one
// who stands or gets in its way first. Those behind its start are not met.
func (m *Moment) cutOff(d, receiver int, r *Run) float64 {
	from := m.Attack[r.Who].At
	if m.Defend[d].At.Sub(from).Dot(r.Path[0].Sub(from)) <= 0 {
		return math.Inf(1)
	}
	runner := m.runner(r)
	react := m.reaction(d, receiver, r.Path[len(r.Path)-1])
	within := bodyReach
	if m.minds(d) == receiver || m.engaged(d, receiver) {
		within = armReach
	}
	mover := Mover{from, m.Attack[r.Who].Velocity}
	worst, gone := math.Inf(1), 0.0
	at := from
	for leg, to := range r.Path {
		length := at.Dist(to)
		if length == 0 {
			continue
		}
		last := leg == len(r.Path)-1
		for s := step; s < length || s < length+step && !last; s += step {
			p := at.Add(to.Sub(at).Scale(math.Min(1, s/length)))
			t := r.Delay + runner.Arrival(mover, []court.Point{at.Add(to.Sub(at).Unit().Scale(gone + math.Min(s, length)))})
			if m.Defend[d].At.Dist(p) <= within && t < react {
				return -t // stands in the way
			}
			worst = math.Min(worst, m.reach(d, p, within, react, nil)-t)
		}
		gone += length
		at = to
	}
	return worst
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
	return from.Dist(r.Path[len(r.Path)-1]) > went && m.Defend[d].At.Sub(from).Dot(r.Path[0].Sub(from)) < 0
}

// left is the window of the pass to the attacker whom a helper left, less what that pass
// costs: from the passer at once to one who was ready for it, else one more pass from the
// catch.
func (m *Moment) left(t *Try, helper int, from court.Point, caught float64) float64 {
	if t.Other == nil || m.Defend[helper].Guards != t.Other.Who || m.Ball == t.Other.Who {
		return m.next(helper, from, caught) - extraPass
	}
	one := Try{Runs: []Run{*t.Other}, Receiver: t.Other.Who, Leaves: m.Pace.HelpReact()}
	late := *m
	// The helper has gone to the catch until the ball leaves, and comes back from there.
	gone := math.Max(0, late.Defend[helper].At.Dist(from)-Contest)
	late.Defend[helper].At = late.Defend[helper].At.Toward(from, math.Min(gone, m.Pace.Cutting().Covered(m.Pace.React)))
	late.Defend[helper].Velocity = court.Point{}
	late.late = helper + 1
	o := late.Play(&one)
	if o.Way == Blocked {
		return LeastWindow
	}
	return o.Window - otherPass
}

// next is the window of one more pass from a catch, to the attacker whom a helper left.
func (m *Moment) next(helper int, from court.Point, caught float64) float64 {
	left := m.Defend[helper].Guards
	if left == m.Ball {
		return math.Inf(-1)
	}
	// The one who was left moves away from the crowd.
	to := m.Attack[left].At
	to = to.Add(to.Sub(from).Unit().Scale(math.Min(drifts, m.Pace.Cutting().Covered(caught))))
	ball := caught + from.Dist(to)/m.Pace.Pass
	window := math.Inf(1)
	for d := range m.Defenders {
		w := m.reach(d, to, Contest, caught, nil)
		if d == helper {
			// The helper has to come back from where the catch is.
			w = caught + m.Pace.React + m.Pace.Cutting().TimeTo(math.Max(0, from.Dist(to)-Contest))
		}
		window = math.Min(window, w-ball-Release(to.Len()))
	}
	return window
}

// feetAt is how far the nearest defender is when a shot leaves the hand, from how many
// seconds later that defender bothers it: coming to a stop before a jump shot, running at
// one at the rim.
func feetAt(window float64, toRim bool) float64 {
	const running = 15.0 // ft/s of somebody who chases (assumption)
	switch {
	case window < 0:
		return math.Max(0, Contest+running*window)
	case toRim:
		return Contest + running*window
	}
	return Contest + Braking*window*window/2 + SlowWalk*window
}
