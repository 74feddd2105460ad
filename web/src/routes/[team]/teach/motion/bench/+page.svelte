<script lang="ts">
  import { page } from '$app/state';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import type { PageProps } from './$types';

  // What an offense does when something is taken away, on one sheet for the bench.
  let { data }: PageProps = $props();

  /** How many further answers a line holds. */
  const further = 2;
</script>

<svelte:head><title>{data.offense.name}: when they take it away · Evrik</title></svelte:head>

<div class="mb-4 flex flex-wrap items-center gap-3">
  <h1 class="mr-auto">{data.offense.name}: when they take it away</h1>
  <button class="tape no-print" onclick={() => print()}>Print</button>
  <a class="tape plain no-print" href={`/${page.params.team}/teach/motion`}>To the offense</a>
</div>
<div class="gap-x-8 md:columns-2 print:columns-2 print:text-sm">
  {#each data.tables as t (t.id)}
    <section class="mb-5 break-inside-avoid" aria-label={session.screenName(t.id)}>
      <h2 class="border-b-2 border-(--ink) text-lg">{session.screenName(t.id)}</h2>
      <table class="w-full [&_td]:py-1 [&_td]:align-top [&_th]:text-left">
        <thead class="visually-hidden"><tr><th>They</th><th>We</th></tr></thead>
        <tbody>
          {#each t.rows as r (r.cue)}
            <tr class="border-b border-(--seam)">
              <td class="w-36 pr-3 font-bold">
                <span class="flex items-center gap-2"
                  ><CueGlyph cue={r.cue} size={24} />{session.cueName(r.cue)}</span
                >
              </td>
              <td>
                <b>{session.readName(r.cutterRead)}</b
                >{#each r.cutter.slice(1, further + 1) as a (a.read + a.secondCue.id)}; {session
                    .readName(a.read)
                    .toLowerCase()}{a.secondCue.if ? ` if ${a.secondCue.if}` : ''}{/each}.
                <span class="soft">{session.readName(r.screenerRead)} beside it.</span>
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </section>
  {:else}
    <p class="soft">This offense goes on with cuts alone: read the principles instead.</p>
  {/each}
</div>
