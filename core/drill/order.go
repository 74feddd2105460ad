package drill

import (
	"errors"
	"fmt"
	"math/rand/v2"

	"evrik/core/reads"
)

// Limits of a set-up.
const (
	// MaxPlayers is the largest squad an order list is made for (assumption).
	MaxPlayers = 24
	// MaxBaskets for this drill: both ends of a floor.
	MaxBaskets = 2
	// MaxMinutes and MinSeconds bound a block and a rep (assumptions).
	MaxMinutes = 60
	MinSeconds = 5
	MaxSeconds = 120
)

// ErrSetup is the class of errors about a set-up nothing can be run with.
var ErrSetup = errors.New("the drill cannot be run like this")

type setupError struct{ sentence string }

func (e setupError) Error() string        { return e.sentence }
func (e setupError) Is(target error) bool { return target == ErrSetup }

func setup(format string, args ...any) error { return setupError{fmt.Sprintf(format, args...)} }

// Setup is tonight's numbers.
type Setup struct {
	// Players by id; the order does not matter to fairness.
	Players []string `json:"players"`
	Baskets int      `json:"baskets"`
	Minutes float64  `json:"minutes"`
	// Seconds a rep takes with its reset; 0 takes the stage's figure.
	Seconds float64 `json:"seconds"`
	// Seed makes the order; the same seed gives the same order.
	Seed uint64 `json:"seed"`
	// LeftFirst starts on the left side.
	LeftFirst bool `json:"leftFirst"`
}

// Rep is one line of the order list. Empty ids stand for a coach or nobody.
type Rep struct {
	No        int       `json:"no"`   // from 1
	Slot      int       `json:"slot"` // reps of one slot run at the same time
	Basket    int       `json:"basket"`
	Side      string    `json:"side"`
	Cutter    string    `json:"cutter"`
	Screener  string    `json:"screener"`
	XCutter   string    `json:"xCutter"`
	XScreener string    `json:"xScreener"`
	Cue       reads.Cue `json:"cue"` // what the coach shows or names; none on live stages
}

// Count is what one player gets out of the order.
type Count struct {
	Player   string `json:"player"`
	Cutter   int    `json:"cutter"`
	Screener int    `json:"screener"`
	Defence  int    `json:"defence"`
	Right    int    `json:"right"`
	Left     int    `json:"left"`
	Partners int    `json:"partners"` // different players on the same side of the ball
}

// Order is the whole list with its sums.
type Order struct {
	Reps    []Rep   `json:"reps"`
	Counts  []Count `json:"counts"` // in the order of Setup.Players
	Baskets int     `json:"baskets"`
	Seconds float64 `json:"seconds"`
	// Waiting is the share of the time, 0 to 1, a player spends in line.
	Waiting float64 `json:"waiting"`
	// Spread is the largest difference between two players' counts in a role.
	Spread int `json:"spread"`
	// Notes are sentences about what was changed or should be known.
	Notes []string `json:"notes"`
}

// Sides of the floor.
const (
	Right = "right"
	Left  = "left"
)

