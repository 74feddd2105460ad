package practice

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// on is everybody of a squad as present.
func on(people []Person) map[string]Presence {
	states := map[string]Presence{}
	for _, p := range people {
		states[p.ID] = Here
	}
	return states
}

// Whoever comes and goes while a block runs: what was run stands as it was, nobody
// who is not here is asked for afterwards, and the counts in a place of who was there
// throughout differ by one at most, before and after together (two in one of fifty).
func TestOrderFollowsComingAndGoing(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 1))
	lists, two := 0, 0
	for n := range times(200, 40) {
		people := squad(8 + rng.IntN(6))
		states := on(people)
		b := block("run", DrillBlock, 12, "live")
		var changes []Change
		after := 0
		was, err := OrderThrough(drill.Library{}, b, people, states, nil)
		if plain, _ := Order(drill.Library{}, b, people); err != nil || len(plain.Reps) != len(was.Reps) {
			t.Fatal(err)
		}
		for range 1 + rng.IntN(3) {
			after = min(len(was.Reps), after+rng.IntN(6))
			who := people[rng.IntN(len(people))].ID
			c := Change{Kind: ComeAndGo, Block: b.ID, After: after, Player: who, Was: states[who],
				State: []Presence{Left, Hurt, Limited, Here}[rng.IntN(4)]}
			states[who] = c.State
			changes = append(changes, c)
			is, err := OrderThrough(drill.Library{}, b, people, states, changes)
			if err != nil {
				t.Fatalf("%d: %v", n, err)
			}
			if !slices.EqualFunc(was.Reps[:after], is.Reps[:after],
				func(a, b drill.Rep) bool { return fmt.Sprint(a) == fmt.Sprint(b) }) {
				t.Fatalf("%d: the first %d reps have changed", n, after)
			}
			count := map[string]int{}
			for _, r := range is.Reps[after:] {
				for _, id := range []string{r.Cutter, r.Screener, r.XCutter, r.XScreener} {
					if states[id] != Here {
						t.Fatalf("%d: %s is %q and in rep %d", n, id, states[id], r.No)
					}
				}
			}
			for _, r := range is.Reps {
				count[r.Cutter]++
			}
			low, high := math.MaxInt, 0
			for _, p := range people {
				if !slices.ContainsFunc(changes, func(c Change) bool { return c.Player == p.ID }) {
					low, high = min(low, count[p.ID]), max(high, count[p.ID])
				}
			}
			lists++
			if two += b2i(high-low == 2); high-low > 2 {
				t.Fatalf("%d: %v", n, count)
			}
			was = is
		}
	}
	if t.Logf("%d lists, two apart in %d", lists, two); two*50 > lists {
		t.Errorf("two apart in %d of %d lists", two, lists)
	}
}

