package offense

import (
	"slices"
	"testing"

	"evrik/core/reads"
)

// Teaching begins with the base action and ends with the counters. High-post entry begins with the
// back screen for the passer, which follows the entry and comes again as a decoy.
func TestActionsInTheOrderToTeachThem(t *testing.T) {
	for id, want := range map[string][]string{
		"cut":    {},
		"cont":   {reads.Away, reads.Down},
		"screen": {reads.Away, reads.Down},
		"entry":  {reads.Back, reads.Cross, reads.Down, reads.FlareS},
	} {
		s, ok := ByID(id)
		if !ok {
			t.Fatal(id)
		}
		if got := s.Actions(); !slices.Equal(got, want) {
			t.Errorf("%s: %v, want %v", id, got, want)
		}
	}
	s, _ := ByID("entry")
	s.Answers = slices.Clone(s.Answers)
	for i := range s.Answers {
		switch s.Answers[i].ID {
		case "cross": // wanted most, but the flare is left for a counter alone
			s.Answers[i].Weight = 9
		case "flare", "curl":
			s.Answers[i].Weight = 0
		}
	}
	if got, want := s.Actions(), []string{reads.Cross, reads.Back, reads.FlareS}; !slices.Equal(got, want) {
		t.Errorf("another weight: %v, want %v", got, want)
	}
	// A counter is taught last, however often it is wanted.
	for i := range s.Answers {
		if s.Answers[i].ID == "out" {
			s.Answers[i].Weight = 50
		}
	}
	if got := s.Actions(); got[len(got)-1] != reads.FlareS {
		t.Errorf("the counter comes early: %v", got)
	}
	counters := Offense{Answers: []Answer{{On: Denied, Action: reads.Down, Weight: 1},
		{On: FromPost, Action: reads.Back, Weight: 5}, {On: AnyPass, Action: reads.Away, Weight: 0.1}}}
	if got, want := counters.Actions(), []string{reads.Away, reads.Back, reads.Down}; !slices.Equal(got, want) {
		t.Errorf("counters: %v, want %v", got, want)
	}
}
