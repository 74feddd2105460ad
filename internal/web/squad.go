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
	ledger  evidence.Ledger
	library drill.Library
	// situations are those the players have reps of.
	situations []string
}

// board gathers what a team's board of a role takes. Other roles' sums come too where
// they are asked for.
func (s *Server) board(ctx context.Context, team gen.Team, role reads.Role, others ...reads.Role) (board, error) {
	players, err := s.db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return board{}, err
	}
	of := []string{string(role)}
	for _, o := range others {
		of = append(of, string(o))
	}
	ledger, err := s.db.LedgerOf(ctx, team, of)
	if err != nil {
		return board{}, err
	}
	practiced, err := s.db.PractisedByTeam(ctx, gen.PractisedByTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return board{}, err
	}
	lib, err := s.library(ctx, team.ProgramID)
	if err != nil {
		return board{}, err
	}
	return board{players: players, library: lib, role: role, situations: practiced, columns: columns(team, practiced, role), ledger: ledger}, nil
}

// lines are where the players stand, rung by rung.
func (s *Server) lines(b board) []evidence.Line {
	return s.policy.BoardOf(ids(b.players), b.role, b.columns, b.ledger, s.now())
}

// overview is the same without the rungs.
func (s *Server) overview(b board) []evidence.Line {
	return s.policy.Overview(ids(b.players), b.role, b.columns, b.ledger, s.now())
}

// repsOf is the log of a team's players itself, for what sums do not tell.
func (s *Server) repsOf(ctx context.Context, team gen.Team) ([]evidence.Rep, error) {
	rows, err := s.db.RepsOfTeam(ctx, gen.RepsOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	return evidence.OnePerRep(store.RepsOf(rows)), err
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

// logged are the situations some reps are of.
func logged(rows []gen.RepEvent) []string {
	var out []string
	for _, r := range rows {
		out = append(out, r.Screen)
	}
	slices.Sort(out)
	return slices.Compact(out)
}

func ids(players []gen.Player) []string {
	out := make([]string, len(players))
	for i, p := range players {
		out[i] = p.ID.String()
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
		b, err = s.board(ctx, team, "", roles...)
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
	for _, sum := range b.ledger.Sums {
		out.Reps += sum.Reps
	}
	return out, nil
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

// narrow keeps some of a board's reps. A period is counted from the log.
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
	from, before, period, err := f.Period(zone)
	if err != nil {
		return invalid(err.Error())
	}
	if period {
		if before.IsZero() {
			before = evidence.Ever
		}
		rows, err := s.db.RepsOfTeamBetween(ctx, gen.RepsOfTeamBetweenParams{ProgramID: team.ProgramID, TeamID: team.ID, Since: from, Before: before})
		if err != nil {
			return err
		}
		reps := slices.DeleteFunc(evidence.OnePerRep(store.RepsOf(rows)), func(r evidence.Rep) bool { return b.role != "" && r.Role != b.role })
		b.ledger = s.policy.Ledger(reps, s.now())
	}
	b.ledger = f.Of(b.ledger)
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
	rows, err := s.db.RepsOfPlayer(ctx, gen.RepsOfPlayerParams{ProgramID: team.ProgramID, PlayerID: p.ID})
	if err != nil {
		return nil, err
	}
	reps := evidence.OnePerRep(store.RepsOf(rows))
	out := api.GetCard200JSONResponse{Player: playerView(p), Corrections: evidence.CountCorrections(reps), Recent: []api.LoggedRep{}}
	lib, err := s.library(ctx, team.ProgramID)
	if err != nil {
		return nil, err
	}
	var all []evidence.Standing
	taught := drill.Taught(logged(rows))
	for _, role := range judgedRoles {
		cells := s.policy.Board([]string{p.ID.String()}, role, reads.MoreColumns(taught, store.RulesOf(team), role), reps, s.now())[0].Cells
		tried := slices.ContainsFunc(reps, func(r evidence.Rep) bool { return r.Role == role })
		if tried || role == reads.Cutter || role == reads.Screener {
			out.Parts = append(out.Parts, api.CardPart{Role: string(role), Standings: cells})
			all = append(all, cells...)
		}
	}
	out.Words = evidence.WordsOf(all, taught, store.RulesOf(team), lib)
	for i := len(rows) - 1; i >= max(0, len(rows)-recentReps); i-- {
		out.Recent = append(out.Recent, repView(rows[i]))
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
	lines := s.policy.Overview(ids(b.players), "", columns(team, b.situations, ""), b.ledger, now)
	for _, h := range evidence.Holds(columns(team, b.situations, ""), lines) {
		if len(out.Holds) < nowHolds && len(b.ledger.Sums) > 0 && len(h.NotYet)+len(h.Stale) > 0 {
			out.Holds = append(out.Holds, h)
		}
	}
	out.Stale = staleOnes(lines)
	var wanted []reads.Read
	for _, h := range out.Holds {
		wanted = append(wanted, h.Read)
	}
	out.Drills = b.library.Serving(store.RulesOf(team), wanted)
	rows, err := s.db.RepsOfTeamBetween(ctx, gen.RepsOfTeamBetweenParams{ProgramID: team.ProgramID, TeamID: team.ID, Since: now.Add(-7 * 24 * time.Hour), Before: evidence.Ever})
	if err != nil {
		return nil, err
	}
	week := evidence.CountCorrections(evidence.OnePerRep(store.RepsOf(rows)))
	out.Corrections = &week
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

// staleOnes lists what was held and is stale now.
func staleOnes(lines []evidence.Line) []api.StaleRead {
	out := []api.StaleRead{}
	for _, l := range lines {
		for _, c := range l.Cells {
			if c.Judgement.Verdict == evidence.Stale {
				out = append(out, api.StaleRead{Player: l.Player, Read: c.Read})
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

func repView(r gen.RepEvent) api.LoggedRep {
	return api.LoggedRep{Id: r.ID, Block: r.BlockID, RepNo: int(r.RepNo), At: r.At, Player: r.PlayerID, Role: r.Role, Rung: r.Rung,
		Side: r.Side, Cue: r.Cue, Expected: r.Expected, Made: r.Made, Right: r.IsRight, Late: r.Late,
		Outcome: r.Outcome, Corrections: r.Corrections, Device: r.Device, SecondCue: &r.SecondCue, Screen: &r.Screen}
}
