package store_test

import (
	"fmt"
	"math/rand/v2"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// club is a program with one team.
type club struct {
	program, team uuid.UUID
	players       []uuid.UUID
}

func newClub(t testing.TB, db *store.Store, size int) club {
	t.Helper()
	c, ctx := club{program: uuid.New(), team: uuid.New()}, t.Context()
	floor, _ := court.PresetCourt(court.HighSchool)
	must(t, db.InsertProgram(ctx, gen.InsertProgramParams{ID: c.program, Name: "p"}))
	must(t, db.InsertTeam(ctx, gen.InsertTeamParams{ID: c.team, ProgramID: c.program, Name: "t", Ages: "12-14",
		Zone: "UTC", Court: store.CourtJSON(floor)}))
	for i := range size {
		c.players = append(c.players, uuid.New())
		must(t, db.InsertPlayer(ctx, gen.InsertPlayerParams{ID: c.players[i], ProgramID: c.program, TeamID: c.team,
			Jersey: fmt.Sprint(i), Name: fmt.Sprint("P", i)}))
	}
	return c
}

func must(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

// logbook makes random events: reps that several watched, some taken back, some
// written down again with another answer, some sent twice.
type logbook struct {
	rng   *rand.Rand
	club  club
	start time.Time
	reps  []evidence.Rep // that were made
}

var bookReads = []reads.Read{reads.Curl, reads.Straight, reads.Fade, reads.BackCut}

// rep is an observation of a rep of the n-th practice, a week after the one before.
func (b *logbook) rep(practice int) evidence.Rep {
	block := uuid.NewSHA1(b.club.program, []byte{byte(practice)}).String()
	expected, made := bookReads[b.rng.IntN(4)], bookReads[b.rng.IntN(4)]
	no := b.rng.IntN(30)
	return evidence.Rep{ID: newRepID(), Practice: evidence.PracticeID(block), Block: evidence.BlockID(block), No: no,
		At:     b.start.AddDate(0, 0, 7*practice).Add(time.Duration(no) * time.Minute),
		Player: evidence.PlayerID(b.club.players[b.rng.IntN(len(b.club.players))].String()), Role: reads.Cutter,
		Drill: "slot-twos", Action: evidence.ActionID([]string{reads.Down, reads.Away}[b.rng.IntN(2)]),
		Rung: []drill.Rung{drill.Guided, drill.Live2, drill.Air}[b.rng.IntN(3)],
		Side: []string{"left", "right"}[b.rng.IntN(2)],
		Cue:  []reads.Cue{reads.Trail, reads.Under}[b.rng.IntN(2)], Expected: expected, Made: made,
		Correct:  made == expected,
		Observer: evidence.ObserverID(uuid.NewSHA1(b.club.program, []byte{'o', byte(b.rng.IntN(3))}).String()),
		Device:   "d"}
}

func newRepID() evidence.RepID { return evidence.RepID(uuid.NewString()) }

// batch is what a device sends at once.
func (b *logbook) batch(practice int) []store.RepEvent {
	var out []store.RepEvent
	for range 1 + b.rng.IntN(12) {
		r := b.rep(practice)
		if len(b.reps) > 0 {
			old := b.reps[b.rng.IntN(len(b.reps))]
			switch b.rng.IntN(5) {
			case 0: // taken back
				out = append(out, void(old, old.At))
				continue
			case 1: // seen by somebody else, or said otherwise by the same one
				observer, made := r.Observer, r.Made
				r = old
				r.ID, r.Observer, r.Made, r.Correct = newRepID(), observer, made, made == old.Expected
			case 2: // sent twice
				r = old
			case 3: // taken back and written down again with a tag of a teammate's
				again := old
				again.ID, again.Tags = newRepID(), []evidence.Tag{{ID: "behind", Player: r.Player}}
				b.reps = append(b.reps, again)
				out = append(out, void(old, old.At), store.RepEvent{Rep: again})
				continue
			}
		}
		b.reps = append(b.reps, r)
		out = append(out, store.RepEvent{Rep: r})
	}
	return out
}

// put stores events.
func put(t testing.TB, db *store.Store, c club, events []store.RepEvent) {
	t.Helper()
	if err := db.Tx(t.Context(), func(q *gen.Queries) error {
		_, err := store.PutReps(t.Context(), q, c.program, c.team, events)
		return err
	}); err != nil {
		t.Error(err)
	}
}

// boardOf is what a store says of a club's players.
func boardOf(t testing.TB, db *store.Store, c club, now time.Time) string {
	t.Helper()
	p, ctx := evidence.DefaultPolicy(), t.Context()
	team, err := db.Team(ctx, gen.TeamParams{ProgramID: c.program, ID: c.team})
	must(t, err)
	players, err := db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: c.program, TeamID: c.team})
	must(t, err)
	log, err := db.TeamLog(ctx, p, team, players, now)
	must(t, err)
	var ids []evidence.PlayerID
	for _, player := range players {
		ids = append(ids, evidence.PlayerID(player.ID.String()))
	}
	return fmt.Sprint(p.Board(ids, reads.Cutter, bookReads, log.History(p), now))
}

