package web

import (
	"context"
	"fmt"
	"slices"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
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

// layOut computes a plan's sheet from the players' evidence as cutters.
func (b board) layOut(team gen.Team, minutes int, present []uuid.UUID, blocks []practice.Block) practice.Sheet {
	return practice.LayOut(practice.Plan{
		Minutes: float64(minutes), Players: inRosterOrder(b.players, present), Blocks: blocks,
		School: store.SchoolOf(team), Library: b.library, Ages: practice.AgeBand(team.Ages),
		Held: evidence.HighestHeld(b.lines), Needs: evidence.NeedsOf(b.lines),
	})
}

// inRosterOrder returns the ids of the present players who are on the team, in
// the roster's order, so that the same people always get the same order list.
func inRosterOrder(players []gen.Player, present []uuid.UUID) []string {
	var out []string
	for _, p := range players {
		if slices.Contains(present, p.ID) {
			out = append(out, p.ID.String())
		}
	}
	return out
}

// practiceView is a practice with its sheet, laid out against a board of cutters.
func (s *Server) practiceView(ctx context.Context, team gen.Team, p gen.Practice, b board) (api.Practice, error) {
	rows, err := s.db.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil {
		return api.Practice{}, err
	}
	present, err := s.db.Attendance(ctx, gen.AttendanceParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil {
		return api.Practice{}, err
	}
	blocks := store.BlocksOf(rows)
	return api.Practice{Id: p.ID, StartsAt: p.StartsAt, Minutes: int(p.Minutes), Note: p.Note, Present: present, Blocks: blocks,
		Version: int(p.Version), Status: api.PracticeStatus(p.Status), Sheet: b.layOut(team, int(p.Minutes), present, blocks)}, nil
}

// checkPlan refuses what cannot be stored.
func (s *Server) checkPlan(ctx context.Context, team gen.Team, in *api.PracticeInput) error {
	lib, err := s.library(ctx, team.ProgramID)
	if err != nil {
		return err
	}
	if err := practice.Check(lib, in.Minutes, in.Blocks); err != nil {
		return invalid(err.Error() + " Nothing was stored.")
	}
	if len(in.Note) > 2000 {
		return invalid("The note is longer than 2000 characters. Nothing was stored.")
	}
	players, err := s.db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return err
	}
	for _, id := range in.Present {
		if !slices.ContainsFunc(players, func(p gen.Player) bool { return p.ID == id }) {
			return missing(noPlayer + " Nothing was stored.")
		}
	}
	return nil
}

// LayOut computes a plan's arithmetic without storing it.
func (s *Server) LayOut(ctx context.Context, r api.LayOutRequestObject) (api.LayOutResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if err := s.checkPlan(ctx, team, r.Body); err != nil {
		return nil, err
	}
	b, err := s.board(ctx, team, reads.Cutter)
	if err != nil {
		return nil, err
	}
	return api.LayOut200JSONResponse(b.layOut(team, r.Body.Minutes, r.Body.Present, r.Body.Blocks)), nil
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
	team, p, err := s.practice(ctx, teamID, id)
	if err != nil {
		return api.Practice{}, err
	}
	b, err := s.board(ctx, team, reads.Cutter)
	if err != nil {
		return api.Practice{}, err
	}
	return s.practiceView(ctx, team, p, b)
}

// AddPractice stores a new plan.
func (s *Server) AddPractice(ctx context.Context, r api.AddPracticeRequestObject) (api.AddPracticeResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if err := s.checkPlan(ctx, team, r.Body); err != nil {
		return nil, err
	}
	id := uuid.Must(uuid.NewV7())
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.InsertPractice(ctx, gen.InsertPracticeParams{ID: id, ProgramID: team.ProgramID, TeamID: team.ID,
			StartsAt: r.Body.StartsAt, Minutes: int32(r.Body.Minutes), Note: r.Body.Note, Status: string(practice.Planned)}); err != nil {
			return err
		}
		return store.PutPlan(ctx, q, team.ProgramID, id, r.Body.Present, r.Body.Blocks)
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
	if err := s.checkPlan(ctx, team, r.Body); err != nil {
		return nil, err
	}
	version := old.Version
	if r.Body.Version != nil {
		version = int32(*r.Body.Version)
	}
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		n, err := q.UpdatePractice(ctx, gen.UpdatePracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: old.ID,
			StartsAt: r.Body.StartsAt, Minutes: int32(r.Body.Minutes), Note: r.Body.Note, Version: version})
		if err != nil {
			return err
		}
		if n == 0 {
			return conflict("Somebody else changed this practice meanwhile. Your plan is still on this page and was not stored; reload to see theirs.")
		}
		return store.PutPlan(ctx, q, team.ProgramID, old.ID, r.Body.Present, r.Body.Blocks)
	})
	if err != nil {
		return nil, err
	}
	view, err := s.loadPractice(ctx, team.ID, old.ID)
	return api.UpdatePractice200JSONResponse{PracticeJSONResponse: api.PracticeJSONResponse(view)}, err
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
