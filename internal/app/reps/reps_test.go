package reps_test

import (
	"errors"
	"os"
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/apptest"
	"evrik/internal/app/reps"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// bench is the planned practice of a club, with one block of reads, one of play and one of shots.
type bench struct {
	apptest.Club
	reps.Service
	t                          *testing.T
	read, play, shoot, dribble uuid.UUID
	told                       []reps.Receipt
	deaf                       error
}

func newBench(t *testing.T) *bench {
	b := &bench{Club: apptest.Open(t), t: t, read: uuid.New(), play: uuid.New(), shoot: uuid.New(), dribble: uuid.New()}
	b.Service = reps.Service{Store: b.DB, Library: b.Squads.Library, Now: apptest.Clock}
	block := func(id uuid.UUID, of, stage string) practice.Block {
		return practice.Block{ID: id.String(), Kind: practice.DrillBlock, Title: of, Drill: of, Stage: stage,
			Minutes: 10, Baskets: 1}
	}
	apptest.Must(t, b.DB.Tx(t.Context(), func(q *gen.Queries) error {
		return store.PutPlan(t.Context(), q, b.Team.ProgramID, b.Planned.ID, nil, nil, []practice.Block{
			block(b.read, "slot-twos", "shown"), block(b.play, "fours-to-twelve", "live"),
			block(b.shoot, "form-shooting", "air"),
			block(b.dribble, "two-ball-lanes", "air")})
	}))
	return b
}

// rep is one of the first player: a curl off a trailing defender.
func (b *bench) rep(change func(*reps.Event)) reps.Event {
	e := reps.Event{ID: uuid.New(), Kind: reps.Rep, At: apptest.Now, Device: "d", Block: &b.read, RepNo: new(1),
		Player: &b.Players[0].ID,
		Role:   new(string(reads.Cutter)), Side: new("left"), Cue: new(reads.Trail.String()),
		Made: new(string(reads.Curl))}
	if change != nil {
		change(&e)
	}
	return e
}

func (b *bench) log(events ...reps.Event) (reps.Receipt, error) {
	return b.LogPractice(b.t.Context(), b.Team, b.Planned, b.Head.ID, events,
		func(_ *gen.Queries, news reps.Receipt) error {
			b.told = append(b.told, news)
			return b.deaf
		})
}

// stored are the reps of a practice or game.
func (b *bench) stored(of uuid.UUID) []evidence.Rep {
	b.t.Helper()
	list, err := b.DB.RepsOfPractice(b.t.Context(), b.Team.ProgramID, of)
	apptest.Must(b.t, err)
	return list
}

// A batch is stored once, told once, and judged by the core.
func TestBatchIsStoredOnce(t *testing.T) {
	b := newBench(t)
	right, wrong := b.rep(nil), b.rep(func(e *reps.Event) {
		e.RepNo, e.Made, e.Late = new(2), new(string(reads.Fade)), new(true)
	})
	count := reps.Event{ID: uuid.New(), Kind: reps.Count, At: apptest.Now, Device: "d", Block: &b.play, RepNo: new(1),
		What: new(string(practice.Scored)), By: new(1)}
	back := count
	back.ID, back.RepNo, back.By = uuid.New(), new(0), new(-1)
	out, err := b.log(right, wrong, right, count, back)
	if err != nil || len(out.Stored) != 4 || len(out.Known) != 1 || out.Known[0] != right.ID || len(out.Events) != 2 ||
		len(out.Counts) != 2 {
		t.Fatalf("%+v, %v", out, err)
	}
	list := b.stored(b.Planned.ID)
	if len(list) != 2 || !list[0].Correct || list[0].Expected != reads.Curl || list[0].Rung != drill.Guided ||
		list[0].Drill != "slot-twos" ||
		list[0].Action != reads.Down || list[1].Correct || !list[1].Late || list[1].No != 2 {
		t.Errorf("stored %+v", list)
	}
	again, err := b.log(right, wrong, count)
	if err != nil || len(again.Stored) != 0 || len(again.Known) != 3 || len(b.told) != 1 {
		t.Errorf("sent again: %+v, told %d times, %v", again, len(b.told), err)
	}
}

// What cannot be told to others is not stored, and what is dated ahead is now.
func TestNothingIsHalfStored(t *testing.T) {
	b := newBench(t)
	b.deaf = errors.New("nobody hears")
	if out, err := b.log(b.rep(nil)); !errors.Is(err, b.deaf) || out.Stored != nil || len(b.stored(b.Planned.ID)) != 0 {
		t.Errorf("%+v, %v", out, err)
	}
	b.deaf = nil
	if _, err := b.log(b.rep(nil), b.rep(func(e *reps.Event) { e.Cue = nil })); err == nil ||
		len(b.stored(b.Planned.ID)) != 0 {
		t.Errorf("half of a batch: %v", err)
	}
	early := apptest.Now.Add(-time.Hour)
	_, err := b.log(b.rep(func(e *reps.Event) { e.At = early }),
		b.rep(func(e *reps.Event) { e.At = apptest.Now.Add(time.Hour) }))
	if list := b.stored(b.Planned.ID); err != nil || len(list) != 2 || !list[0].At.Equal(early) ||
		!list[1].At.Equal(apptest.Now) {
		t.Errorf("%+v, %v", list, err)
	}
}

// A rep is taken back whether it was stored before or comes in the same batch; never twice over.
func TestVoid(t *testing.T) {
	b := newBench(t)
	void := func(of uuid.UUID) reps.Event {
		return reps.Event{ID: uuid.New(), Kind: reps.Void, At: apptest.Now, Device: "d", Voids: &of}
	}
	first, second := b.rep(nil), b.rep(nil)
	_, err := b.log(first, second, void(second.ID))
	if list := b.stored(b.Planned.ID); err != nil || len(list) != 1 || string(list[0].ID) != first.ID.String() {
		t.Fatalf("%+v, %v", list, err)
	}
	back := void(first.ID)
	if _, err := b.log(back); err != nil || len(b.stored(b.Planned.ID)) != 0 {
		t.Errorf("%v", err)
	}
	_, err = b.log(void(back.ID))
	apptest.Refused(t, err, "rep.undo-kind")
	_, err = b.log(void(uuid.New()))
	apptest.Refused(t, err, "rep.undo-missing")
	_, err = b.log(reps.Event{ID: uuid.New(), Kind: reps.Void})
	apptest.Refused(t, err, "rep.undo-which")
}

// Shots of a drill without a read are made or missed, and only by a shooter.
func TestShots(t *testing.T) {
	b := newBench(t)
	shot := func(made string) reps.Event {
		return b.rep(func(e *reps.Event) { e.Block, e.Made, e.Cue = &b.shoot, &made, new("none") })
	}
	_, err := b.log(shot(string(reads.Make)), shot(""))
	list := b.stored(b.Planned.ID)
	if err != nil || len(list) != 2 || list[0].Role != reads.Shooter {
		t.Fatalf("%+v, %v", list, err)
	}
	for _, r := range list {
		if r.Correct != (r.Made == reads.Make) || (r.Outcome == evidence.Scored) != r.Correct ||
			r.Expected != reads.Make {
			t.Errorf("%+v", r)
		}
	}
	_, err = b.log(shot(string(reads.Curl)))
	apptest.Refused(t, err, "rep.no-read")
	passer := shot("")
	passer.Role = new(string(reads.Screener))
	_, err = b.log(passer)
	apptest.Refused(t, err, "rep.not-a-shooter")
}

// What does not fit is refused with its reason.
func TestWhatIsRefused(t *testing.T) {
	b := newBench(t)
	nobody := uuid.New()
	for code, change := range map[string]func(*reps.Event){
		"rep.kind":       func(e *reps.Event) { e.Kind = "wish" },
		"rep.incomplete": func(e *reps.Event) { e.Side = nil },
		"rep.block":      func(e *reps.Event) { e.Block = &nobody },
		"player.missing": func(e *reps.Event) { e.Player = &nobody },
		"rep.goes-on":    func(e *reps.Event) { e.Action = new("flare") },
		"rep.tag-owner": func(e *reps.Event) {
			e.Tags = &[]string{store.TagText(evidence.Tag{ID: "late", Player: evidence.PlayerID(nobody.String())})}
		},
		"rep.nobody-shoots": func(e *reps.Event) { e.Block = &b.dribble },
		"rep.count-kind":    func(e *reps.Event) { e.Kind, e.What, e.By = reps.Count, new("hope"), new(1) },
		"rep.count-incomplete": func(e *reps.Event) {
			e.Kind, e.What, e.By = reps.Count, new(string(practice.Scored)), new(2)
		},
	} {
		_, err := b.log(b.rep(change))
		apptest.Refused(t, err, code)
	}
	negative := b.rep(func(e *reps.Event) {
		e.Kind, e.What, e.By, e.RepNo = reps.Count, new(string(practice.Scored)), new(1), new(-1)
	})
	_, err := b.log(negative)
	apptest.Refused(t, err, "rep.count-incomplete")
	if len(b.told) != 0 {
		t.Error("what was refused was told")
	}
}

// The bench logs reads on the rung of games, without a side, and counts for the team.
func TestGame(t *testing.T) {
	b := newBench(t)
	games, err := b.DB.GamesOfTeam(t.Context(), gen.GamesOfTeamParams{ProgramID: b.Team.ProgramID, TeamID: b.Team.ID})
	if err != nil || len(games) == 0 {
		t.Fatalf("%d games, %v", len(games), err)
	}
	g, err := b.DB.Game(t.Context(), gen.GameParams{ProgramID: b.Team.ProgramID, TeamID: b.Team.ID, ID: games[0].ID})
	apptest.Must(t, err)
	before := len(b.stored(g.ID))
	log := func(events ...reps.Event) (out reps.Receipt, err error) {
		return b.LogGame(t.Context(), b.Team, g, b.Head.ID, events,
			func(*gen.Queries, reps.Receipt) error { return nil })
	}
	seen := b.rep(func(e *reps.Event) { e.Action, e.Side, e.Block = new(string(reads.Down)), nil, nil })
	count := reps.Event{ID: uuid.New(), Kind: reps.Count, At: apptest.Now, Device: "d", What: new("turnover"),
		By: new(1)}
	out, err := log(seen, count)
	if err != nil || len(out.Events) != 1 || len(out.Counts) != 1 {
		t.Fatalf("%+v, %v", out, err)
	}
	list := b.stored(g.ID)
	if last := list[len(list)-1]; len(list) != before+1 || last.Rung != drill.Game || last.Side != "" || !last.Correct {
		t.Errorf("%d reps, the last %+v", len(list), last)
	}
	// A pop after a ball screen is right for a screener who shoots, and wrong for one who does not.
	for _, p := range b.Players {
		pop := b.rep(func(e *reps.Event) {
			e.Action, e.Side, e.Block, e.Player = new(string(reads.Ball)), nil, nil, &p.ID
			e.Role, e.Cue, e.Made = new(string(reads.Screener)), new(reads.Drop.String()), new(string(reads.Pop))
		})
		_, err := log(pop)
		apptest.Must(t, err)
		at := evidence.RepID(pop.ID.String())
		if !slices.ContainsFunc(b.stored(g.ID), func(r evidence.Rep) bool { return r.ID == at && r.Correct == p.Shooter }) {
			t.Errorf("%s pops, a shooter: %t", p.Name, p.Shooter)
		}
	}
	if again, err := log(count); err != nil || len(again.Stored) != 0 || len(again.Known) != 1 {
		t.Errorf("a count sent again: %+v, %v", again, err)
	}
	for code, change := range map[string]func(*reps.Event){
		"game.rep-incomplete": func(e *reps.Event) { e.Action = nil },
		"game.action":         func(e *reps.Event) { e.Action = new("moon") },
		"player.missing":      func(e *reps.Event) { e.Action, e.Player = new(string(reads.Down)), new(uuid.New()) },
		"game.count":          func(e *reps.Event) { e.Kind, e.What, e.By = reps.Count, new("turnover"), new(0) },
	} {
		_, err := log(b.rep(change))
		apptest.Refused(t, err, code)
	}
}
