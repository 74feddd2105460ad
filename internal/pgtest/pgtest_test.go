package pgtest

import (
	"fmt"
	"os"
	"os/exec"
	"strings"
	"sync"
	"testing"

	"evrik/internal/store"
)

// Two packages that are given a cluster start none, and what both copy is made once.
func TestPackagesShareACluster(t *testing.T) {
	if os.Getenv("EVRIK_TEST_SHARES") == "" {
		cmd := exec.Command(os.Args[0], "-test.run=^"+t.Name()+"$", "-test.v")
		cmd.Env = append(os.Environ(), "EVRIK_TEST_SHARES=1", given+"=")
		if out, err := cmd.CombinedOutput(); err != nil {
			t.Fatalf("%v: %s", err, out)
		}
		return
	}
	var said [2]string
	var both sync.WaitGroup
	for i := range said {
		both.Go(func() {
			cmd := exec.Command(os.Args[0], "-test.run=^TestCopies$", "-test.v")
			cmd.Env = append(os.Environ(), "EVRIK_TEST_HOLDS=1")
			out, err := cmd.CombinedOutput()
			if said[i] = string(out); err != nil {
				t.Errorf("%v: %s", err, out)
			}
		})
	}
	both.Wait()
	all := said[0] + said[1]
	if strings.Count(all, "it is filled") != 1 || strings.Count(all, "two copies and no cluster of its own") != 2 {
		t.Error(all)
	}
}

// TestCopies is a package of the run; alone it does nothing.
func TestCopies(t *testing.T) {
	if server == nil {
		return
	}
	one, two := "", ""
	for _, url := range []*string{&one, &two} {
		*url = Copy(t, "copied", func(*store.Store) error {
			fmt.Println("it is filled")
			return nil
		})
	}
	if one != two && clusterDir == "" {
		fmt.Println("two copies and no cluster of its own")
	}
}
