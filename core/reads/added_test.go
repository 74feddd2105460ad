package reads_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/quiz"
	"evrik/core/reads"
)

// addedDrill is the one drill file that a new action takes.
const addedDrill = `{"id": "elbow-cuts", "name": "Elbow cuts", "about": "Cut off the elbow.", "screen": "added",
 "positions": [{"id": "cutter", "name": "Cutter", "letter": "C", "spot": "wingR"}, {"id": "elbow", "name": "Elbow", "letter": "E", "spot": "elbowR", "ball": true}],
 "phases": [{"name": "Cut", "say": "Go.", "acts": [{"do": "cut", "who": "cutter", "to": "rim"}, {"do": "pass", "who": "elbow", "to": "cutter"}]}],
 "rotation": {"rule": "fixed-pairs", "say": "Swap."}, "helpers": "None", "equipment": [], "watch": [], "fixes": [], "cautions": [],
 "stages": [
  {"id": "guided", "rung": "shown", "name": "Guided", "rules": [], "defenders": 0, "coachShows": true, "cues": ["behind", "denied"], "seconds": 12},
  {"id": "live", "rung": "live2", "name": "Live", "rules": [], "defenders": 2, "coachShows": false, "cues": ["behind", "denied"], "seconds": 16}]}`

// Adding an action is one table and one drill file: everything else asks the table. The
// lesson's examples are judged as they say, the log scores it, the quiz asks it, the search
// finds it, its drill deals a rotation and is listed with its family.
func TestAddingAnAction(t *testing.T) {
	reads.Add(t, reads.Added)
	a, ok := reads.ActionByID("added")
	if !ok {
		t.Fatal("the action is not there")
	}
	for _, p := range court.Presets() {
		for _, row := range a.Rows(reads.TeamRules{}) {
			s := a.Example(p.Court, row.Cue)
			j, err := reads.Judge(reads.On(p.Court), &s)
			if err != nil || j.Cue != row.Cue || j.State != reads.Clearly || len(j.Options) == 0 {
				t.Errorf("%s on %s: judged %s, %s, %v", row.Cue, p.ID, j.Cue, j.State, err)
			}
			if play := reads.PlayOf(reads.On(p.Court), &s, j); len(play.Tracks) < 5 || play.Duration <= 0 {
				t.Errorf("%s on %s: %d tracks", row.Cue, p.ID, len(play.Tracks))
			}
		}
	}
	for read, want := range map[reads.Read]bool{reads.BackCut: true, reads.Straight: false} {
		got, err := a.Score(reads.TeamRules{}, reads.Logged{Cue: reads.Denied, Read: read, Role: reads.Cutter})
		if err != nil || got.Correct != want {
			t.Errorf("%s against a denial: %+v, %v", read, got, err)
		}
	}
	if hits := reads.Search(reads.TeamRules{}, "cut off the elbow denied"); !slices.ContainsFunc(hits,
		func(h reads.Hit) bool { return h.Action == "added" }) {
		t.Errorf("the search finds %v", hits)
	}
	if !slices.ContainsFunc(reads.Sketched(), func(s reads.Action) bool { return s.ID == "added" && s.Sketch != nil }) {
		t.Error("it has no sketch")
	}
	c, _ := court.PresetCourt(court.HighSchool)
	if _, ok := a.Draw(reads.On(c), reads.Denied, reads.Ask{AtLeast: 0.5, AtMost: 20},
		rand.New(rand.NewPCG(1, 2))); !ok {
		t.Error("the quiz finds no picture of it")
	}
	if !slices.ContainsFunc(quiz.Cards(reads.On(c)), func(card quiz.Card) bool { return card.Action == "added" }) {
		t.Error("the quiz does not ask it")
	}

	d, err := drill.Read([]byte(addedDrill))
	if err != nil {
		t.Fatal(err)
	}
	if d.Shelf() != drill.PostPlay {
		t.Errorf("its drill is listed under %q", d.Shelf())
	}
	var squad []string
	for i := range 9 {
		squad = append(squad, fmt.Sprint("p", i))
	}
	for _, stage := range d.Stages {
		order, err := drill.OrderList(d, stage, drill.Setup{Players: squad, Minutes: 10, Baskets: 1, Seed: 1})
		if err != nil || len(order.Reps) < 20 || order.Spread > 1 {
			t.Errorf("%s: %d reps, spread %d, %v", stage.ID, len(order.Reps), order.Spread, err)
		}
		if links := d.Links(stage); len(links) != 1 || links[0].Action != "added" {
			t.Errorf("%s logs %+v", stage.ID, links)
		}
	}
	if serving := drill.NewLibrary([]*drill.Drill{d}).Serving(reads.TeamRules{},
		[]reads.Read{reads.BackCut}); !slices.Contains(serving, "elbow-cuts") {
		t.Errorf("the plan does not find its drill: %v", serving)
	}
}
