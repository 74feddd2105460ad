// Package practice lays a practice out against the minutes, the people and
// what they cannot do yet.
package practice

import (
	"fmt"
	"slices"

	"evrik/core/drill"
	"evrik/core/reads"
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
}

// Needs is the reps each player still needs per cutter's read to settle what
// he can do: Needs[player][read].
type Needs map[string]map[reads.Read]float64

// Plan is what is laid out.
type Plan struct {
	Minutes float64
	Players []string // present
	Blocks  []Block
	School  reads.School
	// Library is what drills there are.
	Library drill.Library
	Ages    AgeBand
	// Held is the highest rung each player holds on any read of a screen.
	Held  map[string]int
	Needs Needs
}

// Sheet is a plan with its arithmetic.
type Sheet struct {
	Blocks []Timed `json:"blocks"`
	// Used and Left are minutes; Left is negative when the plan is too long.
	Used float64 `json:"used"`
	Left float64 `json:"left"`
	// Load holds every present player's sums.
	Load []Load `json:"load"`
	// Demand and Covered are reps: what the players present need, and how much
	// of that the plan gives them.
	Demand  float64 `json:"demand"`
	Covered float64 `json:"covered"`
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
	// Problem says why the block cannot be run, or is empty.
	Problem string   `json:"problem"`
	Notes   []string `json:"notes"`
}

// Load is what a plan gives one player.
type Load struct {
	Player   string `json:"player"`
	Cutter   int    `json:"cutter"`
	Screener int    `json:"screener"`
	Defence  int    `json:"defence"`
	// Judged is the reps as cutter or screener on rungs where players read.
	Judged int `json:"judged"`
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
	// newToIt is the share of players present who have not held the shown rung
	// above which a live block is early (assumption).
	newToIt = 1.0 / 3
)

const (
	commonPractice = "Common practice, no source"
	assumption     = "Our assumption; shorten it in heat and follow your league's heat policy"
)

// LayOut computes the run sheet of a plan. A block that cannot be run gets its
// problem in words; the others stand.
func LayOut(p Plan) Sheet {
	s := Sheet{Blocks: make([]Timed, 0, len(p.Blocks)), Load: make([]Load, len(p.Players)), Warnings: []Warning{}}
	at := make(map[string]int, len(p.Players))
	for i, id := range p.Players {
		at[id], s.Load[i].Player = i, id
	}
	given := Needs{}
	clock, dry := 0.0, 0.0
	thirsty := false
	for i, b := range p.Blocks {
		t := Timed{ID: b.ID, Start: clock, End: clock + b.Minutes, Notes: []string{}}
		clock = t.End
		if b.Kind == DrillBlock {
			s.drill(p, i, &t, at, given)
		}
		if b.Kind == WaterBlock {
			dry, thirsty = 0, false
		} else if dry += b.Minutes; dry > WaterEvery && !thirsty {
			thirsty = true
			s.warn(b.ID, assumption, "More than %.0f minutes without water: put a break before this block.", WaterEvery)
		}
		s.Blocks = append(s.Blocks, t)
	}
	s.Used, s.Left = clock, p.Minutes-clock
	for _, player := range p.Players {
		for read, need := range p.Needs[player] {
			s.Demand += need
			s.Covered += min(need, given[player][read])
		}
	}
	s.whole(p)
	return s
}

