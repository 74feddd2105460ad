package homework_test

import (
	"os"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/internal/app/apptest"
	"evrik/internal/app/homework"
	"evrik/internal/app/quizzes"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// A team gives four drills for home, of those one player can shoot alone, and a player tells of those.
func TestHomework(t *testing.T) {
	c := apptest.Open(t)
	s := homework.Service{Store: c.DB, Library: c.Squads.Library, Now: apptest.Clock}
	lib, err := s.Library(t.Context(), c.Team.ProgramID)
	apptest.Must(t, err)
	var alone []string
	together := ""
	for _, d := range lib.All() {
		if d.ForHome() {
			alone = append(alone, d.ID)
		} else {
			together = d.ID
		}
	}
	team := func() gen.Team {
		t.Helper()
		got, err := c.DB.Team(t.Context(), gen.TeamParams{ProgramID: c.Team.ProgramID, ID: c.Team.ID})
		apptest.Must(t, err)
		return got
	}
	for _, id := range team().HomeDrills {
		apptest.Must(t, s.Give(t.Context(), team(), id, false))
	}
	apptest.Refused(t, s.Give(t.Context(), team(), "moon", true), "home.missing")
	apptest.Refused(t, s.Give(t.Context(), team(), together, true), "home.not-alone")
	if len(alone) < 5 {
		t.Fatalf("only %d drills can be shot alone", len(alone))
	}
	for _, id := range alone[:4] {
		apptest.Must(t, s.Give(t.Context(), team(), id, true))
	}
	apptest.Must(t, s.Give(t.Context(), team(), alone[3], true)) // it is given already
	apptest.Refused(t, s.Give(t.Context(), team(), alone[4], true), "home.too-many")
	apptest.Must(t, s.Give(t.Context(), team(), alone[0], false))

	l := quizzes.Learner{Program: c.Team.ProgramID, Player: c.Players[0].ID, Team: team()}
	work, err := s.Of(t.Context(), l)
	if err != nil || len(work) != 3 || work[0].Drill.ID != alone[1] {
		t.Fatalf("%+v, %v", work, err)
	}
	before := len(work[0].Told)
	id := uuid.New()
	told := evidence.HomeSession{At: apptest.Now.Add(time.Hour), Right: evidence.Side{Made: 6, Tried: 10},
		Left: evidence.Side{Made: 3, Tried: 10}}
	apptest.Must(t, s.Tell(t.Context(), l, id, alone[1], told))
	apptest.Must(t, s.Tell(t.Context(), l, id, alone[1], told))
	apptest.Refused(t, s.Tell(t.Context(), l, uuid.New(), alone[0], told), "home.taken-back")
	bad := told
	bad.Left.Made = 11
	if err := s.Tell(t.Context(), l, uuid.New(), alone[1], bad); err == nil {
		t.Error("more made than tried")
	}
	work, err = s.Of(t.Context(), l)
	if err != nil || len(work[0].Told) != before+1 || len(work[1].Told) > 0 && work[1].Told[0].At.Equal(apptest.Now) {
		t.Fatalf("%+v, %v", work, err)
	}
	if got := work[0].Told[before]; !got.At.Equal(apptest.Now) || got.Right != told.Right || got.Left != told.Left {
		t.Errorf("kept %+v", got)
	}
}
