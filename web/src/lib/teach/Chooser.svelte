<script lang="ts">
  import { api, ask, type Schemas } from '$lib/api/client';
  import Sketch from '$lib/court/Sketch.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import { families } from './families';

  // Choose what to teach: by family and picture, or by saying what is seen.
  let {
    team,
    current,
    open = $bindable(false),
    onchoose
  }: {
    team: string;
    current: string;
    open?: boolean;
    onchoose: (screen: string, cue?: string) => void;
  } = $props();

  let dialog = $state<HTMLDialogElement>();
  let words = $state('');
  let hits = $state.raw<Schemas['Hit'][] | null>(null);
  let problem = $state('');
  let asked = 0;

  $effect(() => {
    if (open && !dialog?.open) dialog?.showModal();
    if (!open && dialog?.open) dialog.close();
  });

  async function search() {
    const mine = ++asked;
    const text = words.trim();
    if (text === '') {
      hits = null;
      return;
    }
    try {
      const found = await ask(
        api.GET('/api/teams/{teamId}/search', {
          params: { path: { teamId: team }, query: { words: text.slice(0, 200) } }
        })
      );
      if (mine === asked) {
        hits = found;
        problem = '';
      }
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }

  function choose(screen: string, cue?: string) {
    open = false;
    words = '';
    hits = null;
    onchoose(screen, cue);
  }

  /** Escape leaves at once; a search field would only empty itself. */
  function escape(e: KeyboardEvent) {
    if (e.key !== 'Escape') return;
    e.preventDefault();
    open = false;
  }

  function submit(e: SubmitEvent) {
    e.preventDefault();
    const first = hits?.[0];
    if (first) choose(first.action, first.cue);
  }
</script>

<dialog bind:this={dialog} aria-label="What to teach" onclose={() => (open = false)}>
  <form class="ask" onsubmit={submit}>
    <label class="field">
      <span>Say what you see, or pick below</span>
      <input
        type="search"
        bind:value={words}
        onkeydown={escape}
        oninput={search}
        placeholder="the defender goes under on the flare"
        autocomplete="off"
        maxlength="200"
      />
    </label>
    <button type="button" class="tape plain" onclick={() => (open = false)}>Close</button>
  </form>
  {#if problem}<p role="alert">{problem}</p>{/if}
  {#if hits}
    {#if hits.length === 0}
      <p class="soft" role="status">
        No line of the tables says that. Name the screen and what the defender does.
      </p>
    {:else}
      <ul class="quiet-list hits" aria-label="Found">
        {#each hits as h (h.action + h.cue)}
          <li>
            <button class="hit" onclick={() => choose(h.action, h.cue)}>
              <CueGlyph cue={h.cue} size={34} />
              <b>{h.name}</b>
              <span>{session.cueName(h.cue)}</span>
              <span class="soft">{session.readName(h.read)}</span>
            </button>
          </li>
        {/each}
      </ul>
    {/if}
  {:else}
    {#each families as f (f.id)}
      <h2>{f.name} <span class="soft">{f.about}</span></h2>
      <ul class="quiet-list tiles">
        {#each (session.catalogue?.screens ?? []).filter((s) => s.family === f.id) as s (s.id)}
          <li>
            <button
              class="tile"
              aria-current={s.id === current ? 'true' : undefined}
              onclick={() => choose(s.id)}
            >
              <Sketch sketch={s.sketch} />
              <span
                >{s.name}{#if session.leftOut(team)?.actions.includes(s.id)}
                  <small class="soft block">not at this age</small>{/if}</span
              >
            </button>
          </li>
        {/each}
      </ul>
    {/each}
  {/if}
</dialog>

<style>
  dialog {
    width: min(70rem, calc(100vw - 2rem));
    max-height: calc(100dvh - 2rem);
    margin: 1rem auto;
    padding: 1.1rem 1.3rem 1.4rem;
    background: var(--sheet);
    color: var(--ink);
    border: 0;
    border-top: 10px solid var(--mark);
    overflow-y: auto;
  }
  dialog::backdrop {
    background: rgb(16 28 36 / 55%);
  }
  .ask {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0.75rem;
    align-items: end;
    margin-bottom: 0.6rem;
  }
  h2 {
    font-size: 1.05rem;
    margin: 0.7rem 0 0.35rem;
  }
  h2 .soft {
    font-weight: 400;
    margin-left: 0.4rem;
  }
  .tiles {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(12.6rem, 1fr));
    gap: 0.5rem;
  }
  .tile,
  .hit {
    width: 100%;
    min-height: 56px;
    display: flex;
    align-items: center;
    gap: 0.6rem;
    padding: 0.3rem 0.55rem;
    border: 2px solid var(--seam);
    background: var(--board);
    text-align: left;
    line-height: 1.15;
    cursor: pointer;
  }
  .tile:hover,
  .hit:hover {
    border-color: var(--ink);
  }
  .tile[aria-current] {
    border-color: var(--ink);
    box-shadow: inset 0 -6px 0 var(--mark);
  }
  .hit {
    display: grid;
    grid-template-columns: auto 14rem 10rem 1fr;
  }
  .hits {
    display: grid;
    gap: 0.4rem;
  }
  @media (max-width: 640px) {
    .hit {
      grid-template-columns: auto 1fr;
    }
    .tiles {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
