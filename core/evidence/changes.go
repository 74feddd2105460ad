package evidence

import (
	"slices"
	"time"

	"evrik/core/reads"
)

// Turn is a verdict that is another one than before.
type Turn struct {
	Player string     `json:"player"`
	Role   reads.Role `json:"role"`
	Read   reads.Read `json:"read"`
	Was    Verdict    `json:"was"`
	Is     Verdict    `json:"is"`
}

// Turns compares the verdicts of some players with and without some reps, as of
// now, so that time alone turns none.
func (p Policy) Turns(players []string, role reads.Role, columns []reads.Read, all []Rep, without func(Rep) bool, now time.Time) []Turn {
	before := p.Board(players, role, columns, slices.DeleteFunc(slices.Clone(all), without), now)
	out := []Turn{}
	for i, line := range p.Board(players, role, columns, all, now) {
		for j, cell := range line.Cells {
			was, is := before[i].Cells[j].Judgement.Verdict, cell.Judgement.Verdict
			if was != is {
				out = append(out, Turn{line.Player, role, columns[j], was, is})
			}
		}
	}
	return out
}
