package offense

import (
	"fmt"
	"math"
	"slices"

	"evrik/core/court"
)

// Violation is a rule that was broken.
type Violation struct {
	Rule    string  `json:"rule"`
	Players []int   `json:"players"`
	T       float64 `json:"t"` // seconds from the start
	Text    string  `json:"text"`
}

// The rules, by id.
const (
	Stood     = "standing"
	Third     = "third"
	Empty     = "empty"
	Close     = "close"
	OnTheLine = "line"
	Twice     = "twice"
	NoDrift   = "drive"
	Camped    = "lane"
)

// Neighbors is how far apart, in feet, neighbors are at least (common practice, no
// source).
const Neighbors = 12.0

// Distances in feet and times in seconds of the rules (common practice, no source).
const (
	offTheLine = 2.5 // nearer to the arc than this, the toes are on it
	onSpot     = 6.0 // who is this near fills a spot
	// emptyLimit is how long a spot may be empty with nobody on the way to it: the cut to
	// the rim and about two seconds more.
	emptyLimit = 4.0
	mayStand   = 1.5 // after a pass
	moved      = 3.0 // less is standing
	sampling   = 0.25
	manyInside = 3
	settledBy  = 0.5 // feet in a sample: slower is standing still
	// reactBy is within how many seconds of a drive somebody else has to move.
	reactBy = 1.0
	// campLimit is how long a player may stay in the lane: NFHS Rule 9-7 (from memory).
	campLimit = 3.0
)

// RuleIDs lists them.
func RuleIDs() []string {
	return []string{Stood, Third, Empty, Close, OnTheLine, Twice, NoDrift, Camped}
}

// RuleName is what a rule is called.
func RuleName(rule string) string {
	return map[string]string{Stood: "Nobody stands after a pass", Third: "Never three inside the arc",
		Empty: "Fill the spot", Close: "Twelve feet between neighbors",
		OnTheLine: "Off the line", Twice: "No two screens in a row",
		NoDrift: "Move on a drive", Camped: "Three seconds in the lane"}[rule]
}

func (f Floor) inside(p court.Point) bool {
	return p.Dot(p) < f.Court.ArcRadius*f.Court.ArcRadius && p.Y > -f.Court.RingFromBaseline()
}

// Picture checks people who stand still: who is too near, inside, on the line, and which
// spot of an offense nobody fills.
func (f Floor) Picture(o Offense, at [five]court.Point) []Violation {
	out := []Violation{}
	var in []int
	for i, p := range at {
		if f.inside(p) {
			in = append(in, i)
		} else if o.Rules.Behind && p.Len() < f.Court.ArcRadius+offTheLine &&
			math.Abs(p.X) < f.Court.Width/2-court.SidelineInset-1 {
			out = append(out, Violation{OnTheLine, []int{i}, 0,
				fmt.Sprintf("Toes near the line: %.0f ft from the arc, three to four are wanted.",
					p.Len()-f.Court.ArcRadius)})
		}
	}
	if o.Rules.NoThird && len(in) >= manyInside {
		out = append(out, Violation{Third, in, 0, fmt.Sprintf("%d are inside the arc: one of them has to leave.",
			len(in))})
	}
	if o.Rules.Apart {
		for i := range at {
			for k := range i {
				if d := at[i].Dist(at[k]); d < Neighbors && !f.inside(at[i]) && !f.inside(at[k]) {
					out = append(out, Violation{Close, []int{k, i}, 0,
						fmt.Sprintf("Only %.1f ft apart: one defender guards two.", d)})
				}
			}
		}
	}
	if o.Rules.Filled {
		for _, spot := range o.Ring {
			if near := f.nearest(at, f.spots[spot]); at[near].Dist(f.spots[spot]) > onSpot {
				out = append(out, Violation{Empty, []int{near}, 0,
					fmt.Sprintf("Nobody fills the %s; this player is nearest.", court.SpotName(spot))})
			}
		}
	}
	return out
}

func (f Floor) nearest(at [five]court.Point, to court.Point) int {
	best := 0
	for i := range at {
		if at[i].Dist(to) < at[best].Dist(to) {
			best = i
		}
	}
	return best
}

