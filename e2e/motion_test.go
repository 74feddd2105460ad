package e2e

import (
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
)

// A school is run, somebody is moved off his spot and the rule he breaks is named, it
// goes on from there, a drill is cut out of it and planned; two schools are compared and
// the principles are written.
func TestMotionOffense(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Press("2")
	p.Click("link", "Motion offense")
	p.See("heading", "Rules broken")
	p.Choose("School", "Screen-away continuity")
	// Dragged onto the wing's toes, and put back; then the same by keys.
	x, y := p.Middle("button", "Noor: drag")
	wing, high := p.Middle("button", "Bram: drag")
	p.Mouse("mousePressed", x, y)
	p.Mouse("mouseMoved", x+(wing-x)/2, y+(high-y)/2)
	p.Mouse("mouseMoved", x+(wing-x)*0.8, y+(high-y)*0.8)
	p.Mouse("mouseReleased", x+(wing-x)*0.8, y+(high-y)*0.8)
	p.Text("Twelve feet between neighbours.")
	p.Text("Bram, Noor")
	p.Click("button", "From the start")
	p.Text("None. Stop the run")
	p.Focus("button", "Noor: drag")
	for range 12 {
		p.Press(kb.ArrowRight)
	}
	p.Text("Twelve feet between neighbours.")
	p.Text("one defender guards two")
	p.Click("button", "Go on")
	p.Says("status", "Screen")
	p.Click("button", "Stop here")
	p.See("button", "Go on")
	p.See("link", "Make a drill of this") // of the moment in which it was stopped
	p.Click("button", "From the start")
	p.Click("button", "Ask what now")
	p.Click("button", "Run it")
	p.Says("status", "What now?")
	p.Click("button", "Show it")
	p.Says("status", "curl")
	// The three of that moment and whoever has the ball, where they stood, with their read.
	p.Click("link", "Make a drill of this")
	p.See("button", "Save")
	p.Until("[...document.querySelectorAll('input')].some((f) => f.value === 'Screen-away continuity: Screen away')")
	spots := browser.Eval[string](p, "[...document.querySelectorAll('select')].map((f) => f.selectedOptions[0].text).join()")
	if !strings.Contains(spots, "Screen away,") || !strings.Contains(spots, "Right wing,Top,Right corner,Left wing") {
		t.Errorf("the drill stands on %s", spots)
	}
	p.Click("button", "Save")
	p.Text("The drill is saved.")
	p.See("heading", "Screen-away continuity")
	p.Press("1")
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	p.Click("button", "+ Drill…")
	p.FillRole("searchbox", "Search drills", "continuity")
	p.See("button", "Screen-away continuity")

	p.Open("/" + teamOf(p) + "/teach/motion")
	p.Choose("School", "High-post entry")
	p.Choose("The defense", "Denies the wings")
	p.Click("button", "Run it")
	p.Says("status", "Denied wings: high post")
	p.See("region", "Spacing")
	p.Click("tab", "Compare")
	p.Choose("The defense plays", "man to man, and denies the wings")
	p.Click("button", "Compare them")
	p.See("table", "Compared")
	p.Text("Feet between neighbours")
	p.Text("It says nothing of scores.")
	p.Click("tab", "Our way")
	p.Click("checkbox", "No two screens in a row")
	p.Click("button", "Make it the team")
	p.Text("This is the team’s way now.")
	p.Open("/" + teamOf(p) + "/teach/motion")
	p.See("heading", "Rules broken")
	p.Choose("School", "Screen-away continuity")
	p.Click("link", "Step by step")
	p.See("heading", "Screen-away continuity")
	p.Text("3 passes to")
	p.Choose("School", "High-post entry")
	p.Click("checkbox", "Wings denied")
	p.Text("Out of the high post into a flare.")
	p.Open("/" + teamOf(p) + "/teach/principles")
	p.Click("button", "Write them")
	p.Fill("Title 1", "Space first")
	p.Click("button", "Save")
	p.Text("The principles are saved.")
	p.See("heading", "Space first")
}
