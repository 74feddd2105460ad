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
	h := history(
		of("a", reads.Curl, made("++++++++++++", 1)), of("a", reads.Straight, guided("++++++++++++++++++++", 1)),
		of("a", reads.BackCut, made("---+----", 2)),
		of("a", reads.Fade, made("++++++++++++", 130)), of("a", reads.Fade, made("++++++++++++", 128)),
		of("a", reads.ClearOut, guided("-+", 2)))
	taught := drill.Taught(nil)
	columns := reads.Columns(taught, reads.TeamRules{}, reads.Cutter)
	w := WordsOf(p.Board([]PlayerID{"a"}, reads.Cutter, columns, h, now)[0].Cells, taught, reads.TeamRules{},
		drill.Library{})
	if len(w.Strengths) != 2 || w.Strengths[0].Read != reads.Curl ||
		!strings.HasPrefix(w.Strengths[0].Text, "You make it against real defenders: 12 of 12 correct.") ||
		!strings.Contains(w.Strengths[1].Text, "when a coach shows it to you") {
		t.Errorf("strengths: %+v", w.Strengths)
	}
	if len(w.Next) != 2 || w.Next[0].Read != reads.BackCut || w.Next[1].Read != reads.Fade {
		t.Fatalf("next: %+v", w.Next)
	}
	if n := w.Next[0]; n.So != "So far 1 of 8 correct. What comes out instead is mostly straight." || n.When == "" ||
		n.Do == "" || n.Call == "" || n.Drill == "" || n.Stage == "" {
		t.Errorf("%+v", n)
	}
	if n := w.Next[1]; !strings.HasPrefix(n.So, "You had it (24 of 24 correct)") {
		t.Errorf("%+v", n)
	}
	// Nobody is told that they have nothing.
	few := WordsOf(p.Board([]PlayerID{"a"}, reads.Cutter, columns, history(guided("+-+-+", 1)), now)[0].Cells, taught,
		reads.TeamRules{}, drill.Library{})
	if len(few.Strengths) != 1 || few.Strengths[0].Text != "It is coming: 3 of 5 correct." || len(few.Next) != 2 {
		t.Errorf("%+v", few)
	}
	if when := few.Next[0].When; !strings.HasSuffix(when, ".") || strings.HasSuffix(when, "..") {
		t.Errorf("look for %q", when)
	}
	// What looks like enough is told with what holds it back.
	held := WordsOf(p.Board([]PlayerID{"a"}, reads.Cutter, columns, history(guided("+-+-+-+-+-", 9),
		guided("-+-+-+-+-+", 6), made("+++++++++", 3)), now)[0].Cells, taught, reads.TeamRules{}, drill.Library{})
	if len(held.Strengths) != 1 || held.Strengths[0].Text !=
		"It is coming: 9 of 9 correct against real defenders, 10 of 20 when a coach shows it to you." {
		t.Errorf("%+v", held.Strengths)
	}
	if none := WordsOf(p.Board([]PlayerID{"a"}, reads.Cutter, columns, NoHistory(), now)[0].Cells, taught,
		reads.TeamRules{}, drill.Library{}); len(none.Strengths) != 0 || len(none.Next) != 2 ||
		none.Next[0].So != "You have not had a turn at it yet." {
		t.Errorf("%+v", none)
	}
}

func TestTeamCells(t *testing.T) {
	line := func(held int, v Verdict) Line {
		return Line{Cells: []Standing{{Held: held, Judgement: Judgement{Verdict: v}}}}
	}
	got := TeamCells([]Line{line(4, HasIt), line(3, HasIt), line(0, NotYet), line(0, NotEnough), line(3, Lapsed),
		line(3, TooClose)})
	if got[0] != (TeamCell{Has: 2, NotYet: 1, Lapsed: 1, TooClose: 1, NotEnough: 1, Rung: 3}) {
		t.Errorf("%+v", got)
	}
	if got := TeamCells([]Line{line(8, HasIt), line(4, HasIt), line(0, NotEnough)}); got[0].Rung != 4 {
		t.Errorf("%+v", got)
	}
	if got := TeamCells(nil); len(got) != 0 {
		t.Errorf("%+v", got)
	}
}
