package drill

import (
	"fmt"
	"strings"
	"testing"

	"evrik/core/reads"
)

// Everything that is counted of a list, counted once more from the list alone: for drills of
// two, three and four on offense, and for a list in which somebody has left.
func TestCountsByHand(t *testing.T) {
	for _, id := range []string{"slot-twos", "three-line-away", "fours-no-dribble"} {
		d := drillOf(t, id)
		for _, st := range d.Stages {
			in := Setup{Players: squad(11), Baskets: 1, Minutes: 8, Seed: 4}
			o, err := OrderList(d, st, in)
			if err != nil {
				continue
			}
			countedByHand(t, fmt.Sprint(id, " ", st.ID), in.Players, o)
			in.Done, in.Players = o.Reps[:len(o.Reps)/2], in.Players[:10]
			if o, err = OrderList(d, st, in); err != nil {
				continue
			}
			countedByHand(t, fmt.Sprint(id, " ", st.ID, " after one has left"), in.Players, o)
			if len(o.Counts) != 10 {
				t.Errorf("%s counts %d players", id, len(o.Counts))
			}
		}
	}
}

func countedByHand(t *testing.T, name string, players []string, o Order) {
	t.Helper()
	for _, c := range o.Counts {
		want := Count{Player: c.Player, Touches: c.Touches, Sprints: c.Sprints, Jumps: c.Jumps}
		partners := map[string]bool{}
		for _, r := range o.Reps {
			on := false
			for i, p := range r.offense() {
				if p != c.Player {
					continue
				}
				on = true
				switch i {
				case 0:
					want.Cutter++
				case 1:
					want.Screener++
				default:
					want.Others++
				}
				if r.Side == Left {
					want.Left++
				} else {
					want.Right++
				}
			}
			for _, p := range r.offense() {
				if on && p != c.Player {
					partners[p] = true
				}
			}
			for _, p := range r.defense() {
				want.Defense += b2i(p == c.Player)
			}
		}
		want.Partners = len(partners)
		if c != want {
			t.Errorf("%s: %+v, by hand %+v", name, c, want)
		}
	}
	if o.Spread != spread(o) && len(o.Reps[0].offense()) == 1 {
		t.Errorf("%s: spread %d", name, o.Spread)
	}
}

// What a list says of itself: sides that cannot be even, with the numbers that stand in it, and
// no line where everybody plays.
func TestNotesTellTheNumbers(t *testing.T) {
	d := drillOf(t, "slot-twos")
	live, _ := d.Stage("live")
	said := func(n int, minutes float64) (Order, string) {
		t.Helper()
		o, err := OrderList(d, live, Setup{Players: squad(n), Baskets: 1, Minutes: minutes, Seed: 1})
		if err != nil {
			t.Fatal(err)
		}
		return o, strings.Join(o.Notes, " ")
	}
	if _, notes := said(4, 8); !strings.Contains(notes, "There is no line with these numbers") {
		t.Errorf("four players: %q", notes)
	}
	if _, notes := said(6, 8); strings.Contains(notes, "There is no line") {
		t.Errorf("six players: %q", notes)
	}
	uneven := 0
	for n := 4; n <= 12; n++ {
		for minutes := 2.0; minutes <= 9; minutes++ {
			o, notes := said(n, minutes)
			right, left := 0, 0
			for _, r := range o.Reps {
				right += b2i(r.Side == Right)
				left += b2i(r.Side == Left)
			}
			if !strings.Contains(notes, "sides cannot be even") {
				continue
			}
			uneven++
			if want := fmt.Sprintf("%d reps on the right, %d on the left", right, left); !strings.Contains(notes,
				want) {
				t.Errorf("%d players, %v min: %q, want %q", n, minutes, notes, want)
			}
		}
	}
	if uneven == 0 {
		t.Error("no list is uneven: the test tries too little")
	}
}

// A stage that cannot be is refused with the reason.
func TestStagesThatCannotBe(t *testing.T) {
	for want, change := range map[string]func(*Drill){
		"drill.stage-twice": func(d *Drill) { d.Stages[1].ID = d.Stages[0].ID },
		"drill.rung":        func(d *Drill) { d.Stages[0].Rung = "moon" },
		"drill.seconds: Slot twos, On air: name it, run it, 5, 120": func(d *Drill) { d.Stages[0].Seconds = MinSeconds - 1 },
		"drill.seconds":                                 func(d *Drill) { d.Stages[0].Seconds = MaxSeconds + 1 },
		"drill.live-needs-defenders":                    func(d *Drill) { d.Stages[len(d.Stages)-1].Defenders = 0 },
		"drill.live-needs-defenders: Slot twos, On air": func(d *Drill) { d.Stages[0].Defenders = 1 },
		"drill.live-needs-defenders: Slot twos, Live": func(d *Drill) {
			d.Stages[len(
				d.Stages)-1].Defenders = MaxCrew + 1
		},
		"drill.rule":        func(d *Drill) { d.Stages[0].Switches = []string{"moon"} },
		"drill.cue-missing": func(d *Drill) { d.Stages[len(d.Stages)-1].Cues = []reads.Cue{reads.Late} },
		"drill.group":       func(d *Drill) { d.Group = "moon" },
		"drill.id-or-name":  func(d *Drill) { d.Name = "" },
	} {
		d := *drillOf(t, "slot-twos")
		d.Stages = append([]Stage(nil), d.Stages...)
		change(&d)
		if err := d.Validate(); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want it to say %q", err, want)
		}
	}
	ok := *drillOf(t, "slot-twos")
	ok.Stages = append([]Stage(nil), ok.Stages...)
	for _, seconds := range []float64{MinSeconds, MaxSeconds} {
		ok.Stages[0].Seconds = seconds
		if err := ok.Validate(); err != nil {
			t.Errorf("%v s: %v", seconds, err)
		}
	}
}
