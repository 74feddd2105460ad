package offense

import (
	"cmp"
	"slices"

	"evrik/core/reads"
)

// event is a moment of a cycle at which there may be a look, or a defender does something.
type event struct {
	t    float64
	kind eventKind
	leg  int
}

type eventKind uint8

const (
	evPass eventKind = iota
	evDrive
	evFlash
	evPost
	evCutStarts
	evCut
	evScreenSet
	evUsed
	evSet
)

// afterUse is how long after a screen has been used the screener's chance comes, and
// postLooks how long after a catch the post is looked at, in seconds (assumptions).
const (
	afterUse  = 0.3
	postLooks = 0.5
)

// plan lists what happens in a cycle, in order.
func (g *possessionPlay) plan(c *cycle) {
	g.events = g.events[:0]
	add := func(t float64, kind eventKind, leg int) {
		g.events = append(g.events, event{max(t, c.start), kind, leg})
	}
	if c.from != c.to && c.answer.Ball != Handed {
		add(c.leaves, evPass, 0)
		add(c.catch, evDrive, 0)
	}
	if g.def.zone {
		add(c.catch+sight, evFlash, 0)
	}
	if c.after.Inside >= 0 {
		add(c.catch+postLooks, evPost, 0)
	}
	for i := range c.legs {
		l := &c.legs[i]
		switch l.act {
		case Cut:
			add(l.start, evCutStarts, i)
			add(max(c.catch+sight, l.rim-cutAhead), evCut, i)
		case Use, Curl, Drive:
			if l.used == 0 || g.def.zone {
				continue
			}
			add(l.used-2*tick, evScreenSet, i)
			add(l.used, evUsed, i)
			if c.answer.Ball != Handed {
				add(l.used+afterUse, evSet, i)
			}
		}
	}
	slices.SortStableFunc(g.events, func(a, b event) int { return cmp.Compare(a.t, b.t) })
}

// run plays a cycle against the defense and reports whether the possession goes on.
func (g *possessionPlay) run(c *cycle, denied bool) bool {
	g.count(c)
	g.plan(c)
	cov := g.cover(c)
	if c.from != c.to && c.answer.Ball != Handed && g.thrown(c, denied) {
		return g.stop(c.catch)
	}
	next := 0
	for t := g.now; ; t += tick {
		for ; next < len(g.events) && g.events[next].t <= t+tick/2; next++ {
			if g.happen(c, g.events[next], cov) || g.out.Lost {
				return g.stop(t)
			}
		}
		if t+tick > c.end {
			break
		}
		g.def.step(c, t+tick)
		g.now = t + tick
	}
	g.come |= c.brings()
	return true
}

// stop ends the possession at a time.
func (g *possessionPlay) stop(t float64) bool {
	g.t = t
	return false
}

// cover draws how an action is defended.
func (g *possessionPlay) cover(c *cycle) *coverage {
	list := g.sim.actions[c.answer.Action]
	at := g.luck.Float64()
	for i := range list {
		if at -= list[i].share; at < 0 || i == len(list)-1 {
			return &list[i]
		}
	}
	return nil
}

// happen lets an event happen and reports whether it is an open look.
func (g *possessionPlay) happen(c *cycle, e event, cov *coverage) bool {
	var l *leg
	if e.kind >= evCutStarts {
		l = &c.legs[e.leg]
	}
	switch e.kind {
	case evPass:
		return g.fromCatch(c)
	case evDrive:
		return g.fromDrive(c)
	case evFlash:
		return g.fromFlash(c, e.t)
	case evPost:
		return g.fromPost(c, e.t)
	case evCutStarts:
		// Who has jumped to the ball and sees both is not fooled.
		if g.knows(l.player, skillCut) && g.luck.Float64() > g.sim.defense.Dials.Jump {
			g.def.fool(l.player, g.sim.assumed.Fooled, l.rim)
		}
	case evCut:
		return g.fromCut(c, l, e.t)
	case evScreenSet:
		if cov != nil && l.other >= 0 {
			g.defend(l, cov)
		}
	case evUsed:
		return cov != nil && g.fromScreen(c, l, cov, e.t)
	case evSet:
		return cov != nil && g.fromSet(c, l, cov, e.t)
	}
	return false
}

// defend lets the two defenders of a screen do what the coverage says.
func (g *possessionPlay) defend(l *leg, cov *coverage) {
	switch cov.cue {
	case reads.Switch:
		g.def.swap(g.def.guards[g.def.of(l.player)], g.def.guards[g.def.of(l.other)])
	case reads.Show, reads.Blitz:
		d := g.def.of(l.other)
		g.def.shows[d], g.def.showsTo[d] = l.player, l.used+showsFor
	case reads.Under:
	default:
		g.def.fool(l.player, g.sim.assumed.Held, l.used+2*g.sim.assumed.Held)
	}
}
