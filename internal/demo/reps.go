package demo

import (
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// The model of a rep: what is added to a player's rate (all invented).
const (
	shownBonus    = 0.10 // a coach shows it slower than a defender
	learning      = 0.02 // per practice
	lowest        = 0.03
	highest       = 0.97
	screenerShare = 0.6 // of the reps in which the helper also judges the screener
	tagShare      = 0.35
)

// confused is what is done instead of a read.
var confused = map[reads.Read][]reads.Read{
	reads.Curl: {reads.Straight, reads.Straight, reads.Fade}, reads.Straight: {reads.Curl, reads.Fade},
	reads.Fade: {reads.Curl, reads.Curl, reads.Straight}, reads.BackCut: {reads.Straight, reads.Straight, reads.Curl},
	reads.ClearOut: {reads.Straight, reads.Curl}, reads.Keep: {reads.Straight, reads.Curl},
	reads.Pop: {reads.Shape}, reads.Shape: {reads.Pop}, reads.Rescreen: {reads.Pop, reads.Slip},
	reads.StepBall: {reads.Slip, reads.Shape},
	reads.Split:    {reads.Shape, reads.Slip}, reads.Slip: {reads.Shape, reads.Pop},
}

var tags = map[reads.Role][]string{
	reads.Cutter:   {"named", "early", "daylight", "no-backcut", "upright", "angle"},
	reads.Screener: {"too-high", "moving", "no-call", "looped", "stood"},
}

// logged stores a past practice and what the players did in it.
func (s *seeder) logged(t roster, here []member, k int, at time.Time) error {
	p, err := s.plan(t.id, at, t.minutes, practice.Done, here, past(k))
	if err != nil {
		return err
	}
	byID := map[string]member{}
	present := make([]practice.Person, len(here))
	for i, m := range here {
		byID[m.id.String()], present[i].ID = m, m.id.String()
	}
	clock := at
	for _, b := range p.blocks {
		if b.Kind == practice.DrillBlock {
			d, stage, err := practice.StageOf(drill.Library{}, b)
			if err != nil {
				return err
			}
			floor := session{seeder: s, team: t.id, base: t.base, practice: p.id, number: k, block: b, drill: d,
				stage: stage, members: byID}
			if err := floor.log(present, clock); err != nil {
				return err
			}
		}
		clock = clock.Add(time.Duration(b.Minutes * float64(time.Minute)))
	}
	effort := efforts[k%len(efforts)]
	if _, err := s.q.SetEffort(s.ctx, gen.SetEffortParams{ProgramID: s.program, TeamID: t.id, ID: p.id,
		Effort: &effort}); err != nil {
		return err
	}
	return s.ran(p, k, at)
}

// efforts are how hard past practices were, from 0 to 10, in turn.
var efforts = [...]int16{5, 6, 6, 7, 5, 7, 4, 6, 7}

// late is by how many minutes blocks of past practices ran longer than planned, in turn.
var late = [...]float64{0, 1, 0, -1, 2, 0, -1}

// ran stores how long the blocks of a past practice ran.
func (s *seeder) ran(p planned, k int, at time.Time) error {
	tell := func(action practice.Action, block string) error {
		id := uuid.MustParse(block)
		return s.q.InsertClockEvent(s.ctx, gen.InsertClockEventParams{ProgramID: s.program, PracticeID: p.id, At: at,
			Action: string(action), BlockID: &id})
	}
	action := practice.StartClock
	for i, b := range p.blocks {
		if err := tell(action, b.ID); err != nil {
			return err
		}
		action = practice.GoToBlock
		at = at.Add(time.Duration((b.Minutes + late[(i+k)%len(late)]) * float64(time.Minute)))
	}
	if len(p.blocks) == 0 {
		return nil
	}
	return tell(practice.Finish, p.blocks[len(p.blocks)-1].ID)
}

// session is one drill block of a past practice being logged.
type session struct {
	*seeder
	team     uuid.UUID
	base     map[reads.Read]float64
	practice uuid.UUID
	number   int // of the practice, from 0
	block    practice.Block
	drill    *drill.Drill
	stage    drill.Stage
	members  map[string]member
}

func (s *session) log(present []practice.Person, from time.Time) error {
	order, err := practice.Order(drill.Library{}, s.block, present)
	if err != nil {
		return err
	}
	action, _ := reads.ActionByID(s.drill.Action)
	var events []store.RepEvent
	counts := gen.InsertFloorCountsParams{ProgramID: s.program, PracticeID: s.practice, ObserverID: s.coaches[0]}
	rung, _ := drill.RungByID(s.stage.Rung)
	for _, rep := range order.Reps {
		cue := rep.Cue
		if cue == reads.NoCue {
			cue = s.stage.Cues[s.rng.IntN(len(s.stage.Cues))]
		}
		row, _ := action.Row(reads.TeamRules{}, cue)
		at := from.Add(time.Duration(float64(rep.Slot) * order.Seconds * float64(time.Second)))
		events = append(events, s.rep(rep, cue, reads.Cutter, row.CutterRead, s.members[rep.Cutter], at))
		if rung.Live {
			s.ended(&counts, rep.No, events[len(events)-1].Correct, at)
		}
		if s.rng.Float64() < screenerShare {
			events = append(events, s.rep(rep, cue, reads.Screener, row.ScreenerRead, s.members[rep.Screener], at))
		}
	}
	if _, err := store.PutReps(s.ctx, s.q, s.program, s.team, events); err != nil {
		return err
	}
	_, _, err = store.PutCounts(s.ctx, s.q, counts)
	return err
}

// ended counts how a live rep's possession ended: every second correct read scores, every
// third wrong one loses the ball (invented).
func (s *session) ended(counts *gen.InsertFloorCountsParams, no int, right bool, at time.Time) {
	what := practice.Stopped
	switch {
	case right && no%2 == 0:
		what = practice.Scored
	case !right && no%3 == 0:
		what = practice.LostBall
	}
	block := uuid.MustParse(s.block.ID)
	counts.ID = append(counts.ID, uuid.NewSHA1(block, []byte{byte(no)}))
	counts.BlockID, counts.RepNo, counts.At = append(counts.BlockID, block), append(counts.RepNo, int32(no)),
		append(counts.At, at)
	counts.What, counts.By, counts.Device = append(counts.What, string(what)), append(counts.By, 1),
		append(counts.Device, "demo")
}

// rate is a player's true rate on a read in this block.
func (s *session) rate(m member, read reads.Read, side string) float64 {
	return trueRate(s.base, m, read, s.stage.Rung, side, s.number)
}

// trueRate is a player's hidden rate on a read, on a rung and a side, at the practice of
// a number.
func trueRate(base map[reads.Read]float64, m member, read reads.Read, rung drill.Rung, side string,
	number int) float64 {
	r := base[read] + m.skill + m.quirk[read] + learning*float64(number)
	switch rung {
	case drill.Guided:
		r += shownBonus
	case drill.Game:
		r -= m.doing + m.playing
	default:
		r -= m.doing
	}
	if side == drill.Left {
		r -= m.weakLeft
	}
	return min(highest, max(lowest, r))
}

func (s *session) rep(rep drill.Rep, cue reads.Cue, role reads.Role, read reads.Read, m member,
	at time.Time) store.RepEvent {
	out := evidence.Rep{
		ID: evidence.RepID(s.id().String()), Practice: evidence.PracticeID(s.practice.String()),
		Block: evidence.BlockID(s.block.ID), No: rep.No, At: at,
		Player: evidence.PlayerID(m.id.String()), Role: role, Drill: s.drill.ID, Rung: s.stage.Rung,
		Action: evidence.ActionID(s.drill.Action), Side: rep.Side, Cue: cue,
		Expected: read, Made: read, Correct: true, Observer: evidence.ObserverID(s.coaches[rep.Basket-1].String()),
		Device: "demo",
	}
	if s.rng.Float64() >= s.rate(m, read, rep.Side) {
		others := confused[read]
		out.Made, out.Correct = others[s.rng.IntN(len(others))], false
		if s.rng.Float64() < tagShare {
			list := tags[role]
			out.Tags = []evidence.Tag{{ID: list[s.rng.IntN(len(list))]}}
		}
	}
	return store.RepEvent{Rep: out}
}
