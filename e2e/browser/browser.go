// Package browser drives the real interface in headless Chromium the way a
// person does: it finds things by role and visible name, in the accessibility
// tree, and waits for conditions, never for time.
package browser

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"syscall"
	"time"

	"github.com/chromedp/cdproto/accessibility"
	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/dom"
	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/cdproto/network"
	"github.com/chromedp/cdproto/page"
	"github.com/chromedp/cdproto/runtime"
	"github.com/chromedp/chromedp"
)

// patience is how long a condition may take to come true. It is long because machines may be
// busy; a test that passes never waits for it.
const patience = time.Minute

// Pauses between two looks at the page: short at first, longer while it goes on, since a
// look costs the page time of its own.
const (
	pollFirst = 10 * time.Millisecond
	pollLast  = 160 * time.Millisecond
)

// Page is a tab. Its methods fail by calling Fatal.
type Page struct {
	ctx   context.Context
	Base  string
	Fatal func(args ...any)
}

// program is the one Chromium of this process. Its first tab stays open and unused, so that it
// outlives every device.
var program = sync.OnceValues(func() (context.Context, error) {
	opts := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.NoSandbox, chromedp.DisableGPU,
		chromedp.Flag("disable-component-update", true), chromedp.Flag("disable-quic", true),
		// Shared memory on disk is slow; where /dev/shm is a real one it is used.
		chromedp.Flag("disable-dev-shm-usage", !largeSharedMemory()),
		chromedp.Flag("lang", "en-US"), chromedp.WindowSize(1280, 800))
	// Debian's headless build draws no window of its own and takes half the processor's
	// time; where it is missing, any Chromium does.
	// The program itself is started, not the script in front of it, so that the kernel ends it
	// with the tests.
	for _, name := range []string{"/usr/lib/chromium/chromium-headless-shell", "chromium-headless-shell"} {
		if shell, err := exec.LookPath(name); err == nil {
			opts = append(opts, chromedp.ExecPath(shell))
			break
		}
	}
	alloc, stopAlloc := chromedp.NewExecAllocator(context.Background(), opts...)
	ctx, stop := chromedp.NewContext(alloc)
	Quit = func() { stop(); stopAlloc() }
	// The first call's context lives as long as the browser.
	return ctx, chromedp.Do(ctx, chromedp.Navigate("about:blank"))
})

// Quit ends the browser of this process, if one was started.
var Quit = func() {}

// sharedMemoryNeeded is what a few pages take, in bytes (assumption).
const sharedMemoryNeeded = 1 << 30

func largeSharedMemory() bool {
	var fs syscall.Statfs_t
	return syscall.Statfs("/dev/shm", &fs) == nil && fs.Bavail*uint64(fs.Bsize) >= sharedMemoryNeeded
}

// Start opens an empty tab on a device of its own: nothing is shared with other devices but
// the running browser. The returned function closes it and forgets what it kept.
func Start(base string, fatal func(args ...any)) (*Page, func()) {
	root, err := program()
	if err != nil {
		fatal(err)
	}
	ctx, stop := chromedp.NewContext(root, chromedp.WithNewBrowserContext())
	p := &Page{ctx: ctx, Base: base, Fatal: fatal}
	p.open()
	return p, stop
}

// open makes the page's tab. A tab is treated as the one that is looked at, whatever other
// devices of the same browser do.
func (p *Page) open() {
	err := chromedp.Do(p.ctx, chromedp.Navigate("about:blank"))
	if err == nil {
		_, err = chromedp.Call(p.ctx, emulation.SetFocusEmulationEnabled, emulation.SetFocusEmulationEnabledParams{Enabled: true})
	}
	if err != nil {
		p.Fatal(err)
	}
}

// Tab opens another tab of the same browser: the same device, with what it keeps.
func (p *Page) Tab() (*Page, func()) {
	ctx, stop := chromedp.NewContext(p.ctx)
	tab := &Page{ctx: ctx, Base: p.Base, Fatal: p.Fatal}
	tab.open()
	return tab, stop
}

// Front brings the tab to the front, as a coach does who looks at it.
func (p *Page) Front() {
	if _, err := chromedp.Call(p.ctx, page.BringToFront, cdp.Empty{}); err != nil {
		p.Fatal(err)
	}
}

