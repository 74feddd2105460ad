package practice

import (
	"slices"
	"testing"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// Two on two: a and b against c and d, then the other way round.
var twoOnTwo = drill.Order{Reps: []drill.Rep{
	{No: 1, Cutter: "a", Screener: "b", XCutter: "c", XScreener: "d"},
	{No: 2, Cutter: "c", Screener: "d", XCutter: "a", XScreener: "b"},
}}

func points(s Score) map[string]Won {
	out := map[string]Won{}
	for _, w := range s.Players {
		out[w.Player] = w
	}
	return out
}

// Whoever has the ball wins what is scored, the defenders what is stopped or lost; a rep
// past the end of the list is the list's first again; what is taken off is gone.
func TestScoreOf(t *testing.T) {
	counts := []Counted{{1, Scored, 1}, {2, Stopped, 1}, {3, Scored, 1}, {4, LostBall, 1}, {4, LostBall, 1},
		{4, LostBall, -1}, {1, Assist, 1}, {2, Touch, 1}, {2, Touch, 1}, {1, Called, -1}}
	s := ScoreOf(twoOnTwo, drill.Stage{Target: 4}, counts, []CorrectRead{{1, "a"}})
	got := points(s)
	// a and b scored twice and stopped twice: four of four.
	if got["a"] != (Won{"a", 4, 4}) || got["b"] != (Won{"b", 4, 4}) || got["c"] != (Won{"c", 0, 4}) {
		t.Errorf("%+v", s.Players)
	}
	if !slices.Equal(s.Reached, []string{"a", "b"}) || s.Target != 4 {
		t.Errorf("reached %v of %d", s.Reached, s.Target)
	}
	if s.Counts[Assist] != 1 || s.Counts[Touch] != 2 || s.Counts[LostBall] != 1 || s.Counts[Called] != 0 {
		t.Errorf("%v", s.Counts)
	}
	if s.Says != "2 of 4 possessions scored, 1 lost." {
		t.Error(s.Says)
	}
}

// A correct read is a point where the switch says so, and only there.
func TestReadsArePoints(t *testing.T) {
	right := []CorrectRead{{1, "a"}, {2, "c"}, {3, "a"}}
	stage := drill.Stage{Switches: []string{drill.ReadPoint}}
	if got := points(ScoreOf(twoOnTwo, stage, []Counted{{2, Scored, 1}}, right)); got["a"].Points != 2 ||
		got["c"].Points != 2 || got["d"].Points != 1 {
		t.Errorf("%+v", got)
	}
	if got := points(ScoreOf(twoOnTwo, drill.Stage{}, []Counted{{2, Scored, 1}}, right)); got["a"].Points != 0 ||
		got["c"].Points != 1 {
		t.Errorf("without the switch: %+v", got)
	}
	if s := ScoreOf(drill.Order{}, drill.Stage{}, []Counted{{1, Scored, 1}}, nil); len(s.Players) != 0 ||
		s.Counts[Scored] != 1 {
		t.Errorf("without an order: %+v", s)
	}
	if s := ScoreOf(twoOnTwo, drill.Stage{}, nil, nil); s.Says != "No possession is counted yet." || s.Reached == nil ||
		s.Players == nil {
		t.Errorf("%+v", s)
	}
	// Shots and a defender's part are no reads, and a rep that two watched is one.
	rep := evidence.Rep{Block: "x", No: 1, Player: "a", Role: reads.Cutter, Correct: true}
	shot, defended, other := rep, rep, rep
	shot.Role, defended.Role, other.Block = reads.Shooter, reads.Defender, "y"
	if got := CorrectReads([]evidence.Rep{rep, rep, shot, defended, other}, "x"); !slices.Equal(got,
		[]CorrectRead{{1, "a"}}) {
		t.Errorf("%v", got)
	}
}

// A score or a goal that nobody can reach is refused when a drill is written.
func TestScoresOfDrillsAreChecked(t *testing.T) {
	for _, d := range drill.Catalogue() {
		for _, s := range d.Stages {
			if s.Goal != nil && d.Action != "" || s.Target > 0 && s.Defenders == 0 {
				t.Errorf("%s, %s: target %d, goal %+v", d.ID, s.ID, s.Target, s.Goal)
			}
		}
	}
	base, _ := drill.ByID("free-throws-in-pairs")
	for name, change := range map[string]func(*drill.Stage){
		"too many points": func(s *drill.Stage) { s.Target = 51 },
		"score on air":    func(s *drill.Stage) { s.Target = 5 },
		"no such goal":    func(s *drill.Stage) { s.Goal = &drill.Goal{Kind: "luck", Makes: 3} },
		"no makes":        func(s *drill.Stage) { s.Goal = &drill.Goal{Kind: drill.InARow} },
		"too long":        func(s *drill.Stage) { s.Goal = &drill.Goal{Kind: drill.Together, Makes: 5, Seconds: 901} },
	} {
		d := *base
		d.Stages = slices.Clone(base.Stages)
		change(&d.Stages[0])
		if d.Validate() == nil {
			t.Errorf("%s was taken", name)
		}
	}
}
