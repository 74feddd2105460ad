package evidence

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// season returns reps of a few players on a few reads over three months, newest last.
func season(rng *rand.Rand, n int) []Rep {
	rungs := []drill.Rung{drill.Air, drill.Guided, drill.Live2, drill.Live3, drill.Game}
	answers := []reads.Read{reads.Curl, reads.Straight, reads.Fade}
	cues := []reads.Cue{reads.Trail, reads.Under, reads.Jump}
	reps := make([]Rep, n)
	for i := range reps {
		expected, made := answers[rng.IntN(3)], answers[rng.IntN(3)]
		practice := 30 * i / n
		reps[i] = Rep{ID: RepID(fmt.Sprint(i)), No: i + 1, Practice: PracticeID(fmt.Sprint("p", practice)),
			Block: BlockID(fmt.Sprint("b", practice)), Action: reads.Down,
			At: now.AddDate(0, 0, -90+3*practice).Add(time.Duration(i) * time.Second), Cue: cues[rng.IntN(3)],
			Player: PlayerID(rune('a' + rng.IntN(3))), Role: reads.Cutter, Rung: rungs[rng.IntN(5)],
			Side:     []string{drill.Left, drill.Right}[rng.IntN(2)],
			Expected: expected, Made: made, Correct: made == expected, Observer: "one"}
	}
	return reps
}

// board judges the players of a season on everything.
func boardOf(h *History) []Line {
	return DefaultPolicy().Board([]PlayerID{"a", "b", "c"}, reads.Cutter,
		[]reads.Read{reads.Curl, reads.Straight, reads.Fade}, h, now)
}

// Closed under any order of arrival: however the reps of a log come in, also those that
// come after their week was closed, the board is the same.
func TestArrivalOrderDoesNotMatter(t *testing.T) {
	p, rng := DefaultPolicy(), rand.New(rand.NewPCG(1, 2))
	for range 20 {
		reps := season(rng, 600)
		want := fmt.Sprint(boardOf(p.ExtendByPeriod(NoHistory(), reps, time.UTC)))
		shuffled := slices.Clone(reps)
		rng.Shuffle(len(shuffled), func(a, b int) { shuffled[a], shuffled[b] = shuffled[b], shuffled[a] })
		if got := fmt.Sprint(boardOf(p.ExtendByPeriod(NoHistory(), shuffled, time.UTC))); got != want {
			t.Fatal("a shuffled log comes to another board")
		}
		// Extending the closed weeks by the open one gives the same board.
		cut := PeriodOf(now, time.UTC)
		old := func(r Rep) bool { return r.At.Before(cut) }
		closed := p.ExtendByPeriod(NoHistory(), slices.DeleteFunc(slices.Clone(shuffled),
			func(r Rep) bool { return !old(r) }), time.UTC)
		before := fmt.Sprint(boardOf(closed))
		if got := fmt.Sprint(boardOf(p.ExtendByPeriod(closed, slices.DeleteFunc(slices.Clone(shuffled), old),
			time.UTC))); got != want {
			t.Fatal("closed weeks and the open one come to another board")
		}
		if fmt.Sprint(boardOf(closed)) != before {
			t.Fatal("a history was changed by extending it")
		}
	}
}

// A period begins on Mondays at four in the morning, on the team's clocks, also in the weeks
// in which clocks change (2026-03-08 and 2026-11-01).
func TestPeriodOf(t *testing.T) {
	zone, err := time.LoadLocation("America/Chicago")
	if err != nil {
		t.Fatal(err)
	}
	for at, want := range map[string]string{
		"2026-11-02T03:59:00": "2026-10-26T04:00:00", "2026-11-02T04:00:00": "2026-11-02T04:00:00",
		"2026-11-08T23:00:00": "2026-11-02T04:00:00", "2026-01-01T02:00:00": "2025-12-29T04:00:00",
		"2026-03-08T12:00:00": "2026-03-02T04:00:00", "2026-03-09T03:00:00": "2026-03-02T04:00:00",
	} {
		moment, err := time.ParseInLocation("2006-01-02T15:04:05", at, zone)
		if err != nil {
			t.Fatal(err)
		}
		if got := PeriodOf(moment.UTC(), zone).Format("2006-01-02T15:04:05"); got != want {
			t.Errorf("%s: %s, want %s", at, got, want)
		}
	}
}

