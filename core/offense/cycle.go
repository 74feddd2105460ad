package offense

import (
	"slices"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
)

// Timing of a pass and what follows, in seconds, and distances in feet (assumptions).
const (
	heldBall   = 0.3 // a catcher looks before the next pass
	fillAfter  = 0.2 // who fills sees the cutter leave first
	setBefore  = 0.2 // the screen is set this long before it is used
	nextUser   = 0.5 // the second one off a screen comes this much later
	screenHold = 0.2 // the screener holds on after the first has used it
	screenAt   = 5.0 // from where the user stands
	ballScrnAt = 3.0
	passBy     = 1.6  // from the screener's middle to the user's way
	rimStop    = 3.0  // a cut turns out this far in front of the rim
	lineCatch  = 15.0 // from the rim, where a catch at the free-throw line is
	backAgain  = 1.0  // a screener who has just screened pauses this long
	slideFeet  = 4.0  // out of the way of a drive
	slideBack  = 0.6  // after so many seconds
	handover   = 0.6  // share of the way to the other player that a handoff is carried
)

// leg is one player's way after a pass: from a moment on along a path.
type leg struct {
	player int
	act    Act
	other  int // in a screen with whom, -1 for nobody
	start  float64
	path   []court.Point // with where it starts
	run    motion.Runner
	course motion.Course
	end    float64
	// rim is when a cut is at the rim, used when a screen is used; zero where it is not.
	rim, used float64
	before    int // one more than the index of the player's leg before this one, 0 for none
}

// cycle is a pass and what follows it.
type cycle struct {
	// start is when it begins, leaves when the ball leaves, catch when it is caught; where
	// the ball stays, when the passer has seen that it has to. At end everybody has come to
	// rest, and the next pass leaves.
	start, leaves, catch, end float64
	answer                    Answer
	from, to                  int // players
	aim                       int // the spot of the ring that was looked at
	legs                      []leg
	before, after             Places
	place                     [five]court.Point // where everybody is at the start
	last                      [five]int         // one more than the index of each player's last leg, 0 for none
}

// at is where a player is at a moment of the cycle.
func (c *cycle) at(player int, t float64) court.Point {
	for i := c.last[player]; i > 0; {
		l := &c.legs[i-1]
		if t > l.start || l.before == 0 {
			return l.course.At(t - l.start)
		}
		i = l.before
	}
	return c.place[player]
}

// toGo is how many feet a player still has to where the cycle's last way of that player ends.
func (c *cycle) toGo(player int, t float64) float64 {
	if c.last[player] == 0 {
		return 0
	}
	path := c.legs[c.last[player]-1].path
	return c.at(player, t).Dist(path[len(path)-1])
}

// add takes a leg in, with its times.
func (b *builder) add(l leg) {
	c := b.c
	l.course = l.run.Course(l.path[0], l.path[1:])
	l.end = l.start + l.course.Took()
	l.before = c.last[l.player]
	c.legs = append(c.legs, l)
	c.last[l.player] = len(c.legs)
}

// holder is who has the ball at a moment.
func (c *cycle) holder(t float64) int {
	if t < c.catch {
		return c.from
	}
	return c.to
}

// ball is where the ball is at a moment: in a hand, or on its way.
func (c *cycle) ball(t float64) court.Point {
	if t <= c.leaves {
		return c.at(c.from, t)
	}
	to := c.at(c.to, t)
	if t < c.catch {
		from := c.at(c.from, c.leaves)
		return from.Add(to.Sub(from).Scale((t - c.leaves) / (c.catch - c.leaves)))
	}
	return to
}

// Floor is where an offense is run.
type Floor struct {
	Court court.Court
	Pace  motion.Pace
	spots map[string]court.Point
}

// NewFloor looks the spots of a court up once.
func NewFloor(fl reads.Floor) Floor {
	f := Floor{fl.Court, fl.Pace, map[string]court.Point{"rim": {}}}
	for _, s := range fl.Court.Spots(court.StandOff) {
		f.spots[s.ID] = s.At
	}
	return f
}

// places is where everybody stands in a formation.
func (f Floor) places(o Offense, p Places) (out [five]court.Point) {
	for i, player := range p.Ring {
		out[player] = f.spots[o.Ring[i]]
	}
	if p.Inside >= 0 {
		out[p.Inside] = f.spots[p.Block]
	}
	return out
}

