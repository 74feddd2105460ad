package evidence

import (
	"cmp"
	"slices"

	"evrik/core/reads"
)

// Watch is below which agreement of two observers, as Cohen's kappa, they should watch
// together (assumption).
const Watch = 0.6

// MinTogether is the fewest reps two observers both saw before their agreement is
// told (assumption).
const MinTogether = 10

// Agreement is how far two observers see the same in the reps both watched.
type Agreement struct {
	Observers [2]string `json:"observers"`
	// Reps both watched, and in how many they saw the same read made.
	Reps int `json:"reps"`
	Same int `json:"same"`
	// Kappa is Cohen's: 1 is full agreement, 0 what chance would give. It is 1 where
	// both always saw one and the same read.
	Kappa float64 `json:"kappa"`
	// Differ are the pairs of reads they differ on, most often first.
	Differ []Difference `json:"differ"`
}

// Difference is what the first and the second observer saw, and how often.
type Difference struct {
	First  reads.Read `json:"first"` // empty for none
	Second reads.Read `json:"second"`
	Count  int        `json:"count"`
}

// Agreements compares every two observers who watched the same reps, at least
// MinTogether of them. seen are observations as they were logged, several to a rep;
// who says who watched one.
func Agreements(seen []Rep, who func(Rep) string) []Agreement {
	last := map[string]map[string]Rep{} // by rep and observer, what was said last
	var order []string
	for _, r := range seen {
		if r.Of == "" {
			continue
		}
		if last[r.Of] == nil {
			last[r.Of] = map[string]Rep{}
			order = append(order, r.Of)
		}
		last[r.Of][who(r)] = r
	}
	type table map[[2]reads.Read]int
	tables := map[[2]string]table{}
	for _, of := range order {
		by := last[of]
		for a, first := range by {
			for b, second := range by {
				if a >= b {
					continue
				}
				pair := [2]string{a, b}
				if tables[pair] == nil {
					tables[pair] = table{}
				}
				tables[pair][[2]reads.Read{first.Made, second.Made}]++
			}
		}
	}
	out := []Agreement{}
	for pair, t := range tables {
		a := Agreement{Observers: pair, Differ: []Difference{}}
		index := map[reads.Read]int{}
		for made := range t {
			for _, r := range made {
				if _, known := index[r]; !known {
					index[r] = len(index)
				}
			}
		}
		counts := make([][]int, len(index))
		for i := range counts {
			counts[i] = make([]int, len(index))
		}
		for made, n := range t {
			counts[index[made[0]]][index[made[1]]] = n
			a.Reps += n
			if made[0] == made[1] {
				a.Same += n
			} else {
				a.Differ = append(a.Differ, Difference{made[0], made[1], n})
			}
		}
		if a.Reps < MinTogether {
			continue
		}
		a.Kappa = Kappa(counts)
		slices.SortFunc(a.Differ, func(x, y Difference) int {
			return cmp.Or(cmp.Compare(y.Count, x.Count), cmp.Compare(x.First, y.First), cmp.Compare(x.Second, y.Second))
		})
		out = append(out, a)
	}
	slices.SortFunc(out, func(x, y Agreement) int {
		return cmp.Or(cmp.Compare(x.Kappa, y.Kappa), cmp.Compare(x.Observers[0], y.Observers[0]), cmp.Compare(x.Observers[1], y.Observers[1]))
	})
	return out
}

// Kappa is Cohen's kappa of a square table: counts[i][j] things that the first
// observer called i and the second j (Cohen 1960). Where chance alone explains full
// agreement it is 1; without data it is 0.
func Kappa(counts [][]int) float64 {
	n, same := 0, 0
	rows, columns := make([]int, len(counts)), make([]int, len(counts))
	for i, row := range counts {
		for j, k := range row {
			n += k
			rows[i] += k
			columns[j] += k
			if i == j {
				same += k
			}
		}
	}
	if n == 0 {
		return 0
	}
	chance := 0.0
	for i := range rows {
		chance += float64(rows[i]) * float64(columns[i]) / float64(n) / float64(n)
	}
	if chance >= 1 {
		return 1
	}
	return (float64(same)/float64(n) - chance) / (1 - chance)
}

// Apart reports whether two observers should watch together.
func (a Agreement) Apart() bool { return a.Kappa < Watch }
