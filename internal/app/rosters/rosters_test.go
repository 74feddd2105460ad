package rosters

import (
	"bytes"
	"slices"
	"strings"
	"testing"

	"github.com/xuri/excelize/v2"

	"evrik/core/roster"
)

// workbook makes a .xlsx file of one sheet.
func workbook(t *testing.T, rows ...[]any) []byte {
	t.Helper()
	book := excelize.NewFile()
	defer book.Close()
	for i, row := range rows {
		cell, err := excelize.CoordinatesToCellName(1, i+1)
		if err != nil {
			t.Fatal(err)
		}
		if err := book.SetSheetRow("Sheet1", cell, &row); err != nil {
			t.Fatal(err)
		}
	}
	var b bytes.Buffer
	if err := book.Write(&b); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func TestWorkbook(t *testing.T) {
	file := workbook(t, []any{"Player", "No.", "Born"}, []any{"Ada", 7, "2011-01-01"}, nil, []any{"Bo", "00"})
	table, bad := tableOf(List{File: file})
	if bad != nil {
		t.Fatal(bad)
	}
	players, errs := roster.Players(&table, roster.Guess(&table))
	if errs != nil || len(players) != 2 || players[0].Jersey != "7" || players[0].Name != "Ada" ||
		players[1].Jersey != "00" || players[1].Line != 4 {
		t.Errorf("%+v, %+v", players, errs)
	}
	if got := columns(&table, roster.Guess(&table)); len(got) != 3 || got[1].Header != "No." ||
		!slices.Equal(got[1].Sample, []string{"7", "00"}) {
		t.Errorf("columns %+v", got)
	}
}

func TestFilesThatCannotBeRead(t *testing.T) {
	good := workbook(t, []any{"Ada", 7})
	for name, tc := range map[string]struct {
		file []byte
		want string
	}{
		"half a workbook": {good[:len(good)/2], "roster.workbook"},
		"a picture":       {[]byte("\x89PNG\r\n\x1a\n\xff"), "roster.not-utf8"},
		"too large":       {append(slices.Clone(good), make([]byte, roster.MaxFile)...), "roster.list-too-large: 1"},
	} {
		if _, bad := tableOf(List{File: tc.file}); bad == nil || !strings.Contains(bad.Reason.Error(), tc.want) {
			t.Errorf("%s: %+v, want %q", name, bad, tc.want)
		}
	}
	if table, bad := tableOf(List{File: []byte("7 Ada\n")}); bad != nil || len(table.Rows) != 1 {
		t.Errorf("a text file: %+v, %+v", table, bad)
	}
}

func TestWhatCanBeLeftOut(t *testing.T) {
	one := []roster.Change{{Kind: roster.Added}}
	for want, p := range map[bool]Preview{
		true:  {Changes: one, Errors: []roster.RowError{{Row: 3}}},
		false: {Changes: one, Errors: []roster.RowError{{Row: 3}, {Row: 0}}},
	} {
		if p.skippable() != want {
			t.Errorf("%+v can be saved without what does not fit: %v", p, !want)
		}
	}
	if (Preview{Errors: []roster.RowError{{Row: 3}}}).skippable() {
		t.Error("nothing is left to save")
	}
}
