package sharing_test

import (
	"context"
	"errors"
	"os"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app/apptest"
	"evrik/internal/app/planning"
	"evrik/internal/app/sharing"
	"evrik/internal/mail"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// planned is the club's next practice with what it is made from.
func planned(t *testing.T, c apptest.Club) (planning.Context, planning.Practice) {
	t.Helper()
	plans := planning.New(c.Squads)
	with, err := plans.Context(t.Context(), c.Team)
	apptest.Must(t, err)
	p, err := plans.Practice(t.Context(), &with, c.Planned)
	apptest.Must(t, err)
	return with, p
}

// A calendar follows the plans at an address of its own, until that is ended; what is long past has left it.
func TestFeed(t *testing.T) {
	c := apptest.Open(t)
	now := apptest.Now
	s := sharing.Service{Store: c.DB, Now: func() time.Time { return now }}
	program, team := c.Team.ProgramID, c.Team.ID
	_, err := s.NewFeed(t.Context(), uuid.New(), team)
	apptest.Refused(t, err, "team.missing")
	old, err := s.NewFeed(t.Context(), program, team)
	apptest.Must(t, err)
	key, err := s.NewFeed(t.Context(), program, team)
	apptest.Must(t, err)
	_, err = s.Feed(t.Context(), old)
	apptest.Refused(t, err, "calendar.address-dead")
	feed, err := s.Feed(t.Context(), key+".ics")
	apptest.Must(t, err)
	if !strings.Contains(feed, "UID:"+c.Planned.ID.String()+"@evrik") || !strings.Contains(feed, "END:VCALENDAR\r\n") {
		t.Error(feed)
	}
	for _, p := range c.Players {
		if strings.Contains(feed, p.Name) {
			t.Errorf("the calendar names %s", p.Name)
		}
	}
	events := strings.Count(feed, "BEGIN:VEVENT")
	now = c.Planned.StartsAt.Add(60*24*time.Hour - time.Minute)
	if feed, err = s.Feed(t.Context(), key); err != nil || !strings.Contains(feed, c.Planned.ID.String()) ||
		strings.Count(feed, "BEGIN:VEVENT") >= events {
		t.Errorf("%d events before, %d after two months, %v", events, strings.Count(feed, "BEGIN:VEVENT"), err)
	}
	now = now.Add(time.Hour)
	if feed, err = s.Feed(t.Context(), key); err != nil || strings.Contains(feed, c.Planned.ID.String()) {
		t.Errorf("what is long past is still told: %v", err)
	}
	apptest.Refused(t, s.EndFeed(t.Context(), program, uuid.New()), "team.missing")
	apptest.Must(t, s.EndFeed(t.Context(), program, team))
	_, err = s.Feed(t.Context(), key)
	apptest.Refused(t, err, "calendar.address-dead")
}

// An event lasts as long as its practice, holds the run sheet, and no control character that the format forbids.
func TestEvent(t *testing.T) {
	team := gen.Team{Name: "U\x0014"}
	p := gen.Practice{ID: uuid.New(), StartsAt: apptest.Now, Minutes: 90}
	text := sharing.Calendar(team, []gen.Practice{p}, map[string]string{p.ID.String(): "Slot\ttwos\nWater\x07"},
		apptest.Now)
	for _, want := range []string{"DTSTART:20261124T120000Z\r\n", "DTEND:20261124T133000Z\r\n", "SUMMARY:U14 practice\r\n",
		"DESCRIPTION:Slot\ttwos\\nWater\r\n"} {
		if !strings.Contains(text, want) {
			t.Errorf("%q is not in\n%s", want, text)
		}
	}
	if bare := sharing.Calendar(team, []gen.Practice{p}, nil, apptest.Now); strings.Contains(bare, "DESCRIPTION") {
		t.Error(bare)
	}
}

// The run sheet goes to every assistant, and to nobody else.
func TestMail(t *testing.T) {
	c := apptest.Open(t)
	var sent []mail.Message
	full := false
	s := sharing.Service{Store: c.DB, Now: apptest.Clock, Send: func(_ context.Context, m mail.Message) error {
		if full {
			return errors.New("no room")
		}
		sent = append(sent, m)
		return nil
	}}
	with, p := planned(t, c)
	p.Note = "Bring both balls."
	staff, err := c.DB.StaffOfProgram(t.Context(), c.Team.ProgramID)
	apptest.Must(t, err)
	want := map[string]bool{}
	for _, who := range staff {
		if who.Role == "assistant" {
			want[who.Email] = true
		}
	}
	n, err := s.Mail(t.Context(), &with, c.Planned, p)
	if err != nil || n != len(want) || len(sent) != n || n == 0 {
		t.Fatalf("%d of %d, %v", n, len(want), err)
	}
	for _, m := range sent {
		if !want[m.To] || !strings.HasPrefix(m.Subject, c.Team.Name+" practice, ") ||
			!strings.HasSuffix(m.Text, "\nBring both balls.\n") ||
			!strings.Contains(string(m.Attachments["practice.ics"]), "BEGIN:VEVENT") {
			t.Errorf("to %s: %s\n%s", m.To, m.Subject, m.Text)
		}
	}
	full = true
	if _, err := s.Mail(t.Context(), &with, c.Planned, p); err == nil {
		t.Error("what was not sent is said to be")
	}
	_, err = c.DB.Pool.Exec(t.Context(), "UPDATE staff SET role = 'viewer' WHERE role = 'assistant'")
	apptest.Must(t, err)
	_, err = s.Mail(t.Context(), &with, c.Planned, p)
	apptest.Refused(t, err, "mail.no-assistant")
}

// A plan that travels names nobody, and the plan itself stays as it was.
func TestNameless(t *testing.T) {
	blocks := []practice.Block{{ID: "a", Players: []string{"p1", "p2"}}, {ID: "b"}}
	out := sharing.Nameless(blocks)
	if len(out) != 2 || len(out[0].Players) != 0 || out[0].Players == nil || out[0].ID != "a" ||
		len(blocks[0].Players) != 2 {
		t.Errorf("%+v of %+v", out, blocks)
	}
	c := apptest.Open(t)
	with, p := planned(t, c)
	table, err := sharing.CSV(&with, p)
	apptest.Must(t, err)
	if lines := strings.Count(table.String(), "\n"); lines < len(p.Blocks) {
		t.Errorf("%d lines for %d blocks", lines, len(p.Blocks))
	}
}
