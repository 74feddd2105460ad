package web

import (
	"context"
	"errors"
	"fmt"
	"slices"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

const noPractice = "This practice is not there. It may have been deleted; logged reps stay with the players."

// practice returns a team of the caller's and one of its practices.
func (s *Server) practice(ctx context.Context, teamID, id uuid.UUID) (gen.Team, gen.Practice, error) {
	team, err := s.team(ctx, teamID)
	if err != nil {
		return team, gen.Practice{}, err
	}
	p, err := s.db.Practice(ctx, gen.PracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: id})
	return team, p, orMissing(err, noPractice)
}

// people are the present players who are on the team, in the roster's order, so
// that the same people always get the same order list.
func (b board) people(present, limited []uuid.UUID) []practice.Person {
	var out []practice.Person
	for _, p := range b.players {
		if slices.Contains(present, p.ID) {
			out = append(out, practice.Person{ID: p.ID.String(), Handler: p.Handler, Wing: p.Wing, Big: p.Big, Limited: slices.Contains(limited, p.ID)})
		}
	}
	return out
}

// attended is who is here, and who keeps out of live blocks; of a practice that is
// over, everybody who took part: leaving early does not undo what was asked of a player.
func attended(rows []gen.AttendanceRow, over bool) (present, limited []uuid.UUID) {
	present, limited = []uuid.UUID{}, []uuid.UUID{}
	for _, r := range rows {
		if r.Gone != "" && !over {
			continue
		}
		present = append(present, r.PlayerID)
		if r.Limited {
			limited = append(limited, r.PlayerID)
		}
	}
	return present, limited
}

// practiceView is a practice with its sheet.
func (s *Server) practiceView(ctx context.Context, p gen.Practice, d planningContext) (api.Practice, error) {
	rows, err := s.db.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	if err != nil {
		return api.Practice{}, err
	}
	here, err := s.db.Attendance(ctx, gen.AttendanceParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	if err != nil {
		return api.Practice{}, err
	}
	terms, err := store.TermsOf(p)
	if err != nil {
		return api.Practice{}, err
	}
	present, limited := attended(here, p.Status == string(practice.Done))
	blocks := store.BlocksOf(rows)
	return api.Practice{Id: p.ID, StartsAt: p.StartsAt, Minutes: int(p.Minutes), Note: p.Note, Present: present, Limited: limited, Terms: terms,
		Blocks: blocks, Version: int(p.Version), Status: api.PracticeStatus(p.Status),
		Sheet: practice.LayOut(d.plan(p.StartsAt, int(p.Minutes), present, limited, terms, blocks))}, nil
}

// checkPlan refuses what cannot be laid out.
func (d planningContext) checkPlan(in *api.PracticeInput) error {
	for i, b := range in.Blocks {
		if _, err := uuid.Parse(b.ID); err != nil {
			return invalid(fmt.Sprintf("Block %d has no id that can be stored. Nothing was saved; reload the page and try again.", i+1))
		}
		for _, id := range b.Players {
			if _, err := uuid.Parse(id); err != nil {
				return invalid(fmt.Sprintf("Block %d names a player who cannot be. Nothing was saved; reload the page and try again.", i+1))
			}
		}
	}
	if err := practice.Check(d.library, in.Minutes, in.Blocks); err != nil {
		return invalid(err.Error() + " Nothing was saved.")
	}
	if err := termsIn(in).Check(); err != nil {
		return invalid(err.Error() + " Nothing was saved.")
	}
	if len(in.Note) > 2000 {
		return invalid("The note is longer than 2000 characters. Nothing was saved.")
	}
	for _, id := range in.Present {
		if !slices.ContainsFunc(d.players, func(p gen.Player) bool { return p.ID == id }) {
			return missing(noPlayer + " Nothing was saved.")
		}
	}
	return nil
}

// termsIn are a request's terms, or the usual ones.
func termsIn(in *api.PracticeInput) practice.Terms {
	if in.Terms == nil {
		return practice.DefaultTerms()
	}
	return *in.Terms
}

// limitedIn is who keeps out of live blocks by a request.
func limitedIn(in *api.PracticeInput) []uuid.UUID {
	if in.Limited == nil {
		return []uuid.UUID{}
	}
	return *in.Limited
}

func (d planningContext) planIn(in *api.PracticeInput) practice.Plan {
	return d.plan(in.StartsAt, in.Minutes, in.Present, limitedIn(in), termsIn(in), in.Blocks)
}

// checkTime refuses a time that cannot be kept: the core says why.
func (s *Server) checkTime(ctx context.Context, d planningContext, in *api.PracticeInput, own uuid.UUID) error {
	rows, err := s.db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: d.team.ProgramID, TeamID: d.team.ID})
	if err != nil {
		return err
	}
	var others []practice.Slot
	for _, p := range rows {
		if p.ID != own {
			others = append(others, practice.Slot{Start: p.StartsAt, Minutes: float64(p.Minutes)})
		}
	}
	if err := practice.CheckTime(practice.Slot{Start: in.StartsAt, Minutes: float64(in.Minutes)}, d.zone, others); err != nil {
		return conflict(err.Error() + " Nothing was saved; your plan is still on this page.")
	}
	return nil
}

