package practice

import (
	"slices"
	"strings"
	"testing"

	"evrik/core/evidence"
)

// ruleOf is what a sheet says of a rule.
func ruleOf(t *testing.T, s Sheet, id string) RuleCheck {
	t.Helper()
	i := slices.IndexFunc(s.Rules, func(r RuleCheck) bool { return r.ID == id })
	if i < 0 {
		t.Fatalf("no rule %q in %+v", id, s.Rules)
	}
	return s.Rules[i]
}

// Free throws with a goal do not make the end of a practice play: what comes before them
// decides. New teaching late is told, pinned or not.
func TestRulesThatAreBroken(t *testing.T) {
	p := evening()
	free := block("free", DrillBlock, 5, "air")
	free.Drill = "free-throws-in-pairs"
	p.Blocks = []Block{block("warm", OwnBlock, 10, ""), block("shown", DrillBlock, 10, "shown"), free}
	p.Aim(Aims{Outlooks: fresh(p.People)})
	if r := ruleOf(t, LayOut(p), "end"); r.Kept {
		t.Errorf("guided, then free throws, ends with play: %+v", r)
	}
	p.Blocks = slices.Insert(p.Blocks, 2, block("live", DrillBlock, 10, "live"))
	if r := ruleOf(t, LayOut(p), "end"); !r.Kept {
		t.Errorf("live, then free throws, does not end with play: %+v", r)
	}
	if r := ruleOf(t, LayOut(p), "teaching"); !r.Kept {
		t.Errorf("%+v", r)
	}
	p.Minutes, p.Blocks[1].Pin = 20, true // the guided block begins at half time
	if r := ruleOf(t, LayOut(p), "teaching"); r.Kept || !strings.Contains(r.Says, "second half") {
		t.Errorf("%+v", r)
	}
	// Held, it is no new teaching.
	p.Aim(Aims{Outlooks: outlooks(p.People, evidence.HasIt, evidence.NotEnough, downReads...)})
	if r := ruleOf(t, LayOut(p), "teaching"); !r.Kept {
		t.Errorf("%+v", r)
	}
}
