package practice

import (
	"slices"
	"testing"
)

// Other plans are others: ten minutes and more of each are in neither the best plan nor another
// one, they gain what their name says, and keep the rules that the best one keeps.
func TestOtherPlansAreOthers(t *testing.T) {
	apart := func(a, b []Block) (minutes float64) {
		for _, x := range a {
			same := func(y Block) bool {
				return y.Drill == x.Drill && y.Stage == x.Stage && y.Minutes == x.Minutes && y.Title == x.Title
			}
			if x.Kind != WaterBlock && !slices.ContainsFunc(b, same) {
				minutes += x.Minutes
			}
		}
		return minutes
	}
	offered := 0
	for seed := range times(8, 2) {
		p := promisedNight(seed)
		f, err := Fill(p, Evening, counter())
		if err != nil {
			t.Fatal(err)
		}
		kept := map[string]bool{}
		for _, r := range f.Sheet.Rules {
			kept[r.ID] = r.Kept
		}
		plans := [][]Block{f.Blocks}
		for _, o := range f.Others {
			offered++
			for i, other := range plans {
				if m := apart(o.Blocks, other); m < otherMinutes {
					t.Errorf("%d: %q is %v minutes apart from plan %d", seed, o.Name, m, i)
				}
			}
			plans = append(plans, o.Blocks)
			laid := p
			laid.Blocks = o.Blocks
			s := LayOut(laid)
			switch o.Name {
			case "More live":
				if s.LiveMinutes <= f.Sheet.LiveMinutes {
					t.Errorf("%d: %v live minutes instead of %v", seed, s.LiveMinutes, f.Sheet.LiveMinutes)
				}
			case "Less waiting":
				if s.Waiting >= f.Sheet.Waiting {
					t.Errorf("%d: %v in line instead of %v", seed, s.Waiting, f.Sheet.Waiting)
				}
			}
			for _, r := range s.Rules {
				if kept[r.ID] && !r.Kept {
					t.Errorf("%d: %q breaks a rule: %s", seed, o.Name, r.Says)
				}
			}
		}
	}
	if offered < times(8, 1) {
		t.Errorf("%d other plans", offered)
	}
	t.Logf("%d other plans", offered)
}
