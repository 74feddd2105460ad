package reads

import (
	"math"

	"evrik/core/court"
	"evrik/core/motion"
)

// Key is where somebody is at a time.
type Key struct {
	T  float64     `json:"t"` // seconds from the start
	At court.Point `json:"at"`
}

// Track is one figure's way through a play, keys in order of time; between
// keys it moves in a straight line at even speed.
type Track struct {
	Who  string `json:"who"`
	Keys []Key  `json:"keys"`
}

// Step is a moment worth stopping at.
type Step struct {
	T    float64 `json:"t"`
	Name string  `json:"name"`
	Say  string  `json:"say"`
}

// Play is a snapshot set in motion.
type Play struct {
	Duration float64 `json:"duration"` // seconds
	Tracks   []Track `json:"tracks"`
	Steps    []Step  `json:"steps"`
}

// Timing of a play in seconds (assumptions).
const (
	setPause  = 0.5 // screener's feet are down before the cutter leaves
	holdScrn  = 0.4 // screener holds one count before leaving
	endPause  = 0.8 // the last picture stays
	passDelay = 0.1 // the ball leaves this long before the catch needs it
	reaction  = 0.4 // a defender follows the own player's answer this much later
	helpTurn  = 0.6 // a helper leaves home so long before the read
	driveOn   = 0.8 // a drive goes on so long after the read
	lookPause = 0.9 // everybody stands in place before a read without a screen
)

// closest is how near, in feet, a recovering defender gets (assumption).
const closest = 3.2

// PlayOf sets a judged snapshot in motion on a court: the screen is set, the
// cutter comes to it, both answer the cue and the ball goes to the first look.
func PlayOf(fl Floor, s *Snapshot, j Judgment) Play {
	c := fl.Court
	action, ok := ActionByID(s.Action)
	if !ok {
		return Play{}
	}
	begin, from := action.Start(c), s.From
	if s.onLeft() {
		begin = begin.Mirror()
	}
	f := action.frame(&fl, s)
	f.side = action.sideOf(&fl, &f, s, j.Row.CutterRead)
	set := fl.Pace.Cutting().TimeTo(begin.Dist(s.Screener))
	use := set + setPause + fl.Pace.Jogging().TimeTo(from.Dist(s.Cutter))
	leave := use - fl.Pace.Jogging().TimeTo(from.Dist(s.Cutter))
	if action.spots.free {
		begin, from, set, use, leave = s.Screener, s.Cutter, 0, lookPause, lookPause
	}
	b := builder{pace: fl.Pace}
	cutEnd := b.run(cutter, from, leave, use, s.Cutter, cutPath(c, &f, s, j.Row.CutterRead))
	scrEnd := b.run(screener, begin, 0, set, s.Screener, nil)
	b.leave(screener, use+holdScrn, screenerPath(c, &f, s, j.Row.ScreenerRead), &scrEnd)
	b.tracks = append(b.tracks, Track{Who: "ball"})
	for _, p := range action.Participants {
		if !p.ID.Defends() && b.find(p.ID.String()) == nil {
			b.beside(c, action, s, p.ID, use, j.Row.Third)
		}
	}
	arrive := b.ball(action, action.ballTo(s, j.Row.CutterRead), use)
	b.defender(xCutter, action.waits(from, s.XCutter), s.XCutter, leave, use, b.end("cutter"), cutEnd)
	b.defender(xScreener, action.waits(begin, s.XScreener), s.XScreener, 0, set, b.end("screener"), scrEnd)
	for _, p := range action.Participants {
		if p.ID.Defends() && b.find(p.ID.String()) == nil {
			// A helper waits at home and comes in the last moment.
			home, at := action.home(s, p), s.At(p.ID)
			b.tracks = append(b.tracks, Track{p.ID.String(),
				[]Key{{0, home}, {math.Max(0, use-helpTurn), home}, {use, at}}})
		}
	}

	end := math.Max(math.Max(cutEnd, scrEnd), arrive)
	steps := []Step{
		{0, "Start", action.About},
		{set, "Set", action.Before[1]},
		{use, "Read", j.Row.Say},
		{arrive, "Ball", j.Row.PasserPart},
		{end, "Finish", j.Row.ScreenerPart},
	}
	return Play{Duration: end + endPause, Tracks: b.tracks, Steps: steps}
}

// guard is where a defender waits: on the line from the own player to the rim.
func guard(own court.Point, d float64) court.Point { return own.Toward(court.Point{}, d) }

// waits is where a defender is before the read: with the own player, or in
// place where nobody moves before it.
func (a *Action) waits(own, at court.Point) court.Point {
	if a.spots.free {
		return at
	}
	return guard(own, 2.5)
}

