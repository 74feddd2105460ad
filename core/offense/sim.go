package offense

import (
	"math/rand/v2"
	"slices"

	"evrik/core/court"
	"evrik/core/game"
	"evrik/core/motion"
	"evrik/core/reads"
)

// Known is what is known of how often a player makes a read: rates that are equally
// likely, at least one. A draw of one of them is a draw of the rate.
type Known func(player int, role reads.Role, read reads.Read) []float64

// EverybodyMakes is for players who all make every read equally often.
func EverybodyMakes(rate float64) Known {
	return func(int, reads.Role, reads.Read) []float64 { return []float64{rate} }
}

const (
	// possession is until when there is a shot, in seconds (common practice, no source).
	possession = 22.0
	// PerGame is how many possessions a game has (assumption for high school). In a game a
	// player makes a read as often from the first possession to the last.
	PerGame = 50
)

// simulated is how often in seconds people's places are looked at for rules and spacing.
const simulated = 2 * sampling

// Simulator plays possessions of an offense by five players against a defense.
type Simulator struct {
	floor   Floor
	offense Offense
	defense Defense
	pace    motion.Pace
	actions map[string][]coverage
	// skills are what is known of every read that comes up, by player.
	skills  [][five][]float64
	assumed Assumed
}

// The reads that come up in every offense, by their place in Simulator.skills.
const (
	skillCut = iota
	skillFind
	skillDrive
	skillPost
)

// coverage is one way in which an action is defended, with what it asks and what every
// answer gains.
type coverage struct {
	cue     reads.Cue
	share   float64
	cutter  reads.Place
	options []reads.Option
	right   int    // index in options of the read that is asked for
	reads   [2]int // skills of the two
}

// NewSimulator computes once, by the read engine's second opinion, how open every answer of
// the offense's actions is against every coverage.
func NewSimulator(fl reads.Floor, o Offense, d Defense, known Known) *Simulator {
	sim := &Simulator{floor: NewFloor(fl), offense: o, defense: d, pace: d.Dials.pace(fl.Pace),
		actions: map[string][]coverage{}, assumed: usual}
	ids := map[reads.Read]int{}
	skill := func(role reads.Role, read reads.Read) int {
		if at, ok := ids[read]; ok {
			return at
		}
		ids[read] = len(sim.skills)
		var of [five][]float64
		for i := range of {
			of[i] = known(i, role, read)
		}
		sim.skills = append(sim.skills, of)
		return ids[read]
	}
	for _, read := range []reads.Read{skillCut: reads.BackCut, skillFind: reads.HitCutter, skillDrive: reads.FakeGo,
		skillPost: reads.HoldSeal} {
		info, _ := reads.Info(read)
		skill(info.Role, read)
	}
	against := fl
	against.Pace = sim.pace
	for _, a := range o.Answers {
		action, ok := reads.ActionByID(a.Action)
		if !ok || sim.actions[a.Action] != nil {
			continue
		}
		for _, ask := range game.Asks([]string{a.Action}, fl.Rules, d.Mixes) {
			at := action.Example(fl.Court, ask.Cue)
			cov := coverage{cue: ask.Cue, share: ask.Share, cutter: action.Reader().ID,
				options: reads.Options(against, &at)}
			cov.right = slices.IndexFunc(cov.options, func(o reads.Option) bool { return o.Read == ask.Reads[0] })
			cov.reads = [2]int{skill(ask.Roles[0], ask.Reads[0]), skill(ask.Roles[1], ask.Reads[1])}
			if cov.right >= 0 {
				sim.actions[a.Action] = append(sim.actions[a.Action], cov)
			}
		}
	}
	return sim
}

// Possession is what one came to.
type Possession struct {
	Look    Look
	Found   bool // an open look
	Lost    bool // the ball
	Seconds float64
	Passes  int
	Touches [five]int
	Screens [five]int
	Cuts    [five]int
	Broken  []Violation
	// Actions are the actions of the read tables that came up, by id.
	Actions []string
	// Inside is how many bodies were inside the arc on average, Empty for how many
	// seconds spots were.
	Inside, Empty float64
	// Apart is how many feet neighbors outside were from each other on average, Tight the
	// share of the time in which two of them were nearer than twelve.
	Apart, Tight float64
}

