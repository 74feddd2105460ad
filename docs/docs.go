// Package docs holds the pages of the docs that the program reads.
package docs

import _ "embed"

// Glossary is glossary.md.
//
//go:embed glossary.md
var Glossary string
