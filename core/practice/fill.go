package practice

import (
	"cmp"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"

	"evrik/core/practice/fit"
)

// Scope is how much of a plan is made anew.
type Scope string

// Evening makes everything anew but pinned and own blocks; Holes keeps every
// block and fills the minutes that are free.
const (
	Evening Scope = "evening"
	Holes   Scope = "holes"
)

// Filled is a plan that covers the most of what is open, with its reasons.
type Filled struct {
	Blocks []Block `json:"blocks"`
	Sheet  Sheet   `json:"sheet"`
	// Value is the weighted reps covered, Bound what no plan can exceed, Gap the
	// most that could be missing, as a share of the bound.
	Value  float64 `json:"value"`
	Bound  float64 `json:"bound"`
	Gap    float64 `json:"gap"`
	Proven bool    `json:"proven"`
	// Split says how the squad is parted between two ends, or is empty.
	Split string `json:"split"`
	// Reasons say why each block is there.
	Reasons []Reason `json:"reasons"`
	// Open is what stays uncovered, and why.
	Open []StillOpen `json:"open"`
	// MoreReps is how many more reps MoreMinutes more would cover.
	MoreMinutes float64 `json:"moreMinutes"`
	MoreReps    float64 `json:"moreReps"`
}

// Reason says why a block is in a plan, and what could stand in its place.
type Reason struct {
	Block string `json:"block"`
	Text  string `json:"text"`
	Swaps []Swap `json:"swaps"`
}

// Swap is another block for the same minutes, and how many reps it covers less.
type Swap struct {
	Block Block   `json:"block"`
	Text  string  `json:"text"`
	Less  float64 `json:"less"`
}

// StillOpen is a read that a plan leaves partly uncovered.
type StillOpen struct {
	Cover Cover  `json:"cover"`
	Why   string `json:"why"`
}

// Conflict is an error that names what cannot be together and the smallest change
// that resolves it.
type Conflict struct{ sentence string }

func (c Conflict) Error() string { return c.sentence }

func conflict(format string, args ...any) error { return Conflict{fmt.Sprintf(format, args...)} }

// Figures of the planner.
const (
	waterMinutes = 2.0  // a new break (common practice, no source)
	moreMinutes  = 10.0 // whose worth is told
	// askMoreWork bounds the search for what more minutes are worth, and
	// secondWork that for another way to part the squad.
	askMoreWork = 4000
	secondWork  = 90000
	swapsShown  = 3
	openShown   = 8
)

// Fill makes a plan: the fixed blocks, and around them those that cover the most
// weighted demand within the rules. The same plan is always filled the same way.
// newID names new blocks. Errors are of type Conflict.
func Fill(p Plan, scope Scope, newID func() string) (Filled, error) {
	f := &filler{plan: p, scope: scope, newID: newID}
	if err := f.prepare(); err != nil {
		return Filled{}, err
	}
	best, err := f.solve(p.Minutes, fit.DefaultWork, p.splits())
	if err != nil {
		return Filled{}, f.tooLong(err)
	}
	out := Filled{Value: best.solution.Value, Bound: best.bound, Proven: best.proven, MoreMinutes: moreMinutes}
	if out.Bound > 0 && !out.Proven {
		out.Gap = (out.Bound - out.Value) / out.Bound
	}
	if best.split != nil && slices.ContainsFunc(best.solution.Chosen, func(o int) bool { return best.options[o].Lane != fit.Whole }) {
		out.Split = best.split.name
	}
	reps := best.reps()
	f.useUp(&best)
	blocks, from := f.blocks(best)
	out.Blocks = blocks
	laid := p
	laid.Blocks = blocks
	out.Sheet = LayOut(laid)
	out.Reasons = f.reasons(laid, best, from)
	for _, c := range out.Sheet.Reads {
		if c.Demand-c.Covered >= 0.5 && len(out.Open) < openShown {
			out.Open = append(out.Open, StillOpen{c, best.why(c, out.Sheet.Left)})
		}
	}
	if out.Sheet.Demand-out.Sheet.Covered >= 0.5 && p.Minutes+moreMinutes <= MaxPractice {
		// Parted as the plan is, or not at all: another way for ten minutes more
		// would be another plan.
		var same []split
		if best.split != nil {
			same = []split{*best.split}
		}
		if more, err := f.solve(p.Minutes+moreMinutes, askMoreWork, same); err == nil {
			out.MoreReps = max(0, more.reps()-reps)
		}
	}
	return out, nil
}

