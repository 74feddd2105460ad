package game

import (
	"math"
	"math/rand/v2"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"

	"evrik/core/evidence"
	"evrik/core/reads"
)

// likeness is how far a player's reads are good or bad together, as a correlation
// (assumption).
const likeness = 0.5

// drawn is a rate that is drawn again and again, once for all asks it answers.
type drawn struct {
	person    int
	quantiles []float64
	uses      []*float64
}

// rates lists what the told line-ups are made of.
func (f *finder) rates(told []Five, form evidence.Form) []*drawn {
	type key struct {
		person int
		role   reads.Role
		read   reads.Read
	}
	var out []*drawn
	known := map[key]*drawn{}
	for _, five := range told {
		for _, k := range five.at {
			for i, a := range f.asks {
				for side, row := range [][]float64{f.user[i], f.screener[i]} {
					id := key{k, a.Roles[side], a.Reads[side]}
					if known[id] == nil {
						estimate := form.Of(evidence.PlayerID(f.people[k].ID), id.role, id.read)
						known[id] = &drawn{person: k, quantiles: estimate.Quantiles()}
						out = append(out, known[id])
					}
					if !slices.Contains(known[id].uses, &row[k]) {
						known[id].uses = append(known[id].uses, &row[k])
					}
				}
			}
		}
	}
	return out
}

// doubt draws everybody's rates again and again from what is known of them, and counts
// how often each line-up is first and within which range it lies. A player who is better
// than believed in one read is likely to be in others.
func (f *finder) doubt(told []Five, form evidence.Form, seed uint64) {
	rng := rand.New(rand.NewPCG(seed, seed))
	rates := f.rates(told, form)
	scores := make([][]float64, len(told))
	player := make([]float64, len(f.people))
	for range draws {
		for k := range player {
			player[k] = rng.NormFloat64()
		}
		for _, d := range rates {
			z := math.Sqrt(likeness)*player[d.person] + math.Sqrt(1-likeness)*rng.NormFloat64()
			rate := d.quantiles[int(distuv.UnitNormal.CDF(z)*float64(len(d.quantiles))*(1-1e-9))]
			for _, at := range d.uses {
				*at = rate
			}
		}
		best, first := -1.0, 0
		for i, five := range told {
			score := f.ballScore(five.h, five.s)
			for _, a := range f.off {
				score += f.asks[a].Share * f.pairs(a, &five.at)
			}
			scores[i] = append(scores[i], score)
			if score > best {
				best, first = score, i
			}
		}
		told[first].First += 1.0 / draws
	}
	for i := range told {
		slices.Sort(scores[i])
		told[i].Interval = evidence.Interval{Low: scores[i][draws/10], High: scores[i][draws-1-draws/10]}
	}
}
