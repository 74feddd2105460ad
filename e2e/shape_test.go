package e2e

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"evrik/e2e/browser"
)

// floor opens tonight's practice at its first drill that a coach shows.
func floor(p *browser.Page) {
	p.Click("link", "on the floor")
	p.See("timer", "Time left")
	for !p.Has("button", "No read") {
		p.Click("button", "Next block")
		p.Settle()
	}
}

// Every view fits a phone, a tablet and a desk without scrolling sideways, and
// whatever can be tapped is large enough: 48 px, on the floor 64.
func TestViewsFitAndCanBeTapped(t *testing.T) {
	p := enter(t, demo(t))
	team := "/" + strings.Split(p.Path(), "/")[1]
	floor(p)
	p.Press("2") // a wrong read offers the most
	p.Text("All sent")
	run := p.Path()
	p.Open(team + "/now")
	p.Click("link", "Change the plan")
	p.Text("needed reps covered")
	plan := p.Path()
	p.Open(team + "/games")
	p.Click("link", "Saltmarsh")
	p.See("heading", "Practice and this game")
	game := p.Path()
	p.Open(team + "/squad")
	p.Click("link", "Bram, Curl")
	p.Text("Weighs")
	card := p.Path()
	link := eyes(p, "Bram, Curl")
	views := []struct{ path, text string }{
		{team + "/now", "What holds the team back"}, {team + "/teach", "on the side of the cut"},
		{team + "/teach?screen=ball&cue=blitz", "paired side"}, {team + "/show?screen=feedpost", "What do you do?"},
		{team + "/teach/cards?screen=handoff", "Behind him!"}, {team + "/teach/tape?screen=down", "set it here"}, {team + "/teach/motion", "Who is on the floor"}, {team + "/teach/motion/steps", "without defence"}, {team + "/teach/principles", "Two on the ball"}, {team + "/show/round", "Everybody points"}, {link, "What do you see?"},
		{team + "/drills", "climbs one rung"}, {team + "/drills/edit", "What happens"},
		{team + "/drills/slot-twos", "As cutter, each"}, {team + "/plan", "answers logged"}, {plan, "needed reps covered"},
		{team + "/plan/week", "Rest days"}, {team + "/plan/season", "The weeks ahead"}, {team + "/plan/outbox", "Simulated"}, {plan + "/print?for=coach", "Whoever is hurt"},
		{team + "/squad", "Tap a cell"}, {team + "/squad/read/backcut", "Made in its place"}, {team + "/squad/program", "highest rung that half"},
		{card, "Last reps"}, {card + "/words", "Work on these two"}, {team + "/games", "A game for the schedule"}, {game + "?part=ready", "What they will ask"}, {game + "?part=five", "Who may play"},
		{game + "?part=after", "Practice and this game"}, {game + "/bench", "logged"}, {team + "/settings", "Sign out everywhere"}, {run, "Next:"},
		{run + "/review", "Reps each"}, {team + "/clicker", "Undo"}, {"/display", "Show the practice"},
	}
	for _, v := range views {
		p.Open(v.path)
		if v.path == run {
			p.See("timer", "Time left")
		} else {
			p.Text(v.text)
		}
		for _, size := range [][2]int64{{390, 844}, {1024, 768}, {1280, 800}} {
			p.Viewport(size[0], size[1])
			p.Settle()
			if wide := browser.Eval[int64](p, "document.documentElement.scrollWidth"); wide > size[0] {
				t.Errorf("%s at %d px is %d px wide", v.path[min(37, len(v.path)-1):], size[0], wide)
			}
			least := 48
			if v.path == run {
				least = 64
			}
			small := browser.Eval[string](p, fmt.Sprintf(`[...document.querySelectorAll('button.tape, a.tape, .answer, label.tape')]
				.filter((e) => e.checkVisibility() && e.getBoundingClientRect().height < %d - 0.5)
				.map((e) => e.innerText.trim() + ' ' + Math.round(e.getBoundingClientRect().height)).join('; ')`, least))
			if small != "" {
				t.Errorf("%s at %d px: too small to tap: %s", v.path[min(37, len(v.path)-1):], size[0], small)
			}
		}
	}
}

// luminance of a colour as WCAG 2.1 defines it, from memory.
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
			t.Fatalf("colour %q: %v", s, err)
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
		colour := func(name string) string {
			return browser.Eval[string](p, fmt.Sprintf("(() => { const v = getComputedStyle(%s).getPropertyValue('%s').trim(); return v.length === 4 ? '#' + [...v.slice(1)].map((c) => c + c).join('') : v; })()", element, name))
		}
		grounds := []string{"--floor", "--board", "--sheet"}
		inks := []string{"--ink", "--ink-soft", "--alarm", "--tape-blue", "--tape-green", "--tape-orange", "--tape-violet", "--tape-teal", "--tape-rose", "--tape-brown"}
		for _, ground := range grounds {
			for _, ink := range inks {
				if got := contrast(t, colour(ink), colour(ground)); got < least {
					t.Errorf("%s: %s on %s is %.2f, want %.1f", where, ink, ground, got, least)
				}
			}
		}
		if got := contrast(t, colour("--on-ink"), colour("--ink")); got < least {
			t.Errorf("%s: text on a dark button is %.2f", where, got)
		}
	}
	check("light", "document.documentElement", 4.5)
	p.Scheme("dark")
	check("dark", "document.documentElement", 4.5)
	floor(p)
	check("floor", "document.querySelector('.floor')", 7)
}
