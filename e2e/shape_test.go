package e2e

import (
	"fmt"
	"io/fs"
	"maps"
	"math"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
)

// floor opens tonight's practice at its first drill that a coach shows.
func floor(p *browser.Page) {
	p.Click("link", "practice")
	p.See("timer", "Time left")
	toFirstDrill(p)
}

// addDrill searches for a drill and adds it to the plan that is open.
func addDrill(p *browser.Page, name string) {
	p.Click("button", "+ Drill…")
	p.FillRole("searchbox", "Search drills", name)
	p.Click("button", name)
	p.Gone("dialog", "Add a drill")
}

// toFirstDrill goes on to the first drill that a coach shows.
func toFirstDrill(p *browser.Page) {
	for !p.Has("button", "No read") {
		p.Click("button", "Next block")
		p.Settle()
	}
}

// widths and heights of a small phone, a phone, a tablet upright and across, and a desk.
var sizes = [][2]int64{{360, 740}, {390, 844}, {768, 1024}, {1024, 768}, {1280, 800}}

// Smallest sides of what can be tapped, in CSS px: where hands are busy, and elsewhere.
const (
	tapOnTheFloor = 48
	tapElsewhere  = 44
)

// tooSmall lists controls that a finger misses. A link inside a sentence may be small, a box whose
// label is large, and a block of the run sheet, which is drawn to scale.
const tooSmall = `[...document.querySelectorAll('%[2]sbutton, select, summary, textarea, input:not([type=checkbox], [type=radio], [type=file], [type=range]), a.inline-flex, nav a, label.inline-flex, [role=tab], [role=radio], [role=option]')]
	.filter((e) => e.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && !e.closest('.visually-hidden, svg, [inert], .tile'))
	.map((e) => [e, e.getBoundingClientRect()])
	.filter(([, r]) => r.width > 0 && (r.height < %[1]d - 0.5 || r.width < %[1]d - 0.5))
	.map(([e, r]) => (e.getAttribute('aria-label') ?? e.innerText ?? '').trim().slice(0, 24) + ' <' + e.tagName.toLowerCase() + ' ' + e.className + '> ' + Math.round(r.width) + 'x' + Math.round(r.height)).slice(0, 12).join('; ')`

// tooWide names what sticks out of the window.
const tooWide = `document.documentElement.scrollWidth <= innerWidth ? '' : document.documentElement.scrollWidth + ' px wide: ' +
	[...document.querySelectorAll('body *')].filter((e) => e.getBoundingClientRect().right > innerWidth + 0.5).slice(0, 4).map((e) => '<' + e.tagName.toLowerCase() + ' ' + e.getAttribute('class') + '>').join(' ')`

// idle names what is styled without effect: a size on what runs in a line of text, so that a bar is not to be seen, or
// an order on what is no row and no grid.
const idle = `[...document.querySelectorAll('#app [style*="width:"], #app [style*="height:"], #app [class*="items-"], #app [class*="justify-"], #app [class*="flex-wrap"]')]
	.filter((e) => { const d = getComputedStyle(e).display; return d !== 'none' && !(e instanceof SVGElement) &&
		(/(^|;)\s*(width|height):/.test(e.getAttribute('style') ?? '') ? d === 'inline' : !/flex|grid/.test(d)); })
	.map((e) => '<' + e.tagName.toLowerCase() + ' ' + e.className + '> ' + e.innerText.slice(0, 20)).filter((s, i, l) => l.indexOf(s) === i).slice(0, 6).join('; ')`

// fits checks the page in some sizes.
func fits(t *testing.T, p *browser.Page, what string, least int, looked ...[2]int64) {
	t.Helper()
	links := ""
	if least == tapOnTheFloor {
		links = "a[href], " // on the floor no link stands in a sentence
	}
	for _, size := range looked {
		p.Viewport(size[0], size[1])
		p.Settle()
		if wide := browser.Eval[string](p, tooWide); wide != "" {
			t.Errorf("%s at %d px is %s", what, size[0], wide)
		}
		if small := browser.Eval[string](p, fmt.Sprintf(tooSmall, least, links)); small != "" {
			t.Errorf("%s at %d px: too small to tap: %s", what, size[0], small)
		}
	}
}

