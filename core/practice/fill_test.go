package practice

import (
	"errors"
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"evrik/core/drill"
	"evrik/core/reads"
)

// auditNight reads a filled evening against the rules of a plan, from the sheet
// and the terms alone.
func auditNight(t *testing.T, p Plan, f Filled) {
	t.Helper()
	fail := func(format string, args ...any) {
		t.Helper()
		t.Errorf(format, args...)
		for _, b := range f.Blocks {
			t.Logf("  %s %s %g min, end %d", b.Title, b.Stage, b.Minutes, b.Basket)
		}
		t.FailNow()
	}
	if f.Sheet.Left < -1e-9 || f.Gap < 0 || f.Bound < f.Value-1e-9 {
		fail("%g min left, gap %g, %g of %g", f.Sheet.Left, f.Gap, f.Value, f.Bound)
	}
	pinned := slices.ContainsFunc(f.Blocks, func(b Block) bool { return b.Pin })
	for _, w := range f.Sheet.Warnings {
		if !pinned && w.Source != p.Limits.Source || p.Limits.Source == "" {
			fail("a planned evening is warned about: %s", w.Text)
		}
	}
	if f.Blocks[0].Kind != OwnBlock || f.Blocks[len(f.Blocks)-1].Kind != OwnBlock {
		fail("the evening does not open and close with own blocks")
	}
	helpers := map[float64]int{} // in use from a moment on
	for i, b := range f.Blocks {
		timed := f.Sheet.Blocks[i]
		if timed.Problem.Code != "" {
			fail("block %d: %s", i, timed.Problem)
		}
		if b.Kind != DrillBlock {
			continue
		}
		d, st, _ := StageOf(p.Library, b)
		if slices.Contains(p.Terms.Banned, d.ID) {
			fail("%s is left out and planned", d.Name)
		}
		need, balls := count(st.CoachShows && !b.PlayerShows), 0
		for _, pos := range d.Positions {
			need += count(pos.Helper && !b.NoHelpers)
			balls += count(pos.Ball)
		}
		helpers[timed.Start] += need * b.Baskets
		if balls*b.Baskets > p.Terms.Balls || b.Baskets > p.Terms.Baskets {
			fail("%s takes %d balls and %d baskets", b.Title, balls*b.Baskets, b.Baskets)
		}
	}
	for at, n := range helpers {
		if n > p.Terms.Helpers {
			fail("%d helpers of %d at minute %g", n, p.Terms.Helpers, at)
		}
	}
	for _, r := range f.Sheet.Rules {
		if !r.Kept && !pinned {
			fail("%s is broken: %s", r.Name, r.Says)
		}
	}
}

func TestFilledEveningsKeepTheRules(t *testing.T) {
	rng := rand.New(rand.NewPCG(12, 34))
	parted, banned, nights := 0, 0, times(16, 4)
	for i := range nights {
		p := night(rng, 4+rng.IntN(16), 4+rng.IntN(22), float64(45+15*rng.IntN(5)))
		p.Terms.Balls = 2 + rng.IntN(8)
		if i%3 == 0 {
			p.Terms.Banned = []string{"slot-twos", "perimeter-ten"}
			banned++
		}
		f, err := Fill(p, Evening, counter())
		if err != nil {
			t.Fatal(err)
		}
		auditNight(t, p, f)
		if f.Split != "" {
			parted++
		}
		if again, _ := Fill(p, Evening, counter()); !reflect.DeepEqual(again, f) {
			t.Fatal("the same evening is filled in two ways")
		}
		// A block that is pinned stays, with its minutes, and so does the order.
		p.Blocks = slices.Clone(f.Blocks)
		var pins []string
		for k := range p.Blocks {
			if b := &p.Blocks[k]; b.Kind == DrillBlock && b.Basket == 0 && len(pins) < 2 {
				b.Pin = true
				pins = append(pins, b.ID)
			}
		}
		p.Minutes -= 5
		more := counter()
		g, err := Fill(p, Evening, func() string { return "new " + more() })
		if err != nil {
			var c Conflict
			if !errors.As(err, &c) {
				t.Fatal(err)
			}
			continue
		}
		auditNight(t, p, g)
		var kept []string
		for _, b := range g.Blocks {
			if slices.Contains(pins, b.ID) {
				kept = append(kept, b.ID)
			}
		}
		if !slices.Equal(kept, pins) {
			t.Fatalf("pins %v became %v", pins, kept)
		}
	}
	if parted < nights/8 {
		t.Errorf("only %d of %d evenings use both baskets", parted, nights)
	}
}

