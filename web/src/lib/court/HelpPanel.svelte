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
  <h2 class="text-sm">
    Help: {help.paired ? 'paired side' : 'cleared side'}, {help.left} left behind the play
  </h2>
  <p class="say text-base mb-2">“{help.say}”</p>
  <ul class="quiet-list jobs flex flex-wrap gap-y-1 gap-x-4 text-sm mb-2">
    {#each help.helpers as h (h.who)}
      <li class="flex gap-2 items-baseline" class:busy={h.stepped !== ''}>
        <span
          class="border-2 border-ink min-w-[1.4rem] text-center font-numeral font-semibold leading-[1.2] [.busy_&]:bg-mark [.busy_&]:text-[color:#10202a]"
          aria-hidden="true">{letter(h.who)}</span
        >
        <b>{jobs[h.job]}</b>
        <span class="soft">{stepped(h)}</span>
      </li>
    {/each}
  </ul>
  <ol class="quiet-list" aria-label="Passes, the first look first">
    {#each help.looks as l, i (l.to + l.kind)}
      <li
        class="[&.first]:font-bold [&.none]:text-soft grid grid-cols-[8.6rem_3.6rem_1fr_6.4rem] gap-2 items-center text-sm"
        class:first={i === 0}
        class:none={!l.open}
      >
        <span>{word(l.to)}{l.kind === 'spot' ? '' : `, ${l.kind}`}</span>
        <span class="numeral text-right">{l.feet.toFixed(1)} ft</span>
        <span class="h-3 bg-seam"
          ><span class="bar block h-full bg-(--tape-teal)" style:width={share(l.window)}></span></span
        >
        <span class="soft"
          >{l.open ? `${l.window.toFixed(1)} s` : 'covered'}{l.then === 'none'
            ? ''
            : `, then ${word(l.then).toLowerCase()}`}</span
        >
      </li>
    {/each}
  </ol>
</section>
