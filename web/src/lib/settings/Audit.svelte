<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { dayOf, hourOf } from '$lib/parts/verdicts';

  // Who changed what, newest first.
  let log = $state.raw<Schemas['AuditEntry'][] | null>(null);
  const first = 8;
  let all = $state(false);

  onMount(async () => {
    log = await ask(api.GET('/api/program/audit'));
  });
</script>

<section class="sheet" aria-label="Who changed what">
  <h2>Who changed what</h2>
  {#if !log}<p role="status" class="soft">Loading changes…</p>
  {:else}
    <ul class="quiet-list">
      {#each all ? log : log.slice(0, first) as e, i (i)}
        <li>
          <span class="soft">{dayOf(e.at)} <span class="numeral">{hourOf(e.at)}</span></span>
          <span
            ><b>{e.who}</b>
            {e.what}{#if e.team}<span class="soft">, {e.team}</span>{/if}</span
          >
        </li>
      {:else}<li class="soft">Nothing yet.</li>{/each}
    </ul>
    {#if log.length > first && !all}
      <button class="tape plain" onclick={() => (all = true)}>All {log.length}</button>
    {/if}
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: 0.6rem;
    padding: 1.1rem;
    justify-items: start;
  }
  ul {
    width: 100%;
    max-height: 26rem;
    overflow-y: auto;
  }
  li {
    display: grid;
    grid-template-columns: 10.5rem minmax(0, 1fr);
    gap: 0.7rem;
    padding: 0.2rem 0;
    border-top: 1px solid var(--seam);
  }
  @media (max-width: 760px) {
    li {
      grid-template-columns: minmax(0, 1fr);
      gap: 0;
    }
  }
</style>
