package e2e

import (
	"strings"
	"testing"
)

// Live blocks: a rep goes on into the next action and is logged by its table, the passer and
// the defender can be judged, and what happens is counted in one tap and adds up to a score.
func TestLiveBlocksAreCounted(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	for _, drill := range []string{"Threes: one after the other", "Fours without a dribble"} {
		addDrill(p, drill)
		p.See("textbox", "Title")
		p.Choose("Stage", map[string]string{"Threes: one after the other": "5. Live 3-on-3",
			"Fours without a dribble": "6. Live 4-on-4"}[drill])
	}
	p.Text("fill one basket") // the sheet is laid out with it, and nothing moves any more
	p.Text("More than 20 minutes without water")
	p.Click("button", "Who does what")
	p.Click("button", "Add a job")
	p.Text("Who does what: Marlow passes")
	p.Click("button", "Save")
	p.Text("The plan is saved.")
	p.Click("button", "Run practice")
	p.See("timer", "Time left")
	practice := strings.Split(p.Path(), "/")[3]
	to := func(block string) {
		t.Helper()
		for !p.Has("heading", block) {
			p.Click("button", "Next block")
			p.Settle()
		}
	}

	to("Threes: one after the other")
	p.See("group", "Action that is watched")
	p.Click("button", "Handoff")
	p.Click("button", "Turn the corner")
	p.Text("1 logged")
	p.Click("button", "Assist 0")
	p.See("button", "Assist 1")
	p.Click("button", "Logging wing")
	p.Click("radio", "Defender")
	p.Text("show, and in time?")
	p.Click("button", "Trail")
	p.Text("2 logged")
	p.Text("All sent")
	if got := ask[string](t, s,
		"SELECT action || ' ' || role || ' ' || made FROM rep_events WHERE practice_id = $1 AND made = 'turncorner'",
		practice); got != "handoff handler turncorner" {
		t.Errorf("after the back screen is logged %q", got)
	}
	if n := ask[int](t, s,
		"SELECT count(*) FROM rep_events WHERE practice_id = $1 AND role = 'defender' AND made = 'guarded'",
		practice); n != 1 {
		t.Errorf("%d defenders did the job", n)
	}

	to("Fours without a dribble")
	p.Text("How did it end?")
	p.Text("Your job: passes")
	for _, end := range []string{"Scored", "Scored", "Stopped", "Lost ball"} {
		p.Click("button", end)
	}
	p.Text("Rep 5 of")
	p.Text("All sent")
	p.Click("button", "Score")
	p.Text("2 of 4 possessions scored, 1 lost.")
	p.Text("5 points win.")
	p.Click("button", "One lost ball less")
	p.Text("2 of 3 possessions scored, 0 lost.")
	if n := ask[int](t, s, "SELECT sum(by) FROM floor_counts WHERE practice_id = $1 AND what = 'scored'",
		practice); n != 2 {
		t.Errorf("%d scores are stored", n)
	}

	// A block without the part that was chosen falls back to the first.
	p.Click("button", "Close")
	to("Slot twos")
	p.See("button", "Logging cutter")
	p.Text("What did ")
	log(p, 1)
	p.Text("3 logged")
}
