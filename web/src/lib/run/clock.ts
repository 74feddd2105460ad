// The clock of a practice, as the core keeps it (core/practice/clock.go). It is here a second time
// because a device must go on without a network; core/practice/testdata/clock.json holds both to
// the same cases. Nothing is imported, so that a test can run it by itself.

export interface Clock {
  status: 'planned' | 'open' | 'done';
  /** The block that runs; none before the first start. */
  block?: string;
  /** How long it had run at `now`, in ms. */
  elapsedMs: number;
  running: boolean;
  /** When the clock was started for the first time. */
  began?: string;
  /** When it was last touched. */
  changed?: string;
  now: string;
}

export interface ClockAction {
  action: 'start' | 'stop' | 'block' | 'finish' | 'reopen';
  at?: string;
  block?: string;
}

/** How long the block has run at a moment, in ms. */
function ranBy(c: Clock, at: string): number {
  return c.elapsedMs + (c.running ? Math.max(0, Date.parse(at) - Date.parse(c.now)) : 0);
}

/** The clock after an action. What is older than the last action changes nothing, and neither does
 * what cannot be: a block that is not in the practice. */
export function applied(c: Clock, a: ClockAction, blocks: string[]): Clock {
  const at = a.at ?? c.now;
  if (c.changed && Date.parse(at) < Date.parse(c.changed)) return c;
  const ran = ranBy(c, at);
  const touched = { ...c, elapsedMs: ran, changed: at, now: at };
  if (a.action === 'stop') return { ...touched, running: false };
  if (a.action === 'finish') return { ...touched, running: false, status: 'done' };
  if (a.action === 'reopen') return { ...touched, status: 'open' };
  const current = c.block && blocks.includes(c.block) ? c.block : blocks[0];
  const block = a.block ?? current;
  if (!block || !blocks.includes(block)) return c;
  const running = a.action === 'start' || c.running;
  return {
    ...touched,
    status: 'open',
    block,
    elapsedMs: block === c.block ? ran : 0,
    running,
    ...(running && !c.began ? { began: at } : {})
  };
}
