package drill

import (
	"errors"
	"fmt"
	"math"
	"reflect"
	"slices"
	"strings"
	"testing"

	"evrik/core/reads"
)

func squad(n int) []string {
	ids := make([]string, n)
	for i := range ids {
		ids[i] = fmt.Sprintf("p%02d", i+1)
	}
	return ids
}

func slotTwos(t testing.TB) *Drill {
	t.Helper()
	d, ok := ByID("slot-twos")
	if !ok {
		t.Fatal("slot twos are not in the catalogue")
	}
	return d
}

func stage(t testing.TB, id string) Stage {
	t.Helper()
	s, ok := slotTwos(t).Stage(id)
	if !ok {
		t.Fatalf("no stage %q", id)
	}
	return s
}

// Arithmetic: 12 players, pairs, 20 s, 10 minutes give 30 possessions at one
// basket, 5 for each of the six pairs' worth of players; two baskets give 60 and 10.
func TestOffDefLineArithmetic(t *testing.T) {
	for baskets, each := range map[int]int{1: 5, 2: 10} {
		o, err := OrderList(slotTwos(t), stage(t, "live"),
			Setup{Players: squad(12), Baskets: baskets, Minutes: 10, Seconds: 20})
		if err != nil {
			t.Fatal(err)
		}
		if len(o.Reps) != 30*baskets {
			t.Errorf("%d baskets: %d possessions", baskets, len(o.Reps))
		}
		for _, c := range o.Counts {
			if c.Cutter+c.Screener != each {
				t.Errorf("%d baskets: %s has %d possessions, want %d", baskets, c.Player, c.Cutter+c.Screener, each)
			}
		}
		if want := 1 - 4*float64(baskets)/12; math.Abs(o.Waiting-want) > 1e-12 {
			t.Errorf("waiting share %.3f, want %.3f", o.Waiting, want)
		}
	}
}

// checkOrder verifies every rule of the rotation by looking at the list alone.
func checkOrder(t *testing.T, name string, st Stage, in Setup, o Order) {
	t.Helper()
	n := len(in.Players)
	offense := map[string]int{}
	roles := map[string]map[string]int{"cutter": {}, "screener": {}}
	sided := map[string]int{} // player and side
	team := 0                 // right less left
	for k, r := range o.Reps {
		if r.No != k+1 || r.Basket < 1 || r.Basket > o.Baskets || (r.Side != Right && r.Side != Left) {
			t.Fatalf("%s: rep %+v", name, r)
		}
		on := map[string]bool{}
		for j := k; j >= 0 && o.Reps[j].Slot == r.Slot; j-- {
			q := o.Reps[j]
			people := []string{q.Cutter, q.Screener}
			if st.Defenders > 0 {
				people = append(people, q.XCutter, q.XScreener)
			}
			for _, p := range people {
				if p == "" || on[p] {
					t.Fatalf("%s: %q is twice on the floor in slot %d", name, p, r.Slot)
				}
				on[p] = true
			}
		}
		team += sign(r.Side == Right)
		offense[r.Cutter]++
		offense[r.Screener]++
		roles["cutter"][r.Cutter]++
		roles["screener"][r.Screener]++
		sided[r.Cutter+r.Side]++
		sided[r.Screener+r.Side]++
		// Fair at every moment, not only at the end.
		lo, hi := len(o.Reps), 0
		for _, p := range in.Players {
			lo, hi = min(lo, offense[p]), max(hi, offense[p])
		}
		if hi-lo > 1 {
			t.Fatalf("%s: after rep %d offense counts run from %d to %d", name, r.No, lo, hi)
		}
	}
	if st.Defenders == 2 {
		checkDefense(t, name, in.Players, o)
	}
	for role, counts := range roles {
		lo, hi := len(o.Reps), 0
		for _, p := range in.Players {
			lo, hi = min(lo, counts[p]), max(hi, counts[p])
		}
		if hi-lo > 1 {
			t.Errorf("%s: %s counts run from %d to %d", name, role, lo, hi)
		}
		if o.Spread > 1 {
			t.Errorf("%s: spread %d", name, o.Spread)
		}
	}
	// Right and left are within one rep of each other, or a note says that they cannot be.
	uneven := abs(team)
	for _, p := range in.Players {
		uneven = max(uneven, abs(sided[p+Right]-sided[p+Left]))
	}
	if said := strings.Contains(strings.Join(o.Notes, " "), "sides cannot be even"); (uneven > 1) != said ||
		uneven > 2 {
		t.Errorf("%s: sides are %d apart, said so: %v", name, uneven, said)
	}
	// Variety: 2 new partners every n reps until everybody has been met.
	rounds := len(o.Reps) / n
	for _, c := range o.Counts {
		want := min(2*rounds, 2*((n-1)/2))
		if st.Defenders > 0 && n < 4*o.Baskets+2 {
			want = 1 // hardly a line: partners are forced
		}
		if c.Partners < want {
			t.Errorf("%s: %s has %d partners, want at least %d", name, c.Player, c.Partners, want)
		}
	}
}

