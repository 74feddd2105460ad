package reads

import (
	"encoding/json"
	"math/rand/v2"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"evrik/core/court"
)

// randomSnapshot puts every defender anywhere near a row's example, moving anyhow, and
// leaves out at random what a snapshot may leave out.
func randomSnapshot(rng *rand.Rand, a *Action, c court.Court) Snapshot {
	s := scattered(rng, a, a.Example(c, a.rows[rng.IntN(len(a.rows))].Cue))
	any := func() court.Point { return court.Point{X: 16*rng.Float64() - 8, Y: 16*rng.Float64() - 8} }
	for _, p := range a.Participants {
		if !p.ID.Defends() {
			continue
		}
		switch rng.IntN(4) {
		case 0:
			s.Velocity.Forget(p.ID)
		case 1:
			s.Velocity.Set(p.ID, any())
		case 2:
			s.Velocity.Set(p.ID, court.Point{})
		}
	}
	known := []Known{Unknown, Yes, No}
	s.CutterShoots, s.ScreenerShoots, s.SecondShoots = known[rng.IntN(3)], known[rng.IntN(3)], known[rng.IntN(3)]
	s.FeetSet = known[rng.IntN(3)]
	s.WeakHand = []string{"", "left", "right"}[rng.IntN(3)]
	if rng.IntN(4) == 0 {
		s.Facing = Vectors{}
	}
	return s
}

// motionTold reports whether all that the tables ask about movement is told.
func motionTold(s *Snapshot) bool {
	for _, p := range []Place{xCutter, xScreener} {
		if _, ok := s.Velocity.Of(p); !ok {
			return false
		}
	}
	a, _ := ActionByID(s.Action)
	_, looks := s.Facing.Of(xCutter)
	return looks || a.spots.eyes == nobody
}

// On random snapshots of every action no judgment contradicts itself and no sentence says
// what is not so: 2,000 of them, and 100,000 in make prove. The facts are checked from the
// places by this test, which knows nothing of the tables' conditions.
func TestJudgmentsAreTrue(t *testing.T) {
	n := 100_000
	if testing.Short() {
		n = 2000
	}
	rng := rand.New(rand.NewPCG(51, 52))
	states := map[State]int{}
	judged := 0
	for k := 0; judged < n; k++ {
		a := actions[k%len(actions)]
		s := randomSnapshot(rng, a, testFloor.Court)
		j, err := Judge(*testFloor, &s)
		if err != nil {
			continue
		}
		judged++
		states[j.State]++
		facts := factsOf(a, &s)
		wrong := func(text string) { t.Fatalf("%s: %s\n%+v\n%+v", a.ID, text, s, j) }
		if motionTold(&s) && j.State == Open {
			wrong("everything is told, and it cannot tell")
		}
		if j.State == Clearly || j.State == Closely {
			if text := facts.contradicts(j.Cue); text != "" {
				wrong(j.Cue.String() + ", but " + text)
			}
		}
		checkAccepted(a, &j, &s, wrong)
		for _, o := range j.Options {
			if o.Pass != NoPass && o.Window > 0.01 && o.Separation <= 3 || o.Window < -0.01 && o.Separation >= 3 {
				wrong("an option is open and is not: " + string(o.Read))
			}
		}
		if j.Help != nil {
			if text := facts.helpLies(j.Help); text != "" {
				wrong(text)
			}
			for _, n := range j.Accepted {
				tagged := n.Certain && j.Cue == Tag && (n.Read == CornerPass || n.Read == WingPass)
				if tagged && !slices.ContainsFunc(j.Help.Helpers, func(h Helper) bool { return h.Stepped != "" }) {
					wrong("a pass for a tag, and the help reader sees nobody step")
				}
			}
		}
	}
	t.Logf("%d snapshots: %v", judged, states)
}

