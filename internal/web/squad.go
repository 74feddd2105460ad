package web

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/rosters"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// repsOf is the log of a team's players itself, for what a history does not tell.
func (s *Server) repsOf(ctx context.Context, team gen.Team) ([]evidence.Rep, error) {
	reps, err := s.db.RepsOfTeam(ctx, team, time.Time{}, evidence.Ever)
	return evidence.OnePerRep(reps), err
}

// GetBoard returns players by reads.
func (s *Server) GetBoard(ctx context.Context, r api.GetBoardRequestObject) (api.GetBoardResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if !r.Params.Role.Valid() {
		return nil, invalid("squad.part")
	}
	var b squad.Board
	if r.Params.Role == api.All {
		b, err = s.squads.Board(ctx, team, "")
	} else {
		b, err = s.squads.Board(ctx, team, reads.Role(r.Params.Role))
		b.Columns = reads.MoreColumns(drill.Taught(b.Practiced), store.RulesOf(team), b.Role)
	}
	if err != nil {
		return nil, err
	}
	if err := s.narrow(ctx, team, &b, filterIn(r.Params)); err != nil {
		return nil, err
	}
	lines := s.squads.Overview(b)
	out := api.GetBoard200JSONResponse{Role: string(r.Params.Role), Columns: []string{},
		Players: playerViews(b.Players), Lines: lines, Holds: evidence.Holds(b.Columns, lines)}
	for _, c := range b.Columns {
		out.Columns = append(out.Columns, string(c))
	}
	out.Reps = b.History.Reps(rolesOf(b.Role)...)
	zone, err := time.LoadLocation(team.Zone)
	out.Season = b.History.Season(b.Role, b.Columns, lines, s.now(), zone)
	return out, err
}

func filterIn(p api.GetBoardParams) evidence.Filter {
	text := func(s *string) string {
		if s == nil {
			return ""
		}
		return *s
	}
	return evidence.Filter{Rung: drill.Rung(text(p.Rung)), Side: text(p.Side), From: text(p.From), Until: text(p.Until)}
}

// rolesOf are the roles a board is about.
func rolesOf(role reads.Role) []reads.Role {
	if role == "" {
		return squad.Roles
	}
	return []reads.Role{role}
}

// narrow keeps some of a board's reps and judges by them alone.
func (s *Server) narrow(ctx context.Context, team gen.Team, b *squad.Board, f evidence.Filter) error {
	if f == (evidence.Filter{}) {
		return nil
	}
	if err := f.Check(); err != nil {
		return invalidBy(err, "")
	}
	zone, err := time.LoadLocation(team.Zone)
	if err != nil {
		return err
	}
	from, before, _, err := f.Period(zone)
	if err != nil {
		return invalidBy(err, "")
	}
	if before.IsZero() {
		before = evidence.Ever
	}
	reps, err := s.db.RepsOfTeam(ctx, team, from, before)
	if err != nil {
		return err
	}
	b.History = s.policy.ExtendByPeriod(evidence.NoHistory(), f.Of(reps), zone)
	return nil
}

// recentReps is how many of a player's last reps his card lists.
const recentReps = 20

// playerOf finds a player of a team.
func (s *Server) playerOf(ctx context.Context, team gen.Team, id uuid.UUID) (gen.Player, error) {
	p, err := s.db.Player(ctx, gen.PlayerParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: id})
	return p, app.OrMissing(err, rosters.NoPlayer)
}

// GetCard returns everything about one player.
func (s *Server) GetCard(ctx context.Context, r api.GetCardRequestObject) (api.GetCardResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	p, err := s.playerOf(ctx, team, r.PlayerId)
	if err != nil {
		return nil, err
	}
	b, err := s.squads.Board(ctx, team, "")
	if err != nil {
		return nil, err
	}
	seen, err := s.db.RepsOfPlayer(ctx, team.ProgramID, p.ID)
	if err != nil {
		return nil, err
	}
	reps := evidence.OnePerRep(seen)
	id := evidence.PlayerID(p.ID.String())
	out := api.GetCard200JSONResponse{Player: playerView(p), Tags: evidence.CountTagsOf(id, reps),
		Recent: []api.LoggedRep{}}
	var all []evidence.Standing
	taught := drill.Taught(store.ActionsOf(reps))
	for _, role := range squad.JudgedRoles {
		cells := s.policy.Board([]evidence.PlayerID{id}, role, reads.MoreColumns(taught, store.RulesOf(team), role),
			b.History, s.now())[0].Cells
		tried := slices.ContainsFunc(reps, func(r evidence.Rep) bool { return r.Role == role })
		if tried || role == reads.Cutter || role == reads.Screener {
			out.Parts = append(out.Parts, api.CardPart{Role: string(role), Standings: cells})
			all = append(all, cells...)
		}
	}
	out.Words = evidence.WordsOf(all, taught, store.RulesOf(team), b.Library)
	for i := len(seen) - 1; i >= max(0, len(seen)-recentReps); i-- {
		out.Recent = append(out.Recent, repView(seen[i]))
	}
	return out, nil
}

// GetNow gathers the team's current question: what is next, what holds it back, how the week looks.
func (s *Server) GetNow(ctx context.Context, r api.GetNowRequestObject) (api.GetNowResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	v, err := s.today.Of(ctx, team)
	if err != nil {
		return nil, err
	}
	c := &v.Context
	out := api.GetNow200JSONResponse{Players: playerViews(c.Players), Holds: v.Holds, Lapsed: v.Lapsed,
		Drills: v.Drills, Tags: &v.Tags, Suggestion: v.Suggestion}
	if v.Next != nil {
		out.Next = new(practiceView(*v.Next))
	}
	if g := c.Next; g != nil {
		out.Game = &api.GameSummary{Id: g.ID, StartsAt: g.StartsAt, Opponent: g.Opponent, Away: g.Away,
			Known: c.Opponent != nil}
	}
	out.Week.Practices, out.Week.Minutes, out.Week.MaxPractices, out.Week.Source = v.Practices, v.Minutes,
		c.Limits.MaxPerWeek, c.Limits.Source
	out.Started.Roster, out.Started.Practice, out.Started.Rep, out.Started.Assistant = v.Started.Roster,
		v.Started.Practice, v.Started.Rep, v.Started.Assistant
	return out, nil
}

func repView(r evidence.Rep) api.LoggedRep {
	action := string(r.Action)
	out := api.LoggedRep{Id: idOf(r.ID), Block: idOf(r.Block), RepNo: r.No, At: r.At, Player: idOf(r.Player),
		Role: string(r.Role), Rung: string(r.Rung),
		Side: r.Side, Cue: r.Cue.String(), Expected: string(r.Expected), Made: string(r.Made), Correct: r.Correct,
		Late:    r.Late,
		Outcome: string(r.Outcome), Tags: []string{}, Device: r.Device, SecondCue: &r.SecondCue, Action: &action}
	for _, tag := range r.Tags {
		out.Tags = append(out.Tags, store.TagText(tag))
	}
	return out
}

// idOf is an id of the core, which came from the store, as the contract has it.
func idOf[T ~string](id T) uuid.UUID { return uuid.MustParse(string(id)) }
