<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { session } from '$lib/state/session.svelte';
  import type { Act, Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';

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
    <div class="border-l-6 border-l-seam pt-0 pr-0 pb-2 pl-3 mb-4">
      <div class="grid grid-cols-[1fr_1.6fr_auto] gap-2 max-sm:grid-cols-[1fr_1fr]">
        <Input
          aria-label={`Phase ${i + 1}`}
          value={ph.name}
          maxlength={60}
          onchange={(e) => changePhase(i, { name: e.currentTarget.value })}
        />
        <Input
          aria-label="Say"
          class="say"
          value={ph.say}
          maxlength={160}
          onchange={(e) => changePhase(i, { say: e.currentTarget.value })}
        />
        <Button
          aria-label={`Remove phase ${i + 1}`}
          onclick={() => draft.change({ phases: phases.filter((_, k) => k !== i) })}>Remove</Button
        >
      </div>
      <ol class="list-none my-2 mx-0 p-0">
        {#each ph.acts as a, k (k)}
          <li
            class="grid grid-cols-[1fr_0.9fr_1.1fr_1.1fr_auto_auto] gap-2 items-center mb-1 max-sm:grid-cols-[1fr_1fr]"
          >
            <Select
              placeholder=""
              aria-label="Who"
              value={a.who}
              onchange={(e) => changeAct(i, k, { ...a, who: e.currentTarget.value })}
            >
              {#each people as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
            </Select>
            <Select
              placeholder=""
              aria-label="Does"
              value={a.do}
              onchange={(e) => verb(i, k, a, e.currentTarget.value)}
            >
              {#each verbs as v (v)}<option value={v}>{v}</option>{/each}
            </Select>
            {#if toPeople.includes(a.do)}
              <Select
                placeholder=""
                aria-label="To"
                value={a.to}
                onchange={(e) => changeAct(i, k, { ...a, to: e.currentTarget.value })}
              >
                {#each people as p (p.id)}<option value={p.id}>to {p.name}</option>{/each}
              </Select>
            {:else if toSpots.includes(a.do)}
              <Select
                placeholder=""
                aria-label="Where"
                value={a.to ?? ''}
                onchange={(e) => changeAct(i, k, { ...a, to: e.currentTarget.value })}
              >
                {#if a.do === 'screen'}<option value="">in front of them</option>{/if}
                {#each session.catalogue?.spots ?? [] as s (s.id)}<option value={s.id}>{s.name}</option
                  >{/each}
              </Select>
            {:else}<span></span>{/if}
            {#if a.do === 'screen'}
              <Select
                placeholder=""
                aria-label="For"
                value={a.for}
                onchange={(e) => changeAct(i, k, { ...a, for: e.currentTarget.value })}
              >
                {#each people as p (p.id)}<option value={p.id}>for {p.name}</option>{/each}
              </Select>
            {:else}<span></span>{/if}
            <Checkbox
              checked={a.with ?? false}
              disabled={k === 0}
              onchange={(e) => changeAct(i, k, { ...a, with: e.currentTarget.checked })}
              classes={{ div: 'whitespace-nowrap' }}>at once</Checkbox
            >
            <span class="order flex gap-1">
              <Button
                class="min-w-11 py-0 px-3"
                aria-label="Earlier"
                disabled={k === 0}
                onclick={() => move(i, k, -1)}>↑</Button
              >
              <Button
                class="min-w-11 py-0 px-3"
                aria-label="Remove this act"
                onclick={() => changePhase(i, { acts: ph.acts.filter((_, j) => j !== k) })}>×</Button
              >
            </span>
          </li>
        {/each}
      </ol>
      <Button
        onclick={() =>
          changePhase(i, { acts: [...ph.acts, { do: 'cut', who: people[0]?.id ?? '', to: 'rim' }] })}
        >Add an act</Button
      >
    </div>
  {/each}
  <Button
    onclick={() =>
      draft.change({ phases: [...phases, { name: `Phase ${phases.length + 1}`, say: '', acts: [] }] })}
    >Add a phase</Button
  >
</fieldset>
