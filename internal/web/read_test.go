package web

import (
	"strings"
	"testing"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/web/api"
)

// The page of one read: who needs it first, what is made in its place and by whom,
// what to correct and which drills ask for it; a rep that two watched counts once.
func TestReadPage(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	var events []map[string]any
	log := func(player, n int, made reads.Read, tags ...string) {
		rep := repEvent(p.Blocks[3].ID, c.players[player], len(events)+1, reads.Jump, made)
		rep["tags"] = append([]string{}, tags...)
		for range n {
			events = append(events, rep)
		}
	}
	for range 20 {
		log(0, 1, reads.BackCut)
		log(1, 1, reads.Straight, "no-backcut")
	}
	log(2, 1, reads.Curl)
	twice := repEvent(p.Blocks[3].ID, c.players[2], len(events), reads.Jump, reads.Curl)
	twice["device"] = "another"
	head.do("POST", at+"/reps", batch(append(events, twice)...), 200, nil)
	var page api.ReadPage
	head.do("GET", c.path("/reads/backcut"), nil, 200, &page)
	if page.Role != "cutter" || len(page.Standings) != 8 || len(page.Drills) == 0 {
		t.Fatalf("%+v", page)
	}
	if first, last := page.Standings[0], page.Standings[7]; string(first.Player) != c.players[1].String() ||
		first.Judgement.Verdict != evidence.NotYet ||
		string(last.Player) != c.players[0].String() || last.Judgement.Verdict != evidence.HasIt {
		t.Errorf("%+v to %+v", first, last)
	}
	if m := page.Confusion; m.Reps != 41 || m.Made[0].Count != 20 || m.Made[2].Made != reads.Curl ||
		m.Made[2].Count != 1 {
		t.Errorf("%+v", m)
	}
	if page.Tags[0].ID != "no-backcut" || page.Tags[0].Count != 20 || len(page.Curve) != 1 || page.Curve[0].Reps != 41 {
		t.Errorf("%+v %+v", page.Tags, page.Curve)
	}
	// The same as files.
	if text := head.do("GET", c.path("/evidence?what=reps"), nil, 200, nil); strings.Count(text, "\r\n") != 42 ||
		!strings.Contains(text, ",backcut,straight,,") {
		t.Error(text)
	}
	if text := head.do("GET", c.path("/evidence?what=verdicts"), nil, 200, nil); !strings.Contains(text,
		",cutter,backcut,live,not-yet,,0,20,") || !strings.Contains(text, ",backcut,live,has,,20,20,") {
		t.Error(text)
	}
	head.refused("GET", c.path("/evidence?what=all"), nil, 422, "read.export")
	head.refused("GET", c.path("/reads/moonwalk"), nil, 404, "read.missing")
}

// A player who moves up keeps the record, and what a device logged before it heard of
// that is taken.
func TestMovingUp(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	up := w.teamOf(c, "varsity")
	for n := 1; n <= 9; n++ {
		head.do("POST", at+"/reps", batch(repEvent(p.Blocks[3].ID, c.players[0], n, reads.Trail, reads.Curl)), 200, nil)
	}
	path := "/players/" + c.players[0].String() + "/team"
	head.refused("PUT", c.path(path), map[string]any{"team": uuid.New()}, 404, "team.missing")
	w.as(c.helper).refused("PUT", c.path(path), map[string]any{"team": up.team}, 403, "role.head-coach")
	head.do("PUT", c.path(path), map[string]any{"team": up.team}, 204, nil)
	head.refused("PUT", c.path(path), map[string]any{"team": up.team}, 404, "player.missing")
	var board api.Board
	head.do("GET", up.path("/board?role=cutter"), nil, 200, &board)
	if len(board.Players) != 1 || board.Lines[0].Cells[0].Judgement.Reps != 9 {
		t.Errorf("%+v", board)
	}
	head.do("POST", at+"/reps", batch(repEvent(p.Blocks[3].ID, c.players[0], 10, reads.Trail, reads.Curl)), 200, nil)
	head.do("GET", up.path("/board?role=cutter"), nil, 200, &board)
	if board.Lines[0].Cells[0].Judgement.Reps != 10 {
		t.Errorf("%+v", board.Lines)
	}
	// The number is taken there.
	head.do("POST", c.path("/players"), map[string]any{"jersey": "0", "name": "Again", "handler": false, "wing": false,
		"big": false, "shooter": false}, 201, nil)
	var list []api.Player
	head.do("GET", c.path("/players"), nil, 200, &list)
	head.refused("PUT", c.path("/players/"+list[0].Id.String()+"/team"), map[string]any{"team": up.team}, 409,
		"team.jersey-taken-there")
}

// The program sets teams side by side; the board narrows to a rung, a side and a period,
// and refuses what nothing can pass; a player's read opens to its reps.
func TestProgramAndFilters(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	w.teamOf(c, "older")
	for k := range 8 {
		head.do("POST", at+"/reps", batch(repEvent(p.Blocks[3].ID, c.players[0], k+1, reads.Trail, reads.Curl)), 200,
			nil)
	}
	var program api.Program
	head.do("GET", "/api/program", nil, 200, &program)
	if len(program.Teams) != 2 || program.Teams[0].Reps+program.Teams[1].Reps != 8 || len(program.Columns) == 0 {
		t.Errorf("%+v", program)
	}
	var board api.Board
	count := func(query string) int {
		head.do("GET", c.path("/board?role=all"+query), nil, 200, &board)
		return board.Reps
	}
	for query, want := range map[string]int{"": 8, "&rung=live2": 8, "&rung=shown": 0, "&side=right": 8,
		"&side=left":       0,
		"&from=2026-03-20": 8, "&from=2026-03-21": 0, "&until=2026-03-19": 0,
		"&until=2026-03-20&rung=live2&side=right": 8} {
		if got := count(query); got != want {
			t.Errorf("%s: %d reps, want %d", query, got, want)
		}
	}
	for query, says := range map[string]string{"&rung=air": "evidence.rung-not-judged", "&rung=attic": "evidence.rung",
		"&side=up": "evidence.side", "&from=2026-03-02&until=2026-03-01": "evidence.period-order",
		"&from=tomorrow": "evidence.day"} {
		head.refused("GET", c.path("/board?role=all"+query), nil, 422, says)
	}
	if count(""); len(board.Holds) != len(board.Columns) {
		t.Errorf("%d columns, %d in order", len(board.Columns), len(board.Holds))
	}
	var read api.PlayerRead
	head.do("GET", c.path("/players/"+c.players[0].String()+"/reads/curl"), nil, 200, &read)
	if len(read.Reps) != 8 || !read.Reps[0].Correct || len(read.Curve) != 1 {
		t.Errorf("%+v", read)
	}
	head.refused("GET", c.path("/players/"+c.players[0].String()+"/reads/dunk"), nil, 404, "read.missing")
	var card api.Card
	head.do("GET", c.path("/players/"+c.players[0].String()), nil, 200, &card)
	if len(card.Words.Strengths) != 1 || len(card.Words.Next) != 2 {
		t.Errorf("%+v", card.Words)
	}
	var now api.Now
	head.do("GET", c.path("/now"), nil, 200, &now)
	if now.Suggestion == nil || now.Suggestion.Reason == "" {
		t.Errorf("no suggestion: %+v", now.Suggestion)
	}
}
