// Package pulse measures, for tests, how long something takes on a machine that others use too.
package pulse

import (
	"sync/atomic"
	"testing"
	"time"
)

// beat is how often the clock is moved on, mostLate by how much at most (assumptions).
const (
	beat     = 10 * time.Millisecond
	mostLate = 10 * beat
)

// Awake starts a clock that stands still while the machine does: after a tenth of a second in which the test was not
// run, it waits for the test. At all other times it shows the time since it was started. It runs until the test ends.
func Awake(t testing.TB) (elapsed func() time.Duration) {
	var awake atomic.Int64
	ticker := time.NewTicker(beat)
	ended := make(chan struct{})
	t.Cleanup(func() { ticker.Stop(); close(ended) })
	go func() {
		for last := time.Now(); ; {
			select {
			case <-ticker.C:
				now := time.Now()
				awake.Add(int64(min(now.Sub(last), mostLate)))
				last = now
			case <-ended:
				return
			}
		}
	}()
	return func() time.Duration { return time.Duration(awake.Load()) }
}
