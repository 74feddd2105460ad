package reads

import (
	"math"
	"slices"
	"testing"

	"evrik/core/court"
)

// Who has the ball at the end of each read, as it is taught (common practice, no
// source): the test says it in its own words for every row of every table.
func TestWhoEndsWithTheBall(t *testing.T) {
	c := highSchool(t)
	others := map[string]map[Cue]Place{
		Ball:       {Tag: one, HardHedge: screener, Blitz: screener},
		BallExit:   {Tag: one, HardHedge: screener, Blitz: screener},
		StepUp:     {HardHedge: screener},
		Ghost:      {HardHedge: screener, Switch: screener},
		DoubleHigh: {TagLow: second, HardHedge: screener},
		Handoff:    {Hedge: screener, Blitz: screener},
		Changes:    {Waits: screener},
		RoundPost:  {Still: screener},
		FeedPost:   {Behind: screener, Fronted: screener, Helped: second},
		CloseOut:   {Balanced: one},
		Cross:      {Switch: screener},
		Curled:     {LowHelp: one, BigUp: screener}, CaughtStraight: {Balanced: one, BigUp: screener},
		NotThrown: {Denied: screener},
		DriveWing: {MidDrive: passer, BaseDrive: passer, Stopped: passer}, DriveTop: {MidDrive: passer},
		DrivePost: {MidDrive: passer, BaseDrive: passer},
		BackDown:  {HelpsLow: second, HelpsHigh: screener},
		ZoneTop:   {GapShut: one, MidLow: screener}, ZoneWing: {MidLow: screener, MidUp: second, BottomUp: one},
	}
	for _, screen := range Actions() {
		for _, row := range screen.rows {
			want, special := others[screen.ID][row.Cue]
			if !special {
				want = cutter
				if screen.Family == OffBall && (row.Cue == Switch || row.Cue == Show) {
					want = screener
				}
			}
			s := screen.Example(c, row.Cue)
			a, err := Judge(On(c), &s)
			if err != nil {
				t.Fatal(err)
			}
			if got := screen.ballTo(&s, a.Row.CutterRead); got != want {
				t.Errorf("%s %s: the ball ends with %s, want %s", screen.ID, row.Cue, got, want)
			}
			// The play says the same: at its end ball and receiver are together.
			p := PlayOf(On(c), &s, a)
			ends := map[string]court.Point{}
			for _, track := range p.Tracks {
				ends[track.Who] = track.Keys[len(track.Keys)-1].At
			}
			if gap := ends["ball"].Dist(ends[want.String()]); gap > 0.01 {
				t.Errorf("%s %s: the ball ends %.1f ft from %s", screen.ID, row.Cue, gap, want)
			}
		}
	}
}

