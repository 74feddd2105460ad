package archive

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"evrik/core/game"
	"evrik/core/practice"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// page is how many events are read at once.
const page = 2000

// writer writes the parts of a document one after the other.
type writer struct {
	out *bufio.Writer
	err error
	n   int // in the list that is open
}

func (w *writer) raw(format string, args ...any) {
	if w.err == nil {
		_, w.err = fmt.Fprintf(w.out, format, args...)
	}
}

func (w *writer) value(v any) {
	b, err := json.Marshal(v)
	if w.err == nil {
		w.err = err
	}
	if w.err == nil {
		_, w.err = w.out.Write(b)
	}
}

func (w *writer) part(name string, v any) {
	w.raw(",\n%q: ", name)
	w.value(v)
}

func (w *writer) begin(name string) {
	w.raw(",\n%q: [", name)
	w.n = 0
}

func (w *writer) item(v any) {
	if w.n > 0 {
		w.raw(",")
	}
	w.raw("\n")
	w.value(v)
	w.n++
}

func (w *writer) end() int {
	w.raw("]")
	return w.n
}

// Write writes a program as it is at one moment.
func Write(ctx context.Context, db *store.Store, program uuid.UUID, now time.Time, to io.Writer) error {
	return pgx.BeginTxFunc(ctx, db.Pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly},
		func(tx pgx.Tx) error {
			w := &writer{out: bufio.NewWriterSize(to, 64<<10)}
			if err := w.program(ctx, gen.New(tx), program, now); err != nil {
				return err
			}
			if w.err != nil {
				return w.err
			}
			return w.out.Flush()
		})
}

func (w *writer) program(ctx context.Context, q *gen.Queries, program uuid.UUID, now time.Time) error {
	p, err := q.Program(ctx, program)
	if err != nil {
		return err
	}
	w.raw("{%q: %q,\n%q: %d", "format", Format, "version", Version)
	w.part("made", now.UTC())
	w.part("program", Program{p.Name, p.KeepMonths})
	staff, err := q.StaffOfProgram(ctx, program)
	if err != nil {
		return err
	}
	w.begin("coaches")
	for _, c := range staff {
		w.item(Coach{c.ID, c.Name})
	}
	w.end()
	if err := w.teams(ctx, q, program); err != nil {
		return err
	}
	var end End
	if end.Players, err = w.players(ctx, q, program); err != nil {
		return err
	}
	if err := w.shelf(ctx, q, program); err != nil {
		return err
	}
	if end.Practices, err = w.practices(ctx, q, program); err != nil {
		return err
	}
	if end.Games, err = w.games(ctx, q, program); err != nil {
		return err
	}
	kept, err := q.KeptOfProgram(ctx, program)
	if err != nil {
		return err
	}
	w.begin("kept")
	for _, k := range kept {
		w.item(Kept{k.TeamID, k.Role, k.Expected, k.Made, k.Rung, k.Reps, k.IsCorrect})
	}
	w.end()
	if end.Events, err = w.events(ctx, q, program); err != nil {
		return err
	}
	w.part("end", end)
	w.raw("}\n")
	return nil
}

func (w *writer) teams(ctx context.Context, q *gen.Queries, program uuid.UUID) error {
	teams, err := q.TeamsOfProgram(ctx, program)
	if err != nil {
		return err
	}
	w.begin("teams")
	for _, t := range teams {
		w.item(Team{t.ID, t.Name, t.Season, t.Ages, t.Zone, t.Court, t.Metric, t.FadeToCorner, t.FlareFirst,
			t.ShootFirst, t.AllActions, t.HomeDrills, t.Position, t.Pace, store.Plain(t.LocalRule),
			store.Plain(t.SeasonAim), store.Plain(t.Offense), t.OffenseFollows, store.Plain(t.Principles)})
	}
	w.end()
	return nil
}

// players writes everybody on the teams, with what they answered and told of home. It returns how many they are.
func (w *writer) players(ctx context.Context, q *gen.Queries, program uuid.UUID) (int, error) {
	players, err := q.AllPlayers(ctx, program)
	if err != nil {
		return 0, err
	}
	w.begin("players")
	for _, p := range players {
		given, err := q.QuizAnswers(ctx, gen.QuizAnswersParams{ProgramID: program, PlayerID: p.ID})
		if err != nil {
			return 0, err
		}
		out := Player{p.ID, p.TeamID, p.Jersey, p.Name, p.Handler, p.Wing, p.Big, p.Shooter, nil, nil}
		for _, a := range given {
			out.Answers = append(out.Answers, Answer{a.ID, a.Action, a.Cue, a.Step, a.Seed, a.Expected, a.Choice,
				a.IsLate, a.Seconds, a.At})
		}
		told, err := q.HomeShotsOfPlayer(ctx, gen.HomeShotsOfPlayerParams{ProgramID: program, PlayerID: p.ID})
		if err != nil {
			return 0, err
		}
		for _, h := range told {
			of := store.HomeOf(h)
			out.Home = append(out.Home, Home{h.ID, h.Drill, of.At, of.Right, of.Left})
		}
		w.item(out)
	}
	return w.end(), nil
}

