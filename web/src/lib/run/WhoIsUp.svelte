<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { dutiesOf } from '$lib/parts/duties';
  import type { Floor } from './floor.svelte';

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
  const twoEnds = $derived((current?.order?.baskets ?? 1) > 1);
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

<section aria-label="Who is up">
  {#if duties.length}
    <p class="flex flex-wrap gap-x-4">
      {#each duties as d (d.who)}
        {#if d.who === me}<b class="order-first">Your job: {d.does}</b>
        {:else}<span class="soft max-lg:hidden">{d.who} {d.does}</span>{/if}
      {/each}
    </p>
  {/if}
  <div class="line">
    <button class="tape plain" aria-label="Rep before" onclick={() => floor.rota.skip(-1)}>‹</button>
    {#if rep}
      <p>
        {#if floor.rota.apart}<b>Out of order:</b> rep{:else}Rep{/if}
        <b class="numeral">{rep.no}</b> of <span class="numeral">{total}</span>, <b>{rep.side}</b>
        {#if twoEnds}side, basket <b class="numeral">{rep.basket}</b>{:else}side{/if}
      </p>
    {:else}
      <p>No rep of {total} can be run</p>
    {/if}
    <button class="tape plain" aria-label="Rep after" onclick={() => floor.rota.skip(1)}>›</button>
  </div>
  {#if rep}
    {@const c = who(rep.cutter)}
    {@const s = who(rep.screener)}
    <div class="pair">
      <button class:judged={floor.up?.id === rep.cutter} onclick={onpick} title="Somebody else">
        <span class="soft">{places[0]?.name ?? 'Cuts'}</span>
        <span class="numeral jersey">{c?.jersey}</span>
        <span class="name">{c?.name}</span>
      </button>
      {#if s}
        <button class:judged={floor.up?.id === rep.screener} onclick={onpick} title="Somebody else">
          <span class="soft">{places[1]?.name ?? 'Screens'}</span>
          <span class="numeral jersey">{s.jersey}</span>
          <span class="name">{s.name}</span>
        </button>
      {/if}
    </div>
    {#if rep.others?.length}
      <p class="defense">
        {#each rep.others as o (o.position)}
          <span class="place" class:judged={floor.up?.id === o.player}
            ><span class="soft">{places.find((p) => p.id === o.position)?.name ?? o.position}</span>
            <b class="numeral">{who(o.player)?.jersey}</b>
            {who(o.player)?.name}</span
          >
        {/each}
      </p>
    {/if}
    {#if rep.xCutter}
      <p class="defense">
        <span class="soft">Defend</span>
        {#if rep.xOthers?.length}
          {#each [rep.xCutter, rep.xScreener, ...rep.xOthers.map((o) => o.player)] as id (id)}
            <span class="place" class:judged={floor.up?.id === id}
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
        <p class="cue covered">Cue covered</p>
      {:else}
        <p class="cue">
          {#if rep.answer}<ReadGlyph read={rep.answer} size={150} />{:else}<CueGlyph
              cue={rep.cue}
              size={150}
            />{/if}<span
            ><span class="soft">{shows}{rep.answer ? `, ${session.cueName(rep.cue).toLowerCase()}` : ''}</span
            >
            {rep.answer ? session.readName(rep.answer) : session.cueName(rep.cue)}</span
          >
        </p>
      {/if}
    {/if}
  {/if}
  <div class="foot">
    {#if coming.length > 0}
      <p class="soft coming">
        Then
        {#each coming as r (r.no)}
          <span>
            <b class="numeral">{who(r.cutter)?.jersey}</b>
            {#if who(r.screener)}and <b class="numeral">{who(r.screener)?.jersey}</b>{/if}
          </span>
        {/each}
      </p>
    {/if}
    <button class="tape plain" onclick={onlogging}
      >Logging {floor.told.length
        ? 'nothing'
        : floor.scoring
          ? 'possessions'
          : floor.shooting
            ? 'shots'
            : judged}{#if twoEnds}, {floor.rota.end === 0
          ? 'both baskets'
          : `basket ${floor.rota.end}`}{/if}</button
    >
  </div>
</section>

<style>
  .place {
    white-space: nowrap;
    margin-right: 0.8rem;
  }
  section {
    display: flex;
    flex-direction: column;
    gap: 0.8rem;
    min-width: 0;
  }
  .line {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 0.5rem;
  }
  .line .tape {
    min-width: 64px;
    font-size: 1.6rem;
  }
  .pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
  }
  .pair > button {
    display: grid;
    grid-template-columns: auto 1fr;
    align-items: baseline;
    gap: 0 0.7rem;
    padding: 0.6rem 0.9rem;
    background: var(--sheet);
    border-left: 8px solid var(--seam);
    min-width: 0;
    color: inherit;
    text-align: left;
    cursor: pointer;
  }
  .place.judged {
    box-shadow: 0 3px 0 var(--mark);
  }
  .pair > button.judged {
    border-left-color: var(--mark);
  }
  .pair .soft {
    grid-column: 1 / -1;
  }
  .jersey {
    font-size: clamp(3rem, 6vw, 5rem);
    line-height: 0.95;
  }
  .name {
    font-size: clamp(1.4rem, 2.4vw, 2rem);
    font-weight: 700;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .cue {
    display: flex;
    align-items: center;
    gap: 0.9rem;
    font-size: clamp(2.2rem, 5.5vw, 4.4rem);
    font-weight: 700;
    line-height: 1;
    flex: 1;
  }
  .covered {
    color: var(--ink-soft);
    font-size: 1.6rem;
  }
  .cue :global(svg) {
    width: clamp(60px, 16vh, 190px);
    height: auto;
  }
  .cue .soft {
    display: block;
    font-size: 1.1rem;
    font-weight: 400;
  }
  .defense {
    font-size: 1.15rem;
  }
  .foot {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 0.5rem 1.25rem;
    margin-top: auto;
  }
  .coming span {
    margin-left: 0.7rem;
    color: var(--ink);
    white-space: nowrap;
  }
  .foot .tape {
    font-weight: 400;
    padding: 0 0.9rem;
  }
  @media (max-width: 700px) {
    section {
      gap: 0.4rem;
    }
    .line .tape {
      min-width: 56px;
    }
    .pair {
      gap: 0.5rem;
    }
    .pair > button {
      padding: 0.2rem 0.6rem;
    }
    .jersey {
      font-size: 2.6rem;
    }
    .name {
      font-size: 1.25rem;
    }
    .defense {
      font-size: 1rem;
      line-height: 1.2;
    }
    .cue {
      font-size: 1.8rem;
      height: 54px;
      flex: none;
    }
    .cue :global(svg) {
      width: 64px;
    }
    .cue .soft {
      display: inline;
    }
    .foot {
      display: none;
    }
  }
</style>
