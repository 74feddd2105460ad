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
	// defended[p] is how often a player has defended, where offense and defense take turns.
	defended []int
	// slot is the next one; seam is the first that is dealt anew.
	slot, seam int
	// seamRepeats counts who is on offense again in the first slot that is dealt anew.
	seamRepeats int
}

// recall reads what was run. who is the index of a player; who has left has none.
func (j job) recall(past []Rep, who map[string]int) *memory {
	places := j.places()
	m := &memory{places: make([][]int, j.n), total: make([]int, j.n), last: make([]int, j.n), met: make([][]int, j.n),
		defended: make([]int, j.n)}
	for p := range j.n {
		m.places[p], m.met[p], m.last[p] = make([]int, places), make([]int, j.n), -1
	}
	seen := make([]bool, j.n)
	if len(past) > 0 {
		m.slot = past[len(past)-1].Slot + 1
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
			seen[p] = true
			m.defended[p]++
			if k := j.size + i; k < places {
				m.places[p][k]++
				m.total[p]++
			}
		}
	}
	m.level(seen)
	return m
}

// places is how many places a rep has that are dealt.
func (j job) places() int {
	if j.alternates() {
		return j.size
	}
	return j.perBasket()
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
	least := -1
	for p, there := range seen {
		if there && (least < 0 || m.defended[p] < least) {
			least = m.defended[p]
		}
	}
	for p, there := range seen {
		if !there {
			m.defended[p] = least
		}
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

// resumeTries is how many ways to deal the rest of a list are looked at for even counts.
const resumeTries = 80

// resume deals the turns that are left, knowing what was run. Slot by slot the places go to
// whoever had them least; that can paint itself into a corner, so that several ways are
// tried and the one kept in which counts are apart by more than one for the fewest slots.
func (j job) resume(past []Rep, players []string, rng *rand.Rand) []turn {
	who := make(map[string]int, len(players))
	for i, id := range players {
		who[id] = i
	}
	var best []turn
	least := 1 << 30
	for try := 0; try < resumeTries && least > 0; try++ {
		m := j.recall(past, who)
		out, apart := make([]turn, 0, j.total), 0
		for len(out) < j.total && apart < least {
			next := j.nextTurns(m, min(j.baskets, j.total-len(out)), rng, nil)
			if next == nil {
				return nil
			}
			for _, t := range next {
				m.add(j, t)
			}
			apart += m.apart()
			m.slot++
			out = append(out, next...)
		}
		if len(out) == j.total && apart < least {
			best, least = out, apart
		}
	}
	return best
}

// apart returns how unfair the counts are now: the sum, over the places and defense, of the
// difference beyond one, and a large penalty for each player who is on offense twice in a row
// where the list was dealt again.
func (m *memory) apart() int {
	sum := max(0, apartBy(len(m.defended), func(p int) int { return m.defended[p] })-1)
	for i := range m.places[0] {
		sum += max(0, apartBy(len(m.places), func(p int) int { return m.places[p][i] })-1)
	}
	return sum + 1000*m.seamRepeats
}

// apartBy is the largest difference between counts.
func apartBy(n int, count func(int) int) int {
	least, most := count(0), count(0)
	for i := 1; i < n; i++ {
		least, most = min(least, count(i)), max(most, count(i))
	}
	return most - least
}

// add counts a turn of the slot.
func (m *memory) add(j job, t turn) {
	for i, p := range t.crew {
		if m.slot == m.seam && m.slot > 0 && m.last[p] == m.slot-1 {
			m.seamRepeats++
		}
		m.places[p][i]++
		m.total[p]++
		m.last[p] = m.slot
	}
	for i, p := range t.defense {
		m.defended[p]++
		if k := j.size + i; k < len(m.places[p]) {
			m.places[p][k]++
			m.total[p]++
		}
	}
	m.meet(t.crew)
}

// nextTurns fills the places of a slot, on offense and on defense, at the least total cost.
// besides returns an extra cost of a player at a basket; it may be nil.
func (j job) nextTurns(m *memory, baskets int, rng *rand.Rand, besides func(p, basket int) int) []turn {
	per := j.perBasket()
	players := rng.Perm(j.n)
	if len(players) < per*baskets {
		return nil
	}
	cost := make([][]int, per*baskets)
	for k := range cost {
		cost[k] = make([]int, len(players))
		for c, p := range players {
			if i := k % per; i < j.places() {
				cost[k][c] = j.placeCost(m, p, i)
			} else {
				cost[k][c] = m.defenseCost(p)
			}
			if besides != nil {
				cost[k][c] += besides(p, k/per)
			}
		}
	}
	out := make([]turn, baskets)
	for k, c := range assign(cost) {
		t := &out[k/per]
		if k%per < j.size {
			t.crew = append(t.crew, players[c])
		} else {
			t.defense = append(t.defense, players[c])
		}
	}
	// Partners change where players of the same place change baskets.
	for try := 0; baskets > 1 && besides == nil && try < labelTries; try++ {
		a, b, i := rng.IntN(baskets), rng.IntN(baskets), rng.IntN(j.size)
		before := m.together(out[a].crew) + m.together(out[b].crew)
		out[a].crew[i], out[b].crew[i] = out[b].crew[i], out[a].crew[i]
		if m.together(out[a].crew)+m.together(out[b].crew) > before {
			out[a].crew[i], out[b].crew[i] = out[b].crew[i], out[a].crew[i]
		}
	}
	return out
}

// placeCost returns the cost of putting a player in a place; lower is better.
func (j job) placeCost(m *memory, p, place int) int {
	cost := placeCost*m.places[p][place] + totalCost*m.total[p] + againCost*max(0, 20-(m.slot-m.last[p]))
	if m.last[p] == m.slot-1 {
		cost += placeCost / 2
		if m.slot == m.seam && place < j.size {
			cost += 50 * placeCost
		}
	}
	return cost
}

// defenseCost is how little a player should defend where offense and defense take turns:
// whoever defended least does, and of them who was on offense in the slot before.
func (m *memory) defenseCost(p int) int {
	cost := placeCost * m.defended[p]
	if m.last[p] != m.slot-1 {
		cost += placeCost / 2
	}
	return cost
}

// together is how often the offense of a crew has met.
func (m *memory) together(crew []int) (sum int) {
	for i, p := range crew {
		for _, q := range crew[i+1:] {
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
