<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import type { Schemas } from '$lib/api/client';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import MovingPicture from './MovingPicture.svelte';
  import { asked as inAddress, remember } from '$lib/state/asked';
  import { found } from './search';
  import Button from '$lib/ui/Button.svelte';

  // The words of the game: searched by what was typed, each with a small moving picture.
  let { team, entries }: { team: string; entries: Schemas['GlossaryEntry'][] } = $props();

  const kinds = { word: 'Words', action: 'Actions', cue: 'Cues', read: 'Reads' } as const;
  let asked = $state(inAddress('q'));
  let open = $state('');
  const hits = $derived(found(entries, asked));
  const groups = $derived(
    (Object.keys(kinds) as (keyof typeof kinds)[])
      .map((kind) => ({ kind, name: kinds[kind], words: hits.filter((e) => e.kind === kind) }))
      .filter((g) => g.words.length)
  );
  const key = (e: Schemas['GlossaryEntry']) => `${e.kind}/${e.id}`;
</script>

<section aria-labelledby="words">
  <h2 id="words" class="mb-3 text-xl">Words of the game</h2>
  <label class="block max-w-md">
    <span class="mb-1 block text-sm text-soft">Search words</span>
    <Input
      type="search"
      bind:value={asked}
      oninput={() => remember({ q: asked.trim() })}
      placeholder="curl, hedge, weak side…"
    />
  </label>
  <p class="mt-2 text-sm text-soft" role="status">
    {hits.length === entries.length ? `${entries.length} words` : `${hits.length} of ${entries.length} words`}
  </p>
  {#each groups as g (g.kind)}
    <h3 class="mt-6 mb-1 font-bold">{g.name}</h3>
    <ul class="m-0 list-none p-0">
      {#each g.words as e (key(e))}
        <li class="border-t border-seam py-2">
          <div class="grid grid-cols-[2.5rem_1fr_auto] items-center gap-3">
            <span class="grid w-8 place-items-center">
              {#if e.kind === 'read'}<ReadGlyph read={e.id} size={30} />
              {:else if e.kind === 'cue'}<CueGlyph cue={e.id} size={30} />{/if}
            </span>
            <p><b>{e.word}</b><br /><span class="text-soft">{e.means}</span></p>
            {#if e.action && e.cue}
              <Button
                aria-expanded={open === key(e)}
                aria-label={`Show ${e.word}`}
                onclick={() => (open = open === key(e) ? '' : key(e))}
                >{open === key(e) ? 'Close' : 'Show'}</Button
              >
            {/if}
          </div>
          {#if open === key(e) && e.action && e.cue}<MovingPicture
              {team}
              action={e.action}
              cue={e.cue}
            />{/if}
        </li>
      {/each}
    </ul>
  {:else}
    <p class="mt-4">No word matches “{asked}”. Try a shorter one.</p>
  {/each}
</section>
