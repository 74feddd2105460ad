package web

import (
	"context"
	"math"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// LogReps stores a batch of events whole or not at all. An event that is known
// already is not stored again, so a device may send until it is answered.
func (s *Server) LogReps(ctx context.Context, r api.LogRepsRequestObject) (api.LogRepsResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	rows, err := s.db.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil {
		return nil, err
	}
	lib, err := s.squads.Library(ctx, team.ProgramID)
	if err != nil {
		return nil, err
	}
	dropped, err := store.DroppedOf(p)
	if err != nil {
		return nil, err
	}
	l := repBatch{team: team, practice: p.ID, blocks: append(store.BlocksOf(rows), dropped...), library: lib, observer: caller(ctx).ID, now: s.now(),
		events: make([]store.RepEvent, 0, len(r.Body.Events)), counts: gen.InsertFloorCountsParams{ProgramID: team.ProgramID, PracticeID: p.ID, ObserverID: caller(ctx).ID}}
	if err := l.look(ctx, s.db.Queries, r.Body.Events); err != nil {
		return nil, err
	}
	for _, e := range r.Body.Events {
		if e.Kind == api.Count {
			if err := l.count(e); err != nil {
				return nil, err
			}
			continue
		}
		event, err := l.event(e)
		if err != nil {
			return nil, err
		}
		l.events = append(l.events, event)
	}
	out := api.LogReps200JSONResponse{Stored: []uuid.UUID{}, Known: []uuid.UUID{}}
	if len(l.events)+len(l.counts.ID) == 0 {
		return out, nil
	}
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		if out.Stored, out.Known, err = s.put(ctx, q, &l); err != nil {
			return err
		}
		counted, known, err := store.PutCounts(ctx, q, l.counts)
		if err != nil {
			return err
		}
		told := change{Practice: p.ID, Events: out.Stored, Counts: counted}
		out.Stored, out.Known = append(out.Stored, counted...), append(out.Known, known...)
		if len(out.Stored) == 0 {
			return nil
		}
		return notify(ctx, q, told)
	})
	if err != nil {
		return nil, err
	}
	return out, nil
}

// count takes a count of a live block into the batch.
func (l *repBatch) count(e api.RepEvent) error {
	if e.Block == nil || e.What == nil || e.By == nil || e.RepNo == nil || *e.RepNo < 0 || *e.RepNo > math.MaxInt32 || *e.By != 1 && *e.By != -1 {
		return invalid("rep.count-incomplete")
	}
	if !practice.KnownTally(practice.Tally(*e.What)) {
		return invalid("rep.count-kind", *e.What)
	}
	if !slices.ContainsFunc(l.blocks, func(b practice.Block) bool { return b.ID == e.Block.String() }) {
		return invalid("rep.block")
	}
	c := &l.counts
	c.ID, c.BlockID, c.RepNo, c.At = append(c.ID, e.Id), append(c.BlockID, *e.Block), append(c.RepNo, int32(*e.RepNo)), append(c.At, l.seenAt(e))
	c.What, c.By, c.Device = append(c.What, *e.What), append(c.By, int32(*e.By)), append(c.Device, e.Device)
	return nil
}

// put stores a batch's events and tells which were new and which were there.
func (s *Server) put(ctx context.Context, q *gen.Queries, l *repBatch) (stored, known []uuid.UUID, err error) {
	if len(l.events) == 0 {
		return []uuid.UUID{}, []uuid.UUID{}, nil
	}
	if stored, err = store.PutReps(ctx, q, l.team.ProgramID, l.team.ID, l.events); err != nil {
		return nil, nil, err
	}
	s.figures.reps.Add(float64(len(stored)))
	known, err = l.known(ctx, q, stored)
	return stored, known, err
}

// repBatch makes the events of one batch.
type repBatch struct {
	team     gen.Team
	practice uuid.UUID // or game
	blocks   []practice.Block
	library  drill.Library
	observer uuid.UUID
	now      time.Time
	players  map[uuid.UUID]bool
	shooters map[uuid.UUID]bool           // who makes the three; empty where nobody is marked so
	voided   map[uuid.UUID]store.RepEvent // what the batch takes back, as far as it is stored
	events   []store.RepEvent
	counts   gen.InsertFloorCountsParams
}

