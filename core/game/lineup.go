package game

import (
	"cmp"
	"slices"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/core/refusal"
)

// Five on the floor.
const onFloor = 5

// Terms are who may play and what the coach wants of a line-up.
type Terms struct {
	Available []string `json:"available"`
	// Together are groups who are on the floor together or not at all.
	Together [][]string `json:"together"`
	// Minutes of the game, and the most that single players may have of them.
	Minutes float64      `json:"minutes"`
	Caps    []MinutesCap `json:"caps"`
}

// MinutesCap is the most that a player may play.
type MinutesCap struct {
	Player  string  `json:"player"`
	Minutes float64 `json:"minutes"`
}

// Limits of the terms (assumptions).
const (
	MaxAvailable = 20
	MaxMinutes   = 60.0
)

// Check refuses terms that no line-up can keep. The error is a refusal.
func (t Terms) Check(squad []Person) error {
	known := func(id string) bool { return slices.ContainsFunc(squad, func(p Person) bool { return p.ID == id }) }
	for i, id := range t.Available {
		if !known(id) {
			return refusal.New("game.player-left")
		}
		if slices.Contains(t.Available[:i], id) {
			return refusal.New("game.player-twice")
		}
	}
	if n := len(t.Available); n < onFloor {
		return refusal.New("game.too-few-players", n)
	} else if n > MaxAvailable {
		return refusal.New("game.too-many-players", MaxAvailable)
	}
	if !(t.Minutes > 0 && t.Minutes <= MaxMinutes) {
		return refusal.New("game.minutes", MaxMinutes)
	}
	for _, group := range t.Together {
		if len(group) > onFloor {
			return refusal.New("game.group-too-large")
		}
		for _, id := range group {
			if !known(id) {
				return refusal.New("game.group-player-left")
			}
		}
	}
	room := 0.0
	for _, id := range t.Available {
		room += t.capOf(id)
	}
	for _, c := range t.Caps {
		if !(c.Minutes >= 0) || !known(c.Player) {
			return refusal.New("game.player-minutes")
		}
	}
	if room < onFloor*t.Minutes {
		return refusal.New("game.minutes-too-few", room, t.Minutes, onFloor*t.Minutes)
	}
	return nil
}

func (t Terms) capOf(id string) float64 {
	for _, c := range t.Caps {
		if c.Player == id {
			return min(c.Minutes, t.Minutes)
		}
	}
	return t.Minutes
}

// Line is one row of a line-up's arithmetic.
type Line struct {
	Ask
	// User and Screener are who is in it; empty off the ball, where anybody may be.
	User     string `json:"user"`
	Screener string `json:"screener"`
	// UserRate and ScreenerRate are how often the two answer rightly; off the ball it is the average of the five.
	UserRate     float64 `json:"userRate"`
	ScreenerRate float64 `json:"screenerRate"`
	// Both is how often both answer it rightly: the product of the two rates or, off
	// the ball, its mean over every two of the five.
	Both float64 `json:"both"`
}

// Five is a line-up.
type Five struct {
	Players []string `json:"players"`
	// Score is the share of what is expected that both players answer rightly.
	Score    float64           `json:"score"`
	Interval evidence.Interval `json:"interval"`
	// First is the chance that it is the best of those that are told.
	First float64 `json:"first"`
	// Handler and Screener are who plays the ball screen or, where none is asked, a handler
	// and who screens best; Roller and Popper who of all but the handler rolls and who
	// pops best, by record and part.
	Handler  string `json:"handler"`
	Screener string `json:"screener"`
	Roller   string `json:"roller"`
	Popper   string `json:"popper"`
	Lines    []Line `json:"lines"`
	Note     string `json:"note"`
	at       [onFloor]int
	h, s     int
}

// Found is what the line-up finder answers.
type Found struct {
	Fives []Five `json:"fives"`
	// Compared is how many fives there were.
	Compared int `json:"compared"`
	// Stints share the minutes out; Share is what they answer on average.
	Stints []Stint `json:"stints"`
	Share  float64 `json:"share"`
}

const (
	// toldFives is how many line-ups are told.
	toldFives = 5
	// draws is how many times rates are drawn to see how sure a ranking is.
	draws = 400
)

// finder holds the rates of everybody available in every ask.
type finder struct {
	asks   []Ask
	people []Person
	// user and screener are rates by ask and person.
	user, screener [][]float64
	ball           []int // asks with the ball
	off            []int
}

