import { v4 as newId } from 'uuid';
import type { Player, Row, Schemas } from '$lib/api/client';
import { forgetOthers, keep, kept } from '$lib/state/device';
import { shoots } from '$lib/drills/library';
import { session } from '$lib/state/session.svelte';
import { deviceName, Queue } from './queue.svelte';
import { Changes, type Presence } from './changes.svelte';
import { follow } from './stream';
import { Rota } from './rota.svelte';
import { goalWords, toward } from '$lib/parts/goals';
import { partnerIn, partsOf, playerIn } from './parts';
import { Tallies } from './tallies.svelte';
import { live, named, shots, shown, wrongs, type Answer } from './answers';
import { readsFor } from './right';
import { fetchRun } from './fetched';
import { RepLog, type Logged } from './replog.svelte';
import { Timeline, type BasketNo } from './timeline.svelte';

type Run = Schemas['Run'];
type OrderRep = Schemas['OrderRep'];
type RepEvent = Schemas['RepEvent'];
type Link = Schemas['RunLink'];

const basketKey = 'evrik.basket';

interface Place {
  clock: Schemas['Clock'];
  pointers: Record<string, number>;
}

/** A practice on the floor: the clock, who is up, what is logged. */
export class Floor {
  run = $state.raw<Run | null>(null);
  readonly line = new Timeline();
  readonly rota: Rota;
  readonly queue: Queue;
  readonly tallies: Tallies;
  readonly reps: RepLog;
  /** A wrong read is being entered where the cue is not known beforehand. */
  wrong = $state(false);
  /** The answer that a clicker's wheel points at. */
  pointed = $state(0);
  /** The rep stays up while the coach talks. */
  frozen = $state(false);
  private readonly changes: Changes;
  private unfollow = () => {};

  constructor(
    private team: string,
    private id: string
  ) {
    this.line.basket = localStorage.getItem(basketKey) === '2' ? 2 : 1;
    this.queue = new Queue(team, id, (clock) => (clock ? this.line.hear(clock, true) : this.reload()));
    this.reps = new RepLog(id, () => this.run?.blocks ?? []);
    this.changes = new Changes({
      line: this.line,
      run: () => this.run,
      after: () => this.rota.run,
      send: (change) => void this.queue.put([{ change }])
    });
    this.rota = new Rota({
      device: deviceName(),
      block: () => this.line.current?.block.id,
      order: () => this.changes.order,
      log: () => this.log,
      missing: (r) => this.changes.isMissing(r),
      player: (r, role) => this.playerOf(r, role),
      judged: (role) => this.parts.some(([id]) => id === role)
    });
    this.tallies = new Tallies({
      block: () => this.line.current?.block.id,
      rep: () => this.counted,
      now: () => this.line.time(),
      send: (events) => this.send(events)
    });
  }

  get path() {
    return { teamId: this.team, practiceId: this.id };
  }

  async load() {
    // What is logged, heard or sent while the server answers must not fall between.
    const known = this.reps.here;
    const before = await this.queue.pending();
    const place = this.run ? undefined : await kept<Place>(`place ${this.id}`);
    const { run, log } = await fetchRun(this.path, {
      here: this.run !== null,
      unsent: this.queue.waiting > 0
    });
    // From here on in one go: nobody may tap on half of it.
    if (place) this.rota.pointers = place.pointers;
    if (run && log) {
      this.take(run);
      this.tallies.take(run.counts);
      this.reps.all = log;
      this.line.resume(place?.clock ?? run.clock, this.queue.clockActions);
    } else if (run) {
      this.take(run);
      this.line.hear(run.clock);
      this.reps.merge(run.reps, known);
      this.tallies.take(run.counts);
      void keep(`run ${this.id}`, { ...run, reps: [] }, this.team);
      forgetOthers(this.id).catch(() => {});
    }
    for (const e of before) this.apply(e);
    if (run) for (const e of await this.queue.pending()) this.apply(e);
    this.changes.take(this.queue.changes);
    void this.queue.send();
  }

  private reload() {
    this.load().catch(() => {});
  }

  private take(run: Run) {
    this.run = run;
    this.line.lay(
      run.blocks,
      run.practice.sheet.blocks.map((t) => t.start),
      run.practice.minutes
    );
  }

  /** Keeps where the floor is on this device: the clock, and who is up. */
  keepPlace() {
    const clock = this.line.snapshot();
    if (!clock) return;
    const place: Place = { clock, pointers: this.rota.pointers };
    void keep(`place ${this.id}`, $state.snapshot(place));
  }

  players = $derived(new Map<string, Player>(this.run?.players.map((p) => [p.id, p]) ?? []));

