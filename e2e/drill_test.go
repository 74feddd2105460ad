package e2e

import (
	"bytes"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"testing"

	"github.com/ledongthuc/pdf"

	"evrik/core/drill"
	"evrik/e2e/browser"
)

// A coach of ten-year-olds sees what the age leaves out, and turns it on with one switch.
func TestActionsByAge(t *testing.T) {
	p := enter(t, demo(t))
	p.Click("link", "Settings")
	p.Choose("Age group", "ages 9 to 11")
	p.Click("button", "Save settings")
	p.Text("Left out now: Ball screen")
	p.Click("link", "Drills")
	p.Text("Left out at this age")
	p.Click("link", "Settings")
	p.Click("checkbox", "Use all actions at every age")
	p.Click("button", "Save settings")
	p.Until("!document.body.innerText.includes('Left out now')") // it is saved, and known here
	p.Click("link", "Drills")
	p.Text("59 of 59 drills")
	if text := browser.Eval[string](p, `document.body.innerText`); strings.Contains(text, "Left out at this age") {
		t.Error("with all actions on a drill is still left out")
	}
}

// A coach makes a drill of their own from "Slot twos", turns it into three on
// three, gets the order list for eleven with one who comes late, prints it,
// exports it and imports it again.
func TestOwnDrill(t *testing.T) {
	p := enter(t, demo(t))
	p.Click("link", "Drills")
	p.Text("59 of 59 drills")
	p.FillRole("spinbutton", "Players here", "3")
	p.Click("checkbox", "No helpers needed")
	p.Hushed("status", "59 of 59")
	p.Click("checkbox", "For what holds us back")
	p.See("link", "Three-line away")
	p.Hushed("link", "Form shooting")
	p.Click("link", "Three-line away")
	p.Text("Touches, each")
	// What was chosen stands in the address: the list is as it was on the way back.
	browser.Eval[bool](p, "history.back() ?? true")
	p.Text("of 59 drills")
	p.Hushed("status", "59 of 59")
	p.Click("link", "Three-line away")
	p.Text("Touches, each")
	p.Click("button", "Run it")
	p.Says("status", "Read")
	p.Click("link", "Drills")
	p.Click("link", "Slot twos")
	p.Text("Touches, each")
	p.Click("link", "Make it your own")

	// What cannot be is said while it is written, and can be taken back.
	p.See("button", "Save drill")
	p.Click("button", "Add a position")
	p.Choose("Rung", "2 Chair") // the first stage's
	p.Click("button", "Undo")
	p.Fill("Name", "Corner threes") // the drill's own name comes first
	p.Press("\t")
	p.Choose("How players move on", "Offense, defense, line")
	browser.Eval[bool](p, `(() => {
		const rungs = [...document.querySelectorAll('select[aria-label="Rung"]')];
		const last = rungs[rungs.length - 1];
		last.value = 'live3';
		last.dispatchEvent(new Event('change', { bubbles: true }));
		return true;
	})()`)
	browser.Eval[bool](p, `(() => { window.exported = []; const make = URL.createObjectURL;
		URL.createObjectURL = (b) => { b.text().then((t) => window.exported.push(t)); return make(b); }; return true; })()`)
	p.Click("button", "Save drill")
	p.Text("The drill is saved")
	p.See("heading", "Corner threes")
	p.Click("radio", "Live: switching allowed")
	p.Text("As cutter, each")

	p.Choose("Baskets", "1")
	// Eleven tonight; after eight reps a twelfth comes.
	p.Click("button", "players take part")
	for _, name := range firstPlayers(p, 2) {
		p.Click("checkbox", name)
	}
	p.Text("11 of 13 players take part")
	before := order(p)
	p.Click("button", "Counts per player")
	p.Text("Partners")
	for range 8 {
		p.Click("button", "Rep after")
	}
	p.Click("button", "Somebody came or left")
	p.Text("Reps 1 to 8 stand")
	late := firstPlayers(p, 1)[0]
	p.Click("checkbox", late)
	p.Text("12 of 13 players take part")
	p.Text("dealt again for 12 players")
	after := order(p)
	for k := range 8 {
		if after[k] != before[k] {
			t.Errorf("rep %d was %q and is %q", k+1, before[k], after[k])
		}
	}
	if rest := strings.Join(after[8:], "\n"); !strings.Contains(rest, strings.Fields(late)[1]) {
		t.Errorf("%s has come and is nowhere in\n%s", late, rest)
	}

	// On paper: one page, with the names.
	text, pages := printed(t, p.PDF(browser.A4))
	if pages != 1 {
		t.Errorf("%d pages", pages)
	}
	for _, want := range []string{"Corner threes", strings.Fields(late)[1]} {
		if !strings.Contains(text, want) {
			t.Errorf("the sheet does not say %q:\n%s", want, text)
		}
	}

	// Out and in again: the same drill.
	p.Click("button", "Export")
	p.Until("window.exported.length === 1")
	file := browser.Eval[string](p, "window.exported[0]")
	name := filepath.Join(t.TempDir(), "drill.json")
	renamed := strings.Replace(file, "Corner threes", "Corner threes again", 1)
	if err := os.WriteFile(name, []byte(renamed), 0o600); err != nil {
		t.Fatal(err)
	}
	p.Click("link", "Drills")
	p.Text("60 of 60 drills")
	p.Upload(name)
	p.Text("Corner threes again was imported")
	p.Click("link", "Corner threes again")
	p.Text("Touches, each")
	browser.Eval[bool](p, "(window.exported = [], true)")
	p.Click("button", "Export")
	p.Until("window.exported.length === 1")
	a, err := drill.Import([]byte(renamed))
	if err != nil {
		t.Fatal(err)
	}
	b, err := drill.Import([]byte(browser.Eval[string](p, "window.exported[0]")))
	if err != nil {
		t.Fatal(err)
	}
	a.ID = b.ID // every stored drill has an id of its own
	one, _ := drill.Export(a)
	two, _ := drill.Export(b)
	if !bytes.Equal(one, two) {
		t.Errorf("out:\n%s\nand in again:\n%s", one, two)
	}
}

// firstPlayers names the first players of the list who can be taken out or in.
func firstPlayers(p *browser.Page, n int) []string {
	names := browser.Eval[[]string](p,
		"[...document.querySelectorAll('.people label')].map((l) => l.innerText.replace(/\\s+/g, ' ').trim())")
	return names[:n]
}

// order is the order list as it stands on the page, a line a rep, as soon as it is
// that of the numbers above it.
func order(p *browser.Page) []string {
	p.Until(`document.querySelector('section[aria-labelledby=tonight]').getAttribute('aria-busy') === 'false'`)
	return browser.Eval[[]string](p,
		`[...document.querySelectorAll('[aria-label="Order list"] tbody tr')].map((r) => r.innerText.replace(/\s+/g, ' '))`)
}

// printed is the text of a PDF and how many pages it has.
func printed(t *testing.T, data []byte) (string, int) {
	t.Helper()
	r, err := pdf.NewReader(bytes.NewReader(data), int64(len(data)))
	if err != nil {
		t.Fatalf("the print is no PDF (%s bytes): %v", strconv.Itoa(len(data)), err)
	}
	var b strings.Builder
	for i := 1; i <= r.NumPage(); i++ {
		text, err := r.Page(i).GetPlainText(nil)
		if err != nil {
			t.Fatal(err)
		}
		b.WriteString(text)
	}
	return b.String(), r.NumPage()
}
