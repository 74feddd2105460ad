package drill

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
)

func drillOf(t testing.TB, id string) *Drill {
	t.Helper()
	d, ok := ByID(id)
	if !ok {
		t.Fatalf("no drill %q", id)
	}
	return d
}

// Lines as coaches run them: with three lines and one basket the front of each
// plays and moves one line on, so that a player has each place every third rep of
// taking part (common practice, no source).
func TestFollowMovesToTheNextLine(t *testing.T) {
	d := drillOf(t, "three-line-away")
	o, err := OrderList(d, d.Stages[0], Setup{Players: squad(9), Baskets: 1, Minutes: 7, Seconds: 14, Seed: 2})
	if err != nil {
		t.Fatal(err)
	}
	places := map[string][]int{}
	for _, r := range o.Reps {
		for i, p := range r.offense() {
			places[p] = append(places[p], i)
		}
	}
	for p, at := range places {
		for k := 1; k < len(at); k++ {
			if at[k] != (at[k-1]+1)%3 {
				t.Fatalf("%s goes through the places %v", p, at)
			}
		}
	}
}

// Half way everybody changes sides, once: the first half of the reps is on one side, the
// second on the other, and counts are fair as ever.
func TestSwapEndsChangesSidesOnce(t *testing.T) {
	d := *drillOf(t, "slot-twos")
	d.Rotation.Rule = SwapEnds
	st, _ := d.Stage("live")
	for n := 4; n <= 12; n++ {
		o, err := OrderList(&d, st, Setup{Players: squad(n), Baskets: 1, Minutes: 9, Seed: uint64(n)})
		if err != nil {
			t.Fatal(err)
		}
		changes := 0
		for k := 1; k < len(o.Reps); k++ {
			if o.Reps[k].Side != o.Reps[k-1].Side {
				changes++
				if half := (len(o.Reps) + 1) / 2; k != half {
					t.Errorf("%d players: the sides change before rep %d of %d", n, k+1, len(o.Reps))
				}
			}
		}
		if changes != 1 || o.Spread > 1 {
			t.Errorf("%d players: %d changes of side, spread %d", n, changes, o.Spread)
		}
		checkDefense(t, fmt.Sprint(n, " players"), squad(n), o)
	}
}

func TestFixedPairsSwapPlaces(t *testing.T) {
	d := drillOf(t, "step-up-and-back")
	st, _ := d.Stage("shown")
	o, err := OrderList(d, st, Setup{Players: squad(8), Baskets: 1, Minutes: 10, Seed: 3,
		Together: [][2]string{{"p01", "p02"}, {"p03", "p07"}}})
	if err != nil {
		t.Fatal(err)
	}
	mate := map[string]string{}
	last := map[string]string{}
	for _, r := range o.Reps {
		for a, b := range map[string]string{r.Cutter: r.Screener, r.Screener: r.Cutter} {
			if m, ok := mate[a]; ok && m != b {
				t.Fatalf("%s changes partners", a)
			}
			mate[a] = b
		}
		if before, ok := last[r.Cutter]; ok && before == "cutter" {
			t.Fatalf("%s handles twice running", r.Cutter)
		}
		last[r.Cutter], last[r.Screener] = "cutter", "screener"
	}
	if mate["p01"] != "p02" || mate["p03"] != "p07" {
		t.Errorf("wished together, and paired %s and %s", mate["p01"], mate["p03"])
	}
}

