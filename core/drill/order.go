package drill

import (
	"errors"
	"math"
	"math/rand/v2"

	"evrik/core/reads"
	"evrik/core/refusal"
)

// Limits of a set-up.
const (
	// MaxPlayers is the largest squad an order list is made for (assumption).
	MaxPlayers = 24
	// MaxBaskets: both ends of a floor and four at its sides.
	MaxBaskets = 6
	// MaxMinutes and MinSeconds bound a block and a rep (assumptions).
	MaxMinutes = 60
	MinSeconds = 5
	MaxSeconds = 120
)

// ErrSetup is the class of errors about a set-up nothing can be run with.
var ErrSetup = errors.New("the drill cannot be run like this")

type setupError struct{ refusal.Refusal }

func (e setupError) Is(target error) bool { return target == ErrSetup }
func (e setupError) Unwrap() error        { return e.Refusal }

func setup(code string, args ...any) error {
	return setupError{refusal.Refusal{Code: code, Args: args}}
}

// Setup is tonight's numbers.
type Setup struct {
	// Players by id; the order does not matter to fairness.
	Players []string `json:"players"`
	Baskets int      `json:"baskets"`
	Minutes float64  `json:"minutes"`
	// Seconds a rep takes with its reset; 0 takes the team's measured pace, or the
	// stage's figure.
	Seconds  float64   `json:"seconds"`
	Measured *Measured `json:"-"`
	// Seed makes the order; the same seed gives the same order.
	Seed uint64 `json:"seed"`
	// NoHelpers is true where nobody but the coach is there: players take the
	// helpers' places, which costs reps.
	NoHelpers bool `json:"noHelpers"`
	// PlayerShows is true where a player shows the cue that a coach would, as one more place
	// in the rotation.
	PlayerShows bool `json:"playerShows"`
	// Apart and Together hold pairs of players the coach wants so.
	Apart    [][2]string `json:"apart"`
	Together [][2]string `json:"together"`
	// Bigs are the large players: on live stages they guard each other as far as
	// a rep's people allow.
	Bigs []string `json:"bigs"`
	// Harder are cues that come twice as often.
	Harder []reads.Cue `json:"harder"`
	// Done are reps that have been run: they stand, the rest is made anew for
	// whoever is here now.
	Done []Rep `json:"done"`
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
	// Answer is the answer that is named beforehand, in a workout on a technique rung.
	Answer reads.Read `json:"answer,omitempty"`
	// Others and XOthers are the further positions of offense and defense.
	Others  []Placed `json:"others,omitempty"`
	XOthers []Placed `json:"xOthers,omitempty"`
}

// Placed is a player in a position.
type Placed struct {
	Position string `json:"position"`
	Player   string `json:"player"`
}

// Count is what one player gets out of the order.
type Count struct {
	Player   string `json:"player"`
	Cutter   int    `json:"cutter"`
	Screener int    `json:"screener"`
	Defense  int    `json:"defense"`
	Right    int    `json:"right"`
	Left     int    `json:"left"`
	Partners int    `json:"partners"` // different players on the same side of the ball
	Others   int    `json:"others"`   // reps in a further position
	// Touches of the ball, sprints and jumps on offense, from the drill's motion.
	Touches int `json:"touches"`
	Sprints int `json:"sprints"`
	Jumps   int `json:"jumps"`
}

// Order is the whole list with its sums.
type Order struct {
	Reps    []Rep   `json:"reps"`
	Counts  []Count `json:"counts"` // in the order of Setup.Players
	Baskets int     `json:"baskets"`
	Seconds float64 `json:"seconds"`
	// Basis says where the seconds come from.
	Basis string `json:"basis"`
	// Waiting is the share of the time, 0 to 1, a player spends in line.
	Waiting float64 `json:"waiting"`
	// Spread is the largest difference between two players' counts in a position.
	Spread int `json:"spread"`
	// Notes are sentences about what was changed or should be known.
	Notes []string `json:"notes"`
}

// Sides of the floor.
const (
	Right = "right"
	Left  = "left"
)

