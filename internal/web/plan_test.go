package web

import (
	"encoding/csv"
	"io"
	"net/http"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/emersion/go-ical"
	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/web/api"
)

// TestFillPlan goes the coach's way: fill, pin, shorten, fill again, fill holes.
func TestFillPlan(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 12)
	head := w.as(c.head)
	plan := planFor(c)
	plan["blocks"], plan["minutes"] = []any{}, 90
	fill := func(scope string, into *practice.Filled) {
		t.Helper()
		head.do("POST", c.path("/fill"), map[string]any{"plan": plan, "scope": scope}, 200, into)
	}
	var f practice.Filled
	fill("evening", &f)
	drills := 0
	for _, b := range f.Blocks {
		if _, err := uuid.Parse(b.ID); err != nil {
			t.Errorf("block %q has no id of its own", b.Title)
		}
		if b.Kind == practice.DrillBlock {
			drills++
		}
	}
	if drills < 2 || len(f.Reasons) == 0 || len(f.Sheet.Goals) == 0 || len(f.Sheet.Rules) == 0 {
		t.Fatalf("%+v", f)
	}
	// What is filled can be stored, pins, ends and groups included.
	pinned := slices.IndexFunc(f.Blocks, func(b practice.Block) bool { return b.Kind == practice.DrillBlock })
	f.Blocks[pinned].Pin = true
	f.Blocks[0].Players = []string{c.players[0].String()}
	terms := practice.DefaultTerms()
	terms.Focus, terms.Expect, terms.Helpers = []reads.Read{reads.Fade}, []reads.Cue{reads.Trail}, 3
	plan["blocks"], plan["limited"], plan["terms"] = f.Blocks, c.players[:1], terms
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	if !p.Blocks[pinned].Pin || len(p.Blocks[0].Players) != 1 || len(p.Limited) != 1 || p.Terms.Helpers != 3 ||
		p.Terms.Expect[0] != reads.Trail {
		t.Errorf("stored %+v", p)
	}
	plan["minutes"] = 75
	var shorter practice.Filled
	fill("evening", &shorter)
	if shorter.Sheet.Left < 0 || !slices.ContainsFunc(shorter.Blocks,
		func(b practice.Block) bool { return b.ID == f.Blocks[pinned].ID && b.Pin }) {
		t.Errorf("the pinned block is gone: %+v", shorter.Blocks)
	}
	plan["blocks"], plan["minutes"] = shorter.Blocks, 90
	var holes practice.Filled
	fill("holes", &holes)
	if len(holes.Blocks) < len(shorter.Blocks) {
		t.Errorf("holes: %d blocks after %d", len(holes.Blocks), len(shorter.Blocks))
	}
	plan["present"] = []any{}
	head.refused("POST", c.path("/fill"), map[string]any{"plan": plan, "scope": "evening"}, 409, "practice.nobody-here")
	plan["present"], plan["blocks"] = c.players, shorter.Blocks
	terms.Banned = []string{f.Blocks[pinned].Drill}
	plan["terms"] = terms
	head.refused("POST", c.path("/fill"), map[string]any{"plan": plan, "scope": "evening"}, 409,
		"practice.left-out-and-in")
	terms.Helpers = 99
	plan["terms"] = terms
	head.refused("POST", c.path("/fill"), map[string]any{"plan": plan, "scope": "evening"}, 422, "practice.helpers")
}

