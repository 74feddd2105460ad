package evidence

import (
	"time"

	"evrik/core/reads"
)

// Turn is a verdict that is another one than before.
type Turn struct {
	Player PlayerID   `json:"player"`
	Role   reads.Role `json:"role"`
	Read   reads.Read `json:"read"`
	Was    Verdict    `json:"was"`
	Is     Verdict    `json:"is"`
}

// Turns compares the verdicts of some players in two histories, as of now, so that time
// alone turns none.
func (p Policy) Turns(players []PlayerID, role reads.Role, columns []reads.Read, before, after *History,
	now time.Time) []Turn {
	was := p.Overview(players, role, columns, before, now)
	out := []Turn{}
	for i, line := range p.Overview(players, role, columns, after, now) {
		for j, cell := range line.Cells {
			if w, is := was[i].Cells[j].Judgement.Verdict, cell.Judgement.Verdict; w != is {
				out = append(out, Turn{line.Player, role, columns[j], w, is})
			}
		}
	}
	return out
}
