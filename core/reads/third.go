package reads

import "slices"

// The third one's answers: where the passer throws, and what the nearest teammate does
// around a screen for the ball.

// spaces is what the nearest teammate does by the coverage (common practice, no source).
var spaces = map[Cue]Read{
	Drop: StayWide, Level: StayWide, Tag: StayWide, Under: StayWide, UnderFar: StayWide, Early: Drift, Ice: Lift,
	SoftShow: StayWide, HardHedge: StayWide, Blitz: StayWide, Switch: ClearSide, Weak: StayWide,
}

// spaced are the actions in which a teammate waits in the corner next to the drive.
var spaced = map[string]bool{Ball: true, Ghost: true}

// thirdRole is the role of the third one; empty where nobody's third answer is judged.
func (a *Action) thirdRole() Role {
	switch {
	case spaced[a.ID]:
		return Teammate
	case a.Family == OffBall && a.Roles[0] == Cutter:
		return Passer
	}
	return ""
}

// third is who that is on the floor.
func (a *Action) third() Place {
	if a.Third == Passer {
		return passer
	}
	return one
}

// thirdOf lists the third one's answers in a row. A passer throws to whoever the cutter's
// answer leaves open, under the same second cue.
func (a *Action) thirdOf(r *Row) []Answer {
	switch a.Third {
	case Teammate:
		return []Answer{{Read: spaces[r.Cue], Part: r.PasserPart}}
	case Passer:
		var out []Answer
		for _, n := range r.Cutter {
			read := HitCutter
			if n.Read == ClearOut || n.Read == Keep || r.Cue == Waits && n.Read == Straight {
				read = HitScreener
			}
			if !slices.ContainsFunc(out, func(have Answer) bool { return have.Read == read && have.Sign == n.Sign }) {
				out = append(out, Answer{Read: read, Sign: n.Sign, Part: r.PasserPart, when: n.when})
			}
		}
		return out
	}
	return []Answer{}
}
