package evidence

import (
	"cmp"
	"slices"

	"evrik/core/reads"
)

// Pair is how often a cutter and a screener were both right in one rep.
type Pair struct {
	Cutter   PlayerID `json:"cutter"`
	Screener PlayerID `json:"screener"`
	Reps     int      `json:"reps"`
	Both     int      `json:"both"`
	Rate     float64  `json:"rate"`
	Interval Interval `json:"interval"`
}

// MinPair is the fewest reps of a pair that are told (assumption).
const MinPair = 4

// Pairs finds who screens well for whom, from the reps in which both roles were
// judged: the pairs of which the lower end of the range is highest first. Reps count
// once.
func (p Policy) Pairs(cutter, screener reads.Role, reps []Rep) []Pair {
	type place struct {
		block BlockID
		no    int
	}
	screens := map[place]Rep{}
	for _, r := range reps {
		if r.Role == screener && r.No > 0 {
			screens[place{r.Block, r.No}] = r
		}
	}
	found := map[[2]PlayerID]*Pair{}
	for _, r := range reps {
		s, both := screens[place{r.Block, r.No}]
		if r.Role != cutter || !both {
			continue
		}
		key := [2]PlayerID{r.Player, s.Player}
		if found[key] == nil {
			found[key] = &Pair{Cutter: r.Player, Screener: s.Player}
		}
		found[key].Reps++
		if r.Correct && s.Correct {
			found[key].Both++
		}
	}
	out := []Pair{}
	for _, pr := range found {
		if pr.Reps < MinPair {
			continue
		}
		s, n := float64(pr.Both), float64(pr.Reps)
		pr.Rate, pr.Interval = newPosterior(s, n).mean(), Jeffreys(s, n, p.Level)
		out = append(out, *pr)
	}
	slices.SortFunc(out, func(a, b Pair) int {
		return cmp.Or(cmp.Compare(b.Interval.Low, a.Interval.Low), cmp.Compare(a.Cutter, b.Cutter),
			cmp.Compare(a.Screener, b.Screener))
	})
	return out
}

// partners are the roles that meet in a screen: who uses it and who sets it.
var partners = map[reads.Role][2]reads.Role{
	reads.Cutter: {reads.Cutter, reads.Screener}, reads.Handler: {reads.Handler, reads.Screener},
	reads.Screener: {reads.Cutter, reads.Screener},
}

// PairsOn are the pairs in the reps that asked one of the two for a read.
func (p Policy) PairsOn(role reads.Role, read reads.Read, reps []Rep) []Pair {
	pair, ok := partners[role]
	if !ok {
		return []Pair{}
	}
	return p.Pairs(pair[0], pair[1], slices.DeleteFunc(slices.Clone(reps),
		func(r Rep) bool { return r.Role == role && r.Expected != read }))
}
