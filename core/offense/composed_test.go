package offense

import (
	"math/rand/v2"
	"slices"
	"testing"
)

// composed puts an offense together by chance: spots, parts with weights and counters, and
// every choice.
func composed(rng *rand.Rand) Offense {
	base := shipped[rng.IntN(len(shipped))]
	o := Offense{ID: "own", Name: "Own", Ring: slices.Clone(base.Ring), Inside: base.Inside,
		Ball: base.Ring[rng.IntN(len(base.Ring))], Zone: ZonePlan{true, true, true},
		Rules: Rules{true, true, true, true, true, true, true}}
	one := func(i int) string { return options[i].Values[rng.IntN(len(options[i].Values))].ID }
	o.Cutting, o.Catch, o.Again, o.Dribble = CutRule(one(0)), CatchSpot(one(1)), ScreenAgain(one(2)),
		DribbleRule(one(3))
	o.OnDrive, o.BigRule, o.Post = DriveAnswer(one(4)), BigRule(one(5)), PostRule(one(6))
	if o.BigRule != BigsAny {
		o.Bigs = []int{1 + rng.IntN(2), 3 + rng.IntN(2)}
	}
	o.Parts = append(o.Parts, Part{ID: "cut", Weight: rng.Float64()},
		Part{ID: []string{"denied", "denied-out"}[rng.IntN(2)], Weight: 1})
	for _, p := range catalogue {
		if rng.IntN(3) == 0 && !slices.ContainsFunc(o.Parts, func(q Part) bool { return q.ID == p.ID }) {
			o.Parts = append(o.Parts, Part{ID: p.ID, Weight: 3 * rng.Float64(),
				After: []Trigger{"", "", CutCovered, ScreenCovered}[rng.IntN(4)]})
		}
	}
	return o
}

// Two hundred offenses put together by chance that pass the check are run against nobody, a
// defense that denies, and a zone: five are on the floor, nobody is faster than allowed, the
// ball is in a hand or on its way to one, every spot is filled again in time, and it goes on
// from where a run has ended.
func TestComposedOffenses(t *testing.T) {
	c := floor(t)
	f := NewFloor(highSchool(t))
	rng := rand.New(rand.NewPCG(20, 26))
	tried, found := 0, 0
	for ; found < 200; tried++ {
		o, err := composed(rng).Ready(c)
		if err != nil {
			if err.Error() == "" || tried > 5000 {
				t.Fatalf("%d of %d pass: %v", found, tried, err)
			}
			continue
		}
		found++
		start := f.Begin(o)
		for k, against := range []Guarding{{}, guarding(true),
			{Defended: true, Defense: Defense{Zone: true, Dials: DefaultDials()}}} {
			run, err := f.Watch(o, start, 8, against, uint64(tried))
			if err != nil {
				t.Fatalf("%+v: %v", o, err)
			}
			audit(t, &f, &o, &run)
			for _, v := range run.Violations {
				if v.Rule == Empty {
					t.Errorf("%v: %s", o.Parts, v.Text)
				}
			}
			if again, err := f.Watch(o, run.End, 2, Guarding{}, 1); err != nil || len(again.Passes) != 2 {
				t.Errorf("against %d it does not go on: %v", k, err)
			}
		}
		sim := NewSimulator(highSchool(t), o, Defense{Dials: DefaultDials()}, EverybodyMakes(0.6))
		for _, p := range sim.Many(5, 1) {
			if p.Seconds > possession || p.Passes > 30 {
				t.Errorf("%+v", p)
			}
		}
	}
	t.Logf("%d of %d offenses pass the check", found, tried)
}

// audit checks a run: five a side, speeds, and where the ball is.
func audit(t *testing.T, f *Floor, o *Offense, run *Run) {
	t.Helper()
	tracks := map[string]int{}
	for i, tr := range run.Play.Tracks {
		tracks[tr.Who] = i
		limit := f.Pace.Top + 0.5
		if tr.Who == "ball" {
			limit = f.Pace.Pass + f.Pace.Top // a pass to somebody who runs
		}
		for k := 1; k < len(tr.Keys); k++ {
			dt := tr.Keys[k].T - tr.Keys[k-1].T
			if d := tr.Keys[k].At.Dist(tr.Keys[k-1].At); d > limit*dt+0.5 {
				t.Errorf("%v: %s goes %.1f ft in %.2f s at %.1f s", o.Parts, tr.Who, d, dt, tr.Keys[k].T)
				return
			}
		}
	}
	if n := len(run.Play.Tracks); n != 6 && n != 11 {
		t.Errorf("%d tracks", n)
	}
	ball := run.Play.Tracks[tracks["ball"]]
	for k, key := range ball.Keys {
		held := false
		for i := range five {
			at := run.Play.Tracks[i].Keys[k].At
			held = held || at.Within(key.At, 0.1)
		}
		flies := slices.ContainsFunc(run.Passes, func(p Passed) bool {
			return p.From != p.To && key.T >= p.T && key.T <= p.T+3
		})
		if !held && !flies {
			t.Errorf("%v: nobody has the ball at %.1f s", o.Parts, key.T)
			return
		}
	}
	for i, spot := range run.End.Spots {
		if d := run.End.At[i].Dist(f.spots[spot]); d > 0.1 {
			t.Errorf("%v: player %d ends %.1f ft from the %s", o.Parts, i, d, spot)
		}
	}
}

