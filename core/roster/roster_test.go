package roster

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"reflect"
	"slices"
	"strings"
	"testing"
)

// read reads a list as it is pasted, by the columns that are guessed.
func read(text string) ([]Listed, []RowError) {
	t, bad := Text([]byte(text))
	if bad != nil {
		return nil, []RowError{*bad}
	}
	return Players(&t, Guess(&t))
}

func entries(list []Listed) []Entry {
	out := make([]Entry, len(list))
	for i, l := range list {
		out[i] = l.Entry
	}
	return out
}

func TestRead(t *testing.T) {
	roles := []Entry{{"0", "Ada", true, false, false, true}, {"00", "Bo, the tall", false, false, true, false},
		{"7", "Cleo", false, true, false, false}}
	plain := []Entry{{Jersey: "0", Name: "Ada"}, {Jersey: "00", Name: "Bo"}, {Jersey: "7", Name: "Cleo"}}
	for name, tc := range map[string]struct {
		text string
		want []Entry
	}{
		"own file": {"jersey,name,handler,wing,big,shooter\n0,Ada,yes,no,,x\n00,\"Bo, the " +
			"tall\",,,1,\n7,Cleo,n,y,0,false\n", roles},
		"BOM, CRLF": {"\uFEFFjersey,name,handler,wing,big,shooter\r\n0,Ada,yes,no,,x\r\n00,\"Bo, the " +
			"tall\",,,1,\r\n7,Cleo,n,y,0,false\r\n", roles},
		"semicolons": {"Number;Player;Handler;Wing;Big;Shooter\n0;Ada;YES;;;yes\n00;Bo, the " +
			"tall;;;yes;\n7;Cleo;;yes\n", roles},
		"other order": {" name , jersey ,shooter,big,wing,handler\nAda,0,1,,,1\n\n\"Bo, the tall\",00,,1\nCleo,7,,,1\n",
			roles},
		"a sheet":      {"Player\tNo.\tBorn\nAda\t0\t2011-01-01\nBo\t00\t\nCleo\t7\t\n", plain},
		"no header":    {"Ada,0\nBo,00\nCleo,7", plain},
		"number first": {"0 Ada\n00 Bo\n7 Cleo", plain},
		"number last":  {"Ada 0\nBo #00\nCleo (7)", plain},
		"mixed":        {"#0 Ada\n00. Bo\n\nCleo - 7\n", plain},
		"marks":        {"• 0: Ada\n* 00) Bo\nno. 7 Cleo", plain},
		"a comma in a name": {"0 Ada\n00 Bo\n7 Cleo, the third",
			[]Entry{{Jersey: "0", Name: "Ada"}, {Jersey: "00", Name: "Bo"}, {Jersey: "7", Name: "Cleo, the third"}}},
		"two names": {"First name,Last name,No\nAda,Lind,0\nBo,Moor,00\nCleo,,7", plain},
		"shared first name": {"first,last,#\nAda,Lind,1\nAda,Moor,2",
			[]Entry{{Jersey: "1", Name: "Ada L."}, {Jersey: "2", Name: "Ada M."}}},
		"positions": {"#,Name,Pos\n0,Ada,SG\n00,Bo,\"PF/C\"\n7,Cleo,forward",
			[]Entry{{"0", "Ada", true, false, false, true}, {"00", "Bo", false, false, true, false},
				{"7", "Cleo", false, true, false, false}}},
	} {
		got, errs := read(tc.text)
		if errs != nil || !reflect.DeepEqual(entries(got), tc.want) {
			t.Errorf("%s: %+v, errors %+v", name, got, errs)
		}
	}
}

