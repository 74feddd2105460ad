package fit

import (
	"math"
	"slices"
)

// prices are the multipliers of a bound: what a rep of each curve costs, what running a
// gated group without what it asks for costs, and what a condition pays for what adds to it.
type prices struct{ rep, gate, row []float64 }

func (m *model) noPrices() prices {
	return prices{make([]float64, len(m.curves)), make([]float64, len(m.gates)), make([]float64, len(m.p.Rows))}
}

func (q prices) clone() prices {
	return prices{slices.Clone(q.rep), slices.Clone(q.gate), slices.Clone(q.row)}
}

func (q prices) copyFrom(o prices) {
	copy(q.rep, o.rep)
	copy(q.gate, o.gate)
	copy(q.row, o.row)
}

// tighten lowers the bound by moving the prices along its subgradient, with
// steps that shrink; target is a value known to be reached. It returns the best
// bound and its prices. see is shown every relaxed completion.
func (b *bounder) tighten(st *state, q prices, steps int, target float64, see func([]int)) (float64, prices) {
	best, bestAt := math.Inf(1), q.clone()
	reached := b.m.settled // by the fixed blocks alone
	at, gate := b.at, b.gate
	at.copyFrom(q)
	theta, since := 1.0, 0
	for range steps {
		d := b.bound(st, at)
		if d < reached-tiny { // no plan is worth less than nothing more: there is none
			return math.Inf(-1), bestAt
		}
		if see != nil {
			see(b.chosen)
		}
		if d < best-1e-12 {
			best, since = d, 0
			bestAt.copyFrom(at)
		} else if since++; since >= 4 {
			theta, since = theta/2, 0
			at.copyFrom(bestAt)
		}
		if best <= target+tiny {
			break
		}
		norm := 0.0
		for _, g := range b.slack {
			norm += g * g
		}
		b.gateSlack(st, gate)
		for _, g := range gate {
			norm += g * g
		}
		b.rowSlack(st, b.row)
		for _, g := range b.row {
			norm += g * g
		}
		if norm < 1e-18 {
			break
		}
		step := theta * (d - max(target, reached)) / norm
		for c, g := range b.slack {
			at.rep[c] = max(0, at.rep[c]-step*g)
		}
		for k, g := range gate {
			at.gate[k] = max(0, at.gate[k]-step*g)
		}
		for k, g := range b.row {
			at.row[k] = max(0, at.row[k]-step*g)
		}
	}
	return best, bestAt
}

// rowSlack is the subgradient of the conditions' prices: what they come to.
func (b *bounder) rowSlack(st *state, out []float64) {
	for k := range b.m.p.Rows {
		r := &b.m.p.Rows[k]
		out[k] = r.Base
		for _, o := range st.chain {
			out[k] += r.Of[o]
		}
		for _, o := range b.chosen {
			out[k] += r.Of[o]
		}
	}
}

// gateSlack is the subgradient of the gates' prices: how often what they ask for
// is chosen, less whether they are.
func (b *bounder) gateSlack(st *state, out []float64) {
	m := b.m
	clear(out)
	for g := range m.groups {
		if st.in[g] {
			b.gateCount(g, out)
		}
	}
	for _, o := range b.chosen {
		b.gateCount(m.groupOf[o], out)
	}
}

func (b *bounder) gateCount(g int, out []float64) {
	if k := b.gateAt[g]; k >= 0 {
		out[k]--
	}
	for _, k := range b.wanted[g] {
		out[k]++
	}
}
