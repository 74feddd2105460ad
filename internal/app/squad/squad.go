// Package squad knows where a team's players stand.
package squad

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service reads what is known of squads.
type Service struct {
	Store  *store.Store
	Policy evidence.Policy
	Now    func() time.Time
}

// Board is what a team's board takes: its players, their history, and the reads of a role.
type Board struct {
	Players []gen.Player
	Columns []reads.Read
	// Role is the role whose reads are shown. If it is empty, the reads of all roles are.
	Role    reads.Role
	Log     store.TeamLog
	History *evidence.History
	Library drill.Library
	// Practiced are the actions the players have reps of, by id.
	Practiced []string
}

// Roles are all parts that a plan asks reps for.
var Roles = []reads.Role{reads.Cutter, reads.Screener, reads.Handler, reads.Passer, reads.Pivot, reads.Teammate,
	reads.Safety, reads.Corner}

// JudgedRoles are all parts a player can be judged in.
var JudgedRoles = append(slices.Clone(Roles), reads.Defender)

// Board gathers what a team's board of a role takes; of every read where no role is named.
func (s Service) Board(ctx context.Context, team gen.Team, role reads.Role) (b Board, err error) {
	b.Role = role
	if b.Players, err = s.Store.PlayersOfTeam(ctx,
		gen.PlayersOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID}); err != nil {
		return b, err
	}
	if b.Log, err = s.Store.TeamLog(ctx, s.Policy, team, b.Players, s.Now()); err != nil {
		return b, err
	}
	b.History = b.Log.History(s.Policy)
	b.Practiced = b.History.Actions()
	b.Columns = Columns(team, b.Practiced, role)
	b.Library, err = s.Library(ctx, team.ProgramID)
	return b, err
}

// Lines are where the players stand, group by group.
func (s Service) Lines(b Board) []evidence.Line {
	return s.Policy.Board(IDs(b.Players), b.Role, b.Columns, b.History, s.Now())
}

// Overview is Lines with half of the sentences: each standing explains only the group that its verdict is about.
func (s Service) Overview(b Board) []evidence.Line {
	return s.Policy.Overview(IDs(b.Players), b.Role, b.Columns, b.History, s.Now())
}

// Library is what drills a program has: the catalogue and its own.
func (s Service) Library(ctx context.Context, program uuid.UUID) (drill.Library, error) {
	rows, err := s.Store.DrillsOfProgram(ctx, program)
	if err != nil {
		return drill.Library{}, err
	}
	own := make([]*drill.Drill, 0, len(rows))
	for _, row := range rows {
		d, err := store.DrillOf(row)
		if err != nil {
			return drill.Library{}, err
		}
		own = append(own, d)
	}
	return drill.NewLibrary(own), nil
}

// Columns are the reads a board shows: of the actions the team has logged, of a role or of
// all.
func Columns(team gen.Team, practiced []string, role reads.Role) (out []reads.Read) {
	for _, r := range Roles {
		if r == role || role == "" {
			out = append(out, reads.Columns(drill.Taught(practiced), store.RulesOf(team), r)...)
		}
	}
	return out
}

// IDs are the players' ids as the core has them.
func IDs(players []gen.Player) []evidence.PlayerID {
	out := make([]evidence.PlayerID, len(players))
	for i, p := range players {
		out[i] = evidence.PlayerID(p.ID.String())
	}
	return out
}

// Texts are ids as plain text.
func Texts[T ~string](ids []T) []string {
	out := make([]string, len(ids))
	for i, id := range ids {
		out[i] = string(id)
	}
	return out
}

// Taught returns the ids of the actions that a team has practiced. A team that has logged
// nothing yet gets the action of the catalogue's first drill.
func (b Board) Taught() []string {
	var out []string
	for _, s := range drill.Taught(b.Practiced) {
		out = append(out, s.ID)
	}
	return out
}

// People are the present players who are on the team, in the roster's order, so that the same
// people always get the same order list.
func (b Board) People(present, limited []uuid.UUID) []practice.Person {
	var out []practice.Person
	for _, p := range b.Players {
		if slices.Contains(present, p.ID) {
			out = append(out, practice.Person{ID: p.ID.String(), Handler: p.Handler, Wing: p.Wing, Big: p.Big,
				Limited: slices.Contains(limited, p.ID)})
		}
	}
	return out
}

// Has reports whether a player is on the team.
func (b Board) Has(player uuid.UUID) bool {
	return slices.ContainsFunc(b.Players, func(p gen.Player) bool { return p.ID == player })
}

// NameOf is what a player of the team is called.
func (b Board) NameOf(player string) string {
	for _, p := range b.Players {
		if p.ID.String() == player {
			return p.Name
		}
	}
	return "A player who left"
}
