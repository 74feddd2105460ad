package reads

import (
	"fmt"
	"math"

	"evrik/core/court"
)

// Figures of a well-set screen, in feet.
const (
	// Daylight is what may be seen between cutter and screener (assumption: half
	// a foot; coaches ask for none).
	Daylight = 0.5
	// MissBody is how far past the screener's body the defender's way may run
	// before the screen misses him (assumption).
	MissBody = 1.0
	// OneStep is the normal step left to an opponent who cannot see the screen
	// (NFHS Rule 4-40 and FIBA Art. 33, from memory; taken as 3 ft: assumption).
	OneStep = 3.0
	// TwoStrides is the distance left to a moving opponent (NFHS Rule 4-40 and
	// FIBA Art. 33, from memory: one to two strides; taken as 6 ft: assumption).
	TwoStrides = 6.0
	// LoopSlack is how much longer than straight a screener's way out may be
	// (assumption).
	LoopSlack = 1.0
	// SpacingLeast and SpacingWanted are the distances between neighbours
	// (common practice, no source).
	SpacingLeast, SpacingWanted = 12.0, 15.0
	// BackSlack is by how many degrees a screener's back may point away from
	// where it should (assumption).
	BackSlack = 40.0
	// MostInside is how many attackers may be inside the arc (common practice:
	// rarely two, never three).
	MostInside = 2
	// ToeRoom is how far behind the line a catch for three must be; less is toes
	// on the line (assumption: what a 0.90 m corner corridor leaves a player).
	ToeRoom = 0.75
)

// Check is one thing a coach looks at in a screen, judged from where people stand.
type Check struct {
	ID string `json:"id"`
	OK bool   `json:"ok"`
	// Feet is the measure behind the sentence; for a back's angle it is degrees,
	// for bodies their number.
	Feet float64 `json:"feet"`
	Text string  `json:"text"`
}

// Mechanics judges how a screen is set and used, and how the floor is spread, in
// a valid situation.
func Mechanics(c court.Court, s *Situation) []Check {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return nil
	}
	out := []Check{}
	if !screen.spots.free {
		out = append(out, daylight(s), meetsBody(s), backTo(c, screen, s))
		if screen.spots.blind {
			out = append(out, blindSide(s))
		} else if screen.Family == OffBall {
			out = append(out, timeAndDistance(s))
		}
	}
	if screen.Family == OffBall {
		out = append(out, spacing(s), lane(s), behindLine(c, s))
	}
	if screen.Family == OffBall && !screen.spots.free && Classify(s).Cue == Under {
		out = append(out, stopBehind(s))
	}
	if cue := Classify(s).Cue; screen.Family == OffBall && s.Exit != (court.Point{}) && (cue == Switch || cue == Show) {
		out = append(out, straightOut(s))
	}
	if spread := neighbours(screen, s); spread.Text != "" {
		out = append(out, spread, bodiesInside(c, screen, s), toes(c, screen, s))
	}
	return out
}

// backTo is by how many degrees the screener's back points away from where it
// should: to the catch, or where the table says.
func backTo(c court.Court, screen *Screen, s *Situation) Check {
	wanted := s.To
	if at, ok := c.SpotAt(screen.spots.back); ok {
		wanted = at
		if s.onLeft() {
			wanted = at.Mirror()
		}
	}
	off := angle(s.Back.Sub(s.Screener), wanted.Sub(s.Screener)) * 180 / math.Pi
	if s.Back == (court.Point{}) {
		off = 0 // nothing was said about it
	}
	k := Check{ID: "back", OK: off <= BackSlack, Feet: off, Text: "The screener's back points where it should."}
	if !k.OK {
		k.Text = fmt.Sprintf("The screener's back is turned %.0f degrees off: turn it to where the catch is.", off)
	}
	return k
}