// checkAccepted holds the accepted answers to the log's own rules.
func checkAccepted(a *Action, j *Judgment, s *Snapshot, wrong func(string)) {
	if (len(j.Accepted) == 0) != (j.State == NoCall) {
		wrong("no answers for a cue, or answers for none")
	}
	mine := 0
	for _, n := range j.Accepted {
		if n.Who == cutter {
			mine++
		}
		seen := Logged{Cue: n.Cue, Sign: n.Sign.ID, Read: n.Read, Role: n.Role, Shoots: s.ScreenerShoots}
		if n.Who == screener && n.Sign.ID == popper.ID && a.has(second) {
			seen.Shoots = Unknown // the two screeners compare themselves
		}
		scored, err := a.Score(TeamRules{}, seen)
		if err != nil || !scored.Correct {
			wrong("the log scores " + string(n.Read) + " wrong: " + scored.Why)
		}
	}
	most := 4
	if a.Family == OffBall {
		most = 2
	}
	if j.State == Clearly && motionTold(s) && mine > most {
		wrong("too many right answers: " + strconv.Itoa(mine))
	}
}

// facts are measures of a snapshot that a sentence can be held to.
type facts struct {
	a                 *Action
	s                 *Snapshot
	guardAhead, aside float64 // the guard ahead of the cutter, and out on the cutter's side
	bigDeeper         float64 // than the screener, in feet
	bigToBall         float64
	guardToScreen     float64
}

func factsOf(a *Action, s *Snapshot) facts {
	along := s.To.Sub(s.From).Unit()
	side := s.Cutter.Sub(s.Screener)
	side = side.Sub(along.Scale(side.Dot(along))).Unit()
	return facts{a: a, s: s, guardAhead: s.XCutter.Sub(s.Cutter).Dot(along), aside: s.XCutter.Sub(s.Screener).Dot(side),
		bigDeeper: s.Screener.Len() - s.XScreener.Len(), bigToBall: s.XScreener.Dist(s.Cutter),
		guardToScreen: s.XCutter.Dist(s.Screener)}
}

// contradicts says what is not so when a cue is told.
func (f facts) contradicts(cue Cue) string {
	if f.a.spots.free || f.a.ID == Exit && cue == Jump {
		return ""
	}
	switch cue {
	case Trail, Drop, Level:
		if f.guardAhead > 0 && f.guardToScreen > Touching {
			return "the defender is not behind"
		}
	case Under, UnderFar:
		if f.aside > 0 {
			return "the defender is on the cutter's side"
		}
	case Jump, Denied, Early, Ice:
		if f.guardAhead < 0 {
			return "the defender is not past"
		}
	case Stuck:
		if f.guardToScreen > Touching {
			return "the defender is not in the body"
		}
	case Switch:
		if f.guardToScreen > 4 || f.bigToBall > 6 {
			return "nobody has exchanged"
		}
	}
	switch {
	case cue == Drop && f.a.ID == Ball && f.bigDeeper < 4:
		return "the big is not back"
	case cue == Blitz && (f.s.XCutter.Dist(f.s.Cutter) > 4.3 || f.bigToBall > 4.3):
		return "the two are not on the ball"
	case (cue == SoftShow || cue == HardHedge) && f.bigToBall > 6:
		return "the big is not out"
	}
	return ""
}

var seconds = regexp.MustCompile(`([0-9.]+) seconds`)

// helpLies says which of the help reader's words is not so.
func (f facts) helpLies(h *Help) string {
	steps := 0
	for _, x := range h.Helpers {
		own := f.s.At(x.Who.guards())
		at := f.s.At(x.Who)
		lane := court.SegmentDist(at, f.s.Screener, court.Point{})
		switch x.Stepped {
		case "ball":
			steps++
			if at.Dist(f.s.Cutter) > 7 {
				return "a helper far from the ball has taken it"
			}
		case "roller":
			steps++
			if lane > 7 || at.Dist(own) < 9 {
				return "a helper meets the roll and does not"
			}
		default:
			if lane < 7 && at.Dist(own) > 9 {
				return "a helper stands in the roll and is not seen"
			}
		}
	}
	if strings.Contains(h.Say, "Nobody has stepped in") != (steps == 0) {
		return "who stepped is not what is said: " + h.Say
	}
	best := h.Looks[0]
	if m := seconds.FindStringSubmatch(h.Say); m != nil {
		said, _ := strconv.ParseFloat(m[1], 64)
		if !best.Open || said > best.Window || said < OpenWindow-0.1 {
			return "the window is not what is said: " + h.Say
		}
		if !strings.Contains(h.Say, best.Name) {
			return "somebody else is named: " + h.Say
		}
	}
	for _, l := range h.Looks {
		corner := false
		for _, id := range []string{"cornerR", "cornerL"} {
			spot, _ := testFloor.Court.SpotAt(id)
			corner = corner || spot.Dist(f.s.At(l.To)) < 3
		}
		if l.Name == "the corner" && !corner {
			return "somebody is called a corner who is not in one"
		}
		if l.Then == cutter {
			return "a pass back to the handler is called one more pass"
		}
		if l.Open && (l.Window < OpenWindow || l.Pass == NoPass || l.Feet < 3) {
			return "a look is open and is not"
		}
		guards := f.s.XCutter.Dist(f.s.Screener) < 2 && f.s.XCutter.Len() < f.s.Screener.Len()-1
		if v, told := f.s.Velocity.Of(xCutter); l.Kind == "roll" && l.Open && guards && told && v.Len() < 1 {
			return "the roll is open with the guard standing in it"
		}
	}
	return ""
}

