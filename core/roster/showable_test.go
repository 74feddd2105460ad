package roster

import "testing"

func TestShowable(t *testing.T) {
	for s, want := range map[string]bool{
		"": true, "Odile": true, "Zoë Müller-Ōta": true, "李小龍": true, "أحمد": true, "O'Neil 2": true,
		"a\tb": false, "a\x00b": false, "a\u200bb": false, "a\u200db": false, "\u202eelidO": false, "a\u2066b": false,
		"a\ufeffb": false, "a\u2028b": false, "a\xffb": false,
	} {
		if Showable(s) != want {
			t.Errorf("%q can be shown: %v", s, !want)
		}
	}
	for _, name := range []string{"Ad\u200ba", "\u202eadA"} {
		if _, err := Clean(Entry{Jersey: "1", Name: name}); err == nil {
			t.Errorf("%q is taken as a name", name)
		}
	}
}

func TestLineNaming(t *testing.T) {
	for _, c := range []struct {
		text, name, want string
		found            bool
	}{
		{"Good night.\nAda was late again.\nAda", "Ada", "Ada was late again.", true},
		{"Ask ADA's mother", "Ada", "Ask ADA's mother", true},
		{"Adage and Nevada", "Ada", "", false},
		{"Nevada, then Ada", "Ada", "Nevada, then Ada", true},
		{"Zoë: more reps", "zoë", "Zoë: more reps", true},
		{"(Ada)", "Ada", "(Ada)", true},
		{"", "Ada", "", false},
		{"anything", " ", "", false},
	} {
		if line, found := LineNaming(c.text, c.name); line != c.want || found != c.found {
			t.Errorf("%q in %q: %q, %v", c.name, c.text, line, found)
		}
	}
}
