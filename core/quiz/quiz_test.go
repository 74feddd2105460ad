package quiz

import (
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"testing"
	"time"

	"evrik/core/court"
	"evrik/core/reads"
)

func floor(t testing.TB) reads.Floor {
	t.Helper()
	c, ok := court.PresetCourt(court.HighSchool)
	if !ok {
		t.Fatal("no high-school court")
	}
	return reads.On(c)
}

// picture is what can be seen of an item besides the defenders.
func picture(it *Item) []float64 {
	var out []float64
	screen, _ := reads.ActionByID(it.Card.Action)
	for _, p := range screen.Participants {
		if !p.ID.Defends() {
			at := it.Snapshot.At(p.ID)
			out = append(out, at.X, at.Y)
		}
	}
	return out
}

// Twenty thousand items, or four thousand in a hurry: one right answer by table and by kinematics, and nothing but the
// defenders to find it from.
func TestItemsHaveOneAnswerAndGiveNothingAway(t *testing.T) {
	perScreen, least := 1000, 20000
	if testing.Short() {
		perScreen, least = 200, 4000
	}
	fl := floor(t)
	byScreen := map[string][]Card{}
	for _, c := range Cards(fl) {
		byScreen[c.Action] = append(byScreen[c.Action], c)
	}
	total := 0
	for id, cards := range byScreen {
		rng := rand.New(rand.NewPCG(uint64(len(id)), 11))
		var items []Item
		left, read, role := map[reads.Read]int{}, map[reads.Read]int{}, map[reads.Role]int{}
		for range perScreen {
			it, err := New(fl, cards[rng.IntN(len(cards))], Step(2+rng.IntN(Steps-1)), rng.Uint64())
			if err != nil {
				t.Fatal(err)
			}
			check(t, fl, &it)
			read[it.Right]++
			role[it.Role]++
			if it.Snapshot.Side() == "left" {
				left[it.Right]++
			}
			it.Play = reads.Play{}
			items = append(items, it)
		}
		total += perScreen
		if id == reads.Down && (role[reads.Screener] < perScreen/9 || role[reads.Passer] < perScreen/14) {
			t.Errorf("%s: whose read it is: %v", id, role)
		}
		for r, n := range read {
			// Five standard deviations of a fair coin.
			if off := math.Abs(float64(left[r]) - float64(n)/2); off > 2.5*math.Sqrt(float64(n)) {
				t.Errorf("%s: %q lies left %d times of %d", id, r, left[r], n)
			}
		}
		blind(t, id, items, read)
	}
	// Further draws over all, so that there are as many as promised.
	all := Cards(fl)
	for i := total; i < least; i++ {
		it, err := New(fl, all[i%len(all)], Step(1+i%Steps), uint64(i))
		if err != nil {
			t.Fatal(err)
		}
		check(t, fl, &it)
	}
}

// check holds an item to its promise, by the public table and the public second
// opinion alone.
func check(t *testing.T, fl reads.Floor, it *Item) {
	t.Helper()
	a, err := reads.Judge(fl, &it.Snapshot)
	if err != nil {
		t.Fatal(err)
	}
	accepted := map[reads.Read]bool{}
	for _, n := range a.Accepted {
		accepted[n.Read] = accepted[n.Read] || n.Who == it.Who
	}
	if a.Cue != it.Card.Cue || a.State != reads.Clearly || !accepted[it.Right] ||
		!slices.Contains(it.Choices, it.Right) {
		t.Fatalf("%v seed %d: the table says %v, the item %q of %v", it.Card, it.Seed, a.Accepted, it.Right, it.Choices)
	}
	for _, c := range it.Choices {
		if c != it.Right && accepted[c] {
			t.Fatalf("%v seed %d: %q is right as well as %q", it.Card, it.Seed, c, it.Right)
		}
	}
	best, worth := reads.Read(""), reads.OpenWindow
	for _, o := range a.Options {
		if (slices.Contains(it.Choices, o.Read) || accepted[o.Read]) && o.Pass != reads.NoPass && o.Window > worth {
			best, worth = o.Read, o.Window
		}
	}
	if best != "" && !accepted[best] {
		t.Fatalf("%v seed %d: the table says %q, %q comes free by %.1f s", it.Card, it.Seed, it.Right, best, worth)
	}
}

