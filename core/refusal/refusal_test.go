package refusal_test

import (
	"errors"
	"fmt"
	"testing"

	"evrik/core/refusal"
)

// A program checks the code; the values are there for the sentence.
func ExampleNew() {
	err := refusal.New("game.too-few-players", 4)
	fmt.Println(err)
	fmt.Println(refusal.CodeOf(fmt.Errorf("lineups: %w", err)))
	// Output:
	// game.too-few-players: 4
	// game.too-few-players
}

// What was kept goes onto a refusal, also a wrapped one, and leaves other errors alone.
func TestKeeping(t *testing.T) {
	inner := refusal.New("roster.no-name")
	if r := refusal.Of(refusal.Keeping(fmt.Errorf("line: %w", inner), "kept.nothing")); r.Code != "roster.no-name" ||
		r.Kept != "kept.nothing" {
		t.Errorf("%+v", r)
	}
	if refusal.Of(inner).Kept != "" {
		t.Error("the refusal itself was changed")
	}
	other := errors.New("disk full")
	if refusal.Keeping(other, "kept.nothing") != other || refusal.CodeOf(other) != "" ||
		refusal.Of(other).Args[0] != "disk full" {
		t.Error("an error that is no refusal was taken for one")
	}
}
