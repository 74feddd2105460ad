package web

import (
	"context"
	"fmt"
	"net/mail"
	"strings"
	"time"
	"unicode"
	"unicode/utf8"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/practice"
	"evrik/core/roster"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// Sizes of what is typed in (assumptions), in characters.
const (
	minPassword = 10
	maxPassword = 200
	maxText     = 80
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
		n, err := s.db.CountPrograms(ctx)
		if n == 0 {
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
	view.Me = &api.Person{Id: who.ID, Name: who.Name, Email: who.Email, Role: api.PersonRole(who.Role)}
	program, err := s.db.Program(ctx, who.ProgramID)
	if err != nil {
		return view, err
	}
	view.Program = &program.Name
	teams, err := s.db.TeamsOfProgram(ctx, who.ProgramID)
	for _, t := range teams {
		if t.Archived {
			continue
		}
		view.Teams = append(view.Teams, api.TeamName{Id: t.ID, Name: t.Name, Zone: t.Zone, LeftOut: leftOut(t), Longest: longestPractice(t)})
	}
	return view, err
}

// SignOut ends this session, or all of the caller's.
func (s *Server) SignOut(ctx context.Context, r api.SignOutRequestObject) (api.SignOutResponseObject, error) {
	who := caller(ctx)
	if r.Params.Everywhere != nil && *r.Params.Everywhere && who.ID != uuid.Nil {
		if err := s.db.EndSessions(ctx, gen.EndSessionsParams{ProgramID: who.ProgramID, ID: who.ID}); err != nil {
			return nil, err
		}
	}
	if err := s.sessions.Destroy(ctx); err != nil {
		return nil, err
	}
	// What this device followed ends.
	return api.SignOut204Response{}, s.notifyAccount(ctx, who.ID)
}

// SetUp makes the program, its first team and its first head coach, once.
func (s *Server) SetUp(ctx context.Context, r api.SetUpRequestObject) (api.SetUpResponseObject, error) {
	b := r.Body
	if err := s.checkSetupCode(ctx, b.Code); err != nil {
		return nil, err
	}
	program, err := text("The program's name", b.Program)
	if err != nil {
		return nil, err
	}
	team, err := text("The team's name", b.Team)
	if err != nil {
		return nil, err
	}
	if err := knownAges(b.Ages); err != nil {
		return nil, err
	}
	zone := "UTC"
	if b.Zone != nil {
		// A browser whose zone is not known here still sets the team up.
		if known, err := knownZone(*b.Zone); err == nil {
			zone = known
		}
	}
	who, err := s.newStaff(ctx, b.Name, b.Email, "head", b.Password)
	if err != nil {
		return nil, err
	}
	who.ProgramID = uuid.Must(uuid.NewV7())
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockSetup(ctx); err != nil {
			return err
		}
		if n, err := q.CountPrograms(ctx); err != nil || n > 0 {
			if err == nil {
				err = conflict("account.already-set-up")
			}
			return err
		}
		if err := q.InsertProgram(ctx, gen.InsertProgramParams{ID: who.ProgramID, Name: program}); err != nil {
			return err
		}
		if err := q.InsertStaff(ctx, gen.InsertStaffParams(who)); err != nil {
			return err
		}
		c, _ := court.PresetCourt(court.HighSchool)
		return q.InsertTeam(ctx, gen.InsertTeamParams{ID: uuid.Must(uuid.NewV7()), ProgramID: who.ProgramID, Name: team,
			Season: seasonOf(s.now()), Ages: b.Ages, Court: store.CourtJSON(c), Zone: zone})
	})
	if err != nil {
		return nil, err
	}
	stored, err := s.db.StaffByID(ctx, who.ID)
	if err != nil {
		return nil, err
	}
	view, err := s.begin(ctx, stored)
	return api.SetUp200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

// seasonOf names the season a day falls in; seasons turn in July (assumption).
func seasonOf(t time.Time) string {
	y := t.Year()
	if t.Month() < time.July {
		y--
	}
	return fmt.Sprintf("%d/%02d", y, (y+1)%100)
}

// ListStaff lists the program's coaches.
func (s *Server) ListStaff(ctx context.Context, _ api.ListStaffRequestObject) (api.ListStaffResponseObject, error) {
	rows, err := s.db.StaffOfProgram(ctx, caller(ctx).ProgramID)
	list := api.ListStaff200JSONResponse{}
	for _, r := range rows {
		list = append(list, api.Person{Id: r.ID, Name: r.Name, Email: r.Email, Role: api.PersonRole(r.Role)})
	}
	return list, err
}

// newStaff checks an account's entries and hashes its password.
func (s *Server) newStaff(ctx context.Context, name, email, role, password string) (gen.InsertStaffParams, error) {
	name, err := text("Your name", name)
	if err != nil {
		return gen.InsertStaffParams{}, err
	}
	email, err = address(email)
	if err != nil {
		return gen.InsertStaffParams{}, err
	}
	hash, err := s.hash(ctx, password)
	return gen.InsertStaffParams{ID: uuid.Must(uuid.NewV7()), Name: name, Email: email, Role: role, PasswordHash: hash}, err
}

// cleanAddress is how an address is compared.
func cleanAddress(email string) string { return strings.ToLower(strings.TrimSpace(email)) }

// address checks an email address.
func address(email string) (string, error) {
	addr, err := mail.ParseAddress(strings.TrimSpace(email))
	if err != nil || addr.Name != "" || len(addr.Address) > maxText || strings.ContainsFunc(addr.Address, unicode.IsControl) {
		return "", invalid("account.email")
	}
	return addr.Address, nil
}

// text trims a short text and checks it.
func text(what, s string) (string, error) {
	s = strings.TrimSpace(s)
	if s == "" || utf8.RuneCountInString(s) > maxText || !roster.Showable(s) {
		return s, invalid("account.text-length", what, maxText)
	}
	return s, nil
}

func knownAges(band string) error {
	if _, ok := practice.AgeBand(band).Limits(); !ok {
		return invalid("account.age-group")
	}
	return nil
}
