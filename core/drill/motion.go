package drill

import (
	"math"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
	"evrik/core/refusal"
)

// Phase is a part of a rep's motion.
type Phase struct {
	Name string `json:"name"`
	Say  string `json:"say"`
	Acts []Act  `json:"acts"`
}

// Act is one thing somebody does. Acts follow each other; one that goes With the
// act before starts at the same moment.
type Act struct {
	// Do is one of the verbs below.
	Do Verb `json:"do"`
	// Who does it, a position.
	Who string `json:"who"`
	// To is a position (pass, handoff, closeout) or a spot (cut, dribble, screen).
	To string `json:"to,omitempty"`
	// For is whom a screen is set for: that position comes off it with its next cut.
	For  string `json:"for,omitempty"`
	With bool   `json:"with,omitempty"`
}

// Verb is what an act is.
type Verb string

// Verbs of the motion language.
const (
	Pass     Verb = "pass"
	Cut      Verb = "cut"
	Dribble  Verb = "dribble"
	SetFor   Verb = "screen"
	Hand     Verb = "handoff"
	Shot     Verb = "shot"
	Rebound  Verb = "rebound"
	Closeout Verb = "closeout"
)

// Rim is where a cut or a shot can go besides the named spots.
const Rim = "rim"

// Figures of a drill's motion.
const (
	// apart is how near two players may end a phase, in feet (assumption: two
	// bodies and a step).
	apart = 2.4
	// offRim is where a cut to the rim ends, feet in front of it (assumption).
	offRim = 3.5
	// shoulder is the center distance at which a cutter passes a screener (assumption).
	shoulder = 1.9
	// contactIs is how far, in feet, a cutter may bend the way to meet the screen
	// (assumption).
	contactIs = 3.2
	// handReach is how near a handoff is given, in feet (assumption).
	handReach = 2.5
	// closeoutStop is how far short of the shooter a closeout stops (assumption).
	closeoutStop = 3.0
	// breath is the pause between phases, seconds.
	breath = 0.4
)

// motionError refuses a motion that cannot be run.
func motionError(d *Drill, phase int, act Act, code string, args ...any) error {
	return setup("drill.phase", d.Name, phase+1, act.Do, act.Who, refusal.New(code, args...))
}

// stageplay is the state of a motion being made.
type stageplay struct {
	d      *Drill
	c      court.Court
	pace   motion.Pace
	at     map[string]court.Point
	tracks map[string]*reads.Track
	// owner has the ball: a position, Rim after a shot, or nobody.
	owner string
	ball  *reads.Track
	// screens holds, by who comes off it, where a screen stands.
	screens map[string]court.Point
	phase   int
	steps   []reads.Step
}

// Motion plays one rep of a drill on a court's right side. It finds what cannot
// be: a pass by somebody without the ball, a screen that nobody comes off, two
// players on one spot, a spot the court does not have. Errors match ErrSetup.
func (d *Drill) Motion(c court.Court, pace motion.Pace) (reads.Play, error) {
	s := &stageplay{d: d, c: c, pace: pace, at: map[string]court.Point{}, tracks: map[string]*reads.Track{},
		screens: map[string]court.Point{}, ball: &reads.Track{Who: "ball"}}
	for _, p := range d.Positions {
		at, ok := c.SpotAt(p.Spot)
		if !ok {
			return reads.Play{}, setup("drill.start-spot", d.Name, p.Name, p.Spot)
		}
		if s.at[p.ID] = at; p.Ball && s.owner == "" {
			s.owner = p.ID
			s.ball.Keys = []reads.Key{{T: 0, At: at}}
		}
		s.tracks[p.ID] = &reads.Track{Who: p.ID, Keys: []reads.Key{{T: 0, At: at}}}
	}
	now := 0.0
	for i, ph := range d.Phases {
		s.phase = i
		s.steps = append(s.steps, reads.Step{T: now, Name: ph.Name, Say: ph.Say})
		start, end := now, now
		for k, a := range ph.Acts {
			if !a.With || k == 0 {
				start = end
			}
			done, err := s.act(a, start)
			if err != nil {
				return reads.Play{}, err
			}
			end = math.Max(end, done)
		}
		if err := s.nobodyTogether(); err != nil {
			return reads.Play{}, err
		}
		now = end + breath
	}
	for who := range s.screens {
		return reads.Play{}, setup("drill.screen-never-set", d.Name, who)
	}
	out := reads.Play{Duration: now + breath, Steps: s.steps}
	for _, p := range d.Positions {
		out.Tracks = append(out.Tracks, *s.tracks[p.ID])
	}
	if len(s.ball.Keys) > 0 {
		out.Tracks = append(out.Tracks, *s.ball)
	}
	return out, nil
}

