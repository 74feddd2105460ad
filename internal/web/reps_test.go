package web

import (
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// repEvent is a cutter's answer as a device sends it.
func repEvent(block string, player uuid.UUID, no int, cue reads.Cue, made reads.Read) map[string]any {
	return map[string]any{"id": uuid.NewString(), "kind": "rep", "at": evening, "device": "tab", "block": block,
		"repNo":  no,
		"player": player, "role": "cutter", "side": "right", "cue": cue, "made": made}
}

func batch(events ...map[string]any) map[string]any { return map[string]any{"events": events} }

func TestLogReps(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 8), w.club("other", 1)
	a := w.as(c.helper)
	var p api.Practice
	a.do("POST", c.path("/practices"), planFor(c), 201, &p)
	at := c.path("/practices/" + p.Id.String())
	live := p.Blocks[3].ID
	stored := func() []api.LoggedRep {
		t.Helper()
		var run api.Run
		a.do("GET", at+"/run", nil, 200, &run)
		return run.Reps
	}

	first := repEvent(live, c.players[0], 1, reads.Trail, reads.Curl)
	var receipt api.RepReceipt
	a.do("POST", at+"/reps", batch(first), 200, &receipt)
	if len(receipt.Stored) != 1 || len(receipt.Known) != 0 {
		t.Fatalf("receipt %+v", receipt)
	}
	// The same rep sent twice is stored once, also within one batch.
	a.do("POST", at+"/reps", batch(first, first), 200, &receipt)
	if len(receipt.Known) != 2 || len(stored()) != 1 {
		t.Errorf("sent three times: %+v, stored %d", receipt, len(stored()))
	}
	if r := stored()[0]; !r.Correct || r.Expected != "curl" || r.Rung != "live2" || r.RepNo != 1 {
		t.Errorf("stored %+v", r)
	}
	// A batch is stored whole or not at all.
	good := repEvent(live, c.players[1], 2, reads.Under, reads.Curl)
	for text, bad := range map[string]map[string]any{
		"player.missing": repEvent(live, other.players[0], 3, reads.Trail, reads.Curl),
		"rep.block":      repEvent(p.Blocks[0].ID, c.players[0], 3, reads.Trail, reads.Curl),
		"reads.cue":      repEvent(live, c.players[0], 3, reads.NoCue, reads.Curl),
		"evidence.read":  repEvent(live, c.players[0], 3, reads.Trail, reads.Pop),
		"rep.incomplete": {"id": uuid.NewString(), "kind": "rep", "at": evening, "device": "tab"},
		"rep.undo-which": {"id": uuid.NewString(), "kind": "void", "at": evening, "device": "tab"},
		"rep.undo-missing": {"id": uuid.NewString(), "kind": "void", "at": evening, "device": "tab",
			"voids": uuid.NewString()},
		"evidence.tag": withTags(repEvent(live, c.players[0], 3, reads.Trail, reads.Curl), "moon"),
	} {
		status := 422
		if strings.HasSuffix(text, "missing") {
			status = 404
		}
		a.refused("POST", at+"/reps", batch(good, bad), status, text)
	}
	if n := len(stored()); n != 1 {
		t.Fatalf("a refused batch left %d reps", n)
	}
	// A mistake is voided by another event; nothing is changed or deleted.
	void := map[string]any{"id": uuid.NewString(), "kind": "void", "at": evening, "device": "tab", "voids": first["id"]}
	a.do("POST", at+"/reps", batch(good, void, void), 200, nil)
	if reps := stored(); len(reps) != 1 || reps[0].Player != c.players[1] || reps[0].Correct {
		t.Errorf("after the void: %+v", reps)
	}
	a.refused("POST", at+"/reps", batch(map[string]any{"id": uuid.NewString(), "kind": "void", "at": evening,
		"device": "tab", "voids": void["id"]}), 422, "rep.undo-kind")
	if _, err := w.db.Pool.Exec(t.Context(), "UPDATE rep_events SET is_correct = true"); err == nil {
		t.Error("a logged rep was changed")
	}
	// A device whose clock runs three hours ahead does not log in the future.
	ahead := repEvent(live, c.players[2], 3, reads.Jump, reads.BackCut)
	ahead["at"] = evening.Add(3 * time.Hour)
	a.do("POST", at+"/reps", batch(ahead), 200, nil)
	for _, r := range stored() {
		if r.At.After(evening) {
			t.Errorf("a rep at %v", r.At)
		}
	}
	// Another program cannot take the id, nor see the rep.
	o := w.as(other.head)
	var theirs api.Practice
	o.do("POST", other.path("/practices"), planFor(other), 201, &theirs)
	taken := repEvent(theirs.Blocks[3].ID, other.players[0], 1, reads.Trail, reads.Curl)
	taken["id"] = good["id"]
	o.refused("POST", other.path("/practices/"+theirs.Id.String()+"/reps"), batch(taken), 404, "rep.id-taken")
	// Deleting the plan keeps what the players did.
	w.as(c.head).do("DELETE", at, nil, 204, nil)
	var card api.Card
	a.do("GET", c.path("/players/"+c.players[1].String()), nil, 200, &card)
	if len(card.Recent) != 1 {
		t.Errorf("the card shows %d reps", len(card.Recent))
	}
	// Deleting the player deletes the reps, as a family may ask.
	w.as(c.head).do("DELETE", c.path("/players/"+c.players[1].String()), nil, 200, nil)
	var left int
	if err := w.db.Pool.QueryRow(t.Context(), "SELECT count(*) FROM rep_events WHERE player_id = $1",
		c.players[1]).Scan(&left); err != nil || left != 0 {
		t.Errorf("%d reps of a deleted player, %v", left, err)
	}
}

