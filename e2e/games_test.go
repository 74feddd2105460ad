package e2e

import (
	"os/exec"
	"path/filepath"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
	"evrik/internal/pgtest"
)

// A game from the schedule to the next plan: what they will do moves what is asked, the
// five who answer most are found, the bench logs on two tabs, also without a network,
// and what was missed goes into the plan.
func TestGame(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Press("7")
	p.Text("nobody knows what they do")
	p.Fill("Opponent", "Lantern Point")
	browser.Eval[bool](p,
		`(() => { const f = document.querySelector('input[type=datetime-local]'); f.value = '2031-03-01T11:00'; f.dispatchEvent(new Event('input', {bubbles: true})); return true; })()`)
	p.Click("button", "Add the game")
	p.See("heading", "Lantern Point")
	p.Click("checkbox", "We haven't scouted them")
	p.See("slider", "Trail, Screens away from the ball")
	sum := "[...document.querySelectorAll('input[type=range]')].reduce((n, f) => n + Number(f.value), 0) === 100"
	p.Until(sum)
	p.Focus("slider", "Jump, Screens away from the ball")
	for range 16 {
		p.Press(kb.ArrowRight)
	}
	p.Until(sum)
	p.Until("Number(document.querySelector('input[aria-label^=Jump]')?.value) > 30")
	p.Says("status", "Saved")
	p.Open(p.Path())
	p.Until("Number(document.querySelector('input[aria-label^=Jump]')?.value) > 30")
	p.See("heading", "What they will ask")

	p.Click("tab", "Who plays")
	p.Click("button", "Juni")
	p.FillRole("spinbutton", "Most minutes of Odile", "16")
	p.Press(kb.Tab)
	p.Choose("Together, one", "Noor")
	p.Choose("Together, the other", "Pia")
	p.Click("button", "Keep together")
	p.Text("Noor and Pia together")
	p.Click("button", "Suggest lineups")
	p.Text("fives were compared")
	p.See("article", "Lineup 1")
	p.Text("of 100 answered")
	p.See("heading", "The minutes shared out")
	p.Until(
		"[...document.querySelectorAll('article')].every((a) => !a.innerText.includes('Juni') && " +
			"a.innerText.includes('Noor') === a.innerText.includes('Pia'))")
	p.Click("button", "The arithmetic")
	p.Text("adds up to the")

	p.Click("link", "Log from the bench")
	p.See("region", "Who it was")
	other, shut := p.Tab()
	defer shut()
	// Answers to what is sent can be held back: the server has it, and the device does not
	// know.
	other.Before(`
		const real = window.fetch;
		window.fetch = async (...args) => {
			const answer = await real(...args);
			if (window.holding && args[0].method === 'POST') await new Promise((go) => (window.letGo = go));
			return answer;
		};`)
	other.Open(p.Path())
	other.See("region", "Who it was")
	p.Front()
	p.Click("button", "Trail: made the read")
	p.Click("button", "Odile")
	p.Text("1 logged")
	p.Text("All sent")
	other.Front()
	other.Text("1 logged")
	other.Click("button", "Noor") // the other way round
	other.Click("button", "Jump: did not make the read")
	other.Text("2 logged")
	other.Click("button", "Lost it")
	other.See("button", "Lost it")
	p.Front()
	p.Text("2 logged")
	p.Click("button", "0 Assists")
	p.See("button", "1 Assists")
	other.Front()
	other.See("button", "1 Assists")
	// What is on its way and in the server's totals already counts once.
	browser.Eval[bool](other, "(window.holding = true)")
	other.Click("button", "1 Assists")
	other.See("button", "2 Assists")
	other.Until("Boolean(window.letGo)")
	p.Front()
	p.See("button", "2 Assists")
	p.Click("button", "2 Assists")
	p.See("button", "3 Assists")
	other.Front()
	other.See("button", "3 Assists")
	browser.Eval[bool](other, "(window.holding = false, window.letGo(), true)")
	other.Text("All sent")
	other.See("button", "3 Assists")
	p.Front()
	p.See("button", "3 Assists")
	p.Offline(true)
	for range 2 {
		p.Click("button", "Jump: did not make the read")
		p.Click("button", "Esme")
	}
	p.Text("kept on this device")
	p.Text("4 logged")
	p.Click("button", "Undo")
	p.Text("3 logged")
	p.Offline(false)
	p.Text("All sent")
	other.Front()
	other.Text("3 logged")
	p.Front()
	p.Click("button", "Jump: did not make the read")
	p.Click("button", "Kit")
	p.Text("4 logged")
	p.Text("All sent")

	p.Click("link", "Leave")
	p.See("heading", "Practice and this game")
	p.See("heading", "Screens away from the ball: they now show jump")
	p.Text("3 of 4 logged")
	p.Text("0/3")
	p.Text("Missed by")
	p.Click("link", "Into the next plan")
	p.Text("A goal now: back cut")
	p.See("button", "Build practice")
}

