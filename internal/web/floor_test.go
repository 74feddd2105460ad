package web

import (
	"net/http"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/displays"
	"evrik/internal/app/tries"
	"evrik/internal/web/api"
)

// onFloor is a running practice of a club of eight.
func onFloor(w *world) (c club, head *agent, p api.Practice, at string) {
	w.t.Helper()
	c = w.club("club", 8)
	head = w.as(c.head)
	head.do("POST", c.path("/practices"), planFor(c), 201, &p)
	at = c.path("/practices/" + p.Id.String())
	head.do("POST", at+"/clock", map[string]any{"action": "start"}, 200, nil)
	return c, head, p, at
}

func runOf(a *agent, at string) (run api.Run) {
	a.t.Helper()
	a.do("GET", at+"/run", nil, 200, &run)
	return run
}

// Who leaves is out of what is left of the order, what was run stands, and the change
// sent twice happens once; who comes late is dealt in.
func TestComingAndGoing(t *testing.T) {
	w := newWorld(t)
	_, head, p, at := onFloor(w)
	shown := p.Blocks[1].ID
	before := runOf(head, at).Blocks[1].Order.Reps
	gone := before[5].Cutter
	change := map[string]any{"id": uuid.NewString(), "at": evening, "kind": "presence", "block": shown, "afterRep": 4,
		"player": gone, "state": "hurt"}
	for range 2 {
		head.do("POST", at+"/changes", change, 204, nil)
	}
	run := runOf(head, at)
	after := run.Blocks[1].Order.Reps
	for i, r := range after {
		if i < 4 && r.Cutter != before[i].Cutter || i >= 4 && (r.Cutter == gone || r.Screener == gone) {
			t.Errorf("rep %d: %+v", i+1, r)
		}
	}
	state := map[string]string{}
	for _, s := range run.Presence {
		state[s.Player.String()] = string(s.State)
	}
	if state[gone] != "hurt" || len(state) != 8 || len(run.Practice.Present) != 7 {
		t.Errorf("%v, %d present", state, len(run.Practice.Present))
	}
	// The plan is changed meanwhile: who was hurt stays out until the coach says so.
	plan := inputOf(run.Practice)
	head.do("PUT", at, plan, 200, nil)
	if got := runOf(head, at).Practice.Present; len(got) != 7 {
		t.Errorf("%d present after the plan was stored", len(got))
	}
	head.do("POST", at+"/changes", map[string]any{"id": uuid.NewString(), "at": evening, "kind": "presence",
		"afterRep": 0, "player": gone, "state": "here"}, 204, nil)
	if got := runOf(head, at).Practice.Present; len(got) != 8 {
		t.Errorf("%d present in the end", len(got))
	}

	head.do("POST", at+"/changes", map[string]any{"id": uuid.NewString(), "at": evening, "kind": "swap", "block": shown,
		"afterRep": 6}, 204, nil)
	if turned := runOf(head, at).Blocks[1].Order.Reps; turned[6].Side == after[6].Side ||
		turned[5].Side != after[5].Side {
		t.Error("the sides were not swapped from the seventh rep on")
	}
	head.refused("POST", at+"/changes", map[string]any{"id": uuid.NewString(), "at": evening, "kind": "swap",
		"afterRep": 6}, 422, "practice.swap-block")
	other := w.club("other", 1)
	head.refused("POST", at+"/changes", map[string]any{"id": uuid.NewString(), "at": evening, "kind": "presence",
		"afterRep": 0, "player": other.players[0], "state": "here"}, 404, "player.missing")
}

// A device that had no network tells its clock late: what came after it stands.
func TestClockIsToldLate(t *testing.T) {
	w := newWorld(t)
	_, head, p, at := onFloor(w)
	w.now = evening.Add(20 * time.Minute)
	say := func(action string, minute int, block string) (c api.Clock) {
		t.Helper()
		head.do("POST", at+"/clock", map[string]any{"action": action,
			"at": evening.Add(time.Duration(minute) * time.Minute), "block": block}, 200, &c)
		return c
	}
	if c := say("block", 8, p.Blocks[1].ID); !c.Running || c.ElapsedMs != 12*60000 {
		t.Errorf("%+v", c)
	}
	if c := say("stop", 5, p.Blocks[0].ID); !c.Running || c.Block.String() != p.Blocks[1].ID {
		t.Errorf("an older word moved the clock: %+v", c)
	}
	if c := say("stop", 90, p.Blocks[1].ID); c.Running || c.ElapsedMs != 12*60000 {
		t.Errorf("a word from the future: %+v", c)
	}
	var r api.ReviewView
	head.do("GET", at+"/review", nil, 200, &r)
	if b := r.Review.Blocks; b[0].Ran != 8 || b[1].Ran != 12 || b[1].Planned != 10 {
		t.Errorf("%+v", b)
	}
}

