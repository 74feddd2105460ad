package web

import (
	"testing"

	"evrik/core/reads"
	"evrik/internal/web/api"
)

// A live rep that goes on is logged by the table of the action that was watched, the third
// one and the defender by their own answers; each stands on the board of its part.
func TestLoggedByLink(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	head := w.as(c.head)
	plan := planFor(c)
	chain := plan["blocks"].([]any)[1].(map[string]any)
	chain["title"], chain["drill"], chain["stage"] = "Threes", "threes-screen-away", "live"
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	at := c.path("/practices/" + p.Id.String())
	block := p.Blocks[1].ID

	links := runOf(head, at).Blocks[1].Links
	if len(links) != 4 || links[0].Link.Action != reads.Away || links[1].Link.Action != reads.Curled ||
		links[0].Third != string(reads.Passer) || len(links[1].Rows) != 3 {
		t.Fatalf("%+v", links)
	}
	curled := changed(repEvent(block, c.players[0], 2, reads.LowHelp, reads.CornerPass), "action", reads.Curled)
	events := []map[string]any{
		repEvent(block, c.players[0], 1, reads.Trail, reads.Curl),
		curled,
		changed(repEvent(block, c.players[2], 1, reads.Switch, reads.HitScreener), "role", "passer"),
		changed(repEvent(block, c.players[3], 1, reads.Trail, reads.Guarded), "role", "defender"),
		changed(repEvent(block, c.players[3], 2, reads.Trail, ""), "role", "defender"),
	}
	head.do("POST", at+"/reps", batch(events...), 200, nil)
	right := map[string]bool{}
	for _, r := range runOf(head, at).Reps {
		right[r.Role+" "+r.Made] = r.Correct
		if r.Made == string(reads.CornerPass) && (r.Action == nil || *r.Action != reads.Curled ||
			r.Role != string(reads.Handler)) {
			t.Errorf("the kick after the curl is %+v", r)
		}
	}
	for key, want := range map[string]bool{"cutter curl": true, "handler cornerpass": true, "passer hitscreener": true,
		"defender guarded": true, "defender ": false} {
		if got, there := right[key]; !there || got != want {
			t.Errorf("%s: right %v, logged %v", key, got, there)
		}
	}
	for role, read := range map[string]reads.Read{"passer": reads.HitScreener, "defender": reads.Guarded,
		"handler": reads.CornerPass} {
		var board api.Board
		head.do("GET", c.path("/board?role="+role), nil, 200, &board)
		n := 0
		for i, col := range board.Columns {
			for _, line := range board.Lines {
				if col == string(read) {
					n += line.Cells[i].Judgement.Reps
				}
			}
		}
		if want := map[bool]int{true: 2, false: 1}[role == "defender"]; n != want {
			t.Errorf("the %s's board counts %d reps of %s, want %d", role, n, read, want)
		}
	}
	head.refused("POST", at+"/reps", batch(changed(repEvent(block, c.players[0], 3, reads.Drop, reads.PullUp), "action",
		reads.Ball)), 422, "rep.goes-on")
	head.refused("GET", c.path("/board?role=coach"), nil, 422, "squad.part")
}
