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
	minutes float64
	hard    int
	rank    int
}

// arranger seeks an order of some free blocks among the fixed ones.
type arranger struct {
	p     *Problem
	items []free
	dead  map[spot]bool // from here no order was found
	order []placed
}

// spot is a state of the search: what has been placed, and how full the stretch is.
type spot struct {
	mask  uint64
	fixed int
	load  int // hundredths of a minute
	hard  int
	left  int // breaks that may still be taken
}

type placed struct {
	step     Step
	newBreak bool
}

// Arrange lays chosen options out among the fixed blocks: stretches between
// breaks, as few as possible, low ranks first where there is a choice. It
// returns nil where the rules leave no order.
func (p *Problem) Arrange(chosen []int) [][]Step {
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
		a := &arranger{p: p, items: items, dead: map[spot]bool{}}
		if a.from(spot{left: left}) {
			return a.stretches()
		}
	}
	return nil
}

// needed is how many breaks some content needs at least.
func needed(content, stretch float64) int { return int(math.Ceil(content/stretch-tiny)) - 1 }

// freeBlocks gathers what is to be placed; ok is false where a stage would run
// twice, or the two ends do not make one part.
func (p *Problem) freeBlocks(chosen []int) (items []free, ok bool) {
	var ends [lanes][]int
	var minutes, hard [lanes]int
	for k, i := range chosen {
		o := &p.Options[i]
		if p.clash(chosen[:k], i) {
			return nil, false
		}
		if o.Lane == Whole {
			items = append(items, free{Step{Item: Item{-1, i}}, float64(o.Minutes), b2i(o.Hard), o.Rank})
			continue
		}
		ends[o.Lane] = append(ends[o.Lane], i)
		minutes[o.Lane] += o.Minutes
		hard[o.Lane] += b2i(o.Hard)
	}
	part := minutes[EndA]
	if part > 0 || minutes[EndB] > 0 {
		h := max(hard[EndA], hard[EndB])
		if part != minutes[EndB] || part < p.PartMin || part > p.PartMax || h > p.HardPerStretch {
			return nil, false
		}
		rank := math.MaxInt
		for _, list := range ends {
			slices.SortStableFunc(list, func(a, b int) int { return cmp.Compare(p.Options[a].Rank, p.Options[b].Rank) })
			if len(list) > 0 {
				rank = min(rank, p.Options[list[0]].Rank)
			}
		}
		items = append(items, free{Step{Item{-1, -1}, ends[EndA], ends[EndB]}, float64(part), h, rank})
	}
	slices.SortStableFunc(items, func(a, b free) int { return cmp.Compare(a.rank, b.rank) })
	return items, len(items) <= 64
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
	if at.mask == all && at.fixed == len(a.p.Fixed) {
		return true
	}
	if a.dead[at] {
		return false
	}
	if at.fixed >= a.p.Head && at.fixed <= len(a.p.Fixed)-a.p.Tail {
		for i, it := range a.items {
			if at.mask>>i&1 == 0 && a.ready(it.step, at) {
				if a.place(it.step, it.minutes, it.hard, at, spot{mask: at.mask | 1<<i, fixed: at.fixed}) {
					return true
				}
			}
		}
	}
	if at.fixed < len(a.p.Fixed) && (at.fixed < len(a.p.Fixed)-a.p.Tail || at.mask == all) {
		f := a.p.Fixed[at.fixed]
		step := Step{Item: Item{at.fixed, -1}}
		next := spot{mask: at.mask, fixed: at.fixed + 1}
		if f.Break {
			next.left = at.left
			a.order = append(a.order, placed{step, false})
			if a.from(next) {
				return true
			}
			a.order = a.order[:len(a.order)-1]
		} else if a.done(f.After, at, nil) && a.place(step, f.Minutes, b2i(f.Hard), at, next) {
			return true
		}
	}
	a.dead[at] = true
	return false
}

// place puts a block into the stretch, or after a new break where it does not
// fit. To break earlier never helps: the later blocks only find less room.
func (a *arranger) place(step Step, minutes float64, hard int, at, next spot) bool {
	load := float64(at.load) / 100
	fits := at.load == 0 || load+minutes <= a.p.Stretch+tiny && at.hard+hard <= a.p.HardPerStretch
	next.left = at.left
	next.load, next.hard = at.load+int(math.Round(minutes*100)), at.hard+hard
	if !fits {
		if at.left == 0 {
			return false
		}
		next.left--
		next.load, next.hard = int(math.Round(minutes*100)), hard
	}
	a.order = append(a.order, placed{step, !fits})
	if a.from(next) {
		return true
	}
	a.order = a.order[:len(a.order)-1]
	return false
}

// ready reports whether what a step asks for has been run before it.
func (a *arranger) ready(s Step, at spot) bool {
	if s.Item.Option >= 0 {
		return a.done(a.p.Options[s.Item.Option].After, at, nil)
	}
	for _, lane := range [][]int{s.A, s.B} {
		for k, o := range lane {
			if !a.done(a.p.Options[o].After, at, lane[:k]) {
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
		if o := a.items[bits.TrailingZeros64(m)].step.Item.Option; o >= 0 && slices.Contains(after, a.p.Options[o].Stage) {
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
