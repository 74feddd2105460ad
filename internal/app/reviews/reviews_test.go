package reviews_test

import (
	"os"
	"strings"
	"testing"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app/apptest"
	"evrik/internal/app/reviews"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// Every practice of the demo can be summed up; verdicts turn only for players of the team, and the next practice is
// the first that is planned after it.
func TestReview(t *testing.T) {
	c := apptest.Open(t)
	s := reviews.Service{Store: c.DB, Squads: c.Squads, Now: apptest.Clock}
	list, err := c.DB.PracticesOfTeam(t.Context(),
		gen.PracticesOfTeamParams{ProgramID: c.Team.ProgramID, TeamID: c.Team.ID})
	apptest.Must(t, err)
	players := map[string]bool{}
	for _, p := range c.Players {
		players[p.ID.String()] = true
	}
	summed, turns := 0, 0
	for _, row := range list {
		if row.Status != string(practice.Done) || summed == 6 {
			continue
		}
		summed++
		p, err := c.DB.Practice(t.Context(), gen.PracticeParams{ProgramID: c.Team.ProgramID, TeamID: c.Team.ID,
			ID: row.ID})
		apptest.Must(t, err)
		v, err := s.Of(t.Context(), c.Team, p)
		apptest.Must(t, err)
		turns += len(v.Turns)
		for _, turn := range v.Turns {
			if !players[string(turn.Player)] {
				t.Errorf("a verdict turns for somebody else: %+v", turn)
			}
		}
		if len(v.Players) != len(c.Players) || len(v.Here) == 0 {
			t.Errorf("%d players, %d were there", len(v.Players), len(v.Here))
		}
		var next *gen.Practice
		for i := range list {
			if o := &list[i]; o.Status == string(practice.Planned) && o.StartsAt.After(p.StartsAt) {
				next = o
			}
		}
		if (v.Next == nil) != (next == nil) || next != nil && v.Next.ID != next.ID {
			t.Errorf("next %+v, want %+v", v.Next, next)
		}
	}
	if summed == 0 || turns == 0 {
		t.Errorf("%d practices were summed up, %d verdicts turned", summed, turns)
	}
}

// The note about a practice is kept as it is, up to a length.
func TestNote(t *testing.T) {
	c := apptest.Open(t)
	s := reviews.Service{Store: c.DB, Squads: c.Squads, Now: apptest.Clock}
	set := func(id uuid.UUID, note string) error {
		return s.SetNote(t.Context(), c.Team.ProgramID, c.Team.ID, id, note)
	}
	note := strings.Repeat("x", 2000)
	apptest.Must(t, set(c.Planned.ID, note))
	p, err := c.DB.Practice(t.Context(), gen.PracticeParams{ProgramID: c.Team.ProgramID, TeamID: c.Team.ID,
		ID: c.Planned.ID})
	if err != nil || p.Review != note {
		t.Errorf("%d characters, %v", len(p.Review), err)
	}
	apptest.Refused(t, set(c.Planned.ID, note+"x"), "practice.note-too-long")
	apptest.Refused(t, set(uuid.New(), ""), "practice.missing")
}