// A young team leaves out ball screens and zone drills until its coach turns them on; the
// switch is kept, and every other team is told nothing of it.
func TestActionsByAge(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 6)
	head := w.as(c.head)
	left := func() *api.LeftOut {
		var in api.Session
		head.do("GET", "/api/session", nil, 200, &in)
		return in.Teams[0].LeftOut
	}
	if out := left(); out != nil {
		t.Errorf("ages 12 to 14 leave out %+v", out)
	}
	body := bodyFor("updateTeam", c).(map[string]any)
	body["ages"] = "9-11"
	head.do("PUT", c.path(""), body, 200, nil)
	if out := left(); out == nil || !slices.Contains(out.Actions, "ball") || !slices.Contains(out.Groups, "zone") {
		t.Errorf("ages 9 to 11 leave out %+v", out)
	}
	// What was run with a ball screen before is not what the season is taken to be for.
	plan := planFor(c)
	block := plan["blocks"].([]any)[1].(map[string]any)
	block["title"], block["drill"], block["stage"] = "Screens", "set-up-ladder", "shown"
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	rep := repEvent(p.Blocks[1].ID, c.players[0], 1, reads.Drop, reads.PullUp)
	head.do("POST", c.path("/practices/"+p.Id.String()+"/reps"), batch(rep), 200, nil)
	season := func() (out api.Season) {
		head.do("GET", c.path("/season"), nil, 200, &out)
		return out
	}
	if aim := season().Aim; slices.Contains(aim.Install, reads.Ball) {
		t.Errorf("at this age the season is for %v", aim.Install)
	}
	body["teamRules"] = map[string]bool{"fadeToCorner": false, "flareFirst": false, "shootFirst": false,
		"allActions": true}
	var team api.Team
	head.do("PUT", c.path(""), body, 200, &team)
	if out := left(); out != nil || !team.TeamRules.AllActions {
		t.Errorf("with all actions on they leave out %+v, kept %v", out, team.TeamRules.AllActions)
	}
	if aim := season().Aim; !slices.Contains(aim.Install, reads.Ball) {
		t.Errorf("with all actions on the season is for %v", aim.Install)
	}
}

// A time that cannot be kept is refused with the smallest change.
func TestPracticeTimes(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 6)
	head := w.as(c.head)
	var team api.Team
	head.do("GET", c.path(""), nil, 200, &team)
	in := map[string]any{"name": team.Name, "season": "s", "ages": team.Ages, "court": team.Court, "metric": false,
		"teamRules": team.TeamRules, "zone": "Mars/Olympus"}
	head.refused("PUT", c.path(""), in, 422, "team.time-zone")
	in["zone"], in["localRule"] = "America/Chicago", practice.LocalRule{MaxPerWeek: 3}
	head.do("PUT", c.path(""), in, 200, &team)
	if team.Zone != "America/Chicago" || team.LocalRule.MaxPerWeek != 3 || team.Feed {
		t.Errorf("%+v", team)
	}
	in["localRule"] = practice.LocalRule{RestDays: 9}
	head.refused("PUT", c.path(""), in, 422, "practice.local-rest")
	zone, _ := time.LoadLocation("America/Chicago")
	plan := planFor(c)
	at := func(day, hour int) { plan["startsAt"] = time.Date(2026, 3, day, hour, 0, 0, 0, zone) }
	at(20, 18)
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	head.refused("POST", c.path("/practices"), plan, 409, "practice.overlaps")
	at(20, 23)
	plan["minutes"] = 90
	head.refused("POST", c.path("/practices"), plan, 409, "practice.past-midnight")
	// US clocks go forward on 8 March 2026 at 02:00 (US rule, from memory).
	at(8, 1)
	head.refused("POST", c.path("/practices"), plan, 409, "practice.clock-change")
	at(21, 18)
	var q api.Practice
	head.do("POST", c.path("/practices"), renamed(plan), 201, &q)
	at(20, 18)
	head.refused("PUT", c.path("/practices/"+q.Id.String()), plan, 409, "practice.overlaps")
	// A change that keeps the time is stored whatever else is planned.
	at(21, 18)
	plan["note"] = "kept"
	head.do("PUT", c.path("/practices/"+q.Id.String()), plan, 200, &q)
}

