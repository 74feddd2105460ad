package evidence

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Kind is what reps that are judged together have in common.
type Kind struct {
	Player   string
	Role     reads.Role
	Expected reads.Read
	Rung     drill.Rung
	Side     string
}

// Mass is a number of reps, how many of them right, and what they weighed at Epoch. A
// weight halves with every half-life, so that the masses of reps of any age can be
// added, and every later weight follows from the one number.
type Mass struct {
	Reps, Right    int
	All, RightOnes float64
}

func (m Mass) plus(o Mass) Mass {
	return Mass{m.Reps + o.Reps, m.Right + o.Right, m.All + o.All, m.RightOnes + o.RightOnes}
}

func (m Mass) minus(o Mass) Mass {
	return Mass{m.Reps - o.Reps, m.Right - o.Right, m.All - o.All, m.RightOnes - o.RightOnes}
}

// Sum is what all reps of a kind come to. Sums add up: those of two lists of reps are
// those of both, so that they can be kept beside the log and grow with it.
type Sum struct {
	Kind
	Mass
	// Last is when the newest rep was made, Practice in which practice or game, and
	// Newest what came from that one.
	Last     time.Time
	Practice string
	Newest   Mass
}

// Mistake is how often a player made another read than the one that was asked for.
type Mistake struct {
	Player         string
	Role           reads.Role
	Expected, Made reads.Read
	Reps           int
}

// Ledger is what a log comes to.
type Ledger struct {
	Sums     []Sum
	Mistakes []Mistake
}

// Epoch is the moment masses are told at; any would do.
var Epoch = time.Date(2020, 1, 1, 0, 0, 0, 0, time.UTC)

// halves is how many half-lives a moment is after Epoch.
func (p Policy) halves(at time.Time) float64 { return float64(at.Sub(Epoch)) / float64(p.HalfLife) }

// Ledger adds up reps by kind, those up to a moment and on rungs where players read.
// Every rep counts, so several observations of one should have been judged before
// (OnePerRep). The order is that of the kinds' first reps.
func (p Policy) Ledger(reps []Rep, at time.Time) Ledger {
	kinds, mistakes := map[Kind]int{}, map[Mistake]int{}
	var out Ledger
	for _, r := range reps {
		if info, ok := drill.RungByID(r.Rung); !ok || !info.Reads || r.At.After(at) {
			continue
		}
		k := Kind{r.Player, r.Role, r.Expected, r.Rung, r.Side}
		i, known := kinds[k]
		if !known {
			i = len(out.Sums)
			kinds[k] = i
			out.Sums = append(out.Sums, Sum{Kind: k})
		}
		m := Mass{Reps: 1, All: math.Exp2(p.halves(r.At))}
		if r.Right {
			m.Right, m.RightOnes = 1, m.All
		}
		out.Sums[i] = out.Sums[i].Plus(Sum{k, m, r.At, r.Practice, m})
		if r.Right || r.Made == "" || r.Made == r.Expected {
			continue
		}
		wrong := Mistake{Player: r.Player, Role: r.Role, Expected: r.Expected, Made: r.Made}
		if i, known = mistakes[wrong]; !known {
			i = len(out.Mistakes)
			mistakes[wrong] = i
			out.Mistakes = append(out.Mistakes, wrong)
		}
		out.Mistakes[i].Reps++
	}
	return out
}

// Plus is the sum of two lists of one kind. Practices do not interleave in time: of the
// older one only the total is kept.
func (s Sum) Plus(o Sum) Sum {
	older, newer := s, o
	if o.Last.Before(s.Last) {
		older, newer = o, s
	}
	if older.Practice == newer.Practice {
		newer.Newest = newer.Newest.plus(older.Newest)
	}
	newer.Mass = s.Mass.plus(o.Mass)
	return newer
}

// Shift is what changes when reps that were judged one way are judged another: what
// to add, and the players of whom something is taken away, whose sums have to be
// counted again from the log. The lists hold the same reps before and after, as
// OnePerRep leaves them.
func (p Policy) Shift(before, after []Rep) (added Ledger, recount []string) {
	type id struct {
		rep      string
		right    bool
		made     reads.Read
		expected reads.Read
	}
	key := func(r Rep) id { return id{r.ID, r.Right, r.Made, r.Expected} }
	was := map[id]bool{}
	for _, r := range before {
		was[key(r)] = true
	}
	var fresh []Rep
	for _, r := range after {
		if was[key(r)] {
			delete(was, key(r))
		} else {
			fresh = append(fresh, r)
		}
	}
	for _, r := range before {
		if !was[key(r)] {
			continue
		}
		// A rep that is written down again, only with other tags, changes no sum.
		if i := slices.IndexFunc(fresh, r.countsAs); i >= 0 {
			fresh = slices.Delete(fresh, i, i+1)
		} else if !slices.Contains(recount, r.Player) {
			recount = append(recount, r.Player)
		}
	}
	fresh = slices.DeleteFunc(fresh, func(r Rep) bool { return slices.Contains(recount, r.Player) })
	return p.Ledger(fresh, Ever), recount
}

// Ever is later than any rep.
var Ever = time.Date(9999, 1, 1, 0, 0, 0, 0, time.UTC)

