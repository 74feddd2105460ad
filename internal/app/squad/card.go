package squad

import (
	"context"
	"slices"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// recentReps is how many of a player's last reps a card lists (assumption).
const recentReps = 20

// Card is everything about one player.
type Card struct {
	Player gen.Player
	Tags   []evidence.TagCount
	// Parts are the player's standings, role by role; of roles beyond the first two only those the player has tried.
	Parts []Part
	Words evidence.Words
	// Recent are the last reps as they were logged, newest first.
	Recent []evidence.Rep
}

// Part is where a player stands in a role.
type Part struct {
	Role      reads.Role
	Standings []evidence.Standing
}

// Card gathers everything about one player of a team.
func (s Service) Card(ctx context.Context, team gen.Team, p gen.Player) (c Card, err error) {
	b, err := s.Board(ctx, team, "")
	if err != nil {
		return c, err
	}
	seen, err := s.Store.RepsOfPlayer(ctx, team.ProgramID, p.ID)
	if err != nil {
		return c, err
	}
	reps := evidence.OnePerRep(seen)
	id := evidence.PlayerID(p.ID.String())
	c = Card{Player: p, Tags: evidence.CountTagsOf(id, reps)}
	var all []evidence.Standing
	taught := drill.Taught(store.ActionsOf(reps))
	for _, role := range JudgedRoles {
		cells := s.Policy.Board([]evidence.PlayerID{id}, role, reads.MoreColumns(taught, store.RulesOf(team), role),
			b.History, s.Now())[0].Cells
		tried := slices.ContainsFunc(reps, func(r evidence.Rep) bool { return r.Role == role })
		if tried || role == reads.Cutter || role == reads.Screener {
			c.Parts = append(c.Parts, Part{role, cells})
			all = append(all, cells...)
		}
	}
	c.Words = evidence.WordsOf(all, taught, store.RulesOf(team), b.Library)
	c.Recent = slices.Clone(seen[max(0, len(seen)-recentReps):])
	slices.Reverse(c.Recent)
	return c, nil
}
