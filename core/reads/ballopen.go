package reads

import (
	"math"

	"evrik/core/court"
	"evrik/core/motion"
)

// Figures of the second opinion where the ball is in the screen, in the handoff
// or in the post (assumptions).
const (
	// comingOff is how fast a handler comes off the screen, ft/s.
	comingOff = 7.0
	// gather is the time from a drive's end to the shot, seconds.
	gather = 0.15
	// dragging is how long a handler draws two men out before he passes, seconds.
	dragging = 0.6
	// headTurned is how much later a defender sees a cut when he looks at the ball, seconds.
	headTurned = 0.5
	// onBall is how near the passer a defender is who can be passed round, feet.
	onBall = 5.0
	// drove is how far somebody must have gone with the ball before a defender
	// behind him no longer bothers the shot, feet.
	drove = 2.0
	// allAlone is the separation in feet where no defender is left in front.
	allAlone = 12.0
)

// ballOption runs one read of a table whose ball is in the screen, in the
// handoff, or in the post: who ends with the ball, how near his and the other
// involved defenders are then, and how near the rest.
func (sc *Screen) ballOption(fl *Floor, f *frame, s *Situation, read Read) Option {
	owner, to := sc.ball(), sc.ballTo(s, read)
	path, from := sc.optionPath(fl.Court, f, s, read, to)
	end := path[len(path)-1]
	o := Option{Read: read, Feet: end.Len(), Pass: Direct}
	run := sc.arrival(fl, f, s, to, owner, from, path)
	o.Seconds = run
	if to != owner {
		leave := released
		if read == DragOut || read == PassOut {
			leave = dragging
		}
		o.Pass, o.Seconds = sc.ballFlight(fl, s, owner, to, end, leave, run, read)
	}
	o.Separation, o.Help = math.Inf(1), math.Inf(1)
	for _, p := range sc.People {
		if !p.ID.Defends() {
			continue
		}
		at := sc.chaser(fl, f, s, p.ID, to, read).at(s, end, o.Seconds)
		switch {
		case !sc.involved(p, to, owner):
			o.Help = math.Min(o.Help, at.Dist(end))
		case to == cutter && beaten(s.At(p.ID), from, path):
			// He is on the ball's back.
		default:
			o.Separation = math.Min(o.Separation, at.Dist(end))
			// A defender who does not look does not stop a cut that passes him.
			blind := p.ID == xCutter && s.Eyes != (court.Point{}) && turnedAway.holds(s, f)
			if by := passesBy(from, path, s.At(p.ID)); by < Reach && !blind {
				o.Separation = math.Min(o.Separation, by)
			}
		}
	}
	o.Separation = math.Min(o.Separation, allAlone)
	o.Help = math.Min(o.Help, allAlone)
	o.Openness = OpennessOf(o.Separation)
	return o
}

// optionPath is the way of whoever ends with the ball, and where it starts.
func (sc *Screen) optionPath(c court.Court, f *frame, s *Situation, read Read, to Place) (path []court.Point, from court.Point) {
	from = s.At(to)
	switch to {
	case cutter:
		path = cutPath(c, f, s, read)
		if read == HandBack {
			path = path[:1] // the ball is handed over at the post's hip
		}
	case screener:
		if then, ok := partner[read]; ok {
			path = screenerPath(c, f, s, then)
		} else if read == Lob {
			path = []court.Point{finishNear(from)}
		}
	case second:
		if read == HighLow {
			// High to low: the ball ends with the post at the rim.
			path = []court.Point{from}
		} else {
			path = []court.Point{behindArc(c, from)}
		}
	}
	if len(path) == 0 {
		path = []court.Point{from}
	}
	return path, from
}

// arrival is when he is there: with the ball a little slower, and not before he
// has gathered it for the shot.
func (sc *Screen) arrival(fl *Floor, f *frame, s *Situation, to, owner Place, from court.Point, path []court.Point) float64 {
	m := motion.Mover{At: from}
	late := 0.0
	r := fl.Pace.Cutting()
	if to == cutter && !sc.spots.free {
		if path[0].Sub(from).Dot(f.a) >= 0 {
			m.Velocity = f.a.Scale(comingOff)
		} else {
			late = Plant
		}
	}
	if to == owner || sc.Family == Handoffs && to == cutter {
		r, late = fl.Pace.Dribbling(), late+gather
	}
	return late + r.Arrival(m, path)
}

// ballFlight is how and when the ball gets to a catch. A defender in its way
// takes it, unless he is on the ball, where he can be passed round, or it goes
// over him.
func (sc *Screen) ballFlight(fl *Floor, s *Situation, owner, to Place, end court.Point, leave, run float64, read Read) (Pass, float64) {
	start := s.At(owner)
	far := start.Dist(end)
	direct := math.Max(run, leave+far/fl.Pace.Pass)
	over := math.Max(run, leave+far/fl.Pace.Skip)
	if read == Lob {
		for _, p := range sc.People {
			if p.ID.Defends() && p.Guards != to && s.At(p.ID).Len() < LobHelp {
				return NoPass, over
			}
		}
		return Skip, over
	}
	pass, t := Direct, direct
	for _, p := range sc.People {
		x := s.At(p.ID)
		if !p.ID.Defends() || x.Dist(start) < onBall || x.Dist(end) < LaneWidth || court.SegmentDist(x, start, end) >= LaneWidth {
			continue
		}
		pass, t = Skip, over
		if x.Dist(end) < SkipReach {
			return NoPass, over
		}
	}
	return pass, t
}

// beaten reports whether a defender starts behind somebody who goes somewhere
// with the ball: on his back he bothers no shot.
func beaten(x, from court.Point, path []court.Point) bool {
	return from.Dist(path[len(path)-1]) > drove && x.Sub(from).Dot(path[0].Sub(from)) < 0
}

// involved reports whether a defender counts against a read. At a ball screen
// they are guard, big and the receiver's own man; at a handoff his own man
// alone, as off the ball; round the post everybody but the man on the ball.
func (sc *Screen) involved(p Person, to, owner Place) bool {
	switch {
	case sc.Family == Handoffs || sc.ID == Ghost:
		return p.Guards == to
	case sc.Family == PostPlay:
		return p.Guards != owner || to == owner
	}
	return p.ID == xCutter || p.ID == xScreener || p.Guards == to
}

// jumpers are reads that end in a jump shot: the big keeps between ball and rim
// and comes out only when he sees the stop.
var jumpers = map[Read]bool{PullUp: true, Snake: true, ShootBehind: true, StepBack: true}

// chaser is how a defender goes after a read.
func (sc *Screen) chaser(fl *Floor, f *frame, s *Situation, x, to Place, read Read) pursuer {
	p := pursuer{from: s.At(x), late: fl.Pace.HelpReact(), runs: fl.Pace.Cutting()}
	if x.man() == to || to == cutter && (x == xCutter || x == xScreener) {
		p.late = fl.Pace.React
	}
	if x == xScreener && (jumpers[read] || read == Feed) {
		p.late = math.Inf(1)
	}
	if x == xCutter {
		iced := sc.Family == BallUp && jumped.holds(s, f) && bigBelow.holds(s, f)
		if !sc.spots.free && !iced {
			p.pace = f.a.Scale(comingOff)
		}
		if s.Eyes != (court.Point{}) && turnedAway.holds(s, f) {
			p.late += headTurned
		}
	}
	return p
}

var turnedAway = watches(xCutter, screener, cutter)

func (c *cond) holds(s *Situation, f *frame) bool {
	feet, _ := c.measure(s, f)
	return feet >= 0
}
