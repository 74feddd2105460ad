package standin

import (
	"errors"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/internal/mail"
)

// What is put into the outbox is read back by another library than wrote it.
func TestOutbox(t *testing.T) {
	o := Outbox{Dir: t.TempDir()}
	club, other := uuid.New(), uuid.New()
	at := time.Date(2026, 11, 26, 18, 0, 0, 0, time.UTC)
	if list, err := o.List(club); err != nil || len(list) != 0 {
		t.Fatalf("an empty outbox: %v, %v", list, err)
	}
	text := "18:00  Dribbeln über die Mitte, 10 min\n" + strings.Repeat("a line longer than mail allows ", 40) +
		"\n.\nFrom here on\n"
	sent := mail.Message{Program: club, To: "ines@tallowcreek.example", Subject: "U14, Übungsabend: “two baskets”",
		Text:        text,
		Attachments: map[string][]byte{"practice.ics": []byte("BEGIN:VCALENDAR\r\n")}}
	first, err := o.Put(sent, at)
	if err != nil {
		t.Fatal(err)
	}
	sent.Attachments, sent.Subject = nil, "second"
	second, err := o.Put(sent, at.Add(time.Minute))
	if err != nil {
		t.Fatal(err)
	}
	got, body, attached, err := o.Read(club, first.ID)
	if err != nil || got.Subject != first.Subject || got.To != sent.To || !got.At.Equal(at) {
		t.Errorf("%+v, %v; put %+v", got, err, first)
	}
	if strings.ReplaceAll(body, "\r\n", "\n") != text || !slices.Equal(attached, []string{"practice.ics"}) {
		t.Errorf("%q with %v", body, attached)
	}
	if _, body, attached, err := o.Read(club, second.ID); err != nil ||
		strings.ReplaceAll(body, "\r\n", "\n") != text || len(attached) != 0 {
		t.Errorf("%q with %v, %v", body, attached, err)
	}
	list, err := o.List(club)
	if err != nil || len(list) != 2 || list[0].ID != second.ID || list[1].ID != first.ID {
		t.Errorf("%+v, %v", list, err)
	}
	// What concerns an account alone is in no program's list.
	if err := o.Send(t.Context(), mail.Message{To: "ines@tallowcreek.example", Subject: "A new password", Text: "link"},
		at); err != nil {
		t.Fatal(err)
	}
	if list, err := o.List(club); err != nil || len(list) != 2 {
		t.Errorf("%+v, %v", list, err)
	}
	if files, err := os.ReadDir(filepath.Join(o.Dir, accounts)); err != nil || len(files) != 1 {
		t.Errorf("%v, %v", files, err)
	}
	if list, err := o.List(other); err != nil || len(list) != 0 {
		t.Errorf("another club sees %v, %v", list, err)
	}
	// Only what is in the folder can be asked for.
	for _, id := range []string{"", uuid.NewString(), "../" + club.String() + "/" + first.ID, "../../etc/passwd"} {
		if _, _, _, err := o.Read(other, id); !errors.Is(err, ErrNoMail) {
			t.Errorf("%q: %v", id, err)
		}
	}
	if _, err := o.Put(mail.Message{Program: club, To: "nobody at all"}, at); err == nil {
		t.Error("an address that is none was taken")
	}
	// A file somebody broke hides no other.
	name := filepath.Join(o.Dir, club.String(), first.ID+".eml")
	if err := os.WriteFile(name, []byte("not mail"), 0o600); err != nil {
		t.Fatal(err)
	}
	if _, _, _, err := o.Read(club, first.ID); !errors.Is(err, ErrUnreadable) {
		t.Errorf("%v", err)
	}
	if list, err := o.List(club); err != nil || len(list) != 2 || list[1] != (Stored{ID: first.ID}) {
		t.Errorf("%+v, %v", list, err)
	}
}
