package drill

import (
	"slices"
	"strings"
	"testing"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
)

// Small pieces by hand: who is behind, ways past a screen, patterns of sides, who has waited.
func TestSmallPieces(t *testing.T) {
	for name, c := range map[string]struct {
		mean     []float64
		size     []int
		from, to int
	}{
		"even":              {[]float64{2, 2}, []int{4, 3}, -1, -1},
		"just enough":       {[]float64{0, floatAt}, []int{4, 3}, 0, 1},
		"not enough":        {[]float64{2, 2 + floatAt - 0.01}, []int{4, 3}, -1, -1},
		"the same size":     {[]float64{2, 4}, []int{4, 4}, -1, -1},
		"the smaller group": {[]float64{4, 2}, []int{4, 3}, -1, -1},
		"the most behind":   {[]float64{2, 1, 3}, []int{4, 4, 3}, 1, 2},
		"the first of two":  {[]float64{1, 1, 3}, []int{4, 4, 3}, 0, 2},
	} {
		if from, to := behind(c.mean, c.size); from != c.from || to != c.to {
			t.Errorf("%s: %d to %d, want %d to %d", name, from, to, c.from, c.to)
		}
	}

	// Straight over the screener: past the left shoulder; beside: past the nearer one.
	from, screen, to := court.Point{X: 0, Y: 0}, court.Point{X: 10, Y: 0}, court.Point{X: 20, Y: 0}
	if way := offScreen(from, screen, to); len(way) != 2 || way[0].Dist(screen) != shoulder || way[0].Y <= 0 ||
		way[1] != to {
		t.Errorf("straight over: %v", way)
	}
	low := court.Point{X: 10, Y: 1}
	if way := offScreen(from, low, to); way[0].Y >= low.Y {
		t.Errorf("below: %v", way)
	}

	got := patterns(4, 2, false, false)
	var at [][]int
	for _, p := range got {
		if !p.left {
			at = append(at, p.at)
		}
	}
	for _, want := range [][]int{{2}, {1}, {3}} {
		if !slices.ContainsFunc(at, func(a []int) bool { return slices.Equal(a, want) }) {
			t.Errorf("no change before %v in %v", want, at)
		}
	}
	for _, a := range at {
		if !slices.IsSorted(a) || len(a) > 0 && (a[0] < 1 || a[len(a)-1] > 3) {
			t.Errorf("a change before %v of 4 reps", a)
		}
	}
	if once := patterns(5, 2, true, true); len(once) != 1 || !once[0].left || !slices.Equal(once[0].at, []int{3}) {
		t.Errorf("one change: %+v", once)
	}

	s := search{line: &line{last: []int{5, 3, 5, 4, 3}}}
	for _, c := range []struct {
		p, q pair
		want bool
	}{{pair{0, 1}, pair{2, 3}, true}, {pair{2, 3}, pair{0, 1}, false}, {pair{1, 4}, pair{0, 1}, true},
		{pair{1, 0}, pair{4, 2}, false}, {pair{0, 2}, pair{0, 2}, false}} {
		if s.waits(c.p, c.q) != c.want {
			t.Errorf("%v waits longer than %v: %v", c.p, c.q, !c.want)
		}
	}
	if a, b := round(2, 0), round(2, 1); !slices.Equal(a, []pair{{0, 1}, {1, 0}}) ||
		!slices.Equal(b, []pair{{1, 0}, {0, 1}}) {
		t.Errorf("two players: %v, then %v", a, b)
	}
	j := job{}
	if pairs := j.pairsOf([]string{"a", "b", "c"},
		[][2]string{{"a", "c"}, {"a", "a"}, {"b", "x"}, {"b", "a"}}); !slices.Equal(pairs, [][2]int{{0, 2}, {1, 0}}) {
		t.Errorf("%v", pairs)
	}
}

// What a position does in a rep, counted by hand from its acts.
func TestWorkByHand(t *testing.T) {
	d := &Drill{Positions: []Position{{ID: "a", Ball: true}, {ID: "h", Helper: true}, {ID: "b"}}, Phases: []Phase{
		{Acts: []Act{{Do: Pass, Who: "a", To: "b"}, {Do: Cut, Who: "a", To: "rim"}}},
		{Acts: []Act{{Do: Hand, Who: "b", To: "a"}, {Do: Dribble, Who: "a", To: "top"}, {Do: Shot, Who: "a"},
			{Do: Rebound, Who: "b"}, {Do: Closeout, Who: "h", To: "a"}}},
	}}
	want := []effort{{touches: 2, sprints: 2, jumps: 1}, {touches: 2, jumps: 1}, {sprints: 1}} // helpers last
	if got := d.work(); !slices.Equal(got, want) {
		t.Errorf("%+v, want %+v", got, want)
	}
}

