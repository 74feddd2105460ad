package store

import (
	"evrik/core/quiz"
	"evrik/core/reads"
	"evrik/internal/store/gen"
)

// AnswersOf turns a player's stored answers, in order of time, into the core's.
func AnswersOf(rows []gen.QuizAnswer) []quiz.Answer {
	out := make([]quiz.Answer, len(rows))
	for i, r := range rows {
		cue, _ := reads.ParseCue(r.Cue)
		out[i] = quiz.Answer{
			Card: quiz.Card{Action: r.Action, Cue: cue}, Step: quiz.Step(r.Step), Read: reads.Read(r.Expected),
			Right: r.IsRight, Late: r.IsLate, Seconds: r.Seconds, At: r.At,
		}
	}
	return out
}
