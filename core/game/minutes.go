package game

import (
	"math"
	"math/rand/v2"
	"slices"
)

// Stint is a stretch of the game with one five.
type Stint struct {
	Start   float64  `json:"start"` // minutes
	Minutes float64  `json:"minutes"`
	Players []string `json:"players"`
	Share   float64  `json:"share"`
}

// stintMinutes is how long a five stays on (assumption).
const stintMinutes = 4.0

// share parts the game into stints so that nobody plays more than allowed and as much
// as possible is answered: the best five that has room, stint by stint, then changed and
// dealt anew as long as that answers more. It is within 1 % of the optimum that GLPK finds
// in the tests' instances; a search with prices and a bound came no nearer.
func share(all []Five, people []Person, t Terms) (stints []Stint, average float64) {
	n := max(1, int(math.Round(t.Minutes/stintMinutes)))
	length := t.Minutes / float64(n)
	room := make([]int, len(people))
	for k, p := range people {
		room[k] = min(n, int((t.capOf(p.ID)+1e-9)/length))
	}
	worth := make([]float64, len(all))
	index := make(map[[onFloor]int]int, len(all))
	for i, f := range all {
		worth[i], index[f.at] = f.Score, i
	}
	plan, ok := deal(all, room, n, worth)
	if !ok {
		return []Stint{}, 0
	}
	plan = improved(all, plan, room, index)
	plan, sum := shaken(all, plan, sumOf(all, plan), room, index)
	for j, i := range rested(all, plan) {
		s := Stint{Start: float64(j) * length, Minutes: length, Share: all[i].Score}
		for _, k := range all[i].at {
			s.Players = append(s.Players, people[k].ID)
		}
		stints = append(stints, s)
	}
	return stints, sum / float64(n)
}

// mostRunning is how many stints in a row a player should play at most (assumption: eight
// minutes at full effort).
const mostRunning = 2

// rested orders a plan so that players rest between stints as far as the plan allows, the
// strongest fives first among orders that are as good.
func rested(all []Five, plan []int) []int {
	order := slices.Clone(plan)
	slices.Sort(order)
	best := tired(all, order)
	for better := true; better && best > 0; {
		better = false
		for a := range order {
			for b := range a {
				order[a], order[b] = order[b], order[a]
				if t := tired(all, order); t < best {
					best, better = t, true
				} else {
					order[a], order[b] = order[b], order[a]
				}
			}
		}
	}
	return order
}

// tired counts the stints that players are on for longer than they should be.
func tired(all []Five, order []int) (sum int) {
	running := map[int]int{}
	for _, i := range order {
		next := map[int]int{}
		for _, k := range all[i].at {
			next[k] = running[k] + 1
			sum += max(0, next[k]-mostRunning)
		}
		running = next
	}
	return sum
}

// deal takes the worthiest five stint by stint among those who have room.
func deal(all []Five, room []int, n int, worth []float64) (plan []int, ok bool) {
	left := slices.Clone(room)
	for j := range n {
		best := -1
		for i, f := range all {
			if (best < 0 || worth[i] > worth[best]) && fits(f, left, n-j) {
				best = i
			}
		}
		if best < 0 {
			return nil, false
		}
		plan = append(plan, best)
		for _, k := range all[best].at {
			left[k]--
		}
	}
	return plan, true
}

func sumOf(all []Five, plan []int) (sum float64) {
	for _, i := range plan {
		sum += all[i].Score
	}
	return sum
}

// Shaking: how often, how many stints are dealt anew, and how far their worth is
// stirred.
const (
	shakes     = 80
	shakenOut  = 3
	shakeNoise = 0.05
)

// shaken deals some stints of a plan anew with their worth stirred, again and again, and
// keeps what is better. The same question always has the same answer.
func shaken(all []Five, best []int, sum float64, room []int, index map[[onFloor]int]int) ([]int, float64) {
	rng := rand.New(rand.NewPCG(1, 1))
	worth := make([]float64, len(all))
	for range shakes {
		for i, f := range all {
			worth[i] = f.Score * (1 + shakeNoise*rng.NormFloat64())
		}
		kept := slices.Clone(best)
		rng.Shuffle(len(kept), func(a, b int) { kept[a], kept[b] = kept[b], kept[a] })
		kept = kept[min(shakenOut, len(kept)):]
		left := slices.Clone(room)
		for _, i := range kept {
			for _, k := range all[i].at {
				left[k]--
			}
		}
		rest, ok := deal(all, left, len(best)-len(kept), worth)
		if !ok {
			continue
		}
		plan := improved(all, append(kept, rest...), room, index)
		if s := sumOf(all, plan); s > sum+1e-12 {
			best, sum = plan, s
		}
	}
	return best, sum
}

// fits reports whether a five may play the next of some stints, so that the room that
// is left still fills the others.
func fits(f Five, left []int, stints int) bool {
	for _, k := range f.at {
		if left[k] <= 0 {
			return false
		}
	}
	rest := 0
	for k, r := range left {
		if slices.Contains(f.at[:], k) {
			r--
		}
		rest += min(r, stints-1)
	}
	return rest >= onFloor*(stints-1)
}

// improved changes single fives of a plan, and lets two stints change a player, as long
// as that answers more.
func improved(all []Five, plan, room []int, index map[[onFloor]int]int) []int {
	left := slices.Clone(room)
	for _, i := range plan {
		for _, k := range all[i].at {
			left[k]--
		}
	}
	for better := true; better; {
		better = false
		for j, i := range plan {
			for _, k := range all[i].at {
				left[k]++
			}
			for c, f := range all[:i] { // sorted, so that the first that fits is the best
				if !slices.ContainsFunc(f.at[:], func(k int) bool { return left[k] <= 0 }) {
					plan[j], better = c, true
					break
				}
			}
			for _, k := range all[plan[j]].at {
				left[k]--
			}
		}
		for a := range plan {
			for b := range a {
				if x, y, ok := exchange(all, plan[a], plan[b], index); ok {
					plan[a], plan[b], better = x, y, true
				}
			}
		}
	}
	return plan
}

// exchange finds the best change of one player between two fives.
func exchange(all []Five, a, b int, index map[[onFloor]int]int) (x, y int, ok bool) {
	best := all[a].Score + all[b].Score + 1e-12
	for _, out := range all[a].at {
		for _, in := range all[b].at {
			if slices.Contains(all[a].at[:], in) || slices.Contains(all[b].at[:], out) {
				continue
			}
			one, known := index[with(all[a].at, out, in)]
			two, also := index[with(all[b].at, in, out)]
			if known && also && all[one].Score+all[two].Score > best {
				best, x, y, ok = all[one].Score+all[two].Score, one, two, true
			}
		}
	}
	return x, y, ok
}

// with is a five in which somebody is replaced.
func with(five [onFloor]int, out, in int) [onFloor]int {
	five[slices.Index(five[:], out)] = in
	slices.Sort(five[:])
	return five
}
