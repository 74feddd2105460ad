<script lang="ts">
  import { api, ask, type Player, type Schemas } from '$lib/api/client';
  import { chosen } from '$lib/parts/chosen';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Sure from '$lib/parts/Sure.svelte';
  import NamedInNotes from './NamedInNotes.svelte';

  let { team, players, onchange }: { team: string; players: Player[]; onchange: () => void } = $props();

  type Entry = Schemas['PlayerInput'];
  const blank = (): Entry => ({
    jersey: '',
    name: '',
    handler: false,
    wing: false,
    big: false,
    shooter: false
  });
  const marks = [
    ['handler', 'Handler'],
    ['wing', 'Wing'],
    ['big', 'Big'],
    ['shooter', 'Shooter']
  ] as const;

  let fresh = $state<Entry>(blank());
  let leaving = $state<Player | null>(null);
  let asking = $state(false);
  let result = $state<Schemas['ImportResult'] | null>(null);
  let busy = $state(false);

  async function guarded(what: () => Promise<void>) {
    busy = true;
    try {
      await what();
      onchange();
    } catch (e) {
      notices.fail(e);
      onchange();
    } finally {
      busy = false;
    }
  }

  const add = (e: SubmitEvent) => {
    e.preventDefault();
    guarded(async () => {
      await ask(api.POST('/api/teams/{teamId}/players', { params: { path: { teamId: team } }, body: fresh }));
      notices.say(`${fresh.name} is on the roster.`);
      fresh = blank();
    });
  };

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

  async function upload(e: Event) {
    const file = chosen(e);
    if (!file) return;
    busy = true;
    result = null;
    try {
      const answer = await fetch(`/api/teams/${team}/roster`, {
        method: 'POST',
        headers: { 'Content-Type': 'text/csv' },
        body: file,
        signal: AbortSignal.timeout(60_000)
      });
      const said = await answer.json();
      result = { imported: 0, errors: [], ...said };
      if (answer.ok) onchange();
    } catch {
      notices.say('The file could not be sent. Nothing was imported; try again in a moment.', true);
    } finally {
      busy = false;
    }
  }
</script>

<div class="grid gap-5">
  {#if players.length === 0}
    <p>The roster is empty. Type the players in, or import a file.</p>
  {/if}
  {#if session.head}
    <form class="sheet entry" onsubmit={add} aria-label="New player">
      <label class="field"
        ><span>Jersey</span><input
          bind:value={fresh.jersey}
          inputmode="numeric"
          maxlength="2"
          required
        /></label
      >
      <label class="field"
        ><span>Short name</span><input
          bind:value={fresh.name}
          maxlength="24"
          required
          autocomplete="off"
        /></label
      >
      {#each marks as [key, label] (key)}
        <label class="mark"><input type="checkbox" bind:checked={fresh[key]} />{label}</label>
      {/each}
      <button class="tape" disabled={busy}>Add</button>
    </form>
  {/if}

  {#if named}<NamedInNotes {...named} onclose={() => (named = null)} />{/if}
  {#if players.length}
    <ul class="quiet-list sheet">
      {#each players as p (p.id)}
        <li>
          <input
            class="cell numeral"
            aria-label={`Jersey of ${p.name}`}
            value={p.jersey}
            maxlength="2"
            disabled={!session.head}
            onchange={(e) => save(p, { jersey: e.currentTarget.value })}
          />
          <input
            class="cell"
            aria-label={`Name of ${p.jersey}`}
            value={p.name}
            maxlength="24"
            disabled={!session.head}
            onchange={(e) => save(p, { name: e.currentTarget.value })}
          />
          {#each marks as [key, label] (key)}
            <label class="mark">
              <input
                type="checkbox"
                checked={p[key]}
                disabled={!session.head}
                onchange={(e) => save(p, { [key]: e.currentTarget.checked })}
              />{label}</label
            >
          {/each}
          {#if session.head}
            {#if others.length > 0}
              <select
                class="cell"
                aria-label={`Move ${p.name}`}
                value=""
                onchange={(e) => move(p, e.currentTarget.value)}
              >
                <option value="">Move to…</option>
                {#each others as t (t.id)}<option value={t.id}>{t.name}</option>{/each}
              </select>
            {/if}
            <button
              class="tape plain"
              onclick={() => {
                leaving = p;
                asking = true;
              }}>Erase {p.name}</button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}

  <section class="sheet file">
    <h2>Roster file</h2>
    <p class="soft">
      CSV with the first line <code>jersey,name,handler,wing,big,shooter</code>. Nothing more is kept of a
      child: no birth date, no photo, no contact.
    </p>
    <div class="flex gap-3 flex-wrap items-center">
      {#if session.head}
        <label class="tape plain" class:busy>
          Import a file<input type="file" accept=".csv,text/csv" class="visually-hidden" onchange={upload} />
        </label>
      {/if}
      <a class="tape plain" href={`/api/teams/${team}/roster`} download="roster.csv">Export</a>
    </div>
    {#if result}
      <div role={result.errors.length ? 'alert' : 'status'}>
        <p><b>{result.message}</b></p>
        <ul>
          {#each result.errors as e (e.row + e.message)}
            <li>
              {#if e.row > 0}<span class="numeral">Row {e.row}.</span>{/if}
              {e.message}
            </li>
          {/each}
        </ul>
      </div>
    {/if}
  </section>
</div>

<Sure
  bind:open={asking}
  title={`Erase ${leaving?.name ?? ''}?`}
  text="The player and every logged rep are erased for good, from here and from every plan. How often the team made a read stays, without the name. There is no way back."
  act="Erase for good"
  onsure={remove}
/>

<style>
  .entry,
  li {
    display: grid;
    grid-template-columns: 5rem minmax(8rem, 14rem) repeat(4, auto) 9rem 1fr;
    gap: 0.75rem;
    align-items: center;
    padding: 0.6rem 0.9rem;
  }
  .entry {
    align-items: end;
    border-top: 8px solid var(--mark);
  }
  .entry .tape {
    justify-self: end;
  }
  ul.sheet li + li {
    border-top: 1px solid var(--seam);
  }
  li .tape {
    justify-self: end;
    font-weight: 400;
    min-height: 48px;
    padding: 0 0.8rem;
  }
  .mark {
    display: inline-flex;
    gap: 0.4rem;
    align-items: center;
    min-height: 48px;
  }
  .mark input {
    width: 22px;
    height: 22px;
  }
  .file {
    padding: 1rem;
    display: grid;
    gap: 0.7rem;
  }
  .file ul {
    list-style: square;
    padding-left: 1.2rem;
  }
  .file ul li {
    display: list-item;
    padding: 0.1rem 0;
  }
  .busy {
    opacity: 0.5;
  }
  @media (max-width: 900px) {
    .entry,
    ul.sheet li {
      grid-template-columns: 4.5rem 1fr;
    }
  }
</style>
