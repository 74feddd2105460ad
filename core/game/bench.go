package game

import "evrik/core/reads"

// BenchRow is one coverage that a bench may note, with the reads it asks for.
type BenchRow struct {
	Cue    reads.Cue  `json:"cue"`
	First  reads.Read `json:"first"`  // of who uses the screen
	Second reads.Read `json:"second"` // of the screener
}

// BenchTable is what a bench notes of an action.
type BenchTable struct {
	Action string     `json:"action"`
	Family Family     `json:"family"`
	Rows   []BenchRow `json:"rows"`
}

// Bench lists, for every action a team runs, what the bench can note.
func Bench(actions []string, rules reads.TeamRules) []BenchTable {
	var out []BenchTable
	for _, a := range Asks(actions, rules, nil) {
		if len(out) == 0 || out[len(out)-1].Action != a.Action {
			action, _ := reads.ActionByID(a.Action)
			family, _ := FamilyOf(action)
			out = append(out, BenchTable{Action: a.Action, Family: family})
		}
		t := &out[len(out)-1]
		t.Rows = append(t.Rows, BenchRow{a.Cue, a.Reads[0], a.Reads[1]})
	}
	return out
}
