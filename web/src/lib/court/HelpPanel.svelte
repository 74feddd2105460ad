<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // The help behind a ball screen: who does which job, who is left, for how long.
  let { help, people }: { help: NonNullable<Schemas['Judgment']['help']>; people: Schemas['Participant'][] } =
    $props();

  const word = (id: string) => people.find((p) => p.id === id)?.name ?? id;
  const letter = (id: string) => people.find((p) => p.id === id)?.letter ?? '';
  const jobs: Record<string, string> = { 'low tag': 'Low tag', 'high tag': 'High tag', plug: 'Plug' };
  const widest = 1.2; // seconds at which a window's bar is full
  const share = (seconds: number) => `${Math.max(0, Math.min(1, seconds / widest)) * 100}%`;
  const stepped = (h: Schemas['Help']['helpers'][number]) =>
    h.stepped === 'roller'
      ? 'on the roller'
      : h.stepped === 'ball'
        ? 'on the ball'
        : h.screened
          ? 'screened off'
          : 'with their own player';
</script>

<section aria-label="Help">
  <h2>Help: {help.paired ? 'paired side' : 'cleared side'}, {help.left} left behind the play</h2>
  <p class="say">“{help.say}”</p>
  <ul class="quiet-list jobs">
    {#each help.helpers as h (h.who)}
      <li class:busy={h.stepped !== ''}>
        <span class="mark" aria-hidden="true">{letter(h.who)}</span>
        <b>{jobs[h.job]}</b>
        <span class="soft">{stepped(h)}</span>
      </li>
    {/each}
  </ul>
  <ol class="quiet-list looks" aria-label="Passes, the first look first">
    {#each help.looks as l, i (l.to + l.kind)}
      <li class:first={i === 0} class:none={!l.open}>
        <span>{word(l.to)}{l.kind === 'spot' ? '' : `, ${l.kind}`}</span>
        <span class="numeral">{l.feet.toFixed(1)} ft</span>
        <span class="rail"><span class="bar" style:width={share(l.window)}></span></span>
        <span class="soft"
          >{l.open ? `${l.window.toFixed(1)} s` : 'covered'}{l.then === 'none'
            ? ''
            : `, then ${word(l.then).toLowerCase()}`}</span
        >
      </li>
    {/each}
  </ol>
</section>

<style>
  h2 {
    font-size: 1rem;
  }
  .say {
    font-size: 1.1rem;
    margin-bottom: 0.4rem;
  }
  .jobs {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1rem;
    font-size: 0.95rem;
    margin-bottom: 0.4rem;
  }
  .jobs li {
    display: flex;
    gap: 0.4rem;
    align-items: baseline;
  }
  .mark {
    border: 2px solid var(--ink);
    min-width: 1.4rem;
    text-align: center;
    font-family: var(--font-numeral);
    font-weight: 600;
    line-height: 1.2;
  }
  .busy .mark {
    background: var(--mark);
    color: #10202a;
  }
  .looks li {
    display: grid;
    grid-template-columns: 8.6rem 3.6rem 1fr 6.4rem;
    gap: 0.5rem;
    align-items: center;
    font-size: 0.95rem;
  }
  .first {
    font-weight: 700;
  }
  .none {
    color: var(--ink-soft);
  }
  .rail {
    height: 12px;
    background: var(--seam);
  }
  .bar {
    display: block;
    height: 100%;
    background: var(--tape-teal);
  }
  .numeral {
    text-align: right;
  }
</style>
