package web

import (
	"context"
	"fmt"
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
	lib, err := s.library(ctx, team.ProgramID)
	if err != nil {
		return nil, err
	}
	dropped, err := store.DroppedOf(p)
	if err != nil {
		return nil, err
	}
	l := repBatch{team: team, practice: p.ID, blocks: append(store.BlocksOf(rows), dropped...), library: lib, observer: caller(ctx).ID, now: s.now(),
		events: make([]gen.RepEvent, 0, len(r.Body.Events)), counts: gen.InsertFloorCountsParams{ProgramID: team.ProgramID, PracticeID: p.ID, ObserverID: caller(ctx).ID}}
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
		row, err := l.row(e)
		if err != nil {
			return nil, err
		}
		l.events = append(l.events, row)
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
		return invalid("A count needs its block, rep, what is counted, and by 1 or -1. Nothing was saved.")
	}
	if !practice.KnownTally(practice.Tally(*e.What)) {
		return invalid(fmt.Sprintf("%q is not counted in a live block. Nothing was saved.", *e.What))
	}
	if !slices.ContainsFunc(l.blocks, func(b practice.Block) bool { return b.ID == e.Block.String() }) {
		return invalid("This block is not a drill of the practice any more. Nothing was saved; reload to see the plan.")
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
	if stored, err = store.PutReps(ctx, q, s.policy, l.team.ProgramID, l.team.ID, l.events); err != nil {
		return nil, nil, err
	}
	s.figures.reps.Add(float64(len(stored)))
	known, err = l.known(ctx, q, stored)
	return stored, known, err
}

// repBatch makes the rows of one batch.
type repBatch struct {
	team     gen.Team
	practice uuid.UUID // or game
	blocks   []practice.Block
	library  drill.Library
	observer uuid.UUID
	now      time.Time
	players  map[uuid.UUID]bool
	shooters map[uuid.UUID]bool         // who makes the three; empty where nobody is marked so
	voided   map[uuid.UUID]gen.RepEvent // what the batch takes back, as far as it is stored
	events   []gen.RepEvent
	counts   gen.InsertFloorCountsParams
}

