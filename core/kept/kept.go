// Package kept compares what the core computes with what it computed before. Only tests use it.
package kept

import (
	"fmt"
	"os"
	"strings"
)

// Compare reports the first line that differs from those in a file, such as testdata/outcomes.txt, and how many do.
// Whoever changes what comes out on purpose sets EVRIK_WRITE_KEPT=1: the lines are written to the file, and version
// control shows what has changed.
func Compare(file string, now []string) error {
	if os.Getenv("EVRIK_WRITE_KEPT") != "" {
		return os.WriteFile(file, []byte(strings.Join(now, "\n")+"\n"), 0o644)
	}
	text, err := os.ReadFile(file)
	if err != nil {
		return err
	}
	before := strings.Split(strings.TrimSuffix(string(text), "\n"), "\n")
	if len(before) != len(now) {
		return fmt.Errorf("%s has %d lines, not %d", file, len(before), len(now))
	}
	first, changed := 0, 0
	for i := len(now) - 1; i >= 0; i-- {
		if before[i] != now[i] {
			first, changed = i, changed+1
		}
	}
	if changed == 0 {
		return nil
	}
	return fmt.Errorf("%d of %d lines of %s have changed; line %d was\n%s\nand is\n%s", changed, len(now), file,
		first+1, before[first], now[first])
}