// A coach's wishes are kept where the numbers allow, and it is said where not.
func TestKeepApartAndTogether(t *testing.T) {
	d := slotTwos(t)
	st := stage(t, "shown")
	in := Setup{Players: squad(12), Baskets: 1, Minutes: 3, Seed: 5,
		Apart: [][2]string{{"p01", "p02"}, {"p03", "p04"}, {"p05", "gone"}}}
	o, err := OrderList(d, st, in)
	if err != nil {
		t.Fatal(err)
	}
	for _, r := range o.Reps {
		for _, w := range in.Apart {
			if on := r.offense(); slices.Contains(on, w[0]) && slices.Contains(on, w[1]) {
				t.Errorf("rep %d puts %v together", r.No, w)
			}
		}
	}
	in = Setup{Players: squad(4), Baskets: 1, Minutes: 10, Seed: 5,
		Apart: [][2]string{{"p01", "p02"}, {"p01", "p03"}, {"p01", "p04"}}}
	if o, err = OrderList(d, st, in); err != nil || !strings.Contains(strings.Join(o.Notes, " "), "break a wish") {
		t.Errorf("a wish that cannot be kept: %v, %v", o.Notes, err)
	}
	crews := dealCrews(crewSetup{n: 12, size: 3, baskets: 1, total: 12, together: [][2]int{{0, 1}}}, 3)
	kept := 0
	for _, c := range crews {
		if slices.Contains(c, 0) == slices.Contains(c, 1) {
			kept++
		}
	}
	if kept < 10 {
		t.Errorf("together in only %d of 12 crews", kept)
	}
}

// In the middle of a drill somebody comes, leaves or is hurt: what was run stands
// to the letter, the rest is fair in itself and without whoever has left.
func TestTheRestIsDealtAnew(t *testing.T) {
	d := slotTwos(t)
	st := stage(t, "live")
	first, err := OrderList(d, st, Setup{Players: squad(10), Baskets: 1, Minutes: 10, Seconds: 20, Seed: 1})
	if err != nil {
		t.Fatal(err)
	}
	done := first.Reps[:12]
	now := append(squad(10)[:9], "late") // p10 is hurt
	o, err := OrderList(d, st, Setup{Players: now, Baskets: 1, Minutes: 10, Seconds: 20, Seed: 2, Done: done})
	if err != nil {
		t.Fatal(err)
	}
	if len(o.Reps) != 30 {
		t.Errorf("%d reps in the same ten minutes, want 30", len(o.Reps))
	}
	for k, r := range done {
		if fmt.Sprint(o.Reps[k]) != fmt.Sprint(r) {
			t.Fatalf("rep %d was changed afterwards", r.No)
		}
	}
	// Reps of another drill, or out of order, are refused in a sentence.
	for want, bad := range map[string][]Rep{
		"drill.done-not-of-drill": {{No: 1, Cutter: "a", Screener: "b", Others: []Placed{{"x", "c"}, {"y", "d"}}}},
		"drill.done-not-in-order": {{No: 1, Slot: 5}, {No: 2, Slot: 4}},
	} {
		if _, err := OrderList(d, st, Setup{Players: now, Baskets: 1, Minutes: 10, Seconds: 20, Done: bad}); !errors.Is(
			err, ErrSetup) || !strings.Contains(err.Error(), want) {
			t.Errorf("want %q, got %v", want, err)
		}
	}
	rest := map[string]int{}
	for _, r := range o.Reps[12:] {
		if slices.Contains(append(r.offense(), r.defense()...), "p10") {
			t.Fatalf("rep %d has a hurt player on", r.No)
		}
		if r.Slot <= done[11].Slot {
			t.Fatalf("rep %d is in slot %d again", r.No, r.Slot)
		}
		for _, p := range r.offense() {
			rest[p]++
		}
	}
	lo, hi := 99, 0
	for _, p := range now {
		lo, hi = min(lo, rest[p]), max(hi, rest[p])
	}
	if hi-lo > 1 || rest["late"] == 0 {
		t.Errorf("the rest gives %v", rest)
	}
	if !strings.Contains(strings.Join(o.Notes, " "), "stay as they were run") {
		t.Errorf("nothing is said of it: %v", o.Notes)
	}
}

// Without a helper a player takes the place, and everybody gets fewer reps
// in the drill's own places; more baskets than players fill are dropped with a word.
func TestNoHelpers(t *testing.T) {
	d := slotTwos(t)
	st := stage(t, "shown")
	with, err := OrderList(d, st, Setup{Players: squad(9), Baskets: 1, Minutes: 10, Seed: 1})
	if err != nil {
		t.Fatal(err)
	}
	without, err := OrderList(d, st, Setup{Players: squad(9), Baskets: 1, Minutes: 10, Seed: 1, NoHelpers: true})
	if err != nil {
		t.Fatal(err)
	}
	if len(with.Reps[0].Others) != 0 || len(without.Reps[0].Others) != 1 ||
		without.Reps[0].Others[0].Position != "passer" {
		t.Errorf("others: %v and %v", with.Reps[0].Others, without.Reps[0].Others)
	}
	if without.Spread > 1 || !strings.Contains(strings.Join(without.Notes, " "), "helper's place") {
		t.Errorf("spread %d, notes %v", without.Spread, without.Notes)
	}
	if without.Waiting >= with.Waiting {
		t.Error("more on the floor, and nobody waits less")
	}
}

