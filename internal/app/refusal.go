// Package app holds what the services of the application have in common. A service does one
// thing a coach does: it takes ids, asks the store for facts and the core for decisions, and
// gives domain values. It knows no HTTP and no SQL.
package app

// Kind is why something was refused.
type Kind int

// Kinds of refusal.
const (
	// Invalid is input that makes no sense, Missing is something that does not exist, Conflict
	// is input that contradicts what is stored.
	Invalid Kind = iota
	Missing
	Conflict
)

// Refusal is an error meant for the coach: a sentence that says what happened, what was kept
// and what to do.
type Refusal struct {
	Kind     Kind
	Sentence string
}

func (r Refusal) Error() string { return r.Sentence }

// Refuse makes a refusal.
func Refuse(kind Kind, sentence string) error { return Refusal{kind, sentence} }
