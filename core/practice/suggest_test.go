package practice

import (
	"testing"

	"evrik/core/reads"
)

// The goal that is left for most players is suggested, with who needs it, what the practice
// gives, and the game that asks for it; a plan that moves everybody is left alone.
func TestSuggest(t *testing.T) {
	goal := func(read reads.Read, each float64, moves ...string) GoalCover {
		return GoalCover{Goal{Role: reads.Cutter, Read: read, Players: []string{"a", "b", "c"},
			Why: "3 players miss it."}, each, moves}
	}
	p := Plan{Blocks: []Block{block("warm", OwnBlock, 10, "")},
		Needs: []Need{{Player: "a", Role: reads.Cutter, Read: reads.Fade, Live: true},
			{Player: "b", Role: reads.Cutter, Read: reads.Fade, Live: true}}}
	sheet := Sheet{Goals: []GoalCover{goal(reads.Curl, 5, "a", "b"), goal(reads.Fade, 0)}}
	got, ok := Suggest(p, sheet, "Harbor", map[reads.Read]float64{reads.Fade: 0.25}, 3)
	if !ok || got.Read != reads.Fade || !got.Live ||
		got.Reason != "Fade needs work. 3 players miss it. The next practice gives nobody a rep of it. Harbor is "+
			"expected to ask for it in 25 of 100 screens, in 3 days." {
		t.Errorf("%+v, %v", got, ok)
	}
	sheet.Goals[1] = goal(reads.Fade, 5, "a", "b", "c")
	if got, ok = Suggest(p, sheet, "", nil, -1); !ok || got.Read != reads.Curl || got.Live ||
		got.Reason != "Curl needs work. 3 players miss it. The next practice gives each about 5 and moves 2 forward." {
		t.Errorf("%+v, %v", got, ok)
	}
	p.Blocks = nil
	if got,
		_ = Suggest(p, sheet, "", nil,
		-1); got.Reason != "Curl needs work. 3 players miss it. The next practice has no plan yet." {
		t.Errorf("%+v", got)
	}
	sheet.Goals[0] = goal(reads.Curl, 5, "a", "b", "c")
	if got, ok = Suggest(p, sheet, "", nil, -1); ok {
		t.Errorf("nothing worth saying: %+v", got)
	}
}
