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
	// before the screen misses (assumption).
	MissBody = 1.0
	// laneWidth is how near the ball's way, in feet, a defender takes it (assumption).
	laneWidth = 2.0
	// longPass is from how far, in feet, a pass can be thrown over somebody who is more
	// than overCatch feet from the catch (assumption).
	longPass, overCatch = 18.0, 6.0
	// MissBelow is how far past the screener's body a defender may slide by on the far
	// side before the screen was set too high (assumption).
	MissBelow = 3.0
	// LoopSlack is how much longer than straight a screener's way out may be
	// (assumption).
	LoopSlack = 1.0
	// SpacingLeast and SpacingWanted are the distances between neighbors
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

// Mechanics judges how a screen is set and used, whether it is legal, and how the floor
// is spread, in a valid snapshot.
func Mechanics(fl *Floor, s *Snapshot) []Check {
	a, ok := ActionByID(s.Action)
	if !ok {
		return nil
	}
	out := []Check{}
	cue := Classify(fl, s).Cue
	if !a.spots.free {
		out = append(out, daylightAtHip(s), meetsBody(s), backTo(fl.Court, a, s))
		if a.ID != Ghost && a.ID != Handoff {
			out = append(out, lawful(fl, a, s))
		}
	}
	if a.Family == OffBall && a.ball() == passer {
		out = append(out, spacing(s), lane(s), behindLine(fl.Court, s))
	}
	if a.Family == OffBall && !a.spots.free && cue == Under {
		out = append(out, stopBehind(s))
	}
	if a.Family == OffBall && s.Exit != (court.Point{}) && (cue == Switch || cue == Show) {
		out = append(out, straightOut(s))
	}
	if spread := neighbors(a, s); spread.Text != "" {
		out = append(out, spread, bodiesInside(fl.Court, a, s), toes(fl.Court, a, s))
	}
	return out
}