// More time, or one more helper, never covers less of what can be covered.
func TestMoreIsNeverWorse(t *testing.T) {
	for seed := range uint64(times(4, 1)) {
		p := night(rand.New(rand.NewPCG(seed, 1)), 12, 12, 75)
		p.Terms.Helpers = 2
		f, err := Fill(p, Evening, counter())
		if err != nil {
			t.Fatal(err)
		}
		for what, change := range map[string]func(*Plan){"ten minutes": func(p *Plan) { p.Minutes += 10 },
			"two helpers": func(p *Plan) { p.Terms.Helpers += 2 }} {
			q := p
			change(&q)
			g, err := Fill(q, Evening, counter())
			if err != nil || g.Bound < f.Value-1e-6 || f.Proven && g.Proven && g.Value < f.Value-1e-6 {
				t.Errorf("%d: %s more cover %g after %g (%v)", seed, what, g.Value, f.Value, err)
			}
		}
	}
}

// A small evening by hand. Slot twos alone, and twelve players who are new to it: it is
// guided first, then live, and the reason says for whom and how much.
func TestReasonsAndNumbers(t *testing.T) {
	p := Plan{Minutes: 60, People: squad(12), Terms: DefaultTerms(),
		Blocks: []Block{block("warm", OwnBlock, 10, ""), block("end", OwnBlock, 8, "")}}
	p.Terms.Focus = []reads.Read{reads.Curl, reads.Fade}
	for _, d := range drill.Catalogue() {
		if d.ID != "slot-twos" {
			p.Terms.Banned = append(p.Terms.Banned, d.ID)
		}
	}
	p.Aim(Aims{Outlooks: fresh(p.People)})
	f, err := Fill(p, Evening, counter())
	if err != nil || !f.Proven {
		t.Fatalf("%+v %v", f, err)
	}
	var stages []string
	for i, b := range f.Blocks {
		if b.Drill == "" {
			continue
		}
		stages = append(stages, b.Stage)
		if b.Stage == "shown" && (!b.PlayerShows || !b.NoHelpers || b.Baskets != 2 || b.Minutes != 15 ||
			f.Sheet.Blocks[i].Reps != 112) {
			t.Errorf("%+v %+v", b, f.Sheet.Blocks[i])
		}
		if b.Stage == "shown" {
			// 112 reps of twelve players and four cues are 2.33 of each.
			want := "Curl for 12 players (12 not enough reps): about 2½ each. Fade for 12 players (12 not enough " +
				"reps): about 2½ each."
			if k := slices.IndexFunc(f.Reasons,
				func(r Reason) bool { return r.Block == b.ID }); f.Reasons[k].Text != want {
				t.Errorf("reason %q", f.Reasons[k].Text)
			}
		}
	}
	if len(stages) < 2 || stages[0] != "shown" || stages[1] == "shown" {
		t.Errorf("stages %v", stages)
	}
	for _, r := range f.Sheet.Rules {
		if !r.Kept {
			t.Errorf("%s is broken: %s", r.Name, r.Says)
		}
	}
	if math.Abs(f.Sheet.Left) > 1e-9 {
		t.Errorf("%g minutes are left though there is play for them: %+v", f.Sheet.Left, f.Blocks)
	}
	// Leaving the drill out is said to be why.
	p.Terms.Banned = append(p.Terms.Banned, "slot-twos")
	p.Aim(Aims{Outlooks: fresh(p.People)})
	if len(p.Goals) != 0 {
		t.Errorf("goals that no drill gives: %+v", p.Goals)
	}
}

func TestHoles(t *testing.T) {
	p := night(rand.New(rand.NewPCG(8, 8)), 12, 10, 90)
	p.Blocks = []Block{block("warm", OwnBlock, 10, ""), block("w", WaterBlock, 3, ""),
		block("mine", DrillBlock, 9, "shown"), block("end", OwnBlock, 8, "")}
	f, err := Fill(p, Holes, counter())
	if err != nil {
		t.Fatal(err)
	}
	var kept []string
	for _, b := range f.Blocks {
		if !strings.HasPrefix(b.ID, "b") {
			kept = append(kept, b.ID)
			if b.ID == "mine" && b.Minutes != 9 {
				t.Errorf("%+v", b)
			}
		}
	}
	if !slices.Equal(kept, []string{"warm", "w", "mine", "end"}) || len(f.Blocks) < 7 {
		t.Errorf("%v of %d blocks", kept, len(f.Blocks))
	}
}

