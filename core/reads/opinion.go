package reads

import (
	"cmp"
	"math"
	"slices"

	"evrik/core/court"
	"evrik/core/motion"
)

// The second opinion on a table: every answer that ends in a catch or a shot is played
// against the defenders by core/motion, which knows nothing of cues.

// Figures of the second opinion (assumptions).
const (
	// CutSpeed is how fast cutter and chasing defender come to the screen, ft/s.
	CutSpeed = 9.0
	// comingOff is how fast a handler comes off the screen, ft/s.
	comingOff = 8.0
	// plant is what a cut back against the own way costs, in seconds, besides half the
	// time to brake: a cutter who reads slows down first.
	plant = 0.05
	// released is when a pass that waits for nothing leaves the handler's hand, seconds
	// after the read.
	released = 0.3
	// dragging is how long a handler draws two defenders out before the pass, seconds.
	dragging = 0.6
	// waiting is how long a handler waits for a big who shows to go back, seconds.
	waiting = 0.6
	// faking is how long a shot fake takes, seconds.
	faking = 0.4
	// strideCatch is how far from the end of a cut to the rim the ball meets the cutter,
	// rollCatch how far from the end of a roll, in feet.
	strideCatch = 8.0
	rollCatch   = 6.0
)

// OpenFrom is from how many feet to the nearest defender at the shot it is open: a band in
// which public tracking data group shots (from memory).
const OpenFrom = 4.0

// Pass is how the ball gets to a catch.
type Pass string

// Passes: straight, over somebody's head, or not at all.
const (
	Direct Pass = "direct"
	Skip   Pass = "skip"
	NoPass Pass = "none"
)

// Option is what one answer would give, by playing it.
type Option struct {
	Read Read `json:"read"`
	// To is who ends with the ball.
	To Place `json:"to"`
	// Window is how many seconds the shot is ahead of the first defender who bothers it;
	// negative when that defender is there in time.
	Window float64 `json:"window"`
	// Separation is the distance in feet from the shot to the nearest defender.
	Separation float64 `json:"separation"`
	// Seconds until the catch, and Feet from the ring there.
	Seconds float64 `json:"seconds"`
	Feet    float64 `json:"feet"`
	// Pass is how the ball gets there.
	Pass Pass `json:"pass"`

	side int // past the big, of the sides that a drive can take
}

// Options returns every playable answer of the action's table, the most open first.
// The snapshot must pass Validate.
func Options(fl Floor, s *Snapshot) []Option {
	a, ok := ActionByID(s.Action)
	if !ok {
		return nil
	}
	f := a.frame(&fl, s)
	m := a.moment(&fl, &f, s)
	out := []Option{}
	for _, c := range a.plays {
		out = append(out, a.play(&fl, &f, s, &m, c))
	}
	slices.SortStableFunc(out, func(x, y Option) int { return cmp.Compare(y.worth(), x.worth()) })
	return out
}

// playable is an answer that can be played, with what the screener does for it.
type playable struct {
	read, with Read
}

// runs are the reads that can be played in a moment: a cut, a drive or a pass with an
// end. Using it again, backing out, swinging it or working for position only go on, and a
// drive past a stance is won by a foot, of which kinematics know nothing.
var runs = map[Read]bool{
	Curl: true, Straight: true, Fade: true, FadeCorner: true, BackCut: true, Flare: true, RimCut: true, StepOut: true,
	CutLow: true, CutOver: true, OtherSide: true, ClearOut: true, Keep: true,
	PullUp: true, Floater: true, Snake: true, Pocket: true, LobRoll: true, CornerPass: true, WingPass: true,
	Reject:      true,
	ShootBehind: true, DragOut: true, Through: true, WaitAttack: true, PassOut: true, AttackBig: true, StepBack: true,
	TurnCorner: true, WeakDrive: true, BackDoor: true, HitPop: true, HitSlip: true, HitRoll: true, FeedSeal: true,
	CatchShoot: true, FakeGo: true, Finish: true, FeedHigh: true, SkipPass: true, BaseCut: true, CutAway: true,
	HitCutter: true, HitShooter: true,
	HandBack: true, CutClear: true, Relocate: true, ScreenSlip: true, Flash: true, Feed: true, Lob: true, HighLow: true,
}

// listPlays lists what can be played of a table: every answer once, with the screener's
// part in the row where it comes first.
func (a *Action) listPlays() {
	a.plays = nil
	for _, first := range []bool{true, false} {
		for i := range a.rows {
			for k := range a.rows[i].Cutter {
				read := a.rows[i].Cutter[k].Read
				known := slices.ContainsFunc(a.plays, func(p playable) bool { return p.read == read })
				if runs[read] && !known && first == (k == 0) {
					a.plays = append(a.plays, playable{read, a.rows[i].Screener[0].Read})
				}
			}
		}
	}
}

