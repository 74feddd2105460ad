package offense

import (
	"math"
	"math/rand/v2"
	"slices"

	"evrik/core/court"
	"evrik/core/game"
	"evrik/core/motion"
	"evrik/core/reads"
)

// Defense is what a possession is played against.
type Defense struct {
	// Zone is a two-three zone, else man to man.
	Zone bool `json:"zone"`
	// Deny is true where the men deny the wings.
	Deny  bool       `json:"deny"`
	Mixes []game.Mix `json:"mixes"`
}

// Rate is how often a player makes a read, 0 to 1.
type Rate func(player int, role reads.Role, read reads.Read) float64

// Look is a chance for a shot.
type Look struct {
	Player     int     `json:"player"`
	Kind       string  `json:"kind"` // what it came from, see Looks
	Separation float64 `json:"separation"`
	T          float64 `json:"t"` // seconds in
	Feet       float64 `json:"feet"`
}

// What looks come from.
const (
	OffCut    = "cut"
	OffScreen = "screen"
	OffBall   = "ball"
	OffPass   = "pass" // a catch outside that nobody is near
)

const (
	// possession is how long it lasts, in seconds: a shot clock with the time to bring
	// the ball up taken off (assumption).
	possession = 24.0
	// runsAt is how fast a defender comes at a shot, in ft/s (assumption).
	runsAt = 15.0
	// spread is how far separations scatter, in feet (assumption).
	spread = 1.0
	// cutSteps is for how many seconds of running a right basket cut gains on his man,
	// besides the man's reaction; cutLost is what a wrong one has left, in feet
	// (assumptions).
	cutSteps = 0.3
	cutLost  = 0.5
	// cutRight is how often a cutter goes on the right side of a man who has turned to the
	// ball (assumption; where there is a record of back cuts it counts).
	cutRight = 0.55
	zonePull = 0.35 // how far a zone leans with the ball, as a share (assumption)
	seesPass = 0.5  // s before a pass in which a zone sees it coming (assumption)
)

// Simulator plays possessions of a school by five players against a defense.
type Simulator struct {
	floor   Floor
	school  School
	defense Defense
	rate    Rate
	// gains are the feet a read comes free with against a cue, by situation.
	gains map[string]map[reads.Cue]table
	mix   map[string][]weighed
}

type weighed struct {
	cue   reads.Cue
	share float64
}

// table is one coverage of a situation: what it asks and what every read gains.
type table struct {
	roles [2]reads.Role
	asks  [2]reads.Read
	gain  map[reads.Read]float64
	all   []reads.Read
}

// NewSimulator computes once, by the read engine's own kinematics, how free every read
// of the school's situations comes against every coverage.
func NewSimulator(fl reads.Floor, s School, d Defense, rate Rate) *Simulator {
	sim := &Simulator{NewFloor(fl), s, d, rate, map[string]map[reads.Cue]table{}, map[string][]weighed{}}
	for _, a := range s.Answers {
		screen, ok := reads.ActionByID(a.Situation)
		if !ok || sim.gains[a.Situation] != nil {
			continue
		}
		sim.gains[a.Situation] = map[reads.Cue]table{}
		for _, ask := range game.Asks([]string{a.Situation}, fl.Rules, d.Mixes) {
			at := screen.Example(fl.Court, ask.Cue)
			t := table{roles: ask.Roles, asks: ask.Reads, gain: map[reads.Read]float64{}}
			for _, o := range reads.Options(fl, &at) {
				t.gain[o.Read] = room(o)
				t.all = append(t.all, o.Read)
			}
			sim.gains[a.Situation][ask.Cue] = t
			sim.mix[a.Situation] = append(sim.mix[a.Situation], weighed{ask.Cue, ask.Share})
		}
	}
	return sim
}

// room is how far the first defender is from the catch of an option, in feet: looks are
// measured at the catch, as those of a cut or against a zone are, and not at the release.
func room(o reads.Option) float64 {
	if o.Pass == reads.NoPass {
		return 0
	}
	return math.Max(0, motion.Contest+runsAt*(o.Window+motion.Release(o.Feet)))
}

// Possession is what one came to.
type Possession struct {
	Look    Look
	Found   bool // an open look
	Seconds float64
	Passes  int
	Touches [five]int
	Screens [five]int
	Cuts    [five]int
	Broken  []Violation
	// Inside is how many bodies were inside the arc on average, Empty for how many
	// seconds spots were.
	Inside, Empty float64
	// Apart is how many feet neighbours outside were from each other on average, Tight the
	// share of the time in which two of them were nearer than twelve.
	Apart, Tight float64
}

// firstDraw begins the random numbers of what a defense shows and how a read comes out.
// They are drawn pass by pass and apart from what the offense chooses, so that two
// offenses, or two fives, are compared on the same luck.
const firstDraw = 100