// opening is a cycle in which nothing happens: everybody stands, and the first pass may
// leave.
func opening(p Places, place [five]court.Point) cycle {
	return cycle{from: p.Ball(), to: p.Ball(), after: p, place: place}
}

// places is where everybody is at a moment.
func (c *cycle) places(t float64) (out [five]court.Point) {
	for i := range out {
		out[i] = c.at(i, t)
	}
	return out
}

// cycle runs an answer after a pass to a spot of the ring that leaves when the cycle
// before is over.
func (f Floor) cycle(o Offense, prev *cycle, a Answer, to int) (cycle, error) {
	p, t0 := prev.after, prev.end
	steps := p.steps(o, a, to)
	after, err := p.moved(o, a, to, steps)
	if err != nil {
		return cycle{}, err
	}
	c := cycle{start: t0, leaves: t0, answer: a, from: p.Ball(), to: p.holder(a, to), aim: to, before: p, after: after,
		place: prev.places(t0)}
	b := builder{f: f, o: o, c: &c, cut: f.Pace.Cutting(), fill: f.Pace.Jogging()}
	b.fill.Top = max(b.fill.Top, b.cut.Top*filling) // a fill is a run, not a stroll
	b.fill.Accel = b.cut.Accel
	b.pass()
	b.turn, b.left = c.catch, c.catch
	c.legs = make([]leg, 0, len(steps)+five)
	for i := range steps {
		if steps[i].act == Screen {
			b.screen(&steps[i])
		}
	}
	for i := range steps {
		if steps[i].act != Screen {
			b.way(&steps[i])
		}
	}
	for i := range steps {
		if steps[i].act == Screen {
			b.afterScreen(&steps[i])
		}
	}
	b.slides()
	c.end = c.catch + heldBall
	for i := range c.legs {
		c.end = max(c.end, c.legs[i].end)
	}
	return c, nil
}

// filling is the share of the top speed at which a spot is filled (assumption).
const filling = 0.85

// builder makes the ways of a cycle.
type builder struct {
	f         Floor
	o         Offense
	c         *cycle
	cut, fill motion.Runner
	screens   [five]struct {
		at    court.Point
		set   float64 // when it stands, 0 for no screen
		free  float64 // when the screener may leave it
		users int
	}
	meet court.Point // where the ball is handed over
	// Where the high post has the ball the cutters take turns, so that three are never
	// inside, and their places are filled as they leave.
	turn, left float64
}

// pass says when the ball leaves and when it is caught.
func (b *builder) pass() {
	c, pace := b.c, b.f.Pace
	from := c.place[c.from]
	switch c.answer.Ball {
	case Stays:
		c.catch = c.start + heldBall
	case ToFlash:
		// The flash and the ball arrive together.
		line := b.f.spots[HighPost]
		flight := from.Dist(line) / pace.Pass
		c.catch = c.start + max(flight, b.cut.Arrival(motion.Mover{At: c.place[c.to]}, []court.Point{line}))
		c.leaves = c.catch - flight
	case Handed:
		b.meet = from.Add(c.place[c.to].Sub(from).Scale(handover))
		c.catch = c.start + pace.Dribbling().Arrival(motion.Mover{At: from}, []court.Point{b.meet})
		c.leaves = c.catch
	default:
		c.catch = c.start + from.Dist(c.place[c.to])/pace.Pass
	}
}

// screen sends a screener to the screen; whoever uses it waits for it.
func (b *builder) screen(st *step) {
	c := b.c
	user := c.place[st.other]
	toward, near := c.place[st.player], screenAt
	switch {
	case st.other == c.to:
		near = ballScrnAt
	case c.answer.Action == "back":
		toward = court.Point{} // on the rim's side of the user
	}
	start := c.catch
	if b.o.Again == AfterPause && slices.Contains(c.before.screened, st.player) {
		start += backAgain
	}
	spot := user.Toward(toward, near)
	l := leg{player: st.player, act: Screen, other: st.other, start: start,
		path: []court.Point{c.place[st.player], spot}, run: b.cut}
	b.add(l)
	s := &b.screens[st.player]
	s.at, s.set = spot, c.legs[len(c.legs)-1].end
	s.free = s.set
}