// OrderList makes the order of a stage for tonight's numbers: offence, then
// defence, then the line. Counts per player and role differ by at most one,
// sides are balanced per player and role, partners vary as far as they can.
// Errors match ErrSetup and are sentences.
func OrderList(stage Stage, in Setup) (Order, error) {
	seconds := in.Seconds
	if seconds == 0 {
		seconds = stage.Seconds
	}
	if err := checkSetup(in, seconds); err != nil {
		return Order{}, err
	}
	n := len(in.Players)
	perBasket := 2 + stage.Defenders
	if n < perBasket {
		return Order{}, setup("%s needs %d players and %d are here. Run %s instead: it works with two.",
			stage.Name, perBasket, n, lowerStage(stage))
	}
	out := Order{Baskets: in.Baskets, Seconds: seconds, Notes: []string{}}
	if fit := n / perBasket; fit < out.Baskets {
		out.Baskets = fit
		out.Notes = append(out.Notes, fmt.Sprintf("%d players fill one basket, not %d: the second needs %d. Everyone is at one end.",
			n, in.Baskets, perBasket*in.Baskets))
	}
	total := int(in.Minutes*60/seconds+1e-9) * out.Baskets
	if total == 0 {
		return Order{}, setup("%.0f s do not hold one rep of %.0f s. Give the block more minutes.", in.Minutes*60, seconds)
	}

	rng := rand.New(rand.NewPCG(in.Seed, uint64(n)))
	who := rng.Perm(n)
	pairs := lineUp(n, out.Baskets, stage.Defenders > 0, total)
	if pairs == nil {
		return Order{}, setup("No fair order was found for %d players at %d baskets. Use one basket fewer.", n, out.Baskets)
	}
	period := sidePeriod(n, total)
	out.Reps = make([]Rep, total)
	for k, p := range pairs {
		rep := Rep{No: k + 1, Slot: k / out.Baskets, Basket: k%out.Baskets + 1, Side: Right,
			Cutter: in.Players[who[p.cutter]], Screener: in.Players[who[p.screener]]}
		if (k/period%2 == 1) != in.LeftFirst {
			rep.Side = Left
		}
		if stage.Defenders > 0 {
			// Whoever had the ball at this basket in the slot before defends now;
			// the first defence is the end of the line.
			d := p
			if k >= out.Baskets {
				d = pairs[k-out.Baskets]
			} else {
				d = firstDefence(pairs, out.Baskets, n, k)
			}
			rep.XCutter, rep.XScreener = in.Players[who[d.cutter]], in.Players[who[d.screener]]
		}
		out.Reps[k] = rep
	}
	if stage.Defenders == 0 {
		dealCues(out.Reps, stage.Cues, rng)
	}
	out.count(in.Players)
	out.Waiting = 1 - float64(perBasket*out.Baskets)/float64(n)
	out.remark(stage, n)
	return out, nil
}

func checkSetup(in Setup, seconds float64) error {
	n := len(in.Players)
	switch {
	case n == 0:
		return setup("Nobody is here: choose who takes part.")
	case n == 1:
		return setup("One player cannot screen for himself. A second makes a pair.")
	case n > MaxPlayers:
		return setup("%d players are more than one drill can hold (%d). Split the squad into two groups.", n, MaxPlayers)
	case in.Baskets < 1 || in.Baskets > MaxBaskets:
		return setup("This drill runs at one or two baskets, not %d.", in.Baskets)
	case !(in.Minutes > 0) || in.Minutes > MaxMinutes:
		return setup("A block lasts more than 0 and at most %d minutes.", MaxMinutes)
	case !(seconds >= MinSeconds) || seconds > MaxSeconds:
		return setup("A rep takes between %d and %d seconds with its reset.", MinSeconds, MaxSeconds)
	}
	seen := make(map[string]bool, n)
	for _, p := range in.Players {
		if p == "" || seen[p] {
			return setup("A player is on tonight's list twice.")
		}
		seen[p] = true
	}
	return nil
}

func lowerStage(s Stage) string {
	if s.Defenders > 0 {
		return "the shown stage, with a coach as the defender,"
	}
	return "the air stage"
}

// sidePeriod is after how many reps the side changes: when everyone has cut
// once and screened once, or half way where there is no time for that.
func sidePeriod(n, total int) int {
	if total <= n {
		return (total + 1) / 2
	}
	return n
}

// lineUp returns `total` pairs in order. Within the limits of a set-up there
// always is one (the tests try every number of players); should a wider limit
// ever break that, it returns nil rather than an unfair list.
func lineUp(n, baskets int, defended bool, total int) []pair {
	tight := n == 4*baskets && defended
	l := newLine(n, baskets, defended || n > 4*baskets)
	fresh := max(1, (n-1)/2)
	for r := 0; len(l.reps) < total; r++ {
		limit := total - len(l.reps)
		if tight {
			for _, p := range tightRound(n, r) {
				if len(l.reps) < total {
					l.add(p)
				}
			}
			continue
		}
		done := false
		// A round that cannot follow the last reps is put off.
		for try := 0; try < 2*fresh && !done; try++ {
			done = l.lined(round(n, r+try), limit) != nil
		}
		if !done {
			return nil
		}
	}
	return l.reps
}

// tightRound is a round for exactly two groups a basket: there is no line, so
// the two halves of the squad take turns and partners come from the own half.
func tightRound(n, r int) []pair {
	half := n / 2
	mine := round(half, r)
	out := make([]pair, 0, n)
	per := half / 2 // pairs of one slot
	for at := 0; at < half; at += per {
		out = append(out, mine[at:at+per]...)
		for _, p := range mine[at : at+per] {
			out = append(out, pair{p.cutter + half, p.screener + half})
		}
	}
	return out
}

