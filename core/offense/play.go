package offense

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"

	"evrik/core/court"
	"evrik/core/reads"
)

// Run is some passes of an offense, to be watched.
type Run struct {
	Play       reads.Play  `json:"play"`
	Violations []Violation `json:"violations"`
	// Passes are what was run, in order.
	Passes []Passed `json:"passes"`
	// Spacing is how far apart people were, four times a second.
	Spacing []Spread `json:"spacing"`
	// End is who stands where at the end, to go on from.
	End Standing `json:"end"`
}

// Passed is a pass with the answer that followed.
type Passed struct {
	T      float64 `json:"t"` // seconds
	From   int     `json:"from"`
	To     int     `json:"to"`
	Answer string  `json:"answer"`
	// ID is the answer's; Aim is the spot that the pass was meant for.
	ID  string `json:"id"`
	Aim string `json:"aim"`
	// Players take part in what follows, the situation names its screen or is empty.
	Players   []int  `json:"players"`
	Situation string `json:"situation"`
	// Start is who stood where when the ball left.
	Start Standing `json:"start"`
}

// Standing is who stands on which spot, and who has the ball.
type Standing struct {
	Spots [five]string      `json:"spots"`
	At    [five]court.Point `json:"at"`
	Ball  int               `json:"ball"`
}

// standing describes a formation.
func (f Floor) standing(s School, p Places, at [five]court.Point) Standing {
	out := Standing{At: at, Ball: p.Ball()}
	for i := range out.Spots {
		out.Spots[i] = p.spotOf(s, i)
	}
	return out
}

// Begin is a school's formation on a floor.
func (f Floor) Begin(s School) Standing {
	p := s.Start()
	return f.standing(s, p, f.places(s, p))
}

// Check refuses places where nobody can stand. The error is a sentence.
func (st Standing) Check(c court.Court) error {
	for i, p := range st.At {
		if !p.Finite() || !c.Contains(p) {
			return fmt.Errorf("Player %d is off the court. Nothing was run; put the figure back.", i+1)
		}
	}
	return nil
}

// From reads a formation: everybody on a spot of the school, the ball outside.
func (s School) From(st Standing) (Places, error) {
	p := Places{Ring: make([]int, len(s.Ring)), Inside: -1, Block: s.Inside}
	for i := range p.Ring {
		p.Ring[i] = -1
	}
	for player, spot := range st.Spots {
		if i := slices.Index(s.Ring, spot); i >= 0 && p.Ring[i] < 0 {
			p.Ring[i] = player
		} else if s.Inside != "" && p.Inside < 0 {
			p.Inside = player
			if spot == "blockR" || spot == "blockL" || spot == HighPost {
				p.Block = spot
			}
		} else {
			return p, fmt.Errorf("Two players are meant to be on the %s.", spot)
		}
	}
	if err := p.filled(s); err != nil {
		return p, err
	}
	p.ball = slices.Index(p.Ring, st.Ball)
	if p.ball == inThePost && (st.Ball != p.Inside || p.Block != HighPost || st.Ball < 0) {
		return p, fmt.Errorf("The ball has to be with somebody outside, or with a high post.")
	}
	return p, nil
}

// Guarding is what an offense is watched against: men who guard or nobody, and whether
// they deny the wings.
type Guarding struct {
	Defended, Deny bool
}

// Watch runs some passes from a formation. The same seed gives the same run.
func (f Floor) Watch(s School, from Standing, passes int, against Guarding, seed uint64) (Run, error) {
	p, err := s.From(from)
	if err != nil {
		return Run{}, err
	}
	rng := rand.New(rand.NewPCG(seed, 1))
	out := Run{Violations: []Violation{}, Passes: []Passed{}, Spacing: []Spread{}}
	place, t := from.At, 0.0
	var cycles []cycle
	for range passes {
		c, err := f.next(s, p, place, against.Deny, rng, t)
		if err != nil {
			return out, err
		}
		broken := f.watch(s, &c, func(at Spread) { out.Spacing = append(out.Spacing, at) })
		out.Violations = append(out.Violations, broken...)
		done := Passed{T: c.start, From: c.from, To: c.to, Answer: c.answer.Name, ID: c.answer.ID, Aim: s.Ring[c.aim], Situation: c.answer.Situation, Players: []int{c.from}, Start: f.standing(s, p, place)}
		for _, l := range c.legs {
			if l.act != Fill && l.act != Flash && !slices.Contains(done.Players, l.player) {
				done.Players = append(done.Players, l.player)
			}
		}
		out.Passes = append(out.Passes, done)
		cycles = append(cycles, c)
		for i := range place {
			place[i] = c.at(i, c.end)
		}
		p, t = c.after, c.end
	}
	out.End = f.standing(s, p, place)
	out.Play = f.play(s, cycles, against)
	return out, nil
}

