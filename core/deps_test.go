// Package core_test guards the core's borders.
package core_test

import (
	"os/exec"
	"strings"
	"testing"
)

// The core imports nothing but the standard library without its network and
// database parts, and numeric libraries.
func TestCoreStandsAlone(t *testing.T) {
	out, err := exec.Command("go", "list", "-deps", "evrik/core/...").CombinedOutput()
	if err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	deps := strings.Fields(string(out))
	if len(deps) < 20 {
		t.Fatalf("go list found only %d packages", len(deps))
	}
	for _, dep := range deps {
		first, _, _ := strings.Cut(dep, "/")
		switch {
		case dep == "net" || strings.HasPrefix(dep, "net/") || strings.HasPrefix(dep, "database/"):
			t.Errorf("the core depends on %s", dep)
		case strings.HasPrefix(dep, "evrik/") && !strings.HasPrefix(dep, "evrik/core"):
			t.Errorf("the core depends on %s", dep)
		case strings.Contains(first, ".") && !strings.HasPrefix(dep, "gonum.org/") && first != "golang.org":
			t.Errorf("the core depends on %s", dep)
		}
	}
}
