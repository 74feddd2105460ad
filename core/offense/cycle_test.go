package offense

import (
	"math"
	"slices"
	"testing"

	"evrik/core/court"
	"evrik/core/motion"
)

// cycleOf runs a part of the catalogue from the start of a shipped offense.
func cycleOf(t *testing.T, offense, part string, to int) (Offense, cycle) {
	t.Helper()
	o, ok := ByID(offense)
	if !ok {
		t.Fatal(offense)
	}
	f := NewFloor(highSchool(t))
	first := opening(o.Start(), f.Begin(o).At)
	c, err := f.cycle(o, &first, partByID(part), to)
	if err != nil {
		t.Fatal(err)
	}
	return o, c
}

// legsOf are the ways of an act in a cycle.
func legsOf(c *cycle, act Act) (out []leg) {
	for _, l := range c.legs {
		if l.act == act {
			out = append(out, l)
		}
	}
	return out
}

// A pass flies as fast as the pace says and then is in the catcher's hands; before, it is in
// the passer's.
func TestPassTimes(t *testing.T) {
	_, c := cycleOf(t, "cut", "cut", 1)
	pace := highSchool(t).Pace
	far := c.place[c.from].Dist(c.place[c.to])
	if math.Abs(c.catch-c.leaves-far/pace.Pass) > 1e-9 {
		t.Errorf("%.1f ft in %.2f s", far, c.catch-c.leaves)
	}
	half := c.ball((c.leaves + c.catch) / 2)
	if d := half.Dist(c.place[c.from]); math.Abs(d-far/2) > 0.1 {
		t.Errorf("half way the ball is %.1f of %.1f ft off", d, far)
	}
	if c.holder(c.leaves) != c.from || c.holder(c.catch) != c.to || c.ball(c.catch) != c.at(c.to, c.catch) ||
		c.ball(c.start) != c.place[c.from] {
		t.Error("the ball is in the wrong hands")
	}
}

// A screen stands before it is used, the second user comes later, the screener holds until
// both are by and then goes to the own spot.
func TestScreenTimes(t *testing.T) {
	o, c := cycleOf(t, "cont", "away", 1)
	screen, left := legsOf(&c, Screen)[0], legsOf(&c, leave)[0]
	users := append(legsOf(&c, Curl), legsOf(&c, Use)...)
	if len(users) != 2 {
		t.Fatalf("%d users", len(users))
	}
	for _, u := range users {
		if u.other != screen.player || u.start < screen.end+setBefore-1e-9 || u.used <= u.start ||
			left.start < u.used+screenHold-1e-9 {
			t.Errorf("set %.2f, used from %.2f to %.2f, left %.2f", screen.end, u.start, u.used, left.start)
		}
		by := u.course.At(u.used - u.start)
		if d := by.Dist(screen.path[1]); math.Abs(d-passBy) > 0.1 {
			t.Errorf("passes the screen at %.1f ft", d)
		}
	}
	if users[1].start < users[0].start+nextUser-1e-9 || legsOf(&c, Curl)[0].rim == 0 || legsOf(&c, Use)[0].rim != 0 {
		t.Errorf("%+v", users)
	}
	end := left.path[len(left.path)-1]
	if spot := c.after.spotOf(o, left.player); NewFloor(highSchool(t)).spots[spot] != end {
		t.Errorf("the screener goes to %v, not to the %s", end, spot)
	}
	top := o // which catches at the line
	top.Catch = CatchTop
	f := NewFloor(highSchool(t))
	first := opening(o.Start(), f.Begin(o).At)
	if outside, err := f.cycle(top, &first, partByID("away"), 1); err != nil ||
		len(legsOf(&outside, Use)[0].path)+1 != len(legsOf(&c, Use)[0].path) {
		t.Errorf("a catch outside: %v, %v", err, legsOf(&outside, Use)[0].path)
	}
}

