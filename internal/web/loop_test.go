package web

import (
	"reflect"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
	"evrik/core/roster"
	"evrik/internal/web/api"
)

func downTrail() reads.Snapshot {
	action, _ := reads.ActionByID(reads.Down)
	c, _ := court.PresetCourt(court.HighSchool)
	return action.Example(c, reads.Trail)
}

// planFor is an hour with one shown and one live block.
func planFor(c club) map[string]any {
	block := func(kind, title, stage string, minutes float64) map[string]any {
		b := map[string]any{"id": uuid.NewString(), "kind": kind, "title": title, "drill": "", "stage": "",
			"minutes": minutes, "baskets": 1, "seconds": 20, "seed": 3, "basket": 0, "players": []string{},
			"pin": false, "noHelpers": false}
		if kind == "drill" {
			b["drill"], b["stage"] = "slot-twos", stage
		}
		return b
	}
	return map[string]any{"startsAt": evening, "minutes": 60, "note": "", "present": c.players, "blocks": []any{
		block("own", "Warm-up", "", 10), block("drill", "Slot twos", "shown", 10), block("water", "Water", "", 2),
		block("drill", "Slot twos", "live", 10),
	}}
}

// renamed gives a plan's blocks new ids, for another practice.
func renamed(plan map[string]any) map[string]any {
	for _, b := range plan["blocks"].([]any) {
		b.(map[string]any)["id"] = uuid.NewString()
	}
	return plan
}

func TestRoster(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 3)
	head := w.as(c.head)
	entry := roster.Entry{Jersey: "00", Name: "Double", Wing: true}
	var made api.Player
	head.do("POST", c.path("/players"), entry, 201, &made)
	head.refused("POST", c.path("/players"), entry, 409, "team.jersey-taken")
	head.refused("POST", c.path("/players"), roster.Entry{Jersey: "123", Name: "x"}, 422, "roster.number")
	at := c.path("/players/" + made.Id.String())
	head.refused("PUT", at, roster.Entry{Jersey: "1", Name: "Double"}, 409, "team.jersey-taken")
	head.refused("PUT", at, roster.Entry{Jersey: "1", Name: ""}, 422, "roster.no-name")
	head.do("PUT", at, roster.Entry{Jersey: "99", Name: "Renamed", Big: true}, 200, &made)
	if made.Jersey != "99" || !made.Big || made.Wing {
		t.Errorf("changed to %+v", made)
	}
	head.do("DELETE", at, nil, 200, nil)
	head.refused("DELETE", at, nil, 404, "player.missing")

	list := func(text string) api.RosterList { return api.RosterList{Text: &text} }
	var r api.RosterPreview
	head.do("POST", c.path("/roster/preview"), list("jersey,name,born\n00,Ada,2011\n0,Bo,2012\n"), 200, &r)
	if len(r.Errors) != 1 || r.Errors[0].Row != 3 || r.Errors[0].Reason.Code == "" || len(r.Columns) != 3 ||
		r.Columns[2].Use != roster.Ignore {
		t.Errorf("the preview says %+v", r)
	}
	head.refused("POST", c.path("/roster"), list("00 Ada\n50 =1+1\n"), 422, "roster.line")
	var players []api.Player
	head.do("GET", c.path("/players"), nil, 200, &players)
	if len(players) != 3 {
		t.Fatalf("a previewed or refused list left %d players", len(players))
	}
	skip, text := true, "00 Ada\n50 =1+1\n"
	head.do("POST", c.path("/roster"), api.RosterList{Text: &text, Skip: &skip}, 200, &r)
	head.do("POST", c.path("/roster"), list("jersey,name,shooter\n00,Ada,yes\n50,Cleo,no\n"), 200, &r)
	if r.Message != "The roster is saved: 1 new, 1 changed, 0 as before." {
		t.Errorf("imported %+v", r)
	}
	// Two swap their numbers in one list.
	head.do("POST", c.path("/roster"), list("1 P0\n0 P1"), 200, &r)
	head.do("GET", c.path("/players"), nil, 200, &players)
	if players[0].Jersey != "0" || players[0].Name != "P1" || players[2].Name != "P0" {
		t.Errorf("after the swap: %+v", players)
	}
	csv := head.do("GET", c.path("/roster"), nil, 200, nil)
	if !strings.Contains(csv, "00,Ada,no,no,no,yes\r\n") || strings.Index(csv, "0,P1") > strings.Index(csv, "00,Ada") {
		t.Errorf("export:\n%s", csv)
	}
	head.do("POST", c.path("/roster"), list(strings.Repeat("x", 20<<20)), 413, nil)
}

