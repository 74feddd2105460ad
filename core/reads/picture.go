package reads

import "evrik/core/court"

// Example is a clear picture of a cue on a court's right side: everybody stands and moves
// as in that coverage. For a cue that the action does not have it shows the first one.
func (a *Action) Example(c court.Court, cue Cue) Snapshot {
	spot := func(id string) court.Point {
		p, _ := c.SpotAt(id) // "rim" is the origin
		return p
	}
	s := Snapshot{Action: a.ID, From: spot(a.spots.from), To: spot(a.spots.to), CutterShoots: Yes, FeetSet: Yes}
	if a.spots.to == "rim" {
		s.To = finishNear(s.From)
	}
	if a.spots.ball != "" {
		s.Passer = spot(a.spots.ball)
	}
	for who, id := range a.spots.others {
		s.Put(who, spot(id))
	}
	for _, p := range a.spots.set {
		s.Put(p.who, s.At(p.from).Toward(s.At(p.to), p.feet).Add(p.plus))
	}
	row := a.exampleRow(cue)
	if row.shift > 0 {
		s.From, s.To = c.Clamp(s.From.Add(court.Point{Y: row.shift}), 1),
			c.Clamp(s.To.Add(court.Point{Y: row.shift}), 1)
	}
	if !a.spots.free {
		a.setScreen(&s)
	}
	a.placeDefenders(&s, row)
	if !a.spots.free {
		a.setInMotion(&s, row)
	}
	if a.spots.free {
		f := newFrame(&s)
		for _, m := range row.moves {
			v := f.a.Scale(m.along).Add(f.n.Scale(m.out))
			if m.at != nobody {
				v = s.At(m.at).Sub(s.At(m.who)).Unit().Scale(m.along)
			}
			s.Velocity.Set(m.who, v)
		}
	}
	if row.closing > 0 {
		s.Velocity.Set(xCutter, s.Cutter.Sub(s.XCutter).Unit().Scale(row.closing))
	}
	if a.spots.running && s.XCutter.Dist(s.Cutter) < s.XCutter.Dist(s.Screener) {
		run := s.To.Sub(s.From).Unit().Scale(CutSpeed)
		s.Velocity.Set(cutter, run)
		s.Velocity.Set(xCutter, run)
	}
	if row.Cue == Weak {
		s.WeakHand = s.weakWith()
	}
	if a.Family == OffBall && !a.spots.free {
		s.Exit = s.Screener.Scale(exitAt)
	}
	if away := s.XCutter.Sub(s.Screener); a.spots.blind && away.Len() < NormalStep {
		// A step was left when the feet were set; the defender has run into it since.
		s.WhenSet = s.Screener.Add(away.Unit().Scale(stepLeft))
	}
	switch a.spots.back {
	case "":
		if !a.spots.free {
			s.Back = s.To
		}
	default:
		s.Back = spot(a.spots.back)
	}
	return s
}

// weakWith is the weak hand that fits where the guard stands: on the strong one.
func (s *Snapshot) weakWith() string {
	left := *s
	left.WeakHand = "left"
	if s.XCutter.Sub(s.Cutter).Dot(left.strongSide()) > 0 {
		return "left"
	}
	return "right"
}

// exampleRow is the row of a cue; that of the first cue for one the action lacks. An
// older cue is shown by its first kind.
func (a *Action) exampleRow(cue Cue) *Row {
	for i := range a.rows {
		if a.rows[i].Cue == cue || cue != NoCue && a.rows[i].Cue.Parent() == cue {
			return &a.rows[i]
		}
	}
	return &a.rows[0]
}

// setScreen puts the screener where the defender's body is and the cutter at the
// shoulder, hip to hip.
func (a *Action) setScreen(s *Snapshot) {
	way := s.To.Sub(s.From)
	at := 0.5
	switch {
	case a.spots.at >= 1:
		at = a.spots.at / way.Len()
	case a.spots.at > 0:
		at = a.spots.at
	}
	middle := s.From.Add(way.Scale(at))
	s.Screener, s.Cutter = middle, middle
	f := newFrame(s)
	s.Screener = f.at(0, -HipToHip)
	f = newFrame(s)
	s.Cutter = f.at(0, HipToHip)
	for who, at := range a.spots.beside {
		s.Put(who, f.at(at.along, at.out))
	}
}