// A handoff is given where the two meet, a flash and the ball arrive together, and a ball that
// stays is with the passer.
func TestOtherWaysOfTheBall(t *testing.T) {
	_, c := cycleOf(t, "free", "handoff", 1)
	carry, take := legsOf(&c, Carry)[0], legsOf(&c, Drive)[0]
	if a, b := c.at(carry.player, c.catch), c.at(take.player, c.catch); a.Dist(b) > 1.5 || take.used != c.catch ||
		c.leaves != c.catch {
		t.Errorf("at %v and %v when it is handed over", a, b)
	}
	f := NewFloor(highSchool(t))
	_, c = cycleOf(t, "entry", "denied-post", 0)
	flash := legsOf(&c, Flash)[0]
	if flash.player != c.to || c.at(c.to, c.catch).Dist(f.spots[HighPost]) > 0.5 || c.after.ball != inThePost {
		t.Errorf("the flash is at %v when the ball comes", c.at(c.to, c.catch))
	}
	cuts := legsOf(&c, Cut)
	if len(cuts) != 2 || cuts[1].start < cuts[0].end-1e-9 {
		t.Errorf("both wings cut at the same time: %+v", cuts)
	}
	_, c = cycleOf(t, "cut", "denied", 1)
	if c.from != c.to || c.after.Ball() != c.from || !slices.Contains(c.after.refused, 1) ||
		c.ball(c.catch) != c.place[c.from] {
		t.Errorf("a denied pass: from %d to %d, refused %v", c.from, c.to, c.after.refused)
	}
}

// Who has nothing to do makes room for a drive and comes back; where they stay, they stay.
func TestSlides(t *testing.T) {
	o, c := cycleOf(t, "free", "ball", 1)
	slides := legsOf(&c, slide)
	if len(slides) == 0 || len(slides)%2 != 0 {
		t.Fatalf("%d slides", len(slides))
	}
	court, _ := court.PresetCourt(court.HighSchool)
	for i := 0; i < len(slides); i += 2 {
		out, back := slides[i], slides[i+1]
		if d := out.path[1].Dist(out.path[0]); math.Abs(d-slideFeet) > 0.1 || !court.Contains(out.path[1]) {
			t.Errorf("slides %.1f ft to %v", d, out.path[1])
		}
		if back.start < out.end+slideBack-1e-9 || c.at(out.player, c.end).Dist(c.place[out.player]) > 0.1 ||
			c.toGo(out.player, c.end) > 0.1 {
			t.Errorf("player %d does not come back", out.player)
		}
	}
	o.OnDrive = Stay
	f := NewFloor(highSchool(t))
	first := opening(o.Start(), f.Begin(o).At)
	if c, err := f.cycle(o, &first, partByID("ball"), 1); err != nil || len(legsOf(&c, slide)) != 0 {
		t.Errorf("they stay, and slide %d times (%v)", len(legsOf(&c, slide)), err)
	}
}

// Nobody jumps: from one moment to the next everybody is as near as the pace allows, in every
// part of the catalogue that fits a start.
func TestNobodyJumps(t *testing.T) {
	f := NewFloor(highSchool(t))
	ran := 0
	for _, o := range Shipped() {
		for _, part := range catalogue {
			for _, to := range o.Start().targets() {
				first := opening(o.Start(), f.Begin(o).At)
				one := o
				one.Answers = []Answer{weighed(part, 1)}
				start := o.Start()
				if len(start.answers(one, to, part.On == Denied, every)) == 0 {
					continue
				}
				c, err := f.cycle(o, &first, part, to)
				if err != nil {
					continue // no spot of this offense
				}
				ran++
				for i := range five {
					for at := c.start; at < c.end; at += 0.05 {
						if d := c.at(i, at+0.05).Dist(c.at(i, at)); d > f.Pace.Top*0.05+0.01 {
							t.Fatalf("%s, %s: player %d goes %.1f ft in 0.05 s at %.2f", o.ID, part.ID, i, d, at)
						}
					}
				}
			}
		}
	}
	if ran < 60 {
		t.Errorf("%d parts were run", ran)
	}
	var still motion.Course
	if still.At(3) != (court.Point{}) || still.Took() != 0 {
		t.Error("nobody runs, and is somewhere else")
	}
}
