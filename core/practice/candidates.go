package practice

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"evrik/core/drill"
	"evrik/core/practice/fit"
	"evrik/core/reads"
)

// Lengths of blocks the planner tries, in minutes (common practice, no source:
// blocks last 4 to 15). Little time is fitted closely; in much of it fives, as
// coaches plan, cover as much and are proven best three times as soon.
var (
	closely = []int{5, 6, 8, 10, 12, longest}
	fives   = []int{5, 10, longest}
)

const (
	shortest, longest = 5, 15
	fitClosely        = 45 // minutes free, at most
)

// The part of a practice with something different at each end (common practice,
// no source: 10 minutes a day is usual).
const (
	partMin, partMax = 8, 20
	ends             = 2
)

// split is a way to part the squad between the two ends.
type split struct {
	name   string
	groups [ends][]string
}

// splits are the ways worth trying: guards and posts, and by who is ready for
// more. A group too small to run anything makes no split.
func (p Plan) splits() []split {
	if p.Terms.Baskets < ends {
		return nil
	}
	const least = 3 // players at an end (assumption)
	var posts split
	posts.name = "guards at one end, posts at the other"
	for _, who := range p.People {
		k := 0
		if who.Big && !who.Handler && !who.Wing {
			k = 1
		}
		posts.groups[k] = append(posts.groups[k], who.ID)
	}
	open := map[string]float64{}
	for _, w := range p.Wants {
		open[w.Player] += w.Reps * w.Weight
	}
	ids := make([]string, len(p.People))
	for i, who := range p.People {
		ids[i] = who.ID
	}
	slices.SortStableFunc(ids, func(a, b string) int { return cmp.Compare(open[a], open[b]) })
	half := (len(ids) + 1) / 2
	ready := split{"two equal groups, by what they have and need", [ends][]string{inOrder(p.People, ids[:half]), inOrder(p.People, ids[half:])}}
	return slices.DeleteFunc([]split{posts, ready}, func(s split) bool {
		return len(s.groups[0]) < least || len(s.groups[1]) < least
	})
}

// inOrder lists some players in the order of the squad.
func inOrder(people []Person, some []string) []string {
	var out []string
	for _, who := range people {
		if slices.Contains(some, who.ID) {
			out = append(out, who.ID)
		}
	}
	return out
}

// stageInfo is a stage that might be run.
type stageInfo struct {
	drill *drill.Drill
	stage drill.Stage
}

// candidates are the stages that teach something anybody here needs, and the
// blocks that could run them.
type candidates struct {
	plan    Plan
	lengths []int
	stages  []stageInfo
	options []fit.Option
	blocks  []Block // of each option
	demands map[Want]int
	shows   map[string][]int // by situation, the stages that show it
}

// candidates gathers the blocks the planner may choose from, given how the squad
// is parted between two ends (nil: it is not). Stages in taken are in the plan;
// lengths are in minutes.
func (p Plan) candidates(part *split, taken map[StageKey]bool, lengths []int) candidates {
	c := candidates{plan: p, lengths: lengths, demands: map[Want]int{}, shows: map[string][]int{}}
	for i, w := range p.Wants {
		c.demands[w.key()] = i
	}
	for _, d := range p.Library.All() {
		if slices.Contains(p.Terms.Banned, d.ID) {
			continue
		}
		for _, st := range d.Stages {
			rung, _ := drill.RungByID(st.Rung)
			if !rung.Reads || len(st.Cues) == 0 || d.Screen == "" || !p.ofAge(d, st) {
				continue
			}
			if st.Rung == drill.Shown {
				c.shows[d.Screen] = append(c.shows[d.Screen], len(c.stages))
			}
			c.stages = append(c.stages, stageInfo{d, st})
		}
	}
	for i, s := range c.stages {
		if taken[StageKey{s.drill.ID, s.stage.ID}] {
			continue
		}
		c.add(i, Block{}, fit.Whole, p.Terms.Helpers)
		if part != nil {
			for k, group := range part.groups {
				// The two ends share the helpers.
				helpers := (p.Terms.Helpers + 1 - k) / ends
				c.add(i, Block{Players: group, End: k + 1}, fit.EndA+fit.Lane(k), helpers)
			}
		}
	}
	return c
}

// ofAge reports whether the players' age takes a stage's action and everything that it
// shows.
func (p Plan) ofAge(d *drill.Drill, st drill.Stage) bool {
	action, ok := reads.ActionByID(d.Screen)
	return !ok || !slices.ContainsFunc(st.Cues, func(c reads.Cue) bool { return !p.School.Meets(string(p.Limits.Band), action, c) })
}

// after lists the stages one of which has to come before a stage, for the players
// of a block; ok is false where nothing in the library leads to it.
func (c *candidates) after(i int, b Block) (stages []int, ok bool) {
	s := c.stages[i]
	if !isLive(s.stage) {
		return nil, true
	}
	if here, unready := c.plan.unready(s.drill.Screen, c.plan.taking(b, true)); !tooNew(unready, here) {
		return nil, true
	}
	return c.shows[s.drill.Screen], len(c.shows[s.drill.Screen]) > 0
}

// add makes the options of a stage in a lane, in every length and in the set-ups
// worth having.
func (c *candidates) add(i int, b Block, lane fit.Lane, helpers int) {
	s := c.stages[i]
	after, ok := c.after(i, b)
	if !ok {
		return
	}
	for _, set := range c.setUps(s, b, helpers) {
		for _, minutes := range c.lengths {
			set.Minutes = float64(minutes)
			if !c.offer(i, set, lane, after) {
				break
			}
		}
	}
}