// Reps that have been run are checked at their limits, and the notes of a list say its own
// numbers.
func TestDoneAndNotes(t *testing.T) {
	d := drillOf(t, "slot-twos")
	stage := d.Stages[0]
	in := Setup{Players: squad(6), Baskets: 1, Minutes: 8, Seed: 1}
	first, err := OrderList(d, stage, in)
	if err != nil {
		t.Fatal(err)
	}
	done := func(slots ...int) error {
		in := in
		for i, slot := range slots {
			r := first.Reps[i]
			r.Slot = slot
			in.Done = append(in.Done, r)
		}
		_, err := OrderList(d, stage, in)
		return err
	}
	most := MaxMinutes * 60 / MinSeconds
	for _, c := range []struct {
		slots []int
		fits  bool
	}{{[]int{0, 1}, true}, {[]int{0, 0}, true}, {[]int{1, 0}, false}, {[]int{-1}, false}, {[]int{most + 1}, false}} {
		if err := done(c.slots...); (err == nil) != c.fits {
			t.Errorf("reps at %v: %v", c.slots, err)
		}
	}
	line := drillOf(t, "three-line-away")
	uneven, err := OrderList(line, line.Stages[0], Setup{Players: squad(9), Baskets: 2, Minutes: 10, Seed: 2})
	if err != nil {
		t.Fatal(err)
	}
	even, err := OrderList(line, line.Stages[0], Setup{Players: squad(10), Baskets: 2, Minutes: 10, Seed: 2})
	if err != nil {
		t.Fatal(err)
	}
	notes := strings.Join(uneven.Notes, " ")
	if r := line.Rotation.Rule; (r == Follow || r == Stations) && uneven.Spread > 1 &&
		!strings.Contains(notes, "4 players at one, 5 at another") {
		t.Errorf("nine at two baskets: %s", notes)
	}
	if strings.Contains(strings.Join(even.Notes, " "), "not equally full") || strings.Contains(notes, "0 of ") {
		t.Errorf("ten at two baskets: %v; nine: %s", even.Notes, notes)
	}
}

// Wherever baskets are not equally full and counts differ, the list says how full each is;
// nowhere else. Nine at two baskets are four and five.
func TestUnevenBasketsAreTold(t *testing.T) {
	told := 0
	for _, d := range Catalogue() {
		for _, st := range d.Stages {
			for _, n := range []int{9, 10} {
				o, err := OrderList(d, st, Setup{Players: squad(n), Baskets: 2, Minutes: 12, Seed: 3})
				if err != nil {
					continue
				}
				says := slices.ContainsFunc(o.Notes, func(note string) bool {
					return strings.Contains(note, "4 players at one, 5 at another")
				})
				r := d.Rotation.Rule
				if want := (r == Follow || r == Stations) && n == 9 && o.Baskets == 2 && o.Spread > 1; says != want {
					t.Errorf("%s %s, %d players, up to %d apart: told %v", d.ID, st.ID, n, o.Spread, says)
				}
				if told += boolean(says); !says && strings.Contains(strings.Join(o.Notes, " "), "equally full") &&
					n == 10 {
					t.Errorf("%s: ten at two baskets: %v", d.ID, o.Notes)
				}
			}
		}
	}
	if told == 0 {
		t.Error("no list says it")
	}
}

func boolean(b bool) int {
	if b {
		return 1
	}
	return 0
}

// A drill with a ball has its track, one without has none; everybody on defense stands for a
// position of their own.
func TestTracksAndPlaces(t *testing.T) {
	c, ok := court.PresetCourt(court.HighSchool)
	if !ok {
		t.Fatal("no court")
	}
	for _, d := range Catalogue() {
		play, err := d.Motion(c, motion.DefaultPace)
		if err != nil {
			t.Fatalf("%s: %v", d.ID, err)
		}
		ball := slices.ContainsFunc(play.Tracks, func(tr reads.Track) bool { return tr.Who == "ball" })
		if has := slices.ContainsFunc(d.Positions, func(p Position) bool { return p.Ball }); ball != has {
			t.Errorf("%s: a ball %v, its track %v", d.ID, has, ball)
		}
	}
	r := turn{crew: []int{0, 1, 2, 3}, defense: []int{4, 5, 6, 7}}.rep([]string{"p", "q", "r", "s"},
		strings.Split("abcdefgh", ""))
	if r.Cutter != "a" || r.XScreener != "f" || !slices.Equal(r.Others, []Placed{{"r", "c"}, {"s", "d"}}) ||
		!slices.Equal(r.XOthers, []Placed{{"r", "g"}, {"s", "h"}}) {
		t.Errorf("%+v", r)
	}
}
