package web

import (
	"context"
	_ "time/tzdata" // zones are known on machines that do not have them

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/core/roster"
	"evrik/internal/app/teams"
	"evrik/internal/glossary"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// GetCatalogue tells what the product knows: reads, rungs, drills, tags, courts.
func (s *Server) GetCatalogue(context.Context, api.GetCatalogueRequestObject) (api.GetCatalogueResponseObject, error) {
	out := api.GetCatalogue200JSONResponse{Reads: reads.Catalogue(), Cues: reads.CueCatalogue(),
		Actions: reads.Sketched(), Spots: named(drill.SpotNames()), Switches: named(drill.Switches()),
		Goals: named(drill.Goals()), Tallies: practice.Tallies(), Jobs: named(practice.Jobs()),
		Groups: named(drill.Groups()), Ladder: drill.Ladder(),
		Tags: evidence.Tags(), Policy: s.policy, HurtCaution: practice.HurtCaution, Courts: court.Presets(),
		Ages: practice.AllLimits()}
	for _, d := range drill.Catalogue() {
		out.Drills = append(out.Drills, *d)
	}
	return out, nil
}

// GetGlossary returns the words of the game, for Help.
func (s *Server) GetGlossary(context.Context, api.GetGlossaryRequestObject) (api.GetGlossaryResponseObject, error) {
	return api.GetGlossary200JSONResponse(glossary.Entries()), nil
}

// named lists ids with their names.
func named(pairs [][2]string) []reads.CueInfo {
	out := make([]reads.CueInfo, len(pairs))
	for i, p := range pairs {
		out[i] = reads.CueInfo{ID: p[0], Name: p[1]}
	}
	return out
}

// GetTeam returns a team's settings.
func (s *Server) GetTeam(ctx context.Context, r api.GetTeamRequestObject) (api.GetTeamResponseObject, error) {
	view, err := s.teamView(ctx, r.TeamId)
	return api.GetTeam200JSONResponse{TeamJSONResponse: api.TeamJSONResponse(view)}, err
}

func (s *Server) teamView(ctx context.Context, id uuid.UUID) (api.Team, error) {
	t, err := s.team(ctx, id)
	if err != nil {
		return api.Team{}, err
	}
	rule, err := store.LocalRuleOf(t)
	if err != nil {
		return api.Team{}, err
	}
	fl, err := store.FloorOf(t)
	return api.Team{Id: t.ID, Name: t.Name, Season: t.Season, Ages: t.Ages, Court: fl.Court, Metric: t.Metric,
		TeamRules: fl.Rules, Pace: fl.Pace, OwnPace: t.Pace != nil, Zone: t.Zone, LocalRule: rule,
		Feed: t.FeedHash != nil}, err
}

// leftOut is what a team's age leaves out, nil where it leaves out nothing.
func leftOut(t gen.Team) *api.LeftOut {
	rules := store.RulesOf(t)
	if !rules.PlayerToPlayer(t.Ages) {
		return nil
	}
	return &api.LeftOut{Actions: rules.LeftOut(t.Ages), Groups: drill.LeftOut(rules, t.Ages)}
}

// longestPractice is the longest practice for a team in minutes, nil where nothing limits it.
func longestPractice(t gen.Team) *float64 {
	limits, err := store.LimitsOf(t)
	if err != nil || limits.MaxMinutes == 0 {
		return nil
	}
	return &limits.MaxMinutes
}

// UpdateTeam changes a team's settings.
func (s *Server) UpdateTeam(ctx context.Context, r api.UpdateTeamRequestObject) (api.UpdateTeamResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	b := r.Body
	if err := s.teams.Update(ctx, team, teams.Settings{Name: b.Name, Season: b.Season, Ages: b.Ages, Court: b.Court,
		Metric: b.Metric, Rules: b.TeamRules,
		Pace: b.Pace, Zone: b.Zone, LocalRule: b.LocalRule}); err != nil {
		return nil, err
	}
	view, err := s.teamView(ctx, r.TeamId)
	return api.UpdateTeam200JSONResponse{TeamJSONResponse: api.TeamJSONResponse(view)}, err
}

func (s *Server) players(ctx context.Context, team uuid.UUID) ([]gen.Player, error) {
	t, err := s.team(ctx, team)
	if err != nil {
		return nil, err
	}
	return s.rosters.Players(ctx, t)
}

func playerView(p gen.Player) api.Player {
	return api.Player{Id: p.ID, Jersey: p.Jersey, Name: p.Name, Handler: p.Handler, Wing: p.Wing, Big: p.Big,
		Shooter: p.Shooter}
}

func playerViews(rows []gen.Player) []api.Player {
	out := make([]api.Player, len(rows))
	for i, p := range rows {
		out[i] = playerView(p)
	}
	return out
}

// ListPlayers returns the roster in order of jerseys.
func (s *Server) ListPlayers(ctx context.Context, r api.ListPlayersRequestObject) (api.ListPlayersResponseObject,
	error) {
	rows, err := s.players(ctx, r.TeamId)
	return api.ListPlayers200JSONResponse(playerViews(rows)), err
}

// entryView is a player as a roster says it.
func entryView(id uuid.UUID, e roster.Entry) api.Player {
	return api.Player{Id: id, Jersey: e.Jersey, Name: e.Name, Handler: e.Handler, Wing: e.Wing, Big: e.Big,
		Shooter: e.Shooter}
}

// AddPlayer puts a player on the roster.
func (s *Server) AddPlayer(ctx context.Context, r api.AddPlayerRequestObject) (api.AddPlayerResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	id, e, err := s.rosters.Add(ctx, team, *r.Body)
	return api.AddPlayer201JSONResponse(entryView(id, e)), err
}

// UpdatePlayer changes a player's entry.
func (s *Server) UpdatePlayer(ctx context.Context, r api.UpdatePlayerRequestObject) (api.UpdatePlayerResponseObject,
	error) {
	e, err := s.rosters.Update(ctx, caller(ctx).ProgramID, r.TeamId, r.PlayerId, *r.Body)
	return api.UpdatePlayer200JSONResponse(entryView(r.PlayerId, e)), err
}

// MovePlayer puts a player on another team of the program; the record comes along.
func (s *Server) MovePlayer(ctx context.Context, r api.MovePlayerRequestObject) (api.MovePlayerResponseObject, error) {
	from, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	to, err := s.team(ctx, r.Body.Team)
	if err != nil {
		return nil, err
	}
	return api.MovePlayer204Response{}, s.rosters.Move(ctx, from, to, r.PlayerId)
}

// DeletePlayer erases a player. The answer lists notes of coaches that still hold the name.
func (s *Server) DeletePlayer(ctx context.Context, r api.DeletePlayerRequestObject) (api.DeletePlayerResponseObject,
	error) {
	notes, err := s.rosters.Erase(ctx, caller(ctx).ProgramID, r.TeamId, r.PlayerId)
	out := api.DeletePlayer200JSONResponse{Notes: []api.NameInNote{}}
	for _, n := range notes {
		out.Notes = append(out.Notes, api.NameInNote{Kind: api.NameInNoteKind(n.Kind), Team: n.Team, Id: n.ID, At: n.At,
			Text: n.Line})
	}
	return out, err
}

// ExportRoster writes the roster as CSV.
func (s *Server) ExportRoster(ctx context.Context, r api.ExportRosterRequestObject) (api.ExportRosterResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	table, err := s.rosters.CSV(ctx, team)
	if err != nil {
		return nil, err
	}
	return api.ExportRoster200TextcsvResponse{Body: table, ContentLength: int64(table.Len())}, nil
}
