package e2e

import "testing"

// A drill that teaches no read is logged shot by shot, with one tap each; a miss is taken
// back, and the drill's page counts what stands.
func TestMakesAreLogged(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	floor(p)
	for !p.Has("heading", "Free throws in pairs") {
		p.Click("button", "Next block")
		p.Settle()
	}
	p.Text("Did ")
	for _, shot := range []string{"Made", "Made", "Missed", "Missed"} {
		p.Click("button", shot)
	}
	p.Text("4 logged")
	p.Click("button", "Undo")
	p.Text("3 logged")
	p.Text("All sent")
	if p.Has("button", "No shot") {
		t.Error("a shot is asked how the rep ended")
	}
	if n := ask[int](t, s, "SELECT count(*) FROM rep_events WHERE role = 'shooter' AND kind = 'rep'"); n != 4 {
		t.Errorf("%d shots are stored, the one taken back among them", n)
	}
	p.Open("/" + teamOf(p) + "/drills/free-throws-in-pairs")
	p.Text("2 of 3")
	p.See("table", "Makes by player")
	p.Open("/" + teamOf(p) + "/drills/finish-both-sides")
	p.Text("No shots logged yet")
}
