package rosters

import (
	"bytes"

	"github.com/xuri/excelize/v2"

	"evrik/core/refusal"
	"evrik/core/roster"
)

// zipped is how a .xlsx file begins: it is a ZIP archive (PKWARE APPNOTE 4.3.7, from memory).
var zipped = []byte("PK\x03\x04")

// mostUnzipped is how large a sheet may become in memory, in bytes (assumption).
const mostUnzipped = 16 << 20

// tableOf reads the cells of a list.
func tableOf(list List) (roster.Table, *roster.RowError) {
	switch {
	case len(list.File) == 0:
		return roster.Text([]byte(list.Text))
	case len(list.File) <= roster.MaxFile && bytes.HasPrefix(list.File, zipped):
		return sheet(list.File)
	}
	return roster.Text(list.File)
}

// sheet reads the first sheet of a workbook.
func sheet(file []byte) (roster.Table, *roster.RowError) {
	unreadable := &roster.RowError{Reason: refusal.Refusal{Code: "roster.workbook"}}
	book, err := excelize.OpenReader(bytes.NewReader(file),
		excelize.Options{UnzipSizeLimit: mostUnzipped, UnzipXMLSizeLimit: mostUnzipped})
	if err != nil {
		return roster.Table{}, unreadable
	}
	defer book.Close()
	rows, err := book.GetRows(book.GetSheetName(0))
	if err != nil {
		return roster.Table{}, unreadable
	}
	return roster.Rows(rows), nil
}
