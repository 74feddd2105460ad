package e2e

import (
	"math"
	"strings"
	"testing"

	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
)

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
	p.See("button", "Down screen")
	read(p, "Curl")
	for cue, want := range map[string]string{"Stuck": "Straight", "Under": "Fade", "Jump": "Back cut",
		"Switch": "Clear out", "Show": "Keep it"} {
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
	p.Text("on the far side of the screen")
	// The same way back by keyboard: half a foot a press.
	p.Focus("button", own)
	for range 30 {
		if p.Speaks("status", "Back cut") {
			break
		}
		p.Press(kb.ArrowUp)
		p.Press(kb.ArrowRight)
		p.Says("status", ".") // the answer has settled
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
	p.Says("status", "Set")
	p.Click("button", "Mirror")
	read(p, "Curl")
	// Other screens, other answers to the same cue.
	choose(p, "Down screen", "Back screen")
	read(p, "Rim cut")
	p.Click("button", "Under")
	read(p, "Step out")
	choose(p, "Back screen", "Flare")
	read(p, "Curl")
	p.Click("button", "Stuck")
	p.Text("attack the recovery")
	// The address holds the snapshot, also one dragged to the other side.
	p.Click("button", "Mirror")
	p.Click("button", "Under")
	read(p, "Fade")
	dragTo(p, own, 300, 300)
	p.Until("document.querySelector('.why')?.innerText.includes(' ft ')") // the engine has answered
	address := browser.Eval[string](p, "location.pathname + location.search")
	shows := browser.Eval[string](p, "document.querySelector('[data-cue]').dataset.cue")
	why := browser.Eval[string](p, "document.querySelector('.why').innerText")
	if !strings.Contains(address, "floor=") || !strings.Contains(why, "ft") {
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

// choose opens the chooser, picks an action by its name and waits until the lab has it: another may have cues and reads
// of the same names.
func choose(p *browser.Page, from, to string) {
	p.Click("button", from)
	p.See("searchbox", "Say what you see")
	p.Click("button", to)
	p.Gone("searchbox", "Say what you see")
	p.See("button", to)
}

// dragAway drags somebody to a place on the page.
func dragAway(_ *testing.T, p *browser.Page, who string, x, y float64) { dragTo(p, who, x, y) }

// walkTo moves somebody with the arrow keys, half a foot a press, until they are
// within half a press of a place on the page.
func walkTo(t *testing.T, p *browser.Page, who string, x, y float64) {
	t.Helper()
	p.Focus("button", who)
	fx, fy := p.Middle("button", who)
	p.Press(kb.ArrowUp)
	_, ny := p.Middle("button", who)
	step := fy - ny // CSS pixels of half a foot
	if step <= 0 {
		t.Fatalf("%s: a press of the arrow key moved it by %.1f px", who, step)
	}
	press := func(pixels float64, forth, back string) {
		key := forth
		if pixels < 0 {
			key, pixels = back, -pixels
		}
		for range int(math.Round(pixels / step)) {
			p.Press(key)
		}
	}
	press(x-fx, kb.ArrowRight, kb.ArrowLeft)
	press(ny-y, kb.ArrowUp, kb.ArrowDown)
}

// Through all cues of four families: the defenders are dragged by the mouse from
// where the first cue has them to where another cue has them, and the answer
// follows; in three families the arrow keys do the same; a coach's words find a line.
func TestDragThroughTheFamilies(t *testing.T) {
	p := enter(t, demo(t))
	p.Click("link", "Teach")
	read(p, "Curl")
	at := "Down screen"
	for _, family := range []struct {
		action string
		movers []string
		first  [2]string
		others [][2]string
	}{
		{"Flare", []string{"Cutter's defender", "Screener's defender"}, [2]string{"Trail", "Curl"},
			[][2]string{{"Stuck", "Straight"}, {"Under", "Fade"}, {"Jump", "Back cut"}, {"Switch", "Clear out"},
				{"Show", "Keep it"}}},
		{"Ball screen", []string{"Guard", "Big", "Near corner's defender"}, [2]string{"Drop", "Pull-up"},
			[][2]string{{"Drop and tag", "Corner pass"}, {"Under", "Use it again"}, {"Jumps early", "Reject"},
				{"Ice", "Attack the big"}, {"Soft show", "Wait, then attack"}}},
		{"Handoff", []string{"Receiver's defender", "Carrier's defender"}, [2]string{"Trail", "Turn the corner"},
			[][2]string{{"Under", "Shoot behind it"}, {"Denied", "Back door"}, {"Hedge", "Hit the slip"}}},
		{"Feeding the post", []string{"Post's defender", "Far corner's defender"},
			[2]string{"From behind", "Feed the post"},
			[][2]string{{"Fronted", "Lob"}, {"Fronted, help", "High-low"}}},
	} {
		choose(p, at, family.action)
		at = family.action
		read(p, family.first[1])
		home := map[string][2]float64{}
		for _, who := range family.movers {
			x, y := p.Middle("button", who+": drag")
			home[who] = [2]float64{x, y}
		}
		for n, cue := range family.others[:min(len(family.others), sample(2, 9))] {
			p.Click("button", cue[0])
			read(p, cue[1])
			places := map[string][2]float64{}
			for _, who := range family.movers {
				if x, y := p.Middle("button", who+": drag"); math.Hypot(x-home[who][0], y-home[who][1]) > 1 {
					places[who] = [2]float64{x, y}
				}
			}
			ways := []func(*testing.T, *browser.Page, string, float64, float64){dragAway, walkTo}
			if n >= sample(1, len(family.others)) || family.action == "Ball screen" {
				ways = ways[:1] // by keyboard, three families are enough
			}
			for _, by := range ways {
				p.Click("button", family.first[0])
				read(p, family.first[1])
				for who, to := range places {
					by(t, p, who+": drag", to[0], to[1])
				}
				read(p, cue[1])
			}
		}
	}

	choose(p, at, "Ball screen")
	// The big's movement decides: a still picture says that it cannot tell, and what to watch.
	p.Click("button", "Hard hedge")
	read(p, "Drag and pass")
	p.Click("checkbox", "Defenders move")
	read(p, "Can't tell yet")
	p.Text("watch the big's next step")
	p.Click("checkbox", "Defenders move")
	read(p, "Drag and pass")
	// The arrow is turned by keyboard until the big only slides along.
	p.Focus("button", "How the big moves")
	for range 4 {
		p.Press(kb.ArrowDown)
	}
	read(p, "Wait, then attack")

	// Help: who stepped, who is left.
	p.Click("button", "Drop and tag")
	p.Text("The plug meets the roller")
	// Who shoots changes who rolls and who pops.
	p.Click("button", "Drop")
	p.Text("Roll. Roll to the rim")
	p.Click("checkbox", "Screener shoots threes")
	p.Text("Pop. You shoot")

	// A coach's words find the line.
	p.Click("button", "Ball screen")
	p.FillRole("searchbox", "Say what you see", "the defender goes under on the flare")
	p.See("list", "Found")
	p.Press(kb.Enter)
	read(p, "Fade")
	p.See("button", "Flare")

	// For the team: question, answer, next, by arrow keys.
	p.Click("link", "Show the team")
	p.Text("What do you do?")
	p.Press(kb.ArrowRight)
	read(p, "Fade")
	p.Press(kb.ArrowRight)
	p.Text("What do you do?")
	p.Text("4 / 6")
	p.Press(kb.ArrowLeft)
	read(p, "Fade")
	p.Press(kb.Escape)
	p.See("link", "Show the team")
	read(p, "Fade")
}

// What a coach takes away from the lab: one card, a family's cards, the tape
// sheet with the screen's places, the picture as SVG, and the team's own pace.
func TestPapersOfTheLab(t *testing.T) {
	p := enter(t, demo(t))
	team := "/" + strings.Split(p.Path(), "/")[1]
	p.Open(team + "/teach?action=stagger&cue=under")
	read(p, "Fade")

	// The picture as a file of its own: an SVG that parses, with its colors in it.
	p.Until(`(navigator.clipboard.writeText = async (t) => { window.copied = t; }, true)`)
	p.Click("button", "Copy as SVG")
	p.Text("copied as SVG")
	if fault := browser.Eval[string](p, `(() => {
		const doc = new DOMParser().parseFromString(window.copied, 'image/svg+xml');
		if (doc.querySelector('parsererror')) return doc.querySelector('parsererror').textContent;
		const people = [...doc.querySelectorAll('text')].map((t) => t.textContent).sort().join('');
		if (people !== 'CCFFPSS') return 'people: ' + people;
		if (doc.querySelector('[class], [tabindex]')) return 'it carries the page with it';
		const disc = [...doc.querySelectorAll('circle')].find((c) => c.getAttribute('r') === '1.22');
		return disc && /fill: ?rgb/.test(disc.getAttribute('style')) ? '' : 'no colors';
	})()`); fault != "" {
		t.Error(fault)
	}

	p.Click("link", "Tape sheet")
	p.Text("Right staggered pair, first screener")
	p.Click("link", "Back to the lab")
	p.Open(team + "/teach/cards?action=stagger")
	p.Click("link", "Only this card: Jump, staggered pair")
	p.Until("document.querySelectorAll('.cards > li').length === 1") // the whole screen's hold the same words
	p.Text("Back door!")
	p.Click("link", "The whole family")
	p.Text("Cue cards: Off the ball")
	p.Until("document.querySelectorAll('.cards > li').length >= 60") // of twelve screens

	// Who nobody knows is said, not shown empty.
	p.Open(team + "/teach?action=moon")
	p.Says("alert", "no such action")
	p.Press("2")
	read(p, "Curl")

	// By keyboard: the chooser, a search that finds nothing, and out again.
	p.Press("/")
	p.FillRole("searchbox", "Say what you see", "xylophone")
	p.Says("status", "No line of the tables says that")
	p.Press(kb.Escape)
	p.Until("!document.querySelector('dialog').open")

	// The team's own stopwatch changes who comes open.
	feet := func() string {
		return browser.Eval[string](p, "document.querySelector('[aria-label=\"Who comes open\"]').innerText")
	}
	p.Text("on the side of the cut")
	before := feet()
	p.Click("link", "Settings")
	p.Click("checkbox", "Our own figures")
	p.FillRole("spinbutton", "Reaction, s", "0.9")
	p.Click("button", "Save settings")
	p.Text("The settings are saved")
	p.Click("link", "Teach")
	p.Text("on the side of the cut")
	if after := feet(); after == before {
		t.Errorf("a slow reaction changes nothing: %s", after)
	}
}
