<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Act, Draft } from './draft.svelte';

  // What happens in a rep, act by act.
  let { draft }: { draft: Draft } = $props();

  const phases = $derived(draft.drill.phases);
  const people = $derived(draft.drill.positions);
  const verbs = ['pass', 'cut', 'dribble', 'screen', 'handoff', 'shot', 'rebound', 'closeout'];
  const toPeople = ['pass', 'handoff', 'closeout'];
  const toSpots = ['cut', 'dribble', 'screen'];

  type Phase = (typeof phases)[number];
  const changePhase = (i: number, next: Partial<Phase>) =>
    draft.change({ phases: phases.map((p, k) => (k === i ? { ...p, ...next } : p)) });
  const changeAct = (i: number, k: number, next: Act) =>
    changePhase(i, { acts: phases[i]?.acts.map((a, j) => (j === k ? next : a)) ?? [] });

  /** Another verb goes to somewhere else: to a person, to a spot, or nowhere. */
  function verb(i: number, k: number, act: Act, verb: string) {
    const next: Act = { do: verb, who: act.who };
    if (act.with) next.with = true;
    if (toPeople.includes(verb)) next.to = people.find((p) => p.id !== act.who)?.id ?? '';
    if (verb === 'cut' || verb === 'dribble') next.to = 'rim';
    if (verb === 'screen') next.for = people.find((p) => p.id !== act.who)?.id ?? '';
    changeAct(i, k, next);
  }

  function move(i: number, k: number, by: number) {
    const acts = [...(phases[i]?.acts ?? [])];
    const [act] = acts.splice(k, 1);
    if (act) acts.splice(Math.max(0, k + by), 0, act);
    changePhase(i, { acts });
  }
</script>

<fieldset>
  <legend>What happens</legend>
  {#each phases as ph, i (i)}
    <div class="phase">
      <div class="head">
        <input
          aria-label={`Phase ${i + 1}`}
          value={ph.name}
          maxlength="60"
          onchange={(e) => changePhase(i, { name: e.currentTarget.value })}
        />
        <input
          aria-label="Say"
          class="say"
          value={ph.say}
          maxlength="160"
          onchange={(e) => changePhase(i, { say: e.currentTarget.value })}
        />
        <button
          class="tape plain"
          aria-label={`Remove phase ${i + 1}`}
          onclick={() => draft.change({ phases: phases.filter((_, k) => k !== i) })}>Remove</button
        >
      </div>
      <ol>
        {#each ph.acts as a, k (k)}
          <li>
            <select
              aria-label="Who"
              value={a.who}
              onchange={(e) => changeAct(i, k, { ...a, who: e.currentTarget.value })}
            >
              {#each people as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
            </select>
            <select aria-label="Does" value={a.do} onchange={(e) => verb(i, k, a, e.currentTarget.value)}>
              {#each verbs as v (v)}<option value={v}>{v}</option>{/each}
            </select>
            {#if toPeople.includes(a.do)}
              <select
                aria-label="To"
                value={a.to}
                onchange={(e) => changeAct(i, k, { ...a, to: e.currentTarget.value })}
              >
                {#each people as p (p.id)}<option value={p.id}>to {p.name}</option>{/each}
              </select>
            {:else if toSpots.includes(a.do)}
              <select
                aria-label="Where"
                value={a.to ?? ''}
                onchange={(e) => changeAct(i, k, { ...a, to: e.currentTarget.value })}
              >
                {#if a.do === 'screen'}<option value="">in front of them</option>{/if}
                {#each session.catalogue?.spots ?? [] as s (s.id)}<option value={s.id}>{s.name}</option
                  >{/each}
              </select>
            {:else}<span></span>{/if}
            {#if a.do === 'screen'}
              <select
                aria-label="For"
                value={a.for}
                onchange={(e) => changeAct(i, k, { ...a, for: e.currentTarget.value })}
              >
                {#each people as p (p.id)}<option value={p.id}>for {p.name}</option>{/each}
              </select>
            {:else}<span></span>{/if}
            <label
              ><input
                type="checkbox"
                checked={a.with ?? false}
                disabled={k === 0}
                onchange={(e) => changeAct(i, k, { ...a, with: e.currentTarget.checked })}
              />at once</label
            >
            <span class="order">
              <button
                class="tape plain min-w-11"
                aria-label="Earlier"
                disabled={k === 0}
                onclick={() => move(i, k, -1)}>↑</button
              >
              <button
                class="tape plain min-w-11"
                aria-label="Remove this act"
                onclick={() => changePhase(i, { acts: ph.acts.filter((_, j) => j !== k) })}>×</button
              >
            </span>
          </li>
        {/each}
      </ol>
      <button
        class="tape plain"
        onclick={() =>
          changePhase(i, { acts: [...ph.acts, { do: 'cut', who: people[0]?.id ?? '', to: 'rim' }] })}
        >Add an act</button
      >
    </div>
  {/each}
  <button
    class="tape plain"
    onclick={() =>
      draft.change({ phases: [...phases, { name: `Phase ${phases.length + 1}`, say: '', acts: [] }] })}
    >Add a phase</button
  >
</fieldset>

<style>
  .phase {
    border-left: 6px solid var(--seam);
    padding: 0 0 0.4rem 0.8rem;
    margin-bottom: 0.9rem;
  }
  .head {
    display: grid;
    grid-template-columns: 1fr 1.6fr auto;
    gap: 0.5rem;
  }
  ol {
    list-style: none;
    margin: 0.4rem 0;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: 1fr 0.9fr 1.1fr 1.1fr auto auto;
    gap: 0.4rem;
    align-items: center;
    margin-bottom: 0.35rem;
  }
  label {
    display: flex;
    gap: 0.35rem;
    align-items: center;
    white-space: nowrap;
  }
  .order {
    display: flex;
    gap: 0.3rem;
  }
  .order .tape {
    padding: 0 0.7rem;
  }
  @media (max-width: 700px) {
    li,
    .head {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
