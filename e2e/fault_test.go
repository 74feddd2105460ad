//go:build prove

package e2e

import (
	"fmt"
	"path"
	"strings"
	"sync/atomic"
	"testing"

	"evrik/e2e/browser"
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

// Every part of the app breaks off five times on its way to the device, more than one
// installation tries: a second one keeps it all the same, and it opens with no network.
func TestKeptThroughABadNetwork(t *testing.T) {
	via, net := between(t, demo(t))
	net.snags = 5
	p := signIn(device(t, via))
	p.Until("navigator.serviceWorker.controller !== null")
	net.mu.Lock()
	if len(net.snagged) < 10 {
		t.Errorf("only %d parts broke off", len(net.snagged))
	}
	net.mu.Unlock()
	p.Offline(true)
	p.Open("/")
	p.See("heading", "What holds the team back")
}

// A tablet that reaches the program by a plain address in the gym's network: there the
// browser withholds its generator of ids, the clipboard and the service worker. What is
// logged arrives once all the same, network or none, and so do a player's answers.
func TestPlainAddressInTheGym(t *testing.T) {
	s := demo(t)
	p := signIn(device(t, s))
	p.Before(
		"delete Crypto.prototype.randomUUID; delete Navigator.prototype.clipboard; delete " +
			"Navigator.prototype.serviceWorker")
	p.Open("/")
	floor(p)
	practice := strings.Split(p.Path(), "/")[3]
	stored := func() int {
		return ask[int](t, s, "SELECT count(*)"+standing, practice)
	}
	before := stored()
	log(p, 2)
	p.Offline(true)
	log(p, 2)
	p.Text("4 logged")
	p.Offline(false)
	p.Text("All sent")
	if n := stored() - before; n != 4 {
		t.Errorf("%d of 4 reps are stored", n)
	}
	link := quizLink(p, "Bram, Curl")
	player := path.Base(p.Path())
	p.Click("button", "Copy the link")
	p.Text("does not let it be copied")
	phone := device(t, s)
	phone.Hasten()
	phone.Before("delete Crypto.prototype.randomUUID; delete Navigator.prototype.serviceWorker")
	phone.Open(link)
	phone.Click("button", "Start")
	answer(phone)
	phone.Text("all sent")
	answers := func() int {
		return ask[int](t, s, "SELECT count(*) FROM quiz_answers WHERE player_id = $1::uuid", player)
	}
	if n := answers(); n != 1 {
		t.Errorf("%d answers are stored", n)
	}
	// The link ends while an answer waits on the phone: it goes with the new link, when
	// the player says whose it is.
	phone.Click("button", "Next")
	phone.Offline(true)
	answer(phone)
	phone.Text("1 on this phone")
	p.Click("button", "End the link")
	p.Text("does not work any more")
	phone.Offline(false)
	phone.See("heading", "This link has ended")
	phone.Text("Not sent from this phone: one answer")
	p.Click("button", "Make a private link")
	p.Text("/quiz/")
	phone.Open(browser.Eval[string](p, address))
	phone.Click("button", "Mine, send that")
	phone.Gone("group", "From a link that has ended")
	phone.Text("all sent")
	if n := answers(); n != 2 {
		t.Errorf("%d answers of 2 are stored", n)
	}
}
