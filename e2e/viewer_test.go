package e2e

import (
	"strings"
	"testing"

	"evrik/e2e/browser"
)

// countRefusals notes what the server refuses, and lets nothing leave the page.
const countRefusals = `
	window.refused = [];
	window.pending = 0;
	const real = window.fetch;
	window.fetch = async (...args) => {
		window.pending++;
		try {
			const answer = await real(...args);
			if (answer.status === 403) window.refused.push(answer.url);
			return answer;
		} finally {
			window.pending--;
		}
	};
	window.print = () => {};
	window.confirm = () => false;
	window.open = () => null;`

// pressEverything clicks every button that can be reached, but for those that leave, and
// returns how many there were.
const pressEverything = `(() => {
	const all = [...document.querySelectorAll('main button:not([disabled])')]
		.filter((b) => !b.closest('[inert]') && !/sign out|full screen/i.test(b.innerText));
	for (const b of all) b.click();
	return all.length;
})()`

// Whoever looks on is offered nothing that is refused: on every view, every button
// can be pressed and the server refuses nothing; what only coaches do is not there.
func TestWhoLooksOnIsRefusedNothing(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	team := "/" + teamOf(p)
	practice := ask[string](t, s,
		"SELECT id::text FROM practices WHERE team_id = $1::uuid ORDER BY starts_at DESC LIMIT 1", team[1:])
	past := ask[string](t, s, "SELECT practice_id::text FROM rep_events WHERE team_id = $1::uuid LIMIT 1", team[1:])
	game := ask[string](t, s, "SELECT id::text FROM games WHERE team_id = $1::uuid ORDER BY starts_at DESC LIMIT 1",
		team[1:])
	player := ask[string](t, s, "SELECT id::text FROM players WHERE team_id = $1::uuid ORDER BY jersey LIMIT 1",
		team[1:])
	ask[string](t, s, "UPDATE staff SET role = 'viewer' WHERE email = 'coach@tallowcreek.example' RETURNING role")
	p.Before(countRefusals)
	p.Open(p.Path())
	for _, v := range []struct{ path, shows string }{
		{team + "/now", "What holds the team back"}, {team + "/teach", "Screener"},
		{team + "/teach/motion", "Rules broken"}, {team + "/teach/principles", "Our principles"},
		{team + "/drills", "Slot twos"}, {team + "/drills/slot-twos", "Tonight"},
		{team + "/drills/edit", "nothing is saved"}, {team + "/plan", "Practices"},
		{team + "/plan/" + practice, "nothing is saved"}, {team + "/plan/week", "week"},
		{team + "/plan/season", "The weeks ahead"}, {team + "/run/" + past + "/review", "Reps each"},
		{team + "/squad", "Curl"}, {team + "/squad/" + player, "Read quiz"}, {team + "/squad/read/curl", "Curl"},
		{team + "/games", "Ahead"}, {team + "/games/" + game, "What they will do"},
		{team + "/settings", "The head coach"},
	} {
		p.Follow(v.path)
		p.Text(v.shows)
		p.Text("View only")
		if n := browser.Eval[int](p, pressEverything); n == 0 && strings.Contains(v.path, "/teach") {
			t.Errorf("%s has nothing to press", v.path)
		}
		p.Until("window.pending === 0")
		if refused := browser.Eval[string](p, "window.refused.join(' ')"); refused != "" {
			t.Errorf("%s offers what is refused: %s", v.path, refused)
		}
		offered := p.All("button", "link")
		for _, only := range []string{"Save", "Plan a practice", "Write your own", "Add the game", "Log from the bench",
			"Run practice", "Start practice", "Make a drill", "Make a private link"} {
			if len(browser.Called(offered, only)) > 0 {
				t.Errorf("%s offers %q", v.path, only)
			}
		}
	}
	p.Open(team + "/run/" + practice)
	p.See("heading", "Only coaches can log reps")
}
