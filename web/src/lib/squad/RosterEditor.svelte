<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Player, type Schemas } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Sure from '$lib/parts/Sure.svelte';
  import NewPlayer from './NewPlayer.svelte';
  import { marks } from './roles';
  import RosterList from './RosterList.svelte';
  import NamedInNotes from './NamedInNotes.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { team, players, onchange }: { team: string; players: Player[]; onchange: () => void } = $props();

  type Entry = Schemas['PlayerInput'];
  let leaving = $state<Player | null>(null);
  let asking = $state(false);

  async function guarded(what: () => Promise<void>) {
    try {
      await what();
      onchange();
    } catch (e) {
      notices.fail(e);
      onchange();
    }
  }

  const save = (p: Player, next: Partial<Entry>) =>
    guarded(async () => {
      const { jersey, name, handler, wing, big, shooter } = { ...p, ...next };
      await ask(
        api.PUT('/api/teams/{teamId}/players/{playerId}', {
          params: { path: { teamId: team, playerId: p.id } },
          body: { jersey, name, handler, wing, big, shooter }
        })
      );
    });

  /** Notes of coaches that still hold the name of whoever was erased. */
  let named = $state.raw<{ name: string; notes: Schemas['NameInNote'][] } | null>(null);

  const remove = () =>
    guarded(async () => {
      const p = leaving;
      if (!p) return;
      const erased = await ask(
        api.DELETE('/api/teams/{teamId}/players/{playerId}', {
          params: { path: { teamId: team, playerId: p.id } }
        })
      );
      notices.say(`${p.name} and every rep of ${p.name} are erased.`);
      named = erased.notes.length > 0 ? { name: p.name, notes: erased.notes } : null;
    });

  const others = $derived((session.view?.teams ?? []).filter((t) => t.id !== team));

  const move = (p: Player, to: string) =>
    guarded(async () => {
      await ask(
        api.PUT('/api/teams/{teamId}/players/{playerId}/team', {
          params: { path: { teamId: team, playerId: p.id } },
          body: { team: to }
        })
      );
      const name = others.find((t) => t.id === to)?.name ?? '';
      notices.say(`${p.name} plays for ${name} now and keeps the record.`);
    });
</script>

<div class="grid gap-5">
  {#if players.length === 0}
    <p>The roster is empty. Paste a list, choose a file, or add one player at a time.</p>
  {/if}
  {#if session.head}
    <RosterList {team} {onchange} />
    <NewPlayer {team} {onchange} />
  {/if}

  {#if named}<NamedInNotes {...named} onclose={() => (named = null)} />{/if}
  {#if players.length}
    <ul class="quiet-list sheet">
      {#each players as p (p.id)}
        <li
          class="grid grid-cols-[5rem_minmax(8rem,_14rem)_repeat(4,_auto)_9rem_1fr] gap-3 items-center py-2 px-4 max-md:grid-cols-[4.5rem_1fr] [li+&]:border-t [li+&]:border-t-seam"
        >
          <Input
            class="numeral"
            aria-label={`Jersey of ${p.name}`}
            value={p.jersey}
            maxlength={2}
            disabled={!session.head}
            onchange={(e) => save(p, { jersey: e.currentTarget.value })}
          />
          <Input
            aria-label={`Name of ${p.jersey}`}
            value={p.name}
            maxlength={24}
            disabled={!session.head}
            onchange={(e) => save(p, { name: e.currentTarget.value })}
          />
          {#each marks as [key, label] (key)}
            <Checkbox
              checked={p[key]}
              disabled={!session.head}
              onchange={(e) => save(p, { [key]: e.currentTarget.checked })}
              classes={{ div: 'inline-flex' }}>{label}</Checkbox
            >
          {/each}
          {#if session.head}
            {#if others.length > 0}
              <Select
                placeholder=""
                aria-label={`Move ${p.name}`}
                value=""
                onchange={(e) => move(p, e.currentTarget.value)}
              >
                <option value="">Move to…</option>
                {#each others as t (t.id)}<option value={t.id}>{t.name}</option>{/each}
              </Select>
            {/if}
            <Button
              class="justify-self-end font-normal min-h-12 py-0 px-3"
              onclick={() => {
                leaving = p;
                asking = true;
              }}>Erase {p.name}</Button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}

  {#if players.length}
    <p>
      <Button href={`/api/teams/${team}/roster`} download="roster.csv">Export the roster</Button>
    </p>
  {/if}
</div>

<Sure
  bind:open={asking}
  title={`Erase ${leaving?.name ?? ''}?`}
  text="The player and every logged rep are erased for good, from here and from every plan. How often the team made a read stays, without the name. There is no way back."
  act="Erase for good"
  onsure={remove}
/>
