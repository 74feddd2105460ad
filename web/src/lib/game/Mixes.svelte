<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { even, moved } from './mix';

  type Mix = Schemas['GameMix'];

  // What the opponent is expected to do: sliders that come to a hundred, or nobody knows.
  let {
    families,
    mixes,
    unpracticed,
    onchange
  }: {
    families: Schemas['GameFamily'][];
    mixes: Mix[];
    /** Families of which the team has practiced nothing. */
    unpracticed: string[];
    onchange: (mixes: Mix[]) => void;
  } = $props();

  // While a slider moves its shares are here; let go of, they are stored.
  let held = $state<Mix | null>(null);
  const of = (family: string) =>
    held?.family === family
      ? held.shares
      : (mixes.find((m) => m.family === family && m.shares.length > 0)?.shares ?? []);

  const put = (mix: Mix) => {
    held = null;
    onchange([...mixes.filter((m) => m.family !== mix.family), mix]);
  };
  const full = (f: Schemas['GameFamily']) =>
    f.cues.map((cue) => of(f.id).find((s) => s.cue === cue) ?? { cue, percent: 0 });
</script>

<div class="mixes grid gap-4">
  {#each families as f (f.id)}
    {@const known = of(f.id).length > 0}
    <fieldset class="sheet py-3 px-4 min-w-0">
      <legend class="visually-hidden">{f.name}</legend>
      <div class="flex justify-between items-center gap-2 flex-wrap">
        <h2>{f.name}</h2>
        <Checkbox
          checked={!known}
          onchange={(e) => put({ family: f.id, shares: e.currentTarget.checked ? [] : even(f.cues) })}
          classes={{ div: 'inline-flex' }}>We haven't scouted them</Checkbox
        >
      </div>
      {#if known}
        <div class="bar flex h-[30px] mb-1 border-2 border-ink overflow-hidden" aria-hidden="true">
          {#each full(f) as s, i (s.cue)}
            {#if s.percent > 0}<span
                class="bg-sheet text-xs leading-[26px] py-0 px-2 whitespace-nowrap overflow-hidden min-w-0 border-l-2 border-l-ink [&.other]:bg-floor first:border-l-0"
                class:other={i % 2}
                style:flex={s.percent}>{s.percent >= 9 ? session.cueName(s.cue) : ''}</span
              >{/if}
          {/each}
        </div>
        {#each full(f) as s (s.cue)}
          <label class="grid grid-cols-[auto_6.4rem_minmax(0,_1fr)_2.4rem] gap-3 items-center min-h-11">
            <CueGlyph cue={s.cue} size={34} />
            <span class="name">{session.cueName(s.cue)}</span>
            <input
              class="[accent-color:var(--ink)] w-full h-10 cursor-pointer"
              type="range"
              min="0"
              max="100"
              step="1"
              value={s.percent}
              aria-label={`${session.cueName(s.cue)}, ${f.name}`}
              oninput={(e) =>
                (held = { family: f.id, shares: moved(full(f), s.cue, Number(e.currentTarget.value)) })}
              onchange={() =>
                held && put({ family: held.family, shares: held.shares.map((x) => ({ ...x })) })}
            />
            <span class="numeral text-right text-lg">{s.percent}</span>
          </label>
        {/each}
      {:else}
        <p class="soft">
          {unpracticed.includes(f.id)
            ? 'The team has practiced none of these; they count when you say what to expect.'
            : 'Every coverage is taken to be as likely as any other.'}
        </p>
      {/if}
    </fieldset>
  {/each}
</div>
