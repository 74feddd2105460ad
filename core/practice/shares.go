package practice

import (
	"slices"

	"evrik/core/drill"
	"evrik/core/reads"
)

// share is what a block gives everybody in it of one read, in reps. Counts in an
// order list differ by one at most between players, and who gets the odd one is
// chance, so that planning counts on the even share.
type share struct {
	role reads.Role
	read reads.Read
	live bool
	reps float64
}

func isLive(st drill.Stage) bool {
	rung, _ := drill.RungByID(st.Rung)
	return rung.Live
}

// shares is what a block gives: nothing below the rungs on which players read,
// or where it cannot be run. The cues of a stage are taken to come equally often
// (a fact where they are shown, an assumption where defenders are live).
func (p Plan) shares(d *drill.Drill, st drill.Stage, b Block) []share {
	rung, _ := drill.RungByID(st.Rung)
	action, ok := reads.ActionByID(d.Action)
	if !ok || !rung.Reads || len(st.Cues) == 0 {
		return nil
	}
	players := p.taking(b, rung.Live)
	reps, _, err := drill.Room(d, st, b.setup(players))
	if err != nil {
		return nil
	}
	each := float64(reps) / float64(len(players)) / float64(len(st.Cues))
	var out []share
	add := func(role reads.Role, read reads.Read) {
		if read == "" {
			return
		}
		for i := range out {
			if out[i].role == role && out[i].read == read {
				out[i].reps += each
				return
			}
		}
		out = append(out, share{role, read, rung.Live, each})
	}
	// The second place is a screener's unless a helper has it.
	screens := len(d.Positions) > 1 && (!d.Positions[1].Helper || b.NoHelpers) && action.Roles[1] == reads.Screener
	for _, cue := range st.Cues {
		if row, ok := action.Row(p.TeamRules, cue); ok {
			add(action.Roles[0], row.CutterRead)
			if screens {
				add(action.Roles[1], row.ScreenerRead)
			}
		}
	}
	return out
}

// needIndex finds a need by player and read.
func (p Plan) needIndex() map[SupplyKey]int {
	at := make(map[SupplyKey]int, len(p.Needs))
	for i, n := range p.Needs {
		at[SupplyKey{n.Player, n.Role, n.Read}] = i
	}
	return at
}

// Given is how many judged reps some blocks give each player of each read.
func (p Plan) Given(blocks []Block) Supply {
	out := Supply{}
	for _, b := range blocks {
		d, st, err := StageOf(p.Library, b)
		if b.Kind != DrillBlock || err != nil {
			continue
		}
		for _, sh := range p.shares(d, st, b) {
			for _, id := range p.taking(b, isLive(st)) {
				out[SupplyKey{id, sh.role, sh.read}] += sh.reps
			}
		}
	}
	return out
}

// given is what some blocks give each need.
func (p Plan) given(blocks []Block) []dose {
	given, at := make([]dose, len(p.Needs)), p.needIndex()
	for _, b := range blocks {
		d, st, err := StageOf(p.Library, b)
		if b.Kind != DrillBlock || err != nil {
			continue
		}
		for _, sh := range p.shares(d, st, b) {
			for _, id := range p.taking(b, isLive(st)) {
				if k, needed := at[SupplyKey{id, sh.role, sh.read}]; needed {
					given[k] = given[k].plus(p.Needs[k].dose(sh.reps, sh.live))
				}
			}
		}
	}
	return given
}

// unready counts, of some players, those who have not held more than half of an action's
// reads, guided or live. What was never taught is not held.
func (p Plan) unready(action string, players []string) (here, unready int) {
	return len(players), unheld(p.TeamRules, action, players, func(k SupplyKey) bool { return p.Held[k] })
}

// unheld counts the players who do not hold more than half of the reads of who uses an
// action.
func unheld(rules reads.TeamRules, action string, players []string, held func(SupplyKey) bool) int {
	a, ok := reads.ActionByID(action)
	if !ok {
		return 0
	}
	main, n := mainReads(rules, action), 0
	for _, id := range players {
		missing := 0
		for _, read := range main {
			missing += count(!held(SupplyKey{id, a.Roles[0], read}))
		}
		n += count(2*missing > len(main))
	}
	return n
}

// mainReads are the reads of who uses an action, in the order of its table.
func mainReads(rules reads.TeamRules, action string) []reads.Read {
	out := []reads.Read{}
	if a, ok := reads.ActionByID(action); ok {
		for _, r := range a.Rows(rules) {
			if !slices.Contains(out, r.CutterRead) {
				out = append(out, r.CutterRead)
			}
		}
	}
	return out
}

// tooNew reports whether too many have not held a read yet to go live with it.
func tooNew(unready, here int) bool { return float64(unready) > NewToIt*float64(here) }

// teaches reports whether a stage gives reps of a read in a role.
func (p Plan) teaches(d *drill.Drill, st drill.Stage, role reads.Role, read reads.Read) bool {
	action, ok := reads.ActionByID(d.Action)
	if !ok {
		return false
	}
	for _, cue := range st.Cues {
		if row, ok := action.Row(p.TeamRules, cue); ok &&
			(action.Roles[0] == role && row.CutterRead == read || action.Roles[1] == role && row.ScreenerRead == read) {
			return true
		}
	}
	return false
}
