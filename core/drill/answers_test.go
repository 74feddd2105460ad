package drill

import (
	"testing"

	"evrik/core/reads"
)

// Every answer that a drill teaches is in its action's table and scores correct: those of
// its workout, and the first one of every cue it shows, under every set of team rules.
func TestTaughtAnswersScoreCorrect(t *testing.T) {
	walked := 0
	for _, d := range Catalogue() {
		action, ok := reads.ActionByID(d.Action)
		if !ok {
			continue
		}
		correct := func(rules reads.TeamRules, cue reads.Cue, read reads.Read) {
			t.Helper()
			info, known := reads.Info(read)
			if !known {
				t.Fatalf("%s teaches %q, which is no read", d.ID, read)
			}
			role := info.Role
			scored, err := action.Score(rules, reads.Logged{Cue: cue, Read: read, Role: role})
			if err != nil || !scored.Correct {
				t.Errorf("%s: %s for %s scores wrong: %+v %v", d.ID, read, cue, scored, err)
			}
			walked++
		}
		for _, rules := range []reads.TeamRules{{}, {FadeToCorner: true, FlareFirst: true, ShootFirst: true}} {
			for _, set := range d.Workout {
				for _, read := range set.Answers {
					correct(rules, set.Cue, read)
				}
			}
			for _, st := range d.Stages {
				for _, cue := range st.Cues {
					row, ok := action.Row(rules, cue)
					if !ok {
						t.Fatalf("%s shows %s, which the %s has not", d.ID, cue, action.Name)
					}
					correct(rules, cue, row.CutterRead)
					correct(rules, cue, row.ScreenerRead)
				}
			}
		}
	}
	if walked < 300 {
		t.Errorf("only %d answers were walked", walked)
	}
}
