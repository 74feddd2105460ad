package e2e

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"evrik/e2e/browser"
)

// BenchmarkDrag drags a defender over the court and measures, in the page,
// from each pointer event to the frame after the one that painted its answer.
func BenchmarkDrag(b *testing.B) {
	p := enter(b, demo(b))
	p.Click("link", "Teach")
	p.Says("status", "Curl")
	p.Text("on the side of the cut")
	for b.Loop() {
		times := browser.Eval[[]float64](p, `(async () => {
			const g = document.querySelector("[aria-label^=\"Cutter's defender\"]");
			const box = g.getBoundingClientRect();
			const x0 = box.x + box.width / 2, y0 = box.y + box.height / 2;
			const send = (type, x, y) => g.dispatchEvent(new PointerEvent(type, {pointerId: 1, clientX: x, clientY: y, bubbles: true}));
			g.setPointerCapture = () => {};
			send('pointerdown', x0, y0);
			const painted = () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(() => r(performance.now()))));
			const out = [];
			for (let i = 0; i < 300; i++) {
				const a = i / 300 * 6 * Math.PI, r = 20 + 80 * i / 300;
				const t = performance.now();
				send('pointermove', x0 + r * Math.cos(a), y0 + r * Math.sin(a));
				out.push(await painted() - t);
			}
			send('pointerup', x0, y0);
			return out;
		})()`)
		slices.Sort(times)
		b.ReportMetric(times[len(times)/2], "p50-ms")
		b.ReportMetric(times[len(times)*95/100], "p95-ms")
	}
}

// BenchmarkFirstLoad reports the JavaScript and the styles a browser fetches, as sent over the
// wire, until the first view stands.
func BenchmarkFirstLoad(b *testing.B) {
	s := demo(b)
	for b.Loop() {
		p := enter(b, s)
		b.ReportMetric(sent(p, ".js"), "kB-js")
		b.ReportMetric(sent(p, ".css"), "kB-css")
	}
}

// BenchmarkQuizOnAColdPhone opens a player's link for the first time on a slow network,
// and measures in the page until the first question can be started.
func BenchmarkQuizOnAColdPhone(b *testing.B) {
	s := demo(b)
	for b.Loop() {
		p := enter(b, s)
		link := quizLink(p, "Noor, Curl")
		phone := device(b, s)
		phone.Viewport(390, 844)
		phone.Slow()
		phone.Before(`new MutationObserver(() => {
			if (!window.ready && document.body?.innerText.includes('Start'))
				window.ready = new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(() => r(performance.now()))));
		}).observe(document, {childList: true, subtree: true})`)
		phone.Open(link)
		phone.See("button", "Start")
		b.ReportMetric(browser.Eval[float64](phone, "window.ready"), "ready-ms")
	}
}

// wall opens the practice of a page on another server's display, which notes when it shows somebody else than before.
func wall(t testing.TB, p *browser.Page, s *server) *browser.Page {
	t.Helper()
	w := page(t, s)
	w.Open("/display")
	w.Fill("Code", codeFrom(p))
	w.Click("button", "Show the practice")
	w.See("timer", "Time left")
	browser.Eval[bool](w, `(() => {
		globalThis.turns = [];
		const jersey = () => [...document.querySelectorAll('.disc')].map((d) => d.innerText).join();
		let was = jersey();
		new MutationObserver(() => { const now = jersey(); if (now !== was) { was = now; globalThis.turns.push(Date.now()); } }).observe(document.body, { subtree: true, childList: true, characterData: true });
		return true;
	})()`)
	return w
}

// BenchmarkTwoServers logs through one of two servers on one database and reports how long it takes at most until the
// other's display shows who is next, which is promised within a second.
func BenchmarkTwoServers(b *testing.B) {
	one := demo(b)
	two := launch(b, "serve", "EVRIK_DATABASE_URL="+one.url(b))
	p := enter(b, one)
	floor(p)
	wall, slowest, turns := wall(b, p, two), 0.0, 0
	for b.Loop() {
		for range 10 {
			pressed := time.Now().UnixMilli()
			log(p, 1)
			wall.Until(fmt.Sprintf("turns.length > %d", turns))
			slowest = max(slowest, browser.Eval[float64](wall, fmt.Sprintf("turns[%d]", turns))-float64(pressed))
			turns++
		}
	}
	b.ReportMetric(slowest, "most-ms")
	if slowest > 1000 {
		b.Errorf("it takes %.0f ms from one server to the other's display", slowest)
	}
}

