package drill

import (
	"cmp"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
)

// Rule is how players move on after a rep.
type Rule string

// Rotation rules (common practice, no source).
const (
	// OffDefLine: a group plays offense, then defense, then goes to the line.
	OffDefLine Rule = "off-def-line"
	// Follow: everybody goes to the back of the line he passed or ran to.
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

// takesTurns reports whether the offense of a rep defends in the next.
func (j job) takesTurns() bool {
	r := j.drill.Rotation.Rule
	return j.stage.Defenders > 0 && (r == OffDefLine || r == SwapEnds || r == WinnersStay)
}

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
		return setup("%s needs %d players and %d are here. %s", j.stage.Name, per, j.n, j.instead(in))
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
func (j job) instead(in Setup) string {
	if rung, _ := RungByID(j.stage.Rung); rung.Live && j.n >= 2*leastLive {
		side := j.n / 2
		forms := []string{fmt.Sprintf("%d-on-%d", side, side)}
		if j.n%2 == 1 {
			forms = []string{fmt.Sprintf("%d-on-%d with a sub", side, side), fmt.Sprintf("%d-on-%d", side+1, side)}
		}
		if j.n == j.perBasket()-1 {
			forms = append(forms, "let a coach be the last one")
		}
		return fmt.Sprintf("Play %s.", strings.Join(forms, ", or "))
	}
	for i := len(j.drill.Stages) - 1; i >= 0; i-- {
		s := j.drill.Stages[i]
		if need := len(j.drill.positions(in.NoHelpers)) + s.Defenders; need <= j.n {
			return fmt.Sprintf("Run \"%s\" instead: it works with %d.", s.Name, need)
		}
	}
	return "Choose a drill for fewer, or ask a helper in."
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
	out := make([]turn, len(list))
	var opening [][]int
	if j.stage.Defenders > 0 && len(list) > 0 {
		crews := make([][]int, len(list))
		for k, p := range list {
			crews[k] = []int{p.cutter, p.screener}
		}
		opening = firstDefenders(crews, j.n, j.baskets, j.size)
	}
	for k, p := range list {
		out[k].crew = []int{who[p.cutter], who[p.screener]}
		if j.stage.Defenders == 0 {
			continue
		}
		// Whoever had the ball at this basket in the slot before defends now;
		// the first defense is the end of the line.
		if k < j.baskets {
			out[k].defense = []int{who[opening[k][0]], who[opening[k][1]]}
		} else {
			out[k].defense = []int{who[list[k-j.baskets].cutter], who[list[k-j.baskets].screener]}
		}
	}
	return out
}

// crews deals more, or fewer, than two on offense. Where the defense is as many
// as the offense they take turns; else the defenders are further positions.
func (j job) crews() []turn {
	in := crewSetup{n: j.n, size: j.size, baskets: j.baskets, total: j.total, apart: j.apart, together: j.together}
	turns := j.takesTurns() && j.stage.Defenders == j.size
	if turns {
		in.rest = true
	} else {
		in.size += j.stage.Defenders
	}
	list := dealCrews(in, j.seed)
	var opening [][]int
	if turns && len(list) > 0 {
		opening = firstDefenders(list, j.n, j.baskets, j.size)
		// Another ring may leave defense even, too.
		for try := uint64(1); try < ringSeeds && defenseSpread(list, opening, j.n, j.baskets) > 1; try++ {
			other := dealCrews(in, j.seed+try)
			first := firstDefenders(other, j.n, j.baskets, j.size)
			if defenseSpread(other, first, j.n, j.baskets) < defenseSpread(list, opening, j.n, j.baskets) {
				list, opening = other, first
			}
		}
	}
	out := make([]turn, len(list))
	for k, crew := range list {
		out[k].crew = crew[:j.size]
		switch {
		case !turns:
			out[k].defense = crew[j.size:]
		case k >= j.baskets:
			out[k].defense = list[k-j.baskets]
		default:
			out[k].defense = opening[k]
		}
	}
	return out
}

// firstDefenders picks who defends the first slot at each basket. Whoever attacks in the last
// slot does not defend any more, so those who would defend least come first, and of them who
// attack last.
func firstDefenders(list [][]int, n, baskets, size int) [][]int {
	first, defends := make([]int, n), make([]int, n)
	for p := range first {
		first[p] = len(list)
	}
	lastSlot := (len(list) - 1) / baskets * baskets
	for i := len(list) - 1; i >= 0; i-- {
		for _, p := range list[i] {
			first[p] = i
			if i < lastSlot {
				defends[p]++
			}
		}
	}
	var order []int
	for p := range n {
		if first[p] >= baskets {
			order = append(order, p)
		}
	}
	slices.SortStableFunc(order, func(a, b int) int {
		return cmp.Or(cmp.Compare(defends[a], defends[b]), cmp.Compare(first[b], first[a]))
	})
	out := make([][]int, baskets)
	for b := range out {
		out[b] = order[b*size : (b+1)*size]
	}
	return out
}

// ringSeeds is how many lists are looked at for even counts of defense.
const ringSeeds = 6

// defenseSpread is the largest difference between two players' counts of defense, where the
// offense of a slot defends in the next.
func defenseSpread(list, opening [][]int, n, baskets int) int {
	counts := make([]int, n)
	for _, crew := range opening {
		for _, p := range crew {
			counts[p]++
		}
	}
	for _, crew := range list[:max(0, len(list)-baskets)] {
		for _, p := range crew {
			counts[p]++
		}
	}
	return slices.Max(counts) - slices.Min(counts)
}

// follow runs lines: each rep the front of every line plays, and everybody goes
// to the back of the next one. Every basket has its own lines and players.
func (j job) follow(rng *rand.Rand) []turn {
	who := rng.Perm(j.n)
	per := j.perBasket()
	lines := make([][][]int, j.baskets)
	for b := range lines {
		mine := who[b*j.n/j.baskets : (b+1)*j.n/j.baskets]
		if len(mine) < per {
			return nil
		}
		lines[b] = make([][]int, per)
		for i, p := range mine {
			lines[b][i%per] = append(lines[b][i%per], p)
		}
	}
	out := make([]turn, 0, j.total)
	for len(out) < j.total {
		for b := range lines {
			if len(out) == j.total {
				break
			}
			on := make([]int, per)
			for i := range per {
				on[i], lines[b][i] = lines[b][i][0], lines[b][i][1:]
			}
			for i, p := range on {
				next := (i + 1) % per
				lines[b][next] = append(lines[b][next], p)
			}
			out = append(out, turn{on[:j.size], on[j.size:]})
		}
	}
	return out
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

// stations keeps a group at each basket; half way the groups move on. Within a
// group a ring deals the places.
func (j job) stations(rng *rand.Rand) []turn {
	who := rng.Perm(j.n)
	per := j.perBasket()
	lists := make([][][]int, j.baskets)
	groups := make([][]int, j.baskets)
	for b := range lists {
		groups[b] = who[b*j.n/j.baskets : (b+1)*j.n/j.baskets]
		lists[b] = dealCrews(crewSetup{n: len(groups[b]), size: per, baskets: 1, total: j.total/j.baskets + 1}, j.seed+uint64(b))
		if lists[b] == nil {
			return nil
		}
	}
	out := make([]turn, j.total)
	for k := range out {
		slot := k / j.baskets
		station := k % j.baskets
		if slot >= j.total/j.baskets/2 {
			station = (station + 1) % j.baskets
		}
		crew := make([]int, per)
		for i, p := range lists[station][slot] {
			crew[i] = groups[station][p]
		}
		out[k] = turn{crew[:j.size], crew[j.size:]}
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
		// Whoever is wrong elsewhere changes places with him.
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