// Harder cues come twice as often, all others still come.
func TestHarderCues(t *testing.T) {
	st := stage(t, "shown")
	o, err := OrderList(slotTwos(t), st, Setup{Players: squad(2), Baskets: 1, Minutes: 40, Seconds: 12, Seed: 4,
		Harder: []reads.Cue{reads.Jump, reads.Ice}})
	if err != nil {
		t.Fatal(err)
	}
	count := map[reads.Cue]int{}
	for _, r := range o.Reps {
		count[r.Cue]++
	}
	for _, c := range st.Cues {
		want := 0.2
		if c == reads.Jump {
			want = 0.4
		}
		if share := float64(count[c]) / float64(len(o.Reps)); share < want-0.03 || share > want+0.03 {
			t.Errorf("%s comes in %.2f of the reps, want %.1f", c, share, want)
		}
	}
	if count[reads.Ice] != 0 {
		t.Error("a cue that this drill does not have was shown")
	}
}

// Counts of the workout: three coverages x six answers x both sides are 36 shots
// (common practice, no source).
func TestThirtySixShots(t *testing.T) {
	d := drillOf(t, "ball-thirty-six")
	if d.Shots() != 36 || len(d.Workout) != 3 {
		t.Errorf("%d shots in %d sets", d.Shots(), len(d.Workout))
	}
	screen, _ := reads.ActionByID(d.Action)
	for _, set := range d.Workout {
		if _, ok := screen.Row(reads.TeamRules{}, set.Cue); !ok || len(set.Answers) != 6 {
			t.Errorf("%s: %v", set.Cue, set.Answers)
		}
		for i, a := range set.Answers {
			if _, ok := reads.Info(a); !ok || slices.Contains(set.Answers[:i], a) {
				t.Errorf("%s: answer %q", set.Cue, a)
			}
		}
	}
}

// Touches, sprints and jumps follow from the motion: in Slot twos the cutter cuts
// once, catches once and shoots once; the screener sprints to the screen and pops.
func TestEffortFollowsFromTheMotion(t *testing.T) {
	o, err := OrderList(slotTwos(t), stage(t, "shown"), Setup{Players: squad(6), Baskets: 1, Minutes: 8, Seed: 1})
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range o.Counts {
		if c.Touches != c.Cutter || c.Jumps != c.Cutter || c.Sprints != c.Cutter+2*c.Screener {
			t.Errorf("%+v", c)
		}
	}
}

// The catalogue in motion on every court: everybody on the floor, in order of
// time, nobody faster than can be, the ball always with somebody or in the air.
func TestEveryDrillMoves(t *testing.T) {
	for _, p := range court.Presets() {
		for _, d := range Catalogue() {
			play, err := d.Motion(p.Court, motion.DefaultPace)
			if err != nil {
				t.Fatal(err)
			}
			if len(play.Steps) != len(d.Phases) || play.Duration > 60 {
				t.Errorf("%s: %d steps in %.0f s", d.ID, len(play.Steps), play.Duration)
			}
			at := map[string][]reads.Key{}
			for _, tr := range play.Tracks {
				at[tr.Who] = tr.Keys
				for k, key := range tr.Keys {
					if !key.At.Finite() || !p.Court.Contains(key.At) || k > 0 && key.T < tr.Keys[k-1].T {
						t.Errorf("%s on %s: %s key %d is %+v", d.ID, p.ID, tr.Who, k, key)
					}
					if k > 0 && tr.Who != "ball" &&
						key.At.Dist(tr.Keys[k-1].At) > motion.DefaultPace.Top*(key.T-tr.Keys[k-1].T)+1e-6 {
						t.Errorf("%s: %s runs %.1f ft in %.2f s", d.ID, tr.Who, key.At.Dist(tr.Keys[k-1].At),
							key.T-tr.Keys[k-1].T)
					}
				}
			}
			// Each key of the ball is where somebody, or the ring, is then.
			for _, key := range at["ball"] {
				held := key.At.Len() < 0.01
				for who, keys := range at {
					held = held || who != "ball" && where(keys, key.T).Dist(key.At) < 3
				}
				if !held {
					t.Errorf("%s: at %.2f s the ball lies at %+v with nobody", d.ID, key.T, key.At)
				}
			}
		}
	}
}

