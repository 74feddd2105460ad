<script lang="ts">
  import '../app.css';
  import { onMount, untrack, type Component, type Snippet } from 'svelte';
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import { keepOffline } from '$lib/state/offline';
  import { sendRest } from '$lib/run/queue.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import Doorway from '$lib/parts/Doorway.svelte';

  let { children }: { children: Snippet } = $props();
  let failed = $state('');

  async function load() {
    failed = '';
    try {
      await session.load();
      rest();
    } catch (e) {
      failed = e instanceof Error ? e.message : String(e);
    }
  }
  // The gym's second screen, whoever is invited and players are not signed in: a code or
  // a link lets them in.
  const aside = $derived(
    page.url.pathname === '/display' || /^\/(join|eyes|reset)\//.test(page.url.pathname)
  );
  $effect(() => {
    if (!aside && !untrack(() => session.view)) load();
  });
  // Notices come after the first picture: they need more than all a player's page does,
  // which shows none.
  onMount(keepOffline);
  let Notices = $state.raw<Component | null>(null);
  onMount(async () => {
    if (!page.url.pathname.startsWith('/eyes/'))
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

<svelte:window onunhandledrejection={stray} ononline={rest} />

{#if aside}
  {@render children()}
{:else if failed}
  <main class="mx-auto max-w-lg p-8">
    <h1>No answer yet</h1>
    <p class="my-4">{failed}</p>
    <button class="tape" onclick={load}>Retry</button>
  </main>
{:else if !session.view || (session.view.state === 'in' && !session.catalogue)}
  <p class="p-8 soft" role="status">Opening the gym…</p>
{:else if session.view.state !== 'in'}
  <Doorway />
{:else}
  {@render children()}
{/if}
{#if Notices}<Notices />{/if}
