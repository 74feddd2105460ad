package drill

// pair is one rep's offense as indexes of players: who cuts and who screens.
type pair struct{ cutter, screener int }

// round returns n pairs in which every player cuts once and screens once. The
// first (n-1)/2 rounds, counted from 0, never put the same two together twice,
// which is the most that is possible; after that they come again with cutter
// and screener exchanged.
func round(n, r int) []pair {
	fresh := (n - 1) / 2
	if fresh == 0 { // two players
		return oriented([]pair{{0, 1}}, []pair{{1, 0}}, n, r%2 == 1)
	}
	reversed := (r/fresh)%2 == 1
	if n%2 == 0 {
		return oriented(matching(n, 2*r), matching(n, 2*r+1), n, reversed)
	}
	ring := hamiltonian(n, r%fresh)
	out := make([]pair, 0, n)
	// Every second edge of the ring, twice round: each prefix is fair.
	for k := range n {
		p := pair{ring[2*k%n], ring[(2*k+1)%n]}
		if reversed {
			p = pair{p.screener, p.cutter}
		}
		out = append(out, p)
	}
	return out
}

// hamiltonian returns ring number i of the (n-1)/2 rings through all of an odd
// number of players that share no edge (Walecki's construction).
func hamiltonian(n, i int) []int {
	m := n - 1
	ring := []int{n - 1, i % m}
	for k := 1; len(ring) < n; k++ {
		ring = append(ring, (i+k)%m)
		if len(ring) < n {
			ring = append(ring, ((i-k)%m+m)%m)
		}
	}
	return ring
}

// matching returns pairing number i of the n-1 pairings of an even number of
// players that share no pair (the round-robin circle).
func matching(n, i int) []pair {
	m := n - 1
	i %= m
	out := []pair{{n - 1, i}}
	for k := 1; k < n/2; k++ {
		out = append(out, pair{(i + k) % m, ((i-k)%m + m) % m})
	}
	return out
}

// oriented lays two pairings over each other and walks the rings they form, so
// that everyone cuts in one pairing and screens in the other.
func oriented(first, second []pair, n int, reversed bool) []pair {
	partner := [2][]int{make([]int, n), make([]int, n)}
	for k, m := range [2][]pair{first, second} {
		for _, p := range m {
			partner[k][p.cutter], partner[k][p.screener] = p.screener, p.cutter
		}
	}
	cuts := make([]int, n) // the pairing in which a player cuts, plus 1
	for start := range n {
		for at := start; cuts[at] == 0; {
			next := partner[0][at]
			cuts[at], cuts[next] = 1, 2
			at = partner[1][next]
		}
	}
	out := make([]pair, 0, n)
	for k, m := range [2][]pair{first, second} {
		for _, p := range m {
			if (cuts[p.cutter] == k+1) == reversed {
				p = pair{p.screener, p.cutter}
			}
			out = append(out, p)
		}
	}
	return out
}

// lined puts a round's pairs into slots of `baskets` pairs that run at the same
// time. Nobody is in one slot twice; with rest > 0 nobody who was on offense in
// the slot before is either, because they defend now. After every pair the
// offense counts of all players differ by at most one. Those who waited longest
// go first. It returns nil when the pairs cannot be lined up so.
func (l *line) lined(pairs []pair, limit int) []pair {
	work := &search{line: l, left: append([]pair(nil), pairs...), want: min(len(pairs), limit), budget: searchBudget}
	if work.step() {
		return work.got
	}
	return nil
}

// searchBudget bounds the search for one round's line-up, in tried places; a
// round that needs more is replaced by another one.
const searchBudget = 4000

// line is the state of the order so far.
type line struct {
	n, baskets int
	rest       bool
	reps       []pair
	counts     []int // offense per player
	last       []int // slot of the last offense per player, -1 for never
}

func newLine(n, baskets int, rest bool) *line {
	l := &line{n: n, baskets: baskets, rest: rest, counts: make([]int, n), last: make([]int, n)}
	for i := range l.last {
		l.last[i] = -1
	}
	return l
}

func (l *line) add(p pair) {
	slot := len(l.reps) / l.baskets
	l.reps = append(l.reps, p)
	for _, who := range [2]int{p.cutter, p.screener} {
		l.counts[who]++
		l.last[who] = slot
	}
}

// free reports whether a player may be on offense in the next pair.
func (l *line) free(who int) bool {
	slot := len(l.reps) / l.baskets
	at := l.last[who]
	return at < 0 || at < slot-1 || (!l.rest && at < slot)
}

// fair reports whether all offense counts differ by at most one.
func (l *line) fair() bool {
	lo, hi := l.counts[0], l.counts[0]
	for _, c := range l.counts {
		lo, hi = min(lo, c), max(hi, c)
	}
	return hi-lo <= 1
}

type search struct {
	*line
	left   []pair
	got    []pair
	want   int
	budget int
}

func (s *search) step() bool {
	if len(s.got) == s.want {
		return true
	}
	// Longest-waiting first: a pair's wait is that of its later member, then
	// that of its earlier one.
	tried := make([]bool, len(s.left))
	for range s.left {
		best := -1
		for i, p := range s.left {
			if !tried[i] && s.free(p.cutter) && s.free(p.screener) && (best < 0 || s.waits(p, s.left[best])) {
				best = i
			}
		}
		if best < 0 {
			return false
		}
		tried[best] = true
		if s.budget--; s.budget < 0 {
			return false
		}
		p := s.left[best]
		was := [2]int{s.last[p.cutter], s.last[p.screener]}
		s.add(p)
		if s.fair() {
			rest := append(append(make([]pair, 0, len(s.left)), s.left[:best]...), s.left[best+1:]...)
			keep := s.left
			s.left, s.got = rest, append(s.got, p)
			if s.step() {
				return true
			}
			s.left, s.got = keep, s.got[:len(s.got)-1]
		}
		s.reps = s.reps[:len(s.reps)-1]
		s.counts[p.cutter]--
		s.counts[p.screener]--
		s.last[p.cutter], s.last[p.screener] = was[0], was[1]
	}
	return false
}

// waits reports whether p has waited longer than q.
func (s *search) waits(p, q pair) bool {
	pl, ph := s.last[p.cutter], s.last[p.screener]
	ql, qh := s.last[q.cutter], s.last[q.screener]
	if ph < pl {
		pl, ph = ph, pl
	}
	if qh < ql {
		ql, qh = qh, ql
	}
	if ph != qh {
		return ph < qh
	}
	return pl < ql
}