func (r Rep) countsAs(o Rep) bool {
	return r.Player == o.Player && r.Role == o.Role && r.Expected == o.Expected && r.Made == o.Made && r.Right == o.Right && r.Rung == o.Rung &&
		r.Side == o.Side && r.At.Equal(o.At) && r.Practice == o.Practice
}

// tally weighs sums as of a moment.
func (p Policy) tally(sums []Sum, at time.Time) Tally {
	if len(sums) == 0 {
		return Tally{}
	}
	newest := slices.MaxFunc(sums, func(a, b Sum) int { return a.Last.Compare(b.Last) })
	var all, before Mass
	for _, s := range sums {
		all, before = all.plus(s.Mass), before.plus(s.Mass)
		if s.Practice == newest.Practice {
			before = before.minus(s.Newest)
		}
	}
	scale := math.Exp2(-p.halves(at))
	count := func(m Mass) Count { return Count{m.Right, m.Reps, m.RightOnes * scale, m.All * scale} }
	return Tally{count(all), newest.Last, count(before)}
}

// Filter is which reps a board is about.
type Filter struct {
	Rung drill.Rung // all of them when empty
	Side string     // both when empty
	// From and Until are days, 2006-01-02, both counted; open when empty.
	From, Until string
}

// Of keeps the sums of a rung and a side. The period is for who fetches the reps;
// mistakes are those of all rungs and sides.
func (f Filter) Of(l Ledger) Ledger {
	return Ledger{f.sums(l.Sums), l.Mistakes}
}

func (f Filter) sums(sums []Sum) []Sum {
	return slices.DeleteFunc(slices.Clone(sums), func(s Sum) bool {
		return f.Rung != "" && s.Rung != f.Rung || f.Side != "" && s.Side != f.Side
	})
}

// Period is the filter's days as moments in a zone: from the first on, before the
// second; zero where it is open. ok is false where there is none.
func (f Filter) Period(zone *time.Location) (from, before time.Time, ok bool, err error) {
	parse := func(text string) (time.Time, error) {
		if text == "" {
			return time.Time{}, nil
		}
		t, err := time.ParseInLocation(time.DateOnly, text, zone)
		if err != nil {
			err = fmt.Errorf("Say a day such as 2026-11-30, not %q.", text)
		}
		return t, err
	}
	if from, err = parse(f.From); err != nil {
		return
	}
	if before, err = parse(f.Until); err != nil {
		return
	}
	if !before.IsZero() {
		before = before.AddDate(0, 0, 1)
	}
	if !from.IsZero() && !before.IsZero() && !from.Before(before) {
		err = fmt.Errorf("The period ends on %s, before it begins on %s. Turn the days round.", f.Until, f.From)
	}
	return from, before, f.From != "" || f.Until != "", err
}

// Check refuses a filter that nothing can pass. The error is a sentence.
func (f Filter) Check() error {
	if f.Rung != "" {
		info, ok := drill.RungByID(f.Rung)
		switch {
		case !ok:
			return fmt.Errorf("There is no rung called %q. Choose one from the ladder.", f.Rung)
		case !info.Reads:
			return fmt.Errorf("On %s the cut is named first and nobody reads, so there is nothing to judge. Choose a rung from %s up.", info.Name, drill.Ladder()[drill.Shown.Number()-1].Name)
		}
	}
	if f.Side != "" && f.Side != drill.Left && f.Side != drill.Right {
		return fmt.Errorf("The side is left or right, not %q.", f.Side)
	}
	return nil
}

// Same reports whether two ledgers say the same, whatever their order: counts exactly,
// masses but for the last digits.
func (l Ledger) Same(o Ledger) bool {
	byKind := func(a, b Sum) int {
		return cmp.Or(cmp.Compare(a.Player, b.Player), cmp.Compare(a.Role, b.Role), cmp.Compare(a.Expected, b.Expected), cmp.Compare(a.Rung, b.Rung), cmp.Compare(a.Side, b.Side))
	}
	byMistake := func(a, b Mistake) int {
		return cmp.Or(cmp.Compare(a.Player, b.Player), cmp.Compare(a.Role, b.Role), cmp.Compare(a.Expected, b.Expected), cmp.Compare(a.Made, b.Made))
	}
	near := func(x, y Mass) bool {
		close := func(x, y float64) bool { return math.Abs(x-y) <= 1e-9*math.Max(math.Abs(x), math.Abs(y)) }
		return x.Reps == y.Reps && x.Right == y.Right && close(x.All, y.All) && close(x.RightOnes, y.RightOnes)
	}
	return slices.Equal(slices.SortedFunc(slices.Values(l.Mistakes), byMistake), slices.SortedFunc(slices.Values(o.Mistakes), byMistake)) &&
		slices.EqualFunc(slices.SortedFunc(slices.Values(l.Sums), byKind), slices.SortedFunc(slices.Values(o.Sums), byKind), func(x, y Sum) bool {
			return x.Kind == y.Kind && near(x.Mass, y.Mass) && x.Last.Equal(y.Last) && x.Practice == y.Practice && near(x.Newest, y.Newest)
		})
}
