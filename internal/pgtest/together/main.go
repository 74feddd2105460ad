// Command together runs a command, such as the tests of every package, beside a throw-away PostgreSQL that they share.
package main

import (
	"os"

	"evrik/internal/pgtest"
)

func main() { os.Exit(pgtest.Together(os.Args[1:])) }
