package evidence

import (
	"slices"

	"evrik/core/drill"
)

// TeamCell is where a team stands on one read.
type TeamCell struct {
	Has       int `json:"has"`
	NotYet    int `json:"notYet"`
	Lapsed    int `json:"lapsed"`
	TooClose  int `json:"tooClose"`
	NotEnough int `json:"notEnough"`
	// Rung is the number of the highest rung that half of the players hold, 0 for none.
	Rung int `json:"rung"`
}

// TeamCells counts the lines of a team's board, read by read.
func TeamCells(lines []Line) []TeamCell {
	if len(lines) == 0 {
		return []TeamCell{}
	}
	out := make([]TeamCell, len(lines[0].Cells))
	for j := range out {
		c := &out[j]
		var held []int
		for _, l := range lines {
			held = append(held, l.Cells[j].Held)
			switch l.Cells[j].Judgement.Verdict {
			case HasIt:
				c.Has++
			case NotYet:
				c.NotYet++
			case Lapsed:
				c.Lapsed++
			case TooClose:
				c.TooClose++
			default:
				c.NotEnough++
			}
		}
		slices.Sort(held)
		for _, rung := range drill.Ladder() {
			n := len(held) - slices.IndexFunc(append(held, len(drill.Ladder())+1),
				func(h int) bool { return h >= rung.Number })
			if 2*n >= len(held) && n > 0 {
				c.Rung = rung.Number
			}
		}
	}
	return out
}
