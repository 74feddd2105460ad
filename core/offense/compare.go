package offense

import (
	"math"
	"slices"
	"sync"
)

// Mean is a figure with the range that holds it in 95 of 100 cases (normal
// approximation over the possessions).
type Mean struct {
	Value float64 `json:"value"`
	Low   float64 `json:"low"`
	High  float64 `json:"high"`
}

// z95 is the 97.5 % point of the normal distribution.
const z95 = 1.96

func meanOf(values []float64) Mean {
	n := float64(len(values))
	if n == 0 {
		return Mean{}
	}
	sum, square := 0.0, 0.0
	for _, v := range values {
		sum += v
	}
	mean := sum / n
	for _, v := range values {
		square += (v - mean) * (v - mean)
	}
	half := 0.0
	if n > 1 {
		half = z95 * math.Sqrt(square/(n-1)/n)
	}
	return Mean{mean, mean - half, mean + half}
}

// Summary is what many possessions came to.
type Summary struct {
	Possessions int `json:"possessions"`
	// Figures are the figures of Figures, in their order.
	Figures []Mean `json:"figures"`
	// Touches, Screens and Cuts are how many each player has in a possession, Looks each player's share of open looks.
	Touches [five]float64 `json:"touches"`
	Screens [five]float64 `json:"screens"`
	Cuts    [five]float64 `json:"cuts"`
	Looks   [five]float64 `json:"looks"`
	// Actions are the actions of the read tables that come up in a game, by id.
	Actions map[string]float64 `json:"actions"`
	// Kinds counts what open looks came from, Rules the rules that were broken.
	Kinds map[string]int `json:"kinds"`
	Rules map[string]int `json:"rules"`
}

// Of returns a figure by id.
func (s *Summary) Of(id string) Mean {
	return s.Figures[slices.IndexFunc(figures, func(f figure) bool { return f.ID == id })]
}

// figure is one number of a possession.
type figure struct {
	Figure
	of func(*Possession) float64
}

// Figure describes a number of a possession for whoever reads it.
type Figure struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Unit is % for a share of possessions, game for a count in a game of
	// PerGame possessions, else what it is measured in.
	Unit string `json:"unit"`
}

// Units of figures.
const (
	shareOf = "%"
	perGame = "game"
)

func yes(b bool) float64 {
	if b {
		return 1
	}
	return 0
}

// figures are those that are told, in order.
var figures = []figure{
	{Figure{"open", "Possessions with an open look", shareOf}, func(p *Possession) float64 { return yes(p.Found) }},
	{Figure{"rim", "Open looks at the rim", perGame},
		func(p *Possession) float64 { return yes(p.Found && p.Look.Feet <= rimFeet) }},
	{Figure{"mid", "Open looks inside the arc", perGame},
		func(p *Possession) float64 { return yes(p.Found && p.Look.Feet > rimFeet && !p.Look.Three) }},
	{Figure{"three", "Open threes", perGame}, func(p *Possession) float64 { return yes(p.Found && p.Look.Three) }},
	{Figure{"cut", "Open cuts to the rim", perGame},
		func(p *Possession) float64 { return yes(p.Found && p.Look.Kind == OffCut) }},
	{Figure{"screener", "Open looks of screeners", perGame},
		func(p *Possession) float64 { return yes(p.Found && p.Look.Screened) }},
	{Figure{"lost", "Lost balls", perGame}, func(p *Possession) float64 { return yes(p.Lost) }},
	{Figure{"seconds", "Seconds until the shot or the loss", "s"}, func(p *Possession) float64 { return p.Seconds }},
	{Figure{"passes", "Passes", ""}, func(p *Possession) float64 { return float64(p.Passes) }},
	{Figure{"apart", "Between neighbors", "ft"}, func(p *Possession) float64 { return p.Apart }},
	{Figure{"tight", "Time with two nearer than 12 ft", shareOf}, func(p *Possession) float64 { return p.Tight }},
	{Figure{"inside", "Players inside the arc", ""}, func(p *Possession) float64 { return p.Inside }},
	{Figure{"empty", "Time with a spot empty", "s"}, func(p *Possession) float64 { return p.Empty }},
	{Figure{"broken", "Rules broken", perGame}, func(p *Possession) float64 { return float64(len(p.Broken)) }},
}

// Figures describes the figures of a Summary and of a comparison.
func Figures() []Figure {
	out := make([]Figure, len(figures))
	for i := range figures {
		out[i] = figures[i].Figure
	}
	return out
}