func newFinder(asks []Ask, people []Person, rate func(p Person, role reads.Role, read reads.Read) float64) *finder {
	f := &finder{asks: asks, people: people, user: make([][]float64, len(asks)), screener: make([][]float64, len(asks))}
	for i, a := range asks {
		f.user[i], f.screener[i] = make([]float64, len(people)), make([]float64, len(people))
		for k, p := range people {
			f.user[i][k], f.screener[i][k] = rate(p, a.Roles[0], a.Reads[0]), rate(p, a.Roles[1], a.Reads[1])
		}
		if a.Family == Ball {
			f.ball = append(f.ball, i)
		} else {
			f.off = append(f.off, i)
		}
	}
	return f
}

// finderOf is a finder that goes by a form.
func finderOf(asks []Ask, people []Person, form evidence.Form) *finder {
	return newFinder(asks, people, func(p Person, role reads.Role, read reads.Read) float64 {
		return form.Of(evidence.PlayerID(p.ID), role, read).Rate
	})
}

// pairs is the mean, over every two of five, of both being right.
func (f *finder) pairs(i int, five *[onFloor]int) float64 {
	var users, screeners, same float64
	for _, k := range five {
		u, s := f.user[i][k], f.screener[i][k]
		users, screeners, same = users+u, screeners+s, same+u*s
	}
	return (users*screeners - same) / (onFloor * (onFloor - 1))
}

// ballScore is what two answer at the ball.
func (f *finder) ballScore(h, s int) float64 {
	sum := 0.0
	for _, i := range f.ball {
		sum += f.asks[i].Share * f.user[i][h] * f.screener[i][s]
	}
	return sum
}

// score is what a five answers, with the two who do best at the ball.
func (f *finder) score(five [onFloor]int, ball [][]float64) (score float64, h, s int) {
	for _, i := range f.off {
		score += f.asks[i].Share * f.pairs(i, &five)
	}
	h, s = f.cast(five, ball)
	if len(f.ball) > 0 {
		score += ball[h][s]
	}
	return score, h, s
}

// cast finds the handler and the screener of five: those whose part it is, or anybody
// where it is nobody's.
func (f *finder) cast(five [onFloor]int, ball [][]float64) (h, s int) {
	any := !slices.ContainsFunc(five[:], func(k int) bool { return f.people[k].Handler })
	best := -1.0
	for _, a := range five {
		if !any && !f.people[a].Handler {
			continue
		}
		for _, b := range five {
			if a != b && ball[a][b] > best {
				best, h, s = ball[a][b], a, b
			}
		}
	}
	return h, s
}

// ballScores are what any two answer at the ball.
func (f *finder) ballScores() [][]float64 {
	out := make([][]float64, len(f.people))
	for a := range out {
		out[a] = make([]float64, len(f.people))
		for b := range out[a] {
			out[a][b] = f.ballScore(a, b)
		}
	}
	return out
}

// fives calls see with every five of n.
func fives(n int, see func([onFloor]int)) {
	for a := range n {
		for b := a + 1; b < n; b++ {
			for c := b + 1; c < n; c++ {
				for d := c + 1; d < n; d++ {
					for e := d + 1; e < n; e++ {
						see([onFloor]int{a, b, c, d, e})
					}
				}
			}
		}
	}
}

// Find compares every five that may play and tells the best, with the arithmetic, and
// how the minutes can be shared out. The terms have passed Check; what is random comes
// from the seed.
func Find(asks []Ask, form evidence.Form, squad []Person, t Terms, seed uint64) (Found, error) {
	var people []Person
	for _, p := range squad {
		if slices.Contains(t.Available, p.ID) && t.capOf(p.ID) > 0 {
			people = append(people, p)
		}
	}
	f := finderOf(asks, people, form)
	all := f.ranked(t)
	if len(all) == 0 {
		return Found{}, refusal.New("game.no-lineup")
	}
	out := Found{Compared: len(all), Fives: slices.Clone(all[:min(toldFives, len(all))])}
	for i := range out.Fives {
		f.tell(&out.Fives[i], form)
	}
	out.Stints, out.Share = share(all, people, t)
	f.doubt(out.Fives, form, seed) // last: it draws over the rates
	return out, nil
}

