<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import type { Floor } from './floor.svelte';
  import Ends from './Ends.svelte';
  import Links from './Links.svelte';
  import Tally from './Tally.svelte';

  // One tap a rep. Where the cue is known, the big button says "Read it";
  // on live rungs each big button is a cue read rightly.
  let { floor, pointing }: { floor: Floor; pointing: boolean } = $props();

  const live = $derived(Boolean(floor.line.current?.live));
</script>

<section aria-label="What was seen">
  <Links {floor} />
  {#if floor.frozen}
    <div class="frozen">
      <p class="ice">Frozen</p>
      <p class="hint">Nobody moves. The rep stays as it is, and the clock stands.</p>
      <button class="tape" onclick={() => floor.freeze()}>Play on</button>
    </div>
  {:else if !floor.rep}
    <p class="hint">Nobody can run this block now. Go to the next one, or see who is here under More.</p>
  {:else if floor.wrong}
    <p class="hint stays">What did the defense show, and what did <b>{floor.up?.name}</b> do?</p>
    <div class="wrongs">
      {#each floor.rows as row (row.cue)}
        <div role="group" aria-label={session.cueName(row.cue)}>
          <span class="cue"><CueGlyph cue={row.cue} size={46} />{session.cueName(row.cue)}</span>
          {#each floor.wrongs(row) as a (a.key)}
            <button
              class="answer"
              style:--tape={a.read ? tapeOf(a.read) : 'var(--line)'}
              aria-label={`${session.cueName(row.cue)}: ${session.readName(a.read).toLowerCase()}`}
              title={session.readName(a.read)}
              onclick={() => floor.answer(a)}
            >
              <ReadGlyph read={a.read} size={40} />
            </button>
          {/each}
        </div>
      {/each}
    </div>
  {:else if floor.told.length}
    <ol class="quiet-list flex flex-1 flex-col justify-center gap-4 text-xl sm:text-2xl">
      {#each floor.told as t (t)}<li>{t}</li>{/each}
    </ol>
  {:else if floor.scoring}
    <Ends {floor} />
  {:else}
    {#if floor.goal}<p class="text-lg">{floor.goal}</p>{/if}
    <p class="hint">
      {#if floor.shooting}Did <b>{floor.up?.name}</b> make it?
      {:else if floor.role === 'defender'}What did <b>{floor.up?.name}</b> show, and in time?
      {:else if live}<b>{floor.up?.name}</b> read it right: which one?
      {:else}What did <b>{floor.up?.name}</b> do?{/if}
    </p>
    <div class="grid" class:lead={!live && !floor.shooting}>
      {#each floor.answers as a, i (a.key)}
        <button
          class="answer"
          class:main={a.main}
          class:pointed={pointing && i === floor.pointed}
          style:--tape={a.read ? tapeOf(a.read) : 'var(--line)'}
          onclick={() => floor.answer(a)}
        >
          <ReadGlyph read={a.read} size={a.main ? 72 : 48} />
          <span>
            {#if a.main && !live && !floor.shooting}<small
                >{floor.line.current?.reads ? 'Read it' : 'As named'}</small
              >{/if}
            {a.label || session.readName(a.read)}
          </span>
          <kbd class="numeral" aria-hidden="true">{i + 1}</kbd>
        </button>
      {/each}
    </div>
  {/if}
  {#if floor.rep && !floor.frozen && live}
    {#if !floor.shooting}
      <button
        class="tape plain text-xl"
        aria-pressed={floor.wrong}
        onclick={() => (floor.wrong = !floor.wrong)}
      >
        {floor.role === 'defender' ? 'Not done' : 'Wrong read'}
      </button>
    {/if}
    <Tally {floor} />
  {/if}
</section>

<style>
  section {
    display: flex;
    flex-direction: column;
    gap: 0.7rem;
    min-width: 0;
  }
  .hint {
    font-size: 1.2rem;
  }
  .grid {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    gap: 0.7rem;
    flex: 1;
    grid-auto-rows: minmax(64px, 1fr);
  }
  .grid.lead {
    grid-template-rows: minmax(96px, 1.4fr);
  }
  .grid.lead .main {
    grid-column: 1 / -1;
    min-height: 96px;
  }
  .answer {
    position: relative;
    display: flex;
    align-items: center;
    gap: 0.9rem;
    min-height: 64px;
    padding: 0.4rem 1rem;
    background: var(--sheet);
    border: 2px solid var(--seam);
    box-shadow: inset 10px 0 0 var(--tape, var(--line));
    padding-left: 1.5rem;
    color: var(--ink);
    font: inherit;
    font-size: 1.45rem;
    font-weight: 700;
    line-height: 1.1;
    text-align: left;
    cursor: pointer;
  }
  .wrongs {
    display: grid;
    gap: 0.7rem;
    flex: 1;
  }
  .wrongs > div {
    display: grid;
    grid-template-columns: minmax(7rem, 1.3fr);
    grid-auto-flow: column;
    grid-auto-columns: minmax(64px, 1fr);
    gap: 0.5rem;
    align-items: stretch;
  }
  .wrongs .answer {
    justify-content: center;
    padding: 0 0 0 10px;
  }
  .cue {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    font-size: 1.3rem;
    font-weight: 700;
    line-height: 1.1;
  }
  .answer.main {
    font-size: 1.9rem;
    background: color-mix(in srgb, var(--tape) 22%, var(--sheet));
    border-color: var(--tape);
  }
  .answer.pointed {
    outline: 5px solid var(--mark);
    outline-offset: -2px;
  }
  .answer:active {
    background: var(--mark);
    color: #07090b;
  }
  small {
    display: block;
    font-size: 1rem;
    font-weight: 400;
  }
  kbd {
    position: absolute;
    right: 0.6rem;
    bottom: 0.3rem;
    font-size: 0.95rem;
    color: var(--ink-soft);
  }
  .frozen {
    flex: 1;
    display: grid;
    align-content: center;
    justify-items: center;
    gap: 1rem;
    text-align: center;
  }
  .ice {
    font-size: clamp(3rem, 8vw, 6rem);
    font-weight: 700;
    line-height: 1;
    color: var(--tape-blue);
  }
  .frozen .tape {
    min-width: 14rem;
    font-size: 1.4rem;
  }
  @media (max-width: 700px) {
    section {
      gap: 0.5rem;
    }
    .answer {
      min-height: 64px;
      font-size: 1.15rem;
      padding: 0.2rem 0.6rem 0.2rem 1rem;
      gap: 0.5rem;
    }
    .answer.main {
      font-size: 1.2rem;
    }
    .grid {
      grid-auto-rows: minmax(64px, auto);
      gap: 0.5rem;
    }
    .grid.lead {
      grid-template-rows: minmax(84px, auto);
    }
    .grid.lead .main {
      min-height: 84px;
    }
    kbd,
    .hint {
      display: none;
    }
    .frozen .hint,
    .hint.stays {
      display: block;
    }
    .wrongs > div {
      grid-template-columns: 5.2rem;
      gap: 0.3rem;
    }
    .cue {
      font-size: 1rem;
      gap: 0;
    }
    .cue :global(svg) {
      display: none;
    }
  }
</style>
