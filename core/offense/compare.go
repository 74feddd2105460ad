package offense

import (
	"math"
	"slices"
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
	// Open is the share with an open look, Seconds until the first one, Passes before it.
	Open    Mean `json:"open"`
	Seconds Mean `json:"seconds"`
	Passes  Mean `json:"passes"`
	// Rim is the share of possessions whose first open look is at the rim.
	Rim Mean `json:"rim"`
	// Apart is feet between neighbours outside the arc, Tight the share of the time in
	// which two of them are nearer than twelve.
	Apart Mean `json:"apart"`
	Tight Mean `json:"tight"`
	// Inside is bodies inside the arc, Empty seconds a possession that spots are empty,
	// Broken rules a possession.
	Inside Mean `json:"inside"`
	Empty  Mean `json:"empty"`
	Broken Mean `json:"broken"`
	// Of every player, a possession: touches, screens, cuts, and the share of open looks.
	Touches [five]float64  `json:"touches"`
	Screens [five]float64  `json:"screens"`
	Cuts    [five]float64  `json:"cuts"`
	Looks   [five]float64  `json:"looks"`
	Kinds   map[string]int `json:"kinds"`
	Rules   map[string]int `json:"rules"`
}

// figure takes one number of a possession.
type figure func(Possession) float64

func yes(b bool) float64 {
	if b {
		return 1
	}
	return 0
}

// figures are those that are told, in order.
var figures = []struct {
	ID string
	of figure
}{
	{"open", func(p Possession) float64 { return yes(p.Found) }},
	{"rim", func(p Possession) float64 { return yes(p.Found && p.Look.Feet <= rimStop) }},
	{"seconds", func(p Possession) float64 { return p.Seconds }},
	{"passes", func(p Possession) float64 { return float64(p.Passes) }},
	{"apart", func(p Possession) float64 { return p.Apart }},
	{"tight", func(p Possession) float64 { return p.Tight }},
	{"inside", func(p Possession) float64 { return p.Inside }},
	{"empty", func(p Possession) float64 { return p.Empty }},
	{"broken", func(p Possession) float64 { return float64(len(p.Broken)) }},
}

func column(list []Possession, of figure) []float64 {
	out := make([]float64, len(list))
	for i, p := range list {
		out[i] = of(p)
	}
	return out
}

// MaxPossessions is how many are simulated at once (assumption).
const MaxPossessions = 2000

// Many plays possessions with seeds from one on.
func (s *Simulator) Many(n int, seed uint64) []Possession {
	out := make([]Possession, min(n, MaxPossessions))
	for i := range out {
		out[i] = s.Play(seed + uint64(i))
	}
	return out
}

// Sum sums possessions up.
func Sum(list []Possession) Summary {
	out := Summary{Possessions: len(list), Kinds: map[string]int{}, Rules: map[string]int{}}
	for i, to := range []*Mean{&out.Open, &out.Rim, &out.Seconds, &out.Passes, &out.Apart, &out.Tight, &out.Inside, &out.Empty, &out.Broken} {
		*to = meanOf(column(list, figures[i].of))
	}
	found := 0.0
	for _, p := range list {
		for i := range p.Touches {
			out.Touches[i] += float64(p.Touches[i]) / float64(len(list))
			out.Screens[i] += float64(p.Screens[i]) / float64(len(list))
			out.Cuts[i] += float64(p.Cuts[i]) / float64(len(list))
		}
		if p.Found {
			found++
			out.Looks[p.Look.Player]++
			out.Kinds[p.Look.Kind]++
		}
		for _, v := range p.Broken {
			out.Rules[v.Rule]++
		}
	}
	for i := range out.Looks {
		out.Looks[i] /= math.Max(1, found)
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
}

// Compare sets two lists of possessions side by side that were played with the same seeds.
func Compare(a, b []Possession) []Difference {
	out := []Difference{}
	n := min(len(a), len(b))
	for _, f := range figures {
		x, y := column(a[:n], f.of), column(b[:n], f.of)
		for i := range x {
			x[i] -= y[i]
		}
		m := meanOf(x)
		out = append(out, Difference{f.ID, m, m.Low > 0 || m.High < 0})
	}
	return out
}

// Assumptions lists what the simulation takes for granted, for whoever looks at it.
func Assumptions() []string {
	return slices.Clone([]string{
		"Passes go to a neighbour on the ring, either way as often as the other; what follows is chosen by the weights of the school.",
		"Everybody runs by the figures of the age group or the team's own, and a pass leaves when what followed the one before is over.",
		"A read is right as often as the player's record says; a wrong one is any other read of the situation.",
		"How free a read comes against a coverage is the read engine's own figure, with a foot of scatter. Four feet are an open look.",
		"A right basket cut gains a step and a half; a wrong one has half a foot left.",
		"Where the wings are denied, the first pass to a wing is refused; after his back cut, whoever comes there is open.",
		"A zone leans with the ball and runs at the catcher while it flies.",
		"Nobody tires, dribbles at a gap, throws the ball away or helps from another man.",
	})
}

// Purpose says what the simulation is for, and what not.
const Purpose = "For comparing rules and finding who gets stuck where. It says nothing of scores."
