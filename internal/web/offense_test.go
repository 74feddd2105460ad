package web

import (
	"encoding/json"
	"slices"
	"strings"
	"testing"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/offense"
	"evrik/core/reads"
	"evrik/internal/web/api"
)

// against is a sound defense, player to player or a zone.
func against(zone bool) map[string]any {
	return map[string]any{"defended": true, "zone": zone, "dials": offense.DefaultDials()}
}

// standing is a shipped offense as its players stand at the start.
func standing(of int) map[string]any {
	o := offense.Shipped()[of]
	c, _ := court.PresetCourt(court.HighSchool)
	return map[string]any{"offense": o, "standing": offense.NewFloor(reads.On(c)).Begin(o)}
}

// watching asks for some passes of a shipped offense from its start.
func watching(of int) map[string]any {
	w := standing(of)
	w["passes"], w["against"], w["seed"] = 6, against(false), 3
	return w
}

// momentOf is a pass from the start of a shipped offense.
func momentOf(of int, aim, answer string) map[string]any {
	return map[string]any{"offense": offense.Shipped()[of].ID,
		"moment": map[string]any{"standing": standing(of)["standing"], "aim": aim, "answer": answer}}
}

// Shipped offenses are watched, somebody is dragged and the rule that breaks is named, a drill
// is cut out, and nonsense is refused.
func TestOffense(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	head := w.as(c.head)
	var view api.OffenseView
	head.do("GET", c.path("/offense"), nil, 200, &view)
	if len(view.Offenses) != 7 || len(view.Parts) < 15 || len(view.Options) != 7 || len(view.Levels) != 3 ||
		len(view.Rules) != 8 || view.Own.ID != "cut" || view.Chosen ||
		view.Purpose == "" || view.Neighbors != offense.Neighbors || len(view.Spots) < 10 || len(view.Figures) < 10 ||
		view.Start.Ball != 2 {
		t.Errorf("%+v", view)
	}
	var run offense.Run
	for i := range view.Offenses {
		head.do("POST", c.path("/offense/watch"), watching(i), 200, &run)
		if len(run.Passes) != 6 || len(run.Play.Tracks) != 11 || len(run.Violations) != 0 {
			t.Errorf("%s: %d passes, %d tracks, %+v", view.Offenses[i].ID, len(run.Passes), len(run.Play.Tracks),
				run.Violations)
		}
	}
	on := watching(0)
	on["standing"] = map[string]any{"spots": []string{"top", "top", "wingR", "wingL", "cornerL"}, "at": view.Start.At,
		"ball": 0}
	head.refused("POST", c.path("/offense/watch"), on, 422, "offense.two-on-a-spot")
	loose := watching(0)
	loose["against"] = map[string]any{"defended": true, "zone": false,
		"dials": map[string]float64{"react": 9, "help": 0, "deny": 0, "jump": 0, "hands": 0}}
	head.refused("POST", c.path("/offense/watch"), loose, 422, "offense.dial")

	var d drill.Drill
	head.do("POST", c.path("/offense/drill"), momentOf(1, "wingL", "away"), 200, &d)
	if len(d.Positions) != 4 || d.Action != reads.Away || len(d.Stages) != 4 {
		t.Errorf("%+v", d)
	}
	head.refused("POST", c.path("/offense/drill"), momentOf(1, "top", "away"), 422, "offense.pass-missing")
	head.refused("POST", c.path("/offense/drill"), momentOf(1, "wingL", "dunk"), 422, "offense.answer-missing")
	gone := momentOf(1, "wingL", "away")
	gone["offense"] = "zone"
	head.refused("POST", c.path("/offense/drill"), gone, 404, "offense.missing")

	var broken []offense.Violation
	near := standing(0)
	st := view.Start
	st.At[3] = st.At[2].Toward(st.At[3], 6)
	near["standing"] = st
	head.do("POST", c.path("/offense/stand"), near, 200, &broken)
	if !slices.ContainsFunc(broken, func(v offense.Violation) bool {
		return v.Rule == offense.Close && slices.Contains(v.Players, 3)
	}) {
		t.Errorf("%+v", broken)
	}
	st.At[3] = court.Point{X: 400}
	near["standing"] = st
	head.refused("POST", c.path("/offense/stand"), near, 422, "offense.player-off-court")
}

