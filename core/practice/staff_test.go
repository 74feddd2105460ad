package practice

import (
	"strings"
	"testing"

	"evrik/core/drill"
)

// A block names who does what; a job for nobody, of no kind or at no basket is refused.
func TestStaffOfABlock(t *testing.T) {
	block := func(duties ...Duty) []Block {
		return []Block{{ID: "a", Kind: OwnBlock, Title: "Warm-up", Minutes: 10, Staff: duties}}
	}
	good := []Duty{}
	for _, j := range Jobs() {
		good = append(good, Duty{Who: "Ann", Job: Job(j[0]), Basket: 2})
	}
	if err := Check(drill.Library{}, 60, block(good...)); err != nil {
		t.Error(err)
	}
	for want, d := range map[string]Duty{
		"practice.job-nobody":           {Who: "  ", Job: "passes"},
		"practice.job-nobody: 1, 60":    {Who: strings.Repeat("x", 61), Job: "logs"},
		"practice.job-kind":             {Who: "Ann", Job: "sings"},
		"practice.job-basket: 1, 7, 6":  {Who: "Ann", Job: "logs", Basket: 7},
		"practice.job-basket: 1, -1, 6": {Who: "Ann", Job: "logs", Basket: -1},
		"practice.job-nobody: 1":        {Who: "a\nb", Job: "logs"},
	} {
		if err := Check(drill.Library{}, 60, block(d)); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%+v: %v, want %q", d, err, want)
		}
	}
	if err := Check(drill.Library{}, 60, block(make([]Duty, 13)...)); err == nil ||
		!strings.Contains(err.Error(), "practice.too-many-jobs: 1, 13, 12") {
		t.Error(err)
	}
}
