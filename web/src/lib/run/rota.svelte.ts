import type { Schemas } from '$lib/api/client';

type OrderRep = Schemas['OrderRep'];
type RepEvent = Schemas['RepEvent'];

/** Whose answers are logged: the two whose reads are taught, a defender, or the role of a third. */
export type Role = string;
export type Judged = Role | 'both';

/** Who is up: a block's order list, how far it is logged, and where this device is
 * in it. The list begins anew where a block goes on past its end. */
export class Rota {
  judge = $state<Judged>('cutter');
  basket = $state(0); // basket that is logged here; 0 for all
  /** Two watch the same reps: what other devices logged does not move this one on. */
  beside = $state(false);
  /** The next rep to look at, by block; kept on the device. */
  pointers = $state.raw<Record<string, number>>({});
  /** A rep that was chosen by hand, and where to go on after it. */
  private chosen = $state.raw<{ no: number; role: Role; then: number } | null>(null);

  constructor(
    private from: {
      device: string;
      block: () => string | undefined;
      order: () => OrderRep[];
      log: () => { event: RepEvent }[];
      /** True where a player of the rep cannot take part. */
      missing: (r: OrderRep) => boolean;
      /** Who has a role in a rep. */
      player: (r: OrderRep, role: Role) => string | undefined;
      /** Whether a role can be judged in this block. */
      judged: (role: Judged) => boolean;
    }
  ) {}

  /** Whose answers are logged here: what was chosen, or the first where this block has no such part. */
  whose = $derived.by<Judged>(() => (this.from.judged(this.judge) ? this.judge : 'cutter'));

  /** The roles logged of each rep of this block. */
  private done = $derived.by(() => {
    const done = new Map<number, Set<string>>();
    const block = this.from.block();
    for (const { event } of this.from.log()) {
      if (event.block !== block || (this.beside && event.device !== this.from.device)) continue;
      const no = event.repNo ?? 0;
      done.set(no, (done.get(no) ?? new Set()).add(event.role ?? ''));
    }
    return done;
  });

  private isDone(no: number) {
    const roles = this.done.get(no);
    if (!roles) return false;
    return this.whose === 'both' ? roles.has('cutter') && roles.has('screener') : roles.has(this.whose);
  }

  /** A rep by its number, which goes on counting past the end of the list. */
  private at(no: number): OrderRep | undefined {
    const order = this.from.order();
    const rep = order[(no - 1) % order.length];
    return rep && { ...rep, no };
  }

  private here = (r: OrderRep) => this.basket === 0 || r.basket === this.basket;

  /** The first rep from a number on that is still to be logged here. */
  private open(no: number): OrderRep | undefined {
    const order = this.from.order();
    // Whatever is logged ahead is passed, and then one round of the list at most.
    for (let n = Math.max(1, no), left = order.length + this.done.size + 1; left > 0; n++, left--) {
      const rep = this.at(n);
      if (rep && this.here(rep) && !this.isDone(n) && !this.from.missing(rep)) return rep;
    }
    return undefined;
  }

  private pointer = $derived.by(() => {
    const kept = this.pointers[this.from.block() ?? ''];
    if (kept !== undefined) return kept;
    const roles = this.whose === 'both' ? ['cutter', 'screener'] : [this.whose];
    const logged = [...this.done].filter(([no, by]) => {
      const rep = this.at(no);
      return rep && this.here(rep) && roles.some((r) => by.has(r));
    });
    return 1 + Math.max(0, ...logged.map(([no]) => no));
  });

  rep = $derived.by(() => (this.chosen ? this.at(this.chosen.no) : this.open(this.pointer)));

  role = $derived.by<Role>(() => {
    if (this.chosen) return this.chosen.role;
    if (this.whose !== 'both') return this.whose;
    return this.rep && this.done.get(this.rep.no)?.has('cutter') ? 'screener' : 'cutter';
  });

  /** The reps after this one. */
  upcoming(count: number): OrderRep[] {
    const out: OrderRep[] = [];
    for (let rep = this.rep; rep && out.length < count;) {
      rep = this.open(rep.no + 1);
      if (rep) out.push(rep);
    }
    return out;
  }

  /** How many reps of the block have been run, for whoever deals the rest. */
  run = $derived(Math.max((this.rep?.no ?? 1) - 1, 0, ...this.done.keys()));

  private point(no: number) {
    const block = this.from.block();
    if (block) this.pointers = { ...this.pointers, [block]: no };
  }

  /** Goes on after the rep that was just logged. */
  logged(no: number) {
    this.point(this.chosen ? this.chosen.then : no);
    this.chosen = null;
  }

  /** Comes back to a rep that was taken back. */
  back(no: number) {
    this.chosen = null;
    this.point(no);
  }

  /** Goes to another rep without logging. */
  skip(by: number) {
    const order = this.from.order();
    let no = this.rep?.no ?? 1;
    do no += by;
    while (no > 1 && no <= 2 * order.length && !this.here(this.at(no) ?? order[0]!));
    const rep = this.at(Math.max(1, no));
    if (!rep || !this.here(rep)) return;
    if (this.isDone(rep.no)) {
      const role = this.whose === 'both' ? 'cutter' : this.whose;
      this.chosen = { no: rep.no, role, then: rep.no + 1 };
    } else this.back(rep.no);
  }

  /** Logs somebody out of order: the next rep a player has, and then on as before. */
  pick(player: string) {
    const order = this.from.order();
    const at = this.rep?.no ?? 1;
    const first = this.whose === 'both' ? 'cutter' : this.whose;
    const roles: Role[] = [first, ...['cutter', 'screener'].filter((r) => r !== first)];
    for (const role of roles)
      for (let no = at; no < at + order.length; no++) {
        const rep = this.at(no);
        if (
          rep &&
          this.from.player(rep, role) === player &&
          this.here(rep) &&
          !this.done.get(no)?.has(role)
        ) {
          this.chosen = { no, role, then: this.chosen?.then ?? at };
          return;
        }
      }
  }

  /** A rep was chosen out of order. */
  apart = $derived(this.chosen !== null);

  /** Forgets what was chosen by hand. */
  fresh() {
    this.chosen = null;
  }
}