// LayOut computes a plan's arithmetic without storing it.
func (s *Server) LayOut(ctx context.Context, r api.LayOutRequestObject) (api.LayOutResponseObject, error) {
	d, err := s.teamPlanning(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if err := d.checkPlan(r.Body); err != nil {
		return nil, err
	}
	return api.LayOut200JSONResponse(practice.LayOut(d.planIn(r.Body))), nil
}

// teamPlanning is the planning context of a team of the caller's.
func (s *Server) teamPlanning(ctx context.Context, id uuid.UUID) (planningContext, error) {
	team, err := s.team(ctx, id)
	if err != nil {
		return planningContext{}, err
	}
	return s.planning(ctx, team)
}

// FillPlan fits a plan to the minutes without storing it.
func (s *Server) FillPlan(ctx context.Context, r api.FillPlanRequestObject) (api.FillPlanResponseObject, error) {
	d, err := s.teamPlanning(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if err := d.checkPlan(&r.Body.Plan); err != nil {
		return nil, err
	}
	out, err := practice.Fill(d.planIn(&r.Body.Plan), practice.Scope(r.Body.Scope), uuid.NewString)
	var c practice.Conflict
	if errors.As(err, &c) {
		return nil, conflict(c.Error())
	}
	return api.FillPlan200JSONResponse(out), err
}

// ListPractices lists a team's practices, newest first.
func (s *Server) ListPractices(ctx context.Context, r api.ListPracticesRequestObject) (api.ListPracticesResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	rows, err := s.db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	out := api.ListPractices200JSONResponse{}
	for _, p := range rows {
		out = append(out, api.PracticeSummary{Id: p.ID, StartsAt: p.StartsAt, Minutes: int(p.Minutes),
			Status: api.PracticeSummaryStatus(p.Status), Reps: int(p.Reps)})
	}
	return out, err
}

// GetPractice returns a practice with its sheet.
func (s *Server) GetPractice(ctx context.Context, r api.GetPracticeRequestObject) (api.GetPracticeResponseObject, error) {
	view, err := s.loadPractice(ctx, r.TeamId, r.PracticeId)
	return api.GetPractice200JSONResponse{PracticeJSONResponse: api.PracticeJSONResponse(view)}, err
}

func (s *Server) loadPractice(ctx context.Context, teamID, id uuid.UUID) (api.Practice, error) {
	_, _, view, err := s.planned(ctx, teamID, id)
	return view, err
}

// planned is a practice with its sheet, and what planning takes.
func (s *Server) planned(ctx context.Context, teamID, id uuid.UUID) (d planningContext, p gen.Practice, view api.Practice, err error) {
	team, p, err := s.practice(ctx, teamID, id)
	if err != nil {
		return d, p, view, err
	}
	if d, err = s.planning(ctx, team); err != nil {
		return d, p, view, err
	}
	view, err = s.practiceView(ctx, p, d)
	return d, p, view, err
}

// AddPractice stores a new plan.
func (s *Server) AddPractice(ctx context.Context, r api.AddPracticeRequestObject) (api.AddPracticeResponseObject, error) {
	d, err := s.teamPlanning(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	team := d.team
	if err := d.checkPlan(r.Body); err != nil {
		return nil, err
	}
	if err := s.checkTime(ctx, d, r.Body, uuid.Nil); err != nil {
		return nil, err
	}
	id := uuid.Must(uuid.NewV7())
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.InsertPractice(ctx, gen.InsertPracticeParams{ID: id, ProgramID: team.ProgramID, TeamID: team.ID,
			StartsAt: r.Body.StartsAt, Minutes: int32(r.Body.Minutes), Note: r.Body.Note, Status: string(practice.Planned), Terms: store.TermsJSON(d.aimedIn(r.Body))}); err != nil {
			return err
		}
		return store.PutPlan(ctx, q, team.ProgramID, id, r.Body.Present, limitedIn(r.Body), r.Body.Blocks)
	})
	if err != nil {
		return nil, err
	}
	view, err := s.loadPractice(ctx, team.ID, id)
	return api.AddPractice201JSONResponse{PracticeJSONResponse: api.PracticeJSONResponse(view)}, err
}

// UpdatePractice stores a changed plan, unless somebody else changed it since.
func (s *Server) UpdatePractice(ctx context.Context, r api.UpdatePracticeRequestObject) (api.UpdatePracticeResponseObject, error) {
	team, old, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	d, err := s.planning(ctx, team)
	if err != nil {
		return nil, err
	}
	if err := d.checkPlan(r.Body); err != nil {
		return nil, err
	}
	// A plan that keeps its time keeps it, whatever has been planned since.
	if !r.Body.StartsAt.Equal(old.StartsAt) || r.Body.Minutes != int(old.Minutes) {
		if err := s.checkTime(ctx, d, r.Body, old.ID); err != nil {
			return nil, err
		}
	}
	version := old.Version
	if r.Body.Version != nil {
		version = int32(*r.Body.Version)
	}
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		n, err := q.UpdatePractice(ctx, gen.UpdatePracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: old.ID,
			StartsAt: r.Body.StartsAt, Minutes: int32(r.Body.Minutes), Note: r.Body.Note, Version: version, Terms: store.TermsJSON(d.aimedIn(r.Body))})
		if err != nil {
			return err
		}
		if n == 0 {
			return conflict("Somebody else changed this practice meanwhile. Your plan is still on this page and was not stored; reload to see theirs.")
		}
		if old.Status == string(practice.Open) {
			if err := keepDropped(ctx, q, old, r.Body.Blocks); err != nil {
				return err
			}
		}
		if err := store.PutPlan(ctx, q, team.ProgramID, old.ID, r.Body.Present, limitedIn(r.Body), r.Body.Blocks); err != nil {
			return err
		}
		return notify(ctx, q, change{Practice: old.ID, All: true})
	})
	if err != nil {
		return nil, err
	}
	view, err := s.loadPractice(ctx, team.ID, old.ID)
	return api.UpdatePractice200JSONResponse{PracticeJSONResponse: api.PracticeJSONResponse(view)}, err
}