  get presence() {
    return this.changes.presence;
  }

  stayAt(basket: BasketNo) {
    this.line.basket = basket;
    localStorage.setItem(basketKey, String(basket));
    this.fresh();
  }

  /** Forgets what was half entered: another block is up. */
  fresh() {
    this.wrong = false;
    this.watched = '';
    this.pointed = 0;
    this.frozen = false;
    this.rota.fresh();
  }

  get log() {
    return this.reps.all;
  }

  get last() {
    return this.reps.last;
  }

  get rep() {
    return this.rota.rep;
  }

  get role() {
    return this.rota.role;
  }

  up = $derived.by(() => {
    const rep = this.rota.rep;
    return rep && this.players.get(this.playerOf(rep, this.rota.role) ?? '');
  });

  /** The actions that can be judged in this block, and the one that is watched. */
  links = $derived<Link[]>(this.line.current?.links ?? []);
  private watched = $state('');
  link = $derived<Link | undefined>(this.links.find((l) => l.link.action === this.watched) ?? this.links[0]);

  watch(action: string) {
    this.watched = action;
    this.wrong = false;
  }

  private places = $derived(session.drill(this.line.current?.block.drill ?? '')?.positions ?? []);
  private defended = $derived(Boolean(this.line.current?.order?.reps.some((r) => r.xCutter)));
  /** Who can be judged in this block: role and name. */
  parts = $derived(partsOf(this.link, this.places, this.defended));
  private playerOf = (rep: OrderRep, role: string) => playerIn(rep, role, this.link, this.places);

  /** The block's drill teaches no read: what is logged is whether shots go in. */
  shooting = $derived(Boolean(this.line.current?.order && this.links.length === 0));
  /** What is said minute by minute where nothing is logged. */
  told = $derived.by<string[]>(() => {
    const drill = session.drill(this.line.current?.block.drill ?? '');
    return this.shooting && !this.scoring && drill && !shoots(drill)
      ? [...(this.line.current?.stage?.rules ?? []), ...drill.watch.map((w) => `Watch: ${w}`)]
      : [];
  });
  /** A live block that teaches no read: how possessions end is counted. */
  scoring = $derived(this.shooting && Boolean(this.line.current?.live));
  /** What is shot for, and how far whoever is up has come. */
  goal = $derived.by(() => {
    const goal = this.line.current?.stage?.goal;
    if (!goal || !this.up) return '';
    const shots = this.log.map((l) => l.event).filter((e) => e.block === this.line.current?.block.id);
    return `Goal: ${goalWords(goal)}. ${toward(goal, shots, this.up)}.`;
  });
  rows = $derived<Row[]>(this.link?.rows ?? []);
  /** The cue is shown to the drill's own action; what a rep goes on with is seen as it comes. */
  private own = $derived(this.link === this.links[0]);
  /** The cue is known beforehand when a coach shows or names it. */
  known = $derived(Boolean(this.own && this.rep && this.rep.cue !== 'none'));
  /** What can be tapped now. */
  answers = $derived.by<Answer[]>(() => {
    const rep = this.rep;
    const current = this.line.current;
    if (!rep || !current) return [];
    if (this.shooting) return this.scoring || this.told.length > 0 ? [] : shots;
    const row = this.rows.find((r) => r.cue === rep.cue);
    if (!this.known || !row) return live(this.rows, this.role);
    return current.reads ? shown(this.rows, row, this.role) : named(row, this.role, rep.answer);
  });

  /** What can be done wrong on a cue. */
  wrongs = (row: Row) => wrongs(this.rows, row, this.role);

  /** The reads a role can make in this block. */
  readsOf = (role: string) => [...new Set(this.rows.flatMap((r) => readsFor(r, role)))];

  /** Logs an answer for whoever is up and goes on. */
  answer(a: Answer) {
    const rep = this.rep;
    const player = this.up;
    const block = this.line.current?.block.id;
    if (!rep || !player || !block || this.frozen) return;
    const event: RepEvent = {
      id: newId(),
      kind: 'rep',
      at: this.line.time(),
      device: deviceName(),
      block,
      repNo: rep.no,
      player: player.id,
      role: this.role,
      side: rep.side,
      cue: a.cue,
      made: a.read,
      ...(this.own || !this.link ? {} : { action: this.link.link.action })
    };
    this.send([event]);
    this.wrong = false;
    this.pointed = 0;
    this.rota.logged(rep.no);
  }

  /** The rep that a count is about: the one that was logged last, else the one that is up. */
  private counted = $derived.by(() => {
    const last = this.last?.event;
    if (!this.scoring && last?.block === this.line.current?.block.id && last?.repNo) return last.repNo;
    return this.rep?.no ?? 0;
  });

