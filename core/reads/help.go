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
	// Contest is how near, in feet, a closeout must come to bother the shot
	// (assumption: an arm and a step).
	Contest = 3.0
	// OnRoll is how near, in feet, to the roller's way a helper has stepped up to
	// it (assumption).
	OnRoll = 5.0
	// OnHandler is how near, in feet, to the ball a helper has taken it (assumption).
	OnHandler = 7.0
	// AtRim is how far from the ring, in feet, a catch is a layup (assumption).
	AtRim = 6.0
	// released is when the ball leaves the handler's hand, seconds after the read
	// (assumption).
	released = 0.25
)

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
	// Stepped is "roller" or "ball" when he has left his man for one of them.
	Stepped string `json:"stepped"`
	// Two is true when he is the nearest man to two attackers.
	Two bool `json:"two"`
}

// HelpLook is a pass the handler has.
type HelpLook struct {
	To   Place `json:"to"`
	Pass Pass  `json:"pass"`
	// Feet to the nearest defender when the ball arrives, and his place.
	Feet float64 `json:"feet"`
	By   Place   `json:"by"`
	// Seconds until the ball is there.
	Seconds float64 `json:"seconds"`
	// Window is how long the pass may wait, in seconds, until the nearest
	// defender bothers the catch; negative when it is late already.
	Window float64 `json:"window"`
	// Rim is true for a catch at the ring.
	Rim bool `json:"rim"`
}

// Help is what the defenders behind a ball screen do and who is open for it.
type Help struct {
	// Paired is true when somebody stands in the strong corner.
	Paired  bool     `json:"paired"`
	Helpers []Helper `json:"helpers"`
	// Looks are the passes, the first one first.
	Looks []HelpLook `json:"looks"`
	// Say is the one spoken sentence.
	Say string `json:"say"`
}

// HelpOf reads the help of a valid situation with the ball in a screen and
// teammates round it; ok is false for every other.
func HelpOf(pace motion.Pace, s *Situation) (h Help, ok bool) {
	screen, known := ScreenByID(s.Screen)
	if !known || screen.Family != BallUp {
		return Help{}, false
	}
	spacers := screen.spacers()
	h.Paired = strongCorner(s, spacers) != nobody
	h.Helpers = helpers(screen, s, spacers)
	h.Looks = looks(screen, pace, s, spacers)
	for i := range h.Helpers {
		n := 0
		for _, l := range h.Looks {
			if l.By == h.Helpers[i].Who && l.To >= second {
				n++
			}
		}
		h.Helpers[i].Two = n > 1
	}
	h.Say = h.say(screen)
	return h, true
}

// strongCorner is who stands in the corner on the screen's side.
func strongCorner(s *Situation, spacers []Place) Place {
	for _, p := range spacers {
		at := s.At(p)
		if at.X*s.Screener.X > 0 && at.Y < CornerLow {
			return p
		}
	}
	return nobody
}

// helpers gives the defenders behind the play their jobs: on the far side the
// lowest man is the low tag, the next the high tag, a third the plug; the man in
// the strong corner is the plug.
func helpers(sc *Screen, s *Situation, spacers []Place) []Helper {
	var out []Helper
	far := append([]Place(nil), spacers...)
	slices.SortFunc(far, func(a, b Place) int { return cmp.Compare(s.At(a).Y, s.At(b).Y) })
	corner := strongCorner(s, spacers)
	jobs := []Job{LowTag, HighTag, Plug}
	for _, p := range far {
		job := Plug
		if p != corner && len(jobs) > 0 {
			job, jobs = jobs[0], jobs[1:]
		}
		x := p - second + xSecond
		h := Helper{Who: x, Job: job}
		at := s.At(x)
		switch {
		case at.Dist(s.Cutter) < OnHandler && at.Dist(s.At(p)) > OnHandler:
			h.Stepped = "ball"
		case court.SegmentDist(at, s.Screener, court.Point{}) < OnRoll && at.Dist(s.At(p)) > OnHandler:
			h.Stepped = "roller"
		}
		out = append(out, h)
	}
	return out
}

