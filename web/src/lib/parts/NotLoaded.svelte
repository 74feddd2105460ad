<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import Button from '$lib/ui/Button.svelte';

  // What a view says that could not be loaded: what happened, and what to do.
  const missing = $derived(page.status === 404);
  const offline = $derived(page.status === 503);
  const title = $derived(
    missing ? 'There is no such page' : offline ? 'No answer yet' : 'This page could not be loaded'
  );
  const why = $derived(
    missing && page.error?.message === 'Not Found'
      ? 'The address may be old or mistyped.'
      : page.error?.message
  );
</script>

{#if page.status === 401}
  <p class="p-8 text-soft" role="status">Loading Evrik…</p>
{:else}
  <section class="mx-auto max-w-lg p-8">
    <h1>{title}</h1>
    <p class="my-4" role="alert">{why}</p>
    <div class="flex flex-wrap gap-2">
      {#if !missing}<Button main onclick={() => invalidateAll()}>Retry</Button>{/if}
      {#if offline && page.params.team}
        <Button href={`/${page.params.team}/run`}>Practices on this device</Button>
      {:else}<Button href="/">To your own team</Button>{/if}
    </div>
  </section>
{/if}