// The ordinary hedge that was called a switch: without movement it is not decidable, and
// the big's movement decides it.
func TestHedgeCannotBeReadFromAStill(t *testing.T) {
	s := ballScreen.Example(highSchool(t), Drop)
	s.Cutter, s.Screener = court.Point{X: 11, Y: 17}, court.Point{X: 10.5, Y: 15}
	s.XCutter, s.XScreener = court.Point{X: 11.8, Y: 15.2}, court.Point{X: 8.5, Y: 20.5}
	s.Velocity = Vectors{}
	j, err := Judge(*testFloor, &s)
	if err != nil || j.State != Open || !slices.Contains(j.Cues, Switch) || !slices.Contains(j.Cues, HardHedge) ||
		j.Margin != 0 {
		t.Fatalf("%+v, %v", j, err)
	}
	if !strings.Contains(j.Note, "the big's next step") {
		t.Errorf("note: %q", j.Note)
	}
	f := ballScreen.frame(testFloor, &s)
	for want, move := range map[Cue][2]court.Point{
		HardHedge: {f.a.Scale(8), f.n.Scale(6)}, SoftShow: {f.a.Scale(8), f.a.Scale(3)},
		Switch: {f.origin.Unit().Scale(-5), f.a.Scale(3)},
	} {
		s.Velocity.Set(xCutter, move[0])
		s.Velocity.Set(xScreener, move[1])
		if v := Classify(testFloor, &s); v.Cue != want {
			t.Errorf("moving as %s: %s", want, v.Cue)
		}
	}
}

// Drop is never what remains: a guard three feet ahead is not on the back, and a big three
// feet from the ring still ices.
func TestCoveragesThatWereWrong(t *testing.T) {
	c := highSchool(t)
	s := sceneOf(c, Ball)
	bigBack(s)
	s.put(xCutter, cutter, 3, 0.5, 0).move(xCutter, 0, 0, 0)
	if v := Classify(testFloor, &s.Snapshot); v.Cue == Drop {
		t.Error("the guard is three feet ahead, and it is called drop")
	}
	s = sceneOf(c, Ball)
	jumpedIt(s)
	s.Put(xScreener, court.Point{X: 1.5, Y: 2.6})
	s.move(xScreener, 0, 0, 0)
	j, err := Judge(*testFloor, &s.Snapshot)
	if err != nil || j.Cue != Ice || !accepts(j, Snake) {
		t.Errorf("a big under the ring: %s, %v, %v", j.Cue, j.Accepted, err)
	}
	// Nobody near anything: no clear coverage.
	s = sceneOf(c, Ball)
	s.put(xCutter, cutter, -13, 0, 0).move(xCutter, 0, 0, 0)
	s.put(xScreener, screener, 9, 3, 0).move(xScreener, 0, 0, 0)
	if j, err := Judge(*testFloor, &s.Snapshot); err != nil || j.State != NoCall || j.Note == "" ||
		len(j.Accepted) != 0 {
		t.Errorf("nobody guards: %+v, %v", j, err)
	}
}

