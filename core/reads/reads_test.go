package reads

import (
	"errors"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"evrik/core/court"
)

func highSchool(t testing.TB) court.Court {
	t.Helper()
	c, ok := court.PresetCourt(court.HighSchool)
	if !ok {
		t.Fatal("no high-school court")
	}
	return c
}

func down(t testing.TB, cue Cue) (court.Court, Snapshot) {
	t.Helper()
	c := highSchool(t)
	return c, downScreen.Example(c, cue)
}

// Every row of the down screen from geometry: place the defenders as the cue
// describes, relative to cutter, screener and rim, and expect the read (common
// practice, no source). The places are not the engine's own examples.
func TestDownScreenRows(t *testing.T) {
	for _, preset := range court.Presets() {
		base := downScreen.Example(preset.Court, NoCue)
		up := base.To.Sub(base.From).Unit()              // along the cut
		rimward := base.Screener.Scale(-1).Unit()        // from the screener to the rim
		hip := base.Cutter.Sub(up.Scale(2.8))            // behind the cutter on the way
		withOwn := base.Screener.Add(rimward.Scale(3.2)) // the screener's defender guards the screener
		inTheWay := base.Cutter.Add(up.Scale(3)).Sub(rimward.Scale(0.5))
		for _, tc := range []struct {
			name     string
			x, xs    court.Point
			cue      Cue
			cut, scr Read
		}{
			{"behind the hip", hip, withOwn, Trail, Curl, Pop},
			{"in the screener's body", base.Screener.Sub(up.Scale(1.3)), withOwn, Stuck, Straight, Shape},
			{"rim side", base.Screener.Add(rimward.Scale(2.9)), withOwn.Add(up.Scale(-2)), Under, Fade, Rescreen},
			{"past the screen", base.Cutter.Add(up.Scale(3)), withOwn, Jump, BackCut, StepBall},
			{"the screener's defender takes the cutter, the cutter's stays", base.Screener.Add(rimward.Scale(2)),
				inTheWay, Switch, ClearOut,
				Split},
			{"the screener's defender steps out, the cutter's chases", hip, inTheWay, Show, Keep, Slip},
		} {
			s := base
			s.XCutter, s.XScreener = tc.x, tc.xs
			a, err := Judge(On(preset.Court), &s)
			if err != nil {
				t.Errorf("%s on %s: %v", tc.name, preset.ID, err)
				continue
			}
			if a.Cue != tc.cue || a.Row.CutterRead != tc.cut || a.Row.ScreenerRead != tc.scr {
				t.Errorf("%s on %s: %s -> %s / %s, want %s -> %s / %s", tc.name, preset.ID,
					a.Cue, a.Row.CutterRead, a.Row.ScreenerRead, tc.cue, tc.cut, tc.scr)
			}
			if a.Why == "" || a.Row.Say == "" || strings.Contains(a.Why, "NaN") {
				t.Errorf("%s: no sentence", tc.name)
			}
		}
	}
}

func TestExamplesAreClearOnEveryCourtAndSide(t *testing.T) {
	for _, screen := range Actions() {
		for _, p := range court.Presets() {
			for _, row := range screen.Rows(TeamRules{}) {
				cue := row.Cue
				s := screen.Example(p.Court, cue)
				m := s.Mirror()
				for _, sit := range []Snapshot{s, m} {
					a, err := Judge(On(p.Court), &sit)
					if err != nil || a.Cue != cue || a.Margin < 1 {
						t.Errorf("%s on %s, %s %s: cue %s margin %.2f err %v", screen.ID, p.ID, sit.Side(), cue, a.Cue,
							a.Margin, err)
					}
				}
				if s.Side() != "right" || m.Side() != "left" {
					t.Errorf("%s on %s: sides %s, %s", screen.ID, p.ID, s.Side(), m.Side())
				}
			}
		}
	}
}

