package drill

// dealSides gives every fresh rep a side, so that right and left come as near to even as can
// be: for each player, for each player in each place, and for the team; with as few changes of
// side as that takes. Reps that have been run count. lap is after how many reps everybody has
// had every place once; once is true where the side changes half way and never again.
func dealSides(fresh, past []Rep, lap int, once bool) {
	if len(fresh) == 0 {
		return
	}
	s := sides{at: map[string]int{}}
	for _, r := range past {
		s.add(s.crew(r), sign(r.Side == Right))
	}
	crews := make([][]int, len(fresh))
	for i, r := range fresh {
		crews[i] = s.crew(r)
	}
	s.here = make([]bool, len(s.ahead))
	for _, crew := range crews {
		for _, k := range crew {
			s.here[k] = true
		}
	}
	// The line stands where it stood; a new one begins on the right.
	leftFirst := len(past) > 0 && past[len(past)-1].Side == Left
	s.sum(crews)
	best, cost := pattern{}, 1<<30
	for _, p := range patterns(len(fresh), lap, leftFirst, once) {
		if c := s.cost(p); c < cost {
			best, cost = p, c
		}
		if cost == len(best.at) {
			break // even, and no later pattern is simpler
		}
	}
	right := !best.left
	for i := range fresh {
		if len(best.at) > 0 && best.at[0] == i {
			right, best.at = !right, best.at[1:]
		}
		fresh[i].Side = Left
		if right {
			fresh[i].Side = Right
		}
	}
}

func sign(yes bool) int {
	if yes {
		return 1
	}
	return -1
}

func abs(n int) int { return max(n, -n) }

// sides counts right less left, of players, of players in a place, and of the team.
type sides struct {
	at    map[string]int
	ahead [][]int // of a player, by place; the last is the sum
	here  []bool
	team  int
	// upTo[i] is how many of the first i fresh reps every player of here has in every place.
	upTo [][][]int
}

// crew lists the players of a rep by number.
func (s *sides) crew(r Rep) []int {
	on := r.offense()
	out := make([]int, len(on))
	for i, id := range on {
		k, known := s.at[id]
		if !known {
			k = len(s.ahead)
			s.at[id] = k
			s.ahead = append(s.ahead, make([]int, MaxCrew*2+1))
		}
		out[i] = k
	}
	return out
}

func (s *sides) add(crew []int, d int) {
	s.team += d
	for i, k := range crew {
		s.ahead[k][min(i, len(s.ahead[k])-2)] += d
		s.ahead[k][len(s.ahead[k])-1] += d
	}
}

// pattern is the side that comes first, and before which reps it changes.
type pattern struct {
	left bool
	at   []int
}

// patterns lists the ways to part reps between the sides, the simplest first: the other side
// from half way; a change after each lap; one change anywhere; two changes.
func patterns(n, lap int, leftFirst, once bool) (out []pattern) {
	both := func(at ...int) {
		out = append(out, pattern{leftFirst, at}, pattern{!leftFirst, at})
	}
	both((n + 1) / 2)
	if once {
		return out[:1]
	}
	both(n / 2)
	if lap > 0 && lap < n {
		var laps []int
		for at := lap; at < n; at += lap {
			laps = append(laps, at)
		}
		both(laps...)
	}
	for k := 1; k < n; k++ {
		both(fromMiddle(k, n/2))
	}
	for k := 1; k < n; k++ {
		from := fromMiddle(k, n/4)
		for _, length := range []int{n / 2, (n + 1) / 2} {
			if from > 0 && from+length < n && length > 0 {
				both(from, from+length)
			}
		}
	}
	return out
}

// fromMiddle runs through 1, 2, ... from a middle outwards as k goes from 1: middle,
// middle+1, middle-1, ...
func fromMiddle(k, middle int) int {
	if middle < 1 {
		return k
	}
	if k >= 2*middle {
		return k
	}
	if k%2 == 1 {
		return middle - k/2
	}
	return middle + k/2
}

// Weights of how uneven sides are, by how far beyond one apart.
const (
	playerUneven = 10_000
	teamUneven   = 3_000
	placeUneven  = 100
	// shortStretch is the cost of a stretch on one side of fewer than leastStretch reps.
	shortStretch = 20
	leastStretch = 4
)

// sum counts the fresh reps up to each.
func (s *sides) sum(crews [][]int) {
	count := make([][]int, len(s.ahead))
	for k := range count {
		count[k] = make([]int, len(s.ahead[k]))
	}
	s.upTo = make([][][]int, 0, len(crews)+1)
	keep := func() {
		now := make([][]int, len(count))
		for k := range count {
			if s.here[k] {
				now[k] = append([]int(nil), count[k]...)
			}
		}
		s.upTo = append(s.upTo, now)
	}
	keep()
	for _, crew := range crews {
		for i, k := range crew {
			count[k][min(i, len(count[k])-2)]++
			count[k][len(count[k])-1]++
		}
		keep()
	}
}

// cost is how uneven a pattern leaves the sides, then how often it changes them.
func (s *sides) cost(p pattern) int {
	n, short := len(s.upTo)-1, 0
	team, from, d := s.team, 0, sign(!p.left)
	type stretch struct{ from, to, d int }
	var all []stretch
	for _, to := range append(p.at[:len(p.at):len(p.at)], n) {
		all = append(all, stretch{from, to, d})
		if to-from < leastStretch && len(p.at) > 1 {
			short += shortStretch
		}
		team += d * (to - from)
		from, d = to, -d
	}
	cost := teamUneven*max(0, abs(team)-1) + len(p.at) + short
	for k, places := range s.ahead {
		if !s.here[k] {
			continue
		}
		for i, ahead := range places {
			for _, x := range all {
				ahead += x.d * (s.upTo[x.to][k][i] - s.upTo[x.from][k][i])
			}
			weight := placeUneven
			if i == len(places)-1 {
				weight = playerUneven
			}
			cost += weight * max(0, abs(ahead)-1)
		}
	}
	return cost
}
