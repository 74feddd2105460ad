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

// Play is a situation set in motion.
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
	reaction  = 0.4 // a defender follows his man's answer this much later
)

// Places of the answers, in feet.
const (
	finishAt   = 4.0 // in front of the ring, where a cut to the rim ends
	outsideArc = 1.5 // a three is taken this far behind the line
	popBack    = 4.5 // behind the screener's back
	curlBack   = 5.0 // behind the screen, from which a curl to the rim is a turn right round
	closest    = 3.2 // a recovering defender gets no nearer than this
)

// PlayOf sets a judged situation in motion on a court: the screen is set, the
// cutter comes to it, both answer the cue and the ball goes to the first look.
func PlayOf(c court.Court, s *Situation, a Answer) Play {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return Play{}
	}
	start := screen.Start(c)
	if s.Screener.X < 0 {
		start = start.Mirror()
	}
	f := newFrame(s)

	set := motion.Cutting.TimeTo(start.Dist(s.Screener))
	use := set + setPause + motion.Jogging.TimeTo(s.From.Dist(s.Cutter))
	b := builder{}
	cutEnd := b.run("cutter", s.From, set+setPause, use, s.Cutter, cutPath(c, f, s, a.Row.CutterRead))
	scrEnd := b.run("screener", start, 0, set, s.Screener, nil)
	b.leave("screener", use+holdScrn, screenerPath(c, f, s, a.Row.ScreenerRead), &scrEnd)
	target := "cutter"
	if a.Row.CutterRead == ClearOut || a.Row.CutterRead == Keep {
		target = "screener"
	}
	catchAt, catchT := b.last(target)
	flight := s.Passer.Dist(catchAt) / motion.PassSpeed
	leave := math.Max(use, catchT-flight-passDelay)
	b.tracks = append(b.tracks,
		Track{"ball", []Key{{0, s.Passer}, {leave, s.Passer}, {leave + flight, catchAt}}},
		Track{"passer", []Key{{0, s.Passer}}})
	b.defender("xCutter", guard(s.From, 2.5), s.XCutter, set+setPause, use, b.end("cutter"), cutEnd)
	b.defender("xScreener", guard(start, 2.5), s.XScreener, 0, set, b.end("screener"), scrEnd)

	end := math.Max(math.Max(cutEnd, scrEnd), leave+flight)
	steps := []Step{
		{0, "Start", screen.About},
		{set, "Screen set", screen.Before[1]},
		{use, "Read", a.Row.Say},
		{leave + flight, "Catch", a.Row.PasserPart},
		{end, "Finish", a.Row.ScreenerPart},
	}
	return Play{Duration: end + endPause, Tracks: b.tracks, Steps: steps}
}

// guard is where a defender waits: on the line from his man to the rim.
func guard(man court.Point, d float64) court.Point { return man.Toward(court.Point{}, d) }

// cutPath is the cutter's way after the read, from his place at the screen.
func cutPath(c court.Court, f frame, s *Situation, read Read) []court.Point {
	rim := finishNear(s.Screener)
	switch read {
	case Curl:
		if back, _ := f.in(rim); back < -curlBack {
			// The rim lies behind the cut: the curl goes across the lane first.
			return []court.Point{f.at(1.7, 1.3), f.at(2.3, -0.6), f.at(-0.5, -6), rim}
		}
		return []court.Point{f.at(1.7, 1.3), f.at(2.3, -0.6), rim}
	case Straight, RimCut:
		return []court.Point{s.To}
	case StepOut:
		return []court.Point{behindArc(c, s.From)}
	case Fade:
		return []court.Point{behindArc(c, f.at(-0.4, popBack))}
	case BackCut:
		return []court.Point{f.at(-2, 0.6), rim}
	case Flare:
		return []court.Point{behindArc(c, f.at(-3, popBack+4))}
	case ClearOut:
		return []court.Point{behindArc(c, f.at(1, popBack+6))}
	default: // Keep: catch short of the defender who steps out, and back up
		return []court.Point{s.Cutter.Toward(s.To, 4), behindArc(c, s.Cutter.Toward(s.To, 4).Add(f.n.Scale(3)))}
	}
}

// screenerPath is the screener's way after holding the screen.
func screenerPath(c court.Court, f frame, s *Situation, read Read) []court.Point {
	switch read {
	case Pop:
		return []court.Point{s.To}
	case Shape:
		return []court.Point{f.at(1.5, -1.5), guard(s.Screener, s.Screener.Len()-7)}
	case Rescreen:
		return []court.Point{f.at(-1.2, 0.6)}
	case StepBall:
		return []court.Point{s.Screener.Toward(s.Passer, 5)}
	default: // Split and Slip: straight to the rim, no loop
		return []court.Point{finishNear(s.Screener)}
	}
}

func finishNear(from court.Point) court.Point { return court.Point{}.Toward(from, finishAt) }

// behindArc moves p straight out from the ring until it is behind the
// three-point line, and keeps it on the floor.
func behindArc(c court.Court, p court.Point) court.Point {
	if p.Len() < c.ArcRadius+outsideArc {
		p = court.Point{}.Toward(p, c.ArcRadius+outsideArc)
	}
	return c.Clamp(p, 1)
}

type builder struct{ tracks []Track }

// run adds a track that stands at from until t0, arrives at to at t1 and then
// follows path at cutting speed. It returns when the way ends.
func (b *builder) run(who string, from court.Point, t0, t1 float64, to court.Point, path []court.Point) float64 {
	keys := []Key{{0, from}}
	if t0 > 0 {
		keys = append(keys, Key{t0, from})
	}
	b.tracks = append(b.tracks, Track{who, append(keys, Key{t1, to})})
	end := t1
	b.leave(who, t1, path, &end)
	return end
}

// leave continues a track along path, starting at t at cutting speed.
func (b *builder) leave(who string, t float64, path []court.Point, end *float64) {
	tr := b.find(who)
	at := tr.Keys[len(tr.Keys)-1].At
	if t > tr.Keys[len(tr.Keys)-1].T {
		tr.Keys = append(tr.Keys, Key{t, at})
	}
	gone := 0.0
	for _, p := range path {
		gone += at.Dist(p)
		at = p
		*end = t + motion.Cutting.TimeTo(gone)
		tr.Keys = append(tr.Keys, Key{*end, p})
	}
}

// defender adds a defender's track: with his man to the screen, in his place
// at the read, and recovering toward his man's last place by the end.
func (b *builder) defender(who string, from, read court.Point, t0, t1 float64, man court.Point, end float64) {
	room := math.Max(0, read.Dist(man)-closest)
	recover := read.Toward(man, math.Min(room, motion.Cutting.Covered(end-t1-reaction)))
	keys := []Key{{0, from}}
	if t0 > 0 {
		keys = append(keys, Key{t0, from})
	}
	keys = append(keys, Key{t1, read})
	if end > t1 {
		keys = append(keys, Key{end, recover})
	}
	b.tracks = append(b.tracks, Track{who, keys})
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