// The sides are swapped from a rep on, and back; a change in another block counts
// for this one from its beginning.
func TestOrderFollowsSwaps(t *testing.T) {
	people := squad(9)
	b := block("run", DrillBlock, 10, "live")
	plain, err := Order(drill.Library{}, b, people)
	if err != nil {
		t.Fatal(err)
	}
	swapped, _ := OrderThrough(drill.Library{}, b, people, on(people),
		[]Change{{Kind: SwapSides, Block: "run", After: 3}, {Kind: SwapSides, Block: "run", After: 5},
			{Kind: SwapSides, Block: "other", After: 1}})
	for i, r := range swapped.Reps {
		if other := r.No == 4 || r.No == 5; (r.Side != plain.Reps[i].Side) != other ||
			r.Cutter != plain.Reps[i].Cutter {
			t.Errorf("rep %d: %s, was %s", r.No, r.Side, plain.Reps[i].Side)
		}
	}
	states := on(people)
	states["p3"] = Left
	without, _ := OrderThrough(drill.Library{}, b, people, states,
		[]Change{{Kind: ComeAndGo, Block: "other", After: 9, Player: "p3", Was: Here, State: Left}})
	fewer, _ := Order(drill.Library{}, b, slices.Delete(slices.Clone(people), 3, 4))
	if fmt.Sprint(without.Reps) != fmt.Sprint(fewer.Reps) {
		t.Error("a player who left before the block is in its order")
	}
	for _, bad := range []Change{{Kind: SwapSides}, {Kind: ComeAndGo, State: "asleep"}, {Kind: "rain"},
		{Kind: ComeAndGo, State: Here, After: -1}} {
		if bad.Check() == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
}

func TestRan(t *testing.T) {
	t0 := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	at := func(min int) time.Time { return t0.Add(time.Duration(min) * time.Minute) }
	events := []ClockEvent{{at(0), StartClock, "a"}, {at(8), GoToBlock, "b"}, {at(10), StopClock, "b"},
		{at(15), StartClock, "b"}, {at(16), GoToBlock, "a"}, {at(18), Finish, "a"}}
	ran := Ran(events, at(60))
	if ran["a"] != 10*time.Minute || ran["b"] != 3*time.Minute {
		t.Error(ran)
	}
	if ran := Ran(events[:1], at(5)); ran["a"] != 5*time.Minute {
		t.Error("a clock that runs still", ran)
	}
}

// What a device kept is told late: older than the last action it changes nothing,
// and told twice it changes nothing more.
func TestClockToldLate(t *testing.T) {
	t0 := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	blocks := []string{"a", "b"}
	c, _ := Clock{}.Apply(StartClock, "", blocks, t0)
	c, _ = c.Apply(GoToBlock, "b", blocks, t0.Add(8*time.Minute))
	if late, err := c.Apply(StopClock, "", blocks, t0.Add(5*time.Minute)); err != nil || late != c {
		t.Errorf("%+v %v", late, err)
	}
	if twice, err := c.Apply(GoToBlock, "b", blocks, t0.Add(8*time.Minute)); err != nil || twice != c {
		t.Errorf("%+v %v", twice, err)
	}
}

func TestScoreboard(t *testing.T) {
	t0 := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	end := func(id string, end int, minutes float64) Block {
		b := block(id, DrillBlock, minutes, "live")
		b.Title, b.Basket = id, end
		return b
	}
	blocks := []Block{end("warm", 0, 10), end("guards", 1, 6), end("guards2", 1, 6), end("posts", 2, 12),
		end("close", 0, 5)}
	for _, tc := range []struct {
		at          string
		ran         time.Duration
		block, next string
		left        string
	}{
		{"warm", 9*time.Minute + 59500*time.Millisecond, "warm", "guards", "00:01"},
		{"warm", 11 * time.Minute, "warm", "guards", "+01:00"},
		{"guards", 0, "guards", "guards2", "06:00"},
		{"posts", 7 * time.Minute, "guards2", "close", "05:00"}, // one clock runs both baskets
		{"close", 0, "close", "", "05:00"},
		{"gone", 0, "warm", "guards", "10:00"},
	} {
		s := BoardAt(Clock{Block: tc.at, Since: t0}, blocks, t0.Add(tc.ran))
		if s.Block != tc.block || s.Next != tc.next || s.Left != tc.left || !s.Running {
			t.Errorf("%+v: %+v", tc, s)
		}
	}
	if s := BoardAt(Clock{}, nil, t0); s.Left != "00:00" || s.Running {
		t.Errorf("%+v", s)
	}
	if got, want := fmt.Sprint(Starts(blocks)), "[0 10 16 10 22]"; got != want {
		t.Errorf("starts %s", got)
	}
}

func TestProgress(t *testing.T) {
	o := drill.Order{Baskets: 2, Reps: []drill.Rep{{No: 1, Basket: 1}, {No: 2, Basket: 2}, {No: 3, Basket: 1},
		{No: 4, Basket: 2}}}
	if got := Progress(o, []int{1, 3, 2, 0, 5}); !slices.Equal(got, []int{5, 2}) {
		t.Error(got)
	}
}

// A practice that runs late: whatever is offered ends earlier than the plan does,
// leaves what was run as it was, keeps the rules of a plan, and says truly how many
// of the open reps it costs; the first offers end in time where that can be.
func TestCuts(t *testing.T) {
	rng := rand.New(rand.NewPCG(11, 4))
	offered := 0
	breaking := 0
	for n := range times(25, 3) {
		p := night(rng, 8+rng.IntN(6), 6, 90)
		f, err := Fill(p, Evening, counter())
		if err != nil {
			t.Fatal(err)
		}
		p.Blocks = f.Blocks
		at := rng.IntN(len(p.Blocks) - 2)
		start := f.Sheet.Blocks[at].Start
		late := float64(3 + rng.IntN(20))
		t0 := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
		now := t0.Add(minutes(start + late))
		// The block has just begun, late minutes late.
		l := BehindAt(p, Clock{Block: p.Blocks[at].ID, Since: now, Began: t0}, now)
		if slack := math.Max(0, f.Sheet.Left); math.Abs(l.Over()-math.Max(0, late-slack)) > 1e-6 &&
			p.Blocks[at].Basket == 0 && l.Left > 0 {
			t.Fatalf("%d: %g min late, says %g", n, late-slack, l.Over())
		}
		broken := map[string]bool{}
		for _, r := range f.Sheet.Rules {
			broken[r.ID] = !r.Kept
		}
		past, rest := l.split()
		var before Cut
		for i, c := range Cuts(l, counter()) {
			offered++
			if c.Over >= l.Over() || c.Text == "" || i == 0 && c.Over > 0 && l.Left >= 20 {
				t.Errorf("%d: %q ends %g min late of %g with %g left", n, c.Text, c.Over, l.Over(), l.Left)
			}
			for k, b := range past {
				if got := c.Blocks[k]; got.ID != b.ID || got.Minutes != b.Minutes {
					t.Fatalf("%d: %q changes what was run: %+v", n, c.Text, got)
				}
			}
			if less := p.covered(rest) - p.covered(c.Blocks[len(past):]); math.Abs(less-c.Less) > 1e-6 {
				t.Errorf("%d: %q costs %g reps, says %g", n, c.Text, less, c.Less)
			}
			laid := p
			laid.Blocks = c.Blocks
			// The order of teaching stays, and every other rule that is not kept any more is named.
			var not []string
			for _, r := range LayOut(laid).Rules {
				if !r.Kept && !broken[r.ID] {
					not = append(not, r.Name)
				}
				if !r.Kept && !broken[r.ID] && slices.Contains(orderRules, r.ID) {
					t.Errorf("%d: %q: %s", n, c.Text, r.Says)
				}
			}
			if !slices.Equal(not, c.Breaks) && len(not)+len(c.Breaks) > 0 {
				t.Errorf("%d: %q breaks %v and says %v", n, c.Text, not, c.Breaks)
			}
			if i > 0 && c.Over == before.Over && len(c.Breaks) < len(before.Breaks) {
				t.Errorf("%d: %q comes after one that breaks more", n, c.Text)
			}
			before = c
			breaking += b2i(len(c.Breaks) > 0)
			for k, timed := range LayOut(laid).Blocks {
				if timed.Problem.Code != "" {
					t.Errorf("%d: %q leaves %s that cannot be run: %s", n, c.Text, c.Blocks[k].Title, timed.Problem)
				}
			}
		}
	}
	t.Logf("%d cuts, %d against a rule, and they say so", offered, breaking)
	if offered < times(50, 4) {
		t.Errorf("%d cuts offered", offered)
	}
	if l := BehindAt(evening(), Clock{}, time.Now()); l.Over() != 0 || len(Cuts(l, counter())) != 0 {
		t.Error("a practice that has not begun is late")
	}
}

func TestCutsInWords(t *testing.T) {
	p := evening()
	warm, shown, live, talk := block("warm", OwnBlock, 10, ""), block("shown", DrillBlock, 12, "shown"),
		block("live", DrillBlock, 10, "live"), block("talk", OwnBlock, 5, "")
	water := block("water", WaterBlock, 2, "")
	warm.Title, shown.Title, live.Title, talk.Title, water.Title = "Warm-up", "Shown", "Live", "Talk", "Water"
	p.Blocks = []Block{warm, shown, water, live, talk}
	p.Minutes = 40
	p.Aim(Aims{Outlooks: fresh(p.People)})
	cuts := Cuts(Behind{Plan: p, Current: "warm", Left: 20}, counter())
	var texts []string
	for _, c := range cuts {
		texts = append(texts, fmt.Sprintf("%s|%.0f", c.Text, c.Over))
	}
	all := strings.Join(texts, "\n")
	if strings.Contains(all, "Leave out Shown|") {
		t.Error("the live block is offered without the guided one before it")
	}
	for _, want := range []string{"Leave out Live|0", "Leave out Talk|4", "horten Shown to "} {
		if !strings.Contains(all, want) {
			t.Errorf("no %q in\n%s", want, all)
		}
	}
	if got := difference([]Block{shown, live}, []Block{{ID: "x", Title: "Other", Kind: DrillBlock,
		Minutes: 6}}); got != "Leave out Shown and Live; run instead Other, 6 min" {
		t.Error(got)
	}
}

func TestReview(t *testing.T) {
	shown, live, given := block("shown", DrillBlock, 12, "shown"), block("live", DrillBlock, 10, "live"),
		block("given", DrillBlock, 8, "live")
	rep := func(player evidence.PlayerID, at evidence.BlockID, expected, made reads.Read,
		tags ...evidence.Tag) evidence.Rep {
		return evidence.Rep{Block: at, Player: player, Expected: expected, Made: made, Correct: expected == made,
			Tags: tags}
	}
	r := ReviewOf(drill.Library{}, []Block{shown, live}, map[string]time.Duration{"shown": 14 * time.Minute},
		[]string{"a", "b", "c"}, []evidence.Rep{
			rep("a", "shown", reads.Curl, reads.Curl),
			rep("a", "shown", reads.BackCut, reads.Straight, evidence.Tag{ID: "no-backcut"}),
			rep("b", "shown", reads.BackCut, reads.Straight, evidence.Tag{ID: "no-backcut"}, evidence.Tag{ID: "early"}),
			rep("a", "shown", reads.Fade, reads.Curl),
		}, []Block{given})
	if b := r.Blocks[0]; b.Ran != 14 || b.Planned != 12 || b.Reps != 4 || b.Correct != 1 || r.Blocks[1].Reps != 0 {
		t.Errorf("%+v", r.Blocks)
	}
	if fmt.Sprint(r.Players) != "[{c 0 0} {b 1 0} {a 3 1}]" {
		t.Errorf("%+v", r.Players)
	}
	if r.Wrong[0] != (WrongRead{reads.BackCut, reads.Straight, 2}) || r.Tags[0].ID != "no-backcut" {
		t.Errorf("%+v %+v", r.Wrong, r.Tags)
	}
	if len(r.Dropped) != 2 || r.Dropped[0].ID != "given" || r.Dropped[1].ID != "live" {
		t.Errorf("%+v", r.Dropped)
	}
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}
