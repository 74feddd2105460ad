package store

import (
	"context"
	"slices"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store/gen"
)

// PutCounts stores what was counted in live blocks, and tells which counts were new and
// which were there. Those whose id another practice has are in neither.
func PutCounts(ctx context.Context, q *gen.Queries, in gen.InsertFloorCountsParams) (stored, known []uuid.UUID,
	err error) {
	if len(in.ID) == 0 {
		return nil, nil, nil
	}
	if stored, err = q.InsertFloorCounts(ctx, in); err != nil || len(stored) == len(in.ID) {
		return stored, nil, err
	}
	ours, err := q.KnownFloorCounts(ctx, gen.KnownFloorCountsParams{ProgramID: in.ProgramID, PracticeID: in.PracticeID,
		Ids: in.ID})
	for _, id := range ours {
		if !slices.Contains(stored, id) {
			known = append(known, id)
		}
	}
	return stored, known, err
}

// CountsOf are the counts of one block.
func CountsOf(rows []gen.FloorCount, block uuid.UUID) []practice.Counted {
	var out []practice.Counted
	for _, r := range rows {
		if r.BlockID == block {
			out = append(out, practice.Counted{Rep: int(r.RepNo), What: practice.Tally(r.What), By: int(r.By)})
		}
	}
	return out
}

// HomeOf is what a player told of shooting at home.
func HomeOf(r gen.HomeShot) evidence.HomeSession {
	side := func(made, tried int32) evidence.Side { return evidence.Side{Made: int(made), Tried: int(tried)} }
	return evidence.HomeSession{Player: evidence.PlayerID(r.PlayerID.String()), At: r.At,
		Right: side(r.RightMade, r.RightTried), Left: side(r.LeftMade, r.LeftTried)}
}

// endings are what a logged rep's outcome says of its possession.
var endings = map[evidence.Outcome]practice.Tally{
	evidence.Scored: practice.Scored, evidence.Missed: practice.Stopped, evidence.NoShot: practice.Stopped,
	evidence.Turnover: practice.LostBall,
}

// EndingsOf are the ends of possessions that a block's counts and, where nothing was counted
// for a rep, the outcomes of its logged reps tell, and the other counts.
func EndingsOf(rows []gen.FloorCount, reps []evidence.Rep, block uuid.UUID) []practice.Counted {
	out := CountsOf(rows, block)
	ended := map[int]bool{}
	for _, c := range out {
		ended[c.Rep] = ended[c.Rep] || c.What == practice.Scored || c.What == practice.Stopped ||
			c.What == practice.LostBall
	}
	for _, r := range reps {
		what, told := endings[r.Outcome]
		if string(r.Block) != block.String() || !told || ended[r.No] || r.Role == reads.Shooter {
			continue
		}
		ended[r.No] = true
		out = append(out, practice.Counted{Rep: r.No, What: what, By: 1})
	}
	return out
}

// PutGameCounts stores what the bench counted, and tells which counts were new and which were there.
func PutGameCounts(ctx context.Context, q *gen.Queries, in gen.InsertGameCountsParams) (stored, known []uuid.UUID,
	err error) {
	if len(in.ID) == 0 {
		return nil, nil, nil
	}
	stored, err = q.InsertGameCounts(ctx, in)
	for _, id := range in.ID {
		if !slices.Contains(stored, id) {
			known = append(known, id)
		}
	}
	return stored, known, err
}
