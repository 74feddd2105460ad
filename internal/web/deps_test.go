package web

import (
	"go/ast"
	"go/parser"
	"go/token"
	"os"
	"slices"
	"strings"
	"testing"
)

// wiring are the files that put the server together and so know the store itself.
var wiring = []string{"server.go", "figures.go"}

// Handlers parse, call a service and render: what is asked of the database is asked by services.
func TestHandlersAskServices(t *testing.T) {
	files, err := os.ReadDir(".")
	if err != nil {
		t.Fatal(err)
	}
	looked := 0
	for _, f := range files {
		name := f.Name()
		if !strings.HasSuffix(name, ".go") || strings.HasSuffix(name, "_test.go") || slices.Contains(wiring, name) {
			continue
		}
		set := token.NewFileSet()
		file, err := parser.ParseFile(set, name, nil, parser.SkipObjectResolution)
		if err != nil {
			t.Fatal(err)
		}
		looked++
		ast.Inspect(file, func(n ast.Node) bool {
			of, ok := n.(*ast.SelectorExpr)
			if !ok {
				return true
			}
			from, ok := of.X.(*ast.Ident)
			if ok && (from.Name == "store" && of.Sel.Name == "Store" ||
				from.Name == "gen" && strings.HasSuffix(of.Sel.Name, "Params")) {
				t.Errorf("%s asks the database: %s.%s", set.Position(n.Pos()), from.Name, of.Sel.Name)
			}
			return true
		})
	}
	if looked < 20 {
		t.Errorf("only %d files were looked at", looked)
	}
}