type builder struct {
	pace   motion.Pace
	tracks []Track
}

// run adds a track that stands at from until t0, arrives at to at t1 and then
// follows path at cutting speed. It returns when the way ends.
func (b *builder) run(who Place, from court.Point, t0, t1 float64, to court.Point, path []court.Point) float64 {
	keys := []Key{{0, from}}
	if t0 > 0 {
		keys = append(keys, Key{t0, from})
	}
	if t1 > t0 {
		keys = append(keys, Key{t1, to})
	}
	b.tracks = append(b.tracks, Track{who.String(), keys})
	end := t1
	b.leave(who, t1, path, &end)
	return end
}

// beside adds a track of somebody besides the two: a driver goes on, the third one
// answers, everybody else stays in place.
func (b *builder) beside(c court.Court, a *Action, s *Snapshot, who Place, use float64, third []Answer) {
	at := s.At(who)
	v, _ := s.Velocity.Of(who)
	if v.Len() > 0 {
		b.tracks = append(b.tracks, Track{who.String(), []Key{
			{0, c.Clamp(at.Sub(v.Scale(use)), 1)}, {use, at}, {use + driveOn, c.Clamp(at.Add(v.Scale(driveOn)), 1)}}})
		return
	}
	b.tracks = append(b.tracks, Track{who.String(), []Key{{0, at}}})
	if who == a.third() && len(third) > 0 {
		path, _ := spacePath(c, s, at, third[0].Read)
		end := use
		b.leave(who, use, path, &end)
	}
}

// ball fills the ball's track: with its owner until it is passed, then to the
// receiver at the end of that run. It returns when it is there.
func (b *builder) ball(action *Action, to Place, use float64) float64 {
	from := action.ball()
	owner := b.find(from.String())
	track := b.find("ball")
	if to == from {
		track.Keys = append(track.Keys, owner.Keys...)
		return math.Max(use, owner.Keys[len(owner.Keys)-1].T)
	}
	catchAt, catchT := b.last(to.String())
	flight := owner.at(catchT).Dist(catchAt) / b.pace.Pass
	leave := math.Max(use, catchT-flight-passDelay)
	for _, k := range owner.Keys {
		if k.T < leave {
			track.Keys = append(track.Keys, k)
		}
	}
	track.Keys = append(track.Keys, Key{leave, owner.at(leave)})
	flight = owner.at(leave).Dist(catchAt) / b.pace.Pass
	track.Keys = append(track.Keys, Key{leave + flight, catchAt})
	return leave + flight
}

// at is where a track is at a time.
func (t *Track) at(now float64) court.Point {
	before := t.Keys[0]
	for _, k := range t.Keys {
		if k.T >= now {
			if k.T == before.T {
				return k.At
			}
			return before.At.Add(k.At.Sub(before.At).Scale((now - before.T) / (k.T - before.T)))
		}
		before = k
	}
	return before.At
}

// leave continues a track along path, starting at t at cutting speed.
func (b *builder) leave(who Place, t float64, path []court.Point, end *float64) {
	tr := b.find(who.String())
	at := tr.Keys[len(tr.Keys)-1].At
	if t > tr.Keys[len(tr.Keys)-1].T {
		tr.Keys = append(tr.Keys, Key{t, at})
	}
	gone := 0.0
	for _, p := range path {
		gone += at.Dist(p)
		at = p
		*end = t + b.pace.Cutting().TimeTo(gone)
		tr.Keys = append(tr.Keys, Key{*end, p})
	}
}

// defender adds a defender's track: with the own player to the screen, in
// place at the read, and recovering toward the own player's last place by the end.
func (b *builder) defender(who Place, from, read court.Point, t0, t1 float64, own court.Point, end float64) {
	room := math.Max(0, read.Dist(own)-closest)
	recover := read.Toward(own, math.Min(room, b.pace.Cutting().Covered(end-t1-reaction)))
	keys := []Key{{0, from}}
	if t0 > 0 {
		keys = append(keys, Key{t0, from})
	}
	if t1 > 0 {
		keys = append(keys, Key{t1, read})
	}
	if end > t1 {
		keys = append(keys, Key{end, recover})
	}
	b.tracks = append(b.tracks, Track{who.String(), keys})
}

func (b *builder) find(who string) *Track {
	for i := range b.tracks {
		if b.tracks[i].Who == who {
			return &b.tracks[i]
		}
	}
	return nil
}

func (b *builder) last(who string) (court.Point, float64) {
	k := b.find(who).Keys
	return k[len(k)-1].At, k[len(k)-1].T
}

func (b *builder) end(who string) court.Point {
	p, _ := b.last(who)
	return p
}