// setInMotion lets cutter and defenders move as a row's clear example has them.
func (a *Action) setInMotion(s *Snapshot, row *Row) {
	f := newFrame(s)
	speed := CutSpeed
	if a.Family != OffBall {
		speed = comingOff
	}
	s.Velocity.Set(cutter, f.a.Scale(speed))
	s.Velocity.Set(screener, court.Point{})
	for _, p := range a.Participants {
		if p.ID.Defends() {
			s.Velocity.Set(p.ID, court.Point{})
		}
	}
	if a.Family == OffBall && a.follows(&f, s) {
		s.Velocity.Set(xCutter, f.a.Scale(speed))
	}
	for _, m := range row.moves {
		if a.spots.watching && m.who == xCutter {
			continue // stands and looks at the ball
		}
		s.Velocity.Set(m.who, f.a.Scale(m.along).Add(f.n.Scale(m.out)))
	}
}

// placeDefenders puts every defender where a cue is clear.
func (a *Action) placeDefenders(s *Snapshot, row *Row) {
	for _, p := range a.Participants {
		if p.ID.Defends() {
			s.Put(p.ID, a.home(s, p))
		}
	}
	at, ok := clearPlaces[row.Cue]
	if row.Cue == Switch && a.Family != OffBall {
		at = ballSwitch
	}
	if ok && !a.spots.free {
		f := newFrame(s)
		s.XCutter = f.at(at.cutter.along, at.cutter.out)
		s.XScreener = f.at(at.screener.along, at.screener.out)
	}
	if a.spots.eyes != nobody {
		s.Facing.Set(xCutter, s.At(a.spots.eyes))
	}
	for _, p := range row.show {
		s.Put(p.who, s.At(p.from).Toward(s.At(p.to), p.feet).Add(p.plus))
	}
}

// home is where a defender waits: near the own player, or sagging on the side away from
// the ball.
func (a *Action) home(s *Snapshot, p Participant) court.Point {
	own, sag := s.At(p.Guards), guarding
	if own.X*s.At(a.ball()).X < 0 && p.ID >= xOne {
		sag = helpSag * own.Len()
	}
	return own.Toward(court.Point{}, sag)
}

// ballSwitch is a clear switch on the ball: the big a step off the handler.
var ballSwitch = struct{ cutter, screener offset }{offset{-2.4, -1.0}, offset{4.2, 1.8}}

type offset struct{ along, out float64 }

// clearPlaces are places of the cutter's and the screener's defender in the screen's
// frame, in feet, that show a cue beyond doubt (assumptions of the model's geometry).
var clearPlaces = map[Cue]struct{ cutter, screener offset }{
	Trail:  {offset{-3.4, 1.6}, offset{-1.2, -3.0}},
	Stuck:  {offset{-1.2, 0.0}, offset{0.6, -3.0}},
	Under:  {offset{1.2, -3.8}, offset{-2.2, -3.0}},
	Jump:   {offset{3.4, 2.6}, offset{0.6, -3.0}},
	Switch: {offset{-2.2, -0.4}, offset{2.8, 1.9}},
	Show:   {offset{-2.9, 2.2}, offset{2.8, 1.9}},
	Waits:  {offset{-3.0, 1.6}, offset{1.4, 4.6}},
	Denied: {offset{3.4, 2.6}, offset{0.6, -3.0}},

	Drop:      {offset{-3.0, 1.5}, offset{1.4, -7.5}},
	Level:     {offset{-3.0, 1.5}, offset{3.2, -1.3}},
	Tag:       {offset{-3.0, 1.5}, offset{1.4, -7.5}},
	UnderFar:  {offset{1.2, -3.8}, offset{-2.2, -3.6}},
	Early:     {offset{3.0, 2.4}, offset{7.2, 1.2}},
	Ice:       {offset{2.8, 2.4}, offset{-4.5, -3.0}},
	SoftShow:  {offset{-3.6, 1.6}, offset{3.6, 2.6}},
	HardHedge: {offset{-5.6, 1.0}, offset{3.4, 3.2}},
	Hedge:     {offset{-4.6, 1.4}, offset{3.4, 3.2}},
	Blitz:     {offset{-1.8, 2.4}, offset{2.2, 3.0}},
	TagLow:    {offset{-3.0, 1.5}, offset{1.4, -7.5}},
	Weak:      {offset{2.8, 4.0}, offset{-3.0, -7.0}},
}
