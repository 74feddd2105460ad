package e2e

import (
	"slices"
	"testing"

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

// BenchmarkFirstLoad reports the JavaScript a browser fetches, as sent over the
// wire, until the first view stands.
func BenchmarkFirstLoad(b *testing.B) {
	s := demo(b)
	for b.Loop() {
		p := enter(b, s)
		kilobytes := browser.Eval[float64](p, `performance.getEntriesByType('resource')
			.filter((e) => e.name.endsWith('.js')).reduce((sum, e) => sum + e.encodedBodySize, 0) / 1000`)
		b.ReportMetric(kilobytes, "kB-js")
	}
}
