package offense

import (
	"math"

	"evrik/core/court"
	"evrik/core/motion"
)

// Where defenders stand, and how they get there: step by step, by the same pace as the
// offense, a reaction late.

// tick is how far apart, in seconds, the steps are in which defenders move.
const tick = 0.15

// Figures of where a defender stands (assumptions).
const (
	// guardFeet is how far between the own player and the ring; sag how much further for
	// every foot that the ball is farther away than sagFrom.
	guardFeet = 3.0
	sag       = 0.10
	sagFrom   = 15.0
	// ballSide is how far toward the ball a defender stands who is off it.
	ballSide = 1.5
	// helpNear and helpFar are how many feet from the ball help begins and is complete; helpShare
	// is how much of the way into the lane it goes then.
	helpNear, helpFar = 18.0, 32.0
	helpShare         = 0.6
	// laneFeet is how far toward the ball a defender steps into the passing lane, laneNear
	// and laneFar from how near on and how far off a pass is denied.
	laneFeet, laneNear, laneFar = 4.5, 6.0, 30.0
	// sliding is the share of the top speed with which defenders move who face the ball.
	sliding = 0.85
	// beatenBy is how many feet nearer the rim a cutter is than the own defender when help
	// comes, helpWithin how near the rim.
	beatenBy, helpWithin = 1.0, 16.0
	// seesPass is how much sooner a zone moves, which watches the passer, in seconds.
	seesPass = 0.25
	// showsFor is how long a screener's defender steps out at the cutter, in seconds.
	showsFor = 0.6
)

// guard is where a defender stands between the own player and the ring while the ball is so
// many feet from that player.
func guard(own court.Point, far float64) court.Point {
	from := own.Len()
	if from == 0 {
		return own
	}
	off := guardFeet + sag*max(0, far-sagFrom)
	return own.Scale(1 - min(0.6, off/from))
}

// lane is the middle of the lane, where help waits.
var lane = court.Point{X: 0, Y: 7}

func clamp01(x float64) float64 { return max(0, min(1, x)) }

// stand is where a defender of a player wants to be, as far off the ball as the dials say.
func (d *Dials) stand(own, ball court.Point, denies bool) court.Point {
	far := own.Dist(ball)
	at := guard(own, far)
	if far < 1 {
		return at // on the ball
	}
	if denies && far > laneNear && far < laneFar {
		return own.Toward(ball, laneFeet)
	}
	if far > laneNear {
		at = at.Toward(ball, ballSide*clamp01(far/laneNear-1))
	}
	if far > helpNear {
		help := d.Help * clamp01((far-helpNear)/(helpFar-helpNear)) * helpShare
		at = at.Add(lane.Sub(at).Scale(help))
	}
	return at
}

// defenders are five who guard, or a zone.
type defenders struct {
	dials *Dials
	// foresight is how much of the way a runner makes within a reaction they foresee.
	foresight float64
	zone      bool
	run       motion.Runner
	react     float64
	at, v     [five]court.Point
	// guards is whose defender each is; late for how much longer than usual one reacts,
	// until when; denies who stands in the lane of a wing.
	guards [five]int
	late   [five]float64
	until  [five]float64
	denies [five]bool
	// shows is whose way each steps into until showsTo; -1 for nobody's.
	shows   [five]int
	showsTo [five]float64
	// helper is who has left the own player to help on the one called rescue; -1 for nobody.
	helper, rescue int
	// sawAt is where each attacker was seen in the step before, at sawT.
	sawAt [five]court.Point
	sawT  float64
}

// begin puts the defenders where they belong.
func (f Floor) begin(d *Dials, zone bool, place [five]court.Point, ball int) defenders {
	out := defenders{dials: d, foresight: usual.Foresight, zone: zone, run: f.Pace.Cutting(),
		react: f.Pace.React * d.React}
	out.run.Top *= sliding
	for i := range out.guards {
		out.guards[i], out.shows[i] = i, -1
		out.at[i] = d.stand(place[i], place[ball], false)
		if zone {
			out.at[i] = zoneSpot(i, place[ball])
		}
	}
	return out
}