// An offense breaks its own rules where its moves do, and they are named: players who stay
// on a drive, and one who camps in the lane.
func TestOwnRulesBroken(t *testing.T) {
	f := NewFloor(highSchool(t))
	o, _ := ByID("free")
	o.OnDrive = Stay
	o.Parts = []Part{{ID: "ball", Weight: 1}, {ID: "denied", Weight: 1}}
	o, err := o.Ready(floor(t))
	if err != nil {
		t.Fatal(err)
	}
	rules := func(o Offense, c *cycle) map[string]bool {
		out := map[string]bool{}
		for _, v := range f.watch(o, c, sampling, func(Spread) {}) {
			out[v.Rule] = true
			if v.Text == "" || RuleName(v.Rule) == "" {
				t.Errorf("%+v", v)
			}
		}
		return out
	}
	first := opening(o.Start(), f.Begin(o).At)
	to := o.Start().targets()[0]
	c, err := f.cycle(o, &first, o.Answers[0], to)
	if err != nil {
		t.Fatal(err)
	}
	if r := rules(o, &c); !r[NoDrift] {
		t.Errorf("nobody moves on the drive, and it breaks %v", r)
	}
	o.OnDrive = Drift
	if c, err = f.cycle(o, &first, o.Answers[0], to); err != nil || rules(o, &c)[NoDrift] {
		t.Errorf("everybody slides, and it is not seen (%v)", err)
	}
	camped := cycle{place: first.place, end: 5}
	camped.place[3].X, camped.place[3].Y = 2, 5
	if r := rules(o, &camped); !r[Camped] {
		t.Errorf("five seconds in the lane break %v", r)
	}
	o.Rules.ThreeSeconds = false
	if r := rules(o, &camped); r[Camped] {
		t.Error("a rule that is off is broken")
	}
}

// Counters wait for their trigger, a passer who always cuts cuts, bigs alone screen, and a
// screener who may not screen again does not.
func TestChoices(t *testing.T) {
	c := floor(t)
	with := func(change func(*Offense)) Offense {
		o, _ := ByID("free")
		change(&o)
		ready, err := o.Ready(c)
		if err != nil {
			t.Fatal(err)
		}
		return ready
	}
	names := func(o Offense, come happened) (out []string) {
		p := o.Start()
		for _, a := range p.answers(o, p.targets()[0], false, come) {
			out = append(out, a.ID)
		}
		return out
	}
	waits := with(func(o *Offense) {
		o.Parts = []Part{{"cut", 1, ""}, {"ball", 2, CutCovered}, {"away", 1, ScreenCovered}, {"denied", 1, ""}}
	})
	if a, b, d := names(waits, 0), names(waits, cutWasCovered),
		names(waits, every); !slices.Equal(a, []string{"cut"}) || !slices.Equal(b, []string{"cut", "ball"}) ||
		len(d) != 3 {
		t.Errorf("counters: %v, %v, %v", a, b, d)
	}
	always := with(func(o *Offense) { o.Cutting = AlwaysCut })
	if got := names(always, 0); !slices.Equal(got, []string{"cut"}) {
		t.Errorf("the passer always cuts, and may %v", got)
	}
	bigs := with(func(o *Offense) { o.Bigs, o.BigRule = []int{1, 5}, BigsScreen })
	if got := names(bigs, 0); !slices.Equal(got, []string{"cut"}) {
		t.Errorf("the player on top is no big, and may %v", got)
	}
	wings := with(func(o *Offense) { o.Bigs, o.BigRule = []int{1, 5}, BigsWings })
	if p, top := wings.Start(), names(wings, 0); p.Ring[1] != 0 && p.Ring[1] != 4 || p.Ring[3] != 0 && p.Ring[3] != 4 ||
		!slices.Equal(top, []string{"cut", "away"}) {
		t.Errorf("the bigs start at %v, the player on top, who is none, may %v", p.Ring, top)
	}
	for again, want := range map[ScreenAgain]bool{NeverTwice: false, AfterPause: true, AtOnce: true} {
		o := with(func(o *Offense) { o.Again = again })
		p := o.Start()
		p.screened = []int{p.Ball()}
		allowed := p.answers(o, p.targets()[0], false, 0)
		if got := slices.ContainsFunc(allowed, func(a Answer) bool { return a.ID == "ball" }); got != want {
			t.Errorf("%s: screens again %v", again, got)
		}
		f := NewFloor(highSchool(t))
		first := opening(p, f.Begin(o).At)
		cyc, err := f.cycle(o, &first, partByID("ball"), p.targets()[0])
		if err != nil {
			t.Fatal(err)
		}
		if late := cyc.legs[0].start - cyc.catch; (late > 0) != (again == AfterPause) {
			t.Errorf("%s: the screen is set %.1f s after the catch", again, late)
		}
	}
}
