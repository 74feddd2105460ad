package drill

import (
	"fmt"
	"slices"
	"testing"

	"evrik/core/reads"
)

// Each action has drills on air, with a chair, guided and live, they stand on the shelf of
// its family, and guided drills show at least two cues.
func TestEveryActionHasALadder(t *testing.T) {
	for _, a := range reads.Actions() {
		rungs, guided := map[Rung]bool{}, map[reads.Cue]bool{}
		for _, d := range Catalogue() {
			if d.Action != a.ID {
				continue
			}
			if want := familyGroups[a.Family]; d.Shelf() != want && d.Shelf() != Games {
				t.Errorf("%s teaches the %s and stands under %s", d.ID, a.Name, d.Shelf())
			}
			for _, s := range d.Stages {
				if s.Defenders > len(d.positions(false)) {
					t.Errorf("%s, %s: %d defenders against %d players", d.ID, s.ID, s.Defenders,
						len(d.positions(false)))
				}
				rungs[s.Rung] = true
				rungs["live"] = rungs["live"] || s.Defenders > 0
				if s.Rung == Guided {
					for _, c := range s.Cues {
						guided[c] = true
					}
				}
			}
		}
		for _, want := range []Rung{Air, Post, Guided, "live"} {
			if !rungs[want] {
				t.Errorf("%s: no drill on the rung %q", a.ID, want)
			}
		}
		if len(guided) < 2 {
			t.Errorf("%s: the guided rung shows %d cues; there is nothing to read", a.ID, len(guided))
		}
	}
}

// Every drill deals a fair rotation for 4 to 20 players, or says what to run instead.
func TestEveryDrillDealsOrSays(t *testing.T) {
	dealt, every := 0, 1
	if testing.Short() {
		every = 3
	}
	if !thorough {
		every = 5
	}
	for _, d := range Catalogue() {
		for _, st := range d.Stages {
			for n := 3 + every; n <= 20; n += every {
				order, err := OrderList(d, st, Setup{Players: squad(n), Minutes: 10, Baskets: 1, Seed: 1})
				if err != nil {
					if err.Error() == "" {
						t.Errorf("%s, %s with %d: no word", d.ID, st.ID, n)
					}
					continue
				}
				dealt++
				if off := spread(order); off > 1 && d.Rotation.Rule != Stations && d.Rotation.Rule != WinnersStay {
					t.Errorf("%s, %s with %d: the first position differs by %d", d.ID, st.ID, n, off)
				}
			}
		}
	}
	if dealt < 2500/every {
		t.Errorf("only %d rotations were dealt", dealt)
	}
}

// spread is by how much the players' turns in the first position differ; who never comes
// on is not counted.
func spread(o Order) int {
	counts := map[string]int{}
	for _, r := range o.Reps {
		counts[r.Cutter]++
		for _, other := range r.Others {
			counts[other.Player] += 0
		}
		if r.Screener != "" {
			counts[r.Screener] += 0
		}
	}
	least, most := 1<<30, 0
	for _, n := range counts {
		least, most = min(least, n), max(most, n)
	}
	return most - least
}

// Drills stand by what they teach, the groups in teaching order, and each group goes from
// easy to hard.
func TestDrillsGoFromEasyToHard(t *testing.T) {
	order := map[Group]int{}
	for i, g := range Groups() {
		order[Group(g[0])] = i
	}
	group, level := 0, 0
	seen := map[Group]bool{}
	for _, d := range Catalogue() {
		at, known := order[d.Group]
		if !known || d.Level < 1 || d.Level > MostLevel {
			t.Errorf("%s: group %q, level %d", d.ID, d.Group, d.Level)
		}
		switch {
		case at < group:
			t.Errorf("%s stands after a later group", d.ID)
		case at > group:
			group, level = at, 0
		}
		if d.Level < level {
			t.Errorf("%s is easier than the one before it", d.ID)
		}
		level = d.Level
		seen[d.Group] = true
	}
	if len(seen) != len(Groups()) {
		t.Errorf("%d groups of %d have a drill", len(seen), len(Groups()))
	}
	own := &Drill{Action: reads.Handoff}
	if own.Shelf() != Handoffs || (&Drill{}).Shelf() != Skills {
		t.Error("a drill without a group is not listed by its action")
	}
}

// Old names of drills still find them.
func TestRenamedDrills(t *testing.T) {
	for old, now := range renamed {
		if d, ok := ByID(old); !ok || d.ID != now {
			t.Errorf("%s: %v", old, d)
		}
		if slices.ContainsFunc(Catalogue(), func(d *Drill) bool { return d.ID == old }) {
			t.Error(fmt.Sprintf("%s is a drill again", old))
		}
	}
}