// act plays one act from a time on and returns when it is done.
func (s *stageplay) act(a Act, t float64) (float64, error) {
	if _, ok := s.at[a.Who]; !ok {
		return 0, motionError(s.d, s.phase, a, "drill.act-who")
	}
	fail := func(code string, args ...any) (float64, error) {
		return 0, motionError(s.d, s.phase, a, code, args...)
	}
	hasBall := s.owner == a.Who
	switch a.Do {
	case Pass, Hand, Closeout:
		if _, ok := s.at[a.To]; !ok || a.To == a.Who {
			return fail("drill.act-other", a.To)
		}
	}
	switch a.Do {
	case Pass:
		if !hasBall {
			return fail("drill.act-no-ball")
		}
		return s.throw(a.To, t), nil
	case Hand:
		if !hasBall {
			return fail("drill.act-no-ball")
		}
		near := s.at[a.Who].Toward(s.at[a.To], handReach)
		done := s.move(a.To, []court.Point{near}, t, s.pace.Cutting())
		s.owner = a.To
		s.ball.Keys = append(s.ball.Keys, reads.Key{T: done, At: near})
		return done, nil
	case Cut, Dribble, SetFor:
		return s.goes(a, t)
	case Shot:
		if !hasBall {
			return fail("drill.act-no-ball")
		}
		return s.throw(Rim, t), nil
	case Rebound:
		if s.owner != Rim {
			return fail("drill.act-no-shot")
		}
		under := court.Point{}.Toward(s.at[a.Who], offRim)
		done := s.move(a.Who, []court.Point{under}, t, s.pace.Cutting())
		s.owner = a.Who
		s.ball.Keys = append(s.ball.Keys, reads.Key{T: done, At: under})
		return done, nil
	case Closeout:
		to := s.at[a.To].Toward(s.at[a.Who], closeoutStop)
		return s.move(a.Who, []court.Point{to}, t, s.pace.Cutting()), nil
	}
	return fail("drill.act-kind")
}

// goes moves whoever cuts, dribbles or sets a screen, and returns when that is done, in seconds.
func (s *stageplay) goes(a Act, t float64) (float64, error) {
	fail := func(code string, args ...any) (float64, error) {
		return 0, motionError(s.d, s.phase, a, code, args...)
	}
	hasBall := s.owner == a.Who
	to, err := s.place(a)
	if err != nil {
		return 0, err
	}
	if a.Do == Dribble != hasBall {
		if hasBall {
			return fail("drill.act-ball-in-hand")
		}
		return fail("drill.act-no-ball")
	}
	runner := s.pace.Cutting()
	path := []court.Point{to}
	if a.Do == Dribble {
		runner = s.pace.Dribbling()
	}
	if at, ok := s.screens[a.Who]; ok && a.Do != SetFor {
		if court.SegmentDist(at, s.at[a.Who], to) > contactIs+shoulder {
			return fail("drill.act-past-screen")
		}
		path = offScreen(s.at[a.Who], at, to)
		delete(s.screens, a.Who)
	}
	if a.Do == SetFor {
		user, ok := s.at[a.For]
		if !ok || a.For == a.Who {
			return fail("drill.act-screen-for", a.For)
		}
		if a.To == "" {
			path[0] = user.Toward(court.Point{}, shoulder+apart)
		}
		s.screens[a.For] = path[0]
	}
	return s.move(a.Who, path, t, runner), nil
}

