package motion

import (
	"math"

	"evrik/core/court"
)

// The second opinion: who gets open when somebody runs or passes, by kinematics alone.
// It knows places, velocities and the ball, and nothing of cues and tables.

// Most is how many a side can have in a moment.
const Most = 6

// Body is somebody on the floor: a place in feet, a velocity in feet a second.
type Body struct {
	At, Velocity court.Point
	// Guards is the index of the attacker that a defender guards.
	Guards int
	// Away is true for a defender who looks away from the own player.
	Away bool
}

// Moment is where everybody is and how everybody moves when an attacker chooses.
type Moment struct {
	Attack, Defend [Most]Body
	Attackers      int
	Defenders      int
	// Ball is the attacker who has it.
	Ball int
	// ArcRadius is the radius of the three-point line in feet.
	ArcRadius float64
	Pace      Pace
	// Involved are the two attackers whose defenders may have switched.
	Involved [2]int
	// Range is how far from the ring, in feet, a jump shot is taken.
	Range float64

	follows [Most]int // the attacker whom each defender follows, once settled
	settled bool
	late    int // one more than the defender who has helped and comes back late; 0 for none
	busy    int // one more than the defender who follows the one who was helped on; 0 for none
}

// Run is what one attacker does: wait, then follow a path.
type Run struct {
	Who     int
	Path    []court.Point
	Delay   float64 // seconds before it starts
	Dribble bool    // with the ball
	// Stride is how far, in feet, before the end of the path the ball meets a cutter who
	// goes on to the rim; 0 for one who stops at the end to catch or shoot.
	Stride float64
	// ToRim is true for a run that does not stop.
	ToRim bool
	// Fakes is for how many seconds the own defender, running too fast to stop, takes a
	// fake before the run.
	Fakes float64
}

// Try is something the attackers can do.
type Try struct {
	// Runs are the attackers who move; Receiver ends with the ball.
	Runs     []Run
	Receiver int
	// Leaves is the earliest the ball leaves the hand, in seconds.
	Leaves float64
	// Handed is true for a ball that is handed over rather than thrown.
	Handed bool
	// Lobbed is true for a pass over everybody to the rim.
	Lobbed bool
	// Other is somebody whom the passer can hit instead when that defender comes to help.
	Other *Run
	// Stops is true for a drive that ends in a jump shot: defenders who keep between ball
	// and rim come out only when they see the stop.
	Stops bool
}

// Way is how the ball gets to a catch.
type Way uint8

// Ways of the ball: kept by the dribbler, straight, over somebody's head, or not at all.
const (
	Kept Way = iota
	Straight
	Over
	Blocked
)

// Outcome is what a try comes to.
type Outcome struct {
	// End is where the shot would be, Ball when the ball is there, in seconds.
	End  court.Point
	Ball float64
	Way  Way
	// Window is how many seconds after the ball the first defender is within Contest of
	// it, less what the shot needs; negative when a defender is there in time.
	Window float64
	// Alone is the window without a further pass, against helpers too.
	Alone float64
	// By is the defender who decides the window.
	By int
	// Feet is how far the nearest defender is when the shot leaves the hand.
	Feet float64
	// Next is the attacker who gets one more pass because a helper came; -1 for none.
	Next int
}

