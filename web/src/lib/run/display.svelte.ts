import { api, ask, Refusal, type Schemas } from '$lib/api/client';
import { WallRound, type RoundState } from '$lib/quiz/wall.svelte';
import { follow } from './stream';
import { Timeline } from './timeline.svelte';

type Display = Schemas['DisplayView'];
type OrderRep = Schemas['OrderRep'];

const retry = 3000; // ms

/** What the gym's second screen knows: it reads, and never writes. */
export class GymDisplay {
  view = $state.raw<Display | null>(null);
  /** No code has been typed, or the last one has run out. */
  unpaired = $state('');
  problem = $state('');
  readonly round = new WallRound();
  readonly lines = [new Timeline(), new Timeline()] as const;
  private unfollow: (() => void) | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    this.lines[0].basket = 1;
    this.lines[1].basket = 2;
  }

  async load() {
    try {
      const view = await ask(api.GET('/api/display'));
      this.view = view;
      for (const line of this.lines) {
        line.lay(view.blocks, view.starts, view.minutes);
        line.hear(view.clock);
      }
      this.unpaired = this.problem = '';
      if (!this.unfollow) this.follow();
      // A round that has ended meanwhile is no reason to show nothing.
      await this.round.take(view.round ?? null).catch(() => this.round.take(null));
    } catch (e) {
      if (e instanceof Refusal && (e.status === 401 || e.status === 404)) {
        this.leave();
        this.view = null;
        this.unpaired = e.message;
      } else {
        this.problem = e instanceof Error ? e.message : String(e);
        this.again = setTimeout(() => this.load(), retry);
      }
    }
  }

  async pair(code: string) {
    await ask(api.POST('/api/display/pair', { body: { code } }));
    await this.load();
  }

  private follow() {
    this.unfollow = follow('/api/display/live', {
      again: () => this.load(),
      clock: (data) => {
        const clock: Schemas['Clock'] = JSON.parse(data);
        for (const line of this.lines) line.hear(clock);
      },
      round: (data) => {
        const round: RoundState | null = JSON.parse(data);
        this.round.take(round).catch(() => this.load());
      }
    });
  }

  leave() {
    clearTimeout(this.again);
    this.unfollow?.();
    this.unfollow = undefined;
  }

  tick() {
    const now = Date.now();
    for (const line of this.lines) line.now = now;
  }

  /** Both baskets are in use for different things now. */
  split = $derived((this.lines[0].current?.block.basket ?? 0) > 0);

  /** Who is up next at each basket of a basket's block, and who after that. */
  up(basket: 0 | 1): { basket: number; now: OrderRep; then: OrderRep | undefined }[] {
    const block = this.lines[basket].current;
    const reps = block?.order?.reps ?? [];
    if (!block || reps.length === 0) return [];
    const out = [];
    for (let basket = 1; basket <= (block.order?.baskets ?? 1); basket++) {
      const mine = reps.filter((r) => r.basket === basket);
      if (mine.length === 0) continue;
      const last =
        this.view?.progress.find((p) => p.block === block.block.id && p.basket === basket)?.rep ?? 0;
      // Past its end the list begins anew.
      const round = Math.floor(Math.max(0, last - 1) / reps.length);
      const at = mine.findIndex((r) => r.no + round * reps.length > last);
      const i = at < 0 ? 0 : at;
      out.push({ basket, now: mine[i]!, then: mine[(i + 1) % mine.length] });
    }
    return out;
  }

  who(id: string) {
    return this.view?.players.find((p) => p.id === id);
  }
}
