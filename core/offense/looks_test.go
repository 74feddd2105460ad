package offense

import (
	"math"
	"math/rand/v2"
	"testing"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
)

// played is a possession of an offense at its first pass, by players who make every read or
// none, without scatter.
func played(t *testing.T, id string, zone bool, rate float64) (*possessionPlay, *cycle) {
	t.Helper()
	sim := simulator(t, id, Defense{Zone: zone}, rate)
	sim.assumed.Timing = 0
	start := sim.offense.Start()
	first := opening(start, sim.floor.places(sim.offense, start))
	to := start.targets()[0]
	c, err := sim.floor.cycle(sim.offense, &first, start.answers(sim.offense, to, false, 0)[0], to)
	if err != nil {
		t.Fatal(err)
	}
	g := &possessionPlay{sim: sim, pace: sim.pace, cameFrom: first.place[start.Ball()]}
	g.luck = rand.New(rand.NewPCG(1, 2))
	g.def = sim.floor.begin(&sim.defense.Dials, zone, first.place, start.Ball())
	g.out.Passes = patience + 1
	return g, &c
}

// away puts every defender at half court.
func (g *possessionPlay) away() {
	for i := range g.def.at {
		g.def.at[i], g.def.v[i] = court.Point{X: 0, Y: 45}, court.Point{}
	}
}

// A catch is open where nobody is, and not beside the own defender; a jump shot is not taken
// on the first passes; one who has just caught is who shoots.
func TestCatch(t *testing.T) {
	g, c := played(t, "cut", false, 1)
	if g.fromCatch(c) {
		t.Errorf("open beside the own defender: %+v", g.out.Look)
	}
	g.away()
	if !g.fromCatch(c) || g.out.Look.Player != c.to || g.out.Look.Kind != OffPass || !g.out.Look.Three ||
		g.out.Look.Screened {
		t.Errorf("nobody is there: %+v", g.out.Look)
	}
	g.out = Possession{Passes: patience}
	if g.fromCatch(c) {
		t.Error("a quick three on an early pass")
	}
	if !g.offer(Look{Kind: OffScreen, Feet: 20}, 2) || g.offer(Look{Kind: OffScreen, Feet: 20, T: possession + 1}, 2) {
		t.Error("what a screen has made is taken on the second pass, and nothing after the clock")
	}
	g.out = Possession{Passes: 1}
	if g.offer(Look{Kind: OffScreen, Feet: 20}, 2) || !g.offer(Look{Kind: OffCut, Feet: 3}, 2) {
		t.Error("on the first pass only a layup is taken")
	}
	for feet, three := range map[float64]bool{19: false, 20: true} {
		if g.out.Passes = 9; !g.offer(Look{Feet: feet}, 2) || g.out.Look.Three != three {
			t.Errorf("from %v ft: %+v", feet, g.out.Look)
		}
	}
	if g.offer(Look{Feet: 20}, -0.1) || g.offer(Look{Feet: 20}, 0.1) || g.offer(Look{Feet: 0}, 0) {
		t.Error("nearer than four feet is open")
	}
}

// A cut past the own defender goes on the better side if it is read right, else on the other;
// nobody throws to a cutter who is covered, and nobody who sees no cutter throws at all.
func TestCutPast(t *testing.T) {
	g, c := played(t, "cut", false, 1)
	l := &c.legs[0]
	at := l.rim - cutAhead
	if g.fromCut(c, l, at) && g.def.at[g.def.of(l.player)].Within(c.at(l.player, at), covered) {
		t.Error("thrown to a covered cutter")
	}
	g.away()
	if !g.fromCut(c, l, at) || g.out.Look.Player != l.player || g.out.Look.Kind != OffCut || g.out.Look.Feet != 0 {
		t.Errorf("nobody is there: %+v", g.out.Look)
	}
	own := g.def.of(l.player)
	g.def.at[own] = c.at(l.player, at).Toward(court.Point{}, 4)
	g.def.at[own].X += 1
	m := g.moment(c, at, c.to)
	right, wrong := g.cutPast(&m, l.player, true), g.cutPast(&m, l.player, false)
	if alone(&right) <= alone(&wrong) {
		t.Errorf("read right %.2f s, wrong %.2f s", alone(&right), alone(&wrong))
	}
	blind, c := played(t, "cut", false, 0)
	blind.away()
	if blind.fromCut(c, &c.legs[0], c.legs[0].rim-cutAhead) {
		t.Error("a passer who sees nothing throws")
	}
}