// A team's own offense is checked, stored, played by a team that follows it, changed there
// too, and left alone once that team has an offense of its own.
func TestOwnOffense(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	head := w.as(c.head)
	own := offense.Shipped()[3]
	own.ID, own.Name = "own", "Our way"
	own.Parts = []offense.Part{{ID: "ball", Weight: 2}, {ID: "cut", Weight: 1},
		{ID: "away", Weight: 1, After: offense.CutCovered}, {ID: "denied", Weight: 1}}
	var check api.OffenseCheck
	head.do("POST", c.path("/offense/check"), own, 200, &check)
	if check.Problem.Code != "" || check.Start == nil || len(check.Needs) != 2 || check.Needs[0].Action != reads.Ball ||
		check.Needs[0].PerGame < 5 || len(check.Broken) != 0 {
		t.Errorf("%+v", check)
	}
	lame := own
	lame.Parts = own.Parts[:1]
	check = api.OffenseCheck{}
	head.do("POST", c.path("/offense/check"), lame, 200, &check)
	if check.Problem.Code == "" || check.Start != nil {
		t.Errorf("%+v", check)
	}
	head.refused("PUT", c.path("/offense"), lame, 422, "offense.nothing-denied")
	stay := own
	stay.Name, stay.OnDrive, stay.Parts = "They stay", offense.Stay,
		[]offense.Part{{ID: "handoff", Weight: 2}, {ID: "denied", Weight: 1}}
	head.do("POST", c.path("/offense/check"), stay, 200, &check)
	if !slices.ContainsFunc(check.Broken, func(v offense.Violation) bool { return v.Rule == offense.NoDrift }) {
		t.Errorf("everybody stays on a drive: %+v", check)
	}
	head.do("PUT", c.path("/offense"), own, 200, &check)

	var team api.Team
	head.do("POST", "/api/teams", map[string]any{"name": "Second", "ages": "12-14"}, 201, &team)
	second := "/api/teams/" + team.Id.String() + "/offense"
	head.do("POST", second+"/copy", map[string]any{"from": c.team, "follow": true}, 200, nil)
	own.Name = "Our new way"
	head.do("PUT", c.path("/offense"), own, 200, nil)
	var view api.OffenseView
	head.do("GET", second, nil, 200, &view)
	if view.Own.Name != "Our new way" || view.Follows == nil || *view.Follows != c.team {
		t.Errorf("%s, follows %v", view.Own.Name, view.Follows)
	}
}

// Two offenses are compared: it is told how far it is, then the result; a wrong five is
// refused before anything is played.
func TestCompareOffenses(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	head := w.as(c.head)
	pair := bodyFor("compareOffenses", c).(map[string]any)
	pair["five"] = c.players[:4]
	head.refused("POST", c.path("/offense/compare"), pair, 422, "offense.five")
	pair["five"] = c.players[:5]
	pair["b"] = offense.Shipped()[6]
	raw := head.do("POST", c.path("/offense/compare"), pair, 200, nil)
	var last api.OffenseProgress
	before := 0.0
	messages := strings.Split(strings.TrimSpace(raw), "\n\n")
	for _, m := range messages {
		if err := json.Unmarshal([]byte(strings.TrimPrefix(m, "data: ")), &last); err != nil {
			t.Fatalf("%v in %s", err, m)
		}
		before = last.Done
	}
	if len(messages) < 4 || before != 1 || last.Result == nil || last.Result.A.Possessions < 1000 ||
		len(last.Result.Differences) != len(offense.Figures()) {
		t.Errorf("%d messages, the last %+v", len(messages), last)
	}
}

// Principles are written in the coach's words, with the pictures of the team's offense.
func TestPrinciples(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	head := w.as(c.head)
	var page api.Principles
	head.do("GET", c.path("/principles"), nil, 200, &page)
	if len(page.Principles) != 4 || len(page.Pictures) != 4 {
		t.Errorf("%+v", page.Principles)
	}
	mine := []offense.Principle{{Title: "Eyes up", Text: "See the rim.", Picture: offense.Spacing}}
	head.do("PUT", c.path("/principles"), mine, 200, &page)
	if len(page.Principles) != 1 || page.Principles[0] != mine[0] {
		t.Errorf("%+v", page.Principles)
	}
	head.refused("PUT", c.path("/principles"), []offense.Principle{{Title: "", Picture: ""}}, 422,
		"offense.principle-title")
}
