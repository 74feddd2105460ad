package practice

import (
	"fmt"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"evrik/core/drill"
)

// Limits of a plan (assumptions).
const (
	MinPractice = 10  // minutes
	MaxPractice = 240 // minutes
	MaxBlocks   = 40
	MaxTitle    = 60 // characters
)

// Check refuses a plan that cannot be stored. The error is a sentence. A plan
// that is merely unwise passes; LayOut warns about it.
func Check(lib drill.Library, minutes int, blocks []Block) error {
	if err := CheckForm(minutes, blocks); err != nil {
		return err
	}
	for i, b := range blocks {
		if b.Kind != DrillBlock {
			continue
		}
		if _, _, err := StageOf(lib, b); err != nil {
			return fmt.Errorf("Block %d: %w", i+1, err)
		}
	}
	return nil
}

// CheckForm refuses a plan whose figures cannot be, whatever drills there are. The error is a
// sentence.
func CheckForm(minutes int, blocks []Block) error {
	if minutes < MinPractice || minutes > MaxPractice {
		return fmt.Errorf("A practice lasts %d to %d minutes, not %d.", MinPractice, MaxPractice, minutes)
	}
	if len(blocks) > MaxBlocks {
		return fmt.Errorf("%d blocks are more than one practice can hold (%d).", len(blocks), MaxBlocks)
	}
	seen := map[string]bool{}
	for i, b := range blocks {
		nth := fmt.Sprintf("Block %d", i+1)
		if seen[b.ID] {
			return fmt.Errorf("%s is in the plan twice.", nth)
		}
		seen[b.ID] = true
		if !(b.Minutes >= 1 && b.Minutes <= drill.MaxMinutes) {
			return fmt.Errorf("%s lasts 1 to %d minutes, not %g.", nth, drill.MaxMinutes, b.Minutes)
		}
		if t := strings.TrimSpace(b.Title); t == "" || utf8.RuneCountInString(t) > MaxTitle || strings.ContainsFunc(t, unicode.IsControl) {
			return fmt.Errorf("%s needs a title of 1 to %d characters.", nth, MaxTitle)
		}
		if b.End < 0 || b.End > ends {
			return fmt.Errorf("%s is at basket %d; there are two.", nth, b.End)
		}
		if !slices.Contains([]Kind{DrillBlock, OwnBlock, WaterBlock}, b.Kind) {
			return fmt.Errorf("%s is of a kind called %q, which there is not.", nth, b.Kind)
		}
		if err := checkStaff(nth, b); err != nil {
			return err
		}
		if b.Kind != DrillBlock {
			continue
		}
		if b.Baskets < 1 || b.Baskets > drill.MaxBaskets {
			return fmt.Errorf("%s runs at one to %d baskets, not %d.", nth, drill.MaxBaskets, b.Baskets)
		}
		if b.Seconds != 0 && !(b.Seconds >= drill.MinSeconds && b.Seconds <= drill.MaxSeconds) {
			return fmt.Errorf("%s: a rep takes %d to %d seconds, not %g.", nth, drill.MinSeconds, drill.MaxSeconds, b.Seconds)
		}
	}
	return nil
}