// The verdict by what was logged, and its line.
func TestVerdicts(t *testing.T) {
	plus := func(n int) string { return strings.Repeat("+", n) }
	for _, tc := range []struct {
		name  string
		lists [][]Rep
		want  Verdict
		says  string
	}{
		{"no reps", nil, NotEnough, "Not enough reps: none yet."},
		{"three for three proves little", [][]Rep{made("+++", 0)}, NotEnough,
			"Not enough reps: 3 of 3, 3 more to say."},
		{"five wrong are too few", [][]Rep{made("-----", 0)}, NotEnough, "Not enough reps: 0 of 5, 1 more to say."},
		{"six wrong", [][]Rep{made("------", 1)}, NotYet,
			"Not yet: 0 of 6, the target is 7 in 10. Last seen yesterday."},
		{"thirteen of thirteen", [][]Rep{made(plus(13), 0)}, HasIt, "Has it: 13 of 13, last seen today."},
		{"the bar is higher when guided", [][]Rep{guided(plus(13), 0)}, TooClose,
			"Too close to call: 13 of 13, leans to has it, about 3 more."},
		{"around the target", [][]Rep{made("+++++-++--", 3), made("+-++++-", 0)}, TooClose,
			"Too close to call: 12 of 17, leans to not yet, about 23 more."},
		{"guided speaks against it", [][]Rep{guided("+-+-+-+-+-", 9), guided("-+-+-+-+-+", 6), made(plus(9), 3)}, TooClose,
			"Too close to call: 9 of 9 live, 10 of 20 guided, leans to not yet, 30 or more to go."},
		{"guided says the same", [][]Rep{guided("++++++-", 9), made("++++++-", 3)}, TooClose,
			"Too close to call: 6 of 7, leans to has it, about 17 more."},
		{"not faded by two weeks", [][]Rep{made(plus(10), 12), made(plus(9), 9)}, HasIt,
			"Has it: 19 of 19, last seen 9 days ago."},
		{"had it", [][]Rep{made(plus(12), 82), made(plus(12), 80)}, Lapsed, "Had it, last seen 80 days ago: 24 of 24."},
		{"never firm", [][]Rep{made(plus(13), 80)}, TooClose,
			"Too close to call: 13 of 13, leans to has it, about 3 more."},
		{"long ago and weak", [][]Rep{made("+-+-+-+-", 80)}, TooClose,
			"Too close to call: 4 of 8, leans to not yet, about 1 more."},
		{"learned it", [][]Rep{made("-----------", 60), made("-------", 40), made("-----+-", 30), made(plus(6), 8),
			made(plus(9), 6), made(plus(9), 3)}, HasIt, "Has it: 25 of 49, of the last 18 18, last seen 3 days ago."},
		{"lost it", [][]Rep{made(plus(20), 40), made(plus(10), 30), made("-----", 6), made("-----", 3)}, NotYet,
			"Not yet: 30 of 40, of the last 10 0, the target is 7 in 10. Last seen 3 days ago."},
		{"one cue shown is technique", [][]Rep{oneCue(plus(4))}, NotEnough,
			"Not enough reps: none yet. 4 with only one cue shown are technique."},
	} {
		st := stand(tc.lists...)
		if st.Judgement.Verdict != tc.want || st.Judgement.Sentence != tc.says {
			t.Errorf("%s: %s, %q (chance %.3f)", tc.name, st.Judgement.Verdict, st.Judgement.Sentence,
				st.Judgement.Chance)
		}
		if !strings.HasPrefix(strings.ToLower(st.Judgement.Sentence), tc.want.Name()) {
			t.Errorf("%s: %q does not begin with %q", tc.name, st.Judgement.Sentence, tc.want.Name())
		}
	}
}

func oneCue(answers string) []Rep {
	reps := guided(answers, 0)
	for i := range reps {
		reps[i].Cue = reads.Trail
	}
	return reps
}

// What one practice alone has made is new; a second that agrees makes it firm.
func TestNewUntilConfirmed(t *testing.T) {
	j := stand(made("+++++++++++++", 4)).Judgement
	if j.Verdict != HasIt || !j.New {
		t.Errorf("after one practice: %s, new %v", j.Verdict, j.New)
	}
	if j = stand(made("+++++++++++++", 4), made("++", 1)).Judgement; j.Verdict != HasIt || j.New {
		t.Errorf("after two: %s, new %v", j.Verdict, j.New)
	}
	if j = stand(made("-------", 1)).Judgement; j.Verdict != NotYet || !j.New {
		t.Errorf("not yet after one: %s, new %v", j.Verdict, j.New)
	}
	if j = stand(made("+++", 1)).Judgement; j.New {
		t.Error("not enough reps is never new")
	}
}

// Time alone decides nothing: without reps a verdict only loosens, and never goes back to
// not enough reps.
func TestTimeAloneNeverCondemns(t *testing.T) {
	p := DefaultPolicy()
	for _, reps := range [][][]Rep{{made("++++++++++++++", 2), made("++++", 0)}, {made("+++++++++++++", 0)},
		{made("-------", 0)}, {made("++++--+-", 0)}} {
		h := history(reps...)
		var order []Verdict
		for day := range 300 {
			if v := p.Stand(h, curl, now.AddDate(0, 0, day)).Groups[1].Judgement.Verdict; len(order) == 0 ||
				order[len(order)-1] != v {
				order = append(order, v)
			}
		}
		if len(order) > 2 || len(order) == 2 && order[1] != Lapsed && order[1] != TooClose {
			t.Errorf("the verdict went through %v", order)
		}
	}
}

