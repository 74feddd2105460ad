package e2e

import (
	"encoding/csv"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"

	"evrik/e2e/browser"
)

// blocks is the run sheet as it stands, a line a block.
func blocks(p *browser.Page) []string {
	return browser.Eval[[]string](p,
		`[...document.querySelectorAll('[role=option]')].map((b) => b.innerText.replace(/\s+/g, ' ').trim())`)
}

// file is what a link of the page downloads.
func file(p *browser.Page, name string) string {
	p.See("link", name)
	browser.Eval[bool](p,
		fmt.Sprintf(`(window.file = undefined, fetch([...document.links].find((a) => a.innerText.trim() === %q).href)
		.then((r) => r.text()).then((t) => { window.file = t; }), true)`, name))
	p.Until("window.file !== undefined")
	return browser.Eval[string](p, "window.file")
}

// The evening is filled, a block pinned, the practice shortened and fitted anew;
// the reasons are read, the plan printed and exported, and all of it undone.
func TestPlanIsFitted(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	p.Text("The season sets: down screen guided")
	start := blocks(p)

	p.Press("f")
	p.Text("Best practice")
	filled := blocks(p)
	if slices.Equal(filled, start) || !slices.ContainsFunc(filled, func(b string) bool {
		return strings.HasPrefix(b, "Warm-up: run, land, change direction") && strings.HasSuffix(b, " 10′")
	}) {
		t.Fatalf("filled:\n%s", strings.Join(filled, "\n"))
	}

	// Pin a drill, then 75 minutes for all of it.
	drilled := slices.IndexFunc(filled, func(b string) bool { return strings.Contains(b, "Guided") })
	pin := filled[drilled]
	p.Focus("option", strings.Split(pin, ":")[0])
	p.Press("p")
	p.See("option", "Pinned. ")
	p.FillRole("spinbutton", "Length", "75")
	p.Text("too many")
	p.Text("You changed the plan.")
	p.Click("button", "Build practice")
	p.Text("Best practice")
	p.Text("of 75 min")
	if text := p.Outline(); strings.Contains(text, "too many") {
		t.Errorf("75 minutes hold too much:\n%s", text)
	}
	short := blocks(p)
	if slices.Equal(short, filled) || !slices.Contains(short, "Pinned. "+pin) {
		t.Errorf("the pinned block %q is not in\n%s", pin, strings.Join(short, "\n"))
	}

	// Why is this here, and what could be instead.
	p.Click("option", "Pinned. ")
	p.Text("Right when")
	reasons := 0
	for i, b := range short {
		if !strings.Contains(b, "reps") {
			continue
		}
		browser.Eval[bool](p, fmt.Sprintf("(document.querySelectorAll('[role=option]')[%d].click(), true)", i))
		p.Text("Right when")
		if strings.Contains(p.Outline(), "each, enough to move") || strings.Contains(p.Outline(), ": about ") {
			reasons++
		}
	}
	if reasons < 2 {
		t.Errorf("%d blocks say what they give", reasons)
	}
	p.Click("tab", "Goals")
	p.Text("What this practice is for")
	p.Text("Rules of a good practice")
	p.Text("move forward")

	p.Click("button", "Save")
	p.Text("The plan is saved.")
	p.Click("tab", "Share")
	plan := p.Path()

	// On paper: one page for each, on both papers.
	q := enter(t, s)
	for _, who := range []struct{ is, says, not string }{{"coach", "Tell them", "They rotate"},
		{"assistants", "They rotate", "Tell them"}} {
		q.Open(plan + "/print?for=" + who.is)
		q.Text("Whoever is hurt")
		for name, paper := range map[string]browser.Paper{"A4": browser.A4, "Letter": browser.Letter} {
			text, pages := printed(t, q.PDF(paper))
			text = strings.Join(strings.Fields(text), " ")
			if pages != 1 || !strings.Contains(text, who.says) || strings.Contains(text, who.not) ||
				!strings.Contains(text, "Free throws") {
				t.Errorf("for %s on %s: %d pages\n%s", who.is, name, pages, text)
			}
		}
	}

	rows, err := csv.NewReader(strings.NewReader(file(p, "CSV"))).ReadAll()
	if err != nil || len(rows) != len(short)+1 {
		t.Errorf("%d lines for %d blocks, %v", len(rows), len(short), err)
	}
	var out struct {
		Minutes int
		Blocks  []struct{ Pin bool }
	}
	if err := json.Unmarshal([]byte(file(p, "JSON")), &out); err != nil || out.Minutes != 75 ||
		len(out.Blocks) != len(short) {
		t.Errorf("%+v, %v", out, err)
	}
	if ics := file(p, "Calendar file"); !strings.HasPrefix(ics, "BEGIN:VCALENDAR") ||
		strings.Count(ics, "BEGIN:VEVENT") != 1 {
		t.Errorf("%s", ics)
	}

	for browser.Eval[bool](p,
		"![...document.querySelectorAll('button')].find((b) => b.innerText === 'Undo').disabled") {
		p.Click("button", "Undo")
		p.Settle()
	}
	p.Text("of 90 min")
	p.See("option", "84 reps, 6.5 cuts each")
	if back := blocks(p); !slices.Equal(back, start) {
		t.Errorf("undone:\n%s\nwas\n%s", strings.Join(back, "\n"), strings.Join(start, "\n"))
	}
}

