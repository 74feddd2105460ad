package e2e

import "testing"

// A coach gives a drill for home; the player opens the private link, tells what went in, and
// the drill's page shows it apart from what was logged.
func TestHomeWork(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	team := teamOf(p)
	p.Open("/" + team + "/drills/form-shooting")
	p.Click("checkbox", "Give it for home")
	p.Text("Players see it through their private links now.")
	link := quizLink(p, "Bram, Curl")

	q := page(t, s)
	q.Viewport(390, 844)
	q.Open(link)
	q.See("heading", "At home")
	q.Click("DisclosureTriangle", "Form shooting: 10 makes on each side")
	q.FillRole("spinbutton", "Made, right side, Form shooting", "12")
	q.Click("button", "Save makes")
	q.Text("There are more makes than shots")
	q.FillRole("spinbutton", "Shots, right side, Form shooting", "15")
	q.FillRole("spinbutton", "Shots, left side, Form shooting", "10")
	q.Click("button", "Save makes")
	q.Text("Saved. Your coach sees it.")
	q.Text("Before: 12 of 25")

	p.Open("/" + team + "/drills/form-shooting")
	p.See("table", "Makes at home")
	p.Text("12 of 15")
	if n := ask[int](t, s, "SELECT count(*) FROM home_shots"); n != 1 {
		t.Errorf("%d times are stored", n)
	}
}