// Spread is how far apart people are at a moment.
type Spread struct {
	T float64 `json:"t"` // seconds from the start
	// Apart is how far those outside the arc are from the next one outside, on average,
	// and Nearest how far the nearest two are, in feet; who screens for whom does not
	// count. Both are 0 where fewer than two are outside.
	Apart   float64 `json:"apart"`
	Nearest float64 `json:"nearest"`
	// Inside is how many are inside the arc, Empty how many spots nobody fills.
	Inside int `json:"inside"`
	Empty  int `json:"empty"`
}

// ring is where an offense's outside spots are.
func (f Floor) ring(o Offense) []court.Point {
	out := make([]court.Point, len(o.Ring))
	for i, id := range o.Ring {
		out[i] = f.spots[id]
	}
	return out
}

// moment is where everybody is at a moment of a cycle, and who is outside the arc.
type moment struct {
	t       float64
	at      [five]court.Point
	outside [five]bool
	spread  Spread
	// empty are the spots of the ring that nobody fills.
	empty []bool
}

// see looks at a moment.
func (f Floor) see(c *cycle, ring []court.Point, t float64, m *moment) {
	*m = moment{t: t, spread: Spread{T: t}, empty: m.empty[:0]}
	for i := range m.at {
		m.at[i] = c.at(i, t)
		m.outside[i] = !f.inside(m.at[i])
		if !m.outside[i] {
			m.spread.Inside++
		}
	}
	for _, spot := range ring {
		empty := true
		for i := range m.at {
			if m.at[i].Within(spot, onSpot) {
				empty = false
				break
			}
		}
		if m.empty = append(m.empty, empty); empty {
			m.spread.Empty++
		}
	}
	var next [five]float64 // the square of how far it is to the next one outside
	for i := range m.at {
		for k := range i {
			if !m.outside[i] || !m.outside[k] {
				continue
			}
			v := m.at[i].Sub(m.at[k])
			d := v.Dot(v)
			if (next[i] == 0 || d < next[i] || next[k] == 0 || d < next[k]) && !c.screens(i, k) {
				for _, who := range [2]int{i, k} {
					if next[who] == 0 || d < next[who] {
						next[who] = d
					}
				}
			}
		}
	}
	n := 0.0
	for _, d := range next {
		if d == 0 {
			continue
		}
		n++
		d = math.Sqrt(d)
		m.spread.Apart += d
		if m.spread.Nearest == 0 || d < m.spread.Nearest {
			m.spread.Nearest = d
		}
	}
	m.spread.Apart /= max(1, n)
}

// watch samples a cycle every so many seconds, says where a rule is broken in it, and tells how
// people are spaced, sample by sample.
func (f Floor) watch(o Offense, c *cycle, every float64, tell func(Spread)) (broken []Violation) {
	w := watcher{f: f, o: o, c: c, every: every, ring: f.ring(o), last: c.place}
	var m moment
	for t := c.start + every; t <= c.end+1e-9; t += every {
		f.see(c, w.ring, t, &m)
		tell(m.spread)
		w.sample(&m)
		w.last = m.at
	}
	w.whole()
	return w.broken
}

// watcher finds the rules that are broken in a cycle.
type watcher struct {
	every  float64
	f      Floor
	o      Offense
	c      *cycle
	ring   []court.Point
	last   [five]court.Point
	broken []Violation
	// emptyFor and told are of the spots of the ring, inLane of the players.
	emptyFor     [five]float64
	told         [five]bool
	inLane       [five]float64
	third, close bool
}

func (w *watcher) add(rule string, players []int, t float64, text string) {
	w.broken = append(w.broken, Violation{rule, players, t, text})
}

