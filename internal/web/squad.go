package web

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// board judges a team's players on the reads of a role.
type board struct {
	players []gen.Player
	columns []reads.Read
	role    reads.Role
	log     store.TeamLog
	history *evidence.History
	library drill.Library
	// situations are those the players have reps of.
	situations []string
}

// board gathers what a team's board of a role takes; of every read where no role is named.
func (s *Server) board(ctx context.Context, team gen.Team, role reads.Role) (b board, err error) {
	b.role = role
	if b.players, err = s.db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID}); err != nil {
		return b, err
	}
	if b.log, err = s.db.TeamLog(ctx, s.policy, team, b.players, s.now()); err != nil {
		return b, err
	}
	b.history = b.log.History(s.policy)
	b.situations = b.history.Actions()
	b.columns = columns(team, b.situations, role)
	b.library, err = s.library(ctx, team.ProgramID)
	return b, err
}

// lines are where the players stand, group by group.
func (s *Server) lines(b board) []evidence.Line {
	return s.policy.Board(ids(b.players), b.role, b.columns, b.history, s.now())
}

// overview is the same with the sentence that is shown alone.
func (s *Server) overview(b board) []evidence.Line {
	return s.policy.Overview(ids(b.players), b.role, b.columns, b.history, s.now())
}

// repsOf is the log of a team's players itself, for what a history does not tell.
func (s *Server) repsOf(ctx context.Context, team gen.Team) ([]evidence.Rep, error) {
	reps, err := s.db.RepsOfTeam(ctx, team, time.Time{}, evidence.Ever)
	return evidence.OnePerRep(reps), err
}

// columns are the reads a board shows: of the situations the team has logged, of a
// role or of all.
func columns(team gen.Team, situations []string, role reads.Role) (out []reads.Read) {
	for _, r := range roles {
		if r == role || role == "" {
			out = append(out, reads.Columns(drill.Taught(situations), store.RulesOf(team), r)...)
		}
	}
	return out
}

func ids(players []gen.Player) []evidence.PlayerID {
	out := make([]evidence.PlayerID, len(players))
	for i, p := range players {
		out[i] = evidence.PlayerID(p.ID.String())
	}
	return out
}

// texts are ids as plain text.
func texts[T ~string](ids []T) []string {
	out := make([]string, len(ids))
	for i, id := range ids {
		out[i] = string(id)
	}
	return out
}

// GetBoard returns players by reads.
func (s *Server) GetBoard(ctx context.Context, r api.GetBoardRequestObject) (api.GetBoardResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if !r.Params.Role.Valid() {
		return nil, invalid("The board has no part of that name.")
	}
	var b board
	if r.Params.Role == api.All {
		b, err = s.board(ctx, team, "")
	} else {
		b, err = s.board(ctx, team, reads.Role(r.Params.Role))
		b.columns = reads.MoreColumns(drill.Taught(b.situations), store.RulesOf(team), b.role)
	}
	if err != nil {
		return nil, err
	}
	if err := s.narrow(ctx, team, &b, filterIn(r.Params)); err != nil {
		return nil, err
	}
	lines := s.overview(b)
	out := api.GetBoard200JSONResponse{Role: string(r.Params.Role), Columns: []string{}, Players: playerViews(b.players), Lines: lines, Holds: evidence.Holds(b.columns, lines)}
	for _, c := range b.columns {
		out.Columns = append(out.Columns, string(c))
	}
	out.Reps = b.history.Reps(rolesOf(b.role)...)
	zone, err := time.LoadLocation(team.Zone)
	out.Season = b.history.Season(b.role, b.columns, lines, s.now(), zone)
	return out, err
}

func filterIn(p api.GetBoardParams) evidence.Filter {
	text := func(s *string) string {
		if s == nil {
			return ""
		}
		return *s
	}
	return evidence.Filter{Rung: drill.Rung(text(p.Rung)), Side: text(p.Side), From: text(p.From), Until: text(p.Until)}
}

// rolesOf are the roles a board is about.
func rolesOf(role reads.Role) []reads.Role {
	if role == "" {
		return roles
	}
	return []reads.Role{role}
}

// narrow keeps some of a board's reps and judges by them alone.
func (s *Server) narrow(ctx context.Context, team gen.Team, b *board, f evidence.Filter) error {
	if f == (evidence.Filter{}) {
		return nil
	}
	if err := f.Check(); err != nil {
		return invalid(err.Error())
	}
	zone, err := time.LoadLocation(team.Zone)
	if err != nil {
		return err
	}
	from, before, _, err := f.Period(zone)
	if err != nil {
		return invalid(err.Error())
	}
	if before.IsZero() {
		before = evidence.Ever
	}
	reps, err := s.db.RepsOfTeam(ctx, team, from, before)
	if err != nil {
		return err
	}
	b.history = s.policy.ExtendByPeriod(evidence.NoHistory(), f.Of(reps), zone)
	return nil
}

// recentReps is how many of a player's last reps his card lists.
const recentReps = 20

// playerOf finds a player of a team.
func (s *Server) playerOf(ctx context.Context, team gen.Team, id uuid.UUID) (gen.Player, error) {
	p, err := s.db.Player(ctx, gen.PlayerParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: id})
	return p, orMissing(err, noPlayer)
}

