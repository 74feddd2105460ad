package practice

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"evrik/core/practice/fit"
)

// Behind is a practice on the floor that runs late.
type Behind struct {
	Plan Plan
	// Current is the block that runs; it and what came before it stay.
	Current string
	// Left is how many minutes are left for what comes after it.
	Left float64
}

// BehindAt is how a practice stands at a moment. One that has not begun is on time.
func BehindAt(p Plan, c Clock, now time.Time) Behind {
	l := Behind{Plan: p, Current: c.Block}
	past, rest := l.split()
	if c.Began.IsZero() {
		l.Left = minutesFrom(rest)
		return l
	}
	current := 0.0 // what is left of what runs now
	if side := sides(past); len(side) > 0 {
		ran := c.Elapsed(now).Minutes()
		for _, b := range side[len(side)-1] {
			if b.ID == c.Block {
				break
			}
			if i := slices.IndexFunc(past, func(o Block) bool { return o.ID == c.Block }); i >= 0 &&
				b.Basket == past[i].Basket {
				ran += b.Minutes
			}
		}
		current = math.Max(0, minutesOf(side[len(side)-1])-ran)
	}
	l.Left = p.Minutes - now.Sub(c.Began).Minutes() - current
	return l
}

// Over is how many minutes late the practice ends as it is planned.
func (l Behind) Over() float64 {
	_, rest := l.split()
	return math.Max(0, minutesFrom(rest)-l.Left)
}

// Cut is one way to end in time.
type Cut struct {
	// Blocks are the whole plan, with what came before as it was.
	Blocks []Block `json:"blocks"`
	Text   string  `json:"text"`
	// Less is how many reps of the goals it gives less than what was planned.
	Less float64 `json:"less"`
	// Over is by how many minutes the practice still ends late.
	Over float64 `json:"over"`
	// Breaks are the rules, in words, that are kept as the practice was planned and are not
	// in this one.
	Breaks []string `json:"breaks"`
}

// orderRules are the rules about what comes before what. No cut breaks them: a coach in a hurry
// still teaches before playing.
var orderRules = []string{"ladder", "teaching"}

// Cuts lists ways to end in time, the cheapest in reps of the goals first among those that
// end in time: the blocks that were planned made shorter or left out so that the goals still
// move most, the rest of the practice planned anew, and each block left out alone. They keep
// the rules of the practice as far as its minutes allow: none breaks the order of teaching,
// and those that break another rule say so and come after the others.
func Cuts(l Behind, newID func() string) []Cut {
	past, rest := l.split()
	planned := l.Plan.covered(rest)
	over := l.Over()
	kept := map[string]bool{}
	for _, r := range l.Plan.checks(l.Plan.Blocks) {
		kept[r.ID] = r.Kept
	}
	cuts := []Cut{}
	add := func(text string, blocks []Block) {
		c := Cut{Blocks: append(slices.Clone(past), blocks...), Text: text, Less: planned - l.Plan.covered(blocks),
			Over: math.Max(0, minutesFrom(blocks)-l.Left), Breaks: []string{}}
		for _, r := range l.Plan.checks(c.Blocks) {
			if r.Kept || !kept[r.ID] {
				continue
			}
			if slices.Contains(orderRules, r.ID) {
				return
			}
			c.Breaks = append(c.Breaks, r.Name)
		}
		known := slices.ContainsFunc(cuts, func(o Cut) bool { return o.Text == c.Text })
		if c.Over < over && !known {
			cuts = append(cuts, c)
		}
	}
	for _, anew := range []bool{false, true} {
		for keep := rest; ; {
			if blocks, ok := l.refit(past, keep, anew, newID); ok {
				add(difference(rest, blocks), blocks)
				break
			}
			// What the coach put in by hand goes last, and the close not at all.
			i := slices.IndexFunc(keep, func(b Block) bool { return l.Plan.chosen(b) && !b.Pin })
			if i < 0 || i == len(keep)-1 {
				break
			}
			keep = slices.Delete(slices.Clone(keep), i, i+1)
		}
	}
	for i, b := range rest {
		if b.Kind != WaterBlock && !b.Pin && b.Basket == 0 {
			blocks := tidy(slices.Delete(slices.Clone(rest), i, i+1))
			add(difference(rest, blocks), blocks)
		}
	}
	slices.SortStableFunc(cuts, func(a, b Cut) int {
		return cmp.Or(cmp.Compare(a.Over, b.Over), cmp.Compare(len(a.Breaks), len(b.Breaks)),
			cmp.Compare(a.Less, b.Less))
	})
	return cuts
}

