package evidence

import (
	"slices"
	"time"

	"evrik/core/reads"
)

// Need is what practice should settle next about a player and a read: guided, or against
// real defenders.
type Need struct {
	Player PlayerID   `json:"player"`
	Role   reads.Role `json:"role"`
	Read   reads.Read `json:"read"`
	// Live is true on live rungs, false on guided ones.
	Live bool `json:"live"`
	// Reps is how far the player is from having the read, from 0 to FullNeed reps.
	Reps    float64 `json:"reps"`
	Verdict Verdict `json:"verdict"`
}

// Needs lists what some players need of the reads of a role: of each the guided group until
// it is held there or live, and the live group until it is held.
func (p Policy) Needs(players []PlayerID, role reads.Role, columns []reads.Read, h *History, now time.Time) []Need {
	parts := make([][]Need, len(players))
	inParallel(len(players), func(from, to int) {
		for i := from; i < to; i++ {
			for _, read := range columns {
				parts[i] = p.needsOf(parts[i], Skill{players[i], role, read}, h, now)
			}
		}
	})
	return slices.Concat(parts...)
}

func (p Policy) needsOf(list []Need, skill Skill, h *History, now time.Time) []Need {
	m := h.skills[skill]
	if m == nil {
		m = p.unseen(h, skill)
	}
	live := p.judge(m, Live, now)
	if live.Verdict == HasIt {
		return list
	}
	if guided := p.judge(m, Guided, now); guided.Verdict != HasIt {
		list = append(list, Need{skill.Player, skill.Role, skill.Read, false, p.needed(&guided), guided.Verdict})
	}
	return append(list, Need{skill.Player, skill.Role, skill.Read, true, p.needed(&live), live.Verdict})
}

// FullNeed is how many reps of a read a player needs of whom nothing is known, or who is
// far from it: two practices of six (assumption). No record needs more, so that the need of
// a team falls with practice and never rises above where it began.
const FullNeed = 12.0

// needed is how many reps of a read a player needs: all of them without reps enough, and
// fewer the nearer the chance is to the line.
func (p Policy) needed(j *Judgement) float64 {
	if j.Verdict == NotEnough {
		return FullNeed
	}
	return FullNeed * max(0, 1-j.Chance/p.Sure)
}

// Fresh is how long a read that has just been settled is taken to keep (assumption): the
// belief of somebody who was just about sure is back below the line by then.
func (p Policy) Fresh() time.Duration { return freshDays * 24 * time.Hour }

const freshDays = 16