// spacers are the attackers who are not in the action and must give it room.
func (sc *Screen) spacers() []Place {
	var out []Place
	for _, p := range sc.People {
		if p.ID >= second && p.ID <= three && !p.Screens {
			out = append(out, p.ID)
		}
	}
	return out
}

// neighbours is the least distance of somebody off the action to a teammate.
func neighbours(sc *Screen, s *Situation) Check {
	least, first, other := math.Inf(1), nobody, nobody
	for _, a := range sc.spacers() {
		for _, q := range sc.People {
			if q.ID == a || q.ID == screener || q.ID.Defends() {
				continue
			}
			if d := s.At(a).Dist(s.At(q.ID)); d < least {
				least, first, other = d, a, q.ID
			}
		}
	}
	if first == nobody {
		return Check{}
	}
	k := Check{ID: "spread", Feet: least, OK: least >= SpacingLeast, Text: fmt.Sprintf("The floor is spread: at least %.0f ft between neighbours.", least)}
	switch {
	case least < SpacingLeast:
		k.Text = fmt.Sprintf("Only %.0f ft between %s and %s: one man guards both.", least, sc.word(first), sc.word(other))
	case least < SpacingWanted:
		k.Text = fmt.Sprintf("%.0f ft between %s and %s: %.0f would be better.", least, sc.word(first), sc.word(other), SpacingWanted)
	}
	return k
}

// bodiesInside counts attackers inside the arc.
func bodiesInside(c court.Court, sc *Screen, s *Situation) Check {
	n := 0
	for _, p := range sc.People {
		if !p.ID.Defends() && c.InsideArc(s.At(p.ID)) {
			n++
		}
	}
	k := Check{ID: "inside", Feet: float64(n), OK: n <= MostInside, Text: fmt.Sprintf("%d inside the arc: there is room.", n)}
	if !k.OK {
		k.Text = fmt.Sprintf("%d attackers inside the arc: never three; somebody clears out.", n)
	}
	return k
}

// stopBehind is by how many feet the line from the defender who went under to
// the cutter misses the screener: who stops off to an angle lets him through.
func stopBehind(s *Situation) Check {
	miss := math.Max(0, court.SegmentDist(s.Screener, s.XCutter, s.Cutter)-2*BodyRadius)
	k := Check{ID: "stop", OK: miss == 0, Feet: miss, Text: "The screener stands between him and his man."}
	if !k.OK {
		k.Text = fmt.Sprintf("Stopped at an angle: his man slips past the screener by %.1f ft. Straight behind the back.", miss)
	}
	return k
}

// toes is how far behind the three-point line the nearest to it of those who
// space the floor stands; those inside it are counted elsewhere.
func toes(c court.Court, sc *Screen, s *Situation) Check {
	least, who := math.Inf(1), nobody
	for _, p := range sc.spacers() {
		if behind := c.BehindArc(s.At(p)); behind >= 0 && behind < least {
			least, who = behind, p
		}
	}
	k := Check{ID: "standoff", OK: true, Text: "Nobody spaces the floor from outside the line."}
	if who == nobody {
		return k
	}
	k.Feet, k.OK, k.Text = least, least >= ToeRoom, fmt.Sprintf("Off the line by %.1f ft or more.", least)
	if !k.OK {
		k.Text = fmt.Sprintf("%s has his toes on the line: a step back costs his man two.", upper(sc.word(who)))
	}
	return k
}

// daylight is the gap between cutter and screener.
func daylight(s *Situation) Check {
	gap := math.Max(0, s.Cutter.Dist(s.Screener)-2*BodyRadius)
	k := Check{ID: "daylight", OK: gap <= Daylight, Feet: gap, Text: "Hip to hip: no way through."}
	if !k.OK {
		k.Text = fmt.Sprintf("%.0f inches of daylight at the hip: his man slips through.", gap*12)
	}
	return k
}

