<script lang="ts">
  import { api, ask, type Schemas } from '$lib/api/client';
  import Panel from '$lib/parts/Panel.svelte';
  import type { Floor } from './floor.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // The practice ends late: ways to end in time, each with what it costs.
  let { open = $bindable(false), floor, team }: { open: boolean; floor: Floor; team: string } = $props();

  let cuts = $state.raw<Schemas['Cuts'] | null>(null);
  let problem = $state('');

  async function load() {
    cuts = null;
    problem = '';
    try {
      const path = { teamId: team, practiceId: floor.run?.practice.id ?? '' };
      cuts = await ask(api.GET('/api/teams/{teamId}/practices/{practiceId}/cuts', { params: { path } }));
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }
  $effect(() => {
    if (open) void load();
  });

  async function take(c: Schemas['Cut']) {
    const p = floor.run?.practice;
    if (!p) return;
    try {
      const { startsAt, minutes, note, present, limited, terms, version } = p;
      await ask(
        api.PUT('/api/teams/{teamId}/practices/{practiceId}', {
          params: { path: { teamId: team, practiceId: p.id } },
          body: { startsAt, minutes, note, present, limited, terms, version, blocks: c.blocks }
        })
      );
      open = false;
      await floor.load();
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }

  const cost = (c: Schemas['Cut']) =>
    c.less < 0.5 ? 'no rep of the goals less' : `${Math.round(c.less)} reps of the goals fewer`;
</script>

<Panel bind:open title="What gives?">
  {#if problem}<Note>{problem}</Note>{/if}
  {#if cuts}
    {#if cuts.cuts.length === 0}
      <p>As it is planned the practice ends in time, or nothing that is left can be shortened.</p>
    {:else}
      <p>
        As it stands the practice ends <b class="numeral">{Math.round(cuts.over)}</b> min late. What is left out
        is offered again for the next practice.
      </p>
    {/if}
    <ul class="quiet-list my-4 mx-0">
      {#each cuts.cuts as c (c.text)}
        <li>
          <button
            class="grid w-full min-h-16 py-2 px-4 mb-2 bg-sheet border-l-8 border-l-mark text-inherit text-left cursor-pointer hover:bg-floor"
            onclick={() => take(c)}
          >
            <b>{c.text}</b>
            <span class="soft"
              >{c.over > 0.5 ? `Still ${Math.round(c.over)} min late` : 'Ends in time'}, {cost(c)}.{c.breaks
                .length
                ? ` Against your rules: ${c.breaks.join(', ').toLowerCase()}.`
                : ''}</span
            >
          </button>
        </li>
      {/each}
    </ul>
    <Button onclick={() => (open = false)}>Let it run over</Button>
  {:else if !problem}
    <p role="status" class="soft">Fitting what is left into the minutes…</p>
  {/if}
</Panel>
