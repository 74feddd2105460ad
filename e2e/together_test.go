package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
)

// The network is cut in the gym: logging goes on, the surface says so calmly,
// and everything is sent when the network is back. Two devices log one
// practice, one basket each, and nothing is lost or doubled.
func TestTwoDevicesAndNoNetwork(t *testing.T) {
	s := demo(t)
	one, two := signIn(device(t, s)), signIn(device(t, s))
	floor(one)
	floor(two)
	logs(one, "Basket 1")
	logs(two, "Basket 2")
	one.Text("basket 1")
	two.Text("basket 2")

	one.Offline(true)
	for n := 1; n <= 6; n++ {
		one.Press("1")
		one.Text(fmt.Sprintf("No network: %d kept on this device", n))
		two.Press("2")
		two.Text(fmt.Sprintf("%d logged", n))
	}
	two.Text("All sent")
	one.Offline(false)
	one.Text("All sent")
	one.Text("12 logged")
	two.Text("12 logged") // without asking: each hears of the other
	one.Open(one.Path())
	one.Text("12 logged")

	// Both roles of a rep, one after the other, and tags on a wrong screen.
	logs(one, "Both")
	one.Click("button", "Read it")
	one.Text("13 logged")
	one.Click("button", "No read")
	one.Text("14 logged")
	one.Click("button", "Screen")
	one.Click("button", "Feet moving")
	one.Text("All sent")
	one.Click("button", "Undo")
	one.Text("13 logged")
	one.Click("button", "Undo")
	one.Text("12 logged")
	one.Text("All sent")
	two.Text("12 logged")
	// The clock is one for both.
	one.Press(" ")
	two.See("button", "Stop clock")
	two.Press(" ")
	one.See("button", "Start clock")
}

// logs chooses what a device logs: a role, or an end.
func logs(p *browser.Page, what string) {
	p.Click("button", "Logging")
	p.Click("radio", what)
	p.Gone("dialog", "More")
}

// Both ends of the floor run by one clock: each device follows its own end, and
// what is logged at both is in one practice.
func TestTwoEndsOnTheFloor(t *testing.T) {
	s := demo(t)
	one, two := enter(t, s), enter(t, s)
	one.Click("link", "Change the plan")
	one.Text("rules kept")
	for end, name := range []string{"Slot twos", "Flare series"} {
		addDrill(one, name)
		one.Choose("Stage", "3. Guided: one defender shows the cue")
		one.Choose("Baskets", "1")
		one.Choose("Where", []string{"Basket 1, beside basket 2", "Basket 2, beside basket 1"}[end])
	}
	one.Click("button", "Save")
	one.Text("The plan is saved.")
	one.Click("button", "Run practice")
	one.See("timer", "Time left")
	for !one.Has("radio", "Basket 2") || one.Has("button", "both baskets") {
		one.Click("button", "Next block")
		one.Settle()
	}
	one.Click("button", "Start clock")
	one.See("button", "Stop clock")
	one.Text("of practice, ")
	one.Text("min ahead") // the warm-up was skipped
	// Both ends may run the same drill: who is in it tells them apart.
	const up = `document.querySelector('[aria-label="Who is up"]')?.innerText`
	one.See("region", "Who is up")
	first := browser.Eval[string](one, up)
	two.Open(one.Path())
	two.See("timer", "Time left")
	two.Until(fmt.Sprintf("%s === %q", up, first))
	two.Click("radio", "Basket 2")
	two.Until(fmt.Sprintf("%s !== %q", up, first))
	one.Press("1")
	one.Text("1 logged")
	one.Text("All sent")
	two.Text("1 logged")
	two.Press("1")
	one.Text("2 logged")
	two.Text("All sent")
	two.Open(two.Path())
	two.Text("2 logged")
	// the device knows its end
	two.Until("document.querySelector('[role=radio][aria-checked=true]')?.innerText === 'Basket 2'")
}

// Two coaches change one plan: the later one is told, and keeps the draft.
func TestTwoCoachesOnePlan(t *testing.T) {
	s := demo(t)
	one, two := enter(t, s), enter(t, s)
	one.Click("link", "Change the plan")
	one.Text("rules kept")
	two.Open(one.Path())
	two.Text("rules kept")

	one.FillRole("spinbutton", "Length", "80")
	one.Text("take 8 min out")
	one.Click("button", "Save")
	one.Text("The plan is saved.")

	two.Choose("Add an own block", "Own block")
	two.Fill("Title", "Zone talk")
	two.See("option", "Zone talk")
	two.Click("button", "Save")
	two.Text("Somebody else changed this practice meanwhile")
	two.See("option", "Zone talk")
	two.Click("button", "Undo")
	two.Click("button", "Undo")
	two.Gone("option", "Zone talk")
}

// The run sheet by keyboard alone: choose, move, lengthen, take out, undo.
func TestPlanByKeyboard(t *testing.T) {
	p := enter(t, demo(t))
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	p.Focus("option", "Ball handling and layups, both sides Layup")
	lasts := func(minutes string) {
		t.Helper()
		p.Until(
			`[...document.querySelectorAll("[role=option]")].some((o) => o.innerText.startsWith("Ball handling") && o.innerText.includes("` + minutes + `′"))`)
	}
	order := func(first, second string) {
		t.Helper()
		p.See("option", first)
		text := strings.Join(blocks(p), "\n")
		if strings.Index(text, first) > strings.Index(text, second) {
			t.Errorf("%q stands after %q", first, second)
		}
	}
	alt := chromedp.KeyModifiers(kb.ModifierAlt)
	order("Warm-up", "Ball handling")
	p.Press(kb.ArrowUp, alt)
	p.See("button", "Save")
	order("Ball handling", "Warm-up")
	p.Press("+")
	p.Press("+")
	lasts("11")
	p.Press(kb.Delete)
	p.Gone("option", "Ball handling and layups, both sides Layup")
	for range 4 {
		p.Press("z", ctrl)
	}
	lasts("9")
	order("Warm-up", "Ball handling")
	p.Press("s", ctrl)
	p.Text("The plan is saved.")
}
