package floors

import (
	"errors"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/internal/app/apptest"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Who goes is gone for the rotations from then on, once; what was before is kept with it, and nobody hears of what is
// refused.
func TestChange(t *testing.T) {
	c := apptest.Open(t)
	s, ctx := Service{Store: c.DB, Squads: c.Squads, Now: apptest.Clock}, t.Context()
	told := 0
	change := func(ch Change) error {
		return s.Change(ctx, c.Team, c.Planned.ID, ch, func(*gen.Queries) error { told++; return nil })
	}
	who := c.Players[0].ID
	goes := func(state practice.Presence) Change {
		return Change{ID: uuid.New(), Kind: practice.ComeAndGo, Player: &who, State: state, At: apptest.Now.Add(time.Hour)}
	}
	presence := func() practice.Presence {
		t.Helper()
		f, err := s.Floor(ctx, c.Planned, squad.Board{Players: c.Players})
		apptest.Must(t, err)
		return f.States[who.String()]
	}
	for i, state := range []practice.Presence{practice.Limited, practice.Left, practice.Here, practice.Hurt} {
		ch := goes(state)
		apptest.Must(t, change(ch))
		apptest.Must(t, change(ch))
		if told != i+1 || presence() != state {
			t.Errorf("told %d times, %s is %s", told, state, presence())
		}
	}
	block := uuid.New()
	apptest.Must(t, change(Change{ID: uuid.New(), Kind: practice.SwapSides, Block: &block, After: 3, At: apptest.Now}))
	rows, err := c.DB.FloorChanges(ctx, gen.FloorChangesParams{ProgramID: c.Team.ProgramID, PracticeID: c.Planned.ID})
	if err != nil || len(rows) != 5 || told != 5 {
		t.Fatalf("%d changes, told %d times, %v", len(rows), told, err)
	}
	was := map[string]int{}
	for _, r := range rows {
		was[r.Was]++
		if r.At.After(apptest.Now) {
			t.Errorf("%s is of the future: %v", r.State, r.At)
		}
		if r.Kind == string(practice.SwapSides) && (r.BlockID == nil || *r.BlockID != block || r.AfterRep != 3) {
			t.Errorf("%+v", r)
		}
	}
	if was["here"] != 2 || was["limited"] != 1 || was["left"] != 1 || was[""] != 1 {
		t.Errorf("before: %v", was)
	}

	nobody := uuid.New()
	stranger := goes(practice.Left)
	stranger.Player = &nobody
	apptest.Refused(t, change(stranger), "player.missing")
	apptest.Refused(t, change(goes("asleep")), "practice.presence")
	apptest.Refused(t, change(Change{ID: uuid.New(), Kind: practice.SwapSides}), "practice.swap-block")
	deaf := errors.New("nobody hears")
	err = s.Change(ctx, c.Team, c.Planned.ID, goes(practice.Left), func(*gen.Queries) error { return deaf })
	if !errors.Is(err, deaf) || presence() != practice.Hurt || told != 5 {
		t.Errorf("%v, the player is %s, told %d times", err, presence(), told)
	}
	err = s.Change(ctx, c.Team, uuid.New(), goes(practice.Left), func(*gen.Queries) error { return nil })
	apptest.Refused(t, err, "practice.missing")
}

// A display has the blocks and the reps, plays a drill that a block runs, and knows no standings.
func TestShownAndPlayed(t *testing.T) {
	c := apptest.Open(t)
	s, ctx := Service{Store: c.DB, Squads: c.Squads, Now: apptest.Clock}, t.Context()
	shown, err := s.Shown(ctx, c.Team, c.Planned)
	if err != nil || len(shown.Blocks) == 0 || len(shown.Players) != len(c.Players) || shown.History != nil {
		t.Fatalf("%d blocks, %d players, %v", len(shown.Blocks), len(shown.Players), err)
	}
	played := 0
	for _, b := range shown.Blocks {
		of, err := s.Play(ctx, c.Team, c.Planned, uuid.MustParse(b.ID))
		if b.Drill == "" {
			apptest.Refused(t, err, "display.no-drill")
			continue
		}
		played++
		if err != nil || of.Drill.ID != b.Drill || of.Play.Duration <= 0 || of.Floor.Court.Width == 0 {
			t.Errorf("%s: %+v, %v", b.Drill, of.Play, err)
		}
	}
	if played == 0 || played == len(shown.Blocks) {
		t.Errorf("%d of %d blocks were played", played, len(shown.Blocks))
	}
	_, err = s.Play(ctx, c.Team, c.Planned, uuid.New())
	apptest.Refused(t, err, "display.no-drill")
}

// A block advises by what its own reps say of who reads first in it, and by who is there.
func TestAdvice(t *testing.T) {
	c := apptest.Open(t)
	s, ctx := Service{Store: c.DB, Squads: c.Squads, Now: apptest.Clock}, t.Context()
	b, err := c.Squads.Board(ctx, c.Team, "")
	apptest.Must(t, err)
	f, err := s.Floor(ctx, c.Planned, b)
	apptest.Must(t, err)
	rows, err := c.DB.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: c.Team.ProgramID,
		PracticeID: c.Planned.ID})
	apptest.Must(t, err)
	advised := 0
	for _, block := range store.BlocksOf(rows) {
		run, err := f.Block(block)
		if err != nil || run.Drill.Action == "" {
			continue // no drill, or one without a read
		}
		advised++
		reps := func(correct bool) (out []evidence.Rep) {
			for n := range 12 {
				out = append(out, evidence.Rep{ID: evidence.RepID(uuid.NewString()), Block: evidence.BlockID(block.ID), No: n + 1,
					Player: evidence.PlayerID(c.Players[0].ID.String()), Role: "cutter", Correct: correct})
			}
			return out
		}
		if got := f.Advice(nil, block, reps(false)); got != evidence.GoDown {
			t.Errorf("%s: all wrong: %s", block.Title, got)
		}
		if got := f.Advice(nil, block, reps(true)); got != evidence.Stay {
			t.Errorf("%s: all right, and nobody has it yet: %s", block.Title, got)
		}
		for _, l := range run.Links(store.RulesOf(c.Team)) {
			if l.Action == nil || len(l.Rows) == 0 {
				t.Errorf("%s: a link without rows: %+v", block.Title, l.Link)
			}
		}
	}
	if advised == 0 {
		t.Error("no block teaches a read")
	}
}
