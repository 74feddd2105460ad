<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { dutiesOf } from '$lib/parts/duties';
  import type { Floor } from './floor.svelte';
  import Button from '$lib/ui/Button.svelte';

  let {
    floor,
    hidden,
    onpick,
    onlogging
  }: { floor: Floor; hidden: boolean; onpick: () => void; onlogging: () => void } = $props();

  const rep = $derived(floor.rep);
  const who = (id: string) => floor.players.get(id);
  const current = $derived(floor.line.current);
  const total = $derived(current?.order?.reps.length ?? 0);
  const twoBaskets = $derived((current?.order?.baskets ?? 1) > 1);
  /** The drill's own names of its places. */
  const places = $derived(
    session.drill(current?.block.drill ?? '')?.positions.filter((p) => !p.helper) ?? []
  );
  // A player in the coach's place shows the cue, where one is dealt.
  const shower = $derived(current?.stage?.coachShows && rep?.xCutter ? who(rep.xCutter)?.name : undefined);
  const shows = $derived(shower ? `${shower} shows` : current?.stage?.coachShows ? 'Coach shows' : 'Named');
  const coming = $derived(floor.rota.upcoming(2));
  const me = $derived(session.view?.me?.name);
  const duties = $derived(dutiesOf(current?.block.staff));
  const judged = $derived(
    floor.rota.whose === 'both'
      ? 'both roles'
      : (floor.parts.find(([id]) => id === floor.rota.whose)?.[1] ?? '').toLowerCase()
  );
</script>

