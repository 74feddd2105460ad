package drill

import "math/rand/v2"

// lines are the lines at every basket, with how often each player had a turn. Where the
// baskets have one player more or fewer, one floats between them, so that counts stay close.
type lines struct {
	at    [][][]int // at a basket, by place: the players in line, the first one next
	turns []int
}

// follow runs lines: each rep the front of every line plays, and everybody goes to the back
// of the next one, at the same basket unless somebody floats.
func (j job) follow(rng *rand.Rand) []turn {
	per := j.perBasket()
	l := lines{make([][][]int, j.baskets), make([]int, j.n)}
	for b, mine := range j.parted(rng.Perm(j.n)) {
		if len(mine) < per {
			return nil
		}
		l.at[b] = make([][]int, per)
		for i, p := range mine {
			l.at[b][i%per] = append(l.at[b][i%per], p)
		}
	}
	out := make([]turn, 0, j.total)
	for len(out) < j.total {
		slot := make([][]int, 0, j.baskets)
		for b := range l.at {
			if len(out) < j.total {
				on := l.front(b)
				out = append(out, turn{on[:j.size], on[j.size:]})
				slot = append(slot, on)
			}
		}
		from, to, place := l.float(slot)
		for b, on := range slot {
			for i, p := range on {
				next, basket := (i+1)%per, b
				if b == from && next == place {
					basket = to
				}
				l.at[basket][next] = append(l.at[basket][next], p)
			}
		}
	}
	return out
}

// parted deals players among the baskets, as evenly as they can be.
func (j job) parted(who []int) [][]int {
	out := make([][]int, j.baskets)
	for b := range out {
		out[b] = who[b*j.n/j.baskets : (b+1)*j.n/j.baskets]
	}
	return out
}

// front takes the first of every line at a basket.
func (l *lines) front(b int) []int {
	on := make([]int, len(l.at[b]))
	for i := range on {
		on[i], l.at[b][i] = l.at[b][i][0], l.at[b][i][1:]
		l.turns[on[i]]++
	}
	return on
}

// floatAt is by how many turns the players at one basket are behind those at another on
// average before one of them floats (assumption).
const floatAt = 0.3

// float chooses who changes baskets: it returns the basket to leave, the one to go to, and the
// place whose line the player joins there. Players leave the basket that has more players and
// fewer turns each, and only a line that keeps somebody. playing holds the players on the
// floor, by basket. All three are -1 if nobody should change.
func (l *lines) float(playing [][]int) (from, to, place int) {
	mean, size := make([]float64, len(l.at)), make([]int, len(l.at))
	for b := range playing {
		for _, line := range append(l.at[b][:len(l.at[b]):len(l.at[b])], playing[b]) {
			size[b] += len(line)
			for _, p := range line {
				mean[b] += float64(l.turns[p])
			}
		}
		mean[b] /= float64(max(1, size[b]))
	}
	if from, to = behind(mean, size); from < 0 {
		return -1, -1, -1
	}
	longest := 0
	place = -1
	for i, line := range l.at[from] {
		if len(line) > longest {
			longest, place = len(line), i
		}
	}
	if place < 0 {
		return -1, -1, -1
	}
	return from, to, place
}

// stations keeps a group at each basket; half way the groups move on. Within a group a ring
// deals the places.
func (j job) stations(rng *rand.Rand) []turn {
	if j.n%j.baskets != 0 {
		return j.unevenStations(rng)
	}
	groups, per := j.parted(rng.Perm(j.n)), j.perBasket()
	lists := make([][][]int, j.baskets)
	for b := range lists {
		lists[b] = dealCrews(crewSetup{n: len(groups[b]), size: per, baskets: 1, total: j.total/j.baskets + 1},
			j.seed+uint64(b))
		if lists[b] == nil {
			return nil
		}
	}
	out := make([]turn, j.total)
	for k := range out {
		slot := k / j.baskets
		group := j.groupAt(k%j.baskets, slot)
		crew := make([]int, per)
		for i, p := range lists[group][slot] {
			crew[i] = groups[group][p]
		}
		out[k] = turn{crew[:j.size], crew[j.size:]}
	}
	return out
}

// groupAt is which group is at a basket in a slot: half way they move on.
func (j job) groupAt(basket, slot int) int {
	if slot >= j.total/j.baskets/2 {
		return (basket + 1) % j.baskets
	}
	return basket
}

// otherGroup is the cost of a player at another group's basket: too much for anything else.
const otherGroup = 1 << 40

// unevenStations deals slot by slot, to whoever in a group had least. Somebody floats from a
// larger group that is behind to a smaller one.
func (j job) unevenStations(rng *rand.Rand) []turn {
	m, per := j.recall(nil, nil), j.perBasket()
	of := make([]int, j.n) // the group of a player
	for g, mine := range j.parted(rng.Perm(j.n)) {
		if len(mine) < per {
			return nil
		}
		for _, p := range mine {
			of[p] = g
		}
	}
	out := make([]turn, 0, j.total)
	for len(out) < j.total {
		next := j.nextTurns(m, min(j.baskets, j.total-len(out)), rng, func(p, basket int) int {
			if of[p] != j.groupAt(basket, m.slot) {
				return otherGroup
			}
			return 0
		})
		busy := make([]bool, j.n)
		for _, t := range next {
			m.add(j, t)
			for _, p := range t.crew {
				busy[p] = true
			}
		}
		m.slot++
		out = append(out, next...)
		m.float(of, j.baskets, busy)
	}
	return out
}

// float lets one player who is not playing change to a smaller group that is ahead.
func (m *memory) float(of []int, groups int, busy []bool) {
	mean, size := make([]float64, groups), make([]int, groups)
	for p, g := range of {
		mean[g] += float64(m.total[p])
		size[g]++
	}
	for g := range mean {
		mean[g] /= float64(max(1, size[g]))
	}
	from, to := behind(mean, size)
	if from < 0 {
		return
	}
	who := -1
	for p, g := range of {
		if g == from && !busy[p] && (who < 0 || m.total[p] < m.total[who]) {
			who = p
		}
	}
	if who >= 0 {
		of[who] = to
	}
}

// behind names a larger group whose players had clearly fewer turns than those of a smaller
// one, and that one; -1 where there are none.
func behind(mean []float64, size []int) (from, to int) {
	from, to = -1, -1
	for a := range mean {
		for b := range mean {
			if size[a] > size[b] && mean[b]-mean[a] >= floatAt && (from < 0 || mean[b]-mean[a] > mean[to]-mean[from]) {
				from, to = a, b
			}
		}
	}
	return from, to
}
