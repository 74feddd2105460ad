package e2e

import (
	"fmt"
	"strings"
	"testing"

	"evrik/e2e/browser"
)

// onScreenOnly are words of buttons and of the frame that no paper carries.
var onScreenOnly = []string{"Skip to the page", "Edit the roster", "Back to the board", "Back to practice", "Saved",
	"Saving", "Open the squad", "Log from the bench", "Print"}

// What a coach takes to the gym on paper is whole on Letter and on A4, without buttons.
func TestPaper(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	team := "/" + teamOf(p)
	link := func(path, name string) string {
		t.Helper()
		p.Open(team + path)
		p.Click("link", name)
		p.Until(fmt.Sprintf("location.pathname !== %q", team+path))
		return p.Path()
	}
	practice := ask[string](t, s,
		"SELECT id::text FROM practices WHERE status = 'done' ORDER BY starts_at DESC LIMIT 1")
	plan := link("/now", "Change the plan")
	game := link("/games", "Saltmarsh")
	player := link("/squad", "Bram, Curl")
	bench := link("/teach/motion", "When they take it away") + "?offense=cont"
	for i, tc := range []struct {
		path  string
		pages int      // at most
		says  []string // also what stands last
	}{
		{team + "/squad", 2, []string{"Curl", "Keep it", "Odile", "Marek"}},
		{player, 3, []string{"Bram", "Curl"}},
		{player + "/words", 1, []string{"Bram", "Work on these two"}},
		{team + "/run/" + practice + "/review", 2, []string{"Reps each", "Marek"}},
		{game, 3, []string{"Saltmarsh"}},
		{team + "/plan/week", 2, []string{"Marek"}},
		{plan + "/print?for=coach", 1, []string{"Warm-up", "jumps"}},
		{team + "/teach/cards?action=down", 4, []string{"Curl", "Show"}},
		{team + "/teach/tape?action=down", 2, []string{"Top"}},
		{bench, 1, []string{"when they take it away", "Screen away", "Back cut"}},
		{team + "/teach/principles", 4, []string{"Two on the ball"}},
	} {
		p.Open(tc.path)
		p.Until("document.querySelector('main h1, article h1, h1') !== null")
		p.Settle()
		for n, name := range []string{"Letter", "A4"} {
			if testing.Short() && n != i%2 {
				continue // they take turns
			}
			text, pages := printed(t, p.PDF([]browser.Paper{browser.Letter, browser.A4}[n]))
			t.Logf("%s on %s: %d pages", tc.path, name, pages)
			if pages > tc.pages {
				t.Errorf("%s on %s: %d pages, want at most %d", tc.path, name, pages, tc.pages)
			}
			for _, want := range tc.says {
				if !strings.Contains(text, want) {
					t.Errorf("%s on %s does not say %q", tc.path, name, want)
				}
			}
			for _, never := range onScreenOnly {
				if strings.Contains(text, never) {
					t.Errorf("%s on %s has %q on it", tc.path, name, never)
				}
			}
		}
	}
}
