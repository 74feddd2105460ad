package store

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/store/gen"
)

// LedgerOf reads what the log of a team's players comes to, in some roles.
func (s *Store) LedgerOf(ctx context.Context, team gen.Team, roles []string) (l evidence.Ledger, err error) {
	of := gen.SumsOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID, Roles: roles}
	sums, err := s.SumsOfTeam(ctx, of)
	if err != nil {
		return l, err
	}
	l.Sums = make([]evidence.Sum, len(sums))
	for i, r := range sums {
		l.Sums[i] = evidence.Sum{
			Kind: evidence.Kind{Player: r.Player, Role: reads.Role(r.Role), Expected: reads.Read(r.Expected), Rung: drill.Rung(r.Rung), Side: r.Side},
			Mass: evidence.Mass{Reps: int(r.Reps), Right: int(r.IsRight), All: r.Mass, RightOnes: r.RightMass},
			Last: r.LastAt, Practice: r.Practice,
			Newest: evidence.Mass{Reps: int(r.NewestReps), Right: int(r.NewestRight), All: r.NewestMass, RightOnes: r.NewestRightMass},
		}
	}
	mistakes, err := s.MistakesOfTeam(ctx, gen.MistakesOfTeamParams(of))
	for _, r := range mistakes {
		l.Mistakes = append(l.Mistakes, evidence.Mistake{Player: r.Player, Role: reads.Role(r.Role), Expected: reads.Read(r.Expected), Made: reads.Read(r.Made), Reps: int(r.Reps)})
	}
	return l, err
}

// addLedger adds to what is kept.
func addLedger(ctx context.Context, q *gen.Queries, program uuid.UUID, l evidence.Ledger) error {
	if len(l.Sums) == 0 {
		return nil
	}
	in := gen.AddSumsParams{ProgramID: program}
	for _, s := range l.Sums {
		player, err := uuid.Parse(s.Player)
		if err != nil {
			return err
		}
		practice, err := uuid.Parse(s.Practice)
		if err != nil {
			return err
		}
		in.PlayerID, in.Role, in.Expected = append(in.PlayerID, player), append(in.Role, string(s.Role)), append(in.Expected, string(s.Expected))
		in.Rung, in.Side, in.LastAt, in.PracticeID = append(in.Rung, string(s.Rung)), append(in.Side, s.Side), append(in.LastAt, s.Last), append(in.PracticeID, practice)
		in.Reps, in.IsRight, in.Mass, in.RightMass = append(in.Reps, int32(s.Reps)), append(in.IsRight, int32(s.Right)), append(in.Mass, s.All), append(in.RightMass, s.RightOnes)
		in.NewestReps, in.NewestRight = append(in.NewestReps, int32(s.Newest.Reps)), append(in.NewestRight, int32(s.Newest.Right))
		in.NewestMass, in.NewestRightMass = append(in.NewestMass, s.Newest.All), append(in.NewestRightMass, s.Newest.RightOnes)
	}
	if err := q.AddSums(ctx, in); err != nil || len(l.Mistakes) == 0 {
		return err
	}
	wrong := gen.AddMistakesParams{ProgramID: program}
	for _, m := range l.Mistakes {
		player, err := uuid.Parse(m.Player)
		if err != nil {
			return err
		}
		wrong.PlayerID, wrong.Role, wrong.Expected = append(wrong.PlayerID, player), append(wrong.Role, string(m.Role)), append(wrong.Expected, string(m.Expected))
		wrong.Made, wrong.Reps = append(wrong.Made, string(m.Made)), append(wrong.Reps, int32(m.Reps))
	}
	return q.AddMistakes(ctx, wrong)
}

// touched are the standing reps that some events are about, as they were before those
// of them that are new, and as they are.
func touched(ctx context.Context, q *gen.Queries, program uuid.UUID, events []gen.RepEvent, fresh []uuid.UUID) (before, after []gen.RepEvent, err error) {
	in := gen.EventsTouchedParams{ProgramID: program}
	for _, e := range events {
		if e.Voids != nil {
			in.Ids = append(in.Ids, *e.Voids)
		}
		in.Ids = append(in.Ids, e.ID)
		in.Blocks, in.RepNos = append(in.Blocks, e.BlockID), append(in.RepNos, e.RepNo)
		in.Players, in.Roles = append(in.Players, e.PlayerID), append(in.Roles, e.Role)
	}
	rows, err := q.EventsTouched(ctx, in)
	if err != nil {
		return nil, nil, err
	}
	isNew, voided, wasVoided := map[uuid.UUID]bool{}, map[uuid.UUID]bool{}, map[uuid.UUID]bool{}
	for _, id := range fresh {
		isNew[id] = true
	}
	for _, r := range rows {
		if r.Voids != nil {
			voided[*r.Voids] = true
			wasVoided[*r.Voids] = wasVoided[*r.Voids] || !isNew[r.ID]
		}
	}
	for _, r := range rows {
		if r.Kind == "rep" && !voided[r.ID] {
			after = append(after, r)
		}
		if r.Kind == "rep" && !wasVoided[r.ID] && !isNew[r.ID] {
			before = append(before, r)
		}
	}
	return before, after, nil
}

