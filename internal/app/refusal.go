// Package app holds what the services of the application have in common. A service does one
// thing a coach does: it takes ids, asks the store for facts and the core for decisions, and
// gives domain values. It knows no HTTP and no SQL.
package app

import (
	"evrik/core/refusal"
	"evrik/internal/store"
)

// Kind is why something was refused.
type Kind int

// Kinds of refusal.
const (
	// Invalid is input that makes no sense, Missing is something that does not exist, Conflict
	// is input that contradicts what is stored.
	Invalid Kind = iota
	Missing
	Conflict
	// Unknown is a caller who did not prove who they are, Forbidden one who may not do this, TooMany one who tries too
	// often.
	Unknown
	Forbidden
	TooMany
)

// Refusal adds to a reason the kind of answer it calls for.
type Refusal struct {
	Kind   Kind
	Reason error
}

func (r Refusal) Error() string { return r.Reason.Error() }

// Unwrap gives the reason.
func (r Refusal) Unwrap() error { return r.Reason }

// Refuse returns a refusal with this code and these arguments.
func Refuse(kind Kind, code string, args ...any) error {
	return Refusal{kind, refusal.New(code, args...)}
}

// RefuseBy returns a Refusal for an error of the core. kept is the code of the sentence that says what was kept, or
// empty.
func RefuseBy(kind Kind, err error, kept string) error {
	return Refusal{kind, refusal.Keeping(err, kept)}
}

// OrMissing refuses with this code where the store found no such row.
func OrMissing(err error, code string) error {
	if store.NotFound(err) {
		return Refuse(Missing, code)
	}
	return err
}

// Changed refuses with this code where a change, which met n rows, found nothing to change.
func Changed(n int64, err error, code string) error {
	if err == nil && n == 0 {
		return Refuse(Missing, code)
	}
	return err
}
