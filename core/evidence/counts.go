package evidence

import (
	"cmp"
	"math"
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// practiceCounts is what one practice or game gave of a skill.
type practiceCounts struct {
	practice PracticeID
	at       time.Time
	groups   [2]groupCounts
	rungs    [9]Count
	instead  map[reads.Read]int
	oneCue   int
}

type groupCounts struct {
	Count
	last        time.Time
	right, left Count
	guess       float64 // sum over the reps
}

// countByPractice parts reps by skill and practice, and notes what they are of.
func (h *History) countByPractice(reps []*Rep) map[Skill][]*practiceCounts {
	shown := cuesShown(reps)
	odds := odds{}
	type key struct {
		Skill
		practice PracticeID
	}
	at := map[key]*practiceCounts{}
	out := map[Skill][]*practiceCounts{}
	for _, r := range reps {
		if r.At.After(h.actions[r.Action]) {
			h.actions[r.Action] = r.At
		}
		group, ok := GroupOf(r.Rung)
		if !ok {
			continue
		}
		h.reps[r.Role]++
		k := key{Skill{r.Player, r.Role, r.Expected}, r.Practice}
		s := at[k]
		if s == nil {
			s = &practiceCounts{practice: r.Practice, instead: map[reads.Read]int{}}
			at[k] = s
			out[k.Skill] = append(out[k.Skill], s)
		}
		if r.At.After(s.at) {
			s.at = r.At
		}
		inPlay := shown[r.Block]
		if group == Guided && len(inPlay) < 2 && r.Role != reads.Defender {
			s.oneCue++
			continue
		}
		s.add(r, group, odds.of(r, group, inPlay))
	}
	for _, list := range out {
		slices.SortFunc(list, func(a, b *practiceCounts) int {
			return cmp.Or(a.at.Compare(b.at),
				cmp.Compare(a.practice, b.practice))
		})
	}
	return out
}

func (s *practiceCounts) add(r *Rep, group Group, guess float64) {
	g := &s.groups[group.index()]
	g.Count.add(r.Correct)
	g.guess += guess
	if r.At.After(g.last) {
		g.last = r.At
	}
	switch r.Side {
	case drill.Right:
		g.right.add(r.Correct)
	case drill.Left:
		g.left.add(r.Correct)
	}
	s.rungs[r.Rung.Number()].add(r.Correct)
	if !r.Correct && r.Made != "" && r.Made != r.Expected {
		s.instead[r.Made]++
	}
}

// cuesShown lists the cues that were logged in every guided block, each once.
func cuesShown(reps []*Rep) map[BlockID][]reads.Cue {
	out := map[BlockID][]reads.Cue{}
	for _, r := range reps {
		if group, ok := GroupOf(r.Rung); ok && group == Guided && !slices.Contains(out[r.Block], r.Cue) {
			out[r.Block] = append(out[r.Block], r.Cue)
		}
	}
	return out
}

// odds remembers how likely guesses are correct.
type odds map[oddsKey]float64

type oddsKey struct {
	action ActionID
	role   reads.Role
	cue    reads.Cue
	block  BlockID // empty where defenders choose among all cues
}

// of is the chance that a guess would have been correct in a rep.
func (o odds) of(r *Rep, group Group, inPlay []reads.Cue) float64 {
	key := oddsKey{r.Action, r.Role, r.Cue, r.Block}
	if group == Live {
		key.block = ""
	}
	if share, known := o[key]; known {
		return share
	}
	share := 0.0
	if action, ok := reads.ActionByID(string(r.Action)); ok {
		if group == Live {
			inPlay = action.Cues()
		}
		share = action.GuessShare(r.Role, r.Cue, inPlay)
	}
	o[key] = share
	return share
}

func (s *groupCounts) look(seer look, weight float64) look {
	seer.guess = int(math.Round(100 * s.guess / float64(s.Reps)))
	seer.weight = int(math.Round(1000 * weight))
	return seer
}
