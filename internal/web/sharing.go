package web

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"evrik/core/practice"
	"evrik/internal/app/sharing"
	"evrik/internal/standin"
	"evrik/internal/web/api"
)

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
		table, err := sharing.CSV(&d, view)
		return api.ExportPractice200TextcsvResponse{Body: table, Headers: headers,
			ContentLength: int64(table.Len())}, err
	case api.Ics:
		text := s.sharing.OneCalendar(&d, p, view)
		return api.ExportPractice200TextcalendarResponse{Body: strings.NewReader(text), Headers: headers,
			ContentLength: int64(len(text))}, nil
	case api.Json:
		return api.ExportPractice200JSONResponse{Headers: headers,
				Body: api.PlanFile{Schema: practice.FileSchema, Team: d.Team.Name,
					StartsAt: view.StartsAt, Minutes: view.Minutes, Note: view.Note, Terms: view.Terms,
					Blocks: sharing.Nameless(view.Blocks)}},
			nil
	}
	return nil, invalid("practice.export")
}

// MakeFeed gives a team a new calendar address that nobody can guess. An old one
// stops working.
func (s *Server) MakeFeed(ctx context.Context, r api.MakeFeedRequestObject) (api.MakeFeedResponseObject, error) {
	key, err := s.sharing.NewFeed(ctx, caller(ctx).ProgramID, r.TeamId)
	return api.MakeFeed200JSONResponse{Path: "/calendar/" + key}, err
}

// EndFeed stops a team's calendar address.
func (s *Server) EndFeed(ctx context.Context, r api.EndFeedRequestObject) (api.EndFeedResponseObject, error) {
	return api.EndFeed204Response{}, s.sharing.EndFeed(ctx, caller(ctx).ProgramID, r.TeamId)
}

// ReadFeed is a team's practices for a calendar that has the address.
func (s *Server) ReadFeed(ctx context.Context, r api.ReadFeedRequestObject) (api.ReadFeedResponseObject, error) {
	text, err := s.sharing.Feed(ctx, r.FeedKey)
	return api.ReadFeed200TextcalendarResponse{Body: strings.NewReader(text), ContentLength: int64(len(text))}, err
}

// MailPractice sends the run sheet to every assistant.
func (s *Server) MailPractice(ctx context.Context, r api.MailPracticeRequestObject) (api.MailPracticeResponseObject,
	error) {
	d, p, view, err := s.planned(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	sent, err := s.sharing.Mail(ctx, &d, p, view)
	if err != nil {
		return nil, err
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