func where(keys []reads.Key, t float64) court.Point {
	before := keys[0]
	for _, k := range keys {
		if k.T >= t {
			if k.T == before.T {
				return k.At
			}
			return before.At.Add(k.At.Sub(before.At).Scale((t - before.T) / (k.T - before.T)))
		}
		before = k
	}
	return before.At
}

// Motions and files that cannot be are refused in a sentence that says what.
func TestDrillsThatCannotBe(t *testing.T) {
	base := `{"id":"x","name":"Mine","about":"a","screen":"down","positions":[{"id":"cutter","name":"Cutter","letter":"C","spot":"cornerR"},{"id":"screener","name":"Screener","letter":"S","spot":"slotR"},{"id":"passer","name":"Passer","letter":"P","spot":"slotL","helper":true,"ball":true}],
	"phases":[{"name":"One","say":"s","acts":[ACTS]}],"rotation":{"rule":"off-def-line","say":"s"},"helpers":"h","equipment":[],"watch":[],"fixes":[],"cautions":[],"stages":[{"id":"air","rung":"air","name":"Air","rules":[],"defenders":0,"coachShows":false,"cues":["trail"],"seconds":14}]}`
	with := func(acts string) string { return strings.Replace(base, "ACTS", acts, 1) }
	good := with(`{"do":"pass","who":"passer","to":"cutter"}`)
	if _, err := Read([]byte(good)); err != nil {
		t.Fatal(err)
	}
	for want, file := range map[string]string{
		"drill.act-no-ball":      with(`{"do":"pass","who":"cutter","to":"passer"}`),
		"drill.act-ball-in-hand": with(`{"do":"cut","who":"passer","to":"rim"}`),
		"drill.act-who":          with(`{"do":"cut","who":"ghost","to":"rim"}`),
		"drill.act-other":        with(`{"do":"pass","who":"passer","to":"passer"}`),
		"drill.act-spot":         with(`{"do":"cut","who":"cutter","to":"moon"}`),
		"drill.screen-never-set": with(`{"do":"screen","who":"screener","for":"cutter"}`),
		"drill.act-past-screen": with(
			`{"do":"screen","who":"screener","to":"wingL","for":"cutter"},{"do":"cut","who":"cutter","to":"shortR"}`),
		"drill.act-screen-for":       with(`{"do":"screen","who":"screener","for":"screener"}`),
		"drill.phase-apart":          with(`{"do":"cut","who":"cutter","to":"slotR"}`),
		"drill.act-no-shot":          with(`{"do":"rebound","who":"cutter"}`),
		"drill.act-kind":             with(`{"do":"juggle","who":"cutter"}`),
		"unknown field":              strings.Replace(good, `"about"`, `"color":"red","about"`, 1),
		"drill.action":               strings.Replace(good, `"down"`, `"moon"`, 1),
		"drill.cue-missing":          strings.Replace(good, `"trail"`, `"blitz"`, 1),
		"drill.rotation":             strings.Replace(good, `off-def-line`, `carousel`, 1),
		"drill.position-twice":       strings.Replace(good, `"id":"screener"`, `"id":"cutter"`, 1),
		"drill.position-letter":      strings.Replace(good, `"id":"screener"`, `"id":"rim"`, 1),
		"drill.rung":                 strings.Replace(good, `"rung":"air"`, `"rung":"cloud"`, 1),
		"drill.seconds":              strings.Replace(good, `"seconds":14`, `"seconds":0`, 1),
		"drill.live-needs-defenders": strings.Replace(good, `"rung":"air"`, `"rung":"live2"`, 1),
		"drill.id-or-name":           strings.Replace(good, `"name":"Mine"`, `"name":""`, 1),
		"drill.positions": strings.Replace(
			strings.Replace(good, `"spot":"cornerR"`, `"spot":"cornerR","helper":true`, 1), `"spot":"slotR"`,
			`"spot":"slotR","helper":true`, 1),
		"drill.not-drill":  `{"id":`,
		"drill.start-spot": strings.Replace(good, `"spot":"cornerR"`, `"spot":"bench"`, 1),
	} {
		if _, err := Read([]byte(file)); !errors.Is(err, ErrSetup) || !strings.Contains(err.Error(), want) {
			t.Errorf("want %q, got %v", want, err)
		}
	}
}

