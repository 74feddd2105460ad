package reads

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"evrik/core/court"
	"evrik/core/motion"
)

// Figures of the help reader.
const (
	// CornerLow is how high above the ring's line, in feet, a corner ends (assumption).
	CornerLow = 8.0
	// AtRim is how far from the ring, in feet, a catch is a layup (assumption).
	AtRim = 6.0
	// sees is how long a handler needs to see who was left and let the pass go, in seconds
	// (assumption: a choice reaction of 0.3 and a release of 0.2).
	sees = 0.5
	// OpenWindow is how many seconds a shot must be ahead of the defense for a pass to
	// count as open (assumption).
	OpenWindow = 0.1
	// nearSpot is how near a named spot, in feet, somebody is called by it (assumption).
	nearSpot = 3.0
	// acrossFloor is how long a pass over the middle, in feet, is across the floor (assumption).
	acrossFloor = 25.0
)

// onBall is how near the ball a helper is who has taken it, in feet (assumption).
var onBall = body(7)

// Job is a helper's job behind a ball screen (common practice, no source).
type Job string

// Jobs of the helpers.
const (
	LowTag  Job = "low tag"
	HighTag Job = "high tag"
	Plug    Job = "plug"
)

// Helper is a defender behind the play.
type Helper struct {
	Who Place `json:"who"`
	Job Job   `json:"job"`
	// Stepped is "roller" or "ball" for a helper who has left the own player for one of them.
	Stepped string `json:"stepped"`
	// Screened is true for a helper whom an exit screen keeps out of the lane.
	Screened bool `json:"screened"`
}

// HelpLook is a pass the handler has.
type HelpLook struct {
	To Place `json:"to"`
	// Kind is "roll", "pop" or "spot"; Name is what the receiver is called by place.
	Kind string `json:"kind"`
	Name string `json:"name"`
	Pass Pass   `json:"pass"`
	// Feet to the nearest defender at the shot, and who decides the window.
	Feet float64 `json:"feet"`
	By   Place   `json:"by"`
	// Seconds until the ball is there.
	Seconds float64 `json:"seconds"`
	// Window is how many seconds the shot is ahead of the first defender, with the
	// handler's own reaction counted; negative when it is late already.
	Window float64 `json:"window"`
	// Open is true for a pass that can be made.
	Open bool `json:"open"`
	// Then is who gets one more pass when a helper comes to the catch; nobody for none.
	Then Place `json:"then"`
	// Rim is true for a catch at the ring.
	Rim bool `json:"rim"`
}

// Help is what the defenders behind a ball screen do and who is open for it.
type Help struct {
	// Paired is true when somebody stands in the strong corner.
	Paired  bool     `json:"paired"`
	Helpers []Helper `json:"helpers"`
	// Left is how many helpers can still come to the roll: three on a cleared side, two on
	// a paired one, one less with an exit screen.
	Left int `json:"left"`
	// Looks are the passes, the first one first.
	Looks []HelpLook `json:"looks"`
	// Say is the one spoken sentence.
	Say string `json:"say"`
}

// HelpOf reads the help of a valid snapshot with the ball in a screen and teammates
// around it; ok is false for every other.
func HelpOf(fl *Floor, s *Snapshot) (h Help, ok bool) {
	a, known := ActionByID(s.Action)
	if !known || a.Family != BallUp {
		return Help{}, false
	}
	f := a.frame(fl, s)
	spacers := a.spacers()
	corner := strongCorner(s, spacers)
	h.Paired = corner != nobody
	h.Helpers = a.helpers(s, &f, spacers, corner)
	for _, x := range h.Helpers {
		if !x.Screened && x.Who != defenderOf(corner) {
			h.Left++
		}
	}
	h.Looks = a.looks(fl, &f, s)
	h.Say = h.say()
	return h, true
}

// defenderOf is the defender of a spacer.
func defenderOf(p Place) Place {
	if p < second || p > three {
		return nobody
	}
	return p - second + xSecond
}

// strongCorner is who stands in the corner on the screen's side.
func strongCorner(s *Snapshot, spacers []Place) Place {
	for _, p := range spacers {
		at := s.At(p)
		if at.X*s.Screener.X > 0 && at.Y < CornerLow && at.Len() > AtRim {
			return p
		}
	}
	return nobody
}

// helpers gives the defenders behind the play their jobs: on the far side the lowest one
// is the low tag, the next the high tag, a third the plug; the one in the strong corner
// is the plug.
func (a *Action) helpers(s *Snapshot, f *frame, spacers []Place, corner Place) []Helper {
	out := make([]Helper, 0, len(spacers))
	far := slices.Clone(spacers)
	slices.SortFunc(far, func(p, q Place) int { return cmp.Compare(s.At(p).Y, s.At(q).Y) })
	jobs := []Job{LowTag, HighTag, Plug}
	for _, p := range far {
		job := Plug
		if p != corner && len(jobs) > 0 {
			job, jobs = jobs[0], jobs[1:]
		}
		x := defenderOf(p)
		out = append(out, Helper{Who: x, Job: job, Stepped: a.steppedTo(s, f, x, p), Screened: a.ID == BallExit &&
			p == one})
	}
	return out
}

// steppedTo says for whom a helper has left the own player: the tables' own conditions.
func (a *Action) steppedTo(s *Snapshot, f *frame, x, own Place) string {
	ball := all(within(x, onBall, cutter), not(within(x, onBall, own)))
	roller := stepped(x, own)
	switch {
	case ball.measure(s, f).certain():
		return "ball"
	case roller.measure(s, f).certain():
		return "roller"
	}
	return ""
}