// look fetches what the events name.
func (l *repBatch) look(ctx context.Context, q *gen.Queries, events []api.RepEvent) error {
	// Of the program: who has moved to another team since was on this floor.
	players, err := q.PlayersOfProgram(ctx, l.team.ProgramID)
	if err != nil {
		return err
	}
	l.players, l.shooters, l.voided = map[uuid.UUID]bool{}, map[uuid.UUID]bool{}, map[uuid.UUID]store.RepEvent{}
	for _, p := range players {
		l.players[p.ID] = true
		if p.Shooter {
			l.shooters[p.ID] = true
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
	taken, err := store.RepEvents(ctx, q, l.team.ProgramID, voids)
	for _, e := range taken {
		l.voided[idOf(e.ID)] = e
	}
	return err
}

// known are the events that were stored before, or come twice in the batch; the id
// of another program's is taken.
func (l *repBatch) known(ctx context.Context, q *gen.Queries, stored []uuid.UUID) ([]uuid.UUID, error) {
	known, fresh := []uuid.UUID{}, map[uuid.UUID]bool{}
	for _, id := range stored {
		fresh[id] = true
	}
	ours := map[uuid.UUID]bool{}
	if len(stored) < len(l.events) {
		all := make([]uuid.UUID, len(l.events))
		for i, e := range l.events {
			all[i] = idOf(e.ID)
		}
		events, err := store.RepEvents(ctx, q, l.team.ProgramID, all)
		if err != nil {
			return nil, err
		}
		for _, e := range events {
			ours[idOf(e.ID)] = true
		}
	}
	for _, e := range l.events {
		switch id := idOf(e.ID); {
		case fresh[id]:
			fresh[id] = false // the next of this id is a repetition
		case ours[id]:
			known = append(known, id)
		default:
			return nil, missing("rep.id-taken")
		}
	}
	return known, nil
}

// seenAt is when something was seen: a device whose clock runs ahead must not log in the
// future.
func (l *repBatch) seenAt(e api.RepEvent) time.Time {
	if e.At.After(l.now) {
		return l.now
	}
	return e.At
}

// begin is an event with what every event has.
func (l *repBatch) begin(e api.RepEvent) store.RepEvent {
	return store.RepEvent{Rep: evidence.Rep{ID: evidence.RepID(e.Id.String()), Practice: evidence.PracticeID(l.practice.String()), At: l.seenAt(e),
		Observer: evidence.ObserverID(l.observer.String()), Device: e.Device}}
}

// event is what a device says of a practice, checked and judged.
func (l *repBatch) event(e api.RepEvent) (store.RepEvent, error) {
	event := l.begin(e)
	switch {
	case e.Kind == api.Void:
		return l.void(e, event)
	case e.Kind != api.Rep:
		return event, invalid("rep.kind")
	}
	if e.Block == nil || e.Player == nil || e.Role == nil || e.Side == nil || e.Cue == nil || e.Made == nil {
		return event, invalid("rep.incomplete")
	}
	var block practice.Block
	for _, b := range l.blocks {
		if b.ID == e.Block.String() {
			block = b
		}
	}
	d, stage, err := practice.StageOf(l.library, block)
	if err != nil {
		return event, invalid("rep.block")
	}
	if !l.players[*e.Player] {
		return event, missing(noPlayer)
	}
	event.Block, event.Drill, event.Rung = evidence.BlockID(e.Block.String()), d.ID, stage.Rung
	links := d.Links(stage)
	if len(links) == 0 {
		if !d.Shoots() {
			return event, invalid("rep.nobody-shoots", d.Name)
		}
		return event, shot(e, &event)
	}
	id := links[0].Action
	if e.Screen != nil && *e.Screen != "" {
		id = *e.Screen
	}
	if !slices.ContainsFunc(links, func(link drill.Link) bool { return link.Action == id }) {
		return event, invalid("rep.goes-on", d.Name, id)
	}
	action, _ := reads.ActionByID(id)
	return event, l.judge(e, action, &event)
}

// judge fills in what was seen, and whether it was correct.
func (l *repBatch) judge(e api.RepEvent, action *reads.Action, event *store.RepEvent) error {
	cue, _ := reads.ParseCue(*e.Cue)
	seen := evidence.Seen{Role: roleOf(action, *e.Role), Cue: cue, Made: reads.Read(*e.Made), Unsided: event.Rung == drill.Game}
	if e.Side != nil {
		seen.Side = string(*e.Side)
	}
	if len(l.shooters) > 0 && seen.Role == reads.Screener {
		seen.ScreenerShoots = reads.KnownIf(l.shooters[*e.Player])
	}
	if e.SecondCue != nil {
		seen.SecondCue = *e.SecondCue
	}
	if e.Outcome != nil {
		seen.Outcome = evidence.Outcome(*e.Outcome)
	}
	if e.Tags != nil {
		for _, text := range *e.Tags {
			tag := store.TagOf(text)
			if owner, err := uuid.Parse(string(tag.Player)); tag.Player != "" && (err != nil || !l.players[owner]) {
				return invalid("rep.tag-owner")
			}
			seen.Tags = append(seen.Tags, tag)
		}
	}
	scored, err := evidence.Score(action, store.RulesOf(l.team), seen)
	if err != nil {
		return invalidBy(err, "kept.nothing")
	}
	if e.RepNo != nil {
		event.No = *e.RepNo
	}
	if e.Late != nil {
		event.Late = *e.Late
	}
	event.Player, event.Role, event.Side, event.Tags = evidence.PlayerID(e.Player.String()), seen.Role, seen.Side, seen.Tags
	event.Action, event.Cue, event.SecondCue, event.Outcome = evidence.ActionID(action.ID), cue, seen.SecondCue, seen.Outcome
	event.Expected, event.Made, event.Correct = scored.Expected, seen.Made, scored.Correct
	return nil
}

// shot fills in a shot in a drill that teaches no read: made, or not.
func shot(e api.RepEvent, event *store.RepEvent) error {
	switch {
	case *e.Role != string(reads.Cutter):
		return invalid("rep.not-a-shooter")
	case *e.Made != string(reads.Make) && *e.Made != "":
		return invalid("rep.no-read")
	}
	if e.RepNo != nil {
		event.No = *e.RepNo
	}
	event.Player, event.Role, event.Side = evidence.PlayerID(e.Player.String()), reads.Shooter, string(*e.Side)
	event.Expected, event.Made, event.Correct = reads.Make, reads.Read(*e.Made), *e.Made != ""
	event.Outcome = evidence.Missed
	if event.Correct {
		event.Outcome = evidence.Scored
	}
	return nil
}

// roleOf is the role of who stands in a drill's first or second position: cutter
// and screener off the ball, handler and screener with it.
func roleOf(screen *reads.Action, position string) reads.Role {
	switch position {
	case string(reads.Cutter):
		return screen.Roles[0]
	case string(reads.Screener):
		return screen.Roles[1]
	}
	return reads.Role(position)
}

// void makes of an event the taking back of a rep.
func (l *repBatch) void(e api.RepEvent, event store.RepEvent) (store.RepEvent, error) {
	if e.Voids == nil {
		return event, invalid("rep.undo-which")
	}
	taken, stored := l.voided[*e.Voids]
	if !stored {
		i := slices.IndexFunc(l.events, func(o store.RepEvent) bool { return idOf(o.ID) == *e.Voids })
		if i < 0 {
			return event, missing("rep.undo-missing")
		}
		taken = l.events[i]
	}
	if taken.Voids != "" {
		return event, invalid("rep.undo-kind")
	}
	rep := taken.Rep
	rep.ID, rep.At, rep.Observer, rep.Device = event.ID, event.At, event.Observer, event.Device
	return store.RepEvent{Rep: rep, Voids: taken.ID}, nil
}
