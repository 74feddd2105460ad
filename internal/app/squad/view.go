package squad

import (
	"context"
	"io"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Look is a board as a coach asks for it: of all roles or of one, of all reps or of some.
type Look struct {
	Board
	Lines []evidence.Line
	// Holds are the reads that hold the team back, Reps is how many reps the board judges by, Season how the team came on
	// week by week.
	Holds  []evidence.Hold
	Reps   int
	Season []evidence.Week
}

// Look looks at a team's board. A filter that makes no sense is refused with app.Invalid.
func (s Service) Look(ctx context.Context, team gen.Team, role reads.Role, f evidence.Filter) (l Look, err error) {
	zone, err := time.LoadLocation(team.Zone)
	if err != nil {
		return l, err
	}
	if l.Board, err = s.Board(ctx, team, role); err != nil {
		return l, err
	}
	if role != "" {
		l.Columns = reads.MoreColumns(drill.Taught(l.Practiced), store.RulesOf(team), role)
	}
	if err := s.narrow(ctx, team, &l.Board, f, zone); err != nil {
		return l, err
	}
	l.Lines = s.Overview(l.Board)
	l.Holds, l.Reps = evidence.Holds(l.Columns, l.Lines), l.History.Reps(rolesOf(role)...)
	l.Season = l.History.Season(role, l.Columns, l.Lines, s.Now(), zone)
	return l, nil
}

// rolesOf are the roles a board is about.
func rolesOf(role reads.Role) []reads.Role {
	if role == "" {
		return Roles
	}
	return []reads.Role{role}
}

// narrow keeps some of a board's reps and judges by them alone.
func (s Service) narrow(ctx context.Context, team gen.Team, b *Board, f evidence.Filter, zone *time.Location) error {
	if f == (evidence.Filter{}) {
		return nil
	}
	if err := f.Check(); err != nil {
		return app.RefuseBy(app.Invalid, err, "")
	}
	from, before, _, err := f.Period(zone)
	if err != nil {
		return app.RefuseBy(app.Invalid, err, "")
	}
	if before.IsZero() {
		before = evidence.Ever
	}
	reps, err := s.Store.RepsOfTeam(ctx, team, from, before)
	if err != nil {
		return err
	}
	b.History = s.Policy.ExtendByPeriod(evidence.NoHistory(), f.Of(reps), zone)
	return nil
}

// TeamLine is a team beside the others of its program.
type TeamLine struct {
	gen.Team
	Players, Reps int
	Cells         []evidence.TeamCell
}

// Program sets the teams of a program side by side on the same reads: those that any of them teaches.
func (s Service) Program(ctx context.Context, program uuid.UUID) (columns []reads.Read, lines []TeamLine, err error) {
	teams, err := s.Store.TeamsOfProgram(ctx, program)
	if err != nil {
		return nil, nil, err
	}
	var boards []Board
	shown := map[reads.Read]bool{}
	for _, team := range teams {
		b, err := s.Board(ctx, team, "")
		if err != nil {
			return nil, nil, err
		}
		boards = append(boards, b)
		for _, c := range b.Columns {
			shown[c] = true
		}
	}
	for _, of := range reads.Catalogue() {
		if shown[of.ID] {
			columns = append(columns, of.ID)
		}
	}
	for i, b := range boards {
		lines = append(lines, TeamLine{Team: teams[i], Players: len(b.Players), Reps: b.History.Reps(Roles...),
			Cells: evidence.TeamCells(s.Policy.Overview(IDs(b.Players), "", columns, b.History, s.Now()))})
	}
	return columns, lines, nil
}

// WriteReps writes every rep of a team's players as CSV.
func (s Service) WriteReps(ctx context.Context, team gen.Team, to io.Writer) error {
	b, err := s.Board(ctx, team, "")
	if err != nil {
		return err
	}
	reps, err := s.Reps(ctx, team)
	if err != nil {
		return err
	}
	return evidence.WriteReps(to, reps, b.names())
}

// WriteVerdicts writes where a team's players stand as CSV.
func (s Service) WriteVerdicts(ctx context.Context, team gen.Team, to io.Writer) error {
	b, err := s.Board(ctx, team, "")
	if err != nil {
		return err
	}
	var lines []evidence.RoleLines
	for _, role := range Roles {
		lines = append(lines, evidence.RoleLines{Role: role,
			Lines: s.Policy.Board(IDs(b.Players), role, Columns(team, b.Practiced, role), b.History, s.Now())})
	}
	return evidence.WriteVerdicts(to, lines, b.names())
}

// names are the players' jerseys and names.
func (b Board) names() map[evidence.PlayerID]evidence.Named {
	out := map[evidence.PlayerID]evidence.Named{}
	for _, p := range b.Players {
		out[evidence.PlayerID(p.ID.String())] = evidence.Named{Jersey: p.Jersey, Name: p.Name}
	}
	return out
}