// A drive needs a closeout and finds the rim where no help is, or the player whom help left;
// without a closeout nobody drives.
func TestDrive(t *testing.T) {
	g, c := played(t, "free", false, 1)
	if g.def.at[g.def.of(c.to)] = c.at(c.to, c.catch).Toward(court.Point{}, guardFeet); g.fromDrive(c) {
		t.Error("a drive at a defender in place")
	}
	found := 0
	for range 200 {
		g.away()
		g.out = Possession{Passes: 9}
		if g.fromDrive(c) {
			found++
			if l := g.out.Look; l.Kind != OffKick && (l.Kind != OffBall || l.Player != c.to) {
				t.Fatalf("nobody helps: %+v", g.out.Look)
			}
		}
	}
	if share := float64(found) / 200; math.Abs(share-beatsRight) > 0.12 {
		t.Errorf("%.2f of the drives go by, want %.2f", share, beatsRight)
	}
	kinds := map[string]int{}
	g.sim.assumed = usual
	for seed := range uint64(1500) {
		p := g.sim.Play(seed)
		kinds[p.Look.Kind]++
	}
	for _, kind := range []string{OffBall, OffKick, OffCut, OffScreen, OffSet, OffPass} {
		if kinds[kind] == 0 {
			t.Errorf("no look from %s in %v", kind, kinds)
		}
	}
}

// What a helper on the floor leaves of a screen's window: less the nearer, nothing of a jump
// shot that nobody is beside.
func TestHelpOnAScreen(t *testing.T) {
	g, c := played(t, "cont", false, 1)
	var l *leg
	for i := range c.legs {
		if c.legs[i].used > 0 {
			l = &c.legs[i]
			break
		}
	}
	layup, jumper := reads.Option{Feet: 3, Seconds: 1}, reads.Option{Feet: 22, Seconds: 1}
	g.away()
	far := g.help(c, l, &layup, l.used)
	if !math.IsInf(g.help(c, l, &jumper, l.used), 1) {
		t.Error("somebody far off bothers a jump shot")
	}
	for i := range g.def.at {
		if who := g.def.guards[i]; who != l.player && who != l.other {
			g.def.at[i] = court.Point{}.Toward(l.path[len(l.path)-1], layup.Feet)
			break
		}
	}
	near := g.help(c, l, &layup, l.used)
	late := g.pace.HelpReact()
	if near >= far || math.Abs(near-(late-layup.Seconds-motion.Release(layup.Feet))) > 1e-9 {
		t.Errorf("beside the rim %.2f s, far off %.2f s", near, far)
	}
}

// Passes are lost at defenders near their line and to a wing who is denied; denied wings are
// refused, and cut behind.
func TestLostAndDenied(t *testing.T) {
	lost := func(prepare func(*possessionPlay, *cycle), denied bool) (share float64) {
		for range 3000 {
			g, c := lostOne, lostCycle
			g.out = Possession{}
			prepare(g, c)
			share += yes(g.thrown(c, denied)) / 3000
		}
		return share
	}
	lostOne, lostCycle = played(t, "cut", false, 1)
	plain := lost(func(g *possessionPlay, _ *cycle) { g.away() }, false)
	inLine := lost(func(g *possessionPlay, c *cycle) {
		g.away()
		g.def.at[4] = c.place[c.from].Add(c.place[c.to]).Scale(0.5)
	}, false)
	denied := lost(func(g *possessionPlay, _ *cycle) { g.away() }, true)
	if math.Abs(plain-passLost) > 0.01 || math.Abs(inLine-passLost-mostRisk) > 0.02 ||
		math.Abs(denied-passLost-DefaultDials().Hands) > 0.03 {
		t.Errorf("lost %.3f, with somebody in its line %.3f, to a denied wing %.3f", plain, inLine, denied)
	}
	cuts := func(deny float64) (cut, lost float64) {
		d := DefaultDials()
		d.Deny = deny
		s := Sum(simulator(t, "cont", Defense{Dials: d}, 0.8).Many(400, 0))
		return s.Of("cut").Value, s.Of("lost").Value
	}
	open, _ := cuts(0)
	shut, lostBall := cuts(1)
	if shut <= open || lostBall > 0.35 {
		t.Errorf("cuts behind %.3f where nobody denies, %.3f where all do, losing %.2f", open, shut, lostBall)
	}
}

var (
	lostOne   *possessionPlay
	lostCycle *cycle
)

// Inside a zone somebody comes open where no defender is, and swinging the ball means that it
// has changed sides.
func TestAgainstAZone(t *testing.T) {
	g, c := played(t, "cut", true, 1)
	m := g.moment(c, c.catch, c.to)
	packed := g.softest(&m, 0)
	g.away()
	m = g.moment(c, c.catch, c.to)
	if free := g.softest(&m, 0); alone(&free) <= alone(&packed) || free.End.Len() > 16 {
		t.Errorf("%.2f s with nobody there, %.2f s in the zone", alone(&free), alone(&packed))
	}
	for from, want := range map[float64]bool{-10: c.place[c.to].X > 0, 10: c.place[c.to].X < 0, 0: false} {
		if g.cameFrom.X = from; g.reversed(c) != want {
			t.Errorf("from %v to %v: swung %v", from, c.place[c.to], !want)
		}
	}
	if g.sim.offense.Zone.Flash = false; g.fromFlash(c, c.catch) {
		t.Error("somebody flashes who should not")
	}
}
