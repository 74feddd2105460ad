<script lang="ts">
  import Modal from 'flowbite-svelte/Modal.svelte';
  import { viewKeys, views } from './views';

  let { open = $bindable(false), view, team }: { open: boolean; view: string; team: string } = $props();

  const rows = $derived<[string, string][]>([
    ...(viewKeys[view] ?? []),
    [`1 – ${views.length}`, views.map((v) => v.name).join(', ')],
    ['?', 'this list']
  ]);
</script>

<Modal bind:open title="Keys of this view" size="md" class="rounded-sm">
  <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-ink">
    {#each rows as [key, what] (key + what)}
      <dt class="numeral text-lg">{key}</dt>
      <dd>{what}</dd>
    {/each}
  </dl>
  <p class="mt-4">
    <a href={`/${team}/help`} onclick={() => (open = false)}>Words, verdicts and every key: Help</a>
  </p>
</Modal>
