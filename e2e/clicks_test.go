package e2e

import (
	"fmt"
	"strings"
	"testing"

	"evrik/e2e/browser"
)

// counting starts to count the clicks and keys of a hand on the page, from here on.
const counting = `(globalThis.hand = 0, addEventListener('click', (e) => e.isTrusted && e.detail > 0 && globalThis.hand++, true), true)`

// What a coach does most takes few clicks: each of the six tasks is done by hand from the view it starts at, and the
// clicks are counted by the page.
func TestClicksOfTheMainTasks(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	team := "/" + teamOf(p)
	task := func(name string, most int, from string, do func()) {
		t.Helper()
		p.Open(from)
		p.Until("document.querySelector('h1') !== null")
		browser.Eval[bool](p, counting)
		do()
		got := browser.Eval[int](p, "globalThis.hand")
		t.Logf("%s: %d clicks, at most %d", name, got, most)
		if got > most {
			t.Errorf("%s takes %d clicks, want at most %d", name, got, most)
		}
	}
	task("tonight's plan", 0, team+"/now", func() {
		p.See("heading", "Run sheet")
		p.Text("Slot twos")
	})
	task("change a block", 3, team+"/now", func() {
		p.Click("link", "Change the plan")
		p.Click("option", "Slot twos")
		p.Press("+")
		p.Click("button", "Save")
		p.Text("The plan is saved.")
	})
	task("who has which read", 1, team+"/now", func() {
		p.Click("link", "Squad")
		p.See("link", "Odile, Curl: has it")
	})
	task("prepare a game", 3, team+"/now", func() {
		p.Click("link", "At Fernhollow")
		p.See("heading", "What they will ask")
		p.Click("tab", "Who plays")
		p.Click("button", "Suggest lineups")
		p.See("article", "Lineup 1")
	})
	task("all player links", 2, team+"/squad", func() {
		p.Click("link", "Player links")
		p.Click("button", "Make links for everybody")
		p.See("image", "Code for Odile")
	})
	p.Open(team + "/now")
	floor(p)
	browser.Eval[bool](p, counting)
	answer := strings.TrimSpace(browser.Eval[string](p,
		"document.querySelector('.answer.main').innerText.split('\\n').find((x) => /[a-z]/i.test(x))"))
	p.Click("button", answer)
	p.Text("1 logged")
	if got := browser.Eval[int](p, "globalThis.hand"); got != 1 {
		t.Errorf("a rep takes %d clicks: %s", got, fmt.Sprint(answer))
	}
}
