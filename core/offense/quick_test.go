//go:build mutate

package offense

import (
	"flag"
	"os"
	"testing"
)

// TestMain makes the tests short: here all of them run once for each of many changes to the code.
func TestMain(m *testing.M) {
	flag.Parse()
	if err := flag.Set("test.short", "true"); err != nil {
		panic(err)
	}
	os.Exit(m.Run())
}
