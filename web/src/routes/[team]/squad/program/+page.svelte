<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';

  // The same reads over all teams and seasons of the program.
  const team = page.params.team ?? '';
  let program = $state.raw<Schemas['Program'] | null>(null);
  let problem = $state('');
  let part = $state('cutter');

  onMount(async () => {
    try {
      program = await ask(api.GET('/api/program'));
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  });

  const roles = $derived([...new Set(program?.columns.map((c) => session.read(c)?.role ?? '') ?? [])]);
  const shown = $derived(
    (program?.columns ?? []).map((c, i) => ({ c, i })).filter(({ c }) => session.read(c)?.role === part)
  );
  const per = (n: number, of: number) => `${of > 0 ? (100 * n) / of : 0}%`;
</script>

<div class="page-head">
  <h1>{program?.name ?? 'All teams'}</h1>
  <div role="radiogroup" aria-label="Reads of" class="flex">
    {#each roles as r (r)}
      <button class="tape plain" role="radio" aria-checked={part === r} onclick={() => (part = r)}
        >As {r}</button
      >
    {/each}
  </div>
  <span class="grow"></span>
  <a class="tape plain" href={`/${team}/squad`}>Open the squad</a>
</div>

{#if problem}<p role="alert" class="problem">{problem}</p>
{:else if !program}<p role="status" class="soft">Reading all teams…</p>
{:else}
  <div class="sheet scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">Read</th>
          {#each program.teams as t (t.id)}
            <th scope="col"
              ><a href={`/${t.id}/squad`}
                ><b>{t.name}</b> <span class="soft">{t.season}</span><small class="soft"
                  ><span class="numeral">{t.players}</span> players,
                  <span class="numeral">{t.reps.toLocaleString()}</span> reps</small
                ></a
              ></th
            >
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each shown as { c, i } (c)}
          <tr>
            <th scope="row"
              ><span class="read"><ReadGlyph read={c} size={34} />{session.readName(c)}</span></th
            >
            {#each program.teams as t (t.id)}
              {@const cell = t.cells[i]}
              <td>
                {#if cell && t.players > 0}
                  <a class="relative" href={`/${t.id}/squad/read/${c}`}>
                    <span class="visually-hidden"
                      >{t.name}, {session.readName(c)}: {cell.has} of {t.players} have it</span
                    >
                    <span class="numeral rung">{cell.rung || '–'}</span>
                    <span class="bar" aria-hidden="true">
                      <span class="has" style:width={per(cell.has, t.players)}></span>
                      <span class="lapsed" style:width={per(cell.lapsed, t.players)}></span>
                      <span class="close" style:width={per(cell.tooClose, t.players)}></span>
                      <span class="few" style:width={per(cell.notEnough, t.players)}></span>
                      <span class="not" style:width={per(cell.notYet, t.players)}></span>
                    </span>
                    <span class="numeral">{cell.has}<span class="soft">/{t.players}</span></span>
                  </a>
                {:else}<span class="soft">no players</span>{/if}
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  <p class="soft key">
    The numeral is the highest rung that half of the team holds; the bar is its players: solid have it, dotted
    had it, gray too close to call, pale not enough reps, hollow not yet. A player who moves up takes the
    record along.
  </p>
{/if}

<style>
  .page-head .flex .tape {
    margin-left: -2px;
    border-radius: 0;
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-weight: 400;
    padding: 0.3rem 0.9rem;
  }
  thead th {
    border-bottom: 3px solid var(--ink);
  }
  thead a {
    text-decoration: none;
    display: block;
    min-height: 48px;
  }
  thead small {
    display: block;
  }
  .read {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    white-space: nowrap;
  }
  td {
    border-top: 1px solid var(--seam);
    padding: 0 0.9rem;
  }
  td a {
    display: grid;
    grid-template-columns: 1.6rem minmax(6rem, 1fr) 3.2rem;
    gap: 0.7rem;
    align-items: center;
    min-height: 48px;
    text-decoration: none;
  }
  td a:hover {
    background: color-mix(in srgb, var(--mark) 20%, transparent);
  }
  .rung {
    font-size: 1.7rem;
    text-align: right;
  }
  .bar {
    display: flex;
    height: 16px;
    border: 2px solid var(--ink);
    background: var(--sheet);
  }
  .has {
    background: var(--tape-green);
  }
  .lapsed {
    background: repeating-linear-gradient(90deg, var(--tape-violet) 0 3px, transparent 3px 7px);
  }
  .close {
    background: color-mix(in srgb, var(--line) 45%, var(--sheet));
  }
  .few {
    background: var(--floor);
  }
  .key {
    margin-top: 0.7rem;
    font-size: 0.92rem;
  }
</style>
