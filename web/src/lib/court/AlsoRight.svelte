<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';

  // The other right answers: what makes each of them right.
  let { answers, title }: { answers: Schemas['Accepted'][]; title: string } = $props();
</script>

{#if answers.length}
  <section aria-label={title}>
    <h2 class="text-base">{title}</h2>
    <ul class="quiet-list grid gap-1">
      {#each answers as a (a.who + a.read + a.secondCue.id)}
        <li class="flex items-center gap-2">
          <ReadGlyph read={a.read} size={26} />
          <span>
            <b>{session.readName(a.read)}</b>
            {#if a.secondCue.if}<span class="soft">{a.certain ? 'because' : 'if'} {a.secondCue.if}</span>{/if}
          </span>
        </li>
      {/each}
    </ul>
  </section>
{/if}
