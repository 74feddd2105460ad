package web

import (
	"context"
	"fmt"
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

// GetRun returns everything the floor needs of a practice at once.
func (s *Server) GetRun(ctx context.Context, r api.GetRunRequestObject) (api.GetRunResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	b, err := s.desk(ctx, team)
	if err != nil {
		return nil, err
	}
	view, err := s.practiceView(ctx, p, b)
	if err != nil {
		return nil, err
	}
	rows, err := s.db.RepsOfPractice(ctx, gen.RepsOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil {
		return nil, err
	}
	out := api.GetRun200JSONResponse{Practice: view, Players: playerViews(b.players), Clock: s.clockView(p), Blocks: []api.RunBlock{}, Reps: []api.LoggedRep{}}
	people := b.people(view.Present, view.Limited)
	for _, block := range view.Blocks {
		out.Blocks = append(out.Blocks, s.runBlock(team, block, people, b.board, rows))
	}
	for _, row := range rows {
		out.Reps = append(out.Reps, repView(row))
	}
	return out, nil
}

// runBlock adds to a block its order list, its table of answers and the advice
// on its rung.
func (s *Server) runBlock(team gen.Team, block practice.Block, people []practice.Person, b board, rows []gen.RepEvent) api.RunBlock {
	out := api.RunBlock{Block: block}
	if block.Kind != practice.DrillBlock {
		return out
	}
	d, stage, err := practice.StageOf(b.library, block)
	var order drill.Order
	if err == nil {
		order, err = practice.Order(b.library, block, people)
	}
	if err != nil {
		problem := err.Error()
		out.Problem = &problem
		return out
	}
	rung, _ := drill.RungByID(stage.Rung)
	out.Stage, out.Order, out.Reads, out.Live = &stage, &order, rung.Reads, rung.Live
	first := reads.Cutter
	if screen, ok := reads.ScreenByID(d.Screen); ok {
		first = screen.Roles[0]
		table := []reads.Row{}
		for _, cue := range stage.Cues {
			if row, ok := screen.Row(store.SchoolOf(team), cue); ok {
				table = append(table, row)
			}
		}
		out.Rows = &table
	}
	if rung.Reads {
		var answers []bool
		for _, rep := range evidence.OnePerRep(store.RepsOf(rows)) {
			if rep.Block == block.ID && rep.Role == first {
				answers = append(answers, rep.Right)
			}
		}
		present := make([]string, len(people))
		for i, p := range people {
			present[i] = p.ID
		}
		here := evidence.OfPlayers(b.lines, present)
		advice := api.RunBlockAdvice(evidence.GroupAdvice(evidence.HoldOnRung(here, stage.Rung), len(present), answers))
		out.Advice = &advice
	}
	return out
}

func clockOf(p gen.Practice) practice.Clock {
	c := practice.Clock{Status: practice.Status(p.Status), Before: time.Duration(p.BlockMs) * time.Millisecond}
	if p.BlockID != nil {
		c.Block = p.BlockID.String()
	}
	if p.RunningSince != nil {
		c.Since = *p.RunningSince
	}
	if p.BeganAt != nil {
		c.Began = *p.BeganAt
	}
	return c
}

func (s *Server) clockView(p gen.Practice) api.Clock {
	c, now := clockOf(p), s.now()
	return api.Clock{Status: api.ClockStatus(c.Status), Block: p.BlockID, ElapsedMs: c.Elapsed(now).Milliseconds(),
		Running: !c.Since.IsZero(), Began: p.BeganAt, Now: now}
}

// SetClock starts, stops or moves the practice's clock.
func (s *Server) SetClock(ctx context.Context, r api.SetClockRequestObject) (api.SetClockResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	var p gen.Practice
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		p, err = q.LockPractice(ctx, gen.LockPracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: r.PracticeId})
		if err != nil {
			return orMissing(err, noPractice)
		}
		rows, err := q.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
		if err != nil {
			return err
		}
		blocks := make([]string, len(rows))
		for i, b := range rows {
			blocks[i] = b.ID.String()
		}
		wanted := ""
		if r.Body.Block != nil {
			wanted = r.Body.Block.String()
		}
		c, err := clockOf(p).Apply(practice.Action(r.Body.Action), wanted, blocks, s.now())
		if err != nil {
			return conflict(err.Error())
		}
		p.Status, p.BlockMs, p.BlockID, p.RunningSince = string(c.Status), c.Before.Milliseconds(), nil, nil
		if c.Block != "" {
			id, err := parseBlock(c.Block)
			if err != nil {
				return err
			}
			p.BlockID = &id
		}
		if !c.Since.IsZero() {
			p.RunningSince = &c.Since
		}
		if !c.Began.IsZero() {
			p.BeganAt = &c.Began
		}
		_, err = q.SetClock(ctx, gen.SetClockParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: p.ID, Status: p.Status,
			BlockID: p.BlockID, BlockMs: p.BlockMs, RunningSince: p.RunningSince, BeganAt: p.BeganAt})
		if err != nil {
			return err
		}
		return tell(ctx, q, change{Practice: p.ID, Clock: true})
	})
	if err != nil {
		return nil, err
	}
	return api.SetClock200JSONResponse(s.clockView(p)), nil
}

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
	out := api.LogReps200JSONResponse{Stored: []uuid.UUID{}, Known: []uuid.UUID{}}
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		l := logger{q: q, team: team, practice: p, blocks: store.BlocksOf(rows), library: lib, observer: caller(ctx).ID, now: s.now()}
		for _, e := range r.Body.Events {
			n, err := l.log(ctx, e)
			switch {
			case err != nil:
				return err
			case n > 0:
				out.Stored = append(out.Stored, e.Id)
			default:
				out.Known = append(out.Known, e.Id)
			}
		}
		if len(out.Stored) == 0 {
			return nil
		}
		return tell(ctx, q, change{Practice: p.ID, Events: out.Stored})
	})
	if err != nil {
		return nil, err
	}
	return out, nil
}

