package fit

import (
	"math"
)

// state is a node of the search, worked out.
type state struct {
	open  []bool // undecided groups that may still be used
	in    []bool // groups with a chosen option
	shut  shut
	base  []float64
	taken [lanes]int // units
	part  bool       // an end has been chosen
	chain []int      // options chosen
	unmet []int      // groups chosen whose wish is not met yet
	dead  bool
	// live holds the open groups of each lane with their options.
	live [lanes][]choice
}

// choice is an open group with the options that are left, shortest first.
type choice struct {
	group   int
	options []int
}

// shut marks options that no better plan can hold.
type shut []uint64

func (s shut) has(o int) bool { return s[o/64]>>(o%64)&1 == 1 }
func (s shut) set(o int)      { s[o/64] |= 1 << (o % 64) }

// bounder computes bounds; its tables are kept between calls.
type bounder struct {
	m      *model
	value  []float64 // of options at the current prices
	rows   [lanes][][]float64
	back   []float64 // of the lane that is looked at from behind
	behind []float64
	rest   []float64
	gateAt []int     // index of a group's price, or -1
	wanted [][]int   // for each group, the gates it would satisfy
	slack  []float64 // subgradient of the rep prices
	gate   []float64 // of the gates' prices
	row    []float64 // of the conditions' prices
	at     prices    // that are being tried
	chosen []int
	work   int
}

func newBounder(m *model) *bounder {
	b := &bounder{m: m, value: make([]float64, len(m.p.Options)), gateAt: make([]int, len(m.groups)),
		wanted: make([][]int, len(m.groups)), slack: make([]float64, len(m.curves)),
		gate: make([]float64, len(m.gates)), row: make([]float64, len(m.p.Rows)), at: m.noPrices()}
	var count [lanes]int
	for g, gr := range m.groups {
		count[gr.lane]++
		b.gateAt[g] = -1
	}
	for k, g := range m.gates {
		b.gateAt[g] = k
		for _, h := range m.groups[g].after {
			b.wanted[h] = append(b.wanted[h], k)
		}
	}
	for lane := range lanes {
		b.rows[lane] = make([][]float64, count[lane]+1)
		for i := range b.rows[lane] {
			b.rows[lane][i] = make([]float64, b.size(lane))
		}
	}
	widest := max(b.size(Whole), b.size(EndA))
	b.back, b.behind, b.rest = make([]float64, widest), make([]float64, widest), make([]float64, widest)
	return b
}

// size is how many different sums of units a lane can have.
func (b *bounder) size(lane Lane) int {
	if lane == Whole {
		return b.m.capacity + 1
	}
	return b.m.partMax + 1
}

// bound is what no completion of a state can exceed, at some prices. It leaves
// the options of the best relaxed completion in b.chosen, and the rep prices'
// subgradient in b.slack.
//
// A rep's worth is a concave curve; at any price it is at most what the curve
// leaves over plus the price. So the blocks part into independent ones, each
// worth its reps at their prices, and the best are a knapsack's.
func (b *bounder) bound(st *state, q prices) float64 {
	sum := b.settle(st, q)
	for lane := range lanes {
		b.fill(st, q, lane)
	}
	best, at := math.Inf(-1), -1
	for s := range b.parts(st) {
		if v := b.top(Whole, st, b.m.capacity-st.taken[Whole]-s) + b.ends(st, s); v > best {
			best, at = v, s
		}
	}
	b.chosen = b.chosen[:0]
	if at < 0 || math.IsInf(best, -1) {
		return math.Inf(-1)
	}
	b.take(st, Whole, b.m.capacity-st.taken[Whole]-at)
	if at > 0 {
		b.take(st, EndA, at-st.taken[EndA])
		b.take(st, EndB, at-st.taken[EndB])
	}
	return sum + best
}

// settle is the share of a bound that no option changes: what the curves leave
// over, and the chosen groups' gates.
func (b *bounder) settle(st *state, q prices) float64 {
	b.work++
	m := b.m
	sum := m.settled
	for c := range m.curves {
		worth, t := m.curves[c].best(st.base[c], q.rep[c])
		sum += worth
		b.slack[c] = -t
	}
	for k := range m.p.Rows {
		r := &m.p.Rows[k]
		sum += q.row[k] * r.Base
		for _, o := range st.chain {
			sum += q.row[k] * r.Of[o]
		}
	}
	// A gate asks that its group is chosen only with one that satisfies it.
	for k, g := range m.gates {
		if st.in[g] {
			sum -= q.gate[k]
		}
		for _, h := range m.groups[g].after {
			if st.in[h] {
				sum += q.gate[k]
			}
		}
	}
	return sum
}

