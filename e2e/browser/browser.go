// Package browser drives the real interface in headless Chromium the way a
// person does: it finds things by role and visible name, in the accessibility
// tree, and waits for conditions, never for time.
package browser

import (
	"context"
	"fmt"
	"net/http"
	"os/exec"
	"sync"
	"time"

	"evrik/internal/pgtest"

	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/emulation"
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
		chromedp.Flag("disable-dev-shm-usage", !pgtest.RoomInMemory(sharedMemoryNeeded)),
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
		_, err = chromedp.Call(p.ctx, emulation.SetFocusEmulationEnabled,
			emulation.SetFocusEmulationEnabledParams{Enabled: true})
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
	if _, err := chromedp.Call(p.ctx, page.AddScriptToEvaluateOnNewDocument,
		page.AddScriptToEvaluateOnNewDocumentParams{Source: script}); err != nil {
		p.Fatal(err)
	}
}

// Keep gives the device cookies that were got elsewhere.
func (p *Page) Keep(cookies []*http.Cookie) {
	for _, c := range cookies {
		if _, err := chromedp.Call(p.ctx, network.SetCookie, network.SetCookieParams{Name: c.Name, Value: c.Value,
			URL: p.Base, Path: c.Path, HTTPOnly: &c.HttpOnly}); err != nil {
			p.Fatal(err)
		}
	}
}

// NothingKept keeps the app from being stored on the device for use without a network, so that every file comes from
// the server.
func (p *Page) NothingKept() {
	p.Before(`ServiceWorkerContainer.prototype.register = () => new Promise(() => {})`)
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

// Follow goes to a path as a link of the app does, without loading the app again.
func (p *Page) Follow(path string) {
	Eval[bool](p, fmt.Sprintf(`(() => { const a = document.createElement('a'); a.href = %q;
		document.body.append(a); a.click(); a.remove(); return true; })()`, path))
	p.Until(fmt.Sprintf("location.pathname + location.search === %q", path))
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
	if _, err := chromedp.Call(p.ctx, network.EmulateNetworkConditionsByRule,
		network.EmulateNetworkConditionsByRuleParams{MatchedNetworkConditions: rules}); err != nil {
		p.Fatal(err)
	}
}