// Live reps inform guided ones and the other way round, at half weight and once; the counts
// are told apart.
func TestNeighborsInform(t *testing.T) {
	alone, both := stand(made("++++++++", 0)), stand(guided("++++++++", 3), made("++++++++", 0))
	if a, b := alone.Groups[1].Judgement, both.Groups[1].Judgement; b.Chance <= a.Chance || b.Reps != 8 ||
		both.Groups[0].Judgement.Reps != 8 {
		t.Errorf("guided reps: from %.3f to %.3f", a.Chance, b.Chance)
	}
	if stand(made("++++++++", 0), guided("--------",
		3)).Groups[1].Judgement.Chance >= alone.Groups[1].Judgement.Chance {
		t.Error("wrong guided reps do not count against live ones")
	}
	rep := stand(made("++++++++++++++++", 0)).Groups[1].Judgement.Chance
	if stand(made("++++++++", 0), guided("++++++++", 0)).Groups[1].Judgement.Chance >= rep {
		t.Error("a guided rep counts as much as a live one")
	}
}

// The rung that is shown is the highest with reps enough, there or higher.
func TestRungShown(t *testing.T) {
	on := func(rung drill.Rung, n int, age int) []Rep {
		reps := made(strings.Repeat("+", n), age)
		for i := range reps {
			reps[i].Rung = rung
		}
		return reps
	}
	st := stand(on(drill.Live2, 12, 9), on(drill.Live3, 4, 6), on(drill.Five, 2, 3), on(drill.Air, 30, 1))
	if st.Rung != drill.Live3 || st.Held != drill.Live3.Number() || st.Group != Live || len(st.Rungs) != 3 ||
		st.Rungs[2] != (OnRung{drill.Five, Count{2, 2}}) {
		t.Errorf("%s, held %d, %+v", st.Rung, st.Held, st.Rungs)
	}
	st = stand(guided(strings.Repeat("+", 30), 5), guided(strings.Repeat("+", 30), 3), made("-+-----------", 1))
	if st.Group != Guided || st.Rung != drill.Guided || st.Held != drill.Guided.Number() ||
		st.Groups[1].Judgement.Verdict != NotYet {
		t.Errorf("held guided, not live: %s on %s, live %s", st.Judgement.Verdict, st.Rung,
			st.Groups[1].Judgement.Verdict)
	}
	if st = stand(on(drill.Air, 30, 1)); st.Rung != "" || st.Held != 0 || st.Judgement.Verdict != NotEnough {
		t.Errorf("technique counted as a read: %+v", st)
	}
}

// Left and right, guided and live, practice and games differ for a reason, or not at all.
func TestGaps(t *testing.T) {
	left := made("-----+", 1)
	for i := range left {
		left[i].ID, left[i].Side = "l"+left[i].ID, drill.Left
	}
	if st := stand(made("++++++", 1), left); st.Gap != "Better on the right: 6 of 6 there, 1 of 6 on the other side." ||
		st.Confused != reads.Straight {
		t.Errorf("%q, confused with %q", st.Gap, st.Confused)
	}
	// Beside a verdict on live reps it is said that the sides were seen on guided ones.
	shown := guided("++++++", 1)
	weak := guided("-----+", 1)
	for i := range weak {
		weak[i].ID, weak[i].Side = "l"+weak[i].ID, drill.Left
	}
	st := stand(shown, weak, made("+++++++++++++", 1))
	if st.Group != Live || st.Gap != "Guided, better on the right: 6 of 6 there, 1 of 6 on the other side." {
		t.Errorf("%s: %q", st.Group, st.Gap)
	}
	if st = stand(shown, weak); st.Gap != "Better on the right: 6 of 6 there, 1 of 6 on the other side." {
		t.Errorf("%s: %q", st.Group, st.Gap)
	}
	if st := stand(made("++-++-", 1), left[2:]); st.Gap != "" {
		t.Errorf("four and six reps: %q", st.Gap)
	}
	st = stand(guided("++++++++++++", 6), guided("++++++++++++", 4), made("+-----+--", 1))
	if st.Does != "Knows it, does not do it yet: 24 of 24 guided, 2 of 9 live." || st.Game != "" {
		t.Errorf("%q, %q", st.Does, st.Game)
	}
	game := made("-----+", 1)
	for i := range game {
		game[i].ID, game[i].Rung = "g"+game[i].ID, drill.Game
	}
	if st = stand(made("+++++++++", 1),
		game); st.Game != "Practice and games differ: 9 of 9 live in practice, 1 of 6 in games." || st.Does != "" {
		t.Errorf("%q, %q", st.Does, st.Game)
	}
	if st = stand(made("+++++++++", 1), game[:3]); st.Game != "" {
		t.Errorf("three game reps: %q", st.Game)
	}
}

