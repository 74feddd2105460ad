package e2e

import (
	"encoding/json"
	"fmt"
	"os"
	"os/exec"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"evrik/e2e/browser"
)

// The page's clock is held to the cases that the core's clock is held to: its file is run as the
// browser runs it.
func TestPageClockFollowsTheCore(t *testing.T) {
	cases, err := os.ReadFile("../core/practice/testdata/clock.json")
	if err != nil {
		t.Fatal(err)
	}
	translate := exec.Command("node", "-e", `
		const ts = require('../web/node_modules/typescript');
		const source = require('fs').readFileSync('../web/src/lib/run/clock.ts', 'utf8');
		process.stdout.write(ts.transpileModule(source, { compilerOptions: { module: 'ESNext', target: 'ES2022' } }).outputText);`)
	script, err := translate.Output()
	if err != nil {
		t.Fatal(err)
	}
	p, stop := browser.Start("about:blank", func(args ...any) { t.Helper(); t.Fatal(args...) })
	t.Cleanup(stop)
	source, _ := json.Marshal(string(script))
	faults := browser.Eval[string](p, fmt.Sprintf(`(async () => {
		const { applied } = await import('data:text/javascript,' + encodeURIComponent(%s));
		const zero = Date.UTC(2026, 2, 20, 18);
		const at = (s) => new Date(zero + 1000 * s).toISOString();
		const since = (iso) => (iso === undefined ? undefined : (Date.parse(iso) - zero) / 1000);
		const faults = [];
		for (const c of %s) {
			let clock = { status: c.clock.status, block: c.clock.block, elapsedMs: 1000 * (c.clock.ran ?? 0), running: false, now: at(0),
				...(c.clock.changed === undefined ? {} : { changed: at(c.clock.changed) }) };
			for (const d of c.do) clock = applied(clock, { ...d, at: at(d.at) }, c.blocks);
			const ran = (clock.elapsedMs + (clock.running ? Date.parse(at(c.look)) - Date.parse(clock.now) : 0)) / 1000;
			const got = { status: clock.status, block: clock.block, ran, running: clock.running, began: since(clock.began), changed: since(clock.changed) };
			for (const k of Object.keys({ ...got, ...c.want })) if (got[k] !== c.want[k]) faults.push(c.name + ': ' + k + ' is ' + got[k] + ', want ' + c.want[k]);
		}
		return faults.join('\n');
	})()`, source, cases))
	if faults != "" {
		t.Error(faults)
	}
}

// The network is gone when the app is opened by its start address: what this device keeps is
// shown, with its age, and the practice can be run.
func TestOpensOffline(t *testing.T) {
	s := demo(t)
	p := signIn(device(t, s))
	team := "/" + teamOf(p)
	kept := func(key string) string {
		return fmt.Sprintf(`new Promise((done) => { const q = indexedDB.open('evrik'); q.onsuccess = () => {
			const all = q.result.transaction('kept').objectStore('kept').getAllKeys();
			all.onsuccess = () => { q.result.close(); done(all.result.some((k) => k.startsWith(%q))); }; }; })`, key)
	}
	for _, key := range []string{"now ", "run ", "practice ", "practices ", "players ", "lesson "} {
		p.Until(kept(key)) // put there by Now alone
	}
	p.Until("navigator.serviceWorker.controller !== null")
	p.Offline(true)

	cold, stop := p.Tab()
	t.Cleanup(stop)
	cold.Offline(true)
	cold.Open("/")
	cold.See("heading", "What holds the team back")
	cold.Says("status", "The server does not answer. This is what this device kept on")
	cold.Says("status", "just now")
	cold.Open(team + "/run")
	cold.Text("can be run without a network")
	cold.Click("link", "min, kept")
	cold.See("timer", "Time left")
	cold.Click("button", "Start clock")
	cold.See("button", "Stop clock")
	toFirstDrill(cold)
	practice := strings.Split(cold.Path(), "/")[3]
	log(cold, 3)
	cold.Text("3 kept on this device")
	cold.Open(team + "/plan")
	cold.See("heading", "Practices")
	cold.Says("status", "what this device kept")
	cold.Open(team + "/now")
	cold.Click("link", "Change the plan")
	cold.See("option", "Slot twos")
	cold.Says("status", "what this device kept")
	cold.Open(team + "/drills")
	cold.See("link", "Slot twos")
	cold.Says("status", "what this device kept")
	cold.Open(team + "/teach")
	cold.See("button", "Down screen")
	cold.Says("status", "what this device kept")

	cold.Offline(false)
	cold.Open("/")
	cold.Text("3 reps from the floor were sent")
	if n := ask[int](t, s, "SELECT count(*)"+standing, practice); n != 3 {
		t.Errorf("%d reps are stored", n)
	}
	cold.Hushed("status", "what this device kept")
}

