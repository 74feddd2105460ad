package programs_test

import (
	"bytes"
	"errors"
	"os"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/internal/app"
	"evrik/internal/app/apptest"
	"evrik/internal/app/programs"
	"evrik/internal/pgtest"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// Single reps are kept for good, or for six months at least; what is older goes at once.
func TestKeep(t *testing.T) {
	c := apptest.Open(t)
	s := programs.Service{Store: c.DB, Now: func() time.Time { return apptest.Now.AddDate(0, 5, 0) }}
	count := func() int {
		t.Helper()
		reps, err := c.DB.RepsOfTeam(t.Context(), c.Team, time.Time{}, evidence.Ever)
		apptest.Must(t, err)
		return len(reps)
	}
	before := count()
	apptest.Refused(t, s.Keep(t.Context(), c.Team.ProgramID, 5), "program.keep-months")
	for months, want := range map[int]*int32{6: new(int32(6)), 0: nil} {
		apptest.Must(t, s.Keep(t.Context(), c.Team.ProgramID, months))
		p, err := s.Of(t.Context(), c.Team.ProgramID)
		if err != nil || (p.KeepMonths == nil) != (want == nil) || want != nil && *p.KeepMonths != *want {
			t.Errorf("%+v, %v", p, err)
		}
	}
	after := count()
	if after == 0 || after >= before {
		t.Errorf("%d of %d reps are left", after, before)
	}
	s.Now = func() time.Time { return apptest.Now.AddDate(2, 0, 0) }
	apptest.Must(t, s.Keep(t.Context(), c.Team.ProgramID, 0))
	if count() != after {
		t.Error("reps that are kept for good went")
	}
	if there, err := s.SetUp(t.Context()); err != nil || !there {
		t.Errorf("there is no program: %v", err)
	}
}

// An archive comes back as teams of their own, is listed with them, and undone once.
func TestArchives(t *testing.T) {
	c := apptest.Open(t)
	s := programs.Service{Store: c.DB, Now: apptest.Clock}
	program := c.Team.ProgramID
	var file bytes.Buffer
	apptest.Must(t, s.Export(t.Context(), program, &file))
	got, err := s.Import(t.Context(), c.Head, bytes.NewReader(file.Bytes()))
	apptest.Must(t, err)
	list, err := s.Imports(t.Context(), program)
	if err != nil || len(list) != 1 || list[0].ID != got.ID || list[0].Who != c.Head.Name || len(list[0].Names) < 2 ||
		int(list[0].Players) != got.Players || got.Players == 0 {
		t.Fatalf("%+v, %v", list, err)
	}
	apptest.Refused(t, s.UndoImport(t.Context(), uuid.New(), got.ID), "program.import-gone")
	apptest.Must(t, s.UndoImport(t.Context(), program, got.ID))
	apptest.Refused(t, s.UndoImport(t.Context(), program, got.ID), "program.import-gone")
	if list, err := s.Imports(t.Context(), program); err != nil || len(list) != 0 {
		t.Errorf("%+v, %v", list, err)
	}
	_, err = s.Import(t.Context(), c.Head, strings.NewReader("{}"))
	if r, is := errors.AsType[app.Refusal](err); !is || r.Kind != app.Invalid {
		t.Errorf("%v", err)
	}
}

// Who did what is listed newest first, with the team's name as long as it is there.
func TestDone(t *testing.T) {
	c := apptest.Open(t)
	now := apptest.Now.Add(time.Hour)
	s := programs.Service{Store: c.DB, Now: func() time.Time { now = now.Add(time.Second); return now }}
	for what, team := range map[string]uuid.UUID{"one": c.Team.ID, "two": uuid.Nil, "three": uuid.New()} {
		apptest.Must(t, s.Note(t.Context(), c.Head, team, what))
		list, err := s.Done(t.Context(), c.Team.ProgramID)
		apptest.Must(t, err)
		name := ""
		if what == "one" {
			name = c.Team.Name
		}
		if e := list[0]; e.What != what || e.Who != c.Head.Name || e.Team != name || !e.At.Equal(now) {
			t.Errorf("%+v", e)
		}
	}
	for range 250 {
		apptest.Must(t, s.Note(t.Context(), c.Head, uuid.Nil, "more"))
	}
	if list, err := s.Done(t.Context(), c.Team.ProgramID); err != nil || len(list) != 200 {
		t.Errorf("%d lines, %v", len(list), err)
	}
}