// Figures of the second opinion.
const (
	// Contest is how near, in feet, a defender bothers a catch or a shot (assumption: an
	// arm and a step).
	Contest = 3.0
	// bodyWidth is the center distance in feet at which one body blocks another's way
	// (assumption).
	bodyWidth = 1.5
	// armReach is how near, in feet, a run may pass its own defender before it is stopped,
	// a body and an arm; bodyReach how near it may pass another one (assumptions).
	armReach  = 2.5
	bodyReach = 1.8
	// wellBack is how far, in feet, a big keeps from a handler who may still drive (assumption).
	wellBack = 6.0
	// heldFor is how long a body holds somebody up who has to go around it, in seconds
	// (assumption).
	heldFor = 0.25
	// laneReach is how near the ball's way, in feet, a defender takes it (assumption).
	laneReach = 2.0
	// longPass is from how far, in feet, a pass is thrown high and slower (assumption).
	longPass = 24.0
	// gathers is how long a dribbler needs to gather the ball for a long pass, in seconds
	// (assumption).
	gathers = 0.25
	// overReach is how near the catch, in feet, a defender still gets a pass thrown
	// overhead (assumption).
	overReach = 4.0
	// nearPasser is how near the passer, in feet, a defender can be passed around (assumption).
	nearPasser = 5.0
	// toJump is how much sooner, in seconds, a defender must be there who takes a pass
	// thrown overhead (assumption).
	toJump = 0.35
	// onRunner is how near, in feet, a defender ahead of a runner is on that runner (assumption).
	onRunner = 4.0
	// alreadyThere is how near the catch, in feet, a helper stands who needs no decision
	// to be there (assumption).
	alreadyThere = 5.0
	// lobReach is how near the rim, in feet, a defender takes a lob (assumption).
	lobReach = 8.0
	// step is how far apart, in feet, the points of a path are at which it can be cut off.
	step = 2.0
	// awayFor is how much later, in seconds, a defender sees a cut who looks away (assumption).
	awayFor = 0.5
	// LeastWindow and mostWindow are the least and the most a window counts, in seconds:
	// what is this open is open (assumption).
	LeastWindow, mostWindow = -1.2, 1.2
	// drifts is how far, in feet, somebody moves away who was left (assumption).
	drifts = 5.0
	// otherPass is what it costs to look at another receiver first, in seconds (assumption).
	otherPass = 0.2
	// extraPass is what one more pass costs, in seconds (assumption: catch, look, release).
	extraPass = 0.35
	// atRim is how near the ring, in feet, a shot is a layup (assumption).
	atRim = 6.0
)

// Release is how long a shot takes from the catch, or from the end of a drive, in
// seconds (assumption): a layup is on its way sooner than a jumper.
func Release(feet float64) float64 {
	if feet <= atRim {
		return 0.5
	}
	return 0.65
}

// Play runs a try against every defender. The shot is judged where and when it leaves
// the hand.
func (m *Moment) Play(t *Try) Outcome {
	run := m.runOf(t, t.Receiver)
	end := m.Attack[t.Receiver].At
	arrive := 0.0
	if run != nil {
		end, arrive = m.meets(run)
	}
	o := Outcome{End: end, Ball: arrive, Way: Kept, By: -1, Next: -1}
	if t.Receiver != m.Ball {
		m.throw(t, &o, arrive)
	}
	if o.Way == Blocked {
		o.Window = LeastWindow
		return o
	}
	shot, released := m.release(run, end, o.Ball)
	o.End = shot
	if (run == nil || !run.ToRim) && shot.Len() > m.Range {
		o.Window = LeastWindow
		return o // nobody shoots from there
	}
	var places [16]passing
	way := m.passings(run, places[:0])
	own, help, ownBy, helpBy := math.Inf(1), math.Inf(1), -1, -1
	for d := range m.Defenders {
		if m.busy == d+1 {
			continue
		}
		if run != nil && (run.Dribble || t.Receiver == m.Ball) && m.onBack(d, run) {
			continue // on the driver's back
		}
		react := m.reaction(d, t.Receiver, shot) + m.faked(d, t.Receiver, run)
		if t.Stops && m.keepsBack(d, t.Receiver, shot) {
			react += arrive
		}
		w := m.contest(d, t, run, shot, react) - released
		if run != nil && m.cutsOff(d, t.Receiver, run, way) {
			w = LeastWindow // stopped on the way
		}
		if m.minds(d) == t.Receiver || m.close(d, shot) {
			if w < own {
				own, ownBy = w, d
			}
		} else if w < help {
			help, helpBy = w, d
		}
	}
	o.Window, o.By = own, ownBy
	o.Alone = clip(min(own, help))
	if help < own {
		// A helper gives up an own player: the next pass may be better.
		o.Window, o.By = help, helpBy
		if next := min(own, m.left(t, helpBy, end, o.Ball)); next > help {
			o.Window, o.Next = next, m.minds(helpBy)
		}
	}
	o.Window = clip(o.Window)
	o.Feet = Room(o.Window, run != nil && run.ToRim)
	return o
}

