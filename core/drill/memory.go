package drill

import (
	"math/rand/v2"
	"slices"
)

// memory is what players have done so far, by index, so that the rest of a list is dealt
// knowing it: who comes late starts level with those who had least, and nobody who was on
// offense in the last turn is on offense again in the next.
type memory struct {
	// places[p][i] is how often a player was in place i: positions on offense, then those of
	// the defenders where they are places of their own.
	places [][]int
	total  []int // in all places
	last   []int // the slot of the last offense; -1 for never
	met    [][]int
	// defends[b] are those who were on offense at a basket in the last slot and defend now.
	defends [][]int
	// slot is the next one; seam is the first that is dealt anew.
	slot, seam int
}

// recall reads what was run. who is the index of a player; who has left has none.
func (j job) recall(past []Rep, who map[string]int) *memory {
	places := j.places()
	m := &memory{places: make([][]int, j.n), total: make([]int, j.n), last: make([]int, j.n), met: make([][]int, j.n), defends: make([][]int, j.baskets)}
	for p := range j.n {
		m.places[p], m.met[p], m.last[p] = make([]int, places), make([]int, j.n), -1
	}
	seen := make([]bool, j.n)
	last := 0
	if len(past) > 0 {
		last = past[len(past)-1].Slot
		m.slot = last + 1
	}
	m.seam = m.slot
	for _, r := range past {
		on := j.indexes(r.offense(), who)
		for i, p := range on {
			if p >= 0 && i < places {
				m.places[p][i]++
				m.total[p]++
				m.last[p], seen[p] = r.Slot, true
			}
		}
		m.meet(on)
		for i, p := range j.indexes(r.defense(), who) {
			if p < 0 {
				continue
			}
			if seen[p] = true; !j.takesTurns() || j.stage.Defenders != j.size {
				if k := j.size + i; k < places {
					m.places[p][k]++
					m.total[p]++
				}
			}
		}
		if r.Slot == last && r.Basket >= 1 && r.Basket <= j.baskets {
			m.defends[r.Basket-1] = on
		}
	}
	m.level(seen)
	return m
}

// places is how many places a rep has that are dealt.
func (j job) places() int {
	if j.takesTurns() && j.stage.Defenders == j.size {
		return j.size
	}
	return j.size + j.stage.Defenders
}

func (j job) indexes(players []string, who map[string]int) []int {
	out := make([]int, len(players))
	for i, id := range players {
		out[i] = -1
		if p, here := who[id]; here {
			out[i] = p
		}
	}
	return out
}

// level lets those who were not there begin with the least that others have in each place.
func (m *memory) level(seen []bool) {
	if !slices.Contains(seen, true) {
		return
	}
	for i := range m.places[0] {
		least := -1
		for p, there := range seen {
			if there && (least < 0 || m.places[p][i] < least) {
				least = m.places[p][i]
			}
		}
		for p, there := range seen {
			if !there {
				m.places[p][i] += least
				m.total[p] += least
			}
		}
	}
}

func (m *memory) meet(on []int) {
	for _, p := range on {
		for _, q := range on {
			if p >= 0 && q >= 0 && p != q {
				m.met[p][q]++
			}
		}
	}
}

// Weights of the dealer's costs: whoever was least often in a place has it, then whoever was
// least often in any, then whoever waited longest, then new partners.
const (
	placeCost = 1_000_000
	totalCost = 10_000
	againCost = 400
	metCost   = 10
)

// resume deals the turns that are left, knowing what was run.
func (j job) resume(past []Rep, players []string, rng *rand.Rand) []turn {
	who := make(map[string]int, len(players))
	for i, id := range players {
		who[id] = i
	}
	m := j.recall(past, who)
	turns := j.takesTurns() && j.stage.Defenders == j.size
	out := make([]turn, 0, j.total)
	for len(out) < j.total {
		defense := make([][]int, j.baskets)
		busy := make([]bool, j.n)
		if turns {
			defense = j.nextDefense(m, busy)
		}
		baskets := min(j.baskets, j.total-len(out))
		crews := j.nextCrews(m, busy, baskets, rng)
		if crews == nil {
			return nil
		}
		for b, crew := range crews {
			on := crew[:j.size]
			for i, p := range crew {
				m.places[p][i]++
				m.total[p]++
			}
			for _, p := range on {
				m.last[p] = m.slot
			}
			m.meet(on)
			if !turns {
				defense[b] = crew[j.size:]
			}
			out = append(out, turn{on, defense[b]})
			m.defends[b] = on
		}
		m.slot++
	}
	return out
}