// firstDefence picks who defends the first slot at basket k: the pairs of the
// squad who attack last.
func firstDefence(pairs []pair, baskets, n, k int) pair {
	first := make([]int, n) // rep of the first offence, later is better
	for i := range first {
		first[i] = len(pairs)
	}
	for i := len(pairs) - 1; i >= 0; i-- {
		first[pairs[i].cutter], first[pairs[i].screener] = i, i
	}
	taken := make([]bool, n)
	for _, p := range pairs[:min(baskets, len(pairs))] {
		taken[p.cutter], taken[p.screener] = true, true
	}
	// Defenders of the first slot attack no earlier than the slot after.
	var d [2]int
	for b := 0; b <= k; b++ {
		for i := range d {
			best := -1
			for w := range n {
				if !taken[w] && (best < 0 || first[w] > first[best]) {
					best = w
				}
			}
			d[i], taken[best] = best, true
		}
	}
	return pair{d[0], d[1]}
}

// dealCues gives every cutter all the cues before any comes again, in an order
// he cannot foresee.
func dealCues(reps []Rep, cues []reads.Cue, rng *rand.Rand) {
	if len(cues) == 0 {
		return
	}
	left := map[string][]reads.Cue{}
	for i := range reps {
		hand := left[reps[i].Cutter]
		if len(hand) == 0 {
			hand = append([]reads.Cue(nil), cues...)
			rng.Shuffle(len(hand), func(a, b int) { hand[a], hand[b] = hand[b], hand[a] })
		}
		pick := 0
		// The cue the line has just watched comes later, if there is a choice.
		if i > 0 && len(hand) > 1 && hand[0] == reps[i-1].Cue {
			pick = 1
		}
		reps[i].Cue = hand[pick]
		left[reps[i].Cutter] = append(hand[:pick:pick], hand[pick+1:]...)
	}
}

func (o *Order) count(players []string) {
	at := make(map[string]int, len(players))
	o.Counts = make([]Count, len(players))
	met := make([]map[string]bool, len(players))
	for i, p := range players {
		at[p], o.Counts[i].Player, met[i] = i, p, map[string]bool{}
	}
	for _, r := range o.Reps {
		c, s := at[r.Cutter], at[r.Screener]
		o.Counts[c].Cutter++
		o.Counts[s].Screener++
		met[c][r.Screener], met[s][r.Cutter] = true, true
		for _, i := range [2]int{c, s} {
			if r.Side == Right {
				o.Counts[i].Right++
			} else {
				o.Counts[i].Left++
			}
		}
		if r.XCutter != "" {
			o.Counts[at[r.XCutter]].Defence++
			o.Counts[at[r.XScreener]].Defence++
		}
	}
	spread := func(of func(Count) int) int {
		lo, hi := of(o.Counts[0]), of(o.Counts[0])
		for _, c := range o.Counts {
			lo, hi = min(lo, of(c)), max(hi, of(c))
		}
		return hi - lo
	}
	for i := range met {
		o.Counts[i].Partners = len(met[i])
	}
	o.Spread = max(spread(func(c Count) int { return c.Cutter }), spread(func(c Count) int { return c.Screener }))
}

// remark adds what a coach should know about the order.
func (o *Order) remark(stage Stage, n int) {
	right := 0
	for _, r := range o.Reps {
		if r.Side == Right {
			right++
		}
	}
	left := len(o.Reps) - right
	if diff := max(right-left, left-right); diff > n/2 {
		fewer := Left
		if left > right {
			fewer = Right
		}
		o.Notes = append(o.Notes, fmt.Sprintf("The sides drift apart: %d reps on the right, %d on the left. Start on the %s next time.", right, left, fewer))
	}
	if n == 4*o.Baskets && stage.Defenders > 0 {
		o.Notes = append(o.Notes, "There is no line with these numbers: offence and defence take turns without a rest, and partners hardly change.")
	}
	if n%2 == 1 {
		o.Notes = append(o.Notes, "An odd number: partners shift by one each time through, and the counts still differ by one at most.")
	}
}