// filler holds what Fill needs from step to step.
type filler struct {
	plan       Plan
	scope      Scope
	newID      func() string
	kept       [][]Block // each a block, or what runs at the two ends side by side
	head, tail int
	// past is how many blocks of the plan have been run: they stay where they are,
	// and what they gave is in the evidence.
	past       int
	given      []float64
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

// reps is the unweighted demand a plan covers.
func (a answer) reps() float64 {
	flat := *a.problem
	flat.Demands = slices.Clone(flat.Demands)
	for i := range flat.Demands {
		flat.Demands[i].Weight = 1
	}
	return flat.Value(a.solution.Chosen)
}

// prepare sorts out what stays, and refuses what cannot be.
func (f *filler) prepare() error {
	p := f.plan
	if len(p.People) == 0 {
		return conflict("Nobody is here, so there is nothing to fit. Tick at least the players who come.")
	}
	if p.Minutes < MinPractice {
		return conflict("A practice of %.0f min holds no plan. Give it %d or more.", p.Minutes, MinPractice)
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
			return conflict("%s is in the plan and left out at once. Take the block out, or let the drill in again.", b.Title)
		}
	}
	f.taken, f.offered = map[StageKey]bool{}, map[string]candidates{}
	f.kept = sides(blocks)
	for _, b := range blocks {
		f.pinnedPart = f.pinnedPart || b.End > 0
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
	return f.contradiction(blocks)
}

// contradiction finds a kept live block before the kept shown one it needs.
func (f *filler) contradiction(blocks []Block) error {
	kept := f.plan
	kept.Blocks = blocks
	for i, b := range blocks {
		d, st, err := StageOf(kept.Library, b)
		if i < f.past || b.Kind != DrillBlock || err != nil || !isLive(st) || kept.shownBefore(i, d.Screen) || !kept.shownBefore(len(blocks), d.Screen) {
			continue
		}
		if here, unready := kept.unready(d.Screen, kept.taking(b, true)); tooNew(unready, here) {
			return conflict("%s is kept live before the block that shows it, and %d of %d players have not held it shown. Move the shown block first, or unpin one of the two.", b.Title, unready, here)
		}
	}
	return nil
}

// chosen reports whether a block is the coach's own choice, on which the planner can put
// no worth: a block in the coach's words, or a drill that teaches no read.
func (p Plan) chosen(b Block) bool {
	if b.Kind != DrillBlock {
		return b.Kind == OwnBlock
	}
	d, _, err := StageOf(p.Library, b)
	return err == nil && d.Screen == ""
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
		return []Block{block("Warm-up: run, land, change direction", math.Min(8, math.Floor(f.plan.Minutes/3))), block("One thing learned", 3)}
	}
	return []Block{block("Warm-up: run, land, change direction", 10), block("Ball handling and layups, both sides", 9), block("Free throws and one thing learned", 8)}
}

// solve fits the minutes, with the squad together and parted in some ways.
func (f *filler) solve(minutes float64, work int, splits []split) (answer, error) {
	best, err := f.solveSplit(nil, minutes, 0, work)
	if err != nil || f.pinnedPart {
		return best, err
	}
	for _, s := range splits {
		other, err := f.solveSplit(&s, minutes, best.solution.Value, min(work, secondWork))
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
	pr := &fit.Problem{Minutes: minutes, Options: a.options, Head: f.head, Tail: f.tail, Given: f.given,
		Stretch: WaterEvery, Break: waterMinutes, HardPerStretch: HardInARow, Beat: beat, Work: work}
	if part != nil {
		pr.PartMin, pr.PartMax = partMin, partMax
	}
	for _, w := range f.plan.Wants {
		pr.Demands = append(pr.Demands, fit.Demand{Need: w.Reps, Weight: w.Weight})
	}
	for _, side := range f.kept {
		fixed := fit.Fixed{Stage: -1}
		for _, b := range side {
			fixed.Break = fixed.Break || b.Kind == WaterBlock
			if _, st, err := StageOf(f.plan.Library, b); b.Kind == DrillBlock && err == nil {
				fixed.Hard = fixed.Hard || isLive(st)
				for i, s := range a.stages {
					if b.End == 0 && len(b.Players) == 0 && s.drill.ID == b.Drill && s.stage.ID == b.Stage {
						fixed.Stage = i
						fixed.After, _ = a.after(i, b)
					}
				}
			}
		}
		fixed.Minutes = minutesOf(side)
		pr.Fixed = append(pr.Fixed, fixed)
	}
	// A kept live block that nothing leads to is the coach's choice; the sheet
	// warns about it.
	for i := range pr.Fixed {
		if !canCome(pr, a.options, i) {
			pr.Fixed[i].After = nil
		}
	}
	a.problem = pr
	var err error
	a.solution, err = fit.Solve(pr)
	a.bound, a.proven = a.solution.Bound, a.solution.Proven
	return a, err
}

// canCome reports whether what a fixed block asks for could come before it.
func canCome(pr *fit.Problem, options []fit.Option, i int) bool {
	after := pr.Fixed[i].After
	return slices.ContainsFunc(pr.Fixed[:i], func(f fit.Fixed) bool { return slices.Contains(after, f.Stage) }) ||
		i >= pr.Head && slices.ContainsFunc(options, func(o fit.Option) bool { return o.Lane == fit.Whole && slices.Contains(after, o.Stage) })
}

// tooLong says what to let go of when the kept blocks do not fit.
func (f *filler) tooLong(err error) error {
	if !errors.Is(err, fit.ErrNoPlan) {
		return err
	}
	need := f.plan.Minutes
	for ; need <= 2*MaxPractice; need++ {
		if _, err := f.solveSplit(nil, need, math.Inf(1), 1); err == nil {
			break
		}
	}
	over := need - f.plan.Minutes
	var blocks []Block
	for _, side := range f.kept {
		if side[0].Kind != WaterBlock {
			blocks = append(blocks, side...)
		}
	}
	slices.SortStableFunc(blocks, func(a, b Block) int { return cmp.Compare(b.Minutes, a.Minutes) })
	change, drop := "", 0.0
	if len(blocks) > 0 && blocks[0].Minutes-over >= ShortBlock {
		change = fmt.Sprintf("Shorten %s by %.0f min", blocks[0].Title, over)
	} else {
		var names []string
		for _, b := range blocks {
			if drop < over {
				drop += b.Minutes
				names = append(names, b.Title)
			}
		}
		change = "Let go of " + strings.Join(names, ", ")
	}
	return conflict("What you keep needs %.0f min with water, and the practice has %.0f. %s, or make it %.0f min.", need, f.plan.Minutes, change, need)
}
