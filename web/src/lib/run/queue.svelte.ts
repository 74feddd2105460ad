import { api, ask, Refusal, type Schemas } from '$lib/api/client';
import { device, type Waiting } from '$lib/state/device';

type RepEvent = Schemas['RepEvent'];

const batch = 100;
const shortestPause = 1000; // ms between tries while there is no answer
const longestPause = 5000; // ms; a coach who sees the network back should soon see "All sent" (assumption)

/** Events are written to the device first and leave it only when the server
 * has answered that they are stored. Sending twice is harmless. */
export class Queue {
  waiting = $state(0);
  refused = $state('');
  reachable = $state(true);
  private sending = false;
  private pause = shortestPause;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private team: string,
    private practice: string
  ) {}

  /** The events of this practice that the server may not have yet. */
  async pending(): Promise<RepEvent[]> {
    const rows = await device.waiting.where({ practice: this.practice }).sortBy('n');
    this.waiting = rows.length;
    return rows.map((r) => r.event);
  }

  /** Keeps events on the device, then tries to send them. */
  async put(events: RepEvent[]) {
    await device.waiting.bulkAdd(events.map((event) => ({ practice: this.practice, event })));
    this.waiting += events.length;
    this.send();
  }

  async send() {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      for (;;) {
        const rows = (await device.waiting.where({ practice: this.practice }).sortBy('n')).filter(
          (r) => !r.refused
        );
        if (rows.length === 0) break;
        await this.sendSome(rows.slice(0, batch));
        this.reachable = true;
        this.pause = shortestPause;
      }
    } catch (e) {
      // No answer, or the server is in trouble: everything is still here.
      this.reachable = !(e instanceof Refusal && e.status === 0);
      this.timer = setTimeout(() => this.send(), this.pause);
      this.pause = Math.min(longestPause, this.pause * 2);
    } finally {
      this.sending = false;
      this.waiting = await device.waiting.where({ practice: this.practice }).count();
    }
  }

  private async sendSome(rows: Waiting[]) {
    try {
      await ask(
        api.POST('/api/teams/{teamId}/practices/{practiceId}/reps', {
          params: { path: { teamId: this.team, practiceId: this.practice } },
          body: { events: rows.map((r) => r.event) }
        })
      );
      await device.waiting.bulkDelete(rows.flatMap((r) => (r.n === undefined ? [] : [r.n])));
    } catch (e) {
      const final =
        e instanceof Refusal && e.status >= 400 && e.status < 500 && ![401, 403, 408, 429].includes(e.status);
      if (!final) throw e;
      // One bad event must not hold the others back: find it, keep it, say so.
      if (rows.length > 1) {
        for (const r of rows) await this.sendSome([r]);
        return;
      }
      this.refused = e.message;
      const n = rows[0]?.n;
      if (n !== undefined) await device.waiting.update(n, { refused: e.message });
    }
  }

  stop() {
    clearTimeout(this.timer);
  }
}

const deviceKey = 'evrik.device';

/** A random name for this device, so that two observers can be told apart. */
export function deviceName(): string {
  let name = localStorage.getItem(deviceKey);
  if (!name) {
    name = crypto.randomUUID().slice(0, 8);
    localStorage.setItem(deviceKey, name);
  }
  return name;
}