// Distances grow with the players and the court.
func TestDistancesGrow(t *testing.T) {
	junior, _ := court.PresetCourt("junior")
	small, big := floorOn(junior), floorOn(highSchool(t))
	small.Ages, big.Ages = "7-8", "grades 9-12"
	if a, b := small.Size(), big.Size(); !(a.Body < b.Body && a.Range < b.Range && a.Arc < b.Arc && a.Court < b.Court) {
		t.Errorf("%+v and %+v", a, b)
	}
	s := ballScreen.Example(highSchool(t), Under)
	s.CutterShoots = Unknown
	near, far := *floorOn(highSchool(t)), *floorOn(highSchool(t))
	near.Ages, far.Ages = "7-8", "grades 9-12"
	a, _ := Judge(near, &s)
	b, _ := Judge(far, &s)
	if accepts(a, ShootBehind) || !accepts(b, ShootBehind) {
		t.Errorf("the shot behind the screen: small %v, big %v", a.Accepted, b.Accepted)
	}
}

// Snapshots and links of before stay readable, and round trips keep everything.
func TestOldSnapshotsStayReadable(t *testing.T) {
	old := `{"screen":"afterfeed","from":{"x":19,"y":13.75},"to":{"x":3,"y":2},"cutter":{"x":19,"y":13.75},"screener":{"x":8,"y":6},"passer":{"x":0,"y":0},
		"xCutter":{"x":16,"y":11},"xScreener":{"x":6,"y":4},"eyes":{"x":8,"y":6},"cutterShoots":true}`
	var s Snapshot
	if err := json.Unmarshal([]byte(old), &s); err != nil {
		t.Fatal(err)
	}
	looks, told := s.Facing.Of(xCutter)
	if s.Action != AfterFeed || !told || looks != s.Screener || s.CutterShoots != Yes || s.ScreenerShoots != Unknown ||
		!s.Velocity.IsZero() {
		t.Errorf("%+v", s)
	}
	for _, a := range Actions() {
		s := a.Example(highSchool(t), a.rows[len(a.rows)-1].Cue)
		s.ScreenerShoots, s.WeakHand, s.Range = No, "left", 17
		data, err := json.Marshal(s)
		var back Snapshot
		if err2 := json.Unmarshal(data, &back); err != nil || err2 != nil || back != s {
			t.Errorf("%s: %s came back as %+v (%v %v)", a.ID, data, back, err, err2)
		}
	}
}

// After a switch off the ball the new defender's place decides what is right besides
// clearing out; coming straight with a chaser behind never is.
func TestSecondAnswersOffTheBall(t *testing.T) {
	accepted := func(s *scene, read Read) bool {
		j, err := Judge(*testFloor, &s.Snapshot)
		if err != nil {
			t.Fatal(err)
		}
		return slices.ContainsFunc(j.Accepted, func(a Accepted) bool { return a.Read == read })
	}
	inside, above := downFive(t), downFive(t)
	for s, deep := range map[*scene]float64{inside: -1.5, above: 1.5} {
		switched(s)
		at := s.XScreener
		s.Put(xScreener, at.Unit().Scale(s.Cutter.Len()+deep))
	}
	if !accepted(inside, FadeCorner) || accepted(inside, BackCut) || !accepted(inside, ClearOut) {
		t.Error("the new defender is inside: fade or clear out, no back cut")
	}
	if !accepted(above, BackCut) || accepted(above, FadeCorner) || !accepted(above, StepBall) {
		t.Error("the new defender is above: back cut, and the screener steps to the ball")
	}
	back := sceneOf(highSchool(t), Back)
	switched(back)
	back.Put(xScreener, back.XScreener.Unit().Scale(back.Cutter.Len()-1.5))
	if j, err := Judge(*testFloor, &back.Snapshot); err != nil || j.Cue != Switch || !accepted(back, StepOut) {
		t.Errorf("back screen, the new defender dropped inside: %s, %v, %v", j.Cue, j.Accepted, err)
	}
	for id, at := range map[string]bool{Down: false, Pin: false, FlareS: false, Stagger: false, First: true} {
		a, _ := ActionByID(id)
		s := sceneOf(highSchool(t), id)
		s.Snapshot = a.Example(highSchool(t), Trail)
		if accepted(s, Straight) != at {
			t.Errorf("%s: straight with a chaser behind counts as right: %v", id, !at)
		}
	}
}