// possessionPlay is a possession while it is played.
type possessionPlay struct {
	sim  *Simulator
	pace motion.Pace
	def  defenders
	out  Possession
	game uint64
	t    float64
	now  float64 // until when the defenders have moved
	come happened
	// choice is the offense's luck; luck is drawn anew for every pass, apart from what the
	// offense chooses, so that two offenses, or two fives, are compared on the same luck.
	choice, luck *rand.Rand
	source       rand.PCG // of luck
	// cameFrom is where the ball was two passes ago.
	cameFrom          court.Point
	samples, measured float64
	events            []event
}

// firstDraw begins the random numbers of the luck of each pass.
const firstDraw = 100

// Play plays one possession. The same seed gives the same one.
func (s *Simulator) Play(seed uint64) Possession {
	start := s.offense.Start()
	g := possessionPlay{sim: s, pace: s.pace, game: seed / PerGame, choice: rand.New(rand.NewPCG(seed, 7))}
	g.luck = rand.New(&g.source)
	last := opening(start, s.floor.places(s.offense, start))
	g.def = s.floor.begin(&s.defense.Dials, s.defense.Zone, last.place, start.Ball())
	g.def.foresight = s.assumed.Foresight
	g.cameFrom = last.place[start.Ball()]
	g.out.Touches[start.Ball()]++
	for turn := uint64(1); g.t < possession; turn++ {
		g.source.Seed(seed, firstDraw+turn)
		c, denied, err := g.next(&last)
		if err != nil || !g.run(&c, denied) {
			break
		}
		g.cameFrom = c.place[c.from]
		last, g.t = c, c.end
	}
	return g.result()
}

// result closes a possession.
func (g *possessionPlay) result() Possession {
	out := g.out
	out.Seconds = min(g.t, possession)
	if out.Found {
		out.Seconds = out.Look.T
	}
	out.Inside /= max(1, g.samples)
	out.Apart /= max(1, g.measured)
	out.Tight /= max(1, g.measured)
	return out
}

// next chooses a pass and what follows; denied is true for one that is thrown to a wing
// who is denied.
func (g *possessionPlay) next(last *cycle) (c cycle, denied bool, err error) {
	s, p := g.sim, &last.after
	to := p.pick(g.choice)
	takes := g.luck.Float64() < s.defense.Dials.Deny && !s.defense.Zone && p.deniable(s.offense, to)
	refuses := takes && g.luck.Float64() >= unseen
	g.def.denies = [five]bool{}
	if takes {
		g.def.denies[g.def.of(p.Ring[to])] = true
	}
	if s.defense.Zone && s.offense.Zone.Swing && g.choice.Float64() < swings && p.ball != inThePost {
		c, err = s.floor.cycle(s.offense, last, swing, to)
		return c, false, err
	}
	a, err := p.choose(s.offense, to, refuses, g.come, g.choice)
	if err != nil {
		return c, false, err
	}
	c, err = s.floor.cycle(s.offense, last, a, to)
	return c, takes && !refuses, err
}

// swing is a pass after which nobody moves but the ball, at once.
var swing = Answer{ID: "swing", Name: "Swing it", On: AnyPass}

// knows reports whether a player makes a read this time.
func (g *possessionPlay) knows(player, skill int) bool {
	list := g.sim.skills[skill][player]
	return g.luck.Float64() < list[mixed(g.game, player, skill)%uint64(len(list))]
}

// count keeps what a cycle adds to the possession's figures.
func (g *possessionPlay) count(c *cycle) {
	g.out.Broken = append(g.out.Broken, g.sim.floor.watch(g.sim.offense, c, simulated, g.tell)...)
	if c.answer.Action != "" {
		g.out.Actions = append(g.out.Actions, c.answer.Action)
	}
	if c.from != c.to {
		g.out.Passes++
		g.out.Touches[c.to]++
	}
	for i := range c.legs {
		switch l := &c.legs[i]; l.act {
		case Screen:
			g.out.Screens[l.player]++
		case Cut, Curl:
			g.out.Cuts[l.player]++
		}
	}
}

// tell keeps how people are spaced at a moment.
func (g *possessionPlay) tell(at Spread) {
	g.samples++
	g.out.Inside += float64(at.Inside)
	g.out.Empty += simulated * float64(at.Empty)
	if at.Nearest > 0 {
		g.measured++
		g.out.Apart += at.Apart
		g.out.Tight += yes(at.Nearest < Neighbors)
	}
}