// Before runs a script in every document before its own scripts do.
func (p *Page) Before(script string) {
	if _, err := chromedp.Call(p.ctx, page.AddScriptToEvaluateOnNewDocument, page.AddScriptToEvaluateOnNewDocumentParams{Source: script}); err != nil {
		p.Fatal(err)
	}
}

// Hasten makes clips end at their first picture and gives all the time there is to answer:
// what a test proves of a question does not lie in waiting for it.
func (p *Page) Hasten() {
	p.Before(`{
		performance.now = () => 0;
		const real = globalThis.requestAnimationFrame.bind(globalThis);
		globalThis.requestAnimationFrame = (then) => real((at) => then(at + 3600e3));
	}`)
}

func (p *Page) do(a chromedp.Action[chromedp.Void]) {
	ctx, cancel := context.WithTimeout(p.ctx, patience*2)
	defer cancel()
	if err := chromedp.Do(ctx, a); err != nil {
		p.Fatal(err)
	}
}

// Viewport sets the window's size in CSS pixels.
func (p *Page) Viewport(width, height int64) { p.do(chromedp.EmulateViewport(width, height)) }

// Open goes to an address inside the application.
func (p *Page) Open(path string) { p.do(chromedp.Navigate(p.Base + path)) }

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

// Node is something on the page.
type Node struct {
	Name string
	id   cdp.BackendNodeID
}

// find lists the visible nodes of a role whose name holds the text; an exact
// match comes alone.
func (p *Page) find(role, name string) ([]Node, error) {
	root, err := chromedp.Call(p.ctx, dom.GetDocument, dom.GetDocumentParams{})
	if err != nil {
		return nil, err
	}
	res, err := chromedp.Call(p.ctx, accessibility.QueryAXTree, accessibility.QueryAXTreeParams{NodeID: root.Root.NodeID, Role: role})
	if err != nil {
		return nil, err
	}
	var exact, loose []Node
	for _, n := range res.Nodes {
		if n.Ignored || n.BackendDOMNodeID == 0 {
			continue
		}
		var text string
		if n.Name != nil {
			_ = json.Unmarshal(n.Name.Value, &text)
		}
		node := Node{text, n.BackendDOMNodeID}
		switch {
		case strings.EqualFold(strings.TrimSpace(text), name):
			exact = append(exact, node)
		case strings.Contains(strings.ToLower(text), strings.ToLower(name)):
			loose = append(loose, node)
		}
	}
	if len(exact) > 0 {
		return exact, nil
	}
	return loose, nil
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
	return Eval[bool](p, fmt.Sprintf("[...document.querySelectorAll('[role=%s]')].some((e) => e.innerText.includes(%q))", role, text))
}

// Text waits until the page shows a text.
func (p *Page) Text(text string) {
	p.wait(fmt.Sprintf("the text %q", text), func() bool { return strings.Contains(p.Outline(), text) })
}

// Until waits until an expression, or what it promises, holds on the page. Between two
// documents nothing holds.
func (p *Page) Until(expression string) {
	p.wait(expression, func() bool {
		holds, err := chromedp.Run(p.ctx, chromedp.Evaluate[bool]("(async () => Boolean(await ("+expression+")))()", chromedp.EvalAwaitPromise))
		if err != nil && !betweenDocuments(err) {
			p.Fatal(expression, ": ", err)
		}
		return err == nil && holds
	})
}

// betweenDocuments reports whether a look at the page failed because it was going to
// another one.
func betweenDocuments(err error) bool {
	for _, says := range []string{"navigated or closed", "context was destroyed", "Cannot find context", "Promise was collected"} {
		if strings.Contains(err.Error(), says) {
			return true
		}
	}
	return false
}

// Outline is the visible text of the page.
func (p *Page) Outline() string {
	// Between two documents there is no body, and so no text.
	return Eval[string](p, "document.body?.innerText ?? ''")
}

// Click clicks the first thing of a role with this name, once it stands still
// and nothing lies over it: a hand would wait for that too.
func (p *Page) Click(role, name string) {
	var x, y float64
	p.wait(fmt.Sprintf("%s %q to lie open", role, name), func() bool {
		x, y = p.Middle(role, name)
		return Eval[bool](p, fmt.Sprintf("(() => { const e = document.elementFromPoint(%f, %f); return Boolean(e) && getComputedStyle(e).pointerEvents !== 'none' && !e.closest('.notice'); })()", x, y))
	})
	if err := chromedp.Do(p.ctx, chromedp.MouseClickXY(x, y)); err != nil {
		p.Fatal(err)
	}
}

