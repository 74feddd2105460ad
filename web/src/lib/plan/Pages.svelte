<script lang="ts">
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';

  // The pages of Plan that are not one practice.
  let { here }: { here: string } = $props();

  const pages = $derived([
    ['', 'Practices'],
    ['week', 'Loads'],
    ['season', 'Season'],
    ...(session.head ? [['outbox', 'Outbox']] : [])
  ]);
</script>

<nav class="no-print" aria-label="Plan">
  {#each pages as [id, name] (id)}
    <a href={`/${page.params.team}/plan${id ? `/${id}` : ''}`} aria-current={here === id ? 'page' : undefined}
      >{name}</a
    >
  {/each}
</nav>

<style>
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.25rem;
    margin-bottom: 0.75rem;
  }
  a {
    display: inline-flex;
    align-items: center;
    min-height: 48px;
    text-decoration: none;
    color: var(--ink-soft);
    border-bottom: 5px solid transparent;
  }
  a:hover {
    color: var(--ink);
  }
  a[aria-current] {
    color: var(--ink);
    font-weight: 700;
    border-bottom-color: var(--mark);
  }
</style>