// shelf writes drills and kept plans.
func (w *writer) shelf(ctx context.Context, q *gen.Queries, program uuid.UUID) error {
	drills, err := q.DrillsOfProgram(ctx, program)
	if err != nil {
		return err
	}
	w.begin("drills")
	for _, d := range drills {
		w.item(Drill{d.ID, d.Archived, d.Drill})
	}
	w.end()
	plans, err := q.TemplatesOfProgram(ctx, program)
	if err != nil {
		return err
	}
	w.begin("plans")
	for _, t := range plans {
		blocks, err := store.TemplateBlocks(t)
		if err != nil {
			return err
		}
		w.item(Template{t.ID, t.Name, t.Minutes, blocks})
	}
	w.end()
	return nil
}

func (w *writer) practices(ctx context.Context, q *gen.Queries, program uuid.UUID) (int, error) {
	rows, err := q.AllPractices(ctx, program)
	if err != nil {
		return 0, err
	}
	w.begin("practices")
	for _, p := range rows {
		of := gen.BlocksOfPracticeParams{ProgramID: program, PracticeID: p.ID}
		blocks, err := q.BlocksOfPractice(ctx, of)
		if err != nil {
			return 0, err
		}
		here, err := q.Attendance(ctx, gen.AttendanceParams(of))
		if err != nil {
			return 0, err
		}
		clock, err := q.ClockEvents(ctx, gen.ClockEventsParams(of))
		if err != nil {
			return 0, err
		}
		changes, err := q.FloorChanges(ctx, gen.FloorChangesParams(of))
		if err != nil {
			return 0, err
		}
		dropped, err := store.DroppedOf(p)
		if err != nil {
			return 0, err
		}
		if dropped == nil {
			dropped = []practice.Block{}
		}
		out := Practice{ID: p.ID, Team: p.TeamID, StartsAt: p.StartsAt, Minutes: p.Minutes, Note: p.Note,
			Review: p.Review, Effort: p.Effort, Status: p.Status, BeganAt: p.BeganAt, Terms: store.Plain(p.Terms),
			Blocks: store.BlocksOf(blocks), Dropped: dropped, People: []Presence{}, Clock: []ClockEvent{},
			Changes: []Change{}}
		for _, a := range here {
			out.People = append(out.People, Presence{a.PlayerID, a.Limited, a.Gone, a.Effort})
		}
		for _, c := range clock {
			out.Clock = append(out.Clock, ClockEvent{c.At, c.Action, c.BlockID})
		}
		counts, err := q.FloorCounts(ctx, gen.FloorCountsParams(of))
		if err != nil {
			return 0, err
		}
		for _, c := range counts {
			out.Counts = append(out.Counts, FloorCount{c.ID, c.BlockID, c.RepNo, c.At, c.What, c.By, c.ObserverID,
				c.Device})
		}
		for _, c := range changes {
			out.Changes = append(out.Changes, Change{c.ID, c.At, c.Kind, c.BlockID, c.AfterRep, c.PlayerID, c.Was,
				c.State})
		}
		w.item(out)
	}
	return w.end(), nil
}

func (w *writer) games(ctx context.Context, q *gen.Queries, program uuid.UUID) (int, error) {
	rows, err := q.AllGames(ctx, program)
	if err != nil {
		return 0, err
	}
	w.begin("games")
	for _, g := range rows {
		counts, err := q.AllGameCounts(ctx, gen.AllGameCountsParams{ProgramID: program, GameID: g.ID})
		if err != nil {
			return 0, err
		}
		var mixes []game.Mix
		if mixes, err = store.MixesOf(g); err != nil {
			return 0, err
		}
		terms, err := store.GameTermsOf(g)
		if err != nil {
			return 0, err
		}
		out := Game{g.ID, g.TeamID, g.StartsAt, g.Opponent, g.Away, g.Note, mixes, terms, []GameCount{}}
		for _, c := range counts {
			out.Counts = append(out.Counts, GameCount{c.ID, c.At, c.What, c.By, c.ObserverID, c.Device})
		}
		w.item(out)
	}
	return w.end(), nil
}

func (w *writer) events(ctx context.Context, q *gen.Queries, program uuid.UUID) (int, error) {
	w.begin("events")
	after := uuid.Nil
	for {
		rows, err := q.EventsPage(ctx, gen.EventsPageParams{ProgramID: program, After: after, Size: page})
		if err != nil {
			return 0, err
		}
		for _, r := range rows {
			w.item(Event{r.ID, r.TeamID, r.PracticeID, r.BlockID, r.Kind, r.Voids, r.RepNo, r.At, r.PlayerID, r.Role,
				r.Drill, r.Rung, r.Action, r.Side, r.Cue, r.Expected, r.Made,
				r.IsCorrect, r.Late, r.Outcome, r.Tags, r.ObserverID, r.Device, r.SecondCue})
		}
		if len(rows) < page || w.err != nil {
			return w.end(), w.err
		}
		after = rows[len(rows)-1].ID
	}
}