// looks lists the passes to roller, popper and spacers: layups that are open
// first, then open shots by how long they last, then the rest.
func looks(sc *Screen, pace motion.Pace, s *Situation, spacers []Place) []HelpLook {
	out := []HelpLook{sc.rollLook(pace, s)}
	targets := spacers
	if sc.has(second) {
		targets = append([]Place{second}, spacers...)
	}
	for _, p := range targets {
		out = append(out, sc.spotLook(pace, s, p))
	}
	slices.SortStableFunc(out, func(a, b HelpLook) int {
		if c := cmp.Compare(b.rank(), a.rank()); c != 0 {
			return c
		}
		return cmp.Compare(b.Window, a.Window)
	})
	return out
}

// rank is 2 for an open layup, 1 for an open shot, 0 for the rest.
func (l HelpLook) rank() int {
	switch {
	case l.Feet < OpenFrom || l.Window < 0 || l.Pass == NoPass:
		return 0
	case l.Rim:
		return 2
	}
	return 1
}

// rollLook is the pass to the roller on his way to the rim.
func (sc *Screen) rollLook(pace motion.Pace, s *Situation) HelpLook {
	end := finishNear(s.Screener)
	run := pace.Cutting().TimeTo(s.Screener.Dist(end))
	l := HelpLook{To: screener, Rim: true}
	l.Pass, l.Seconds = sc.flight(pace, s, end, screener)
	l.Seconds = math.Max(run, released+l.Seconds)
	l.By, l.Feet, l.Window = sc.nearest(pace, s, end, l.Seconds, screener)
	return l
}

// spotLook is the pass to somebody who stands where he is.
func (sc *Screen) spotLook(pace motion.Pace, s *Situation, p Place) HelpLook {
	end := s.At(p)
	l := HelpLook{To: p, Rim: end.Len() < AtRim}
	l.Pass, l.Seconds = sc.flight(pace, s, end, p)
	l.Seconds += released
	l.By, l.Feet, l.Window = sc.nearest(pace, s, end, l.Seconds, p)
	return l
}

// flight is how the ball gets from the handler to a place, and how long it takes.
func (sc *Screen) flight(pace motion.Pace, s *Situation, end court.Point, to Place) (Pass, float64) {
	far := s.Cutter.Dist(end)
	for _, p := range sc.People {
		if !p.ID.Defends() || p.Guards == to {
			continue
		}
		x := s.At(p.ID)
		if x.Dist(end) > Contest && x.Dist(s.Cutter) > Contest && court.SegmentDist(x, s.Cutter, end) < LaneWidth {
			return Skip, far / pace.Skip
		}
	}
	return Direct, far / pace.Pass
}

// nearest is the defender who comes nearest to a catch by the time of the ball,
// how near that is in feet, and how many seconds the catch stays unbothered
// after that. The guard on the ball is behind the play.
func (sc *Screen) nearest(pace motion.Pace, s *Situation, end court.Point, at float64, to Place) (by Place, feet, window float64) {
	feet, window = math.Inf(1), math.Inf(1)
	for _, p := range sc.People {
		if !p.ID.Defends() || p.ID == xCutter {
			continue
		}
		away := s.At(p.ID).Dist(end)
		late := pace.React
		if p.Guards != to {
			late = pace.HelpReact() // he has a man of his own to leave first
		}
		if d := math.Max(0, away-pace.Cutting().Covered(at-late)); d < feet {
			feet, by = d, p.ID
		}
		window = math.Min(window, late+pace.Cutting().TimeTo(away-Contest)-at)
	}
	return by, feet, window
}

// say is the sentence a coach would call.
func (h *Help) say(sc *Screen) string {
	best := h.Looks[0]
	who := sc.word(best.To)
	for _, x := range h.Helpers {
		if x.Stepped == "" {
			continue
		}
		what := "takes the ball"
		if x.Stepped == "roller" {
			what = "meets the roller"
		}
		if best.rank() == 0 {
			return fmt.Sprintf("The %s %s and everybody is covered in time: keep it alive.", x.Job, what)
		}
		return fmt.Sprintf("The %s %s: pass to %s, within %.1f seconds.", x.Job, what, who, math.Max(0.1, best.Window))
	}
	switch {
	case best.rank() == 0:
		return "Nobody has stepped up and nobody is free: play your own man."
	case best.To == screener:
		return "Nobody reaches the middle: the roller is open."
	}
	return fmt.Sprintf("%s is open, for %.1f seconds.", upper(who), math.Max(0.1, best.Window))
}
