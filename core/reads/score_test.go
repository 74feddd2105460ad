package reads

import (
	"slices"
	"testing"
)

// Some answers depend on whether a player can shoot from there. Knowing the player confirms them or rules them out.
func TestWhoWasPlayingSettles(t *testing.T) {
	for _, c := range []struct {
		sign           SecondCue
		shoots, range_ Known
		settled, speak bool
	}{
		{popper, Yes, Unknown, true, false}, {popper, No, Unknown, false, true}, {popper, Unknown, Yes, false, false},
		{inShot, Unknown, Yes, true, false}, {inShot, Unknown, No, false, true}, {inShot, Yes, Unknown, false, false},
		{noShot, Unknown, No, true, false}, {noShot, Unknown, Yes, false, true}, {noShot, No, Unknown, false, false},
		{popperFree, Yes, Yes, false, false}, {SecondCue{}, No, No, false, false},
	} {
		n, seen := Answer{Read: Pop, Sign: c.sign}, Logged{Shoots: c.shoots, InRange: c.range_}
		if got := n.settled(seen); got != c.settled {
			t.Errorf("%s of a shooter %d in range %d: settled %v", c.sign.ID, c.shoots, c.range_, got)
		}
		if got := n.against(SecondCue{}, seen); (got != "") != c.speak {
			t.Errorf("%s of a shooter %d in range %d: %q speaks against it", c.sign.ID, c.shoots, c.range_, got)
		}
	}
}

// A table built from another one replaces the fields that it fills in and keeps the rest.
func TestVariedRows(t *testing.T) {
	base := Row{Cue: Trail, Seen: "behind", closing: 2, shift: 3, Mistakes: []string{"stands"},
		Cutter: []Answer{answer(Curl, "Curl.", "")}, Screener: []Answer{job(Pop, "Open up.")}}
	kept := but([]Row{base}, Row{Cue: Trail, Say: "Go."}, Row{Cue: Under, Seen: "elsewhere", closing: 9})[0]
	if kept.Seen != "behind" || kept.closing != 2 || kept.shift != 3 || kept.Cutter[0].Say != "Go." ||
		!slices.Equal(kept.Mistakes, base.Mistakes) || base.Cutter[0].Say != "Curl." {
		t.Errorf("%+v", kept)
	}
	varied := but([]Row{base}, Row{Cue: Trail, closing: 5, shift: 6, Mistakes: []string{"runs"}})[0]
	if varied.closing != 5 || varied.shift != 6 || varied.Mistakes[0] != "runs" || varied.Seen != "behind" {
		t.Errorf("%+v", varied)
	}
}
