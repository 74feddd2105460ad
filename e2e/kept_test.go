package e2e

import (
	"fmt"
	"testing"

	"evrik/e2e/browser"
)

// fullDevice stands in for a device that fills up: its store takes as many bytes as
// globalThis.room says and then refuses, as a browser's does. What Chromium offers to
// set a site's quota its IndexedDB does not heed.
const fullDevice = `{
	globalThis.room = Infinity;
	const sizes = new Map();
	const size = (v) => (v.value instanceof Uint8Array ? v.value.length : JSON.stringify(v).length);
	for (const name of ['add', 'put']) {
		const real = IDBObjectStore.prototype[name];
		IDBObjectStore.prototype[name] = function (v, ...rest) {
			const was = sizes.get(v.key) ?? 0;
			if (size(v) - was > globalThis.room) throw new DOMException('full', 'QuotaExceededError');
			globalThis.room -= size(v) - was;
			if (v.key) sizes.set(v.key, size(v));
			return real.call(this, v, ...rest);
		};
	}
	const free = IDBObjectStore.prototype.delete;
	IDBObjectStore.prototype.delete = function (key) {
		globalThis.room += sizes.get(key) ?? 0;
		sizes.delete(key);
		return free.call(this, key);
	};
}`

// The device fills up: it says so before anything is lost, keeps the next reps in
// the room it had set aside, sends from the page what it cannot keep even there, and
// nothing is missing afterwards.
func TestDeviceFull(t *testing.T) {
	s := demo(t)
	p := page(t, s)
	p.Before(fullDevice)
	p.Open("/")
	p.Click("button", "Sign in")
	floor(p)
	log(p, 2)
	audit(t, s, p, 2)
	p.Until("indexedDB && globalThis.room === Infinity")
	p.Offline(true)
	browser.Eval[int](p, "globalThis.room = 0")
	log(p, 3)
	p.Says("status", "This device is full")
	p.Text("3 kept on this device")
	if p.Speaks("alert", "only in this page") {
		t.Error("reps are not kept while there is room set aside")
	}
	browser.Eval[int](p, "globalThis.room = 0")
	log(p, 5)
	p.Says("alert", "5 reps are only in this page")
	p.Text("3 kept on this device")
	p.Offline(false)
	audit(t, s, p, 10)
	p.Hushed("alert", "only in this page")
}

// The session ends while the device has no network: logging goes on, the reps are
// kept, and are sent when the coach has signed in again.
func TestSignedOutMeanwhile(t *testing.T) {
	s := demo(t)
	p, other := enter(t, s), enter(t, s)
	floor(p)
	log(p, 2)
	p.Text("All sent")
	p.Offline(true)
	log(p, 4)
	p.Text("4 kept on this device")
	other.Click("link", "Settings")
	other.Click("button", "Sign out everywhere")
	other.Text("This is a demo")
	p.Offline(false)
	p.Says("alert", "4 reps are kept on this device")
	log(p, 1)
	p.Says("alert", "5 reps are kept on this device")
	p.Click("button", "Sign in")
	p.Text("This is a demo")
	p.Click("button", "Sign in")
	p.See("timer", "Time left")
	audit(t, s, p, 7)
}

// The head coach deletes the practice while an assistant logs without a network: the
// reps are kept and offered, and put back with the practice they are stored.
func TestPracticeDeletedMeanwhile(t *testing.T) {
	s := demo(t)
	p, head := enter(t, s), enter(t, s)
	floor(p)
	log(p, 2)
	p.Text("All sent")
	was := p.Path()
	p.Offline(true)
	log(p, 6)
	p.Text("6 kept on this device")
	head.Click("link", "Change the plan")
	head.Text("rules kept")
	head.Click("tab", "Share")
	head.Click("button", "Delete this practice")
	head.Click("button", "Delete it")
	head.Gone("button", "Save")
	p.Offline(false)
	p.Says("alert", "6 reps are kept on this device")
	p.Open(p.Path()) // still there after a reload
	p.Says("alert", "6 reps are kept on this device")
	p.Click("button", "Put the practice back with them")
	p.Until(fmt.Sprintf("location.pathname !== %q", was))
	p.See("timer", "Time left")
	audit(t, s, p, 6)
}