// middle scrolls a node into view and returns its middle, if it can be hit there.
func (p *Page) middle(n Node) (x, y float64, ok bool) {
	if _, err := chromedp.Call(p.ctx, dom.ScrollIntoViewIfNeeded, dom.ScrollIntoViewIfNeededParams{BackendNodeID: n.id}); err != nil {
		return 0, 0, false
	}
	res, err := chromedp.Call(p.ctx, dom.GetContentQuads, dom.GetContentQuadsParams{BackendNodeID: n.id})
	if err != nil || len(res.Quads) == 0 || len(res.Quads[0]) != 8 {
		return 0, 0, false
	}
	q := res.Quads[0]
	return (q[0] + q[2] + q[4] + q[6]) / 4, (q[1] + q[3] + q[5] + q[7]) / 4, true
}

// Middle is where a thing stands still on the page, in CSS pixels: at the same
// place in two looks.
func (p *Page) Middle(role, name string) (x, y float64) {
	seen := false
	p.wait(fmt.Sprintf("%s %q to stand still", role, name), func() bool {
		list, err := p.find(role, name)
		if err != nil || len(list) == 0 {
			seen = false
			return false
		}
		nx, ny, ok := p.middle(list[0])
		still := ok && seen && nx == x && ny == y
		x, y, seen = nx, ny, ok
		return still
	})
	return x, y
}

// Fill replaces the text of a field.
func (p *Page) Fill(name, value string) { p.FillRole("textbox", name, value) }

// FillRole replaces the text of a field of another role, such as spinbutton.
func (p *Page) FillRole(role, name, value string) {
	n := p.See(role, name)
	obj, err := chromedp.Call(p.ctx, dom.ResolveNode, dom.ResolveNodeParams{BackendNodeID: n.id})
	if err != nil {
		p.Fatal(err)
	}
	p.callOn(obj.Object.ObjectID, "function(){ this.focus(); this.select && this.select(); }")
	if _, err := chromedp.Call(p.ctx, input.InsertText, input.InsertTextParams{Text: value}); err != nil {
		p.Fatal(err)
	}
	p.callOn(obj.Object.ObjectID, "function(){ this.dispatchEvent(new Event('change', {bubbles: true})); }")
}

// Choose picks an option of a list by its visible text.
func (p *Page) Choose(name, option string) {
	n := p.See("combobox", name)
	obj, err := chromedp.Call(p.ctx, dom.ResolveNode, dom.ResolveNodeParams{BackendNodeID: n.id})
	if err != nil {
		p.Fatal(err)
	}
	p.callOn(obj.Object.ObjectID, fmt.Sprintf(`function(){
		const o = [...this.options].find((o) => o.text.trim() === %q);
		if (!o) throw new Error('no such option: ' + [...this.options].map((o) => o.text).join(', '));
		this.value = o.value; this.dispatchEvent(new Event('change', {bubbles: true})); }`, option))
}

func (p *Page) callOn(id runtime.RemoteObjectID, function string) {
	res, err := chromedp.Call(p.ctx, runtime.CallFunctionOn, runtime.CallFunctionOnParams{ObjectID: id, FunctionDeclaration: function})
	if err == nil && res.ExceptionDetails != nil {
		err = errors.New(res.ExceptionDetails.Exception.Description)
	}
	if err != nil {
		p.Fatal(err)
	}
}

// Focus puts the keyboard on a thing.
func (p *Page) Focus(role, name string) {
	n := p.See(role, name)
	if _, err := chromedp.Call(p.ctx, dom.Focus, dom.FocusParams{BackendNodeID: n.id}); err != nil {
		p.Fatal(err)
	}
}

// Press sends keys to whatever has the keyboard.
func (p *Page) Press(keys string, opts ...chromedp.KeyOption) { p.do(chromedp.KeyEvent(keys, opts...)) }

// Mouse sends one mouse event with the left button.
func (p *Page) Mouse(kind input.DispatchMouseEventType, x, y float64) {
	p.do(chromedp.MouseEvent(kind, x, y, chromedp.ButtonLeft, chromedp.ClickCount(1)))
}