// next chooses a pass and an answer, and runs it.
func (f Floor) next(s School, p Places, place [five]court.Point, deny bool, rng *rand.Rand, t float64) (cycle, error) {
	targets := p.targets()
	to := targets[0]
	if len(targets) > 1 {
		to = targets[rng.IntN(len(targets))]
	}
	allowed := p.answers(s, to, deny && p.deniable(s, to))
	if len(allowed) == 0 {
		return cycle{}, fmt.Errorf("After a pass from the %s nothing is allowed.", p.spotOf(s, p.Ball()))
	}
	total := 0.0
	for _, a := range allowed {
		total += a.Weight
	}
	pick := allowed[0]
	if total > 0 {
		at := rng.Float64() * total
		for _, a := range allowed {
			if at -= a.Weight; at < 0 {
				pick = a
				break
			}
		}
	}
	return f.cycle(s, p, place, pick, to, t)
}

// Guarding by man: how far between the man and the ring, and how much further for every
// foot the ball is away (assumptions).
const (
	guardFeet = 3.0
	sag       = 0.12
)

// guard is where a man defender stands.
func guard(man, ball court.Point) court.Point {
	return man.Toward(court.Point{}, math.Min(man.Len()*0.6, guardFeet+sag*man.Dist(ball)))
}

// Denying a wing: how far toward the ball the man steps into the lane, from how near on
// and how far off the ball a pass is denied, in feet, and how long it takes to give it up,
// in seconds (assumptions).
const (
	laneFeet  = 4.5
	laneNear  = 6.0
	laneFar   = 30.0
	laneYield = 0.6
)

// denying is how much of the way into the lane a man is, 0 to 1: all of it at a wing one
// pass away, nothing where the passer has looked already.
func (f Floor) denying(s School, c *cycle, man, ball court.Point, t float64) float64 {
	for i, id := range s.Ring {
		near := 1 - man.Dist(f.spots[id])/onSpot
		if !wing(id) || near <= 0 || slices.Contains(c.before.refused, i) || ball.Y < f.spots[id].Y {
			continue
		}
		d := man.Dist(ball)
		w := math.Min(1, 2*near) * clamp01((d-laneNear/2)/laneNear) * clamp01((laneFar-d)/laneNear)
		if c.answer.On == Denied && c.aim == i {
			w *= clamp01(1 - (t-c.catch)/laneYield)
		}
		return w
	}
	return 0
}

func clamp01(x float64) float64 { return math.Max(0, math.Min(1, x)) }

// frame is how often keys are set, in seconds.
const frame = 0.15

// play turns cycles into tracks: five players, the ball and, where it is defended, five
// defenders who follow a reaction later.
func (f Floor) play(s School, cycles []cycle, against Guarding) reads.Play {
	var out reads.Play
	if len(cycles) == 0 {
		return out
	}
	out.Duration = cycles[len(cycles)-1].end + heldBall
	tracks := make([]reads.Track, 2*five+1)
	for i := range five {
		tracks[i].Who, tracks[five+i].Who = fmt.Sprint("p", i), fmt.Sprint("x", i)
	}
	tracks[2*five].Who = "ball"
	find := func(t float64) *cycle {
		for i := range cycles {
			if t <= cycles[i].end {
				return &cycles[i]
			}
		}
		return &cycles[len(cycles)-1]
	}
	ballAt := func(t float64) court.Point {
		c := find(t)
		from, to := c.place[c.from], c.at(c.to, t)
		if t <= c.leaves {
			return from
		}
		if t < c.catch {
			return from.Add(to.Sub(from).Scale((t - c.leaves) / (c.catch - c.leaves)))
		}
		return to
	}
	for t := 0.0; t <= out.Duration+1e-9; t += frame {
		c, late := find(t), math.Max(0, t-f.Pace.React)
		before := find(late)
		for i := range five {
			tracks[i].Keys = append(tracks[i].Keys, reads.Key{T: t, At: c.at(i, t)})
			if against.Defended {
				man, ball := before.at(i, late), ballAt(late)
				at := guard(man, ball)
				if against.Deny {
					lane := man.Toward(ball, laneFeet)
					at = at.Add(lane.Sub(at).Scale(f.denying(s, before, man, ball, late)))
				}
				tracks[five+i].Keys = append(tracks[five+i].Keys, reads.Key{T: t, At: at})
			}
		}
		tracks[2*five].Keys = append(tracks[2*five].Keys, reads.Key{T: t, At: ballAt(t)})
	}
	for _, tr := range tracks {
		if len(tr.Keys) > 0 {
			out.Tracks = append(out.Tracks, tr)
		}
	}
	for _, c := range cycles {
		out.Steps = append(out.Steps, reads.Step{T: c.start, Name: "Pass", Say: c.answer.Name}, reads.Step{T: c.catch, Name: c.answer.Name, Say: c.answer.Name})
	}
	return out
}
