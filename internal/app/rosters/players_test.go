package rosters_test

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/google/uuid"

	"evrik/core/refusal"
	"evrik/core/roster"
	"evrik/internal/app/apptest"
	"evrik/internal/app/rosters"
	"evrik/internal/erasures"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// One player is added, changed, moved and erased; what does not fit is refused.
func TestOnePlayer(t *testing.T) {
	c := apptest.Open(t)
	list := filepath.Join(t.TempDir(), "erasures.txt")
	s := rosters.Service{Store: c.DB, Erasures: list, Now: apptest.Clock}
	program, team := c.Team.ProgramID, c.Team.ID
	id, e, err := s.Add(t.Context(), c.Team, roster.Entry{Jersey: " 77 ", Name: "Wendeline ", Wing: true})
	apptest.Must(t, err)
	if e != (roster.Entry{Jersey: "77", Name: "Wendeline", Wing: true}) {
		t.Errorf("%+v", e)
	}
	_, _, err = s.Add(t.Context(), c.Team, roster.Entry{Jersey: "77", Name: "Other"})
	apptest.Refused(t, err, "team.jersey-taken")
	if _, _, err = s.Add(t.Context(), c.Team, roster.Entry{Jersey: "78"}); err == nil {
		t.Error("a player without a name")
	}
	_, err = s.Update(t.Context(), program, team, id, roster.Entry{Jersey: c.Players[0].Jersey, Name: "Wendeline"})
	apptest.Refused(t, err, "team.jersey-taken")
	_, err = s.Update(t.Context(), program, team, uuid.New(), roster.Entry{Jersey: "79", Name: "Nobody"})
	apptest.Refused(t, err, rosters.NoPlayer)
	_, err = s.Update(t.Context(), uuid.New(), team, id, roster.Entry{Jersey: "79", Name: "Nobody"})
	apptest.Refused(t, err, rosters.NoPlayer)
	_, err = s.Update(t.Context(), program, team, id, roster.Entry{Jersey: "79", Name: "Wendeline", Big: true})
	apptest.Must(t, err)
	table, err := s.CSV(t.Context(), c.Team)
	apptest.Must(t, err)
	if !strings.Contains(table.String(), "79,Wendeline") {
		t.Error(table)
	}

	teams, err := c.DB.TeamsOfProgram(t.Context(), program)
	apptest.Must(t, err)
	var to gen.Team
	for _, other := range teams {
		if other.ID != team {
			to = other
		}
	}
	apptest.Refused(t, s.Move(t.Context(), c.Team, to, uuid.New()), rosters.NoPlayer)
	other, _, err := s.Add(t.Context(), to, roster.Entry{Jersey: "79", Name: "Same number"})
	apptest.Must(t, err)
	apptest.Refused(t, s.Move(t.Context(), c.Team, to, id), "team.jersey-taken-there")
	_, err = s.Update(t.Context(), program, to.ID, other, roster.Entry{Jersey: "81", Name: "Same number"})
	apptest.Must(t, err)
	apptest.Must(t, s.Move(t.Context(), c.Team, to, id))

	// A note that names her is told, the erasure is noted outside of the database.
	_, err = c.DB.Pool.Exec(t.Context(), "UPDATE practices SET note = $2 WHERE id = $1", c.Planned.ID,
		"Bring balls.\nWendeline is late.")
	apptest.Must(t, err)
	_, err = s.Erase(t.Context(), program, team, id)
	apptest.Refused(t, err, rosters.NoPlayer) // who is on the other team
	notes, err := s.Erase(t.Context(), program, to.ID, id)
	apptest.Must(t, err)
	if len(notes) != 1 || notes[0].ID != c.Planned.ID || notes[0].Line != "Wendeline is late." {
		t.Errorf("%+v", notes)
	}
	if erased, err := erasures.List(list); err != nil || len(erased) != 1 || erased[0] != id {
		t.Errorf("%v, %v", erased, err)
	}
}

// A roster has an end.
func TestRosterIsFull(t *testing.T) {
	c := apptest.Open(t)
	s := rosters.Service{Store: c.DB, Now: apptest.Clock}
	var err error
	for n := 0; n < 100 && refusal.CodeOf(err) != "team.too-many-players"; n++ {
		_, _, err = s.Add(t.Context(), c.Team, roster.Entry{Jersey: fmt.Sprint(n), Name: fmt.Sprint("Player ", n)})
		if err != nil && refusal.CodeOf(err) != "team.jersey-taken" && refusal.CodeOf(err) != "team.too-many-players" {
			t.Fatal(err)
		}
	}
	apptest.Refused(t, err, "team.too-many-players")
	if players, err := s.Players(t.Context(), c.Team); err != nil || len(players) != roster.MaxPlayers {
		t.Errorf("%d players, %v", len(players), err)
	}
}