// parts yields the lengths the part with two ends may have, 0 for none.
func (b *bounder) parts(st *state) func(yield func(int) bool) {
	return func(yield func(int) bool) {
		if !st.part && !yield(0) || b.m.partMax == 0 {
			return
		}
		for s := max(b.m.partMin, st.taken[EndA], st.taken[EndB], 1); s <= min(b.m.partMax,
			b.m.capacity-st.taken[Whole]); s++ {
			if !yield(s) {
				return
			}
		}
	}
}

// top is the best a lane's open groups are worth in some minutes.
func (b *bounder) top(lane Lane, st *state, minutes int) float64 {
	return b.rows[lane][len(st.live[lane])][minutes]
}

// ends is the best worth of both ends in a part of some length.
func (b *bounder) ends(st *state, s int) float64 {
	if s == 0 {
		return 0
	}
	return b.top(EndA, st, s-st.taken[EndA]) + b.top(EndB, st, s-st.taken[EndB])
}

// fill works out a lane's knapsack, a row per group: at most so many minutes on
// the whole floor, exactly so many at an end.
func (b *bounder) fill(st *state, q prices, lane Lane) {
	first := b.rows[lane][0]
	for i := range first {
		first[i] = 0
		if lane != Whole && i > 0 {
			first[i] = math.Inf(-1)
		}
	}
	for i, c := range st.live[lane] {
		price := 0.0
		if k := b.gateAt[c.group]; k >= 0 {
			price -= q.gate[k]
		}
		for _, k := range b.wanted[c.group] {
			price += q.gate[k]
		}
		old, row := b.rows[lane][i], b.rows[lane][i+1]
		copy(row, old)
		for _, o := range c.options {
			v := price
			for _, a := range b.m.gives[o] {
				v += q.rep[a.curve] * a.reps
			}
			for k := range b.m.p.Rows {
				v += q.row[k] * b.m.p.Rows[k].Of[o]
			}
			b.value[o] = v
			w := b.m.length[o]
			if v <= 0 && lane == Whole || w >= len(row) {
				continue
			}
			from := old[:len(row)-w]
			to := row[w:][:len(from)]
			for m, was := range from {
				if t := was + v; t > to[m] {
					to[m] = t
				}
			}
		}
	}
}

// take reads a lane's best options off its rows.
func (b *bounder) take(st *state, lane Lane, mins int) {
	for i := len(st.live[lane]) - 1; i >= 0; i-- {
		old, now := b.rows[lane][i], b.rows[lane][i+1][mins]
		if now == old[mins] {
			continue
		}
		for _, o := range st.live[lane][i].options {
			w := b.m.length[o]
			if w <= mins && old[mins-w]+b.value[o] == now {
				b.chosen = append(b.chosen, o)
				mins -= w
				for _, a := range b.m.gives[o] {
					b.slack[a.curve] += a.reps
				}
				break
			}
		}
	}
}

// forced looks at every open option: with is the bound if it is chosen, without
// that if nothing of its group is. Groups are told apart by their index.
func (b *bounder) forced(st *state, q prices, with func(option int, bound float64),
	without func(group int, bound float64)) {
	sum := b.settle(st, q)
	for lane := range lanes {
		b.fill(st, q, lane)
	}
	for lane := range lanes {
		if len(st.live[lane]) == 0 {
			continue
		}
		rest := b.others(st, lane)
		size := len(rest)
		next, here := b.behind[:size], b.back[:size]
		copy(next, rest)
		for i := len(st.live[lane]) - 1; i >= 0; i-- {
			c := st.live[lane][i]
			ahead := b.rows[lane][i][:size]
			best := math.Inf(-1)
			for m, v := range ahead {
				best = max(best, v+next[m])
			}
			without(c.group, sum+best)
			copy(here, next)
			for _, o := range c.options {
				w, v := b.m.length[o], b.value[o]
				best := math.Inf(-1)
				for m := 0; m+w < size; m++ {
					t := next[m+w]
					best = max(best, ahead[m]+v+t)
					here[m] = max(here[m], v+t)
				}
				with(o, sum+best)
			}
			here, next = next, here
		}
	}
}

// others is, for every sum of minutes of a lane, the best the other lanes add.
func (b *bounder) others(st *state, lane Lane) []float64 {
	size := b.size(lane) - st.taken[lane]
	if lane == Whole {
		size = b.m.capacity - st.taken[Whole] + 1
	}
	rest := b.rest[:size]
	for i := range rest {
		rest[i] = math.Inf(-1)
	}
	for s := range b.parts(st) {
		left := b.m.capacity - st.taken[Whole] - s
		if lane == Whole {
			ends := b.ends(st, s)
			for m := 0; m <= left; m++ {
				rest[m] = max(rest[m], ends)
			}
			continue
		}
		other := EndA + EndB - lane
		if s > 0 {
			rest[s-st.taken[lane]] = b.top(Whole, st, left) + b.top(other, st, s-st.taken[other])
		} else {
			rest[0] = max(rest[0], b.top(Whole, st, left))
		}
	}
	return rest
}
