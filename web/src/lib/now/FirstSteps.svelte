<script lang="ts">
  import { goto } from '$app/navigation';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { firstPlan } from '$lib/plan/draft.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What a new team does first, in order; each step ticks itself off, and the list goes when all are done.
  let { team, now }: { team: string; now: Schemas['Now'] } = $props();

  const hiddenKey = $derived(`evrik.started ${team}`);
  let hidden = $derived(localStorage.getItem(hiddenKey) === 'yes');
  let busy = $state(false);

  const steps = $derived([
    {
      done: now.started.roster,
      name: 'Add your players',
      why: 'Paste the list you have: a number and a short name each.',
      does: 'Open the roster',
      act: () => goto(`/${team}/squad`)
    },
    {
      done: now.started.practice,
      name: 'Build the first practice',
      why: 'A whole evening for the players you have and their age. You can change everything.',
      does: 'Build it',
      act: build
    },
    {
      done: now.started.rep,
      name: 'Run it and log a rep',
      why: 'One tap says what a player did. From then on the board learns.',
      does: 'Open Run',
      act: () => goto(`/${team}/run`)
    },
    {
      done: now.started.assistant,
      name: 'Invite an assistant',
      why: 'Two people log twice as much, and see whether they see the same.',
      does: 'Invite',
      act: () => goto(`/${team}/settings`)
    }
  ]);
  const next = $derived(steps.findIndex((s) => !s.done));

  async function build() {
    busy = true;
    try {
      const path = { teamId: team };
      const body = firstPlan(
        team,
        now.players.map((p) => p.id),
        []
      );
      const made = await ask(api.POST('/api/teams/{teamId}/practices', { params: { path }, body }));
      await goto(`/${team}/plan/${made.id}?build=1`);
    } catch (e) {
      notices.fail(e);
    } finally {
      busy = false;
    }
  }
  function hide() {
    localStorage.setItem(hiddenKey, 'yes');
    hidden = true;
  }
</script>

{#if next >= 0 && !hidden}
  <section class="sheet mb-6 max-w-3xl border-t-8 border-t-mark p-4 md:p-6" aria-labelledby="first">
    <div class="mb-3 flex items-center gap-4">
      <h1 id="first" class="grow">First steps</h1>
      {#if now.started.roster}<button class="px-2 py-3 text-sm text-soft underline" onclick={hide}
          >Hide</button
        >{/if}
    </div>
    <ol class="m-0 list-none p-0">
      {#each steps as s, i (s.name)}
        <li class="grid grid-cols-[2rem_1fr_auto] items-center gap-x-3 border-t border-seam py-3">
          <span class="numeral text-xl" aria-hidden="true">{s.done ? '✓' : i + 1}</span>
          <span class={s.done ? 'text-soft line-through' : ''}>
            <b>{s.name}</b><span class="sr-only">{s.done ? ' (done)' : ''}</span>
            {#if i === next}<br /><span class="text-soft">{s.why}</span>{/if}
          </span>
          {#if !s.done}
            <Button main={i === next} disabled={busy || (i > 0 && !now.started.roster)} onclick={s.act}
              >{s.does}</Button
            >
          {/if}
        </li>
      {/each}
    </ol>
  </section>
{/if}
