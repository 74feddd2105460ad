// Package sharing is what of a plan leaves the house: files in open formats, a calendar that follows the plans, and
// mail to the assistants. None of it lists who takes part.
package sharing

import (
	"bytes"
	"context"
	"fmt"
	"slices"
	"time"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/accounts"
	"evrik/internal/app/planning"
	"evrik/internal/mail"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service hands plans out.
type Service struct {
	Store *store.Store
	// Send sends a message.
	Send func(ctx context.Context, m mail.Message) error
	Now  func() time.Time
}

// InWords is a practice's run sheet as text.
func InWords(c *planning.Context, p planning.Practice) string {
	text := practice.Lines(p.StartsAt, c.Zone, c.Library, p.Blocks, p.Sheet)
	if p.Note != "" {
		text += "\n" + p.Note + "\n"
	}
	return text
}

// CSV is a practice's run sheet as a table.
func CSV(c *planning.Context, p planning.Practice) (*bytes.Buffer, error) {
	var b bytes.Buffer
	return &b, practice.WriteCSV(&b, p.StartsAt, c.Zone, c.Library, p.Blocks, p.Sheet)
}

// OneCalendar is one practice for a calendar, with its run sheet.
func (s Service) OneCalendar(c *planning.Context, row gen.Practice, p planning.Practice) string {
	return Calendar(c.Team, []gen.Practice{row}, map[string]string{row.ID.String(): InWords(c, p)}, s.Now())
}

// Nameless are blocks without those who take part: a plan that travels names no child.
func Nameless(blocks []practice.Block) []practice.Block {
	out := slices.Clone(blocks)
	for i := range out {
		out[i].Players = []string{}
	}
	return out
}

// Mail sends a practice's run sheet to every assistant, and returns to how many. It refuses with app.Conflict where
// there is none.
func (s Service) Mail(ctx context.Context, c *planning.Context, row gen.Practice, p planning.Practice) (sent int,
	err error) {
	staff, err := s.Store.StaffOfProgram(ctx, c.Team.ProgramID)
	if err != nil {
		return 0, err
	}
	m := mail.Message{Program: c.Team.ProgramID, Text: InWords(c, p),
		Subject: fmt.Sprintf("%s practice, %s", c.Team.Name,
			row.StartsAt.In(c.Zone).Format("Monday, January 2, "+practice.ClockFormat)),
		Attachments: map[string][]byte{
			"practice.ics": []byte(s.OneCalendar(c, row, p))},
	}
	for _, who := range staff {
		if who.Role != accounts.Assistant {
			continue
		}
		m.To = who.Email
		if err := s.Send(ctx, m); err != nil {
			return sent, err
		}
		sent++
	}
	if sent == 0 {
		return 0, app.Refuse(app.Conflict, "mail.no-assistant")
	}
	return sent, nil
}
