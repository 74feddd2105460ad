package drill

import (
	"fmt"
	"slices"
	"time"
)

// Logged is when a rep of a block was seen.
type Logged struct {
	Block   string
	No      int // in the order list, from 1
	Baskets int
	At      time.Time
}

// slot is the rep's turn: reps at several baskets share one.
func (l Logged) slot() int { return (l.No - 1) / max(1, l.Baskets) }

// Measured is how long a rep takes a team with its reset, and how many reps say so.
type Measured struct {
	Seconds float64
	Reps    int
}

// PaceReps is how many gaps between reps are wanted before the team's own pace
// replaces the drill's figure (assumption).
const PaceReps = 8

// MeasurePace is the median time between a team's reps, block by block. Reps at
// several baskets run at the same time. Pauses, longer than a rep can be, and
// reps logged in one go are left out. ok is false where there are too few.
func MeasurePace(reps []Logged) (m Measured, ok bool) {
	byBlock := map[string][]Logged{}
	for _, r := range reps {
		byBlock[r.Block] = append(byBlock[r.Block], r)
	}
	var gaps []float64
	for _, list := range byBlock {
		slices.SortFunc(list, func(a, b Logged) int { return a.No - b.No })
		last := list[0]
		for _, r := range list[1:] {
			slots := r.slot() - last.slot()
			if slots <= 0 {
				continue // at the same time as the one before
			}
			if s := r.At.Sub(last.At).Seconds() / float64(slots); s >= MinSeconds && s <= MaxSeconds {
				gaps = append(gaps, s)
			}
			last = r
		}
	}
	if len(gaps) < PaceReps {
		return Measured{}, false
	}
	slices.Sort(gaps)
	mid := len(gaps) / 2
	m = Measured{Seconds: gaps[mid], Reps: len(reps)}
	if len(gaps)%2 == 0 {
		m.Seconds = (gaps[mid-1] + gaps[mid]) / 2
	}
	return m, true
}

// basis says where the seconds of a rep come from.
func basis(stage Stage, in Setup, seconds float64) string {
	switch {
	case in.Seconds != 0:
		return fmt.Sprintf("%.0f s a rep, as you say", seconds)
	case in.Measured != nil:
		return fmt.Sprintf("%.0f s from %d reps of yours", seconds, in.Measured.Reps)
	}
	return fmt.Sprintf("%.0f s a rep: the drill's own figure, an assumption until you have logged some", stage.Seconds)
}

// Room is how many reps a stage has in a block and at how many baskets, without
// dealing them: what OrderList would deal. Errors match ErrSetup.
func Room(d *Drill, stage Stage, in Setup) (reps, baskets int, err error) {
	stage = in.shownBy(stage)
	seconds := in.secondsOf(stage)
	if err := checkSetup(in, seconds); err != nil {
		return 0, 0, err
	}
	j := job{drill: d, stage: stage, n: len(in.Players), size: len(d.positions(in.NoHelpers)), baskets: in.Baskets}
	if err := j.fit(&Order{}, in); err != nil {
		return 0, 0, err
	}
	return j.slots(in.Minutes, seconds) * j.baskets, j.baskets, nil
}

// secondsOf is how long a rep takes: as the coach says, as measured, or the
// stage's figure.
func (in Setup) secondsOf(stage Stage) float64 {
	switch {
	case in.Seconds != 0:
		return in.Seconds
	case in.Measured != nil:
		return in.Measured.Seconds
	}
	return stage.Seconds
}

// slots is how many turns fit into some minutes.
func (j job) slots(minutes, seconds float64) int { return int(minutes*60/seconds + 1e-9) }