// The board narrows, sorts and opens to its arithmetic; a player is erased and the
// team's counts stay.
func TestSquad(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Click("link", "Squad")
	p.See("link", "Bram, Curl")
	p.Choose("Part", "All parts")
	p.See("link", "Bram, Pop")
	p.Choose("Order", "What holds us back")
	p.Choose("Rung", "8 Game")
	p.Text("Judged on")
	p.Choose("Side", "Left")
	p.Text("Judged on 0 reps") // the bench notes no side
	p.Click("button", "Show the whole record")
	p.Choose("Period", "From … to …")
	p.Until("document.querySelectorAll('input[type=date]').length === 2")
	browser.Eval[bool](p,
		`(() => { const [a, b] = document.querySelectorAll('input[type=date]'); for (const [f, v] of [[a, '2026-03-02'], [b, '2026-03-01']]) { f.value = v; f.dispatchEvent(new Event('input', {bubbles: true})); f.dispatchEvent(new Event('change', {bubbles: true})); } return true; })()`)
	p.Says("alert", "before it begins")
	p.Choose("Period", "The whole record")
	p.Hushed("alert", "before it begins")
	p.Click("link", "Bram, Curl")
	p.Text("Chance of the target")
	p.Text("Where these numbers come from")
	p.See("image", "Week by week")
	p.Click("link", "Print for the player")
	p.See("heading", "Work on these two next")
	p.Text("You will hear")
	p.Click("link", "Back to the card")
	p.Click("link", "Open the squad")
	p.Click("link", "All teams")
	p.See("link", "JV, Curl")

	p.Click("link", "Open the squad")
	p.Click("button", "Edit the roster")
	p.Click("button", "Erase Ivo")
	p.Click("button", "Erase for good")
	p.Text("every rep of Ivo are erased")
	p.Gone("button", "Erase Ivo")
	p.Click("button", "Back to the board")
	p.See("link", "Bram, Curl")
	if p.Has("link", "Ivo, Curl") {
		t.Error("Ivo is still on the board")
	}
	p.Click("link", "Curl")
	p.Text("that nobody's name is kept of")
	p.Click("link", "Settings")
	p.Text("erased a player and the record")
}

// The archive goes from one club into another, once.
func TestArchive(t *testing.T) {
	s := demo(t)
	out := filepath.Join(t.TempDir(), "club.json")
	cmd := exec.Command(binary, "export", out)
	cmd.Env = append(cmd.Environ(), "EVRIK_DATABASE_URL="+s.url(t))
	if said, err := cmd.CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, said)
	}
	fresh := launch(t, "serve", "EVRIK_DATABASE_URL="+pgtest.URL(t))
	r := page(t, fresh)
	r.Open("/")
	r.Fill("Program", "Elsewhere")
	r.Fill("First team", "First")
	r.Fill("Your name", "Ann")
	r.Fill("Email", "ann@elsewhere.example")
	r.Fill("Password", "a long sentence")
	r.Click("button", "Make it and sign in")
	r.Click("link", "Settings")
	r.See("region", "What is kept")
	r.Upload(out)
	r.Text("Added 25 players")
	r.Upload(out)
	r.Says("alert", "in the program already")
	r.Choose("Team", "U14")
	r.Click("link", "Squad")
	r.See("link", "Bram, Curl")
}
