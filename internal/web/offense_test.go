package web

import (
	"slices"
	"testing"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/offense"
	"evrik/core/reads"
	"evrik/internal/web/api"
)

// watching asks for some passes of a school from its start.
func watching(school int) map[string]any {
	s := offense.Schools()[school]
	c, _ := court.PresetCourt(court.HighSchool)
	return map[string]any{"variant": offense.VariantOf(s), "standing": offense.NewFloor(reads.On(c)).Begin(s), "passes": 6, "defended": true, "deny": false, "seed": 3}
}

// momentOf is a pass from a school's start.
func momentOf(school int, aim, answer string) map[string]any {
	return map[string]any{"school": offense.Schools()[school].ID, "moment": map[string]any{"standing": watching(school)["standing"], "aim": aim, "answer": answer}}
}

// A school is watched, a player is dragged and the rule he breaks is named, two schools
// are compared, and nonsense is refused.
func TestOffense(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 8)
	head := w.as(c.head)
	var view api.OffenseView
	head.do("GET", c.path("/offense"), nil, 200, &view)
	if len(view.Schools) != 7 || len(view.Starts) != 7 || len(view.Rules) != 6 || view.Own.Base != "cut" || view.Purpose == "" || view.Neighbours != offense.Neighbours {
		t.Errorf("%+v", view)
	}
	var run offense.Run
	for i := range view.Schools {
		head.do("POST", c.path("/offense/watch"), watching(i), 200, &run)
		if len(run.Passes) != 6 || len(run.Play.Tracks) != 11 || len(run.Violations) != 0 {
			t.Errorf("%s: %+v", view.Schools[i].Name, run.Passes)
		}
	}
	on := watching(1)
	on["standing"] = run.End // where another school has ended: spots that this one does not have
	head.says("POST", c.path("/offense/watch"), on, 422, "Two players are meant")
	// A drill of a moment is a drill like any other: it is stored, and dealt.
	var d drill.Drill
	head.do("POST", c.path("/offense/drill"), momentOf(1, "wingL", "away"), 200, &d)
	if d.Screen != "away" || d.Positions[0].Spot != "wingR" || len(d.Stages) != 4 {
		t.Errorf("%+v", d)
	}
	var own api.OwnDrill
	head.do("POST", "/api/drills", map[string]any{"schema": drill.FileSchema, "drill": d}, 201, &own)
	head.do("POST", c.path("/preview"), own.Drill, 200, nil)
	head.says("POST", c.path("/offense/drill"), momentOf(1, "top", "away"), 422, "No pass goes")
	head.says("POST", c.path("/offense/drill"), momentOf(1, "wingL", "dunk"), 422, "no answer called")
	gone := momentOf(1, "wingL", "away")
	gone["school"] = "zone"
	head.says("POST", c.path("/offense/drill"), gone, 404, "no such school")
	var broken []offense.Violation
	near := watching(0)
	st := view.Starts[0]
	st.At[3] = st.At[2].Toward(st.At[3], 6)
	near["standing"] = st
	head.do("POST", c.path("/offense/check"), near, 200, &broken)
	if !slices.ContainsFunc(broken, func(v offense.Violation) bool { return v.Rule == offense.Close && slices.Contains(v.Players, 3) }) {
		t.Errorf("%+v", broken)
	}
	st.At[3] = court.Point{X: 400}
	near["standing"] = st
	head.says("POST", c.path("/offense/check"), near, 422, "off the court")
	pair := bodyFor("compareOffenses", c).(map[string]any)
	pair["b"] = offense.VariantOf(offense.Schools()[3])
	var compared api.OffenseCompared
	head.do("POST", c.path("/offense/compare"), pair, 200, &compared)
	if compared.A.Possessions != 50 || len(compared.Differences) != 9 || compared.A.Apart.Value < 12 {
		t.Errorf("%+v", compared)
	}
	pair["five"] = c.players[:4]
	head.says("POST", c.path("/offense/compare"), pair, 422, "takes five, and 4")
	head.says("PUT", c.path("/offense"), map[string]any{"base": "zone", "switches": view.Own.Switches, "weights": map[string]float64{}}, 422, "no school called")
	v := offense.VariantOf(offense.Schools()[1])
	v.Switches.Apart = false
	head.do("PUT", c.path("/offense"), v, 200, nil)
	head.do("GET", c.path("/offense"), nil, 200, &view)
	if view.Own.Base != "cont" || view.Own.Switches.Apart {
		t.Errorf("%+v", view.Own)
	}
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
	head.says("PUT", c.path("/principles"), []offense.Principle{{Title: "", Picture: ""}}, 422, "needs a title")
}
