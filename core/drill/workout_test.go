package drill

import (
	"math"
	"testing"

	"evrik/core/reads"
)

// A workout goes through its answers in order, once on each side for each player. On the
// guided rung cues are dealt instead.
func TestWorkoutDealsItsAnswers(t *testing.T) {
	d := drillOf(t, "ball-thirty-six")
	st, ok := d.Stage("post")
	if !ok {
		t.Fatal("no stage with a chair")
	}
	shots := d.Shots()
	order, err := OrderList(d, st, Setup{Players: squad(1), Minutes: float64(shots) * st.Seconds / 60, Baskets: 1,
		Seed: 3})
	if err != nil || len(order.Reps) != shots {
		t.Fatalf("%d reps of %d, %v", len(order.Reps), shots, err)
	}
	type shot struct {
		cue    reads.Cue
		answer reads.Read
		side   string
	}
	var list []shot
	for _, set := range d.Workout {
		for _, a := range set.Answers {
			list = append(list, shot{set.Cue, a, ""})
		}
	}
	next, seen := map[string]int{}, map[shot]int{}
	for _, r := range order.Reps {
		want := list[next[r.Side]%len(list)]
		next[r.Side]++
		if r.Cue != want.cue || r.Answer != want.answer {
			t.Fatalf("rep %d on the %s: %s %s, want %s %s", r.No, r.Side, r.Cue, r.Answer, want.cue, want.answer)
		}
		seen[shot{r.Cue, r.Answer, r.Side}]++
	}
	if math.Abs(float64(next[Right]-next[Left])) <= 1 && len(seen) != shots {
		t.Errorf("%d different shots of %d: right %d, left %d", len(seen), shots, next[Right], next[Left])
	}
	// What is made anew in the middle goes on where it was.
	half := Setup{Players: squad(1), Minutes: float64(shots) * st.Seconds / 60, Baskets: 1, Seed: 3,
		Done: order.Reps[:10]}
	again, err := OrderList(d, st, half)
	if err != nil {
		t.Fatal(err)
	}
	for _, r := range again.Reps[:12] {
		if r.No <= 10 {
			continue
		}
		n := 0
		for _, past := range again.Reps[:r.No-1] {
			if past.Side == r.Side {
				n++
			}
		}
		if want := list[n%len(list)]; r.Answer != want.answer {
			t.Errorf("rep %d after a change: %s, want %s", r.No, r.Answer, want.answer)
		}
	}
	guided, _ := d.Stage("shown")
	order, err = OrderList(d, guided, Setup{Players: squad(4), Minutes: 10, Baskets: 1, Seed: 3})
	if err != nil || len(order.Reps) == 0 || order.Reps[0].Answer != "" || order.Reps[0].Cue == reads.NoCue {
		t.Errorf("guided: %+v, %v", order.Reps, err)
	}
}

// Text and arithmetic of the workout agree: 36 shots at 25 s are 15 minutes for one shooter.
func TestWorkoutMinutes(t *testing.T) {
	d := drillOf(t, "ball-thirty-six")
	st, _ := d.Stage("post")
	if minutes := float64(d.Shots()) * st.Seconds / 60; d.Shots() != 36 || minutes != 15 {
		t.Errorf("%d shots in %.1f minutes", d.Shots(), minutes)
	}
}

// Whoever plays guided defense is told how to show every cue that a drill shows.
func TestEveryGuidedCueIsTold(t *testing.T) {
	for _, d := range Catalogue() {
		for _, s := range d.Stages {
			for _, c := range s.Cues {
				if s.CoachShows && reads.HowToShow(c) == "" {
					t.Errorf("%s: nobody is told how to show %s", d.ID, c)
				}
			}
		}
	}
}
