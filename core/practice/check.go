package practice

import (
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"evrik/core/drill"
	"evrik/core/refusal"
)

// Limits of a plan (assumptions).
const (
	MinPractice = 10  // minutes
	MaxPractice = 240 // minutes
	MaxBlocks   = 40
	MaxTitle    = 60 // characters
)

// Check refuses a plan that cannot be stored. The error is a refusal. A plan
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
			return refusal.New("practice.block-at", i+1, err)
		}
	}
	return nil
}

// CheckForm refuses a plan whose figures cannot be, whatever drills there are. The error is a
// refusal.
func CheckForm(minutes int, blocks []Block) error {
	if minutes < MinPractice || minutes > MaxPractice {
		return refusal.New("practice.minutes", MinPractice, MaxPractice, minutes)
	}
	if len(blocks) > MaxBlocks {
		return refusal.New("practice.too-many-blocks", len(blocks), MaxBlocks)
	}
	seen := map[string]bool{}
	for i, b := range blocks {
		nth := i + 1
		if seen[b.ID] {
			return refusal.New("practice.block-twice", nth)
		}
		seen[b.ID] = true
		if !(b.Minutes >= 1 && b.Minutes <= drill.MaxMinutes) {
			return refusal.New("practice.block-minutes", nth, drill.MaxMinutes, b.Minutes)
		}
		if t := strings.TrimSpace(b.Title); t == "" || utf8.RuneCountInString(t) > MaxTitle ||
			strings.ContainsFunc(t, unicode.IsControl) {
			return refusal.New("practice.block-title", nth, MaxTitle)
		}
		if b.Basket < 0 || b.Basket > splitBaskets {
			return refusal.New("practice.block-basket", nth, b.Basket)
		}
		if !slices.Contains([]Kind{DrillBlock, OwnBlock, WaterBlock}, b.Kind) {
			return refusal.New("practice.block-kind", nth, b.Kind)
		}
		if err := checkStaff(nth, b); err != nil {
			return err
		}
		if b.Kind != DrillBlock {
			continue
		}
		if b.Baskets < 1 || b.Baskets > drill.MaxBaskets {
			return refusal.New("practice.block-baskets", nth, drill.MaxBaskets, b.Baskets)
		}
		if b.Seconds != 0 && !(b.Seconds >= drill.MinSeconds && b.Seconds <= drill.MaxSeconds) {
			return refusal.New("practice.block-seconds", nth, drill.MinSeconds, drill.MaxSeconds, b.Seconds)
		}
	}
	return nil
}