// Every off-ball screen from geometry: for each the test says itself, in court
// directions, on which side the cutter goes by, places the defenders as the
// cue is described and expects the read that coaches teach (common practice,
// no source).
func TestEveryScreenFromGeometry(t *testing.T) {
	low := map[Cue]Read{Trail: Straight, Stuck: Straight, Under: Straight, Jump: BackCut, Switch: ClearOut, Show: Keep}
	usual := map[Cue]Read{Trail: Curl, Stuck: Straight, Under: Fade, Jump: BackCut, Switch: ClearOut, Show: Keep}
	toRim := map[Cue]Read{Trail: RimCut, Stuck: RimCut, Under: StepOut, Jump: StepOut, Switch: ClearOut, Show: Keep}
	for id, tc := range map[string]struct {
		side  court.Point // where the cutter goes by, from the screener, on the right half
		reads map[Cue]Read
	}{
		Away: {court.Point{X: 1, Y: 1}, usual}, Down: {court.Point{X: 1, Y: 1}, usual},
		Pin:    {court.Point{X: 1, Y: -1}, usual},
		FlareS: {court.Point{X: 1, Y: 1}, usual}, Exit: {court.Point{X: 0, Y: -1}, low},
		Hammer: {court.Point{X: 1, Y: 0}, map[Cue]Read{Trail: Straight, Stuck: Straight, Under: Straight, Jump: BackCut,
			Switch: ClearOut, Show: Keep}},
		Back: {court.Point{X: -1, Y: 1}, toRim}, High: {court.Point{X: 1, Y: 0}, toRim},
	} {
		screen, ok := ActionByID(id)
		if !ok {
			t.Fatalf("no screen %q", id)
		}
		c := highSchool(t)
		base := screen.Example(c, NoCue)
		on := base.To.Sub(base.From).Unit() // along the cut
		by := on.Left()
		if by.Dot(tc.side) < 0 {
			by = by.Scale(-1)
		}
		if base.Cutter.Sub(base.Screener).Dot(by) <= 0 {
			t.Errorf("%s: the cutter goes by on the wrong side", id)
		}
		behind, far, ahead := on.Scale(-3), by.Scale(-3.4), on.Scale(3)
		hisMan := base.Screener.Add(far).Add(on.Scale(-2.5))
		inTheWay := base.Cutter.Add(ahead)
		for cue, places := range map[Cue][2]court.Point{
			Trail:  {base.Cutter.Add(behind), hisMan},
			Stuck:  {base.Screener.Add(on.Scale(-1.3)), hisMan},
			Under:  {base.Screener.Add(far).Add(on.Scale(1)), hisMan},
			Jump:   {base.Cutter.Add(ahead), hisMan},
			Switch: {base.Screener.Add(by.Scale(-1.8)), inTheWay},
			Show:   {base.Cutter.Add(behind), inTheWay},
		} {
			s := base
			if s.XCutter, s.XScreener = places[0], places[1]; id == Exit && cue == Under {
				s.XCutter = base.Screener.Add(far).Add(on.Scale(-1.5)) // ahead of the cutter, denying the corner
			}
			a, err := Judge(On(c), &s)
			if err != nil || a.Cue != cue || a.Row.CutterRead != tc.reads[cue] {
				t.Errorf("%s: placed as %s, judged %s -> %s, want %s (%v)", id, cue, a.Cue, a.Row.CutterRead,
					tc.reads[cue], err)
			}
		}
	}
}

func TestSchoolChangesAnswerAndSentence(t *testing.T) {
	c, under := down(t, Under)
	_, jump := down(t, Jump)
	judge := func(s Snapshot, rules TeamRules) Judgment {
		a, err := Judge(On(c).With(rules), &s)
		if err != nil {
			t.Fatal(err)
		}
		return a
	}
	if a, b := judge(under, TeamRules{}), judge(under, TeamRules{FadeToCorner: true}); a.Row.Say == b.Row.Say ||
		b.Row.CutterRead != FadeCorner {
		t.Errorf("under: %q and %q", a.Row.Say, b.Row.Say)
	}
	if a, b := judge(jump, TeamRules{}), judge(jump, TeamRules{FlareFirst: true}); a.Row.CutterRead != BackCut ||
		b.Row.CutterRead != Flare {
		t.Errorf("jump: %s and %s", a.Row.CutterRead, b.Row.CutterRead)
	}
	rows := downScreen.Rows(TeamRules{FlareFirst: true})
	if len(rows) != len(Cues()) || rows[3].CutterRead != Flare ||
		downScreen.Rows(TeamRules{})[3].CutterRead != BackCut {
		t.Error("a team's rows must not change the table itself")
	}
}