// looks lists the passes to roller, popper and spacers: layups that are open first, then
// open shots by how long they last, then the rest.
func (a *Action) looks(fl *Floor, f *frame, s *Snapshot) []HelpLook {
	m := a.moment(fl, f, s)
	off := motion.Run{Who: a.index(cutter), Path: cutPath(fl.Court, f, s, HitRoll), Dribble: true}
	run := func(to Place, kind string, path []court.Point) HelpLook {
		t := motion.Try{Receiver: a.index(to), Leaves: sees, Runs: append(make([]motion.Run, 0, 2), off)}
		if len(path) > 0 {
			t.Runs = append(t.Runs, motion.Run{Who: a.index(to), Path: path, ToRim: toRimCut(path), Stride: rollCatch})
		}
		return a.lookOf(fl, s, m.Play(&t), to, kind)
	}
	out := make([]HelpLook, 0, len(a.Participants))
	out = append(out, run(screener, "roll", []court.Point{finishNear(s.Screener)}))
	if s.ScreenerShoots != No {
		out = append(out, run(screener, "pop", screenerPath(fl.Court, f, s, Pop)))
	}
	if a.has(second) && a.ID != BallExit {
		out = append(out, run(second, "pop", []court.Point{behindArc(fl.Court, s.Second)}))
	}
	for _, p := range a.spacers() {
		out = append(out, run(p, "spot", nil))
	}
	slices.SortStableFunc(out, func(x, y HelpLook) int {
		if c := cmp.Compare(y.rank(), x.rank()); c != 0 {
			return c
		}
		return cmp.Compare(y.Window, x.Window)
	})
	return out
}

// lookOf is what a pass that was played comes to.
func (a *Action) lookOf(fl *Floor, s *Snapshot, o motion.Outcome, to Place, kind string) HelpLook {
	l := HelpLook{To: to, Kind: kind, Pass: Direct, Feet: o.Feet, By: a.defender(o.By), Seconds: o.Ball,
		Window: o.Window,
		Rim:    o.End.Len() < AtRim, Then: a.attacker(o.Next)}
	switch o.Way {
	case motion.Over:
		l.Pass = Skip
	case motion.Blocked:
		l.Pass, l.Feet = NoPass, 0
	}
	across := s.Cutter.X*o.End.X < 0 && s.Cutter.Dist(o.End) > acrossFloor*fl.Court.ArcRadius/usualArc
	l.Open = l.Pass != NoPass && o.Alone >= OpenWindow && !(across && l.Pass == Skip)
	if l.Then == cutter {
		l.Then = nobody // a pass back to the handler is the handler's own read
	}
	if l.Open {
		l.Window = o.Alone // nothing is promised on the strength of a further pass
	}
	switch kind {
	case "spot":
		l.Name = spotName(fl.Court, o.End)
	default:
		l.Name = "the " + kind
	}
	return l
}

// defender and attacker are the participants that the kinematics number.
func (a *Action) defender(n int) Place { return a.nth(n, true) }

func (a *Action) attacker(n int) Place { return a.nth(n, false) }

func (a *Action) nth(n int, defends bool) Place {
	for _, p := range a.Participants {
		if p.ID.Defends() != defends {
			continue
		}
		if n == 0 {
			return p.ID
		}
		n--
	}
	return nobody
}

// spotName is what somebody is called who stands at a place.
func spotName(c court.Court, at court.Point) string {
	near, name := nearSpot, "the open player"
	at.X = math.Abs(at.X) // the same name on both sides
	for _, spot := range [...]struct{ id, name string }{
		{"cornerR", "the corner"}, {"wingR", "the wing"}, {"slotR", "the slot"}, {"top", "the top"},
	} {
		if p, ok := c.SpotAt(spot.id); ok && p.Dist(at) < near {
			near, name = p.Dist(at), spot.name
		}
	}
	return name
}

// rank is 2 for an open layup, 1 for an open shot, 0 for the rest.
func (l HelpLook) rank() int {
	switch {
	case !l.Open:
		return 0
	case l.Rim:
		return 2
	}
	return 1
}

// say is the sentence a coach would call. It says of nobody what is not so.
func (h *Help) say() string {
	best := h.Looks[0]
	stepped := slices.IndexFunc(h.Helpers, func(x Helper) bool { return x.Stepped != "" })
	if stepped < 0 {
		if best.rank() == 0 {
			return "Nobody has stepped in and no pass is open: play your own defender."
		}
		return fmt.Sprintf("Nobody has stepped in: %s is open for %.1f seconds.", best.Name, shown(best.Window))
	}
	x := h.Helpers[stepped]
	what := "takes the ball"
	if x.Stepped == "roller" {
		what = "meets the roller"
	}
	switch {
	case best.rank() == 0:
		return fmt.Sprintf("The %s %s and no pass is open yet: keep your dribble.", x.Job, what)
	case best.To == x.Who.guards():
		return fmt.Sprintf("The %s %s: pass to %s, within %.1f seconds.", x.Job, what, best.Name, shown(best.Window))
	}
	return fmt.Sprintf("The %s %s, and %s is open for %.1f seconds.", x.Job, what, best.Name, shown(best.Window))
}

// shown rounds a window down to a tenth, so that nothing is promised longer than it is.
func shown(seconds float64) float64 { return math.Floor(seconds*10) / 10 }
