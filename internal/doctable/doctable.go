// Package doctable keeps the tables of the docs true: tests that measure them write them.
package doctable

import (
	"os"
	"strings"
	"testing"
)

// Write puts a table into a file of docs, between the mark of its name and the next end mark,
// where EVRIK_WRITE_TABLES is set. The file is named as seen from the test's own package.
func Write(t *testing.T, file, name, table string) {
	t.Helper()
	if os.Getenv("EVRIK_WRITE_TABLES") == "" {
		return
	}
	text, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	mark, end := "<!-- table: "+name+" -->\n", "<!-- end -->"
	before, rest, ok := strings.Cut(string(text), mark)
	_, after, ended := strings.Cut(rest, end)
	if !ok || !ended {
		t.Fatalf("%s has no place for the table %q", file, name)
	}
	if err := os.WriteFile(file, []byte(before+mark+table+end+after), 0o644); err != nil {
		t.Fatal(err)
	}
}
