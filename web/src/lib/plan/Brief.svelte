<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // What it takes to run a block, on the screen and, run in, on paper.
  let { brief, paper = false }: { brief: Schemas['Sheet']['blocks'][number]['brief']; paper?: boolean } =
    $props();

  const firstTwo = (text: string) =>
    text
      .split('. ')
      .slice(0, 2)
      .join('. ')
      .replace(/[^.!?]$/, '$&.');
  const lines = $derived(
    (
      [
        ['For', brief.for],
        ['Tell them', brief.tell],
        ['Who', brief.who],
        ['Right when', paper ? firstTwo(brief.right) : brief.right],
        ['Down, up', [brief.down, brief.up].filter(Boolean).join(' ')]
      ] as const
    ).filter(([, text]) => text)
  );
</script>

{#if paper}
  <p>
    {#each lines as [name, text] (name)}
      <b>{name}</b>
      <span>{`${text} `}</span>
    {/each}
  </p>
{:else}
  <dl class="grid grid-cols-[max-content_1fr] gap-x-3 gap-y-1 leading-snug">
    {#each lines as [name, text] (name)}
      <dt class="soft">{name}</dt>
      <dd>{text}</dd>
    {/each}
  </dl>
{/if}
