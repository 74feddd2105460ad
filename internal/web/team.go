package web

import (
	"bytes"
	"context"
	"log/slog"
	_ "time/tzdata" // zones are known on machines that do not have them

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/core/roster"
	"evrik/internal/app/teams"
	"evrik/internal/erasures"
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
	if err := teams.Update(ctx, s.db, team, teams.Settings{Name: b.Name, Season: b.Season, Ages: b.Ages, Court: b.Court,
		Metric: b.Metric, Rules: b.TeamRules,
		Pace: b.Pace, Zone: b.Zone, LocalRule: b.LocalRule}); err != nil {
		return nil, err
	}
	view, err := s.teamView(ctx, r.TeamId)
	return api.UpdateTeam200JSONResponse{TeamJSONResponse: api.TeamJSONResponse(view)}, err
}

func (s *Server) players(ctx context.Context, team uuid.UUID) ([]gen.Player, error) {
	if _, err := s.team(ctx, team); err != nil {
		return nil, err
	}
	return s.db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: caller(ctx).ProgramID, TeamID: team})
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

// AddPlayer puts a player on the roster.
func (s *Server) AddPlayer(ctx context.Context, r api.AddPlayerRequestObject) (api.AddPlayerResponseObject, error) {
	rows, err := s.players(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	e, err := roster.Clean(*r.Body)
	if err != nil {
		return nil, invalidBy(err, "")
	}
	if len(rows) >= roster.MaxPlayers {
		return nil, invalid("team.too-many-players", roster.MaxPlayers)
	}
	p := insertPlayer(caller(ctx).ProgramID, r.TeamId, e)
	if err := s.db.InsertPlayer(ctx, p); err != nil {
		return nil, jerseyTaken(err, e.Jersey)
	}
	return api.AddPlayer201JSONResponse{Id: p.ID, Jersey: e.Jersey, Name: e.Name, Handler: e.Handler, Wing: e.Wing,
		Big: e.Big, Shooter: e.Shooter}, nil
}

func insertPlayer(program, team uuid.UUID, e roster.Entry) gen.InsertPlayerParams {
	return gen.InsertPlayerParams{ID: uuid.Must(uuid.NewV7()), ProgramID: program, TeamID: team, Jersey: e.Jersey,
		Name:    e.Name,
		Handler: e.Handler, Wing: e.Wing, Big: e.Big, Shooter: e.Shooter}
}

func jerseyTaken(err error, jersey string) error {
	if store.Duplicate(err) {
		return conflict("team.jersey-taken", jersey)
	}
	return err
}

// UpdatePlayer changes a player's entry.
func (s *Server) UpdatePlayer(ctx context.Context, r api.UpdatePlayerRequestObject) (api.UpdatePlayerResponseObject,
	error) {
	e, err := roster.Clean(*r.Body)
	if err != nil {
		return nil, invalidBy(err, "")
	}
	n, err := s.db.UpdatePlayer(ctx, gen.UpdatePlayerParams{ProgramID: caller(ctx).ProgramID, TeamID: r.TeamId,
		ID:     r.PlayerId,
		Jersey: e.Jersey, Name: e.Name, Handler: e.Handler, Wing: e.Wing, Big: e.Big, Shooter: e.Shooter})
	if err != nil {
		return nil, jerseyTaken(err, e.Jersey)
	}
	if n == 0 {
		return nil, missing(noPlayer)
	}
	return api.UpdatePlayer200JSONResponse{Id: r.PlayerId, Jersey: e.Jersey, Name: e.Name, Handler: e.Handler,
		Wing: e.Wing, Big: e.Big, Shooter: e.Shooter}, nil
}

const noPlayer = "player.missing"

// MovePlayer puts a player on another team of the program; the record comes along.
func (s *Server) MovePlayer(ctx context.Context, r api.MovePlayerRequestObject) (api.MovePlayerResponseObject, error) {
	if _, err := s.team(ctx, r.TeamId); err != nil {
		return nil, err
	}
	to, err := s.team(ctx, r.Body.Team)
	if err != nil {
		return nil, err
	}
	n, err := s.db.MovePlayer(ctx, gen.MovePlayerParams{ProgramID: to.ProgramID, TeamID: r.TeamId, ID: r.PlayerId,
		ToTeam: to.ID})
	if store.Duplicate(err) {
		return nil, conflict("team.jersey-taken-there", to.Name)
	}
	if err == nil && n == 0 {
		err = missing(noPlayer)
	}
	return api.MovePlayer204Response{}, err
}

// DeletePlayer erases a player, as a family may ask, with everything logged; what the
// team did stays as counts without anybody's name. The answer lists notes of coaches that still hold
// the name: only a person can tell whether they mean this player.
func (s *Server) DeletePlayer(ctx context.Context, r api.DeletePlayerRequestObject) (api.DeletePlayerResponseObject,
	error) {
	program := caller(ctx).ProgramID
	player, err := s.db.Player(ctx, gen.PlayerParams{ProgramID: program, TeamID: r.TeamId, ID: r.PlayerId})
	if err != nil {
		return nil, orMissing(err, noPlayer)
	}
	there, err := s.db.Erase(ctx, program, r.TeamId, r.PlayerId)
	if err == nil && !there {
		err = missing(noPlayer)
	}
	if err != nil {
		return nil, err
	}
	s.erased(r.PlayerId)
	out := api.DeletePlayer200JSONResponse{Notes: []api.NameInNote{}}
	notes, err := s.db.NotesOfProgram(ctx, program)
	for _, n := range notes {
		if line, found := roster.LineNaming(n.Text, player.Name); found {
			out.Notes = append(out.Notes, api.NameInNote{Kind: api.NameInNoteKind(n.Kind), Team: n.TeamID, Id: n.ID,
				At: n.At, Text: line})
		}
	}
	return out, err
}

// erased writes down that a player was erased, outside the database: a backup that is restored later
// must not bring the player back.
func (s *Server) erased(player uuid.UUID) {
	if s.erasures == "" {
		return
	}
	if err := erasures.Note(s.erasures, player, s.now()); err != nil {
		slog.Error("an erasure was not noted for later restores", "error", err)
	}
}

// ExportRoster writes the roster as CSV.
func (s *Server) ExportRoster(ctx context.Context, r api.ExportRosterRequestObject) (api.ExportRosterResponseObject,
	error) {
	rows, err := s.players(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	entries := make([]roster.Entry, len(rows))
	for i, p := range rows {
		entries[i] = roster.Entry{Jersey: p.Jersey, Name: p.Name, Handler: p.Handler, Wing: p.Wing, Big: p.Big,
			Shooter: p.Shooter}
	}
	var b bytes.Buffer
	if err := roster.Write(&b, entries); err != nil {
		return nil, err
	}
	return api.ExportRoster200TextcsvResponse{Body: &b, ContentLength: int64(b.Len())}, nil
}
