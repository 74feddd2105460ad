package displays_test

import (
	"os"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/internal/app/apptest"
	"evrik/internal/app/displays"
	"evrik/internal/app/planning"
	"evrik/internal/app/tries"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

func quiet(*gen.Queries) error { return nil }

// A code works once, for ten minutes; a paired display shows its practice until a coach ends it.
func TestPairing(t *testing.T) {
	c := apptest.Open(t)
	now := apptest.Now
	s := displays.Service{Store: c.DB, Tries: tries.Service{Store: c.DB, Now: apptest.Clock},
		Now: func() time.Time { return now }}
	code, err := s.New(t.Context(), c.Team, c.Planned.ID)
	apptest.Must(t, err)
	if len(code.Text) != 7 || code.Text[3] != ' ' || !code.Until.Equal(now.Add(displays.CodeLife)) {
		t.Errorf("%+v", code)
	}
	late, err := s.New(t.Context(), c.Team, c.Planned.ID)
	apptest.Must(t, err)
	if late.Text == code.Text {
		t.Error("the same code twice")
	}
	_, err = s.Pair(t.Context(), "222 222", "gym")
	apptest.Refused(t, err, "display.code-wrong")
	d, err := s.Pair(t.Context(), strings.ToLower(strings.ReplaceAll(code.Text, " ", "-")), "gym")
	apptest.Must(t, err)
	_, err = s.Pair(t.Context(), code.Text, "gym")
	apptest.Refused(t, err, "display.code-wrong")
	now = now.Add(displays.CodeLife + time.Second)
	_, err = s.Pair(t.Context(), late.Text, "gym")
	apptest.Refused(t, err, "display.code-wrong")

	for range tries.Most - 3 {
		_, err = s.Pair(t.Context(), "222 222", "gym")
		apptest.Refused(t, err, "display.code-wrong")
	}
	_, err = s.Pair(t.Context(), "222 222", "gym")
	apptest.Refused(t, err, "signin.too-many-tries")
	if list, err := s.List(t.Context(), c.Team, c.Planned.ID); err != nil || len(list) != 1 || list[0].ID != d.ID {
		t.Errorf("%+v, %v", list, err)
	}
	team, p, err := s.Shows(t.Context(), d)
	if err != nil || team.ID != c.Team.ID || p.ID != c.Planned.ID {
		t.Errorf("%v %v %v", team.ID, p.ID, err)
	}
	clock, blocks, err := s.Board(t.Context(), d.ID)
	if err != nil || len(blocks) == 0 || !clock.Since.IsZero() {
		t.Errorf("%+v, %d blocks, %v", clock, len(blocks), err)
	}

	apptest.Refused(t, s.End(t.Context(), c.Team, c.Planned.ID, uuid.New(), quiet), "display.missing")
	told := 0
	apptest.Must(t, s.End(t.Context(), c.Team, c.Planned.ID, d.ID, func(*gen.Queries) error { told++; return nil }))
	if _, _, err := s.Board(t.Context(), d.ID); !store.NotFound(err) || told != 1 {
		t.Errorf("%v, told %d times", err, told)
	}
}

// A display shows nothing when its day is over, and what was deleted is missing.
func TestDayIsOver(t *testing.T) {
	c := apptest.Open(t)
	now := apptest.Now
	s := displays.Service{Store: c.DB, Tries: tries.Service{Store: c.DB, Now: apptest.Clock},
		Now: func() time.Time { return now }}
	code, err := s.New(t.Context(), c.Team, c.Planned.ID)
	apptest.Must(t, err)
	d, err := s.Pair(t.Context(), code.Text, "gym")
	apptest.Must(t, err)
	now = now.Add(displays.Life - time.Second)
	_, err = s.ByID(t.Context(), d.ID)
	apptest.Must(t, err)
	d.PracticeID = uuid.New()
	_, _, err = s.Shows(t.Context(), d)
	apptest.Refused(t, err, planning.NoPractice)
	now = now.Add(time.Minute)
	if _, err := s.ByID(t.Context(), d.ID); !store.NotFound(err) {
		t.Error(err)
	}
}

// Eight displays show a practice, no ninth.
func TestTooMany(t *testing.T) {
	c := apptest.Open(t)
	s := displays.Service{Store: c.DB, Tries: tries.Service{Store: c.DB, Now: apptest.Clock}, Now: apptest.Clock}
	for range 8 {
		code, err := s.New(t.Context(), c.Team, c.Planned.ID)
		apptest.Must(t, err)
		_, err = s.Pair(t.Context(), code.Text, "gym")
		apptest.Must(t, err)
	}
	_, err := s.New(t.Context(), c.Team, c.Planned.ID)
	apptest.Refused(t, err, "display.too-many")
}
