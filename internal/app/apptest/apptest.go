// Package apptest gives the tests of services a club to work with: that of the demo, in a database of its own.
package apptest

import (
	"context"
	"testing"
	"time"

	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/refusal"
	"evrik/internal/app/squad"
	"evrik/internal/demo"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Now is when the tests of services happen.
var Now = time.Date(2026, 11, 24, 12, 0, 0, 0, time.UTC)

// Clock always tells Now.
func Clock() time.Time { return Now }

// Club is the demo's.
type Club struct {
	DB *store.Store
	// Head is its head coach, Team the first one with a practice that is planned, which is Planned.
	Head    gen.Staff
	Team    gen.Team
	Planned gen.Practice
	Players []gen.Player
	Squads  squad.Service
}

// Demo makes a database with the demo in it and returns its address.
func Demo(t testing.TB) string {
	t.Helper()
	return pgtest.Copy(t, "demo", func(db *store.Store) error {
		return demo.Ensure(context.Background(), db, Now, false)
	})
}

// Open makes the club.
func Open(t testing.TB) Club {
	t.Helper()
	db, err := store.Open(t.Context(), Demo(t))
	Must(t, err)
	t.Cleanup(db.Close)
	c := Club{DB: db, Squads: squad.Service{Store: db, Policy: evidence.DefaultPolicy(), Now: Clock}}
	c.Head, err = db.StaffByEmail(t.Context(), demo.SignIn.Email)
	Must(t, err)
	teams, err := db.TeamsOfProgram(t.Context(), c.Head.ProgramID)
	Must(t, err)
	for _, team := range teams {
		list, err := db.PracticesOfTeam(t.Context(),
			gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
		Must(t, err)
		for _, p := range list {
			if p.Status == string(practice.Planned) && c.Team.Name == "" {
				c.Team, c.Planned = team, p
			}
		}
	}
	if c.Team.Name == "" {
		t.Fatal("no practice is planned")
	}
	c.Players, err = db.PlayersOfTeam(t.Context(),
		gen.PlayersOfTeamParams{ProgramID: c.Team.ProgramID, TeamID: c.Team.ID})
	Must(t, err)
	return c
}

// Must ends a test at an error.
func Must(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

// Refused fails a test unless an error is a refusal with this code.
func Refused(t testing.TB, err error, code string) {
	t.Helper()
	if got := refusal.CodeOf(err); got != code {
		t.Errorf("%v, want %s", err, code)
	}
}
