package roster

import (
	"strings"
	"unicode"
	"unicode/utf8"
)

// Showable reports whether a name or a short text can be shown as it is: valid UTF-8 without control
// characters, and without those that are invisible or turn the direction of what follows, by which
// one name can be made to look like another (Unicode categories Cc, Cf, Zl and Zp; Unicode Technical
// Report 36, from memory).
func Showable(s string) bool {
	return utf8.ValidString(s) && !strings.ContainsFunc(s, func(r rune) bool {
		return unicode.In(r, unicode.Cc, unicode.Cf, unicode.Zl, unicode.Zp)
	})
}

// LineNaming returns the first line of a text that holds a name as a word of its own, whatever its
// case.
func LineNaming(text, name string) (line string, found bool) {
	name = strings.ToLower(strings.TrimSpace(name))
	if name == "" {
		return "", false
	}
	letter := func(r rune) bool { return unicode.IsLetter(r) || unicode.IsDigit(r) }
	for line := range strings.Lines(text) {
		for rest, before := strings.ToLower(line), rune(0); ; {
			at := strings.Index(rest, name)
			if at < 0 {
				break
			}
			if at > 0 {
				before, _ = utf8.DecodeLastRuneInString(rest[:at])
			}
			after, _ := utf8.DecodeRuneInString(rest[at+len(name):])
			if !letter(before) && (rest[at+len(name):] == "" || !letter(after)) {
				return strings.TrimSpace(line), true
			}
			before, _ = utf8.DecodeLastRuneInString(rest[:at+len(name)])
			rest = rest[at+len(name):]
		}
	}
	return "", false
}
