package demo

import (
	"time"

	"evrik/core/court"
	"evrik/core/quiz"
	"evrik/core/reads"
	"evrik/internal/store/gen"
)

// Evenings on which the younger team's players answered questions on their phones, days
// ago, and how many each time (the demo's own invention, like all its figures).
var eveningsAgo = []int{18, 15, 11, 9, 6, 4, 2}

const (
	eachEvening = 10
	seesMore    = 0.2 // how much more often a player sees a read than does it
	quizStride  = 3   // every third player trains; so do those who know more than they do
	quickest    = 0.35
)

// quiz stores what some of a team's players have answered away from the floor.
func (s *seeder) quiz(t roster) error {
	c, _ := court.PresetCourt(court.HighSchool)
	fl := reads.On(c)
	for i, m := range t.players {
		if i%quizStride != 2 && m.doing == 0 {
			continue
		}
		var given []quiz.Answer
		for _, ago := range eveningsAgo {
			at := s.day(ago).Add(3 * time.Hour)
			step := quiz.StepOf(given)
			for _, card := range quiz.Pack(quiz.File(quiz.Cards(fl), given), step, at, eachEvening, s.rng.Uint64()) {
				it, err := quiz.New(fl, card, step, uint64(s.rng.Uint32()))
				if err != nil {
					return err
				}
				at = at.Add(12 * time.Second)
				a, err := s.seen(&it, m, at)
				if err != nil {
					return err
				}
				given = append(given, a)
			}
		}
	}
	return nil
}

// seen stores one answer.
func (s *seeder) seen(it *quiz.Item, m member, at time.Time) (quiz.Answer, error) {
	choice := it.Right
	if s.rng.Float64() > min(highest, 0.6+m.skill+m.quirk[it.Right]+seesMore) {
		choice = it.Choices[s.rng.IntN(len(it.Choices))]
	}
	a := it.Settle(choice, quickest+s.rng.ExpFloat64()*0.4, at, s.now)
	_, err := s.q.InsertQuizAnswer(s.ctx, gen.InsertQuizAnswerParams{
		ProgramID: s.program, PlayerID: m.id, ID: s.id(), Action: it.Card.Action, Cue: it.Card.Cue.String(),
		Step: int32(it.Step), Seed: int64(it.Seed),
		Expected: string(it.Right), Choice: string(choice), IsRight: a.Right, IsLate: a.Late, Seconds: a.Seconds,
		At: a.At,
	})
	return a, err
}