// Every read of every table has a way: finite, on the floor, mirrored on the
// other side; threes end behind the line, finishes at the rim, and a pull-up
// stops short of the big.
func TestWaysOfEveryRead(t *testing.T) {
	for _, preset := range court.Presets() {
		for _, screen := range Actions() {
			for _, row := range screen.rows {
				s := screen.Example(preset.Court, row.Cue)
				m := s.Mirror()
				f, g := screen.frame(testFloor, &s), screen.frame(testFloor, &m)
				check := func(whose string, here, there []court.Point) {
					if len(here) != len(there) {
						t.Fatalf("%s %s %s: %d legs, mirrored %d", screen.ID, row.Cue, whose, len(here), len(there))
					}
					for i, p := range here {
						if !p.Finite() || !preset.Court.Contains(p) || p.Mirror().Dist(there[i]) > 1e-9 {
							t.Errorf("%s %s on %s, %s: leg %d to %+v, mirrored %+v", screen.ID, row.Cue, preset.ID,
								whose, i, p, there[i])
						}
					}
				}
				check("cutter", cutPath(preset.Court, &f, &s, row.Cutter[0].Read),
					cutPath(preset.Court, &g, &m, row.Cutter[0].Read))
				check("screener", screenerPath(preset.Court, &f, &s, row.Screener[0].Read),
					screenerPath(preset.Court, &g, &m, row.Screener[0].Read))
			}
		}
	}
	c := highSchool(t)
	s := ballScreen.Example(c, Drop)
	f := ballScreen.frame(testFloor, &s)
	for _, big := range []float64{-4, -7, -12} {
		s.XScreener = f.at(2.5, big)
		end := cutPath(c, &f, &s, PullUp)
		if room := end[len(end)-1].Dist(s.XScreener); room < roomToShoot-1e-9 && end[len(end)-1] != end[0] {
			t.Errorf("big %.0f ft below the screen: pulls up %.1f ft in front of the big", -big, room)
		}
	}
	if end := cutPath(c, &f, &s, Snake); math.Abs(end[1].Len()-middle) > 1e-9 {
		t.Errorf("a snake ends %.1f ft from the ring, taught are 15 to 17", end[1].Len())
	}
	h := handoffScreen.Example(c, Under)
	hf := handoffScreen.frame(testFloor, &h)
	if end := cutPath(c, &hf, &h, ShootBehind); hf.origin.Dist(end[0]) > 4 {
		t.Errorf("the shot behind a handoff is %.1f ft from the carrier", hf.origin.Dist(end[0]))
	}
}

// Tape marks: both sides, on the floor, one for each screener, none where nobody
// sets a screen; the lengths are square to the lines.
func TestTapeMarksOfScreens(t *testing.T) {
	for _, p := range court.Presets() {
		for _, screen := range Actions() {
			marks := screen.TapeMarks(p.Court, false)
			want := 0
			for _, person := range screen.Participants {
				if person.Screens && !screen.spots.free {
					want += 2
				}
			}
			if len(marks) != want {
				t.Errorf("%s: %d marks, want %d", screen.ID, len(marks), want)
			}
			if name := "Right " + lowerFirst(screen.Name); want > 0 && !slices.ContainsFunc(marks,
				func(m court.Mark) bool { return m.Name == name }) {
				t.Errorf("no mark is called %q: %+v", name, marks)
			}
			for i, m := range marks {
				if !m.Screen || !p.Court.Contains(m.At) || m.FromBaseline == "" ||
					(m.Sideline == "left") != (m.At.X < 0) {
					t.Errorf("%s: %+v", screen.ID, m)
				}
				if i%2 == 1 && (marks[i-1].At.Mirror() != m.At || marks[i-1].FromSideline != m.FromSideline) {
					t.Errorf("%s: left and right differ: %+v %+v", screen.ID, marks[i-1], m)
				}
			}
		}
	}
}

// A sketch shows the snapshot: everything on the floor, the cut of some length.
func TestSketches(t *testing.T) {
	c := highSchool(t)
	list := Sketched()
	if len(list) != len(Actions()) {
		t.Fatalf("%d sketches", len(list))
	}
	for _, s := range list {
		k := s.Sketch
		for _, p := range append(k.Others, k.From, k.To, k.Screener, k.Ball) {
			if !c.Contains(p) {
				t.Errorf("%s: %+v is off the floor", s.ID, p)
			}
		}
		others, screens := 0, false
		for _, who := range s.Participants {
			screens = screens || who.Screens && who.ID == screener
			if !who.ID.Defends() && who.ID != cutter && who.ID != screener && who.ID != passer {
				others++
			}
		}
		if len(k.Others) != others || k.Set != screens {
			t.Errorf("%s: %d besides the cut, the screen and the ball, want %d; a screen is drawn: %v, want %v", s.ID,
				len(k.Others), others, k.Set, screens)
		}
		if k.From.Dist(k.To) < 4 {
			t.Errorf("%s: a cut of %.1f ft is not seen", s.ID, k.From.Dist(k.To))
		}
	}
	if downScreen.Sketch != nil {
		t.Error("the table itself was changed")
	}
}