// nextDefense lists who defends at each basket: whoever was on offense there, and, for who
// has left, whoever was least often on defense of those who are free.
func (j job) nextDefense(m *memory, busy []bool) [][]int {
	out := make([][]int, j.baskets)
	for b := range out {
		for _, p := range m.defends[b] {
			if p >= 0 && !busy[p] && len(out[b]) < j.size {
				out[b] = append(out[b], p)
				busy[p] = true
			}
		}
	}
	for b := range out {
		for len(out[b]) < j.size {
			// Who attacked most is furthest from the next attack.
			best := -1
			for p := range j.n {
				if !busy[p] && (best < 0 || m.total[p] > m.total[best]) {
					best = p
				}
			}
			out[b] = append(out[b], best)
			busy[best] = true
		}
	}
	return out
}

// nextCrews fills the places of a slot with those who are not busy, at the least cost.
func (j job) nextCrews(m *memory, busy []bool, baskets int, rng *rand.Rand) [][]int {
	var free []int
	for p := range j.n {
		if !busy[p] {
			free = append(free, p)
		}
	}
	places := j.places()
	if len(free) < places*baskets {
		return nil
	}
	rng.Shuffle(len(free), func(a, b int) { free[a], free[b] = free[b], free[a] })
	cost := make([][]int, places*baskets)
	for k := range cost {
		cost[k] = make([]int, len(free))
		for c, p := range free {
			cost[k][c] = placeCost*m.places[p][k%places] + totalCost*m.total[p] + againCost*max(0, 20-(m.slot-m.last[p]))
			if m.last[p] == m.slot-1 {
				cost[k][c] += placeCost / 2
				if m.slot == m.seam && k%places < j.size {
					cost[k][c] += 2 * placeCost
				}
			}
		}
	}
	chosen := assign(cost)
	crews := make([][]int, baskets)
	for k, c := range chosen {
		crews[k/places] = append(crews[k/places], free[c])
	}
	// Partners change where players of the same place change baskets.
	for try := 0; baskets > 1 && try < labelTries; try++ {
		a, b, i := rng.IntN(baskets), rng.IntN(baskets), rng.IntN(places)
		before := m.together(crews[a], j.size) + m.together(crews[b], j.size)
		crews[a][i], crews[b][i] = crews[b][i], crews[a][i]
		if m.together(crews[a], j.size)+m.together(crews[b], j.size) > before {
			crews[a][i], crews[b][i] = crews[b][i], crews[a][i]
		}
	}
	return crews
}

// together is how often the offense of a crew has met.
func (m *memory) together(crew []int, size int) (sum int) {
	for i, p := range crew[:size] {
		for _, q := range crew[i+1 : size] {
			sum += m.met[p][q]
		}
	}
	return sum
}

// assign gives each row a column of its own at the least total cost (the Hungarian method in
// the form of shortest augmenting paths); there are at least as many columns as rows.
func assign(cost [][]int) []int {
	const far = 1 << 60
	rows, columns := len(cost), len(cost[0])
	u, v := make([]int, rows+1), make([]int, columns+1)
	owner, way := make([]int, columns+1), make([]int, columns+1) // 1-based, 0 for nobody
	for i := 1; i <= rows; i++ {
		owner[0] = i
		at := 0
		least, used := make([]int, columns+1), make([]bool, columns+1)
		for c := range least {
			least[c] = far
		}
		for owner[at] != 0 {
			used[at] = true
			row, step, next := owner[at], far, 0
			for c := 1; c <= columns; c++ {
				if used[c] {
					continue
				}
				if now := cost[row-1][c-1] - u[row] - v[c]; now < least[c] {
					least[c], way[c] = now, at
				}
				if least[c] < step {
					step, next = least[c], c
				}
			}
			for c := 0; c <= columns; c++ {
				if used[c] {
					u[owner[c]] += step
					v[c] -= step
				} else {
					least[c] -= step
				}
			}
			at = next
		}
		for at != 0 {
			owner[at] = owner[way[at]]
			at = way[at]
		}
	}
	out := make([]int, rows)
	for c := 1; c <= columns; c++ {
		if owner[c] > 0 {
			out[owner[c]-1] = c - 1
		}
	}
	return out
}
