<script lang="ts">
  import Modal from 'flowbite-svelte/Modal.svelte';

  let {
    open = $bindable(false),
    title,
    text,
    act,
    onsure
  }: { open: boolean; title: string; text: string; act: string; onsure: () => void } = $props();
</script>

<Modal bind:open {title} size="sm" class="rounded-[3px]">
  <p class="text-base text-[var(--ink)]">{text}</p>
  <div class="flex gap-3">
    <button
      class="tape"
      onclick={() => {
        open = false;
        onsure();
      }}>{act}</button
    >
    <button class="tape plain" onclick={() => (open = false)}>Cancel</button>
  </div>
</Modal>
