package drill

import (
	"math/rand/v2"
	"slices"

	"evrik/core/reads"
)

// dealWorkout gives every first player the workout's answers in order, on each side of the
// floor by itself, so that nobody leaves out an answer on the other side. It goes on from
// the reps that have been run.
func dealWorkout(reps, past []Rep, sets []Set) {
	type shot struct {
		cue    reads.Cue
		answer reads.Read
	}
	var list []shot
	for _, set := range sets {
		for _, answer := range set.Answers {
			list = append(list, shot{set.Cue, answer})
		}
	}
	if len(list) == 0 {
		return
	}
	next := map[[2]string]int{}
	for _, r := range past {
		next[[2]string{r.Cutter, r.Side}]++
	}
	for i := range reps {
		at := [2]string{reps[i].Cutter, reps[i].Side}
		reps[i].Cue, reps[i].Answer = list[next[at]%len(list)].cue, list[next[at]%len(list)].answer
		next[at]++
	}
}

// dealCues gives every cutter all the cues before any comes again, in an order
// that cannot be foreseen; the harder cues come twice in a hand.
func dealCues(reps []Rep, cues, harder []reads.Cue, rng *rand.Rand) {
	if len(cues) == 0 {
		return
	}
	left := map[string][]reads.Cue{}
	for i := range reps {
		hand := left[reps[i].Cutter]
		if len(hand) == 0 {
			hand = append([]reads.Cue(nil), cues...)
			for _, c := range harder {
				if slices.Contains(cues, c) {
					hand = append(hand, c)
				}
			}
			rng.Shuffle(len(hand), func(a, b int) { hand[a], hand[b] = hand[b], hand[a] })
		}
		pick := 0
		// The cue the line has just watched comes later, if there is a choice.
		if i > 0 && len(hand) > 1 && hand[0] == reps[i-1].Cue {
			pick = 1
		}
		reps[i].Cue = hand[pick]
		left[reps[i].Cutter] = append(hand[:pick:pick], hand[pick+1:]...)
	}
}
