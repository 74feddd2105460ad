<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask } from '$lib/api/client';
  import DrillCard from '$lib/drills/DrillCard.svelte';
  import { fits, levels, shelves } from '$lib/drills/library';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import { chosen } from '$lib/parts/chosen';
  import { asked, remember } from '$lib/state/asked';
  import { orKept } from '$lib/state/device';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import FileButton from '$lib/ui/FileButton.svelte';

  const team = page.params.team ?? '';

  let words = $state(asked('q'));
  let group = $state(asked('group'));
  let action = $state(asked('action'));
  let rung = $state(asked('rung'));
  let level = $state(Number(asked('level')));
  let players = $state<number | undefined>(Number(asked('players')) || undefined);
  let alone = $state(asked('alone') !== '');
  let needed = $state(asked('needed') !== '');
  /** Drills for what holds the team back, as soon as it is known. */
  let serving = $state.raw<string[] | null>(null);

  onMount(async () => {
    try {
      const params = { path: { teamId: team } };
      serving = (await orKept(`now ${team}`, ask(api.GET('/api/teams/{teamId}/now', { params })))).drills;
    } catch (e) {
      notices.fail(e);
    }
  });

  const drills = $derived(session.drills);
  const actions = $derived(
    (session.catalogue?.actions ?? []).filter((s) => drills.some((d) => d.action === s.id))
  );
  const wanted = $derived({
    ...{ words, group, action, rung, level, players, alone },
    only: needed ? (serving ?? []) : null
  });
  const shown = $derived(drills.filter((d) => fits(session.catalogue, d, wanted)));
  /** The groups that have a drill, in teaching order. */
  const groups = $derived(shelves(session.catalogue, shown));
  const keep = () => remember({ q: words.trim(), group, action, rung, level, players, alone, needed });
  const isOwn = (id: string) => session.own.some((o) => o.drill.id === id);

  async function take(e: Event) {
    const file = chosen(e);
    if (!file) return;
    try {
      const body = JSON.parse(await file.text()) as Record<string, unknown>;
      const o = await ask(api.POST('/api/drills', { body }));
      await session.loadOwn();
      notices.say(`${o.drill.name} was imported.`);
    } catch (err) {
      if (err instanceof SyntaxError) notices.say('This is not a drill file. Nothing was imported.', true);
      else notices.fail(err);
    }
  }
</script>

<KeptNote since={session.since} onretry={() => location.reload()} />
<div class="flex flex-wrap items-baseline gap-4">
  <h1>Drills</h1>
  <p class="soft">A drill climbs one rung at a time, and goes back one when it breaks.</p>
  {#if session.coach}<span class="ml-auto flex flex-wrap gap-2">
      <Button main href={`/${team}/drills/edit`}>Write your own</Button>
      <FileButton name="Import a drill" accept=".json,application/json" onchange={take} />
    </span>{/if}
</div>
<form
  class="mt-3 mb-2 grid grid-cols-2 items-end gap-3 min-[901px]:grid-cols-4"
  aria-label="Filter the drills"
  onsubmit={(e) => e.preventDefault()}
  oninput={keep}
  onchange={keep}
>
  <Label><span>Words</span><Input type="search" bind:value={words} maxlength={80} /></Label>
  <Label>
    <span>What it teaches</span>
    <Select placeholder="" bind:value={group}>
      <option value="">anything</option>
      {#each session.catalogue?.groups ?? [] as g (g.id)}<option value={g.id}>{g.name}</option>{/each}
    </Select>
  </Label>
  <Label>
    <span>Action</span>
    <Select placeholder="" bind:value={action}>
      <option value="">any action</option>
      {#each actions as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
    </Select>
  </Label>
  <Label>
    <span>Rung</span>
    <Select placeholder="" bind:value={rung}>
      <option value="">any rung</option>
      {#each session.catalogue?.ladder ?? [] as r (r.id)}<option value={r.id}>{r.number} {r.name}</option
        >{/each}
    </Select>
  </Label>
  <Label>
    <span>Level</span>
    <Select placeholder="" bind:value={level}>
      <option value={0}>any level</option>
      {#each Object.entries(levels) as [n, name] (n)}<option value={Number(n)}>{name}</option>{/each}
    </Select>
  </Label>
  <Label
    ><span>Players here</span><Input
      type="number"
      min="1"
      max="24"
      placeholder="any"
      bind:value={players}
    /></Label
  >
  <span class="col-span-2 flex flex-wrap gap-x-6">
    <Checkbox bind:checked={alone} classes={{ div: 'whitespace-nowrap' }}>No helpers needed</Checkbox>
    <Checkbox disabled={!serving?.length} bind:checked={needed} classes={{ div: 'whitespace-nowrap' }}
      >For what holds us back</Checkbox
    >
  </span>
</form>
<p class="soft" role="status">{shown.length} of {drills.length} drills</p>
{#if shown.length === 0}
  <p>No drill matches. Remove a filter.</p>
{/if}
{#each groups as g (g.id)}
  <section aria-labelledby={`shelf-${g.id}`} class="mt-5">
    <h2 id={`shelf-${g.id}`} class="text-xl">{g.name}</h2>
    <ul
      class="quiet-list mt-2 grid grid-cols-1 gap-4 min-[901px]:grid-cols-[repeat(auto-fill,minmax(25rem,1fr))]"
    >
      {#each g.drills as d (d.id)}
        <DrillCard drill={d} {team} own={isOwn(d.id)} />
      {/each}
    </ul>
  </section>
{/each}