func TestConflicts(t *testing.T) {
	base := func() Plan {
		p := evening()
		for i := range p.Blocks {
			p.Blocks[i].Pin = true
		}
		return p
	}
	for want, change := range map[string]func(*Plan){
		"practice.nobody-here":     func(p *Plan) { p.People = nil },
		"practice.too-short":       func(p *Plan) { p.Minutes = 0 },
		"practice.left-out-and-in": func(p *Plan) { p.Terms.Banned = []string{"slot-twos"} },
		"practice.kept-too-long-shorten: 38, 36, shown, 2, 38": func(p *Plan) {
			p.Minutes = 36
			p.Blocks[0].Minutes, p.Blocks[4].Minutes = 8, 8
		},
		"practice.kept-too-long: 136, 90, a, b, c, d, e, 136": func(p *Plan) {
			p.Minutes, p.Blocks = 90, nil
			for _, id := range []string{"a", "b", "c", "d", "e", "f", "g", "h", "i", "j", "k"} {
				b := block(id, DrillBlock, 11, "live")
				b.Pin = true
				p.Blocks = append(p.Blocks, b)
			}
			p.Blocks[10].Minutes = 8
		},
	} {
		p := base()
		change(&p)
		_, err := Fill(p, Evening, counter())
		var c Conflict
		if !errors.As(err, &c) || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want it to say %q", err, want)
		}
	}
	if f, err := Fill(base(), Evening, counter()); err != nil || len(f.Blocks) < 5 {
		t.Errorf("pins that fit: %v", err)
	}
}

// The planner sees no value in a drill without a read, but the coach placed it: a whole
// evening built anew keeps it in its place, and drops the drill that teaches a read.
func TestEveningKeepsTheCoachsDrills(t *testing.T) {
	p := night(rand.New(rand.NewPCG(8, 8)), 12, 10, 90)
	free := block("free", DrillBlock, 6, "")
	pairs, ok := drill.ByID("free-throws-in-pairs")
	if !ok {
		t.Fatal("the catalogue has no free throws")
	}
	free.Drill, free.Stage = pairs.ID, pairs.Stages[0].ID
	p.Blocks = []Block{block("warm", OwnBlock, 10, ""), block("reads", DrillBlock, 9, "shown"), free}
	f, err := Fill(p, Evening, counter())
	if err != nil {
		t.Fatal(err)
	}
	at := func(id string) int { return slices.IndexFunc(f.Blocks, func(b Block) bool { return b.ID == id }) }
	if at("warm") != 0 || at("free") != len(f.Blocks)-1 || at("reads") >= 0 || len(f.Blocks) < 6 {
		t.Errorf("warm at %d, free at %d, reads at %d of %d blocks", at("warm"), at("free"), at("reads"), len(f.Blocks))
	}
	if b := f.Blocks[len(f.Blocks)-1]; b.Drill != free.Drill || b.Stage != free.Stage {
		t.Errorf("the coach's drill became %+v", b)
	}
}

// Each action that ages 7 and 8 play has a guided and a live stage for their plans.
func TestChildrensActionsHaveAStage(t *testing.T) {
	p := Plan{}
	p.Limits, _ = Ages7to8.Limits()
	for _, a := range reads.Actions() {
		if !p.TeamRules.Takes(string(Ages7to8), a) {
			continue
		}
		guided, live := false, false
		for _, d := range drill.Catalogue() {
			for _, st := range d.Stages {
				if d.Action == a.ID && len(st.Cues) > 1 && p.ofAge(d, st) {
					guided, live = guided || st.Rung == drill.Guided, live || isLive(st)
				}
			}
		}
		if !guided || !live {
			t.Errorf("%s: guided %v, live %v", a.Name, guided, live)
		}
	}
}

// Ages 7 to 11 play player-to-player (USA Basketball and NBA youth rules of play, from
// memory): their evenings hold no ball screen and nothing that sends two at the ball, until
// their coach turns all actions on.
func TestEveningsByAge(t *testing.T) {
	older := func(b Block) bool {
		d, st, err := StageOf(drill.Library{}, b)
		if err != nil {
			t.Fatal(err)
		}
		a, ok := reads.ActionByID(d.Action)
		return ok && (a.Family == reads.BallUp || slices.Contains(st.Cues, reads.Blitz) ||
			slices.Contains(st.Cues, reads.Doubled))
	}
	for _, all := range []bool{false, true} {
		held, taught, told := 0, 0, false
		for seed := range uint64(times(6, 2)) {
			p := night(rand.New(rand.NewPCG(seed, 9)), 12, 30, 75)
			p.Limits, _ = Ages9to11.Limits()
			p.TeamRules.AllActions = all
			f, err := Fill(p, Evening, counter())
			if err != nil {
				t.Fatal(err)
			}
			for _, b := range f.Blocks {
				if b.Kind == DrillBlock {
					taught++
					held += count(older(b))
				}
			}
			for _, o := range f.Open {
				told = told || strings.Contains(o.Why, "left out for ages 9 to 11")
			}
		}
		if all != (held > 0) || told == all || taught < times(20, 6) {
			t.Errorf("all actions %v: %d of %d drills are for older players, and it is said: %v", all, held, taught,
				told)
		}
	}
}
