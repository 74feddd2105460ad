package archive

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/core/roster"
	"evrik/core/trainer"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Problem is why an archive is not taken, in a sentence. Nothing of it was stored.
type Problem struct{ sentence string }

func (p Problem) Error() string { return p.sentence }

func problem(format string, args ...any) error {
	return Problem{fmt.Sprintf(format, args...) + " Nothing was imported."}
}

// Read adds what an archive holds to a program: its teams beside those that are there,
// whole or not at all. Every id is made anew from the program's, so that an archive can
// be read where it was written, and a second time is noticed. What was added can be taken back by
// Undo with the receipt's id.
func Read(ctx context.Context, db *store.Store, policy evidence.Policy, program uuid.UUID, who string, now time.Time, from io.Reader) (Receipt, error) {
	var got Receipt
	err := db.Tx(ctx, func(q *gen.Queries) error {
		r := &reader{ctx: ctx, q: q, in: json.NewDecoder(from), program: program, batch: map[uuid.UUID][]gen.RepEvent{},
			teams: []uuid.UUID{}, drills: []uuid.UUID{}, templates: []uuid.UUID{}}
		if err := r.document(); err != nil {
			return r.sentence(err)
		}
		if err := store.RecountPlayers(ctx, q, policy, program, r.players); err != nil {
			return err
		}
		got = Receipt{uuid.Must(uuid.NewV7()), r.got}
		return q.InsertImport(ctx, gen.InsertImportParams{ID: got.ID, ProgramID: program, At: now, Who: who, Teams: r.teams, Drills: r.drills, Templates: r.templates,
			Players: int32(r.got.Players), Practices: int32(r.got.Practices), Games: int32(r.got.Games), Events: int32(r.got.Events)})
	})
	return got, err
}

// Receipt says what an archive has added.
type Receipt struct {
	// ID of the import, to undo it.
	ID uuid.UUID
	End
}

// Undo removes everything that an import has added, and what was done with its teams since. False
// where there is no such import, or it was undone.
func Undo(ctx context.Context, db *store.Store, program, id uuid.UUID) (there bool, err error) {
	err = db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockProgram(ctx, program); err != nil {
			return err
		}
		in, err := q.ImportToUndo(ctx, gen.ImportToUndoParams{ProgramID: program, ID: id})
		if store.NotFound(err) {
			return nil
		}
		if err != nil {
			return err
		}
		there = true
		if _, err := q.DeleteTeams(ctx, gen.DeleteTeamsParams{ProgramID: program, Ids: in.Teams}); err != nil {
			return err
		}
		if err := q.DeleteDrills(ctx, gen.DeleteDrillsParams{ProgramID: program, Ids: in.Drills}); err != nil {
			return err
		}
		if err := q.DeleteTemplates(ctx, gen.DeleteTemplatesParams{ProgramID: program, Ids: in.Templates}); err != nil {
			return err
		}
		return q.DeleteImport(ctx, gen.DeleteImportParams{ProgramID: program, ID: id})
	})
	return there, err
}

type reader struct {
	ctx     context.Context
	q       *gen.Queries
	in      *json.Decoder
	program uuid.UUID
	players []uuid.UUID
	// teams, drills and templates are what is added, by their ids here.
	teams, drills, templates []uuid.UUID
	got                      End
	told                     *End
	// part and n are what is being read.
	part  string
	n     int
	batch map[uuid.UUID][]gen.RepEvent // by team
	held  int
}

// id is an archive's id in this program.
func (r *reader) id(of uuid.UUID) uuid.UUID { return uuid.NewSHA1(r.program, of[:]) }

func (r *reader) ref(of *uuid.UUID) *uuid.UUID {
	if of == nil {
		return nil
	}
	id := r.id(*of)
	return &id
}

// name is an id that the core holds as text.
func (r *reader) name(of string) string {
	id, err := uuid.Parse(of)
	if err != nil {
		return of
	}
	return r.id(id).String()
}

func (r *reader) names(of []string) []string {
	out := make([]string, len(of))
	for i, s := range of {
		out[i] = r.name(s)
	}
	return out
}

func (r *reader) blocks(of []practice.Block) []practice.Block {
	out := slices.Clone(of)
	for i := range out {
		out[i].ID, out[i].Players = r.name(out[i].ID), r.names(out[i].Players)
	}
	return out
}

