package scripts

import (
	"fmt"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

var (
	// inCode is a path of this tree that a document names; a place in the interface is written with its brackets.
	inCode = regexp.MustCompile("`((?:api|core|cmd|docs|e2e|internal|packaging|scripts|web)/[^` ]*)`")
	link   = regexp.MustCompile(`\]\(([^)#]+)\)`)
	entry  = regexp.MustCompile(`(?m)^## D(\d{3}) \S.*\n\n(\d{4}-\d{2}-\d{2})\.(?: Superseded by D(\d{3})\.)? \S`)
)

// What the documents for those who change the code name is there.
func TestDocumentsNameWhatIsThere(t *testing.T) {
	found := 0
	for _, name := range []string{"README.md", "CONTRIBUTING.md", "docs/architecture.md", "docs/operations.md"} {
		text, err := os.ReadFile(filepath.Join("..", name))
		if err != nil {
			t.Fatal(err)
		}
		places := map[string]string{}
		for _, m := range inCode.FindAllStringSubmatch(string(text), -1) {
			places[m[1]] = filepath.Join("..", strings.TrimSuffix(m[1], "/*"))
		}
		for _, m := range link.FindAllStringSubmatch(string(text), -1) {
			if !strings.Contains(m[1], "://") {
				places[m[1]] = filepath.Join("..", filepath.Dir(name), m[1])
			}
		}
		for written, place := range places {
			found++
			if _, err := os.Stat(place); err != nil {
				t.Errorf("%s names %s, which is not there", name, written)
			}
		}
	}
	if found < 60 {
		t.Errorf("only %d places were found", found)
	}
}

// Decisions are numbered without a gap and dated, and one that has given way names a later one.
func TestDecisionsAreNumbered(t *testing.T) {
	text, err := os.ReadFile("../docs/decisions.md")
	if err != nil {
		t.Fatal(err)
	}
	all := entry.FindAllStringSubmatch(string(text), -1)
	if headings := strings.Count(string(text), "\n## "); len(all) != headings || headings < 150 {
		t.Errorf("%d of %d entries have a number, a day and a reason", len(all), headings)
	}
	for i, m := range all {
		if want := fmt.Sprintf("%03d", i+1); m[1] != want {
			t.Fatalf("D%s stands where D%s should", m[1], want)
		}
		if m[3] != "" && (m[3] <= m[1] || m[3] > fmt.Sprintf("%03d", len(all))) {
			t.Errorf("D%s has given way to D%s", m[1], m[3])
		}
	}
}