func TestTeach(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	head := w.as(c.head)
	var a reads.Judgment
	head.do("POST", c.path("/judge"), downTrail(), 200, &a)
	if a.Cue != reads.Trail || a.Row.CutterRead != reads.Curl || a.Margin < 1 {
		t.Errorf("answer %+v", a)
	}
	for text, change := range map[string]func(*reads.Snapshot){
		"reads.off-court":   func(s *reads.Snapshot) { s.XCutter.X = 90 },
		"reads.on-one-spot": func(s *reads.Snapshot) { s.XCutter = s.Screener },
		"reads.action":      func(s *reads.Snapshot) { s.Action = "moon" },
	} {
		s := downTrail()
		change(&s)
		for _, to := range []string{"/judge", "/readmap?mover=xCutter", "/play"} {
			head.refused("POST", c.path(to), s, 422, text)
		}
	}
	head.refused("POST", c.path("/judge"), `{"action":"down","xCutter":{"x":NaN,"y":1}}`, 422, "request.malformed")
	head.refused("POST", c.path("/judge"), `{"action":"down","xCutter":{"x":"left","y":1}}`, 422,
		"request.does-not-fit")
	head.refused("POST", c.path("/judge"), `{"action":"down"}`, 422, "request.does-not-fit")
	head.refused("GET", c.path("/lesson?action=moon"), nil, 404, "action.missing")
	head.do("POST", c.path("/readmap?mover=ball"), downTrail(), 422, nil)
	head.do("POST", c.path("/readmap?mover=xScreener"), downTrail(), 200, nil)

	// Every action of the catalogue can be taught: lesson, answer, map of
	// every defender, play and a question.
	var known api.Catalogue
	head.do("GET", "/api/catalogue", nil, 200, &known)
	for _, action := range known.Actions {
		var l api.Lesson
		head.do("GET", c.path("/lesson?action="+action.ID), nil, 200, &l)
		for i, s := range l.Examples {
			var a reads.Judgment
			head.do("POST", c.path("/judge"), s, 200, &a)
			if a.Cue != l.Rows[i].Cue || (a.Help != nil) != (action.Family == reads.BallUp) {
				t.Errorf("%s: example of %s judged %s, help %v", action.ID, l.Rows[i].Cue, a.Cue, a.Help)
			}
			if l.Deciders[i] != string(a.Decider) ||
				!slices.ContainsFunc(action.Participants, func(p reads.Participant) bool { return p.ID == a.Decider }) {
				t.Errorf("%s: %s is decided by %q, the lesson says %q", action.ID, a.Cue, a.Decider, l.Deciders[i])
			}
			head.do("POST", c.path("/play"), s, 200, nil)
		}
		for _, p := range action.Participants {
			if p.ID.Defends() {
				head.do("POST", c.path("/readmap?mover="+p.ID.String()), l.Examples[0], 200, nil)
			}
		}
		head.do("GET", c.path("/question?seed=3&action="+action.ID), nil, 200, nil)
	}
	var hits []reads.Hit
	head.do("GET", c.path("/search?words=he+goes+under+on+the+flare"), nil, 200, &hits)
	if len(hits) == 0 || hits[0].Action != reads.FlareS || hits[0].Cue != reads.Under {
		t.Errorf("search: %+v", hits)
	}
	var sheet api.TapeSheet
	head.do("GET", c.path("/tape?action=stagger"), nil, 200, &sheet)
	if len(sheet.Marks) < 10 || !sheet.Marks[1].Screen ||
		!strings.HasPrefix(sheet.Marks[1].Name, "Left staggered pair") || sheet.Marks[4].Screen {
		t.Errorf("tape of a screen: %+v", sheet.Marks)
	}
	head.refused("GET", c.path("/tape?action=moon"), nil, 404, "action.missing")
	head.do("POST", c.path("/play"), downTrail(), 200, nil)

	var asked reads.Snapshot
	head.do("GET", c.path("/question?action=flare&seed=9"), nil, 200, &asked)
	head.do("POST", c.path("/judge"), asked, 200, &a)
	if a.Action != "flare" || a.State != reads.Clearly || len(a.Options) < 4 {
		t.Errorf("question judged %+v", a)
	}
	head.refused("GET", c.path("/question?action=moon&seed=9"), nil, 404, "action.missing")
	var tape api.TapeSheet
	head.do("GET", c.path("/tape"), nil, 200, &tape)
	if len(tape.Marks) < 15 || !strings.Contains(tape.Source, "Rules Book") {
		t.Errorf("tape sheet %+v", tape.Source)
	}

	// Team rules changes the lesson.
	var team api.Team
	head.do("GET", c.path(""), nil, 200, &team)
	team.TeamRules.FlareFirst = true
	head.do("PUT", c.path(""), team, 200, nil)
	var lesson api.Lesson
	head.do("GET", c.path("/lesson?action=down"), nil, 200, &lesson)
	if len(lesson.Rows) != 6 || lesson.Rows[3].CutterRead != reads.Flare || len(lesson.Examples) != 6 {
		t.Errorf("lesson %+v", lesson.Rows)
	}
	team.Court.ArcRadius = 40
	head.refused("PUT", c.path(""), team, 422, "team.floor")
}

