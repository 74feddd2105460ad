package web

import (
	"context"
	"log/slog"

	"github.com/google/uuid"

	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// audited says what is written down when somebody has done an operation. A test holds
// every operation that changes something to be here or among the quiet ones.
var audited = map[string]string{
	"UpdateTeam": "changed the team's settings", "AddTeam": "added a team",
	"ArchiveTeam": "archived a team or brought it back", "DeleteTeam": "deleted a team",
	"UndoImport":     "undid an import",
	"ChangePassword": "changed the own password", "AddPlayer": "put a player on the roster",
	"UpdatePlayer": "changed a player's entry",
	"MovePlayer":   "moved a player to another team", "DeletePlayer": "erased a player and the record",
	"ImportRoster": "imported a roster file",
	"ExportRoster": "took the roster as a file", "ExportEvidence": "took reps or verdicts as a file",
	"SetHome": "gave a drill for home or took it back", "AddPractice": "planned a practice",
	"UpdatePractice": "changed a practice", "DeletePractice": "deleted a practice", "MailPractice": "mailed a practice",
	"SetSeason": "changed what the season is for", "AddTemplate": "kept a plan",
	"DeleteTemplate": "deleted a kept plan",
	"AddDrill":       "added a drill", "UpdateDrill": "changed a drill",
	"ArchiveDrill": "put a drill away or brought it back",
	"AddGame":      "put a game on the schedule", "UpdateGame": "changed a game", "DeleteGame": "deleted a game",
	"SetOffense": "changed the team's offense", "CopyOffense": "copied an offense to the team",
	"SetPrinciples":  "changed the team's principles",
	"MakePlayerLink": "made a player's link", "MakePlayerLinks": "made links for several players",
	"RestorePlayerLink": "brought a player's link back", "EndPlayerLink": "ended a player's link",
	"MakeFeed": "made a calendar address", "EndFeed": "ended the calendar address",
	"Invite": "invited somebody", "WithdrawInvitation": "withdrew an invitation",
	"SetStaffRole": "changed a coach's role", "RemoveStaff": "removed a coach",
	"SetKeeping": "changed how long reps are kept", "ExportArchive": "took the program's archive",
	"ImportArchive": "imported an archive",
}

// quiet are operations that change something and are not written down, or only compute.
var quiet = map[string]string{
	"SignIn": "a session", "AskForReset": "nobody is signed in", "ResetPassword": "writes its own line",
	"SignOut": "a session", "SetUp": "there is nobody else yet", "AcceptInvitation": "writes its own line",
	"PairDisplay": "a screen of the gym",
	"SendAnswers": "a player's own answers", "TellHome": "a player tells it, by a link without an account",
	"LogReps": "every event names its observer", "LogGame": "every event names its observer",
	"SetClock": "the clock keeps its own log", "ChangeFloor": "the floor keeps its own log",
	"SetReview": "a note, seen where it stands", "SetEffort": "a rating, seen where it stands",
	"AddDisplay": "ends by itself", "SetRound": "ends by itself", "EndRound": "ends by itself",
	"EndDisplay": "ends by itself",
	"Judge":      "computes", "ReadMap": "computes", "Play": "computes", "OrderList": "computes",
	"PreviewDrill": "computes",
	"LayOut":       "computes", "PreviewRoster": "computes", "FillPlan": "computes", "FindLineups": "computes",
	"WatchOffense": "computes", "CheckOffense": "computes", "StandOffense": "computes", "CutOutDrill": "computes",
	"CompareOffenses": "computes",
}

// writeAudit writes down who did what to a team, uuid.Nil for none. What was done stands even where this fails.
func (s *Server) writeAudit(ctx context.Context, who gen.Staff, team uuid.UUID, what string) {
	if err := s.programs.Note(ctx, who, team, what); err != nil {
		slog.Error("what somebody did was not written down", "what", what, "error", err)
	}
}

// auditOperation writes an operation down where that is wanted; team is its id or empty.
func (s *Server) auditOperation(ctx context.Context, operation, team string) {
	what, ok := audited[operation]
	who := caller(ctx)
	if !ok || who.ID == uuid.Nil {
		return
	}
	id, err := uuid.Parse(team)
	if err != nil {
		id = uuid.Nil
	}
	s.writeAudit(ctx, who, id, what)
}

// ListAudit lists who changed what, newest first.
func (s *Server) ListAudit(ctx context.Context, _ api.ListAuditRequestObject) (api.ListAuditResponseObject, error) {
	rows, err := s.programs.Done(ctx, caller(ctx).ProgramID)
	out := api.ListAudit200JSONResponse{}
	for _, r := range rows {
		out = append(out, api.AuditEntry{At: r.At, Who: r.Who, Team: r.Team, What: r.What})
	}
	return out, err
}