// logger stores the events of one batch.
type logger struct {
	q        *gen.Queries
	team     gen.Team
	practice gen.Practice
	blocks   []practice.Block
	library  drill.Library
	observer uuid.UUID
	now      time.Time
}

// log stores one event and returns 1, or 0 when it was stored before.
func (l *logger) log(ctx context.Context, e api.RepEvent) (int64, error) {
	row, err := l.row(ctx, e)
	if err != nil {
		return 0, err
	}
	n, err := l.q.InsertRepEvent(ctx, row)
	if err != nil || n > 0 {
		return n, err
	}
	_, err = l.q.RepEvent(ctx, gen.RepEventParams{ProgramID: l.team.ProgramID, ID: e.Id})
	return 0, orMissing(err, "This rep's id is taken. Nothing was stored.")
}

func (l *logger) row(ctx context.Context, e api.RepEvent) (gen.InsertRepEventParams, error) {
	// A device whose clock runs ahead must not log in the future.
	at := e.At
	if at.After(l.now) {
		at = l.now
	}
	row := gen.InsertRepEventParams{ID: e.Id, ProgramID: l.team.ProgramID, TeamID: l.team.ID, PracticeID: l.practice.ID,
		Kind: string(e.Kind), At: at, ObserverID: l.observer, Device: e.Device, Corrections: []string{}}
	if e.Kind == api.Void {
		return l.void(ctx, e, row)
	}
	if e.Block == nil || e.Player == nil || e.Role == nil || e.Side == nil || e.Cue == nil || e.Made == nil {
		return row, invalid("A rep needs its block, player, role, side, cue and read. Nothing was stored.")
	}
	var block practice.Block
	for _, b := range l.blocks {
		if b.ID == e.Block.String() {
			block = b
		}
	}
	d, stage, err := practice.StageOf(l.library, block)
	if err != nil {
		return row, invalid("This block is not a drill of the practice any more. Nothing was stored; reload to see the plan.")
	}
	if _, err := l.q.Player(ctx, gen.PlayerParams{ProgramID: l.team.ProgramID, TeamID: l.team.ID, ID: *e.Player}); err != nil {
		return row, orMissing(err, noPlayer+" Nothing was stored.")
	}
	screen, ok := reads.ScreenByID(d.Screen)
	if !ok {
		return row, invalid(fmt.Sprintf("%s teaches no read that could be logged. Nothing was stored.", d.Name))
	}
	cue, _ := reads.ParseCue(*e.Cue)
	seen := evidence.Seen{Role: roleOf(screen, *e.Role), Side: string(*e.Side), Cue: cue, Made: reads.Read(*e.Made)}
	if e.Outcome != nil {
		seen.Outcome = evidence.Outcome(*e.Outcome)
	}
	if e.Corrections != nil {
		seen.Corrections = *e.Corrections
		row.Corrections = *e.Corrections
	}
	expected, right, err := evidence.Score(screen, store.SchoolOf(l.team), seen)
	if err != nil {
		return row, invalid(fmt.Sprintf("%v Nothing was stored.", err))
	}
	if e.RepNo != nil {
		row.RepNo = int32(*e.RepNo)
	}
	if e.Late != nil {
		row.Late = *e.Late
	}
	row.BlockID, row.PlayerID, row.Role, row.Side = *e.Block, *e.Player, string(seen.Role), string(*e.Side)
	row.Drill, row.Rung, row.Screen, row.Cue = d.ID, string(stage.Rung), screen.ID, cue.String()
	row.Expected, row.Made, row.IsRight, row.Outcome = string(expected), *e.Made, right, string(seen.Outcome)
	return row, nil
}

// roleOf is the role of who stands in a drill's first or second position: cutter
// and screener off the ball, handler and screener with it.
func roleOf(screen *reads.Screen, position string) reads.Role {
	switch position {
	case string(reads.Cutter):
		return screen.Roles[0]
	case string(reads.Screener):
		return screen.Roles[1]
	}
	return reads.Role(position)
}

// void fills an event that takes a rep back with what the rep was about.
func (l *logger) void(ctx context.Context, e api.RepEvent, row gen.InsertRepEventParams) (gen.InsertRepEventParams, error) {
	if e.Voids == nil {
		return row, invalid("Which rep is taken back? Nothing was stored.")
	}
	rep, err := l.q.RepEvent(ctx, gen.RepEventParams{ProgramID: l.team.ProgramID, ID: *e.Voids})
	if err == nil && rep.Kind != string(api.Rep) {
		err = invalid("Only a rep can be taken back. Nothing was stored.")
	}
	if err != nil {
		return row, orMissing(err, "The rep to take back is not there. Nothing was stored.")
	}
	row.Voids, row.PracticeID, row.BlockID, row.PlayerID = e.Voids, rep.PracticeID, rep.BlockID, rep.PlayerID
	row.RepNo, row.Role, row.Drill, row.Rung, row.Screen, row.Side = rep.RepNo, rep.Role, rep.Drill, rep.Rung, rep.Screen, rep.Side
	row.Cue, row.Expected, row.Made, row.IsRight = rep.Cue, rep.Expected, rep.Made, rep.IsRight
	return row, nil
}