// The age group's pace until the team has figures of its own; they change who
// comes open, and nonsense is refused with the old ones kept.
func TestPaceOfTheTeam(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 1)
	head := w.as(c.head)
	var team api.Team
	head.do("GET", c.path(""), nil, 200, &team)
	if team.OwnPace || team.Pace != motion.PaceOf(team.Ages) {
		t.Errorf("a new team: %+v", team.Pace)
	}
	open := func() float64 {
		var a reads.Judgment
		head.do("POST", c.path("/judge"), downTrail(), 200, &a)
		return a.Options[0].Separation
	}
	before := open()
	body := bodyFor("updateTeam", c).(map[string]any)
	body["pace"] = map[string]float64{"accel": 12, "top": 17, "react": 0.9, "pass": 32, "skip": 26}
	head.do("PUT", c.path(""), body, 200, &team)
	if !team.OwnPace || team.Pace.React != 0.9 || open() == before {
		t.Errorf("own figures: %+v, %.2f ft as before", team.Pace, before)
	}
	body["pace"] = map[string]float64{"accel": 12, "top": 900, "react": 0.3, "pass": 32, "skip": 26}
	head.refused("PUT", c.path(""), body, 422, "motion.pace")
	head.do("GET", c.path(""), nil, 200, &team)
	if team.Pace.React != 0.9 {
		t.Error("the old figures were not kept")
	}
	delete(body, "pace")
	head.do("PUT", c.path(""), body, 200, &team)
	if team.OwnPace || open() != before {
		t.Error("the age group's figures did not come back")
	}
}

// A map is made once for everybody who looks at the same floor: it does not
// depend on where the mover stands, and on everything else it does.
func TestReadMapsAreKept(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 1)
	head, helper := w.as(c.head), w.as(c.helper)
	s := downTrail()
	var first, second, other api.ReadMap
	head.do("POST", c.path("/readmap?mover=xCutter&open=true"), s, 200, &first)
	if len(first.Open) != len(first.Margins) || len(first.Open) != reads.MapCols*reads.MapRows {
		t.Fatalf("%d cells of openness, %d of margin", len(first.Open), len(first.Margins))
	}
	moved := s
	moved.XCutter.Y += 2
	helper.do("POST", c.path("/readmap?mover=xCutter&open=true"), moved, 200, &second)
	if !reflect.DeepEqual(first, second) {
		t.Error("the mover's own place changed the map")
	}
	moved.XScreener = moved.Cutter.Add(moved.To.Sub(moved.From).Unit().Scale(3)) // in the cutter's way
	helper.do("POST", c.path("/readmap?mover=xCutter&open=true"), moved, 200, &other)
	if other.Cues == first.Cues {
		t.Error("the other defender's place did not change the map")
	}
	body := bodyFor("updateTeam", c).(map[string]any)
	body["pace"] = motion.PaceOf("7-8")
	head.do("PUT", c.path(""), body, 200, nil)
	helper.do("POST", c.path("/readmap?mover=xCutter&open=true"), s, 200, &other)
	if other.Cues != first.Cues || reflect.DeepEqual(other.Open, first.Open) {
		t.Error("the team's pace did not change how open the answers come")
	}
}