// readCalendar parses with a library the server does not use.
func readCalendar(t *testing.T, text string) []ical.Event {
	t.Helper()
	for _, line := range strings.Split(text, "\r\n") {
		if len(line) > 75 { // RFC 5545, 3.1: octets of a line
			t.Errorf("a line of %d octets: %s", len(line), line)
		}
	}
	cal, err := ical.NewDecoder(strings.NewReader(text)).Decode()
	if err != nil {
		t.Fatalf("%v in\n%s", err, text)
	}
	return cal.Events()
}

func TestExportAndFeed(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	head, helper := w.as(c.head), w.as(c.helper)
	plan := planFor(c)
	plan["blocks"].([]any)[0].(map[string]any)["title"] = "=1+1, and a long title; with commas\\ ü"
	plan["note"] = strings.Repeat("Bring the pinnies and look at the screener's feet. ", 4)
	plan["startsAt"] = time.Date(2026, 3, 28, 18, 0, 0, 0, time.UTC)
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	// The night after, European clocks change; both practices keep their moment.
	plan["startsAt"] = time.Date(2026, 3, 29, 17, 0, 0, 0, time.UTC)
	var q api.Practice
	head.do("POST", c.path("/practices"), renamed(plan), 201, &q)

	at := c.path("/practices/" + p.Id.String() + "/export?format=")
	rows, err := csv.NewReader(strings.NewReader(head.do("GET", at+"csv", nil, 200, nil))).ReadAll()
	if err != nil || len(rows) != 5 || rows[1][5] != "'=1+1, and a long title; with commas\\ ü" ||
		rows[2][0] != "18:10" || rows[2][8] != "30" {
		t.Errorf("%v %q", err, rows)
	}
	events := readCalendar(t, head.do("GET", at+"ics", nil, 200, nil))
	berlin, _ := time.LoadLocation("Europe/Berlin")
	if len(events) != 1 {
		t.Fatalf("%d events", len(events))
	}
	start, err := events[0].DateTimeStart(berlin)
	text, _ := events[0].Props.Text(ical.PropDescription)
	if err != nil || !start.Equal(p.StartsAt) || !strings.Contains(text, "look at the screener's feet") ||
		strings.Contains(text, "P0") {
		t.Errorf("%v %v %q", start, err, text)
	}
	var file api.PlanFile
	head.do("GET", at+"json", nil, 200, &file)
	if file.Schema != practice.FileSchema || len(file.Blocks) != 4 || file.Minutes != 60 {
		t.Errorf("%+v", file)
	}

	var feed struct{ Path string }
	helper.refused("POST", c.path("/feed"), nil, 403, "role.head-coach")
	head.do("POST", c.path("/feed"), nil, 200, &feed)
	get := func(path string) (int, string) {
		res, err := http.Get(w.server.URL + path)
		if err != nil {
			t.Fatal(err)
		}
		defer res.Body.Close()
		b, err := io.ReadAll(res.Body)
		if err != nil {
			t.Fatal(err)
		}
		return res.StatusCode, string(b)
	}
	status, body := get(feed.Path)
	if status != 200 {
		t.Fatalf("%d %s", status, body)
	}
	moments := map[string]bool{}
	for _, zone := range []string{"Europe/Berlin", "America/Chicago", "UTC", "Asia/Kolkata"} {
		in, _ := time.LoadLocation(zone)
		for _, e := range readCalendar(t, body) {
			start, err := e.DateTimeStart(in)
			end, err2 := e.DateTimeEnd(in)
			if err != nil || err2 != nil || end.Sub(start) != time.Hour {
				t.Errorf("%s: %v to %v, %v %v", zone, start, end, err, err2)
			}
			moments[start.UTC().Format(time.RFC3339)] = true
		}
	}
	if len(moments) != 2 || !moments["2026-03-28T18:00:00Z"] || !moments["2026-03-29T17:00:00Z"] {
		t.Errorf("the practices moved with the reader's zone: %v", moments)
	}
	// The team's zone is changed: the moments stand.
	if status, _ := get(feed.Path + ".ics"); status != 200 {
		t.Errorf("with .ics: %d", status)
	}
	old := feed.Path
	head.do("POST", c.path("/feed"), nil, 200, &feed)
	if status, body := get(old); status != 404 || !strings.Contains(body, "does not work any more") {
		t.Errorf("a replaced address: %d %s", status, body)
	}
	if len(feed.Path) < 40 || old == feed.Path {
		t.Errorf("address %q", feed.Path)
	}
	head.do("DELETE", c.path("/feed"), nil, 204, nil)
	if status, _ := get(feed.Path); status != 404 {
		t.Errorf("a revoked address: %d", status)
	}
}

