package drill

import (
	"fmt"
	"math/rand/v2"
	"slices"

	"evrik/core/refusal"
)

// Rule is how players move on after a rep.
type Rule string

// Rotation rules (common practice, no source).
const (
	// OffDefLine: a group plays offense, then defense, then goes to the line.
	OffDefLine Rule = "off-def-line"
	// Follow: everybody goes to the back of the line they passed or ran to.
	Follow Rule = "follow"
	// WinnersStay: the scoring group stays, the loser leaves.
	WinnersStay Rule = "winners-stay"
	// SwapEnds: as off-def-line, and half way everybody changes sides.
	SwapEnds Rule = "swap-ends"
	// FixedPairs: partners stay together and swap places after each rep.
	FixedPairs Rule = "fixed-pairs"
	// Stations: groups stay at a basket, and move on together.
	Stations Rule = "stations"
)

// Rules lists every rotation rule.
func Rules() []Rule { return []Rule{OffDefLine, Follow, WinnersStay, SwapEnds, FixedPairs, Stations} }

// Rotation is a drill's rule and how a coach says it.
type Rotation struct {
	Rule Rule   `json:"rule"`
	Say  string `json:"say"`
}

// turn is one rep in indexes of players: crew by position, and who defends.
type turn struct{ crew, defense []int }

// job is an order list to be made.
type job struct {
	drill           *Drill
	stage           Stage
	n, size         int
	baskets, total  int
	seed            uint64
	apart, together [][2]int
}

// alternates reports whether offense and defense are of one size and take turns: whoever is
// on offense defends next.
func (j job) alternates() bool { return j.remembers() && j.stage.Defenders == j.size }

// remembers reports whether the rest of a list is dealt from what was run: not where lines or
// stations move on by themselves.
func (j job) remembers() bool {
	r := j.drill.Rotation.Rule
	return r != Follow && r != Stations
}

// perBasket is how many players a rep keeps busy at one basket.
func (j job) perBasket() int { return j.size + j.stage.Defenders }

// fit lowers the number of baskets to what the players fill, and says what can
// be run instead when they do not fill one.
func (j *job) fit(out *Order, in Setup) error {
	per := j.perBasket()
	if j.n < per {
		return setup("drill.too-few-players", j.stage.Name, per, j.n, j.instead(in))
	}
	if fit := j.n / per; fit < j.baskets {
		word := map[int]string{1: "one basket"}[fit]
		if word == "" {
			word = fmt.Sprintf("%d baskets", fit)
		}
		out.note("%d players fill %s, not %d: each needs %d.", j.n, word, j.baskets, per)
		j.baskets = fit
	}
	return nil
}

// instead says what fewer players can do: on a live stage the same game in a form that fits,
// elsewhere a stage of the drill that works with fewer.
func (j job) instead(in Setup) error {
	if rung, _ := RungByID(j.stage.Rung); rung.Live && j.n >= 2*leastLive {
		side, oneShort := j.n/2, j.n == j.perBasket()-1
		switch odd := j.n%2 == 1; {
		case odd && oneShort:
			return refusal.New("drill.instead-odd-or-coach", side, side, side+1, side)
		case odd:
			return refusal.New("drill.instead-odd", side, side, side+1, side)
		case oneShort:
			return refusal.New("drill.instead-even-or-coach", side, side)
		}
		return refusal.New("drill.instead-even", side, side)
	}
	for i := len(j.drill.Stages) - 1; i >= 0; i-- {
		s := j.drill.Stages[i]
		if need := len(j.drill.positions(in.NoHelpers)) + s.Defenders; need <= j.n {
			return refusal.New("drill.instead-stage", s.Name, need)
		}
	}
	return refusal.New("drill.instead-other")
}

// leastLive is the smallest side of a live game that is still one (assumption).
const leastLive = 2

// past are the reps that have been run, and the seconds they took.
func (j job) past(in Setup, seconds float64) ([]Rep, float64) {
	if len(in.Done) == 0 {
		return nil, 0
	}
	slots := in.Done[len(in.Done)-1].Slot + 1
	return in.Done, float64(slots) * seconds
}

// pairsOf turns pairs of ids into pairs of indexes; who is not here is left out.
func (j job) pairsOf(players []string, wishes [][2]string) [][2]int {
	var out [][2]int
	for _, w := range wishes {
		a, b := slices.Index(players, w[0]), slices.Index(players, w[1])
		if a >= 0 && b >= 0 && a != b {
			out = append(out, [2]int{a, b})
		}
	}
	return out
}