// Print shows the page as paper does, for a picture.
func (p *Page) Print() {
	if _, err := chromedp.Call(p.ctx, emulation.SetEmulatedMedia, emulation.SetEmulatedMediaParams{Media: "print"}); err != nil {
		p.Fatal(err)
	}
}

// Paper is a sheet's width and height in inches.
type Paper [2]float64

// The papers of the world.
var (
	A4     = Paper{8.27, 11.69}
	Letter = Paper{8.5, 11}
)

// PDF prints the page as a coach would.
func (p *Page) PDF(on Paper) []byte {
	res, err := chromedp.Call(p.ctx, page.PrintToPDF, page.PrintToPDFParams{PrintBackground: new(true), PreferCSSPageSize: new(true), PaperWidth: on[0], PaperHeight: on[1]})
	if err != nil {
		p.Fatal(err)
	}
	return res.Data
}

// Upload chooses a file for the page's file field.
func (p *Page) Upload(file string) {
	root, err := chromedp.Call(p.ctx, dom.GetDocument, dom.GetDocumentParams{})
	if err != nil {
		p.Fatal(err)
	}
	field, err := chromedp.Call(p.ctx, dom.QuerySelector, dom.QuerySelectorParams{NodeID: root.Root.NodeID, Selector: "input[type=file]"})
	if err == nil {
		_, err = chromedp.Call(p.ctx, dom.SetFileInputFiles, dom.SetFileInputFilesParams{NodeID: field.NodeID, Files: []string{file}})
	}
	if err != nil {
		p.Fatal(err)
	}
}

// Watch prints what the page says on its console and what it throws.
func (p *Page) Watch(say func(string)) {
	if _, err := chromedp.Call(p.ctx, runtime.Enable, cdp.Empty{}); err != nil {
		p.Fatal(err)
	}
	t := chromedp.FromContext(p.ctx).Target
	go func() {
		for e, err := range cdp.Events(p.ctx, t, runtime.ExceptionThrown) {
			if err != nil {
				return
			}
			say(e.ExceptionDetails.Exception.Description)
		}
	}()
	go func() {
		for e, err := range cdp.Events(p.ctx, t, runtime.ConsoleAPICalled) {
			if err != nil {
				return
			}
			for _, a := range e.Args {
				say(string(e.Type) + ": " + string(a.Value) + a.Description)
			}
		}
	}()
}

// Offline cuts the page's network or gives it back.
func (p *Page) Offline(cut bool) {
	p.network(&network.Conditions{Offline: cut, DownloadThroughput: -1, UploadThroughput: -1})
}

// Slow makes the page's network as slow as a phone's in a gym: 150 ms there and back,
// 1.6 Mbit/s down, 0.75 up (the common "slow 4G", from memory).
func (p *Page) Slow() {
	p.network(&network.Conditions{Latency: 150, DownloadThroughput: 1.6e6 / 8, UploadThroughput: 0.75e6 / 8})
}

func (p *Page) network(c *network.Conditions) {
	if _, err := chromedp.Call(p.ctx, network.Enable, network.EnableParams{}); err != nil {
		p.Fatal(err)
	}
	rules := []*network.Conditions{c}
	if _, err := chromedp.Call(p.ctx, network.EmulateNetworkConditionsByRule, network.EmulateNetworkConditionsByRuleParams{MatchedNetworkConditions: rules}); err != nil {
		p.Fatal(err)
	}
}

// Scheme asks the page for its light or dark colours.
func (p *Page) Scheme(name string) {
	if _, err := chromedp.Call(p.ctx, emulation.SetEmulatedMedia, emulation.SetEmulatedMediaParams{
		Features: []*emulation.MediaFeature{{Name: "prefers-color-scheme", Value: name}}}); err != nil {
		p.Fatal(err)
	}
}

// Settle waits until fonts are there and the page has been painted.
func (p *Page) Settle() {
	Eval[bool](p, "document.fonts.ready.then(() => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(() => r(true)))))")
}

// Shot writes a picture of the window.
func (p *Page) Shot(file string) {
	b, err := chromedp.Run(p.ctx, chromedp.CaptureScreenshot())
	if err == nil {
		err = os.MkdirAll(filepath.Dir(file), 0o755)
	}
	if err == nil {
		err = os.WriteFile(file, b, 0o644)
	}
	if err != nil {
		p.Fatal(err)
	}
}
