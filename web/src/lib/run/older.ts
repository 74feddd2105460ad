import type { Row, Schemas } from '$lib/api/client';
import { session } from '$lib/state/session.svelte';

type Run = Schemas['Run'];
type Block = Run['blocks'][number];

/** A practice that was kept on this device before blocks had links, as it is now. */
export function brought(run: Run): Run {
  const blocks = run.blocks.map((b: Block & { rows?: Row[] }) => {
    if ((b.links as Block['links'] | undefined) !== undefined) return b;
    const drill = session.drill(b.block.drill);
    const [first, other] = drill?.positions.filter((p) => !p.helper) ?? [];
    if (!b.rows || !drill?.screen || !first) return { ...b, links: [] };
    const link = { action: drill.screen, who: first.id, with: other?.id ?? '' };
    return { ...b, links: [{ link, name: session.screenName(drill.screen), third: '', rows: b.rows }] };
  });
  return { ...run, blocks, counts: (run.counts as Run['counts'] | undefined) ?? [] };
}
