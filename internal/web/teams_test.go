package web

import (
	"strings"
	"testing"
	"unicode"

	"evrik/internal/web/api"
)

// A team is added, another is archived and deleted, and its players go with it. The service's tests cover refusals.
func TestTeams(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 2)
	head := w.as(c.head)
	var made api.TeamEntry
	head.do("POST", "/api/teams", map[string]string{"name": "U16", "ages": "12-14"}, 201, &made)
	head.do("PUT", c.path("/archived"), map[string]bool{"archived": true}, 204, nil)
	var list []api.TeamEntry
	head.do("GET", "/api/teams", nil, 200, &list)
	if len(list) != 2 || !list[0].Archived || list[0].Players != 2 || list[1].Archived {
		t.Errorf("%+v", list)
	}
	head.do("POST", c.path("/delete"), map[string]string{"name": "club"}, 204, nil)
	var s api.Session
	head.do("GET", "/api/session", nil, 200, &s)
	var players int
	if err := w.db.Pool.QueryRow(t.Context(), "SELECT count(*) FROM players").Scan(&players); err != nil ||
		players != 0 || len(s.Teams) != 1 || s.Teams[0].Name != "U16" {
		t.Errorf("%d players are left, %+v, %v", players, s.Teams, err)
	}
}

// A calendar file holds no bare control character, whatever a note does.
func TestCalendarHoldsNoControlCharacters(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 2)
	head := w.as(c.head)
	plan := planFor(c)
	plan["note"] = "one\x0btwo\rthree\x1b[31m\x7f\nfour\tfive"
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	text := head.do("GET", c.path("/practices/"+p.Id.String()+"/export?format=ics"), nil, 200, nil)
	for i, line := range strings.Split(text, "\r\n") {
		if strings.ContainsFunc(line, func(r rune) bool { return unicode.IsControl(r) && r != '\t' }) {
			t.Errorf("line %d: %q", i+1, line)
		}
	}
	for _, want := range []string{"onetwothree", `\nfour`} {
		if !strings.Contains(strings.ReplaceAll(text, "\r\n ", ""), want) {
			t.Errorf("%q is not in %q", want, text)
		}
	}
}

// Where a coach's notes hold the name of an erased player, they are listed.
func TestErasingListsNotes(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 2)
	head := w.as(c.head)
	name := map[string]any{"jersey": "0", "name": "Ada", "handler": false, "wing": false, "big": false,
		"shooter": false}
	at := c.path("/players/" + c.players[0].String())
	head.do("PUT", at, name, 200, nil)
	plan := planFor(c)
	plan["note"] = "Bring cones.\nada: shorter steps"
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	var got api.Erased
	head.do("DELETE", at, nil, 200, &got)
	if len(got.Notes) != 1 || got.Notes[0].Id != p.Id || got.Notes[0].Text != "ada: shorter steps" {
		t.Errorf("%+v", got)
	}
	head.do("DELETE", c.path("/players/"+c.players[1].String()), nil, 200, &got)
	if len(got.Notes) != 0 {
		t.Errorf("%+v", got)
	}
}
