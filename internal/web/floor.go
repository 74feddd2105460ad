package web

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/planning"
	"evrik/internal/app/squad"
	"evrik/internal/sentences"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// floor is a practice with the people on it, as its order lists need it.
type floor struct {
	squad.Board
	squad   []practice.Person // everybody of the team
	states  map[string]practice.Presence
	changes []practice.Change
}

// onFloor gathers who is on the floor and what changed while the practice ran.
func (s *Server) onFloor(ctx context.Context, p gen.Practice, b squad.Board) (floor, error) {
	f := floor{Board: b, states: map[string]practice.Presence{}}
	here, err := s.db.Attendance(ctx, gen.AttendanceParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	if err != nil {
		return f, err
	}
	var squad []uuid.UUID
	for _, p := range b.Players {
		squad = append(squad, p.ID)
	}
	f.squad = b.People(squad, nil)
	for _, r := range here {
		f.states[r.PlayerID.String()] = store.PresenceOf(r)
	}
	rows, err := s.db.FloorChanges(ctx, gen.FloorChangesParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	f.changes = store.ChangesOf(rows)
	return f, err
}

// presence lists who takes part how, in the roster's order.
func (f floor) presence() []api.Present {
	out := []api.Present{}
	for _, p := range f.Players {
		if state := f.states[p.ID.String()]; state != practice.Away {
			out = append(out, api.Present{Player: p.ID, State: api.PresentState(state)})
		}
	}
	return out
}

// block adds to a block its order list and its table of answers.
func (f floor) block(team gen.Team, block practice.Block) api.RunBlock {
	out := api.RunBlock{Block: block, Links: []api.RunLink{}}
	if block.Kind != practice.DrillBlock {
		return out
	}
	d, stage, err := practice.StageOf(f.Library, block)
	var order drill.Order
	if err == nil {
		order, err = practice.OrderThrough(f.Library, block, f.squad, f.states, f.changes)
	}
	if err != nil {
		problem := sentences.Of(err)
		out.Problem = &problem
		return out
	}
	rung, _ := drill.RungByID(stage.Rung)
	out.Stage, out.Order, out.Reads, out.Live = &stage, &order, rung.Reads, rung.Live
	for i, link := range d.Links(stage) {
		out.Links = append(out.Links, runLink(store.RulesOf(team), stage, link, i == 0))
	}
	return out
}

// runLink is an action of a block with its table: the cues that the stage shows of the
// drill's own, all of one that a rep goes on with.
func runLink(rules reads.TeamRules, stage drill.Stage, link drill.Link, own bool) api.RunLink {
	action, _ := reads.ActionByID(link.Action)
	out := api.RunLink{Link: link, Name: action.Name, Third: string(action.Third), Rows: []reads.Row{}}
	if !own {
		out.Rows = action.Rows(rules)
		return out
	}
	for _, cue := range stage.Cues {
		if row, ok := action.Row(rules, cue); ok {
			out.Rows = append(out.Rows, row)
		}
	}
	return out
}

// advise adds what the reps of a block say about its rung.
func (s *Server) advise(f floor, run *api.RunBlock, reps []evidence.Rep) {
	if !run.Reads || run.Order == nil {
		return
	}
	first := reads.Cutter
	if d, _, err := practice.StageOf(f.Library, run.Block); err == nil {
		if action, ok := reads.ActionByID(d.Action); ok {
			first = action.Roles[0]
		}
	}
	var answers []bool
	for _, rep := range evidence.OnePerRep(reps) {
		if string(rep.Block) == run.Block.ID && rep.Role == first {
			answers = append(answers, rep.Correct)
		}
	}
	var present []evidence.PlayerID
	for _, p := range f.squad {
		if state := f.states[p.ID]; state == practice.Here || state == practice.Limited {
			present = append(present, evidence.PlayerID(p.ID))
		}
	}
	here := evidence.OfPlayers(s.squads.Lines(f.Board), present)
	advice := api.RunBlockAdvice(evidence.GroupAdvice(evidence.HoldOnRung(here, run.Stage.Rung), len(present), answers))
	run.Advice = &advice
}

// ChangeFloor stores who came or went, or that the sides were swapped; the order
// lists of the practice follow. Sent twice, it happens once.
func (s *Server) ChangeFloor(ctx context.Context, r api.ChangeFloorRequestObject) (api.ChangeFloorResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	c := practice.Change{Kind: practice.ChangeKind(r.Body.Kind), After: r.Body.AfterRep}
	if r.Body.Block != nil {
		c.Block = r.Body.Block.String()
	}
	if r.Body.Player != nil {
		c.Player = r.Body.Player.String()
		if _, err := s.db.Player(ctx, gen.PlayerParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: *r.Body.Player}); err != nil {
			return nil, orMissing(err, noPlayer)
		}
	}
	if r.Body.State != nil {
		c.State = practice.Presence(*r.Body.State)
	}
	if err := c.Check(); err != nil {
		return nil, invalidBy(err, "kept.nothing")
	}
	row := gen.InsertFloorChangeParams{ID: r.Body.Id, ProgramID: team.ProgramID, PracticeID: p.ID, At: earlier(r.Body.At, s.now()), Kind: string(c.Kind),
		BlockID: r.Body.Block, AfterRep: int32(c.After), State: string(c.State)}
	return api.ChangeFloor204Response{}, s.db.Tx(ctx, func(q *gen.Queries) error {
		// One change at a time, so that each knows what was before.
		if _, err := q.LockPractice(ctx, gen.LockPracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: p.ID}); err != nil {
			return orMissing(err, planning.NoPractice)
		}
		if c.Kind == practice.ComeAndGo {
			row.PlayerID = r.Body.Player
			here, err := q.Attendance(ctx, gen.AttendanceParams{ProgramID: team.ProgramID, PracticeID: p.ID})
			if err != nil {
				return err
			}
			if i := slices.IndexFunc(here, func(a gen.Attendance) bool { return a.PlayerID == *r.Body.Player }); i >= 0 {
				row.Was = string(store.PresenceOf(here[i]))
			}
		}
		n, err := q.InsertFloorChange(ctx, row)
		if err != nil || n == 0 {
			return err
		}
		if c.Kind == practice.ComeAndGo {
			set := gen.SetPresenceParams{ProgramID: team.ProgramID, PracticeID: p.ID, PlayerID: *r.Body.Player, Limited: c.State == practice.Limited}
			if c.State == practice.Left || c.State == practice.Hurt {
				set.Gone = string(c.State)
			}
			if err := q.SetPresence(ctx, set); err != nil {
				return err
			}
		}
		return notify(ctx, q, change{Practice: p.ID, All: true})
	})
}

// earlier is a device's time, unless it lies in the future.
func earlier(at, now time.Time) time.Time {
	if at.After(now) {
		return now
	}
	return at
}

// ListCuts lists ways to end a running practice in time.
func (s *Server) ListCuts(ctx context.Context, r api.ListCutsRequestObject) (api.ListCutsResponseObject, error) {
	d, p, view, err := s.planned(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	plan := d.Plan(view.Draft)
	l := practice.BehindAt(plan, store.ClockStateOf(p), s.now())
	return api.ListCuts200JSONResponse{Over: l.Over(), Cuts: practice.Cuts(l, uuid.NewString)}, nil
}
