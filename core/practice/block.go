package practice

import (
	"slices"

	"evrik/core/drill"
	"evrik/core/refusal"
)

// StageOf returns the drill and stage a block runs. The error is a refusal.
func StageOf(lib drill.Library, b Block) (*drill.Drill, drill.Stage, error) {
	d, ok := lib.ByID(b.Drill)
	if !ok {
		return nil, drill.Stage{}, refusal.New("practice.drill-gone")
	}
	st, ok := d.Stage(b.Stage)
	if !ok {
		return nil, drill.Stage{}, refusal.New("practice.stage-gone", d.Name, b.Stage)
	}
	return d, st, nil
}

// Order is the order list of a drill block for those of these people who take part.
func Order(lib drill.Library, b Block, people []Person) (drill.Order, error) {
	return order(lib, b, people, nil)
}

// setup is a block as the order list wants it.
func (b Block) setup(players []string) drill.Setup {
	return drill.Setup{Players: players, Baskets: b.Baskets, Minutes: b.Minutes, Seconds: b.Seconds, Seed: b.Seed, NoHelpers: b.NoHelpers, PlayerShows: b.PlayerShows}
}

// strains reports whether a block asks for more than a warm-up: it teaches a read, or is live.
func (p Plan) strains(b Block) bool {
	d, st, err := StageOf(p.Library, b)
	return b.Kind == DrillBlock && (err != nil || d.Screen != "" || isLive(st))
}

// taking lists who of those present takes part in a block.
func (p Plan) taking(b Block, live bool) []string { return taking(p.People, b, live) }

// shownBefore reports whether a block before the i-th shows the reads of a
// situation.
func (p Plan) shownBefore(i int, screen string) bool {
	return slices.ContainsFunc(p.Blocks[:i], func(b Block) bool {
		d, st, err := StageOf(p.Library, b)
		return b.Kind == DrillBlock && err == nil && d.Screen == screen && st.Rung == drill.Shown
	})
}
