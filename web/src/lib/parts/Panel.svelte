<script lang="ts">
  import { untrack, type Snippet } from 'svelte';
  import { pushState } from '$app/navigation';
  import { page } from '$app/state';
  import Button from '$lib/ui/Button.svelte';

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
<dialog
  class="w-[min(60rem,_100vw)] max-w-[100vw] max-h-dvh [margin:auto_auto_0] pt-4 pr-4 pb-6 pl-4 border-0 border-t-8 border-t-mark bg-board text-ink text-base overflow-auto backdrop:[background:rgb(0_0_0_/_55%)]"
  bind:this={dialog}
  aria-label={title}
  onclose={() => (open = false)}
>
  {#if open}
    <header class="flex justify-between items-center gap-4 mb-3">
      <h2 class="text-xl">{title}</h2>
      <Button onclick={() => (open = false)}>Close</Button>
    </header>
    {@render children()}
  {/if}
</dialog>