// What a hand and a keyboard expect of the run page.
func TestHandsOnTheRunPage(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Before(`
		globalThis.held = 0;
		navigator.wakeLock.request = async () => {
			globalThis.held++;
			const lock = new EventTarget();
			lock.release = async () => { globalThis.held--; lock.dispatchEvent(new Event('release')); };
			return lock;
		};
		globalThis.asked = 0;
		navigator.storage.persist = async () => { globalThis.asked++; return false; };`)
	p.Open("/")
	floor(p)
	// Space presses the button that has the focus; without one it starts the clock.
	p.Focus("button", "Freeze")
	p.Press(" ")
	p.Text("Nobody moves")
	p.See("button", "Start clock")
	p.Press(" ")
	p.Gone("button", "Play on")
	browser.Eval[bool](p, "(document.activeElement.blur(), true)")
	p.Press(" ")
	p.See("button", "Stop clock")
	// After a click the keys are the page's again.
	p.Click("button", "Stop clock")
	p.See("button", "Start clock")
	p.Press(" ")
	p.See("button", "Stop clock")

	// The screen stays on while the clock runs.
	p.Until("held === 1")
	p.Click("button", "Stop clock")
	p.Until("held === 0")

	// Back closes what lies open, and does not leave.
	at := p.Path()
	p.Click("button", "More")
	p.See("dialog", "More")
	browser.Eval[bool](p, "(history.back(), true)")
	p.Gone("dialog", "More")
	p.See("timer", "Time left")
	if p.Path() != at {
		t.Errorf("Back left the practice for %s", p.Path())
	}
	p.Click("button", "More")
	p.See("dialog", "More")
	p.Press(kb.Escape)
	p.Gone("dialog", "More")
	p.See("timer", "Time left")

	// The browser that refuses to keep what waits is told of while it waits.
	if n := browser.Eval[int](p, "asked"); n != 0 {
		t.Errorf("storage was asked for %d times before anything was logged", n)
	}
	log(p, 1)
	p.Until("asked === 1")
	p.Text("All sent")
	if p.Speaks("status", "may delete what is kept") {
		t.Error("a warning where nothing waits")
	}
	p.Offline(true)
	log(p, 2)
	p.Says("status", "may delete what is kept")
	p.Offline(false)
	p.Text("All sent")
	p.Hushed("status", "may delete what is kept")

	// Signed out with reps on the device: the sign-in page says so.
	p.Offline(true)
	log(p, 2)
	p.Text("2 kept on this device")
	ask[int](t, s, "UPDATE staff SET session_epoch = session_epoch + 1 WHERE role = 'head' RETURNING session_epoch")
	p.Offline(false)
	p.Says("alert", "You are signed out")
	p.Open("/")
	p.Says("status", "2 reps are waiting on this device")
}

// What is changed while a plan is being saved stays on the page and is saved next.
func TestEditWhileSaving(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	p.Before(`{
		const real = globalThis.fetch;
		globalThis.fetch = async (request, ...rest) => {
			const answer = await real(request, ...rest);
			if (request.method === 'PUT') await new Promise((go) => { globalThis.letAnswer = go; });
			return answer;
		};
	}`)
	p.Open(p.Path())
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	p.FillRole("spinbutton", "Length", "95")
	p.Click("button", "Save")
	p.Until("globalThis.letAnswer !== undefined")
	p.FillRole("spinbutton", "Length", "85")
	browser.Eval[bool](p, "(letAnswer(), true)")
	p.Text("The plan is saved.")
	p.Until("[...document.querySelectorAll('button')].some((b) => b.innerText === 'Save' && !b.disabled)")
	minutes := func() int {
		return ask[int](t, s, "SELECT minutes FROM practices WHERE id = $1::uuid", strings.Split(p.Path(), "/")[3])
	}
	if n := minutes(); n != 95 {
		t.Errorf("%d minutes are stored, want the first edit's 95", n)
	}
	browser.Eval[bool](p, "(globalThis.letAnswer = undefined, true)")
	p.Click("button", "Save")
	p.Until("globalThis.letAnswer !== undefined")
	browser.Eval[bool](p, "(letAnswer(), true)")
	p.Until("[...document.querySelectorAll('button')].some((b) => b.innerText === 'Save' && b.disabled)")
	if n := minutes(); n != 85 {
		t.Errorf("%d minutes are stored, want the second edit's 85", n)
	}
}
