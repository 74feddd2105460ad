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
)

// Distances in feet and times in seconds of the rules (common practice, no source).
const (
	neighbours = 12.0
	offTheLine = 2.5 // nearer to the arc than this, the toes are on it
	onSpot     = 6.0 // who is this near fills a spot
	// emptyLimit is how long a spot may be empty with nobody on his way to it: the cut to
	// the rim and about two seconds more.
	emptyLimit = 4.0
	mayStand   = 1.5 // after a pass
	moved      = 3.0 // less is standing
	sampling   = 0.25
	manyInside = 3
	settledBy  = 0.5 // feet in a sample: slower is standing still
)

// Rules lists them.
func Rules() []string { return []string{Stood, Third, Empty, Close, OnTheLine, Twice} }

// RuleName is what a rule is called.
func RuleName(rule string) string {
	return map[string]string{Stood: "Nobody stands after a pass", Third: "Never three inside the arc", Empty: "Fill the spot", Close: "Twelve feet between neighbours",
		OnTheLine: "Off the line", Twice: "No two screens in a row"}[rule]
}

func (f Floor) inside(p court.Point) bool {
	return p.Len() < f.Court.ArcRadius && p.Y > -f.Court.RingFromBaseline()
}

// Picture checks people who stand still: who is too near, inside, on the line, and which
// spot of a school nobody fills.
func (f Floor) Picture(s School, at [five]court.Point) []Violation {
	out := []Violation{}
	var in []int
	for i, p := range at {
		if f.inside(p) {
			in = append(in, i)
		} else if s.Switches.Behind && p.Len() < f.Court.ArcRadius+offTheLine && math.Abs(p.X) < f.Court.Width/2-court.SidelineInset-1 {
			out = append(out, Violation{OnTheLine, []int{i}, 0, fmt.Sprintf("Toes near the line: %.0f ft from the arc, three to four are wanted.", p.Len()-f.Court.ArcRadius)})
		}
	}
	if s.Switches.NoThird && len(in) >= manyInside {
		out = append(out, Violation{Third, in, 0, fmt.Sprintf("%d are inside the arc: one of them has to leave.", len(in))})
	}
	if s.Switches.Apart {
		for i := range at {
			for k := range i {
				if d := at[i].Dist(at[k]); d < neighbours && !f.inside(at[i]) && !f.inside(at[k]) {
					out = append(out, Violation{Close, []int{k, i}, 0, fmt.Sprintf("Only %.1f ft apart: one defender guards two.", d)})
				}
			}
		}
	}
	if s.Switches.Filled {
		for _, spot := range s.Ring {
			if near := f.nearest(at, f.spots[spot]); at[near].Dist(f.spots[spot]) > onSpot {
				out = append(out, Violation{Empty, []int{near}, 0, fmt.Sprintf("Nobody fills the %s; this player is nearest.", f.spotName(spot))})
			}
		}
	}
	return out
}

func (f Floor) spotName(id string) string {
	for _, s := range f.Court.Spots(court.StandOff) {
		if s.ID == id {
			return s.Name
		}
	}
	return id
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

// watch samples a cycle and says where a rule is broken in it, with how many bodies were
// inside on average and for how many seconds spots were empty.
func (f Floor) watch(s School, c *cycle) (broken []Violation, inside, empty float64) {
	var third, close bool
	emptyFor := make([]float64, len(s.Ring))
	told := make([]bool, len(s.Ring))
	last := c.place
	n := 0
	for t := c.start + sampling; t <= c.end+1e-9; t += sampling {
		n++
		var at [five]court.Point
		var in []int
		for i := range at {
			at[i] = c.at(i, t)
			if f.inside(at[i]) {
				in = append(in, i)
			}
		}
		inside += float64(len(in))
		if s.Switches.NoThird && len(in) >= manyInside && !third {
			third = true
			broken = append(broken, Violation{Third, in, t, fmt.Sprintf("%d are inside the arc.", len(in))})
		}
		for k, id := range s.Ring {
			spot := f.spots[id]
			if at[f.nearest(at, spot)].Dist(spot) <= onSpot {
				emptyFor[k] = 0
				continue
			}
			empty += sampling
			if emptyFor[k] += sampling; s.Switches.Filled && emptyFor[k] > emptyLimit && !told[k] && !c.comes(spot) {
				told[k] = true
				broken = append(broken, Violation{Empty, []int{f.nearest(at, spot)}, t, fmt.Sprintf("The %s has been empty for %.0f s.", f.spotName(id), emptyFor[k])})
			}
		}
		if s.Switches.Apart && !close {
			for i := range at {
				for k := range i {
					still := at[i].Dist(last[i]) < settledBy && at[k].Dist(last[k]) < settledBy
					if still && !c.screens(i, k) && at[i].Dist(at[k]) < neighbours && !f.inside(at[i]) && !f.inside(at[k]) {
						close = true
						broken = append(broken, Violation{Close, []int{k, i}, t, fmt.Sprintf("Only %.1f ft apart.", at[i].Dist(at[k]))})
					}
				}
			}
		}
		last = at
	}
	if s.Switches.NoStanding && c.end-c.catch > mayStand && !c.waits(c.from) && c.at(c.from, math.Min(c.end, c.catch+mayStand)).Dist(c.place[c.from]) < moved {
		broken = append(broken, Violation{Stood, []int{c.from}, c.catch + mayStand, "The passer stood after the pass."})
	}
	if s.Switches.OneScreen {
		for _, who := range c.after.screened {
			if slices.Contains(c.before.screened, who) {
				broken = append(broken, Violation{Twice, []int{who}, c.catch, "Two screens in a row by the same player."})
			}
		}
	}
	return broken, inside / math.Max(1, float64(n)), empty
}

// comes reports whether somebody is on his way to a spot.
func (c *cycle) comes(spot court.Point) bool {
	return slices.ContainsFunc(c.legs, func(l leg) bool { return l.path[len(l.path)-1].Dist(spot) <= onSpot })
}

// waits reports whether a player waits for a screen.
func (c *cycle) waits(player int) bool {
	return slices.ContainsFunc(c.legs, func(l leg) bool { return l.player == player && l.used > 0 })
}

// screens reports whether two have a screen with each other in a cycle.
func (c *cycle) screens(a, b int) bool {
	for _, l := range c.legs {
		if l.other >= 0 && (l.player == a && l.other == b || l.player == b && l.other == a) {
			return true
		}
	}
	return false
}
