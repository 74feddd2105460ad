package evidence

import (
	"cmp"
	"slices"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Confusion is what was made when a read was asked for, most often first.
type Confusion struct {
	Expected reads.Read    `json:"expected"`
	Reps     int           `json:"reps"`
	Made     []MadeInstead `json:"made"`
}

// MadeInstead is how often a read was made, right or wrong, and by whom.
type MadeInstead struct {
	Made    reads.Read `json:"made"` // empty for none
	Count   int        `json:"count"`
	Players []PlayerID `json:"players"` // most often first
}

// Confusions tabulates a role's reps on rungs where players read: a row for every
// read that was asked for, in the order of columns.
func Confusions(role reads.Role, columns []reads.Read, reps []Rep) []Confusion {
	type cell map[PlayerID]int
	table := map[reads.Read]map[reads.Read]cell{}
	for _, r := range reps {
		if info, ok := drill.RungByID(r.Rung); !ok || !info.Reads || r.Role != role {
			continue
		}
		if table[r.Expected] == nil {
			table[r.Expected] = map[reads.Read]cell{}
		}
		if table[r.Expected][r.Made] == nil {
			table[r.Expected][r.Made] = cell{}
		}
		table[r.Expected][r.Made][r.Player]++
	}
	out := []Confusion{}
	for _, expected := range columns {
		row := Confusion{Expected: expected, Made: []MadeInstead{}}
		for made, by := range table[expected] {
			m := MadeInstead{Made: made}
			for player, n := range by {
				m.Count += n
				m.Players = append(m.Players, player)
			}
			slices.SortFunc(m.Players, func(a, b PlayerID) int {
				return cmp.Or(cmp.Compare(by[b], by[a]),
					cmp.Compare(a, b))
			})
			row.Reps += m.Count
			row.Made = append(row.Made, m)
		}
		slices.SortFunc(row.Made, func(a, b MadeInstead) int {
			return cmp.Or(cmp.Compare(b.Count, a.Count),
				cmp.Compare(a.Made, b.Made))
		})
		out = append(out, row)
	}
	return out
}
