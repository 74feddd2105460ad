<script lang="ts">
  import '../app.css';
  import { onMount, untrack, type Component, type Snippet } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import ThemeProvider from 'flowbite-svelte/ThemeProvider.svelte';
  import { navigating, page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import { keepOffline } from '$lib/state/offline';
  import { sendRest } from '$lib/run/queue.svelte';
  import { outside } from '$lib/state/load';
  import { notices } from '$lib/state/notices.svelte';
  import { shortcuts } from '$lib/state/shortcuts.svelte';
  import { theme } from '$lib/theme';
  import Doorway from '$lib/parts/Doorway.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data, children }: { data: { failed: string }; children: Snippet } = $props();

  const aside = $derived(outside(page.url.pathname));
  $effect(() => {
    if (session.view?.state === 'in') untrack(() => void rest());
  });
  // Notices come after the first picture: they need more than all a player's page does,
  // which shows none.
  onMount(keepOffline);
  onMount(() => document.getElementById('waiting')?.remove());
  let Notices = $state.raw<Component | null>(null);
  onMount(async () => {
    if (!page.url.pathname.startsWith('/quiz/'))
      Notices = (await import('$lib/parts/Notices.svelte')).default;
  });
  const floors = ['/[team]/run/[practice]', '/[team]/games/[game]/bench'];
  /** What was logged in a gym without a network is sent wherever the coach opens the
   * app again. */
  async function rest() {
    if (session.view?.state !== 'in' || floors.includes(page.route.id ?? '')) return;
    const n = await sendRest();
    if (n > 0)
      notices.say(n === 1 ? 'A rep from the floor was sent.' : `${n} reps from the floor were sent.`);
  }
  // A refusal that no page expected still reaches the coach.
  const stray = (e: PromiseRejectionEvent) => notices.fail(e.reason);
</script>

<svelte:window onkeydowncapture={(e) => shortcuts.hush(e)} onunhandledrejection={stray} ononline={rest} />

{#if navigating.to}
  <p class="loading" role="status"><span class="sr-only">Loading…</span></p>
{/if}
<ThemeProvider {theme}>
  {#if aside}
    {@render children()}
  {:else if data.failed}
    <main class="mx-auto max-w-lg p-8">
      <h1>No answer yet</h1>
      <p class="my-4">{data.failed}</p>
      <Button main onclick={() => invalidateAll()}>Retry</Button>
    </main>
  {:else if !session.view || (session.view.state === 'in' && !session.catalogue)}
    <p class="p-8 soft" role="status">Loading Evrik…</p>
  {:else if session.view.state !== 'in'}
    <Doorway />
  {:else}
    {@render children()}
  {/if}
</ThemeProvider>
{#if Notices}<Notices />{/if}
