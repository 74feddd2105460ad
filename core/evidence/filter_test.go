package evidence

import (
	"testing"
	"time"

	"evrik/core/drill"
)

func TestFilter(t *testing.T) {
	for _, tc := range []struct {
		filter Filter
		says   string
	}{
		{Filter{}, ""},
		{Filter{Rung: drill.Live3, Side: drill.Left, From: "2026-03-01", Until: "2026-03-01"}, ""},
		{Filter{Rung: "attic"}, "evidence.rung"},
		{Filter{Rung: drill.Air}, "evidence.rung-not-judged"},
		{Filter{Side: "middle"}, "evidence.side"},
		{Filter{From: "soon"}, "evidence.day"},
		{Filter{From: "2026-03-02", Until: "2026-03-01"}, "evidence.period-order"},
	} {
		err := tc.filter.Check()
		if err == nil {
			_, _, _, err = tc.filter.Period(time.UTC)
		}
		refused(t, err, tc.says)
	}
	from, before, ok, _ := Filter{Until: "2026-03-01"}.Period(time.UTC)
	if !ok || !from.IsZero() || !before.Equal(time.Date(2026, 3, 2, 0, 0, 0, 0, time.UTC)) {
		t.Errorf("until a day: %v to %v", from, before)
	}
	reps := []Rep{{ID: "a", Rung: drill.Live2, Side: drill.Left}, {ID: "b", Rung: drill.Live2, Side: drill.Right},
		{ID: "c", Rung: drill.Game, Side: drill.Left}}
	if got := (Filter{Rung: drill.Live2, Side: drill.Left}).Of(reps); len(got) != 1 || got[0].ID != "a" {
		t.Errorf("%+v", got)
	}
	if got := (Filter{}).Of(reps); len(got) != 3 {
		t.Errorf("%+v", got)
	}
}