// Brute force over small squads: no way of dealing is fairer than the ring's, for
// every length of list.
func TestRingAgainstBruteForce(t *testing.T) {
	for _, in := range []crewSetup{{n: 4, size: 3, baskets: 1, total: 4}, {n: 5, size: 3, baskets: 1, total: 3},
		{n: 6, size: 3, baskets: 1, total: 3, rest: true}, {n: 6, size: 3, baskets: 2, total: 4},
		{n: 5, size: 2, baskets: 2, total: 4}} {
		for total := 1; total <= in.total; total++ {
			in.total = total
			o, r := spreadOf(in.n, in.size, dealCrews(in, 9))
			best := 1 << 30
			var crews [][]int
			var try func()
			var fill func(crew []int)
			fill = func(crew []int) {
				if len(crew) == in.size {
					crews = append(crews, append([]int(nil), crew...))
					try()
					crews = crews[:len(crews)-1]
					return
				}
				for p := range in.n {
					// In the slot already, or with rest in the slot before.
					busy := slices.Contains(crew, p)
					slot := len(crews) / in.baskets
					for k, c := range crews {
						busy = busy || slices.Contains(c, p) &&
							(k/in.baskets == slot || in.rest && k/in.baskets == slot-1)
					}
					if busy {
						continue
					}
					fill(append(crew, p))
				}
			}
			try = func() {
				if len(crews) == total {
					a, b := spreadOf(in.n, in.size, crews)
					best = min(best, a+b)
					return
				}
				if best > 1 {
					fill(nil)
				}
			}
			try()
			if o+r > max(best, 2) {
				t.Errorf("%+v: spreads %d and %d, brute force finds a sum of %d", in, o, r, best)
			}
		}
	}
}

// Big guards big as far as the five allow, and nobody's counts change.
func TestSizesMatchOnLiveStages(t *testing.T) {
	d := drillOf(t, "threes-screen-away")
	st, _ := d.Stage("live")
	in := Setup{Players: squad(13), Baskets: 1, Minutes: 12, Seed: 6}
	plain, err := OrderList(d, st, in)
	if err != nil {
		t.Fatal(err)
	}
	in.Bigs = []string{"p02", "p05", "p09", "p11"}
	o, err := OrderList(d, st, in)
	if err != nil {
		t.Fatal(err)
	}
	wrong := func(o Order) int {
		n := 0
		for _, r := range o.Reps {
			for i, p := range r.offense() {
				if slices.Contains(in.Bigs, p) != slices.Contains(in.Bigs, r.defense()[i]) {
					n++
				}
			}
		}
		return n
	}
	least := 0
	for k, r := range o.Reps {
		bigs := func(ids []string) (n int) {
			for _, p := range ids {
				if slices.Contains(in.Bigs, p) {
					n++
				}
			}
			return n
		}
		a, b := bigs(r.offense()), bigs(r.defense())
		least += max(a-b, b-a) // more bigs on one side cannot be matched
		one, two := append([]string(nil), r.defense()...), append([]string(nil), plain.Reps[k].defense()...)
		slices.Sort(one)
		slices.Sort(two)
		if !slices.Equal(one, two) || !slices.Equal(r.offense(), plain.Reps[k].offense()) {
			t.Fatalf("rep %d has other people: %v and %v", r.No, one, two)
		}
	}
	if got := wrong(o); got != least || got >= wrong(plain) {
		t.Errorf("%d mismatches, %d cannot be helped, %d without a word", got, least, wrong(plain))
	}
}
