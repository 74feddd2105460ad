<script lang="ts">
  import Modal from 'flowbite-svelte/Modal.svelte';
  import Button from '$lib/ui/Button.svelte';

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
    <Button
      main
      onclick={() => {
        open = false;
        onsure();
      }}>{act}</Button
    >
    <Button onclick={() => (open = false)}>Cancel</Button>
  </div>
</Modal>