func TestMirrorSymmetry(t *testing.T) {
	c := highSchool(t)
	rng := rand.New(rand.NewPCG(1, 2))
	for k := range 8000 {
		screen := actions[k%len(actions)]
		s := scattered(rng, screen, screen.Example(c, screen.rows[k%len(screen.rows)].Cue))
		m := s.Mirror()
		v, w := Classify(testFloor, &s), Classify(testFloor, &m)
		if v.Cue != w.Cue || math.Abs(v.Margin-w.Margin) > 1e-9 {
			t.Fatalf("%+v: %+v, mirrored %+v", s, v, w)
		}
	}
}

// scattered returns a valid-looking snapshot with every defender anywhere near
// where the example has them.
func scattered(rng *rand.Rand, screen *Action, s Snapshot) Snapshot {
	for _, p := range screen.Participants {
		if p.ID.Defends() {
			s.Put(p.ID, s.At(p.ID).Add(court.Point{X: rng.Float64()*12 - 6, Y: rng.Float64()*12 - 6}))
		}
	}
	return s
}

// The margin is what it claims: nobody who moves by less than it changes the
// cue, and a move not much longer in some direction does. The check walks
// circles round every defender and knows nothing of the tables' conditions.
func TestMarginIsTheDistanceToAnotherCue(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 4))
	pictures, directions := 60, 180
	if testing.Short() {
		pictures, directions = 40, 60
	}
	// At a corner of two boundaries the true distance is up to the square root
	// of two longer than the margin; where three meet a little more.
	const understated, step = 1.6, 0.05
	for _, screen := range Actions() {
		var late, exact int
		for range pictures {
			s := scattered(rng, screen, screen.Example(highSchool(t), screen.rows[rng.IntN(len(screen.rows))].Cue))
			v := Classify(testFloor, &s)
			f := screen.frame(testFloor, &s)
			if v.Margin > 6 || !v.By.Defends() {
				continue // nobody's move on defense decides where a drive goes
			}
			changed := false
			for k := range directions {
				angle := 2 * math.Pi * float64(k) / float64(directions)
				d := court.Point{X: math.Cos(angle), Y: math.Sin(angle)}
				for _, p := range screen.Participants {
					if !p.ID.Defends() {
						continue
					}
					in, out := s, s
					in.Put(p.ID, s.At(p.ID).Add(d.Scale(v.Margin*0.999)))
					out.Put(p.ID, s.At(p.ID).Add(d.Scale(v.Margin*understated+step)))
					if c := Classify(testFloor, &in).Cue; c != v.Cue {
						t.Fatalf("%s: moving %s %.3f ft inside a margin of %.3f changes %s to %s\n%+v", screen.ID,
							p.Word, v.Margin*0.999, v.Margin, v.Cue, c, s)
					}
					changed = changed || Classify(testFloor, &out).Cue != v.Cue
				}
			}
			late++
			if changed && screen.next(&s, &f, &v) != v.Cue {
				exact++
			}
		}
		// A head that turns is not a move: those margins are about turning.
		if screen.spots.eyes == nobody && exact < late*85/100 {
			t.Errorf("%s: only %d of %d margins are near the true distance", screen.ID, exact, late)
		}
	}
}

func TestLateCueAcceptsBothReads(t *testing.T) {
	c, s := down(t, Trail)
	f := newFrame(&s)
	s.XCutter = (&f).at(-3.4, 0.2) // a hand's breadth from going under
	a, err := Judge(On(c), &s)
	if err != nil {
		t.Fatal(err)
	}
	if !(a.State == Closely) || a.Cue != Trail || a.Next != Under || !accepts(a, Curl) || !accepts(a, Fade) {
		t.Errorf("late answer: %+v", a)
	}
	if !strings.Contains(a.Note, "trail or under") {
		t.Errorf("note: %q", a.Note)
	}
	s.XCutter = f.at(-3.4, 1.4)
	if a, _ = Judge(On(c), &s); a.State != Clearly || a.Note != "" || accepts(a, Fade) {
		t.Errorf("clear answer: %+v", a)
	}
}

