package reads

import (
	"slices"
	"testing"
)

// The passer throws to whoever the cutter's answer leaves open, in the picture and in the
// log alike; the nearest teammate of a ball screen has a job by the coverage.
func TestThirdOnesAnswers(t *testing.T) {
	c := highSchool(t)
	for _, tc := range []struct {
		action *Action
		cue    Cue
		want   Read
	}{
		{downScreen, Trail, HitCutter}, {downScreen, Switch, HitScreener}, {downScreen, Show, HitScreener},
		{changeScreen, Waits, HitScreener}, {changeScreen, Trail, HitCutter}, {backScreen, Under, HitCutter},
		{ballScreen, Drop, StayWide}, {ballScreen, Early, Drift}, {ballScreen, Ice, Lift},
		{ballScreen, Switch, ClearSide},
	} {
		s := tc.action.Example(c, tc.cue)
		j, err := Judge(On(c), &s)
		if err != nil {
			t.Fatal(err)
		}
		i := slices.IndexFunc(j.Accepted, func(a Accepted) bool { return a.Who == tc.action.third() })
		if i < 0 || j.Accepted[i].Read != tc.want || j.Accepted[i].Role != tc.action.Third || j.Accepted[i].Part == "" {
			t.Errorf("%s %s: %+v, want %s", tc.action.ID, tc.cue, j.Accepted, tc.want)
		}
		scored, err := tc.action.Score(TeamRules{}, Logged{Cue: tc.cue, Read: tc.want, Role: tc.action.Third})
		if err != nil || !scored.Correct || scored.Doubt {
			t.Errorf("%s %s: logged %+v, %v", tc.action.ID, tc.cue, scored, err)
		}
	}
	// A switch is thrown to the cutter only with the second cue that frees the cutter.
	scored, err := downScreen.Score(TeamRules{}, Logged{Cue: Switch, Read: HitCutter, Role: Passer})
	if err != nil || !scored.Correct || !scored.Doubt {
		t.Errorf("%+v, %v", scored, err)
	}
	if scored, _ = downScreen.Score(TeamRules{}, Logged{Cue: Trail, Read: HitScreener, Role: Passer}); scored.Correct {
		t.Error("past an open curl to the screener, and correct")
	}
	for _, a := range Actions() {
		for _, r := range a.Rows(TeamRules{}) {
			if r.Third == nil || (a.Third == "") != (len(r.Third) == 0) {
				t.Errorf("%s %s: third role %q and %d answers", a.ID, r.Cue, a.Third, len(r.Third))
			}
			for _, n := range r.Third {
				if info, ok := Info(n.Read); !ok || info.Role != a.Third {
					t.Errorf("%s %s: %q is no answer of the %s", a.ID, r.Cue, n.Read, a.Third)
				}
			}
		}
	}
}