// Play plays one possession. The same seed gives the same one.
func (s *Simulator) Play(seed uint64) Possession {
	rng := rand.New(rand.NewPCG(seed, 7))
	p := s.school.Start()
	place := s.floor.places(s.school, p)
	out := Possession{Touches: [five]int{}}
	out.Touches[p.Ball()]++
	t, samples, measured := 0.0, 0.0, 0.0
	tell := func(at Spread) {
		samples++
		out.Inside += float64(at.Inside)
		out.Empty += sampling * float64(at.Empty)
		if at.Nearest > 0 {
			measured++
			out.Apart += at.Apart
			out.Tight += yes(at.Nearest < Neighbours)
		}
	}
	for turn := uint64(1); t < possession; turn++ {
		c, err := s.floor.next(s.school, p, place, s.defense.Deny && !s.defense.Zone, rng, t)
		if err != nil {
			break
		}
		out.Broken = append(out.Broken, s.floor.watch(s.school, &c, tell)...)
		if c.from != c.to {
			out.Passes++
			out.Touches[c.to]++
		}
		for _, l := range c.legs {
			switch l.act {
			case Screen:
				out.Screens[l.player]++
			case Cut, Curl:
				out.Cuts[l.player]++
			}
		}
		if look, ok := s.best(&c, rand.New(rand.NewPCG(seed, firstDraw+turn))); ok {
			out.Look, out.Found, t = look, true, math.Min(c.end, look.T)
			break
		}
		for i := range place {
			place[i] = c.at(i, c.end)
		}
		p, t = c.after, c.end
	}
	out.Seconds = math.Min(t, possession)
	out.Inside /= math.Max(1, samples)
	out.Apart /= math.Max(1, measured)
	out.Tight /= math.Max(1, measured)
	return out
}

// best is the first look of a cycle that is open.
func (s *Simulator) best(c *cycle, rng *rand.Rand) (Look, bool) {
	var looks []Look
	if s.defense.Zone {
		looks = append(looks, s.zoneLook(c, rng))
	}
	tables := s.gains[c.answer.Situation]
	var seen table
	if len(tables) > 0 && !s.defense.Zone {
		at := rng.Float64()
		for _, m := range s.mix[c.answer.Situation] {
			seen = tables[m.cue]
			if at -= m.share; at < 0 {
				break
			}
		}
	}
	for i := range c.legs {
		l := &c.legs[i]
		noise := spread * rng.NormFloat64()
		guess, other := rng.Float64(), rng.Float64() // drawn whether they are needed or not
		switch {
		case s.defense.Zone && l.act != Cut:
		case l.act == Cut:
			rate := s.rate(l.player, reads.Cutter, reads.BackCut)
			if rate <= 0 {
				rate = cutRight
			}
			gain := cutLost
			if guess < rate {
				gain = reads.CutSpeed * (s.floor.Pace.React + cutSteps/2)
			}
			if s.defense.Zone {
				gain = cutLost // somebody is there already
			}
			looks = append(looks, Look{l.player, OffCut, gain + noise, l.rim, rimStop})
		case (l.act == Use || l.act == Curl || l.act == Drive) && seen.gain != nil:
			kind := OffScreen
			if l.act == Drive {
				kind = OffBall
			}
			made := seen.asks[0]
			if guess >= s.rate(l.player, seen.roles[0], made) {
				made = seen.all[int(other*float64(len(seen.all)))]
			}
			gain, known := seen.gain[made]
			if !known {
				continue // not a matter of feet
			}
			feet := l.path[len(l.path)-1].Len()
			if l.rim > 0 {
				feet = rimStop
			}
			looks = append(looks, Look{l.player, kind, gain + noise, math.Max(l.used, l.rim), feet})
		}
	}
	slices.SortStableFunc(looks, func(a, b Look) int {
		if a.T < b.T {
			return -1
		}
		return 1
	})
	for _, l := range looks {
		if l.Separation >= reads.OpenFrom {
			return l, true
		}
	}
	return Look{}, false
}

// zoneSpots is a two-three zone: two above, three below, in feet.
var zoneSpots = [five]court.Point{{X: -7, Y: 18}, {X: 7, Y: 18}, {X: -14, Y: 6}, {X: 0, Y: 5}, {X: 14, Y: 6}}

// zoneLook is how free the catcher of a pass is against a zone that leans with the ball
// and runs at him while the ball flies.
func (s *Simulator) zoneLook(c *cycle, rng *rand.Rand) Look {
	ball, at := c.place[c.from], c.place[c.to]
	flight := c.catch - c.start
	runs := s.floor.Pace.Cutting().Covered(math.Max(0, flight+seesPass-s.floor.Pace.React))
	nearest := math.Inf(1)
	for _, z := range zoneSpots {
		z.X += (ball.X - z.X) * zonePull * math.Exp(-math.Abs(z.X-ball.X)/20)
		nearest = math.Min(nearest, z.Dist(at))
	}
	return Look{c.to, OffPass, nearest - runs - guardFeet + spread*rng.NormFloat64(), c.catch, at.Len()}
}
