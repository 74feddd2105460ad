<script lang="ts">
  import { goto } from '$app/navigation';
  import { clockText } from '$lib/parts/verdicts';
  import Sure from '$lib/parts/Sure.svelte';
  import type { Floor } from './floor.svelte';
  import Button from '$lib/ui/Button.svelte';

  let {
    floor,
    team,
    onmore,
    onlate
  }: { floor: Floor; team: string; onmore: () => void; onlate: () => void } = $props();

  let finishing = $state(false);
  const advice = { up: 'Two thirds have it: go up a rung.', down: 'It breaks: go down a rung.', stay: '' };
  const line = $derived(floor.line);
  const over = $derived(line.left < 0);
  const adviceNow = $derived(line.current?.advice ? advice[line.current.advice] : '');

  async function finish() {
    await floor.act('finish');
    await goto(`/${team}/run/${floor.run?.practice.id}/review`);
  }
</script>

<header
  class="grid grid-cols-[minmax(0,_1fr)_auto_auto] gap-4 items-center py-3 px-4 bg-sheet border-b border-b-seam max-sm:grid-cols-[minmax(0,_1fr)_auto] max-sm:py-2 max-sm:px-3 max-sm:gap-y-1 max-sm:gap-x-2"
>
  <div class="what">
    <p class="soft flex items-center gap-4 text-sm max-sm:text-sm max-sm:gap-2">
      <a class="-my-3 inline-flex min-h-12 min-w-12 items-center underline" href={`/${team}/now`}>Leave</a>
      <span aria-live="polite">
        {#if floor.queue.waiting === 0}All sent
        {:else if floor.queue.reachable}{floor.queue.waiting} on the way
        {:else}No network: {floor.queue.kept} kept on this device{/if}
      </span>
    </p>
    <h1 class="text-2xl max-sm:text-lg max-sm:whitespace-nowrap max-sm:overflow-hidden max-sm:text-ellipsis">
      {line.current?.block.title}
    </h1>
    <p class="soft stage max-sm:hidden! flex items-center gap-4 text-sm max-sm:text-sm max-sm:gap-2">
      {line.current?.stage?.name ?? ''}
      {adviceNow}
    </p>
    {#if line.current && line.current.block.basket > 0}
      <div class="flex gap-2 my-1 mx-0" role="radiogroup" aria-label="Your basket">
        {#each [1, 2] as const as n (n)}
          <Button
            class="whitespace-nowrap"
            role="radio"
            aria-checked={line.basket === n}
            onclick={() => floor.stayAt(n)}>Basket {n}</Button
          >
        {/each}
      </div>
    {/if}
    <p class="soft next max-sm:hidden! flex items-center gap-4 text-sm max-sm:text-sm max-sm:gap-2">
      Next: {line.next?.block.title ?? 'the end'}
    </p>
  </div>
  <div class="times">
    <p
      class="clock numeral text-right text-[length:clamp(4.5rem,_10vw,_8rem)] leading-[0.85] text-mark [&.over]:text-alarm max-sm:text-3xl"
      class:over
      role="timer"
      aria-label="Time left in this block"
    >
      {over ? '+' : ''}{clockText(Math.abs(line.left))}
    </p>
    {#if line.practiceLeft !== undefined}
      <p class="soft text-right text-base whitespace-nowrap max-sm:text-sm">
        <span class="numeral">{line.practiceLeft < 0 ? '+' : ''}{clockText(Math.abs(line.practiceLeft))}</span
        >
        of practice,
        {#if line.behind > 0}
          <button class="min-h-12 text-alarm font-bold underline cursor-pointer" onclick={onlate}
            >{line.behind} min behind</button
          >
        {:else if line.behind < 0}{-line.behind} min ahead
        {:else}on time{/if}
      </p>
    {/if}
  </div>
  <div
    class="grid gap-2 grid-cols-[1fr_1fr_0.8fr] min-w-76 max-lg:min-w-60 max-lg:grid-cols-[1fr_1fr] max-sm:col-span-full max-sm:grid-cols-[1.3fr_1fr_1.2fr_0.9fr] max-sm:min-w-0"
  >
    <Button
      main
      class="col-span-full max-lg:col-auto py-0 px-2 whitespace-nowrap max-sm:py-0 max-sm:px-1 max-sm:text-sm"
      onclick={() => floor.act(line.clock?.running ? 'stop' : 'start')}
    >
      {line.clock?.running ? 'Stop clock' : 'Start clock'}
    </Button>
    <Button
      class="py-0 px-2 whitespace-nowrap max-sm:py-0 max-sm:px-1 max-sm:text-sm"
      aria-pressed={floor.frozen}
      onclick={() => floor.freeze()}
    >
      {floor.frozen ? 'Play on' : 'Freeze'}
    </Button>
    {#if line.next}
      <Button
        class="py-0 px-2 whitespace-nowrap max-sm:py-0 max-sm:px-1 max-sm:text-sm"
        onclick={() => floor.goTo(1)}>Next block</Button
      >
    {:else}
      <Button
        class="py-0 px-2 whitespace-nowrap max-sm:py-0 max-sm:px-1 max-sm:text-sm"
        onclick={() => (finishing = true)}>Finish</Button
      >
    {/if}
    <Button class="py-0 px-2 whitespace-nowrap max-sm:py-0 max-sm:px-1 max-sm:text-sm" onclick={onmore}
      >More</Button
    >
  </div>
</header>

<Sure
  bind:open={finishing}
  title="Finish this practice?"
  text="The clock stops. Everything that was logged is kept, and you see what it came to."
  act="Finish"
  onsure={finish}
/>
