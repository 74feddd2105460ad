<script lang="ts">
  import { untrack, type Snippet } from 'svelte';
  import { pushState } from '$app/navigation';
  import { page } from '$app/state';

  // A sheet over the page, in the colors of what it lies over. The browser's own
  // dialog keeps the keyboard inside and closes with Escape, and a phone's Back closes it too: while
  // it is open the page has an entry more in the history.
  let {
    open = $bindable(false),
    title,
    children
  }: { open: boolean; title: string; children: Snippet } = $props();

  let dialog = $state<HTMLDialogElement>();
  let entered = false;
  $effect(() => {
    if (open) {
      dialog?.showModal();
      untrack(() => pushState('', { ...page.state, sheet: title }));
      entered = true;
    } else {
      dialog?.close();
      if (entered) history.back();
      entered = false;
    }
  });

  function back() {
    if (!entered) return;
    entered = false;
    open = false;
  }
</script>

<svelte:window onpopstate={back} />
<dialog bind:this={dialog} aria-label={title} onclose={() => (open = false)}>
  {#if open}
    <header>
      <h2>{title}</h2>
      <button class="tape plain" onclick={() => (open = false)}>Close</button>
    </header>
    {@render children()}
  {/if}
</dialog>

<style>
  dialog {
    width: min(60rem, 100vw);
    max-width: 100vw;
    max-height: 100dvh;
    margin: auto auto 0;
    padding: 0.9rem 1.25rem 1.5rem;
    border: 0;
    border-top: 8px solid var(--mark);
    background: var(--board);
    color: var(--ink);
    font-size: 1.1rem;
    overflow: auto;
  }
  dialog::backdrop {
    background: rgb(0 0 0 / 55%);
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 1rem;
    margin-bottom: 0.8rem;
  }
  h2 {
    font-size: 1.6rem;
  }
</style>
