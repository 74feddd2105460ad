package reads

import "slices"

// childrens are the age bands that play player-to-player only: no zone, no double team, no
// press (USA Basketball and NBA youth rules of play, from memory; a league's own rules come
// first). That ball screens stay off with them is an assumption.
var childrens = []string{"7-8", "9-11"}

// doubles are the coverages that put two defenders on one player, or come out at the ball
// for it.
var doubles = []Cue{Blitz, Doubled, Hedge, SoftShow, HardHedge}

// PlayerToPlayer reports whether a team of an age band leaves out what only older players
// play: ball screens, double teams and zones.
func (r TeamRules) PlayerToPlayer(ages string) bool {
	return !r.AllActions && slices.Contains(childrens, ages)
}

// Takes reports whether plans and quizzes take an action at an age band.
func (r TeamRules) Takes(ages string, a *Action) bool {
	return !r.PlayerToPlayer(ages) || a.Family != BallUp && a.Family != AgainstZone
}

// Meets reports whether a team of an age band meets a coverage in an action.
func (r TeamRules) Meets(ages string, a *Action, cue Cue) bool {
	return r.Takes(ages, a) && (!r.PlayerToPlayer(ages) || !slices.Contains(doubles, cue))
}

// LeftOut lists the ids of the actions that an age band leaves out, in teaching order.
func (r TeamRules) LeftOut(ages string) []string {
	out := []string{}
	for _, a := range actions {
		if !r.Takes(ages, a) {
			out = append(out, a.ID)
		}
	}
	return out
}
