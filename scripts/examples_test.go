package scripts

import (
	"os"
	"path/filepath"
	"regexp"
	"testing"
)

// Every package of the core shows how it is used, by examples that are run.
func TestEveryCorePackageHasAnExample(t *testing.T) {
	example := regexp.MustCompile(`(?m)^func Example[\w]*\(\) \{(?s:.*?)// Output:`)
	packages, err := os.ReadDir("../core")
	if err != nil {
		t.Fatal(err)
	}
	looked := 0
	for _, p := range packages {
		if !p.IsDir() {
			continue
		}
		looked++
		files, err := filepath.Glob(filepath.Join("../core", p.Name(), "*_test.go"))
		if err != nil {
			t.Fatal(err)
		}
		found := false
		for _, f := range files {
			text, err := os.ReadFile(f)
			if err != nil {
				t.Fatal(err)
			}
			found = found || example.Match(text)
		}
		if !found {
			t.Errorf("core/%s has no example", p.Name())
		}
	}
	if looked < 10 {
		t.Errorf("only %d packages", looked)
	}
}
