package now_test

import (
	"fmt"
	"os"
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/internal/app/apptest"
	"evrik/internal/app/now"
	"evrik/internal/app/planning"
	"evrik/internal/app/teams"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// The demo's team sees its next practice, what holds it back with drills for it, and which steps are done.
func TestView(t *testing.T) {
	c := apptest.Open(t)
	s := now.Service{Plans: planning.New(c.Squads), Store: c.DB, Now: apptest.Clock}
	v, err := s.Of(t.Context(), c.Team)
	apptest.Must(t, err)
	if v.Next == nil || len(v.Holds) == 0 || len(v.Holds) > 3 || len(v.Drills) == 0 {
		t.Fatalf("next %v, %d holds, %d drills", v.Next != nil, len(v.Holds), len(v.Drills))
	}
	for _, h := range v.Holds {
		if len(h.NotYet)+len(h.Lapsed) == 0 {
			t.Errorf("%s holds nobody back", h.Read)
		}
	}
	staff, err := c.DB.StaffOfProgram(t.Context(), c.Team.ProgramID)
	apptest.Must(t, err)
	if v.Started != (now.Started{Roster: true, Practice: true, Rep: true, Assistant: len(staff) > 1}) {
		t.Errorf("started: %+v", v.Started)
	}
	list, err := c.DB.PracticesOfTeam(t.Context(),
		gen.PracticesOfTeamParams{ProgramID: c.Team.ProgramID, TeamID: c.Team.ID})
	apptest.Must(t, err)
	count, minutes := 0, 0
	for _, p := range list {
		if ago := apptest.Now.Sub(p.StartsAt).Hours(); ago < 7*24 && ago > -24 {
			count, minutes = count+1, minutes+int(p.Minutes)
		}
	}
	if v.Practices != count || v.Minutes != minutes {
		t.Errorf("%d practices of %d minutes, want %d of %d", v.Practices, v.Minutes, count, minutes)
	}
	week, err := c.DB.RepsOfTeam(t.Context(), c.Team, apptest.Now.Add(-practice.Lately), evidence.Ever)
	apptest.Must(t, err)
	if want := evidence.CountTags(evidence.OnePerRep(week)); len(want) == 0 || !slices.Equal(v.Tags, want) {
		t.Errorf("tags of the week %v, want %v", v.Tags, want)
	}
	// The next practice stays the next one for three hours after it was to begin.
	for late, next := range map[time.Duration]bool{practice.StillNext - time.Minute: true,
		practice.StillNext + time.Minute: false} {
		s.Now = func() time.Time { return v.Next.StartsAt.Add(late) }
		later, err := s.Of(t.Context(), c.Team)
		if is := err == nil && later.Next != nil && later.Next.ID == v.Next.ID; is != next {
			t.Errorf("%v after its beginning it is the next: %v, %v", late, is, err)
		}
	}
}

// In a new program no first step is done. Inviting an assistant is done when the invitation is sent.
func TestFirstSteps(t *testing.T) {
	c, of := apptest.Open(t), uuid.New()
	s := now.Service{Plans: planning.New(c.Squads), Store: c.DB, Now: apptest.Clock}
	apptest.Must(t, c.DB.InsertProgram(t.Context(), gen.InsertProgramParams{ID: of, Name: "New"}))
	first := teams.First(of, "First", c.Team.Ages, "UTC", apptest.Now)
	apptest.Must(t, c.DB.InsertTeam(t.Context(), first))
	team, err := c.DB.Team(t.Context(), gen.TeamParams{ProgramID: of, ID: first.ID})
	apptest.Must(t, err)
	for _, helped := range []bool{false, true} {
		v, err := s.Of(t.Context(), team)
		if err != nil || v.Started != (now.Started{Assistant: helped}) || len(v.Holds) != 0 || v.Next != nil {
			t.Errorf("%+v, %d holds, %v", v.Started, len(v.Holds), err)
		}
		apptest.Must(t, c.DB.InsertInvitation(t.Context(), gen.InsertInvitationParams{ID: uuid.New(), ProgramID: of,
			Email: fmt.Sprint("new", helped, "@example.test"), Role: c.Head.Role, KeyHash: fmt.Append(nil, helped),
			Until: apptest.Now.Add(time.Hour)}))
	}
}
