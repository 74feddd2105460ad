package offense

import (
	"math/rand/v2"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
)

// Look is a chance for a shot that nobody bothers.
type Look struct {
	Player int    `json:"player"`
	Kind   string `json:"kind"` // what it came from, see Kinds
	// Separation is how far in feet the nearest defender is when the shot leaves the hand.
	Separation float64 `json:"separation"`
	T          float64 `json:"t"`    // seconds in, when the ball is there
	Feet       float64 `json:"feet"` // from the ring
	// Screened is true for somebody who has just set a screen.
	Screened bool `json:"screened"`
	Three    bool `json:"three"`
}

// What looks come from: a cut, coming off a screen or setting one, a drive or the pass out
// of it, the post, and against a zone a cut into a gap, a flash and the ball swung round.
const (
	OffCut    = "cut"
	OffScreen = "screen"
	OffSet    = "screener"
	OffBall   = "drive"
	OffKick   = "kick"
	OffPost   = "post"
	OffPass   = "pass" // a catch outside that nobody gets to in time
	OffGap    = "gap"
	OffFlash  = "flash"
	OffSwing  = "swing"
)

// Kinds lists what looks come from, with what people read.
func Kinds() []Choice {
	return []Choice{{OffCut, "a cut"}, {OffScreen, "coming off a screen"}, {OffSet, "the screener"},
		{OffBall, "a drive"}, {OffKick, "a pass out of a drive"},
		{OffPost, "the post"}, {OffPass, "a catch outside"}, {OffGap, "a cut into a gap"},
		{OffFlash, "a flash to the line"}, {OffSwing, "the ball swung round"}}
}

// Figures of the looks (assumptions, but for the open shot).
const (
	// shotRange is how far behind the arc somebody shoots, in feet.
	shotRange = 4.0
	// rimFeet is up to where a look is at the rim.
	rimFeet = 6.0
	// sight is how long after the catch a passer looks for the cutter, cutAhead how long
	// before the rim the ball is thrown, in seconds.
	sight, cutAhead = 0.2, 0.5
	// patience is until which pass only layups are taken; with it a jump shot too that a cut
	// or a screen has made.
	patience = 2
	// stopShort is how far from the ring, in feet, a cutter stops in front of help.
	stopShort = 12.0
	// nearby is from how near, in feet, a helper bothers a jump shot.
	nearby = 6.0
	// dropStep is how much nearer the ring a post finishes whose defender is sealed, in feet.
	dropStep = 4.0
	// pastFeet is how far beside the own defender a cut goes by, in feet.
	pastFeet = 2.8
	// covered is how near a defender runs beside a cutter to whom nobody throws, in feet.
	covered = 2.5
	// closeout is how many feet besides the usual distance a defender has to come who can be
	// driven by; beatsRight and beatsWrong how often that succeeds then, for one who reads the
	// closeout right and one who does not. Kinematics know nothing of it.
	closeout               = 1.2
	beatsRight, beatsWrong = 0.85, 0.35
	// wrongLost and driveLost are how often a wrong read, and a drive at the wrong moment,
	// end in a lost ball; passLost how often any pass does; passReach within how many feet
	// of its line a defender touches a pass.
	wrongLost, driveLost, passLost = 0.05, 0.12, 0.026
	passReach                      = 2.5
	// mostRisk is the most that a pass is touched: one with more in its way is not thrown.
	mostRisk = 0.06
	// unseen is how often a passer throws to a wing who is denied.
	unseen = 0.15
	// flashes is how often somebody flashes against a zone, swings how often the ball goes
	// on at once.
	flashes, swings = 0.35, 0.33
)

// offer takes a window in seconds as a look, if the shot is open with the luck of its
// timing.
func (g *possessionPlay) offer(look Look, window float64) bool {
	look.Separation = motion.Room(window+g.sim.assumed.Timing*g.luck.NormFloat64(), look.Feet <= rimFeet)
	if look.Separation < reads.OpenFrom || look.T > possession || look.Feet > rimFeet && g.early(look.Kind) {
		return false
	}
	look.Three = look.Feet >= g.sim.floor.Court.ArcRadius
	g.out.Look, g.out.Found = look, true
	return true
}

