package game

import (
	"cmp"
	"math"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// The ranges and the chances to be first, against draws written from the definition: a
// player's reads are normal scores with a correlation of one half.
func TestDoubtAgainstDraws(t *testing.T) {
	people, form, _ := squad(rand.New(rand.NewPCG(2, 2)), 7, run)
	asks := Asks(run, reads.TeamRules{}, nil)
	f := finderOf(asks, people, form)
	told := f.ranked(Terms{})[:toldFives]
	f.doubt(told, form, 1)
	type skill struct {
		person int
		role   reads.Role
		read   reads.Read
	}
	quantiles := map[skill][]float64{}
	rng := rand.New(rand.NewPCG(7, 7))
	const looks = 800
	first, scores := make([]float64, len(told)), make([][]float64, len(told))
	for range looks {
		common, rates := map[int]float64{}, map[skill]float64{}
		rate := func(k int, role reads.Role, read reads.Read) float64 {
			id := skill{k, role, read}
			if _, known := common[k]; !known {
				common[k] = rng.NormFloat64()
			}
			if r, known := rates[id]; known {
				return r
			}
			list := quantiles[id]
			if list == nil {
				e := form.Of(evidence.PlayerID(people[k].ID), role, read)
				list = e.Quantiles()
				quantiles[id] = list
			}
			z := math.Sqrt(0.5)*common[k] + math.Sqrt(0.5)*rng.NormFloat64()
			rates[id] = list[int(0.5*math.Erfc(-z/math.Sqrt2)*float64(len(list))*0.999999)]
			return rates[id]
		}
		best := 0
		for i, five := range told {
			score := 0.0
			for _, a := range asks {
				if a.Family == Ball {
					score += a.Share * rate(five.h, a.Roles[0], a.Reads[0]) * rate(five.s, a.Roles[1], a.Reads[1])
					continue
				}
				for _, u := range five.at {
					for _, s := range five.at {
						if u != s {
							score += a.Share * rate(u, a.Roles[0], a.Reads[0]) * rate(s, a.Roles[1], a.Reads[1]) / 20
						}
					}
				}
			}
			scores[i] = append(scores[i], score)
			if score > scores[best][len(scores[best])-1] {
				best = i
			}
		}
		first[best] += 1.0 / looks
	}
	for i := range told {
		slices.Sort(scores[i])
		if in := told[i].Interval; math.Abs(in.Low-scores[i][looks/10]) > 0.03 ||
			math.Abs(in.High-scores[i][looks-looks/10]) > 0.03 {
			t.Errorf("five %d: %.3f to %.3f, drawn %.3f to %.3f", i, in.Low, in.High, scores[i][looks/10],
				scores[i][looks-looks/10])
		}
		if math.Abs(told[i].First-first[i]) > 0.09 {
			t.Errorf("five %d is first in %.2f, drawn %.2f", i, told[i].First, first[i])
		}
	}
}

// The arithmetic of a line-up: off the ball the mean rates of the five, and where no ball
// screen is asked for, who screens best apart from the handler.
func TestToldArithmetic(t *testing.T) {
	off := []string{reads.Down, reads.Away}
	people, form, ids := squad(rand.New(rand.NewPCG(9, 1)), 6, off)
	asks := Asks(off, reads.TeamRules{}, nil)
	found, err := Find(asks, form, people, Terms{Available: ids, Minutes: 8}, 1)
	if err != nil {
		t.Fatal(err)
	}
	rate := func(id string, role reads.Role, read reads.Read) float64 {
		return form.Of(evidence.PlayerID(id), role, read).Rate
	}
	for _, five := range found.Fives {
		for _, l := range five.Lines {
			user, screener := 0.0, 0.0
			for _, id := range five.Players {
				user, screener = user+rate(id, l.Roles[0], l.Reads[0])/5, screener+rate(id, l.Roles[1], l.Reads[1])/5
			}
			if math.Abs(user-l.UserRate) > 1e-9 || math.Abs(screener-l.ScreenerRate) > 1e-9 || l.User != "" ||
				l.Screener != "" {
				t.Errorf("%s %s: %.4f and %.4f, want %.4f and %.4f", l.Action, l.Cue, l.UserRate, l.ScreenerRate, user,
					screener)
			}
		}
		screens := func(id string) (sum float64) {
			for _, a := range asks {
				sum += a.Share * rate(id, a.Roles[1], a.Reads[1])
			}
			return sum
		}
		best := slices.MaxFunc(slices.DeleteFunc(slices.Clone(five.Players),
			func(id string) bool { return id == five.Handler }),
			func(a, b string) int { return cmp.Compare(screens(a), screens(b)) })
		if five.Screener != best {
			t.Errorf("%s screens, %s does it best", five.Screener, best)
		}
	}
	if !slices.IsSortedFunc(found.Fives, func(a, b Five) int { return cmp.Compare(b.Score, a.Score) }) {
		t.Error("not the best first")
	}
}

// Readiness goes by who plays the part: the mean of theirs, who does it best and least, and
// nobody is named where nothing was logged.
func TestReadinessByPart(t *testing.T) {
	p := evidence.DefaultPolicy()
	people := []Person{{ID: "h1", Handler: true}, {ID: "h2", Handler: true}, {ID: "w1", Wing: true},
		{ID: "b1", Big: true}, {ID: "any"}, {ID: "h3", Handler: true}, {ID: "h4", Handler: true}}
	asks := Asks([]string{reads.Ball}, reads.TeamRules{}, []Mix{{Ball, []Share{{reads.Drop, 70}, {reads.Blitz, 30}}}})
	var reps []evidence.Rep
	for i, who := range []string{"h1", "any", "h2", "h3", "h4", "w1"} {
		for k := range 12 {
			reps = append(reps, evidence.Rep{Player: evidence.PlayerID(who), Role: reads.Handler,
				Expected: asks[0].Reads[0], Correct: k < 12-2*i, Rung: drill.Live2, At: now})
		}
	}
	form := p.FormOf(p.ExtendByPeriod(evidence.NoHistory(), reps, time.UTC))
	list, total := Readiness(asks, form, people)
	i := slices.IndexFunc(list, func(r Ready) bool { return r.Role == reads.Handler && r.Read == asks[0].Reads[0] })
	r := list[i]
	mean := 0.0
	for _, id := range []string{"h1", "h2", "any", "h3", "h4"} {
		mean += form.Of(evidence.PlayerID(id), reads.Handler, r.Read).Rate / 5
	}
	if math.Abs(r.Rate-mean) > 1e-9 || math.Abs(r.Missing-r.Share*(1-mean)) > 1e-9 || r.Reps != 72 {
		t.Errorf("%+v, mean %.4f", r, mean)
	}
	if !slices.Equal(r.Best, []string{"h1", "any", "h2"}) || !slices.Equal(r.Worst, []string{"h3", "h4"}) {
		t.Errorf("best %v, worst %v", r.Best, r.Worst)
	}
	if !slices.IsSortedFunc(list, func(a, b Ready) int { return cmp.Compare(b.Missing, a.Missing) }) || total <= 0 ||
		total >= 1 {
		t.Errorf("total %.3f, %+v", total, list)
	}
	for _, other := range list {
		if other.Reps == 0 && len(other.Best)+len(other.Worst) > 0 {
			t.Errorf("nothing logged, and %v are named", other.Best)
		}
	}
	only, _ := Readiness(asks, form, []Person{{ID: "b1", Big: true}})
	if only[0].Rate <= 0 {
		t.Error("a part nobody has is everybody's")
	}
}