func TestOrderListOfTheTeam(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 8), w.club("other", 1)
	head := w.as(c.head)
	body := bodyFor("orderList", c).(map[string]any)
	var o api.Order
	head.do("POST", c.path("/order"), body, 200, &o)
	if len(o.Reps) != 30 || len(o.Counts) != 8 {
		t.Errorf("%d reps for %d", len(o.Reps), len(o.Counts))
	}
	for text, change := range map[string]any{"players": other.players, "drill": "moon", "stage": "moon"} {
		bad := bodyFor("orderList", c).(map[string]any)
		bad[text] = change
		head.do("POST", c.path("/order"), bad, 404, nil)
	}
	body["players"] = c.players[:3]
	head.refused("POST", c.path("/order"), body, 422, "drill.too-few-players")
	body["players"] = append([]uuid.UUID{c.players[0]}, c.players...)
	head.refused("POST", c.path("/order"), body, 422, "drill.player-twice")
}

func TestPlan(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 12), w.club("other", 1)
	head := w.as(c.helper) // an assistant may plan
	var sheet api.Sheet
	head.do("POST", c.path("/sheet"), planFor(c), 200, &sheet)
	if sheet.Used != 32 || len(sheet.Load) != 12 || len(sheet.Goals) == 0 || sheet.Moves == "" {
		t.Errorf("sheet %+v", sheet)
	}
	var p api.Practice
	head.do("POST", c.path("/practices"), planFor(c), 201, &p)
	at := c.path("/practices/" + p.Id.String())
	change := planFor(c)
	change["minutes"], change["version"] = 75, p.Version
	head.do("PUT", at, change, 200, &p)
	if p.Minutes != 75 || p.Version != 2 {
		t.Errorf("changed to %d min, version %d", p.Minutes, p.Version)
	}
	head.refused("PUT", at, change, 409, "plan.changed-meanwhile")
	stranger := planFor(c)
	stranger["present"] = other.players
	head.refused("POST", c.path("/practices"), stranger, 404, "player.missing")
	long := planFor(c)
	long["minutes"] = 600
	head.refused("POST", c.path("/practices"), long, 422, "practice.minutes")
	var list []api.PracticeSummary
	head.do("GET", c.path("/practices"), nil, 200, &list)
	if len(list) != 1 {
		t.Errorf("%d practices stored", len(list))
	}
	w.as(c.head).do("DELETE", at, nil, 204, nil)
	head.refused("GET", at, nil, 404, "practice.missing")
}

func TestClockOnTheFloor(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	a := w.as(c.helper)
	var p api.Practice
	a.do("POST", c.path("/practices"), planFor(c), 201, &p)
	at := c.path("/practices/" + p.Id.String())
	var clock api.Clock
	a.do("POST", at+"/clock", map[string]any{"action": "start"}, 200, &clock)
	if !clock.Running || clock.Block == nil || clock.Block.String() != p.Blocks[0].ID {
		t.Fatalf("clock %+v", clock)
	}
	w.now = w.now.Add(4 * time.Minute)
	var run api.Run
	a.do("GET", at+"/run", nil, 200, &run)
	if run.Clock.ElapsedMs != (4 * time.Minute).Milliseconds() {
		t.Errorf("four minutes later: %+v", run.Clock)
	}
	a.do("POST", at+"/clock", map[string]any{"action": "block", "block": p.Blocks[1].ID}, 200, &clock)
	a.refused("POST", at+"/clock", map[string]any{"action": "block", "block": uuid.NewString()}, 409,
		"practice.block-gone")
	a.do("POST", at+"/clock", map[string]any{"action": "finish"}, 200, &clock)
	if clock.Status != api.ClockStatusDone || clock.Running {
		t.Errorf("finished: %+v", clock)
	}
}
