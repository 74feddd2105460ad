package app

import (
	"os/exec"
	"strings"
	"testing"
)

// Services know no HTTP and no SQL: nothing of theirs, but for what the store and the core
// bring along, serves requests or speaks to a database. Each has tests of its own.
func TestServicesKnowNoHTTPAndNoSQL(t *testing.T) {
	out, err := exec.Command("go", "list", "-f", `{{.ImportPath}}: {{join .Imports " "}} {{if not (or .TestGoFiles .XTestGoFiles)}}untested{{end}}`,
		"evrik/internal/app/...").CombinedOutput()
	if err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	lines := strings.Split(strings.TrimSpace(string(out)), "\n")
	if len(lines) < 3 {
		t.Fatalf("only %d packages: %s", len(lines), out)
	}
	for _, line := range lines {
		name, imports, _ := strings.Cut(line, ": ")
		for _, dep := range strings.Fields(imports) {
			if dep == "untested" && name != "evrik/internal/app/apptest" {
				t.Errorf("%s has no tests", name)
			}
			if strings.HasPrefix(dep, "net/http") || strings.Contains(dep, "labstack/echo") ||
				strings.Contains(dep, "jackc/pgx") || strings.HasPrefix(dep, "evrik/internal/web") {
				t.Errorf("%s imports %s", name, dep)
			}
		}
	}
}
