package fit

import (
	"cmp"
	"encoding/binary"
	"math"
	"slices"
)

// curve is what reps of one kind are worth: the summed worth of all demands to
// which every option gives the same. It rises, ever more slowly, to a plateau.
type curve struct {
	at    []float64 // reps at which the slope changes, ascending, from 0
	slope []float64 // worth of a rep from there on, descending, the last 0
	worth []float64 // worth at the point
}

func newCurve(demands []Demand) curve {
	slices.SortFunc(demands, func(a, b Demand) int { return cmp.Compare(a.Need, b.Need) })
	slope := 0.0
	for _, d := range demands {
		slope += d.Weight
	}
	c := curve{at: []float64{0}, slope: []float64{slope}, worth: []float64{0}}
	for i := 0; i < len(demands); {
		need := demands[i].Need
		last := len(c.at) - 1
		worth := c.worth[last] + c.slope[last]*(need-c.at[last])
		for ; i < len(demands) && demands[i].Need == need; i++ {
			slope -= demands[i].Weight
		}
		if i == len(demands) {
			slope = 0 // exactly, whatever the sums' rounding says
		}
		c.at, c.slope, c.worth = append(c.at, need), append(c.slope, slope), append(c.worth, worth)
	}
	return c
}

// value is the worth of some reps.
func (c *curve) value(reps float64) float64 {
	k := len(c.at) - 1
	for k > 0 && c.at[k] > reps {
		k--
	}
	return c.worth[k] + c.slope[k]*(reps-c.at[k])
}

// best is the largest value(base+t) - price*t over t >= 0, and where it is.
func (c *curve) best(base, price float64) (worth, t float64) {
	k := len(c.at) - 1
	for k > 0 && c.at[k] > base {
		k--
	}
	if c.slope[k] <= price {
		return c.worth[k] + c.slope[k]*(base-c.at[k]), 0
	}
	for c.slope[k] > price {
		k++
	}
	t = c.at[k] - base
	return c.worth[k] - price*t, t
}

// amount is what an option gives a curve.
type amount struct {
	curve int
	reps  float64
}

// curves merges demands which no option tells apart. Demands that are met by the
// fixed blocks, and options' gifts to them, fall out. settled is what the fixed
// blocks are worth.
func (p *Problem) curves() (list []curve, gives [][]amount, settled float64) {
	columns := make([][]byte, len(p.Demands))
	for i, o := range p.Options {
		for _, g := range o.Gives {
			if g.Reps > 0 {
				columns[g.Demand] = binary.AppendUvarint(columns[g.Demand], uint64(i))
				columns[g.Demand] = binary.LittleEndian.AppendUint64(columns[g.Demand], math.Float64bits(g.Reps))
			}
		}
	}
	index := map[string]int{}
	members := [][]Demand{}
	to := make([]int, len(p.Demands))
	for i, d := range p.Demands {
		to[i] = -1
		given := 0.0
		if p.Given != nil {
			given = min(d.Need, p.Given[i])
		}
		settled += d.Weight * given
		if len(columns[i]) == 0 || d.Need-given <= tiny || d.Weight <= 0 {
			continue
		}
		k, known := index[string(columns[i])]
		if !known {
			k = len(members)
			index[string(columns[i])] = k
			members = append(members, nil)
		}
		to[i] = k
		members[k] = append(members[k], Demand{d.Need - given, d.Weight})
	}
	list = make([]curve, len(members))
	for k, m := range members {
		list[k] = newCurve(m)
	}
	gives = make([][]amount, len(p.Options))
	for i, o := range p.Options {
		seen := map[int]bool{}
		for _, g := range o.Gives {
			if k := to[g.Demand]; k >= 0 && g.Reps > 0 && !seen[k] {
				seen[k] = true
				gives[i] = append(gives[i], amount{k, g.Reps})
			}
		}
	}
	return list, gives, settled
}
