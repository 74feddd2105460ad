package fit

import (
	"encoding/binary"
	"math"
	"slices"
)

// curve is what reps of one kind are worth: the summed worth of all demands to which every
// option gives the same.
type curve struct {
	sum Demand
	// The least concave curve that is nowhere below the sum: hull is its worth at the
	// points at, slope that of a rep from there on, descending, the last 0.
	at, hull, slope []float64
}

// newCurve adds demands up.
func newCurve(demands []Demand) curve {
	var c curve
	for _, d := range demands {
		c.sum.At = append(c.sum.At, d.At...)
	}
	slices.Sort(c.sum.At)
	c.sum.At = slices.Compact(c.sum.At)
	for _, x := range c.sum.At {
		worth := 0.0
		for _, d := range demands {
			worth += d.value(x)
		}
		c.sum.Worth = append(c.sum.Worth, worth)
	}
	c.at, c.hull = []float64{0}, []float64{0}
	for i, x := range c.sum.At {
		y := c.sum.Worth[i]
		for last := len(c.at) - 1; last > 0 && c.rise(last-1, last)*(x-c.at[last]) <= y-c.hull[last]; last-- {
			c.at, c.hull = c.at[:last], c.hull[:last]
		}
		c.at, c.hull = append(c.at, x), append(c.hull, y)
	}
	c.slope = make([]float64, len(c.at)) // the last is exactly 0, whatever rounding says
	for i := range len(c.at) - 1 {
		c.slope[i] = c.rise(i, i+1)
	}
	return c
}

// rise is the slope of the hull between two of its points.
func (c *curve) rise(i, j int) float64 { return (c.hull[j] - c.hull[i]) / (c.at[j] - c.at[i]) }

// best is no less than the largest worth of base+t reps less price*t over t >= 0, and the t
// at which the hull says so.
func (c *curve) best(base, price float64) (worth, t float64) {
	k := len(c.at) - 1
	for k > 0 && c.at[k] > base {
		k--
	}
	if c.slope[k] <= price {
		return c.hull[k] + c.slope[k]*(base-c.at[k]), 0
	}
	for c.slope[k] > price {
		k++
	}
	t = c.at[k] - base
	return c.hull[k] - price*t, t
}

// amount is what an option gives a curve.
type amount struct {
	curve int
	reps  float64
}

// beyond is what further reps are worth when some are given.
func (d Demand) beyond(given float64) (out Demand) {
	start := d.value(given)
	for i, x := range d.At {
		if x-given > tiny {
			out.At, out.Worth = append(out.At, x-given), append(out.Worth, d.Worth[i]-start)
		}
	}
	return out
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
		if p.Given != nil {
			settled += d.value(p.Given[i])
			d = d.beyond(p.Given[i])
		}
		if len(columns[i]) == 0 || len(d.At) == 0 || d.Worth[len(d.Worth)-1] <= 0 {
			continue
		}
		k, known := index[string(columns[i])]
		if !known {
			k = len(members)
			index[string(columns[i])] = k
			members = append(members, nil)
		}
		to[i] = k
		members[k] = append(members[k], d)
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
