package drill

import (
	"errors"
	"strings"
	"testing"

	"evrik/core/reads"
)

// A live rep goes on with further actions, each with people who are in the drill; below the
// live rungs there is the drill's own action alone, and a drill without a read has none.
func TestLinks(t *testing.T) {
	flow, _ := ByID("threes-flow")
	for _, s := range flow.Stages {
		links := flow.Links(s)
		want := 1
		if s.Defenders > 0 {
			want = 3
		}
		if len(links) != want || links[0] != (Link{reads.High, "cutter", "screener", ""}) {
			t.Errorf("%s: %+v", s.ID, links)
		}
		if want == 3 && (links[1] != (Link{Action: reads.Handoff, Who: "wing", With: "screener"}) ||
			links[2].Action != reads.Ball) {
			t.Errorf("%s goes on with %+v", s.ID, links[1:])
		}
	}
	shots, _ := ByID("free-throws-in-pairs")
	if got := shots.Links(shots.Stages[0]); got != nil {
		t.Errorf("free throws: %+v", got)
	}
	third := 0
	for _, d := range Catalogue() {
		if d.Third == "" {
			continue
		}
		third++
		if a, _ := reads.ActionByID(d.Action); a.Third == "" {
			t.Errorf("%s judges a third one in the %s", d.ID, a.Name)
		}
	}
	if third < 5 {
		t.Errorf("only %d drills have a third one to judge", third)
	}
}

// Links that cannot be judged are refused in a sentence.
func TestLinksAreChecked(t *testing.T) {
	base, _ := ByID("threes-flow")
	for name, c := range map[string]struct {
		change func(*Drill)
		want   string
	}{
		"no such action": {func(d *Drill) { d.Then = []Link{{Action: "moon", Who: "wing"}} },
			"drill.goes-on-action: Threes: one after the other, moon"},
		"nobody":        {func(d *Drill) { d.Then = []Link{{Action: reads.Ball}} }, "drill.goes-on-unsaid"},
		"no such place": {func(d *Drill) { d.Then = []Link{{Action: reads.Ball, Who: "coach"}} }, "drill.done-place"},
		"a third that is none": {func(d *Drill) {
			d.Then = []Link{{Action: reads.Handoff, Who: "wing", With: "screener", Third: "cutter"}}
		}, "drill.third-part"},
		"third of nowhere": {func(d *Drill) { d.Third = "bench" }, "drill.done-place"},
		"begins with none": {func(d *Drill) { d.Action = "" }, "drill.goes-on-no-start"},
	} {
		d := *base
		c.change(&d)
		if err := d.checkLinks(); !errors.Is(err, ErrSetup) || !strings.Contains(err.Error(), c.want) {
			t.Errorf("%s: %v", name, err)
		}
	}
	if err := base.checkLinks(); err != nil {
		t.Error(err)
	}
}