// moment is the snapshot as the kinematics see it. Who is not told to move stands,
// but for the cutter, who comes to the screen, and the defender who follows.
func (a *Action) moment(fl *Floor, f *frame, s *Snapshot) motion.Moment {
	m := motion.Moment{ArcRadius: fl.Court.ArcRadius, Pace: fl.Pace,
		Range: math.Max(fl.Court.ArcRadius+shooterBehind, s.Range)}
	for _, p := range a.Participants {
		v, told := s.Velocity.Of(p.ID)
		if !p.ID.Defends() {
			if p.ID == cutter && !told && !a.spots.free {
				v = f.a.Scale(a.speed())
			}
			if p.ID == a.ball() {
				m.Ball = m.Attackers
			}
			m.Attack[m.Attackers] = motion.Body{At: s.At(p.ID), Velocity: v}
			m.Attackers++
			continue
		}
		if p.ID == xCutter && !told && a.follows(f, s) {
			v = f.a.Scale(a.speed())
		}
		b := motion.Body{At: s.At(p.ID), Velocity: v, Guards: a.index(p.Guards)}
		if p.ID == xCutter {
			b.Away = lookingAway.measure(s, f).certain()
		}
		m.Defend[m.Defenders] = b
		m.Defenders++
	}
	if !a.spots.free {
		m.Involved = [2]int{a.index(cutter), a.index(screener)}
	}
	m.Settle()
	return m
}

var lookingAway = watches(xCutter, screener, cutter)

// speed is how fast the cutter comes to the screen, in feet a second.
func (a *Action) speed() float64 {
	if a.Family == OffBall {
		return CutSpeed
	}
	return comingOff
}

// follows reports whether the cutter's defender, of whom nothing is told, moves with
// the cut: one who has jumped ahead, is in the screener's body or
// watches the ball does not.
func (a *Action) follows(f *frame, s *Snapshot) bool {
	if a.spots.free || a.spots.watching {
		return false
	}
	x, out := f.in(s.XCutter)
	c, _ := f.in(s.Cutter)
	return (x < c || out < 0) && s.XCutter.Dist(s.Screener) > Touching
}

// index is the number of an attacker among the participants.
func (a *Action) index(p Place) int {
	n := 0
	for _, who := range a.Participants {
		if who.ID == p {
			return n
		}
		if !who.ID.Defends() {
			n++
		}
	}
	return 0
}

// play plays one answer, past the side that is most open where there is a choice.
func (a *Action) play(fl *Floor, f *frame, s *Snapshot, m *motion.Moment, p playable) Option {
	best := a.playOn(fl, f, s, m, p)
	for side := 1; side < a.sidesOf(f, s, m, p.read); side++ {
		other := *f
		other.side = side
		if o := a.playOn(fl, &other, s, m, p); o.worth() > best.worth() {
			best, best.side = o, side
		}
	}
	return best
}

// sidesOf is how many ways past the big a drive has: any where the big guards the ball,
// and around or back again where the big is level with the screen.
func (a *Action) sidesOf(f *frame, s *Snapshot, m *motion.Moment, read Read) int {
	_, out := f.in(s.XScreener)
	if read == AttackBig && !m.Exchanged() || read == TurnCorner && out > HipToHip {
		return 1
	}
	return sides[read]
}

// sideOf is the side past the big on which a drive is most open.
func (a *Action) sideOf(fl *Floor, f *frame, s *Snapshot, read Read) int {
	i := slices.IndexFunc(a.plays, func(p playable) bool { return p.read == read })
	if i < 0 {
		return 0
	}
	m := a.moment(fl, f, s)
	return a.play(fl, f, s, &m, a.plays[i]).side
}

// playOn plays one answer on the side that the frame says.
func (a *Action) playOn(fl *Floor, f *frame, s *Snapshot, m *motion.Moment, p playable) Option {
	t := a.tryOf(fl, f, s, m, p)
	to := a.ballTo(s, p.read)
	if !a.feasible(f, s, m, p.read) {
		return Option{Read: p.read, To: to, Window: motion.LeastWindow, Pass: NoPass}
	}
	moved := *m
	if a.Family == Handoffs && passesOn[p.read] && a.ID == Handoff {
		moved.Ball = a.index(cutter) // the receiver has taken it
	}
	for i := range t.Runs {
		run := &t.Runs[i]
		b := &moved.Attack[run.Who]
		if len(run.Path) > 0 && b.Velocity.Dot(run.Path[0].Sub(b.At)) < 0 {
			// Whoever goes back against the own way has slowed down and plants first.
			run.Delay += plant + b.Velocity.Len()/(2*motion.Braking)
			b.Velocity = court.Point{}
		}
	}
	o := moved.Play(&t)
	out := Option{Read: p.read, To: to, Window: o.Window, Separation: o.Feet,
		Seconds: o.Ball, Feet: o.End.Len(), Pass: Direct}
	switch o.Way {
	case motion.Over:
		out.Pass = Skip
	case motion.Blocked:
		out.Pass, out.Separation = NoPass, 0
	}
	return out
}
