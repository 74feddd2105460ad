package offense

import (
	"math"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
)

// fromScreen is the look of whoever comes off a screen: the referee's window of the answer
// that was made, unless a helper who is on the floor is there sooner.
func (g *possessionPlay) fromScreen(c *cycle, l *leg, cov *coverage, t float64) bool {
	right, other := g.knows(l.player, cov.reads[0]), g.luck.IntN(len(cov.options))
	made := cov.options[cov.right]
	if !right {
		made = cov.options[other]
		if g.lost(wrongLost) {
			return false
		}
	}
	holder := c.holder(t)
	if made.Pass == reads.NoPass || made.To != cov.cutter {
		return false
	}
	look := Look{Player: l.player, Kind: OffScreen, T: t + made.Seconds, Feet: made.Feet}
	if l.act == Drive {
		look.Kind = OffBall
	}
	if l.act == Use && g.sim.offense.Catch == CatchLine && made.Feet > lineCatch {
		made.Feet, look.Feet = lineCatch, lineCatch
	}
	window := min(made.Window, g.help(c, l, &made, t)) - g.sim.assumed.ReadLate
	sees := holder == l.player || g.finds(holder)
	if made.Feet <= rimFeet && sees && window < made.Window-g.sim.assumed.ReadLate {
		if g.offer(look, window) {
			return true
		}
		// Help is at the rim: a stop short of it.
		made.Feet, look.Feet = stopShort, stopShort
		return g.offer(look, min(made.Window, g.help(c, l, &made, t)))
	}
	return sees && g.offer(look, window)
}

// help is the window that is left by the defenders who are in neither part of the screen.
func (g *possessionPlay) help(c *cycle, l *leg, made *reads.Option, t float64) float64 {
	shot := court.Point{}.Toward(l.path[len(l.path)-1], made.Feet)
	window := math.Inf(1)
	late := g.pace.HelpReact()
	for i := range five {
		// Whoever leaves an own player for a jump shot opens the next pass.
		who := g.def.guards[i]
		if who == l.player || who == l.other || made.Feet > rimFeet && g.def.at[i].Dist(shot) > nearby {
			continue
		}
		there := late + g.pace.Cutting().TimeTo(max(0, g.def.at[i].Dist(shot)-motion.Contest))
		window = min(window, there-made.Seconds-motion.Release(made.Feet))
	}
	return window
}

// fromSet is the look of a screener when the screen has been used: to the rim or out to
// the own spot, whichever is more open if it is read right, else the other.
func (g *possessionPlay) fromSet(c *cycle, l *leg, cov *coverage, t float64) bool {
	holder := c.holder(t)
	if l.other < 0 || l.other == holder || !g.finds(holder) {
		return false
	}
	right := g.knows(l.other, cov.reads[1])
	m := g.moment(c, t, holder)
	none := motion.Outcome{Window: motion.LeastWindow}
	best, second := none, none
	for _, run := range [...]motion.Run{
		{Who: l.other, Path: []court.Point{{}}, ToRim: true, Stride: rimFeet},
		{Who: l.other, Path: []court.Point{g.spotAfter(c, l.other)}},
	} {
		try := motion.Try{Runs: []motion.Run{run}, Receiver: l.other}
		o := g.shot(&m, &try)
		if alone(&o) > alone(&best) {
			best, second = o, best
		} else {
			second = o
		}
	}
	if !right {
		best = second
	}
	look := Look{Player: l.other, Kind: OffSet, T: t + best.Ball, Feet: best.End.Len(), Screened: true}
	return g.offer(look, alone(&best)-g.sim.assumed.ReadLate/2) // the screener sees the cutter read first
}

// spotAfter is where a player belongs when the answer has been run.
func (g *possessionPlay) spotAfter(c *cycle, player int) court.Point {
	return g.sim.floor.spots[c.after.spotOf(g.sim.offense, player)]
}
