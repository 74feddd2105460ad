package evidence

import (
	"bytes"
	"encoding/csv"
	"strings"
	"testing"

	"evrik/core/reads"
)

// RFC 4180 quoting and line ends, and cells no spreadsheet runs (OWASP CSV injection);
// a player without a name here is in no file.
func TestWriteReps(t *testing.T) {
	reps := made("+-", 1)
	reps[0].Player, reps[1].Player, reps[1].Late, reps[1].Corrections = "a", "a", true, []string{"early", "upright"}
	gone := made("+", 1)
	gone[0].Player = "gone"
	var out bytes.Buffer
	if err := WriteReps(&out, append(reps, gone...), map[string]Named{"a": {"00", `=1+1, "x"`}}); err != nil {
		t.Fatal(err)
	}
	if !strings.HasSuffix(out.String(), "\r\n") {
		t.Error("lines do not end as RFC 4180 says")
	}
	rows, err := csv.NewReader(&out).ReadAll()
	if err != nil || len(rows) != 3 {
		t.Fatalf("%v %v", rows, err)
	}
	if got, want := strings.Join(rows[2], "|"), `2026-03-19T18:00:00Z|00|'=1+1, "x"|cutter|live2|right|none|curl|straight||yes|early upright`; got != want {
		t.Errorf("%s\nwant\n%s", got, want)
	}
}

// Newcombe 1998, table of examples, from memory: 15 of 148 is 0.0624 to 0.1605; and
// the verdict that the board shows.
func TestWriteVerdicts(t *testing.T) {
	p := DefaultPolicy()
	line := p.Board([]string{"a", "gone"}, reads.Cutter, []reads.Read{reads.Curl}, func() []Rep {
		reps := made(strings.Repeat("+", 15)+strings.Repeat("-", 133), 0)
		for i := range reps {
			reps[i].Player = "a"
		}
		return reps
	}(), now)
	var out bytes.Buffer
	if err := WriteVerdicts(&out, []RoleLines{{reads.Cutter, line}}, map[string]Named{"a": {"7", "A"}}); err != nil {
		t.Fatal(err)
	}
	rows, err := csv.NewReader(&out).ReadAll()
	if err != nil || len(rows) != 2 {
		t.Fatalf("%v %v", rows, err)
	}
	if got, want := strings.Join(rows[1], "|"), "7|A|cutter|curl|live2|not-yet|15|148|15.0000|148.0000|0.1040|0.0000|0.7000|0.0624|0.1605|2026-03-20T18:00:00Z"; got != want {
		t.Errorf("%s\nwant\n%s", got, want)
	}
}
