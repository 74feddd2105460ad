package e2e

import (
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
)

// An offense is run, somebody is moved off the spot and the rule that breaks is named, it
// goes on from there, a drill is cut out of it and planned, and the principles are written.
func TestMotionOffense(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Press("2")
	p.Click("link", "Motion offense")
	p.See("heading", "Rules broken")
	p.Choose("Offense", "Screen-away continuity")
	p.Text("The passer screens away")
	// Dragged onto the wing's toes, and put back; then the same by keys.
	x, y := p.Middle("button", "Noor: drag")
	wing, high := p.Middle("button", "Bram: drag")
	p.Mouse("mousePressed", x, y)
	p.Mouse("mouseMoved", x+(wing-x)/2, y+(high-y)/2)
	p.Mouse("mouseMoved", x+(wing-x)*0.8, y+(high-y)*0.8)
	p.Mouse("mouseReleased", x+(wing-x)*0.8, y+(high-y)*0.8)
	p.Text("Twelve feet between neighbors.")
	p.Text("Bram, Noor")
	p.Click("button", "From the start")
	p.Text("None. Stop the run")
	p.Focus("button", "Noor: drag")
	for range 12 {
		p.Press(kb.ArrowRight)
	}
	p.Text("Twelve feet between neighbors.")
	p.Text("one defender guards two")
	p.Click("button", "Continue")
	p.Says("status", "Screen")
	p.Click("button", "Stop here")
	p.See("button", "Continue")
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
	spots := browser.Eval[string](p,
		"[...document.querySelectorAll('select')].map((f) => f.selectedOptions[0].text).join()")
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
	p.Choose("Offense", "High-post entry")
	p.Text("The wing is entered")
	p.Choose("The defense", "Man-to-man, denies the wings")
	p.Click("button", "Run it")
	p.Says("status", "Denied wings: high post")
	p.See("region", "Spacing")
	p.Choose("The defense", "Two-three zone")
	p.Click("button", "Run it")
	p.See("button", "Stop here")
	p.Click("link", "Step by step")
	p.See("heading", "High-post entry")
	p.Text("passes to")
	p.Click("checkbox", "Wings denied")
	p.Text("Out of the high post into a flare.")
	p.Open("/" + teamOf(p) + "/teach/principles")
	p.Click("button", "Write them")
	p.Fill("Title 1", "Space first")
	p.Click("button", "Save")
	p.Text("The principles are saved.")
	p.See("heading", "Space first")
}

// A coach writes an offense: it starts from a shipped one, loses what it cannot do without
// and says so, is mended, run, broken, compared, saved, cut into a drill, and the season
// follows the actions it asks for.
func TestOwnOffense(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	team := "/" + teamOf(p)
	p.Open(team + "/teach/motion")
	p.Choose("Offense", "Five-out freelance")
	p.Click("tab", "Our offense")
	p.Says("status", "After every pass there is a next move.")
	p.Click("button", "Remove Denied wing cuts back door")
	p.Says("alert", "is denied. Add an answer")
	p.Click("button", "Undo")
	p.Says("status", "After every pass there is a next move.")
	p.Fill("Name", "Drive and kick")
	p.Click("button", "Remove Cut through")
	p.Choose("Add a part", "Dribble at the next player and hand it over")
	p.Choose("How often: Dribble at the next player", "four times as often")
	p.Choose("From when: Screen away", "Once a screen has brought nothing")
	p.Choose("When somebody drives", "They stay")
	p.Text("Nobody moved on the drive") // its own rule, broken by its own moves
	p.Choose("When somebody drives", "They slide to make room")
	p.Until("!document.body.innerText.includes('Nobody moved on the drive')")
	p.See("link", "Handoff")
	p.Click("button", "Save as our offense")
	p.Text("Saved. This is the team’s offense now.")
	p.Click("button", "Run it")
	p.Says("status", "Dribble at the next player")
	p.Click("tab", "Watch")
	p.Click("button", "Stop here")
	x, y := p.Middle("button", "Noor: drag")
	p.Mouse("mousePressed", x, y)
	p.Mouse("mouseMoved", x+2, y+2)
	p.Mouse("mouseReleased", x+2, y+2)
	p.Click("button", "Continue")
	p.See("button", "Stop here")
	p.Click("button", "Stop here")
	p.Click("link", "Make a drill of this")
	p.Until("[...document.querySelectorAll('input')].some((f) => f.value.startsWith('Drive and kick: '))")
	p.Click("button", "Save")
	p.Text("The drill is saved.")

	p.See("heading", "Drive and kick: ")
	drill := browser.Eval[string](p, "document.querySelector('h1').innerText")

	p.Open(team + "/teach/motion?part=compare")
	p.Click("button", "Compare them")
	p.Click("button", "Cancel")
	p.See("button", "Compare them")
	p.Click("button", "Compare them")
	p.See("table", "Compared")
	p.Text("Possessions with an open look")
	p.See("table", "Where the open looks come from")
	p.Text("It says nothing about scores.")

	p.Open(team + "/plan/season")
	p.Click("button", "Follow our offense")
	p.Until("document.body.innerText.includes('Handoff')")

	// Planned, and logged on the floor.
	p.Open(team + "/now")
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	addDrill(p, drill)
	p.Click("option", drill)
	p.Choose("Stage", "3. Guided: a coach plays the defender")
	p.Click("button", "Save")
	p.Text("The plan is saved.")
	p.Click("button", "Run practice")
	p.See("timer", "Time left")
	for !p.Has("heading", drill) {
		p.Click("button", "Next block")
		p.Settle()
	}
	p.Click("button", "Start clock")
	p.Press("1")
	p.Text("1 logged")
	p.Text("All sent")
}
