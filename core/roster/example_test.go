package roster_test

import (
	"fmt"

	"evrik/core/roster"
)

// A list is read however it was typed.
func ExampleText() {
	table, problem := roster.Text([]byte("12 Noor\n4 Kit\n23 Sunny"))
	fmt.Println(table.Rows, problem == nil)
	table, _ = roster.Text([]byte("Name;Number\nNoor;12"))
	fmt.Println(table.Header, table.Rows)
	// Output:
	// [[12 Noor] [4 Kit] [23 Sunny]] true
	// [Name Number] [[Noor 12]]
}
