package e2e

import (
	"strings"
	"testing"

	"evrik/core/reads"
)

// A guided drill, a live one and a workout go from the plan to what the log says of a
// player: placed, run, logged, and read on the player's page.
func TestRungsFromPlanToVerdict(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	blocks := []struct{ drill, id, stage, rung string }{
		{"Close out and play", "close-out-and-play", "3. Guided", "shown"},
		{"Give and follow", "give-and-follow", "4. Live 2-on-2", "live2"},
		{"Thirty-six off the screen", "ball-thirty-six", "3. Guided: the coach is the big", "shown"},
	}
	for _, b := range blocks {
		addDrill(p, b.drill)
		p.See("textbox", "Title")
		p.Choose("Stage", b.stage)
	}
	p.Click("button", "Save")
	p.Text("The plan is saved.")
	p.Click("button", "Run practice")
	p.See("timer", "Time left")
	team, practice := teamOf(p), strings.Split(p.Path(), "/")[3]

	const reps = 6
	for _, b := range blocks {
		for !p.Has("heading", b.drill) {
			p.Click("button", "Next block")
			p.Settle()
		}
		p.Text("Rep 1 of")
		log(p, reps)
		p.Text("Rep 7 of")
	}
	p.Text("18 logged")
	p.Text("All sent")

	const from = " FROM rep_events WHERE practice_id = $1 AND drill = $2 AND rung = $3"
	for _, b := range blocks {
		if n := ask[int](t, s, "SELECT count(*)"+from+" AND is_correct", practice, b.id, b.rung); n != reps {
			t.Errorf("%s: %d reps are stored as right, want %d", b.drill, n, reps)
			continue
		}
		who := ask[string](t, s, "SELECT player_id::text || ' ' || expected"+from+" ORDER BY at LIMIT 1", practice,
			b.id, b.rung)
		player, read, _ := strings.Cut(who, " ")
		info, ok := reads.Info(reads.Read(read))
		if !ok {
			t.Fatalf("%s: no read is called %q", b.drill, read)
		}
		p.Open("/" + team + "/squad/" + player)
		p.Text(info.Name)
		p.Text("Last reps")
	}
}
