package web

import (
	"context"
	"fmt"

	"evrik/core/evidence"
	"evrik/core/offense"
	"evrik/core/reads"
	"evrik/internal/app/squad"
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

// GetOffense returns the schools, the team's own way, and what it takes to watch them.
func (s *Server) GetOffense(ctx context.Context, r api.GetOffenseRequestObject) (api.GetOffenseResponseObject, error) {
	team, fl, err := s.onCourt(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	players, err := s.teamPlayers(ctx, team)
	if err != nil {
		return nil, err
	}
	own, chosen, err := store.OffenseOf(team)
	if err != nil {
		return nil, err
	}
	out := api.GetOffense200JSONResponse{Schools: offense.Schools(), Lines: fl.Court.Lines(), Players: playerViews(players), Assumptions: offense.Assumptions(), Purpose: offense.Purpose, Neighbours: offense.Neighbours}
	if !chosen {
		own = offense.VariantOf(out.Schools[0])
	}
	out.Own = own
	f := offense.NewFloor(fl)
	for _, school := range out.Schools {
		out.Starts = append(out.Starts, f.Begin(school))
	}
	for _, id := range offense.Rules() {
		out.Rules = append(out.Rules, reads.CueInfo{ID: id, Name: offense.RuleName(id)})
	}
	return out, nil
}

// SetOffense stores a team's own way of a school.
func (s *Server) SetOffense(ctx context.Context, r api.SetOffenseRequestObject) (api.SetOffenseResponseObject, error) {
	team, fl, err := s.onCourt(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	school, err := r.Body.School(fl.Court)
	if err != nil {
		return nil, invalid(err.Error() + " The old way was kept.")
	}
	_, err = s.db.SetOffense(ctx, gen.SetOffenseParams{ProgramID: team.ProgramID, ID: team.ID, Offense: store.OffenseJSON(*r.Body)})
	return api.SetOffense200JSONResponse(school), err
}

// watching is the floor and the school of a way of playing that people stand to run.
func (s *Server) watching(ctx context.Context, id api.TeamId, w *api.OffenseWatch) (offense.Floor, offense.School, error) {
	_, fl, err := s.onCourt(ctx, id)
	if err != nil {
		return offense.Floor{}, offense.School{}, err
	}
	school, err := w.Variant.School(fl.Court)
	if err == nil {
		err = w.Standing.Check(fl.Court)
	}
	if err != nil {
		return offense.Floor{}, school, invalid(err.Error())
	}
	return offense.NewFloor(fl), school, nil
}

// WatchOffense runs some passes from where people stand.
func (s *Server) WatchOffense(ctx context.Context, r api.WatchOffenseRequestObject) (api.WatchOffenseResponseObject, error) {
	fl, school, err := s.watching(ctx, r.TeamId, r.Body)
	if err != nil {
		return nil, err
	}
	run, err := fl.Watch(school, r.Body.Standing, r.Body.Passes, offense.Guarding{Defended: r.Body.Defended, Deny: r.Body.Deny}, uint64(r.Body.Seed))
	if err != nil {
		return nil, invalid(err.Error())
	}
	return api.WatchOffense200JSONResponse(run), nil
}

// CheckOffense names the rules that people who stand so break.
func (s *Server) CheckOffense(ctx context.Context, r api.CheckOffenseRequestObject) (api.CheckOffenseResponseObject, error) {
	fl, school, err := s.watching(ctx, r.TeamId, r.Body)
	if err != nil {
		return nil, err
	}
	return api.CheckOffense200JSONResponse(fl.Picture(school, r.Body.Standing.At)), nil
}

// CutOutDrill makes a drill of a moment of an offense, to be stored as any drill of one's own.
func (s *Server) CutOutDrill(ctx context.Context, r api.CutOutDrillRequestObject) (api.CutOutDrillResponseObject, error) {
	_, fl, err := s.onCourt(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	school, ok := offense.ByID(r.Body.School)
	if !ok {
		return nil, missing("There is no such school. Choose one from the list.")
	}
	if err := r.Body.Moment.Standing.Check(fl.Court); err != nil {
		return nil, invalid(err.Error())
	}
	d, err := offense.NewFloor(fl).CutOut(school, r.Body.Moment)
	if err != nil {
		return nil, invalid(err.Error())
	}
	return api.CutOutDrill200JSONResponse(*d), nil
}

// onFive is how many play.
const onFive = 5

// CompareOffenses plays two ways by the same five on the same luck, against what the next
// opponent is expected to do.
func (s *Server) CompareOffenses(ctx context.Context, r api.CompareOffensesRequestObject) (api.CompareOffensesResponseObject, error) {
	team, fl, err := s.onCourt(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	b, err := s.squads.Board(ctx, team, reads.Cutter)
	if err != nil {
		return nil, err
	}
	known := map[string]bool{}
	for _, id := range squad.IDs(b.Players) {
		known[string(id)] = true
	}
	var five []string
	for _, id := range r.Body.Five {
		if !known[id.String()] {
			return nil, missing(noPlayer)
		}
		five = append(five, id.String())
	}
	if len(five) != onFive {
		return nil, invalid(fmt.Sprintf("An offense takes five, and %d are chosen.", len(five)))
	}
	next, err := s.plans.NextGame(ctx, team)
	if err != nil {
		return nil, err
	}
	defense := offense.Defense{Zone: r.Body.Zone, Deny: r.Body.Deny}
	if next != nil {
		if defense.Mixes, err = store.MixesOf(*next); err != nil {
			return nil, err
		}
	}
	form := s.policy.FormOf(b.History)
	rate := func(player int, role reads.Role, read reads.Read) float64 {
		return form.Of(evidence.PlayerID(five[player]), role, read).Rate
	}
	var played [2][]offense.Possession
	for i, v := range []offense.Variant{r.Body.A, r.Body.B} {
		school, err := v.School(fl.Court)
		if err != nil {
			return nil, invalid(err.Error())
		}
		played[i] = offense.NewSimulator(fl, school, defense, rate).Many(r.Body.Possessions, 1)
	}
	return api.CompareOffenses200JSONResponse{A: offense.Sum(played[0]), B: offense.Sum(played[1]), Differences: offense.Compare(played[0], played[1])}, nil
}

// GetPrinciples returns the team's principles with their pictures.
func (s *Server) GetPrinciples(ctx context.Context, r api.GetPrinciplesRequestObject) (api.GetPrinciplesResponseObject, error) {
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
	own, chosen, err := store.OffenseOf(team)
	if err != nil {
		return out, err
	}
	school := offense.Schools()[0]
	if chosen {
		if school, err = own.School(fl.Court); err != nil {
			return out, err
		}
	}
	out.Pictures = offense.NewFloor(fl).Pictures(school)
	return out, nil
}

// SetPrinciples stores a team's principles in the coach's words.
func (s *Server) SetPrinciples(ctx context.Context, r api.SetPrinciplesRequestObject) (api.SetPrinciplesResponseObject, error) {
	if err := offense.CheckPrinciples(*r.Body); err != nil {
		return nil, invalid(err.Error() + " The old ones were kept.")
	}
	n, err := s.db.SetPrinciples(ctx, gen.SetPrinciplesParams{ProgramID: caller(ctx).ProgramID, ID: r.TeamId, Principles: store.PrinciplesJSON(*r.Body)})
	if err == nil && n == 0 {
		err = missing("This team is not in your program.")
	}
	if err != nil {
		return nil, err
	}
	view, err := s.principles(ctx, r.TeamId)
	return api.SetPrinciples200JSONResponse(view), err
}
