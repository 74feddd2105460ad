package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
	"evrik/internal/pgtest"
)

// ctrl holds the control key down.
var ctrl = chromedp.KeyModifiers(kb.ModifierCtrl)

// verdicts reads the board: "Name, Read: verdict" by name.
func verdicts(p *browser.Page, names []string) string {
	var b strings.Builder
	for _, name := range names {
		b.WriteString(p.See("link", name+", Curl").Name + "\n")
	}
	return b.String()
}

// The coach's path on one evening: sign in, teach, look at the drill, plan,
// run and log, and see a verdict change.
func TestCoachPath(t *testing.T) {
	p := signIn(device(t, demo(t)))
	teach(t, p)

	p.Click("link", "Drills")
	p.Click("link", "Slot twos")
	p.Text("As cutter, each")
	p.Click("radio", "Guided")
	p.See("columnheader", "Show")
	p.FillRole("spinbutton", "Minutes", "61")
	p.Says("alert", "A block lasts more than 0 and at most 60 minutes")

	p.Click("link", "Squad")
	small := []string{"Rafe", "Lotte", "Bram", "Ivo"}
	before := verdicts(p, small)

	// A small group tonight, and an undo on the way.
	p.Click("link", "Now")
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	p.Click("tab", "Who is here")
	for _, name := range []string{"Odile", "Tavi", "Noor", "Juni", "Esme", "Kit", "Sunny", "Pia", "Marek"} {
		// By keyboard: totals above the list change height as it is worked through.
		p.Focus("checkbox", name)
		p.Press(" ")
	}
	p.Click("tab", "Block")
	p.Click("option", "Live: nobody switches")
	p.Choose("Baskets", "1")
	p.FillRole("spinbutton", "Minutes", "10")
	p.See("option", "30 reps, 7.5 cuts each")
	p.Press("z", ctrl)
	p.See("option", "42 reps, 10.5 cuts each")
	p.Press("y", ctrl)
	p.See("option", "30 reps, 7.5 cuts each")
	p.Click("button", "Save")
	p.Text("The plan is saved.")

	p.Click("button", "Run practice")
	p.See("timer", "Time left")
	p.Click("button", "Start clock")
	p.See("button", "Stop clock")
	for !p.Has("button", "Wrong read") {
		p.Click("button", "Next block")
		p.Settle()
	}
	p.Text("Rep 1 of 30")
	const reps = 24
	for n := 1; n <= reps; n++ {
		p.Click("button", "Curl")
		p.Text(fmt.Sprintf("Rep %d of 30", n+1))
	}
	p.Text(fmt.Sprintf("%d logged", reps))
	// A wrong read takes what was shown and what was made; undo takes it back.
	p.Click("button", "Wrong read")
	p.Click("button", "Under: back cut")
	p.Text(fmt.Sprintf("%d logged", reps+1))
	p.Click("button", "Use")
	p.Click("button", "Stopped at an angle")
	p.Press("z")
	p.Text(fmt.Sprintf("%d logged", reps))
	p.Text("All sent")

	p.Click("link", "Leave")
	p.Click("link", "Squad")
	after := verdicts(p, small)
	if before == after || !strings.Contains(after, "has it") {
		t.Errorf("%d right reps changed no verdict:\n%s\nthen\n%s", reps, before, after)
	}
	p.Click("link", "Lotte, Curl")
	p.Text("Last reps")
}

