// Package practice lays a practice out against the minutes, the people and
// what they cannot do yet.
package practice

import (
	"fmt"
	"slices"
	"strings"

	"evrik/core/drill"
	"evrik/core/reads"
	"evrik/core/refusal"
)

// Kind is what a block of a practice is.
type Kind string

// Kinds of block.
const (
	DrillBlock Kind = "drill"
	OwnBlock   Kind = "own"   // warm-up, talk, scrimmage: time without judged reps
	WaterBlock Kind = "water" // a break
)

// Block is a stretch of a practice.
type Block struct {
	ID      string  `json:"id"`
	Kind    Kind    `json:"kind"`
	Title   string  `json:"title"`
	Drill   string  `json:"drill"`
	Stage   string  `json:"stage"`
	Minutes float64 `json:"minutes"`
	Baskets int     `json:"baskets"`
	// Seconds a rep takes; 0 takes the stage's figure.
	Seconds float64 `json:"seconds"`
	// Seed of the order list.
	Seed uint64 `json:"seed"`
	// Basket is 0 for the whole floor. Blocks at baskets 1 and 2 that follow one another
	// run side by side.
	Basket int `json:"basket"`
	// Players take part, by id; none named means everybody.
	Players []string `json:"players"`
	// Pin keeps the block as it is when a plan is fitted.
	Pin bool `json:"pin"`
	// NoHelpers lets players take the helpers' places, PlayerShows lets one show the cue.
	NoHelpers   bool `json:"noHelpers"`
	PlayerShows bool `json:"playerShows"`
	// Play is true of an own block that is live play: a scrimmage in the coach's words.
	Play bool `json:"play"`
	// Staff says who does what.
	Staff []Duty `json:"staff,omitempty"`
}

// Person is a player who is here.
type Person struct {
	ID                 string
	Handler, Wing, Big bool
	// Limited players keep out of live blocks.
	Limited bool
}

// Plan is what is laid out.
type Plan struct {
	Minutes   float64
	People    []Person // present
	Blocks    []Block
	TeamRules reads.TeamRules
	// Library is what drills there are.
	Library drill.Library
	// Limits of the age band, or the local rule.
	Limits Limits
	Terms  Terms
	// Goals are what the practice is for, Needs what its players need, Held which reads they
	// hold, guided or live; Aim sets them.
	Goals []Goal
	Needs []Need
	Held  map[SupplyKey]bool
	aimed map[readKey]bool
	// actions are those the team is taught; empty is all.
	actions []string
	// Due is what the season sets for the day.
	Due []SeasonItem
	// Recent are the stages of the practices before this one, newest first, planned ones
	// included; Near are those of other practices planned in the same week.
	Recent []map[StageKey]bool
	Near   map[StageKey]bool
	// Pace is how long a rep takes the team, where it has been measured.
	Pace map[StageKey]drill.Measured
}

// StageKey names a stage of a drill.
type StageKey struct{ Drill, Stage string }

// Sheet is a plan with its arithmetic.
type Sheet struct {
	Blocks []Timed `json:"blocks"`
	// Used and Left are minutes; Left is negative when the plan is too long.
	Used float64 `json:"used"`
	Left float64 `json:"left"`
	// Load holds every present player's sums.
	Load []Load `json:"load"`
	// Goals are what the practice is for, with what it gives.
	Goals []GoalCover `json:"goals"`
	// Moves says in a sentence how many players it moves forward.
	Moves string `json:"moves"`
	// Rules are the rules that are on, kept or broken.
	Rules []RuleCheck `json:"rules"`
	// InForce are the rules themselves.
	InForce Rules `json:"inForce"`
	// Waiting is the mean share of the time in line in blocks with reps, 0 to 1, LiveMinutes
	// how many of CountedMinutes (after warm-up, water and talk) are live.
	Waiting        float64 `json:"waiting"`
	LiveMinutes    float64 `json:"liveMinutes"`
	CountedMinutes float64 `json:"countedMinutes"`
	// Due is what the season sets for the day.
	Due []SeasonItem `json:"due"`
	// Warnings are sentences.
	Warnings []Warning `json:"warnings"`
}

// Timed is a block with its place in the practice.
type Timed struct {
	ID    string  `json:"id"`
	Start float64 `json:"start"` // minutes from the beginning
	End   float64 `json:"end"`
	// Reps in the whole block, and per player as a cutter.
	Reps      int     `json:"reps"`
	PerPlayer float64 `json:"perPlayer"`
	Waiting   float64 `json:"waiting"` // share, 0 to 1
	Hard      bool    `json:"hard"`
	// Problem says why the block cannot be run, or is empty.
	Problem refusal.Refusal `json:"problem"`
	Notes   []string        `json:"notes"`
	Brief   Brief           `json:"brief"`
}

