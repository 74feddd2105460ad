<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import StageScore from './StageScore.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Textarea from '$lib/ui/Textarea.svelte';

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
    <div class="stage border-l-6 border-l-seam pl-3 mb-4 grid gap-2">
      <div
        class="row grid grid-cols-[1fr_1.4fr_auto_auto_auto] gap-2 items-center max-sm:grid-cols-[1fr_1fr]"
      >
        <Select
          placeholder=""
          aria-label="Rung"
          value={s.rung}
          onchange={(e) => rung(i, e.currentTarget.value)}
        >
          {#each session.catalogue?.ladder ?? [] as r (r.id)}<option value={r.id}>{r.number} {r.name}</option
            >{/each}
        </Select>
        <Input
          aria-label="Stage"
          value={s.name}
          maxlength={60}
          onchange={(e) => change(i, { name: e.currentTarget.value })}
        />
        <label class="flex gap-1 items-center"
          ><Input
            class="w-[4.6rem]"
            type="number"
            min="5"
            max="120"
            value={s.seconds}
            onchange={(e) => change(i, { seconds: Number(e.currentTarget.value) })}
          />s a rep</label
        >
        {#if session.rung(s.rung)?.live}
          <label class="flex gap-1 items-center"
            ><Input
              class="w-[4.6rem]"
              type="number"
              min="1"
              max="5"
              value={s.defenders}
              onchange={(e) => change(i, { defenders: Number(e.currentTarget.value) })}
            />defend</label
          >
        {:else}<span></span>{/if}
        <Button
          aria-label={`Remove ${s.name}`}
          onclick={() => draft.change({ stages: stages.filter((_, k) => k !== i) })}>Remove</Button
        >
      </div>
      {#if cues.length}
        <div class="checks flex flex-wrap gap-y-1 gap-x-4" role="group" aria-label="Cues">
          {#each cues as c (c)}
            <Checkbox
              checked={s.cues.includes(c)}
              onchange={(e) => change(i, { cues: toggle(s.cues, c, e.currentTarget.checked) })}
              >{session.cueName(c)}</Checkbox
            >
          {/each}
        </div>
      {/if}
      {#if session.rung(s.rung)?.live}
        <div class="checks flex flex-wrap gap-y-1 gap-x-4" role="group" aria-label="Rules">
          {#each session.catalogue?.switches ?? [] as w (w.id)}
            <Checkbox
              checked={s.switches?.includes(w.id) ?? false}
              onchange={(e) =>
                change(i, { switches: toggle(s.switches ?? [], w.id, e.currentTarget.checked) })}
              >{w.name}</Checkbox
            >
          {/each}
        </div>
      {/if}
      <StageScore stage={s} taught={Boolean(draft.drill.action)} onchange={(to) => change(i, to)} />
      <Label class="gap-1 items-center grid">
        <span>Say before it starts, a rule a line</span>
        <Textarea
          rows={2}
          value={s.rules.join('\n')}
          onchange={(e) => change(i, { rules: e.currentTarget.value.split('\n').filter((l) => l.trim()) })}
        />
      </Label>
    </div>
  {/each}
  <Button onclick={add}>Add a stage</Button>
</fieldset>