// BenchmarkTenBodies runs an offense against a defense and reports the share of frames
// that come later than 20 ms after the one before.
func BenchmarkTenBodies(b *testing.B) {
	p := enter(b, demo(b))
	p.Open("/" + teamOf(p) + "/teach/motion")
	p.See("heading", "Rules broken")
	for b.Loop() {
		p.Click("button", "Run it")
		late := browser.Eval[float64](p, `new Promise((r) => {
			let n = 0, late = 0, last = 0;
			const frame = (t) => {
				if (last && t - last > 20) late++;
				last = t;
				if (++n < 400) requestAnimationFrame(frame);
				else r(100 * late / n);
			};
			requestAnimationFrame(frame);
		})`)
		b.ReportMetric(late, "%-late-frames")
	}
}

// The scripted practice (all assumptions): how often a read is right, how often its
// end or a correction is noted, and how long a helper takes for one tap.
const (
	scriptRight   = 0.75
	scriptOutcome = 0.15
	scriptTag     = 0.30 // of the wrong ones
	tapSeconds    = 2.0  // to see what happened and to tap, one rep after the other
	scriptReps    = 150
)

// BenchmarkScriptedPractice logs a seeded practice as a helper does, shown reps and
// live ones, and counts the taps; then, with five hundred reps in the list, measures
// in the page from a tap to the frame after the one that painted it.
func BenchmarkScriptedPractice(b *testing.B) {
	p := enter(b, demo(b))
	floor(p)
	for b.Loop() {
		taps(b, p)
		paint(b, p)
	}
}

// taps logs the script and reports how many taps that takes.
func taps(b *testing.B, p *browser.Page) {
	rng := rand.New(rand.NewPCG(5, 0))
	var each []float64
	tap := func(n *float64, names ...string) {
		for _, name := range names {
			p.Click("button", name)
			*n++
		}
	}
	// What is on the buttons: the right read first, then the others.
	others := func() []string {
		return browser.Eval[[]string](p,
			"[...document.querySelectorAll('.answer:not(.main)')].map((e) => e.innerText.split('\\n')[0].trim())")
	}
	leading := func() []string {
		return browser.Eval[[]string](p,
			"[...document.querySelectorAll('.answer.main')].map((e) => e.innerText.split('\\n').filter((t) => "+
				"!/^(Read it|As named|[0-9])$/.test(t.trim()))[0].trim())")
	}
	began := time.Now()
	for n := range scriptReps {
		if n == scriptReps/2 { // on to the live block
			for !p.Has("button", "Wrong read") {
				p.Click("button", "Next block")
				p.Settle()
			}
		}
		count := 0.0
		right := rng.Float64() < scriptRight
		reads := leading()
		switch {
		case right:
			tap(&count, reads[rng.IntN(len(reads))])
		case p.Has("button", "Wrong read"):
			tap(&count, "Wrong read")
			made := browser.Eval[[]string](p,
				"[...document.querySelectorAll('.wrongs .answer')].map((e) => e.ariaLabel)")
			tap(&count, made[rng.IntN(len(made))])
		default:
			made := others()
			tap(&count, made[rng.IntN(len(made))])
		}
		if rng.Float64() < scriptOutcome {
			tap(&count, "Missed")
		}
		if !right && rng.Float64() < scriptTag {
			tap(&count, "Timing")
			tap(&count, "Waited too long")
		}
		each = append(each, count)
	}
	driven := time.Since(began)
	sum := 0.0
	for _, n := range each {
		sum += n
	}
	slices.Sort(each)
	b.ReportMetric(each[len(each)/2], "median-taps/rep")
	b.ReportMetric(sum/scriptReps, "mean-taps/rep")
	b.ReportMetric(60/(sum/scriptReps*tapSeconds), "reps/min-by-hand")
	b.ReportMetric(scriptReps/driven.Minutes(), "reps/min-driven")
}

// paint logs until five hundred reps stand, and reports how long a tap takes.
func paint(b *testing.B, p *browser.Page) {
	log(p, 500-scriptReps)
	p.Text("500 logged")
	p.Text("All sent")
	times := browser.Eval[[]float64](p, `(async () => {
		const painted = () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(() => r(performance.now()))));
		const out = [];
		for (let i = 0; i < 200; i++) {
			await new Promise((r) => setTimeout(r, 50));
			const button = document.querySelector('.answer');
			const t = performance.now();
			button.click();
			out.push(await painted() - t);
		}
		return out;
	})()`)
	slices.Sort(times)
	b.ReportMetric(times[len(times)/2], "p50-ms")
	b.ReportMetric(times[len(times)*95/100], "p95-ms")
}
