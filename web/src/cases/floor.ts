import { along } from '$lib/court/geometry';
import { Player } from '$lib/court/player.svelte';
import { spoken } from '$lib/court/spoken';
import type { Painted } from '$lib/court/lab.svelte';
import { Tonight } from '$lib/drill/tonight.svelte';
import { Rota } from '$lib/run/rota.svelte';
import { Deck } from '$lib/teach/deck.svelte';
import type { Schemas } from '$lib/api/client';
import { answering, same, until, type Cases } from './tell';

const reps = [1, 2, 3].map((no) => ({ no, basket: 1 + (no % 2) })) as Schemas['OrderRep'][];
const logged = (no: number, role: string, by = 'here') =>
  ({ event: { block: 'b', repNo: no, role, device: by } }) as { event: Schemas['RepEvent'] };

function rota(log: { event: Schemas['RepEvent'] }[] = [], missing: number[] = []) {
  return new Rota({
    device: 'here',
    block: () => 'b',
    order: () => reps,
    log: () => log,
    missing: (r) => missing.includes(r.no),
    player: () => 'a',
    judged: () => true
  });
}

const drill = {
  id: 'd',
  stages: [
    { id: 'air', defenders: 0 },
    { id: 'live', defenders: 2 }
  ]
} as unknown as Schemas['Drill'];
const lesson = {
  action: { id: 'down' },
  rows: [{ cue: 'trail' }, { cue: 'under' }],
  examples: [{}, {}],
  deciders: ['xCutter', 'xScreener']
} as unknown as Schemas['Lesson'];
const play = {
  duration: 10,
  tracks: [],
  steps: [
    { t: 0, name: 'Start', say: '' },
    { t: 4, name: 'Read', say: '' }
  ]
} as Schemas['Play'];

export const floor: Cases = {
  'the next rep is the first that nobody has logged, and the list begins anew': () => {
    same(rota().rep?.no, 1);
    same(rota([logged(1, 'cutter'), logged(2, 'cutter')]).rep?.no, 3);
    same(rota([1, 2, 3].map((no) => logged(no, 'cutter'))).rep?.no, 4, 'past the end');
    same(rota([logged(1, 'cutter')], [2]).rep?.no, 3, 'whoever cannot take part is passed');
  },
  'where both are judged the screener follows the cutter': () => {
    const r = rota([logged(1, 'cutter')]);
    r.judge = 'both';
    same(r.rep?.no, 2, 'whoever comes later goes on after it');
    r.logged(1);
    same([r.rep?.no, r.role], [1, 'screener']);
  },
  'a basket logs its own reps, and whoever watches beside counts their own': () => {
    const r = rota([logged(1, 'cutter', 'there')]);
    r.basket = 2;
    same(r.rep?.no, 3);
    r.basket = 0;
    r.beside = true;
    same(r.rep?.no, 1);
  },
  'a drill opens at its first live stage; an answer that came too late is dropped': async () => {
    const t = new Tonight('t', drill, [{ id: 'a' }, { id: 'b' }] as Schemas['Player'][]);
    same([t.stageId, t.present.length], ['live', 2]);
    const waiting: (() => void)[] = [];
    answering((a) => {
      const { minutes } = a.body as { minutes: number };
      const body = { reps: Array(minutes).fill({}) };
      return new Promise((then) => waiting.push(() => then({ status: 200, body })));
    });
    const first = t.deal();
    t.minutes = 5;
    const second = t.deal();
    await until(() => waiting.length === 2, 'both are asked for');
    waiting[1]!();
    await second;
    waiting[0]!();
    await first;
    same([t.order?.reps.length, t.dealing, t.problem], [5, false, '']);
    answering(() => ({ status: 422, body: { code: 'drill.too-few-players', detail: 'It needs four.' } }));
    await t.deal();
    same([t.order, t.problem], [null, 'It needs four.']);
  },
  'a lesson goes cue by cue, the picture before its answer': () => {
    let turned = 0;
    const d = new Deck(lesson, 'under', () => turned++);
    same([d.at, d.answered, d.atStart, d.decider], [1, false, false, 'xScreener']);
    d.forward();
    d.forward();
    same([d.at, d.answered, d.atEnd, turned], [1, true, true, 0]);
    d.backward();
    d.backward();
    same([d.at, d.answered, turned], [0, true, 2]);
    same(new Deck(lesson, 'moon').at, 0);
  },
  'a play holds still at the decision and can be looked at anywhere': async () => {
    const p = new Player();
    p.show(play);
    p.seek(3.95);
    same([p.running, p.time, p.moment?.name], [false, 3.95, 'Start']);
    p.resume();
    await until(() => p.holding, 'it holds');
    same([p.time, p.moment?.name], [4, 'Read']);
    await until(() => p.time > 4.05, 'it goes on');
    same(p.holding, false);
    p.step();
    same(p.time, 0, 'from the last moment back to the first');
  },
  'a clip that ends at the decision ends at once, for the question of a quiz': async () => {
    const p = new Player();
    let held = false;
    const ended = new Promise<void>((then) => (p.ended = then));
    p.show({ ...play, duration: 4 });
    p.seek(3.95);
    p.resume();
    const watch = setInterval(() => (held ||= p.holding), 1);
    await ended;
    clearInterval(watch);
    same([p.time, p.running, held, p.holding], [4, false, false, false]);
  },
  'who starts from standing and stops eases, the ball in the air does not': () => {
    const run = [
      { t: 0, at: { x: 0, y: 0 } },
      { t: 2, at: { x: 10, y: 0 } }
    ];
    same([along(run, 0).x, along(run, 1).x, along(run, 2).x, along(run, 9).x], [0, 5, 10, 10]);
    same(along(run, 0.4).x < 2, true, 'slow at first');
    const pass = [
      { t: 0, at: { x: 0, y: 0 } },
      { t: 0.4, at: { x: 12, y: 0 } }
    ];
    same(Math.round(along(pass, 0.1).x * 1000), 3000);
    same(along([], 1), { x: 0, y: 0 });
  },

  'an answer is said once it has settled: cue, read and how clear'() {
    const names = { cueName: (id: string) => id.toUpperCase(), readName: (id: string) => `read ${id}` };
    const said = (exact: object | null, cue = 'trail', read = 'curl') =>
      spoken({ cue, margin: 1.25, row: { cutterRead: read }, exact } as Painted, names);
    same(said(null), '');
    same(said({ state: 'clear', next: 'under' }), 'TRAIL. read curl. 1.3 feet, clear of under.');
    same(said({ state: 'clear', next: 'none' }), 'TRAIL. read curl. 1.3 feet, until no cue is clear.');
    same(said({ state: 'close', next: 'under', note: 'close' }), 'TRAIL. read curl. 1.3 feet, close.');
    same(said({ state: 'open', note: 'Either may come.' }), "Can't tell yet. Either may come.");
    same(said({ state: 'none', note: 'Nobody moves.' }, 'none', ''), 'NONE. Nobody moves.');
  }
};
