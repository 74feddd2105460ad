package e2e

import (
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"evrik/e2e/browser"
	"evrik/internal/pgtest"
)

// A coach who has forgotten the password gets a link by mail, or a new one on the server's own
// machine, and changes it under Settings.
func TestWayBackIn(t *testing.T) {
	t.Parallel()
	home, url := pgtest.Home(t), pgtest.URL(t)
	s := launch(t, "serve", "EVRIK_HOME="+home, "EVRIK_DATABASE_URL="+url,
		"EVRIK_PUBLIC_URL=https://evrik.club.example")
	p := page(t, s)
	p.Open("/")
	setUp(p)
	p.Click("link", "Settings")
	p.Fill("Old password", "a long sentence")
	p.Fill("New password", "a longer sentence")
	p.Click("button", "Change password")
	p.Text("Your password is changed")

	q := page(t, s)
	q.Open("/")
	q.Click("button", "Forgot your password?")
	q.Fill("Email", "ann@x.example")
	q.Click("button", "Send the link")
	q.Says("status", "a link is on its way")
	mails, err := filepath.Glob(filepath.Join(home, "outbox", "accounts", "*.eml"))
	if err != nil || len(mails) != 1 {
		t.Fatalf("%v, %v", mails, err)
	}
	text, err := os.ReadFile(mails[0])
	if err != nil {
		t.Fatal(err)
	}
	plain := strings.NewReplacer("=\r\n", "", "=3D", "=").Replace(string(text))
	link := regexp.MustCompile(`https://evrik\.club\.example(/reset/\S+)`).FindStringSubmatch(plain)
	if link == nil {
		t.Fatalf("no link in %s", plain)
	}
	q.Open(link[1])
	q.Fill("New password", "a sentence by mail")
	q.Click("button", "Save and sign in")
	q.See("heading", "First steps")
	p.Open("/") // the other device is signed out
	p.See("button", "Sign in")
	q.Open(link[1])
	q.Says("alert", "does not work any more")

	cmd := exec.Command(binary, "password", "ann@x.example")
	cmd.Env = append(os.Environ(), "EVRIK_HOME="+home, "EVRIK_DATABASE_URL="+url)
	out, err := cmd.CombinedOutput()
	if err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	given := regexp.MustCompile(`is (\S+)\n`).FindStringSubmatch(string(out))
	if given == nil {
		t.Fatalf("%s", out)
	}
	p.Fill("Email", "ann@x.example")
	p.Fill("Password", given[1])
	p.Click("button", "Sign in")
	p.See("heading", "First steps")
	if said := fails(t, []string{"EVRIK_HOME=" + home, "EVRIK_DATABASE_URL=" + url}, "password",
		"nobody@x.example"); !strings.Contains(said, "no account") {
		t.Error(said)
	}
}

// Teams are added, put away and deleted after their name was typed; an import is undone.
func TestTeamsAndImports(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Click("link", "Settings")
	p.Fill("New team", "U16")
	p.Click("button", "Add team")
	p.Text("U16 is added")
	p.Choose("Team", "U16")
	p.Click("link", "Now")
	p.See("heading", "First steps")
	p.Choose("Team", "U14")
	p.Click("link", "Settings")
	p.Click("button", "Archive U16")
	p.Text("U16 is archived")
	if options := browser.Eval[string](p,
		"[...document.querySelector('select[aria-label=Team]').options].map((o) => o.text).join()"); strings.Contains(
		options, "U16") {
		t.Errorf("an archived team is offered: %s", options)
	}
	p.Click("button", "Bring back U16")
	p.Text("U16 is back")
	p.Click("button", "Delete U16")
	p.See("heading", "Delete U16?")
	p.Until("[...document.querySelectorAll('dialog button')].find((b) => b.innerText === 'Delete').disabled")
	p.Fill("Type the team's name", "U16")
	p.Until("![...document.querySelectorAll('dialog button')].find((b) => b.innerText === 'Delete').disabled")
	p.Press("\r")
	p.Text("U16 is deleted")

	file := filepath.Join(t.TempDir(), "copy.json")
	copied := browser.Eval[string](p, "fetch('/api/program/archive').then((r) => r.text())")
	if err := os.WriteFile(file, []byte(copied), 0o600); err != nil {
		t.Fatal(err)
	}
	before := ask[int](t, s, "SELECT count(*) FROM rep_events")
	p.Upload(file)
	p.Says("status", "Added")
	p.See("button", "Undo import")
	if n := ask[int](t, s, "SELECT count(*) FROM rep_events"); n != 2*before {
		t.Errorf("%d reps after the import of %d", n, before)
	}
	p.Click("button", "Undo import")
	p.See("heading", "Undo this import?")
	browser.Eval[bool](p,
		"([...document.querySelectorAll('dialog button')].find((b) => b.innerText === 'Undo import').click(), true)")
	p.Text("The import is undone.")
	p.Gone("button", "Undo import")
	if n := ask[int](t, s, "SELECT count(*) FROM rep_events"); n != before {
		t.Errorf("%d reps after the import of %d was undone", n, before)
	}
}

// A session that ends while somebody works leads to the door, and back to the view that was asked for.
func TestSessionEndsBetweenViews(t *testing.T) {
	p := enter(t, demo(t))
	browser.Eval[bool](p, "fetch('/api/session?everywhere=false', { method: 'DELETE' }).then((r) => r.ok)")
	p.Click("link", "Games")
	p.Click("button", "Sign in")
	p.See("link", "Fernhollow")
	if !strings.HasSuffix(p.Path(), "/games") {
		t.Errorf("after signing in again: %s", p.Path())
	}
	browser.Eval[bool](p, "fetch('/api/session?everywhere=false', { method: 'DELETE' }).then((r) => r.ok)")
	p.Click("link", "Squad")
	p.Click("button", "Sign in")
	p.See("link", "Bram, Curl")
}
