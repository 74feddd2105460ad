// Package quizzes asks players to read pictures away from the floor, and remembers what they answered.
package quizzes

import (
	"context"
	"math/rand/v2"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/quiz"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/tries"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service asks.
type Service struct {
	Store *store.Store
	Tries tries.Service
	Now   func() time.Time
}

// Questions at once (assumptions).
const (
	// RoundSize is how many a team's round has, MaxPack how many one phone gets at once.
	RoundSize = 12
	MaxPack   = 40
	// roundLife is how long displays show a round of which nothing is heard.
	roundLife = 15 * time.Minute
)

// Learner is a player with the team's floor and what that player has answered.
type Learner struct {
	Program, Player uuid.UUID
	Team            gen.Team
	Floor           reads.Floor
	Answers         []quiz.Answer
}

func (s Service) learner(ctx context.Context, team gen.Team, player uuid.UUID) (l Learner, err error) {
	l = Learner{Program: team.ProgramID, Player: player, Team: team}
	if l.Floor, err = store.FloorOf(team); err != nil {
		return l, err
	}
	rows, err := s.Store.QuizAnswers(ctx, gen.QuizAnswersParams{ProgramID: l.Program, PlayerID: player})
	l.Answers = store.AnswersOf(rows)
	return l, err
}

// Step is how hard the questions are for a learner.
func (l *Learner) Step() quiz.Step { return quiz.StepOf(l.Answers) }

// Shape says how it goes.
func (l *Learner) Shape() quiz.Shape {
	return quiz.ShapeOf(quiz.File(quiz.Cards(l.Floor), l.Answers), l.Answers)
}

// Pack is some questions, with what it takes to draw them.
type Pack struct {
	Items   []quiz.Item
	Actions []*reads.Action
	// Reads are what can be answered.
	Reads []reads.Read
	Step  quiz.Step
	Floor reads.Floor
}

// Next are the questions that a learner should see next.
func (s Service) Next(l *Learner, size int) (Pack, error) {
	if size < 1 || size > MaxPack {
		return Pack{}, app.Refuse(app.Invalid, "quiz.count", MaxPack)
	}
	seed := uint64(rand.Uint32())
	file := quiz.File(quiz.Cards(l.Floor), l.Answers)
	return packOf(l.Floor, quiz.Pack(file, l.Step(), s.Now(), size, seed), l.Step(), seed)
}

// packOf makes the questions of some cards.
func packOf(fl reads.Floor, cards []quiz.Card, step quiz.Step, seed uint64) (Pack, error) {
	pack := Pack{Items: []quiz.Item{}, Step: step, Floor: fl}
	rng := rand.New(rand.NewPCG(seed, uint64(len(cards))))
	for _, card := range cards {
		it, err := quiz.New(fl, card, step, uint64(rng.Uint32()))
		if err != nil {
			return pack, err
		}
		pack.Items = append(pack.Items, it)
		for _, c := range it.Choices {
			if !slices.Contains(pack.Reads, c) {
				pack.Reads = append(pack.Reads, c)
			}
		}
		if action, _ := reads.ActionByID(card.Action); !slices.Contains(pack.Actions, action) {
			pack.Actions = append(pack.Actions, action)
		}
	}
	return pack, nil
}

// Given is an answer as a phone tells it.
type Given struct {
	ID      uuid.UUID
	Card    quiz.Card
	Step    quiz.Step
	Seed    int64
	Choice  reads.Read
	Seconds float64
	At      time.Time
}

// Keep stores answers, each once, and returns how many were new. What is not asked on this floor any more is left out.
func (s Service) Keep(ctx context.Context, l *Learner, answers []Given) (stored int, err error) {
	now := s.Now()
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		stored = 0
		for _, a := range answers {
			it, err := quiz.New(l.Floor, a.Card, a.Step, uint64(a.Seed))
			if err != nil {
				continue
			}
			got := it.Settle(a.Choice, a.Seconds, a.At, now)
			n, err := q.InsertQuizAnswer(ctx, gen.InsertQuizAnswerParams{ProgramID: l.Program, PlayerID: l.Player,
				ID: a.ID, Action: a.Card.Action,
				Cue: a.Card.Cue.String(), Step: int32(a.Step), Seed: a.Seed, Expected: string(it.Right),
				Choice: string(a.Choice), IsRight: got.Right,
				IsLate: got.Late, Seconds: got.Seconds, At: got.At})
			if err != nil {
				return err
			}
			stored += int(n)
		}
		return nil
	})
	if err != nil {
		return 0, err
	}
	*l, err = s.learner(ctx, l.Team, l.Player)
	return stored, err
}

