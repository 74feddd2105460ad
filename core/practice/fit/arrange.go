package fit

import (
	"cmp"
	"math"
	"math/bits"
	"slices"
)

// tiny absorbs rounding of minutes.
const tiny = 1e-9

// free is a block to be placed: an option of the whole floor, or the part.
type free struct {
	step    Step
	options []int
	minutes float64
	hard    int
	rank    int
	// before are the items that have to come earlier.
	before uint64
	// teach is true of new teaching, which begins up to late minutes into the item; close is
	// as in Option.
	teach, close bool
	late         float64
}

// arranger seeks an order of some free blocks among the fixed ones.
type arranger struct {
	p     *Problem
	items []free
	dead  map[spot]bool // from here no order was found
	order []placed
	// taught are the items of new teaching, breaks how many may be taken in all.
	taught uint64
	breaks int
	loose  bool
}

// spot is a state of the search: what has been placed, and how full the stretch is.
type spot struct {
	mask  uint64
	fixed int
	load  int // hundredths of a minute
	hard  int // hard blocks in a row
	left  int // breaks that may still be taken
	// closes is true when what came last may end a practice.
	closes bool
}

type placed struct {
	step     Step
	newBreak bool
}

// Arrange lays chosen options out among the fixed blocks: stretches between
// breaks, as few as possible, low ranks first where there is a choice. It
// returns nil where the rules leave no order.
func (p *Problem) Arrange(chosen []int) [][]Step { return p.arrange(chosen, false) }

// arrange is Arrange; loose leaves out what further blocks could still mend: the conditions
// and how the practice ends.
func (p *Problem) arrange(chosen []int, loose bool) [][]Step {
	if !loose && !p.holds(chosen) {
		return nil
	}
	items, ok := p.freeBlocks(chosen)
	if !ok {
		return nil
	}
	total, content, breaks := 0.0, 0.0, 0
	for _, f := range p.Fixed {
		total += f.Minutes
		if f.Break {
			breaks++
		} else {
			content += min(f.Minutes, p.Stretch)
		}
	}
	for _, it := range items {
		total += it.minutes
		content += it.minutes
	}
	most := len(items) + len(p.Fixed)
	if p.Break > 0 {
		most = min(most, int(math.Floor((p.Minutes-total)/p.Break+tiny)))
	}
	if total > p.Minutes+tiny {
		return nil
	}
	for left := max(0, needed(content, p.Stretch)-breaks); left <= most; left++ {
		a := &arranger{p: p, items: items, dead: map[spot]bool{}, breaks: left, loose: loose}
		for i, it := range items {
			if it.teach {
				a.taught |= 1 << i
			}
		}
		if a.from(spot{left: left}) {
			return a.stretches()
		}
	}
	return nil
}

// holds reports whether the conditions hold for what is chosen.
func (p *Problem) holds(chosen []int) bool {
	for _, r := range p.Rows {
		sum := r.Base
		for _, o := range chosen {
			sum += r.Of[o]
		}
		if sum < -tiny {
			return false
		}
	}
	return true
}

// needed is how many breaks some content needs at least.
func needed(content, stretch float64) int { return int(math.Ceil(content/stretch-tiny)) - 1 }

// freeBlocks gathers what is to be placed; ok is false where a stage would run
// twice, or the two baskets do not make one part.
func (p *Problem) freeBlocks(chosen []int) (items []free, ok bool) {
	var ends [baskets][]int
	var minutes, hard [baskets]int
	for k, i := range chosen {
		o := &p.Options[i]
		if p.clash(chosen[:k], i) {
			return nil, false
		}
		if o.Basket == Whole {
			items = append(items, free{step: Step{Item: Item{-1, i}}, options: []int{i}, minutes: float64(o.Minutes),
				hard: b2i(o.Hard), rank: o.Rank})
			continue
		}
		ends[o.Basket] = append(ends[o.Basket], i)
		minutes[o.Basket] += o.Minutes
		hard[o.Basket] += b2i(o.Hard)
	}
	part := minutes[First]
	if part > 0 || minutes[Second] > 0 {
		h := max(hard[First], hard[Second])
		if part != minutes[Second] || part < p.PartMin || part > p.PartMax || h > p.HardPerStretch {
			return nil, false
		}
		rank := math.MaxInt
		for _, list := range ends {
			slices.SortStableFunc(list, func(a, b int) int { return cmp.Compare(p.Options[a].Rank, p.Options[b].Rank) })
			if len(list) > 0 {
				rank = min(rank, p.Options[list[0]].Rank)
			}
		}
		items = append(items, free{step: Step{Item{-1, -1}, ends[First], ends[Second]},
			options: slices.Concat(ends[First], ends[Second]),
			minutes: float64(part), hard: h, rank: rank})
	}
	if len(items) > 64 {
		return nil, false
	}
	slices.SortStableFunc(items, func(a, b free) int { return cmp.Compare(a.rank, b.rank) })
	for i := range items {
		p.order(items, i)
	}
	return items, true
}

