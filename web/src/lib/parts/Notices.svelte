<script lang="ts">
  import Toast from 'flowbite-svelte/Toast.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import Button from '$lib/ui/Button.svelte';
</script>

<!-- What lies under a notice can still be tapped; only its buttons are in the way. -->
<div
  class="no-print pointer-events-none fixed bottom-4 left-1/2 z-60 grid w-[min(36rem,calc(100vw-2rem))] -translate-x-1/2 gap-2 [&_button]:pointer-events-auto"
  aria-live="polite"
>
  {#each notices.list as n (n.id)}
    <Toast
      dismissable
      align={false}
      class={`notice max-w-xl border-l-8 bg-sheet ${n.bad ? 'border-l-alarm' : 'border-l-mark'}`}
      classes={{ content: 'flex items-center gap-4 text-base text-ink' }}
      onclose={() => notices.drop(n.id)}
    >
      <span class="grow">{n.text}</span>
      {#if n.offer}
        <Button onclick={() => notices.take(n)}>{n.offer.name}</Button>
      {/if}
    </Toast>
  {/each}
</div>
