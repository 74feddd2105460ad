<script lang="ts">
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';

  // The pages of Plan that are not one practice.
  let { here }: { here: string } = $props();

  const pages = $derived([
    ['', 'Practices'],
    ['week', 'Loads'],
    ['season', 'Season'],
    ...(session.head ? [['outbox', 'Sent mail']] : [])
  ]);
</script>

<nav class="no-print flex flex-wrap gap-y-0 gap-x-4 mb-3" aria-label="Plan">
  {#each pages as [id, name] (id)}
    <a
      class="inline-flex items-center min-h-12 no-underline text-soft border-b-5 border-b-transparent hover:text-ink [&[aria-current]]:text-ink [&[aria-current]]:font-bold [&[aria-current]]:border-b-mark"
      href={`/${page.params.team}/plan${id ? `/${id}` : ''}`}
      aria-current={here === id ? 'page' : undefined}>{name}</a
    >
  {/each}
</nav>
