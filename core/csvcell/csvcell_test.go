package csvcell

import "testing"

// The characters of OWASP's page on CSV injection, from memory.
func TestHarmless(t *testing.T) {
	for cell, want := range map[string]string{
		"": "", "Odile": "Odile", "3-2": "3-2", "=1+1": "'=1+1", "+1": "'+1", "-1": "'-1", "@SUM(A1)": "'@SUM(A1)",
		"\t=1": "'\t=1", "\r=1": "'\r=1",
		"'=1": "'=1",
	} {
		if got := Harmless(cell); got != want || IsFormula(got) {
			t.Errorf("%q becomes %q, want %q", cell, got, want)
		}
	}
}
