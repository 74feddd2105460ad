package offense

import (
	"fmt"
	"math/rand/v2"
	"slices"

	"evrik/core/court"
	"evrik/core/reads"
	"evrik/core/refusal"
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
	// Players take part in what follows, the action names its screen or is empty.
	Players []int  `json:"players"`
	Action  string `json:"action"`
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
func (f Floor) standing(o Offense, p Places, at [five]court.Point) Standing {
	out := Standing{At: at, Ball: p.Ball()}
	for i := range out.Spots {
		out.Spots[i] = p.spotOf(o, i)
	}
	return out
}

// Begin is an offense's formation on a floor.
func (f Floor) Begin(o Offense) Standing {
	p := o.Start()
	return f.standing(o, p, f.places(o, p))
}

// Check refuses places where nobody can stand. The error is a refusal.
func (st Standing) Check(c court.Court) error {
	for i, p := range st.At {
		if !p.Finite() || !c.Contains(p) {
			return refusal.New("offense.player-off-court", i+1)
		}
	}
	return nil
}

// From reads a formation: everybody on a spot of the offense, the ball outside.
func (o Offense) From(st Standing) (Places, error) {
	p := Places{Ring: make([]int, len(o.Ring)), Inside: -1, Block: o.Inside}
	for i := range p.Ring {
		p.Ring[i] = -1
	}
	for player, spot := range st.Spots {
		if i := slices.Index(o.Ring, spot); i >= 0 && p.Ring[i] < 0 {
			p.Ring[i] = player
		} else if o.Inside != "" && p.Inside < 0 {
			p.Inside = player
			if spot == "blockR" || spot == "blockL" || spot == HighPost {
				p.Block = spot
			}
		} else {
			return p, refusal.New("offense.two-on-a-spot", court.SpotName(spot))
		}
	}
	if err := p.filled(o); err != nil {
		return p, err
	}
	p.ball = slices.Index(p.Ring, st.Ball)
	if p.ball == inThePost && (st.Ball != p.Inside || p.Block != HighPost || st.Ball < 0) {
		return p, refusal.New("offense.ball-holder")
	}
	return p, nil
}

// Guarding says whether an offense is run against defenders, which defense they play, and how well.
type Guarding struct {
	Defended bool
	Defense  Defense
}

// denied reports whether a pass is denied: where wings are denied, every one that can be.
func (g *Guarding) denied(o Offense, p *Places, to int) bool {
	return g.Defended && !g.Defense.Zone && g.Defense.Dials.Deny > 0.5 && p.deniable(o, to)
}

// Watch runs some passes from a formation. The same seed gives the same run.
func (f Floor) Watch(o Offense, from Standing, passes int, against Guarding, seed uint64) (Run, error) {
	p, err := o.From(from)
	if err != nil {
		return Run{}, err
	}
	rng := rand.New(rand.NewPCG(seed, 1))
	out := Run{Violations: []Violation{}, Passes: []Passed{}, Spacing: []Spread{}}
	come := happened(0)
	last := opening(p, from.At)
	var cycles []cycle
	for range passes {
		to := last.after.pick(rng)
		a, err := last.after.choose(o, to, against.denied(o, &last.after, to), come, rng)
		if err != nil {
			return out, err
		}
		c, err := f.cycle(o, &last, a, to)
		if err != nil {
			return out, err
		}
		out.Passes = append(out.Passes, c.passed(o, f.standing(o, last.after, c.place)))
		cycles = append(cycles, c)
		come |= c.brings()
		last = c
	}
	for i := range cycles {
		broken := f.watch(o, &cycles[i], sampling, func(at Spread) { out.Spacing = append(out.Spacing, at) })
		out.Violations = append(out.Violations, broken...)
	}
	out.End = f.standing(o, last.after, last.places(last.end))
	out.Play = f.play(cycles, against)
	return out, nil
}

// brings is what counters have waited for once a cycle is over.
func (c *cycle) brings() (come happened) {
	for i := range c.legs {
		switch c.legs[i].act {
		case Cut:
			come |= cutWasCovered
		case Use, Curl, Drive:
			come |= screenWasCovered
		}
	}
	return come
}

// passed describes a cycle that began with people standing so.
func (c *cycle) passed(o Offense, start Standing) Passed {
	done := Passed{T: c.start, From: c.from, To: c.to, Answer: c.answer.Name, ID: c.answer.ID, Aim: o.Ring[c.aim],
		Action: c.answer.Action, Players: []int{c.from}, Start: start}
	for _, l := range c.legs {
		if l.act != Fill && l.act != Flash && l.act != slide && !slices.Contains(done.Players, l.player) {
			done.Players = append(done.Players, l.player)
		}
	}
	return done
}

// pick chooses where the ball goes.
func (p *Places) pick(rng *rand.Rand) int {
	targets := p.targets()
	if len(targets) == 1 {
		return targets[0]
	}
	return targets[rng.IntN(len(targets))]
}

// choose takes one of the answers that are allowed, by their weights.
func (p *Places) choose(o Offense, to int, denied bool, come happened, rng *rand.Rand) (Answer, error) {
	var list [maxAnswers]Answer
	allowed := p.allowed(o, to, denied, come, list[:0])
	if len(allowed) == 0 {
		return Answer{}, refusal.New("offense.nothing-from-here", court.SpotName(p.spotOf(o, p.Ball())))
	}
	total := 0.0
	for i := range allowed {
		total += allowed[i].Weight
	}
	if total > 0 {
		at := rng.Float64() * total
		for i := range allowed {
			if at -= allowed[i].Weight; at < 0 {
				return allowed[i], nil
			}
		}
	}
	return allowed[0], nil
}

// play turns cycles into tracks: five players, the ball and, where it is defended, five
// defenders.
func (f Floor) play(cycles []cycle, against Guarding) reads.Play {
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
	first := &cycles[0]
	def := f.begin(&against.Defense.Dials, against.Defense.Zone, first.place, first.from)
	k := -1
	for n := 0; float64(n)*tick < out.Duration; n++ {
		t := float64(n) * tick
		for k+1 < len(cycles) && t >= cycles[k+1].start {
			k++
			def.denies = [five]bool{}
			if c := &cycles[k]; c.answer.On == Denied {
				def.denies[def.of(c.before.Ring[c.aim])] = true
			}
		}
		c := &cycles[k]
		for i := range five {
			tracks[i].Keys = append(tracks[i].Keys, reads.Key{T: t, At: c.at(i, t)})
			if against.Defended {
				tracks[five+i].Keys = append(tracks[five+i].Keys, reads.Key{T: t, At: def.at[i]})
			}
		}
		tracks[2*five].Keys = append(tracks[2*five].Keys, reads.Key{T: t, At: c.ball(t)})
		def.step(c, t+tick)
	}
	for _, tr := range tracks {
		if len(tr.Keys) > 0 {
			out.Tracks = append(out.Tracks, tr)
		}
	}
	for _, c := range cycles {
		out.Steps = append(out.Steps, reads.Step{T: c.start, Name: "Pass", Say: c.answer.Name},
			reads.Step{T: c.catch, Name: c.answer.Name, Say: c.answer.Name})
	}
	return out
}
