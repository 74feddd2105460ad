package evidence

import (
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/refusal"
)

// Filter is which reps a board is about.
type Filter struct {
	Rung drill.Rung // all of them when empty
	Side string     // both when empty
	// From and Until are days, 2006-01-02, both counted; open when empty.
	From, Until string
}

// Of keeps the reps of a rung and a side. The period is for who fetches the reps.
func (f Filter) Of(reps []Rep) []Rep {
	return slices.DeleteFunc(slices.Clone(reps), func(r Rep) bool {
		return f.Rung != "" && r.Rung != f.Rung || f.Side != "" && r.Side != f.Side
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
			err = refusal.New("evidence.day", text)
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
		err = refusal.New("evidence.period-order", f.Until, f.From)
	}
	return from, before, f.From != "" || f.Until != "", err
}

// Check refuses a filter that nothing can pass. The error is a refusal.
func (f Filter) Check() error {
	if f.Rung != "" {
		info, ok := drill.RungByID(f.Rung)
		switch {
		case !ok:
			return refusal.New("evidence.rung", f.Rung)
		case !info.Reads:
			return refusal.New("evidence.rung-not-judged", info.Name, drill.Ladder()[drill.Guided.Number()-1].Name)
		}
	}
	if f.Side != "" && f.Side != drill.Left && f.Side != drill.Right {
		return refusal.New("evidence.side", f.Side)
	}
	return nil
}

// Ever is later than any rep.
var Ever = time.Date(9999, 1, 1, 0, 0, 0, 0, time.UTC)
