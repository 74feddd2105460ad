package floors

import (
	"errors"
	"os"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/core/refusal"
	"evrik/internal/app"
	"evrik/internal/app/apptest"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

var now = apptest.Now

// next is a club with a practice that is planned, and the service for it.
func next(t *testing.T) (Service, gen.Team, gen.Practice) {
	t.Helper()
	c := apptest.Open(t)
	return Service{Store: c.DB, Squads: c.Squads, Now: apptest.Clock}, c.Team, c.Planned
}

// What was done to a clock counts once and by its own time: what comes late changes nothing, what is dated ahead is
// now, and what cannot be told to others is not done.
func TestClockGoesByWhenItWasDone(t *testing.T) {
	s, team, p := next(t)
	told := 0
	did := func(a practice.Action, at time.Time) (gen.Practice, error) {
		return s.SetClock(t.Context(), team, p.ID, ClockAction{Action: a, At: at},
			func(*gen.Queries) error { told++; return nil })
	}
	started, err := did(practice.StartClock, now.Add(-time.Minute))
	if err != nil || started.RunningSince == nil || !started.RunningSince.Equal(now.Add(-time.Minute)) ||
		started.BlockID == nil || told != 1 {
		t.Fatalf("%+v, told %d times, %v", started, told, err)
	}
	late, err := did(practice.StopClock, now.Add(-2*time.Minute))
	if err != nil || late.RunningSince == nil || told != 1 {
		t.Errorf("a stop from before the start: %+v, told %d times, %v", late, told, err)
	}
	ahead, err := did(practice.StopClock, now.Add(3*time.Hour))
	if err != nil || ahead.RunningSince != nil || !ahead.ClockAt.Equal(now) ||
		ahead.BlockMs != time.Minute.Milliseconds() || told != 2 {
		t.Errorf("a stop three hours ahead: %+v, told %d times, %v", ahead, told, err)
	}
	now := now.Add(time.Minute)
	s.Now = func() time.Time { return now }
	deaf := errors.New("nobody hears")
	if _, err := s.SetClock(t.Context(), team, p.ID, ClockAction{Action: practice.StartClock},
		func(*gen.Queries) error { return deaf }); !errors.Is(err, deaf) {
		t.Errorf("%v", err)
	}
	events, err := s.Store.ClockEvents(t.Context(), gen.ClockEventsParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil || len(events) != 2 {
		t.Errorf("%d actions are kept, %v", len(events), err)
	}
}

func TestClockRefuses(t *testing.T) {
	s, team, p := next(t)
	quiet := func(*gen.Queries) error { t.Error("told"); return nil }
	for name, tc := range map[string]struct {
		practice uuid.UUID
		did      ClockAction
		kind     app.Kind
		code     string
	}{
		"no such practice": {uuid.New(), ClockAction{Action: practice.StartClock}, app.Missing, "practice.missing"},
		"no such block": {p.ID, ClockAction{Action: practice.GoToBlock, Block: uuid.NewString()}, app.Conflict,
			"practice.block-gone"},
	} {
		_, err := s.SetClock(t.Context(), team, tc.practice, tc.did, quiet)
		if r, is := errors.AsType[app.Refusal](err); !is || r.Kind != tc.kind || refusal.CodeOf(err) != tc.code {
			t.Errorf("%s: %v", name, err)
		}
	}
}
