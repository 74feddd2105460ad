package web

import (
	"bytes"
	"context"
	"fmt"
	"time"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// curveDays is how long a stretch of a learning curve is (assumption).
const curveDays = 7

// GetRead returns everything about one read of a team: who has it, what is made in
// its place, what to correct, which drills ask for it and who does it well with whom.
func (s *Server) GetRead(ctx context.Context, r api.GetReadRequestObject) (api.GetReadResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	info, ok := reads.Info(reads.Read(r.Read))
	if !ok {
		return nil, missing("read.missing")
	}
	b, err := s.squads.Board(ctx, team, info.Role)
	if err != nil {
		return nil, err
	}
	reps, err := s.repsOf(ctx, team)
	if err != nil {
		return nil, err
	}
	asked := evidence.Asking(info.ID, reps)
	out := api.GetRead200JSONResponse{Read: r.Read, Role: string(info.Role), Players: playerViews(b.Players),
		Confusion: evidence.Confusions(info.Role, []reads.Read{info.ID}, reps)[0],
		Tags:      evidence.CountTags(asked), Curve: s.policy.Curve(asked, curveDays),
		Pairs:  s.policy.PairsOn(info.Role, info.ID, reps),
		Drills: b.Library.Serving(store.RulesOf(team), []reads.Read{info.ID})}
	for _, line := range s.policy.Board(squad.IDs(b.Players), info.Role, []reads.Read{info.ID}, b.History, s.now()) {
		out.Standings = append(out.Standings, line.Cells[0])
	}
	out.Standings = evidence.ByNeed(out.Standings)
	kept, err := s.db.KeptOfTeam(ctx, gen.KeptOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	for _, k := range kept {
		if k.Role == string(info.Role) && k.Expected == r.Read {
			out.Kept.Reps += int(k.Reps)
			if k.IsCorrect {
				out.Kept.Correct += int(k.Reps)
			}
		}
	}
	return out, err
}

// GetPlayerRead returns a player's season on one read and every rep behind it.
func (s *Server) GetPlayerRead(ctx context.Context, r api.GetPlayerReadRequestObject) (api.GetPlayerReadResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	p, err := s.playerOf(ctx, team, r.PlayerId)
	if err != nil {
		return nil, err
	}
	info, ok := reads.Info(reads.Read(r.Read))
	if !ok {
		return nil, missing("read.missing")
	}
	all, err := s.db.RepsOfPlayer(ctx, team.ProgramID, p.ID)
	if err != nil {
		return nil, err
	}
	reps := evidence.Asking(info.ID, evidence.OnePerRep(all))
	out := api.GetPlayerRead200JSONResponse{Curve: s.policy.Curve(reps, curveDays), Reps: []api.LoggedRep{}}
	for i := len(reps) - 1; i >= 0; i-- {
		out.Reps = append(out.Reps, repView(reps[i]))
	}
	return out, nil
}

// GetProgram sets all teams of a program side by side on the same reads.
func (s *Server) GetProgram(ctx context.Context, _ api.GetProgramRequestObject) (api.GetProgramResponseObject, error) {
	program := caller(ctx).ProgramID
	teams, err := s.db.TeamsOfProgram(ctx, program)
	if err != nil {
		return nil, err
	}
	whole, err := s.db.Program(ctx, program)
	if err != nil {
		return nil, err
	}
	out := api.GetProgram200JSONResponse{Name: whole.Name, Columns: []string{}, Teams: []api.ProgramTeam{}}
	// Only what a team teaches is a column of it; the program has the columns of all.
	var boards []squad.Board
	shown := map[reads.Read]bool{}
	for _, team := range teams {
		b, err := s.squads.Board(ctx, team, "")
		if err != nil {
			return nil, err
		}
		boards = append(boards, b)
		for _, c := range b.Columns {
			shown[c] = true
		}
	}
	var all []reads.Read
	for _, info := range reads.Catalogue() {
		if shown[info.ID] {
			all, out.Columns = append(all, info.ID), append(out.Columns, string(info.ID))
		}
	}
	for i, b := range boards {
		t := api.ProgramTeam{Id: teams[i].ID, Name: teams[i].Name, Season: teams[i].Season, Players: len(b.Players),
			Cells: evidence.TeamCells(s.policy.Overview(squad.IDs(b.Players), "", all, b.History, s.now()))}
		t.Reps = b.History.Reps(squad.Roles...)
		out.Teams = append(out.Teams, t)
	}
	return out, nil
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
	b, err := s.squads.Board(ctx, team, "")
	if err != nil {
		return nil, err
	}
	names := map[evidence.PlayerID]evidence.Named{}
	for _, p := range b.Players {
		names[evidence.PlayerID(p.ID.String())] = evidence.Named{Jersey: p.Jersey, Name: p.Name}
	}
	var out bytes.Buffer
	if r.Params.What == api.Reps {
		var reps []evidence.Rep
		if reps, err = s.repsOf(ctx, team); err != nil {
			return nil, err
		}
		err = evidence.WriteReps(&out, reps, names)
	} else {
		var lines []evidence.RoleLines
		for _, role := range squad.Roles {
			lines = append(lines, evidence.RoleLines{Role: role,
				Lines: s.policy.Board(squad.IDs(b.Players), role, squad.Columns(team, b.Practiced, role), b.History,
					s.now())})
		}
		err = evidence.WriteVerdicts(&out, lines, names)
	}
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
	seen, err := s.db.RepsOfTeam(ctx, team, time.Time{}, evidence.Ever)
	if err != nil {
		return nil, err
	}
	staff, err := s.db.StaffOfProgram(ctx, team.ProgramID)
	if err != nil {
		return nil, err
	}
	name := map[evidence.ObserverID]string{}
	for _, who := range staff {
		name[evidence.ObserverID(who.ID.String())] = who.Name
	}
	out := api.ListAgreements200JSONResponse{}
	for _, a := range evidence.Agreements(seen) {
		first, second := name[a.Observers[0]], name[a.Observers[1]]
		if first == "" || second == "" {
			continue // somebody is not on the staff any more
		}
		out = append(out, api.Agreement{First: first, Second: second, Reps: a.Reps, Cue: a.Cue, Read: a.Read,
			Correct: a.Correct, Watch: a.Apart(), Differ: a.Differ})
	}
	return out, nil
}
