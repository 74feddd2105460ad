<script lang="ts">
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

<div class="mixes">
  {#each families as f (f.id)}
    {@const known = of(f.id).length > 0}
    <fieldset class="sheet">
      <legend class="visually-hidden">{f.name}</legend>
      <div class="head">
        <h2>{f.name}</h2>
        <label class="unknown"
          ><input
            type="checkbox"
            checked={!known}
            onchange={(e) => put({ family: f.id, shares: e.currentTarget.checked ? [] : even(f.cues) })}
          />We haven't scouted them</label
        >
      </div>
      {#if known}
        <div class="bar" aria-hidden="true">
          {#each full(f) as s, i (s.cue)}
            {#if s.percent > 0}<span class:other={i % 2} style:flex={s.percent}
                >{s.percent >= 9 ? session.cueName(s.cue) : ''}</span
              >{/if}
          {/each}
        </div>
        {#each full(f) as s (s.cue)}
          <label class="slider">
            <CueGlyph cue={s.cue} size={34} />
            <span class="name">{session.cueName(s.cue)}</span>
            <input
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
            <span class="numeral">{s.percent}</span>
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

<style>
  .mixes {
    display: grid;
    gap: 0.9rem;
  }
  fieldset {
    padding: 0.7rem 1rem 0.8rem;
    min-width: 0;
  }
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 0.6rem;
    flex-wrap: wrap;
  }
  .unknown {
    display: inline-flex;
    gap: 0.5rem;
    align-items: center;
    min-height: 48px;
  }
  .unknown input {
    width: 22px;
    height: 22px;
  }
  .bar {
    display: flex;
    height: 30px;
    margin-bottom: 0.3rem;
    border: 2px solid var(--ink);
    overflow: hidden;
  }
  .bar span {
    background: var(--sheet);
    font-size: 0.85rem;
    line-height: 26px;
    padding: 0 0.4rem;
    white-space: nowrap;
    overflow: hidden;
    min-width: 0;
    border-left: 2px solid var(--ink);
  }
  .bar span:first-child {
    border-left: 0;
  }
  .bar .other {
    background: var(--floor);
  }
  .slider {
    display: grid;
    grid-template-columns: auto 6.4rem minmax(0, 1fr) 2.4rem;
    gap: 0.7rem;
    align-items: center;
    min-height: 44px;
  }
  input[type='range'] {
    accent-color: var(--ink);
    width: 100%;
    height: 40px;
    cursor: pointer;
  }
  .slider .numeral {
    text-align: right;
    font-size: 1.3rem;
  }
</style>
