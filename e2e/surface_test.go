package e2e

import (
	"os"
	"regexp"
	"slices"
	"strings"
	"sync"
	"testing"

	"evrik/e2e/browser"
)

// unsaid are words that no page says: people are neutral, the spelling is American, and where
// a figure comes from is told on its own page.
var unsaid = regexp.MustCompile(`(?i)\b(he|him|his|himself|she|herself|reckon\w*|offence\w*|defence\w*|neighbour\w*|practis\w*|colou?red?|colours?|centres?|metres?|judgement|from memory|common practice|no source|our assumption|stands here)\b`)

// said is all that a page says, to eyes and to a screen reader.
const said = `[document.body.innerText, ...[...document.querySelectorAll('[aria-label], [placeholder], [title], [alt]')]
	.flatMap((e) => ['aria-label', 'placeholder', 'title', 'alt'].map((a) => e.getAttribute(a) ?? ''))].join('\n')`

// words finds words that a page should not say.
func words(t *testing.T, p *browser.Page, where string) {
	t.Helper()
	text := browser.Eval[string](p, said)
	var found []string
	for _, line := range strings.Split(text, "\n") {
		if w := unsaid.FindString(line); w != "" && !slices.Contains(found, w+": "+line) {
			found = append(found, w+": "+line)
		}
	}
	if len(found) > 0 {
		t.Errorf("%s says\n\t%s", where, strings.Join(found[:min(6, len(found))], "\n\t"))
	}
}

// axe is the checker's own script, as its package ships it.
var axe = sync.OnceValues(func() (string, error) {
	script, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	return string(script), err
})

// violations runs the checker and names what it finds, with the first place of each.
const violations = `axe.run(document, { resultTypes: ['violations'], runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'] }).then((r) =>
	r.violations.map((v) => v.id + ' (' + v.nodes.length + '): ' + v.nodes[0].html.slice(0, 140) + ' ' + (v.nodes[0].any[0]?.message ?? '')).join('\n\t'))`

// accessible checks a page by the rules of WCAG 2.1 A and AA, as axe-core has them.
func accessible(t *testing.T, p *browser.Page, where string) {
	t.Helper()
	script, err := axe()
	if err != nil {
		t.Fatal(err)
	}
	browser.Eval[bool](p, script+"; true")
	if found := browser.Eval[string](p, violations); found != "" {
		t.Errorf("%s:\n\t%s", where, found)
	}
}