// updateLedger brings the ledger up to date with events of which some have just been stored.
func updateLedger(ctx context.Context, q *gen.Queries, p evidence.Policy, program uuid.UUID, events []gen.RepEvent, fresh []uuid.UUID) error {
	before, after, err := touched(ctx, q, program, events, fresh)
	if err != nil {
		return err
	}
	added, recount := p.Shift(evidence.OnePerRep(RepsOf(before)), evidence.OnePerRep(RepsOf(after)))
	if err := addLedger(ctx, q, program, added); err != nil {
		return err
	}
	type key struct {
		player uuid.UUID
		screen string
	}
	counts := map[key]int32{}
	for _, r := range before {
		counts[key{r.PlayerID, r.Screen}]--
	}
	for _, r := range after {
		counts[key{r.PlayerID, r.Screen}]++
	}
	in := gen.AddPractisedParams{ProgramID: program}
	for k, n := range counts {
		if n != 0 {
			in.PlayerID, in.Screen, in.Reps = append(in.PlayerID, k.player), append(in.Screen, k.screen), append(in.Reps, n)
		}
	}
	if len(in.PlayerID) > 0 {
		if err := q.AddPractised(ctx, in); err != nil {
			return err
		}
	}
	var players []uuid.UUID
	for _, id := range recount {
		player, err := uuid.Parse(id)
		if err != nil {
			return err
		}
		players = append(players, player)
	}
	return RecountPlayers(ctx, q, p, program, players)
}

// RecountPlayers makes the sums of some players from the log. Their rows are locked.
func RecountPlayers(ctx context.Context, q *gen.Queries, p evidence.Policy, program uuid.UUID, players []uuid.UUID) error {
	if len(players) == 0 {
		return nil
	}
	if err := q.DeleteSums(ctx, gen.DeleteSumsParams{ProgramID: program, Players: players}); err != nil {
		return err
	}
	if err := q.DeleteMistakes(ctx, gen.DeleteMistakesParams{ProgramID: program, Players: players}); err != nil {
		return err
	}
	for _, id := range players {
		rows, err := q.RepsOfPlayer(ctx, gen.RepsOfPlayerParams{ProgramID: program, PlayerID: id})
		if err != nil {
			return err
		}
		if err := addLedger(ctx, q, program, p.Ledger(evidence.OnePerRep(RepsOf(rows)), evidence.Ever)); err != nil {
			return err
		}
	}
	if err := q.DeletePractised(ctx, gen.DeletePractisedParams{ProgramID: program, Players: players}); err != nil {
		return err
	}
	return q.RecountPractised(ctx, gen.RecountPractisedParams{ProgramID: program, Players: players})
}

// Recount makes the sums of every program that has none, or has them of another
// half-life.
func (s *Store) Recount(ctx context.Context, p evidence.Policy) error {
	programs, err := s.ProgramsWithoutLedger(ctx, p.HalfLife.Seconds())
	if err != nil {
		return err
	}
	for _, program := range programs {
		if err := s.RecountProgram(ctx, p, program); err != nil {
			return err
		}
	}
	return nil
}

// RecountProgram makes all sums of a program from its log, player by player.
func (s *Store) RecountProgram(ctx context.Context, policy evidence.Policy, program uuid.UUID) error {
	players, err := s.PlayersOfProgram(ctx, program)
	if err != nil {
		return err
	}
	for _, p := range players {
		one := []uuid.UUID{p.ID}
		if err := s.Tx(ctx, func(q *gen.Queries) error {
			if _, err := q.LockPlayers(ctx, gen.LockPlayersParams{ProgramID: program, Ids: one}); err != nil {
				return err
			}
			return RecountPlayers(ctx, q, policy, program, one)
		}); err != nil {
			return err
		}
	}
	return s.SetLedger(ctx, gen.SetLedgerParams{ProgramID: program, HalfLifeS: policy.HalfLife.Seconds()})
}

// NewProgram makes a program without anything in it, whose ledger is whole.
func NewProgram(ctx context.Context, q *gen.Queries, p evidence.Policy, in gen.InsertProgramParams) error {
	if err := q.InsertProgram(ctx, in); err != nil {
		return err
	}
	return q.SetLedger(ctx, gen.SetLedgerParams{ProgramID: in.ID, HalfLifeS: p.HalfLife.Seconds()})
}
