package store

import (
	"context"
	"strings"

	"github.com/google/uuid"

	"evrik/internal/store/gen"
)

// PutReps stores events of a team and returns the ids of those that were new: what
// was stored before is left as it is.
func PutReps(ctx context.Context, q *gen.Queries, program, team uuid.UUID, events []gen.RepEvent) ([]uuid.UUID, error) {
	in := gen.InsertRepEventsParams{ProgramID: program, TeamID: team}
	for _, e := range events {
		voids := uuid.Nil
		if e.Voids != nil {
			voids = *e.Voids
		}
		in.ID, in.ObserverID, in.PracticeID, in.BlockID = append(in.ID, e.ID), append(in.ObserverID, e.ObserverID), append(in.PracticeID, e.PracticeID), append(in.BlockID, e.BlockID)
		in.Kind, in.Voids, in.RepNo, in.At = append(in.Kind, e.Kind), append(in.Voids, voids), append(in.RepNo, e.RepNo), append(in.At, e.At)
		in.PlayerID, in.Role, in.Drill, in.Rung = append(in.PlayerID, e.PlayerID), append(in.Role, e.Role), append(in.Drill, e.Drill), append(in.Rung, e.Rung)
		in.Screen, in.Side, in.Cue = append(in.Screen, e.Screen), append(in.Side, e.Side), append(in.Cue, e.Cue)
		in.Expected, in.Made, in.IsRight = append(in.Expected, e.Expected), append(in.Made, e.Made), append(in.IsRight, e.IsRight)
		in.Late, in.Outcome, in.Device = append(in.Late, e.Late), append(in.Outcome, e.Outcome), append(in.Device, e.Device)
		in.Corrections = append(in.Corrections, strings.Join(e.Corrections, ",")) // ids of ours hold no comma
	}
	return q.InsertRepEvents(ctx, in)
}
