package web

import (
	"context"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/app/accounts"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// GetSession says who is signed in.
func (s *Server) GetSession(ctx context.Context, _ api.GetSessionRequestObject) (api.GetSessionResponseObject, error) {
	view, err := s.session(ctx)
	return api.GetSession200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

func (s *Server) session(ctx context.Context) (api.Session, error) {
	who, err := s.signedIn(ctx)
	if err != nil {
		return api.Session{}, err
	}
	view := api.Session{State: api.Out, Teams: []api.TeamName{}, Demo: s.demo, StandIns: s.standIns}
	if who == nil {
		there, err := s.programs.SetUp(ctx)
		if err == nil && !there {
			view.State = api.Setup
			if !isLocal(ctx) {
				view.NeedsCode = new(true)
			}
		}
		return view, err
	}
	view.State = api.In
	if s.mail != nil {
		view.SendsMail = new(true)
	}
	view.Me = new(personView(*who))
	program, err := s.programs.Of(ctx, who.ProgramID)
	if err != nil {
		return view, err
	}
	view.Program = &program.Name
	active, err := s.teams.Active(ctx, who.ProgramID)
	for _, t := range active {
		view.Teams = append(view.Teams, api.TeamName{Id: t.ID, Name: t.Name, Zone: t.Zone, LeftOut: leftOut(t),
			Longest: longestPractice(t)})
	}
	return view, err
}

// SignOut ends this session, or all of the caller's.
func (s *Server) SignOut(ctx context.Context, r api.SignOutRequestObject) (api.SignOutResponseObject, error) {
	who := caller(ctx)
	if r.Params.Everywhere != nil && *r.Params.Everywhere && who.ID != uuid.Nil {
		if err := s.accounts.SignOut(ctx, who); err != nil {
			return nil, err
		}
	}
	if err := s.sessions.Destroy(ctx); err != nil {
		return nil, err
	}
	// What this device followed ends.
	return api.SignOut204Response{}, s.accounts.Announce(ctx, who.ID)
}

// SetUp makes the program, its first team and its first head coach, once.
func (s *Server) SetUp(ctx context.Context, r api.SetUpRequestObject) (api.SetUpResponseObject, error) {
	b := r.Body
	if err := s.checkSetupCode(ctx, b.Code); err != nil {
		return nil, err
	}
	who, err := s.accounts.SetUp(ctx, accounts.Setup{Program: b.Program, Team: b.Team, Ages: b.Ages,
		Zone:   app.Value(b.Zone),
		Person: accounts.Person{Name: b.Name, Email: b.Email, Password: b.Password}})
	if err != nil {
		return nil, err
	}
	view, err := s.begin(ctx, who)
	return api.SetUp200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

// ListStaff lists the program's coaches.
func (s *Server) ListStaff(ctx context.Context, _ api.ListStaffRequestObject) (api.ListStaffResponseObject, error) {
	rows, err := s.accounts.Staff(ctx, caller(ctx).ProgramID)
	list := api.ListStaff200JSONResponse{}
	for _, r := range rows {
		list = append(list, personView(r))
	}
	return list, err
}

// personView is a coach as the contract has it.
func personView(who gen.Staff) api.Person {
	return api.Person{Id: who.ID, Name: who.Name, Email: who.Email, Role: api.PersonRole(who.Role)}
}
