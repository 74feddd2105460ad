package web

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"strings"
	"time"
	"unicode"

	ics "github.com/arran4/golang-ical"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/planning"
	"evrik/internal/mail"
	"evrik/internal/standin"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// calendarPast is how long a practice stays in a team's feed.
const calendarPast = 60 * 24 * time.Hour

// calendar is some practices as RFC 5545. Times are in UTC, so that they mean the
// same moment wherever the file is read and whatever its reader's zone becomes.
// No player is named.
func calendar(team gen.Team, practices []gen.Practice, lines map[string]string, now time.Time) string {
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

// inWords is a practice's run sheet.
func inWords(d *planning.Context, view planning.Practice) string {
	text := practice.Lines(view.StartsAt, d.Zone, d.Library, view.Blocks, view.Sheet)
	if view.Note != "" {
		text += "\n" + view.Note + "\n"
	}
	return text
}

// ExportPractice writes a practice as CSV, iCalendar or JSON.
func (s *Server) ExportPractice(ctx context.Context,
	r api.ExportPracticeRequestObject) (api.ExportPracticeResponseObject, error) {
	d, p, view, err := s.planned(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	name := fmt.Sprintf(`attachment; filename="practice-%s.%s"`, p.StartsAt.In(d.Zone).Format(practice.DateFormat),
		r.Params.Format)
	headers := api.ExportPractice200ResponseHeaders{ContentDisposition: &name}
	switch r.Params.Format {
	case api.Csv:
		var buf bytes.Buffer
		if err := practice.WriteCSV(&buf, view.StartsAt, d.Zone, d.Library, view.Blocks, view.Sheet); err != nil {
			return nil, err
		}
		return api.ExportPractice200TextcsvResponse{Body: &buf, Headers: headers, ContentLength: int64(buf.Len())}, nil
	case api.Ics:
		text := calendar(d.Team, []gen.Practice{p}, map[string]string{p.ID.String(): inWords(&d, view)}, s.now())
		return api.ExportPractice200TextcalendarResponse{Body: strings.NewReader(text), Headers: headers,
			ContentLength: int64(len(text))}, nil
	case api.Json:
		// Who takes part is left out: a plan that travels names no child.
		for i := range view.Blocks {
			view.Blocks[i].Players = []string{}
		}
		return api.ExportPractice200JSONResponse{Headers: headers,
				Body: api.PlanFile{Schema: practice.FileSchema, Team: d.Team.Name,
					StartsAt: view.StartsAt, Minutes: view.Minutes, Note: view.Note, Terms: view.Terms,
					Blocks: view.Blocks}},
			nil
	}
	return nil, invalid("practice.export")
}

// MakeFeed gives a team a new calendar address that nobody can guess. An old one
// stops working.
func (s *Server) MakeFeed(ctx context.Context, r api.MakeFeedRequestObject) (api.MakeFeedResponseObject, error) {
	key, err := app.SecretKey()
	if err != nil {
		return nil, err
	}
	n, err := s.db.SetFeed(ctx, gen.SetFeedParams{ProgramID: caller(ctx).ProgramID, ID: r.TeamId,
		FeedHash: app.SecretHash("feed", key)})
	if err == nil && n == 0 {
		err = missing("team.missing")
	}
	return api.MakeFeed200JSONResponse{Path: "/calendar/" + key}, err
}

// EndFeed stops a team's calendar address.
func (s *Server) EndFeed(ctx context.Context, r api.EndFeedRequestObject) (api.EndFeedResponseObject, error) {
	n, err := s.db.SetFeed(ctx, gen.SetFeedParams{ProgramID: caller(ctx).ProgramID, ID: r.TeamId})
	if err == nil && n == 0 {
		err = missing("team.missing")
	}
	return api.EndFeed204Response{}, err
}

// ReadFeed is a team's practices for a calendar that has the address.
func (s *Server) ReadFeed(ctx context.Context, r api.ReadFeedRequestObject) (api.ReadFeedResponseObject, error) {
	team, err := s.db.TeamByFeed(ctx, app.SecretHash("feed", strings.TrimSuffix(r.FeedKey, ".ics")))
	if err != nil {
		return nil, orMissing(err, "calendar.address-dead")
	}
	rows, err := s.db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return nil, err
	}
	var list []gen.Practice
	for _, p := range rows {
		if s.now().Sub(p.StartsAt) < calendarPast {
			list = append(list, p)
		}
	}
	text := calendar(team, list, nil, s.now())
	return api.ReadFeed200TextcalendarResponse{Body: strings.NewReader(text), ContentLength: int64(len(text))}, nil
}

// MailPractice puts the run sheet into the outbox for every assistant.
func (s *Server) MailPractice(ctx context.Context, r api.MailPracticeRequestObject) (api.MailPracticeResponseObject,
	error) {
	d, p, view, err := s.planned(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	staff, err := s.db.StaffOfProgram(ctx, d.Team.ProgramID)
	if err != nil {
		return nil, err
	}
	body := inWords(&d, view)
	m := mail.Message{Program: d.Team.ProgramID,
		Subject: fmt.Sprintf("%s practice, %s", d.Team.Name, p.StartsAt.In(d.Zone).Format("Monday 2 January, 15:04")),
		Text:    body,
		Attachments: map[string][]byte{"practice.ics": []byte(
			calendar(d.Team, []gen.Practice{p}, map[string]string{p.ID.String(): body}, s.now()))},
	}
	sent := 0
	for _, who := range staff {
		if who.Role != "assistant" {
			continue
		}
		m.To = who.Email
		if err := s.send(ctx, m); err != nil {
			return nil, err
		}
		sent++
	}
	if sent == 0 {
		return nil, conflict("mail.no-assistant")
	}
	list, err := s.outbox.List(d.Team.ProgramID)
	out := api.MailPractice200JSONResponse{}
	for _, m := range list[:min(sent, len(list))] {
		out = append(out, mailView(m))
	}
	return out, err
}

func mailView(m standin.Stored) api.Mail {
	return api.Mail{Id: m.ID, To: m.To, Subject: m.Subject, At: m.At}
}

// ListOutbox lists a program's simulated mail.
func (s *Server) ListOutbox(ctx context.Context, _ api.ListOutboxRequestObject) (api.ListOutboxResponseObject, error) {
	list, err := s.outbox.List(caller(ctx).ProgramID)
	out := api.ListOutbox200JSONResponse{}
	for _, m := range list {
		out = append(out, mailView(m))
	}
	return out, err
}

// ReadMail returns one simulated message.
func (s *Server) ReadMail(ctx context.Context, r api.ReadMailRequestObject) (api.ReadMailResponseObject, error) {
	m, text, attached, err := s.outbox.Read(caller(ctx).ProgramID, r.MailId)
	if errors.Is(err, standin.ErrNoMail) {
		return nil, missing("mail.missing")
	}
	if errors.Is(err, standin.ErrUnreadable) {
		return nil, missing("mail.unreadable")
	}
	if attached == nil {
		attached = []string{}
	}
	return api.ReadMail200JSONResponse{Mail: mailView(m), Text: text, Attachments: attached}, err
}