// meetsBody is by how much the screen misses the way of the cutter's defender
// to the catch. One who has gone the other way round has been met.
func meetsBody(s *Situation) Check {
	miss := math.Max(0, court.SegmentDist(s.Screener, s.XCutter, s.To)-2*BodyRadius)
	f := newFrame(s)
	past, out := f.in(s.XCutter)
	k := Check{ID: "body", Feet: miss, OK: miss <= MissBody || out < 0 || past > 0, Text: "The screen is on his man's way."}
	if !k.OK {
		k.Text = fmt.Sprintf("The screen misses his man by %.1f ft: screen the man, not the spot.", miss)
	}
	return k
}

// blindSide is the step left to a defender who cannot see the screen. Whoever
// is in the screener's body already has run into it himself.
func blindSide(s *Situation) Check {
	room := s.XCutter.Dist(s.Screener)
	k := Check{ID: "blind", Feet: room, OK: room >= OneStep || Classify(s).Cue == Stuck,
		Text: "A normal step is left: the screen is legal from behind."}
	if !k.OK {
		k.Text = fmt.Sprintf("He cannot see it and has %.1f ft: leave a normal step, or it is a foul and hurts him.", room)
	}
	return k
}

// timeAndDistance is what a moving opponent who can see the screen has had to
// stop or turn: his way from his man's start to the screen.
func timeAndDistance(s *Situation) Check {
	room := math.Max(0, guard(s.From, guarding).Dist(s.Screener)-2*BodyRadius)
	k := Check{ID: "moving", Feet: room, OK: room >= TwoStrides, Text: fmt.Sprintf("His man has %.0f ft to see it coming.", room)}
	if !k.OK {
		k.Text = fmt.Sprintf("Set %.1f ft in front of a moving man: leave him two strides, or it is a foul.", room)
	}
	return k
}

// straightOut is by how many feet the screener's way to the rim is longer than
// the straight one.
func straightOut(s *Situation) Check {
	end := finishNear(s.Screener)
	loop := s.Screener.Dist(s.Exit) + s.Exit.Dist(end) - s.Screener.Dist(end)
	k := Check{ID: "exit", Feet: loop, OK: loop <= LoopSlack, Text: "Straight out to the rim."}
	if !k.OK {
		k.Text = fmt.Sprintf("A loop of %.1f ft on the way to the rim: the pass is late and long. Go straight.", loop)
	}
	return k
}

// spacing is the distance of passer and catch.
func spacing(s *Situation) Check {
	d := s.Passer.Dist(s.To)
	k := Check{ID: "spacing", Feet: d, OK: d >= SpacingLeast, Text: fmt.Sprintf("%.0f ft from passer to catch.", d)}
	switch {
	case d < SpacingLeast:
		k.Text = fmt.Sprintf("Only %.0f ft from passer to catch: one man can guard both.", d)
	case d < SpacingWanted:
		k.Text = fmt.Sprintf("%.0f ft from passer to catch: %.0f would be better.", d, SpacingWanted)
	}
	return k
}

// lane is how near a defender is to the ball's way to the catch.
func lane(s *Situation) Check {
	free := math.Min(court.SegmentDist(s.XCutter, s.Passer, s.To), court.SegmentDist(s.XScreener, s.Passer, s.To))
	k := Check{ID: "lane", Feet: free, OK: free >= LaneWidth, Text: fmt.Sprintf("The pass to the catch is free by %.1f ft.", free)}
	if !k.OK {
		k.Text = "A defender stands in the pass to the catch: fake it, or go over him."
	}
	return k
}

// behindLine is how far behind the three-point line a catch outside it is.
func behindLine(c court.Court, s *Situation) Check {
	behind := c.BehindArc(s.To)
	k := Check{ID: "line", Feet: behind, OK: behind < 0 || behind >= ToeRoom, Text: "The catch is inside the line."}
	switch {
	case behind >= ToeRoom:
		k.Text = fmt.Sprintf("The catch is %.1f ft behind the line.", behind)
	case behind >= 0:
		k.Text = "Toes on the line: his man recovers two steps sooner. Back up."
	}
	return k
}