func TestEveryNumberOfPlayersIsFair(t *testing.T) {
	for _, id := range []string{"air", "shown", "live", "live-switch"} {
		st := stage(t, id)
		for n := 2; n <= MaxPlayers; n++ {
			for baskets := 1; baskets <= 2; baskets++ {
				for _, minutes := range []float64{3, 8, 20} {
					in := Setup{Players: squad(n), Baskets: baskets, Minutes: minutes, Seed: uint64(n)}
					name := fmt.Sprintf("%s n=%d b=%d m=%g", id, n, baskets, minutes)
					o, err := OrderList(slotTwos(t), st, in)
					if n < 2+st.Defenders {
						if !errors.Is(err, ErrSetup) {
							t.Errorf("%s: %v", name, err)
						}
						continue
					}
					if err != nil {
						t.Fatalf("%s: %v", name, err)
					}
					if o.Baskets < baskets && len(o.Notes) == 0 {
						t.Errorf("%s: a basket was dropped without a word", name)
					}
					checkOrder(t, name, st, in, o)
				}
			}
		}
	}
}

// Brute force over all orders of a small squad: no order gives more partners
// in as many reps than the list does.
func TestPartnersAreTheMostPossible(t *testing.T) {
	for n := 5; n <= 6; n++ {
		o, err := OrderList(slotTwos(t), stage(t, "live"),
			Setup{Players: squad(n), Baskets: 1, Minutes: float64(n) * 20 / 60, Seconds: 20})
		if err != nil {
			t.Fatal(err)
		}
		got := 0
		for _, c := range o.Counts {
			got += c.Partners
		}
		best := 0
		counts, met := make([]int, n), make([][]int, n)
		for i := range met {
			met[i] = make([]int, n)
		}
		var try func(k, da, db int)
		try = func(k, da, db int) {
			if k == n {
				sum := 0
				for i := range met {
					for j := range met[i] {
						sum += min(1, met[i][j])
					}
				}
				best = max(best, sum)
				return
			}
			for a := range n {
				for b := a + 1; b < n; b++ {
					if a == da || a == db || b == da || b == db || counts[a] > 1 || counts[b] > 1 {
						continue
					}
					counts[a]++
					counts[b]++
					met[a][b]++
					met[b][a]++
					try(k+1, a, b)
					counts[a]--
					counts[b]--
					met[a][b]--
					met[b][a]--
				}
			}
		}
		try(0, -1, -1)
		if got != best {
			t.Errorf("n=%d: %d partnerships in %d reps, brute force finds %d", n, got, n, best)
		}
	}
}

func TestSameSeedSameOrder(t *testing.T) {
	st := stage(t, "shown")
	in := Setup{Players: squad(13), Baskets: 2, Minutes: 8, Seed: 7}
	a, _ := OrderList(slotTwos(t), st, in)
	b, _ := OrderList(slotTwos(t), st, in)
	if !reflect.DeepEqual(a, b) {
		t.Error("the same seed gave two orders")
	}
	in.Seed = 8
	if c, _ := OrderList(slotTwos(t), st, in); reflect.DeepEqual(a.Reps, c.Reps) {
		t.Error("another seed gave the same order")
	}
}

func TestCueListIsBalancedPerCutter(t *testing.T) {
	st := stage(t, "shown")
	o, err := OrderList(slotTwos(t), st, Setup{Players: squad(11), Baskets: 1, Minutes: 20, Seed: 3})
	if err != nil {
		t.Fatal(err)
	}
	per := map[string]map[reads.Cue]int{}
	for _, r := range o.Reps {
		if per[r.Cutter] == nil {
			per[r.Cutter] = map[reads.Cue]int{}
		}
		per[r.Cutter][r.Cue]++
	}
	for p, counts := range per {
		lo, hi := len(o.Reps), 0
		for _, c := range st.Cues {
			lo, hi = min(lo, counts[c]), max(hi, counts[c])
		}
		if hi-lo > 1 || counts[reads.NoCue] != 0 {
			t.Errorf("%s sees %v", p, counts)
		}
	}
	live, _ := OrderList(slotTwos(t), stage(t, "live"), Setup{Players: squad(8), Baskets: 1, Minutes: 5})
	for _, r := range live.Reps {
		if r.Cue != reads.NoCue {
			t.Fatal("nobody shows a cue on a live stage")
		}
	}
}