// place is where a cut, a dribble or a screen goes.
func (s *stageplay) place(a Act) (court.Point, error) {
	switch {
	case a.To == Rim:
		return court.Point{}.Toward(s.at[a.Who], offRim), nil
	case a.To == "" && a.Do == SetFor:
		return s.at[a.Who], nil
	}
	if at, ok := s.c.SpotAt(a.To); ok {
		return at, nil
	}
	return court.Point{}, motionError(s.d, s.phase, a, "drill.act-spot", a.To)
}

// offScreen is a way past a screener's shoulder, on the side that is nearer.
func offScreen(from, screen, to court.Point) []court.Point {
	near := court.NearestOnSegment(screen, from, to)
	side := near.Sub(screen).Unit()
	if side == (court.Point{}) {
		side = to.Sub(from).Unit().Left()
	}
	return []court.Point{screen.Add(side.Scale(shoulder)), to}
}

// move lets somebody run along a path from a time on; who has the ball takes it
// along.
func (s *stageplay) move(who string, path []court.Point, t float64, r motion.Runner) float64 {
	track := s.tracks[who]
	stand(track, t)
	at, gone := s.at[who], 0.0
	for _, p := range path {
		gone += at.Dist(p)
		at = p
		key := reads.Key{T: t + r.TimeTo(gone), At: p}
		track.Keys = append(track.Keys, key)
		if s.owner == who {
			stand(s.ball, t)
			s.ball.Keys = append(s.ball.Keys, key)
		}
	}
	s.at[who] = at
	return t + r.TimeTo(gone)
}

// stand keeps a track where it is until a time.
func stand(t *reads.Track, until float64) {
	if last := t.Keys[len(t.Keys)-1]; last.T < until {
		t.Keys = append(t.Keys, reads.Key{T: until, At: last.At})
	}
}

// throw sends the ball to a position or the rim.
func (s *stageplay) throw(to string, t float64) float64 {
	end := s.at[to] // the rim is the origin
	// A catch on the run is met where the cut ends.
	last := s.ball.Keys[len(s.ball.Keys)-1]
	stand(s.ball, t)
	done := t + last.At.Dist(end)/s.pace.Pass
	if to != Rim {
		keys := s.tracks[to].Keys
		done = math.Max(done, keys[len(keys)-1].T)
	}
	s.ball.Keys = append(s.ball.Keys, reads.Key{T: done, At: end})
	s.owner = to
	return done
}

// nobodyTogether checks the ends of a phase.
func (s *stageplay) nobodyTogether() error {
	for i, p := range s.d.Positions {
		for _, q := range s.d.Positions[i+1:] {
			if d := s.at[p.ID].Dist(s.at[q.ID]); d < apart-1e-9 {
				return setup("drill.phase-apart", s.d.Name, s.phase+1, p.Name, q.Name, d)
			}
		}
	}
	return nil
}

// effort is what a position does in a rep.
type effort struct{ touches, sprints, jumps int }

// work counts touches, sprints and jumps of the players' positions, in order.
func (d *Drill) work() []effort {
	by := map[string]*effort{}
	for _, p := range d.Positions {
		by[p.ID] = &effort{}
		if p.Ball {
			by[p.ID].touches = 1 // the one it starts with
		}
	}
	count := func(id string, f func(*effort)) {
		if e, ok := by[id]; ok {
			f(e)
		}
	}
	for _, ph := range d.Phases {
		for _, a := range ph.Acts {
			switch a.Do {
			case Pass, Hand:
				count(a.To, func(e *effort) { e.touches++ })
			case Cut, SetFor, Closeout:
				count(a.Who, func(e *effort) { e.sprints++ })
			case Dribble:
				count(a.Who, func(e *effort) { e.sprints++ })
			case Shot:
				count(a.Who, func(e *effort) { e.jumps++ })
			case Rebound:
				count(a.Who, func(e *effort) { e.jumps++; e.touches++ })
			}
		}
	}
	out := make([]effort, 0, len(d.Positions))
	for _, helper := range [2]bool{false, true} {
		for _, p := range d.Positions {
			if p.Helper == helper {
				out = append(out, *by[p.ID])
			}
		}
	}
	return out
}
