package roster

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"reflect"
	"strings"
	"testing"
)

func TestParse(t *testing.T) {
	want := []Entry{{"0", "Ada", true, false, false, true}, {"00", "Bo, the tall", false, false, true, false}, {"7", "Cleo", false, true, false, false}}
	for name, file := range map[string]string{
		"plain":       "jersey,name,handler,wing,big,shooter\n0,Ada,yes,no,,x\n00,\"Bo, the tall\",,,1,\n7,Cleo,n,y,0,false\n",
		"BOM, CRLF":   "\uFEFFjersey,name,handler,wing,big,shooter\r\n0,Ada,yes,no,,x\r\n00,\"Bo, the tall\",,,1,\r\n7,Cleo,n,y,0,false\r\n",
		"semicolons":  "Jersey;Name;Handler;Wing;Big;Shooter\n0;Ada;YES;;;yes\n00;Bo, the tall;;;yes;\n7;Cleo;;yes\n",
		"other order": " name , jersey ,shooter,big,wing,handler\nAda,0,1,,,1\n\n\"Bo, the tall\",00,,1\nCleo,7,,,1\n",
	} {
		got, errs := Parse([]byte(file), nil)
		if errs != nil || !reflect.DeepEqual(got, want) {
			t.Errorf("%s: %+v, errors %+v", name, got, errs)
		}
	}
}

func TestBadFilesAreRefusedWhole(t *testing.T) {
	const head = "jersey,name,handler,wing,big,shooter\n"
	many := head
	for i := range 500 {
		many += fmt.Sprintf("%d,P%d\n", i%100, i)
	}
	for _, tc := range []struct {
		name, file, want string
		row              int
	}{
		{"empty", "", "empty", 1},
		{"only a header", head, "no player below", 2},
		{"wrong header", "number;player\n1;Ada\n", "column \"number\" is not known", 1},
		{"birth dates", "jersey,name,born\n1,Ada,2011-01-01\n", "nothing more than these is kept", 1},
		{"no jersey column", "name,wing\nAda,yes\n", "\"jersey\" is missing", 1},
		{"column twice", "jersey,name,name\n1,Ada,Bo\n", "twice", 1},
		{"duplicate jersey", head + "4,Ada\n5,Bo\n4,Cleo\n", "Jersey 4 is in row 2 already", 4},
		{"jersey on the team", head + "9,Ada\n", "Jersey 9 is Dee's on this team", 2},
		{"jersey of three digits", head + "100,Ada\n", "not a jersey number", 2},
		{"jersey in words", head + "four,Ada\n", "not a jersey number", 2},
		{"no jersey", head + ",Ada\n", "jersey number is missing", 2},
		{"no name", head + "4,\n", "name is missing", 2},
		{"long name", head + "4," + strings.Repeat("n", 25) + "\n", "longer than 24", 2},
		{"formula", head + "4,=HYPERLINK(1)\n", "formula", 2},
		{"formula with at", head + "4,@SUM(A1)\n", "formula", 2},
		{"neither yes nor no", head + "4,Ada,maybe\n", "neither yes nor no", 2},
		{"open quote", head + "4,\"Ada\n5,Bo\n", "quotes", 2},
		{"not text", head + "4,\xff\xfe\n", "UTF-8", 0},
		{"five hundred rows", many, "Dee's on this team", 11},
		{"twenty megabytes", strings.Repeat("x", 20<<20), "larger than 1 MB", 0},
	} {
		got, errs := Parse([]byte(tc.file), map[string]string{"9": "Dee"})
		if got != nil || len(errs) == 0 {
			t.Errorf("%s: imported %+v", tc.name, got)
			continue
		}
		if errs[0].Row != tc.row || !strings.Contains(errs[0].Message, tc.want) {
			t.Errorf("%s: %+v, want row %d %q", tc.name, errs[0], tc.row, tc.want)
		}
		if len(errs) > maxErrors+2 {
			t.Errorf("%s: %d errors", tc.name, len(errs))
		}
	}
	big := head
	for i := range 60 {
		big += fmt.Sprintf("%d,P%d\n", i, i)
	}
	if _, errs := Parse([]byte(big), nil); len(errs) != 1 || !strings.Contains(errs[0].Message, "60 players; 40 is the most") {
		t.Errorf("sixty players: %+v", errs)
	}
}

// RFC 4180 quoting, and cells defused against formula injection (OWASP).
func TestWriteRoundTripAndDefuse(t *testing.T) {
	in := []Entry{{"00", `Quo"te, Jr`, true, false, false, true}, {"12", "Zoë", false, true, true, false}}
	var b bytes.Buffer
	if err := Write(&b, in); err != nil {
		t.Fatal(err)
	}
	got, errs := Parse(b.Bytes(), nil)
	if errs != nil || !reflect.DeepEqual(got, in) {
		t.Errorf("came back as %+v, %+v", got, errs)
	}
	b.Reset()
	if err := Write(&b, []Entry{{Jersey: "1", Name: "=1+1"}}); err != nil {
		t.Fatal(err)
	}
	rows, err := csv.NewReader(&b).ReadAll()
	if err != nil || rows[1][1] != "'=1+1" {
		t.Errorf("formula cell written as %q, %v", rows[1][1], err)
	}
}

func FuzzParse(f *testing.F) {
	f.Add([]byte("jersey,name\n1,Ada\n"))
	f.Add([]byte("\uFEFFname;jersey\n\"a;1\n"))
	f.Fuzz(func(t *testing.T, file []byte) {
		got, errs := Parse(file, nil)
		if (got == nil) == (errs == nil) {
			t.Fatalf("%d entries and %d errors", len(got), len(errs))
		}
		for _, e := range got {
			if clean, err := Clean(e); err != nil || clean != e {
				t.Fatalf("imported %+v: %v", e, err)
			}
		}
	})
}
