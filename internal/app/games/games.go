// Package games prepares games and sets what was seen in them beside practice.
package games

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/reads"
	"evrik/core/refusal"
	"evrik/internal/app"
	"evrik/internal/app/reviews"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service keeps a program's games.
type Service struct {
	Store  *store.Store
	Squads squad.Service
	Now    func() time.Time
}

const missing = "game.missing"

// Of is one of a team's games. It refuses with app.Missing where there is none.
func (s Service) Of(ctx context.Context, team gen.Team, id uuid.UUID) (gen.Game, error) {
	g, err := s.Store.Game(ctx, gen.GameParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: id})
	return g, app.OrMissing(err, missing)
}

// Listed is a game with how many reps it has; Known is true where its opponent was scouted.
type Listed struct {
	gen.GamesOfTeamRow
	Known bool
}

// List lists a team's games, newest first.
func (s Service) List(ctx context.Context, team gen.Team) ([]Listed, error) {
	rows, err := s.Store.GamesOfTeam(ctx, gen.GamesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return nil, err
	}
	out := make([]Listed, len(rows))
	for i, g := range rows {
		mixes, err := store.MixesOf(gen.Game{ID: g.ID, Mixes: g.Mixes})
		if err != nil {
			return nil, err
		}
		out[i] = Listed{g, game.Known(mixes, game.Off) || game.Known(mixes, game.Ball)}
	}
	return out, nil
}

// Input is what a coach enters of a game.
type Input struct {
	StartsAt time.Time
	Opponent string
	Away     bool
	Note     string
	Mixes    []game.Mix
	Terms    game.Terms
}

// Bounds of an entry (assumptions).
const (
	maxNote             = 2000 // bytes
	firstYear, lastYear = 2000, 2200
)

// check refuses what cannot be stored and tidies the rest. Who is short of five may still put a game on the schedule.
func (s Service) check(ctx context.Context, team gen.Team, in *Input) (err error) {
	if in.Opponent, err = app.Text(in.Opponent, "name.opponent"); err != nil {
		return err
	}
	if len(in.Note) > maxNote {
		return app.Refuse(app.Invalid, "game.note-too-long")
	}
	if y := in.StartsAt.Year(); y < firstYear || y > lastYear {
		return app.Refuse(app.Invalid, "game.no-time")
	}
	if err := game.CheckMixes(in.Mixes); err != nil {
		return app.RefuseBy(app.Invalid, err, "kept.nothing")
	}
	in.Terms, err = s.Available(ctx, team, in.Terms)
	return err
}

// Available are terms without players who have left the team.
func (s Service) Available(ctx context.Context, team gen.Team, terms game.Terms) (game.Terms, error) {
	players, err := s.Store.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	return terms.Of(squad.Texts(squad.IDs(players))), err
}

// Add puts a game on the schedule.
func (s Service) Add(ctx context.Context, team gen.Team, in Input) (gen.Game, error) {
	if err := s.check(ctx, team, &in); err != nil {
		return gen.Game{}, err
	}
	mixes, terms := store.GameJSON(in.Mixes, in.Terms)
	row := gen.InsertGameParams{ID: uuid.Must(uuid.NewV7()), ProgramID: team.ProgramID, TeamID: team.ID,
		StartsAt: in.StartsAt, Opponent: in.Opponent,
		Away: in.Away, Note: in.Note, Mixes: mixes, Terms: terms}
	if err := s.Store.InsertGame(ctx, row); err != nil {
		return gen.Game{}, err
	}
	return s.Of(ctx, team, row.ID)
}

// Update changes a game of a version; nil is the one that stands. It refuses with app.Conflict where somebody else has
// changed it since.
func (s Service) Update(ctx context.Context, team gen.Team, id uuid.UUID, in Input, version *int) (gen.Game, error) {
	old, err := s.Of(ctx, team, id)
	if err != nil {
		return old, err
	}
	if err := s.check(ctx, team, &in); err != nil {
		return old, err
	}
	of := old.Version
	if version != nil {
		of = int32(*version)
	}
	mixes, terms := store.GameJSON(in.Mixes, in.Terms)
	n, err := s.Store.UpdateGame(ctx, gen.UpdateGameParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: old.ID,
		StartsAt: in.StartsAt, Opponent: in.Opponent,
		Away: in.Away, Note: in.Note, Mixes: mixes, Terms: terms, Version: of})
	if err != nil {
		return old, err
	}
	if n == 0 {
		return old, app.Refuse(app.Conflict, "game.changed-meanwhile")
	}
	return s.Of(ctx, team, id)
}

