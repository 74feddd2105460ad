package evidence

import (
	"strings"
	"testing"

	"evrik/core/drill"
	"evrik/core/reads"
)

// What is strong comes first, then two things to work on, each with what to look for and
// the drill that fixes it.
func TestWords(t *testing.T) {
	p := DefaultPolicy()
	log := func(expected, made reads.Read, answers string, rung drill.Rung, age int) []Rep {
		reps := made2(answers, age)
		for i := range reps {
			reps[i].Player, reps[i].Expected, reps[i].Rung = "a", expected, rung
			if reps[i].Right {
				reps[i].Made = expected
			} else {
				reps[i].Made = made
			}
		}
		return reps
	}
	var reps []Rep
	for _, l := range [][]Rep{
		log(reads.Curl, reads.Straight, "++++++++++", drill.Live2, 1),
		log(reads.Straight, reads.Curl, "+++++++++", drill.Shown, 1),
		log(reads.BackCut, reads.Straight, "---+----", drill.Live2, 2),
		log(reads.Fade, reads.Curl, "+++++++++", drill.Live2, 60),
		log(reads.ClearOut, reads.Curl, "-+", drill.Shown, 2),
	} {
		reps = append(reps, l...)
	}
	taught := drill.Taught(nil)
	columns := reads.Columns(taught, reads.TeamRules{}, reads.Cutter)
	w := WordsOf(p.Board([]string{"a"}, reads.Cutter, columns, reps, now)[0].Cells, taught, reads.TeamRules{}, drill.Library{})
	if len(w.Strengths) != 2 || w.Strengths[0].Read != reads.Curl || !strings.HasPrefix(w.Strengths[0].Text, "You make it against real defenders: 10 of 10 right.") ||
		!strings.Contains(w.Strengths[1].Text, "when a coach shows it to you") {
		t.Errorf("strengths: %+v", w.Strengths)
	}
	if len(w.Next) != 2 || w.Next[0].Read != reads.BackCut || w.Next[1].Read != reads.Fade {
		t.Fatalf("next: %+v", w.Next)
	}
	if n := w.Next[0]; n.So != "So far 1 of 8 right. What comes out instead is mostly straight." || n.When == "" || n.Do == "" || n.Call == "" || n.Drill == "" || n.Stage == "" {
		t.Errorf("%+v", n)
	}
	if n := w.Next[1]; !strings.HasPrefix(n.So, "You had it (9 of 9 right)") {
		t.Errorf("%+v", n)
	}
	// Nobody is told that he has nothing.
	few := WordsOf(p.Board([]string{"a"}, reads.Cutter, columns, log(reads.Curl, reads.Fade, "+-+-+", drill.Shown, 1), now)[0].Cells, taught, reads.TeamRules{}, drill.Library{})
	if len(few.Strengths) != 1 || few.Strengths[0].Text != "It is coming: 3 of 5 right." || len(few.Next) != 2 {
		t.Errorf("%+v", few)
	}
	if none := WordsOf(p.Board([]string{"a"}, reads.Cutter, columns, nil, now)[0].Cells, taught, reads.TeamRules{}, drill.Library{}); len(none.Strengths) != 0 || len(none.Next) != 2 || none.Next[0].So != "You have not had a turn at it yet." {
		t.Errorf("%+v", none)
	}
}

func made2(answers string, age int) []Rep {
	reps := made(answers, age)
	for i := range reps {
		reps[i].Practice = answers
	}
	return reps
}

func TestTeamCells(t *testing.T) {
	line := func(held int, v Verdict) Line {
		return Line{Cells: []Standing{{Held: held, Judgement: Judgement{Verdict: v}}}}
	}
	got := TeamCells([]Line{line(4, HasIt), line(3, HasIt), line(0, NotYet), line(0, TooFew), line(3, Stale)})
	if got[0] != (TeamCell{Has: 2, NotYet: 1, Stale: 1, TooFew: 1, Rung: 3}) {
		t.Errorf("%+v", got)
	}
	if got := TeamCells([]Line{line(8, HasIt), line(4, HasIt), line(0, TooFew)}); got[0].Rung != 4 {
		t.Errorf("%+v", got)
	}
	if got := TeamCells(nil); len(got) != 0 {
		t.Errorf("%+v", got)
	}
}
