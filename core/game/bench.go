package game

import "evrik/core/reads"

// BenchRow is one coverage that a bench may note, with the reads it asks for.
type BenchRow struct {
	Cue    reads.Cue  `json:"cue"`
	First  reads.Read `json:"first"`  // of who uses the screen
	Second reads.Read `json:"second"` // of the screener
}

// BenchTable is what a bench notes of a situation.
type BenchTable struct {
	Screen string     `json:"screen"`
	Family Family     `json:"family"`
	Rows   []BenchRow `json:"rows"`
}

// Bench lists what a bench notes of the situations a team runs.
func Bench(situations []string, rules reads.TeamRules) []BenchTable {
	var out []BenchTable
	for _, a := range Asks(situations, rules, nil) {
		if len(out) == 0 || out[len(out)-1].Screen != a.Screen {
			screen, _ := reads.ActionByID(a.Screen)
			family, _ := FamilyOf(screen)
			out = append(out, BenchTable{Screen: a.Screen, Family: family})
		}
		t := &out[len(out)-1]
		t.Rows = append(t.Rows, BenchRow{a.Cue, a.Reads[0], a.Reads[1]})
	}
	return out
}
