<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // What moved, what was cut and what to talk about, in sentences.
  let { words }: { words: Schemas['ReviewWords'] } = $props();

  const parts = $derived([
    { title: 'What moved', lines: words.moved },
    { title: 'To talk about', lines: words.talk },
    { title: 'Cut and changed', lines: words.cut }
  ]);
</script>

<section
  class="sheet mb-4 grid gap-x-8 gap-y-4 p-4 md:grid-cols-3 print:grid-cols-3 print:text-xs"
  aria-label="In words"
>
  {#each parts as p (p.title)}
    <div>
      <h2 class="mb-2">{p.title}</h2>
      <ul class="quiet-list grid gap-1">
        {#each p.lines as line (line)}<li>{line}</li>{/each}
      </ul>
    </div>
  {/each}
</section>
