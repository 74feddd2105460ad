package practice

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// A practice counts as it was run: the minutes of the clock, without the block that was
// skipped, and for those who were there: one came in the second block, one left in it.
func TestAsRun(t *testing.T) {
	at := func(minutes float64) time.Duration { return time.Duration(minutes * float64(time.Minute)) }
	warm, play, last := block("warm", OwnBlock, 10, ""), block("play", OwnBlock, 12, ""), block("last", OwnBlock, 8, "")
	skipped := block("skipped", OwnBlock, 9, "")
	play.Play = true
	p := Plan{Minutes: 60, People: squad(4), Blocks: []Block{warm, skipped, play, last}}
	who := []string{p.People[0].ID, p.People[1].ID, p.People[2].ID, p.People[3].ID}
	states := map[string]Presence{who[0]: Here, who[1]: Left, who[2]: Here, who[3]: Limited}
	changes := []Change{
		{Kind: ComeAndGo, Block: "play", Player: who[1], Was: Here, State: Left},
		{Kind: SwapSides, Block: "play"},
		{Kind: ComeAndGo, Block: "play", Player: who[2], Was: Away, State: Here},
	}
	p.People[3].Limited = true
	ran := AsRun(p, map[string]time.Duration{"warm": at(11.5), "play": at(20), "last": at(5)}, states, changes)
	if len(ran.Blocks) != 3 || ran.Blocks[0].Minutes != 11.5 || ran.Blocks[1].Minutes != 20 ||
		ran.Blocks[2].Minutes != 5 {
		t.Fatalf("%+v", ran.Blocks)
	}
	load := func(i int) string { l := LayOut(ran).Load[i]; return fmt.Sprint(l.Minutes, l.HardMinutes) }
	for i, want := range []string{"36.5 20", "31.5 20", "25 20", "16.5 0"} {
		if got := load(i); got != want {
			t.Errorf("player %d has minutes %s, want %s", i, got, want)
		}
	}
	if p.Blocks[0].Minutes != 10 || len(p.Blocks[2].Players) != 0 {
		t.Error("the plan itself was changed")
	}
	// Who was named for a block stays so.
	play.Players = who[:1]
	p.Blocks = []Block{play}
	if ran := AsRun(p, map[string]time.Duration{"play": at(9)}, states, changes); !slices.Equal(ran.Blocks[0].Players,
		who[:1]) {
		t.Errorf("%+v", ran.Blocks)
	}
	// A block of players who were not there was not run for anybody.
	play.Players = []string{"guest"}
	p.Blocks = []Block{play}
	if ran := AsRun(p, map[string]time.Duration{"play": at(9)}, states, changes); len(ran.Blocks) != 0 {
		t.Errorf("%+v", ran.Blocks)
	}
	if same := AsRun(p, nil, states, changes); len(same.Blocks) != 1 || same.Blocks[0].Minutes != 12 {
		t.Errorf("a practice without a clock: %+v", same.Blocks)
	}
	events := []ClockEvent{{time.Unix(0, 0), StartClock, "warm"}, {time.Unix(60, 0), GoToBlock, "play"}}
	for sec, want := range map[int64]string{-1: "", 0: "warm", 59: "warm", 60: "play", 900: "play"} {
		if got := BlockAt(events, time.Unix(sec, 0)); got != want {
			t.Errorf("after %d s %q runs, want %q", sec, got, want)
		}
	}
}

// sessionOf is a practice of some minutes for a few players.
func sessionOf(start time.Time, minutes float64, effort Effort, players ...string) Session {
	s := Session{Start: start, Minutes: minutes, Effort: effort}
	for _, id := range players {
		s.Sheet.Load = append(s.Sheet.Load, Load{Player: id, Minutes: minutes, HardMinutes: minutes / 4, Jumps: 20})
	}
	return s
}

