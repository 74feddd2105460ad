package sentences

import (
	"errors"
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"evrik/core/refusal"
)

// codeAt is where the functions that refuse take their code, and codeIn where a Refusal is written out.
var codeAt = map[string]int{
	"refusal.New": 0, "setup": 0, "places": 0, "conflict": 0, "invalid": 0, "missing": 0, "fail": 0,
	"refused": 1, "app.Refuse": 1, "app.OrMissing": 1, "app.Changed": 2, "app.Text": 1, "motionError": 3,
}

var (
	codeLike = regexp.MustCompile(`^[a-z]+\.[a-z0-9-]+$`)
	verb     = regexp.MustCompile(`%[-+#0-9.]*[a-z]`)
)

// source calls visit with every file of the house that may refuse something.
func source(t *testing.T, visit func(path string, f *ast.File)) {
	t.Helper()
	root := os.DirFS("../..")
	for _, dir := range []string{"core", "internal/app", "internal/web", "internal/store", "internal/archive"} {
		err := fs.WalkDir(root, dir, func(path string, d fs.DirEntry, err error) error {
			if err != nil || d.IsDir() || filepath.Ext(path) != ".go" || strings.HasSuffix(path, "_test.go") ||
				strings.Contains(path, "/gen/") {
				return err
			}
			f, err := parser.ParseFile(token.NewFileSet(), filepath.Join("../..", path), nil, 0)
			if err == nil {
				visit(path, f)
			}
			return err
		})
		if err != nil {
			t.Fatal(err)
		}
	}
}

func literal(e ast.Expr) (string, bool) {
	b, ok := e.(*ast.BasicLit)
	if !ok || b.Kind != token.STRING {
		return "", false
	}
	s, err := strconv.Unquote(b.Value)
	return s, err == nil
}

func nameOf(fun ast.Expr) string {
	switch f := fun.(type) {
	case *ast.Ident:
		return f.Name
	case *ast.SelectorExpr:
		if x, ok := f.X.(*ast.Ident); ok {
			return x.Name + "." + f.Sel.Name
		}
	}
	return ""
}

// Every code that is refused with has a sentence that takes as many values as are given, and every sentence is
// somebody's.
func TestEveryCodeHasItsSentence(t *testing.T) {
	used := map[string]bool{"said": true}
	source(t, func(path string, f *ast.File) {
		ast.Inspect(f, func(n ast.Node) bool {
			switch n := n.(type) {
			case *ast.CallExpr:
				at, refuses := codeAt[nameOf(n.Fun)]
				if !refuses || len(n.Args) <= at {
					return true
				}
				if code, ok := literal(n.Args[at]); ok {
					format, known := catalogue[code]
					if given := len(n.Args) - at - 1; !known {
						t.Errorf("%s: %s has no sentence", path, code)
					} else if wanted := len(verb.FindAllString(format, -1)); wanted != given &&
						n.Ellipsis == token.NoPos {
						t.Errorf("%s: %s is given %d values, and its sentence takes %d", path, code, given, wanted)
					}
				}
			case *ast.BasicLit:
				if s, ok := literal(n); ok && codeLike.MatchString(s) && catalogue[s] != "" {
					used[s] = true
				}
			}
			return true
		})
	})
	for code, text := range catalogue {
		if !used[code] {
			t.Errorf("nobody refuses with %s", code)
		}
		if text == "%s" || strings.HasPrefix(code, "court.") || strings.HasPrefix(code, "drill.act-") ||
			strings.HasPrefix(code, "offense.") || strings.HasPrefix(code, "name.") {
			continue // a part of another sentence
		}
		if !strings.HasSuffix(text, ".") && !strings.HasSuffix(text, "%s") {
			t.Errorf("%s is no sentence: %s", code, text)
		}
	}
	if len(used) < 300 {
		t.Errorf("only %d codes were found", len(used))
	}
}

// Where something is refused a reason is named; the words are made here.
func TestNoSentenceIsMadeElsewhere(t *testing.T) {
	calls := 0
	source(t, func(path string, f *ast.File) {
		ast.Inspect(f, func(n ast.Node) bool {
			call, ok := n.(*ast.CallExpr)
			if !ok || len(call.Args) == 0 {
				return true
			}
			name := nameOf(call.Fun)
			at, refuses := codeAt[name]
			plain := name == "errors.New" || name == "fmt.Errorf"
			if !refuses && !plain || len(call.Args) <= at {
				return true
			}
			calls++
			if refuses {
				for _, value := range call.Args[at+1:] {
					if word, ok := literal(value); ok && strings.Contains(word, " ") {
						t.Errorf("%s: %q is for people", path, word)
					}
				}
			}
			s, ok := literal(call.Args[at])
			switch {
			case !ok:
			case refuses && !codeLike.MatchString(s):
				t.Errorf("%s: %s takes a code, not %q", path, name, s)
			case plain && strings.ToUpper(s[:1]) == s[:1] && s[0] != '%' && !strings.HasPrefix(path, "internal/store/"):
				t.Errorf("%s: %q begins like a sentence", path, s)
			}
			return true
		})
	})
	if calls < 300 {
		t.Errorf("only %d errors were found", calls)
	}
}

// A sentence takes the values in their order, another refusal's sentence in the place of one, and says last what was
// kept.
func TestSentencesAreMade(t *testing.T) {
	inner := refusal.New("practice.stage-gone", "Slot twos", "moon")
	for _, c := range []struct {
		err  error
		want string
	}{
		{refusal.New("roster.number", "123"), `"123" is not a jersey number: one or two digits, 0 and 00 included.`},
		{refusal.New("practice.block-at", 2, inner),
			`Block 2: Slot twos has no stage called "moon". Choose one from its ladder.`},
		{refusal.Keeping(fmt.Errorf("laid out: %w", inner), "kept.nothing"),
			`Slot twos has no stage called "moon". Choose one from its ladder. Nothing was saved.`},
		{errors.New("disk full"), "disk full"},
		{refusal.New("no.such-code", 4), "no.such-code: 4"},
	} {
		if got := Of(c.err); got != c.want {
			t.Errorf("%v: %s, want %s", c.err, got, c.want)
		}
	}
	if text, err := refusal.Of(inner).MarshalText(); err != nil ||
		!strings.HasPrefix(string(text), "Slot twos has no stage") {
		t.Errorf("an answer says %s, %v", text, err)
	}
	if text, err := (refusal.Refusal{}).MarshalText(); err != nil || len(text) != 0 {
		t.Errorf("nothing refused says %q, %v", text, err)
	}
}