// clip keeps a window between the least and the most that count.
func clip(window float64) float64 { return max(LeastWindow, min(mostWindow, window)) }

// meets is where and when a runner is ready for the ball: at the end of the path, at a
// stop, or so many feet before it in stride.
func (m *Moment) meets(r *Run) (court.Point, float64) {
	mover := Mover{m.Attack[r.Who].At, m.Attack[r.Who].Velocity}
	runner := m.runner(r)
	if !r.ToRim {
		return r.Path[len(r.Path)-1], r.Delay + runner.StopAt(mover, r.Path)
	}
	last := len(r.Path) - 1
	from := mover.At
	if last > 0 {
		from = r.Path[last-1]
	}
	at := r.Path[last].Toward(from, min(r.Stride, r.Path[last].Dist(from)))
	path := append(append(make([]court.Point, 0, 8), r.Path[:last]...), at)
	return at, r.Delay + runner.Arrival(mover, path)
}

// release is where and when the shot leaves the hand.
func (m *Moment) release(r *Run, end court.Point, ball float64) (court.Point, float64) {
	if r == nil || !r.ToRim {
		return end, ball + Release(end.Len())
	}
	at := ball + Release(0)
	shot, _ := m.runner(r).Along(Mover{m.Attack[r.Who].At, m.Attack[r.Who].Velocity}, r.Path, at-r.Delay)
	return shot, at
}

func (m *Moment) runner(r *Run) Runner {
	if r.Dribble {
		return m.Pace.Dribbling()
	}
	return m.Pace.Cutting()
}

func (m *Moment) runOf(t *Try, who int) *Run {
	for i := range t.Runs {
		if t.Runs[i].Who == who && len(t.Runs[i].Path) > 0 {
			return &t.Runs[i]
		}
	}
	return nil
}

// Settle fixes who follows whom as things stand, for every try that is played after it.
func (m *Moment) Settle() {
	for d := range m.Defenders {
		m.follows[d] = m.follow(d)
	}
	m.settled = true
}

// minds is the attacker whom a defender follows.
func (m *Moment) minds(d int) int {
	if m.settled {
		return m.follows[d]
	}
	return m.follow(d)
}

// follow is the own attacker, or the other one where the two have exchanged by how they
// move.
func (m *Moment) follow(d int) int {
	own := m.Defend[d].Guards
	a, b := m.Involved[0], m.Involved[1]
	if own != a && own != b || a == b {
		return own
	}
	x, y := m.defenderOf(a), m.defenderOf(b)
	if x < 0 || y < 0 || !m.switched(x, y, a, b) {
		return own
	}
	return a + b - own
}

// Exchanged reports whether the two involved defenders follow each other's attacker.
func (m *Moment) Exchanged() bool {
	x := m.defenderOf(m.Involved[0])
	return x >= 0 && m.minds(x) != m.Involved[0]
}

func (m *Moment) defenderOf(a int) int {
	for d := range m.Defenders {
		if m.Defend[d].Guards == a {
			return d
		}
	}
	return -1
}

// switched reports whether two defenders are each nearer to the other's attacker, and
// will be after a reaction as they move.
func (m *Moment) switched(x, y, a, b int) bool {
	const clearly = 1.0 // feet, of the two together (assumption)
	apart := func(t float64) bool {
		dx, dy := m.drift(x, t), m.drift(y, t)
		pa, pb := m.Attack[a].At.Add(m.Attack[a].Velocity.Scale(t)), m.Attack[b].At
		byX, byY := dx.Dist(pa)-dx.Dist(pb), dy.Dist(pb)-dy.Dist(pa)
		return byX > 0 && byY > 0 && byX+byY > clearly
	}
	return apart(0) && apart(m.Pace.React)
}
