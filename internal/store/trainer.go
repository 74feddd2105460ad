package store

import (
	"evrik/core/reads"
	"evrik/core/trainer"
	"evrik/internal/store/gen"
)

// AnswersOf turns a player's stored answers, in order of time, into the core's.
func AnswersOf(rows []gen.TrainerAnswer) []trainer.Answer {
	out := make([]trainer.Answer, len(rows))
	for i, r := range rows {
		cue, _ := reads.ParseCue(r.Cue)
		out[i] = trainer.Answer{
			Card: trainer.Card{Screen: r.Screen, Cue: cue}, Step: trainer.Step(r.Step), Read: reads.Read(r.Expected),
			Right: r.IsRight, Late: r.IsLate, Seconds: r.Seconds, At: r.At,
		}
	}
	return out
}