// early reports whether it is too early for a jump shot of a kind.
func (g *possessionPlay) early(kind string) bool {
	return g.out.Passes < patience || g.out.Passes == patience && quick(kind)
}

// alone is the window against everybody, without one more pass; the least where there is no
// shot at all.
func alone(o *motion.Outcome) float64 {
	if o.Way == motion.Blocked || o.Window <= motion.LeastWindow {
		return motion.LeastWindow
	}
	return o.Alone
}

// quick reports whether a look comes of no cut or screen that was meant for it.
func quick(kind string) bool { return kind == OffPass || kind == OffBall || kind == OffKick }

// moment is everybody at time t of the cycle, as the second opinion sees it.
func (g *possessionPlay) moment(c *cycle, t float64, holder int) motion.Moment {
	m := motion.Moment{Attackers: five, Defenders: five, Ball: holder, ArcRadius: g.sim.floor.Court.ArcRadius,
		Pace: g.pace, Range: g.sim.floor.Court.ArcRadius + shotRange}
	for i := range five {
		at := c.at(i, t)
		m.Attack[i] = motion.Body{At: at, Velocity: at.Sub(c.at(i, t-tick)).Scale(1 / tick)}
		m.Defend[i] = motion.Body{At: g.def.at[i], Velocity: g.def.v[i], Guards: g.def.guards[i]}
	}
	if g.def.zone {
		m.Pace.React *= zoneReact
	}
	m.Settle()
	return m
}

// shot plays a try. In a zone everybody guards whoever gets the ball.
func (g *possessionPlay) shot(m *motion.Moment, t *motion.Try) motion.Outcome {
	if g.def.zone {
		for i := range five {
			m.Defend[i].Guards = t.Receiver
		}
		m.Settle()
	}
	return m.Play(t)
}

// finds reports whether the passer sees whoever is open.
func (g *possessionPlay) finds(holder int) bool { return g.knows(holder, skillFind) }

// fromCatch is the look of whoever has just caught a pass outside.
func (g *possessionPlay) fromCatch(c *cycle) bool {
	m := g.moment(c, c.leaves, c.from)
	t := motion.Try{Receiver: c.to}
	o := g.shot(&m, &t)
	look := Look{Player: c.to, Kind: OffPass, T: c.leaves + o.Ball, Feet: o.End.Len()}
	switch {
	case o.Way == motion.Blocked || o.End.Len() > m.Range:
		return false
	case c.before.Inside == c.to:
		look.Kind = OffPost
	case g.def.zone && g.reversed(c):
		look.Kind = OffSwing
	}
	return g.offer(look, alone(&o))
}

// reversed reports whether the ball has gone from one side of the floor to the other.
func (g *possessionPlay) reversed(c *cycle) bool {
	return g.cameFrom.X*c.place[c.to].X < 0
}

// fromCut is the look of a cutter on the way to the rim.
func (g *possessionPlay) fromCut(c *cycle, l *leg, t float64) bool {
	holder := c.holder(t)
	if l.player == holder || !g.finds(holder) {
		return false
	}
	if g.def.zone {
		if !g.sim.offense.Zone.Gaps || !g.knows(l.player, skillCut) {
			return false
		}
		m := g.moment(c, t, holder)
		o := g.softest(&m, l.player)
		return g.offer(Look{Player: l.player, Kind: OffGap, T: t + o.Ball, Feet: o.End.Len()}, alone(&o))
	}
	right := g.knows(l.player, skillCut)
	if c.answer.On == Denied && !right || g.def.at[g.def.of(l.player)].Within(c.at(l.player, t), covered) {
		return false
	}
	if !right && g.lost(wrongLost) {
		return false
	}
	m := g.moment(c, t, holder)
	o := g.cutPast(&m, l.player, right)
	return g.offer(Look{Player: l.player, Kind: OffCut, T: t + o.Ball}, alone(&o))
}

