package web

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"

	"evrik/core/court"
	"evrik/core/game"
	"evrik/core/offense"
	"evrik/core/reads"
	"evrik/internal/app/offenses"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// onCourt is a team with its floor.
func (s *Server) onCourt(ctx context.Context, r api.TeamId) (gen.Team, reads.Floor, error) {
	team, err := s.team(ctx, r)
	if err != nil {
		return team, reads.Floor{}, err
	}
	fl, err := store.FloorOf(team)
	return team, fl, err
}

// GetOffense returns the shipped offenses, the parts to make one of, and the team's own.
func (s *Server) GetOffense(ctx context.Context, r api.GetOffenseRequestObject) (api.GetOffenseResponseObject, error) {
	view, err := s.offenseView(ctx, r.TeamId)
	return api.GetOffense200JSONResponse(view), err
}

func (s *Server) offenseView(ctx context.Context, id api.TeamId) (out api.OffenseView, err error) {
	team, fl, err := s.onCourt(ctx, id)
	if err != nil {
		return out, err
	}
	players, err := s.players(ctx, team.ID)
	if err != nil {
		return out, err
	}
	out = api.OffenseView{Offenses: offense.Shipped(), Parts: offense.Parts(), Options: offense.Options(),
		Triggers: offense.Triggers(), Levels: offense.Levels(),
		Kinds: offense.Kinds(), Figures: offense.Figures(), Lines: fl.Court.Lines(), Players: playerViews(players),
		Neighbors:   offense.Neighbors,
		Assumptions: offense.Assumptions(), Effects: offense.Effects(), Purpose: offense.Purpose,
		Follows: team.OffenseFollows}
	if out.Own, out.Chosen, err = s.offenses.Of(team); err != nil {
		return out, err
	}
	out.Start = offense.NewFloor(fl).Begin(out.Own)
	for _, spot := range fl.Court.Spots(court.StandOff) {
		out.Spots = append(out.Spots, offense.Choice{ID: spot.ID, Name: spot.Name})
	}
	for _, id := range offense.RuleIDs() {
		out.Rules = append(out.Rules, reads.CueInfo{ID: id, Name: offense.RuleName(id)})
	}
	others, err := s.offenses.OfOthers(ctx, team)
	out.Teams = []api.OffenseTeam{}
	for _, o := range others {
		out.Teams = append(out.Teams, api.OffenseTeam{Id: o.Team.ID, Name: o.Team.Name, Offense: o.Offense.Name})
	}
	return out, err
}

// SetOffense stores a team's offense.
func (s *Server) SetOffense(ctx context.Context, r api.SetOffenseRequestObject) (api.SetOffenseResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	check, err := s.offenses.Save(ctx, team, *r.Body)
	return api.SetOffense200JSONResponse(check), err
}

// CopyOffense lets a team play another team's offense.
func (s *Server) CopyOffense(ctx context.Context, r api.CopyOffenseRequestObject) (api.CopyOffenseResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	from, err := s.team(ctx, r.Body.From)
	if err != nil {
		return nil, err
	}
	if err := s.offenses.Copy(ctx, team, from, r.Body.Follow); err != nil {
		return nil, err
	}
	view, err := s.offenseView(ctx, r.TeamId)
	return api.CopyOffense200JSONResponse(view), err
}

// CheckOffense says whether an offense goes round, what it breaks and what it needs.
func (s *Server) CheckOffense(ctx context.Context, r api.CheckOffenseRequestObject) (api.CheckOffenseResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	check, err := s.offenses.Check(team, *r.Body)
	return api.CheckOffense200JSONResponse(check), err
}

// defenseOf is what an offense is run against.
func defenseOf(a api.OffenseAgainst) offense.Defense {
	return offense.Defense{Zone: a.Zone, Dials: a.Dials}
}

// WatchOffense runs some passes from where people stand.
func (s *Server) WatchOffense(ctx context.Context, r api.WatchOffenseRequestObject) (api.WatchOffenseResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	w := r.Body
	run, err := s.offenses.Watch(team, offenses.Watching{Offense: w.Offense, Standing: w.Standing, Passes: w.Passes,
		Seed:    uint64(w.Seed),
		Against: offense.Guarding{Defended: w.Against.Defended, Defense: defenseOf(w.Against)}})
	return api.WatchOffense200JSONResponse(run), err
}