// routes are the patterns of the app's addresses, from its files.
func routes(t *testing.T) map[string]*regexp.Regexp {
	t.Helper()
	out := map[string]*regexp.Regexp{}
	root := "../web/src/routes"
	err := filepath.WalkDir(root, func(file string, d fs.DirEntry, err error) error {
		if err != nil || d.Name() != "+page.svelte" {
			return err
		}
		route := strings.TrimPrefix(filepath.ToSlash(filepath.Dir(file)), root)
		pattern := regexp.MustCompile(`\[\w+\]`).ReplaceAllString(route, "[^/]+")
		out[route] = regexp.MustCompile("^" + pattern + "/?$")
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// Every view fits a phone, a tablet and a desk without scrolling sideways, and
// whatever can be tapped is large enough. Seventy reps are on the floor, as after a block.
func TestViewsFitAndCanBeTapped(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	team := "/" + strings.Split(p.Path(), "/")[1]
	floor(p)
	reps := sample(30, 70) // more than the strip holds
	log(p, reps)
	p.Text(fmt.Sprint(reps, " logged"))
	p.Press("2") // a wrong read offers the most
	p.Text("All sent")
	run := p.Path()
	// "More" lies over it in full.
	p.Viewport(390, 844)
	p.Click("button", "More")
	p.See("dialog", "More")
	fits(t, p, "More on the floor", tapOnTheFloor, sizes...)
	if out := browser.Eval[string](p,
		`[...document.querySelectorAll('dialog[open] button')].map((b) => [b.innerText, b.getBoundingClientRect()])
		.filter(([, r]) => r.left < 0 || r.right > innerWidth).map(([name]) => name).join(', ')`); out != "" {
		t.Errorf("off the screen: %s", out)
	}
	p.Press(kb.Escape)
	p.Until("!history.state?.['sveltekit:states']?.sheet") // the way back is gone
	p.Viewport(1280, 800)
	p.Open(team + "/now")
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	plan := p.Path()
	p.Open(team + "/games")
	p.Click("link", "Saltmarsh")
	p.See("heading", "Practice and this game")
	game := p.Path()
	link := quizLink(p, "Bram, Curl")
	card := p.Path()
	p.Open(team + "/settings")
	p.Fill("Email", "new@tallowcreek.example")
	p.Click("button", "Invite")
	p.Says("status", "it works once")
	_, join, _ := strings.Cut(browser.Eval[string](p, "document.querySelector('code').innerText"), s.Base)
	views := []struct{ path, text string }{
		{team + "/now", "What holds the team back"}, {team + "/teach", "on the side of the cut"},
		{team + "/teach?action=ball&cue=blitz", "paired side"}, {team + "/show?action=feedpost", "What do you do?"},
		{team + "/teach/cards?action=handoff", "Cut behind!"}, {team + "/teach/tape?action=down", "set it here"},
		{team + "/teach/motion", "Who is on the floor"}, {team + "/teach/motion/steps", "Each picture shows"},
		{team + "/teach/motion?part=write", "What may follow a pass"},
		{team + "/teach/motion/bench?offense=cont", "when they take it away"},
		{team + "/teach/principles", "Two on the ball"}, {team + "/show/round", "Everybody points"},
		{link, "What do you see?"},
		{team + "/drills", "climbs one rung"}, {team + "/drills/edit", "What happens"},
		{team + "/drills/slot-twos", "As cutter, each"}, {team + "/plan", "% correct"},
		{team + "/plan?view=month", "Month"}, {plan, "rules kept"},
		{team + "/plan/week", "Rest days"}, {team + "/plan/season", "The weeks ahead"},
		{team + "/plan/outbox", "Simulated"}, {plan + "/print?for=coach", "Whoever is hurt"},
		{team + "/squad", "Tap a cell"}, {team + "/squad/read/backcut", "What they do instead"},
		{team + "/squad/program", "highest rung that half"}, {team + "/squad/links", "It is shown once"},
		{team + "/numbers", "Target against real defenders"}, {team + "/help", "How verdicts work"},
		{card, "Last reps"}, {card + "/words", "Work on these two"}, {team + "/games", "A game for the schedule"},
		{game + "?part=ready", "What they will ask"}, {game + "?part=five", "Available players"},
		{game + "?part=after", "Practice and this game"}, {game + "/bench", "logged"},
		{team + "/settings", "Sign out everywhere"}, {run, "Next:"},
		{run + "/review", "Reps each"}, {team + "/clicker", "Undo"}, {"/display", "Show the practice"},
		{join, "invites you"}, {"/reset/no-such-link", "does not work any more"},
	}
	left := routes(t)
	delete(left, "")            // goes on to Now
	delete(left, "/[team]/run") // goes on to the practice
	schemes := []string{"light", "dark"}
	for i, v := range views {
		unseen := len(left)
		maps.DeleteFunc(left, func(_ string, pattern *regexp.Regexp) bool {
			path, _, _ := strings.Cut(v.path, "?")
			return pattern.MatchString(path)
		})
		if testing.Short() && len(left) == unseen {
			continue // one view of each route
		}
		// Sizes and schemes take turns at what is checked once.
		size := sizes[i%len(sizes)]
		p.Viewport(size[0], size[1])
		p.Scheme(schemes[i%len(schemes)])
		p.Open(v.path)
		if v.path == run {
			p.See("timer", "Time left")
		} else {
			p.Text(v.text)
		}
		least, looked := tapElsewhere, sizes
		if testing.Short() {
			looked = [][2]int64{size, sizes[0]} // the one it is opened in and the narrowest
		}
		if v.path == run {
			least, looked = tapOnTheFloor, sizes
		}
		where := strings.TrimPrefix(v.path, team)
		if !strings.HasSuffix(v.path, "/numbers") {
			words(t, p, where)
		}
		steady(t, p, where)
		if idle := browser.Eval[string](p, idle); idle != "" {
			t.Errorf("%s has styles without effect: %s", where, idle)
		}
		fits(t, p, where, least, looked...)
		p.Viewport(size[0], size[1])
		accessible(t, p, where, !testing.Short() || i%7 == 0)
		if !testing.Short() {
			for _, size := range [][2]int64{sizes[0], sizes[2], sizes[4]} {
				for _, scheme := range schemes {
					p.Viewport(size[0], size[1])
					p.Scheme(scheme)
					accessible(t, p, fmt.Sprintf("%s, %d px, %s", where, size[0], scheme), true)
				}
			}
		}
	}
	for route := range left {
		t.Errorf("%s is not looked at", route)
	}
}

// luminance of a color as WCAG 2.1 defines it, from memory.
func luminance(rgb [3]float64) float64 {
	for i, c := range rgb {
		c /= 255
		if c <= 0.03928 {
			rgb[i] = c / 12.92
		} else {
			rgb[i] = math.Pow((c+0.055)/1.055, 2.4)
		}
	}
	return 0.2126*rgb[0] + 0.7152*rgb[1] + 0.0722*rgb[2]
}

func contrast(t *testing.T, a, b string) float64 {
	t.Helper()
	parse := func(s string) (c [3]float64) {
		var r, g, bl int
		if _, err := fmt.Sscanf(strings.TrimSpace(s), "#%02x%02x%02x", &r, &g, &bl); err != nil {
			t.Fatalf("color %q: %v", s, err)
		}
		return [3]float64{float64(r), float64(g), float64(bl)}
	}
	la, lb := luminance(parse(a)), luminance(parse(b))
	return (math.Max(la, lb) + 0.05) / (math.Min(la, lb) + 0.05)
}

// Text reaches AA (4.5:1) in light and in dark, and AAA (7:1) on the floor:
// WCAG 2.1, success criteria 1.4.3 and 1.4.6, from memory.
func TestContrast(t *testing.T) {
	if got := contrast(t, "#000000", "#ffffff"); math.Abs(got-21) > 1e-9 {
		t.Fatalf("black on white is %.2f", got)
	}
	p := enter(t, demo(t))
	check := func(where, element string, least float64) {
		t.Helper()
		color := func(name string) string {
			return browser.Eval[string](p, fmt.Sprintf(
				"(() => { const v = getComputedStyle(%s).getPropertyValue('%s').trim(); return v.length === 4 ? '#' "+
					"+ [...v.slice(1)].map((c) => c + c).join('') : v; })()", element, name))
		}
		grounds := []string{"--floor", "--board", "--sheet", "--wood"}
		inks := []string{"--ink", "--ink-soft", "--alarm", "--tape-blue", "--tape-green", "--tape-orange",
			"--tape-violet", "--tape-teal", "--tape-rose", "--tape-brown"}
		for _, ground := range grounds {
			for _, ink := range inks {
				if got := contrast(t, color(ink), color(ground)); got < least {
					t.Errorf("%s: %s on %s is %.2f, want %.1f", where, ink, ground, got, least)
				}
			}
		}
		if got := contrast(t, color("--on-ink"), color("--ink")); got < least {
			t.Errorf("%s: text on a dark button is %.2f", where, got)
		}
	}
	check("light", "document.documentElement", 4.5)
	p.Scheme("dark")
	check("dark", "document.documentElement", 4.5)
	floor(p)
	check("floor", "document.querySelector('.floor')", 7)
}
