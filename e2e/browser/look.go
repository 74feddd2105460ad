package browser

import (
	"encoding/json"
	"fmt"
	"strings"
	"time"

	"github.com/chromedp/cdproto/accessibility"
	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/dom"
	"github.com/chromedp/chromedp"
)

// Path is where the page is.
func (p *Page) Path() string { return Eval[string](p, "location.pathname") }

// Eval evaluates an expression on the page.
func Eval[T any](p *Page, expression string) T {
	v, err := chromedp.Run(p.ctx, chromedp.Evaluate[T](expression, chromedp.EvalAwaitPromise))
	if err != nil {
		p.Fatal(expression, ": ", err)
	}
	return v
}

// Node is an element that a role and a name found on the page.
type Node struct {
	Name string
	id   cdp.BackendNodeID
}

// named lists the visible nodes of a role.
func (p *Page) named(role string) ([]Node, error) {
	root, err := chromedp.Call(p.ctx, dom.GetDocument, dom.GetDocumentParams{})
	if err != nil {
		return nil, err
	}
	res, err := chromedp.Call(p.ctx, accessibility.QueryAXTree,
		accessibility.QueryAXTreeParams{NodeID: root.Root.NodeID, Role: role})
	if err != nil {
		return nil, err
	}
	var out []Node
	for _, n := range res.Nodes {
		if n.Ignored || n.BackendDOMNodeID == 0 {
			continue
		}
		var text string
		if n.Name != nil {
			_ = json.Unmarshal(n.Name.Value, &text)
		}
		out = append(out, Node{text, n.BackendDOMNodeID})
	}
	return out, nil
}

// find lists the visible nodes of a role whose name holds the text; an exact
// match comes alone.
func (p *Page) find(role, name string) ([]Node, error) {
	list, err := p.named(role)
	return Called(list, name), err
}

// Called are the nodes whose name holds the text; an exact match comes alone.
func Called(list []Node, name string) []Node {
	var exact, loose []Node
	for _, n := range list {
		switch {
		case strings.EqualFold(strings.TrimSpace(n.Name), name):
			exact = append(exact, n)
		case strings.Contains(strings.ToLower(n.Name), strings.ToLower(name)):
			loose = append(loose, n)
		}
	}
	if len(exact) > 0 {
		return exact
	}
	return loose
}

// All are the nodes that have one of some roles now.
func (p *Page) All(roles ...string) (out []Node) {
	for _, role := range roles {
		list, err := p.named(role)
		if err != nil {
			p.Fatal(role, ": ", err)
		}
		out = append(out, list...)
	}
	return out
}

// wait looks until a condition holds.
func (p *Page) wait(what string, holds func() bool) {
	end := time.Now().Add(patience)
	for pause := pollFirst; !holds(); pause = min(pause*3/2, pollLast) {
		if time.Now().After(end) {
			p.Fatal(fmt.Sprintf("waited in vain for %s\nat %s\n%s", what, p.Path(), p.Outline()))
		}
		time.Sleep(pause)
	}
}

// See waits until something of a role with this name is there and returns it.
func (p *Page) See(role, name string) Node {
	var found []Node
	p.wait(fmt.Sprintf("%s %q", role, name), func() bool {
		list, err := p.find(role, name)
		found = list
		return err == nil && len(list) > 0
	})
	return found[0]
}

// Has reports whether something of a role with this name is there now.
func (p *Page) Has(role, name string) bool {
	list, err := p.find(role, name)
	return err == nil && len(list) > 0
}

// Gone waits until nothing of a role has this name.
func (p *Page) Gone(role, name string) {
	p.wait(fmt.Sprintf("%s %q to go", role, name), func() bool {
		list, err := p.find(role, name)
		return err == nil && len(list) == 0
	})
}

// Says waits until a live region (status or alert) speaks a text. Such regions
// have no name of their own, only what they say.
func (p *Page) Says(role, text string) {
	p.wait(fmt.Sprintf("%s to say %q", role, text), func() bool { return p.Speaks(role, text) })
}

// Hushed waits until no live region speaks a text any more.
func (p *Page) Hushed(role, text string) {
	p.wait(fmt.Sprintf("%s no longer to say %q", role, text), func() bool { return !p.Speaks(role, text) })
}

// Speaks reports whether a live region speaks a text now.
func (p *Page) Speaks(role, text string) bool {
	return Eval[bool](p,
		fmt.Sprintf("[...document.querySelectorAll('[role=%s]')].some((e) => e.innerText.includes(%q))", role, text))
}

// Text waits until the given text is visible on the page.
func (p *Page) Text(text string) {
	p.wait(fmt.Sprintf("the text %q", text), func() bool { return strings.Contains(p.Outline(), text) })
}

// Until waits until an expression, or what it promises, holds on the page. Between two
// documents nothing holds.
func (p *Page) Until(expression string) {
	p.wait(expression, func() bool {
		holds, err := chromedp.Run(p.ctx, chromedp.Evaluate[bool]("(async () => Boolean(await ("+expression+")))()",
			chromedp.EvalAwaitPromise))
		if err != nil && !betweenDocuments(err) {
			p.Fatal(expression, ": ", err)
		}
		return err == nil && holds
	})
}

// betweenDocuments reports whether a look at the page failed because it was going to
// another one.
func betweenDocuments(err error) bool {
	for _, says := range []string{"navigated or closed", "context was destroyed", "Cannot find context",
		"Promise was collected"} {
		if strings.Contains(err.Error(), says) {
			return true
		}
	}
	return false
}

// Outline returns all visible text of the page.
func (p *Page) Outline() string {
	// Between two documents there is no body, and so no text.
	return Eval[string](p, "document.body?.innerText ?? ''")
}
