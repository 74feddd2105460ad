package practice

import (
	"testing"
	"time"
)

// Seven days back to the minute, a day ahead, and nothing beyond.
func TestInLastWeek(t *testing.T) {
	now := time.Date(2026, 3, 17, 18, 0, 0, 0, time.UTC)
	list := []Held{{now.Add(-7 * 24 * time.Hour), 1}, {now.Add(-7*24*time.Hour + time.Minute), 10},
		{now.Add(-time.Hour), 20}, {now.Add(24*time.Hour - time.Minute), 40}, {now.Add(24 * time.Hour), 80}}
	if n, minutes := InLastWeek(list, now); n != 3 || minutes != 70 {
		t.Errorf("%d practices of %d minutes", n, minutes)
	}
}
