package offense

import (
	"math"
	"slices"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
)

// Timing of a pass and what follows, in seconds, and distances in feet (assumptions).
const (
	heldBall   = 0.4 // a catcher looks before he passes
	fillAfter  = 0.3 // who fills sees the cutter leave first
	setBefore  = 0.2 // the screen is set this long before it is used
	nextUser   = 0.8 // the second one off a screen comes this much later
	screenHold = 0.5 // the screener holds on after the first has used it
	screenAt   = 5.0 // from where the user stands
	ballScrnAt = 3.0
	passBy     = 1.6 // from the screener's middle to the user's way
	rimStop    = 3.0 // a cut turns out this far in front of the rim
)

// leg is one player's way after a pass: from a moment on along a path.
type leg struct {
	player int
	act    Act
	other  int
	start  float64
	path   []court.Point // with where he starts
	run    motion.Runner
	end    float64
	// rim is when a cut is at the rim, used when a screen is used; zero where it is not.
	rim, used float64
}

// at is where the player is at a moment.
func (l *leg) at(t float64) court.Point {
	if t <= l.start {
		return l.path[0]
	}
	p, _ := l.run.Along(motion.Mover{At: l.path[0]}, l.path[1:], t-l.start)
	return p
}

// cycle is a pass and what follows it.
type cycle struct {
	// start is when it begins, leaves when the ball leaves, catch when it is caught; where
	// the ball stays, when the passer has seen that it has to.
	start, leaves, catch, end float64
	answer                    Answer
	from, to                  int // players
	aim                       int // the spot of the ring that was looked at
	legs                      []leg
	before, after             Places
	place                     [five]court.Point // where everybody is at the start
}

// at is where a player is at a moment of the cycle.
func (c *cycle) at(player int, t float64) court.Point {
	pos := c.place[player]
	for i := range c.legs {
		if l := &c.legs[i]; l.player == player && (t >= l.start || pos == l.path[0]) {
			pos = l.at(t)
		}
	}
	return pos
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
func (f Floor) places(s School, p Places) (out [five]court.Point) {
	for i, player := range p.Ring {
		out[player] = f.spots[s.Ring[i]]
	}
	if p.Inside >= 0 {
		out[p.Inside] = f.spots[p.Block]
	}
	return out
}

// cycle runs an answer after a pass to a spot of the ring, from where everybody is.
func (f Floor) cycle(s School, p Places, place [five]court.Point, a Answer, to int, t0 float64) (cycle, error) {
	after, err := p.after(s, a, to)
	if err != nil {
		return cycle{}, err
	}
	c := cycle{start: t0, leaves: t0, answer: a, from: p.Ball(), to: p.holder(a, to), aim: to, before: p, after: after, place: place}
	steps := p.steps(s, a, to)
	cut, fill := f.Pace.Cutting(), f.Pace.Jogging()
	fill.Top = math.Max(fill.Top, cut.Top*0.7) // a fill is a run, not a stroll
	fill.Accel = cut.Accel
	switch a.Ball {
	case Stays:
		c.catch = t0 + heldBall
	case ToFlash:
		// He and the ball arrive together.
		flight := place[c.from].Dist(f.spots[HighPost]) / f.Pace.Pass
		c.catch = t0 + math.Max(flight, cut.Arrival(motion.Mover{At: place[c.to]}, []court.Point{f.spots[HighPost]}))
		c.leaves = c.catch - flight
	default:
		c.catch = t0 + place[c.from].Dist(place[c.to])/f.Pace.Pass
	}
	// Screens first: their users wait for them.
	set := map[int]float64{}       // by screener
	where := map[int]court.Point{} // by screener
	uses := map[int]int{}
	for _, st := range steps {
		if st.act != Screen {
			continue
		}
		user := place[st.other]
		toward, near := place[st.player], screenAt
		switch {
		case st.other == c.to:
			near = ballScrnAt
		case a.Situation == "back":
			toward = court.Point{} // on the rim's side of him
		}
		spot := user.Toward(toward, near)
		l := leg{player: st.player, act: Screen, other: st.other, start: c.catch, path: []court.Point{place[st.player], spot}, run: cut}
		l.end = l.start + cut.Arrival(motion.Mover{At: l.path[0]}, l.path[1:])
		set[st.player], where[st.player] = l.end, spot
		c.legs = append(c.legs, l)
	}
	free := map[int]float64{} // when a screener may leave
	// Where the high post has the ball the cutters take turns, so that three are never
	// inside, and their places are filled as they leave.
	turn, left := c.catch, c.catch
	for _, st := range steps {
		l := leg{player: st.player, act: st.act, other: st.other, start: c.catch, run: cut}
		end := f.spots[st.to]
		from := place[st.player]
		switch st.act {
		case Screen:
			continue
		case Use, Curl, Drive:
			screener := st.other
			if s, known := set[screener]; known {
				l.start = s + setBefore + nextUser*float64(uses[screener])
				uses[screener]++
				spot := where[screener]
				side := end.Sub(from).Unit().Left()
				by := spot.Add(side.Scale(passBy))
				if far := spot.Sub(side.Scale(passBy)); far.Dist(end) < by.Dist(end) {
					by = far
				}
				l.path = []court.Point{from, by}
				l.used = l.start + cut.Arrival(motion.Mover{At: from}, []court.Point{by})
				free[screener] = math.Max(free[screener], l.used+screenHold)
			} else {
				l.path = []court.Point{from}
			}
			if st.act == Drive {
				l.run = f.Pace.Dribbling()
			}
		case Fill, Flash:
			l.run, l.start = fill, left+fillAfter
			l.path = []court.Point{from}
			if st.act == Flash && a.Ball == ToFlash {
				l.run, l.start = cut, t0
			}
		default:
			l.path = []court.Point{from}
			if a.Ball == ToFlash {
				l.start, left = turn, turn
			}
		}
		if slices.Contains(st.via, "rim") {
			rim := court.Point{}.Toward(l.path[len(l.path)-1], rimStop)
			l.path = append(l.path, rim)
			l.rim = l.start + l.run.Arrival(motion.Mover{At: from}, l.path[1:])
		}
		l.path = append(l.path, end)
		l.end = l.start + l.run.Arrival(motion.Mover{At: from}, l.path[1:])
		if st.act == Cut {
			turn = l.end
		}
		c.legs = append(c.legs, l)
	}
	for _, st := range steps {
		if st.act != Screen {
			continue
		}
		at, end := where[st.player], f.spots[st.to]
		l := leg{player: st.player, act: Fill, other: -1, start: math.Max(set[st.player], free[st.player]), path: []court.Point{at, end}, run: fill}
		l.end = l.start + fill.Arrival(motion.Mover{At: at}, l.path[1:])
		c.legs = append(c.legs, l)
	}
	c.end = c.catch + heldBall
	for _, l := range c.legs {
		c.end = math.Max(c.end, l.end)
	}
	return c, nil
}