  /** Says how a possession ended where no read is taught, and goes on. */
  ended(what: string) {
    const rep = this.rep;
    if (!rep || this.frozen) return;
    this.tallies.add(what);
    this.rota.back(rep.no + 1);
  }

  /** Moves what a clicker points at. */
  turn(by: number) {
    const n = this.answers.length;
    if (n > 0) this.pointed = (this.pointed + by + n) % n;
  }

  /** Says a logged rep anew: the old event is voided and a new one says it whole,
   * because events never change. */
  amend(l: Logged, change: Partial<RepEvent>) {
    const again = { ...l.event, ...change, id: newId(), device: deviceName() };
    this.send([this.voiding(l.event), again]);
  }

  /** Puts a tag on a rep, or takes it off: whose it is goes with it. */
  tag(l: Logged, tag: Schemas['Tag']) {
    const text = this.tagText(l, tag);
    const tags = l.event.tags ?? [];
    this.amend(l, { tags: tags.includes(text) ? tags.filter((t) => t !== text) : [...tags, text] });
  }

  /** A tag as it is kept: with whose it is, where that is not the player of the rep. */
  tagText(l: Logged, tag: Schemas['Tag']) {
    const owner = this.ownerOf(l, tag.part);
    return !owner || owner === l.event.player ? tag.id : `${tag.id}:${owner}`;
  }

  /** Who a tag of some part belongs to in a logged rep; undefined where no player has the part. */
  ownerOf(l: Logged, part: Schemas['Tag']['part']) {
    if (part === 'own') return l.event.player;
    const rep = this.line.current?.order?.reps.find((r) => r.no === l.event.repNo);
    if (!rep || l.event.block !== this.line.current?.block.id) return undefined;
    return partnerIn(rep, part, (role) => this.playerOf(rep, role));
  }

  /** Takes a logged rep back. */
  takeBack(l: Logged) {
    this.send([this.voiding(l.event)]);
  }

  undo() {
    const last = this.last;
    if (!last) return;
    this.takeBack(last);
    if (last.event.block === this.line.current?.block.id && last.event.repNo)
      this.rota.back(last.event.repNo);
  }

  private voiding(e: RepEvent): RepEvent {
    return {
      id: newId(),
      kind: 'void',
      voids: e.id,
      at: this.line.time(),
      device: deviceName()
    };
  }

  private send(events: RepEvent[]) {
    events.forEach((e) => this.apply(e));
    void this.queue.put(events.map((event) => ({ event })));
  }

  /** Says that somebody comes, leaves, is limited or is hurt. */
  setPresence(player: string, state: Presence) {
    this.changes.add({ kind: 'presence', player, state });
  }

  /** Swaps the sides from the rep that is up on. */
  swap() {
    this.changes.add({ kind: 'swap' });
  }

  /** Follows what other devices, and other tabs of this one, do. */
  follow() {
    this.queue.watch((events) => events.forEach((e) => this.apply(e)));
    const { teamId, practiceId } = this.path;
    this.unfollow = follow(`/api/teams/${teamId}/practices/${practiceId}/live`, {
      again: () => this.reload(),
      clock: (data) => this.line.hear(JSON.parse(data)),
      reps: (data) => this.news(JSON.parse(data))
    });
  }

  private news(news: Schemas['FloorNews']) {
    this.tallies.hear(news.counts);
    this.reps.hear(news);
  }

  leave() {
    this.unfollow();
    this.queue.stop();
  }

  private apply(e: RepEvent) {
    if (e.kind === 'count') this.tallies.apply(e);
    else this.reps.apply(e);
  }

  /** Moves the clock here at once; the server is told when it can be reached, with
   * the moment at which it was done. */
  async act(action: Schemas['ClockAction']['action'], block?: string) {
    const at = this.line.time();
    const after = this.line.act({ action, at, ...(block ? { block } : {}) });
    if (after)
      await this.queue.put([{ clock: { action, at, ...(after.block ? { block: after.block } : {}) } }]);
  }

  goTo(by: number) {
    const b = this.line.blocks[this.line.at + by];
    if (b) void this.act('block', b.block.id);
    this.fresh();
  }

  private ranBefore = false;

  /** Stops the clock with the rep still up, or plays on as before. */
  freeze() {
    if (!this.frozen) this.ranBefore = Boolean(this.line.clock?.running);
    this.frozen = !this.frozen;
    if (this.ranBefore) void this.act(this.frozen ? 'stop' : 'start');
  }
}
