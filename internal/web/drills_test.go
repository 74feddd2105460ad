package web

import (
	"testing"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/internal/web/api"
)

// mine is a drill of a program's own, begun from one of the catalogue's.
func mine(t *testing.T, name string) drill.Drill {
	t.Helper()
	d, ok := drill.ByID("slot-twos")
	if !ok {
		t.Fatal("no slot twos")
	}
	own := *d
	own.Name = name
	return own
}

// A program's own drill is stored, found by every team of the program and by no
// other program, changed, planned with, exported and imported again the same.
func TestOwnDrills(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 8), w.club("other", 8)
	head, stranger := w.as(c.helper), w.as(other.head)
	file := drill.File{Schema: drill.FileSchema, Drill: new(drill.Drill)}
	*file.Drill = mine(t, "Our twos")
	var own api.OwnDrill
	head.do("POST", "/api/drills", file, 201, &own)
	if own.Drill.ID == "slot-twos" || own.Drill.Name != "Our twos" || own.Version != 1 {
		t.Fatalf("%+v", own)
	}
	head.refused("POST", "/api/drills", file, 422, "drill.name-taken")
	var list []api.OwnDrill
	head.do("GET", "/api/drills", nil, 200, &list)
	if len(list) != 1 {
		t.Fatalf("%d drills", len(list))
	}
	var o api.Order
	order := map[string]any{"drill": own.Drill.ID, "stage": "live", "players": c.players, "baskets": 1, "minutes": 10}
	head.do("POST", c.path("/order"), order, 200, &o)
	if len(o.Reps) != 30 || o.Spread > 1 {
		t.Errorf("%d reps, spread %d", len(o.Reps), o.Spread)
	}
	head.do("GET", c.path("/motion?drill="+own.Drill.ID), nil, 200, nil)

	// Another program sees, runs and changes none of it.
	stranger.do("GET", "/api/drills", nil, 200, &list)
	if len(list) != 0 {
		t.Error("another program sees the drill")
	}
	order["players"] = other.players
	stranger.do("POST", other.path("/order"), order, 404, nil)
	stranger.do("GET", other.path("/motion?drill="+own.Drill.ID), nil, 404, nil)
	change := map[string]any{"drill": own.Drill, "version": 1}
	stranger.do("PUT", "/api/drills/"+own.Drill.ID, change, 404, nil)
	stranger.do("POST", "/api/drills/"+own.Drill.ID+"/archive", map[string]bool{"archived": true}, 404, nil)

	// A plan may hold it, and it is still there when it is archived.
	plan := planFor(c)
	plan["blocks"] = []map[string]any{{"id": uuid.NewString(), "kind": "drill", "title": "Our twos",
		"drill": own.Drill.ID, "stage": "shown", "minutes": 10, "baskets": 1, "seconds": 0, "seed": 0, "basket": 0,
		"players": []string{}, "pin": false, "noHelpers": false}}
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	head.do("POST", "/api/drills/"+own.Drill.ID+"/archive", map[string]bool{"archived": true}, 204, nil)
	head.do("GET", c.path("/practices/"+p.Id.String()), nil, 200, &p)
	if p.Sheet.Blocks[0].Problem.Code != "" || p.Sheet.Blocks[0].Reps == 0 {
		t.Errorf("the archived drill's block: %+v", p.Sheet.Blocks[0])
	}

	head.do("GET", "/api/drills", nil, 200, &list)
	if len(list) != 1 || !list[0].Archived {
		t.Errorf("%+v", list)
	}
	head.do("POST", c.path("/preview"), mine(t, "Trying"), 200, nil)
	broken := mine(t, "Broken")
	broken.Positions = []drill.Position{}
	head.refused("POST", "/api/drills", `{"schema":9,"drill":{}}`, 422, "drill.file-newer")
	head.refused("POST", c.path("/preview"), broken, 422, "drill.positions")
}
