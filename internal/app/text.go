package app

import (
	"net/mail"
	"strings"
	"unicode"
	"unicode/utf8"

	"evrik/core/refusal"
	"evrik/core/roster"
)

// maxText is how long a name or an address may be, in characters (assumption).
const maxText = 80

// Text trims a short text and checks it; what is the code of its name in the refusal.
func Text(s, what string) (string, error) {
	s = strings.TrimSpace(s)
	if s == "" || utf8.RuneCountInString(s) > maxText || !roster.Showable(s) {
		return s, Refuse(Invalid, "account.text-length", refusal.New(what), maxText)
	}
	return s, nil
}

// Address checks an email address.
func Address(email string) (string, error) {
	addr, err := mail.ParseAddress(strings.TrimSpace(email))
	if err != nil || addr.Name != "" || len(addr.Address) > maxText ||
		strings.ContainsFunc(addr.Address, unicode.IsControl) {
		return "", Refuse(Invalid, "account.email")
	}
	return addr.Address, nil
}
