package scripts

import (
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"
)

// retired are words that have given way to the one in docs/glossary.md, and British spellings.
var retired = regexp.MustCompile(
	`\bEnd \{|\b(two ends|other end|at one end)\b|\b([a-zA-Z]*[tT]rainer[a-zA-Z]*|[sS]chool *reads\.|\.School\b|[a-z]*EyesFloor|lib/eyes|recognition|[a-zA-Z]*[sS]ituations?|floor_end|takeEnd|fit\.(Lane|End[AB])|drill\.Shown|(List|Add|End|Pair|Paired|Insert)Screens?|SecondScreen|screenName|offence|defence|practis\w+|reckon\w*|colour\w*|neighbour\w*|[pP]er cent|(?:[cC]enti)?[mM]etres?)\b`)

// keeps are the places where an old word has to stay: what was stored or given out under it, and what names it as old.
var keeps = []string{"internal/store/migrations/", "internal/archive/", "docs/decisions.md", "scripts/words_test.go",
	"e2e/surface_test.go", "internal/app/quizzes/links.go"}

// gendered are words that make a girl or a boy of a player or a coach. keptGendered are the files that list them, or
// search for what a coach has typed.
var (
	gendered     = regexp.MustCompile(`(?i)\b(he|him|his|himself|she|herself)\b`)
	keptGendered = []string{"core/reads/search.go", "core/reads/search_test.go", "internal/web/loop_test.go",
		"e2e/surface_test.go", "scripts/words_test.go"}
)

// words are the endings of files that hold words.
var words = []string{".go", ".ts", ".svelte", ".sql", ".yaml", ".md", ".sh", ".json"}

// One concept has one word, everywhere.
func TestRetiredWordsAreGone(t *testing.T) {
	read := 0
	look := func(name string) error {
		if slices.ContainsFunc(keeps, func(place string) bool { return strings.HasPrefix(name, place) }) {
			return nil
		}
		text, err := os.ReadFile(filepath.Join("..", name))
		read++
		for i, line := range strings.Split(string(text), "\n") {
			word := retired.FindString(line)
			if word == "" && !slices.Contains(keptGendered, name) {
				word = gendered.FindString(line)
			}
			if word != "" {
				t.Errorf("%s:%d: %s", name, i+1, word)
			}
		}
		return err
	}
	for _, dir := range []string{"api", "cmd", "core", "docs", "e2e", "internal", "packaging", "scripts", "web/src",
		"README.md", "CHANGELOG.md"} {
		err := fs.WalkDir(os.DirFS(".."), dir, func(name string, d fs.DirEntry, err error) error {
			if err != nil || d.IsDir() || !slices.Contains(words, filepath.Ext(name)) {
				return err
			}
			return look(name)
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	if read < 500 {
		t.Errorf("only %d files were read", read)
	}
}
