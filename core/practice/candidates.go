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

// The part of a practice with something different at each basket (common practice,
// no source: 10 minutes a day is usual).
const (
	partMin, partMax = 8, 20
	splitBaskets     = 2
)

// split is a way to part the squad between the two baskets.
type split struct {
	name   string
	groups [splitBaskets][]string
}

// splits are the ways worth trying: guards and posts, and by who is ready for
// more. A group too small to run anything makes no split.
func (p Plan) splits() []split {
	if p.Terms.Baskets < splitBaskets {
		return nil
	}
	const least = 3 // players at a basket (assumption)
	var posts split
	posts.name = "guards at one basket, posts at the other"
	for _, who := range p.People {
		k := 0
		if who.Big && !who.Handler && !who.Wing {
			k = 1
		}
		posts.groups[k] = append(posts.groups[k], who.ID)
	}
	open := map[string]float64{}
	for i := range p.Needs {
		open[p.Needs[i].Player] += p.Needs[i].worth(p.Needs[i].dose(typicalReps, p.Needs[i].Live))
	}
	ids := make([]string, len(p.People))
	for i, who := range p.People {
		ids[i] = who.ID
	}
	slices.SortStableFunc(ids, func(a, b string) int { return cmp.Compare(open[a], open[b]) })
	half := (len(ids) + 1) / 2
	ready := split{"two equal groups, by what they have and need",
		[splitBaskets][]string{inOrder(p.People, ids[:half]), inOrder(p.People, ids[half:])}}
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

// candidates are the stages that teach a goal, or are live play, and the blocks that could
// run them.
type candidates struct {
	plan    Plan
	lengths []int
	stages  []stageInfo
	options []fit.Option
	kinds   []kindOf  // of each option
	blocks  []Block   // of each option
	waits   []float64 // share of the time in line of each option
	needs   map[SupplyKey]int
	shows   map[string][]int // by action, the stages that show it guided
}

// candidates gathers the blocks the planner may choose from, given how the squad
// is parted between two baskets (nil: it is not). Stages in taken are in the plan;
// lengths are in minutes.
func (p Plan) candidates(part *split, taken map[StageKey]bool, lengths []int) candidates {
	c := candidates{plan: p, lengths: lengths, needs: p.needIndex(), shows: map[string][]int{}}
	for _, d := range p.Library.All() {
		if slices.Contains(p.Terms.Banned, d.ID) {
			continue
		}
		for _, st := range d.Stages {
			if !p.serves(d, st) {
				continue
			}
			if st.Rung == drill.Guided {
				c.shows[d.Action] = append(c.shows[d.Action], len(c.stages))
			}
			c.stages = append(c.stages, stageInfo{d, st})
		}
	}
	for i, s := range c.stages {
		if key := (StageKey{s.drill.ID, s.stage.ID}); taken[key] || s.drill.Action != "" && p.tooOften(key) {
			continue
		}
		c.add(i, Block{}, fit.Whole, p.Terms.Helpers)
		if part != nil {
			for k, group := range part.groups {
				// The two baskets share the helpers.
				helpers := (p.Terms.Helpers + 1 - k) / splitBaskets
				c.add(i, Block{Players: group, Basket: k + 1}, fit.First+fit.Basket(k), helpers)
			}
		}
	}
	return c
}

// serves reports whether a stage can serve the practice: it gives reps of a goal, or is live
// play without an action.
func (p Plan) serves(d *drill.Drill, st drill.Stage) bool {
	rung, _ := drill.RungByID(st.Rung)
	if d.Action == "" {
		return rung.Live
	}
	if !rung.Reads || !p.ofAge(d, st) || !p.taught(d) {
		return false
	}
	for key := range p.aimed {
		if p.teaches(d, st, key.role, key.read) {
			return true
		}
	}
	return false
}

// ofAge reports whether the players' age takes a stage's action and everything that it
// shows.
func (p Plan) ofAge(d *drill.Drill, st drill.Stage) bool {
	action, ok := reads.ActionByID(d.Action)
	return !ok ||
		!slices.ContainsFunc(st.Cues, func(c reads.Cue) bool {
			return !p.TeamRules.Meets(string(p.Limits.Band), action,
				c)
		})
}

// after lists the stages one of which has to come before a stage, for the players
// of a block; ok is false where nothing in the library leads to it.
func (c *candidates) after(i int, b Block) (stages []int, ok bool) {
	s := c.stages[i]
	if !isLive(s.stage) || s.drill.Action == "" || !c.plan.Rules().Ladder {
		return nil, true
	}
	if here, unready := c.plan.unready(s.drill.Action, c.plan.taking(b, true)); !tooNew(unready, here) {
		return nil, true
	}
	return c.shows[s.drill.Action], len(c.shows[s.drill.Action]) > 0
}

// add makes the options of a stage at a basket, in every length and in the set-ups
// worth having.
func (c *candidates) add(i int, b Block, basket fit.Basket, helpers int) {
	after, ok := c.after(i, b)
	if !ok {
		return
	}
	for _, set := range c.setUps(c.stages[i], b, helpers) {
		for _, minutes := range c.lengths {
			set.Minutes = float64(minutes)
			if !c.offer(i, set, basket, after) {
				break
			}
		}
	}
}

// offer makes an option of a block that runs a stage; false where it gives nothing
// that anybody needs of a goal.
func (c *candidates) offer(i int, b Block, basket fit.Basket, after []int) bool {
	s, p := c.stages[i], c.plan
	kind := p.stageKind(s.drill, s.stage, b)
	o := fit.Option{Stage: i, Basket: basket, Minutes: int(b.Minutes), Hard: kind.live, After: after,
		Rank:  rungOrder(s.stage),
		Teach: kind.teach, Play: kind.play, Close: kind.close, Chain: c.chain(s.drill.Action)}
	if kind.play {
		o.Rank += playRank
	}
	players := p.taking(b, kind.live)
	goal := kind.play
	for _, sh := range p.shares(s.drill, s.stage, b) {
		for _, id := range players {
			if k, needed := c.needs[SupplyKey{id, sh.role, sh.read}]; needed {
				d := p.Needs[k].dose(sh.reps, sh.live)
				o.Gives = append(o.Gives, fit.Give{Demand: 2 * k, Reps: d.learn},
					fit.Give{Demand: 2*k + 1, Reps: d.settle})
				goal = goal || p.Needs[k].Goal
			}
		}
	}
	if !goal {
		return false
	}
	o.Gives = append(o.Gives, fit.Give{Demand: 2 * len(p.Needs), Reps: b.Minutes})
	c.options, c.kinds, c.blocks = append(c.options, o), append(c.kinds, kind), append(c.blocks, b)
	c.waits = append(c.waits, waitingIn(s, b, len(players)))
	return true
}

// playRank puts scrimmages behind everything that teaches, where there is a choice.
const playRank = 100

// chain numbers the actions whose rungs come in order; 0 for none.
func (c *candidates) chain(action string) int {
	if !c.plan.Rules().Ladder {
		return 0
	}
	return 1 + slices.IndexFunc(reads.Actions(), func(a *reads.Action) bool { return a.ID == action })
}

// waitingIn is the share of the time that some players spend in line.
func waitingIn(s stageInfo, b Block, players int) float64 {
	busy := s.stage.Defenders
	for _, pos := range s.drill.Positions {
		busy += count(!pos.Helper || b.NoHelpers)
	}
	busy += count(s.stage.CoachShows && b.PlayerShows)
	return 1 - min(1, float64(busy*b.Baskets)/float64(players))
}

// setUps finds how a stage runs best with the helpers and balls there are: with helpers in
// their places or players, with a coach who shows the cue or a player, each at the number of
// baskets that gives most. A way that gives fewer reps and more time in line than another is
// left out.
func (c *candidates) setUps(s stageInfo, b Block, helpers int) []Block {
	type way struct {
		block      Block
		reps, wait float64
	}
	var ways []way
	baskets := c.plan.Terms.Baskets
	if b.Basket > 0 {
		baskets /= splitBaskets
	}
	helped := slices.ContainsFunc(s.drill.Positions, func(p drill.Position) bool { return p.Helper })
	screens := len(s.drill.Positions) > 1 && s.drill.Positions[1].Helper
	for _, alone := range []bool{false, true} {
		for _, shows := range []bool{false, true} {
			if alone && !helped || shows && !s.stage.CoachShows {
				continue
			}
			top := way{}
			for n := 1; n <= baskets; n++ {
				try := b
				try.Kind, try.Title, try.Drill, try.Stage = DrillBlock, s.drill.Name, s.drill.ID, s.stage.ID
				try.Baskets, try.NoHelpers, try.PlayerShows, try.Minutes = n, alone, shows, longest
				if staff, balls := try.takes(s.drill, s.stage); staff > helpers || balls > c.plan.Terms.Balls {
					break
				}
				if m, ok := c.plan.Pace[StageKey{s.drill.ID, s.stage.ID}]; ok {
					try.Seconds = math.Round(m.Seconds)
				}
				players := c.plan.taking(try, isLive(s.stage))
				reps, used, err := drill.Room(s.drill, s.stage, try.setup(players))
				if share := float64(reps) / float64(len(players)); err == nil && used == n && share > top.reps {
					top = way{try, share, waitingIn(s, try, len(players))}
				}
			}
			worse := func(w way) bool {
				return w.reps >= top.reps && w.wait <= top.wait && !(alone && screens && !w.block.NoHelpers)
			}
			if top.reps > 0 && !slices.ContainsFunc(ways, worse) {
				ways = append(ways, top)
			}
		}
	}
	out := make([]Block, len(ways))
	for i, w := range ways {
		out[i] = w.block
	}
	return out
}

func count(yes bool) int {
	if yes {
		return 1
	}
	return 0
}

// why says what keeps a goal's players from moving forward.
func (c *candidates) why(g GoalCover, left float64) string {
	gives, banned, older, offered := false, "", false, false
	for _, s := range c.stages {
		gives = gives || c.plan.teaches(s.drill, s.stage, g.Role, g.Read)
	}
	for _, d := range c.plan.Library.All() {
		for _, st := range d.Stages {
			rung, _ := drill.RungByID(st.Rung)
			if !rung.Reads || !c.plan.teaches(d, st, g.Role, g.Read) {
				continue
			}
			older = older || !c.plan.ofAge(d, st)
			if slices.Contains(c.plan.Terms.Banned, d.ID) {
				banned = d.Name
			}
		}
	}
	for _, o := range c.options {
		offered = offered || slices.ContainsFunc(o.Gives, func(given fit.Give) bool {
			k := given.Demand / 2
			return k < len(c.plan.Needs) && c.plan.Needs[k].Role == g.Role && c.plan.Needs[k].Read == g.Read
		})
	}
	switch {
	case !gives && banned != "":
		return fmt.Sprintf("%s would give it, and you left that drill out.", banned)
	case !gives && older:
		return fmt.Sprintf("It is left out for %s. Settings turns all actions on.", c.plan.Limits.Name)
	case !gives:
		return "No drill you have gives it."
	case !offered:
		return "What gives it cannot be run tonight: too few players, helpers or balls, or it ran in the last " +
			"practices."
	case left >= shortest:
		return "Another break would be needed for it, and the minutes do not hold both."
	}
	return "The minutes went to what moves more players."
}
