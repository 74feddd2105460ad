<script lang="ts">
  import { page } from '$app/state';
  import { api, ask } from '$lib/api/client';
  import About from '$lib/drill/About.svelte';
  import AnswerLadder from '$lib/drill/AnswerLadder.svelte';
  import { download } from '$lib/drill/draft.svelte';
  import PhaseStrip from '$lib/drill/PhaseStrip.svelte';
  import { Tonight } from '$lib/drill/tonight.svelte';
  import TonightSheet from '$lib/drill/Tonight.svelte';
  import Ladder from '$lib/parts/Ladder.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  // A drill: its ladder, how it runs, and tonight's order list.
  const team = $derived(page.params.team ?? '');
  const drill = $derived(session.drill(page.params.drill ?? ''));
  const tonight = $derived(drill && new Tonight(team, drill, data.setting.players));
  const held = $derived(data.setting.held);
  const ownEntry = $derived(session.own.find((o) => o.drill.id === drill?.id));

  async function archive() {
    if (!ownEntry) return;
    try {
      const path = { drillId: ownEntry.drill.id };
      const body = { archived: !ownEntry.archived };
      await ask(api.POST('/api/drills/{drillId}/archive', { params: { path }, body }));
      await session.loadOwn();
    } catch (e) {
      notices.fail(e);
    }
  }
</script>

{#if drill && tonight}
  {@const stage = tonight.stage}
  <div
    class="grid items-start gap-6 md:grid-cols-[minmax(18rem,24rem)_minmax(0,1fr)] print:grid-cols-[minmax(0,1fr)] print:gap-2 print:text-[9pt] print:[zoom:0.85]"
  >
    <section
      class="grid gap-3 print:block print:columns-3 print:[&_:not(h1)]:text-[9pt] print:[&_h1]:[column-span:all]"
    >
      <h1>{drill.name}</h1>
      <p>{drill.about}</p>
      <div class="flex items-center gap-4 print:hidden">
        <Ladder stages={drill.stages} chosen={tonight.stageId} {held} />
        <div class="grid gap-2" role="radiogroup" aria-label="Stage">
          {#each drill.stages.toReversed() as s (s.id)}
            <Button
              class="w-full justify-start text-left font-normal aria-checked:font-bold"
              role="radio"
              aria-checked={s.id === tonight.stageId}
              onclick={() => tonight.choose(s.id)}
            >
              <span class="numeral">{session.rung(s.rung)?.number}</span>
              <span>{s.name}</span>
            </Button>
          {/each}
        </div>
      </div>
      {#if held.length}<p class="text-sm text-soft print:hidden">
          In blue: how many players hold the rung.
        </p>{/if}
      <About {drill} {stage} {team} />
      <AnswerLadder {stage} rows={data.setting.answers} />
      <p class="my-3 flex flex-wrap gap-2 print:hidden">
        {#if ownEntry && session.coach}
          <Button href={`/${team}/drills/edit?drill=${drill.id}`}>Change it</Button>
          <Button onclick={archive}>{ownEntry.archived ? 'Bring it back' : 'Archive it'}</Button>
        {/if}
        {#if session.coach}
          <Button href={`/${team}/drills/edit?from=${drill.id}`}>Make it your own</Button>
        {/if}
        <Button onclick={() => download(drill)}>Export</Button>
        <Button onclick={() => print()}>Print</Button>
      </p>
      <div class="border-l-6 border-l-mark pl-3 text-sm">
        {#each drill.cautions as c (c)}<p>{c}</p>{/each}
      </div>
    </section>
    <PhaseStrip {drill} motion={data.setting.motion} />
    <TonightSheet {team} {tonight} motion={data.setting.motion} answers={data.setting.answers} />
  </div>
{/if}
