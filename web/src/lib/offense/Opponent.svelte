<script lang="ts">
  import Range from 'flowbite-svelte/Range.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Against, OffenseLab } from './lab.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // What the offense is run against: nobody, defenders or a zone, and how good they are.
  let { lab }: { lab: OffenseLab } = $props();

  const kinds: [Against, string][] = [
    ['none', 'No defense'],
    ['man', 'Man-to-man'],
    ['deny', 'Man-to-man, denies the wings'],
    ['zone', 'Two-three zone']
  ];
  const dials = [
    ['react', 'Reaction time', 0.5, 2, (v: number) => `${v.toFixed(2)}×`],
    ['help', 'Help off the ball', 0, 1, percent],
    ['deny', 'Wings denied', 0, 0.5, percent],
    ['jump', 'Moves as the ball leaves', 0, 1, percent],
    ['hands', 'Hands in passing lanes', 0, 1, percent]
  ] as const;
  function percent(v: number) {
    return `${Math.round(100 * v)}%`;
  }
  const level = $derived(
    lab.view.levels.find((l) => JSON.stringify(l.dials) === JSON.stringify(lab.dials))?.id ?? ''
  );
  const own = [{ value: '', name: 'Own setting' }];
</script>

<div class="grid gap-3">
  <Label>
    The defense
    <Select
      placeholder=""
      items={kinds.map(([value, name]) => ({ value, name }))}
      value={lab.against}
      onchange={(e) => lab.face(e.currentTarget.value as Against)}
    />
  </Label>
  {#if lab.against !== 'none' && lab.dials}
    <Label>
      How good it is
      <Select
        placeholder=""
        items={[...lab.view.levels.map((l) => ({ value: l.id, name: l.name })), ...(level ? [] : own)]}
        value={level}
        onchange={(e) => {
          lab.dials = lab.view.levels.find((l) => l.id === e.currentTarget.value)?.dials ?? lab.dials;
          lab.restart();
        }}
      />
    </Label>
    <Fold line="text-[15px]"
      >{#snippet title()}<span>Set each part of the defense</span>{/snippet}
      <div class="grid gap-2">
        {#each dials as [id, name, min, max, say] (id)}
          <Label>
            <span class="flex justify-between">{name}<span class="numeral">{say(lab.dials[id])}</span></span>
            <Range
              class="h-11"
              {min}
              {max}
              step={0.05}
              value={lab.dials[id]}
              onchange={(e) => {
                if (lab.dials) lab.dials = { ...lab.dials, [id]: Number(e.currentTarget.value) };
                lab.restart();
              }}
            />
          </Label>
        {/each}
      </div>
    </Fold>
  {/if}
</div>