// blind lets the nearest earlier picture of the attackers alone guess the answer:
// it must do no better than always saying the commonest one, within five standard
// deviations.
func blind(t *testing.T, id string, items []Item, read map[reads.Read]int) {
	t.Helper()
	train, try := items[:len(items)*3/4], items[len(items)*3/4:]
	pictures := make([][]float64, len(train))
	for i := range train {
		pictures[i] = picture(&train[i])
	}
	right := 0
	for i := range try {
		p, best, near := picture(&try[i]), 0, math.Inf(1)
		for k, q := range pictures {
			d := 0.0
			for j := range p {
				d += (p[j] - q[j]) * (p[j] - q[j])
			}
			if d < near {
				best, near = k, d
			}
		}
		if train[best].Right == try[i].Right {
			right++
		}
	}
	common := 0
	for _, n := range read {
		common = max(common, n)
	}
	chance, n := float64(common)/float64(len(items)), float64(len(try))
	if limit := chance*n + 5*math.Sqrt(n*chance*(1-chance)); float64(right) > limit {
		t.Errorf("%s: from the attackers alone %d of %.0f are guessed, chance allows %.0f", id, right, n, limit)
	}
}

func TestTheSameSeedMakesTheSameItem(t *testing.T) {
	fl := floor(t)
	for _, card := range Cards(fl) {
		a, err := New(fl, card, 4, 5)
		if err != nil {
			t.Fatal(err)
		}
		b, _ := New(fl, card, 4, 5)
		c, _ := New(fl, card, 4, 6)
		if !reflect.DeepEqual(a, b) || reflect.DeepEqual(a.Snapshot, c.Snapshot) {
			t.Fatalf("%v: same seed, same item: %v; other seed, other item: %v", card, reflect.DeepEqual(a, b),
				!reflect.DeepEqual(a.Snapshot, c.Snapshot))
		}
	}
	for _, card := range []Card{{"no such screen", reads.Trail}, {"ball", reads.Trail}} {
		if _, err := New(fl, card, 1, 1); err == nil {
			t.Errorf("%v was asked", card)
		}
	}
}

// At the instant of the read everybody is where the answer was judged, nobody is
// faster on the way there than a turn allows, and keys are in order.
func TestThePlayLeadsToTheRead(t *testing.T) {
	fl := floor(t)
	disguised := 0
	for i, card := range Cards(fl) {
		for _, step := range []Step{1, 3, Steps} {
			it, err := New(fl, card, step, uint64(i))
			if err != nil {
				t.Fatal(err)
			}
			if it.Disguised {
				disguised++
			}
			screen, _ := reads.ActionByID(card.Action)
			for _, p := range screen.Participants {
				var last reads.Key
				seen := false
				for _, tr := range it.Play.Tracks {
					if tr.Who != p.ID.String() {
						continue
					}
					last = tr.Keys[0]
					for k, key := range tr.Keys {
						if k > 0 && key.T < last.T {
							t.Fatalf("%v step %d: %s goes back in time, %v", card, step, tr.Who, tr.Keys)
						}
						if key.T > it.Read+1e-9 {
							break
						}
						last, seen = key, true
					}
				}
				if at := it.Snapshot.At(p.ID); !seen || last.At.Dist(at) > 0.01 {
					t.Fatalf("%v step %d: %s is at %v at the read, judged at %v", card, step, p.ID, last.At, at)
				}
			}
		}
	}
	if disguised == 0 {
		t.Error("no late change on the hardest step")
	}
}

