package reads

import (
	"cmp"
	"math"
	"slices"

	"evrik/core/court"
	"evrik/core/motion"
)

// Figures of the second opinion (assumptions).
const (
	// CutSpeed is how fast cutter and chasing defender come to the screen, ft/s.
	CutSpeed = 9.0
	// Plant is what a cut back against one's own way costs, in seconds.
	Plant = 0.15
	// Reach is how near, in feet, a cut may pass a defender before he can stop
	// it: a body and an arm.
	Reach = 2.5
	// LaneWidth is how near, in feet, to the ball's way a defender takes it.
	LaneWidth = 2.0
	// StrideCatch is how far into the last leg of a cut to the rim the ball
	// meets the cutter, in feet.
	StrideCatch = 7.0
	// SkipReach is how near to the catch, in feet, a defender in the ball's way
	// still reaches a pass thrown over his head.
	SkipReach = 5.0
	// bodies is the distance in feet at which one body blocks another's way.
	bodies = 2 * BodyRadius
)

// Openness classes by the distance of the nearest defender at the catch, in
// feet: the bands in which public tracking data group shots (from memory). From
// OpenFrom on a shot is open.
const (
	tightFrom = 2.0
	OpenFrom  = 4.0
	wideFrom  = 6.0
)

// Openness is how open a shot is.
type Openness string

// Openness from the hand in the face to nobody near.
const (
	Smothered Openness = "smothered" // under 2 ft
	Tight     Openness = "tight"     // 2 to 4 ft
	Open      Openness = "open"      // 4 to 6 ft
	WideOpen  Openness = "wide open" // 6 ft and more
)

// Pass is how the ball gets to a catch.
type Pass string

// Passes: straight, over somebody's head, or not at all.
const (
	Direct Pass = "direct"
	Skip   Pass = "skip"
	NoPass Pass = "none"
)

// OpennessOf classifies a distance in feet.
func OpennessOf(feet float64) Openness {
	switch {
	case feet < tightFrom:
		return Smothered
	case feet < OpenFrom:
		return Tight
	case feet < wideFrom:
		return Open
	}
	return WideOpen
}

// Option is what one cut would give, by running it.
type Option struct {
	Read Read `json:"read"`
	// Separation is the distance in feet from the catch to the cutter's own
	// defender when the ball is there; Help that of the screener's defender, if
	// he leaves his man for it.
	Separation float64  `json:"separation"`
	Help       float64  `json:"help"`
	Openness   Openness `json:"openness"`
	// Seconds until the catch, and Feet from the ring there.
	Seconds float64 `json:"seconds"`
	Feet    float64 `json:"feet"`
	// Pass is how the ball gets there.
	Pass Pass `json:"pass"`
}

// Options runs every cut of the screen's table against both defenders and
// sorts them by how open they come. It knows nothing of cues: it is the second
// opinion on the table. The situation must be valid.
func Options(fl Floor, s *Situation) []Option {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return nil
	}
	f := screen.frame(s)
	out := []Option{}
	for _, read := range screen.ownReads() {
		out = append(out, screen.optionOf(&fl, &f, s, read))
	}
	slices.SortStableFunc(out, func(a, b Option) int { return cmp.Compare(b.worth(), a.worth()) })
	return out
}

// optionOf runs one read.
func (s *Screen) optionOf(fl *Floor, f *frame, at *Situation, read Read) Option {
	if s.Family == OffBall {
		return option(fl, f, at, read)
	}
	return s.ballOption(fl, f, at, read)
}

// worth orders options: how open, and nothing when the ball cannot get there.
func (o Option) worth() float64 {
	if o.Pass == NoPass {
		return 0
	}
	return o.Separation
}

// runs are the reads that can be run against the defenders in a moment: a cut, a
// drive or a pass with an end. "Keep it" or "use it again" only go on.
var runs = map[Read]bool{
	Curl: true, Straight: true, Fade: true, BackCut: true, Flare: true, RimCut: true, StepOut: true, CutLow: true, CutOver: true,
	PullUp: true, Snake: true, Pocket: true, CornerPass: true, Reject: true, ShootBehind: true, DragOut: true, Through: true, PassOut: true,
	AttackBig: true, TurnCorner: true, BackDoor: true, HitPop: true, HitSlip: true, HitRoll: true, FeedSeal: true,
	HandBack: true, CutClear: true, Relocate: true, ScreenSlip: true, Flash: true, Feed: true, Lob: true, HighLow: true,
}

// ownReads lists the cuts that answer the cutter's own defender, under any school.
func (s *Screen) ownReads() []Read {
	var out []Read
	add := func(r Read) {
		if runs[r] && !slices.Contains(out, r) {
			out = append(out, r)
		}
	}
	for _, row := range s.rows {
		add(row.CutterRead)
	}
	for _, v := range s.variants {
		add(v.row.CutterRead)
	}
	for _, row := range s.rows {
		for _, l := range row.Then {
			add(l.Read)
		}
	}
	return out
}

