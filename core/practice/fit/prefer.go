package fit

import "slices"

// preferSteps bounds how many exchanges Prefer makes.
const preferSteps = 40

// Prefer exchanges options of a plan, one for one, one more or one less, while that lowers
// the cost and the plan keeps every rule and is worth at least floor. It returns the options
// it ends with: a plan that no single exchange makes better, which need not be the best.
func (p *Problem) Prefer(chosen []int, floor float64, cost func(chosen []int) float64) []int {
	best, lowest := slices.Clone(chosen), cost(chosen)
	for range preferSteps {
		found := false
		try := func(set []int) {
			// What costs less is looked at first: to lay a plan out takes the longest.
			if c := cost(set); c < lowest-tiny && p.Value(set) >= floor-tiny && p.Arrange(set) != nil {
				best, lowest, found = slices.Clone(set), c, true
			}
		}
		from := best
		for i := range len(from) + 1 {
			rest := from
			if i < len(from) {
				rest = slices.Delete(slices.Clone(from), i, i+1)
				try(rest)
			}
			for o := range p.Options {
				if !p.clash(rest, o) {
					try(append(rest[:len(rest):len(rest)], o))
				}
			}
		}
		if !found {
			break
		}
	}
	slices.Sort(best)
	return best
}