// Who left early counts in the week's loads all the same.
func TestLoadsOfWhoLeft(t *testing.T) {
	w := newWorld(t)
	c, head, _, at := onFloor(w)
	head.do("POST", at+"/changes", map[string]any{"id": uuid.NewString(), "at": evening, "kind": "presence",
		"afterRep": 0, "player": c.players[0], "state": "left"}, 204, nil)
	head.do("POST", at+"/clock", map[string]any{"action": "finish"}, 200, nil)
	var week practice.Week
	head.do("GET", c.path("/loads"), nil, 200, &week)
	for _, p := range week.Players {
		if p.Player == c.players[0].String() && p.Practices != 1 {
			t.Errorf("%+v", p)
		}
	}
}

// A practice that runs late is cut; what was given up is carried over, and what a
// device logged in it before it heard of that is taken.
func TestCutAndCarriedOver(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	next := renamed(planFor(c))
	next["startsAt"] = evening.Add(48 * time.Hour)
	var later api.Practice
	head.do("POST", c.path("/practices"), next, 201, &later)

	w.now = evening.Add(45 * time.Minute) // the warm-up has run over
	var cuts api.Cuts
	head.do("GET", at+"/cuts", nil, 200, &cuts)
	if cuts.Over != 7 || len(cuts.Cuts) == 0 {
		t.Fatalf("%+v", cuts)
	}
	plan := inputOf(p)
	for _, cut := range cuts.Cuts {
		if cut.Over == 0 && !strings.Contains(cut.Text, "horten") {
			plan.Blocks = cut.Blocks
		}
	}
	var dropped string
	for _, b := range p.Blocks[1:] {
		kept := false
		for _, k := range plan.Blocks {
			kept = kept || k.ID == b.ID
		}
		if !kept && b.Kind == "drill" {
			dropped = b.ID
		}
	}
	if dropped == "" {
		t.Fatalf("nothing is left out in %+v", cuts.Cuts)
	}
	head.do("PUT", at, plan, 200, nil)
	var review api.ReviewView
	head.do("GET", at+"/review", nil, 200, &review)
	found := false
	for _, b := range review.Review.Dropped {
		found = found || b.ID == dropped
	}
	if !found || review.Next == nil || review.Next.Id != later.Id {
		t.Errorf("dropped %+v, next %+v", review.Review.Dropped, review.Next)
	}
	head.do("POST", at+"/clock", map[string]any{"action": "finish"}, 200, nil)
	var carry []map[string]any
	head.do("GET", c.path("/practices/"+later.Id.String()+"/carry"), nil, 200, &carry)
	found = false
	for _, b := range carry {
		found = found || b["id"] == dropped
	}
	if !found {
		t.Errorf("%s is not in %v", dropped, carry)
	}
	head.do("POST", at+"/reps", batch(repEvent(dropped, c.players[0], 1, reads.Trail, reads.Curl)), 200, nil)
}

func TestReviewOfAPractice(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	var events []map[string]any
	for i := range 24 {
		events = append(events, repEvent(p.Blocks[3].ID, c.players[0], i+1, reads.Trail, reads.Curl))
	}
	wrong := repEvent(p.Blocks[3].ID, c.players[1], 25, reads.Under, reads.Curl)
	wrong["tags"] = []string{"no-backcut"}
	events = append(events, wrong, repEvent(p.Blocks[3].ID, c.players[1], 26, reads.Under, reads.Curl))
	// Two helpers saw the last one: it counts once.
	twice := repEvent(p.Blocks[3].ID, c.players[1], 26, reads.Under, reads.Curl)
	twice["device"] = "other"
	head.do("POST", at+"/reps", batch(append(events, twice)...), 200, nil)
	var r api.ReviewView
	head.do("GET", at+"/review", nil, 200, &r)
	if len(r.Review.Players) != 8 {
		t.Errorf("%d players", len(r.Review.Players))
	}
	if b := r.Review.Blocks[3]; b.Reps != 26 || b.Correct != 24 {
		t.Errorf("%+v", b)
	}
	if r.Review.Wrong[0].Count != 2 || r.Review.Wrong[0].Made != reads.Curl || r.Review.Tags[0].ID != "no-backcut" {
		t.Errorf("%+v", r.Review)
	}
	turned := false
	for _, x := range r.Turns {
		turned = turned || string(x.Player) == c.players[0].String() && x.Read == reads.Curl && x.Is == evidence.HasIt
	}
	if !turned {
		t.Errorf("%+v", r.Turns)
	}
	head.do("PUT", at+"/review", map[string]string{"review": "Talk more."}, 204, nil)
	head.do("GET", at+"/review", nil, 200, &r)
	if r.Note != "Talk more." {
		t.Errorf("%q", r.Note)
	}
	head.refused("PUT", at+"/review", map[string]string{"review": strings.Repeat("x", 2001)}, 422,
		"request.does-not-fit")
}

