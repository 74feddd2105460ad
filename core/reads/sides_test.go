package reads

import (
	"math"
	"slices"
	"testing"

	"evrik/core/court"
)

// right reports whether a read is right for the cutter in a snapshot that shows its cue.
func right(t *testing.T, s *Snapshot, cue Cue, read Read) bool {
	t.Helper()
	j, err := Judge(On(highSchool(t)), s)
	if err != nil || j.Cue != cue {
		t.Fatalf("%s: judged %s, want %s (%v)", s.Action, j.Cue, cue, err)
	}
	return accepts(j, read)
}

// Whoever steps out high is gone by inside; one who waits below is not.
func TestInsideOfWhoStepsOut(t *testing.T) {
	c := highSchool(t)
	for _, a := range []*Action{downScreen, awayScreen, flareScreen, staggerScreen} {
		s := a.Example(c, Show)
		f := a.frame(testFloor, &s)
		high, low := 0, 0
		for along := 0.5; along < 4.5; along += 0.25 {
			for out := 0.25; out < 5; out += 0.25 {
				s.XScreener = f.at(along, out)
				if v := Classify(testFloor, &s); v.Cue != Show || v.Late() {
					continue
				}
				above := s.XScreener.Len() >= s.Cutter.Len()
				if right(t, &s, Show, Curl) != above {
					t.Errorf("%s: %.1f ft above the cutter, and the turn inside is right: %v", a.ID,
						s.XScreener.Len()-s.Cutter.Len(), !above)
				}
				if above {
					high++
				} else {
					low++
				}
			}
		}
		if high == 0 || low == 0 {
			t.Errorf("%s: %d places above, %d below", a.ID, high, low)
		}
	}
	s := backScreen.Example(c, Show)
	f := backScreen.frame(testFloor, &s)
	if s.XScreener = f.at(3, 1.8); right(t, &s, Show, RimCut) {
		t.Error("back screen: a cut through somebody in the way is right")
	}
	if s.XScreener = f.at(2, 5.2); !right(t, &s, Show, RimCut) {
		t.Error("back screen: the way is free and the cut is wrong")
	}
}

// A drive at a big who has switched takes the side that is open, and the figure runs the
// same way.
func TestDrivesTakeTheOpenSide(t *testing.T) {
	c := highSchool(t)
	s := ballScreen.Example(c, Switch)
	f := ballScreen.frame(testFloor, &s)
	m := ballScreen.moment(testFloor, &f, &s)
	if !m.Exchanged() {
		t.Fatal("the example of a switch shows none")
	}
	i := slices.IndexFunc(ballScreen.plays, func(p playable) bool { return p.read == AttackBig })
	best := ballScreen.play(testFloor, &f, &s, &m, ballScreen.plays[i])
	for side := range sides[AttackBig] {
		g := f
		g.side = side
		if o := ballScreen.playOn(testFloor, &g, &s, &m, ballScreen.plays[i]); o.worth() > best.worth() {
			t.Errorf("side %d is open by %.2f s, the drive takes %.2f", side, o.Window, best.Window)
		}
	}
	j, err := Judge(On(c), &s)
	if err != nil {
		t.Fatal(err)
	}
	f.side = best.side
	want := cutPath(c, &f, &s, AttackBig)
	for _, track := range PlayOf(On(c), &s, j).Tracks {
		if end := track.Keys[len(track.Keys)-1].At; track.Who == "cutter" && end.Dist(want[len(want)-1]) > 0.01 {
			t.Errorf("the figure drives to %+v, the opinion to %+v", end, want)
		}
	}
	// A big who hedges does not guard the ball: there is one way past.
	h := ballScreen.Example(c, HardHedge)
	hf := ballScreen.frame(testFloor, &h)
	hm := ballScreen.moment(testFloor, &hf, &h)
	if n := ballScreen.sidesOf(&hf, &h, &hm, AttackBig); n != 1 {
		t.Errorf("%d ways past a big who hedges", n)
	}
}

// One goes in, the other goes out: a pop after a back screen ends farther from the rim, in
// range of a shot. A ghost goes away from the ball.
func TestPopsGoOut(t *testing.T) {
	c := highSchool(t)
	for _, a := range []*Action{backScreen, highPostScreen} {
		s := a.Example(c, Trail)
		f := a.frame(testFloor, &s)
		end := screenerPath(c, &f, &s, Pop)[0]
		if end.Len() < s.Screener.Len()+4 || end.Len() > c.ArcRadius+outsideArc+1e-9 {
			t.Errorf("%s: from %.1f ft the screener pops to %.1f ft", a.ID, s.Screener.Len(), end.Len())
		}
	}
	s := ghostScreen.Example(c, HardHedge)
	f := ghostScreen.frame(testFloor, &s)
	if along, _ := f.in(screenerPath(c, &f, &s, Pop)[0]); along > 0.1 {
		t.Errorf("the ghost goes %.1f ft along with the ball", along)
	}
}

