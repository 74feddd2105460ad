<script lang="ts">
  import Modal from 'flowbite-svelte/Modal.svelte';
  import { viewKeys, views } from './views';

  let { open = $bindable(false), view }: { open: boolean; view: string } = $props();

  const rows = $derived<[string, string][]>([
    ...(viewKeys[view] ?? []),
    [`1 – ${views.length}`, views.map((v) => v.name).join(', ')],
    ['?', 'this list']
  ]);
</script>

<Modal bind:open title="Keys of this view" size="md" class="rounded-[3px]">
  <dl>
    {#each rows as [key, what] (key + what)}
      <dt class="numeral">{key}</dt>
      <dd>{what}</dd>
    {/each}
  </dl>
</Modal>

<style>
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0.6rem 1.2rem;
    color: var(--ink);
  }
  dt {
    font-size: 1.1rem;
  }
</style>
