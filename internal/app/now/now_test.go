package now_test

import (
	"os"
	"testing"
	"time"

	"evrik/core/practice"
	"evrik/internal/app/apptest"
	"evrik/internal/app/now"
	"evrik/internal/app/planning"
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
