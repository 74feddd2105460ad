package web

import (
	"testing"

	"github.com/google/uuid"

	"evrik/core/reads"
	"evrik/internal/web/api"
)

// Shots in a drill that teaches no read are logged in the same way as reps, stand in a
// count of their own and never on the board of reads.
func TestShots(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 8), w.club("other", 1)
	a := w.as(c.helper)
	plan := planFor(c)
	shooting := plan["blocks"].([]any)[1].(map[string]any)
	shooting["title"], shooting["drill"], shooting["stage"] = "Form shooting", "form-shooting", "air"
	var p api.Practice
	a.do("POST", c.path("/practices"), plan, 201, &p)
	at := c.path("/practices/" + p.Id.String())
	block := p.Blocks[1].ID

	var events []map[string]any
	for i, made := range []reads.Read{reads.Make, reads.Make, "", reads.Make} {
		events = append(events, repEvent(block, c.players[0], i+1, reads.NoCue, made))
	}
	var receipt api.RepReceipt
	a.do("POST", at+"/reps", batch(events...), 200, &receipt)
	if len(receipt.Stored) != 4 {
		t.Fatalf("receipt %+v", receipt)
	}
	shots := func() (out api.DrillShots) {
		t.Helper()
		w.as(c.helper).do("GET", c.path("/shots/form-shooting"), nil, 200, &out)
		return out
	}
	if got := shots(); got.Made != 3 || got.Tried != 4 || len(got.Players) != 1 || got.Players[0].Best.Streak != 2 {
		t.Errorf("%+v", got)
	}
	// One shot is taken back: it counts no more, and its event stays in the log.
	undo := map[string]any{"id": uuid.NewString(), "kind": "void", "at": evening, "device": "tab",
		"voids": events[3]["id"]}
	a.do("POST", at+"/reps", batch(undo), 200, nil)
	if got := shots(); got.Made != 2 || got.Tried != 3 {
		t.Errorf("after the undo: %+v", got)
	}
	// Reads know nothing of it.
	var board api.Board
	a.do("GET", c.path("/board?role=all"), nil, 200, &board)
	if board.Reps != 0 {
		t.Errorf("%d reps on the board of reads", board.Reps)
	}
	w.as(other.head).do("GET", c.path("/shots/form-shooting"), nil, 404, nil)
}

func changed(event map[string]any, key string, value any) map[string]any {
	event[key] = value
	return event
}