func TestOutbox(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 8), w.club("other", 1)
	head := w.as(c.head)
	var list []api.Mail
	head.do("GET", "/api/outbox", nil, 200, &list)
	if len(list) != 0 {
		t.Errorf("%+v", list)
	}
	var p api.Practice
	head.do("POST", c.path("/practices"), planFor(c), 201, &p)
	for range 2 {
		head.do("POST", c.path("/practices/"+p.Id.String()+"/mail"), nil, 200, &list)
	}
	if len(list) != 1 || list[0].To != c.helper || !strings.Contains(list[0].Subject, "Friday, March 20, 6:00 PM") {
		t.Errorf("%+v", list)
	}
	var m api.MailText
	head.do("GET", "/api/outbox/"+list[0].Id, nil, 200, &m)
	if !strings.Contains(m.Text, "6:10 PM  Slot twos, ") || len(m.Attachments) != 1 ||
		m.Attachments[0] != "practice.ics" || strings.Contains(m.Text, "P0") {
		t.Errorf("%+v", m)
	}
	head.do("GET", "/api/outbox", nil, 200, &list)
	if len(list) != 2 || list[0].Id != m.Mail.Id {
		t.Errorf("%+v", list)
	}
	// Another program sees none of it, and a path is not a message.
	w.as(other.head).refused("GET", "/api/outbox/"+m.Mail.Id, nil, 404, "mail.missing")
	head.refused("GET", "/api/outbox/passwd", nil, 404, "mail.missing")
	var staff []api.Person
	head.do("GET", "/api/staff", nil, 200, &staff)
	for _, s := range staff {
		if s.Role == "assistant" {
			head.do("DELETE", "/api/staff/"+s.Id.String(), nil, 204, nil)
		}
	}
	head.refused("POST", c.path("/practices/"+p.Id.String()+"/mail"), nil, 409, "mail.no-assistant")
}

func TestTemplatesAndCarryOver(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 8), w.club("other", 1)
	head := w.as(c.head)
	plan := planFor(c)
	var kept api.Template
	head.do("POST", c.path("/templates"), map[string]any{"name": " Tuesday ", "minutes": 60, "blocks": plan["blocks"]},
		201, &kept)
	head.refused("POST", c.path("/templates"), map[string]any{"name": " ", "minutes": 60, "blocks": plan["blocks"]},
		422, "account.text-length")
	var list []api.Template
	head.do("GET", c.path("/templates"), nil, 200, &list)
	if len(list) != 1 || list[0].Name != "Tuesday" || len(list[0].Blocks) != 4 {
		t.Errorf("%+v", list)
	}
	w.as(other.head).refused("DELETE", other.path("/templates/"+kept.Id.String()), nil, 404, "template.missing")
	head.do("DELETE", c.path("/templates/"+kept.Id.String()), nil, 204, nil)
	head.refused("DELETE", c.path("/templates/"+kept.Id.String()), nil, 404, "template.missing")

	var before, next api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &before)
	plan["startsAt"] = evening.AddDate(0, 0, 2)
	head.do("POST", c.path("/practices"), renamed(plan), 201, &next)
	carry := func() (left []practice.Block) {
		t.Helper()
		head.do("GET", c.path("/practices/"+next.Id.String()+"/carry"), nil, 200, &left)
		return left
	}
	if left := carry(); len(left) != 0 {
		t.Errorf("a practice that is not done leaves %+v", left)
	}
	rep := map[string]any{"id": uuid.NewString(), "kind": "rep", "at": evening, "device": "d",
		"block": before.Blocks[1].ID, "player": c.players[0],
		"role": "cutter", "side": "right", "cue": "trail", "made": "curl", "repNo": 1}
	head.do("POST", c.path("/practices/"+before.Id.String()+"/reps"), map[string]any{"events": []any{rep}}, 200, nil)
	head.do("POST", c.path("/practices/"+before.Id.String()+"/clock"), map[string]any{"action": "finish"}, 200, nil)
	if left := carry(); len(left) != 1 || left[0].ID != before.Blocks[3].ID {
		t.Errorf("carried over %+v", left)
	}
}

