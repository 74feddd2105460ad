package evidence

import (
	"strings"
	"testing"

	"evrik/core/reads"
)

func TestScore(t *testing.T) {
	down, _ := reads.ScreenByID(reads.Down)
	good := Seen{Role: reads.Cutter, Side: "left", Cue: reads.Trail, Made: reads.Curl, Outcome: Missed, Corrections: []string{"early"}}
	for _, tc := range []struct {
		name     string
		change   func(*Seen)
		school   reads.School
		expected reads.Read
		right    bool
	}{
		{"right read, missed shot", func(s *Seen) {}, reads.School{}, reads.Curl, true},
		{"wrong read, made shot", func(s *Seen) { s.Made, s.Outcome = reads.Straight, Scored }, reads.School{}, reads.Curl, false},
		{"no read", func(s *Seen) { s.Made = "" }, reads.School{}, reads.Curl, false},
		{"screener", func(s *Seen) { s.Role, s.Made = reads.Screener, reads.Pop }, reads.School{}, reads.Pop, true},
		{"school", func(s *Seen) { s.Cue, s.Made = reads.Jump, reads.BackCut }, reads.School{FlareFirst: true}, reads.Flare, false},
	} {
		s := good
		tc.change(&s)
		expected, right, err := Score(down, tc.school, s)
		if err != nil || expected != tc.expected || right != tc.right {
			t.Errorf("%s: %s %v %v", tc.name, expected, right, err)
		}
	}
	for want, change := range map[string]func(*Seen){
		"no cue":              func(s *Seen) { s.Cue = reads.NoCue },
		"Nobody is judged":    func(s *Seen) { s.Role = "waterboy" },
		"not a read of":       func(s *Seen) { s.Made = reads.Pop },
		"left or right":       func(s *Seen) { s.Side = "up" },
		"does not end in":     func(s *Seen) { s.Outcome = "moon" },
		"no correction calle": func(s *Seen) { s.Corrections = []string{"moon"} },
	} {
		s := good
		change(&s)
		if _, _, err := Score(down, reads.School{}, s); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want it to say %q", err, want)
		}
	}
}
