<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';
  import Textarea from '$lib/ui/Textarea.svelte';
  import type { Draft } from './draft.svelte';

  // What to watch, and what to be careful about, a line each.
  let { draft }: { draft: Draft } = $props();

  const d = $derived(draft.drill);
  const lines = (text: string) => text.split('\n').filter((l) => l.trim());
</script>

<div class="grid grid-cols-[1fr_1fr] gap-3 max-md:grid-cols-[minmax(0,_1fr)]">
  <Label
    ><span>Points to watch, one a line</span><Textarea
      rows={4}
      value={d.watch.join('\n')}
      onchange={(e) => draft.change({ watch: lines(e.currentTarget.value) })}
    /></Label
  >
  <Label
    ><span>Cautions, one a line</span><Textarea
      rows={4}
      value={d.cautions.join('\n')}
      onchange={(e) => draft.change({ cautions: lines(e.currentTarget.value) })}
    /></Label
  >
</div>
