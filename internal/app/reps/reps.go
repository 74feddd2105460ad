// Package reps logs what coaches see: reps in practices and games, counts, and what is taken back.
package reps

import (
	"context"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service logs.
type Service struct {
	Store *store.Store
	// Library is what drills a program has.
	Library func(ctx context.Context, program uuid.UUID) (drill.Library, error)
	Now     func() time.Time
}

// Kinds of event.
const (
	Rep   = "rep"
	Void  = "void"
	Count = "count"
)

// Event is what a device says that somebody saw. What a kind of event does not need is nil.
type Event struct {
	ID     uuid.UUID `json:"id"`
	Kind   string    `json:"kind"`
	At     time.Time `json:"at"`
	Device string    `json:"device"`
	// Voids is the event that a void takes back.
	Voids *uuid.UUID `json:"voids,omitempty"`
	// Action is the id of the action; nil for the drill's own.
	Action *string `json:"action,omitempty"`
	// What is counted, and By how much: 1 or -1.
	What *string `json:"what,omitempty"`
	By   *int    `json:"by,omitempty"`
	// Block and RepNo say which block of a practice it is of, and which of its reps.
	Block  *uuid.UUID `json:"block,omitempty"`
	RepNo  *int       `json:"repNo,omitempty"`
	Player *uuid.UUID `json:"player,omitempty"`
	// Role is the drill's position, or the role itself; Side is left or right.
	Role *string `json:"role,omitempty"`
	Side *string `json:"side,omitempty"`
	// Cue is what the defenders showed, Made the read that was made, empty for none.
	Cue       *string   `json:"cue,omitempty"`
	SecondCue *string   `json:"secondCue,omitempty"`
	Made      *string   `json:"made,omitempty"`
	Late      *bool     `json:"late,omitempty"`
	Outcome   *string   `json:"outcome,omitempty"`
	Tags      *[]string `json:"tags,omitempty"`
}

// Receipt says what became of a batch.
type Receipt struct {
	// Stored is new, Known was stored before or comes twice in the batch.
	Stored, Known []uuid.UUID
	// Events are what of Stored is a rep or takes one back, Counts what is a count.
	Events, Counts []uuid.UUID
}

// Announce tells who follows, in the transaction that stores, what is new. It is not called where nothing is.
type Announce func(*gen.Queries, Receipt) error

// LogPractice stores a batch of events of a practice whole or not at all. An event that is known is not stored again,
// so a device may send until it is answered. It refuses with app.Invalid what makes no sense and with app.Missing
// whoever or whatever is not there.
func (s Service) LogPractice(ctx context.Context, team gen.Team, p gen.Practice, observer uuid.UUID, events []Event,
	announce Announce) (Receipt, error) {
	b := s.batch(team, p.ID, observer)
	rows, err := s.Store.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil {
		return Receipt{}, err
	}
	dropped, err := store.DroppedOf(p)
	if err != nil {
		return Receipt{}, err
	}
	b.blocks = append(store.BlocksOf(rows), dropped...)
	if b.library, err = s.Library(ctx, team.ProgramID); err != nil {
		return Receipt{}, err
	}
	counts := gen.InsertFloorCountsParams{ProgramID: team.ProgramID, PracticeID: p.ID, ObserverID: observer}
	take := func(e Event) error { return b.count(e, &counts) }
	if err := b.read(ctx, s.Store.Queries, events, take, b.practiceEvent); err != nil {
		return Receipt{}, err
	}
	return s.store(ctx, b, announce, func(q *gen.Queries) ([]uuid.UUID, []uuid.UUID, error) {
		return store.PutCounts(ctx, q, counts)
	})
}

// LogGame does the same for what the bench saw of a game.
func (s Service) LogGame(ctx context.Context, team gen.Team, g gen.Game, observer uuid.UUID, events []Event,
	announce Announce) (Receipt, error) {
	b := s.batch(team, g.ID, observer)
	counts := gen.InsertGameCountsParams{ProgramID: team.ProgramID, GameID: g.ID, ObserverID: observer}
	take := func(e Event) error { return b.gameCount(e, &counts) }
	if err := b.read(ctx, s.Store.Queries, events, take, b.gameEvent); err != nil {
		return Receipt{}, err
	}
	return s.store(ctx, b, announce, func(q *gen.Queries) ([]uuid.UUID, []uuid.UUID, error) {
		return store.PutGameCounts(ctx, q, counts)
	})
}

// batch begins one.
func (s Service) batch(team gen.Team, of, observer uuid.UUID) *batch {
	return &batch{team: team, of: of, observer: observer, now: s.Now()}
}

// store writes a batch and its counts in one transaction.
func (s Service) store(ctx context.Context, b *batch, announce Announce,
	put func(*gen.Queries) (counted, known []uuid.UUID, err error)) (Receipt, error) {
	var out Receipt
	err := s.Store.Tx(ctx, func(q *gen.Queries) (err error) {
		out = Receipt{Stored: []uuid.UUID{}, Known: []uuid.UUID{}}
		if len(b.events) > 0 {
			if out.Events, err = store.PutReps(ctx, q, b.team.ProgramID, b.team.ID, b.events); err != nil {
				return err
			}
			if out.Known, err = b.known(ctx, q, out.Events); err != nil {
				return err
			}
		}
		counted, known, err := put(q)
		if err != nil {
			return err
		}
		out.Counts, out.Known = counted, append(out.Known, known...)
		out.Stored = append(append(out.Stored, out.Events...), counted...)
		if len(out.Stored) == 0 {
			return nil
		}
		return announce(q, out)
	})
	if err != nil {
		return Receipt{}, err
	}
	return out, nil
}

// batch makes the log's events of one request.
type batch struct {
	team     gen.Team
	of       uuid.UUID // the practice or game
	blocks   []practice.Block
	library  drill.Library
	observer uuid.UUID
	now      time.Time
	players  map[uuid.UUID]bool
	shooters map[uuid.UUID]bool           // who makes the three; empty where nobody is marked so
	voided   map[uuid.UUID]store.RepEvent // what the batch takes back, as far as it is stored
	events   []store.RepEvent
}

// read takes every event in: counts by one function, reps and voids by another.
func (b *batch) read(ctx context.Context, q *gen.Queries, events []Event, count func(Event) error,
	rep func(Event) (store.RepEvent, error)) error {
	if err := b.fetch(ctx, q, events); err != nil {
		return err
	}
	for _, e := range events {
		if e.Kind == Count {
			if err := count(e); err != nil {
				return err
			}
			continue
		}
		event, err := rep(e)
		if err != nil {
			return err
		}
		b.events = append(b.events, event)
	}
	return nil
}

// fetch gets what the events name.
func (b *batch) fetch(ctx context.Context, q *gen.Queries, events []Event) error {
	// All of the program: a player who has moved to another team since may have been here.
	players, err := q.PlayersOfProgram(ctx, b.team.ProgramID)
	if err != nil {
		return err
	}
	b.players, b.shooters, b.voided = map[uuid.UUID]bool{}, map[uuid.UUID]bool{}, map[uuid.UUID]store.RepEvent{}
	for _, p := range players {
		b.players[p.ID] = true
		if p.Shooter {
			b.shooters[p.ID] = true
		}
	}
	var voids []uuid.UUID
	for _, e := range events {
		if e.Voids != nil {
			voids = append(voids, *e.Voids)
		}
	}
	if len(voids) == 0 {
		return nil
	}
	taken, err := store.RepEvents(ctx, q, b.team.ProgramID, voids)
	for _, e := range taken {
		b.voided[rowOf(e.ID)] = e
	}
	return err
}

// known are the events that were stored before, or come twice in the batch; the id of another program's is taken.
func (b *batch) known(ctx context.Context, q *gen.Queries, stored []uuid.UUID) ([]uuid.UUID, error) {
	known, fresh := []uuid.UUID{}, map[uuid.UUID]bool{}
	for _, id := range stored {
		fresh[id] = true
	}
	ours := map[uuid.UUID]bool{}
	if len(stored) < len(b.events) {
		all := make([]uuid.UUID, len(b.events))
		for i, e := range b.events {
			all[i] = rowOf(e.ID)
		}
		events, err := store.RepEvents(ctx, q, b.team.ProgramID, all)
		if err != nil {
			return nil, err
		}
		for _, e := range events {
			ours[rowOf(e.ID)] = true
		}
	}
	for _, e := range b.events {
		switch id := rowOf(e.ID); {
		case fresh[id]:
			fresh[id] = false // the next of this id is a repetition
		case ours[id]:
			known = append(known, id)
		default:
			return nil, app.Refuse(app.Missing, "rep.id-taken")
		}
	}
	return known, nil
}

// rowOf is a rep's id in the store.
func rowOf(id evidence.RepID) uuid.UUID { return uuid.MustParse(string(id)) }