// Delete takes a game off the schedule; what was logged in it stays.
func (s Service) Delete(ctx context.Context, program, team, id uuid.UUID) error {
	n, err := s.Store.DeleteGame(ctx, gen.DeleteGameParams{ProgramID: program, TeamID: team, ID: id})
	return app.Changed(n, err, missing)
}

// Prepared is what preparing a game takes.
type Prepared struct {
	squad.Board
	Team  gen.Team
	Game  gen.Game
	Mixes []game.Mix
	Asks  []game.Ask
	Form  evidence.Form
	Squad []game.Person
}

// Prepare gathers what preparing a game takes.
func (s Service) Prepare(ctx context.Context, team gen.Team, id uuid.UUID) (p Prepared, err error) {
	p.Team = team
	if p.Game, err = s.Of(ctx, team, id); err != nil {
		return p, err
	}
	if p.Board, err = s.Squads.Board(ctx, team, reads.Cutter); err != nil {
		return p, err
	}
	if p.Mixes, err = store.MixesOf(p.Game); err != nil {
		return p, err
	}
	p.Asks = game.Asks(game.Runs(p.Taught(), p.Mixes), store.RulesOf(team), p.Mixes)
	p.Form = s.Squads.Policy.FormOf(p.History)
	for _, who := range p.Players {
		p.Squad = append(p.Squad, game.Person{ID: who.ID.String(), Handler: who.Handler, Wing: who.Wing, Big: who.Big,
			Shooter: who.Shooter})
	}
	return p, nil
}

// Families are the groups of actions that are asked, each once.
func (p Prepared) Families() []string {
	out := []string{}
	for _, a := range p.Asks {
		if !slices.Contains(out, a.Family) {
			out = append(out, a.Family)
		}
	}
	return out
}

// Lineups compares every five that may play. The error is a refusal.
func (p Prepared) Lineups(terms game.Terms) (found game.Found, err error) {
	if err = terms.Check(p.Squad); err == nil {
		found, err = game.Find(p.Asks, p.Form, p.Squad, terms, lineupSeed)
	}
	if refusal.CodeOf(err) != "" {
		err = app.RefuseBy(app.Invalid, err, "")
	}
	return found, err
}

// lineupSeed keeps the drawn ranges the same from look to look.
const lineupSeed = 1

// Seen is what was logged in a game, beside what practice said before it.
type Seen struct {
	Reps     int
	Compared []game.Compared
	Covered  []game.Covered
	HalfTime []game.NowDoing
	Next     *reviews.Next
}

// besideDays is how many days of practice before a game it is set beside (assumption).
const besideDays = 60

// Seen sets a game beside the practices before it.
func (s Service) Seen(ctx context.Context, p Prepared) (out Seen, err error) {
	logged, err := s.Store.RepsOfPractice(ctx, p.Team.ProgramID, p.Game.ID)
	if err != nil {
		return out, err
	}
	before, err := s.Store.RepsOfTeam(ctx, p.Team, p.Game.StartsAt.AddDate(0, 0, -besideDays), p.Game.StartsAt)
	if err != nil {
		return out, err
	}
	played := evidence.OnePerRep(logged)
	out.Reps = len(played)
	out.Compared = game.Compare(s.Squads.Policy, evidence.OnePerRep(before), played)
	out.Covered = game.Coverages(p.Mixes, played)
	out.HalfTime = game.HalfTime(p.Mixes, played, store.RulesOf(p.Team))
	out.Next, err = reviews.NextAfter(ctx, s.Store, p.Team, s.Now())
	return out, err
}

// Count is how often something was counted in a game.
type Count struct {
	game.Counter
	N int
}

// Counts are a game's counts, and the ids of what was counted.
func (s Service) Counts(ctx context.Context, g gen.Game) (out []Count, counted []uuid.UUID, err error) {
	rows, err := s.Store.GameCounts(ctx, gen.GameCountsParams{ProgramID: g.ProgramID, GameID: g.ID})
	counted = []uuid.UUID{}
	n := map[string]int{}
	for _, row := range rows {
		counted = append(counted, row.Ids...)
		n[row.What] = int(row.N)
	}
	for _, c := range game.Counters() {
		out = append(out, Count{c, n[c.ID]})
	}
	return out, counted, err
}

// Reps are what the bench has logged in a game.
func (s Service) Reps(ctx context.Context, g gen.Game) ([]evidence.Rep, error) {
	return s.Store.RepsOfPractice(ctx, g.ProgramID, g.ID)
}
