package practice

import (
	"math"
	"slices"

	"evrik/core/practice/fit"
	"evrik/core/reads"
	"evrik/core/refusal"
)

// Scope is how much of a plan is made anew.
type Scope string

// Evening makes everything anew but pinned and own blocks; Holes keeps every
// block and fills the minutes that are free.
const (
	Evening Scope = "evening"
	Holes   Scope = "holes"
)

// Filled is a plan that moves the goals most, with its reasons.
type Filled struct {
	Blocks []Block `json:"blocks"`
	Sheet  Sheet   `json:"sheet"`
	// Value is what the reps of the goals are worth, Bound what no plan can exceed, Gap the
	// most that could be missing, as a share of the bound. What follows the value, less time
	// in line and more variety, is given up to GiveUp of it.
	Value  float64 `json:"value"`
	Bound  float64 `json:"bound"`
	Gap    float64 `json:"gap"`
	Proven bool    `json:"proven"`
	// Split says how the squad is parted between two baskets, or is empty.
	Split string `json:"split"`
	// Reasons say why each block is there.
	Reasons []Reason `json:"reasons"`
	// Open are the goals that do not move for everybody, and why.
	Open []StillOpen `json:"open"`
	// Others are other good plans for the same minutes.
	Others []Other `json:"others"`
}

// Reason says why a block is in a plan, and what could stand in its place.
type Reason struct {
	Block string `json:"block"`
	Text  string `json:"text"`
	Swaps []Swap `json:"swaps"`
}

// Swap is another block for the same minutes, and how many reps of the goals it gives less.
type Swap struct {
	Block Block   `json:"block"`
	Text  string  `json:"text"`
	Less  float64 `json:"less"`
}

// StillOpen is a goal that a plan does not move for everybody who should move.
type StillOpen struct {
	Role reads.Role `json:"role"`
	Read reads.Read `json:"read"`
	Why  string     `json:"why"`
}

// Conflict is an error that names what cannot be together and the smallest change
// that resolves it.
type Conflict struct{ refusal.Refusal }

// Unwrap gives the refusal.
func (c Conflict) Unwrap() error { return c.Refusal }

func conflict(code string, args ...any) error {
	return Conflict{refusal.Refusal{Code: code, Args: args}}
}

// Figures of the planner.
const (
	waterMinutes = 2.0 // a new break (common practice, no source)
	// secondWork bounds the search for another way to part the squad, relaxWork that with a
	// rule left out.
	secondWork = 2000
	relaxWork  = 2000
	swapsShown = 3
	// minuteWorth is what a minute of the practice is worth when it is used, far less than
	// any rep: without it minutes stay free that could be played.
	minuteWorth = 1e-4
)

// Fill makes a plan: the fixed blocks, and around them those that move the goals most
// within the rules. The same plan is always filled the same way. newID names new blocks.
// Errors are of type Conflict.
func Fill(p Plan, scope Scope, newID func() string) (Filled, error) {
	f := &filler{plan: p, scope: scope, newID: newID}
	if err := f.prepare(); err != nil {
		return Filled{}, err
	}
	best, err := f.solve(p.Minutes, f.splits())
	if err != nil {
		return Filled{}, f.tooLong(err)
	}
	out := Filled{Value: best.solution.Value, Bound: best.bound, Proven: best.proven, Others: []Other{},
		Open: []StillOpen{}}
	if out.Bound > 0 && !out.Proven {
		out.Gap = (out.Bound - out.Value) / out.Bound
	}
	f.refine(&best)
	f.grow(&best)
	alternatives := f.others(best)
	blocks, from := f.lay(&best)
	out.Blocks = blocks
	laid := p
	laid.Blocks = blocks
	out.Sheet = LayOut(laid)
	if slices.ContainsFunc(blocks, func(b Block) bool { return b.Basket > 0 }) && best.split != nil {
		out.Split = best.split.name
	}
	out.Reasons = f.reasons(laid, best, from)
	for _, g := range out.Sheet.Goals {
		if len(g.Moves) < len(g.Players) {
			out.Open = append(out.Open, StillOpen{g.Role, g.Read, best.why(g, out.Sheet.Left)})
		}
	}
	for _, a := range alternatives {
		out.Others = append(out.Others, f.tellOther(a, best, laid))
	}
	return out, nil
}

