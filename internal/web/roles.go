package web

import (
	"context"
	"net/http"

	"github.com/google/uuid"
	"github.com/labstack/echo/v5"

	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// access is who may call an operation.
type access int

const (
	anyone    access = iota // nobody needs to be signed in
	display                 // a display that a code has paired
	viewer                  // whoever is on the staff, to look
	coach                   // head coach or assistant
	headCoach               // head coach alone
)

// required says for every operation of the contract who may call it. A test
// compares it with the contract; an operation that is missing here is refused.
// docs/roles.md is made from it.
var required = map[string]access{
	"GetSession": anyone, "SignIn": anyone, "SetUp": anyone, "SignOut": anyone, "AskForReset": anyone,
	"GetReset": anyone, "ResetPassword": anyone,
	// the address or the code is the key
	"ReadFeed": anyone, "PairDisplay": anyone, "GetInvitation": anyone, "AcceptInvitation": anyone, "GetQuiz": anyone,
	"SendAnswers": anyone, "GetHome": anyone, "TellHome": anyone,
	"GetDisplay": display, "GetDisplayMotion": display, "GetDisplayRound": display, "FollowDisplay": display,
	"FeedScoreboard": display,

	"ChangePassword": viewer, "ListTeams": viewer, "GetCatalogue": viewer, "GetGlossary": viewer, "GetTeam": viewer,
	"GetNow": viewer, "GetLesson": viewer, "GetQuestion": viewer, "Search": viewer, "GetMotion": viewer,
	"GetTape": viewer,
	"Judge":   viewer, "ReadMap": viewer, "Play": viewer, "OrderList": viewer, "PreviewDrill": viewer,
	"ListDrills":  viewer,
	"ListPlayers": viewer, "GetCard": viewer, "GetShots": viewer, "GetBoard": viewer, "GetRead": viewer,
	"GetPlayerRead": viewer, "GetProgram": viewer, "ListAgreements": viewer,
	"ListPractices": viewer, "GetPractice": viewer, "LayOut": viewer, "FillPlan": viewer, "GetLoads": viewer,
	"GetSeason": viewer, "ListTemplates": viewer, "CarryOver": viewer,
	"ExportPractice": viewer, "GetRun": viewer, "GetScore": viewer, "FollowPractice": viewer, "ListCuts": viewer,
	"GetReview":  viewer,
	"GetOffense": viewer, "WatchOffense": viewer, "CheckOffense": viewer, "StandOffense": viewer, "CutOutDrill": viewer,
	"CompareOffenses": viewer, "GetPrinciples": viewer, "GetPlayerQuiz": viewer, "GetRound": viewer,
	"ListGames": viewer, "GetGame": viewer, "GetBench": viewer, "FindLineups": viewer, "FollowGame": viewer,

	"AddDrill": coach, "SetHome": coach, "UpdateDrill": coach, "ArchiveDrill": coach,
	"AddPractice": coach, "UpdatePractice": coach, "SetSeason": coach, "AddTemplate": coach, "DeleteTemplate": coach,
	"MailPractice": coach, "ExportEvidence": coach, "ExportRoster": coach, "ListStaff": coach,
	"SetClock": coach, "LogReps": coach, "ChangeFloor": coach, "SetReview": coach, "SetEffort": coach,
	"ListDisplays": coach, "AddDisplay": coach, "EndDisplay": coach,
	"SetOffense": coach, "CopyOffense": coach, "SetPrinciples": coach, "MakePlayerLink": coach,
	"ListPlayerLinks": coach, "MakePlayerLinks": coach, "RestorePlayerLink": coach, "SetRound": coach,
	"EndRound": coach, "EndPlayerLink": coach, "AddGame": coach, "UpdateGame": coach, "LogGame": coach,

	"AddTeam": headCoach, "ArchiveTeam": headCoach, "DeleteTeam": headCoach, "ListImports": headCoach,
	"UndoImport": headCoach,
	"UpdateTeam": headCoach, "AddPlayer": headCoach, "UpdatePlayer": headCoach, "MovePlayer": headCoach,
	"DeletePlayer": headCoach, "ImportRoster": headCoach, "PreviewRoster": headCoach,
	"DeletePractice": headCoach, "DeleteGame": headCoach, "MakeFeed": headCoach, "EndFeed": headCoach,
	"ListInvitations": headCoach, "Invite": headCoach, "WithdrawInvitation": headCoach, "SetStaffRole": headCoach,
	"RemoveStaff": headCoach,
	"ListOutbox":  headCoach, "ReadMail": headCoach, // links of invitations are in it
	"GetKeeping": headCoach, "SetKeeping": headCoach, "ExportArchive": headCoach, "ImportArchive": headCoach,
	"ListAudit": headCoach,
}

// may reports whether somebody of the staff may do what needs an access.
func may(role string, need access) bool {
	switch role {
	case "head":
		return need == viewer || need == coach || need == headCoach
	case "assistant":
		return need == viewer || need == coach
	}
	return need == viewer
}

const sessionStaff, sessionEpoch = "staff", "epoch"

type callerKey struct{}

// caller is the member of staff who sent the request.
func caller(ctx context.Context) gen.Staff {
	who, _ := ctx.Value(callerKey{}).(gen.Staff)
	return who
}

// authorize lets a request through to its handler when the caller may make it.
func (s *Server) authorize(next api.StrictHandlerFunc, operation string) api.StrictHandlerFunc {
	need, known := required[operation]
	return func(c *echo.Context, request any) (any, error) {
		who, err := s.signedIn(c.Request().Context())
		if err != nil {
			return nil, err
		}
		if known && need == display {
			d, err := s.pairedDisplay(c.Request().Context())
			if err != nil {
				return nil, err
			}
			c.SetRequest(c.Request().WithContext(context.WithValue(c.Request().Context(), displayKey{}, d)))
			return next(c, request)
		}
		switch {
		case known && need == anyone:
		case !known:
			return nil, refused(http.StatusForbidden, "role.nobody")
		case who == nil:
			return nil, refused(http.StatusUnauthorized, "role.signed-out")
		case !may(who.Role, need) && who.Role == "viewer":
			return nil, refused(http.StatusForbidden, "role.viewer")
		case !may(who.Role, need):
			return nil, refused(http.StatusForbidden, "role.head-coach")
		}
		ctx := c.Request().Context()
		if who != nil {
			ctx = context.WithValue(ctx, callerKey{}, *who)
		}
		c.SetRequest(c.Request().WithContext(ctx))
		answer, err := next(c, request)
		if err == nil {
			s.auditOperation(ctx, operation, c.Param("teamId"))
		}
		return answer, err
	}
}

// signedIn returns the session's owner, or nil.
func (s *Server) signedIn(ctx context.Context) (*gen.Staff, error) {
	id, err := uuid.Parse(s.sessions.GetString(ctx, sessionStaff))
	if err != nil {
		return nil, nil
	}
	return s.accounts.Signed(ctx, id, s.sessions.GetInt(ctx, sessionEpoch))
}

// team returns the caller's team with this id; another program's is not found.
func (s *Server) team(ctx context.Context, id uuid.UUID) (gen.Team, error) {
	return s.teams.Of(ctx, caller(ctx).ProgramID, id)
}
