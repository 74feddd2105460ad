<script lang="ts">
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import type { OffenseLab } from './lab.svelte';
  import Note from '$lib/ui/Note.svelte';

  // Whether the offense goes round, the rules its own moves break, and the actions it needs.
  let { lab }: { lab: OffenseLab } = $props();

  const check = $derived(lab.draft.check);
  const rule = (id: string) => lab.view.rules.find((r) => r.id === id)?.name;
</script>

{#if lab.draft.problem}<Note>{lab.draft.problem}</Note>{/if}
{#if check}
  {#if check.problem}
    <p role="alert" class="border-l-4 border-(--alarm) pl-3">{check.problem}</p>
  {:else}
    <p role="status">
      <b>After every pass there is a next move.</b>
      {#if !check.broken.length}Its moves keep all of its rules.{/if}
    </p>
    {#each check.broken as v (v.rule)}
      <Note warn class="mt-1"><b>{rule(v.rule)}.</b> {v.text}</Note>
    {/each}
    {#if check.needs.length}
      <h3 class="mt-3 font-bold">What it asks of the players, in the order to teach it</h3>
      <ol class="quiet-list">
        {#each check.needs as n, i (n.action)}
          <li class="flex items-baseline gap-2 border-t border-(--seam) py-1">
            <span class="numeral">{i + 1}</span>
            <a class="grow" href={`/${page.params.team}/teach?action=${n.action}`}
              >{session.actionName(n.action)}</a
            >
            <span class="numeral">{Math.round(n.perGame)}</span>
            <span class="text-[15px] text-(--ink-soft)">a game</span>
          </li>
        {/each}
      </ol>
    {:else}
      <p class="mt-1 text-(--ink-soft)">It is made of cuts alone and asks for no screen read.</p>
    {/if}
  {/if}
{:else}<p role="status" class="soft">Checking the offense…</p>{/if}
