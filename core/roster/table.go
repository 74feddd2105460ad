package roster

import (
	"bytes"
	"encoding/csv"
	"errors"
	"io"
	"regexp"
	"strings"
	"unicode/utf8"

	"evrik/core/refusal"
)

// Table is a list of players as it was pasted or stood in a file, cell by cell.
type Table struct {
	// Header is the first row where it names the columns, else nil.
	Header []string
	// Rows are what follows, without empty ones; Lines are their numbers in the list, from 1.
	Rows  [][]string
	Lines []int
}

// Width returns how many columns the widest row has.
func (t *Table) Width() int {
	n := len(t.Header)
	for _, r := range t.Rows {
		n = max(n, len(r))
	}
	return n
}

// Text splits a pasted list or a CSV file (RFC 4180) into cells: by tabs, semicolons or commas, or line by line into a
// number and a name where there is none of them.
func Text(text []byte) (Table, *RowError) {
	if len(text) > MaxFile {
		return Table{}, &RowError{0, refusal.Refusal{Code: "roster.list-too-large", Args: []any{MaxFile >> 20}}}
	}
	text = bytes.TrimPrefix(text, []byte("\uFEFF"))
	if !utf8.Valid(text) {
		return Table{}, &RowError{0, refusal.Refusal{Code: "roster.not-utf8"}}
	}
	text = bytes.ReplaceAll(text, []byte("\r\n"), []byte("\n"))
	comma := delimiter(text)
	if comma == 0 {
		t := Rows(numbersAndNames(string(text)))
		t.Header = []string{string(Jersey), string(Name)}
		return t, nil
	}
	rows, bad := records(text, comma)
	if bad != nil {
		return Table{}, bad
	}
	return Rows(rows), nil
}

// records reads a CSV text so that every record stands at the index of its line.
func records(text []byte, comma rune) ([][]string, *RowError) {
	r := csv.NewReader(bytes.NewReader(text))
	r.Comma, r.FieldsPerRecord, r.TrimLeadingSpace = comma, -1, comma != '\t'
	var out [][]string
	for {
		cells, err := r.Read()
		if err == io.EOF {
			return out, nil
		}
		var bad *csv.ParseError
		if errors.As(err, &bad) {
			return nil, &RowError{bad.StartLine, refusal.Refusal{Code: "roster.quotes"}}
		}
		line, _ := r.FieldPos(0)
		for len(out) < line-1 {
			out = append(out, nil)
		}
		out = append(out, cells)
	}
}

// delimiter returns what splits the lines of a list into cells, or 0.
func delimiter(text []byte) rune {
	lines := bytes.FieldsFunc(text, func(r rune) bool { return r == '\n' })
	for _, d := range []rune{'\t', ';', ','} {
		with := 0
		for _, line := range lines {
			if bytes.ContainsRune(line, d) {
				with++
			}
		}
		if 2*with > len(lines) {
			return d
		}
	}
	return 0
}

// number is a jersey at the beginning or the end of a line, with what people write around it.
var (
	numberFirst = regexp.MustCompile(`^\s*(?:#|no\.?\s*)?(\d{1,3})\s*(?:[.):\-–—,;]\s*|\s+|$)(.*)$`)
	numberLast  = regexp.MustCompile(`^(.*?)[\s,;:(\-–—]+#?(\d{1,3})\)?\s*$`)
)

// numbersAndNames splits lines into a number and a name, whichever comes first.
func numbersAndNames(text string) [][]string {
	var out [][]string
	for line := range strings.SplitSeq(text, "\n") {
		line = strings.Trim(strings.TrimSpace(line), "•*")
		switch {
		case line == "":
			out = append(out, nil)
		case numberFirst.MatchString(line):
			m := numberFirst.FindStringSubmatch(line)
			out = append(out, []string{m[1], m[2]})
		case numberLast.MatchString(line):
			m := numberLast.FindStringSubmatch(line)
			out = append(out, []string{m[2], m[1]})
		default:
			out = append(out, []string{"", line})
		}
	}
	return out
}

// Rows makes a table of cells, as a sheet holds them: the first row is the header where it has no number and names a
// column. Empty rows are left out.
func Rows(cells [][]string) Table {
	var t Table
	for i, row := range cells {
		for j := range row {
			row[j] = strings.TrimSpace(row[j])
		}
		if strings.Join(row, "") == "" {
			continue
		}
		if t.Header == nil && len(t.Rows) == 0 && isHeader(row) {
			t.Header = row
			continue
		}
		t.Rows, t.Lines = append(t.Rows, row), append(t.Lines, i+1)
	}
	return t
}

func isHeader(row []string) bool {
	named := false
	for _, c := range row {
		if isJersey(c) {
			return false
		}
		named = named || known(c) != Ignore
	}
	return named && len(row) > 1
}

func isJersey(s string) bool {
	s = strings.TrimPrefix(s, "#")
	return s != "" && len(s) <= 2 && strings.Trim(s, "0123456789") == ""
}