// Of what two observers log, their disagreement is learned; a team whose observers agree
// believes them more.
func TestDoubleLogging(t *testing.T) {
	p := DefaultPolicy()
	double := func(differ int) []Rep {
		var out []Rep
		for i := range 200 {
			r := Rep{ID: RepID(fmt.Sprint("x", i)), No: i + 1, At: now, Player: "z", Role: reads.Screener,
				Rung: drill.Live2, Expected: reads.Pop, Correct: true, Observer: "one"}
			s := r
			s.ID, s.Observer, s.Correct = "y"+r.ID, "two", i >= differ
			out = append(out, r, s)
		}
		return out
	}
	agree, differ := history(double(0)), history(double(60))
	e1, e2, n := p.observerError(agree.double), p.observerError(differ.double), agree.double.reps
	if n != 200 || e1 > 0.02 || e2 < 0.12 || e2 > 0.18 {
		t.Errorf("%d reps: %.3f and %.3f", n, e1, e2)
	}
	trusting, doubting := stand(double(0), made("++++++++++", 0)), stand(double(60), made("++++++++++", 0))
	if trusting.Judgement.Chance <= doubting.Judgement.Chance {
		t.Errorf("%.3f and %.3f", trusting.Judgement.Chance, doubting.Judgement.Chance)
	}
}

// Teammates' reps make a read likelier for who has few; the player's own do not count twice.
func TestTeamPrior(t *testing.T) {
	p := DefaultPolicy()
	var mates []Rep
	for k := range 8 {
		mates = append(mates, of(PlayerID(fmt.Sprint("m", k)), reads.Curl, made("++++++++++", 0))...)
	}
	strong, alone := p.Stand(history(mates), curl, now), stand()
	if a, b := alone.Groups[1].Judgement.Rate, strong.Groups[1].Judgement.Rate; b < a+0.05 || math.Abs(a-0.5) > 0.01 {
		t.Errorf("alone %.3f, in a strong team %.3f", a, b)
	}
	own := history(made("++++++++++", 0)).skills[curl].groups[1].belief
	b := prior(0.5, p.PriorReps)
	b.weigh(likelihoods{}.of(look{err: p.observerError(doubles{}), weight: 950}, Count{10, 10}))
	for c := range b {
		for i := range b[c] {
			if math.Abs(own[c][i]-b[c][i]) > 1e-12 {
				t.Fatal("a player alone on the team informs their own prior")
			}
		}
	}
}

// Guesses that would be right often make correct answers worth less.
func TestGuessesCountLess(t *testing.T) {
	reps := func(action ActionID, role reads.Role) []Rep {
		list := made("++++++++++", 0)
		for i := range list {
			list[i].Action, list[i].Role, list[i].Cue = action, role, reads.Trail
		}
		return list
	}
	p := DefaultPolicy()
	sure := p.Stand(history(reps("", reads.Cutter)), curl, now).Judgement.Chance
	guess := p.Stand(history(reps(reads.Down, reads.Cutter)), curl, now).Judgement.Chance
	if guess >= sure {
		t.Errorf("%.3f with guesses, %.3f without", guess, sure)
	}
}

// The newest practices are kept apart, and no more of them than that.
func TestNewestCounts(t *testing.T) {
	var lists [][]Rep
	for k := range 20 {
		lists = append(lists, made("++-", 60-3*k))
	}
	j := stand(lists...).Judgement
	if j.Newest != (Count{8, 12}) || j.Count != (Count{40, 60}) {
		t.Errorf("newest %+v of %+v", j.Newest, j.Count)
	}
	if kept := len(history(lists...).skills[curl].groups[1].newest); kept != newestPractices {
		t.Errorf("%d practices kept", kept)
	}
}

// What the log knows of actions.
func TestActionsOfAHistory(t *testing.T) {
	reps := made("++", 3)
	reps[0].Action, reps[1].Action, reps[1].Rung = "flare", reads.Down, drill.Air
	h := history(reps, made("+", 0))
	if got := h.Actions(); !slices.Equal(got, []string{reads.Down, "flare"}) {
		t.Errorf("%v", got)
	}
	if !h.LastLogged("flare").Equal(reps[0].At) || !h.LastLogged("moon").IsZero() {
		t.Errorf("%v", h.LastLogged("flare"))
	}
}
