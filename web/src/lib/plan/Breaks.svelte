<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { plus } from './days';
  import type { Aim, SeasonDraft } from './season.svelte';
  import Button from '$lib/ui/Button.svelte';

  // Days without practice: holidays, exams, a gym that is closed.
  let { draft }: { draft: SeasonDraft } = $props();

  type Break = NonNullable<Aim['off']>[number];
  const week = 7;
  const off = $derived(draft.aim.off ?? []);
  const change = (i: number, next: Partial<Break>) => {
    const changed = { ...off[i]!, ...next };
    // A break that would end before it begins moves as a whole.
    if (changed.until < changed.from)
      changed[next.from ? 'until' : 'from'] = next.from ? changed.from : changed.until;
    return draft.change({ off: off.map((b, k) => (k === i ? changed : b)) });
  };
  function add() {
    const from = plus(off.at(-1)?.until ?? draft.plan.days[0]?.date ?? draft.aim.until, 1);
    void draft.change({ off: [...off, { from, until: plus(from, week - 1) }] });
  }
  const value = (e: Event) => (e.currentTarget as HTMLInputElement).value;
</script>

<h3 class="font-bold">Breaks</h3>
<ul class="quiet-list grid gap-2">
  {#each off as b, i (i)}
    <li class="flex items-end gap-2">
      <Label class="flex-1">
        From
        <Input type="date" value={b.from} onchange={(e) => change(i, { from: value(e) })} />
      </Label>
      <Label class="flex-1">
        to
        <Input type="date" value={b.until} onchange={(e) => change(i, { until: value(e) })} />
      </Label>
      <Button
        class="min-w-11 px-3 font-normal"
        aria-label={`Take break ${i + 1} away`}
        onclick={() => draft.change({ off: off.filter((_, k) => k !== i) })}>×</Button
      >
    </li>
  {/each}
</ul>
<Button onclick={add}>+ Break</Button>
