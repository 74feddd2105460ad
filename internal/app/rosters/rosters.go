// Package rosters keeps who is on a team, and takes over lists of players from wherever a coach has them.
package rosters

import (
	"context"
	"fmt"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/refusal"
	"evrik/core/roster"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service changes rosters.
type Service struct {
	Store *store.Store
	// Erasures is the file that lists who was erased; empty for none.
	Erasures string
	Now      func() time.Time
}

// List is what a coach gives: pasted text, or a file (.csv or .xlsx).
type List struct {
	Text string
	File []byte
	// Uses say what the columns mean; where they are missing or too few, it is guessed.
	Uses []roster.Use
	// Skip leaves out the lines that do not fit, instead of refusing the whole list.
	Skip bool
}

// Column is a column of a list with its first cells.
type Column struct {
	Header string     `json:"header"`
	Sample []string   `json:"sample"`
	Use    roster.Use `json:"use"`
}

// sampled is how many cells of a column are shown.
const sampled = 3

// Preview says what a list would change on a roster.
type Preview struct {
	Columns []Column
	Changes []roster.Change
	Errors  []roster.RowError
}

// Count returns how many players are of a kind.
func (p Preview) Count(kind roster.Kind) int {
	n := 0
	for _, c := range p.Changes {
		if c.Kind == kind {
			n++
		}
	}
	return n
}

// Read says what a list would do to a team's roster, and which of its lines do not fit. Nothing is saved.
func (s Service) Read(ctx context.Context, team gen.Team, list List) (Preview, error) {
	players, err := s.Players(ctx, team)
	if err != nil {
		return Preview{}, err
	}
	known := make([]roster.Known, len(players))
	for i, p := range players {
		known[i] = roster.Known{ID: p.ID.String(), Entry: entryOf(p)}
	}
	table, bad := tableOf(list)
	if bad != nil {
		return Preview{Errors: []roster.RowError{*bad}}, nil
	}
	uses := list.Uses
	if len(uses) != table.Width() {
		uses = roster.Guess(&table)
	}
	listed, unread := roster.Players(&table, uses)
	changes, unfit := roster.Merge(known, listed)
	out := Preview{Columns: columns(&table, uses), Changes: changes, Errors: append(unread, unfit...)}
	slices.SortStableFunc(out.Errors, func(a, b roster.RowError) int { return a.Row - b.Row })
	if len(table.Rows) == 0 {
		out.Errors = []roster.RowError{{Reason: refusal.Refusal{Code: "roster.empty"}}}
	}
	return out, nil
}

// Save changes a team's roster as a list says, and tells whether it did. A list with lines that do not fit is refused
// whole, unless they are to be left out; the preview tells them.
func (s Service) Save(ctx context.Context, team gen.Team, list List) (p Preview, saved bool, err error) {
	p, err = s.Read(ctx, team, list)
	if err != nil || len(p.Errors) > 0 && !(list.Skip && p.skippable()) {
		return p, false, err
	}
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.DeferConstraints(ctx); err != nil { // numbers may be swapped
			return err
		}
		for _, c := range p.Changes {
			if err := save(ctx, q, team, c); err != nil {
				return err
			}
		}
		return nil
	})
	if store.Duplicate(err) {
		err = app.Refuse(app.Conflict, "roster.changed-meanwhile")
	}
	return p, err == nil, err
}

// skippable reports whether the list is of use without the lines that do not fit.
func (p Preview) skippable() bool {
	whole := slices.ContainsFunc(p.Errors, func(e roster.RowError) bool { return e.Row == 0 })
	return !whole && len(p.Changes) > 0
}

func save(ctx context.Context, q *gen.Queries, team gen.Team, c roster.Change) error {
	switch c.Kind {
	case roster.Added:
		return q.InsertPlayer(ctx, newPlayer(team, c.Player))
	case roster.Changed:
		id, err := uuid.Parse(c.ID)
		if err != nil {
			return fmt.Errorf("player %q of a roster: %w", c.ID, err)
		}
		_, err = q.UpdatePlayer(ctx, changed(team.ProgramID, team.ID, id, c.Player))
		return err
	}
	return nil
}

func columns(t *roster.Table, uses []roster.Use) []Column {
	out := make([]Column, len(uses))
	for i := range out {
		out[i] = Column{Use: uses[i], Sample: []string{}}
		if i < len(t.Header) {
			out[i].Header = t.Header[i]
		}
		for _, row := range t.Rows {
			if i < len(row) && row[i] != "" && len(out[i].Sample) < sampled {
				out[i].Sample = append(out[i].Sample, row[i])
			}
		}
	}
	return out
}
