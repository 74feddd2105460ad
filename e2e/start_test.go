package e2e

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"evrik/internal/pgtest"
)

// What can go wrong at the start is said in one sentence each.
func TestStartComplainsInSentences(t *testing.T) {
	s := launch(t, "serve", "EVRIK_DATABASE_URL="+pgtest.URL(t))
	taken := strings.TrimPrefix(s.Base, "http://")
	home := t.TempDir()
	if err := os.Chmod(filepath.Dir(home), 0o755); err != nil {
		t.Fatal(err)
	}
	if err := os.MkdirAll(filepath.Join(home, "data", "data"), 0o755); err != nil {
		t.Fatal(err)
	}
	if err := os.WriteFile(filepath.Join(home, "data", "data", "stray"), nil, 0o644); err != nil {
		t.Fatal(err)
	}
	for want, call := range map[string]struct {
		env  []string
		args []string
	}{
		"another program has it": {[]string{"EVRIK_ADDR=" + taken}, []string{"serve"}},
		"does not answer":        {[]string{"EVRIK_ADDR=127.0.0.1:0", "EVRIK_DATABASE_URL=postgres://x:y@127.0.0.1:1/no?connect_timeout=2"}, []string{"serve"}},
		"is damaged":             {[]string{"EVRIK_ADDR=127.0.0.1:0", "EVRIK_HOME=" + home}, []string{"serve"}},
		"There is no \"fly\"":    {nil, []string{"fly"}},
		"Say what to do":         {nil, nil},
	} {
		said := fails(t, call.env, call.args...)
		if !strings.Contains(said, want) || strings.Count(strings.TrimSpace(said), "\n") > 0 {
			t.Errorf("%v: %q, want one line that says %q", call.args, said, want)
		}
	}
}

// A first start without demo data asks for the first head coach; then the
// roster is typed in and imported, and bad files are told row by row.
func TestFirstStart(t *testing.T) {
	s := launch(t, "serve", "EVRIK_DATABASE_URL="+pgtest.URL(t))
	p := page(t, s)
	p.Open("/")
	p.See("heading", "A new program")
	p.Fill("Program", "Hill Street")
	p.Fill("First team", "Twelves")
	p.Fill("Your name", "Ann")
	p.Fill("Email", "ann@x.example")
	p.Fill("Password", "a long sentence")
	p.Click("button", "Make it and sign in")
	p.See("heading", "First, the roster")
	p.Click("link", "To the squad")
	p.Text("The roster is empty")
	p.Fill("Jersey", "00")
	p.Fill("Short name", "Ada")
	p.Click("button", "Add")
	p.See("textbox", "Name of 00")

	file := filepath.Join(t.TempDir(), "roster.csv")
	write := func(text string) {
		t.Helper()
		if err := os.WriteFile(file, []byte(text), 0o644); err != nil {
			t.Fatal(err)
		}
		p.Upload(file)
	}
	write("\uFEFFjersey,name\n0,Bo\n00,Cleo\n7,=1+1\n")
	p.Text("Nothing was imported.")
	p.Text("Row 3. Jersey 00 is Ada's on this team already.")
	p.Text("Row 4.")
	if p.Has("textbox", "Name of 0") && p.See("textbox", "Name of 0").Name == "Name of 0" {
		t.Error("half of a bad file was imported")
	}
	write("\uFEFFjersey,name,wing\r\n0,Bo,yes\r\n7,Cleo,no\r\n9,Dee,x\r\n")
	p.Text("3 players were imported.")
	p.See("textbox", "Name of 9")
	p.Click("button", "Delete Cleo")
	p.Click("button", "Delete for good")
	p.Gone("textbox", "Name of 7")
	p.Click("button", "Back to the board")
	p.See("link", "Dee, Curl: too few to say")

	p.Press("4")
	p.See("heading", "Practices")
	p.Text("Nothing is planned yet")
	p.Press("5")
	p.See("heading", "Nothing to run")
	p.Press("?")
	p.See("heading", "Keys of this view")
}