<section class="flex flex-col gap-3 min-w-0 max-sm:gap-2" aria-label="Who is up">
  {#if duties.length}
    <p class="flex flex-wrap gap-x-4">
      {#each duties as d (d.who)}
        {#if d.who === me}<b class="order-first">Your job: {d.does}</b>
        {:else}<span class="soft max-md:hidden">{d.who} {d.does}</span>{/if}
      {/each}
    </p>
  {/if}
  <div class="flex justify-between items-center gap-2">
    <Button
      class="min-w-16 text-xl max-sm:min-w-14"
      aria-label="Rep before"
      onclick={() => floor.rota.skip(-1)}>‹</Button
    >
    {#if rep}
      <p>
        {#if floor.rota.apart}<b>Out of order:</b> rep{:else}Rep{/if}
        <b class="numeral">{rep.no}</b> of <span class="numeral">{total}</span>, <b>{rep.side}</b>
        {#if twoBaskets}side, basket <b class="numeral">{rep.basket}</b>{:else}side{/if}
      </p>
    {:else}
      <p>No rep of {total} can be run</p>
    {/if}
    <Button class="min-w-16 text-xl max-sm:min-w-14" aria-label="Rep after" onclick={() => floor.rota.skip(1)}
      >›</Button
    >
  </div>
  {#if rep}
    {@const c = who(rep.cutter)}
    {@const s = who(rep.screener)}
    <div class="grid grid-cols-[1fr_1fr] gap-3 max-sm:gap-2">
      <button
        class="grid grid-cols-[auto_1fr] items-baseline gap-y-0 gap-x-3 py-2 px-4 bg-sheet border-l-8 border-l-seam min-w-0 text-inherit text-left cursor-pointer max-sm:py-1 max-sm:px-2 [&.judged]:border-l-mark"
        class:judged={floor.up?.id === rep.cutter}
        onclick={onpick}
        title="Somebody else"
      >
        <span class="soft col-span-full">{places[0]?.name ?? 'Cuts'}</span>
        <span class="numeral jersey text-[length:clamp(3rem,_6vw,_5rem)] leading-[0.95] max-sm:text-3xl"
          >{c?.jersey}</span
        >
        <span
          class="name text-[length:clamp(1.4rem,_2.4vw,_2rem)] font-bold overflow-hidden text-ellipsis max-sm:text-lg"
          >{c?.name}</span
        >
      </button>
      {#if s}
        <button
          class="grid grid-cols-[auto_1fr] items-baseline gap-y-0 gap-x-3 py-2 px-4 bg-sheet border-l-8 border-l-seam min-w-0 text-inherit text-left cursor-pointer max-sm:py-1 max-sm:px-2 [&.judged]:border-l-mark"
          class:judged={floor.up?.id === rep.screener}
          onclick={onpick}
          title="Somebody else"
        >
          <span class="soft col-span-full">{places[1]?.name ?? 'Screens'}</span>
          <span class="numeral jersey text-[length:clamp(3rem,_6vw,_5rem)] leading-[0.95] max-sm:text-3xl"
            >{s.jersey}</span
          >
          <span
            class="name text-[length:clamp(1.4rem,_2.4vw,_2rem)] font-bold overflow-hidden text-ellipsis max-sm:text-lg"
            >{s.name}</span
          >
        </button>
      {/if}
    </div>
    {#if rep.others?.length}
      <p class="defense text-base max-sm:text-sm max-sm:leading-[1.2]">
        {#each rep.others as o (o.position)}
          <span
            class="whitespace-nowrap mr-3 [&.judged]:[box-shadow:0_3px_0_var(--mark)]"
            class:judged={floor.up?.id === o.player}
            ><span class="soft">{places.find((p) => p.id === o.position)?.name ?? o.position}</span>
            <b class="numeral">{who(o.player)?.jersey}</b>
            {who(o.player)?.name}</span
          >
        {/each}
      </p>
    {/if}
    {#if rep.xCutter}
      <p class="defense text-base max-sm:text-sm max-sm:leading-[1.2]">
        <span class="soft">Defend</span>
        {#if rep.xOthers?.length}
          {#each [rep.xCutter, rep.xScreener, ...rep.xOthers.map((o) => o.player)] as id (id)}
            <span
              class="whitespace-nowrap mr-3 [&.judged]:[box-shadow:0_3px_0_var(--mark)]"
              class:judged={floor.up?.id === id}
              ><b class="numeral">{who(id)?.jersey}</b> {who(id)?.name}</span
            >
          {/each}
        {:else}
          <b class="numeral">{who(rep.xCutter)?.jersey}</b>
          {who(rep.xCutter)?.name} on the {(places[0]?.name ?? 'cutter').toLowerCase()}{#if rep.xScreener},
            <b class="numeral">{who(rep.xScreener)?.jersey}</b>
            {who(rep.xScreener)?.name} on the {(places[1]?.name ?? 'screener').toLowerCase()}{/if}
        {/if}
      </p>
    {/if}
    {#if floor.known && rep.cue !== 'none'}
      {#if hidden}
        <p
          class="cue flex items-center gap-4 font-bold leading-none flex-1 text-soft text-xl max-sm:text-2xl max-sm:h-[54px] max-sm:flex-none [&_svg]:w-[clamp(60px,_16vh,_190px)] [&_svg]:h-auto max-sm:[&_svg]:w-16"
        >
          Cue covered
        </p>
      {:else}
        <p
          class="cue flex items-center gap-4 text-[length:clamp(2.2rem,_5.5vw,_4.4rem)] font-bold leading-none flex-1 max-sm:text-2xl max-sm:h-[54px] max-sm:flex-none [&_svg]:w-[clamp(60px,_16vh,_190px)] [&_svg]:h-auto max-sm:[&_svg]:w-16"
        >
          {#if rep.answer}<ReadGlyph read={rep.answer} size={150} />{:else}<CueGlyph
              cue={rep.cue}
              size={150}
            />{/if}<span
            ><span class="soft block text-base font-normal max-sm:inline"
              >{shows}{rep.answer ? `, ${session.cueName(rep.cue).toLowerCase()}` : ''}</span
            >
            {rep.answer ? session.readName(rep.answer) : session.cueName(rep.cue)}</span
          >
        </p>
      {/if}
    {/if}
  {/if}
  <div class="foot flex flex-wrap items-center justify-between gap-y-2 gap-x-4 mt-auto max-sm:hidden">
    {#if coming.length > 0}
      <p class="soft">
        Then
        {#each coming as r (r.no)}
          <span class="ml-3 text-ink whitespace-nowrap">
            <b class="numeral">{who(r.cutter)?.jersey}</b>
            {#if who(r.screener)}and <b class="numeral">{who(r.screener)?.jersey}</b>{/if}
          </span>
        {/each}
      </p>
    {/if}
    <Button class="font-normal py-0 px-4" onclick={onlogging}
      >Logging {floor.told.length
        ? 'nothing'
        : floor.scoring
          ? 'possessions'
          : floor.shooting
            ? 'shots'
            : judged}{#if twoBaskets}, {floor.rota.basket === 0
          ? 'both baskets'
          : `basket ${floor.rota.basket}`}{/if}</Button
    >
  </div>
</section>
