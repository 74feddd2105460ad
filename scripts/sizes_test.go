package scripts

import (
	"go/ast"
	"go/parser"
	"go/scanner"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
	"unicode/utf8"
)

// What is longer is a design to split.
const (
	longestFile      = 400 // lines
	longestComponent = 200 // lines
	longestFunction  = 60  // lines
	longestHandler   = 40  // lines: it parses, authorizes, calls and renders
)

// longer are what may be: tables with a case for each read or act.
var longer = []string{
	"core/reads/ways.go screenerPath", "core/reads/ways.go cutPath", "core/reads/ways_ball.go handlerPath",
	"core/reads/picture.go Example", "core/reads/agree.go compare", "core/offense/cutout.go phases",
	"core/practice/written.go blocks",
}

// Files, components and functions of the product have a length that can be read at once. Tests tell a story and may be
// longer.
func TestNothingIsTooLong(t *testing.T) {
	root := os.DirFS("..")
	files, seen := 0, map[string]bool{}
	tooLong := func(name string, lines, most int) {
		if lines <= most {
			return
		}
		seen[name] = true
		if !slices.Contains(longer, name) {
			t.Errorf("%s has %d lines, not %d at most", name, lines, most)
		}
	}
	for _, dir := range []string{"core", "internal", "cmd", "web/src"} {
		err := fs.WalkDir(root, dir, func(name string, d fs.DirEntry, err error) error {
			generated := strings.Contains(name, "/gen/") || strings.HasSuffix(name, ".gen.go") ||
				strings.HasSuffix(name, "schema.d.ts")
			if err != nil || d.IsDir() || generated || strings.HasSuffix(name, "_test.go") {
				return err
			}
			text, err := fs.ReadFile(root, name)
			if err != nil {
				return err
			}
			lines := strings.Count(string(text), "\n")
			switch filepath.Ext(name) {
			case ".svelte":
				tooLong(name, lines, longestComponent)
			case ".ts":
				tooLong(name, lines, longestFile)
			case ".go":
				tooLong(name, lines, longestFile)
				set := token.NewFileSet()
				f, err := parser.ParseFile(set, name, text, 0)
				if err != nil {
					return err
				}
				for _, decl := range f.Decls {
					if fn, is := decl.(*ast.FuncDecl); is {
						most := longestFunction
						if strings.HasPrefix(name, "internal/web/") && handles(fn) {
							most = longestHandler
						}
						tooLong(name+" "+fn.Name.Name, set.Position(fn.End()).Line-set.Position(fn.Pos()).Line+1, most)
					}
				}
			default:
				return nil
			}
			files++
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	for _, name := range longer {
		if !seen[name] {
			t.Errorf("%s is not too long any more; take it off the list", name)
		}
	}
	if files < 500 {
		t.Errorf("only %d files were read", files)
	}
}

// handles reports whether a function answers a request of the contract.
func handles(fn *ast.FuncDecl) bool {
	for _, p := range fn.Type.Params.List {
		if of, is := p.Type.(*ast.SelectorExpr); is && strings.HasSuffix(of.Sel.Name, "RequestObject") {
			return true
		}
	}
	return false
}

// Lines of Go end before column 120. Text between backquotes keeps its lines, and every refusal has one of its own.
func TestLinesAreNotTooLong(t *testing.T) {
	const longest = 120 // characters
	root, lines := os.DirFS(".."), 0
	for _, dir := range []string{"core", "internal", "cmd", "e2e", "scripts"} {
		err := fs.WalkDir(root, dir, func(name string, d fs.DirEntry, err error) error {
			generated := strings.Contains(name, "/gen/") || strings.HasSuffix(name, ".gen.go")
			if err != nil || filepath.Ext(name) != ".go" || generated || strings.HasPrefix(name, "internal/sentences/") {
				return err
			}
			text, err := fs.ReadFile(root, name)
			if err != nil {
				return err
			}
			kept := backquoted(text)
			for i, line := range strings.Split(string(text), "\n") {
				if n := utf8.RuneCountInString(line); n > longest && !kept[i+1] {
					t.Errorf("%s:%d has %d characters", name, i+1, n)
				}
				lines++
			}
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	if lines < 50_000 {
		t.Errorf("only %d lines were read", lines)
	}
}

// backquoted are the lines of a file, from 1, on which text stands between backquotes.
func backquoted(text []byte) map[int]bool {
	set, lines := token.NewFileSet(), map[int]bool{}
	file := set.AddFile("", -1, len(text))
	var s scanner.Scanner
	s.Init(file, text, nil, 0)
	for {
		pos, tok, lit := s.Scan()
		if tok == token.EOF {
			return lines
		}
		if tok == token.STRING && strings.HasPrefix(lit, "`") {
			from := set.Position(pos).Line
			for i := range strings.Count(lit, "\n") + 1 {
				lines[from+i] = true
			}
		}
	}
}
