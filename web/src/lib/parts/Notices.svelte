<script lang="ts">
  import Toast from 'flowbite-svelte/Toast.svelte';
  import { notices } from '$lib/state/notices.svelte';
</script>

<div class="foot no-print" aria-live="polite">
  {#each notices.list as n (n.id)}
    <Toast
      dismissable
      align={false}
      class="notice max-w-xl rounded-[3px] border-l-8"
      classes={{ content: 'text-base text-[var(--ink)]' }}
      style={`background: var(--sheet); border-color: ${n.bad ? 'var(--alarm)' : 'var(--tape-green)'}`}
      onclose={() => notices.drop(n.id)}
    >
      {n.text}
    </Toast>
  {/each}
</div>

<style>
  .foot :global(button) {
    pointer-events: auto;
  }
  .foot {
    position: fixed;
    left: 50%;
    bottom: 1rem;
    transform: translateX(-50%);
    z-index: 60;
    /* What lies under a notice can still be tapped; only its cross is in the way. */
    pointer-events: none;
    display: grid;
    gap: 0.5rem;
    width: min(36rem, calc(100vw - 2rem));
  }
</style>
