package store

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/store/gen"
)

// PutPlan replaces the blocks and the attendance of a practice. Run it in a
// transaction. Block ids stay as given, so that logged reps keep their block.
func PutPlan(ctx context.Context, q *gen.Queries, program, practiceID uuid.UUID, present, limited []uuid.UUID, blocks []practice.Block) error {
	if err := q.DeleteBlocks(ctx, gen.DeleteBlocksParams{ProgramID: program, PracticeID: practiceID}); err != nil {
		return err
	}
	for i, b := range blocks {
		id, err := uuid.Parse(b.ID)
		if err != nil {
			return err
		}
		players := make([]uuid.UUID, len(b.Players))
		for k, p := range b.Players {
			if players[k], err = uuid.Parse(p); err != nil {
				return err
			}
		}
		if err := q.InsertBlock(ctx, gen.InsertBlockParams{ID: id, ProgramID: program, PracticeID: practiceID, Position: int32(i),
			Kind: string(b.Kind), Title: b.Title, Drill: b.Drill, Stage: b.Stage, Minutes: b.Minutes, Baskets: int32(b.Baskets),
			Seconds: b.Seconds, Seed: int64(b.Seed), FloorEnd: int32(b.End), Players: players, Pin: b.Pin, NoHelpers: b.NoHelpers, Staff: staffJSON(b.Staff),
			PlayerShows: b.PlayerShows, Play: b.Play}); err != nil {
			return err
		}
	}
	if err := q.DeleteAttendance(ctx, gen.DeleteAttendanceParams{ProgramID: program, PracticeID: practiceID}); err != nil {
		return err
	}
	return q.InsertAttendance(ctx, gen.InsertAttendanceParams{ProgramID: program, PracticeID: practiceID, Players: present, Limited: limited})
}