func column(list []Possession, of func(*Possession) float64) []float64 {
	out := make([]float64, len(list))
	for i := range list {
		out[i] = of(&list[i])
	}
	return out
}

// Many plays n possessions, with seeds that count up from a first one.
func (s *Simulator) Many(n int, seed uint64) []Possession {
	out := make([]Possession, n)
	for i := range out {
		out[i] = s.Play(seed + uint64(i))
	}
	return out
}

// Sum sums possessions up.
func Sum(list []Possession) Summary {
	out := Summary{Possessions: len(list), Actions: map[string]float64{}, Kinds: map[string]int{},
		Rules: map[string]int{}}
	for _, f := range figures {
		out.Figures = append(out.Figures, meanOf(column(list, f.of)))
	}
	found := 0.0
	for i := range list {
		p := &list[i]
		for k := range p.Touches {
			out.Touches[k] += float64(p.Touches[k]) / float64(len(list))
			out.Screens[k] += float64(p.Screens[k]) / float64(len(list))
			out.Cuts[k] += float64(p.Cuts[k]) / float64(len(list))
		}
		if p.Found {
			found++
			out.Looks[p.Look.Player]++
			out.Kinds[p.Look.Kind]++
		}
		for _, action := range p.Actions {
			out.Actions[action] += PerGame / float64(len(list))
		}
		for _, v := range p.Broken {
			out.Rules[v.Rule]++
		}
	}
	for i := range out.Looks {
		out.Looks[i] /= max(1, found)
	}
	return out
}

// Difference is by how much one offense has more of a figure than another, possession by
// possession on the same random numbers.
type Difference struct {
	Figure string `json:"figure"`
	Mean   Mean   `json:"mean"`
	// Clear is true where the range leaves zero out.
	Clear bool `json:"clear"`
	// Assumed is true where another figure for one of the assumptions could make as much of
	// a difference.
	Assumed bool `json:"assumed"`
}

// Compare sets two lists of possessions side by side that were played with the same seeds.
func Compare(a, b []Possession) []Difference {
	out := []Difference{}
	for _, f := range figures {
		m := f.difference(a, b)
		out = append(out, Difference{f.ID, m, m.Low > 0 || m.High < 0, math.Abs(m.Value) < moves[f.ID]})
	}
	return out
}

// difference is by how much the first list has more of a figure.
func (f *figure) difference(a, b []Possession) Mean {
	n := min(len(a), len(b))
	x, y := column(a[:n], f.of), column(b[:n], f.of)
	for i := range x {
		x[i] -= y[i]
	}
	return meanOf(x)
}

// moves is how far the difference between two shipped offenses moves at most, in each figure a possession, when one
// assumption is a quarter more or less; TestAssumptionsMove measures it.
var moves = map[string]float64{
	"open": 0.046, "rim": 0.043, "mid": 0.019, "three": 0.063, "cut": 0.044, "screener": 0.028, "lost": 0.008,
	"seconds": 0.583, "passes": 0.158, "apart": 0.034, "tight": 0, "inside": 0.004, "empty": 0.445, "broken": 0,
}

// Compared are two offenses side by side.
type Compared struct {
	A           Summary      `json:"a"`
	B           Summary      `json:"b"`
	Differences []Difference `json:"differences"`
}

// How a comparison is played: batch possessions at a time, until the share of open looks
// differs by a range of at most wantedHalf to each side, or mostPlayed are played.
const (
	batch       = 250
	leastPlayed = 1000
	mostPlayed  = 8000
	wantedHalf  = 0.02
)

// Versus plays two offenses on the same luck until their difference is known to two points
// in a hundred. It tells after each batch how far it is, from 0 to 1; ok is false when tell
// wants no more.
func Versus(a, b *Simulator, tell func(done float64) bool) (out Compared, ok bool) {
	var played [2][]Possession
	for n := uint64(0); n < mostPlayed; n += batch {
		var wait sync.WaitGroup
		for i, sim := range []*Simulator{a, b} {
			wait.Go(func() { played[i] = append(played[i], sim.Many(batch, n)...) })
		}
		wait.Wait()
		open := figures[0].difference(played[0], played[1])
		half := (open.High - open.Low) / 2
		whole := min(mostPlayed, max(leastPlayed, float64(n+batch)*(half/wantedHalf)*(half/wantedHalf)))
		done := float64(n+batch) / whole
		if !tell(min(1, done)) {
			return out, false
		}
		if done >= 1 {
			break
		}
	}
	return Compared{Sum(played[0]), Sum(played[1]), Compare(played[0], played[1])}, true
}
