// Package standin holds small simulated stand-ins for the world outside.
package standin

import (
	"context"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"mime"
	"mime/multipart"
	"mime/quotedprintable"
	netmail "net/mail"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"evrik/internal/mail"
)

// Outbox keeps mail as .eml files in a folder per program instead of sending it.
type Outbox struct{ Dir string }

// Stored is a mail in the outbox.
type Stored struct {
	ID, To, Subject string
	At              time.Time
}

// ErrNoMail says that there is no such message, ErrUnreadable that its file is not
// mail any more.
var (
	ErrNoMail     = errors.New("no such message")
	ErrUnreadable = errors.New("the file is no mail")
)

// from is who a simulated mail comes from; the domain is reserved (RFC 2606).
const from = "evrik@localhost.example"

// accounts is the folder of mail that concerns an account alone. No program's list shows it: a link
// to a new password is its owner's.
const accounts = "accounts"

// Send writes a message instead of sending it.
func (o Outbox) Send(_ context.Context, m mail.Message, at time.Time) error {
	_, err := o.Put(m, at)
	return err
}

// Put writes a message and returns it as stored.
func (o Outbox) Put(m mail.Message, at time.Time) (Stored, error) {
	msg, id, err := mail.Compose(m, from, at)
	if err != nil {
		return Stored{}, err
	}
	folder := accounts
	if m.Program != uuid.Nil {
		folder = m.Program.String()
	}
	dir := filepath.Join(o.Dir, folder)
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return Stored{}, err
	}
	if err := msg.WriteToFile(filepath.Join(dir, id.String()+".eml")); err != nil {
		return Stored{}, err
	}
	return Stored{id.String(), m.To, m.Subject, at}, nil
}

// List returns a program's mail, newest first. A file that is no mail any more is
// listed without a subject.
func (o Outbox) List(program uuid.UUID) ([]Stored, error) {
	files, err := os.ReadDir(filepath.Join(o.Dir, program.String()))
	if errors.Is(err, fs.ErrNotExist) {
		return nil, nil
	}
	var out []Stored
	for _, f := range files {
		id, isMail := strings.CutSuffix(f.Name(), ".eml")
		if !isMail {
			continue
		}
		stored, _, _, err := o.Read(program, id)
		if errors.Is(err, ErrUnreadable) {
			stored = Stored{ID: id}
		} else if err != nil {
			return nil, err
		}
		out = append(out, stored)
	}
	// Ids of version 7 grow with time.
	slices.SortFunc(out, func(a, b Stored) int { return strings.Compare(b.ID, a.ID) })
	return out, err
}

// Read returns a message, its text and the names of what is attached. The error
// matches ErrNoMail where there is none, ErrUnreadable where its file is broken.
func (o Outbox) Read(program uuid.UUID, id string) (s Stored, text string, attached []string, err error) {
	if _, err := uuid.Parse(id); err != nil {
		return s, "", nil, ErrNoMail
	}
	f, err := os.Open(filepath.Join(o.Dir, program.String(), id+".eml"))
	if errors.Is(err, fs.ErrNotExist) {
		return s, "", nil, ErrNoMail
	}
	if err != nil {
		return s, "", nil, err
	}
	defer f.Close()
	s, text, attached, err = parse(f)
	if err != nil {
		return Stored{}, "", nil, fmt.Errorf("%w: %s: %w", ErrUnreadable, id, err)
	}
	s.ID = id
	return s, text, attached, nil
}

func parse(r io.Reader) (s Stored, text string, attached []string, err error) {
	msg, err := netmail.ReadMessage(r)
	if err != nil {
		return s, "", nil, err
	}
	if s.At, err = msg.Header.Date(); err != nil {
		return s, "", nil, err
	}
	to, err := msg.Header.AddressList("To")
	if err != nil {
		return s, "", nil, err
	}
	s.To = to[0].Address
	if s.Subject, err = new(mime.WordDecoder).DecodeHeader(msg.Header.Get("Subject")); err != nil {
		return s, "", nil, err
	}
	text, attached, err = body(msg)
	return s, text, attached, err
}

// body is a message's plain text and the names of its attachments.
func body(msg *netmail.Message) (text string, attached []string, err error) {
	kind, params, err := mime.ParseMediaType(msg.Header.Get("Content-Type"))
	if err != nil {
		return "", nil, err
	}
	if !strings.HasPrefix(kind, "multipart/") {
		var r io.Reader = msg.Body
		if strings.EqualFold(msg.Header.Get("Content-Transfer-Encoding"), "quoted-printable") {
			r = quotedprintable.NewReader(r)
		}
		b, err := io.ReadAll(r)
		return string(b), nil, err
	}
	parts := multipart.NewReader(msg.Body, params["boundary"])
	for {
		p, err := parts.NextPart() // undoes quoted-printable by itself
		if errors.Is(err, io.EOF) {
			return text, attached, nil
		}
		if err != nil {
			return text, attached, err
		}
		if name := p.FileName(); name != "" {
			attached = append(attached, name)
			continue
		}
		b, err := io.ReadAll(p)
		if err != nil {
			return text, attached, err
		}
		text += string(b)
	}
}