// A code pairs one display, once, for a day; the display shows its practice and nothing
// of what players answered, cannot write, and is told nothing when it is ended.
func TestSecondScreen(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	var code api.DisplayCode
	head.do("POST", at+"/displays", nil, 201, &code)
	wall, late := w.agent(), w.agent()
	wall.refused("GET", "/api/display", nil, 401, "display.not-paired")
	wall.refused("POST", "/api/display/pair", map[string]string{"code": "AAAAAA"}, 404, "display.code-wrong")
	wall.do("POST", "/api/display/pair", map[string]string{"code": strings.ToLower(code.Code)}, 204, nil)
	late.refused("POST", "/api/display/pair", map[string]string{"code": code.Code}, 404, "display.code-wrong")

	head.do("POST", at+"/reps", batch(repEvent(p.Blocks[1].ID, c.players[0], 3, reads.Under, reads.Curl)), 200, nil)
	var d api.DisplayView
	text := wall.do("GET", "/api/display", nil, 200, &d)
	if len(d.Players) != 8 || !d.Clock.Running || len(d.Progress) != 2 || d.Progress[0].Rep != 3 ||
		d.Cues["under"] == "" {
		t.Errorf("%+v", d)
	}
	for _, word := range []string{"curl", "made", "right\":false", "verdict", "rows"} {
		if strings.Contains(text, word) {
			t.Errorf("the display is told %q", word)
		}
	}
	wall.do("GET", "/api/display/motion?block="+p.Blocks[1].ID, nil, 200, nil)
	wall.refused("GET", "/api/display/motion?block="+p.Blocks[0].ID, nil, 404, "display.no-drill")
	for _, path := range []string{"/run", "/review", "/displays"} {
		wall.refused("GET", at+path, nil, 401, "role.signed-out")
	}
	news := wall.follow(w.server.URL, "/api/display/live")
	var nothing map[string]any
	news.hears("again", &nothing)
	head.do("POST", at+"/reps", batch(repEvent(p.Blocks[1].ID, c.players[1], 4, reads.Under, reads.Curl)), 200, nil)
	if news.hears("again", &nothing); len(nothing) != 0 {
		t.Errorf("told of a rep: %v", nothing)
	}
	var clock api.Clock
	head.do("POST", at+"/clock", map[string]any{"action": "stop"}, 200, nil)
	if news.hears("clock", &clock); clock.Running {
		t.Errorf("%+v", clock)
	}

	var list []api.PairedDisplay
	head.do("GET", at+"/displays", nil, 200, &list)
	if len(list) != 1 || list[0].Id != code.Id {
		t.Fatalf("%+v", list)
	}
	w.now = evening.Add(displays.Life + time.Minute)
	wall.refused("GET", "/api/display", nil, 401, "display.not-paired")
	w.now = evening
	head.do("DELETE", at+"/displays/"+code.Id.String(), nil, 204, nil)
	wall.refused("GET", "/api/display", nil, 401, "display.not-paired")
	head.refused("DELETE", at+"/displays/"+code.Id.String(), nil, 404, "display.missing")

	// A code runs out, and codes cannot be tried without end.
	head.do("POST", at+"/displays", nil, 201, &code)
	w.now = evening.Add(displays.CodeLife + time.Second)
	late.refused("POST", "/api/display/pair", map[string]string{"code": code.Code}, 404, "display.code-wrong")
	for range tries.Most {
		res, err := late.http.Post(w.server.URL+"/api/display/pair", "application/json",
			strings.NewReader(`{"code":"BBBBBB"}`))
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
	}
	late.refused("POST", "/api/display/pair", map[string]string{"code": "BBBBBB"}, http.StatusTooManyRequests,
		"signin.too-many-tries")
}

// inputOf is a stored plan as it was put in.
func inputOf(v api.Practice) *api.PracticeInput {
	return &api.PracticeInput{StartsAt: v.StartsAt, Minutes: v.Minutes, Note: v.Note, Present: v.Present,
		Limited: &v.Limited, Terms: &v.Terms, Blocks: v.Blocks}
}