// sentence says what is wrong with the document.
func (r *reader) sentence(err error) error {
	var p Problem
	var f fault
	var syntax *json.SyntaxError
	var kind *json.UnmarshalTypeError
	where := "its beginning"
	if r.part != "" {
		where = fmt.Sprintf("%s, number %d", r.part, r.n)
	}
	switch {
	case errors.As(err, &p):
		return err
	case errors.As(err, &f):
		return problem("%s: %s.", pathOf(r.part, r.n-1, f.path), strings.TrimSuffix(f.why, "."))
	case errors.Is(err, io.ErrUnexpectedEOF), errors.Is(err, io.EOF):
		return problem("The archive ends in the middle, at %s. Get the file again.", where)
	case errors.As(err, &syntax), errors.As(err, &kind):
		return problem("The file cannot be read as an archive at %s.", where)
	case store.Duplicate(err):
		return problem("What this archive holds is in the program already (%s).", where)
	case store.Refused(err):
		return problem("The archive does not fit at %s.", where)
	}
	return err
}

// document reads the parts in the order in which they are written.
func (r *reader) document() error {
	if err := r.delim('{'); err != nil {
		return err
	}
	var format string
	version := 0
	parts := map[string]func() error{
		"made":      r.skip,
		"program":   r.skip,
		"coaches":   r.skip,
		"teams":     list(r, "teams", r.team),
		"players":   list(r, "players", r.player),
		"drills":    list(r, "drills", r.drill),
		"plans":     list(r, "plans", r.template),
		"practices": list(r, "practices", r.practice),
		"games":     list(r, "games", r.game),
		"kept":      list(r, "kept", r.kept),
		"events":    list(r, "events", r.event),
		"end":       func() error { r.told = &End{}; return r.in.Decode(r.told) },
	}
	for r.in.More() {
		t, err := r.in.Token()
		if err != nil {
			return err
		}
		name, _ := t.(string)
		switch {
		case name == "format":
			err = r.in.Decode(&format)
		case name == "version":
			err = r.in.Decode(&version)
		case format != Format || version < 1:
			return problem("This is no archive of a program.")
		case version > Version:
			return problem("This archive is of version %d, made by a newer Evrik; this one reads up to version %d. Update it first.", version, Version)
		case parts[name] == nil:
			return problem("The archive holds a part called %q, which this version does not know.", name)
		default:
			r.part, r.n = "", 0
			if err = parts[name](); err == nil && name == "events" {
				err = r.flush()
			}
		}
		if err != nil {
			return err
		}
	}
	if err := r.delim('}'); err != nil {
		return err
	}
	switch {
	case r.told == nil:
		return problem("The archive has no end, so that something may be missing. Get the file again.")
	case *r.told != r.got:
		return problem("The archive says that it holds %d players and %d reps, and holds %d and %d. Get the file again.", r.told.Players, r.told.Events, r.got.Players, r.got.Events)
	}
	return nil
}

func (r *reader) delim(want json.Delim) error {
	t, err := r.in.Token()
	if err != nil {
		return err
	}
	if t != want {
		return problem("This is no archive of a program.")
	}
	return nil
}

func (r *reader) skip() error {
	var v json.RawMessage
	return r.in.Decode(&v)
}

// list reads a part that is a list, one item at a time: each is compared with the schema, decoded
// and taken.
func list[T any](r *reader, part string, take func(T) error) func() error {
	return func() error {
		r.part = part
		if err := r.delim('['); err != nil {
			return err
		}
		for r.in.More() {
			r.n++
			var raw json.RawMessage
			if err := r.in.Decode(&raw); err != nil {
				return err
			}
			if err := fits(part+"/items", raw); err != nil {
				return err
			}
			var item T
			if err := json.Unmarshal(raw, &item); err != nil {
				return err
			}
			if err := take(item); err != nil {
				return err
			}
		}
		return r.delim(']')
	}
}

func (r *reader) bad(why string, args ...any) error {
	return fault{nil, fmt.Sprintf(why, args...)}
}

func (r *reader) team(t Team) error {
	if err := checkTeam(&t); err != nil {
		return err
	}
	id := r.id(t.ID)
	r.teams = append(r.teams, id)
	if err := r.q.InsertTeam(r.ctx, gen.InsertTeamParams{ID: id, ProgramID: r.program, Name: t.Name, Season: t.Season, Ages: t.Ages, Court: t.Court, Position: t.Position, Zone: t.Zone}); err != nil {
		return err
	}
	if _, err := r.q.UpdateTeam(r.ctx, gen.UpdateTeamParams{ProgramID: r.program, ID: id, Name: t.Name, Season: t.Season, Ages: t.Ages, Court: t.Court, Metric: t.Metric,
		FadeToCorner: t.FadeToCorner, FlareFirst: t.FlareFirst, ShootFirst: t.ShootFirst, Pace: t.Pace, Zone: t.Zone, LocalRule: t.LocalRule}); err != nil {
		return err
	}
	if _, err := r.q.SetOffense(r.ctx, gen.SetOffenseParams{ProgramID: r.program, ID: id, Offense: t.Offense}); err != nil {
		return err
	}
	if _, err := r.q.SetPrinciples(r.ctx, gen.SetPrinciplesParams{ProgramID: r.program, ID: id, Principles: t.Principles}); err != nil {
		return err
	}
	_, err := r.q.SetSeasonAim(r.ctx, gen.SetSeasonAimParams{ProgramID: r.program, ID: id, SeasonAim: t.SeasonAim})
	return err
}

