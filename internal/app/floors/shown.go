package floors

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Shown is what a display shows of a practice.
type Shown struct {
	Floor
	Blocks []practice.Block
	Reps   []evidence.Rep
}

// Shown gathers what a display shows: blocks and who is up, no standings.
func (s Service) Shown(ctx context.Context, team gen.Team, p gen.Practice) (out Shown, err error) {
	var b squad.Board
	if b.Players, err = s.Store.PlayersOfTeam(ctx,
		gen.PlayersOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID}); err != nil {
		return out, err
	}
	if b.Library, err = s.Squads.Library(ctx, team.ProgramID); err != nil {
		return out, err
	}
	if out.Floor, err = s.Floor(ctx, p, b); err != nil {
		return out, err
	}
	rows, err := s.Store.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil {
		return out, err
	}
	out.Blocks = store.BlocksOf(rows)
	out.Reps, err = s.Store.RepsOfPractice(ctx, team.ProgramID, p.ID)
	return out, err
}

// Played is a drill in motion on a team's floor.
type Played struct {
	Drill *drill.Drill
	Floor reads.Floor
	Play  reads.Play
}

// Play plays one rep of a block's drill. It refuses with app.Missing a block without one.
func (s Service) Play(ctx context.Context, team gen.Team, p gen.Practice, block uuid.UUID) (out Played, err error) {
	lib, err := s.Squads.Library(ctx, team.ProgramID)
	if err != nil {
		return out, err
	}
	rows, err := s.Store.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil {
		return out, err
	}
	if out.Floor, err = store.FloorOf(team); err != nil {
		return out, err
	}
	for _, b := range store.BlocksOf(rows) {
		if d, ok := lib.ByID(b.Drill); ok && b.ID == block.String() {
			out.Drill = d
			out.Play, err = d.Motion(out.Floor.Court, out.Floor.Pace)
			return out, err
		}
	}
	return out, app.Refuse(app.Missing, "display.no-drill")
}
