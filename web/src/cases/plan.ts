import { Draft, firstPlan } from '$lib/plan/draft.svelte';
import { perMinute, SheetDrag } from '$lib/plan/sheetdrag.svelte';
import { holds } from '$lib/state/asked';
import { session } from '$lib/state/session.svelte';
import type { Schemas } from '$lib/api/client';
import { answering, same, until, type Cases } from './tell';

const sheet = (warnings: string[] = []) => ({ blocks: [], warnings, rules: [] });
const practice = {
  id: 'p',
  startsAt: '2026-12-02T00:00:00.000Z',
  minutes: 90,
  note: '',
  present: ['a', 'b'],
  limited: [],
  terms: { baskets: 2, helpers: 2, balls: 8, focus: [], expect: [], banned: [] },
  blocks: ['one', 'two', 'three'].map((id) => ({
    id,
    kind: 'own',
    title: id,
    minutes: 10,
    basket: 0,
    players: []
  })),
  sheet: sheet(),
  version: 1
};

async function opened() {
  answering((a) => ({ status: 200, body: a.method === 'GET' ? practice : sheet() }));
  const draft = new Draft('t', 'p');
  await draft.load();
  return draft;
}
const titles = (d: Draft) => d.input.blocks.map((b) => b.title).join(' ');

export const plan: Cases = {
  'every change can be undone and done again': async () => {
    const d = await opened();
    same([d.changed, d.canUndo], [false, false]);
    d.move('one', 2);
    d.remove('two');
    same(titles(d), 'three one');
    d.undo();
    same(titles(d), 'two three one');
    d.undo();
    same([titles(d), d.changed, d.canUndo, d.canRedo], ['one two three', false, false, true]);
    d.redo();
    d.change({ minutes: 60 });
    same([d.canRedo, d.changed], [false, true], 'a new change ends what could be done again');
  },
  'a block that is taken out leaves the next one chosen': async () => {
    const d = await opened();
    d.chosen = 'two';
    d.remove('two');
    same(d.chosen, 'three');
    d.remove('three');
    same(d.chosen, 'one');
    d.remove('one');
    same([d.chosen, d.input.blocks.length], ['', 0]);
  },
  'the arithmetic of the newest plan is the one that is shown': async () => {
    const d = await opened();
    // By the minutes that are asked about: what an earlier case asks for may still be on its way.
    const waiting = new Map<number, () => void>();
    answering((a) => {
      const { minutes } = a.body as { minutes: number };
      return new Promise((then) =>
        waiting.set(minutes, () => then({ status: 200, body: sheet([`${minutes}`]) }))
      );
    });
    d.change({ minutes: 70 });
    d.change({ minutes: 80 });
    await until(() => waiting.has(70) && waiting.has(80), 'both are asked for');
    waiting.get(80)!();
    await until(() => JSON.stringify(d.sheet?.warnings) === '["80"]', 'the newest is shown');
    waiting.get(70)!();
    await new Promise((then) => setTimeout(then, 50));
    same(d.sheet?.warnings, ['80'], 'an older answer that comes late');
  },
  'a new practice is on the next free day, at six, and no longer than the age allows': () => {
    session.view = {
      state: 'in',
      teams: [{ id: 't', name: 'U10', zone: 'America/Chicago', longest: 60 }]
    } as unknown as typeof session.view;
    const first = firstPlan('t', ['a'], []);
    const taken = [{ startsAt: first.startsAt }] as Schemas['PracticeSummary'][];
    const second = firstPlan('t', ['a'], taken);
    same([first.minutes, first.present], [60, ['a']]);
    same(Math.round((Date.parse(second.startsAt) - Date.parse(first.startsAt)) / 3600_000 / 24), 1);
    same(firstPlan('t', [], [], '2026-12-24').startsAt, '2026-12-25T00:00:00.000Z');
  },

  'a search finds what has every word that was typed, in any order'() {
    same(holds('Tue, December 1 Slot twos', 'twos dec'), true);
    same(holds('Tue, December 1 Slot twos', 'threes dec'), false);
    same(holds('anything', '  '), true);
  },

  'a block is moved or made longer by hand, and a small slip is no drag': async () => {
    const d = await opened();
    const drag = new SheetDrag(d, () => 0);
    const hand = (y: number) => ({
      button: 0,
      clientY: y,
      currentTarget: { setPointerCapture() {} },
      stopPropagation() {}
    });
    const by = (id: string, how: 'move' | 'size', from: number, to: number) => {
      drag.press(hand(from * perMinute) as unknown as PointerEvent, id, how);
      drag.pull(hand(to * perMinute) as unknown as PointerEvent);
      drag.drop();
    };
    const lifted = (to: number) => {
      drag.press(hand(perMinute) as unknown as PointerEvent, 'one', 'move');
      drag.pull(hand(to * perMinute) as unknown as PointerEvent);
      const held = drag.lifts('one');
      drag.cancel();
      return held;
    };
    same([lifted(1.5), lifted(2)], [false, true]);
    same(titles(d), 'one two three');
    by('one', 'move', 5, 17);
    same(titles(d), 'two one three');
    by('three', 'size', 30, 34);
    same(
      d.input.blocks.map((b) => b.minutes),
      [10, 10, 14]
    );
    by('three', 'size', 34, 134);
    same(d.input.blocks[2]!.minutes, 60);
    same([drag.total, drag.target, d.chosen], [90, -1, 'three']);
  }
};
