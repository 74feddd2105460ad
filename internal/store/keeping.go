package store

import (
	"context"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/internal/store/gen"
)

// keepCounts keeps of some reps what each team did, without who did it.
func keepCounts(ctx context.Context, q *gen.Queries, program uuid.UUID, rows []gen.RepEvent) error {
	team := map[evidence.RepID]uuid.UUID{}
	for _, r := range rows {
		team[evidence.RepID(r.ID.String())] = r.TeamID
	}
	counts := map[gen.AddKeptParams]int32{}
	for _, r := range evidence.OnePerRep(repsOf(rows)) {
		counts[gen.AddKeptParams{ProgramID: program, TeamID: team[r.ID], Role: string(r.Role),
			Expected: string(r.Expected), Made: string(r.Made),
			Rung: string(r.Rung), IsCorrect: r.Correct}]++
	}
	for k, n := range counts {
		k.Reps = n
		if err := q.AddKept(ctx, k); err != nil {
			return err
		}
	}
	return nil
}

// Erase removes a player and everything that is kept of the player; the counts of the
// team stay. False where there is no such player on the team.
func (s *Store) Erase(ctx context.Context, program, team, player uuid.UUID) (there bool, err error) {
	err = s.Tx(ctx, func(q *gen.Queries) error {
		if _, err := q.LockPlayers(ctx, gen.LockPlayersParams{ProgramID: program,
			Ids: []uuid.UUID{player}}); err != nil {
			return err
		}
		if _, err := q.Player(ctx, gen.PlayerParams{ProgramID: program, TeamID: team, ID: player}); err != nil {
			if NotFound(err) {
				return nil
			}
			return err
		}
		there = true
		rows, err := q.RepsOfPlayer(ctx, gen.RepsOfPlayerParams{ProgramID: program, PlayerID: player})
		if err != nil {
			return err
		}
		if err := keepCounts(ctx, q, program, rows); err != nil {
			return err
		}
		if err := q.ForgetInBlocks(ctx, gen.ForgetInBlocksParams{ProgramID: program, Player: player}); err != nil {
			return err
		}
		in := gen.ForgetInGamesParams{ProgramID: program, Player: player.String()}
		if err := q.ForgetInGames(ctx, in); err != nil {
			return err
		}
		if err := q.ForgetInTemplates(ctx, gen.ForgetInTemplatesParams(in)); err != nil {
			return err
		}
		if err := q.ForgetInDropped(ctx, gen.ForgetInDroppedParams(in)); err != nil {
			return err
		}
		_, err = q.DeletePlayer(ctx, gen.DeletePlayerParams{ProgramID: program, TeamID: team, ID: player})
		return err
	})
	return there, err
}

// triesKept is how long tries of signing in are kept; they count for minutes.
const triesKept = 24 * time.Hour

// ForgetOld drops what has run out: sessions, known devices, links to a new password and old tries.
func (s *Store) ForgetOld(ctx context.Context, now time.Time) error {
	return s.ForgetWhatRanOut(ctx, gen.ForgetWhatRanOutParams{Now: now, TriesBefore: now.Add(-triesKept)})
}

// Forget drops, in every program that has set a limit, what is older than it: single
// reps become counts of the team, and who was where goes.
func (s *Store) Forget(ctx context.Context, now time.Time) error {
	limits, err := s.ProgramsThatForget(ctx)
	if err != nil {
		return err
	}
	for _, l := range limits {
		if err := s.ForgetBefore(ctx, l.ProgramID, now.AddDate(0, -int(*l.KeepMonths), 0)); err != nil {
			return err
		}
	}
	return nil
}

// ForgetBefore drops what a program holds from before a moment.
func (s *Store) ForgetBefore(ctx context.Context, program uuid.UUID, before time.Time) error {
	return s.Tx(ctx, func(q *gen.Queries) error {
		players, err := q.PlayersWithRepsBefore(ctx,
			gen.PlayersWithRepsBeforeParams{ProgramID: program, Before: before})
		if err != nil {
			return err
		}
		if players, err = q.LockPlayers(ctx, gen.LockPlayersParams{ProgramID: program, Ids: players}); err != nil {
			return err
		}
		for _, id := range players {
			rows, err := q.RepsOfPlayer(ctx, gen.RepsOfPlayerParams{ProgramID: program, PlayerID: id})
			if err != nil {
				return err
			}
			old := rows[:0]
			for _, r := range rows {
				if r.At.Before(before) {
					old = append(old, r)
				}
			}
			if err := keepCounts(ctx, q, program, old); err != nil {
				return err
			}
		}
		if _, err := q.DeleteRepsBefore(ctx, gen.DeleteRepsBeforeParams{ProgramID: program,
			Before: before}); err != nil {
			return err
		}
		if err := q.DeleteAttendanceBefore(ctx, gen.DeleteAttendanceBeforeParams{ProgramID: program,
			Before: before}); err != nil {
			return err
		}
		if err := q.DeleteChangesBefore(ctx, gen.DeleteChangesBeforeParams{ProgramID: program,
			Before: before}); err != nil {
			return err
		}
		if err := q.DeleteHomeShotsBefore(ctx, gen.DeleteHomeShotsBeforeParams{ProgramID: program,
			Before: before}); err != nil {
			return err
		}
		if err := q.DeleteQuizAnswersBefore(ctx, gen.DeleteQuizAnswersBeforeParams{ProgramID: program,
			Before: before}); err != nil {
			return err
		}
		return q.ForgetAudit(ctx, gen.ForgetAuditParams{ProgramID: program, Before: before})
	})
}
