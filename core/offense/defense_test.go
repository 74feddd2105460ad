package offense

import (
	"math"
	"testing"

	"evrik/core/court"
)

// Where defenders stand: between their player and the rim on the ball, a step off toward it
// one pass away, in the lane two passes away, the more the higher the dial; a wing who is
// denied has the defender in the passing lane.
func TestWhereDefendersStand(t *testing.T) {
	d := DefaultDials()
	top, wing, corner := court.Point{X: 0, Y: 23}, court.Point{X: 19, Y: 14}, court.Point{X: -23, Y: 1}
	if at := d.stand(top, top, false); math.Abs(at.Dist(top)-guardFeet) > 1e-9 || at.X != 0 {
		t.Errorf("on the ball at %v", at)
	}
	one := d.stand(wing, top, false)
	if gap := one.Dist(wing); gap < guardFeet || gap > 6 || one.Dist(top) >= wing.Dist(top) {
		t.Errorf("one pass away at %v, %.1f ft off", one, gap)
	}
	two := d.stand(corner, wing, false)
	if two.Dist(lane) >= corner.Dist(lane)-8 || two.Dist(corner) <= one.Dist(wing)+3 {
		t.Errorf("two passes away at %v", two)
	}
	hard := d
	hard.Help = 1
	if at := hard.stand(corner, wing, false); at.Dist(lane) >= two.Dist(lane) {
		t.Errorf("more help stands at %v", at)
	}
	if at := d.stand(wing, top, true); court.SegmentDist(at, wing, top) > 0.1 ||
		math.Abs(at.Dist(wing)-laneFeet) > 1e-9 {
		t.Errorf("denied from %v", at)
	}
	for _, bad := range []Dials{{}, {React: 1, Help: 2}, {React: 1, Deny: -1}} {
		if bad.Validate() == nil {
			t.Errorf("%+v passes", bad)
		}
	}
	for _, l := range Levels() {
		if err := l.Dials.Validate(); err != nil || l.Name == "" {
			t.Errorf("%+v: %v", l, err)
		}
	}
}

// In every possession of every offense nobody of the defense is faster than the pace, a
// switch leaves everybody with one defender, and they are never far from where they belong
// once everybody stands.
func TestDefendersMove(t *testing.T) {
	f := NewFloor(highSchool(t))
	for _, o := range Shipped() {
		for _, zone := range []bool{false, true} {
			d := DefaultDials()
			start := o.Start()
			last := opening(start, f.places(o, start))
			def := f.begin(&d, zone, last.place, start.Ball())
			for n := range 12 {
				to := last.after.targets()[0]
				allowed := last.after.answers(o, to, false, 0)
				c, err := f.cycle(o, &last, allowed[n%len(allowed)], to)
				if err != nil {
					t.Fatal(err)
				}
				if n%4 == 1 && !zone {
					def.swap(0, 1+n%3)
				}
				before := def.at
				for at := c.start; at < c.end+1; at += tick {
					def.step(&c, at+tick)
					for i := range def.at {
						if v := def.at[i].Dist(before[i]) / tick; v > f.Pace.Top+1e-9 {
							t.Fatalf("%s: a defender runs %.1f ft/s", o.ID, v)
						}
					}
					before = def.at
				}
				seen := map[int]bool{}
				for _, who := range def.guards {
					seen[who] = true
				}
				if len(seen) != five {
					t.Fatalf("%s: guards %v", o.ID, def.guards)
				}
				ball := c.ball(c.end)
				for i, at := range def.at {
					want := d.stand(c.at(def.guards[i], c.end), ball, false)
					if zone {
						want = zoneSpot(i, ball)
					}
					if at.Dist(want) > 2 {
						t.Errorf(
							"%s, zone %v, pass %d: defender %d at %.1f instead of %.1f, guards %d at %.1f, ball "+
								"%.1f, helper %d", o.ID, zone, n, i, at, want, def.guards[i],
							c.at(def.guards[i], c.end), ball, def.helper)
					}
				}
				last = c
			}
		}
	}
}

// A cutter who fools the defender gains, and the nearest helper comes; one who shows steps
// out at the cutter and goes back.
func TestHelpAndFakes(t *testing.T) {
	f := NewFloor(highSchool(t))
	o, _ := ByID("cut")
	start := o.Start()
	first := opening(start, f.places(o, start))
	run := func(prepare func(*defenders, *leg)) (gap, near float64, helped bool) {
		d := DefaultDials()
		c, err := f.cycle(o, &first, o.Answers[0], start.targets()[0])
		if err != nil {
			t.Fatal(err)
		}
		def := f.begin(&d, false, first.place, start.Ball())
		def.foresight = usual.Foresight
		cut := &c.legs[0]
		prepare(&def, cut)
		for at := c.start; at < cut.rim; at += tick {
			def.step(&c, at+tick)
			helped = helped || def.helper >= 0
		}
		near = math.Inf(1)
		for i := range def.at {
			if i != def.of(cut.player) {
				near = min(near, def.at[i].Dist(c.at(cut.player, cut.rim)))
			}
		}
		return def.at[def.of(cut.player)].Dist(c.at(cut.player, cut.rim)), near, helped
	}
	plain, alone, _ := run(func(*defenders, *leg) {})
	fooled, near, helped := run(func(d *defenders, l *leg) { d.fool(l.player, 3*usual.Fooled, l.rim) })
	if fooled <= plain+1 || !helped || near > alone-2 {
		t.Errorf("fooled, the defender is %.1f ft away after %.1f, helped %v", fooled, plain, helped)
	}
	shown, _, _ := run(func(d *defenders, l *leg) { i := d.of(l.player); d.shows[i], d.showsTo[i] = 0, 99 })
	if shown <= plain+3 {
		t.Errorf("who shows at somebody else stays %.1f ft from the own player", shown)
	}
}

// Two above and three below, and the zone moves with the ball: one takes it wherever it is,
// and on both sides alike.
func TestZone(t *testing.T) {
	for _, ball := range []court.Point{{X: 0, Y: 23}, {X: 8, Y: 22}, {X: 19, Y: 14}, {X: 23, Y: 1}} {
		near, above := 99.0, 0
		for i := range five {
			at := zoneSpot(i, ball)
			near = min(near, at.Dist(ball))
			above += int(yes(at.Y > 11))
			mirror := map[int]int{topLeft: topRight, topRight: topLeft, lowLeft: lowRight, lowRight: lowLeft,
				lowMiddle: lowMiddle}[i]
			if ball.X != 0 && zoneSpot(mirror, ball.Mirror()).Dist(at.Mirror()) > 1e-9 {
				t.Errorf("ball at %v: defender %d stands otherwise on the other side", ball, i)
			}
		}
		if near > 6 || above != 2 {
			t.Errorf("ball at %v: nearest %.1f ft, %d above", ball, near, above)
		}
	}
}
