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
	taken [baskets]int // units
	part  bool         // a basket has been chosen
	chain []int        // options chosen
	unmet []int        // groups chosen whose wish is not met yet
	dead  bool
	// live holds the open groups of each basket with their options.
	live [baskets][]choice
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
	rows   [baskets][][]float64
	back   []float64 // of the basket that is looked at from behind
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
	var count [baskets]int
	for g, gr := range m.groups {
		count[gr.basket]++
		b.gateAt[g] = -1
	}
	for k, g := range m.gates {
		b.gateAt[g] = k
		for _, h := range m.groups[g].after {
			b.wanted[h] = append(b.wanted[h], k)
		}
	}
	for basket := range baskets {
		b.rows[basket] = make([][]float64, count[basket]+1)
		for i := range b.rows[basket] {
			b.rows[basket][i] = make([]float64, b.size(basket))
		}
	}
	widest := max(b.size(Whole), b.size(First))
	b.back, b.behind, b.rest = make([]float64, widest), make([]float64, widest), make([]float64, widest)
	return b
}

// size is how many different sums of units a basket can have.
func (b *bounder) size(basket Basket) int {
	if basket == Whole {
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
	for basket := range baskets {
		b.fill(st, q, basket)
	}
	best, at := math.Inf(-1), -1
	for s := range b.parts(st) {
		if v := b.top(Whole, st, b.m.capacity-st.taken[Whole]-s) + b.baskets(st, s); v > best {
			best, at = v, s
		}
	}
	b.chosen = b.chosen[:0]
	if at < 0 || math.IsInf(best, -1) {
		return math.Inf(-1)
	}
	b.take(st, Whole, b.m.capacity-st.taken[Whole]-at)
	if at > 0 {
		b.take(st, First, at-st.taken[First])
		b.take(st, Second, at-st.taken[Second])
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

// parts yields the lengths the part with two baskets may have, 0 for none.
func (b *bounder) parts(st *state) func(yield func(int) bool) {
	return func(yield func(int) bool) {
		if !st.part && !yield(0) || b.m.partMax == 0 {
			return
		}
		for s := max(b.m.partMin, st.taken[First], st.taken[Second], 1); s <= min(b.m.partMax,
			b.m.capacity-st.taken[Whole]); s++ {
			if !yield(s) {
				return
			}
		}
	}
}

// top is the best a basket's open groups are worth in some minutes.
func (b *bounder) top(basket Basket, st *state, minutes int) float64 {
	return b.rows[basket][len(st.live[basket])][minutes]
}

// baskets is the best worth of both baskets in a part of some length.
func (b *bounder) baskets(st *state, s int) float64 {
	if s == 0 {
		return 0
	}
	return b.top(First, st, s-st.taken[First]) + b.top(Second, st, s-st.taken[Second])
}

// fill works out a basket's knapsack, a row per group: at most so many minutes on
// the whole floor, exactly so many at one basket.
func (b *bounder) fill(st *state, q prices, basket Basket) {
	first := b.rows[basket][0]
	for i := range first {
		first[i] = 0
		if basket != Whole && i > 0 {
			first[i] = math.Inf(-1)
		}
	}
	for i, c := range st.live[basket] {
		price := 0.0
		if k := b.gateAt[c.group]; k >= 0 {
			price -= q.gate[k]
		}
		for _, k := range b.wanted[c.group] {
			price += q.gate[k]
		}
		old, row := b.rows[basket][i], b.rows[basket][i+1]
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
			if v <= 0 && basket == Whole || w >= len(row) {
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

// take reads a basket's best options off its rows.
func (b *bounder) take(st *state, basket Basket, mins int) {
	for i := len(st.live[basket]) - 1; i >= 0; i-- {
		old, now := b.rows[basket][i], b.rows[basket][i+1][mins]
		if now == old[mins] {
			continue
		}
		for _, o := range st.live[basket][i].options {
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
	for basket := range baskets {
		b.fill(st, q, basket)
	}
	for basket := range baskets {
		if len(st.live[basket]) == 0 {
			continue
		}
		rest := b.others(st, basket)
		size := len(rest)
		next, here := b.behind[:size], b.back[:size]
		copy(next, rest)
		for i := len(st.live[basket]) - 1; i >= 0; i-- {
			c := st.live[basket][i]
			ahead := b.rows[basket][i][:size]
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

// others is, for every sum of minutes of a basket, the best the other baskets add.
func (b *bounder) others(st *state, basket Basket) []float64 {
	size := b.size(basket) - st.taken[basket]
	if basket == Whole {
		size = b.m.capacity - st.taken[Whole] + 1
	}
	rest := b.rest[:size]
	for i := range rest {
		rest[i] = math.Inf(-1)
	}
	for s := range b.parts(st) {
		left := b.m.capacity - st.taken[Whole] - s
		if basket == Whole {
			both := b.baskets(st, s)
			for m := 0; m <= left; m++ {
				rest[m] = max(rest[m], both)
			}
			continue
		}
		other := First + Second - basket
		if s > 0 {
			rest[s-st.taken[basket]] = b.top(Whole, st, left) + b.top(other, st, s-st.taken[other])
		} else {
			rest[0] = max(rest[0], b.top(Whole, st, left))
		}
	}
	return rest
}