// offer makes an option of a block that runs a stage; false where it gives nothing
// that anybody needs.
func (c *candidates) offer(i int, b Block, lane fit.Lane, after []int) bool {
	s := c.stages[i]
	o := fit.Option{Stage: i, Lane: lane, Minutes: int(b.Minutes), Hard: isLive(s.stage), After: after, Rank: s.stage.Rung.Number()}
	players := c.plan.taking(b, isLive(s.stage))
	for _, sh := range c.plan.shares(s.drill, s.stage, b) {
		for _, id := range players {
			if d, wanted := c.demands[sh.want(id)]; wanted {
				o.Gives = append(o.Gives, fit.Give{Demand: d, Reps: sh.reps})
			}
		}
	}
	if len(o.Gives) == 0 {
		return false
	}
	c.options = append(c.options, o)
	c.blocks = append(c.blocks, b)
	return true
}

// setUps finds at how many baskets a stage runs best with the helpers and balls
// there are: with helpers in their places, and with players in them, where that
// is the only way, gives more, or gives a screener's reps besides.
func (c *candidates) setUps(s stageInfo, b Block, helpers int) []Block {
	perBasket, balls := 0, 0
	for _, pos := range s.drill.Positions {
		perBasket += count(pos.Helper)
		balls += count(pos.Ball)
	}
	baskets := c.plan.Terms.Baskets
	if b.End > 0 {
		baskets /= ends
	}
	best := func(alone bool) (Block, float64) {
		top, found := Block{}, 0.0
		each := count(s.stage.CoachShows)
		if !alone {
			each += perBasket
		}
		for n := 1; n <= baskets && n*each <= helpers && n*max(1, balls) <= c.plan.Terms.Balls; n++ {
			try := b
			try.Kind, try.Title, try.Drill, try.Stage = DrillBlock, s.drill.Name, s.drill.ID, s.stage.ID
			try.Baskets, try.NoHelpers = n, alone
			try.Minutes = longest
			if m, ok := c.plan.Pace[StageKey{s.drill.ID, s.stage.ID}]; ok {
				try.Seconds = math.Round(m.Seconds)
			}
			players := c.plan.taking(try, isLive(s.stage))
			reps, used, err := drill.Room(s.drill, s.stage, try.setup(players))
			if share := float64(reps) / float64(len(players)); err == nil && used == n && share > found {
				top, found = try, share
			}
		}
		return top, found
	}
	var out []Block
	helped, most := best(false)
	if most > 0 {
		out = append(out, helped)
	}
	if perBasket == 0 {
		return out
	}
	screens := len(s.drill.Positions) > 1 && s.drill.Positions[1].Helper
	if alone, reps := best(true); reps > most || reps > 0 && screens {
		out = append(out, alone)
	}
	return out
}

func count(yes bool) int {
	if yes {
		return 1
	}
	return 0
}

// why says what an uncovered read lacks.
func (c *candidates) why(cover Cover, left float64) string {
	gives, banned, older := false, "", false
	for _, s := range c.stages {
		gives = gives || isLive(s.stage) == cover.Live && c.plan.teaches(s.drill, s.stage, cover.Role, cover.Read)
	}
	for _, d := range c.plan.Library.All() {
		older = older || slices.ContainsFunc(d.Stages, func(st drill.Stage) bool {
			return !c.plan.ofAge(d, st) && isLive(st) == cover.Live && c.plan.teaches(d, st, cover.Role, cover.Read)
		})
	}
	for _, id := range c.plan.Terms.Banned {
		if d, ok := c.plan.Library.ByID(id); ok && slices.ContainsFunc(d.Stages, func(st drill.Stage) bool {
			return isLive(st) == cover.Live && c.plan.teaches(d, st, cover.Role, cover.Read)
		}) {
			banned = d.Name
		}
	}
	offered := false
	for _, o := range c.options {
		for _, g := range o.Gives {
			w := c.plan.Wants[g.Demand]
			offered = offered || w.Role == cover.Role && w.Read == cover.Read && w.Live == cover.Live
		}
	}
	switch {
	case !gives && banned != "":
		return fmt.Sprintf("%s would give it, and you left that drill out.", banned)
	case !gives && older:
		return fmt.Sprintf("It is left out for %s. Settings turns all actions on.", c.plan.Limits.Name)
	case !gives:
		return "No drill you have gives it on this rung."
	case !offered:
		return "What gives it cannot be run tonight: too few players, helpers or balls, or a lower rung comes first."
	case left >= shortest:
		return "Another break would be needed for it, and the minutes do not hold both."
	}
	return "The minutes went to what more players need."
}

// teaches reports whether a stage gives reps of a read in a role.
func (p Plan) teaches(d *drill.Drill, st drill.Stage, role reads.Role, read reads.Read) bool {
	screen, ok := reads.ActionByID(d.Screen)
	if !ok {
		return false
	}
	for _, cue := range st.Cues {
		if row, ok := screen.Row(p.School, cue); ok &&
			(screen.Roles[0] == role && row.CutterRead == read || screen.Roles[1] == role && row.ScreenerRead == read) {
			return true
		}
	}
	return false
}