// A week is compared with the mean of the four before, of those with practices; effort
// counts where it was told in both. Foster et al. 2001 (from memory): minutes times the
// rating of the session.
func TestWeeksCompared(t *testing.T) {
	zone := berlin(t)
	monday := MondayOf(time.Date(2026, 11, 4, 12, 0, 0, 0, zone), zone)
	lim, _ := Ages12to14.Limits()
	six, four := 6, 4
	var all []Session
	for week := -5; week < 0; week++ {
		if week == -2 { // a week off
			continue
		}
		for _, day := range []int{1, 3} {
			who := []string{"a", "b", "d"}
			if week < -3 { // c was away after that
				who = append(who, "c")
			}
			all = append(all, sessionOf(monday.AddDate(0, 0, 7*week+day).Add(18*time.Hour), 60, Effort{Team: &four},
				who...))
		}
	}
	// This week the team practices three times for 60 minutes. Player b rates the effort higher, and
	// d comes only once.
	for _, day := range []int{1, 3, 5} {
		who := []string{"a", "b", "c"}
		if day == 1 {
			who = append(who, "d")
		}
		all = append(all, sessionOf(monday.AddDate(0, 0, day).Add(18*time.Hour), 60,
			Effort{Team: &four, ByPlayer: map[string]int{"b": six}}, who...))
	}
	w := WeekOf(monday, all, []string{"a", "b", "c", "d"}, lim, strings.ToUpper)
	if a := w.Players[0]; a.Usual != (DayLoad{120, 30, 40, 480, 120}) || a.Total != (DayLoad{180, 45, 60, 720, 180}) ||
		a.Change != 0.5 || a.Back {
		t.Errorf("%+v", a)
	}
	if b := w.Players[1]; b.Total.Rated != 180*6 || b.Days[1].Rated != 360 || w.Days[1].Rated != 360 {
		t.Errorf("%+v %+v", b, w.Days)
	}
	if !w.Players[2].Back || w.Players[3].Back {
		t.Errorf("who is back: %+v", w.Players)
	}
	said := ""
	for _, warning := range w.Warnings {
		said += warning.Text + "\n"
	}
	for _, want := range []string{"Much more than in the four weeks before: A (50% more) and B (125% more).",
		"Much less than in the four weeks before: D (50% less).", "Back after two weeks or more away: C."} {
		if !strings.Contains(said, want) {
			t.Errorf("no %q in\n%s", want, said)
		}
	}
	// An evening that nobody has rated yet leaves minutes to compare.
	unrated := append(slices.Clone(all), sessionOf(monday.AddDate(0, 0, 6), 60, Effort{}, "a", "b"))
	w = WeekOf(monday, unrated, []string{"a", "b"}, Limits{}, strings.ToUpper)
	if a, b := w.Players[0], w.Players[1]; a.Change != 1 || b.Change != 1 {
		t.Errorf("%v and %v, want twice the minutes", a.Change, b.Change)
	}
	// A third more is not much more, and the first week of all is compared with nothing.
	calm := []Session{sessionOf(monday.AddDate(0, 0, -6), 90, Effort{}, "a"),
		sessionOf(monday.AddDate(0, 0, 1), 120, Effort{Team: &six}, "a", "b")}
	if w := WeekOf(monday, calm, []string{"a", "b"}, Limits{}, strings.ToUpper); len(w.Warnings) != 0 {
		t.Errorf("%+v", w.Warnings)
	}
	// Many are counted, not named.
	many := []string{"a", "b", "c", "d", "e"}
	w = WeekOf(monday, []Session{sessionOf(monday.AddDate(0, 0, -6), 60, Effort{}, many...),
		sessionOf(monday, 120, Effort{}, many...)}, many, Limits{}, strings.ToUpper)
	if len(w.Warnings) != 1 || !strings.Contains(w.Warnings[0].Text, "5 players, about 100% more") {
		t.Errorf("%+v", w.Warnings)
	}
	// Live play and jumps of one day.
	hard := sessionOf(monday, 60, Effort{}, "a")
	hard.Sheet.Load[0].HardMinutes, hard.Sheet.Load[0].Jumps = lim.MaxHard+1, lim.MaxJumps+1
	if past := WeekOf(monday, []Session{hard}, []string{"a"}, lim, strings.ToUpper).Players[0].Past; len(past) != 2 ||
		!strings.Contains(past[0], "live play") || !strings.Contains(past[1], "jumps") {
		t.Errorf("%v", past)
	}
	for rating, fits := range map[int]bool{-1: false, 0: true, MaxEffort: true, MaxEffort + 1: false} {
		if err := CheckEffort(rating); (err == nil) != fits {
			t.Errorf("%d: %v", rating, err)
		}
	}
}

