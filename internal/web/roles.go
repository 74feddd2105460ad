package web

import (
	"context"
	"net/http"

	"github.com/google/uuid"
	"github.com/labstack/echo/v5"

	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// access is who may call an operation.
type access int

const (
	anyone    access = iota // nobody needs to be signed in
	screen                  // a second screen that a code has paired
	anyStaff                // head coach or assistant
	headCoach               // head coach alone
)

// required says for every operation of the contract who may call it. A test
// compares it with the contract; an operation that is missing here is refused.
var required = map[string]access{
	"GetSession": anyone, "SignIn": anyone, "SetUp": anyone, "SignOut": anyone,

	"GetCatalogue": anyStaff, "GetTeam": anyStaff, "GetNow": anyStaff, "GetLesson": anyStaff,
	"GetQuestion": anyStaff, "Search": anyStaff, "GetMotion": anyStaff, "PreviewDrill": anyStaff, "ListDrills": anyStaff, "AddDrill": anyStaff,
	"UpdateDrill": anyStaff, "ArchiveDrill": anyStaff, "GetTape": anyStaff,
	"Judge": anyStaff, "ReadMap": anyStaff, "Play": anyStaff, "OrderList": anyStaff,
	"ListPlayers": anyStaff, "GetCard": anyStaff, "GetBoard": anyStaff, "GetRead": anyStaff, "ExportEvidence": anyStaff, "ListAgreements": anyStaff, "ExportRoster": anyStaff,
	"ListPractices": anyStaff, "GetPractice": anyStaff, "LayOut": anyStaff, "GetRun": anyStaff, "FollowPractice": anyStaff,
	"GetProgram": anyStaff, "GetPlayerRead": anyStaff,
	"ListGames": anyStaff, "GetGame": anyStaff, "GetBench": anyStaff, "FindLineups": anyStaff, "FollowGame": anyStaff,
	"AddGame": anyStaff, "UpdateGame": anyStaff, "LogGame": anyStaff, "DeleteGame": headCoach,
	"SetClock": anyStaff, "LogReps": anyStaff, "ListStaff": anyStaff,
	"FillPlan": anyStaff, "GetLoads": anyStaff, "GetSeason": anyStaff, "SetSeason": anyStaff, "ListTemplates": anyStaff, "AddTemplate": anyStaff,
	"DeleteTemplate": anyStaff, "CarryOver": anyStaff, "ExportPractice": anyStaff, "MailPractice": anyStaff, "ListOutbox": anyStaff, "ReadMail": anyStaff,
	"ReadFeed":    anyone, // the address itself is the key
	"ChangeFloor": anyStaff, "ListCuts": anyStaff, "GetReview": anyStaff, "SetReview": anyStaff,
	"ListScreens": anyStaff, "AddScreen": anyStaff, "EndScreen": anyStaff,
	"PairScreen": anyone, // the code is the key
	"GetDisplay": screen, "GetDisplayMotion": screen, "FollowDisplay": screen, "FeedScoreboard": screen,
	"AddPractice": anyStaff, "UpdatePractice": anyStaff,

	"UpdateTeam": headCoach, "AddPlayer": headCoach, "UpdatePlayer": headCoach, "MovePlayer": headCoach, "DeletePlayer": headCoach,
	"ImportRoster": headCoach, "DeletePractice": headCoach, "AddStaff": headCoach, "MakeFeed": headCoach, "EndFeed": headCoach, "RemoveStaff": headCoach,
}

const sessionStaff, sessionEpoch = "staff", "epoch"

type (
	callerKey struct{}
	placeKey  struct{}
)

// caller is the member of staff who sent the request.
func caller(ctx context.Context) gen.Staff {
	who, _ := ctx.Value(callerKey{}).(gen.Staff)
	return who
}

// clientPlace is the network address the request came from.
func clientPlace(ctx context.Context) string {
	place, _ := ctx.Value(placeKey{}).(string)
	return place
}

// authorise lets a request through to its handler when the caller may make it.
func (s *Server) authorise(next api.StrictHandlerFunc, operation string) api.StrictHandlerFunc {
	need, known := required[operation]
	return func(c *echo.Context, request any) (any, error) {
		who, err := s.signedIn(c.Request().Context())
		if err != nil {
			return nil, err
		}
		if known && need == screen {
			sc, err := s.pairedScreen(c.Request().Context())
			if err == nil && sc == nil {
				err = problem{http.StatusUnauthorized, notPaired}
			}
			if err != nil {
				return nil, err
			}
			c.SetRequest(c.Request().WithContext(context.WithValue(c.Request().Context(), screenKey{}, *sc)))
			return next(c, request)
		}
		switch {
		case known && need == anyone:
		case !known:
			return nil, problem{http.StatusForbidden, "Nobody may do this."}
		case who == nil:
			return nil, problem{http.StatusUnauthorized, "You are not signed in. What you entered is still on this page; sign in and try again."}
		case need == headCoach && who.Role != "head":
			return nil, problem{http.StatusForbidden, "Only the head coach can change this. Nothing was changed."}
		}
		ctx := context.WithValue(c.Request().Context(), placeKey{}, c.RealIP())
		if who != nil {
			ctx = context.WithValue(ctx, callerKey{}, *who)
		}
		c.SetRequest(c.Request().WithContext(ctx))
		return next(c, request)
	}
}

// signedIn returns the session's owner, or nil.
func (s *Server) signedIn(ctx context.Context) (*gen.Staff, error) {
	id, err := uuid.Parse(s.sessions.GetString(ctx, sessionStaff))
	if err != nil {
		return nil, nil
	}
	who, err := s.db.StaffByID(ctx, id)
	if store.NotFound(err) {
		return nil, nil
	}
	if err != nil {
		return nil, err
	}
	if int(who.SessionEpoch) != s.sessions.GetInt(ctx, sessionEpoch) {
		return nil, nil
	}
	return &who, nil
}

// team returns the caller's team with this id; another program's is not found.
func (s *Server) team(ctx context.Context, id uuid.UUID) (gen.Team, error) {
	t, err := s.db.Team(ctx, gen.TeamParams{ProgramID: caller(ctx).ProgramID, ID: id})
	return t, orMissing(err, "This team is not in your program.")
}
