package reps

import (
	"math"
	"slices"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/rosters"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// nobody refuses a player whom the program does not have.
func nobody() error { return app.Refuse(app.Missing, rosters.NoPlayer) }

func invalid(code string, args ...any) error { return app.Refuse(app.Invalid, code, args...) }

// begin is an event with what every event has.
func (b *batch) begin(e Event) store.RepEvent {
	return store.RepEvent{Rep: evidence.Rep{ID: evidence.RepID(e.ID.String()),
		Practice: evidence.PracticeID(b.of.String()), At: app.SeenAt(e.At, b.now),
		Observer: evidence.ObserverID(b.observer.String()), Device: e.Device}}
}

// count takes a count of a live block.
func (b *batch) count(e Event, to *gen.InsertFloorCountsParams) error {
	if e.Block == nil || e.What == nil || e.By == nil || e.RepNo == nil || *e.RepNo < 0 || *e.RepNo > math.MaxInt32 ||
		*e.By != 1 && *e.By != -1 {
		return invalid("rep.count-incomplete")
	}
	if !practice.KnownTally(practice.Tally(*e.What)) {
		return invalid("rep.count-kind", *e.What)
	}
	if _, ok := b.block(e); !ok {
		return invalid("rep.block")
	}
	to.ID, to.At, to.Device = append(to.ID, e.ID), append(to.At, app.SeenAt(e.At, b.now)), append(to.Device, e.Device)
	to.BlockID, to.RepNo = append(to.BlockID, *e.Block), append(to.RepNo, int32(*e.RepNo))
	to.What, to.By = append(to.What, *e.What), append(to.By, int32(*e.By))
	return nil
}

// gameCount takes a count of the bench.
func (b *batch) gameCount(e Event, to *gen.InsertGameCountsParams) error {
	if e.What == nil || !game.KnownCounter(*e.What) || e.By == nil || *e.By == 0 {
		return invalid("game.count")
	}
	to.ID, to.At, to.Device = append(to.ID, e.ID), append(to.At, app.SeenAt(e.At, b.now)), append(to.Device, e.Device)
	to.What, to.By = append(to.What, *e.What), append(to.By, int32(*e.By))
	return nil
}

// block is the one of the practice that an event is of.
func (b *batch) block(e Event) (practice.Block, bool) {
	i := slices.IndexFunc(b.blocks, func(block practice.Block) bool { return block.ID == e.Block.String() })
	if i < 0 {
		return practice.Block{}, false
	}
	return b.blocks[i], true
}

// practiceEvent is what a device says of a practice, checked and judged.
func (b *batch) practiceEvent(e Event) (store.RepEvent, error) {
	event := b.begin(e)
	switch {
	case e.Kind == Void:
		return b.void(e, event)
	case e.Kind != Rep:
		return event, invalid("rep.kind")
	case e.Block == nil || e.Player == nil || e.Role == nil || e.Side == nil || e.Cue == nil || e.Made == nil:
		return event, invalid("rep.incomplete")
	}
	block, _ := b.block(e)
	d, stage, err := practice.StageOf(b.library, block)
	if err != nil {
		return event, invalid("rep.block")
	}
	if !b.players[*e.Player] {
		return event, nobody()
	}
	event.Block, event.Drill, event.Rung = evidence.BlockID(e.Block.String()), d.ID, stage.Rung
	links := d.Links(stage)
	if len(links) == 0 {
		if !d.Shoots() {
			return event, invalid("rep.nobody-shoots", d.Name)
		}
		return event, shot(e, &event)
	}
	id := links[0].Action
	if e.Action != nil && *e.Action != "" {
		id = *e.Action
	}
	if !slices.ContainsFunc(links, func(link drill.Link) bool { return link.Action == id }) {
		return event, invalid("rep.goes-on", d.Name, id)
	}
	action, _ := reads.ActionByID(id)
	return event, b.judge(e, action, &event)
}

// gameEvent is an event of the bench: a rep on the rung of games, or one taken back.
func (b *batch) gameEvent(e Event) (store.RepEvent, error) {
	event := b.begin(e)
	if e.Kind == Void {
		return b.void(e, event)
	}
	event.Block, event.Rung = evidence.BlockID(event.Practice), drill.Game
	if e.Action == nil || e.Player == nil || e.Role == nil || e.Cue == nil || e.Made == nil {
		return event, invalid("game.rep-incomplete")
	}
	action, ok := reads.ActionByID(*e.Action)
	if !ok {
		return event, invalid("game.action")
	}
	if !b.players[*e.Player] {
		return event, nobody()
	}
	return event, b.judge(e, action, &event)
}

// judge fills in what was seen, and whether it was correct.
func (b *batch) judge(e Event, action *reads.Action, event *store.RepEvent) error {
	seen, err := b.seen(e, action)
	if err != nil {
		return err
	}
	seen.Unsided = event.Rung == drill.Game
	scored, err := evidence.Score(action, store.RulesOf(b.team), seen)
	if err != nil {
		return app.RefuseBy(app.Invalid, err, "kept.nothing")
	}
	event.No, event.Late = app.Value(e.RepNo), app.Value(e.Late)
	event.Player, event.Role, event.Side, event.Tags = evidence.PlayerID(e.Player.String()), seen.Role, seen.Side,
		seen.Tags
	event.Action, event.Cue, event.SecondCue, event.Outcome = evidence.ActionID(action.ID), seen.Cue, seen.SecondCue,
		seen.Outcome
	event.Expected, event.Made, event.Correct = scored.Expected, seen.Made, scored.Correct
	return nil
}

// seen is what an event says in the words of the core.
func (b *batch) seen(e Event, action *reads.Action) (evidence.Seen, error) {
	cue, _ := reads.ParseCue(*e.Cue)
	seen := evidence.Seen{Role: roleOf(action, *e.Role), Cue: cue, Made: reads.Read(*e.Made), Side: app.Value(e.Side),
		SecondCue: app.Value(e.SecondCue),
		Outcome:   evidence.Outcome(app.Value(e.Outcome))}
	if len(b.shooters) > 0 && seen.Role == reads.Screener {
		seen.ScreenerShoots = reads.KnownIf(b.shooters[*e.Player])
	}
	for _, text := range app.Value(e.Tags) {
		tag := store.TagOf(text)
		if owner, err := uuid.Parse(string(tag.Player)); tag.Player != "" && (err != nil || !b.players[owner]) {
			return seen, invalid("rep.tag-owner")
		}
		seen.Tags = append(seen.Tags, tag)
	}
	return seen, nil
}

// shot fills in a shot in a drill that teaches no read: made, or not.
func shot(e Event, event *store.RepEvent) error {
	switch {
	case *e.Role != string(reads.Cutter):
		return invalid("rep.not-a-shooter")
	case *e.Made != string(reads.Make) && *e.Made != "":
		return invalid("rep.no-read")
	}
	event.No = app.Value(e.RepNo)
	event.Player, event.Role, event.Side = evidence.PlayerID(e.Player.String()), reads.Shooter, *e.Side
	event.Expected, event.Made, event.Correct = reads.Make, reads.Read(*e.Made), *e.Made != ""
	event.Outcome = evidence.Missed
	if event.Correct {
		event.Outcome = evidence.Scored
	}
	return nil
}

// roleOf is the role of who stands in a drill's first or second position: cutter and screener off the ball, handler and
// screener with it.
func roleOf(action *reads.Action, position string) reads.Role {
	switch position {
	case string(reads.Cutter):
		return action.Roles[0]
	case string(reads.Screener):
		return action.Roles[1]
	}
	return reads.Role(position)
}

// void makes of an event the taking back of a rep.
func (b *batch) void(e Event, event store.RepEvent) (store.RepEvent, error) {
	if e.Voids == nil {
		return event, invalid("rep.undo-which")
	}
	taken, stored := b.voided[*e.Voids]
	if !stored {
		i := slices.IndexFunc(b.events, func(o store.RepEvent) bool { return rowOf(o.ID) == *e.Voids })
		if i < 0 {
			return event, app.Refuse(app.Missing, "rep.undo-missing")
		}
		taken = b.events[i]
	}
	if taken.Voids != "" {
		return event, invalid("rep.undo-kind")
	}
	rep := taken.Rep
	rep.ID, rep.At, rep.Observer, rep.Device = event.ID, event.At, event.Observer, event.Device
	return store.RepEvent{Rep: rep, Voids: taken.ID}, nil
}
