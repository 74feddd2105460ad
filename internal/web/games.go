package web

import (
	"context"
	"net/http"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

const noGame = "game.missing"

// game returns a team of the caller's and one of its games.
func (s *Server) game(ctx context.Context, teamID, id uuid.UUID) (gen.Team, gen.Game, error) {
	team, err := s.team(ctx, teamID)
	if err != nil {
		return team, gen.Game{}, err
	}
	g, err := s.db.Game(ctx, gen.GameParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: id})
	return team, g, orMissing(err, noGame)
}

// ListGames lists a team's games, newest first.
func (s *Server) ListGames(ctx context.Context, r api.ListGamesRequestObject) (api.ListGamesResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	rows, err := s.db.GamesOfTeam(ctx, gen.GamesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	out := api.ListGames200JSONResponse{}
	for _, g := range rows {
		mixes, err := store.MixesOf(gen.Game{ID: g.ID, Mixes: g.Mixes})
		if err != nil {
			return nil, err
		}
		known := game.Known(mixes, game.Off) || game.Known(mixes, game.Ball)
		out = append(out, api.GameSummary{Id: g.ID, StartsAt: g.StartsAt, Opponent: g.Opponent, Away: g.Away, Reps: int(g.Reps), Known: known})
	}
	return out, err
}

// gameView is a game as it is stored, without players who have left.
func gameView(g gen.Game, players []gen.Player) (api.Game, error) {
	mixes, err := store.MixesOf(g)
	if err != nil {
		return api.Game{}, err
	}
	terms, err := store.GameTermsOf(g)
	if err != nil {
		return api.Game{}, err
	}
	return api.Game{Id: g.ID, StartsAt: g.StartsAt, Opponent: g.Opponent, Away: g.Away, Note: g.Note, Mixes: mixes, Terms: terms.Of(squad.Texts(squad.IDs(players))), Version: int(g.Version)}, nil
}

// checkGame refuses what cannot be stored, and tidies the opponent's name.
func (s *Server) checkGame(in *api.GameInput, players []gen.Player) error {
	var err error
	if in.Opponent, err = text("The opponent's name", in.Opponent); err != nil {
		return err
	}
	if len(in.Note) > 2000 {
		return invalid("game.note-too-long")
	}
	if y := in.StartsAt.Year(); y < 2000 || y > 2200 {
		return invalid("game.no-time")
	}
	if err := game.CheckMixes(in.Mixes); err != nil {
		return invalidBy(err, "kept.nothing")
	}
	// Who is short of five may still put a game on the schedule.
	in.Terms = in.Terms.Of(squad.Texts(squad.IDs(players)))
	return nil
}

func (s *Server) teamPlayers(ctx context.Context, team gen.Team) ([]gen.Player, error) {
	return s.db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
}

// AddGame puts a game on the schedule.
func (s *Server) AddGame(ctx context.Context, r api.AddGameRequestObject) (api.AddGameResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	players, err := s.teamPlayers(ctx, team)
	if err != nil {
		return nil, err
	}
	if err := s.checkGame(r.Body, players); err != nil {
		return nil, err
	}
	id := uuid.Must(uuid.NewV7())
	mixes, terms := store.GameJSON(r.Body.Mixes, r.Body.Terms)
	if err := s.db.InsertGame(ctx, gen.InsertGameParams{ID: id, ProgramID: team.ProgramID, TeamID: team.ID, StartsAt: r.Body.StartsAt, Opponent: r.Body.Opponent,
		Away: r.Body.Away, Note: r.Body.Note, Mixes: mixes, Terms: terms}); err != nil {
		return nil, err
	}
	_, g, err := s.game(ctx, team.ID, id)
	if err != nil {
		return nil, err
	}
	view, err := gameView(g, players)
	return api.AddGame201JSONResponse(view), err
}

// UpdateGame changes a game, unless somebody else changed it since.
func (s *Server) UpdateGame(ctx context.Context, r api.UpdateGameRequestObject) (api.UpdateGameResponseObject, error) {
	team, old, err := s.game(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	players, err := s.teamPlayers(ctx, team)
	if err != nil {
		return nil, err
	}
	if err := s.checkGame(r.Body, players); err != nil {
		return nil, err
	}
	version := old.Version
	if r.Body.Version != nil {
		version = int32(*r.Body.Version)
	}
	mixes, terms := store.GameJSON(r.Body.Mixes, r.Body.Terms)
	n, err := s.db.UpdateGame(ctx, gen.UpdateGameParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: old.ID, StartsAt: r.Body.StartsAt, Opponent: r.Body.Opponent,
		Away: r.Body.Away, Note: r.Body.Note, Mixes: mixes, Terms: terms, Version: version})
	if err != nil {
		return nil, err
	}
	if n == 0 {
		return nil, conflict("game.changed-meanwhile")
	}
	_, g, err := s.game(ctx, team.ID, old.ID)
	if err != nil {
		return nil, err
	}
	view, err := gameView(g, players)
	return api.UpdateGame200JSONResponse(view), err
}

// DeleteGame takes a game off the schedule; what was logged in it stays.
func (s *Server) DeleteGame(ctx context.Context, r api.DeleteGameRequestObject) (api.DeleteGameResponseObject, error) {
	n, err := s.db.DeleteGame(ctx, gen.DeleteGameParams{ProgramID: caller(ctx).ProgramID, TeamID: r.TeamId, ID: r.GameId})
	if err == nil && n == 0 {
		err = missing(noGame)
	}
	return api.DeleteGame204Response{}, err
}

// gameDesk is what preparing a game takes.
type gameDesk struct {
	squad.Board
	team  gen.Team
	game  gen.Game
	mixes []game.Mix
	asks  []game.Ask
	form  evidence.Form
	squad []game.Person
}

func (s *Server) gameDesk(ctx context.Context, teamID, id uuid.UUID) (d gameDesk, err error) {
	if d.team, d.game, err = s.game(ctx, teamID, id); err != nil {
		return d, err
	}
	if d.Board, err = s.squads.Board(ctx, d.team, reads.Cutter); err != nil {
		return d, err
	}
	if d.mixes, err = store.MixesOf(d.game); err != nil {
		return d, err
	}
	d.asks = game.Asks(game.Runs(d.Taught(), d.mixes), store.RulesOf(d.team), d.mixes)
	d.form = s.policy.FormOf(d.History)
	for _, p := range d.Players {
		d.squad = append(d.squad, game.Person{ID: p.ID.String(), Handler: p.Handler, Wing: p.Wing, Big: p.Big, Shooter: p.Shooter})
	}
	return d, nil
}

// sinceGame is how far back practice counts when a game is set beside it (assumption).
const sinceGame = 60 * 24 * time.Hour

// GetGame returns a game with what it asks of the team and what was seen in it.
func (s *Server) GetGame(ctx context.Context, r api.GetGameRequestObject) (api.GetGameResponseObject, error) {
	d, err := s.gameDesk(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	out := api.GetGame200JSONResponse{Players: playerViews(d.Players), Families: game.Families(), Actions: game.Runs(d.Taught(), d.mixes)}
	if out.Game, err = gameView(d.game, d.Players); err != nil {
		return nil, err
	}
	out.Ready, out.Total = game.Readiness(d.asks, d.form, d.squad)
	out.Asked = []string{}
	for _, a := range d.asks {
		if !slices.Contains(out.Asked, a.Family) {
			out.Asked = append(out.Asked, a.Family)
		}
	}
	seen, err := s.db.RepsOfPractice(ctx, d.team.ProgramID, d.game.ID)
	if err != nil {
		return nil, err
	}
	before, err := s.db.RepsOfTeam(ctx, d.team, d.game.StartsAt.Add(-sinceGame), d.game.StartsAt)
	if err != nil {
		return nil, err
	}
	played := evidence.OnePerRep(seen)
	out.Reps = len(played)
	out.Compared = game.Compare(s.policy, evidence.OnePerRep(before), played)
	out.Covered = game.Coverages(d.mixes, played)
	out.Now = game.HalfTime(d.mixes, played, store.RulesOf(d.team))
	if out.Counts, _, err = s.gameCounts(ctx, d.game); err != nil {
		return nil, err
	}
	out.Next, err = s.nextAfter(ctx, d.team, s.now())
	return out, err
}

// nextAfter is the first planned practice from a moment on.
func (s *Server) nextAfter(ctx context.Context, team gen.Team, at time.Time) (*api.NextPractice, error) {
	list, err := s.db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	var next *api.NextPractice
	for _, p := range list { // newest first
		if p.StartsAt.After(at) && p.Status == string(practice.Planned) {
			next = &api.NextPractice{Id: p.ID, StartsAt: p.StartsAt}
		}
	}
	return next, err
}

func (s *Server) gameCounts(ctx context.Context, g gen.Game) (out []api.GameCount, counted []uuid.UUID, err error) {
	rows, err := s.db.GameCounts(ctx, gen.GameCountsParams{ProgramID: g.ProgramID, GameID: g.ID})
	counted = []uuid.UUID{}
	for _, row := range rows {
		counted = append(counted, row.Ids...)
	}
	for _, c := range game.Counters() {
		n := 0
		for _, row := range rows {
			if row.What == c.ID {
				n = int(row.N)
			}
		}
		out = append(out, api.GameCount{Id: c.ID, Name: c.Name, Count: n})
	}
	return out, counted, err
}

// FindLineups compares every five that may play.
func (s *Server) FindLineups(ctx context.Context, r api.FindLineupsRequestObject) (api.FindLineupsResponseObject, error) {
	d, err := s.gameDesk(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	if err := r.Body.Check(d.squad); err != nil {
		return nil, invalidBy(err, "")
	}
	found, err := game.Find(d.asks, d.form, d.squad, *r.Body, lineupSeed)
	if err != nil {
		return nil, invalidBy(err, "")
	}
	return api.FindLineups200JSONResponse(found), nil
}

// lineupSeed keeps the drawn ranges the same from look to look.
const lineupSeed = 1

// GetBench returns what the bench logs by, and what it has logged.
func (s *Server) GetBench(ctx context.Context, r api.GetBenchRequestObject) (api.GetBenchResponseObject, error) {
	d, err := s.gameDesk(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	out := api.GetBench200JSONResponse{Players: playerViews(d.Players), Reps: []api.LoggedRep{}}
	if out.Game, err = gameView(d.game, d.Players); err != nil {
		return nil, err
	}
	out.Tables = game.Bench(game.Meets(d.Taught()), store.RulesOf(d.team))
	reps, err := s.db.RepsOfPractice(ctx, d.team.ProgramID, d.game.ID)
	if err != nil {
		return nil, err
	}
	for _, rep := range reps {
		out.Reps = append(out.Reps, repView(rep))
	}
	out.Counts, out.Counted, err = s.gameCounts(ctx, d.game)
	return out, err
}

// FollowGame streams what the bench logs as server-sent events.
func (s *Server) FollowGame(ctx context.Context, r api.FollowGameRequestObject) (api.FollowGameResponseObject, error) {
	team, g, err := s.game(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	return s.stream(ctx, team, g.ID), nil
}

// VisitFollowGameResponse writes the stream until the device leaves.
func (f floorStream) VisitFollowGameResponse(w http.ResponseWriter) error {
	return f.VisitFollowPracticeResponse(w)
}