// StandOffense names the rules that people who stand so break.
func (s *Server) StandOffense(ctx context.Context, r api.StandOffenseRequestObject) (api.StandOffenseResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	broken, err := s.offenses.Stand(team, r.Body.Offense, r.Body.Standing)
	return api.StandOffense200JSONResponse(broken), err
}

// CutOutDrill makes a drill of a moment of an offense.
func (s *Server) CutOutDrill(ctx context.Context, r api.CutOutDrillRequestObject) (api.CutOutDrillResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	d, err := s.offenses.CutOut(team, r.Body.Offense, r.Body.Moment)
	if err != nil {
		return nil, err
	}
	return api.CutOutDrill200JSONResponse(*d), nil
}

// CompareOffenses plays two offenses by the same five on the same luck, against what the next
// opponent is expected to do, and tells how far it is.
func (s *Server) CompareOffenses(ctx context.Context,
	r api.CompareOffensesRequestObject) (api.CompareOffensesResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	next, err := s.plans.NextGame(ctx, team)
	if err != nil {
		return nil, err
	}
	mixes := []game.Mix{}
	if next != nil {
		if mixes, err = store.MixesOf(*next); err != nil {
			return nil, err
		}
	}
	p := offenses.Pair{A: r.Body.A, B: r.Body.B, Five: r.Body.Five, Defense: defenseOf(r.Body.Against)}
	a, b, err := s.offenses.Simulators(ctx, team, p, mixes)
	return comparing{ctx, s.offenses, a, b}, err
}

// comparing writes how far a comparison is, and its result.
type comparing struct {
	ctx  context.Context
	of   offenses.Service
	a, b *offense.Simulator
}

// VisitCompareOffensesResponse plays until it is known or the browser has left.
func (c comparing) VisitCompareOffensesResponse(w http.ResponseWriter) error {
	w.Header().Set("Content-Type", "text/event-stream")
	w.Header().Set(unbuffered, "no")
	w.WriteHeader(http.StatusOK)
	out := http.NewResponseController(w)
	write := func(p api.OffenseProgress) error {
		raw, err := json.Marshal(p)
		if err == nil {
			_, err = fmt.Fprintf(w, "data: %s\n\n", raw)
		}
		if err != nil {
			return err
		}
		return out.Flush()
	}
	result,
		ok := c.of.Compare(c.ctx, c.a, c.b, func(done float64) error { return write(api.OffenseProgress{Done: done}) })
	if !ok {
		return nil
	}
	return write(api.OffenseProgress{Done: 1, Result: &result})
}

// GetPrinciples returns the team's principles with their pictures.
func (s *Server) GetPrinciples(ctx context.Context, r api.GetPrinciplesRequestObject) (api.GetPrinciplesResponseObject,
	error) {
	view, err := s.principles(ctx, r.TeamId)
	return api.GetPrinciples200JSONResponse(view), err
}

func (s *Server) principles(ctx context.Context, id api.TeamId) (api.Principles, error) {
	team, fl, err := s.onCourt(ctx, id)
	if err != nil {
		return api.Principles{}, err
	}
	out := api.Principles{Lines: fl.Court.Lines()}
	if out.Principles, err = store.PrinciplesOf(team); err != nil {
		return out, err
	}
	own, _, err := s.offenses.Of(team)
	if err != nil {
		return out, err
	}
	out.Pictures = offense.NewFloor(fl).Pictures(own)
	return out, nil
}

// SetPrinciples stores a team's principles in the coach's words.
func (s *Server) SetPrinciples(ctx context.Context, r api.SetPrinciplesRequestObject) (api.SetPrinciplesResponseObject,
	error) {
	if err := s.offenses.SetPrinciples(ctx, caller(ctx).ProgramID, r.TeamId, *r.Body); err != nil {
		return nil, err
	}
	view, err := s.principles(ctx, r.TeamId)
	return api.SetPrinciples200JSONResponse(view), err
}
