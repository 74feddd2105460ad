package web

import (
	"testing"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/web/api"
)

func countEvent(block, what string, no, by int) map[string]any {
	return map[string]any{"id": uuid.NewString(), "kind": "count", "at": evening, "device": "tab", "block": block,
		"repNo": no, "what": what, "by": by}
}

// What is counted in a live block is stored once, comes with the run and the score, and
// knows nothing of reads; a possession's end is told by a count or by a rep's outcome.
func TestFloorCounts(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	live := p.Blocks[3].ID
	first := countEvent(live, "scored", 1, 1)
	lost := changed(repEvent(live, c.players[0], 2, reads.Trail, reads.Curl), "outcome", "turnover")
	again := changed(repEvent(live, c.players[1], 2, reads.Trail, reads.Pop), "outcome", "turnover")
	again["role"] = "screener"
	told := changed(repEvent(live, c.players[0], 1, reads.Trail, reads.Curl), "outcome", "missed")
	var receipt api.RepReceipt
	head.do("POST", at+"/reps", batch(first, lost, again, told, countEvent(live, "assist", 1, 1),
		countEvent(live, "touch", 1, 1), countEvent(live, "touch", 1, -1)), 200, &receipt)
	if len(receipt.Stored) != 7 || len(receipt.Known) != 0 {
		t.Fatalf("%+v", receipt)
	}
	head.do("POST", at+"/reps", batch(first), 200, &receipt)
	if len(receipt.Stored) != 0 || len(receipt.Known) != 1 {
		t.Errorf("sent twice: %+v", receipt)
	}
	run := runOf(head, at)
	if len(run.Counts) != 4 || len(run.Reps) != 3 {
		t.Errorf("%d counts, %d reps", len(run.Counts), len(run.Reps))
	}
	var score practice.Score
	head.do("GET", at+"/blocks/"+live+"/score", nil, 200, &score)
	if score.Counts[practice.Scored] != 1 || score.Counts[practice.LostBall] != 1 ||
		score.Counts[practice.Stopped] != 0 || score.Counts[practice.Assist] != 1 || score.Counts[practice.Touch] != 0 {
		t.Errorf("%+v", score)
	}
	reps := run.Blocks[3].Order.Reps
	for _, won := range score.Players {
		if won.Player == reps[0].Cutter && won.Points < 1 {
			t.Errorf("whoever scored has %+v", won)
		}
	}
	for code, events := range map[string][]map[string]any{
		"rep.count-kind": {countEvent(live, "dunk", 1, 1)},
		"rep.block":      {countEvent(uuid.NewString(), "scored", 1, 1)},
		"rep.count-incomplete": {
			countEvent(live, "scored", 1, 0),
			{"id": uuid.NewString(), "kind": "count", "at": evening, "device": "tab"},
			changed(countEvent(live, "scored", 1, 1), "repNo", -1),
		},
	} {
		for _, bad := range events {
			head.refused("POST", at+"/reps", batch(bad), 422, code)
		}
	}
	head.refused("GET", at+"/blocks/"+p.Blocks[1].ID+"/score", nil, 422, "practice.score-not-live")
	head.refused("GET", at+"/blocks/"+uuid.NewString()+"/score", nil, 404, "practice.block-missing")
}
