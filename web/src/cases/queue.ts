import { Queue } from '$lib/run/queue.svelte';
import { device } from '$lib/state/device';
import type { Schemas } from '$lib/api/client';
import { answering, asked, same, until, type Cases } from './tell';

type RepEvent = Schemas['RepEvent'];
const rep = (id: string) => ({
  event: { id, kind: 'rep', at: '2026-12-01T00:00:00Z', device: 'tab' } as RepEvent
});
const sentOf = (a: { body: unknown }) => (a.body as { events?: RepEvent[] }).events?.map((e) => e.id) ?? [];

async function fresh(practice: string) {
  await device.waiting.clear();
  return new Queue('t', practice, () => {});
}

export const queue: Cases = {
  'without a network it is kept on the device, and sent in order when there is one': async () => {
    const q = await fresh('away');
    answering(() => undefined);
    await q.put([rep('1')]);
    await q.put([rep('2'), rep('3')]);
    same([q.waiting, q.kept, q.reachable], [3, 3, false]);
    same(await device.waiting.count(), 3, 'on the device');
    answering(() => ({ status: 204 }));
    await q.send();
    await until(() => q.waiting === 0, 'all is sent');
    same(asked.flatMap(sentOf), ['1', '2', '3']);
    same([await device.waiting.count(), q.reachable], [0, true]);
    q.stop();
  },
  'one bad rep does not hold the others back, and is kept with the reason': async () => {
    const q = await fresh('bad');
    answering((a) =>
      sentOf(a).includes('bad')
        ? { status: 422, body: { code: 'rep.block', detail: 'This block is gone.' } }
        : { status: 204 }
    );
    await q.put([rep('1'), rep('bad'), rep('2')]);
    await until(() => q.waiting === 1, 'the good ones are sent');
    same(q.refused, 'This block is gone.');
    same(
      (await device.waiting.toArray()).map((r) => [r.event?.id, r.refused]),
      [['bad', 'This block is gone.']]
    );
    q.stop();
  },
  'a server in trouble loses nothing': async () => {
    const q = await fresh('trouble');
    answering(() => ({ status: 503 }));
    await q.put([rep('1')]);
    same([q.waiting, q.refused, q.signedOut], [1, '', false]);
    answering(() => ({ status: 401 }));
    await q.send();
    same([q.waiting, q.signedOut], [1, true], 'signed out');
    q.stop();
  },
  'what another device deleted is offered to the coach, not refused rep by rep': async () => {
    const q = await fresh('gone');
    answering(() => ({
      status: 404,
      body: { code: 'practice.missing', detail: 'This practice is not there.' }
    }));
    await q.put([rep('1'), rep('2')]);
    same([q.gone, q.waiting, q.refused], ['This practice is not there.', 2, '']);
    await q.moveTo('other');
    same(
      (await device.waiting.toArray()).map((r) => r.practice),
      ['other', 'other']
    );
    q.stop();
  },
  'a clock that cannot follow is dropped, and the server\u2019s is asked for': async () => {
    await device.waiting.clear();
    let heard = 0;
    const q = new Queue('t', 'clock', () => heard++);
    answering(() => ({ status: 422, body: { code: 'practice.no-blocks', detail: 'No blocks.' } }));
    await q.put([{ clock: { action: 'start', at: '2026-12-01T00:00:00Z' } }]);
    same([q.clockActions.length, heard], [0, 1]);
    q.stop();
  }
};
