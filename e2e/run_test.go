package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
)

// One block with everything that happens on a floor: a freeze, somebody out of order,
// a rep said anew, an outcome, a covered cue, swapped sides, a player hurt.
func TestOnTheFloor(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	floor(p)
	p.Click("button", "Start clock")
	p.See("button", "Stop clock")
	log(p, 2)
	p.Text("2 logged")

	// The coach freezes the play: the clock stands and the rep stays.
	p.Click("button", "Freeze")
	p.Text("Nobody moves")
	p.See("button", "Start clock")
	log(p, 1)
	p.Press("f")
	p.See("button", "Stop clock")
	p.Text("Rep 3 of")
	p.Text("2 logged")

	// Lotte went first; then the order goes on where it was.
	p.Click("button", "Cutter")
	p.Click("button", "44 Lotte")
	p.Text("Out of order")
	p.Text("What did Lotte do?")
	log(p, 1)
	p.Text("3 logged")
	p.Text("Rep 3 of")

	// How it ended and what to correct, with no need to.
	p.Click("button", "Scored")
	p.Until(
		"document.querySelector('[aria-label=\"More about this rep\"] [aria-pressed=true]')?.innerText === 'Scored'")
	p.Click("button", "3 logged")
	p.Click("button", "44 Lotte")
	p.See("heading", "Lotte")
	p.Click("button", "No read")
	p.Text("made no read")
	p.Click("button", "Timing")
	p.Click("button", "Waited too long")
	p.Until(
		"document.querySelector('dialog [aria-label=\"Timing: what to mend\"] " +
			"[aria-pressed=true]')?.innerText.includes('Waited')")
	p.Click("button", "Delete this rep")
	p.See("heading", "Logged")
	p.Click("button", "Close")
	p.See("button", "2 logged")

	p.Press("c")
	p.Text("Cue covered")
	p.Press("c")
	p.Text("right side")
	p.Click("button", "More")
	p.Click("button", "Swap side")
	p.Text("left side")
	log(p, 1)
	p.Text("3 logged")
	p.Text("All sent")

	// Hurt: out of the rest, with the caution; who comes back is dealt in again.
	p.Click("button", "More")
	p.Click("tab", "Who is here")
	hurt := func(name, state string) {
		t.Helper()
		browser.Eval[bool](p,
			fmt.Sprintf(
				`([...document.querySelectorAll('[role=radiogroup][aria-label=%q] [role=radio]')].find((b) => b.innerText === %q).click(), true)`, name, state))
	}
	hurt("Marek", "Hurt")
	p.Says("alert", "licensed health-care professional")
	p.Click("button", "Close")
	p.Text("Rep 4 of 89") // the ninetieth had its second basket run out of players
	p.Text("left side")
	p.Click("button", "Cutter")
	p.See("button", "44 Lotte")
	p.Gone("button", "32 Marek")
	p.Click("button", "Close")
	log(p, 30)
	p.Text("33 logged")
	p.Text("All sent")
	practice := strings.Split(p.Path(), "/")[3]
	if n := ask[int](t, s, "SELECT count(*)"+standing+
		" AND r.player_id = (SELECT id FROM players WHERE name = 'Marek' AND team_id = r.team_id) AND r.rep_no > 3",
		practice); n != 0 {
		t.Errorf("a hurt player was up %d times", n)
	}
	// The block goes on past its list.
	p.Click("button", "More")
	p.Click("tab", "Who is here")
	hurt("Marek", "Here")
	p.Hushed("alert", "licensed")
	// However often the floor is opened: each time lets go of the stream it followed.
	for range 8 {
		p.Open(p.Path())
		p.See("timer", "Time left")
	}
	p.Text("33 logged")
}

// The practice runs late: what gives is chosen, the plan ends in time, and the review
// sums it up and hands on what was left out.
func TestLateAndReviewed(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	floor(p)
	p.Click("button", "Start clock")
	p.See("button", "Stop clock")
	log(p, 8)
	p.Click("button", "No read")
	p.Text("9 logged")
	p.Text("All sent")
	practice := strings.Split(p.Path(), "/")[3]
	ask[string](t, s,
		"UPDATE practices SET began_at = began_at - interval '40 minutes' WHERE id = $1::uuid RETURNING id::text",
		practice)
	p.Open(p.Path())
	p.Click("button", "17 min behind")
	p.Text("ends 17 min late")
	p.See("button", "Ends in time")
	first := p.See("button", "Ends in time").Name
	p.Click("button", first)
	p.Gone("dialog", "What gives?")
	p.Gone("button", "min behind")
	p.Text("9 logged")

	for p.Has("button", "Next block") {
		p.Click("button", "Next block")
		p.Settle()
	}
	p.Click("button", "Finish")
	p.Click("button", "Finish")
	p.See("heading", "what it came to")
	p.Text("9 reps, 8 correct")
	p.Text("No read instead of back cut: 1 time.")
	p.Text("ran 9 min short")
	p.Click("button", "7")
	p.Until("document.querySelector('[aria-label=\"Effort from 0 to 10\"] [aria-pressed=true]')?.innerText === '7'")
	p.Text("Left for the next practice")
	p.Fill("What to do differently next time", "Start the live part earlier.")
	p.Click("button", "Save")
	p.See("button", "Saved")
	p.Open(p.Path())
	p.Until("document.querySelector('textarea')?.value === 'Start the live part earlier.'")
	p.Until("document.querySelector('[aria-label=\"Effort from 0 to 10\"] [aria-pressed=true]')?.innerText === '7'")
}

// codeFrom asks the floor for a code that lets a screen in.
func codeFrom(p *browser.Page) string {
	p.Click("button", "More")
	p.Click("tab", "Second screen")
	p.Click("button", "Code for a screen")
	p.See("status", "Code")
	code := browser.Eval[string](p, "document.querySelector('.code').innerText")
	p.Click("button", "Close")
	return code
}

