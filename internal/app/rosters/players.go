package rosters

import (
	"bytes"
	"context"
	"log/slog"
	"time"

	"github.com/google/uuid"

	"evrik/core/roster"
	"evrik/internal/app"
	"evrik/internal/erasures"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// NoPlayer refuses a player who is not on the team.
const NoPlayer = "player.missing"

// entryOf is what a roster says of a player.
func entryOf(p gen.Player) roster.Entry {
	return roster.Entry{Jersey: p.Jersey, Name: p.Name, Handler: p.Handler, Wing: p.Wing, Big: p.Big, Shooter: p.Shooter}
}

// newPlayer is the row of an entry that is new on a team.
func newPlayer(team gen.Team, e roster.Entry) gen.InsertPlayerParams {
	return gen.InsertPlayerParams{ID: uuid.Must(uuid.NewV7()), ProgramID: team.ProgramID, TeamID: team.ID,
		Jersey: e.Jersey, Name: e.Name, Handler: e.Handler, Wing: e.Wing, Big: e.Big, Shooter: e.Shooter}
}

// changed is the row of a player with another entry.
func changed(program, team, player uuid.UUID, e roster.Entry) gen.UpdatePlayerParams {
	return gen.UpdatePlayerParams{ProgramID: program, TeamID: team, ID: player,
		Jersey: e.Jersey, Name: e.Name, Handler: e.Handler, Wing: e.Wing, Big: e.Big, Shooter: e.Shooter}
}

// Player finds a player of a team, or refuses with app.Missing.
func (s Service) Player(ctx context.Context, team gen.Team, id uuid.UUID) (gen.Player, error) {
	p, err := s.Store.Player(ctx, gen.PlayerParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: id})
	return p, app.OrMissing(err, NoPlayer)
}

// Players returns a roster in order of jerseys.
func (s Service) Players(ctx context.Context, team gen.Team) ([]gen.Player, error) {
	return s.Store.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
}

// clean checks what is said of one player.
func clean(e roster.Entry) (roster.Entry, error) {
	e, err := roster.Clean(e)
	if err != nil {
		err = app.RefuseBy(app.Invalid, err, "")
	}
	return e, err
}

func jerseyTaken(err error, jersey string) error {
	if store.Duplicate(err) {
		return app.Refuse(app.Conflict, "team.jersey-taken", jersey)
	}
	return err
}

// Add puts a player on a roster, and returns the id and the entry as it is kept. It refuses with app.Invalid what says
// no player or one too many, with app.Conflict a jersey somebody wears.
func (s Service) Add(ctx context.Context, team gen.Team, e roster.Entry) (uuid.UUID, roster.Entry, error) {
	e, err := clean(e)
	if err != nil {
		return uuid.Nil, e, err
	}
	players, err := s.Players(ctx, team)
	if err != nil {
		return uuid.Nil, e, err
	}
	if len(players) >= roster.MaxPlayers {
		return uuid.Nil, e, app.Refuse(app.Invalid, "team.too-many-players", roster.MaxPlayers)
	}
	row := newPlayer(team, e)
	return row.ID, e, jerseyTaken(s.Store.InsertPlayer(ctx, row), e.Jersey)
}

// Update changes a player's entry, and returns it as it is kept. It refuses as Add does, and with app.Missing where
// there is no such player.
func (s Service) Update(ctx context.Context, program, team, player uuid.UUID, e roster.Entry) (roster.Entry, error) {
	e, err := clean(e)
	if err != nil {
		return e, err
	}
	n, err := s.Store.UpdatePlayer(ctx, changed(program, team, player, e))
	return e, app.Changed(n, jerseyTaken(err, e.Jersey), NoPlayer)
}

// Move puts a player of one team on another of the program; the record comes along. It refuses with app.Conflict where
// somebody wears the jersey there.
func (s Service) Move(ctx context.Context, from, to gen.Team, player uuid.UUID) error {
	n, err := s.Store.MovePlayer(ctx, gen.MovePlayerParams{ProgramID: to.ProgramID, TeamID: from.ID, ID: player,
		ToTeam: to.ID})
	if store.Duplicate(err) {
		return app.Refuse(app.Conflict, "team.jersey-taken-there", to.Name)
	}
	return app.Changed(n, err, NoPlayer)
}

// Naming is a note of a coach that still holds a name.
type Naming struct {
	// Kind says what the note belongs to: a practice or a game, which Team and ID find.
	Kind     string
	Team, ID uuid.UUID
	At       time.Time
	// Line is the one with the name.
	Line string
}

// Erase removes a player, as a family may ask, with everything that was logged; what the team did stays as counts
// without anybody's name. It returns the notes of coaches that still hold the name: only a person can tell whether they
// mean this player.
func (s Service) Erase(ctx context.Context, program, team, player uuid.UUID) ([]Naming, error) {
	row, err := s.Store.Player(ctx, gen.PlayerParams{ProgramID: program, TeamID: team, ID: player})
	if err != nil {
		return nil, app.OrMissing(err, NoPlayer)
	}
	there, err := s.Store.Erase(ctx, program, team, player)
	if err == nil && !there {
		err = app.Refuse(app.Missing, NoPlayer)
	}
	if err != nil {
		return nil, err
	}
	s.noteErased(player)
	notes, err := s.Store.NotesOfProgram(ctx, program)
	var out []Naming
	for _, n := range notes {
		if line, found := roster.LineNaming(n.Text, row.Name); found {
			out = append(out, Naming{n.Kind, n.TeamID, n.ID, n.At, line})
		}
	}
	return out, err
}

// noteErased writes down that a player was erased, outside the database: a backup that is restored later
// must not bring the player back.
func (s Service) noteErased(player uuid.UUID) {
	if s.Erasures == "" {
		return
	}
	if err := erasures.Note(s.Erasures, player, s.Now()); err != nil {
		slog.Error("an erasure was not noted for later restores", "error", err)
	}
}

// CSV writes a roster as a table.
func (s Service) CSV(ctx context.Context, team gen.Team) (*bytes.Buffer, error) {
	players, err := s.Players(ctx, team)
	if err != nil {
		return nil, err
	}
	entries := make([]roster.Entry, len(players))
	for i, p := range players {
		entries[i] = entryOf(p)
	}
	var b bytes.Buffer
	return &b, roster.Write(&b, entries)
}