// OrderList makes the order of a drill's stage for tonight's numbers, by the drill's
// rotation. Counts per player and position, defense included, differ by at most one after
// every slot; where every basket has players of its own (follow, stations) and one has more
// than another, somebody floats between them and counts differ by at most two. Errors match
// ErrSetup and are refusals.
func OrderList(d *Drill, stage Stage, in Setup) (Order, error) {
	stage = in.shownBy(stage)
	seconds := in.secondsOf(stage)
	if err := checkSetup(in, seconds); err != nil {
		return Order{}, err
	}
	for _, r := range in.Done {
		if len(r.offense()) > len(d.Positions) {
			return Order{}, setup("drill.done-not-of-drill")
		}
	}
	positions := d.positions(in.NoHelpers)
	j := job{drill: d, stage: stage, n: len(in.Players), size: len(positions), baskets: in.Baskets, seed: in.Seed}
	out := Order{Seconds: seconds, Basis: basis(stage, in, seconds), Notes: []string{}}
	if err := j.fit(&out, in); err != nil {
		return Order{}, err
	}
	past, left := j.past(in, seconds)
	total := j.slots(in.Minutes-left/60, seconds) * j.baskets
	if total <= 0 && len(past) == 0 {
		return Order{}, setup("drill.no-fit", in.Minutes*60, seconds)
	}
	j.total = max(0, total)
	j.apart, j.together = j.pairsOf(in.Players, in.Apart), j.pairsOf(in.Players, in.Together)

	rng := rand.New(rand.NewPCG(in.Seed, uint64(j.n)))
	var turns []turn
	if len(past) > 0 && j.total > 0 && j.remembers() {
		turns = j.resume(past, in.Players, rng)
	} else {
		turns = j.turns(rng)
	}
	if turns == nil && j.total > 0 {
		return Order{}, setup("drill.no-fair-order", j.n, j.baskets)
	}
	out.Baskets = j.baskets
	out.Reps = append(out.Reps, past...)
	start := 0
	if len(past) > 0 {
		start = past[len(past)-1].Slot + 1
	}
	fresh := make([]Rep, len(turns))
	for k, t := range turns {
		fresh[k] = matchSizes(t, in).rep(positions, in.Players)
		fresh[k].No, fresh[k].Slot, fresh[k].Basket = len(past)+k+1, start+k/j.baskets, k%j.baskets+1
	}
	dealSides(fresh, past, j.n, d.Rotation.Rule == SwapEnds)
	switch rung, _ := RungByID(stage.Rung); {
	case len(d.Workout) > 0 && !rung.Reads:
		dealWorkout(fresh, past, d.Workout)
	case !rung.Live:
		dealCues(fresh, stage.Cues, in.Harder, rng)
	}
	out.Reps = append(out.Reps, fresh...)
	out.count(in.Players, d)
	out.Waiting = 1 - math.Min(1, float64(j.perBasket()*j.baskets)/float64(j.n))
	out.remark(j, in)
	return out, nil
}

// shownBy is a stage with a player in the coach's place, where one shows the cue.
func (in Setup) shownBy(stage Stage) Stage {
	if in.PlayerShows && stage.CoachShows {
		stage.Defenders, stage.CoachShows = 1, false
	}
	return stage
}

// rep names a turn's players in their positions.
func (t turn) rep(positions, players []string) Rep {
	var r Rep
	for i, p := range t.crew {
		switch i {
		case 0:
			r.Cutter = players[p]
		case 1:
			r.Screener = players[p]
		default:
			r.Others = append(r.Others, Placed{positions[i], players[p]})
		}
	}
	for i, p := range t.defense {
		switch i {
		case 0:
			r.XCutter = players[p]
		case 1:
			r.XScreener = players[p]
		default:
			r.XOthers = append(r.XOthers, Placed{positions[min(i, len(positions)-1)], players[p]})
		}
	}
	return r
}

func checkSetup(in Setup, seconds float64) error {
	n := len(in.Players)
	switch {
	case n == 0:
		return setup("drill.nobody-takes-part")
	case n > MaxPlayers:
		return setup("drill.too-many-players", n, MaxPlayers)
	case in.Baskets < 1 || in.Baskets > MaxBaskets:
		return setup("drill.baskets", MaxBaskets, in.Baskets)
	case !(in.Minutes > 0) || in.Minutes > MaxMinutes:
		return setup("drill.block-minutes", MaxMinutes)
	case !(seconds >= MinSeconds) || seconds > MaxSeconds:
		return setup("drill.seconds-and-reset", MinSeconds, MaxSeconds)
	}
	for i, r := range in.Done {
		if r.Slot < 0 || r.Slot > MaxMinutes*60/MinSeconds || i > 0 && r.Slot < in.Done[i-1].Slot {
			return setup("drill.done-not-in-order")
		}
	}
	seen := make(map[string]bool, n)
	for _, p := range in.Players {
		if p == "" || seen[p] {
			return setup("drill.player-twice")
		}
		seen[p] = true
	}
	return nil
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