// look fetches what the events name.
func (l *repBatch) look(ctx context.Context, q *gen.Queries, events []api.RepEvent) error {
	// Of the program: who has moved to another team since was on this floor.
	players, err := q.PlayersOfProgram(ctx, l.team.ProgramID)
	if err != nil {
		return err
	}
	l.players, l.shooters, l.voided = map[uuid.UUID]bool{}, map[uuid.UUID]bool{}, map[uuid.UUID]gen.RepEvent{}
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
	rows, err := q.RepEvents(ctx, gen.RepEventsParams{ProgramID: l.team.ProgramID, Ids: voids})
	for _, r := range rows {
		l.voided[r.ID] = r
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
			all[i] = e.ID
		}
		rows, err := q.RepEvents(ctx, gen.RepEventsParams{ProgramID: l.team.ProgramID, Ids: all})
		if err != nil {
			return nil, err
		}
		for _, r := range rows {
			ours[r.ID] = true
		}
	}
	for _, e := range l.events {
		switch {
		case fresh[e.ID]:
			fresh[e.ID] = false // the next of this id is a repetition
		case ours[e.ID]:
			known = append(known, e.ID)
		default:
			return nil, missing("This rep's id is taken. Nothing was saved.")
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

func (l *repBatch) row(e api.RepEvent) (gen.RepEvent, error) {
	row := gen.RepEvent{ID: e.Id, PracticeID: l.practice, Kind: string(e.Kind), At: l.seenAt(e), ObserverID: l.observer, Device: e.Device}
	switch {
	case e.Kind == api.Void:
		return l.void(e, row)
	case e.Kind != api.Rep:
		return row, invalid("A practice logs reps. Nothing was saved.")
	}
	if e.Block == nil || e.Player == nil || e.Role == nil || e.Side == nil || e.Cue == nil || e.Made == nil {
		return row, invalid("A rep needs its block, player, role, side, cue and read. Nothing was saved.")
	}
	var block practice.Block
	for _, b := range l.blocks {
		if b.ID == e.Block.String() {
			block = b
		}
	}
	d, stage, err := practice.StageOf(l.library, block)
	if err != nil {
		return row, invalid("This block is not a drill of the practice any more. Nothing was saved; reload to see the plan.")
	}
	if !l.players[*e.Player] {
		return row, missing(noPlayer + " Nothing was saved.")
	}
	row.BlockID, row.Drill, row.Rung = *e.Block, d.ID, string(stage.Rung)
	links := d.Links(stage)
	if len(links) == 0 {
		if !d.Shoots() {
			return row, invalid(fmt.Sprintf("Nobody shoots in %s: there is nothing to log. Nothing was saved.", d.Name))
		}
		return row, shot(e, &row)
	}
	id := links[0].Action
	if e.Screen != nil && *e.Screen != "" {
		id = *e.Screen
	}
	if !slices.ContainsFunc(links, func(link drill.Link) bool { return link.Action == id }) {
		return row, invalid(fmt.Sprintf("%s does not go on with %q. Nothing was saved; reload to see the drill as it is.", d.Name, id))
	}
	action, _ := reads.ActionByID(id)
	return row, l.judge(e, action, &row)
}

// judge fills in what was seen, and whether it was right.
func (l *repBatch) judge(e api.RepEvent, screen *reads.Action, row *gen.RepEvent) error {
	cue, _ := reads.ParseCue(*e.Cue)
	seen := evidence.Seen{Role: roleOf(screen, *e.Role), Cue: cue, Made: reads.Read(*e.Made), Unsided: row.Rung == string(drill.Game)}
	if e.Side != nil {
		seen.Side = string(*e.Side)
	}
	if len(l.shooters) > 0 && seen.Role == reads.Screener {
		seen.ScreenerShoots = reads.KnownIf(l.shooters[*e.Player])
	}
	if e.SecondCue != nil {
		seen.SecondCue, row.SecondCue = *e.SecondCue, *e.SecondCue
	}
	if e.Outcome != nil {
		seen.Outcome = evidence.Outcome(*e.Outcome)
	}
	if e.Corrections != nil {
		seen.Corrections = *e.Corrections
		row.Corrections = *e.Corrections
	}
	scored, err := evidence.Score(screen, store.RulesOf(l.team), seen)
	if err != nil {
		return invalid(fmt.Sprintf("%v Nothing was saved.", err))
	}
	if e.RepNo != nil {
		row.RepNo = int32(*e.RepNo)
	}
	if e.Late != nil {
		row.Late = *e.Late
	}
	row.PlayerID, row.Role, row.Side = *e.Player, string(seen.Role), seen.Side
	row.Screen, row.Cue, row.Expected, row.Made, row.IsRight, row.Outcome = screen.ID, cue.String(), string(scored.Expected), *e.Made, scored.Correct, string(seen.Outcome)
	return nil
}

// shot fills in a shot in a drill that teaches no read: made, or not.
func shot(e api.RepEvent, row *gen.RepEvent) error {
	switch {
	case *e.Role != string(reads.Cutter):
		return invalid("Shots are logged for whoever shoots. Nothing was saved.")
	case *e.Made != string(reads.Make) && *e.Made != "":
		return invalid("This drill teaches no read: log the shot as made or missed. Nothing was saved.")
	}
	if e.RepNo != nil {
		row.RepNo = int32(*e.RepNo)
	}
	row.PlayerID, row.Role, row.Side = *e.Player, string(reads.Shooter), string(*e.Side)
	row.Cue, row.Expected, row.Made, row.IsRight = reads.NoCue.String(), string(reads.Make), *e.Made, *e.Made != ""
	row.Outcome = string(evidence.Missed)
	if row.IsRight {
		row.Outcome = string(evidence.Scored)
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

// void fills an event that takes a rep back with what the rep was about.
func (l *repBatch) void(e api.RepEvent, row gen.RepEvent) (gen.RepEvent, error) {
	if e.Voids == nil {
		return row, invalid("Which rep is taken back? Nothing was saved.")
	}
	rep, stored := l.voided[*e.Voids]
	if !stored {
		i := slices.IndexFunc(l.events, func(o gen.RepEvent) bool { return o.ID == *e.Voids })
		if i < 0 {
			return row, missing("The rep to take back is not there. Nothing was saved.")
		}
		rep = l.events[i]
	}
	if rep.Kind != string(api.Rep) {
		return row, invalid("Only a rep can be taken back. Nothing was saved.")
	}
	row.Voids, row.PracticeID, row.BlockID, row.PlayerID = e.Voids, rep.PracticeID, rep.BlockID, rep.PlayerID
	row.RepNo, row.Role, row.Drill, row.Rung, row.Screen, row.Side = rep.RepNo, rep.Role, rep.Drill, rep.Rung, rep.Screen, rep.Side
	row.Cue, row.Expected, row.Made, row.IsRight = rep.Cue, rep.Expected, rep.Made, rep.IsRight
	return row, nil
}
