package web

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"net/http"
	"net/mail"
	"strings"
	"time"
	"unicode"
	"unicode/utf8"

	"github.com/alexedwards/argon2id"
	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/practice"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// Limits of signing in (assumptions).
const (
	// signInTries failures within signInWindow close an address or a network
	// place for the rest of the window.
	signInTries  = 8
	signInWindow = 10 * time.Minute
	minPassword  = 10 // characters
	maxPassword  = 200
	maxText      = 80
)

// decoyHash is checked when an address is unknown, so that the answer takes as
// long as for a known one.
var decoyHash = func() string {
	h, err := argon2id.CreateHash("nobody has this password", argon2id.DefaultParams)
	if err != nil {
		panic(err) // the system has no randomness; nothing can be served
	}
	return h
}()

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
		}
		return view, err
	}
	view.State = api.In
	view.Me = &api.Person{Id: who.ID, Name: who.Name, Email: who.Email, Role: api.PersonRole(who.Role)}
	program, err := s.db.Program(ctx, who.ProgramID)
	if err != nil {
		return view, err
	}
	view.Program = &program.Name
	teams, err := s.db.TeamsOfProgram(ctx, who.ProgramID)
	for _, t := range teams {
		view.Teams = append(view.Teams, api.TeamName{Id: t.ID, Name: t.Name})
	}
	return view, err
}

// SignIn begins a session. The limit counts failures per address and per
// network place, in the database, so that it holds for all servers.
func (s *Server) SignIn(ctx context.Context, r api.SignInRequestObject) (api.SignInResponseObject, error) {
	email := strings.TrimSpace(r.Body.Email)
	keys := []string{throttleKey("address", strings.ToLower(email)), throttleKey("place", clientPlace(ctx))}
	if err := s.notTooOften(ctx, keys); err != nil {
		return nil, err
	}
	who, err := s.db.StaffByEmail(ctx, email)
	hash := who.PasswordHash
	if store.NotFound(err) {
		hash, err = decoyHash, nil
	}
	if err != nil {
		return nil, err
	}
	match, err := argon2id.ComparePasswordAndHash(r.Body.Password, hash)
	if err != nil {
		return nil, err
	}
	if !match || who.ID == uuid.Nil {
		if err := s.db.RecordSignInFailure(ctx, keys); err != nil {
			return nil, err
		}
		return nil, problem{http.StatusUnauthorized, "Email and password do not match. Check both and try again."}
	}
	if err := s.db.ForgetSignInFailures(ctx, gen.ForgetSignInFailuresParams{Key: keys[0], Before: s.now().Add(-signInWindow)}); err != nil {
		return nil, err
	}
	view, err := s.begin(ctx, who)
	return api.SignIn200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

// notTooOften refuses who has failed too often of late.
func (s *Server) notTooOften(ctx context.Context, keys []string) error {
	failed, err := s.db.CountSignInFailures(ctx, gen.CountSignInFailuresParams{Keys: keys, Since: s.now().Add(-signInWindow)})
	if err == nil && failed >= signInTries {
		err = problem{http.StatusTooManyRequests, fmt.Sprintf("Too many tries. Wait %d minutes and try again.", int(signInWindow.Minutes()))}
	}
	return err
}

func (s *Server) begin(ctx context.Context, who gen.Staff) (api.Session, error) {
	if err := s.sessions.RenewToken(ctx); err != nil {
		return api.Session{}, err
	}
	s.sessions.Put(ctx, sessionStaff, who.ID.String())
	s.sessions.Put(ctx, sessionEpoch, int(who.SessionEpoch))
	return s.session(ctx)
}

func throttleKey(kind, value string) string {
	sum := sha256.Sum256([]byte(kind + "\x00" + value))
	return hex.EncodeToString(sum[:16])
}

// SignOut ends this session, or all of the caller's.
func (s *Server) SignOut(ctx context.Context, r api.SignOutRequestObject) (api.SignOutResponseObject, error) {
	if who := caller(ctx); r.Params.Everywhere != nil && *r.Params.Everywhere && who.ID != uuid.Nil {
		if err := s.db.EndSessions(ctx, gen.EndSessionsParams{ProgramID: who.ProgramID, ID: who.ID}); err != nil {
			return nil, err
		}
	}
	return api.SignOut204Response{}, s.sessions.Destroy(ctx)
}

// SetUp makes the program, its first team and its first head coach, once.
func (s *Server) SetUp(ctx context.Context, r api.SetUpRequestObject) (api.SetUpResponseObject, error) {
	b := r.Body
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
	who, err := newStaff(b.Name, b.Email, "head", b.Password)
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
				err = conflict("This Evrik has been set up already. Sign in, or ask the head coach for an account.")
			}
			return err
		}
		if err := store.NewProgram(ctx, q, s.policy, gen.InsertProgramParams{ID: who.ProgramID, Name: program}); err != nil {
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

// RemoveStaff ends another coach's account.
func (s *Server) RemoveStaff(ctx context.Context, r api.RemoveStaffRequestObject) (api.RemoveStaffResponseObject, error) {
	if r.StaffId == caller(ctx).ID {
		return nil, conflict("You cannot remove your own account. Another head coach can.")
	}
	n, err := s.db.DeleteStaff(ctx, gen.DeleteStaffParams{ProgramID: caller(ctx).ProgramID, ID: r.StaffId})
	if err == nil && n == 0 {
		err = missing("This account is not in your program.")
	}
	return api.RemoveStaff204Response{}, err
}

// newStaff checks an account's entries and hashes its password.
func newStaff(name, email, role, password string) (gen.InsertStaffParams, error) {
	name, err := text("Your name", name)
	if err != nil {
		return gen.InsertStaffParams{}, err
	}
	email, err = address(email)
	if err != nil {
		return gen.InsertStaffParams{}, err
	}
	if n := utf8.RuneCountInString(password); n < minPassword || n > maxPassword {
		return gen.InsertStaffParams{}, invalid(fmt.Sprintf("The password needs at least %d characters. A short sentence is good.", minPassword))
	}
	hash, err := argon2id.CreateHash(password, argon2id.DefaultParams)
	return gen.InsertStaffParams{ID: uuid.Must(uuid.NewV7()), Name: name, Email: email, Role: role, PasswordHash: hash}, err
}

// address checks an email address.
func address(email string) (string, error) {
	addr, err := mail.ParseAddress(strings.TrimSpace(email))
	if err != nil || addr.Name != "" || len(addr.Address) > maxText || strings.ContainsFunc(addr.Address, unicode.IsControl) {
		return "", invalid("This is not an email address. Check it and try again.")
	}
	return addr.Address, nil
}

// text trims a short text and checks it.
func text(what, s string) (string, error) {
	s = strings.TrimSpace(s)
	if s == "" || utf8.RuneCountInString(s) > maxText || !utf8.ValidString(s) || strings.ContainsFunc(s, unicode.IsControl) {
		return s, invalid(fmt.Sprintf("%s needs 1 to %d characters. Nothing was stored.", what, maxText))
	}
	return s, nil
}

func knownAges(band string) error {
	if _, ok := practice.AgeBand(band).Limits(); !ok {
		return invalid("Choose an age group from the list.")
	}
	return nil
}
