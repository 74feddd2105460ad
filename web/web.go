// Package web holds the built interface, so that the server is one file.
package web

import (
	"embed"
	"io/fs"
)

//go:embed all:build
var build embed.FS

// Assets returns the built files, index.html at the top.
func Assets() fs.FS {
	sub, err := fs.Sub(build, "build")
	if err != nil {
		panic(err) // the directory is embedded, or the program would not compile
	}
	return sub
}
