package evidence

import (
	"cmp"
	"math"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"

	"evrik/core/reads"
)

// Watch is the agreement, as Cohen's kappa, that two observers should not be surely
// below: then they should watch together (assumption).
const Watch = 0.6

// MinTogether is the fewest reps two observers both logged before their agreement is
// told (assumption).
const MinTogether = 10

// agreementLevel is the probability of the intervals of an agreement (standard).
const agreementLevel = 0.95

// lopsided is the share of the commonest answer from which on kappa is low whatever the
// observers do, so that plain agreement is to be looked at (assumption).
const lopsided = 0.85

// Agreement is how far two observers see the same in the reps both logged.
type Agreement struct {
	Observers [2]ObserverID `json:"observers"`
	// Reps both logged.
	Reps int `json:"reps"`
	// Cue, Read and Correct are how far they agree on what the defense showed, on what the
	// player did, and on whether it was correct.
	Cue     Same `json:"cue"`
	Read    Same `json:"read"`
	Correct Same `json:"correct"`
	// Differ are the pairs of reads they differ on, most often first.
	Differ []Difference `json:"differ"`
}

// Same is how far two observers agree on one thing.
type Same struct {
	// Same is in how many reps they agree.
	Same int `json:"same"`
	// Kappa is Cohen's: 1 is full agreement, 0 what chance would give. It is 1 where both
	// always said one and the same thing.
	Kappa    float64  `json:"kappa"`
	Interval Interval `json:"interval"`
	// Lopsided is true where nearly all answers are the same one: kappa is low then even
	// for observers who agree, and the plain count says more.
	Lopsided bool `json:"lopsided"`
}

// Difference is what the first and the second observer saw, and how often.
type Difference struct {
	First  reads.Read `json:"first"` // empty for none
	Second reads.Read `json:"second"`
	Count  int        `json:"count"`
}

// Agreements compares every two observers who logged the same reps, at least MinTogether
// of them, those who agree least on what is correct first. seen are observations as they
// were logged, several to a rep; the last of an observer stands.
func Agreements(seen []Rep) []Agreement {
	last := map[watched]map[ObserverID]Rep{}
	for i := range seen {
		r := &seen[i]
		if r.No == 0 {
			continue
		}
		if last[r.watched()] == nil {
			last[r.watched()] = map[ObserverID]Rep{}
		}
		last[r.watched()][r.Observer] = *r
	}
	type both struct{ first, second Rep }
	together := map[[2]ObserverID][]both{}
	for _, by := range last {
		for a, first := range by {
			for b, second := range by {
				if a < b {
					together[[2]ObserverID{a, b}] = append(together[[2]ObserverID{a, b}], both{first, second})
				}
			}
		}
	}
	out := []Agreement{}
	for observers, reps := range together {
		if len(reps) < MinTogether {
			continue
		}
		a := Agreement{Observers: observers, Reps: len(reps), Differ: []Difference{}}
		differ := map[[2]reads.Read]int{}
		var cue, read, correct [][2]string
		yesNo := map[bool]string{true: "correct"}
		for _, r := range reps {
			cue = append(cue, [2]string{r.first.Cue.String(), r.second.Cue.String()})
			read = append(read, [2]string{string(r.first.Made), string(r.second.Made)})
			correct = append(correct, [2]string{yesNo[r.first.Correct], yesNo[r.second.Correct]})
			if r.first.Made != r.second.Made {
				differ[[2]reads.Read{r.first.Made, r.second.Made}]++
			}
		}
		a.Cue, a.Read, a.Correct = sameOf(cue), sameOf(read), sameOf(correct)
		for made, n := range differ {
			a.Differ = append(a.Differ, Difference{made[0], made[1], n})
		}
		slices.SortFunc(a.Differ, func(x, y Difference) int {
			return cmp.Or(cmp.Compare(y.Count, x.Count), cmp.Compare(x.First, y.First), cmp.Compare(x.Second, y.Second))
		})
		out = append(out, a)
	}
	slices.SortFunc(out, func(x, y Agreement) int {
		return cmp.Or(cmp.Compare(x.Correct.Kappa, y.Correct.Kappa), cmp.Compare(x.Observers[0], y.Observers[0]),
			cmp.Compare(x.Observers[1], y.Observers[1]))
	})
	return out
}

// sameOf compares what two observers said, pair by pair.
func sameOf(said [][2]string) Same {
	index := map[string]int{}
	for _, s := range said {
		for _, word := range s {
			if _, known := index[word]; !known {
				index[word] = len(index)
			}
		}
	}
	counts := make([][]int, len(index))
	for i := range counts {
		counts[i] = make([]int, len(index))
	}
	of := make([]int, len(index))
	out := Same{}
	for _, s := range said {
		counts[index[s[0]]][index[s[1]]]++
		of[index[s[0]]]++
		of[index[s[1]]]++
		if s[0] == s[1] {
			out.Same++
		}
	}
	out.Kappa, out.Interval = Kappa(counts)
	out.Lopsided = float64(slices.Max(of)) >= lopsided*2*float64(len(said))
	return out
}

// Kappa is Cohen's kappa of a square table: counts[i][j] things that the first observer
// called i and the second j (Cohen 1960), with its 95 % interval by the large-sample
// variance (Fleiss, Cohen and Everitt 1969), from memory. Where chance alone explains
// full agreement it is 1; without data it is 0 and nothing is known.
func Kappa(counts [][]int) (float64, Interval) {
	n := 0.0
	rows, columns := make([]float64, len(counts)), make([]float64, len(counts))
	for i, row := range counts {
		for j, k := range row {
			n += float64(k)
			rows[i] += float64(k)
			columns[j] += float64(k)
		}
	}
	if n == 0 {
		return 0, Interval{-1, 1}
	}
	same, chance := 0.0, 0.0
	for i := range rows {
		rows[i], columns[i] = rows[i]/n, columns[i]/n
		same += float64(counts[i][i]) / n
		chance += rows[i] * columns[i]
	}
	if chance >= 1-1e-12 {
		return 1, Interval{1, 1}
	}
	kappa := (same - chance) / (1 - chance)
	a, b := 0.0, 0.0
	for i, row := range counts {
		for j, k := range row {
			if p := float64(k) / n; i == j {
				a += p * square(1-(rows[i]+columns[i])*(1-kappa))
			} else {
				b += p * square(columns[i]+rows[j])
			}
		}
	}
	variance := (a + square(1-kappa)*b - square(kappa-chance*(1-kappa))) / (n * square(1-chance))
	half := distuv.UnitNormal.Quantile(1-(1-agreementLevel)/2) * math.Sqrt(max(variance, 0))
	return kappa, Interval{max(-1, kappa-half), min(1, kappa+half)}
}

func square(x float64) float64 { return x * x }

// Apart reports whether two observers should watch together: their agreement on what is
// correct lies surely below Watch.
func (a Agreement) Apart() bool { return a.Correct.Interval.High < Watch }