// arrives is when a leg ends.
func (b *builder) arrives(l *leg) float64 {
	return l.start + l.run.Arrival(motion.Mover{At: l.path[0]}, l.path[1:])
}

// way is where somebody goes who sets no screen.
func (b *builder) way(st *step) {
	c := b.c
	end, from := b.f.spots[st.to], c.place[st.player]
	l := leg{player: st.player, act: st.act, other: st.other, start: c.catch, run: b.cut,
		path: append(make([]court.Point, 0, 4), from)}
	switch st.act {
	case Use, Curl, Drive:
		b.offScreen(&l, end)
	case Fill, Flash:
		l.run, l.start = b.fill, b.left+fillAfter
		if st.act == Flash && c.answer.Ball == ToFlash {
			l.run, l.start = b.cut, c.start
		}
	case Carry:
		l.run, l.start = b.f.Pace.Dribbling(), c.start
		l.path = append(l.path, b.meet)
	case Cut:
		if c.answer.Ball == ToFlash {
			l.start, b.left = b.turn, b.turn
		}
	}
	if st.act == Cut || st.act == Curl {
		l.path = append(l.path, court.Point{}.Toward(l.path[len(l.path)-1], rimStop))
		l.rim = b.arrives(&l)
	}
	l.path = append(l.path, end)
	b.add(l)
	if st.act == Cut {
		b.turn = c.legs[len(c.legs)-1].end
	}
}

// offScreen takes a user past the screen, or to the ball that is handed over.
func (b *builder) offScreen(l *leg, end court.Point) {
	c, from := b.c, l.path[0]
	switch s := &b.screens[max(l.other, 0)]; {
	case c.answer.Ball == Handed:
		// Whoever takes the ball is there when it comes.
		l.start = max(c.start, c.catch-b.cut.Arrival(motion.Mover{At: from}, []court.Point{b.meet}))
		l.path = append(l.path, b.meet)
		l.used = c.catch
		l.act = Drive
	case l.other >= 0 && s.set > 0:
		l.start = s.set + setBefore + nextUser*float64(s.users)
		s.users++
		side := end.Sub(from).Unit().Left()
		by := s.at.Add(side.Scale(passBy))
		if far := s.at.Sub(side.Scale(passBy)); far.Dist(end) < by.Dist(end) {
			by = far
		}
		l.path = append(l.path, by)
		l.used = b.arrives(l)
		s.free = max(s.free, l.used+screenHold)
		if l.act == Use && b.o.Catch == CatchLine && end.Len() > lineCatch {
			l.path = append(l.path, court.Point{}.Toward(end, lineCatch))
		}
	}
	if l.act == Drive {
		l.run = b.f.Pace.Dribbling()
	}
}

// afterScreen sends a screener on when the screen has been used.
func (b *builder) afterScreen(st *step) {
	s := &b.screens[st.player]
	b.add(leg{player: st.player, act: leave, other: -1, start: s.free, path: []court.Point{s.at, b.f.spots[st.to]},
		run: b.cut})
}

// slides moves whoever has nothing to do out of the way of a drive, and back.
func (b *builder) slides() {
	c := b.c
	i := slices.IndexFunc(c.legs, func(l leg) bool { return l.act == Drive })
	if i < 0 || b.o.OnDrive != Drift {
		return
	}
	drive, busy := c.legs[i], [five]bool{}
	for k := range c.legs {
		busy[c.legs[k].player] = true
	}
	begin := drive.used
	for player, taken := range busy {
		at := c.place[player]
		if taken || b.f.inside(at) {
			continue
		}
		// Along the arc, away from the drive, never over a line of the court.
		away := at.Unit().Left()
		if way := drive.path[len(drive.path)-1].Sub(at); away.Dot(way) > 0 {
			away = away.Scale(-1)
		}
		to := at.Add(away.Scale(slideFeet))
		if !b.f.Court.Contains(to) {
			to = at.Add(away.Scale(-slideFeet))
		}
		b.add(leg{player: player, act: slide, other: -1, start: begin, path: []court.Point{at, to}, run: b.fill})
		b.add(leg{player: player, act: slide, other: -1, start: c.legs[len(c.legs)-1].end + slideBack,
			path: []court.Point{to, at}, run: b.fill})
	}
}