// splits are the ways to part the squad that are looked at.
func (f *filler) splits() []split {
	if f.pinnedPart {
		return nil
	}
	return f.plan.splits()
}

// lay writes an answer down, with minutes that no drill can use given to play.
func (f *filler) lay(a *answer) ([]Block, map[string]int) {
	f.useUp(a)
	return f.blocks(*a)
}

// filler holds what Fill needs from step to step.
type filler struct {
	plan       Plan
	scope      Scope
	newID      func() string
	kept       [][]Block // each a block, or what runs at the two baskets side by side
	head, tail int
	// past is how many blocks of the plan have been run: they stay where they are,
	// and what they gave is in the evidence.
	past       int
	without    relaxed
	given      []dose // what the kept blocks that are still to come give each need
	taken      map[StageKey]bool
	lengths    []int                 // of blocks, in minutes
	offered    map[string]candidates // by the name of a split
	pinnedPart bool
}

// answer is a solved problem with what its options stand for.
type answer struct {
	candidates
	split    *split
	kept     [][]Block
	problem  *fit.Problem
	solution fit.Solution
	bound    float64
	proven   bool
}

// prepare sorts out what stays, and refuses what cannot be.
func (f *filler) prepare() error {
	p := f.plan
	if len(p.People) == 0 {
		return conflict("practice.nobody-here")
	}
	if p.Minutes < MinPractice {
		return conflict("practice.too-short", p.Minutes, MinPractice)
	}
	blocks := p.Blocks
	if f.scope == Evening {
		if len(blocks) == 0 {
			blocks = f.frame()
		}
		f.head, f.tail = p.edges(blocks)
		blocks = slices.DeleteFunc(slices.Clone(blocks), func(b Block) bool { return !b.Pin && !p.chosen(b) })
	} else {
		f.head, f.tail = p.edges(blocks)
	}
	for _, b := range blocks {
		if b.Kind == DrillBlock && slices.Contains(p.Terms.Banned, b.Drill) {
			return conflict("practice.left-out-and-in", b.Title)
		}
	}
	f.taken, f.offered = map[StageKey]bool{}, map[string]candidates{}
	f.kept = sides(blocks)
	for _, b := range blocks {
		f.pinnedPart = f.pinnedPart || b.Basket > 0
		if _, _, err := StageOf(p.Library, b); b.Kind == DrillBlock && err == nil {
			f.taken[StageKey{b.Drill, b.Stage}] = true
		}
	}
	f.given = p.given(blocks[f.past:])
	free := p.Minutes
	for _, side := range f.kept {
		free -= minutesOf(side)
	}
	if f.lengths = fives; free <= fitClosely {
		f.lengths = closely
	}
	return nil
}

// chosen reports whether a block is the coach's own choice, on which the planner can put
// no worth: a block in the coach's words, or a drill that teaches no read and is no play.
func (p Plan) chosen(b Block) bool {
	if b.Kind != DrillBlock {
		return b.Kind == OwnBlock
	}
	d, st, err := StageOf(p.Library, b)
	return err == nil && d.Action == "" && !isLive(st)
}

// edges counts the blocks of the coach's choice that open and close a plan.
func (p Plan) edges(blocks []Block) (head, tail int) {
	own := p.chosen
	for head < len(blocks) && own(blocks[head]) {
		head++
	}
	if head == len(blocks) { // nothing but own blocks: the last one closes
		if head > 1 {
			return head - 1, 1
		}
		return head, 0
	}
	for own(blocks[len(blocks)-1-tail]) {
		tail++
	}
	return head, tail
}

