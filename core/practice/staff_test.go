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
		"for nobody":           {Who: "  ", Job: "passes"},
		"of 1 to 60":           {Who: strings.Repeat("x", 61), Job: "logs"},
		"which there is not":   {Who: "Ann", Job: "sings"},
		"at basket 7":          {Who: "Ann", Job: "logs", Basket: 7},
		"at basket -1":         {Who: "Ann", Job: "logs", Basket: -1},
		"job for nobody. Give": {Who: "a\nb", Job: "logs"},
	} {
		if err := Check(drill.Library{}, 60, block(d)); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%+v: %v, want %q", d, err, want)
		}
	}
	if err := Check(drill.Library{}, 60, block(make([]Duty, 13)...)); err == nil || !strings.Contains(err.Error(), "13 jobs") {
		t.Error(err)
	}
}