// What cannot be planned is said with what would resolve it, and nothing is lost.
func TestPlanSaysWhatIsInTheWay(t *testing.T) {
	p := enter(t, demo(t))
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	start := blocks(p)
	p.FillRole("spinbutton", "Length", "30")
	p.Click("button", "Build practice")
	p.Says("alert", "min")
	p.Says("alert", "30")
	if now := blocks(p); !slices.Equal(now, start) {
		t.Errorf("the sheet changed to\n%s", strings.Join(now, "\n"))
	}
	p.Click("button", "Undo")
	p.Hushed("alert", "30")
	// A block is dragged by its middle to where another lies; the sheet has moved up
	// where the alert stood.
	x, y := p.Middle("option", "Form shooting in pairs Ten")
	_, to := p.Middle("option", "Warm-up: run, land, change direction Ten")
	p.Mouse("mousePressed", x, y)
	p.Mouse("mouseMoved", x, to-30)
	p.Mouse("mouseReleased", x, to-30)
	p.See("button", "Undo")
	p.Until(`document.querySelector('[role=option]').innerText.startsWith('Form shooting')`)
	p.Click("button", "Undo")
	p.Until(`document.querySelector('[role=option]').innerText.startsWith('Warm-up')`)
}

// The weeks ahead lead to a plan, the plan to the assistants and to the week's loads.
func TestSeasonToPlanToOutbox(t *testing.T) {
	p := enter(t, demo(t))
	p.Click("link", "Plan")
	p.Click("link", "Season")
	p.Text("The weeks ahead")
	p.See("button", "Leave Flare out")
	p.Click("button", "Leave Flare out")
	p.Gone("button", "Leave Flare out")
	p.Click("button", "Undo")
	p.See("button", "Leave Flare out")
	p.FillRole("spinbutton", "Actions a practice", "9")
	p.Says("alert", "1 to 8 actions")
	p.Click("button", "Undo")
	p.Hushed("alert", "1 to 8 actions")

	// A break of a week takes its practices out of the table, and undo puts them back.
	days := func() int { return browser.Eval[int](p, "document.querySelectorAll('thead th').length") }
	before := days()
	p.Click("button", "+ Break")
	p.See("button", "Take break 1 away")
	p.Until(fmt.Sprintf("document.querySelectorAll('thead th').length < %d", before))
	p.Click("button", "Undo")
	p.Until(fmt.Sprintf("document.querySelectorAll('thead th').length === %d", before))

	p.Click("button", "Plan ")
	p.Text("The season sets: ")
	p.Text("Nothing is planned yet")
	p.Click("button", "Fill open time")
	p.See("option", "Water")
	p.Click("tab", "Share")
	p.Click("button", "Mail the assistants")
	p.Text("Mailed to assistant@tallowcreek.example")
	p.Fill("Name of a template made of this plan", "Season evening")
	p.Click("button", "Save as template")
	p.See("button", "Delete Season evening")

	p.Click("link", "Plan")
	p.Click("link", "Sent mail")
	p.See("article", "Message")
	p.Text("Attached: practice.ics")
	p.Click("link", "Loads")
	p.See("columnheader", "Rest days")
	p.Click("button", "The week after")
	p.Until("location.search.includes('from=')")
	p.See("columnheader", "Rest days")
}