// Load is what a plan gives one player.
type Load struct {
	Player   string `json:"player"`
	Cutter   int    `json:"cutter"`
	Screener int    `json:"screener"`
	Defense  int    `json:"defense"`
	// Judged is the reps as cutter or screener on rungs where players read.
	Judged int `json:"judged"`
	// Minutes of taking part, and in live blocks.
	Minutes     float64 `json:"minutes"`
	HardMinutes float64 `json:"hardMinutes"`
	// Touches of the ball and jumps on offense, from the drills' motion.
	Touches int `json:"touches"`
	Jumps   int `json:"jumps"`
}

// GoalCover is a goal with what a plan gives for it.
type GoalCover struct {
	Goal
	// Each is how many judged reps a player who should move gets, on average.
	Each float64 `json:"each"`
	// Moves are the players who get reps enough to move forward.
	Moves []string `json:"moves"`
}

// Warning is a sentence about a plan, with where the figure comes from.
type Warning struct {
	Block  string `json:"block"` // id, or empty for the whole practice
	Text   string `json:"text"`
	Source string `json:"source"`
}

// Figures of a good plan.
const (
	// ShortBlock and LongBlock bound a drill block in minutes (common practice, no source).
	ShortBlock, LongBlock = 4.0, 15.0
	// WaterEvery is the longest stretch in minutes without a break (assumption; shorter in heat).
	WaterEvery = 20.0
	// HardInARow is how many hard blocks may follow one another before a break or
	// an easier block (common practice, no source).
	HardInARow = 2
	// NewToIt is the share of players present who have not held a read on the
	// shown rung above which a live block is early (assumption).
	NewToIt = 1.0 / 3
)

const (
	commonPractice = "Common practice, no source"
	assumption     = "Our assumption; shorten it in heat and follow your league's heat policy"
)

// sheetMaker keeps what LayOut needs from block to block.
type sheetMaker struct {
	Sheet
	plan   Plan
	at     map[string]int // index of a player
	given  []dose         // what the blocks so far give each need
	clock  [3]float64     // of the whole floor and of each basket
	water  float64        // when the last break ended
	row    [3]int         // hard blocks in a row at each basket
	warned bool           // about this stretch without water
}

// LayOut computes the run sheet of a plan. A block that cannot be run gets its
// problem in words; the others stand.
func LayOut(p Plan) Sheet {
	s := sheetMaker{plan: p, at: make(map[string]int, len(p.People))}
	s.InForce = p.Rules()
	s.Goals, s.Rules, s.given = []GoalCover{}, []RuleCheck{}, make([]dose, len(p.Needs))
	s.Blocks, s.Load, s.Warnings = make([]Timed, 0, len(p.Blocks)), make([]Load, len(p.People)), []Warning{}
	s.Due = append([]SeasonItem{}, p.Due...)
	for i, who := range p.People {
		s.at[who.ID], s.Load[i].Player = i, who.ID
	}
	for i, b := range p.Blocks {
		t := Timed{ID: b.ID, Notes: []string{}}
		t.Start = s.clock[b.Basket]
		if b.Basket == 0 {
			t.Start = max(s.clock[1], s.clock[2])
		}
		t.End = t.Start + b.Minutes
		s.clock[b.Basket] = t.End
		if b.Basket == 0 {
			s.clock[1], s.clock[2] = t.End, t.End
		}
		if b.Kind == DrillBlock {
			s.drill(i, &t)
		} else if b.Kind == OwnBlock {
			t.Hard = b.Play
			s.takePart(b, b.Play)
		}
		s.rhythm(b, t)
		s.Blocks = append(s.Blocks, t)
	}
	s.Used = max(s.clock[1], s.clock[2])
	s.Left = p.Minutes - s.Used
	s.cover()
	s.whole()
	s.checkRules()
	return s.Sheet
}

// rhythm watches water and changes of intensity.
func (s *sheetMaker) rhythm(b Block, t Timed) {
	if b.Kind == WaterBlock {
		s.water, s.warned, s.row = t.End, false, [3]int{}
		return
	}
	if t.End-s.water > WaterEvery && !s.warned {
		s.warned = true
		s.warn(b.ID, assumption, "More than %.0f minutes without water: put a break before this block.", WaterEvery)
	}
	for end := range s.row {
		if b.Basket != 0 && end != b.Basket {
			continue
		}
		if !t.Hard {
			s.row[end] = 0
		} else if s.row[end]++; s.row[end] == HardInARow+1 && (end > 0) == (b.Basket > 0) {
			s.warn(b.ID, commonPractice, "The third live block in a row: put water or an easier block before it.")
		}
	}
}

// takePart adds a block's minutes to those who are in it.
func (s *sheetMaker) takePart(b Block, live bool) {
	for _, id := range s.plan.taking(b, live) {
		l := &s.Load[s.at[id]]
		l.Minutes += b.Minutes
		if live {
			l.HardMinutes += b.Minutes
		}
	}
}

