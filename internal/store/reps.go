package store

import (
	"context"
	"slices"
	"strings"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/internal/store/gen"
)

// PutReps stores events of a team, brings the sums up to date and returns the ids of
// those events that were new: what was stored before is left as it is. Run it in a
// transaction.
func PutReps(ctx context.Context, q *gen.Queries, p evidence.Policy, program, team uuid.UUID, events []gen.RepEvent) ([]uuid.UUID, error) {
	var players []uuid.UUID
	for _, e := range events {
		if !slices.Contains(players, e.PlayerID) {
			players = append(players, e.PlayerID)
		}
	}
	// Two who watch the same rep must not both take themselves for the first.
	if _, err := q.LockPlayers(ctx, gen.LockPlayersParams{ProgramID: program, Ids: players}); err != nil {
		return nil, err
	}
	stored, err := InsertEvents(ctx, q, program, team, events)
	if err != nil || len(stored) == 0 {
		return stored, err
	}
	return stored, updateLedger(ctx, q, p, program, events, stored)
}

// InsertEvents stores events of a team without touching the ledger, and returns the ids
// of those that were new.
func InsertEvents(ctx context.Context, q *gen.Queries, program, team uuid.UUID, events []gen.RepEvent) ([]uuid.UUID, error) {
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
		in.SecondCue = append(in.SecondCue, e.SecondCue)
		in.Corrections = append(in.Corrections, strings.Join(e.Corrections, ",")) // ids of ours hold no comma
	}
	return q.InsertRepEvents(ctx, in)
}