// checks are the rules of a plan with other blocks.
func (p Plan) checks(blocks []Block) []RuleCheck {
	p.Blocks = blocks
	return LayOut(p).Rules
}

// split parts the plan into what has been run, with what runs now at either end,
// and what is still to come.
func (l Behind) split() (past, rest []Block) {
	blocks := l.Plan.Blocks
	i := slices.IndexFunc(blocks, func(b Block) bool { return b.ID == l.Current }) + 1
	for i > 0 && i < len(blocks) && blocks[i-1].Basket > 0 && blocks[i].Basket > 0 {
		i++
	}
	return slices.Clone(blocks[:i]), slices.Clone(blocks[i:])
}

// tidy takes out breaks that break nothing any more.
func tidy(blocks []Block) []Block {
	var out []Block
	for i, b := range blocks {
		last := i == len(blocks)-1
		if b.Kind == WaterBlock && !b.Pin && (last || len(out) > 0 && out[len(out)-1].Kind == WaterBlock) {
			continue
		}
		out = append(out, b)
	}
	return out
}

// covered is how many reps of the goals some blocks give.
func (p Plan) covered(blocks []Block) float64 { return goalReps(p.Needs, p.given(blocks)) }

// refit makes what is to come anew: of the blocks that were planned, no longer than
// they were, or of all drills. ok is false where what is kept does not fit.
func (l Behind) refit(past, rest []Block, anew bool, newID func() string) (blocks []Block, ok bool) {
	p := l.Plan
	p.Minutes = minutesFrom(past) + math.Max(0, math.Floor(l.Left))
	p.Blocks = nil
	for _, b := range past {
		b.Pin = true
		p.Blocks = append(p.Blocks, b)
	}
	p.Blocks = append(p.Blocks, rest...)
	f := &filler{plan: p, scope: Evening, past: len(past), newID: newID}
	if f.prepare() != nil {
		return nil, false
	}
	f.head = len(sides(past))
	// What closes the practice closes it still, unless it is running.
	_, f.tail = p.edges(p.Blocks)
	f.tail = min(f.tail, len(f.kept)-f.head)
	if !anew {
		f.offered[""] = f.plan.shorter(rest)
	}
	best, err := f.solve(p.Minutes, nil)
	if err != nil || !best.solution.Found {
		return nil, false
	}
	all, _ := f.blocks(best)
	return all[len(past):], true
}

// shorter are the drill blocks of some, as they are or shorter.
func (p Plan) shorter(blocks []Block) candidates {
	c := p.candidates(nil, nil, nil) // no lengths: stages without options
	for _, b := range blocks {
		if b.Kind != DrillBlock || b.Pin || b.Basket > 0 {
			continue
		}
		i := slices.IndexFunc(c.stages, func(s stageInfo) bool {
			return s.drill.ID == b.Drill &&
				s.stage.ID == b.Stage
		})
		if i < 0 {
			continue
		}
		if after, ok := c.after(i, b); ok {
			for m := int(ShortBlock); m <= int(b.Minutes); m++ {
				b.Minutes = float64(m)
				c.offer(i, b, fit.Whole, after)
			}
		}
	}
	return c
}

// difference says what was done to a plan.
func difference(was, is []Block) string {
	var shorter, gone, fresh []string
	for _, b := range was {
		i := slices.IndexFunc(is, func(o Block) bool { return o.ID == b.ID })
		switch {
		case i < 0 && b.Kind != WaterBlock:
			gone = append(gone, b.Title)
		case i >= 0 && is[i].Minutes < b.Minutes:
			shorter = append(shorter, fmt.Sprintf("%s to %.0f min", b.Title, is[i].Minutes))
		}
	}
	for _, b := range is {
		if b.Kind != WaterBlock && !slices.ContainsFunc(was, func(o Block) bool { return o.ID == b.ID }) {
			fresh = append(fresh, fmt.Sprintf("%s, %.0f min", b.Title, b.Minutes))
		}
	}
	var parts []string
	for _, p := range []struct {
		says  string
		names []string
	}{{"leave out ", gone}, {"shorten ", shorter}, {"run instead ", fresh}} {
		if len(p.names) > 0 {
			parts = append(parts, p.says+Names(p.names))
		}
	}
	if len(parts) == 0 {
		return "Another order"
	}
	text := strings.Join(parts, "; ")
	return strings.ToUpper(text[:1]) + text[1:]
}
