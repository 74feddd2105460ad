// Package fit chooses the blocks of a practice: which of many options, in which
// stretches between breaks, cover the most weighted demand in the minutes there
// are. It knows nothing of basketball; package practice makes its problems.
package fit

import (
	"errors"
	"fmt"
)

// Basket is where an option runs.
type Basket int

// The whole floor, or one of two baskets in the part of the practice where both
// are used for different things.
const (
	Whole Basket = iota
	First
	Second
	baskets
)

// Demand is what reps are worth to somebody: Worth[i] for At[i] of them and in a straight
// line between, nothing for none, and no more beyond the last. At ascends from above 0, and
// Worth never falls. It need not be concave: to finish can be worth more than to begin.
type Demand struct{ At, Worth []float64 }

// Linear is a demand for some reps, each of the same worth.
func Linear(need, weight float64) Demand {
	if need <= 0 {
		return Demand{}
	}
	return Demand{[]float64{need}, []float64{need * weight}}
}

// value is the worth of some reps.
func (d Demand) value(reps float64) float64 {
	at, worth := 0.0, 0.0
	for i, x := range d.At {
		if reps < x {
			return worth + (d.Worth[i]-worth)*(reps-at)/(x-at)
		}
		at, worth = x, d.Worth[i]
	}
	return worth
}

// Row is a condition on everything that is chosen: Base and what each chosen option adds to
// it do not come to less than 0.
type Row struct {
	Base float64
	Of   []float64 // of each option
}

// Give is what an option gives one demand, in reps.
type Give struct {
	Demand int
	Reps   float64
}

// Option is a block that may be chosen.
type Option struct {
	// Stage names what is run: at most one option of a stage is chosen.
	Stage   int
	Basket  Basket
	Minutes int
	Hard    bool // counts toward HardPerStretch
	Gives   []Give
	// After holds stages one of which must have been run before, by the same
	// players; empty asks for none.
	After []int
	// Rank orders blocks where the rules leave a choice; lower comes earlier.
	Rank int
	// Chain names what options are rungs of: of one chain, a lower rank comes first. 0 is
	// no chain.
	Chain int
	// Teach marks new teaching: it begins before Problem.TeachUntil and before any Play.
	Teach bool
	// Play marks a scrimmage, Close what a practice may end with.
	Play, Close bool
}

// Fixed is a block that stays as it is.
type Fixed struct {
	Minutes float64
	Hard    bool
	// Break is true for a break: it ends a stretch.
	Break bool
	// Stage is what it runs for everybody, or -1.
	Stage int
	After []int
	// Play and Close are as in Option.
	Play, Close bool
}

// Problem is what is to be fitted. Fixed blocks keep their order; the first Head
// of them open the practice, the last Tail close it.
type Problem struct {
	Minutes float64
	Demands []Demand
	// Given is what the fixed blocks give each demand, in reps; nil is nothing.
	Given   []float64
	Options []Option
	Fixed   []Fixed
	Head    int
	Tail    int
	// Stretch is the longest time without a break, Break how long a new one
	// lasts, HardPerStretch how many hard blocks may follow one another without a break or an
	// easier block between.
	Stretch        float64
	Break          float64
	HardPerStretch int
	// TeachUntil is the minute before which new teaching begins; 0 asks for nothing.
	TeachUntil float64
	// MustClose asks that what comes last before the closing blocks may end a practice.
	MustClose bool
	// Rows are conditions on everything that is chosen.
	Rows []Row
	// PartMin and PartMax bound the part with two baskets, in minutes; 0 forbids it.
	PartMin, PartMax int
	// Beat is a value already reached elsewhere: only better plans are looked for.
	Beat float64
	// Work is how many bounds may be computed before the search stops; 0 takes
	// DefaultWork. The same problem always does the same work.
	Work int
}

// DefaultWork bounds a search to well under a second on one core (assumption).
const DefaultWork = 7000

// Item is a block of a solution: a fixed one or an option.
type Item struct {
	Fixed  int // index, or -1
	Option int // index, or -1
}

// Step is one item, or the part with two baskets.
type Step struct {
	Item Item
	// A and B are the options at the two baskets, in order; empty for an item.
	A, B []int
}

// Solution is a plan that keeps every rule.
type Solution struct {
	Chosen []int // options, ascending
	// Stretches hold the steps between breaks.
	Stretches [][]Step
	// Value is the weighted demand covered, Bound what no plan can exceed.
	Value, Bound float64
	// Proven is true when no plan is better.
	Proven bool
	// Found is false where no plan keeps the rules, or none is better than Problem.Beat; the
	// rest is then empty.
	Found bool
	// Work is how many bounds were computed.
	Work int
}

// Gap is how far the value may be from the best there is, as a share of the bound.
func (s Solution) Gap() float64 {
	if s.Proven || s.Bound <= 0 {
		return 0
	}
	return (s.Bound - s.Value) / s.Bound
}

// ErrNoPlan says that the fixed blocks alone do not fit the minutes.
var ErrNoPlan = errors.New("the fixed blocks cannot be laid out")

// Value is the weighted demand covered by some options and the fixed blocks.
func (p *Problem) Value(chosen []int) float64 {
	got := make([]float64, len(p.Demands))
	copy(got, p.Given)
	for _, o := range chosen {
		for _, g := range p.Options[o].Gives {
			got[g.Demand] += g.Reps
		}
	}
	sum := 0.0
	for i, d := range p.Demands {
		sum += d.value(got[i])
	}
	return sum
}

// validate refuses a problem that makes no sense; it is the caller's mistake.
func (p *Problem) validate() error {
	for i, o := range p.Options {
		if o.Minutes <= 0 || o.Basket < Whole || o.Basket >= baskets {
			return fmt.Errorf("option %d: %d minutes in basket %d", i, o.Minutes, o.Basket)
		}
		for _, g := range o.Gives {
			if g.Demand < 0 || g.Demand >= len(p.Demands) || g.Reps < 0 {
				return fmt.Errorf("option %d gives %+v of %d demands", i, g, len(p.Demands))
			}
		}
	}
	for i, r := range p.Rows {
		if len(r.Of) != len(p.Options) {
			return fmt.Errorf("row %d is of %d options, not %d", i, len(r.Of), len(p.Options))
		}
	}
	if p.Head+p.Tail > len(p.Fixed) || p.Given != nil && len(p.Given) != len(p.Demands) {
		return fmt.Errorf("%d opening and %d closing of %d fixed blocks, %d given of %d", p.Head, p.Tail, len(p.Fixed),
			len(p.Given), len(p.Demands))
	}
	return nil
}