// step moves everybody by a tick to time t of a cycle.
func (d *defenders) step(c *cycle, t float64) {
	ball := d.seen(c, t)
	if !d.zone {
		d.call(c, t-d.react)
	}
	for i := range d.at {
		var to, along court.Point
		if d.zone {
			to = zoneSpot(i, ball)
		} else {
			to, along = d.follow(c, i, t, ball)
		}
		d.move(i, to, along)
	}
	d.sawT = t
}

// follow is where a defender of a player wants to be, and how fast that place moves.
func (d *defenders) follow(c *cycle, i int, t float64, ball court.Point) (to, along court.Point) {
	who := d.guards[i]
	if d.shows[i] >= 0 && t < d.showsTo[i] {
		return c.at(d.shows[i], t-d.react).Toward(court.Point{}, 1), along
	}
	lag := d.react
	if t < d.until[i] {
		lag += d.late[i]
	}
	// Who runs is met where the run leads, as far as it is seen.
	own := c.at(who, max(c.start, t-lag))
	before := d.sawAt[who]
	if d.sawAt[who] = own; d.sawT < t-tick*3/2 || lag != d.react {
		before = c.at(who, max(c.start, t-lag-tick))
	}
	if own != before {
		along = own.Sub(before).Scale(1 / tick)
		// Who is about to stop slows down before, which is seen.
		if most := 2 * motion.Braking * c.toGo(who, t); along.Dot(along) > most {
			along = along.Unit().Scale(math.Sqrt(most))
		}
		own = own.Add(along.Scale(d.foresight * d.react))
	}
	if d.helper == i {
		return c.at(d.rescue, t).Toward(court.Point{}, 1), along
	}
	return d.dials.stand(own, ball, d.denies[i]), along
}

// call sends the nearest helper to a cutter who has left the own defender behind.
func (d *defenders) call(c *cycle, t float64) {
	d.helper = -1
	for k := range c.legs {
		l := &c.legs[k]
		if l.rim == 0 || t < l.start || t > l.rim {
			continue
		}
		at, own := c.at(l.player, t), d.of(l.player)
		if at.Len() > helpWithin || d.at[own].Len() < at.Len()+beatenBy {
			continue
		}
		near := math.Inf(1)
		for i := range d.at {
			if far := d.at[i].Dist(lane); i != own && d.guards[i] != c.holder(t) && far < near {
				near, d.helper, d.rescue = far, i, l.player
			}
		}
		return
	}
}

// seen is where the ball is or goes as far as the defense has reacted.
func (d *defenders) seen(c *cycle, t float64) court.Point {
	if c.answer.Ball == Handed || c.answer.Ball == Stays {
		return c.ball(max(c.start, t-d.react))
	}
	moves := c.leaves + (1-d.dials.Jump)*(c.catch-c.leaves) + d.react
	if d.zone {
		moves -= seesPass
	}
	if t < moves {
		return c.place[c.from]
	}
	return c.at(c.to, max(c.catch, t-d.react))
}

// nearest is the defender nearest to a place.
func (d *defenders) nearest(p court.Point) int {
	best := 0
	for i := range d.at {
		if d.at[i].Dist(p) < d.at[best].Dist(p) {
			best = i
		}
	}
	return best
}

// move takes a defender toward a place that moves, for a tick, by what the pace allows.
func (d *defenders) move(i int, to, along court.Point) {
	way, want := to.Sub(d.at[i]), along
	if far := way.Len(); far > 0 {
		// As fast as one can still stop there, and along with it.
		speed := min(d.run.Top, math.Sqrt(2*motion.Braking*far), far/(2*tick))
		want = want.Add(way.Scale(speed / far))
	}
	want = want.AtMost(d.run.Top)
	dv := want.Sub(d.v[i]).AtMost(d.run.Accel * tick)
	d.v[i] = d.v[i].Add(dv)
	d.at[i] = d.at[i].Add(d.v[i].Scale(tick))
}

// swap lets two defenders exchange their players.
func (d *defenders) swap(a, b int) {
	i, k := d.of(a), d.of(b)
	d.guards[i], d.guards[k] = b, a
}

// of is the defender of a player.
func (d *defenders) of(player int) int {
	for i, who := range d.guards {
		if who == player {
			return i
		}
	}
	return player
}

// fool lets the defender of a player react later for a while.
func (d *defenders) fool(player int, by, until float64) {
	i := d.of(player)
	d.late[i], d.until[i] = by, until
}
