package squad

import (
	"context"
	"time"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// curveDays is how long a stretch of a learning curve is (assumption).
const curveDays = 7

// info is what is known of a read by its id, or a refusal with app.Missing.
func info(id string) (reads.ReadInfo, error) {
	of, ok := reads.Info(reads.Read(id))
	if !ok {
		return of, app.Refuse(app.Missing, "read.missing")
	}
	return of, nil
}

// Reps are the reps of a team's players, one observer's each, for what a history does not tell.
func (s Service) Reps(ctx context.Context, team gen.Team) ([]evidence.Rep, error) {
	reps, err := s.Store.RepsOfTeam(ctx, team, time.Time{}, evidence.Ever)
	return evidence.OnePerRep(reps), err
}

// OneRead is everything about one read of a team.
type OneRead struct {
	reads.ReadInfo
	Players []gen.Player
	// Standings are the players' verdicts on it, whoever needs it most first.
	Standings []evidence.Standing
	// Confusion is what is made in its place, Tags what is to be corrected, Curve how it was learned, Pairs who does it
	// well with whom, Drills what asks for it.
	Confusion evidence.Confusion
	Tags      []evidence.TagCount
	Curve     []evidence.Point
	Pairs     []evidence.Pair
	Drills    []string
	// Kept are the reps of which only the counts are kept, Correct those of them read right.
	Kept, Correct int
}

// Read gathers everything about one read of a team. It refuses with app.Missing one that does not exist.
func (s Service) Read(ctx context.Context, team gen.Team, id string) (out OneRead, err error) {
	if out.ReadInfo, err = info(id); err != nil {
		return out, err
	}
	b, err := s.Board(ctx, team, out.Role)
	if err != nil {
		return out, err
	}
	all, err := s.Reps(ctx, team)
	if err != nil {
		return out, err
	}
	this := []reads.Read{out.ID}
	asked := evidence.Asking(out.ID, all)
	out.Players, out.Confusion = b.Players, evidence.Confusions(out.Role, this, all)[0]
	out.Tags, out.Curve = evidence.CountTags(asked), s.Policy.Curve(asked, curveDays)
	out.Pairs, out.Drills = s.Policy.PairsOn(out.Role, out.ID, all), b.Library.Serving(store.RulesOf(team), this)
	for _, line := range s.Policy.Board(IDs(b.Players), out.Role, this, b.History, s.Now()) {
		out.Standings = append(out.Standings, line.Cells[0])
	}
	out.Standings = evidence.ByNeed(out.Standings)
	kept, err := s.Store.KeptOfTeam(ctx, gen.KeptOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	for _, k := range kept {
		if k.Role == string(out.Role) && k.Expected == id {
			out.Kept += int(k.Reps)
			if k.IsCorrect {
				out.Correct += int(k.Reps)
			}
		}
	}
	return out, err
}

// PlayerRead is a player's season on one read: how it was learned, and the reps behind it, oldest first.
func (s Service) PlayerRead(ctx context.Context, p gen.Player, id string) (curve []evidence.Point,
	asked []evidence.Rep, err error) {
	of, err := info(id)
	if err != nil {
		return nil, nil, err
	}
	all, err := s.Store.RepsOfPlayer(ctx, p.ProgramID, p.ID)
	asked = evidence.Asking(of.ID, evidence.OnePerRep(all))
	return s.Policy.Curve(asked, curveDays), asked, err
}

// Agreement is how far two observers see the same, with their names.
type Agreement struct {
	evidence.Agreement
	First, Second string
}

// Agreements says how far two observers who watched the same reps of a team see the same. Whoever is not on the staff
// any more is left out.
func (s Service) Agreements(ctx context.Context, team gen.Team) (out []Agreement, err error) {
	seen, err := s.Store.RepsOfTeam(ctx, team, time.Time{}, evidence.Ever)
	if err != nil {
		return nil, err
	}
	staff, err := s.Store.StaffOfProgram(ctx, team.ProgramID)
	name := map[evidence.ObserverID]string{}
	for _, who := range staff {
		name[evidence.ObserverID(who.ID.String())] = who.Name
	}
	for _, a := range evidence.Agreements(seen) {
		if first, second := name[a.Observers[0]], name[a.Observers[1]]; first != "" && second != "" {
			out = append(out, Agreement{a, first, second})
		}
	}
	return out, err
}