// What moved, what was cut, and what to talk about, in words.
func TestReviewInWords(t *testing.T) {
	turn := func(player string, read reads.Read, is evidence.Verdict) evidence.Turn {
		return evidence.Turn{Player: evidence.PlayerID(player), Role: reads.Cutter, Read: read, Was: evidence.TooClose,
			Is: is}
	}
	shown, live, given := block("shown", OwnBlock, 12, ""), block("live", OwnBlock, 10, ""),
		block("given", DrillBlock, 8, "live")
	reps := []evidence.Rep{{Expected: reads.Fade, Correct: true}, {Expected: reads.Fade},
		{Expected: reads.Curl, Made: reads.Curl, Correct: true}}
	r := ReviewOf(drill.Library{}, []Block{shown, live}, map[string]time.Duration{"shown": 15 * time.Minute},
		[]string{"a"}, reps, []Block{given})
	w := r.InWords([]evidence.Turn{turn("a", reads.Curl, evidence.HasIt), turn("b", reads.Curl, evidence.HasIt),
		turn("c", reads.Curl, evidence.NotYet)},
		[]reads.Read{reads.Curl, reads.Fade, reads.BackCut}, reps, strings.ToUpper)
	got := strings.Join(slices.Concat(w.Moved, w.Cut, w.Talk), "\n")
	want := `Curl: A and B now have it.
Curl: C clearly does not have it yet.
Fade was a goal: 1 of 2 correct, and no verdict changed yet.
Back cut was a goal, and no rep of it was logged.
Skipped, or nobody logged it: given.
shown ran 3 min over.
live was skipped.
No read instead of fade: 1 time.`
	if got != want {
		t.Errorf("%s\nwant\n%s", got, want)
	}
	r = ReviewOf(drill.Library{}, []Block{shown, live},
		map[string]time.Duration{"shown": 9 * time.Minute, "live": 12 * time.Minute}, nil,
		[]evidence.Rep{{Expected: reads.Curl, Made: reads.Fade,
			Tags: []evidence.Tag{{ID: "late-pass"}, {ID: "late-pass"}}}}, nil)
	w = r.InWords(nil, nil, nil, strings.ToUpper)
	if got := fmt.Sprint(
		w); got != "{[No verdict changed. That usually takes more than one practice.] [shown ran 3 min short.] [Fade "+
		"instead of curl: 1 time. Pass: late: 2 times.]}" {
		t.Error(got)
	}
	r = ReviewOf(drill.Library{}, []Block{shown}, nil, nil, nil, nil)
	if w = r.InWords(nil, nil, nil,
		strings.ToUpper); w.Cut[0] != "The clock was not used, so nobody knows what ran long." ||
		w.Talk[0] != "No wrong read was logged." {
		t.Errorf("%+v", w)
	}
	r = ReviewOf(drill.Library{}, []Block{shown}, map[string]time.Duration{"shown": 14 * time.Minute}, nil, nil, nil)
	if w = r.InWords(nil, nil, nil, strings.ToUpper); w.Cut[0] != "Everything ran as planned." {
		t.Errorf("%+v", w)
	}
}
