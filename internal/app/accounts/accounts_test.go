package accounts_test

import (
	"context"
	"errors"
	"fmt"
	"os"
	"strings"
	"testing"
	"time"

	"evrik/internal/app"
	"evrik/internal/app/accounts"
	"evrik/internal/app/apptest"
	"evrik/internal/app/tries"
	"evrik/internal/mail"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// letters is the service with the mail it sent.
type letters struct {
	accounts.Service
	sent []mail.Message
	now  time.Time
	fail error
}

func newLetters(db *store.Store) *letters {
	l := &letters{now: apptest.Now}
	l.Service = accounts.Service{Store: db, Address: "https://coach.example", Now: func() time.Time { return l.now },
		Passwords: plain{}, Tries: tries.Service{Store: db, Now: apptest.Clock},
		Send: func(_ context.Context, m mail.Message) error { l.sent = append(l.sent, m); return l.fail }}
	return l
}

// plain keeps passwords as they are.
type plain struct{}

func (plain) Hash(_ context.Context, password string) (string, error) {
	return "hash of " + password, nil
}

func (plain) Matches(_ context.Context, password, hash string) (bool, error) {
	return hash == "hash of "+password, nil
}

// key is the last part of the address in a message.
func (l *letters) key() string {
	for _, word := range strings.Fields(l.sent[len(l.sent)-1].Text) {
		if strings.HasPrefix(word, l.Address) {
			return word[strings.LastIndex(word, "/")+1:]
		}
	}
	return ""
}

// A program is set up once, with a team in a time zone that is known.
func TestSetUp(t *testing.T) {
	l := newLetters(pgtest.Store(t))
	in := accounts.Setup{Program: " Club ", Team: "U14", Ages: "12-14", Zone: "Mars/Olympus",
		Person: accounts.Person{Name: "Ann", Email: "ann@club.example", Role: "viewer", Password: "a long password"}}
	for code, spoil := range map[string]func(*accounts.Setup){
		"account.text-length": func(s *accounts.Setup) { s.Team = " " },
		"account.age-group":   func(s *accounts.Setup) { s.Ages = "old" },
		"account.email":       func(s *accounts.Setup) { s.Person.Email = "Ann <ann@club.example>" },
	} {
		bad := in
		spoil(&bad)
		_, err := l.SetUp(t.Context(), bad)
		apptest.Refused(t, err, code)
	}
	who, err := l.SetUp(t.Context(), in)
	if err != nil || who.Role != accounts.Head || who.PasswordHash != "hash of a long password" {
		t.Fatalf("%+v, %v", who, err)
	}
	teams, err := l.Store.TeamsOfProgram(t.Context(), who.ProgramID)
	if err != nil || len(teams) != 1 || teams[0].Zone != "UTC" || teams[0].Season != "2026/27" {
		t.Errorf("%+v, %v", teams, err)
	}
	program, err := l.Store.Program(t.Context(), who.ProgramID)
	if err != nil || program.Name != "Club" {
		t.Errorf("%+v, %v", program, err)
	}
	in.Person.Email = "eve@club.example"
	_, err = l.SetUp(t.Context(), in)
	apptest.Refused(t, err, "account.already-set-up")
}

// An invitation is mailed, works once and for a week.
func TestInvite(t *testing.T) {
	c := apptest.Open(t)
	l := newLetters(c.DB)
	out, err := l.Invite(t.Context(), c.Head, "bo@club.example", "assistant")
	if err != nil || len(l.sent) != 1 || l.sent[0].To != "bo@club.example" || l.sent[0].Program != c.Head.ProgramID ||
		out.Path != "/join/"+l.key() {
		t.Fatalf("%+v, sent %+v, %v", out, l.sent, err)
	}
	i, err := l.Invitation(t.Context(), l.key(), "here")
	apptest.Must(t, err)
	who, err := l.Accept(t.Context(), i, "Bo", "a long password")
	if err != nil || who.Role != "assistant" || who.ProgramID != c.Head.ProgramID || who.Email != "bo@club.example" {
		t.Fatalf("%+v, %v", who, err)
	}
	_, err = l.Invitation(t.Context(), l.key(), "here")
	apptest.Refused(t, err, "coach.link-dead")
	_, err = l.Accept(t.Context(), i, "Bo", "a long password")
	apptest.Refused(t, err, "coach.link-dead")
	_, err = l.Invite(t.Context(), c.Head, "BO@club.example", "assistant")
	apptest.Refused(t, err, "coach.email-taken")
	_, err = l.Invite(t.Context(), c.Head, "eve@club.example", "owner")
	apptest.Refused(t, err, "coach.invited-role")
	for range tries.Most {
		_, err := l.Invitation(t.Context(), "guess", "there")
		apptest.Refused(t, err, "coach.link-dead")
	}
	_, err = l.Invitation(t.Context(), "guess", "there")
	apptest.Refused(t, err, "signin.too-many-tries")

	l.fail = errors.New("no mail today")
	_, err = l.Invite(t.Context(), c.Head, "cy@club.example", "viewer")
	apptest.Must(t, err) // the link was shown
	key := l.key()
	l.now = l.now.Add(7*24*time.Hour - time.Second)
	if _, err := l.Invitation(t.Context(), key, "here"); err != nil {
		t.Errorf("within a week: %v", err)
	}
	l.now = l.now.Add(time.Second)
	_, err = l.Invitation(t.Context(), key, "here")
	apptest.Refused(t, err, "coach.link-dead")
}

// A program has thirty invitations open, not more.
func TestInvitationsHaveABound(t *testing.T) {
	c := apptest.Open(t)
	l := newLetters(c.DB)
	open, err := c.DB.InvitationsOfProgram(t.Context(),
		gen.InvitationsOfProgramParams{ProgramID: c.Head.ProgramID, Now: l.now})
	apptest.Must(t, err)
	for n := len(open); n < 30; n++ {
		_, err := l.Invite(t.Context(), c.Head, fmt.Sprintf("c%d@club.example", n), "viewer")
		apptest.Must(t, err)
	}
	_, err = l.Invite(t.Context(), c.Head, "more@club.example", "viewer")
	apptest.Refused(t, err, "coach.too-many-invitations")
}

// A link to a new password goes to whoever has the address, ends the one before and works for an hour.
func TestReset(t *testing.T) {
	c := apptest.Open(t)
	l := newLetters(c.DB)
	apptest.Must(t, l.MailReset(t.Context(), "nobody@club.example", "here"))
	if len(l.sent) != 0 {
		t.Fatalf("nobody was written to: %+v", l.sent)
	}
	apptest.Must(t, l.MailReset(t.Context(), " "+strings.ToUpper(c.Head.Email), "here"))
	first := l.key()
	if who, err := l.ResetOwner(t.Context(), first, "here"); err != nil || who.ID != c.Head.ID {
		t.Fatalf("%+v, %v", who, err)
	}
	apptest.Must(t, l.MailReset(t.Context(), c.Head.Email, "here"))
	_, err := l.ResetOwner(t.Context(), first, "here")
	apptest.Refused(t, err, "password.link-dead")
	who, err := l.ResetPassword(t.Context(), l.key(), "here", "a new password")
	if err != nil || who.PasswordHash != "hash of a new password" || who.SessionEpoch != c.Head.SessionEpoch+1 {
		t.Errorf("%+v, %v", who, err)
	}
	_, err = l.ResetPassword(t.Context(), l.key(), "here", "another one")
	apptest.Refused(t, err, "password.link-dead")
	apptest.Must(t, l.MailReset(t.Context(), c.Head.Email, "here"))
	l.now = l.now.Add(time.Hour + time.Second)
	_, err = l.ResetOwner(t.Context(), l.key(), "here")
	apptest.Refused(t, err, "password.link-dead")
	// An inbox is not filled by whoever asks again and again.
	for range tries.Most - 3 {
		apptest.Must(t, l.MailReset(t.Context(), c.Head.Email, "elsewhere"))
	}
	apptest.Refused(t, l.MailReset(t.Context(), c.Head.Email, "elsewhere"), "signin.too-many-tries")
}

// What is typed in is trimmed and has a bound.
func TestText(t *testing.T) {
	if got, err := app.Text("  Bo ", "name.team"); got != "Bo" || err != nil {
		t.Errorf("%q, %v", got, err)
	}
	for _, bad := range []string{"", " ", strings.Repeat("é", 81), "a\x00b"} {
		if _, err := app.Text(bad, "name.team"); err == nil {
			t.Errorf("%q is a name", bad)
		}
	}
	if _, err := app.Text(strings.Repeat("é", 80), "name.team"); err != nil {
		t.Error(err)
	}
}