// keepDropped notes which blocks a running practice gives up with a new plan: they
// are carried over, and what was logged in them on a device that has not heard of it
// is still taken.
func keepDropped(ctx context.Context, q *gen.Queries, p gen.Practice, to []practice.Block) error {
	rows, err := q.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	if err != nil {
		return err
	}
	dropped, err := store.DroppedOf(p)
	if err != nil {
		return err
	}
	in := func(list []practice.Block, id string) bool {
		return slices.ContainsFunc(list, func(b practice.Block) bool { return b.ID == id })
	}
	dropped = slices.DeleteFunc(dropped, func(b practice.Block) bool { return in(to, b.ID) })
	for _, b := range store.BlocksOf(rows) {
		if b.Kind == practice.DrillBlock && !in(to, b.ID) && !in(dropped, b.ID) {
			dropped = append(dropped, b)
		}
	}
	return q.SetDropped(ctx, gen.SetDroppedParams{ProgramID: p.ProgramID, ID: p.ID, Dropped: store.BlocksJSON(dropped)})
}

// DeletePractice deletes a plan; what was logged in it stays.
func (s *Server) DeletePractice(ctx context.Context, r api.DeletePracticeRequestObject) (api.DeletePracticeResponseObject, error) {
	n, err := s.db.DeletePractice(ctx, gen.DeletePracticeParams{ProgramID: caller(ctx).ProgramID, TeamID: r.TeamId, ID: r.PracticeId})
	if err == nil && n == 0 {
		err = missing(noPractice)
	}
	return api.DeletePractice204Response{}, err
}

// parseBlock reads an id that came through the contract as text.
func parseBlock(id string) (uuid.UUID, error) {
	u, err := uuid.Parse(id)
	if err != nil {
		return u, invalid(fmt.Sprintf("%q is not a block.", id))
	}
	return u, nil
}
