package e2e

import (
	"path"
	"strings"
	"testing"

	"evrik/e2e/browser"
)

// address is the private link that the card shows.
const address = `document.body.innerText.match(/\/quiz\/[\w-]+/)[0]`

// quizLink makes a player's private link, from the board's link to the card.
func quizLink(p *browser.Page, cell string) string {
	p.Open("/" + teamOf(p) + "/squad")
	p.Click("link", cell)
	p.Click("button", "Make a private link")
	p.Text("/quiz/")
	return browser.Eval[string](p, address)
}

// answer answers a question: for the cutter or, where it is the screener's, for the screener.
func answer(phone *browser.Page) {
	phone.Text("Now!")
	read := "Straight"
	switch { // whose read it is
	case phone.Has("button", "Step to ball"):
		read = "Slip"
	case phone.Has("button", "Pass to the screener"):
		read = "Pass to the cutter"
	}
	phone.Click("button", read)
}

// A coach makes a link; the player answers ten questions on a phone without a network
// and without an account, and they arrive once. The link ends, and the round of the
// whole team is counted by hand.
func TestPlayerTrainsWithoutNetwork(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	link := quizLink(p, "Bram, Curl")
	card := p.Path()
	p.Text("Nothing is answered yet.")
	stored := func() int {
		return ask[int](t, s, "SELECT count(*) FROM quiz_answers WHERE player_id = $1::uuid", path.Base(card))
	}

	phone := device(t, s)
	phone.Hasten()
	phone.Viewport(390, 844)
	phone.Open(link)
	phone.See("button", "Start")
	if phone.Has("button", "Settings") || strings.Contains(browser.Eval[string](phone, "document.body.innerText"),
		"Bram") {
		t.Error("the player's page shows who it is for")
	}
	if with := browser.Eval[string](phone,
		"fetch(location.pathname).then((r) => r.headers.get('Link'))"); !strings.Contains(with, "/nodes/") ||
		!strings.Contains(with, "as=style") {
		t.Errorf("the page does not name its files: %s", with)
	}
	phone.Until("navigator.serviceWorker.controller !== null")
	phone.Offline(true)
	phone.Click("button", "Start")
	for n := range 10 {
		answer(phone)
		phone.See("button", "See it again")
		if n < 9 {
			phone.Click("button", "Next")
		}
	}
	phone.Text("10 on this phone")
	phone.Click("button", "Finish")
	phone.Text("of 10")
	phone.Open(link) // opened anew without a network
	phone.See("button", "Start")
	phone.Text("10 on this phone")
	if n := stored(); n != 0 {
		t.Fatalf("%d answers arrived without a network", n)
	}
	phone.Offline(false)
	phone.Text("all sent")
	phone.Open(link)
	phone.Text("all sent")
	if n := stored(); n != 10 {
		t.Errorf("%d answers of 10 are stored", n)
	}
	phone.Click("button", "Start") // and with a network
	answer(phone)
	phone.Text("all sent")

	p.Open(card)
	p.Text("11 answers, step 1 of 5")
	p.Click("button", "End the link")
	p.Text("does not work any more")
	phone.Open(link)
	phone.See("heading", "This link has ended")

	p.Hasten()
	p.Open("/" + teamOf(p) + "/show/round")
	p.Choose("What", "Flare")
	p.Click("button", "Begin the round")
	p.See("heading", "Point!")
	p.Click("button", "Show the answer")
	p.Click("button", "One more")
	p.Text("1 of 13 right")
	p.Click("button", "Next")
	p.Text("2 of 12")
}

// Two clicks make links for all players, as a sheet of codes. A link that was ended by mistake can be restored.
func TestPlayerLinks(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Open("/" + teamOf(p) + "/squad")
	p.Click("link", "Player links")
	p.Click("button", "Make links for everybody")
	p.See("image", "Code for Odile")
	p.Text("13 new links.")
	if n := ask[int](t, s, "SELECT count(*) FROM player_links"); n != 13 {
		t.Errorf("%d links are stored", n)
	}
	p.See("button", "Print the sheet")
	for _, paper := range []browser.Paper{browser.Letter, browser.A4} {
		text, pages := printed(t, p.PDF(paper))
		if pages != 2 || !strings.Contains(text, "Odile") || !strings.Contains(text, "Marek") ||
			strings.Contains(text, "Renew") {
			t.Errorf("the sheet has %d pages: %s", pages, text)
		}
	}
	p.Click("button", "End Odile's link")
	p.Gone("image", "Code for Odile")
	p.Click("button", "Undo")
	p.Text("The link before works again.")
	if n := ask[int](t, s, "SELECT count(*) FROM player_links WHERE ended_at IS NULL"); n != 13 {
		t.Errorf("%d links work", n)
	}
	p.See("button", "Renew all")
}
