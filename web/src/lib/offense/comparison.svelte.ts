import { Refusal, type Schemas } from '$lib/api/client';
import type { OffenseLab, Offense } from './lab.svelte';

type Progress = Schemas['OffenseProgress'];

/** Two offenses that are played against each other, with how far that is. */
export class Comparison {
  done = $state(0);
  busy = $state(false);
  problem = $state('');
  result = $state.raw<Schemas['OffenseCompared'] | null>(null);
  names = $state<[string, string]>(['', '']);
  private stop: AbortController | null = null;

  constructor(
    private team: string,
    private lab: OffenseLab
  ) {}

  cancel() {
    this.stop?.abort();
  }

  async play(other: Offense) {
    const stop = new AbortController();
    this.stop = stop;
    Object.assign(this, { busy: true, done: 0, problem: '', result: null });
    this.names = [this.lab.offense.name, other.name];
    try {
      const body: Schemas['OffensePair'] = {
        a: this.lab.offense,
        b: other,
        five: this.lab.five,
        against: this.lab.guarding
      };
      const answer = await fetch(`/api/teams/${this.team}/offense/compare`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
        signal: stop.signal
      });
      if (!answer.ok || !answer.body)
        throw new Refusal(answer.status, ((await answer.json()) as Schemas['Problem']).detail);
      await this.follow(answer.body);
      if (!this.result) throw new Refusal(0, 'The comparison broke off. Start it again.');
    } catch (e) {
      if (!stop.signal.aborted) this.problem = e instanceof Error ? e.message : String(e);
    } finally {
      this.busy = false;
    }
  }

  /** Reads message after message until the result. */
  private async follow(body: ReadableStream<Uint8Array>) {
    const reader = body.getReader();
    const text = new TextDecoder();
    let rest = '';
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      const messages = (rest + text.decode(value, { stream: true })).split('\n\n');
      rest = messages.pop() ?? '';
      for (const m of messages) {
        const p = JSON.parse(m.slice('data: '.length)) as Progress;
        this.done = p.done;
        if (p.result) this.result = p.result;
      }
    }
  }
}
