<script lang="ts">
  import { page } from '$app/state';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import Button from '$lib/ui/Button.svelte';
  import { fullDayOf } from '$lib/state/teamclock';

  let { data } = $props();
  // The card for the player: strengths first, then two things to work on, on one page.
  const team = page.params.team ?? '';
  const card = $derived(data.card);

  const today = fullDayOf(Date.now());
  const stage = (w: Schemas['Words']['next'][number]) =>
    session.drill(w.drill)?.stages.find((s) => s.id === w.stage)?.name ?? '';
</script>

<div class="page-head no-print">
  <Button href={`/${team}/squad/${card.player.id}`}>Back to the card</Button>
  <Button main onclick={() => print()}>Print</Button>
  <span class="soft">Only this player is on it. Give it to the player, not to the wall.</span>
</div>
<article class="sheet max-w-184 py-6 px-8 text-base print:border-0 print:p-0 print:max-w-none">
  <header class="flex gap-4 items-center border-b-3 border-b-ink pb-3">
    <span class="numeral jersey text-3xl leading-[0.9]">{card.player.jersey}</span>
    <div>
      <h1>{card.player.name}</h1>
      <p class="soft">{session.view?.teams.find((t) => t.id === team)?.name}, {today}</p>
    </div>
  </header>
  <h2 class="mt-4 mr-0 mb-2 ml-0 text-lg">What you do well</h2>
  <ul class="quiet-list">
    {#each card.words.strengths as s (s.read)}
      <li
        class="grid grid-cols-[auto_1fr] gap-4 items-start pt-2 pr-0 pb-2 pl-3 [border-left:8px_solid_var(--tape,_var(--line))] mb-2 break-inside-avoid"
        style:--tape={tapeOf(s.read)}
      >
        <ReadGlyph read={s.read} size={52} />
        <p class="self-center [p+&]:mt-1"><b>{session.readName(s.read)}.</b> {s.text}</p>
      </li>
    {:else}<li
        class="grid grid-cols-[auto_1fr] gap-4 items-start pt-2 pr-0 pb-2 pl-3 [border-left:8px_solid_var(--tape,_var(--line))] mb-2 break-inside-avoid"
      >
        <p class="self-center [p+&]:mt-1">It is early: the first reps are still to come.</p>
      </li>{/each}
  </ul>
  <h2 class="mt-4 mr-0 mb-2 ml-0 text-lg">Work on these two next</h2>
  <ol class="quiet-list">
    {#each card.words.next as n (n.read)}
      <li
        class="grid grid-cols-[auto_1fr] gap-4 items-start pt-2 pr-0 pb-2 pl-3 [border-left:8px_solid_var(--tape,_var(--line))] mb-2 break-inside-avoid"
        style:--tape={tapeOf(n.read)}
      >
        <ReadGlyph read={n.read} size={52} />
        <div>
          <p class="[p+&]:mt-1"><b>{session.readName(n.read)}.</b> {n.so}</p>
          {#if n.when}<p class="[p+&]:mt-1"><b>Look for:</b> {n.when}</p>{/if}
          {#if n.do}<p class="[p+&]:mt-1"><b>Then:</b> {n.do}</p>{/if}
          <p class="[p+&]:mt-1"><b>You will hear:</b> “{n.call}”</p>
          {#if n.drill}<p class="[p+&]:mt-1">
              <b>Ask for:</b>
              {session.drill(n.drill)?.name}, {stage(n).toLowerCase()}.
            </p>{/if}
        </div>
      </li>
    {:else}<li
        class="grid grid-cols-[auto_1fr] gap-4 items-start pt-2 pr-0 pb-2 pl-3 [border-left:8px_solid_var(--tape,_var(--line))] mb-2 break-inside-avoid"
      >
        <p class="self-center [p+&]:mt-1">Nothing is open. Show it in a game.</p>
      </li>{/each}
  </ol>
  <p class="soft foot mt-4">
    A read counts as right when it fits what your defender did, whether the shot goes in or not.
  </p>
</article>