func option(fl *Floor, f *frame, s *Situation, read Read) Option {
	path := inStride(cutPath(fl.Court, f, s, read), read)
	end := path[len(path)-1]
	m := motion.Mover{At: s.Cutter, Velocity: f.a.Scale(CutSpeed)}
	late := 0.0
	if path[0].Sub(s.Cutter).Dot(f.a) < 0 {
		// Whoever goes back against his own way has slowed down and plants first.
		m.Velocity, late = court.Point{}, Plant
	}
	arrive := late + fl.Pace.Cutting().Arrival(m, path)
	own := pursuer{s.XCutter, f.a.Scale(CutSpeed), fl.Pace.React, fl.Pace.Cutting()}
	if screen, ok := ScreenByID(s.Screen); ok && screen.spots.watching {
		// Who looks at the ball stands; only who has jumped the cut moves with it.
		x, out := f.in(s.XCutter)
		if c, _ := f.in(s.Cutter); x <= c || out < 0 {
			own.pace = court.Point{}
		}
	}
	helper := pursuer{s.XScreener, court.Point{}, fl.Pace.HelpReact(), fl.Pace.Cutting()}
	o := Option{Read: read, Feet: end.Len(), Pass: Direct}
	far := s.Passer.Dist(end)
	o.Seconds = math.Max(arrive, far/fl.Pace.Pass)
	if standsInLane(s, own, helper, end, o.Seconds-far/fl.Pace.Pass, far) {
		// Somebody stands in the ball's way: over his head, slower.
		o.Pass, o.Seconds = Skip, math.Max(arrive, far/fl.Pace.Skip)
		if standsInLane(s, own, helper, end, o.Seconds-far/fl.Pace.Skip, SkipReach) {
			o.Pass = NoPass
		}
	}
	o.Separation = own.at(s, end, o.Seconds).Dist(end)
	o.Help = helper.at(s, end, o.Seconds).Dist(end)
	// A cut into his own man is no cut: it comes no freer than it passes him by.
	if by := passesBy(s.Cutter, path, s.XCutter); by < Reach {
		o.Separation = math.Min(o.Separation, by)
	}
	o.Openness = OpennessOf(o.Separation)
	return o
}

// inStride shortens a cut to the rim: the ball meets the cutter on the way, at
// most StrideCatch past the screen.
func inStride(path []court.Point, read Read) []court.Point {
	first := map[Read]int{Curl: 1, BackCut: 0}
	from, ok := first[read]
	if !ok || len(path) <= from+1 {
		return path
	}
	path = path[:from+2]
	if path[from].Dist(path[from+1]) > StrideCatch {
		path[from+1] = path[from].Toward(path[from+1], StrideCatch)
	}
	return path
}

// standsInLane reports whether a defender stands in the ball's way when it leaves, no
// further than a distance in feet from the catch. One at the catch itself is
// counted by the separation.
func standsInLane(s *Situation, own, helper pursuer, end court.Point, leaves, within float64) bool {
	for _, p := range [2]pursuer{own, helper} {
		x := p.at(s, end, leaves)
		if d := x.Dist(end); d > LaneWidth && d <= within && court.SegmentDist(x, s.Passer, end) < LaneWidth {
			return true
		}
	}
	return false
}

// passesBy is how near, in feet, a path comes to somebody who stands ahead on
// it; those behind its start are not met.
func passesBy(from court.Point, path []court.Point, x court.Point) float64 {
	near := math.Inf(1)
	for i, to := range path {
		if i > 0 || x.Sub(from).Dot(to.Sub(from)) > 0 {
			near = math.Min(near, court.SegmentDist(x, from, to))
		}
		from = to
	}
	return near
}

// pursuer is a defender: where he is, how he moves, and how long until he has
// seen the cut.
type pursuer struct {
	from, pace court.Point
	late       float64
	runs       motion.Runner
}

// at is where he is at a time. He goes on at his pace until he has seen the
// cut, then runs to the catch, round the screener if that body is in his way.
func (p pursuer) at(s *Situation, catch court.Point, t float64) court.Point {
	if math.IsInf(p.late, 1) {
		return p.from // he holds his place
	}
	m := motion.Mover{At: p.from.Add(p.pace.Scale(math.Max(0, math.Min(p.late, t)))), Velocity: p.pace}
	if court.SegmentDist(s.Screener, p.from, m.At) < bodies {
		// He runs into the screener's body and stops there.
		m.Velocity = court.Point{}
		if gap := court.NearestOnSegment(s.Screener, p.from, m.At).Sub(s.Screener); gap.Len() > 0 {
			m.At = s.Screener.Add(gap.Unit().Scale(bodies))
		} else {
			m.At = p.from
		}
	}
	if t <= p.late {
		return m.At
	}
	at, _ := p.runs.Along(m, motion.Round(m.At, catch, s.Screener, bodies), t-p.late)
	return at
}
