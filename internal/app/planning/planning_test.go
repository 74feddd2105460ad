package planning

import (
	"context"
	"errors"
	"slices"
	"strings"
	"sync/atomic"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"

	"evrik/core/evidence"
	"evrik/core/offense"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/apptest"
	"evrik/internal/app/squad"
	"evrik/internal/demo"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// counter counts the queries that go through it.
type counter struct {
	gen.DBTX
	n atomic.Int64
}

func (c *counter) Exec(ctx context.Context, sql string, args ...any) (pgconn.CommandTag, error) {
	c.n.Add(1)
	return c.DBTX.Exec(ctx, sql, args...)
}

func (c *counter) Query(ctx context.Context, sql string, args ...any) (pgx.Rows, error) {
	c.n.Add(1)
	return c.DBTX.Query(ctx, sql, args...)
}

func (c *counter) QueryRow(ctx context.Context, sql string, args ...any) pgx.Row {
	c.n.Add(1)
	return c.DBTX.QueryRow(ctx, sql, args...)
}

// season is the demo's club with a service that counts its queries.
type season struct {
	*Service
	now     time.Time
	queries *counter
	db      *store.Store
	teams   []gen.Team
}

func newSeason(t *testing.T) *season {
	t.Helper()
	s := &season{now: apptest.Now}
	db, err := store.Open(t.Context(), apptest.Demo(t))
	apptest.Must(t, err)
	t.Cleanup(db.Close)
	s.db, s.queries = db, &counter{DBTX: db.Pool}
	db.Queries = gen.New(s.queries)
	s.Service = New(squad.Service{Store: db, Policy: evidence.DefaultPolicy(), Now: func() time.Time { return s.now }})
	head, err := db.StaffByEmail(t.Context(), demo.SignIn.Email)
	apptest.Must(t, err)
	if s.teams, err = db.TeamsOfProgram(t.Context(), head.ProgramID); err != nil || len(s.teams) != 2 {
		t.Fatal(len(s.teams), err)
	}
	return s
}

// practices of a team, newest first, and one of them as it is planned.
func (s *season) practices(t *testing.T, team gen.Team) []gen.Practice {
	t.Helper()
	rows, err := s.db.PracticesOfTeam(t.Context(),
		gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	apptest.Must(t, err)
	return rows
}

func (s *season) context(t *testing.T, team gen.Team) Context {
	t.Helper()
	c, err := s.Context(t.Context(), team)
	apptest.Must(t, err)
	return c
}

// Laying a plan out after a drag reads no log and no season: at most four queries, however the
// team came to where it is. What has changed is read again.
func TestLayingOutReadsLittle(t *testing.T) {
	s := newSeason(t)
	team := s.teams[0]
	c := s.context(t, team)
	p, err := s.Practice(t.Context(), &c, s.practices(t, team)[1])
	apptest.Must(t, err)
	queries := func(team gen.Team, d Draft) int64 {
		t.Helper()
		before := s.queries.n.Load()
		sheet, err := s.LayOut(t.Context(), team, d)
		if err != nil || len(sheet.Blocks) != len(d.Blocks) || len(sheet.Goals) == 0 {
			t.Fatalf("%+v, %v", sheet, err)
		}
		return s.queries.n.Load() - before
	}
	d := p.Draft
	d.Blocks = slices.Clone(d.Blocks)
	d.Blocks[0], d.Blocks[1] = d.Blocks[1], d.Blocks[0]
	n := queries(team, d)
	t.Logf("a layout takes %d queries", n)
	if n > 4 {
		t.Errorf("a layout takes %d queries", n)
	}
	if sheet, err := s.LayOut(t.Context(), team, d); err != nil || sheet.Blocks[0].ID != d.Blocks[0].ID {
		t.Errorf("%+v, %v", sheet.Blocks, err)
	}
	// Half a minute later, after a change of the team, and with a new player, all is read again.
	other := team
	other.FlareFirst = !team.FlareFirst
	if n := queries(other, d); n < 5 {
		t.Errorf("after a change of the team's rules %d queries", n)
	}
	s.now = s.now.Add(keptFor)
	if n := queries(other, d); n < 5 {
		t.Errorf("after %v %d queries", keptFor, n)
	}
	d.Present = append(slices.Clone(d.Present), uuid.New())
	var refused app.Refusal
	if _, err := s.LayOut(t.Context(), other, d); !errors.As(err, &refused) || refused.Kind != app.Missing {
		t.Errorf("somebody who is not on the team: %v", err)
	}
}

// A week's loads take the same few queries whether a month has ten practices or thirty, and
// practices that are done count as they were run.
func TestWeekTakesFewQueries(t *testing.T) {
	s := newSeason(t)
	team := s.teams[0]
	week := func() (practice.Week, int64) {
		t.Helper()
		before := s.queries.n.Load()
		w, err := s.Week(t.Context(), team, "")
		apptest.Must(t, err)
		return w, s.queries.n.Load() - before
	}
	week() // the history of closed weeks is read once
	w, few := week()
	for i := range 20 {
		at := s.now.AddDate(0, 0, -26+i).Add(-9 * time.Hour)
		if err := s.db.InsertPractice(t.Context(),
			gen.InsertPracticeParams{ID: uuid.New(), ProgramID: team.ProgramID, TeamID: team.ID, StartsAt: at,
				Minutes: 60, Status: "done"}); err != nil {
			t.Fatal(err)
		}
	}
	if _, many := week(); many != few {
		t.Errorf("%d queries with twenty practices more, %d before", many, few)
	}
	t.Logf("a week takes %d queries", few)
	// What counts is what the clock ran, but for water.
	c := s.context(t, team)
	rows := s.practices(t, team)
	i := slices.IndexFunc(rows, func(p gen.Practice) bool { return p.Status == "done" && p.Minutes == 90 })
	sessions, err := s.sessions(t.Context(), &c, rows[i:i+1])
	apptest.Must(t, err)
	events, err := s.db.ClockEvents(t.Context(), gen.ClockEventsParams{ProgramID: team.ProgramID,
		PracticeID: rows[i].ID})
	apptest.Must(t, err)
	ran := 0.0
	for _, d := range practice.Ran(store.ClockOf(events), s.now) {
		ran += d.Minutes()
	}
	if got := sessions[0].Sheet.Load[0]; len(events) < 5 || got.Minutes < ran-9 || got.Minutes > ran ||
		got.HardMinutes == 0 {
		t.Errorf("%+v of a practice that ran %v minutes", got, ran)
	}
	if len(w.Players) != 13 || w.Players[0].Usual.Minutes == 0 || w.Players[0].Usual.Rated == 0 {
		t.Errorf("%+v", w.Players[0])
	}
}

// How hard a practice was is kept for the team and for a player, counts in the week, and is
// taken away again.
func TestEffort(t *testing.T) {
	s := newSeason(t)
	team := s.teams[0]
	c := s.context(t, team)
	rows := s.practices(t, team)
	i := slices.IndexFunc(rows, func(p gen.Practice) bool { return p.Status == "done" })
	of := func() practice.Effort {
		t.Helper()
		list, err := s.sessions(t.Context(), &c, s.practices(t, team)[i:i+1])
		apptest.Must(t, err)
		return list[0].Effort
	}
	set := func(player *uuid.UUID, effort *int) error {
		return s.SetEffort(t.Context(), team.ProgramID, team.ID, rows[i].ID, player, effort)
	}
	here, err := s.db.Attendance(t.Context(), gen.AttendanceParams{ProgramID: team.ProgramID, PracticeID: rows[i].ID})
	apptest.Must(t, err)
	nine, two, eleven, who := 9, 2, 11, here[0].PlayerID
	for _, err := range []error{set(nil, &nine), set(&who, &two)} {
		apptest.Must(t, err)
	}
	if e := of(); *e.Team != 9 || len(e.ByPlayer) != 1 || e.ByPlayer[who.String()] != 2 {
		t.Errorf("%+v", e)
	}
	apptest.Must(t, errors.Join(set(nil, nil), set(&who, nil)))
	if e := of(); e.Team != nil || len(e.ByPlayer) != 0 {
		t.Errorf("%+v", e)
	}
	stranger := s.teams[1]
	for kind, err := range map[string]error{
		"practice.effort: 10": set(nil, &eleven),
		"week.player":         set(&stranger.ID, &two),
		"practice.missing":    s.SetEffort(t.Context(), team.ProgramID, stranger.ID, rows[i].ID, nil, &two),
	} {
		if err == nil || !strings.Contains(err.Error(), kind) {
			t.Errorf("%v, want it to say %q", err, kind)
		}
	}
	if err := s.SetEffort(t.Context(), team.ProgramID, stranger.ID, rows[i].ID, &who, &two); err == nil {
		t.Error("another team's practice was rated for a player")
	}
}

// Two teams of a program that practice at the same time share the gym, and each is told.
func TestOthersInTheGym(t *testing.T) {
	s := newSeason(t)
	team, other := s.teams[0], s.teams[1]
	c := s.context(t, team)
	row := s.practices(t, team)[0]
	gym := func() []gen.OthersInTheGymRow {
		t.Helper()
		p, err := s.Practice(t.Context(), &c, row)
		apptest.Must(t, err)
		return p.Gym
	}
	theirs := s.practices(t, other)
	move := func(by time.Duration) {
		t.Helper()
		for _, p := range theirs {
			if _, err := s.db.Pool.Exec(t.Context(), "UPDATE practices SET starts_at = $1 WHERE id = $2",
				p.StartsAt.Add(by), p.ID); err != nil {
				t.Fatal(err)
			}
		}
	}
	end := time.Duration(row.Minutes) * time.Minute
	move(theirs[0].StartsAt.Sub(row.StartsAt)*-1 + end) // begins when this one ends
	if g := gym(); len(g) != 0 {
		t.Errorf("%+v", g)
	}
	move(theirs[0].StartsAt.Sub(row.StartsAt)*-1 + end - time.Minute)
	if g := gym(); len(g) != 1 || g[0].Name != other.Name || g[0].Minutes != theirs[0].Minutes {
		t.Errorf("%+v", g)
	}
	move(theirs[0].StartsAt.Sub(row.StartsAt)*-1 - time.Duration(theirs[0].Minutes)*time.Minute)
	if g := gym(); len(g) != 0 {
		t.Errorf("one that ends when this one begins: %+v", g)
	}
}

// Until the coach has said what the season is for it follows the team's offense, the base
// action first; where there is none, what was practiced.
func TestSeasonFollowsTheOffense(t *testing.T) {
	s := newSeason(t)
	team := s.teams[0]
	team.SeasonAim = nil
	c := s.context(t, team)
	if c.Said || len(c.Offense) != 0 || !slices.Contains(c.Aim.Install, reads.Down) {
		t.Errorf("without an offense: %+v %v", c.Aim, c.Offense)
	}
	entry, _ := offense.ByID("entry")
	team.Offense = store.OffenseJSON(entry)
	c = s.context(t, team)
	if want := []string{reads.Back, reads.Cross, reads.Down, reads.FlareS}; !slices.Equal(c.Offense, want) ||
		!slices.Equal(c.Aim.Install, want) {
		t.Errorf("%v and %v, want %v", c.Offense, c.Aim.Install, want)
	}
	if first := c.Season.Days[0].Items; len(first) == 0 ||
		!slices.ContainsFunc(first, func(i practice.SeasonItem) bool { return i.Action == reads.Back }) {
		t.Errorf("the first practice has %+v", first)
	}
}