// order notes what has to come before an item, and what it is.
func (p *Problem) order(items []free, i int) {
	it := &items[i]
	it.close = true
	at := [baskets]float64{}
	for _, o := range it.options {
		own := &p.Options[o]
		if own.Teach {
			it.teach, it.late = true, max(it.late, at[own.Basket])
		}
		at[own.Basket] += float64(own.Minutes)
		it.close = it.close && own.Close
		for j := range items {
			for _, other := range items[j].options {
				o := &p.Options[other]
				if i != j && (own.Chain != 0 && o.Chain == own.Chain && o.Rank < own.Rank || own.Play && o.Teach) {
					it.before |= 1 << j
				}
			}
		}
	}
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}

// from places the rest, and reports whether there is an order.
func (a *arranger) from(at spot) bool {
	all := uint64(1)<<len(a.items) - 1
	if at.mask == all && at.fixed == len(a.p.Fixed)-a.p.Tail && a.p.MustClose && !a.loose && !at.closes {
		return false
	}
	if at.mask == all && at.fixed == len(a.p.Fixed) {
		return true
	}
	if a.dead[at] {
		return false
	}
	if at.fixed >= a.p.Head && at.fixed <= len(a.p.Fixed)-a.p.Tail {
		for i, it := range a.items {
			if at.mask>>i&1 == 0 && it.before&^at.mask == 0 && a.ready(it.step, at) &&
				a.place(it, at, spot{mask: at.mask | 1<<i, fixed: at.fixed, closes: it.close}) {
				return true
			}
		}
	}
	if at.fixed < len(a.p.Fixed) && (at.fixed < len(a.p.Fixed)-a.p.Tail || at.mask == all) {
		f := a.p.Fixed[at.fixed]
		step := Step{Item: Item{at.fixed, -1}}
		next := spot{mask: at.mask, fixed: at.fixed + 1, closes: f.Close}
		if f.Play && a.taught&^at.mask != 0 { // a scrimmage comes after all new teaching
			a.dead[at] = true
			return false
		}
		if f.Break {
			next.closes = at.closes
			next.left = at.left
			a.order = append(a.order, placed{step, false})
			if a.from(next) {
				return true
			}
			a.order = a.order[:len(a.order)-1]
		} else if a.done(f.After, at, nil) && a.place(free{step: step, minutes: f.Minutes, hard: b2i(f.Hard)}, at,
			next) {
			return true
		}
	}
	a.dead[at] = true
	return false
}

// place puts a block into the stretch, or after a new break where it does not
// fit. To break earlier never helps: the later blocks only find less room.
func (a *arranger) place(it free, at, next spot) bool {
	minutes, hard := it.minutes, it.hard
	load := float64(at.load) / 100
	fits := at.load == 0 || load+minutes <= a.p.Stretch+tiny && (hard == 0 || at.hard+hard <= a.p.HardPerStretch)
	next.left = at.left
	next.load, next.hard = at.load+int(math.Round(minutes*100)), 0
	if hard > 0 {
		next.hard = at.hard + hard
	}
	if !fits {
		if at.left == 0 {
			return false
		}
		next.left--
		next.load, next.hard = int(math.Round(minutes*100)), hard
	}
	if it.teach && a.p.TeachUntil > 0 && a.clock(at)+float64(
		at.left-next.left)*a.p.Break+it.late >= a.p.TeachUntil-tiny {
		return false
	}
	a.order = append(a.order, placed{it.step, !fits})
	if a.from(next) {
		return true
	}
	a.order = a.order[:len(a.order)-1]
	return false
}

// clock is the minute at which a spot is reached.
func (a *arranger) clock(at spot) float64 {
	now := float64(a.breaks-at.left) * a.p.Break
	for _, f := range a.p.Fixed[:at.fixed] {
		now += f.Minutes
	}
	for m := at.mask; m != 0; m &= m - 1 {
		now += a.items[bits.TrailingZeros64(m)].minutes
	}
	return now
}

// ready reports whether what a step asks for has been run before it.
func (a *arranger) ready(s Step, at spot) bool {
	if s.Item.Option >= 0 {
		return a.done(a.p.Options[s.Item.Option].After, at, nil)
	}
	for _, basket := range [][]int{s.A, s.B} {
		for k, o := range basket {
			if !a.done(a.p.Options[o].After, at, basket[:k]) {
				return false
			}
		}
	}
	return true
}

// done reports whether one of the stages has been run for everybody, or
// earlier at this end.
func (a *arranger) done(after []int, at spot, here []int) bool {
	if len(after) == 0 {
		return true
	}
	for _, f := range a.p.Fixed[:at.fixed] {
		if slices.Contains(after, f.Stage) {
			return true
		}
	}
	for m := at.mask; m != 0; m &= m - 1 {
		if o := a.items[bits.TrailingZeros64(m)].step.Item.Option; o >= 0 &&
			slices.Contains(after, a.p.Options[o].Stage) {
			return true
		}
	}
	return slices.ContainsFunc(here, func(o int) bool { return slices.Contains(after, a.p.Options[o].Stage) })
}

func (a *arranger) stretches() [][]Step {
	out := [][]Step{nil}
	for _, s := range a.order {
		if s.newBreak {
			out = append(out, nil)
		}
		last := len(out) - 1
		out[last] = append(out[last], s.step)
	}
	return out
}
