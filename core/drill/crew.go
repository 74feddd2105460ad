package drill

import (
	"math/rand/v2"
	"slices"
)

// Crews are groups of more than two on offense at a basket: every rep needs as
// many players as it has positions, each position once.
//
// They are dealt from a ring: all players in some order, the next crew always
// the next players on the ring. Every prefix of that is fair, because nobody has
// been round once more than anybody else is due; and a turn of the positions
// from lap to lap gives everybody every position before any comes again. After a
// whole cycle, as many crews as there are players, all counts are equal, and the
// ring is shuffled so that partners change. Pairs have a construction of their
// own that varies partners further (partners.go).

// crewSetup is what a crew's order depends on, in indexes of players.
type crewSetup struct {
	n, size, baskets, total int
	// rest is true where whoever was on offense in the slot before defends now.
	rest bool
	// apart and together hold pairs of players that the coach wants so.
	apart, together [][2]int
}

// dealCrews returns total crews in order, baskets of them at a time: crew[k][i]
// is the player in position i. Nobody is twice in one slot; with rest nobody is
// on offense twice running. It returns nil where there are too few players.
func dealCrews(in crewSetup, seed uint64) [][]int {
	slot := in.size * in.baskets
	if in.n < slot || in.rest && in.n < 2*slot {
		return nil
	}
	rng := rand.New(rand.NewPCG(seed, uint64(in.n*100+in.size)))
	met := make([][]int, in.n)
	for i := range met {
		met[i] = make([]int, in.n)
	}
	// A cycle ends with a slot.
	cycle := in.n
	if in.n%in.baskets != 0 {
		cycle *= in.baskets
	}
	var out [][]int
	var ring []int
	for len(out) < in.total {
		ring = in.nextRing(ring, out, met, rng)
		for k := 0; k < cycle && len(out) < in.total; k++ {
			crew := in.crew(ring, k)
			in.meet(met, crew)
			out = append(out, crew)
		}
	}
	return out
}

// crew is crew number k of a cycle: the next players on the ring, their
// positions turned by one each time the same seats would come to them again.
func (in crewSetup) crew(ring []int, k int) []int {
	d := gcd(in.n, in.size)
	turn := k / (in.n / d) // in.n/d crews are size/d whole laps
	crew := make([]int, in.size)
	for seat := range in.size {
		crew[(seat+turn)%in.size] = ring[(k*in.size+seat)%in.n]
	}
	return crew
}

// ringTries is how many rings are looked at for new partners and the coach's wishes.
const ringTries = 60

// nextRing is the order of the next cycle: whoever has just been on offense does
// not come at once, partners are as new as can be, wishes are kept.
func (in crewSetup) nextRing(old []int, dealt, met [][]int, rng *rand.Rand) []int {
	slot := in.size * in.baskets
	var best []int
	bestCost := 1 << 30
	for range ringTries {
		ring := rng.Perm(in.n)
		if old != nil {
			busy := map[int]bool{}
			for _, crew := range dealt[len(dealt)-in.baskets:] {
				for _, p := range crew {
					busy[p] = true
				}
			}
			// The first slot comes from those who were not on.
			slices.SortStableFunc(ring, func(a, b int) int {
				switch {
				case busy[a] == busy[b]:
					return 0
				case busy[a]:
					return 1
				}
				return -1
			})
			rest := ring[slot:]
			rng.Shuffle(len(rest), func(a, b int) { rest[a], rest[b] = rest[b], rest[a] })
		}
		if c := in.ringCost(ring, met); c < bestCost {
			best, bestCost = ring, c
		}
	}
	return best
}

// wishWeight is what a broken wish costs against partners met once more.
const wishWeight = 1000

// ringCost counts, over the crews of a cycle, broken wishes and partners who have
// met before.
func (in crewSetup) ringCost(ring []int, met [][]int) int {
	cost := 0
	for k := range in.n {
		crew := in.crew(ring, k)
		cost += wishWeight * in.wishes(crew)
		for i, p := range crew {
			for _, q := range crew[i+1:] {
				cost += met[p][q]
			}
		}
	}
	return cost
}

func (in crewSetup) meet(met [][]int, crew []int) {
	for _, p := range crew {
		for _, q := range crew {
			if p != q {
				met[p][q]++
			}
		}
	}
}

// wishes counts the coach's wishes a crew breaks.
func (in crewSetup) wishes(crew []int) int {
	broken := 0
	for _, w := range in.apart {
		if slices.Contains(crew, w[0]) && slices.Contains(crew, w[1]) {
			broken++
		}
	}
	for _, w := range in.together {
		if slices.Contains(crew, w[0]) != slices.Contains(crew, w[1]) {
			broken++
		}
	}
	return broken
}

func gcd(a, b int) int {
	for b != 0 {
		a, b = b, a%b
	}
	return a
}