func TestBadRowsAreNamed(t *testing.T) {
	const head = "jersey,name,handler,wing,big,shooter\n"
	for _, tc := range []struct {
		name, text, want string
		row, rest        int
	}{
		{"names alone", "Ada\nBo", "roster.no-number", 1, 0},
		{"no names", "1,2\n3,4", "roster.no-name-column", 0, 0},
		{"no numbers", "name,wing\nAda,yes\nBo,no\n", "roster.no-number-column", 0, 0},
		{"jersey of three digits", head + "5,Bo\n100,Ada\n", "roster.number", 3, 1},
		{"after an empty line", head + "\n\n100,Ada\n", "roster.number", 4, 0},
		{"no jersey", head + ",Ada\n", "roster.no-number", 2, 0},
		{"no name", head + "4,\n5,Bo", "roster.no-name", 2, 1},
		{"long name", head + "4," + strings.Repeat("n", 25) + "\n", "roster.name-too-long: 24", 2, 0},
		{"formula", head + "4,=HYPERLINK(1)\n", "formula", 2, 0},
		{"neither yes nor no", head + "4,Ada,maybe\n", "roster.yes-or-no: maybe, handler", 2, 0},
		{"open quote", head + "4,\"Ada\n5,Bo\n", "quotes", 2, 0},
		{"not text", head + "4,\xff\xfe\n", "roster.not-utf8", 0, 0},
		{"twenty megabytes", strings.Repeat("x", 20<<20), "roster.list-too-large: 1", 0, 0},
	} {
		got, errs := read(tc.text)
		if len(errs) == 0 || errs[0].Row != tc.row || !strings.Contains(errs[0].Reason.Error(), tc.want) ||
			len(got) != tc.rest {
			t.Errorf("%s: %+v and %d players, want row %d %q", tc.name, errs, len(got), tc.row, tc.want)
		}
	}
	var many strings.Builder
	many.WriteString(head)
	for range 500 {
		many.WriteString("123,Ada\n")
	}
	if _, errs := read(many.String()); len(errs) != maxErrors+1 {
		t.Errorf("%d complaints about 500 bad rows", len(errs))
	}
}

func TestGuess(t *testing.T) {
	for text, want := range map[string][]Use{
		"jersey,name,born\n1,Ada,2011":          {Jersey, Name, Ignore},
		"Ada\t7\t2011\nBo\t12\t2010":            {Name, Jersey, Ignore},
		"Last Name,First Name,Uniform\nL,A,1":   {Last, First, Jersey},
		"12,Ada Lind,PG\n5,Bo Moor,C\n":         {Jersey, Name, Ignore},
		"Pos,No,Player,Shooter\nPG,1,Ada,yes\n": {Position, Jersey, Name, Shooter},
		"Big,Player,Shirt no\n1,Ada,7\n1,Bo,8":  {Big, Name, Jersey},
		"7,Ada,9\n12,Bo,10":                     {Jersey, Name, Ignore},
	} {
		table, bad := Text([]byte(text))
		if got := Guess(&table); bad != nil || !slices.Equal(got, want) {
			t.Errorf("%q: %v, %v, want %v", text, got, bad, want)
		}
	}
}

// TestMerge checks by hand what a list does to a roster of Ada 1, Bo 2 (a big) and Dee 9.
func TestMerge(t *testing.T) {
	here := []Known{{"a", Entry{Jersey: "1", Name: "Ada"}}, {"b", Entry{Jersey: "2", Name: "Bo", Big: true}},
		{"d", Entry{Jersey: "9", Name: "Dee"}}}
	for name, tc := range map[string]struct {
		text string
		want string // kind, jersey and name of every player, then the errors
	}{
		"new, changed, the same": {"3 Cleo\n5 ada\n2 Bo", "new 3 Cleo, changed 5 ada, same 2 Bo big"},
		"two swap":               {"2 Ada\n1 Bo", "changed 2 Ada, changed 1 Bo big"},
		"a row of three":         {"2 Ada\n9 Bo\n1 Dee", "changed 2 Ada, changed 9 Bo big, changed 1 Dee"},
		"somebody else's number": {"9 Cleo", "line 1: roster.number-taken: 9 Dee"},
		"number given up":        {"9 Cleo\n10 Dee", "new 9 Cleo, changed 10 Dee"},
		"roles of the list":      {"jersey,name,big\n2,Bo,no", "changed 2 Bo"},
		"number twice":           {"4 Eve\n4 Fay", "new 4 Eve, line 2: roster.number-twice: 4 1"},
		"name twice":             {"4 Eve\n5 eve", "new 4 Eve, line 2: roster.name-twice: eve 1"},
	} {
		list, errs := read(tc.text)
		if errs != nil {
			t.Fatal(name, errs)
		}
		changes, errs := Merge(here, list)
		var said []string
		for _, c := range changes {
			line := fmt.Sprintf("%s %s %s", c.Kind, c.Player.Jersey, c.Player.Name)
			if c.Player.Big {
				line += " big"
			}
			said = append(said, line)
			if (c.Kind == Added) != (c.ID == "") {
				t.Errorf("%s: %+v", name, c)
			}
		}
		for _, e := range errs {
			said = append(said, fmt.Sprintf("line %d: %s", e.Row, strings.ReplaceAll(e.Reason.Error(), ",", "")))
		}
		if got := strings.Join(said, ", "); !strings.HasPrefix(got, tc.want) ||
			len(changes)+len(errs) != strings.Count(tc.want, ", ")+1 {
			t.Errorf("%s: %s, want %s", name, got, tc.want)
		}
	}
	var many strings.Builder
	for i := range 38 {
		fmt.Fprintf(&many, "%d P%d\n", i+10, i)
	}
	list, _ := read(many.String())
	if changes, errs := Merge(here, list); len(changes) != 38 || len(errs) != 1 ||
		!strings.Contains(errs[0].Reason.Error(), "roster.too-many-players: 41, 40") {
		t.Errorf("38 on top of 3: %+v", errs)
	}
	if _, errs := Merge(here, list[:37]); errs != nil {
		t.Errorf("37 on top of 3: %+v", errs)
	}
}