// What is remembered of closed weeks is what the log itself comes to: also after reps
// that come late, are taken back, watched by several and sent twice, by devices that log
// at the same time; after a player moves or is erased, and after old reps are forgotten.
func TestHistoryFollowsTheLog(t *testing.T) {
	db, ctx := pgtest.Store(t), t.Context()
	c := newClub(t, db, 5)
	now := time.Now().UTC()
	const rounds, devices = 2, 3
	practices := 16
	if testing.Short() {
		practices = 10
	}
	books := make([]*logbook, devices)
	for i := range books {
		books[i] = &logbook{rng: rand.New(rand.NewPCG(uint64(i), 9)), club: c,
			start: now.AddDate(0, 0, -7*(practices-1)).Add(-time.Hour)}
	}
	check := func(when string) string {
		t.Helper()
		anew, err := store.Open(ctx, db.Pool.Config().ConnString()) // remembers nothing
		must(t, err)
		defer anew.Close()
		want := boardOf(t, anew, c, now)
		if got := boardOf(t, db, c, now); got != want {
			t.Fatalf("%s: what is remembered is not what the log comes to", when)
		}
		return want
	}
	boards := map[string]bool{}
	for practice := range practices {
		for range rounds {
			var wg sync.WaitGroup
			for _, b := range books {
				events := b.batch(practice)
				wg.Go(func() { put(t, db, c, events) })
			}
			wg.Wait()
			boards[check(fmt.Sprint("practice ", practice))] = true
		}
	}
	if len(boards) < practices {
		t.Fatalf("%d different boards after %d practices", len(boards), practices)
	}
	before := check("before the late rep")
	late := books[0].rep(1)
	late.Rung, late.No = drill.Live2, 99
	put(t, db, c, []store.RepEvent{{Rep: late}})
	if check("a late rep") == before {
		t.Error("a late rep changed nothing")
	}
	must(t, db.ForgetBefore(ctx, c.program, now.AddDate(0, 0, -50)))
	check("old reps forgotten")
	there, err := db.Erase(ctx, c.program, c.team, c.players[0])
	if err != nil || !there {
		t.Fatal(there, err)
	}
	check("a player erased")
	reps, err := db.RepsOfTeam(ctx, gen.Team{ProgramID: c.program, ID: c.team}, time.Time{}, evidence.Ever)
	must(t, err)
	tagged := 0
	for _, r := range reps {
		for _, tag := range r.Tags {
			if tag.ID == "behind" && tag.Player != "" {
				tagged++
			}
		}
	}
	if tagged == 0 {
		t.Error("no tag of a teammate's came back")
	}
}

// A rep of a closed week counts in the log's version, one of the open week does not; so
// does every deletion.
func TestLogVersion(t *testing.T) {
	db, ctx := pgtest.Store(t), t.Context()
	c := newClub(t, db, 2)
	b := &logbook{rng: rand.New(rand.NewPCG(4, 4)), club: c, start: time.Now().UTC()}
	version := func() int64 {
		v, err := db.LogVersion(ctx, c.program)
		must(t, err)
		if day := time.Since(v.ClosedBefore).Hours() / 24; day < 1 || day > 9.1 {
			t.Fatalf("weeks are closed up to %v", v.ClosedBefore)
		}
		return v.Version
	}
	rep, old := b.rep(0), b.rep(0)
	old.At = old.At.AddDate(0, -2, 0)
	for _, step := range []struct {
		what  string
		event store.RepEvent
		adds  int64
	}{
		{"a rep of today", store.RepEvent{Rep: rep}, 0},
		{"a late rep", store.RepEvent{Rep: old}, 1},
		{"today's rep taken back", void(rep, time.Now()), 0},
		{"the late rep taken back today", void(old, time.Now()), 1},
	} {
		before := version()
		put(t, db, c, []store.RepEvent{step.event})
		if got := version() - before; got != step.adds {
			t.Errorf("%s adds %d", step.what, got)
		}
	}
	before := version()
	must(t, db.ForgetBefore(ctx, c.program, time.Now().AddDate(0, -1, 0)))
	if version() == before {
		t.Error("forgetting adds nothing")
	}
}

// void takes a rep back.
func void(rep evidence.Rep, at time.Time) store.RepEvent {
	out := store.RepEvent{Rep: rep, Voids: rep.ID}
	out.ID, out.At = newRepID(), at
	return out
}