// Report is what a player's answers say, for the coach.
type Report struct {
	Learner
	Reads []quiz.Summary
	// LinkMade is when the player's link was made, nil for none.
	LinkMade *time.Time
}

// Of sums up what a player answered beside what was seen on the floor.
func (s Service) Of(ctx context.Context, team gen.Team, player uuid.UUID) (out Report, err error) {
	if out.Learner, err = s.learner(ctx, team, player); err != nil {
		return out, err
	}
	reps, err := s.Store.RepsOfPlayer(ctx, team.ProgramID, player)
	if err != nil {
		return out, err
	}
	out.Reads = quiz.Summarize(out.Answers, quiz.Live(evidence.OnePerRep(reps)))
	made, err := s.Store.PlayerLink(ctx, gen.PlayerLinkParams{ProgramID: team.ProgramID, PlayerID: player})
	if store.NotFound(err) {
		return out, nil
	}
	out.LinkMade = &made
	return out, err
}

// Round is a round for the whole team: the same one has the same questions everywhere.
type Round struct {
	Step int
	Seed int64
	// Action is the one that is asked about, empty for all.
	Action string
	// Question is the one that is shown, from 0; Told is true where its answer is; Again counts how often it was shown
	// anew.
	Question int
	Told     bool
	Again    int
}

// Questions are those of a round.
func (r Round) Questions(fl reads.Floor) (Pack, error) {
	if r.Step < 1 || r.Step > quiz.Steps {
		return Pack{}, app.Refuse(app.Invalid, "quiz.step", quiz.Steps)
	}
	asked := quiz.Round(fl, r.Action, uint64(r.Seed), RoundSize)
	if len(asked) == 0 {
		return Pack{}, app.Refuse(app.Invalid, "quiz.no-questions", r.Action)
	}
	return packOf(fl, asked, quiz.Step(r.Step), uint64(r.Seed))
}

// SetRound makes a practice's displays show a question of a round, or its answer. notify runs in the transaction.
func (s Service) SetRound(ctx context.Context, team gen.Team, practice uuid.UUID, r Round,
	notify func(*gen.Queries) error) error {
	fl, err := store.FloorOf(team)
	if err != nil {
		return err
	}
	pack, err := r.Questions(fl)
	if err != nil {
		return err
	}
	if r.Question >= len(pack.Items) {
		return app.Refuse(app.Invalid, "quiz.round-length", len(pack.Items))
	}
	return s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.SetRound(ctx, gen.SetRoundParams{ProgramID: team.ProgramID, PracticeID: practice,
			Step: int32(r.Step), Seed: r.Seed, Action: r.Action,
			Question: int32(r.Question), IsTold: r.Told, Again: int32(r.Again), At: s.Now()}); err != nil {
			return err
		}
		return notify(q)
	})
}

// EndRound makes displays show the practice again. notify runs in the transaction.
func (s Service) EndRound(ctx context.Context, program, practice uuid.UUID, notify func(*gen.Queries) error) error {
	return s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.EndRound(ctx, gen.EndRoundParams{ProgramID: program, PracticeID: practice}); err != nil {
			return err
		}
		return notify(q)
	})
}

// RoundOf is the round that a practice's displays show, nil for none.
func (s Service) RoundOf(ctx context.Context, program, practice uuid.UUID) (*Round, error) {
	row, err := s.Store.RoundOfPractice(ctx, gen.RoundOfPracticeParams{ProgramID: program, PracticeID: practice,
		Since: s.Now().Add(-roundLife)})
	if store.NotFound(err) {
		return nil, nil
	}
	return &Round{int(row.Step), row.Seed, row.Action, int(row.Question), row.IsTold, int(row.Again)}, err
}
