package e2e

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"evrik/e2e/browser"
	"evrik/internal/pgtest"
)

// What can go wrong at the start is said in one sentence each.
func TestStartComplainsInSentences(t *testing.T) {
	t.Parallel()
	s := launch(t, "serve", "EVRIK_DATABASE_URL="+pgtest.URL(t))
	taken := strings.TrimPrefix(s.Base, "http://")
	home := t.TempDir()
	if err := os.Chmod(filepath.Dir(home), 0o755); err != nil {
		t.Fatal(err)
	}
	if err := os.MkdirAll(filepath.Join(home, "data", "data"), 0o755); err != nil {
		t.Fatal(err)
	}
	if err := os.WriteFile(filepath.Join(home, "data", "data", "stray"), nil, 0o644); err != nil {
		t.Fatal(err)
	}
	for want, call := range map[string]struct {
		env  []string
		args []string
	}{
		"another program has it": {[]string{"EVRIK_ADDR=" + taken}, []string{"serve"}},
		"does not answer": {[]string{"EVRIK_ADDR=127.0.0.1:0",
			"EVRIK_DATABASE_URL=postgres://x:y@127.0.0.1:1/no?connect_timeout=2"}, []string{"serve"}},
		"is damaged":          {[]string{"EVRIK_ADDR=127.0.0.1:0", "EVRIK_HOME=" + home}, []string{"serve"}},
		"There is no \"fly\"": {nil, []string{"fly"}},
		"Say what to do":      {nil, nil},
	} {
		said := fails(t, call.env, call.args...)
		if !strings.Contains(said, want) || strings.Count(strings.TrimSpace(said), "\n") > 0 {
			t.Errorf("%v: %q, want one line that says %q", call.args, said, want)
		}
	}
}

// setUp makes the first program of an empty server, by ann@x.example with "a long sentence".
func setUp(p *browser.Page) {
	p.Fill("Program", "Hill Street")
	p.Fill("First team", "Twelves")
	p.Fill("Your name", "Ann")
	p.Fill("Email", "ann@x.example")
	p.Fill("Password", "a long sentence")
	p.Click("button", "Make it and sign in")
	p.See("heading", "First steps")
}

// A first start without demo data asks for the first head coach; then the roster is typed in, pasted and
// imported, and lines that do not fit are named.
func TestFirstStart(t *testing.T) {
	t.Parallel()
	s := launch(t, "serve", "EVRIK_DATABASE_URL="+pgtest.URL(t))
	p := page(t, s)
	p.Open("/")
	p.See("heading", "A new program")
	setUp(p)
	p.Click("button", "Open the roster")
	p.Text("The roster is empty")
	p.Fill("Jersey", "00")
	p.Fill("Short name", "Ada")
	p.Click("button", "Add")
	p.See("textbox", "Name of 00")

	// A pasted list: what it would do is shown first, and nothing is saved of a bad one.
	p.Fill("List of players", "0 Bo\n00 Cleo\n7 =1+1")
	p.Says("alert", "Line 2. Jersey 00 is Ada's.")
	p.Says("alert", "Line 3.")
	p.See("list", "What changes")
	if !browser.Eval[bool](p,
		"[...document.querySelectorAll('button')].find((b) => b.innerText === 'Save 1 player').disabled") {
		t.Error("a list with lines that do not fit can be saved")
	}
	p.Click("checkbox", "Leave out the 2 lines")
	p.Click("button", "Save 1 player")
	p.See("textbox", "Name of 0")
	p.Text("1 new, 0 changed")

	// A file whose columns have other names; one of them is set by hand.
	file := filepath.Join(t.TempDir(), "roster.csv")
	if err := os.WriteFile(file, []byte("\uFEFFPlayer;Shirt no;Role\r\nCleo;7;wing\r\nDee;9;\r\nBo;8;\r\n"),
		0o644); err != nil {
		t.Fatal(err)
	}
	p.Upload(file)
	p.See("list", "What changes")
	p.Choose("Column Role", "Position")
	p.Text("number 0 → 8")
	p.Click("button", "Save 3 players")
	p.Text("2 new, 1 changed")
	p.See("textbox", "Name of 9")
	p.Click("button", "Erase Cleo")
	p.Click("button", "Erase for good")
	p.Gone("textbox", "Name of 7")
	p.Click("button", "Back to the board")
	p.See("link", "Dee, Curl: not enough reps")

	p.Press("4")
	p.See("heading", "Practices")
	p.Text("Nothing is planned yet")
	p.Press("5")
	p.See("heading", "Nothing to run")
	p.Press("?")
	p.See("heading", "Keys of this view")
}