// drill fills in a drill block: its order list, what everyone gets, and what
// should be said about it.
func (s *Sheet) drill(p Plan, i int, t *Timed, at map[string]int, given Needs) {
	b := p.Blocks[i]
	d, st, err := StageOf(p.Library, b)
	if err != nil {
		t.Problem = err.Error()
		return
	}
	order, err := Order(p.Library, b, p.Players)
	if err != nil {
		t.Problem = err.Error()
		return
	}
	rung, _ := drill.RungByID(st.Rung)
	t.Reps, t.Waiting = len(order.Reps), order.Waiting
	t.PerPlayer = float64(len(order.Reps)) / float64(len(p.Players))
	t.Notes = append(t.Notes, order.Notes...)
	for _, c := range order.Counts {
		l := &s.Load[at[c.Player]]
		l.Cutter += c.Cutter
		l.Screener += c.Screener
		l.Defence += c.Defence
		if rung.Reads {
			l.Judged += c.Cutter + c.Screener
			give(given, p.School, d, st, c)
		}
	}
	if b.Minutes < ShortBlock || b.Minutes > LongBlock {
		s.warn(b.ID, commonPractice, "A block of %.0f min is outside %.0f to %.0f: too short to settle, or too long to stay sharp.", b.Minutes, ShortBlock, LongBlock)
	}
	if rung.Live && !lowerRungBefore(p.Library, p.Blocks[:i], b.Drill, rung.Number) {
		unready := 0
		for _, id := range p.Players {
			if p.Held[id] < drill.Shown.Number() {
				unready++
			}
		}
		if float64(unready) > newToIt*float64(len(p.Players)) {
			s.warn(b.ID, commonPractice, "%d of %d players have not held a shown read yet. Run the shown stage before this live one.", unready, len(p.Players))
		}
	}
}

// give adds a player's expected reps per read: the cues of a stage are taken
// to come equally often (assumption on live stages, a fact on shown ones).
func give(given Needs, school reads.School, d *drill.Drill, st drill.Stage, c drill.Count) {
	screen, ok := reads.ScreenByID(d.Screen)
	if !ok {
		return
	}
	if given[c.Player] == nil {
		given[c.Player] = map[reads.Read]float64{}
	}
	for _, cue := range st.Cues {
		if row, ok := screen.Row(school, cue); ok {
			given[c.Player][row.CutterRead] += float64(c.Cutter) / float64(len(st.Cues))
		}
	}
}

func lowerRungBefore(lib drill.Library, blocks []Block, drillID string, number int) bool {
	return slices.ContainsFunc(blocks, func(b Block) bool {
		_, st, err := StageOf(lib, b)
		return err == nil && b.Drill == drillID && st.Rung.Number() < number && st.Rung.Number() >= drill.Shown.Number()
	})
}

// StageOf returns the drill and stage a block runs. The error is a sentence.
func StageOf(lib drill.Library, b Block) (*drill.Drill, drill.Stage, error) {
	d, ok := lib.ByID(b.Drill)
	if !ok {
		return nil, drill.Stage{}, fmt.Errorf("This block's drill is not in the catalogue any more. Choose another.")
	}
	st, ok := d.Stage(b.Stage)
	if !ok {
		return nil, drill.Stage{}, fmt.Errorf("%s has no stage called %q. Choose one from its ladder.", d.Name, b.Stage)
	}
	return d, st, nil
}

// Order is the order list of a drill block for these players.
func Order(lib drill.Library, b Block, players []string) (drill.Order, error) {
	d, st, err := StageOf(lib, b)
	if err != nil {
		return drill.Order{}, err
	}
	return drill.OrderList(d, st, drill.Setup{Players: players, Baskets: b.Baskets, Minutes: b.Minutes, Seconds: b.Seconds, Seed: b.Seed})
}

// whole adds the warnings about the practice as one.
func (s *Sheet) whole(p Plan) {
	if s.Left < 0 {
		s.warn("", "Arithmetic", "The blocks need %.0f min and the practice has %.0f: take %.0f min out.", s.Used, p.Minutes, -s.Left)
	}
	if first := slices.IndexFunc(p.Blocks, func(b Block) bool { return b.Kind == DrillBlock }); first == 0 {
		s.warn(p.Blocks[0].ID, commonPractice, "Warm up first: running, landing and changes of direction before the first screen.")
	}
	if lim, ok := p.Ages.Limits(); ok && p.Minutes > lim.MaxMinutes {
		s.warn("", lim.Source, "%.0f min is long for %s: %.0f to %.0f is the guideline. Your own league's or school's rule comes first.",
			p.Minutes, lim.Name, lim.MinMinutes, lim.MaxMinutes)
	}
}

func (s *Sheet) warn(block, source, format string, args ...any) {
	s.Warnings = append(s.Warnings, Warning{block, fmt.Sprintf(format, args...), source})
}
