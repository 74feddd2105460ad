package e2e

import (
	"fmt"
	"strings"
	"sync/atomic"
	"testing"

	"evrik/e2e/browser"
	"evrik/internal/pgtest"
)

// The network is cut for a whole practice and hundreds of reps are sent at its end;
// the server is killed without warning in the middle of that, and an answer gets lost
// after the server has stored what it answers to.
func TestWholePracticeWithoutNetwork(t *testing.T) {
	s := demo(t)
	via, net := between(t, s)
	p := signIn(device(t, via))
	floor(p)
	p.Click("button", "Start clock")
	p.See("button", "Stop clock")
	p.Text("All sent")
	p.Until("navigator.serviceWorker.controller !== null")

	p.Offline(true)
	const batch = 100 // as the page sends them
	reps := sample(3*batch, 10*batch)
	for n := batch; n <= reps; n += batch {
		log(p, batch)
		p.Text(fmt.Sprintf("No network: %d kept on this device", n))
	}
	p.Press("n") // the clock goes on without a network too
	p.See("heading", "Form shooting in pairs")
	p.Open(p.Path()) // and so does a page that is opened anew
	p.See("heading", "Form shooting in pairs")
	p.See("button", "Stop clock")
	p.Text(fmt.Sprintf("%d kept on this device", reps))

	var batches atomic.Int64
	net.set(func() {}, func() bool {
		switch batches.Add(1) {
		case 2:
			return false // stored, and nobody hears of it
		case 4:
			s.kill()
			return false
		}
		return true
	})
	p.Offline(false)
	p.Text(fmt.Sprintf("No network: %d kept", reps-2*batch)) // when the server dies
	s.again()
	audit(t, s, p, reps)
	if n := batches.Load(); n < int64(reps/batch+2) {
		t.Errorf("%d batches: nothing was sent again", n)
	}
	p.See("heading", "Form shooting in pairs")
	p.See("button", "Stop clock")
	practice := strings.Split(p.Path(), "/")[3]
	if at := ask[string](t, s,
		"SELECT b.title FROM practices p JOIN blocks b ON b.id = p.block_id WHERE p.id = $1::uuid",
		practice); at != "Form shooting in pairs" {
		t.Errorf("the server's clock is at %s", at)
	}
}

// PostgreSQL crashes and comes back while reps are logged.
func TestDatabaseRestarts(t *testing.T) {
	t.Parallel()
	url, crash := pgtest.Watched(t)
	s := launch(t, "demo", "EVRIK_DATABASE_URL="+url)
	p, other := signIn(device(t, s)), signIn(device(t, s))
	floor(p)
	other.Open(p.Path())
	log(p, 20)
	crash()
	log(p, 20)
	audit(t, s, p, 40)
	// Who listened hears again.
	other.Text("40 logged")
	log(p, 1)
	other.Text("41 logged")
}

// Two tabs of one device: each shows what the other logs, with a network and
// without, and both send what is kept, which is stored once.
func TestTwoTabs(t *testing.T) {
	s := demo(t)
	one := signIn(device(t, s))
	floor(one)
	two, stop := one.Tab()
	t.Cleanup(stop)
	two.Open(one.Path())
	two.Text("0 logged")
	logged := 0
	tap := func(here, there *browser.Page, n int) {
		t.Helper()
		here.Front()
		log(here, n)
		logged += n
		there.Text(fmt.Sprintf("%d logged", logged))
	}
	tap(one, two, 3)
	tap(two, one, 2)
	audit(t, s, one, 5)

	one.Offline(true)
	two.Offline(true)
	tap(one, two, 20)
	tap(two, one, 20)
	two.Press("z")
	one.Text("44 logged")
	one.Text("kept on this device")
	one.Offline(false)
	two.Offline(false)
	audit(t, s, one, 44)
	audit(t, s, two, 44)
}

// A device whose clock is three hours off: reps get the server's time and the clock
// on the floor is right.
func TestClockThreeHoursOff(t *testing.T) {
	s := demo(t)
	p := device(t, s)
	p.Before(`{
		const off = 3 * 3600 * 1000, Real = Date;
		globalThis.Date = class extends Real {
			constructor(...a) { a.length ? super(...a) : super(Real.now() + off); }
			static now() { return Real.now() + off; }
		};
	}`)
	p.Open("/")
	p.Click("button", "Sign in")
	floor(p)
	p.Click("button", "Start clock")
	p.See("button", "Stop clock")
	p.Text("of practice, ")
	log(p, 4)
	audit(t, s, p, 4)
	practice := strings.Split(p.Path(), "/")[3]
	if off := ask[float64](t, s,
		"SELECT max(abs(extract(epoch FROM recorded_at - at)))::float8 FROM rep_events WHERE practice_id = $1::uuid",
		practice); off > 60 {
		t.Errorf("a rep's time is %.0f s off", off)
	}
	right := signIn(device(t, s))
	right.Open(p.Path())
	right.Text("4 logged")
	left := func(p *browser.Page) int {
		text := browser.Eval[string](p, "document.querySelector('[role=timer]').innerText")
		var m, s int
		if _, err := fmt.Sscanf(text, "%d:%d", &m, &s); err != nil {
			t.Fatalf("the clock shows %q", text)
		}
		return 60*m + s
	}
	// The one is read between two looks at the other, however long they take; a second
	// more on either side is when they tick.
	before := left(p)
	between := left(right)
	after := left(p)
	if between > before+1 || between < after-1 {
		t.Errorf("one device shows %d s, then %d s, and the other %d s between", before, after, between)
	}
}

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
	p := device(t, s)
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

// A coach leaves the floor before everything is sent and opens the app at home.
func TestSentFromHome(t *testing.T) {
	s := demo(t)
	p := signIn(device(t, s))
	floor(p)
	p.Text("All sent")
	p.Until("navigator.serviceWorker.controller !== null")
	practice := strings.Split(p.Path(), "/")[3]
	p.Offline(true)
	log(p, 5)
	p.Text("5 kept on this device")
	p.Click("link", "Leave")
	p.Gone("timer", "Time left")
	p.Offline(false)
	p.Open("/")
	p.Text("5 reps from the floor were sent")
	if n := ask[int](t, s, "SELECT count(*)"+standing, practice); n != 5 {
		t.Errorf("%d reps are stored", n)
	}
}

// The session ends while the device has no network: logging goes on, the reps are
// kept, and are sent when the coach has signed in again.
func TestSignedOutMeanwhile(t *testing.T) {
	s := demo(t)
	p, other := signIn(device(t, s)), signIn(device(t, s))
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
	p, head := signIn(device(t, s)), signIn(device(t, s))
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