// sample looks at one moment.
func (w *watcher) sample(m *moment) {
	rules, c := w.o.Rules, w.c
	if rules.NoThird && m.spread.Inside >= manyInside && !w.third {
		w.third = true
		var in []int
		for i, outside := range m.outside {
			if !outside {
				in = append(in, i)
			}
		}
		w.add(Third, in, m.t, fmt.Sprintf("%d are inside the arc.", len(in)))
	}
	for k, empty := range m.empty {
		if !empty {
			w.emptyFor[k] = 0
			continue
		}
		if w.emptyFor[k] += w.every; rules.Filled && w.emptyFor[k] > emptyLimit && !w.told[k] && !c.comes(w.ring[k]) {
			w.told[k] = true
			w.add(Empty, []int{w.f.nearest(m.at, w.ring[k])}, m.t,
				fmt.Sprintf("The %s has been empty for %.0f s.", court.SpotName(w.o.Ring[k]), w.emptyFor[k]))
		}
	}
	// No pair is too near unless the nearest one is.
	if rules.Apart && !w.close && m.spread.Nearest > 0 && m.spread.Nearest < Neighbors {
		if pair, found := m.standing(c, w.last); found {
			w.close = true
			w.add(Close, pair[:], m.t, fmt.Sprintf("Only %.1f ft apart.", m.at[pair[0]].Dist(m.at[pair[1]])))
		}
	}
	for i, at := range m.at {
		if !w.f.inLane(at) {
			w.inLane[i] = 0
			continue
		}
		if before := w.inLane[i]; rules.ThreeSeconds && before <= campLimit && before+w.every > campLimit {
			w.add(Camped, []int{i}, m.t, "Three seconds in the lane: go through, or post up outside it.")
		}
		w.inLane[i] += w.every
	}
}

// whole looks at what shows over the whole cycle.
func (w *watcher) whole() {
	c, rules := w.c, w.o.Rules
	if rules.NoStanding && c.from != c.to && c.end-c.catch > mayStand && !c.waits(c.from) &&
		c.at(c.from, min(c.end, c.catch+mayStand)).Dist(c.place[c.from]) < moved {
		w.add(Stood, []int{c.from}, c.catch+mayStand, "The passer stood after the pass.")
	}
	if w.o.Again == NeverTwice {
		for _, who := range c.after.screened {
			if slices.Contains(c.before.screened, who) {
				w.add(Twice, []int{who}, c.catch, "Two screens in a row by the same player.")
			}
		}
	}
	if i := slices.IndexFunc(c.legs, func(l leg) bool { return l.act == Drive && l.used > 0 }); rules.ReactsToDrive &&
		i >= 0 {
		drive := &c.legs[i]
		for who := range five {
			if who != drive.player && who != drive.other &&
				c.at(who, drive.used+reactBy).Dist(c.at(who, drive.used)) > settledBy {
				return
			}
		}
		w.add(NoDrift, []int{drive.player}, drive.used+reactBy,
			"Nobody moved on the drive: slide away from it, or come behind it.")
	}
}

// inLane reports whether a place is in the lane.
func (f Floor) inLane(p court.Point) bool {
	return math.Abs(p.X) < f.Court.LaneWidth/2 && p.Y < f.Court.FreeThrowY() && p.Y > -f.Court.RingFromBaseline()
}

// standing finds two outside who stand too near to each other.
func (m *moment) standing(c *cycle, last [five]court.Point) (pair [2]int, found bool) {
	for i := range m.at {
		for k := range i {
			still := m.at[i].Dist(last[i]) < settledBy && m.at[k].Dist(last[k]) < settledBy
			if still && m.outside[i] && m.outside[k] && !c.screens(i, k) && !c.slides(i) && !c.slides(k) &&
				m.at[i].Dist(m.at[k]) < Neighbors {
				return [2]int{k, i}, true
			}
		}
	}
	return pair, false
}

// comes reports whether somebody is on the way to a spot.
func (c *cycle) comes(spot court.Point) bool {
	return slices.ContainsFunc(c.legs, func(l leg) bool { return l.path[len(l.path)-1].Dist(spot) <= onSpot })
}

// waits reports whether a player waits for a screen.
func (c *cycle) waits(player int) bool {
	return slices.ContainsFunc(c.legs, func(l leg) bool { return l.player == player && l.used > 0 })
}

// slides reports whether a player makes room for a drive in a cycle.
func (c *cycle) slides(player int) bool {
	return slices.ContainsFunc(c.legs, func(l leg) bool { return l.player == player && l.act == slide })
}

// screens reports whether two have a screen with each other in a cycle.
func (c *cycle) screens(a, b int) bool {
	for i := range c.legs {
		if l := &c.legs[i]; l.other >= 0 && (l.player == a && l.other == b || l.player == b && l.other == a) {
			return true
		}
	}
	return false
}
