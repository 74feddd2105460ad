package evidence

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"strings"
	"testing"

	"evrik/core/reads"
)

// RFC 4180 quoting and line ends, and cells no spreadsheet runs (OWASP CSV injection);
// a player without a name here is in no file.
func TestWriteReps(t *testing.T) {
	reps := made("+-", 1)
	reps[0].Player, reps[1].Player, reps[1].Late, reps[1].Tags, reps[1].Action = "a", "a", true,
		[]Tag{{ID: "early"}, {ID: "upright"}}, "down"
	gone := made("+", 1)
	gone[0].Player = "gone"
	var out bytes.Buffer
	if err := WriteReps(&out, append(reps, gone...), map[PlayerID]Named{"a": {"00", `=1+1, "x"`}}); err != nil {
		t.Fatal(err)
	}
	if !strings.HasSuffix(out.String(), "\r\n") {
		t.Error("lines do not end as RFC 4180 says")
	}
	rows, err := csv.NewReader(&out).ReadAll()
	if err != nil || len(rows) != 3 {
		t.Fatalf("%v %v", rows, err)
	}
	if got, want := strings.Join(rows[2], "|"),
		`2026-03-19T18:00:00Z|00|'=1+1, "x"|cutter|down|live2|right|none|curl|straight||yes|early upright`; got != want {
		t.Errorf("%s\nwant\n%s", got, want)
	}
}

// Newcombe 1998, table of examples, from memory: 15 of 148 is 0.0624 to 0.1605; and
// the verdict that the board shows.
func TestWriteVerdicts(t *testing.T) {
	p := DefaultPolicy()
	line := p.Board([]PlayerID{"a", "gone"}, reads.Cutter, []reads.Read{reads.Curl},
		history(made(strings.Repeat("+", 15)+strings.Repeat("-", 133), 0)), now)
	var out bytes.Buffer
	if err := WriteVerdicts(&out, []RoleLines{{reads.Cutter, line}}, map[PlayerID]Named{"a": {"7", "A"}}); err != nil {
		t.Fatal(err)
	}
	rows, err := csv.NewReader(&out).ReadAll()
	if err != nil || len(rows) != 2 {
		t.Fatalf("%v %v", rows, err)
	}
	j := line[0].Cells[0].Judgement
	want := fmt.Sprintf(
		"7|A|cutter|curl|live|not-yet||15|148|%.4f|%.4f|%.4f|0.0000|0.7000|0.0624|0.1605|2026-03-20T18:00:00Z", j.Rate,
		j.Interval.Low, j.Interval.High)
	if got := strings.Join(rows[1], "|"); got != want {
		t.Errorf("%s\nwant\n%s", got, want)
	}
}
