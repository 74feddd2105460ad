<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import StageScore from './StageScore.svelte';

  // The rungs on which the drill is run.
  let { draft, cues }: { draft: Draft; cues: string[] } = $props();

  const stages = $derived(draft.drill.stages);
  type Stage = (typeof stages)[number];
  const size = $derived(draft.drill.positions.filter((p) => !p.helper).length);

  const change = (i: number, next: Partial<Stage>) =>
    draft.change({ stages: stages.map((s, k) => (k === i ? { ...s, ...next } : s)) });

  /** A live rung has as many defenders as attackers, any other none. */
  function rung(i: number, id: string) {
    const r = session.rung(id);
    change(i, {
      rung: id,
      defenders: r?.live ? size : 0,
      coachShows: id === 'shown'
    });
  }

  function add() {
    const n = stages.length + 1;
    draft.change({
      stages: [
        ...stages,
        {
          id: `stage-${n}`,
          rung: 'air',
          name: `Stage ${n}`,
          rules: [],
          defenders: 0,
          coachShows: false,
          cues: [],
          seconds: 15
        }
      ]
    });
  }

  const toggle = (list: string[], id: string, on: boolean) =>
    on ? [...list.filter((c) => c !== id), id] : list.filter((c) => c !== id);
</script>

<fieldset>
  <legend>Stages</legend>
  {#each stages as s, i (i)}
    <div class="stage">
      <div class="row">
        <select aria-label="Rung" value={s.rung} onchange={(e) => rung(i, e.currentTarget.value)}>
          {#each session.catalogue?.ladder ?? [] as r (r.id)}<option value={r.id}>{r.number} {r.name}</option
            >{/each}
        </select>
        <input
          aria-label="Stage"
          value={s.name}
          maxlength="60"
          onchange={(e) => change(i, { name: e.currentTarget.value })}
        />
        <label
          ><input
            type="number"
            min="5"
            max="120"
            value={s.seconds}
            onchange={(e) => change(i, { seconds: Number(e.currentTarget.value) })}
          />s a rep</label
        >
        {#if session.rung(s.rung)?.live}
          <label
            ><input
              type="number"
              min="1"
              max="5"
              value={s.defenders}
              onchange={(e) => change(i, { defenders: Number(e.currentTarget.value) })}
            />defend</label
          >
        {:else}<span></span>{/if}
        <button
          class="tape plain"
          aria-label={`Remove ${s.name}`}
          onclick={() => draft.change({ stages: stages.filter((_, k) => k !== i) })}>Remove</button
        >
      </div>
      {#if cues.length}
        <div class="checks" role="group" aria-label="Cues">
          {#each cues as c (c)}
            <label
              ><input
                type="checkbox"
                checked={s.cues.includes(c)}
                onchange={(e) => change(i, { cues: toggle(s.cues, c, e.currentTarget.checked) })}
              />{session.cueName(c)}</label
            >
          {/each}
        </div>
      {/if}
      {#if session.rung(s.rung)?.live}
        <div class="checks" role="group" aria-label="Rules">
          {#each session.catalogue?.switches ?? [] as w (w.id)}
            <label
              ><input
                type="checkbox"
                checked={s.switches?.includes(w.id) ?? false}
                onchange={(e) =>
                  change(i, { switches: toggle(s.switches ?? [], w.id, e.currentTarget.checked) })}
              />{w.name}</label
            >
          {/each}
        </div>
      {/if}
      <StageScore stage={s} taught={Boolean(draft.drill.screen)} onchange={(to) => change(i, to)} />
      <label class="field">
        <span>Say before it starts, a rule a line</span>
        <textarea
          rows="2"
          value={s.rules.join('\n')}
          onchange={(e) => change(i, { rules: e.currentTarget.value.split('\n').filter((l) => l.trim()) })}
        ></textarea>
      </label>
    </div>
  {/each}
  <button class="tape plain" onclick={add}>Add a stage</button>
</fieldset>

<style>
  .stage {
    border-left: 6px solid var(--seam);
    padding-left: 0.8rem;
    margin-bottom: 1rem;
    display: grid;
    gap: 0.4rem;
  }
  .row {
    display: grid;
    grid-template-columns: 1fr 1.4fr auto auto auto;
    gap: 0.5rem;
    align-items: center;
  }
  .row input[type='number'] {
    width: 4.6rem;
  }
  label {
    display: flex;
    gap: 0.35rem;
    align-items: center;
  }
  .field {
    display: grid;
  }
  .checks {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
  }
  @media (max-width: 700px) {
    .row {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