// cutPast is what a cut to the rim comes to: straight, or past the own defender who is in the
// way, on the better side if it is read right, else on the other one.
func (g *possessionPlay) cutPast(m *motion.Moment, who int, right bool) motion.Outcome {
	at, own := m.Attack[who].At, m.Defend[g.def.of(who)].At
	play := func(path []court.Point) motion.Outcome {
		try := motion.Try{Runs: []motion.Run{{Who: who, Path: path, ToRim: true, Stride: rimFeet}}, Receiver: who}
		return g.shot(m, &try)
	}
	if own.Len() > at.Len() || court.SegmentDist(own, at, court.Point{}) > pastFeet {
		return play([]court.Point{{}})
	}
	beside := own.Unit().Left().Scale(pastFeet)
	front, back := play([]court.Point{own.Add(beside), {}}), play([]court.Point{own.Sub(beside), {}})
	if (alone(&back) > alone(&front)) == right {
		return back
	}
	return front
}

// fromPost is the look of whoever is inside when the ball is on that side.
func (g *possessionPlay) fromPost(c *cycle, t float64) bool {
	who := c.after.Inside
	if who < 0 || who == c.holder(t) || !g.finds(c.holder(t)) {
		return false
	}
	m := g.moment(c, t, c.holder(t))
	sealed := !g.def.zone && g.luck.Float64() < g.sim.assumed.Seals && g.knows(who, skillPost)
	if sealed {
		m.Defend[g.def.of(who)].Away = true
	}
	try := motion.Try{Receiver: who}
	o := g.shot(&m, &try)
	look := Look{Player: who, Kind: OffPost, T: t + o.Ball, Feet: o.End.Len()}
	if sealed {
		look.Feet = max(0, look.Feet-dropStep)
	}
	return g.offer(look, alone(&o))
}

// fromFlash is the look of somebody who comes from behind a zone to the free-throw line.
func (g *possessionPlay) fromFlash(c *cycle, t float64) bool {
	if !g.sim.offense.Zone.Flash || g.luck.Float64() >= flashes {
		return false
	}
	m := g.moment(c, t, c.holder(t))
	who, far := -1, 0.0
	for i := range five {
		if d := m.Attack[i].At.Dist(m.Attack[m.Ball].At); d > far {
			who, far = i, d
		}
	}
	if !g.knows(who, skillCut) {
		return false
	}
	o := g.softest(&m, who)
	return g.finds(m.Ball) && g.offer(Look{Player: who, Kind: OffFlash, T: t + o.Ball, Feet: o.End.Len()}, alone(&o))
}

// lost loses the ball with a probability.
func (g *possessionPlay) lost(probability float64) bool {
	g.out.Lost = g.out.Lost || g.luck.Float64() < probability*g.sim.assumed.Losses
	return g.out.Lost
}

// thrown reports whether the pass of a cycle is lost: touched by a defender near its line,
// or thrown away.
func (g *possessionPlay) thrown(c *cycle, denied bool) bool {
	from, to := c.place[c.from], c.at(c.to, c.catch)
	risk, near := passLost, 0.0
	if denied {
		risk += g.sim.defense.Dials.Hands
	}
	for i := range five {
		at := g.def.at[i]
		if at.Dist(from) < laneNear || at.Dist(to) < guardFeet {
			continue
		}
		near += g.sim.defense.Dials.Hands * clamp01(1-court.SegmentDist(at, from, to)/passReach) / 2
	}
	return g.lost(risk + min(mostRisk, near))
}

// mixed is a number that depends on three others and on nothing else.
func mixed(game uint64, player, skill int) uint64 {
	var source rand.PCG
	source.Seed(game, uint64(player*1000+skill))
	return source.Uint64()
}
