package practice

import (
	"strings"
	"testing"

	"evrik/core/reads"
)

// The read that is missing most, for what a rep of it is worth, is suggested, with who
// needs it and the game that asks for it; a plan that lacks little is left alone.
func TestSuggest(t *testing.T) {
	p := Plan{Wants: []Want{{Player: "a", Role: reads.Cutter, Read: reads.Curl, Weight: 1}, {Player: "a", Role: reads.Cutter, Read: reads.Fade, Live: true, Weight: 2}}}
	sheet := Sheet{Reads: []Cover{
		{Role: reads.Cutter, Read: reads.Curl, Players: 5, Demand: 30, Covered: 10},
		{Role: reads.Cutter, Read: reads.Fade, Live: true, Players: 1, Demand: 14, Covered: 0},
	}}
	got, ok := Suggest(p, sheet, "Harbour", map[reads.Read]float64{reads.Fade: 0.25}, 3)
	if !ok || got.Read != reads.Fade || got.Reason != "1 player lacks reps of fade live, and the next practice has none. Harbour is expected to ask for it in 25 of 100 screens, in 3 days." {
		t.Errorf("%+v, %v", got, ok)
	}
	sheet.Reads[1].Covered = 12
	if got, ok = Suggest(p, sheet, "", nil, -1); !ok || got.Read != reads.Curl || !strings.HasSuffix(got.Reason, "has 10 of the 30 that are needed.") {
		t.Errorf("%+v, %v", got, ok)
	}
	sheet.Reads[0].Covered = 25
	if got, ok = Suggest(p, sheet, "", nil, -1); ok {
		t.Errorf("nothing worth saying: %+v", got)
	}
}
