package web

import (
	"maps"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/internal/web/api"
)

// A coach gives a drill for home; a player sees it by the private link and tells what went
// in; it is stored once, stands apart from what was logged, and goes with the link and the
// player.
func TestHomeByThePrivateLink(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 2), w.club("other", 1)
	head, phone := w.as(c.head), w.agent()
	var link api.MadeLink
	head.do("POST", c.path("/players/"+c.players[0].String()+"/quiz"), nil, 201, &link)
	mine := "/api" + link.Path + "/home"
	var work api.HomeWork
	phone.do("GET", mine, nil, 200, &work)
	if len(work.Drills) != 0 {
		t.Errorf("before anything is given: %+v", work)
	}
	give := func(drill string, given bool) map[string]any { return map[string]any{"drill": drill, "given": given} }
	for range 2 {
		head.do("PUT", c.path("/home"), give("form-shooting", true), 204, nil)
	}
	head.refused("PUT", c.path("/home"), give("slot-twos", true), 422, "home.not-alone")
	head.refused("PUT", c.path("/home"), give("run-land-turn", true), 422, "home.not-alone")
	head.refused("PUT", c.path("/home"), give("nothing", true), 404, "home.missing")
	phone.do("GET", mine, nil, 200, &work)
	if len(work.Drills) != 1 || work.Drills[0].Say != "10 makes on each side" || len(work.Drills[0].Rules) == 0 {
		t.Fatalf("%+v", work)
	}

	told := map[string]any{"id": uuid.NewString(), "drill": "form-shooting", "at": evening.Add(900 * time.Hour),
		"right": map[string]int{"made": 8, "tried": 10}, "left": map[string]int{"made": 5, "tried": 10}}
	for range 2 {
		phone.do("POST", mine, told, 200, &work)
	}
	if got := work.Drills[0].Told; len(got) != 1 || got[0].Right != (evidence.Side{Made: 8, Tried: 10}) ||
		got[0].At.After(evening.Add(time.Hour)) {
		t.Errorf("told %+v", got)
	}
	var shots api.DrillShots
	head.do("GET", c.path("/shots/form-shooting"), nil, 200, &shots)
	if !shots.AtHome || len(shots.Home) != 1 || string(shots.Home[0].Player) != c.players[0].String() ||
		shots.Home[0].Times != 1 || shots.Tried != 0 {
		t.Errorf("%+v", shots)
	}
	phone.refused("POST", mine, changed(maps.Clone(told), "right", map[string]int{"made": 11, "tried": 10}), 422,
		"evidence.more-makes-than-shots")
	phone.refused("POST", mine, changed(maps.Clone(told), "drill", "spot-makes"), 404, "home.taken-back")

	// Another program's team has nothing of it, and a full shelf says so.
	w.as(other.head).do("GET", other.path("/shots/form-shooting"), nil, 200, &shots)
	if shots.AtHome || len(shots.Home) != 0 {
		t.Errorf("another program sees %+v", shots)
	}
	for _, id := range []string{"finish-both-sides", "thirty-second-levels", "free-throws-in-pairs"} {
		head.do("PUT", c.path("/home"), give(id, true), 204, nil)
	}
	head.refused("PUT", c.path("/home"), give("spot-makes", true), 422, "home.too-many")
	head.do("PUT", c.path("/home"), give("form-shooting", false), 204, nil)
	phone.do("GET", mine, nil, 200, &work)
	if len(work.Drills) != 3 {
		t.Errorf("after one was taken back: %d", len(work.Drills))
	}
	head.do("DELETE", c.path("/players/"+c.players[0].String()+"/quiz"), nil, 204, nil)
	phone.refused("GET", mine, nil, 404, "quiz.link-dead")
}
