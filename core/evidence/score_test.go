package evidence

import (
	"strings"
	"testing"

	"evrik/core/reads"
)

func TestScore(t *testing.T) {
	down, _ := reads.ActionByID(reads.Down)
	good := Seen{Role: reads.Cutter, Side: "left", Cue: reads.Trail, Made: reads.Curl, Outcome: Missed,
		Tags: []Tag{{ID: "early"}}}
	for _, tc := range []struct {
		name     string
		change   func(*Seen)
		rules    reads.TeamRules
		expected reads.Read
		right    bool
	}{
		{"right read, missed shot", func(s *Seen) {}, reads.TeamRules{}, reads.Curl, true},
		{"wrong read, made shot", func(s *Seen) { s.Made, s.Outcome = reads.Straight, Scored }, reads.TeamRules{},
			reads.Curl, false},
		{"no read", func(s *Seen) { s.Made = "" }, reads.TeamRules{}, reads.Curl, false},
		{"screener", func(s *Seen) { s.Role, s.Made = reads.Screener, reads.Pop }, reads.TeamRules{}, reads.Pop, true},
		{"another right answer", func(s *Seen) { s.Cue, s.Made = reads.Jump, reads.Flare }, reads.TeamRules{},
			reads.BackCut, true},
		{"team rules", func(s *Seen) { s.Cue, s.Made = reads.Jump, reads.BackCut }, reads.TeamRules{FlareFirst: true},
			reads.Flare, true},
	} {
		s := good
		tc.change(&s)
		scored, err := Score(down, tc.rules, s)
		if err != nil || scored.Expected != tc.expected || scored.Correct != tc.right || scored.Why == "" {
			t.Errorf("%s: %+v %v", tc.name, scored, err)
		}
	}
	for want, change := range map[string]func(*Seen){
		"reads.cue":        func(s *Seen) { s.Cue = reads.NoCue },
		"reads.role":       func(s *Seen) { s.Role = "waterboy" },
		"evidence.read":    func(s *Seen) { s.Made = reads.Pop },
		"evidence.side":    func(s *Seen) { s.Side = "up" },
		"evidence.outcome": func(s *Seen) { s.Outcome = "moon" },
		"evidence.tag":     func(s *Seen) { s.Tags = []Tag{{ID: "moon"}} },
	} {
		s := good
		change(&s)
		if _, err := Score(down, reads.TeamRules{}, s); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want it to say %q", err, want)
		}
	}
}