// A cut behind the head goes by on the side away from the ball, and straight where nobody
// is in the way.
func TestCutsBehindTheHead(t *testing.T) {
	c := highSchool(t)
	s := roundPost.Example(c, Turned)
	path, ok := postPath(c, &s, BackCut)
	if !ok || len(path) != 2 {
		t.Fatalf("%+v", path)
	}
	if gap := path[0].Dist(s.XCutter); gap < 2 {
		t.Errorf("goes through the defender, %.1f ft away", gap)
	}
	if path[0].Dist(s.Screener) < s.XCutter.Dist(s.Screener) {
		t.Error("goes by on the ball's side")
	}
	s.XCutter = s.XCutter.Add(court.Point{X: 6, Y: 6})
	if path, _ = postPath(c, &s, BackCut); len(path) != 1 {
		t.Errorf("nobody is in the way, and the cut bends: %+v", path)
	}
}

// A back cut goes around the screener where the old defender waits behind the screen.
func TestBackCutsTakeTheFreeSide(t *testing.T) {
	s := downScreen.Example(highSchool(t), Jump)
	f := downScreen.frame(testFloor, &s)
	if at, _ := f.in(cutPath(testFloor.Court, &f, &s, BackCut)[0]); at > 0 {
		t.Error("cuts into the defender who jumped ahead")
	}
	s.XCutter, s.XScreener = f.at(-2.4, -0.4), f.at(2.2, 4.6)
	if at, _ := f.in(cutPath(testFloor.Court, &f, &s, BackCut)[0]); at < 0 {
		t.Error("cuts into the defender who stayed with the screener")
	}
}

// A picture where nothing can be played says nothing of a table.
func TestShutPicturesAreNotCompared(t *testing.T) {
	s := crossScreen.Example(highSchool(t), HighSide)
	// Everybody stands on the cutter and the screener.
	s.Velocity = Vectors{}
	s.XCutter, s.XScreener = s.Cutter.Add(court.Point{X: 1, Y: 1.2}), s.Screener.Add(court.Point{X: 1.5, Y: 0.2})
	c := CueAgreement{Cue: HighSide, Instead: map[Read]int{}}
	if !crossScreen.compare(testFloor, &s, &c) || c.Clear != 0 {
		t.Errorf("compared: %+v", c)
	}
}

// Where an age plays on a smaller court, a drive stops nearer to the ring by the same share.
func TestDrivesOnASmallerCourt(t *testing.T) {
	const share = 0.7
	s := ballScreen.Example(highSchool(t), Drop)
	f := ballScreen.frame(testFloor, &s)
	f.size.Court = share
	ends := func(read Read, side int, want float64) {
		t.Helper()
		f.side = side
		path, ok := handlerPath(&f, &s, read)
		if !ok || math.Abs(path[len(path)-1].Len()-want*share) > 0.01 {
			t.Errorf("%s on side %d goes %+v, wanted to end %.1f ft from the ring", read, side, path, want*share)
		}
	}
	ends(Floater, 0, floatAt)
	ends(Snake, 0, middle)
	ends(BackOut, 0, middle)
	ends(Through, 0, middle)
	// The last one stops in front of a big who sits back.
	x, _ := f.in(s.XScreener)
	if x < 0 {
		s.XScreener = f.at(2, -1)
	}
	ends(AttackBig, 3, floatAt)
}

// A drive after a catch can pass the defender on either side, and a shot fake goes against the way the defender runs.
func TestWaysOffACatch(t *testing.T) {
	s := closeout.Example(highSchool(t), Flying)
	f := closeout.frame(testFloor, &s)
	across := finishNear(s.Cutter).Sub(s.Cutter).Unit().Left()
	for side, sign := range []float64{1, -1} {
		f.side = side
		path, _ := catchPath(&f, &s, DriveGap)
		if d := path[0].Sub(s.XCutter); d.Dot(across)*sign < goBy-0.01 {
			t.Errorf("side %d of the gap is %+v from the defender", side, d)
		}
	}
	for _, run := range []float64{3, -3} {
		s.Velocity.Set(xCutter, across.Scale(run))
		path, _ := catchPath(&f, &s, FakeGo)
		if d := path[0].Sub(s.Cutter); d.Dot(across)*run > 0 {
			t.Errorf("the defender runs %+v, the fake goes the same way, %+v", across.Scale(run), d)
		}
	}
	s.Velocity.Set(xCutter, court.Point{})
	path, _ := catchPath(&f, &s, FakeGo)
	if path[0].Sub(s.Cutter).Dot(across)*across.X*s.Cutter.X > 0 {
		t.Errorf("from %+v the dribble by a defender who runs straight goes out to %+v", s.Cutter, path[0])
	}
}
