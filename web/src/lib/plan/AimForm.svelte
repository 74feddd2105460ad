<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import Breaks from './Breaks.svelte';
  import { plus, weekdayNames } from './days';
  import type { SeasonDraft } from './season.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What the weeks ahead are for: days, breaks, actions in order, games.
  let { draft }: { draft: SeasonDraft } = $props();

  const aim = $derived(draft.aim);
  const order = [1, 2, 3, 4, 5, 6, 0]; // Monday first
  const toggled = <T,>(list: T[], x: T) => (list.includes(x) ? list.filter((y) => y !== x) : [...list, x]);
  const out = $derived(session.leftOut(page.params.team ?? '')?.actions ?? []);
  const rest = $derived(
    session.catalogue?.actions.filter((s) => !aim.install.includes(s.id) && !out.includes(s.id)) ?? []
  );
  const week = 7;

  let added = $state('');
  function add() {
    if (added) void draft.change({ install: [...aim.install, added] });
    added = '';
  }
  const followed = $derived(draft.offense.every((id, i) => aim.install[i] === id));
  function addGame() {
    const last = aim.games.at(-1)?.date ?? draft.plan.days[0]?.date ?? aim.until;
    void draft.change({ games: [...aim.games, { date: plus(last, week), needs: aim.install.slice(0, 1) }] });
  }
  const value = (e: Event) => (e.currentTarget as HTMLInputElement).value;
  const section = 'sheet grid content-start gap-3 p-4';
  const item = 'flex items-center gap-2';
  const small = 'min-w-11 px-3 font-normal';
</script>

<div class="no-print mt-5 grid items-start gap-4 md:grid-cols-3">
  <section class={section} aria-label="Practices">
    <h2>Practices</h2>
    <div class="grid grid-cols-4 gap-1 lg:grid-cols-7" role="group" aria-label="Days of practice">
      {#each order as d (d)}
        <Button
          class="p-0 font-normal"
          aria-pressed={aim.weekdays.includes(d)}
          onclick={() => draft.change({ weekdays: toggled(aim.weekdays, d) })}>{weekdayNames[d]}</Button
        >
      {/each}
    </div>
    <div class="grid grid-cols-2 gap-3">
      <Label>
        Until
        <Input type="date" value={aim.until} onchange={(e) => draft.change({ until: value(e) })} />
      </Label>
      <Label>
        Actions a practice
        <Input
          type="number"
          min="1"
          max="8"
          value={aim.perPractice}
          onchange={(e) => draft.change({ perPractice: Math.round(Number(value(e))) })}
        />
      </Label>
    </div>
    <Breaks {draft} />
  </section>
  <section class={section} aria-label="What to teach">
    <h2>What to teach, the most important first</h2>
    {#if out.length}<p class="soft">
        Not offered at this age: {out.map((id) => session.actionName(id).toLowerCase()).join(', ')}. Settings
        can change that.
      </p>{/if}
    {#if draft.offense.length && !followed}
      <p>
        <Button onclick={() => draft.followOffense()}>Follow our offense</Button>
        <span class="soft"
          >{draft.offense.map((id) => session.actionName(id).toLowerCase()).join(', then ')}</span
        >
      </p>
    {/if}
    <ol class="quiet-list grid gap-1">
      {#each aim.install as id, i (id)}
        <li class={item}>
          <span class="numeral min-w-5">{i + 1}</span>
          <span class="flex-1 leading-tight">{session.actionName(id)}</span>
          <Button
            class={small}
            aria-label={`${session.actionName(id)} earlier`}
            disabled={i === 0}
            onclick={() => draft.move(i, -1)}>↑</Button
          >
          <Button
            class={small}
            aria-label={`${session.actionName(id)} later`}
            disabled={i === aim.install.length - 1}
            onclick={() => draft.move(i, 1)}>↓</Button
          >
          <Button
            class={small}
            aria-label={`Leave ${session.actionName(id)} out`}
            onclick={() => draft.drop(id)}>×</Button
          >
        </li>
      {/each}
    </ol>
    <Select
      aria-label="Add an action"
      placeholder="Add an action…"
      items={rest.map((s) => ({ value: s.id, name: s.name }))}
      bind:value={added}
      onchange={add}
    />
  </section>
  <section class={section} aria-label="Games">
    <h2>Games, and what should be live before them</h2>
    <ul class="quiet-list grid gap-3">
      {#each aim.games as g, i (i)}
        <li class={`${item} flex-wrap`}>
          <Input
            type="date"
            class="min-w-32 flex-1"
            aria-label={`Day of game ${i + 1}`}
            value={g.date}
            onchange={(e) => draft.changeGame(i, { date: value(e) })}
          />
          <Button
            class={small}
            aria-label={`Take game ${i + 1} away`}
            onclick={() => draft.change({ games: aim.games.filter((_, k) => k !== i) })}>×</Button
          >
          <div class="flex w-full flex-wrap gap-1" role="group" aria-label={`Game ${i + 1} needs`}>
            {#each aim.install as id (id)}
              <Button
                class="px-3 font-normal"
                aria-pressed={g.needs.includes(id)}
                onclick={() => draft.changeGame(i, { needs: toggled(g.needs, id) })}
                >{session.actionName(id)}</Button
              >
            {/each}
          </div>
        </li>
      {/each}
    </ul>
    <Button onclick={addGame}>+ Game</Button>
  </section>
</div>
