<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import type { Draft } from './draft.svelte';

  // What is open about the players here, read by read, and how much of it the
  // plan covers; below it what should be known about the plan.
  let { draft }: { draft: Draft } = $props();

  type Cover = Schemas['Cover'];
  const first = 14; // reads shown before "all of them"
  let all = $state(false);

  const key = (c: Cover) => `${c.role} ${c.read} ${c.live}`;
  const reads = $derived(draft.sheet?.reads ?? []);
  const most = $derived(Math.max(1, ...reads.map((c) => c.demand)));
  const why = $derived(new Map((draft.fits ? draft.filled?.open : [])?.map((o) => [key(o.cover), o.why])));
  // What is said of most is said once, above the list.
  const usual = $derived.by(() => {
    const times = new Map<string, number>();
    for (const w of why.values()) times.set(w, (times.get(w) ?? 0) + 1);
    return [...times].sort((a, b) => b[1] - a[1])[0]?.[0];
  });
  const warnings = $derived(draft.sheet?.warnings.filter((w) => w.block) ?? []);
  const title = (id: string) => draft.input.blocks.find((b) => b.id === id)?.title;
</script>

<section aria-label="What it covers" class="covers">
  {#if warnings.length}
    <div>
      <h2>To know</h2>
      <ul class="quiet-list">
        {#each warnings as w (w.block + w.text)}
          <li class="warn">
            <button class="link" onclick={() => (draft.chosen = w.block)}>{title(w.block)}</button>:
            {w.text} <span class="soft">{w.source}.</span>
          </li>
        {/each}
      </ul>
    </div>
  {/if}
  <div>
    <h2>
      Reads the players need <span class="soft">filled: covered tonight; whole bar: reps still needed</span>
    </h2>
    {#if usual}<p class="soft">
        Where no other reason stands: {usual.charAt(0).toLowerCase() + usual.slice(1)}
      </p>{/if}
    {#if reads.length === 0}
      <p class="soft">Nothing is open about the players here, or nobody is here.</p>
    {/if}
    <ul class="quiet-list">
      {#each all ? reads : reads.slice(0, first) as c (key(c))}
        <li class="read">
          <ReadGlyph read={c.read} size={26} />
          <span class="name">
            {session.readName(c.read)}
            <span class="soft">{c.role}, {c.live ? 'live' : 'shown'}, {c.players} players</span>
          </span>
          <span
            class="bar"
            role="img"
            aria-label={`${Math.round(c.covered)} of ${Math.round(c.demand)} reps covered`}
            ><span class="need" style:width={`${(c.demand / most) * 100}%`}
              ><span class="got" style:width={`${(c.covered / c.demand) * 100}%`}></span></span
            ></span
          >
          <span class="numeral">{Math.round(c.covered)}/{Math.round(c.demand)}</span>
          {#if why.has(key(c)) && why.get(key(c)) !== usual}<span class="soft why">{why.get(key(c))}</span
            >{/if}
        </li>
      {/each}
    </ul>
    {#if reads.length > first}
      <button class="tape plain" onclick={() => (all = !all)}
        >{all ? 'Fewer' : `All ${reads.length} of them`}</button
      >
    {/if}
  </div>
</section>

<style>
  .covers {
    display: grid;
    gap: 1rem;
  }
  h2 .soft {
    font-weight: 400;
    font-size: 0.85rem;
  }
  .link {
    font: inherit;
    font-weight: 700;
    text-decoration: underline;
    color: inherit;
    background: none;
    border: 0;
    padding: 0;
    cursor: pointer;
  }
  .read {
    display: grid;
    grid-template-columns: 26px minmax(9rem, 1fr) minmax(5rem, 0.8fr) 4rem;
    gap: 0 0.6rem;
    align-items: center;
    padding: 0.2rem 0;
  }
  .read > .numeral {
    text-align: right;
  }
  .name {
    line-height: 1.15;
  }
  .name .soft,
  .why {
    display: block;
    font-size: 0.82rem;
    line-height: 1.2;
  }
  .why {
    grid-column: 2 / -1;
  }
  .bar {
    height: 14px;
  }
  .need,
  .got {
    display: block;
    height: 100%;
  }
  .need {
    background: var(--seam);
  }
  .got {
    background: var(--tape-blue);
  }
</style>
