package drill

// Costs of putting a player on defense in a slot: it cannot be, somebody new comes in, or
// the player defends twice running or just before an attack.
const (
	cannotDefend = 1_000_000
	comesIn      = 10
	defendsAgain = 3
	attacksNext  = 1
)

// defenseDeal deals who defends in every slot where offense and defense take turns. Counts
// of defense stay within one of each other at every moment: everybody defends once before
// anybody does again. As far as that allows, whoever was on offense defends next, which is
// how a coach says it; where a lap begins, others come in from the line, so that the same
// players need not stay together all the time.
type defenseDeal struct {
	n, size, baskets int
	// attack[slot] are those on offense in a slot, by basket.
	attack [][][]int
	// counts are how often each has defended so far.
	counts []int
	// defense[slot] are those who defend in a slot.
	defense [][]int
	on      [][]bool // by slot and player: on offense
	taken   [][]bool // by slot and player: on defense
}

// dealDefense returns the defense of each rep: out[k] for attack[k], baskets reps a slot.
func dealDefense(attack [][]int, n, size, baskets int) [][]int {
	d := defenseDeal{n: n, size: size, baskets: baskets, counts: make([]int, n)}
	for k := 0; k < len(attack); k += baskets {
		d.attack = append(d.attack, attack[k:min(k+baskets, len(attack))])
		on := make([]bool, n)
		for _, crew := range d.attack[len(d.attack)-1] {
			for _, p := range crew {
				on[p] = true
			}
		}
		d.on, d.taken = append(d.on, on), append(d.taken, make([]bool, n))
	}
	d.defense = make([][]int, len(d.attack))
	for place := 0; place < len(attack)*size; {
		place += d.lap(place, len(attack)*size)
	}
	out := make([][]int, 0, len(attack))
	for slot := range d.attack {
		out = append(out, d.byBasket(slot)...)
	}
	return out
}

// lap gives one turn on defense to everybody who has the fewest, starting at a place in the
// sequence of defenders, and returns how many places it filled.
func (d *defenseDeal) lap(place, places int) int {
	least := d.counts[0]
	for _, c := range d.counts {
		least = min(least, c)
	}
	var due []int
	for p, c := range d.counts {
		if c == least {
			due = append(due, p)
		}
	}
	cost := make([][]int, min(len(due), places-place))
	for i := range cost {
		slot := (place + i) / (d.size * d.baskets)
		cost[i] = make([]int, len(due))
		for c, p := range due {
			cost[i][c] = d.cost(slot, p)
		}
	}
	for i, c := range assign(cost) {
		p, slot := due[c], (place+i)/(d.size*d.baskets)
		if cost[i][c] >= cannotDefend {
			p = d.anybody(slot)
		}
		d.defense[slot] = append(d.defense[slot], p)
		d.taken[slot][p] = true
		d.counts[p]++
	}
	return len(cost)
}

// cost returns the cost of putting a player on defense in a slot; lower is better.
func (d *defenseDeal) cost(slot, p int) int {
	if d.on[slot][p] || d.taken[slot][p] {
		return cannotDefend
	}
	cost := 0
	if slot == 0 || !d.on[slot-1][p] {
		cost = comesIn
	}
	if slot > 0 && d.taken[slot-1][p] {
		cost += defendsAgain
	}
	if slot+1 < len(d.on) && d.on[slot+1][p] {
		cost += attacksNext
	}
	return cost
}

// anybody returns the free player of a slot who has defended least.
func (d *defenseDeal) anybody(slot int) int {
	best := -1
	for p := range d.n {
		if !d.on[slot][p] && !d.taken[slot][p] && (best < 0 || d.counts[p] < d.counts[best]) {
			best = p
		}
	}
	return best
}

// byBasket puts a slot's defenders where they were on offense before, and the others where
// there is room.
func (d *defenseDeal) byBasket(slot int) [][]int {
	var before [][]int
	if slot > 0 {
		before = d.attack[slot-1]
	}
	out := make([][]int, len(d.attack[slot]))
	placed := make([]bool, d.n)
	for b := range out {
		if b >= len(before) {
			break
		}
		for _, p := range before[b] {
			if d.taken[slot][p] && len(out[b]) < d.size {
				out[b], placed[p] = append(out[b], p), true
			}
		}
	}
	for _, p := range d.defense[slot] {
		for b := range out {
			if !placed[p] && len(out[b]) < d.size {
				out[b], placed[p] = append(out[b], p), true
			}
		}
	}
	return out
}