func withTags(e map[string]any, tags ...string) map[string]any {
	e["tags"] = tags
	return e
}

// Twenty correct live reps turn "not enough reps" into "has it", on the board and
// on the first view; a player's record comes along to another team.
func TestLoggingChangesTheBoard(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	a := w.as(c.helper)
	var p api.Practice
	a.do("POST", c.path("/practices"), planFor(c), 201, &p)
	cell := func() evidence.Standing {
		t.Helper()
		var b api.Board
		a.do("GET", c.path("/board?role=cutter"), nil, 200, &b)
		return b.Lines[0].Cells[0]
	}
	if got := cell(); got.Read != "curl" || got.Judgement.Verdict != evidence.NotEnough || got.Held != 0 {
		t.Fatalf("before: %+v", got)
	}
	var now api.Now
	a.do("GET", c.path("/now"), nil, 200, &now)
	if len(now.Holds) != 0 || now.Next == nil || now.Next.Id != p.Id || now.Week.Practices != 1 {
		t.Errorf("before: %+v", now)
	}
	events := []map[string]any{}
	for i := range 20 {
		right := repEvent(p.Blocks[3].ID, c.players[0], i+1, reads.Trail, reads.Curl)
		wrong := withTags(repEvent(p.Blocks[3].ID, c.players[1], i+21, reads.Jump, reads.Straight), "no-backcut")
		events = append(events, right, wrong)
	}
	a.do("POST", c.path("/practices/"+p.Id.String()+"/reps"), batch(events...), 200, nil)
	if got := cell(); got.Judgement.Verdict != evidence.HasIt || got.Held != 4 {
		t.Errorf("after: %s on rung %d", got.Judgement.Verdict, got.Held)
	}
	// The head coach logs the same reps: observations of them, not more reps.
	once := cell()
	seen := []map[string]any{}
	for i := range 20 {
		seen = append(seen, repEvent(p.Blocks[3].ID, c.players[0], i+1, reads.Trail, reads.Curl))
	}
	w.as(c.head).do("POST", c.path("/practices/"+p.Id.String()+"/reps"), batch(seen...), 200, nil)
	if twice := cell(); twice.Judgement.Verdict != once.Judgement.Verdict ||
		twice.Judgement.Count != once.Judgement.Count || twice.Judgement.Chance <= once.Judgement.Chance {
		t.Errorf("seen by two: %+v, by one: %+v", twice.Judgement, once.Judgement)
	}
	a.do("GET", c.path("/now"), nil, 200, &now)
	if len(now.Holds) == 0 || now.Holds[0].Read != reads.BackCut || (*now.Tags)[0].ID != "no-backcut" {
		t.Errorf("after: holds %+v", now.Holds)
	}
	var run api.Run
	a.do("GET", c.path("/practices/"+p.Id.String()+"/run"), nil, 200, &run)
	if advice := run.Blocks[3].Advice; advice == nil || *advice != api.Down {
		t.Errorf("ten reps with fewer than half right: advice %v", advice)
	}
	// The player moves up: the record comes along.
	older := uuid.New()
	floor, _ := court.PresetCourt(court.HighSchool)
	if err := w.db.InsertTeam(t.Context(), gen.InsertTeamParams{ID: older, ProgramID: c.program, Name: "older",
		Season: "s", Ages: "grades 9-12", Court: store.CourtJSON(floor)}); err != nil {
		t.Fatal(err)
	}
	if _, err := w.db.Pool.Exec(t.Context(), "UPDATE players SET team_id = $1 WHERE id = $2", older,
		c.players[0]); err != nil {
		t.Fatal(err)
	}
	var moved api.Board
	a.do("GET", "/api/teams/"+older.String()+"/board?role=cutter", nil, 200, &moved)
	if len(moved.Lines) != 1 || moved.Lines[0].Cells[0].Held != 4 {
		t.Errorf("on the older team's board: %+v", moved.Lines)
	}
	if left := cell(); string(left.Player) != c.players[1].String() {
		t.Errorf("the younger team's board still begins with %s", left.Player)
	}
	var catalogue api.Catalogue
	a.do("GET", "/api/catalogue", nil, 200, &catalogue)
	if len(catalogue.Ladder) != 8 || len(catalogue.Courts) != 5 || len(catalogue.Ages) != 4 {
		t.Errorf("catalogue: %d rungs, %d courts", len(catalogue.Ladder), len(catalogue.Courts))
	}
}