// GetCard returns everything about one player.
func (s *Server) GetCard(ctx context.Context, r api.GetCardRequestObject) (api.GetCardResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	p, err := s.playerOf(ctx, team, r.PlayerId)
	if err != nil {
		return nil, err
	}
	b, err := s.board(ctx, team, "")
	if err != nil {
		return nil, err
	}
	seen, err := s.db.RepsOfPlayer(ctx, team.ProgramID, p.ID)
	if err != nil {
		return nil, err
	}
	reps := evidence.OnePerRep(seen)
	id := evidence.PlayerID(p.ID.String())
	out := api.GetCard200JSONResponse{Player: playerView(p), Tags: evidence.CountTagsOf(id, reps), Recent: []api.LoggedRep{}}
	var all []evidence.Standing
	taught := drill.Taught(store.ActionsOf(reps))
	for _, role := range judgedRoles {
		cells := s.policy.Board([]evidence.PlayerID{id}, role, reads.MoreColumns(taught, store.RulesOf(team), role), b.history, s.now())[0].Cells
		tried := slices.ContainsFunc(reps, func(r evidence.Rep) bool { return r.Role == role })
		if tried || role == reads.Cutter || role == reads.Screener {
			out.Parts = append(out.Parts, api.CardPart{Role: string(role), Standings: cells})
			all = append(all, cells...)
		}
	}
	out.Words = evidence.WordsOf(all, taught, store.RulesOf(team), b.library)
	for i := len(seen) - 1; i >= max(0, len(seen)-recentReps); i-- {
		out.Recent = append(out.Recent, repView(seen[i]))
	}
	return out, nil
}

// nowHolds is how many reads the first view names.
const nowHolds = 3

// GetNow gathers the team's current question: what is next, what holds it
// back, how the week looks.
func (s *Server) GetNow(ctx context.Context, r api.GetNowRequestObject) (api.GetNowResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	b, err := s.planning(ctx, team)
	if err != nil {
		return nil, err
	}
	now := s.now()
	out := api.GetNow200JSONResponse{Players: playerViews(b.players), Holds: []evidence.Hold{}}
	lines := s.policy.Overview(ids(b.players), "", columns(team, b.situations, ""), b.history, now)
	for _, h := range evidence.Holds(columns(team, b.situations, ""), lines) {
		if len(out.Holds) < nowHolds && b.history.Reps() > 0 && len(h.NotYet)+len(h.Lapsed) > 0 {
			out.Holds = append(out.Holds, h)
		}
	}
	out.Lapsed = lapsedOnes(lines)
	var wanted []reads.Read
	for _, h := range out.Holds {
		wanted = append(wanted, h.Read)
	}
	out.Drills = b.library.Serving(store.RulesOf(team), wanted)
	newest, err := s.db.RepsOfTeam(ctx, team, now.Add(-7*24*time.Hour), evidence.Ever)
	if err != nil {
		return nil, err
	}
	week := evidence.CountTags(evidence.OnePerRep(newest))
	out.Tags = &week
	// A practice that was to begin a few hours ago is still the next one.
	next, err := s.db.NextPractice(ctx, gen.NextPracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, Since: now.Add(-3 * time.Hour)})
	if err == nil {
		view, err := s.practiceView(ctx, next, b)
		if err != nil {
			return nil, err
		}
		out.Next = &view
		out.Suggestion = b.suggest(next, view)
	} else if !store.NotFound(err) {
		return nil, err
	}
	if b.next != nil {
		out.Game = &api.GameSummary{Id: b.next.ID, StartsAt: b.next.StartsAt, Opponent: b.next.Opponent, Away: b.next.Away, Known: b.opponent != nil}
	}
	list, err := s.db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return nil, err
	}
	out.Week.MaxPractices, out.Week.Source = b.limits.MaxPerWeek, b.limits.Source
	for _, p := range list {
		if d := now.Sub(p.StartsAt); d < 7*24*time.Hour && p.StartsAt.Before(now.Add(24*time.Hour)) {
			out.Week.Practices++
			out.Week.Minutes += int(p.Minutes)
		}
	}
	return out, nil
}

// lapsedOnes lists what was held and is not sure any more.
func lapsedOnes(lines []evidence.Line) []api.LapsedRead {
	out := []api.LapsedRead{}
	for _, l := range lines {
		for i := range l.Cells {
			if l.Cells[i].Judgement.Verdict == evidence.Lapsed {
				out = append(out, api.LapsedRead{Player: string(l.Player), Read: string(l.Cells[i].Read)})
			}
		}
	}
	return out
}

// suggest is the one thing to do about the next practice, or nil.
func (d planningContext) suggest(next gen.Practice, view api.Practice) *practice.Suggestion {
	p := d.plan(view.StartsAt, view.Minutes, view.Present, view.Limited, view.Terms, view.Blocks)
	opponent, days := "", -1
	asks := d.opponentAt(next.StartsAt)
	if asks != nil {
		opponent, days = d.next.Opponent, int(d.next.StartsAt.Sub(next.StartsAt).Hours()/24)
	}
	if out, ok := practice.Suggest(p, view.Sheet, opponent, asks, days); ok {
		return &out
	}
	return nil
}

func repView(r evidence.Rep) api.LoggedRep {
	action := string(r.Action)
	out := api.LoggedRep{Id: idOf(r.ID), Block: idOf(r.Block), RepNo: r.No, At: r.At, Player: idOf(r.Player), Role: string(r.Role), Rung: string(r.Rung),
		Side: r.Side, Cue: r.Cue.String(), Expected: string(r.Expected), Made: string(r.Made), Correct: r.Correct, Late: r.Late,
		Outcome: string(r.Outcome), Tags: []string{}, Device: r.Device, SecondCue: &r.SecondCue, Screen: &action}
	for _, tag := range r.Tags {
		out.Tags = append(out.Tags, store.TagText(tag))
	}
	return out
}

// idOf is an id of the core, which came from the store, as the contract has it.
func idOf[T ~string](id T) uuid.UUID { return uuid.MustParse(string(id)) }
