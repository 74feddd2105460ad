<script lang="ts">
  import { untrack, type Snippet } from 'svelte';
  import { pushState } from '$app/navigation';
  import { page } from '$app/state';
  import Dialog from 'flowbite-svelte/Dialog.svelte';
  import Button from '$lib/ui/Button.svelte';

  // A sheet that comes up over the page, in the colors of what it lies over. It keeps the keyboard inside and
  // closes with Escape, and a phone's Back closes it too: while it is open the page has an entry more in the
  // history.
  let {
    open = $bindable(false),
    title,
    children
  }: { open: boolean; title: string; children: Snippet } = $props();

  let entered = false;
  $effect(() => {
    if (open) {
      untrack(() => pushState('', { ...page.state, sheet: title }));
      entered = true;
    } else {
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
<Dialog
  bind:open
  dismissable={false}
  aria-label={title}
  transitionParams={{ duration: 0 }}
  class="mx-auto mt-auto mb-0 max-h-dvh w-[min(60rem,100vw)] max-w-[100vw] overflow-auto rounded-none border-0 border-t-8 border-t-mark bg-board p-4 pb-6 text-base text-ink backdrop:bg-black/55 dark:bg-board dark:text-ink"
>
  <header class="mb-3 flex items-center justify-between gap-4">
    <h2 class="text-xl">{title}</h2>
    <Button onclick={() => (open = false)}>Close</Button>
  </header>
  {@render children()}
</Dialog>
