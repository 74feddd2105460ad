package drill

import (
	"errors"
	"fmt"
	"testing"
)

// Every drill, stage, number of players and baskets: whoever is on is on once,
// counts per player and position differ by at most one (winners-stay promises
// nothing), the arithmetic of reps holds, and what cannot be run is a sentence.
func TestEveryDrillIsDealtFairly(t *testing.T) {
	stayed, all := 0, 0
	for i, d := range Catalogue() {
		if !thorough && i%12 != 0 {
			continue
		}
		for _, st := range d.Stages {
			for n := 1; n <= MaxPlayers; n++ {
				if thorough && testing.Short() && (n+i)%12 != 0 {
					continue // the next drill has this many players
				}
				for _, baskets := range []int{1, 2, 4} {
					name := fmt.Sprintf("%s %s n=%d b=%d", d.ID, st.ID, n, baskets)
					in := Setup{Players: squad(n), Baskets: baskets, Minutes: 9, Seed: uint64(n + baskets)}
					o, err := OrderList(d, st, in)
					if n < len(d.positions(false))+st.Defenders {
						if !errors.Is(err, ErrSetup) {
							t.Errorf("%s: %v", name, err)
						}
						continue
					}
					if err != nil {
						t.Errorf("%s: %v", name, err)
						continue
					}
					if want := int(9*60/st.Seconds+1e-9) * o.Baskets; len(o.Reps) != want {
						t.Errorf("%s: %d reps, want %d", name, len(o.Reps), want)
					}
					checkTurns(t, name, d, st, o)
					if rule := d.Rotation.Rule; rule != Follow && rule != Stations &&
						st.Defenders == len(d.positions(false)) {
						s, a := checkDefense(t, name, in.Players, o)
						stayed, all = stayed+s, all+a
					}
					if d.Rotation.Rule != WinnersStay && d.Rotation.Rule != Follow && d.Rotation.Rule != Stations &&
						o.Spread > 1 {
						t.Errorf("%s: spread %d", name, o.Spread)
					}
					// Every basket of its own: fair within it; where groups differ somebody floats.
					most := 1
					if o.Baskets > 1 && n%o.Baskets != 0 {
						most = 2
					}
					if (d.Rotation.Rule == Follow || d.Rotation.Rule == Stations) && o.Spread > most {
						t.Errorf("%s: spread %d", name, o.Spread)
					}
				}
			}
		}
	}
	share := float64(stayed) / float64(all)
	t.Logf("%.0f %% of the turns on defense are of who was on offense in the slot before", 100*share)
	if share < 0.7 {
		t.Errorf("offense goes to defense in %.0f %% of the turns alone", 100*share)
	}
}

func checkTurns(t *testing.T, name string, d *Drill, st Stage, o Order) {
	t.Helper()
	for k, r := range o.Reps {
		if r.No != k+1 || len(r.offense()) != len(d.positions(false)) || len(r.defense()) != st.Defenders {
			t.Fatalf("%s: rep %+v", name, r)
		}
		on := map[string]bool{}
		for j := k; j >= 0 && o.Reps[j].Slot == r.Slot; j-- {
			for _, p := range append(o.Reps[j].offense(), o.Reps[j].defense()...) {
				if p == "" || on[p] {
					t.Fatalf("%s: %q is twice on the floor in slot %d", name, p, r.Slot)
				}
				on[p] = true
			}
		}
	}
}

// checkDefense sees that counts of defense are never more than one apart after a slot, and
// returns how many of the defenders, after the first slot, were on offense in the slot before.
func checkDefense(t *testing.T, name string, players []string, o Order) (stayed, all int) {
	t.Helper()
	counts := map[string]int{}
	before, now := map[string]bool{}, map[string]bool{}
	for k, r := range o.Reps {
		for _, p := range r.defense() {
			counts[p]++
			if r.Slot > 0 {
				all++
				stayed += b2i(before[p])
			}
		}
		for _, p := range r.offense() {
			now[p] = true
		}
		if k+1 < len(o.Reps) && o.Reps[k+1].Slot == r.Slot {
			continue
		}
		before, now = now, map[string]bool{}
		lo, hi := len(o.Reps), 0
		for _, p := range players {
			lo, hi = min(lo, counts[p]), max(hi, counts[p])
		}
		if hi-lo > 1 {
			t.Fatalf("%s: after rep %d counts of defense run from %d to %d", name, r.No, lo, hi)
		}
	}
	return stayed, all
}
