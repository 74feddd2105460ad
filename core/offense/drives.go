package offense

import (
	"evrik/core/court"
	"evrik/core/motion"
)

// fromDrive is the look of whoever drives at a defender who comes hard: at the rim, a pull-up
// where help waits, or the pass to somebody whom the helper left.
func (g *possessionPlay) fromDrive(c *cycle) bool {
	from, own := c.at(c.to, c.catch), g.def.of(c.to)
	if g.def.zone {
		own = g.def.nearest(from)
	}
	goes := g.luck.Float64() < drives[g.sim.offense.Dribble]*g.sim.assumed.Drives
	right, beats := g.knows(c.to, skillDrive), beatsWrong
	if right {
		beats = beatsRight
	}
	gap := from.Dist(g.def.at[own])
	if past := g.luck.Float64() < beats*g.sim.assumed.Beats*clamp01((gap-guardFeet)/closeout); !goes || !past {
		return false
	}
	m := g.moment(c, c.catch, c.to)
	// The defender who is beaten is on the driver's back.
	m.Defend[own].At, m.Defend[own].Velocity = from.Toward(court.Point{}, -1), court.Point{}
	found := g.past(c, &m)
	if !found && !right {
		g.lost(driveLost)
	}
	return found
}

// past is what a driver finds who has gone by the own defender: the rim, somebody whom a
// helper has left, or a stop short of the help.
func (g *possessionPlay) past(c *cycle, m *motion.Moment) bool {
	run := motion.Run{Who: c.to, Path: []court.Point{{}}, Dribble: true, ToRim: true}
	try := motion.Try{Runs: []motion.Run{run}, Receiver: c.to}
	o := g.shot(m, &try)
	if o.By >= 0 && m.Defend[o.By].Guards != c.to {
		try.Other = &motion.Run{Who: m.Defend[o.By].Guards}
		o = g.shot(m, &try)
	}
	at := c.catch + o.Ball
	if g.offer(Look{Player: c.to, Kind: OffBall, T: at}, alone(&o)) {
		return true
	}
	kick := o.Next >= 0 && o.Next != c.to && g.finds(c.to)
	if kick && g.offer(Look{Player: o.Next, Kind: OffKick, T: at, Feet: m.Attack[o.Next].At.Len()}, o.Window) {
		return true
	}
	best := motion.Outcome{Window: motion.LeastWindow}
	if g.early(OffBall) {
		return g.offer(Look{Player: c.to, Kind: OffBall, T: at, Feet: pullUps[0]}, alone(&best))
	}
	for _, feet := range pullUps {
		run.ToRim, run.Path = false, []court.Point{court.Point{}.Toward(m.Attack[c.to].At, feet)}
		stop := motion.Try{Runs: []motion.Run{run}, Receiver: c.to, Stops: true}
		if o := g.shot(m, &stop); alone(&o) > alone(&best) {
			best = o
		}
	}
	return g.offer(Look{Player: c.to, Kind: OffBall, T: c.catch + best.Ball, Feet: best.End.Len()}, alone(&best))
}

// drives is how often whoever catches drives at a defender who comes hard, by the rule.
var drives = map[DribbleRule]float64{DriveOnly: 0.85, TwoDribbles: 0.85, FreeDribble: 1}

// pullUps are from where, in feet, somebody shoots who is stopped on a drive (assumption).
var pullUps = [...]float64{8, 11, 15}
