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
	must(t, db.InsertTeam(ctx, gen.InsertTeamParams{ID: c.team, ProgramID: c.program, Name: "t", Ages: "12-14", Zone: "UTC", Court: store.CourtJSON(floor)}))
	for i := range size {
		c.players = append(c.players, uuid.New())
		must(t, db.InsertPlayer(ctx, gen.InsertPlayerParams{ID: c.players[i], ProgramID: c.program, TeamID: c.team, Jersey: fmt.Sprint(i), Name: fmt.Sprint("P", i)}))
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
	reps  []gen.RepEvent // that were made
}

var bookReads = []reads.Read{reads.Curl, reads.Straight, reads.Fade, reads.BackCut}

// rep is an observation of a rep of the n-th practice.
func (b *logbook) rep(practice int) gen.RepEvent {
	block := uuid.NewSHA1(b.club.program, []byte{byte(practice)})
	expected, made := bookReads[b.rng.IntN(4)], bookReads[b.rng.IntN(4)]
	no := b.rng.IntN(30)
	return gen.RepEvent{ID: uuid.New(), PracticeID: block, BlockID: block, Kind: "rep", RepNo: int32(no), At: b.start.AddDate(0, 0, 7*practice).Add(time.Duration(no) * time.Minute),
		PlayerID: b.club.players[b.rng.IntN(len(b.club.players))], Role: "cutter", Drill: "slot-twos", Screen: []string{reads.Down, reads.Away}[b.rng.IntN(2)],
		Rung: []string{string(drill.Shown), string(drill.Live2), string(drill.Air)}[b.rng.IntN(3)], Side: []string{"left", "right"}[b.rng.IntN(2)],
		Cue: "trail", Expected: string(expected), Made: string(made), IsRight: made == expected, Corrections: []string{},
		ObserverID: uuid.NewSHA1(b.club.program, []byte{'o', byte(b.rng.IntN(3))}), Device: "d"}
}

// batch is what a device sends at once.
func (b *logbook) batch(practice int) []gen.RepEvent {
	var out []gen.RepEvent
	for range 1 + b.rng.IntN(12) {
		r := b.rep(practice)
		if len(b.reps) > 0 {
			old := b.reps[b.rng.IntN(len(b.reps))]
			switch b.rng.IntN(5) {
			case 0: // taken back
				void := old
				void.ID, void.Kind, void.Voids = uuid.New(), "void", &old.ID
				out = append(out, void)
				continue
			case 1: // seen by somebody else, or said otherwise by the same one
				observer, made := r.ObserverID, r.Made
				r = old
				r.ID, r.ObserverID, r.Made, r.IsRight = uuid.New(), observer, made, made == old.Expected
			case 2: // sent twice
				r = old
			case 3: // taken back and written down again with a tag
				void, again := old, old
				void.ID, void.Kind, void.Voids = uuid.New(), "void", &old.ID
				again.ID, again.Corrections = uuid.New(), []string{"early"}
				b.reps = append(b.reps, again)
				out = append(out, void, again)
				continue
			}
		}
		b.reps = append(b.reps, r)
		out = append(out, r)
	}
	return out
}

// The sums kept with every event are those that the log itself comes to, also after
// reps were taken back, watched by several and sent twice, by devices that log at the
// same time.
func TestSumsFollowTheLog(t *testing.T) {
	db, ctx, p := pgtest.Store(t), t.Context(), evidence.DefaultPolicy()
	c := newClub(t, db, 5)
	now := time.Date(2026, 3, 20, 18, 0, 0, 0, time.UTC)
	const practices, rounds, devices = 5, 6, 3
	books := make([]*logbook, devices)
	for i := range books {
		books[i] = &logbook{rng: rand.New(rand.NewPCG(uint64(i), 9)), club: c, start: now.AddDate(0, 0, -7*practices)}
	}
	for practice := range practices {
		for range rounds {
			var wg sync.WaitGroup
			for _, b := range books {
				events := b.batch(practice)
				wg.Go(func() {
					if err := db.Tx(ctx, func(q *gen.Queries) error {
						_, err := store.PutReps(ctx, q, p, c.program, c.team, events)
						return err
					}); err != nil {
						t.Error(err)
					}
				})
			}
			wg.Wait()
		}
		ledger := func() evidence.Ledger {
			l, err := db.LedgerOf(ctx, gen.Team{ProgramID: c.program, ID: c.team}, []string{"cutter"})
			must(t, err)
			return l
		}
		kept := ledger()
		rows, err := db.RepsOfTeam(ctx, gen.RepsOfTeamParams{ProgramID: c.program, TeamID: c.team})
		must(t, err)
		counted := p.Ledger(evidence.OnePerRep(store.RepsOf(rows)), now)
		if len(kept.Sums) < 5 || len(kept.Mistakes) < 5 || !kept.Same(counted) {
			t.Fatalf("after practice %d: %d sums are kept, the log comes to %d others", practice, len(kept.Sums), len(counted.Sums))
		}
		must(t, db.RecountProgram(ctx, p, c.program))
		if !ledger().Same(counted) {
			t.Fatalf("after practice %d: counted again, the sums are others", practice)
		}
	}
	screens, err := db.PractisedByTeam(ctx, gen.PractisedByTeamParams{ProgramID: c.program, TeamID: c.team})
	if err != nil || len(screens) != 2 {
		t.Errorf("practiced: %v, %v", screens, err)
	}
}

// A program whose sums are missing, or of another half-life, is counted at the start;
// one whose sums are whole is left alone.
func TestRecountAtTheStart(t *testing.T) {
	db, ctx, p := pgtest.Store(t), t.Context(), evidence.DefaultPolicy()
	c := newClub(t, db, 2)
	b := &logbook{rng: rand.New(rand.NewPCG(4, 4)), club: c, start: time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)}
	var events []gen.RepEvent
	for range 40 {
		events = append(events, b.rep(0))
	}
	must(t, db.Tx(ctx, func(q *gen.Queries) error {
		_, err := store.PutReps(ctx, q, p, c.program, c.team, events)
		return err
	}))
	sums := func() []evidence.Sum {
		l, err := db.LedgerOf(ctx, gen.Team{ProgramID: c.program, ID: c.team}, []string{"cutter"})
		must(t, err)
		return l.Sums
	}
	must(t, db.Recount(ctx, p))
	before := sums()
	must(t, db.DeleteSums(ctx, gen.DeleteSumsParams{ProgramID: c.program, Players: c.players}))
	must(t, db.Recount(ctx, p))
	if len(before) == 0 || len(sums()) != 0 {
		t.Errorf("sums that are marked whole were counted again: %d before, %d now", len(before), len(sums()))
	}
	p.HalfLife /= 2
	must(t, db.Recount(ctx, p))
	if after := sums(); len(after) != len(before) || after[0].All == before[0].All {
		t.Errorf("another half-life: %d sums of %d", len(after), len(before))
	}
}
