package practice

import (
	"evrik/core/drill"
	"evrik/core/reads"
	"evrik/core/refusal"
)

// Terms are what a practice has to work with and what it is for.
type Terms struct {
	// Baskets, helpers (coaches included) and balls there are.
	Baskets int `json:"baskets"`
	Helpers int `json:"helpers"`
	Balls   int `json:"balls"`
	// Focus are the reads the coach wants the practice to be for; with none, or one, goals
	// are proposed.
	Focus []reads.Read `json:"focus"`
	// Expect are cues the next opponent is expected to show.
	Expect []reads.Cue `json:"expect"`
	// Banned are drills that are not wanted, by id.
	Banned []string `json:"banned"`
	// Rules are the coach's own; nil takes those of the players' age.
	Rules *Rules `json:"rules,omitempty"`
	// Aimed are the goals that the practice had when it was saved.
	Aimed []reads.Read `json:"aimed,omitempty"`
}

// DefaultTerms are a gym with two baskets, a coach and an assistant (assumption).
func DefaultTerms() Terms {
	return Terms{Baskets: 2, Helpers: 2, Balls: 8, Focus: []reads.Read{}, Expect: []reads.Cue{}, Banned: []string{}}
}

// Limits of the terms (assumptions).
const (
	MaxHelpers = 12
	MaxBalls   = 60
	maxNamed   = 60 // reads, cues or drills named
)

// Check refuses terms that cannot be. The error is a refusal.
func (t Terms) Check() error {
	switch {
	case t.Baskets < 1 || t.Baskets > drill.MaxBaskets:
		return refusal.New("practice.baskets", drill.MaxBaskets, t.Baskets)
	case t.Helpers < 0 || t.Helpers > MaxHelpers:
		return refusal.New("practice.helpers", MaxHelpers, t.Helpers)
	case t.Balls < 1 || t.Balls > MaxBalls:
		return refusal.New("practice.balls", MaxBalls, t.Balls)
	case len(t.Focus) > maxNamed || len(t.Expect) > maxNamed || len(t.Banned) > drill.MaxOwn:
		return refusal.New("practice.too-many-goals")
	case t.Rules != nil:
		return t.Rules.Check()
	}
	return nil
}