func TestPositionsThatCannotBeJudged(t *testing.T) {
	c, base := down(t, Trail)
	cases := []struct {
		name   string
		change func(*Snapshot)
		want   string
	}{
		{"not a number", func(s *Snapshot) { s.XCutter.X = math.NaN() }, "reads.place-no-number"},
		{"infinite", func(s *Snapshot) { s.To.Y = math.Inf(-1) }, "reads.place-no-number"},
		{"off the court", func(s *Snapshot) { s.XScreener = court.Point{X: 40, Y: 3} }, "reads.off-court"},
		{"two on one spot", func(s *Snapshot) { s.XCutter = s.Screener }, "reads.on-one-spot"},
		{"all on one spot", func(s *Snapshot) {
			p := s.Cutter
			s.Screener, s.Passer, s.XCutter, s.XScreener = p, p, p, p
		}, "reads.on-one-spot"},
		{"no direction", func(s *Snapshot) { s.From = s.To }, "reads.no-direction"},
		{"too early", func(s *Snapshot) { s.Cutter = s.Cutter.Toward(s.From, 9) }, "reads.cutter-short"},
		{"too late", func(s *Snapshot) { s.Cutter = s.Cutter.Toward(s.To, 9) }, "reads.cutter-past"},
		{"far from the screen", func(s *Snapshot) { f := newFrame(s); s.Cutter = f.at(0, 7) },
			"reads.not-using-screen"},
		{"unknown action", func(s *Snapshot) { s.Action = "moon" }, "reads.action"},
		{"too fast", func(s *Snapshot) { s.Velocity.Set(xCutter, court.Point{Y: MostSpeed + 1}) }, "reads.too-fast"},
		{"shoots from another hall", func(s *Snapshot) { s.Range = 100 }, "reads.shooting-range"},
		{"shoots from less than nowhere", func(s *Snapshot) { s.Range = -1 }, "reads.shooting-range"},
		{"weak in a third hand", func(s *Snapshot) { s.WeakHand = "third" }, "reads.weak-hand"},
	}
	for _, tc := range cases {
		s := base
		tc.change(&s)
		_, err := Judge(On(c), &s)
		if !errors.Is(err, ErrPlaces) || !strings.Contains(err.Error(), tc.want) {
			t.Errorf("%s: %v, want it to say %q", tc.name, err, tc.want)
		}
	}
}

func TestReadMapAgreesWithClassifier(t *testing.T) {
	_, s := down(t, Trail)
	for _, mover := range []Place{xCutter, xScreener} {
		m := MapOf(testFloor, &s, mover)
		seen := map[byte]bool{}
		for i := range m.Cues {
			seen[m.Cues[i]] = true
			if i%37 != 0 {
				continue
			}
			q := s
			p := m.Origin.Add(court.Point{X: (float64(i%m.Cols) + 0.5) * m.Cell, Y: (float64(i/m.Cols) + 0.5) * m.Cell})
			if mover == xCutter {
				q.XCutter = p
			} else {
				q.XScreener = p
			}
			v := Classify(testFloor, &q)
			if m.cue(i) != v.Cue || int(m.Margins[i]) != int(math.Min(255, v.Margin*10)) {
				t.Fatalf("cell %d: map says %c %d, classifier %s %.2f", i, m.Cues[i], m.Margins[i], v.Cue, v.Margin)
			}
		}
		if mover == xCutter && len(seen) != 5 {
			t.Errorf("X-cutter's map shows %d cues, want the four of the cutter's defender and none far away",
				len(seen))
		}
		if mover == xScreener && len(seen) != 2 {
			t.Errorf("X-screener's map shows %d cues, want two", len(seen))
		}
	}
}

// A defender's map covers every place where an example puts that defender, on both sides of the floor.
func TestMapsReachTheExamples(t *testing.T) {
	for _, preset := range court.Presets() {
		for _, a := range Actions() {
			for _, row := range a.rows {
				right := a.Example(preset.Court, row.Cue)
				for _, s := range []Snapshot{right, right.Mirror()} {
					for _, who := range a.Participants {
						from := s.At(who.ID).Sub(a.mapMiddle(preset.Court, &s, who.ID))
						if who.ID.Defends() && (math.Abs(from.X) > MapCols*MapCell/2 || math.Abs(from.Y) > MapRows*MapCell/2) {
							t.Errorf("%s %s on %s: the map of %s is not there, %+v from its middle", a.ID, row.Cue, preset.ID,
								who.ID, from)
						}
					}
				}
			}
		}
	}
}