// backTo is by how many degrees the screener's back points away from where it
// should: to the catch, or where the table says.
func backTo(c court.Court, action *Action, s *Snapshot) Check {
	wanted := s.To
	if at, ok := c.SpotAt(action.spots.back); ok {
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
func (a *Action) spacers() []Place {
	var out []Place
	for _, p := range a.Participants {
		if p.ID >= second && p.ID <= three && !p.Screens {
			out = append(out, p.ID)
		}
	}
	return out
}

// neighbors is the least distance of somebody off the action to a teammate.
func neighbors(a *Action, s *Snapshot) Check {
	least, first, other := math.Inf(1), nobody, nobody
	for _, p := range a.spacers() {
		for _, q := range a.Participants {
			if q.ID == p || q.Screens || q.ID == screener || q.ID.Defends() {
				continue
			}
			if d := s.At(p).Dist(s.At(q.ID)); d < least {
				least, first, other = d, p, q.ID
			}
		}
	}
	if first == nobody {
		return Check{}
	}
	k := Check{ID: "spread", Feet: least, OK: least >= SpacingLeast,
		Text: fmt.Sprintf("The floor is spread: at least %.0f ft between neighbors.", least)}
	switch {
	case least < SpacingLeast:
		k.Text = fmt.Sprintf("Only %.0f ft between %s and %s: one defender guards both.", least, a.word(first),
			a.word(other))
	case least < SpacingWanted:
		k.Text = fmt.Sprintf("%.0f ft between %s and %s: %.0f would be better.", least, a.word(first), a.word(other),
			SpacingWanted)
	}
	return k
}

// bodiesInside counts attackers inside the arc, but for second screeners.
func bodiesInside(c court.Court, a *Action, s *Snapshot) Check {
	n := 0
	for _, p := range a.Participants {
		if !p.ID.Defends() && !(p.Screens && p.ID != screener) && c.InsideArc(s.At(p.ID)) {
			n++
		}
	}
	k := Check{ID: "inside", Feet: float64(n), OK: n <= MostInside,
		Text: fmt.Sprintf("%d inside the arc: there is room.", n)}
	if !k.OK {
		k.Text = fmt.Sprintf("%d attackers inside the arc: never three; somebody clears out.", n)
	}
	return k
}

// stopBehind is by how many feet the line from the defender who went under to
// the cutter misses the screener: who stops off to an angle lets the defender through.
func stopBehind(s *Snapshot) Check {
	miss := math.Max(0, court.SegmentDist(s.Screener, s.XCutter, s.Cutter)-2*BodyRadius)
	k := Check{ID: "stop", OK: miss == 0, Feet: miss, Text: "The screener stands between the defender and the catch."}
	if !k.OK {
		k.Text = fmt.Sprintf(
			"Stopped at an angle: the defender slips past the screener by %.1f ft. Stop straight behind the back.",
			miss)
	}
	return k
}

// toes is how far behind the three-point line the nearest to it of those who
// space the floor stands; those inside it are counted elsewhere.
func toes(c court.Court, a *Action, s *Snapshot) Check {
	least, who := math.Inf(1), nobody
	for _, p := range a.spacers() {
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
		k.Text = fmt.Sprintf("%s has toes on the line: a step back costs the defender two.", upper(a.word(who)))
	}
	return k
}

// daylightAtHip is the gap between cutter and screener.
func daylightAtHip(s *Snapshot) Check {
	gap := math.Max(0, s.Cutter.Dist(s.Screener)-2*BodyRadius)
	k := Check{ID: "daylight", OK: gap <= Daylight, Feet: gap, Text: "Hip to hip: no way through."}
	if !k.OK {
		k.Text = fmt.Sprintf("%.0f inches of daylight at the hip: the defender slips through.", gap*12)
	}
	return k
}

// meetsBody is by how much the screen misses the body of the cutter's defender: on the
// way to the catch or, for one who has slid by on the far side, at the nearest point of
// the slide. Who is past the screen on the cutter's side was met before.
func meetsBody(s *Snapshot) Check {
	f := newFrame(s)
	past, out := f.in(s.XCutter)
	miss := court.SegmentDist(s.Screener, s.XCutter, s.To)
	if out < 0 {
		// Slid below: where the defender came by the screener on that side.
		miss = math.Abs(out)
	}
	miss = math.Max(0, miss-2*BodyRadius)
	most := MissBody
	if out < 0 {
		most = MissBelow
	}
	k := Check{ID: "body", Feet: miss, OK: miss <= most || out >= 0 && past > 0, Text: "The screen meets the defender."}
	if !k.OK {
		k.Text = fmt.Sprintf("The screen misses the defender by %.1f ft: screen the body, not the spot.", miss)
		if out < 0 {
			k.Text = fmt.Sprintf("The defender slid below with %.1f ft to spare: set it lower, on the body.", miss)
		}
	}
	return k
}

// straightOut is by how many feet the screener's way to the rim is longer than
// the straight one.
func straightOut(s *Snapshot) Check {
	end := finishNear(s.Screener)
	loop := s.Screener.Dist(s.Exit) + s.Exit.Dist(end) - s.Screener.Dist(end)
	k := Check{ID: "exit", Feet: loop, OK: loop <= LoopSlack, Text: "Straight out to the rim."}
	if !k.OK {
		k.Text = fmt.Sprintf("A loop of %.1f ft on the way to the rim: the pass is late and long. Go straight.", loop)
	}
	return k
}

// spacing is the distance of passer and catch.
func spacing(s *Snapshot) Check {
	d := s.Passer.Dist(s.To)
	k := Check{ID: "spacing", Feet: d, OK: d >= SpacingLeast, Text: fmt.Sprintf("%.0f ft from passer to catch.", d)}
	switch {
	case d < SpacingLeast:
		k.Text = fmt.Sprintf("Only %.0f ft from passer to catch: one defender can guard both.", d)
	case d < SpacingWanted:
		k.Text = fmt.Sprintf("%.0f ft from passer to catch: %.0f would be better.", d, SpacingWanted)
	}
	return k
}

// lane is how near a defender is to the ball's way to the catch. A long pass can go
// over the head of one who is not at the catch.
func lane(s *Snapshot) Check {
	free, near := math.Inf(1), math.Inf(1)
	for _, x := range []court.Point{s.XCutter, s.XScreener} {
		if d := court.SegmentDist(x, s.Passer, s.To); d < free {
			free, near = d, x.Dist(s.To)
		}
	}
	over := near > overCatch && s.Passer.Dist(s.To) > longPass
	k := Check{ID: "lane", Feet: free, OK: free >= laneWidth || over,
		Text: fmt.Sprintf("The pass to the catch is free by %.1f ft.", free)}
	switch {
	case !k.OK:
		k.Text = "A defender stands in the pass to the catch: fake it first."
	case free < laneWidth:
		k.Text = "The pass goes over a defender: throw it high."
	}
	return k
}

// behindLine is how far behind the three-point line a catch outside it is.
func behindLine(c court.Court, s *Snapshot) Check {
	behind := c.BehindArc(s.To)
	k := Check{ID: "line", Feet: behind, OK: behind < 0 || behind >= ToeRoom, Text: "The catch is inside the line."}
	switch {
	case behind >= ToeRoom:
		k.Text = fmt.Sprintf("The catch is %.1f ft behind the line.", behind)
	case behind >= 0:
		k.Text = "Toes on the line: the defender recovers two steps sooner. Back up."
	}
	return k
}
