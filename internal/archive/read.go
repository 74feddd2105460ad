package archive

import (
	"context"
	"encoding/json"
	"errors"
	"io"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/core/refusal"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Read adds what an archive holds to a program: its teams beside those that are there,
// whole or not at all. Every id is made anew from the program's, so that an archive can
// be read where it was written, and a second time is noticed. What was added can be taken back by
// Undo with the receipt's id. An archive that is not taken is refused by code, and nothing of it was stored.
func Read(ctx context.Context, db *store.Store, program uuid.UUID, who string, now time.Time, from io.Reader) (Receipt,
	error) {
	var got Receipt
	err := db.Tx(ctx, func(q *gen.Queries) error {
		r := &reader{ctx: ctx, q: q, in: json.NewDecoder(from), program: program,
			batch: map[uuid.UUID][]store.RepEvent{},
			teams: []uuid.UUID{}, drills: []uuid.UUID{}, templates: []uuid.UUID{}}
		if err := r.document(); err != nil {
			return r.refuse(err)
		}
		got = Receipt{uuid.Must(uuid.NewV7()), r.got}
		return q.InsertImport(ctx, gen.InsertImportParams{ID: got.ID, ProgramID: program, At: now, Who: who,
			Teams: r.teams, Drills: r.drills, Templates: r.templates,
			Players: int32(r.got.Players), Practices: int32(r.got.Practices), Games: int32(r.got.Games),
			Events: int32(r.got.Events)})
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
	part string
	n    int
	// version is the archive's.
	version int
	batch   map[uuid.UUID][]store.RepEvent // by team
	held    int
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

// refuse says by code what is wrong with the document. An error of the database stays as it is.
func (r *reader) refuse(err error) error {
	f, inside := errors.AsType[fault](err)
	_, garbled := errors.AsType[*json.SyntaxError](err)
	_, misfit := errors.AsType[*json.UnmarshalTypeError](err)
	switch {
	case inside:
		return refusal.New("archive.item", pathOf(r.part, r.n-1, f.path), f.why)
	case errors.Is(err, io.ErrUnexpectedEOF), errors.Is(err, io.EOF):
		return r.place("archive.cut", "archive.cut-at")
	case garbled, misfit:
		return r.place("archive.garbled", "archive.garbled-at")
	case store.Duplicate(err):
		return r.place("archive.here-already", "archive.here-already-at")
	case store.Refused(err):
		return r.place("archive.misfit", "archive.misfit-at")
	}
	return err
}

// place refuses with the first code at the beginning of a document, and with the second at an item of a part.
func (r *reader) place(code, codeAt string) error {
	if r.part == "" {
		return refusal.New(code)
	}
	return refusal.New(codeAt, r.part, r.n)
}

// document reads the parts in the order in which they are written.
func (r *reader) document() error {
	if err := r.delim('{'); err != nil {
		return err
	}
	var format string
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
			err = r.in.Decode(&r.version)
		case format != Format || r.version < 1:
			return refusal.New("archive.none")
		case r.version > Version:
			return refusal.New("archive.newer", r.version, Version)
		case parts[name] == nil:
			return refusal.New("archive.part", name)
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
		return refusal.New("archive.no-end")
	case *r.told != r.got:
		return refusal.New("archive.total", r.told.Players, r.told.Events, r.got.Players, r.got.Events)
	}
	return nil
}

func (r *reader) delim(want json.Delim) error {
	t, err := r.in.Token()
	if err != nil {
		return err
	}
	if t != want {
		return refusal.New("archive.none")
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
			err := r.in.Decode(&raw)
			if err != nil {
				return err
			}
			if r.version == 1 {
				if raw, err = upgrade(part, raw); err != nil {
					return err
				}
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