// A second screen is let in by a code, once, shows the clock and who is up, and goes
// dark when it is ended. The simulated scoreboard reads the same practice by the feed
// and sounds its horn; the simulated clicker logs.
func TestSecondScreenAndStandIns(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	floor(p)
	wall := page(t, s)
	wall.Viewport(1280, 720)
	wall.Open("/display")
	wall.Fill("Code", "NO SUCH")
	wall.Click("button", "Show the practice")
	wall.Says("alert", "not right")
	once := codeFrom(p)
	wall.Fill("Code", strings.ToLower(once))
	wall.Click("button", "Show the practice")
	wall.See("timer", "Time left")
	wall.Text("Slot twos")
	wall.Text("12:00")
	// Read from 15 m: an inch of height for every ten feet is best and a third of that
	// is legible (rule of thumb for signs, no source). On a screen 68 cm high 50 mm
	// are 7.4 %; capitals and figures are seven tenths of their font.
	if least := browser.Eval[float64](wall,
		"Math.min(...[...document.querySelectorAll('.clock, .disc')].map((e) => 0.7 * "+
			"parseFloat(getComputedStyle(e).fontSize) / innerHeight))"); least < 0.074 {
		t.Errorf("figures are %.1f %% of the screen's height", 100*least)
	}
	jersey := "document.querySelector('.disc').innerText"
	up := browser.Eval[string](wall, jersey)
	log(p, 1)
	wall.Until(fmt.Sprintf("%s !== %q", jersey, up))
	wall.Click("button", "Show the drill")
	wall.See("image", "How Slot twos runs")
	if wall.Has("button", "Curl") || strings.Contains(wall.Outline(), "Coach shows") {
		t.Error("the second screen shows what the coach shows, or can be logged on")
	}
	other := page(t, s)
	other.Open("/display")
	other.Fill("Code", once)
	other.Click("button", "Show the practice")
	other.Says("alert", "used already")

	// A round of questions, led from the floor: the screen follows, and goes back.
	p.Click("button", "More")
	p.Click("tab", "Second screen")
	p.Click("link", "Everybody points")
	p.Text("lead it from here")
	p.Click("button", "Begin the round")
	wall.Text("1 of 12")
	wall.See("heading", "Point!")
	p.Click("button", "Show the answer")
	title := "document.querySelector('h1').innerText"
	wall.Until(fmt.Sprintf("%s === %q", title, browser.Eval[string](p, title)))
	if !browser.Eval[bool](wall, "document.querySelector('.choices').closest('[inert]') !== null") {
		t.Error("the second screen can answer")
	}
	p.Click("button", "Next")
	wall.Text("2 of 12")
	p.Click("button", "End")
	wall.See("timer", "Time left")
	p.Click("link", "Back to practice")
	p.See("button", "More")

	// Two seconds before the block is over.
	practice := strings.Split(p.Path(), "/")[3]
	ask[string](t, s, "UPDATE practices SET block_ms = 12 * 60000 - 2000 WHERE id = $1::uuid RETURNING id::text",
		practice)
	board := page(t, s)
	board.Base = browser.Eval[string](p,
		"fetch('/api/session').then((r) => r.json()).then((v) => v.standIns.scoreboard)")
	board.Open("/")
	board.Fill("Code from the floor", "WRONG1")
	board.Click("button", "Pair")
	board.Says("status", "not right")
	board.Fill("Code from the floor", codeFrom(p))
	board.Click("button", "Pair")
	board.Until("document.getElementById('left').innerText === '00:02'")
	board.Text("Slot twos")
	p.Click("button", "Start clock")
	board.Until(
		"fetch('/state').then((r) => r.json()).then((b) => b.horns === 1 && b.running && b.left.startsWith('+'))")
	wall.Until("document.querySelector('.clock').innerText.startsWith('+')")

	p.Click("button", "More")
	p.Click("tab", "Second screen")
	p.Text("Screen 2, since")
	p.Click("button", "End it")
	wall.See("heading", "Second screen")
	p.Click("button", "Close")

	team := strings.Split(p.Path(), "/")[1]
	hand, stop := p.Tab()
	t.Cleanup(stop)
	hand.Open("/" + team + "/clicker")
	hand.Click("button", "Log")
	hand.Says("status", "heard it")
	p.Text("2 logged")
	hand.Click("button", "Wheel up") // past the first to the last, which is wrong whatever was shown
	hand.Says("status", "heard it")
	hand.Click("button", "Log")
	p.Text("3 logged")
	p.Text("All sent")
	if wrong := ask[int](t, s, "SELECT count(*)"+standing+" AND NOT r.is_correct", practice); wrong != 1 {
		t.Errorf("the wheel pointed at a wrong read once, and %d are stored", wrong)
	}
	hand.Click("button", "Undo")
	p.Text("2 logged")
	// Any keyboard sends the same.
	p.Front()
	p.Press(kb.PageDown)
	p.Text("3 logged")
}

// A rep that comes back from the server, after the page was closed, is mended like one of this page.
func TestRepOfBeforeIsMended(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	floor(p)
	log(p, 1)
	p.Text("All sent")
	p.Open(p.Path())
	p.Text("1 logged")
	p.Click("button", "Missed")
	p.Text("All sent")
	missed := "SELECT count(*) FROM rep_events WHERE outcome = 'missed' AND recorded_at > now() - interval '1 hour'"
	if n := ask[int](t, s, missed); n != 1 || strings.Contains(p.Outline(), "was not taken") {
		t.Errorf("%d reps were mended: %s", n, p.Outline())
	}
}