// broken counts reps that break a wish.
func (j job) broken(reps []Rep, in Setup) int {
	n := 0
	for _, r := range reps {
		on := r.offense()
		bad := false
		for _, w := range in.Apart {
			bad = bad || slices.Contains(on, w[0]) && slices.Contains(on, w[1])
		}
		for _, w := range in.Together {
			bad = bad || slices.Contains(on, w[0]) != slices.Contains(on, w[1])
		}
		if bad {
			n++
		}
	}
	return n
}

// turns deals the reps by the drill's rule; nil when there is no fair way.
func (j job) turns(rng *rand.Rand) []turn {
	switch j.drill.Rotation.Rule {
	case Follow:
		return j.follow(rng)
	case FixedPairs:
		if j.size == 2 && j.n%2 == 0 && j.stage.Defenders == 0 {
			return j.fixedPairs(rng)
		}
	case Stations:
		return j.stations(rng)
	}
	if j.size == 2 && (j.stage.Defenders == 0 || j.stage.Defenders == 2) {
		return j.pairs(rng)
	}
	return j.crews()
}

// labelTries is how many ways of naming a list's players are looked at for the
// coach's wishes.
const labelTries = 40

// pairs deals two on offense by the construction of partners.go.
func (j job) pairs(rng *rand.Rand) []turn {
	list := lineUp(j.n, j.baskets, j.stage.Defenders > 0, j.total)
	if list == nil {
		return nil
	}
	wishes := crewSetup{apart: j.apart, together: j.together}
	who, best := rng.Perm(j.n), 1<<30
	for try := 0; try < labelTries && best > 0 && len(j.apart)+len(j.together) > 0; try++ {
		label, cost := rng.Perm(j.n), 0
		for _, p := range list {
			cost += wishes.wishes([]int{label[p.cutter], label[p.screener]})
		}
		if cost < best {
			who, best = label, cost
		}
	}
	crews := make([][]int, len(list))
	for k, p := range list {
		crews[k] = []int{who[p.cutter], who[p.screener]}
	}
	return j.turnsOf(crews)
}

// turnsOf makes turns of crews on offense. Where they take turns with the defense, it is
// dealt; else the defenders are the rest of each crew. It returns nil where there are no crews.
func (j job) turnsOf(crews [][]int) []turn {
	if crews == nil {
		return nil
	}
	var defense [][]int
	if j.alternates() {
		defense = dealDefense(crews, j.n, j.size, j.baskets)
	}
	out := make([]turn, len(crews))
	for k, crew := range crews {
		out[k] = turn{crew[:j.size], crew[j.size:]}
		if defense != nil {
			out[k].defense = defense[k]
		}
	}
	return out
}

// crews deals more, or fewer, than two on offense. Where the defense is as many
// as the offense they take turns; else the defenders are further positions.
func (j job) crews() []turn {
	in := crewSetup{n: j.n, size: j.size, baskets: j.baskets, total: j.total, apart: j.apart, together: j.together}
	if j.alternates() {
		in.rest = true
	} else {
		in.size += j.stage.Defenders
	}
	return j.turnsOf(dealCrews(in, j.seed))
}

// fixedPairs keeps partners together: the pairs take turns and swap places each
// time they come.
func (j job) fixedPairs(rng *rand.Rand) []turn {
	who := rng.Perm(j.n)
	for _, w := range j.together {
		// Partners the coach wants together are put side by side.
		a, b := slices.Index(who, w[0]), slices.Index(who, w[1])
		mate := a ^ 1
		who[mate], who[b] = who[b], who[mate]
	}
	out := make([]turn, j.total)
	groups := j.n / 2
	for k := range out {
		g, lap := k%groups, k/groups
		crew := []int{who[2*g], who[2*g+1]}
		if lap%2 == 1 {
			crew[0], crew[1] = crew[1], crew[0]
		}
		out[k].crew = crew
	}
	return out
}

// matchSizes puts a turn's defenders on attackers of their size. Who defends does
// not change, so that no count does.
func matchSizes(t turn, in Setup) turn {
	if len(in.Bigs) == 0 || len(t.defense) != len(t.crew) {
		return t
	}
	big := func(p int) bool { return slices.Contains(in.Bigs, in.Players[p]) }
	defense := append([]int(nil), t.defense...)
	for i := range defense {
		if big(t.crew[i]) == big(defense[i]) {
			continue
		}
		// Whoever is wrong elsewhere changes places with that player.
		for k := range defense {
			if k != i && big(t.crew[k]) != big(defense[k]) && big(defense[k]) == big(t.crew[i]) {
				defense[i], defense[k] = defense[k], defense[i]
				break
			}
		}
	}
	t.defense = defense
	return t
}
