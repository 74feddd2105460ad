package pulse

import (
	"fmt"
	"os"
	"os/exec"
	"syscall"
	"testing"
	"time"
)

// The clock is never ahead of the time, and hardly moves while the whole process is stopped.
func TestAwake(t *testing.T) {
	began, awake := time.Now(), Awake(t)
	for awake() < 20*beat {
		time.Sleep(beat)
	}
	if took := time.Since(began); took < 20*beat {
		t.Errorf("%v were counted in %v", awake(), took)
	}
	stopped := 10 * mostLate
	wake := exec.Command("sh", "-c", fmt.Sprintf("sleep %g; kill -CONT %d", stopped.Seconds(), os.Getpid()))
	if err := wake.Start(); err != nil {
		t.Fatal(err)
	}
	began, before := time.Now(), awake()
	if err := syscall.Kill(os.Getpid(), syscall.SIGSTOP); err != nil {
		t.Fatal(err)
	}
	_ = wake.Wait()
	took, counted := time.Since(began), awake()-before
	if took < stopped || took-counted < stopped/2 {
		t.Errorf("%v were counted in %v, %v of which it was stopped for", counted, took, stopped)
	}
}