func taking(people []Person, b Block, live bool) []string {
	out := make([]string, 0, len(people))
	for _, who := range people {
		if (len(b.Players) == 0 || slices.Contains(b.Players, who.ID)) && !(live && who.Limited) {
			out = append(out, who.ID)
		}
	}
	return out
}

// drill fills in a drill block: its order list, what everyone gets, and what
// should be said about it.
func (s *sheetMaker) drill(i int, t *Timed) {
	p, b := s.plan, s.plan.Blocks[i]
	d, st, err := StageOf(p.Library, b)
	if err != nil {
		t.Problem = refusal.Of(err)
		return
	}
	order, err := Order(p.Library, b, p.People)
	if err != nil {
		t.Problem = refusal.Of(err)
		return
	}
	rung, _ := drill.RungByID(st.Rung)
	t.Reps, t.Waiting, t.Hard = len(order.Reps), order.Waiting, rung.Live
	t.PerPlayer = float64(len(order.Reps)) / float64(len(order.Counts))
	t.Notes = append(t.Notes, order.Notes...)
	t.Brief = p.brief(d, st, b, s.given)
	s.takePart(b, rung.Live)
	for _, c := range order.Counts {
		l := &s.Load[s.at[c.Player]]
		l.Cutter += c.Cutter
		l.Screener += c.Screener
		l.Defense += c.Defense
		l.Touches += c.Touches
		l.Jumps += c.Jumps
		if rung.Reads {
			l.Judged += c.Cutter + c.Screener
		}
	}
	if b.Minutes < ShortBlock || b.Minutes > LongBlock {
		s.warn(b.ID, commonPractice,
			"A block of %.0f min is outside %.0f to %.0f: too short to settle, or too long to stay sharp.", b.Minutes,
			ShortBlock, LongBlock)
	}
	if rung.Live && !p.shownBefore(i, d.Action) {
		if here, unready := p.unready(d.Action, p.taking(b, true)); tooNew(unready, here) {
			s.warn(b.ID, commonPractice,
				"%d of %d players have not held these reads guided yet. Run a guided stage before this live one.",
				unready, here)
		}
	}
}

// cover says what the blocks give for the goals.
func (s *sheetMaker) cover() {
	given := s.plan.Given(s.plan.Blocks)
	moved, should, moving := map[string]bool{}, map[string]bool{}, 0
	for _, g := range s.plan.Goals {
		c := GoalCover{Goal: g, Moves: []string{}}
		for _, id := range g.Players {
			reps := given[SupplyKey{id, g.Role, g.Read}]
			should[id] = true
			c.Each += reps / float64(len(g.Players))
			if reps >= movesReps {
				c.Moves = append(c.Moves, id)
				moved[id] = true
			}
		}
		moving += count(len(c.Moves) > 0)
		s.Goals = append(s.Goals, c)
	}
	switch {
	case len(s.Goals) == 0:
		s.Moves = "Everybody here has what the team is taught. Name a read to work on."
	case moving == 0:
		s.Moves = fmt.Sprintf("Moves nobody forward yet: %s to work on.", Names(goalNames(s.plan.Goals)))
	default:
		s.Moves = fmt.Sprintf("Moves %s forward for %d of %s.", number(moving, "read"), len(moved),
			number(len(should), "player"))
	}
}

// number counts things as people say it.
func number(n int, thing string) string {
	if n == 1 {
		return "1 " + thing
	}
	return fmt.Sprintf("%d %ss", n, thing)
}

// goalNames are the reads of goals in lower case.
func goalNames(goals []Goal) (out []string) {
	for _, g := range goals {
		info, _ := reads.Info(g.Read)
		out = append(out, strings.ToLower(info.Name))
	}
	return out
}

// whole adds the warnings about the practice as one.
func (s *sheetMaker) whole() {
	p := s.plan
	if s.Left < 0 {
		s.warn("", "Arithmetic", "The blocks need %.0f min and the practice has %.0f: take %.0f min out.", s.Used,
			p.Minutes, -s.Left)
	}
	if len(p.Blocks) > 0 && p.strains(p.Blocks[0]) {
		s.warn(p.Blocks[0].ID, commonPractice,
			"Warm up first: running, landing and changes of direction before the first screen.")
	}
	if lim := p.Limits; lim.MaxMinutes > 0 && p.Minutes > lim.MaxMinutes {
		s.warn("", lim.Source,
			"%.0f min is long for %s: %.0f to %.0f is the guideline. Your own league's or school's rule comes first.",
			p.Minutes, lim.Name, lim.MinMinutes, lim.MaxMinutes)
	}
}

func (s *sheetMaker) warn(block, source, format string, args ...any) {
	s.Warnings = append(s.Warnings, Warning{block, fmt.Sprintf(format, args...), source})
}
