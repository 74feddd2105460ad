package e2e

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
)

// ctrl holds the control key down.
var ctrl = chromedp.KeyModifiers(kb.ModifierCtrl)

// read waits until the answer panel shows a read.
func read(p *browser.Page, name string) { p.Says("status", name) }

// dragTo drags a defender in steps to a place relative to another thing on the
// court, in CSS pixels.
func dragTo(p *browser.Page, who string, x, y float64) {
	fx, fy := p.Middle("button", who)
	p.Mouse(input.DispatchMouseEventTypeMousePressed, fx, fy)
	for k := 1; k <= 6; k++ {
		f := float64(k) / 6
		p.Mouse(input.DispatchMouseEventTypeMouseMoved, fx+(x-fx)*f, fy+(y-fy)*f)
	}
	p.Mouse(input.DispatchMouseEventTypeMouseReleased, x, y)
}

// The defender is dragged through cues and the answer changes under the hand;
// the arrow keys do the same.
func teach(t *testing.T, p *browser.Page) {
	const own, other = "Cutter's defender", "Screener's defender"
	p.Click("link", "Teach")
	p.See("combobox", "Screen")
	read(p, "Curl")
	for cue, want := range map[string]string{"Stuck": "Straight", "Under": "Fade", "Jump": "Back cut", "Switch": "Clear out", "Show": "Keep it"} {
		p.Click("button", cue)
		read(p, want)
	}
	// Where the defender stands for "under", and where for "jump".
	p.Click("button", "Under")
	read(p, "Fade")
	ux, uy := p.Middle("button", own)
	p.Click("button", "Jump")
	read(p, "Back cut")
	dragTo(p, own, ux, uy)
	read(p, "Fade")
	p.Text("on the rim side of the screen")
	// The same way back by keyboard: half a foot a press.
	p.Focus("button", own)
	for range 30 {
		if p.Speaks("status", "Back cut") {
			break
		}
		p.Press(kb.ArrowUp)
		p.Press(kb.ArrowRight)
	}
	read(p, "Back cut")
	// Two on one spot are refused in words, and moving on goes on.
	p.Click("button", "Trail")
	read(p, "Curl")
	sx, sy := p.Middle("button", other)
	dragTo(p, own, sx, sy)
	p.Says("alert", "stand on one spot")
	p.Click("button", "Trail")
	read(p, "Curl")
	p.Hushed("alert", "stand on one spot")
	// Cutter and screener can be moved too, and the screen's set-up is judged.
	p.Text("Hip to hip")
	cx, cy := p.Middle("button", "Cutter: drag")
	dragTo(p, "Cutter: drag", cx+35, cy-20)
	p.Text("inches of daylight at the hip")
	p.Click("button", "Trail")
	p.Text("Hip to hip")
	p.Click("button", "Step")
	p.Says("status", "Start")
	p.Click("button", "Step")
	p.Says("status", "Screen set")
	p.Click("button", "Mirror")
	read(p, "Curl")
	// Other screens, other answers to the same cue.
	p.Choose("Screen", "Back screen")
	read(p, "Rim cut")
	p.Click("button", "Under")
	read(p, "Step out")
	p.Choose("Screen", "Flare")
	read(p, "Curl")
	p.Click("button", "Stuck")
	p.Text("attack his recovery")
	// The address holds the situation, also one dragged to the other side.
	p.Click("button", "Mirror")
	p.Click("button", "Under")
	read(p, "Fade")
	dragTo(p, own, 300, 300)
	p.Until("document.querySelector('.why')?.innerText.includes(' ft ')") // the engine has answered
	address := browser.Eval[string](p, "location.pathname + location.search")
	shows := browser.Eval[string](p, "document.querySelector('[data-cue]').dataset.cue")
	why := browser.Eval[string](p, "document.querySelector('.why').innerText")
	if !strings.Contains(address, "at=") || !strings.Contains(why, "ft") {
		t.Fatalf("%s, %q", address, why)
	}
	p.Open(address)
	p.Text(why) // the same distances, to the tenth of a foot
	if again := browser.Eval[string](p, "document.querySelector('[data-cue]').dataset.cue"); again != shows {
		t.Errorf("%s shows %s, and showed %s", address, again, shows)
	}
	// A question keeps its answer covered until it is asked for.
	p.Click("button", "Give me one")
	p.See("heading", "What should the cutter do?")
	if p.Has("heading", "Expect these mistakes") {
		t.Error("the answer lies open beside the question")
	}
	p.Click("button", "Straight")
	p.Settle()
	if !p.Speaks("status", "That is it.") && !p.Speaks("status", "No: ") {
		t.Errorf("an answer was given and nothing said of it:\n%s", p.Outline())
	}
	p.Click("button", "Show the answer")
	p.See("heading", "Expect these mistakes")
	p.Click("link", "Tape sheet")
	p.Text("Volleyball attack line")
	p.Click("link", "Back to the lab")
	p.Click("link", "Cue cards")
	p.Text("Cue cards: Down screen")
}

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
	p := enter(t, demo(t))
	teach(t, p)

	p.Click("link", "Drills")
	p.Click("link", "Slot twos")
	p.Text("As cutter, each")
	p.Click("radio", "Shown")
	p.See("columnheader", "Show")
	p.FillRole("spinbutton", "Minutes", "61")
	p.Says("alert", "A block lasts more than 0 and at most 60 minutes")

	p.Click("link", "Squad")
	small := []string{"Rafe", "Lotte", "Bram", "Ivo"}
	before := verdicts(p, small)

	// A small group tonight, and an undo on the way.
	p.Click("link", "Now")
	p.Click("link", "Change the plan")
	p.Text("needed reps covered")
	for _, name := range []string{"Odile", "Tavi", "Noor", "Juni", "Esme", "Kit", "Sunny", "Pia", "Marek"} {
		// By keyboard: totals above the list change height as it is worked through.
		p.Focus("checkbox", name)
		p.Press(" ")
	}
	p.Click("option", "Live: nobody switches")
	p.Choose("Baskets", "1")
	p.FillRole("spinbutton", "Minutes", "10")
	p.See("option", "30 reps, 7.5 cuts each")
	p.Press("z", ctrl)
	p.See("option", "42 reps, 10.5 cuts each")
	p.Press("y", ctrl)
	p.See("option", "30 reps, 7.5 cuts each")
	p.Click("button", "Store")
	p.Text("The plan is stored.")

	p.Click("button", "To the floor")
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
	p.Click("button", "Under")
	p.Click("button", "Back cut")
	p.Text(fmt.Sprintf("%d logged", reps+1))
	p.Click("button", "Stopped at an angle")
	p.Press("z")
	p.Text(fmt.Sprintf("%d logged", reps))
	p.Text("All sent")

	p.Click("link", "Off the floor")
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
	home, err := os.MkdirTemp("", "evrik-home-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(home) })
	if err := os.Chmod(home, 0o755); err != nil {
		t.Fatal(err)
	}
	s := launch(t, "demo", "EVRIK_HOME="+filepath.Join(home, "evrik"))
	p := enter(t, s)
	p.Click("link", "Start on the floor")
	p.See("timer", "Time left")
	for !p.Has("button", "No read") {
		p.Click("button", "Next block")
		p.Settle()
	}
	log := func(from, to int) {
		for n := from; n <= to; n++ {
			p.Press("1")
			p.Text(fmt.Sprintf("%d logged", n))
		}
	}
	log(1, 5)
	p.Text("All sent")
	p.Press("1")
	s.kill() // the sixth may or may not have arrived
	p.Text("6 logged")
	log(7, 12)
	p.Text("kept on this device")
	s.again()
	p.Text("All sent")
	log(13, 14)
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
	p := enter(t, s)
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
