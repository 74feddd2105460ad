package practice

import (
	"fmt"
	"math/rand/v2"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// night is a random evening: players with parts, and what is open about them in
// some reads. Most reads are of one or two actions, as on a real team.
func night(rng *rand.Rand, players, readCount int, minutes float64) Plan {
	p := Plan{Minutes: minutes, Terms: DefaultTerms(), Limits: Limits{}}
	p.Terms.Helpers = 1 + rng.IntN(4)
	for i := range players {
		part := rng.IntN(3)
		p.People = append(p.People, Person{ID: fmt.Sprint("p", i), Handler: part == 0, Wing: part == 1, Big: part == 2,
			Limited: rng.IntN(12) == 0})
	}
	type column struct {
		role reads.Role
		read reads.Read
	}
	var columns []column
	seen := map[column]bool{}
	for _, d := range drill.Catalogue() {
		if screen, ok := reads.ActionByID(d.Action); ok {
			for _, r := range screen.Rows(p.TeamRules) {
				for _, c := range []column{{screen.Roles[0], r.CutterRead}, {screen.Roles[1], r.ScreenerRead}} {
					if c.read != "" && !seen[c] {
						seen[c] = true
						columns = append(columns, c)
					}
				}
			}
		}
	}
	rng.Shuffle(len(columns), func(a, b int) { columns[a], columns[b] = columns[b], columns[a] })
	var all []evidence.Outlook
	for _, c := range columns[:min(readCount, len(columns))] {
		hard := rng.Float64()
		for _, who := range p.People {
			level := rng.Float64() + 0.5 - hard
			open := []evidence.Verdict{evidence.NotEnough, evidence.NotYet, evidence.Lapsed,
				evidence.TooClose}[rng.IntN(4)]
			guided, live := open, evidence.NotEnough
			if level > 0.5 {
				guided, live = evidence.HasIt, open
			}
			if level > 1.1 {
				live = evidence.HasIt
			}
			o := outlook(who.ID, c.read, guided, live)
			o.Role, o.Rate = c.role, 0.3+0.6*rng.Float64()
			all = append(all, o)
		}
	}
	for range rng.IntN(3) {
		p.Terms.Focus = append(p.Terms.Focus, columns[rng.IntN(readCount)].read)
	}
	p.Aim(Aims{Outlooks: all})
	return p
}

// counter names new blocks b1, b2, ...
func counter() func() string {
	n := 0
	return func() string { n++; return fmt.Sprint("b", n) }
}
