package pulse

import (
	"testing"
	"time"
)

func TestAwake(t *testing.T) {
	began, awake := time.Now(), Awake(t)
	for awake() < 20*beat {
		time.Sleep(beat)
	}
	if took := time.Since(began); took < 20*beat {
		t.Errorf("%v were counted in %v", awake(), took)
	}
}
