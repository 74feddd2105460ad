<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Floor, Logged } from './floor.svelte';
  import { outcomes, tagsOf } from './words';

  // What can be added to a logged rep, in nobody's way: how it ended, late, and what
  // to correct.
  let { floor, rep, wrap = false }: { floor: Floor; rep: Logged; wrap?: boolean } = $props();

  const tags = $derived(
    rep.right && !rep.event.late ? [] : tagsOf(rep.event.role, session.catalogue?.corrections ?? [])
  );
</script>

<div class="tags" class:wrap role="group" aria-label="More about this rep">
  {#each outcomes as o (o.id)}
    <button
      class="tape plain"
      aria-pressed={rep.event.outcome === o.id}
      onclick={() => floor.amend(rep, { outcome: rep.event.outcome === o.id ? '' : o.id })}>{o.name}</button
    >
  {/each}
  <button
    class="tape plain"
    aria-pressed={Boolean(rep.event.late)}
    onclick={() => floor.amend(rep, { late: !rep.event.late })}>Late</button
  >
  {#each tags as t (t.id)}
    <button
      class="tape plain tag"
      aria-pressed={rep.event.corrections?.includes(t.id) ?? false}
      onclick={() => floor.tag(rep, t.id)}>{t.name}</button
    >
  {/each}
</div>

<style>
  .tags {
    display: flex;
    gap: 0.4rem;
    overflow-x: auto;
    padding-bottom: 0.2rem;
  }
  .wrap {
    flex-wrap: wrap;
  }
  .tape {
    white-space: nowrap;
    flex: none;
    min-width: 48px;
    padding: 0 0.8rem;
    font-weight: 400;
  }
  .tag {
    border-style: dashed;
  }
</style>
