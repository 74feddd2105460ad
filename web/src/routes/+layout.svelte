<script lang="ts">
  import '../app.css';
  import { onMount, type Snippet } from 'svelte';
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import Doorway from '$lib/parts/Doorway.svelte';
  import Notices from '$lib/parts/Notices.svelte';

  let { children }: { children: Snippet } = $props();
  let failed = $state('');

  async function load() {
    failed = '';
    try {
      await session.load();
    } catch (e) {
      failed = e instanceof Error ? e.message : String(e);
    }
  }
  // The gym's second screen has nobody signed in: its code lets it in.
  const aside = $derived(page.url.pathname === '/display');
  onMount(() => {
    if (!aside) load();
  });
  // A refusal that no page expected still reaches the coach.
  const stray = (e: PromiseRejectionEvent) => notices.fail(e.reason);
</script>

<svelte:window onunhandledrejection={stray} />

{#if aside}
  {@render children()}
{:else if failed}
  <main class="mx-auto max-w-lg p-8">
    <h1>No answer yet</h1>
    <p class="my-4">{failed}</p>
    <button class="tape" onclick={load}>Try again</button>
  </main>
{:else if !session.view || (session.view.state === 'in' && !session.catalogue)}
  <p class="p-8 soft" role="status">Opening the gym…</p>
{:else if session.view.state !== 'in'}
  <Doorway />
{:else}
  {@render children()}
{/if}
<Notices />
