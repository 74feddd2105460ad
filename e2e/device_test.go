package e2e

import (
	"fmt"
	"strings"
	"testing"

	"evrik/e2e/browser"
)

// before makes the device's own database as the fourth version of the app left it: a rep that was
// not sent, and its copy for the screen. The page it runs on must not have it open.
const before = `(async () => {
  await new Promise((done, failed) => { const r = indexedDB.deleteDatabase('evrik'); r.onsuccess = done; r.onerror = r.onblocked = failed; });
  const db = await new Promise((done, failed) => {
    const r = indexedDB.open('evrik', 40); // the library counts in tens
    r.onupgradeneeded = () => {
      const waiting = r.result.createObjectStore('waiting', { keyPath: 'n', autoIncrement: true });
      waiting.createIndex('practice', 'practice');
      r.result.createObjectStore('kept', { keyPath: 'key' });
      r.result.createObjectStore('shown', { keyPath: 'id' }).createIndex('practice', 'practice');
      r.result.createObjectStore('seen', { keyPath: 'id' }).createIndex('link', 'link');
    };
    r.onsuccess = () => done(r.result);
    r.onerror = failed;
  });
  const [team, practice, event] = [%q, %q, %s];
  const to = db.transaction(['waiting', 'shown', 'kept'], 'readwrite');
  to.objectStore('waiting').add({ team, practice, event });
  to.objectStore('shown').add({ id: event.id, practice, entry: { event, right: true, expected: 'curl' } });
  to.objectStore('kept').add({ key: 'run ' + practice, value: { old: true }, team });
  await new Promise((done, failed) => { to.oncomplete = done; to.onerror = failed; });
  db.close();
  return true;
})()`

// A tablet that was not opened since corrections became tags and screen became action has a rep that was never sent. It
// arrives whole, with what was to mend.
func TestWhatAnOlderAppLeftOnTheDevice(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	floor(p)
	parts := strings.Split(p.Path(), "/")
	team, practice := parts[1], parts[3]
	event := browser.Eval[string](p, fmt.Sprintf(`(async () => {
	  const run = await (await fetch('/api/teams/%s/practices/%s/run')).json();
	  const block = run.blocks.find((b) => b.order && b.reads);
	  const rep = block.order.reps[0];
	  return JSON.stringify({ id: '0b6f7f6a-5a55-4c39-8d6f-3f3f4f0f9a01', kind: 'rep', at: new Date().toISOString(), device: 'old-tab', block: block.block.id,
	    repNo: rep.no, player: rep.cutter, role: 'cutter', side: rep.side, cue: 'trail', made: 'curl', screen: block.links[0].link.action, corrections: ['upright'] });
	})()`, team, practice))
	p.Open("/healthz")
	browser.Eval[bool](p, fmt.Sprintf(before, team, practice, event))
	p.Open(strings.Join(parts, "/"))
	p.Text("1 logged")
	p.Text("All sent")
	if tags := ask[[]string](t, s, "SELECT tags"+standing+" AND id = '0b6f7f6a-5a55-4c39-8d6f-3f3f4f0f9a01'",
		practice); len(tags) != 1 || tags[0] != "upright" {
		t.Errorf("the rep arrived with the tags %v", tags)
	}
	if actions := ask[int](t, s, "SELECT count(*)"+standing+
		" AND id = '0b6f7f6a-5a55-4c39-8d6f-3f3f4f0f9a01' AND action <> ''", practice); actions != 1 {
		t.Error("the rep arrived without its action")
	}
	entry := browser.Eval[string](p, `(async () => {
	  const db = await new Promise((done) => { const r = indexedDB.open('evrik'); r.onsuccess = () => done(r.result); });
	  const get = (of) => new Promise((done) => { const r = db.transaction(of).objectStore(of).getAll(); r.onsuccess = () => done(r.result); });
	  const [shown, kept] = [await get('shown'), await get('kept')];
	  db.close();
	  const row = shown.find((r) => r.id === '0b6f7f6a-5a55-4c39-8d6f-3f3f4f0f9a01');
	  return row.entry.correct + ' ' + row.entry.event.tags + ' ' + ('action' in row.entry.event && !('screen' in row.entry.event)) + ' ' + kept.some((r) => r.value.old);
	})()`)
	if entry != "true upright true false" {
		t.Errorf("on the device it is %s", entry)
	}
}

// A second cue that was seen goes on the rep with one tap, and is stored.
func TestSecondCueIsOneTap(t *testing.T) {
	s := demo(t)
	p := enter(t, s)
	floor(p)
	practice := strings.Split(p.Path(), "/")[3]
	p.Click("button", "Start clock")
	for tries := 0; !p.Has("button", "Seen: "); tries++ {
		if tries == 20 {
			t.Fatal("no cue of this block has a second one")
		}
		log(p, 1)
		p.Text(fmt.Sprintf("%d logged", tries+1))
	}
	p.Click("button", "Seen: ")
	p.Until(
		"document.querySelector('[aria-label=\"More about this rep\"] " +
			"[aria-pressed=true]')?.innerText.startsWith('Seen: ')")
	p.Text("All sent")
	noted := func() int { return ask[int](t, s, "SELECT count(*)"+standing+" AND second_cue <> ''", practice) }
	if n := noted(); n != 1 {
		t.Errorf("%d reps have a second cue", n)
	}
	p.Click("button", "Seen: ")
	p.Until("!document.querySelector('[aria-label=\"More about this rep\"] [aria-pressed=true]')")
	p.Text("All sent")
	if n := noted(); n != 0 {
		t.Errorf("%d reps have a second cue after it was taken off", n)
	}
}
