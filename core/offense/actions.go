package offense

import (
	"cmp"
	"slices"
)

// Actions lists the actions an offense is made of, by id, in the order to teach them: the
// base actions first, those that are wanted most often before the others, then the
// counters, which answer a denied pass or come out of the high post.
func (s School) Actions() []string {
	type part struct {
		action        string
		base, counter float64 // weights
	}
	var parts []part
	for _, a := range s.Answers {
		if a.Situation == "" || a.Weight == 0 {
			continue
		}
		i := slices.IndexFunc(parts, func(p part) bool { return p.action == a.Situation })
		if i < 0 {
			i = len(parts)
			parts = append(parts, part{action: a.Situation})
		}
		if a.On == Denied || a.On == FromPost {
			parts[i].counter += a.Weight
		} else {
			parts[i].base += a.Weight
		}
	}
	slices.SortStableFunc(parts, func(a, b part) int {
		if a.base == 0 && b.base == 0 {
			return cmp.Compare(b.counter, a.counter)
		}
		return cmp.Compare(b.base, a.base)
	})
	out := make([]string, len(parts))
	for i, p := range parts {
		out[i] = p.action
	}
	return out
}
