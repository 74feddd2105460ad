package store

import (
	"context"
	"fmt"
	"strings"
	"time"

	"evrik/core/evidence"
	"evrik/internal/store/gen"
)

// closedHistory is a team's history up to a moment, under a key that changes with all it
// was made of. It can be made again from the log.
type closedHistory struct {
	key     string
	through time.Time
	history *evidence.History
}

// mostHistories is how many teams' histories a process remembers: a full one takes one and
// a half megabytes.
const mostHistories = 64

// TeamLog is what a team's players have done: their history up to the last closed week,
// and the reps since then.
type TeamLog struct {
	Closed *evidence.History
	// Since is when Open begins.
	Since time.Time
	Open  []evidence.Rep
	zone  *time.Location
}

// TeamLog reads the log of the players who are on a team now, as it was at a moment.
func (s *Store) TeamLog(ctx context.Context, policy evidence.Policy, team gen.Team, players []gen.Player,
	now time.Time) (TeamLog, error) {
	zone, err := time.LoadLocation(team.Zone)
	if err != nil {
		return TeamLog{}, err
	}
	version, err := s.LogVersion(ctx, team.ProgramID)
	if err != nil {
		return TeamLog{}, err
	}
	limit := version.ClosedBefore
	if now.Before(limit) {
		limit = now
	}
	log := TeamLog{Since: evidence.PeriodOf(limit, zone), zone: zone}
	key := new(strings.Builder)
	fmt.Fprint(key, version.Version, zone, policy)
	for _, p := range players {
		key.WriteString(p.ID.String())
	}
	known, ok := s.closed.Get(team.ID)
	if !ok || known.key != key.String() || known.through.After(log.Since) {
		known = closedHistory{key: key.String(), history: evidence.NoHistory()}
	}
	if known.through.Before(log.Since) {
		reps, err := s.RepsOfTeam(ctx, team, known.through, log.Since)
		if err != nil {
			return TeamLog{}, err
		}
		known.history, known.through = policy.ExtendByPeriod(known.history, reps, zone), log.Since
		s.closed.Add(team.ID, known)
	}
	log.Closed = known.history
	log.Open, err = s.RepsOfTeam(ctx, team, log.Since, now.Add(time.Second))
	return log, err
}

// History is all of the log.
func (l TeamLog) History(policy evidence.Policy) *evidence.History {
	return policy.ExtendByPeriod(l.Closed, l.Open, l.zone)
}
