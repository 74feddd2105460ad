package web

import (
	"context"
	"fmt"

	"evrik/core/refusal"
	"evrik/core/roster"
	"evrik/internal/app/rosters"
	"evrik/internal/web/api"
)

// PreviewRoster says what a list would do to the roster.
func (s *Server) PreviewRoster(ctx context.Context, r api.PreviewRosterRequestObject) (api.PreviewRosterResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	list, err := listIn(r.Body)
	if err != nil {
		return nil, err
	}
	p, err := s.rosters.Read(ctx, team, list)
	return api.PreviewRoster200JSONResponse(rosterPreview(p, "")), err
}

// ImportRoster changes the roster as a list says: whole, or not at all with every bad line named.
func (s *Server) ImportRoster(ctx context.Context, r api.ImportRosterRequestObject) (api.ImportRosterResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	list, err := listIn(r.Body)
	if err != nil {
		return nil, err
	}
	p, saved, err := s.rosters.Save(ctx, team, list)
	if err != nil {
		return nil, err
	}
	if !saved {
		return nil, invalidBy(refusalOf(p.Errors), "roster.correct-list")
	}
	return api.ImportRoster200JSONResponse(rosterPreview(p, saidOf(p))), nil
}

// refusalOf names the first line that does not fit.
func refusalOf(errs []roster.RowError) error {
	switch {
	case len(errs) == 0:
		return refusal.New("roster.not-imported")
	case errs[0].Row == 0:
		return refusal.New("roster.not-imported-because", errs[0].Reason)
	}
	return refusal.New("roster.line", errs[0].Row, errs[0].Reason)
}

// saidOf sums up what an import did.
func saidOf(p rosters.Preview) string {
	return fmt.Sprintf("The roster is saved: %d new, %d changed, %d as before.", p.Count(roster.Added),
		p.Count(roster.Changed), p.Count(roster.Same))
}

func listIn(body *api.RosterList) (rosters.List, error) {
	var out rosters.List
	if body.Text == nil && body.File == nil {
		return out, invalid("roster.no-list")
	}
	if body.Text != nil {
		out.Text = *body.Text
	}
	if body.File != nil {
		out.File = *body.File
	}
	if body.Columns != nil {
		out.Uses = *body.Columns
	}
	out.Skip = body.Skip != nil && *body.Skip
	return out, nil
}

func rosterPreview(p rosters.Preview, message string) api.RosterPreview {
	out := api.RosterPreview{Message: message, Columns: append([]rosters.Column{}, p.Columns...),
		Changes: []api.RosterChange{},
		Errors:  append([]roster.RowError{}, p.Errors...)}
	for _, c := range p.Changes {
		change := api.RosterChange{Kind: api.RosterChangeKind(c.Kind), Player: c.Player}
		if c.ID != "" {
			change.Was = &c.Was
		}
		out.Changes = append(out.Changes, change)
	}
	return out
}