func (r *reader) player(p Player) error {
	e, err := roster.Clean(roster.Entry{Jersey: p.Jersey, Name: p.Name, Handler: p.Handler, Wing: p.Wing, Big: p.Big, Shooter: p.Shooter})
	if err != nil {
		return r.bad("%v", err)
	}
	id := r.id(p.ID)
	r.players = append(r.players, id)
	r.got.Players++
	if err := r.q.InsertPlayer(r.ctx, gen.InsertPlayerParams{ID: id, ProgramID: r.program, TeamID: r.id(p.Team), Jersey: e.Jersey, Name: e.Name,
		Handler: e.Handler, Wing: e.Wing, Big: e.Big, Shooter: e.Shooter}); err != nil {
		return err
	}
	for _, a := range p.Answers {
		if _, known := reads.Info(reads.Read(a.Expected)); !known {
			return r.bad("there is no read called %q.", a.Expected)
		}
		if _, known := reads.ParseCue(a.Cue); !known || a.Step < 1 || a.Step > trainer.Steps || a.Seconds < 0 || a.Seconds > trainer.MaxSeconds {
			return r.bad("an answer to %q of step %d in %.1f s cannot be.", a.Cue, a.Step, a.Seconds)
		}
		if _, err := r.q.InsertTrainerAnswer(r.ctx, gen.InsertTrainerAnswerParams{ProgramID: r.program, PlayerID: id, ID: r.id(a.ID), Screen: a.Screen, Cue: a.Cue, Step: a.Step,
			Seed: a.Seed, Expected: a.Expected, Choice: a.Choice, IsRight: a.Choice == a.Expected && !a.Late, IsLate: a.Late, Seconds: a.Seconds, At: a.At}); err != nil {
			return err
		}
	}
	return nil
}

func (r *reader) drill(d Drill) error {
	read, err := drill.Read(d.Drill)
	if err != nil {
		return r.bad("%v", err)
	}
	// Plans name a drill by its own id, which is the row's.
	if own, err := uuid.Parse(read.ID); err == nil {
		read.ID = r.id(own).String()
	}
	data, err := json.Marshal(read)
	if err != nil {
		return err
	}
	id := r.id(d.ID)
	r.drills = append(r.drills, id)
	if err := r.q.InsertDrill(r.ctx, gen.InsertDrillParams{ID: id, ProgramID: r.program, Drill: data}); err != nil {
		return err
	}
	_, err = r.q.ArchiveDrill(r.ctx, gen.ArchiveDrillParams{ProgramID: r.program, ID: id, Archived: d.Archived})
	return err
}

// plan is blocks with the ids of this program, drills of its own included.
func (r *reader) plan(of []practice.Block) []practice.Block {
	out := r.blocks(of)
	for i := range out {
		out[i].Drill = r.name(out[i].Drill) // the catalogue's ids are no uuids and stay
	}
	return out
}

func (r *reader) template(t Template) error {
	if err := checkTemplate(&t); err != nil {
		return err
	}
	r.templates = append(r.templates, r.id(t.ID))
	return r.q.PutTemplate(r.ctx, gen.PutTemplateParams{ID: r.id(t.ID), ProgramID: r.program, Name: t.Name, Minutes: t.Minutes, Blocks: store.BlocksJSON(r.plan(t.Blocks))})
}