// frame is what an empty evening starts from (common practice, no source).
func (f *filler) frame() []Block {
	block := func(title string, minutes float64) Block {
		return Block{ID: f.newID(), Kind: OwnBlock, Title: title, Minutes: minutes, Baskets: 1}
	}
	const short = 60 // minutes below which the frame shrinks
	if f.plan.Minutes < short {
		return []Block{block("Warm-up: run, land, change direction", math.Min(8, math.Floor(f.plan.Minutes/3))),
			block("One thing learned", 3)}
	}
	return []Block{block("Warm-up: run, land, change direction", 10), block("Ball handling and layups, both sides", 9),
		block("Free throws and one thing learned", 8)}
}

// relaxed are the rules that a search leaves out.
type relaxed struct{ waiting, end, live, teach, ladder, hard bool }

// relaxations are tried in turn where no plan keeps every rule: one rule less, then more.
var relaxations = []relaxed{
	{}, {waiting: true}, {end: true}, {live: true}, {teach: true}, {waiting: true, live: true, end: true},
	{waiting: true, live: true, end: true, teach: true, ladder: true},
	{waiting: true, live: true, end: true, teach: true, ladder: true, hard: true},
}

// solve fits the minutes, with the squad together and parted in some ways. Where no plan
// keeps every rule, as few as can be are left out.
func (f *filler) solve(minutes float64, splits []split) (answer, error) {
	var best answer
	var err error
	for i, without := range relaxations {
		f.without = without
		work := fit.DefaultWork
		if i > 0 {
			work = relaxWork
		}
		if best, err = f.solveSplit(nil, minutes, 0, work); err != nil || best.solution.Found {
			break
		}
	}
	if err != nil {
		return best, err
	}
	for _, s := range splits {
		other, err := f.solveSplit(&s, minutes, best.solution.Value, secondWork)
		if err != nil {
			return best, err
		}
		bound, proven := max(best.bound, other.bound), best.proven && other.proven
		if other.solution.Found {
			best = other
		}
		best.bound, best.proven = max(bound, best.solution.Value), proven
	}
	best.proven = best.proven || best.bound <= best.solution.Value
	return best, nil
}

// candidates are gathered once for each way to part the squad.
func (f *filler) candidates(part *split) candidates {
	name := ""
	if part != nil {
		name = part.name
	}
	c, known := f.offered[name]
	if !known {
		c = f.plan.candidates(part, f.taken, f.lengths)
		f.offered[name] = c
	}
	return c
}

func (f *filler) solveSplit(part *split, minutes, beat float64, work int) (answer, error) {
	a := answer{candidates: f.candidates(part), split: part, kept: f.kept}
	r := f.plan.Rules()
	pr := &fit.Problem{Minutes: minutes, Options: a.options, Head: f.head, Tail: f.tail,
		Stretch: minutes, Break: waterMinutes, HardPerStretch: MaxBlocks, Beat: beat, Work: work}
	if r.Water > 0 {
		pr.Stretch = float64(r.Water)
	}
	if r.HardInARow > 0 && !f.without.hard {
		pr.HardPerStretch = r.HardInARow
	}
	if part != nil {
		pr.PartMin, pr.PartMax = partMin, partMax
	}
	if r.TeachEarly && !f.without.teach {
		pr.TeachUntil = f.plan.Minutes / 2
	}
	pr.MustClose = r.EndLive && !f.without.end
	if f.without.ladder {
		pr.Options = slices.Clone(pr.Options)
		for i := range pr.Options {
			pr.Options[i].Chain, pr.Options[i].After = 0, nil
		}
	}
	for i := range f.plan.Needs {
		n := &f.plan.Needs[i]
		pr.Demands = append(pr.Demands, demandOf(n.Learn), demandOf(n.Settle))
		pr.Given = append(pr.Given, f.given[i].learn, f.given[i].settle)
	}
	pr.Given = append(pr.Given, 0)
	pr.Demands = append(pr.Demands, fit.Linear(minutes, minuteWorth))
	f.fix(pr, &a)
	f.rows(pr, &a)
	a.problem = pr
	var err error
	a.solution, err = fit.Solve(pr)
	a.bound, a.proven = a.solution.Bound, a.solution.Proven
	return a, err
}
