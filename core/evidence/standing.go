package evidence

import (
	"cmp"
	"fmt"
	"math"
	"strings"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Standing is a player's answer on one read: group by group, and what it comes to.
type Standing struct {
	Player PlayerID   `json:"player"`
	Read   reads.Read `json:"read"`
	// Held is the number of the highest rung the player has it on, 0 for none.
	Held int `json:"held"`
	// Group is the group the judgement is about, and Rung the highest rung of it with reps
	// enough there or higher; empty without reps.
	Group     Group      `json:"group"`
	Rung      drill.Rung `json:"rung"`
	Judgement Judgement  `json:"judgement"`
	// Groups has both groups, the lower first, and Rungs every rung with reps.
	Groups []InGroup `json:"groups"`
	Rungs  []OnRung  `json:"rungs"`
	// Gap is a sentence where left and right differ by more than chance, Does where it is
	// known (guided) but not done (live), Game where it is done in practice but not in
	// games, or the other way round.
	Gap  string `json:"gap"`
	Does string `json:"does"`
	Game string `json:"game"`
	// Confused is the read made most often in place of the correct one, or empty.
	Confused reads.Read `json:"confused"`
}

// InGroup is the judgement on one group, with both sides.
type InGroup struct {
	Group     Group     `json:"group"`
	Judgement Judgement `json:"judgement"`
	Right     Count     `json:"right"`
	Left      Count     `json:"left"`
}

// OnRung is what was logged on one rung.
type OnRung struct {
	Rung drill.Rung `json:"rung"`
	Count
}

// Stand says where a player stands on a read in a role.
func (p Policy) Stand(h *History, skill Skill, now time.Time) Standing {
	return p.stand(h, skill, now, true)
}

// stand makes sentences for both groups, or only for the one that the standing speaks of.
func (p Policy) stand(h *History, skill Skill, now time.Time, both bool) Standing {
	m := h.skills[skill]
	if m == nil {
		m = p.unseen(h, skill)
	}
	st := Standing{Player: skill.Player, Read: skill.Read, Rungs: []OnRung{}}
	for _, g := range Groups() {
		st.Groups = append(st.Groups, InGroup{g, p.judge(m, g, now), m.groups[g.index()].right,
			m.groups[g.index()].left})
	}
	guided, live := &st.Groups[0], &st.Groups[1]
	shown := guided
	if saysMore(live.Judgement.Verdict, live.Judgement.Reps, guided.Judgement.Verdict, guided.Judgement.Reps) {
		shown = live
	}
	for i := range st.Groups {
		if !both && &st.Groups[i] != shown {
			continue
		}
		p.explain(&st.Groups[i].Judgement, &guided.Judgement, m, st.Groups[i].Group, now)
	}
	st.Group, st.Judgement = shown.Group, shown.Judgement
	for _, info := range drill.Ladder() {
		if n := m.rungs[info.Number]; n.Reps > 0 {
			st.Rungs = append(st.Rungs, OnRung{info.ID, n})
		}
	}
	st.Rung = p.rungOf(st.Group, st.Rungs)
	for _, g := range st.Groups {
		if g.Judgement.Verdict == HasIt {
			st.Held = p.rungOf(g.Group, st.Rungs).Number()
		}
	}
	st.Gap = cmp.Or(p.sideGap(shown), p.sideGapGuided(guided, shown))
	st.Does, st.Game = p.guidedGap(guided, live), p.gameGap(m)
	st.Confused = mostOften(m.instead)
	return st
}

// unseen is the memory of a skill nobody logged: what the rest of the team makes likely.
func (p Policy) unseen(h *History, skill Skill) *memory {
	m := &memory{}
	for _, g := range Groups() {
		m.groups[g.index()] = groupMemory{belief: prior(p.priorMean(g, h.team[question{skill.Role, skill.Read, g}]),
			p.PriorReps), verdict: NotEnough}
	}
	return m
}

// saysMore reports whether a verdict on live rungs, on so many reps, tells at least as much as
// one on guided rungs.
func saysMore(live Verdict, liveReps int, guided Verdict, guidedReps int) bool {
	if a, b := weightOf(live), weightOf(guided); a != b || a > 0 {
		return a >= b
	}
	return liveReps >= guidedReps && liveReps > 0
}

// weightOf orders verdicts by how much they tell of what a player can do.
func weightOf(v Verdict) int {
	switch v {
	case HasIt:
		return 3
	case Lapsed:
		return 2
	case NotYet, TooClose:
		return 1
	}
	return 0
}

// rungOf is the highest rung of a group on which enough reps were seen, there or higher;
// the lowest with reps where there are not enough, and empty without reps.
func (p Policy) rungOf(g Group, rungs []OnRung) drill.Rung {
	var lowest drill.Rung
	reps := 0
	for i := len(rungs) - 1; i >= 0; i-- {
		if own, _ := GroupOf(rungs[i].Rung); own != g {
			continue
		}
		lowest = rungs[i].Rung
		if reps += rungs[i].Reps; reps >= p.MinReps {
			break
		}
	}
	return lowest
}

// apart reports whether the rate of one count is higher than that of another beyond chance.
func (p Policy) apart(high, low Count) bool {
	if min(high.Reps, low.Reps) < p.ApartReps || clearlyWithin(high, low) {
		return false
	}
	a, b := even(high), even(low)
	return a.higher(&b) >= p.Apart
}

// surelyWithin is a difference in standard deviations that is far from any chance worth
// telling: 1.64 are 0.95.
const surelyWithin = 1.2

// clearlyWithin saves the exact chance where a normal distribution already says that one rate
// is not higher than another beyond chance.
func clearlyWithin(high, low Count) bool {
	moments := func(n Count) (mean, variance float64) {
		a, b := float64(n.Correct+1), float64(n.Reps-n.Correct+1)
		return a / (a + b), a * b / ((a + b) * (a + b) * (a + b + 1))
	}
	m1, v1 := moments(high)
	m2, v2 := moments(low)
	return m1-m2 < surelyWithin*math.Sqrt(v1+v2)
}

// even is the belief about a rate of which nothing was known before a count.
func even(n Count) rates {
	out := *likelihoods{}.of(look{weight: 1000}, n)
	out.times(&ones)
	return out
}

// sideGap says where left and right differ.
func (p Policy) sideGap(in *InGroup) string {
	strong, weak, name := in.Right, in.Left, "right"
	if p.apart(weak, strong) {
		strong, weak, name = weak, strong, "left"
	} else if !p.apart(strong, weak) {
		return ""
	}
	return fmt.Sprintf("Better on the %s: %d of %d there, %d of %d on the other side.", name, strong.Correct,
		strong.Reps, weak.Correct, weak.Reps)
}

// sideGapGuided says where left and right differ in guided reps; beside a verdict on live ones it names them as guided.
func (p Policy) sideGapGuided(guided, shown *InGroup) string {
	gap := p.sideGap(guided)
	if gap == "" || guided == shown {
		return gap
	}
	return "Guided, " + strings.ToLower(gap[:1]) + gap[1:]
}

// guidedGap says where a player knows a read and does not do it: by the counts, and still.
func (p Policy) guidedGap(guided, live *InGroup) string {
	k, d := &guided.Judgement, &live.Judgement
	if !p.apart(k.Count, d.Count) || k.Rate <= d.Rate {
		return ""
	}
	return fmt.Sprintf("Knows it, does not do it yet: %d of %d guided, %d of %d live.", k.Correct, k.Reps, d.Correct,
		d.Reps)
}

// gameGap says where live practice and games differ.
func (p Policy) gameGap(m *memory) string {
	game := m.rungs[drill.Game.Number()]
	practice := m.groups[Live.index()].Count.minus(game)
	if !p.apart(practice, game) && !p.apart(game, practice) {
		return ""
	}
	return fmt.Sprintf("Practice and games differ: %d of %d live in practice, %d of %d in games.", practice.Correct,
		practice.Reps, game.Correct, game.Reps)
}

// rankOf orders verdicts by how much they hold a team back, most first.
func rankOf(j *Judgement) int {
	switch j.Verdict {
	case NotYet:
		return 0
	case Lapsed:
		return 1
	case TooClose:
		return 2
	case HasIt:
		return 5
	}
	if j.Reps > 0 {
		return 3
	}
	return 4
}

// compareNeed orders judgements by need, the lower rate first among equals.
func compareNeed(a, b *Judgement) int {
	return cmp.Or(cmp.Compare(rankOf(a), rankOf(b)), cmp.Compare(a.Rate, b.Rate))
}