// A player who is named twice is there once: the list is a set, and the database never has
// to say so.
func TestNamedTwiceIsThereOnce(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	plan := planFor(c)
	plan["present"] = []any{c.players[0], c.players[1], c.players[0]}
	var made api.Practice
	w.as(c.head).do("POST", c.path("/practices"), plan, 201, &made)
	if len(made.Present) != 2 {
		t.Errorf("present: %v", made.Present)
	}
}

func TestLoadsAndSeason(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	head := w.as(c.head)
	plan := planFor(c)
	for _, day := range []int{-3, -2, -1, 0, 1} { // Tuesday to Saturday
		plan["startsAt"] = evening.AddDate(0, 0, day)
		head.do("POST", c.path("/practices"), renamed(plan), 201, nil)
	}
	var week practice.Week
	head.do("GET", c.path("/loads"), nil, 200, &week)
	p := week.Players[0]
	if week.From != "2026-03-16" || p.Practices != 5 || p.RestDays != 2 || p.Total.Minutes != 5*30 ||
		p.Total.HardMinutes != 5*10 || p.Days[0].Minutes != 0 {
		t.Errorf("%+v", p)
	}
	if len(week.Warnings) != 1 || !strings.Contains(week.Warnings[0].Text, "more than 4 practices") ||
		!strings.Contains(week.Warnings[0].Source, "Youth Guidelines") {
		t.Errorf("%+v", week.Warnings)
	}
	head.do("GET", c.path("/loads?from=2026-03-25"), nil, 200, &week)
	if week.From != "2026-03-23" || week.Players[0].Practices != 0 {
		t.Errorf("%+v", week)
	}
	head.refused("GET", c.path("/loads?from=soon"), nil, 422, "week.day")

	var season api.Season
	head.do("GET", c.path("/season"), nil, 200, &season)
	if season.Aim.Install[0] != reads.Down || len(season.Plan.Days) < 6 {
		t.Errorf("%+v", season)
	}
	aim := season.Aim
	aim.Games = []practice.SeasonGame{{Date: "2026-04-18", Needs: []string{reads.Down}}}
	head.do("PUT", c.path("/season"), aim, 200, &season)
	head.do("GET", c.path("/season"), nil, 200, &season)
	if len(season.Aim.Games) != 1 || !slices.ContainsFunc(season.Plan.Days,
		func(d practice.SeasonDay) bool { return d.Game && len(d.Ready) == 1 }) {
		t.Errorf("%+v", season.Plan)
	}
	// A plan for a day of the season says what is due, and weighs it.
	plan["startsAt"] = season.Plan.Days[0].Date + "T18:00:00Z"
	var sheet practice.Sheet
	head.do("POST", c.path("/sheet"), plan, 200, &sheet)
	if len(sheet.Due) != 1 || sheet.Due[0].Action != reads.Down || !slices.Contains(sheet.Due[0].Reads, reads.Curl) {
		t.Errorf("due on %v: %+v", plan["startsAt"], sheet.Due)
	}
	aim.PerPractice = 0
	head.refused("PUT", c.path("/season"), aim, 422, "practice.per-practice")
}