func TestAnswersAreSettled(t *testing.T) {
	fl := floor(t)
	it, err := New(fl, Cards(fl)[0], 1, 1)
	if err != nil {
		t.Fatal(err)
	}
	now := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	wrong := it.Choices[0]
	if wrong == it.Right {
		wrong = it.Choices[1]
	}
	for _, c := range []struct {
		name        string
		choice      reads.Read
		seconds     float64
		at          time.Time
		right, late bool
		kept        float64
		when        time.Time
	}{
		{"in time", it.Right, 0.8, now.Add(-time.Hour), true, false, 0.8, now.Add(-time.Hour)},
		{"too late", it.Right, 2.5, now, false, true, 2.5, now},
		{"wrong", wrong, 0.8, now, false, false, 0.8, now},
		{"no answer", "", 2, now, false, false, 2, now},
		{"a clock that goes ahead", it.Right, 1, now.Add(48 * time.Hour), true, false, 1, now},
		{"a clock that went back", it.Right, -3, now, true, false, 0, now},
		{"asleep", it.Right, 4000, now, false, true, MaxSeconds, now},
		{"no number", it.Right, math.NaN(), now, false, true, MaxSeconds, now},
	} {
		a := it.Settle(c.choice, c.seconds, c.at, now)
		if a.Right != c.right || a.Late != c.late || a.Seconds != c.kept || !a.At.Equal(c.when) {
			t.Errorf("%s: %+v", c.name, a)
		}
	}
}

// The boxes double their rest: Leitner 1972, from memory.
func TestTheFile(t *testing.T) {
	fl := floor(t)
	cards := Cards(fl)
	now := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	var given []Answer
	say := func(card Card, right bool, ago time.Duration) {
		given = append(given, Answer{Card: card, Step: 3, Right: right, At: now.Add(-ago)})
	}
	for range 3 {
		say(cards[0], true, 72*time.Hour)
	}
	say(cards[1], true, 72*time.Hour)
	say(cards[1], false, 24*time.Hour)
	file := File(cards, given)
	if file[0].Box != 3 || file[1].Box != 1 || file[2].Box != 0 {
		t.Fatalf("boxes %d, %d, %d; want 3, 1, 0", file[0].Box, file[1].Box, file[2].Box)
	}
	if file[0].wait() != 48*time.Hour || file[1].wait() != 12*time.Hour {
		t.Fatalf("rests %v and %v; want 48 h and 12 h", file[0].wait(), file[1].wait())
	}
	// The missed one first, the known one, half a rest over, next; new ones after.
	top := Pack(file, 3, now, 2, 1)
	if !slices.Contains(top, cards[0]) || !slices.Contains(top, cards[1]) {
		t.Errorf("first comes %v", top)
	}
	if got := Pack(file, 3, now, 20, 1); len(got) != 20 {
		t.Errorf("%d cards, want 20", len(got))
	}
	pack := Pack(file, 1, now, 20, 9)
	for i, c := range pack {
		if c.Action != cards[0].Action {
			t.Errorf("an early step mixes %v in", c)
		}
		if i > 0 && c == pack[i-1] {
			t.Errorf("%v comes twice in a row", c)
		}
	}
	if Pack(nil, 1, now, 5, 1) != nil {
		t.Error("cards out of nothing")
	}
}

func TestSteps(t *testing.T) {
	run := func(step Step, right, wrong int) (out []Answer) {
		for range wrong {
			out = append(out, Answer{Step: step})
		}
		for range right {
			out = append(out, Answer{Step: step, Right: true})
		}
		return out
	}
	for _, c := range []struct {
		name  string
		given []Answer
		want  Step
	}{
		{"none", nil, 1},
		{"nine right", run(1, 9, 0), 1},
		{"eight of ten", run(1, 8, 2), 2},
		{"seven of ten", run(1, 7, 3), 1},
		{"up and down", append(run(1, 10, 0), run(2, 4, 6)...), 1},
		{"an old pack", append(run(1, 10, 0), run(1, 0, 10)...), 2},
		{"to the end", slices.Concat(run(1, 10, 0), run(2, 10, 0), run(3, 10, 0), run(4, 10, 0), run(5, 30, 0)), 5},
	} {
		if got := StepOf(c.given); got != c.want {
			t.Errorf("%s: step %d, want %d", c.name, got, c.want)
		}
	}
}

