package web

import (
	"bytes"
	"context"
	"fmt"
	"slices"

	"evrik/internal/app/squad"
	"evrik/internal/web/api"
)

// GetRead returns everything about one read of a team: who has it, what is made in
// its place, what to correct, which drills ask for it and who does it well with whom.
func (s *Server) GetRead(ctx context.Context, r api.GetReadRequestObject) (api.GetReadResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	of, err := s.squads.Read(ctx, team, r.Read)
	if err != nil {
		return nil, err
	}
	out := api.GetRead200JSONResponse{Read: r.Read, Role: string(of.Role), Players: playerViews(of.Players),
		Standings: of.Standings, Confusion: of.Confusion, Tags: of.Tags, Curve: of.Curve, Pairs: of.Pairs,
		Drills: of.Drills}
	out.Kept.Reps, out.Kept.Correct = of.Kept, of.Correct
	return out, nil
}

// GetPlayerRead returns a player's season on one read and every rep behind it, newest first.
func (s *Server) GetPlayerRead(ctx context.Context, r api.GetPlayerReadRequestObject) (api.GetPlayerReadResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	p, err := s.rosters.Player(ctx, team, r.PlayerId)
	if err != nil {
		return nil, err
	}
	curve, reps, err := s.squads.PlayerRead(ctx, p, r.Read)
	slices.Reverse(reps)
	return api.GetPlayerRead200JSONResponse{Curve: curve, Reps: repViews(reps)}, err
}

// GetProgram sets all teams of a program side by side on the same reads.
func (s *Server) GetProgram(ctx context.Context, _ api.GetProgramRequestObject) (api.GetProgramResponseObject, error) {
	whole, err := s.programs.Of(ctx, caller(ctx).ProgramID)
	if err != nil {
		return nil, err
	}
	columns, lines, err := s.squads.Program(ctx, whole.ID)
	out := api.GetProgram200JSONResponse{Name: whole.Name, Columns: squad.Texts(columns), Teams: []api.ProgramTeam{}}
	for _, l := range lines {
		out.Teams = append(out.Teams, api.ProgramTeam{Id: l.ID, Name: l.Name, Season: l.Season, Players: l.Players,
			Reps: l.Reps, Cells: l.Cells})
	}
	return out, err
}

// ExportEvidence writes every rep of the team's players, or where they stand, as CSV.
func (s *Server) ExportEvidence(ctx context.Context,
	r api.ExportEvidenceRequestObject) (api.ExportEvidenceResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if !r.Params.What.Valid() {
		return nil, invalid("read.export")
	}
	write := s.squads.WriteVerdicts
	if r.Params.What == api.Reps {
		write = s.squads.WriteReps
	}
	var out bytes.Buffer
	err = write(ctx, team, &out)
	name := fmt.Sprintf(`attachment; filename="%s.csv"`, r.Params.What)
	return api.ExportEvidence200TextcsvResponse{Body: &out, ContentLength: int64(out.Len()),
		Headers: api.ExportEvidence200ResponseHeaders{ContentDisposition: &name}}, err
}

// ListAgreements says how far two observers who watched the same reps see the same.
func (s *Server) ListAgreements(ctx context.Context,
	r api.ListAgreementsRequestObject) (api.ListAgreementsResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	all, err := s.squads.Agreements(ctx, team)
	out := api.ListAgreements200JSONResponse{}
	for _, a := range all {
		out = append(out, api.Agreement{First: a.First, Second: a.Second, Reps: a.Reps, Cue: a.Cue, Read: a.Read,
			Correct: a.Correct, Watch: a.Apart(), Differ: a.Differ})
	}
	return out, err
}
