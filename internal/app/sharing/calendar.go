package sharing

import (
	"context"
	"strings"
	"time"
	"unicode"

	ics "github.com/arran4/golang-ical"
	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/store/gen"
)

// feedPast is how long a practice stays in a team's feed (assumption).
const feedPast = 60 * 24 * time.Hour

// Calendar is some practices as RFC 5545; lines has a description for the ids of some. Times are in UTC, so that they
// mean the same moment wherever the file is read and whatever its reader's zone becomes. No player is named.
func Calendar(team gen.Team, practices []gen.Practice, lines map[string]string, now time.Time) string {
	cal := ics.NewCalendarFor("Evrik")
	cal.SetMethod(ics.MethodPublish)
	cal.SetXWRCalName(calendarText(team.Name) + " practices")
	for _, p := range practices {
		e := cal.AddEvent(p.ID.String() + "@evrik")
		e.SetDtStampTime(now.UTC())
		e.SetStartAt(p.StartsAt.UTC())
		e.SetEndAt(p.StartsAt.UTC().Add(time.Duration(p.Minutes) * time.Minute))
		e.SetSummary(calendarText(team.Name) + " practice")
		e.SetSequence(int(p.Version))
		if l := lines[p.ID.String()]; l != "" {
			e.SetDescription(calendarText(l))
		}
	}
	return cal.Serialize(ics.WithNewLineWindows) // RFC 5545 wants CRLF
}

// calendarText leaves control characters out, which RFC 5545 (3.3.11, from memory) allows in no text;
// the library writes ends of lines as the format wants them.
func calendarText(s string) string {
	return strings.Map(func(r rune) rune {
		if unicode.IsControl(r) && r != '\n' && r != '\t' {
			return -1
		}
		return r
	}, s)
}

// feedHash is what is stored of the key of a calendar address.
func feedHash(key string) []byte { return app.SecretHash("feed", key) }

// NewFeed gives a team a new calendar address that nobody can guess, and returns its key. An old one stops working.
func (s Service) NewFeed(ctx context.Context, program, team uuid.UUID) (string, error) {
	key, err := app.SecretKey()
	if err != nil {
		return "", err
	}
	return key, s.setFeed(ctx, gen.SetFeedParams{ProgramID: program, ID: team, FeedHash: feedHash(key)})
}

// EndFeed stops a team's calendar address.
func (s Service) EndFeed(ctx context.Context, program, team uuid.UUID) error {
	return s.setFeed(ctx, gen.SetFeedParams{ProgramID: program, ID: team})
}

func (s Service) setFeed(ctx context.Context, to gen.SetFeedParams) error {
	n, err := s.Store.SetFeed(ctx, to)
	return app.Changed(n, err, "team.missing")
}

// Feed is a team's practices for a calendar that has the key of its address. It refuses with app.Missing a key that
// does not work.
func (s Service) Feed(ctx context.Context, key string) (string, error) {
	team, err := s.Store.TeamByFeed(ctx, feedHash(strings.TrimSuffix(key, ".ics")))
	if err != nil {
		return "", app.OrMissing(err, "calendar.address-dead")
	}
	rows, err := s.Store.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return "", err
	}
	var list []gen.Practice
	for _, p := range rows {
		if s.Now().Sub(p.StartsAt) < feedPast {
			list = append(list, p)
		}
	}
	return Calendar(team, list, nil, s.Now()), nil
}
