package teams_test

import (
	"fmt"
	"testing"

	"github.com/google/uuid"

	"evrik/internal/app/apptest"
	"evrik/internal/app/teams"
	"evrik/internal/store/gen"
)

// A program's teams: a new one plays on the floor of the first, names differ, and one stays open.
func TestManage(t *testing.T) {
	c := apptest.Open(t)
	s := teams.Service{Store: c.DB, Now: apptest.Clock}
	program := c.Team.ProgramID
	before, err := s.List(t.Context(), program)
	apptest.Must(t, err)
	row, err := s.Add(t.Context(), program, " Juniors ", "12-14")
	apptest.Must(t, err)
	after, err := s.List(t.Context(), program)
	apptest.Must(t, err)
	last := after[len(after)-1]
	if len(after) != len(before)+1 || last.ID != row.ID || last.Name != "Juniors" || last.Season != "2026/27" ||
		last.Zone != before[0].Zone || string(last.Court) != string(before[0].Court) || last.Players != 0 ||
		before[0].Players == 0 {
		t.Errorf("%+v", last)
	}
	_, err = s.Add(t.Context(), program, "JUNIORS", "12-14")
	apptest.Refused(t, err, "team.name-taken")
	_, err = s.Add(t.Context(), program, "", "12-14")
	apptest.Refused(t, err, "account.text-length")
	_, err = s.Add(t.Context(), program, "Others", "any")
	apptest.Refused(t, err, "account.age-group")

	apptest.Refused(t, s.Archive(t.Context(), program, uuid.New(), true), "team.missing")
	for _, team := range before {
		apptest.Must(t, s.Archive(t.Context(), program, team.ID, true))
	}
	apptest.Refused(t, s.Archive(t.Context(), program, last.ID, true), "team.last")
	if active, err := s.Active(t.Context(), program); err != nil || len(active) != 1 || active[0].ID != last.ID {
		t.Errorf("%+v, %v", active, err)
	}
	if one, err := s.Of(t.Context(), program, last.ID); err != nil || one.Name != "Juniors" {
		t.Errorf("%+v, %v", one, err)
	}
	_, err = s.Of(t.Context(), uuid.New(), last.ID)
	apptest.Refused(t, err, "team.missing")
	apptest.Refused(t, s.Delete(t.Context(), last.Team, "Juniors"), "team.last")
	apptest.Must(t, s.Archive(t.Context(), program, before[0].ID, false))
	apptest.Refused(t, s.Delete(t.Context(), last.Team, "juniors"), "team.name-not-typed")
	apptest.Must(t, s.Delete(t.Context(), last.Team, " Juniors"))
	if list, err := s.List(t.Context(), program); err != nil || len(list) != len(before) || list[0].Archived {
		t.Errorf("%d teams, %v", len(list), err)
	}
	for n := len(before); ; n++ {
		if _, err = s.Add(t.Context(), program, fmt.Sprint("Team ", n), "12-14"); err != nil {
			if n != 40 {
				t.Errorf("refused with %d teams", n)
			}
			break
		}
	}
	apptest.Refused(t, err, "team.too-many")
	// Another program has its own.
	if list, err := s.List(t.Context(), uuid.New()); err != nil || len(list) != 0 {
		t.Errorf("%d teams, %v", len(list), err)
	}
	var other gen.Team
	other.Name = "x"
	apptest.Refused(t, s.Delete(t.Context(), other, "x"), "team.last")
}
