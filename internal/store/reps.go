package store

import (
	"context"
	"encoding/json"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/store/gen"
)

// RepEvent is a rep as it is written down or, where Voids is set, the taking back of that
// rep, of which it is a copy with its own id, time, observer and device.
type RepEvent struct {
	evidence.Rep
	Voids evidence.RepID
}

// PutReps stores events of a team in one statement and returns the ids of those that were
// new: what was stored before is left as it is.
func PutReps(ctx context.Context, q *gen.Queries, program, team uuid.UUID, events []RepEvent) ([]uuid.UUID, error) {
	rows := make([]repRow, len(events))
	for i, e := range events {
		rows[i] = rowOf(e)
	}
	data, err := json.Marshal(rows)
	if err != nil {
		return nil, err
	}
	return q.InsertRepEvents(ctx, gen.InsertRepEventsParams{ProgramID: program, TeamID: team, Rows: data})
}

// repRow is a row of rep_events as JSON; its names are the columns.
type repRow struct {
	ID         string    `json:"id"`
	ObserverID string    `json:"observer_id"`
	PracticeID string    `json:"practice_id"`
	BlockID    string    `json:"block_id"`
	Kind       string    `json:"kind"`
	Voids      *string   `json:"voids"`
	RepNo      int       `json:"rep_no"`
	At         time.Time `json:"at"`
	PlayerID   string    `json:"player_id"`
	Role       string    `json:"role"`
	Drill      string    `json:"drill"`
	Rung       string    `json:"rung"`
	Action     string    `json:"action"`
	Side       string    `json:"side"`
	Cue        string    `json:"cue"`
	Expected   string    `json:"expected"`
	Made       string    `json:"made"`
	IsCorrect  bool      `json:"is_correct"`
	Late       bool      `json:"late"`
	Outcome    string    `json:"outcome"`
	Tags       []string  `json:"tags"`
	Device     string    `json:"device"`
	SecondCue  string    `json:"second_cue"`
}

// The kinds of events.
const (
	repKind  = "rep"
	voidKind = "void"
)

func rowOf(e RepEvent) repRow {
	row := repRow{
		ID: string(e.ID), ObserverID: string(e.Observer), PracticeID: string(e.Practice), BlockID: string(e.Block),
		Kind: repKind, RepNo: e.No, At: e.At,
		PlayerID: string(e.Player), Role: string(e.Role), Drill: e.Drill, Rung: string(e.Rung),
		Action: string(e.Action), Side: e.Side, Cue: e.Cue.String(),
		Expected: string(e.Expected), Made: string(e.Made), IsCorrect: e.Correct, Late: e.Late,
		Outcome: string(e.Outcome), Tags: []string{}, Device: e.Device,
		SecondCue: e.SecondCue,
	}
	for _, tag := range e.Tags {
		row.Tags = append(row.Tags, TagText(tag))
	}
	if e.Voids != "" {
		voids := string(e.Voids)
		row.Kind, row.Voids = voidKind, &voids
	}
	return row
}

// tagOwner parts a tag's name from the player it belongs to.
const tagOwner = ":"

// TagText is a tag in one word.
func TagText(t evidence.Tag) string {
	if t.Player == "" {
		return t.ID
	}
	return t.ID + tagOwner + string(t.Player)
}

// TagOf reads what TagText writes.
func TagOf(text string) evidence.Tag {
	id, player, _ := strings.Cut(text, tagOwner)
	return evidence.Tag{ID: id, Player: evidence.PlayerID(player)}
}

// eventOf is an event as it was stored.
func eventOf(r gen.RepEvent) RepEvent {
	cue, _ := reads.ParseCue(r.Cue)
	e := RepEvent{Rep: evidence.Rep{
		ID: evidence.RepID(r.ID.String()), Practice: evidence.PracticeID(r.PracticeID.String()),
		Block: evidence.BlockID(r.BlockID.String()), No: int(r.RepNo), At: r.At,
		Player: evidence.PlayerID(r.PlayerID.String()), Role: reads.Role(r.Role), Action: evidence.ActionID(r.Action),
		Drill: r.Drill, Rung: drill.Rung(r.Rung),
		Side: r.Side, Cue: cue, SecondCue: r.SecondCue, Expected: reads.Read(r.Expected), Made: reads.Read(r.Made),
		Correct: r.IsCorrect, Late: r.Late,
		Outcome: evidence.Outcome(r.Outcome), Observer: evidence.ObserverID(r.ObserverID.String()), Device: r.Device,
	}}
	for _, tag := range r.Tags {
		e.Tags = append(e.Tags, TagOf(tag))
	}
	if r.Voids != nil {
		e.Voids = evidence.RepID(r.Voids.String())
	}
	return e
}

func repsOf(rows []gen.RepEvent) []evidence.Rep {
	reps := make([]evidence.Rep, len(rows))
	for i, r := range rows {
		reps[i] = eventOf(r).Rep
	}
	return reps
}

// RepsOfTeam are the reps that stand of a team's players, wherever they were logged, from
// since on and before a moment; several observations of a rep are several.
func (s *Store) RepsOfTeam(ctx context.Context, team gen.Team, since, before time.Time) ([]evidence.Rep, error) {
	rows, err := s.Queries.RepsOfTeamBetween(ctx, gen.RepsOfTeamBetweenParams{ProgramID: team.ProgramID,
		TeamID: team.ID, Since: since, Before: before})
	return repsOf(rows), err
}

// RepsOfPractice are the reps that stand of a practice or game.
func (s *Store) RepsOfPractice(ctx context.Context, program, practice uuid.UUID) ([]evidence.Rep, error) {
	rows, err := s.Queries.RepsOfPractice(ctx, gen.RepsOfPracticeParams{ProgramID: program, PracticeID: practice})
	return repsOf(rows), err
}

// RepsOfPlayer are the reps that stand of a player.
func (s *Store) RepsOfPlayer(ctx context.Context, program, player uuid.UUID) ([]evidence.Rep, error) {
	return repsOfPlayer(ctx, s.Queries, program, player)
}

func repsOfPlayer(ctx context.Context, q *gen.Queries, program, player uuid.UUID) ([]evidence.Rep, error) {
	rows, err := q.RepsOfPlayer(ctx, gen.RepsOfPlayerParams{ProgramID: program, PlayerID: player})
	return repsOf(rows), err
}

// ShotsOfDrill are the shots that stand in a drill that teaches no read, of a team's players.
func (s *Store) ShotsOfDrill(ctx context.Context, team gen.Team, drillID string) ([]evidence.Rep, error) {
	rows, err := s.Queries.ShotsOfDrill(ctx, gen.ShotsOfDrillParams{ProgramID: team.ProgramID, TeamID: team.ID,
		Drill: drillID})
	return repsOf(rows), err
}

// RepEvents are events by their ids, in the order in which they were stored.
func RepEvents(ctx context.Context, q *gen.Queries, program uuid.UUID, ids []uuid.UUID) ([]RepEvent, error) {
	rows, err := q.RepEvents(ctx, gen.RepEventsParams{ProgramID: program, Ids: ids})
	events := make([]RepEvent, len(rows))
	for i, r := range rows {
		events[i] = eventOf(r)
	}
	return events, err
}

// ActionsOf are the actions some reps are of, each once.
func ActionsOf(reps []evidence.Rep) []string {
	var out []string
	for _, r := range reps {
		out = append(out, string(r.Action))
	}
	slices.Sort(out)
	return slices.Compact(out)
}