func (r *reader) practice(p Practice) error {
	if err := checkPractice(&p); err != nil {
		return err
	}
	id := r.id(p.ID)
	status := p.Status
	if status == string(practice.Open) {
		status = string(practice.Done) // no floor goes on in a copy
	}
	if err := r.q.InsertPractice(r.ctx, gen.InsertPracticeParams{ID: id, ProgramID: r.program, TeamID: r.id(p.Team), StartsAt: p.StartsAt, Minutes: p.Minutes, Note: p.Note, Status: status, Terms: p.Terms}); err != nil {
		return err
	}
	if p.BeganAt != nil {
		if _, err := r.q.SetClock(r.ctx, gen.SetClockParams{ProgramID: r.program, TeamID: r.id(p.Team), ID: id, Status: status, BeganAt: p.BeganAt}); err != nil {
			return err
		}
	}
	if err := store.PutPlan(r.ctx, r.q, r.program, id, nil, nil, r.plan(p.Blocks)); err != nil {
		return err
	}
	for _, a := range p.People {
		if err := r.q.SetPresence(r.ctx, gen.SetPresenceParams{ProgramID: r.program, PracticeID: id, PlayerID: r.id(a.Player), Limited: a.Limited, Gone: a.Gone}); err != nil {
			return err
		}
	}
	for _, c := range p.Clock {
		if err := r.q.InsertClockEvent(r.ctx, gen.InsertClockEventParams{ProgramID: r.program, PracticeID: id, At: c.At, Action: c.Action, BlockID: r.ref(c.Block)}); err != nil {
			return err
		}
	}
	for _, c := range p.Changes {
		if _, err := r.q.InsertFloorChange(r.ctx, gen.InsertFloorChangeParams{ID: r.id(c.ID), ProgramID: r.program, PracticeID: id, At: c.At, Kind: c.Kind, BlockID: r.ref(c.Block),
			AfterRep: c.After, PlayerID: r.ref(c.Player), Was: c.Was, State: c.State}); err != nil {
			return err
		}
	}
	r.got.Practices++
	if len(p.Dropped) > 0 {
		if err := r.q.SetDropped(r.ctx, gen.SetDroppedParams{ProgramID: r.program, ID: id, Dropped: store.BlocksJSON(r.plan(p.Dropped))}); err != nil {
			return err
		}
	}
	_, err := r.q.SetReview(r.ctx, gen.SetReviewParams{ProgramID: r.program, TeamID: r.id(p.Team), ID: id, Review: p.Review})
	return err
}

func (r *reader) game(g Game) error {
	if err := checkGame(&g); err != nil {
		return err
	}
	t := g.Terms
	t.Available = r.names(t.Available)
	t.Together, t.Caps = slices.Clone(t.Together), slices.Clone(t.Caps)
	for i := range t.Together {
		t.Together[i] = r.names(t.Together[i])
	}
	for i := range t.Caps {
		t.Caps[i].Player = r.name(t.Caps[i].Player)
	}
	id := r.id(g.ID)
	mixes, terms := store.GameJSON(g.Mixes, t)
	if err := r.q.InsertGame(r.ctx, gen.InsertGameParams{ID: id, ProgramID: r.program, TeamID: r.id(g.Team), StartsAt: g.StartsAt, Opponent: g.Opponent, Away: g.Away, Note: g.Note, Mixes: mixes, Terms: terms}); err != nil {
		return err
	}
	r.got.Games++
	for _, c := range g.Counts {
		if !game.KnownCounter(c.What) {
			return r.bad("no bench counts %q.", c.What)
		}
		if _, err := r.q.InsertGameCounts(r.ctx, gen.InsertGameCountsParams{ProgramID: r.program, GameID: id, ID: []uuid.UUID{r.id(c.ID)}, At: []time.Time{c.At}, What: []string{c.What},
			By: []int32{c.By}, ObserverID: r.id(c.Observer), Device: []string{c.Device}}); err != nil {
			return err
		}
	}
	return nil
}

func (r *reader) kept(k Kept) error {
	return r.q.AddKept(r.ctx, gen.AddKeptParams{ProgramID: r.program, TeamID: r.id(k.Team), Role: k.Role, Expected: k.Expected, Made: k.Made, Rung: k.Rung, Reps: k.Reps})
}

func (r *reader) event(e Event) error {
	if _, ok := drill.RungByID(drill.Rung(e.Rung)); !ok {
		return r.bad("there is no rung called %q.", e.Rung)
	}
	if _, ok := reads.Info(reads.Read(e.Expected)); !ok {
		return r.bad("there is no read called %q.", e.Expected)
	}
	if (e.Made == e.Expected) != e.Right {
		return r.bad("it says that %q for %q is right: %v.", e.Made, e.Expected, e.Right)
	}
	if e.Corrections == nil {
		e.Corrections = []string{}
	}
	team := r.id(e.Team)
	r.batch[team] = append(r.batch[team], gen.RepEvent{ID: r.id(e.ID), PracticeID: r.id(e.Practice), BlockID: r.id(e.Block), Kind: e.Kind, Voids: r.ref(e.Voids), RepNo: e.No, At: e.At,
		PlayerID: r.id(e.Player), Role: e.Role, Drill: r.name(e.Drill), Rung: e.Rung, Screen: e.Screen, Side: e.Side, Cue: e.Cue, Expected: e.Expected, Made: e.Made, IsRight: e.Right,
		Late: e.Late, Outcome: e.Outcome, Corrections: e.Corrections, ObserverID: r.id(e.Observer), Device: e.Device})
	if r.held++; r.held < page {
		return nil
	}
	return r.flush()
}

// flush stores the events that have been read.
func (r *reader) flush() error {
	for team, events := range r.batch {
		stored, err := store.InsertEvents(r.ctx, r.q, r.program, team, events)
		if err != nil {
			return err
		}
		if len(stored) != len(events) {
			return problem("Some of these reps are here already.")
		}
		r.got.Events += len(stored)
	}
	clear(r.batch)
	r.held = 0
	return nil
}
