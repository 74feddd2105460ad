<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import PrinciplePicture from '$lib/offense/PrinciplePicture.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';

  // The team's principles in the coach's words, with pictures of the core's; for the wall.
  const team = page.params.team ?? '';
  const at = { params: { path: { teamId: team } } };
  let view = $state.raw<Schemas['Principles'] | null>(null);
  let list = $state<Schemas['Principle'][]>([]);
  let editing = $state(false);
  let problem = $state('');

  onMount(async () => {
    try {
      view = await ask(api.GET('/api/teams/{teamId}/principles', at));
      list = structuredClone(view.principles);
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  });

  const pictures = [
    ['spacing', 'Spacing'],
    ['pass', 'After a pass'],
    ['screen', 'After a screen'],
    ['two', 'Two on the ball'],
    ['', 'no picture']
  ] as const;

  async function store() {
    try {
      view = await ask(
        api.PUT('/api/teams/{teamId}/principles', {
          ...at,
          body: $state.snapshot(list) as Schemas['Principle'][]
        })
      );
      list = structuredClone(view.principles);
      editing = false;
      notices.say('The principles are saved.');
    } catch (e) {
      notices.fail(e);
    }
  }
  function move(i: number, by: number) {
    const to = i + by;
    if (to < 0 || to >= list.length) return;
    const next = [...list];
    [next[i], next[to]] = [next[to]!, next[i]!];
    list = next;
  }
</script>

<div class="page-head no-print">
  <h1>Our principles</h1>
  <span class="grow"></span>
  <a class="tape plain" href={`/${team}/teach/motion`}>To the offense</a>
  {#if editing}
    <button class="tape plain" onclick={() => (list = [...list, { title: '', text: '', picture: '' }])}
      >Add one</button
    >
    <button class="tape" onclick={store}>Save</button>
  {:else}
    {#if session.coach}<button class="tape plain" onclick={() => (editing = true)}>Write them</button>{/if}
    <button class="tape" onclick={() => print()}>Print</button>
  {/if}
</div>

{#if problem}<p role="alert" class="problem">{problem}</p>
{:else if !view}<p role="status" class="soft">Loading principles…</p>
{:else}
  <h1 class="paper">{session.view?.teams.find((t) => t.id === team)?.name}</h1>
  <ol class="quiet-list">
    {#each list as p, i (i)}
      {@const picture = view.pictures.find((x) => x.id === p.picture)}
      <li class="sheet">
        <span class="numeral no">{i + 1}</span>
        <div class="words">
          {#if editing}
            <input class="cell" aria-label={`Title ${i + 1}`} maxlength="60" bind:value={p.title} />
            <textarea class="cell" aria-label={`Text ${i + 1}`} maxlength="400" rows="3" bind:value={p.text}
            ></textarea>
            <div class="acts">
              <select class="cell" aria-label={`Picture ${i + 1}`} bind:value={p.picture}>
                {#each pictures as [id, name] (id)}<option value={id}>{name}</option>{/each}
              </select>
              <button class="tape plain" aria-label={`Principle ${i + 1} up`} onclick={() => move(i, -1)}
                >↑</button
              >
              <button class="tape plain" aria-label={`Principle ${i + 1} down`} onclick={() => move(i, 1)}
                >↓</button
              >
              <button class="tape plain" onclick={() => (list = list.filter((_, k) => k !== i))}
                >Take out</button
              >
            </div>
          {:else}
            <h2>{p.title}</h2>
            <p>{p.text}</p>
          {/if}
        </div>
        {#if picture}<div class="picture"><PrinciplePicture {picture} lines={view.lines} /></div>{/if}
      </li>
    {/each}
  </ol>
{/if}

<style>
  .paper {
    display: none;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(34rem, 100%), 1fr));
    gap: 1rem;
  }
  li {
    display: grid;
    grid-template-columns: 2.6rem minmax(0, 1fr) minmax(15rem, 20rem);
    gap: 0.8rem;
    padding: 1rem;
    break-inside: avoid;
    align-items: start;
  }
  .no {
    font-size: 2.6rem;
    line-height: 1;
  }
  h2 {
    font-size: 1.35rem;
  }
  .words {
    display: grid;
    gap: 0.4rem;
    font-size: 1.1rem;
  }
  textarea {
    width: 100%;
    padding: 0.4rem 0.7rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    font: inherit;
  }
  .acts {
    display: flex;
    gap: 0.4rem;
    flex-wrap: wrap;
  }
  .acts select {
    width: auto;
    padding-right: 2.2rem;
  }
  @media (max-width: 700px) {
    li {
      grid-template-columns: 2rem minmax(0, 1fr);
    }
    .picture {
      grid-column: 1 / -1;
    }
  }
  @media print {
    .paper {
      display: block;
      margin-bottom: 0.5cm;
    }
    ol {
      grid-template-columns: 1fr;
    }
    li {
      border: 0;
    }
  }
</style>