// The server dies without warning in the middle of logging. The device keeps
// what it could not send; after a new start everything is stored, once.
func TestKilledWhileLogging(t *testing.T) {
	t.Parallel()
	s := launch(t, "demo", "EVRIK_HOME="+pgtest.Home(t))
	p := signIn(device(t, s))
	floor(p)
	log(p, 5)
	p.Text("All sent")
	log(p, 1)
	s.kill() // the sixth may or may not have arrived
	p.Text("6 logged")
	log(p, 6)
	p.Until("/[67] kept on this device/.test(document.body.innerText)")
	// The page is closed and opened with nobody to answer: all of it is here.
	p.Until("navigator.serviceWorker.controller !== null")
	p.Open(p.Path())
	p.Text("12 logged")
	p.Text("kept on this device")
	s.again()
	p.Text("All sent")
	log(p, 2)
	p.Text("14 logged")
	p.Text("All sent")
	s.kill()
	s.again()
	p.Open(p.Path())
	p.Text("14 logged")
	p.Text("All sent")
	p.Text("Rep 15 of")
}

// Numbers and names of the program stay inside it: a signed-out browser sees
// only the door, and an assistant sees no head coach's buttons.
func TestDoors(t *testing.T) {
	s := demo(t)
	p := signIn(page(t, s))
	team := p.Path()
	p.Click("link", "Settings")
	p.Click("button", "Sign out everywhere")
	p.Text("This is a demo")
	p.Open(team)
	p.Text("This is a demo")
	p.Fill("Password", "wrong")
	p.Click("button", "Sign in")
	p.Says("alert", "do not match")
	p.Fill("Email", "assistant@tallowcreek.example")
	p.Fill("Password", "read the defender")
	p.Click("button", "Sign in")
	p.See("heading", "What holds the team back")
	p.Click("link", "Squad")
	p.Click("button", "Edit the roster")
	p.See("textbox", "Name of 44")
	if p.Has("button", "Delete") || p.Has("button", "Add") {
		t.Error("an assistant is offered to change the roster")
	}
	p.Open("/00000000-0000-0000-0000-000000000000/now")
	p.See("heading", "This team is not in your program")
}

// One read's page, the files, and two coaches who watch the same reps and do not see
// the same.
func TestReadAndObservers(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Click("link", "Squad")
	p.Click("link", "Back cut")
	p.See("heading", "What they do instead")
	p.Text("Who, most in need first")
	p.See("image", "Week by week")
	p.Click("link", "21 Ivo")
	p.Text("Last reps")
	team := strings.Split(p.Path(), "/")[1]
	p.Until(
		fmt.Sprintf(
			"fetch('/api/teams/%s/evidence?what=verdicts').then((r) => r.text()).then((t) => "+
				"t.split('\\r\\n').length > 50 && t.includes('wilson low'))", team))
	p.Open("/" + team + "/squad/read/moonwalk")
	p.Text("There is no read of this name")

	// Bram moves up, and the record comes along.
	p.Open("/" + team + "/squad")
	p.Click("button", "Edit the roster")
	p.Choose("Move Bram", "JV")
	p.Text("Bram plays for JV now and keeps the record")
	p.Gone("combobox", "Move Bram")
	p.Choose("Team", "JV")
	p.Click("link", "Bram, Curl")
	p.Text("Last reps")

	p.Open("/" + team + "/now")
	floor(p)
	q := page(t, s)
	q.Open("/")
	q.Fill("Email", "assistant@tallowcreek.example")
	q.Click("button", "Sign in")
	q.See("heading", "What holds the team back")
	q.Open(p.Path())
	q.Click("button", "Logging")
	q.Click("button", "Watch the same reps")
	log(p, 12)
	q.Text("12 logged")
	q.Text("Rep 1 of")
	for n := range 12 {
		q.Press([]string{"1", "1", "2"}[n%3])
	}
	q.Text("24 logged")
	q.Text("Rep 13 of")
	q.Text("All sent")
	p.Text("24 logged")
	p.Click("link", "Leave")
	p.Click("link", "Squad")
	p.Text("both logged 12 reps and agree on")
	p.Text("on what the player did in 8")
	practice := strings.Split(q.Path(), "/")[3]
	q.Open("/" + team + "/run/" + practice + "/review")
	q.Text("12 reps, 12 correct") // each counts once; where two differ, what the first one said
}