func TestSummarize(t *testing.T) {
	var given []Answer
	for i := range 20 {
		given = append(given, Answer{Read: reads.Curl, Right: i > 1, Seconds: 0.5 + float64(i)/100})
	}
	live := map[reads.Read]Done{reads.Curl: {3, 12}}
	got := Summarize(given, func(_ reads.Role, r reads.Read) Done { return live[r] })
	if len(got) != 1 || got[0].Right != 18 || got[0].Asked != 20 || math.Abs(got[0].Median-0.605) > 1e-9 {
		t.Fatalf("%+v", got)
	}
	if got[0].Gap != "Sees it, does not do it yet: 18 of 20 answered right, 3 of 12 live." {
		t.Errorf("gap %q", got[0].Gap)
	}
	live[reads.Curl] = Done{10, 12}
	if got := Summarize(given, func(_ reads.Role, r reads.Read) Done { return live[r] }); got[0].Gap != "" {
		t.Errorf("gap %q where it is done", got[0].Gap)
	}
}

func BenchmarkItem(b *testing.B) {
	fl := floor(b)
	cards := Cards(fl)
	seed := uint64(0)
	for b.Loop() {
		seed++
		if _, err := New(fl, cards[int(seed)%len(cards)], Step(1+seed%Steps), seed); err != nil {
			b.Fatal(err)
		}
	}
}

// A round is the same for a seed, of one action where one is asked for, and as mixed as
// what can be asked otherwise.
func TestRound(t *testing.T) {
	fl := floor(t)
	of := map[string]bool{}
	for seed := range uint64(40) {
		list := Round(fl, "", seed, 12)
		if !slices.Equal(list, Round(fl, "", seed, 12)) || len(list) != 12 {
			t.Fatalf("seed %d gives another round", seed)
		}
		for _, c := range list {
			of[c.Action] = true
		}
		for _, c := range Round(fl, "flare", seed, 6) {
			if c.Action != "flare" {
				t.Errorf("a flare round asks %+v", c)
			}
		}
	}
	if len(of) < 15 || Round(fl, "nothing", 1, 12) != nil {
		t.Errorf("forty rounds ask of %d actions", len(of))
	}
}

// Every action is asked on the default floor, with two different answers at least.
func TestEveryActionIsAsked(t *testing.T) {
	c, _ := court.PresetCourt(court.HighSchool)
	asked := map[string]map[reads.Read]bool{}
	for _, card := range Cards(reads.On(c)) {
		action, _ := reads.ActionByID(card.Action)
		row, _ := action.Row(reads.TeamRules{}, card.Cue)
		if asked[card.Action] == nil {
			asked[card.Action] = map[reads.Read]bool{}
		}
		asked[card.Action][row.CutterRead] = true
	}
	for _, a := range reads.Actions() {
		if len(asked[a.ID]) < 2 {
			t.Errorf("%s: asked are %v", a.ID, asked[a.ID])
		}
	}
}

// A touch screen has a tenth of a second to report a touch; after it a right answer is late.
func TestGrace(t *testing.T) {
	it := Item{Right: "curl", Seconds: 1.5}
	for seconds, late := range map[float64]bool{1.5: false, 1.5 + grace: false, 1.5 + 1.5*grace: true, 2: true} {
		if a := it.Settle("curl", seconds, time.Time{}, time.Time{}); a.Right == late || a.Late != late {
			t.Errorf("after %g s: %+v", seconds, a)
		}
	}
}
