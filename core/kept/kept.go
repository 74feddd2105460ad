// Package kept lets tests notice that what the core computes has changed, by comparing it with what it was. It serves
// tests alone.
package kept

import (
	"os"
	"strings"
	"testing"
)

// shown is how many lines that differ are told.
const shown = 5

// Lines compares lines of text with those in a file, such as testdata/outcomes.txt. EVRIK_WRITE_TABLES=1 writes them
// anew: whoever changes on purpose what comes out sees in the difference what the change does.
func Lines(t testing.TB, file string, now []string) {
	t.Helper()
	if os.Getenv("EVRIK_WRITE_TABLES") != "" {
		if err := os.WriteFile(file, []byte(strings.Join(now, "\n")+"\n"), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	text, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	before := strings.Split(strings.TrimSuffix(string(text), "\n"), "\n")
	if len(before) != len(now) {
		t.Fatalf("%s keeps %d lines, not %d", file, len(before), len(now))
	}
	changed := 0
	for i := range before {
		if before[i] == now[i] {
			continue
		}
		if changed++; changed <= shown {
			t.Errorf("was %s\n is %s", before[i], now[i])
		}
	}
	if changed > 0 {
		t.Errorf("%d of %d lines of %s have changed", changed, len(now), file)
	}
}