// The floor, team rules and the coaches are the head coach's to set, and what
// is set shows in the lesson.
func TestSettings(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Click("link", "Settings")
	p.Text("NFHS Basketball Rules Book")
	p.Choose("Court", "Our own gym, measured")
	p.FillRole("spinbutton", "Three-point radius, ft", "40")
	p.Click("button", "Save settings")
	p.Text("the three-point arc crosses the half-court line")
	p.FillRole("spinbutton", "Three-point radius, ft", "18")
	p.Choose("When the defender jumps the screen", "Flare out first")
	p.Click("button", "Save settings")
	p.Text("The settings are saved.")
	p.Fill("Email", "bo@tallowcreek.example")
	p.Click("button", "Invite")
	p.Says("status", "it works once")
	link := browser.Eval[string](p, "document.querySelector('code').innerText")
	p.See("button", "Cancel invitation")
	p.Click("link", "Teach")
	p.Click("button", "Jump")
	p.Says("status", "Flare")
	p.Text("flare out, catch and shoot")
	p.Click("link", "Tape sheet")
	p.Text("Floor: measured by the team")
	p.Text("26' 9\"") // 18 ft and a stand-off of 3 ft 6 in from a ring 5 ft 3 in out

	// The new coach comes in by the link, and sees an assistant's settings.
	_, path, _ := strings.Cut(link, s.Base)
	q := page(t, s)
	q.Open(path)
	q.Text("Marlow invites you as assistant")
	q.Fill("Your name", "Bo")
	q.Fill("A password", "a long sentence")
	q.Click("button", "Make the account")
	q.See("heading", "What holds the team back")
	q.Click("link", "Settings")
	q.Text("The head coach can change these.")
	if q.Has("button", "Save settings") || q.Has("button", "Remove") {
		t.Error("an assistant is offered to change the settings")
	}
	// A second time the link is dead.
	again := page(t, s)
	again.Open(path)
	again.Says("alert", "does not work any more")
	// Made a viewer, Bo looks on: the floor is closed.
	p.Click("link", "Settings")
	p.Choose("What Bo may do", "viewer")
	p.Text("Bo may now view only")
	p.Open(p.Path())
	p.Text("changed a coach's role")
	q.Open("/")
	q.Text("View only")
	p.Click("button", "Remove Bo")
	p.Click("button", "Remove")
	p.Gone("combobox", "What Bo may do")
	q.Open("/")
	q.See("button", "Sign in")
}

// The first evening, from nothing to the first verdict: set up, paste a roster, build a practice in one tap, run
// it, log one player's reps, and read on the board that the player has the read.
func TestFirstEvening(t *testing.T) {
	t.Parallel()
	s := launch(t, "serve", "EVRIK_DATABASE_URL="+pgtest.URL(t))
	p := page(t, s)
	p.Open("/")
	setUp(p)
	p.Click("button", "Open the roster")
	p.Fill("List of players", "Player\tNo\nAda\t12\nBo\t7\nCleo\t23\nDee\t4\nEve\t5\nFay\t9")
	p.Click("button", "Save 6 players")
	p.Text("6 new, 0 changed")
	p.Press("1")
	p.See("heading", "First steps")
	p.Click("button", "Build it")
	p.Text("Your practice is built and saved.")
	if n := ask[int](t, s, "SELECT count(*) FROM blocks"); n < 5 {
		t.Errorf("the first practice has %d blocks", n)
	}
	p.Press("1")
	p.Click("link", "Start practice")
	p.See("timer", "Time left")
	toFirstDrill(p)
	const reps = 160 // correct, whoever it is: enough for a first word on most reads
	log(p, reps)
	p.Text(fmt.Sprint(reps, " logged"))
	p.Text("All sent")
	p.Open("/" + teamOf(p) + "/squad")
	p.Text("leans to has it")
	p.Press("1")
	p.See("button", "Invite")
	if p.Has("button", "Build it") || p.Has("button", "Open the roster") {
		t.Error("a step that is done is still offered")
	}
}
