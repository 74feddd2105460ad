package web

import (
	"context"

	"evrik/core/drill"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/floors"
	"evrik/internal/sentences"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// presence lists who takes part how, in the roster's order.
func presence(f floors.Floor) []api.Present {
	out := []api.Present{}
	for _, p := range f.Players {
		if state := f.States[p.ID.String()]; state != practice.Away {
			out = append(out, api.Present{Player: p.ID, State: api.PresentState(state)})
		}
	}
	return out
}

// runBlock is a block with its rotation and its tables of answers, or with what is wrong with it.
func runBlock(f floors.Floor, rules reads.TeamRules, block practice.Block) api.RunBlock {
	out := api.RunBlock{Block: block, Links: []api.RunLink{}}
	if block.Kind != practice.DrillBlock {
		return out
	}
	run, err := f.Block(block)
	if err != nil {
		problem := sentences.Of(err)
		out.Problem = &problem
		return out
	}
	rung, _ := drill.RungByID(run.Stage.Rung)
	out.Stage, out.Order, out.Reads, out.Live = &run.Stage, &run.Order, rung.Reads, rung.Live
	for _, l := range run.Links(rules) {
		out.Links = append(out.Links, api.RunLink{Link: l.Link, Name: l.Action.Name, Third: string(l.Action.Third),
			Rows: l.Rows})
	}
	return out
}

// ChangeFloor stores who came or went, or that the sides were swapped; the rotations of the practice follow. Sent
// twice, it happens once.
func (s *Server) ChangeFloor(ctx context.Context, r api.ChangeFloorRequestObject) (api.ChangeFloorResponseObject,
	error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	c := floors.Change{ID: r.Body.Id, Kind: practice.ChangeKind(r.Body.Kind), At: r.Body.At, Block: r.Body.Block,
		After:  r.Body.AfterRep,
		Player: r.Body.Player, State: practice.Presence(app.Value(r.Body.State))}
	return api.ChangeFloor204Response{}, s.floors.Change(ctx, team, p.ID, c, func(q *gen.Queries) error {
		return notify(ctx, q, change{Practice: p.ID, All: true})
	})
}

// ListCuts lists ways to end a running practice in time.
func (s *Server) ListCuts(ctx context.Context, r api.ListCutsRequestObject) (api.ListCutsResponseObject, error) {
	d, p, view, err := s.planned(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	over, cuts := s.floors.Late(p, d.Plan(view.Draft))
	return api.ListCuts200JSONResponse{Over: over, Cuts: cuts}, nil
}