// ranked are all fives that keep the terms, those that answer most first.
func (f *finder) ranked(t Terms) []Five {
	ball := f.ballScores()
	var all []Five
	fives(len(f.people), func(at [onFloor]int) {
		if t.keeps(f.people, at) {
			score, h, s := f.score(at, ball)
			all = append(all, Five{at: at, Score: score, h: h, s: s})
		}
	})
	slices.SortStableFunc(all, func(a, b Five) int { return cmp.Compare(b.Score, a.Score) })
	return all
}

// keeps reports whether a five keeps the groups together.
func (t Terms) keeps(people []Person, five [onFloor]int) bool {
	for _, group := range t.Together {
		in := 0
		for _, k := range five {
			if slices.Contains(group, people[k].ID) {
				in++
			}
		}
		if in > 0 && in < len(group) {
			return false
		}
	}
	return true
}

// tell fills in names, parts and arithmetic.
func (f *finder) tell(five *Five, form evidence.Form) {
	five.Lines = []Line{}
	for _, k := range five.at {
		five.Players = append(five.Players, f.people[k].ID)
	}
	for i, a := range f.asks {
		l := Line{Ask: a}
		if a.Family == Ball {
			l.User, l.Screener = f.people[five.h].ID, f.people[five.s].ID
			l.UserRate, l.ScreenerRate = f.user[i][five.h], f.screener[i][five.s]
			l.Both = l.UserRate * l.ScreenerRate
		} else {
			for _, k := range five.at {
				l.UserRate += f.user[i][k] / onFloor
				l.ScreenerRate += f.screener[i][k] / onFloor
			}
			l.Both = f.pairs(i, &five.at)
		}
		five.Lines = append(five.Lines, l)
	}
	slices.SortStableFunc(five.Lines, func(a, b Line) int { return cmp.Compare(b.Share, a.Share) })
	handler := f.people[five.h]
	five.Handler, five.Screener = handler.ID, f.people[five.s].ID
	if len(f.ball) == 0 {
		five.Screener = f.people[f.bestScreener(five)].ID
	}
	if !slices.ContainsFunc(five.at[:], func(k int) bool { return f.people[k].Handler }) {
		five.Note = "None of these is marked as a handler on the roster."
	}
	others := slices.DeleteFunc(slices.Clone(five.at[:]), func(k int) bool { return k == five.h })
	// A big rolls and a shooter pops where the record does not decide.
	pick := func(read reads.Read, part func(Person) bool, not string) string {
		rate := func(k int) float64 { return form.Of(evidence.PlayerID(f.people[k].ID), reads.Screener, read).Rate }
		best := slices.MaxFunc(others, func(a, b int) int {
			barred := func(k int) int {
				if f.people[k].ID == not {
					return -1
				}
				return 0
			}
			own := func(k int) int {
				if part(f.people[k]) {
					return 1
				}
				return 0
			}
			return cmp.Or(cmp.Compare(barred(a), barred(b)), cmp.Compare(rate(a), rate(b)), cmp.Compare(own(a), own(b)))
		})
		return f.people[best].ID
	}
	five.Roller = pick(reads.Roll, func(p Person) bool { return p.Big }, "")
	five.Popper = pick(reads.Pop, func(p Person) bool { return p.Shooter }, five.Roller)
}

// bestScreener is who of five, but the handler, screens best off the ball.
func (f *finder) bestScreener(five *Five) int {
	best, most := -1, -1.0
	for _, k := range five.at {
		sum := 0.0
		for _, i := range f.off {
			sum += f.asks[i].Share * f.screener[i][k]
		}
		if k != five.h && sum > most {
			best, most = k, sum
		}
	}
	return best
}

// Of leaves out who is not among some players any more.
func (t Terms) Of(players []string) Terms {
	gone := func(id string) bool { return !slices.Contains(players, id) }
	out := Terms{Available: slices.DeleteFunc(slices.Clone(t.Available), gone), Together: [][]string{},
		Minutes: t.Minutes,
		Caps:    slices.DeleteFunc(slices.Clone(t.Caps), func(c MinutesCap) bool { return gone(c.Player) })}
	for _, group := range t.Together {
		if group = slices.DeleteFunc(slices.Clone(group), gone); len(group) > 1 {
			out.Together = append(out.Together, group)
		}
	}
	if out.Available == nil {
		out.Available = []string{}
	}
	if out.Caps == nil {
		out.Caps = []MinutesCap{}
	}
	return out
}
