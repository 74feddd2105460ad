<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Floor } from './floor.svelte';
  import type { Logged } from './replog.svelte';
  import { signsOf } from './right';
  import { outcomes, tagGroups } from './words';
  import Button from '$lib/ui/Button.svelte';

  // What can be added to a logged rep, in nobody's way: how it ended, late, the second cue, and
  // what there is to mend, with whose it is. A group opens with one tap, a tag of it goes on or off with a second.
  let { floor, rep, wrap = false }: { floor: Floor; rep: Logged; wrap?: boolean } = $props();

  let open = $state('');
  // The next rep begins with all groups closed.
  const about = $derived(`${rep.event.block} ${rep.event.repNo} ${rep.event.role}`);
  $effect(() => {
    if (about) open = '';
  });
  const groups = $derived(
    tagGroups(session.catalogue?.tags ?? [])
      .map((g) => ({ ...g, tags: g.tags.filter((t) => floor.ownerOf(rep, t.part)) }))
      .filter((g) => g.tags.length > 0)
  );
  const line = $derived(floor.reps.rowOf(rep.event));
  const signs = $derived(line ? signsOf(line, rep.event.role) : []);
  const shown = $derived(groups.find((g) => g.group === open));
  const given = (group: (typeof groups)[number]) =>
    group.tags.filter((t) => rep.event.tags?.includes(floor.tagText(rep, t))).length;
  const owner = (tag: (typeof groups)[number]['tags'][number]) => {
    const id = floor.ownerOf(rep, tag.part);
    return id === rep.event.player ? '' : (floor.players.get(id ?? '')?.name ?? '');
  };
  const row = 'flex gap-1.5 pb-1 overflow-x-auto';
  const button = 'flex-none min-w-12 whitespace-nowrap px-3 font-normal';
</script>

<div class={[row, wrap && 'flex-wrap']} role="group" aria-label="More about this rep">
  {#each outcomes as o (o.id)}
    <Button
      class={button}
      aria-pressed={rep.event.outcome === o.id}
      onclick={() => floor.amend(rep, { outcome: rep.event.outcome === o.id ? '' : o.id })}>{o.name}</Button
    >
  {/each}
  <Button
    class={button}
    aria-pressed={Boolean(rep.event.late)}
    onclick={() => floor.amend(rep, { late: !rep.event.late })}>Late</Button
  >
  {#each signs as s (s.id)}
    <Button
      class={button}
      aria-pressed={rep.event.secondCue === s.id}
      onclick={() => floor.amend(rep, { secondCue: rep.event.secondCue === s.id ? '' : s.id })}
      >Seen: {s.if}</Button
    >
  {/each}
  {#each groups as g (g.group)}
    <Button
      class={[button, 'border-dashed']}
      aria-expanded={open === g.group}
      onclick={() => (open = open === g.group ? '' : g.group)}
      >{g.group}{#if given(g)}&nbsp;<b class="numeral">{given(g)}</b>{/if}</Button
    >
  {/each}
</div>
{#if shown}
  <div class={[row, wrap && 'flex-wrap']} role="group" aria-label={`${shown.group}: what to mend`}>
    {#each shown.tags as t (t.id)}
      <Button
        class={[button, 'border-dashed']}
        aria-pressed={rep.event.tags?.includes(floor.tagText(rep, t)) ?? false}
        onclick={() => floor.tag(rep, t)}
        >{t.name}{#if owner(t)}<span class="soft">&nbsp;· {owner(t)}</span>{/if}</Button
      >
    {/each}
  </div>
{/if}
