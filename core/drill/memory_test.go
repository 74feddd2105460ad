package drill

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
)

// A list that is dealt anew in the middle, once or twice, because players come late or leave:
// offense in every place, and defense, stay within a rep of each other for all who were there
// throughout and for the newcomers against them; nobody is on offense twice running at a
// seam; sides stay even, or it is said. Over thousands of random changes.
func TestChangesAreDealtWithMemory(t *testing.T) {
	rng := rand.New(rand.NewPCG(19, 7))
	lists := 10000
	if testing.Short() {
		lists = 300
	}
	if !thorough {
		lists = 160
	}
	type stageOf struct {
		d  *Drill
		st Stage
	}
	var all []stageOf
	for _, d := range Catalogue() {
		for _, st := range d.Stages {
			if rule := d.Rotation.Rule; rule == OffDefLine || rule == FixedPairs {
				all = append(all, stageOf{d, st})
			}
		}
	}
	seams, again, uneven, placeTwo, total := 0, 0, 0, 0, 0
	for n := range lists {
		x := all[rng.IntN(len(all))]
		players := 6 + rng.IntN(9)
		in := Setup{Players: squad(players), Baskets: 1 + rng.IntN(2), Minutes: 10, Seconds: 15, Seed: uint64(n)}
		o, err := OrderList(x.d, x.st, in)
		if err != nil {
			continue
		}
		throughout := slices.Clone(in.Players)
		for range 1 + rng.IntN(2) {
			was := o
			cut := len(in.Done) + 1 + rng.IntN(max(1, len(o.Reps)-len(in.Done)-1))
			cut -= cut % o.Baskets // a change comes between slots
			if cut <= len(in.Done) {
				break
			}
			in.Done = slices.Clone(o.Reps[:cut])
			if rng.IntN(2) == 0 {
				in.Players = append(slices.Clone(in.Players), fmt.Sprint("late", n, cut))
			} else {
				gone := in.Players[rng.IntN(len(in.Players))]
				in.Players = slices.DeleteFunc(slices.Clone(in.Players), func(p string) bool { return p == gone })
				throughout = slices.DeleteFunc(throughout, func(p string) bool { return p == gone })
			}
			if o, err = OrderList(x.d, x.st, in); err != nil || o.Baskets != was.Baskets {
				break
			}
			// The seam: who was on offense in the last slot is not in the first of the rest,
			// where enough others are there.
			size := len(in.Done[0].offense())
			if x.st.Defenders == size && len(in.Players) >= 2*size*o.Baskets {
				seams++
				last := map[string]bool{}
				for _, r := range in.Done {
					if r.Slot == in.Done[len(in.Done)-1].Slot {
						for _, p := range r.offense() {
							last[p] = true
						}
					}
				}
				for _, r := range o.Reps[cut:] {
					if r.Slot == in.Done[len(in.Done)-1].Slot+1 &&
						slices.ContainsFunc(r.offense(), func(p string) bool { return last[p] }) {
						again++
						break
					}
				}
			}
		}
		if err != nil || len(in.Done) == 0 {
			continue
		}
		// Compare the counts of those who were there the whole time, after every slot.
		counts := map[string][]int{}
		for _, p := range throughout {
			counts[p] = make([]int, MaxCrew+1) // the last is defense
		}
		worst := 0
		for k, r := range o.Reps {
			for i, p := range r.offense() {
				if counts[p] != nil {
					counts[p][i]++
				}
			}
			for _, p := range r.defense() {
				if counts[p] != nil {
					counts[p][MaxCrew]++
				}
			}
			if k+1 < len(o.Reps) && o.Reps[k+1].Slot == r.Slot {
				continue
			}
			places := []int{}
			for i := range r.offense() {
				places = append(places, i)
			}
			if x.st.Defenders == len(r.offense()) {
				places = append(places, MaxCrew)
			}
			for _, i := range places {
				lo, hi := 1<<30, 0
				for _, c := range counts {
					lo, hi = min(lo, c[i]), max(hi, c[i])
				}
				worst = max(worst, hi-lo)
			}
		}
		total++
		placeTwo += b2i(worst > 1)
		if worst > 2 {
			t.Errorf("%s %s, %d players: a place differs by %d among those who were there throughout", x.d.ID, x.st.ID,
				players, worst)
		}
		// Sides, of whoever has reps enough left to make up what the change left.
		ahead, left := map[string]int{}, map[string]int{}
		for k, r := range o.Reps {
			for _, p := range r.offense() {
				if k < len(in.Done) {
					ahead[p] += sign(r.Side == Right)
				} else {
					left[p]++
				}
			}
		}
		for _, c := range o.Counts {
			uneven += b2i(abs(c.Right-c.Left) > 2 && slices.Contains(throughout, c.Player) &&
				left[c.Player] > abs(ahead[c.Player])+2)
		}
	}
	t.Logf(
		"%d rotations changed midway: a role two apart in %d, offense twice running in %d of %d changes, right and "+
			"left more than two apart for %d players", total, placeTwo, again, seams, uneven)
	if again > 0 {
		t.Errorf("%d of %d seams put somebody on offense twice running", again, seams)
	}
	most := total / 20
	if !thorough { // chance, in so few
		most = total / 10
	}
	if placeTwo > most {
		t.Errorf("a place is two apart in %d of %d lists", placeTwo, total)
	}
	if uneven*50 > total {
		t.Errorf("%d players are more than two apart on the sides in %d lists", uneven, total)
	}
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}

// The assignment against every other one, for small tables.
func TestAssignAgainstAll(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 3))
	for range 400 {
		rows := 1 + rng.IntN(4)
		columns := rows + rng.IntN(3)
		cost := make([][]int, rows)
		for i := range cost {
			for range columns {
				cost[i] = append(cost[i], rng.IntN(50)-10)
			}
		}
		best := 1 << 30
		used := make([]bool, columns)
		var try func(row, sum int)
		try = func(row, sum int) {
			if row == rows {
				best = min(best, sum)
				return
			}
			for c := range columns {
				if !used[c] {
					used[c] = true
					try(row+1, sum+cost[row][c])
					used[c] = false
				}
			}
		}
		try(0, 0)
		sum, seen := 0, map[int]bool{}
		for i, c := range assign(cost) {
			sum += cost[i][c]
			if seen[c] {
				t.Fatalf("column %d twice", c)
			}
			seen[c] = true
		}
		if sum != best {
			t.Fatalf("cost %d, the least is %d: %v", sum, best, cost)
		}
	}
}

// Too few for a live game play it in a form that fits, not an easier rung.
func TestNumbersThatDoNotFit(t *testing.T) {
	fours, ok := ByID("fours-no-dribble")
	if !ok {
		t.Fatal("no four-on-four in the catalogue")
	}
	for n, want := range map[int]string{7: "8, 7, drill.instead-odd-or-coach: 3, 3, 4, 3",
		6: "8, 6, drill.instead-even: 3, 3", 5: "8, 5, drill.instead-odd: 2, 2, 3, 2", 3: "8, 3, drill.instead-other"} {
		_, err := OrderList(fours, fours.Stages[0], Setup{Players: squad(n), Baskets: 1, Minutes: 8})
		if err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%d players: %v, want %q", n, err, want)
		}
	}
}