func TestSetupsThatCannotBeRun(t *testing.T) {
	st := stage(t, "live")
	good := Setup{Players: squad(8), Baskets: 1, Minutes: 10, Seconds: 20}
	cases := []struct {
		name   string
		change func(*Setup)
		want   string
	}{
		{"nobody", func(s *Setup) { s.Players = nil }, "drill.nobody-takes-part"},
		{"one", func(s *Setup) { s.Players = squad(1) }, "drill.too-few-players: Live: nobody switches, 4, 1"},
		{"three live", func(s *Setup) { s.Players = squad(3) }, "Guided: one defender shows the cue"},
		{"two hundred", func(s *Setup) { s.Players = squad(200) }, "drill.too-many-players"},
		{"no basket", func(s *Setup) { s.Baskets = 0 }, "drill.baskets: 6, 0"},
		{"no time", func(s *Setup) { s.Minutes = 0 }, "drill.block-minutes"},
		{"not a number", func(s *Setup) { s.Minutes = math.NaN() }, "drill.block-minutes"},
		{"seconds", func(s *Setup) { s.Seconds = 1 }, "drill.seconds-and-reset"},
		{"endless rep", func(s *Setup) { s.Seconds = math.Inf(1) }, "drill.seconds-and-reset"},
		{"less than a rep", func(s *Setup) { s.Minutes = 0.1 }, "drill.no-fit"},
		{"twice", func(s *Setup) { s.Players[3] = s.Players[4] }, "twice"},
	}
	for _, tc := range cases {
		in := good
		in.Players = squad(8)
		tc.change(&in)
		_, err := OrderList(slotTwos(t), st, in)
		if !errors.Is(err, ErrSetup) || !strings.Contains(err.Error(), tc.want) {
			t.Errorf("%s: %v, want it to say %q", tc.name, err, tc.want)
		}
	}
}

func TestCatalogueIsSound(t *testing.T) {
	if len(Catalogue()) < 44 {
		t.Errorf("%d drills, want 44 and more", len(Catalogue()))
	}
	names := map[string]bool{}
	for _, d := range Catalogue() {
		if found, ok := ByID(d.ID); !ok || found != d || names[d.Name] {
			t.Errorf("%s is not found, or there twice", d.ID)
		}
		names[d.Name] = true
		before := 0
		for _, s := range d.Stages {
			if s.Rung.Number() < before {
				t.Errorf("%s: stage %s goes down the ladder", d.ID, s.ID)
			}
			before = s.Rung.Number()
		}
		for _, texts := range [][]string{d.Equipment, d.Watch, d.Cautions, {d.About, d.Helpers, d.Rotation.Say}} {
			if len(texts) == 0 || slices.Contains(texts, "") {
				t.Errorf("%s says too little: %v", d.ID, texts)
			}
		}
	}
	if _, ok := ByID("moon"); ok {
		t.Error("an unknown drill was found")
	}
	if _, ok := slotTwos(t).Stage("moon"); ok || Rung("moon").Number() != 0 {
		t.Error("an unknown stage was found")
	}
	if len(Ladder()) != 8 {
		t.Error("the ladder has eight rungs")
	}
}

// BenchmarkCrewList is the largest list: 24 players, four positions, 30 minutes.
func BenchmarkCrewList(b *testing.B) {
	d, ok := ByID("fours-to-twelve")
	if !ok {
		b.Fatal("no such drill")
	}
	in := Setup{Players: squad(24), Baskets: 3, Minutes: 30, Seconds: 20}
	for b.Loop() {
		if _, err := OrderList(d, d.Stages[1], in); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkOrderList(b *testing.B) {
	st := stage(b, "live")
	in := Setup{Players: squad(20), Baskets: 2, Minutes: 20, Seconds: 20}
	for b.Loop() {
		if _, err := OrderList(slotTwos(b), st, in); err != nil {
			b.Fatal(err)
		}
	}
}
