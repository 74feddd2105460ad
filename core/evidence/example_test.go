package evidence_test

import (
	"fmt"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
)

// Three for three proves little; eight for eight settles it.
func ExamplePolicy_Judge() {
	now := time.Date(2026, 3, 20, 18, 0, 0, 0, time.UTC)
	right := func(n int) []evidence.Rep {
		reps := make([]evidence.Rep, n)
		for i := range reps {
			reps[i] = evidence.Rep{At: now, Right: true}
		}
		return reps
	}
	policy := evidence.DefaultPolicy()
	for _, n := range []int{0, 3, 8} {
		fmt.Println(policy.Judge(drill.Live2, right(n), now).Sentence)
	}
	// Output:
	// Too few to say: no reps yet. About 6 would settle it.
	// Too few to say: 3 of 3 right. 3 right reps in a row would settle it.
	// Has it: 8 of 8 right, newest counting most.
}
