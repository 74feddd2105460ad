package practice

import (
	"encoding/json"
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
	return drill.Setup{Players: players, Baskets: b.Baskets, Minutes: b.Minutes, Seconds: b.Seconds, Seed: b.Seed,
		NoHelpers: b.NoHelpers, PlayerShows: b.PlayerShows}
}

// strains reports whether a block asks for more than a warm-up: it teaches a read, or is live.
func (p Plan) strains(b Block) bool {
	d, st, err := StageOf(p.Library, b)
	return b.Kind == DrillBlock && (err != nil || d.Action != "" || isLive(st))
}

// taking lists who of those present takes part in a block.
func (p Plan) taking(b Block, live bool) []string { return taking(p.People, b, live) }

// shownBefore reports whether a block before the i-th shows the reads of a
// action.
func (p Plan) shownBefore(i int, action string) bool {
	return slices.ContainsFunc(p.Blocks[:i], func(b Block) bool {
		d, st, err := StageOf(p.Library, b)
		return b.Kind == DrillBlock && err == nil && d.Action == action && st.Rung == drill.Guided
	})
}

// UnmarshalJSON reads a block, also one that was written when its basket was called an end of the
// floor.
func (b *Block) UnmarshalJSON(data []byte) error {
	type plain Block
	in := struct {
		*plain
		End int `json:"end"`
	}{plain: (*plain)(b)}
	if err := json.Unmarshal(data, &in); err != nil {
		return err
	}
	if in.End != 0 {
		b.Basket = in.End
	}
	return nil
}