// Two on the roster may share a name: the number tells them apart.
func TestMergeNamesakes(t *testing.T) {
	here := []Known{{"a", Entry{Jersey: "1", Name: "Ada"}}, {"b", Entry{Jersey: "2", Name: "Ada"}}}
	list, _ := read("jersey,name,big\n2,Ada,yes")
	changes, errs := Merge(here, list)
	if errs != nil || len(changes) != 1 || changes[0].ID != "b" || changes[0].Kind != Changed {
		t.Errorf("%+v, %+v", changes, errs)
	}
}

// RFC 4180 quoting, and cells defused against formula injection (OWASP).
func TestWriteRoundTripAndDefuse(t *testing.T) {
	in := []Entry{{"00", `Quo"te, Jr`, true, false, false, true}, {"12", "Zoë", false, true, true, false}}
	var b bytes.Buffer
	if err := Write(&b, in); err != nil {
		t.Fatal(err)
	}
	got, errs := read(b.String())
	if errs != nil || !reflect.DeepEqual(entries(got), in) {
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

func FuzzRead(f *testing.F) {
	f.Add([]byte("jersey,name\n1,Ada\n"))
	f.Add([]byte("\uFEFFname;jersey\n\"a;1\n"))
	f.Add([]byte("12 Ada\n#5 - Bo (7)\n"))
	f.Fuzz(func(t *testing.T, text []byte) {
		table, bad := Text(text)
		if bad != nil {
			return
		}
		list, errs := Players(&table, Guess(&table))
		if len(list)+len(errs) < len(table.Rows) && len(errs) == 0 {
			t.Fatalf("%d players and no errors of %d rows", len(list), len(table.Rows))
		}
		changes, _ := Merge(nil, list)
		seen := map[string]bool{}
		for _, c := range changes {
			if clean, err := Clean(c.Player); err != nil || clean != c.Player || seen[c.Player.Jersey] {
				t.Fatalf("imported %+v: %v", c, err)
			}
			seen[c.Player.Jersey] = true
		}
	})
}

// The longest list and the longest name are taken; one more is refused.
func TestBounds(t *testing.T) {
	long := strings.Repeat("é", MaxName)
	if got := clip(long); got != long {
		t.Errorf("a name of %d letters is clipped to %q", MaxName, got)
	}
	if got := clip(long + "é"); got != long+"…" {
		t.Errorf("a longer name is clipped to %q", got)
	}
	full := []byte("7 Ada\n")
	full = append(full, bytes.Repeat([]byte("\n"), MaxFile-len(full))...)
	if _, bad := Text(full); bad != nil {
		t.Errorf("a list of %d bytes: %v", len(full), bad)
	}
	if _, bad := Text(append(full, '\n')); bad == nil || bad.Reason.Code != "roster.list-too-large" {
		t.Errorf("a larger one: %v", bad)
	}
	for text, jersey := range map[string]bool{"0": true, "00": true, "#12": true, "123": false, "": false, "#": false,
		"1a": false} {
		if isJersey(text) != jersey {
			t.Errorf("%q is a number: %v", text, !jersey)
		}
	}
}
