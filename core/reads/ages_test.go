package reads

import (
	"slices"
	"testing"
)

// Ages 7 to 11 play player-to-player: no zone, no double team, no press (USA Basketball and
// NBA youth rules of play, from memory). What their coach turns on comes back.
func TestActionsByAge(t *testing.T) {
	var older []string
	for _, a := range Actions() {
		if a.Family == BallUp || a.Family == AgainstZone {
			older = append(older, a.ID)
		}
	}
	for ages, want := range map[string][]string{"7-8": older, "9-11": older, "12-14": {}, "grades 9-12": {}, "": {}} {
		if got := (TeamRules{}).LeftOut(ages); !slices.Equal(got, want) {
			t.Errorf("%q leaves out %v, want %v", ages, got, want)
		}
		if got := (TeamRules{AllActions: true}).LeftOut(ages); len(got) != 0 {
			t.Errorf("%q with all actions leaves out %v", ages, got)
		}
	}
	handoff, _ := ActionByID(Handoff)
	for _, c := range []struct {
		ages string
		cue  Cue
		all  bool
		want bool
	}{{"9-11", Blitz, false, false}, {"9-11", Trail, false, true}, {"9-11", Blitz, true, true},
		{"12-14", Blitz, false, true}} {
		if got := (TeamRules{AllActions: c.all}).Meets(c.ages, handoff, c.cue); got != c.want {
			t.Errorf("%+v: %v", c, got)
		}
	}
	post, _ := ActionByID(FeedPost)
	if (TeamRules{}).Meets("7-8", post, Doubled) {
		t.Error("two on the post at seven")
	}
}

// The switch changes which actions come, and no answer.
func TestAllActionsChangeNoAnswer(t *testing.T) {
	for _, a := range Actions() {
		for i, row := range a.Rows(TeamRules{}) {
			if on := a.Rows(TeamRules{AllActions: true})[i]; on.CutterRead != row.CutterRead || on.Cue != row.Cue {
				t.Errorf("%s: %v became %v", a.ID, row, on)
			}
		}
	}
}
