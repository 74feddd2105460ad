// Package csvcell keeps spreadsheets from running what a cell of a CSV file says
// (OWASP, CSV injection).
package csvcell

import "strings"

// IsFormula reports whether a spreadsheet would run a cell.
func IsFormula(cell string) bool {
	return cell != "" && strings.ContainsRune("=+-@\t\r", rune(cell[0]))
}

// Harmless is a cell that a spreadsheet shows as it is.
func Harmless(cell string) string {
	if IsFormula(cell) {
		return "'" + cell
	}
	return cell
}
