package web

import (
	"context"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/web/api"
)

// curveDays is how long a stretch of a learning curve is (assumption).
const curveDays = 7

// GetRead returns everything about one read of a team: who has it, what is made in
// its place, what to correct, which drills ask for it and who does it well with whom.
func (s *Server) GetRead(ctx context.Context, r api.GetReadRequestObject) (api.GetReadResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	info, ok := reads.Info(reads.Read(r.Read))
	if !ok {
		return nil, missing("There is no read of this name. Choose one on the squad's board.")
	}
	b, err := s.board(ctx, team, info.Role)
	if err != nil {
		return nil, err
	}
	asked := evidence.Asking(info.ID, b.reps)
	out := api.GetRead200JSONResponse{Read: r.Read, Role: string(info.Role), Players: playerViews(b.players),
		Confusion:   evidence.Confusions(info.Role, []reads.Read{info.ID}, b.reps)[0],
		Corrections: evidence.CountCorrections(asked), Curve: s.policy.Curve(asked, curveDays),
		Pairs: s.policy.PairsOn(info.Role, info.ID, b.reps), Drills: b.library.Serving(store.SchoolOf(team), []reads.Read{info.ID})}
	for _, line := range s.policy.Board(ids(b.players), info.Role, []reads.Read{info.ID}, b.reps, s.now()) {
		out.Standings = append(out.Standings, line.Cells[0])
	}
	out.Standings = evidence.ByNeed(out.Standings)
	return out, nil
}