func TestPlayEndsWhereTheReadSays(t *testing.T) {
	c := highSchool(t)
	rim := map[Read]bool{Curl: true, BackCut: true, RimCut: true}
	three := map[Read]bool{Fade: true, Flare: true, StepOut: true}
	for _, screen := range Actions() {
		for _, row := range screen.Rows(TeamRules{}) {
			cue := row.Cue
			for _, rules := range []TeamRules{{}, {FadeToCorner: true, FlareFirst: true}} {
				s := screen.Example(c, cue)
				m := s.Mirror()
				a, err := Judge(On(c).With(rules), &s)
				if err != nil {
					t.Fatal(err)
				}
				name := screen.ID + " " + cue.String()
				p, q := PlayOf(On(c), &s, a), PlayOf(On(c), &m, a)
				if len(p.Tracks) != len(screen.Participants)+1 || len(p.Steps) != 5 {
					t.Fatalf("%s: %d tracks, %d steps", name, len(p.Tracks), len(p.Steps))
				}
				for i, tr := range p.Tracks {
					for k, key := range tr.Keys {
						if !key.At.Finite() || !c.Contains(key.At) || key.T > p.Duration ||
							(k > 0 && key.T < tr.Keys[k-1].T) {
							t.Errorf("%s: %s key %d is %+v", name, tr.Who, k, key)
						}
						if w := q.Tracks[i].Keys[k]; w.At.Dist(key.At.Mirror()) > 1e-9 || math.Abs(w.T-key.T) > 1e-9 {
							t.Errorf("%s: %s is not mirrored", name, tr.Who)
						}
					}
				}
				end := p.Tracks[0].Keys[len(p.Tracks[0].Keys)-1].At
				if rim[a.Row.CutterRead] && screen.spots.curlTo == "" && end.Len() > 6 {
					t.Errorf("%s: %s ends %.1f ft from the ring", name, a.Row.CutterRead, end.Len())
				}
				if three[a.Row.CutterRead] && c.InsideArc(end) {
					t.Errorf("%s: %s ends inside the arc at %+v", name, a.Row.CutterRead, end)
				}
			}
		}
	}
	if p := PlayOf(On(c), &Snapshot{Action: "moon"}, Judgment{}); len(p.Tracks) != 0 {
		t.Error("an unknown screen was played")
	}
}

func TestWords(t *testing.T) {
	for c := Trail; c < numCues; c++ {
		b, _ := c.MarshalText()
		var back Cue
		if err := back.UnmarshalText(b); err != nil || back != c {
			t.Errorf("%s does not survive its text", c)
		}
	}
	if c, ok := ParseCue("moon"); ok || c != NoCue || Cue(200).String() != "none" {
		t.Error("unknown cues must be none")
	}
	for _, s := range Actions() {
		for _, r := range s.Rows(TeamRules{}) {
			for role, id := range map[Role]Read{s.Roles[0]: r.CutterRead, s.Roles[1]: r.ScreenerRead} {
				if info, ok := Info(id); !ok || info.Role != role {
					t.Errorf("%s %s: read %q is not a %s's", s.ID, r.Cue, id, role)
				}
			}
			if r.Say == "" || len(r.Mistakes) == 0 || r.Seen == "" {
				t.Errorf("%s %s has no words", s.ID, r.Cue)
			}
		}
	}
}

func BenchmarkClassify(b *testing.B) {
	_, s := down(b, Trail)
	b.ReportAllocs()
	for b.Loop() {
		Classify(testFloor, &s)
	}
}

func BenchmarkReadMap(b *testing.B) {
	_, s := down(b, Trail)
	for b.Loop() {
		MapOf(testFloor, &s, xCutter)
	}
}

func TestClassifyDoesNotAllocate(t *testing.T) {
	_, s := down(t, Show)
	if n := testing.AllocsPerRun(100, func() { Classify(testFloor, &s) }); n != 0 {
		t.Errorf("%v allocations per classification", n)
	}
}
