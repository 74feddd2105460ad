package evidence

import (
	"strings"
	"testing"
	"time"
)

// What players tell of home is summed up by player and side, and impossible figures are
// refused in a sentence.
func TestHomeShots(t *testing.T) {
	at := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	told := []HomeSession{
		{"b", at, Side{3, 10}, Side{1, 10}}, {"a", at.Add(time.Hour), Side{5, 5}, Side{}},
		{"b", at.AddDate(0, 0, 1), Side{6, 10}, Side{4, 10}},
	}
	got := HomeOf(told)
	if len(got) != 2 || got[0] != (HomeLine{"b", 2, Side{9, 20}, Side{5, 20}, told[2]}) || got[1].Times != 1 ||
		got[1].Right != (Side{5, 5}) {
		t.Errorf("%+v", got)
	}
	for want, bad := range map[string]HomeSession{
		"evidence.more-makes-than-shots": {Right: Side{6, 5}}, "evidence.too-many-shots": {Left: Side{1, 501}},
		"evidence.no-shots": {}, "more-makes-than-shots": {Right: Side{-1, 5}},
	} {
		if err := bad.Check(); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%+v: %v, want %q", bad, err, want)
		}
	}
	if err := told[1].Check(); err != nil {
		t.Error(err)
	}
	if HomeOf(nil) == nil {
		t.Error("nobody is nil")
	}
}
