<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import Checks from './Checks.svelte';
  import Options from './Options.svelte';
  import Question from './Question.svelte';
  import { cueName, tapeOf } from '$lib/parts/glyphs';
  import type { Lab } from './lab.svelte';

  let { lab }: { lab: Lab } = $props();

  const painted = $derived(lab.painted);
  const widest = 4; // ft of margin at which the bar is full
</script>

<aside
  aria-label="Answer"
  class="answer sheet"
  style:--tape={painted ? tapeOf(painted.row.cutterRead) : 'var(--line)'}
>
  {#if lab.problem}
    <p role="alert" class="problem">{lab.problem}</p>
  {/if}
  {#if lab.asking && painted}
    <Question {lab} right={painted.row.cutterRead} />
  {:else if painted}
    {@const row = painted.row}
    <div class="head" data-cue={painted.cue}>
      <ReadGlyph read={row.cutterRead} size={76} />
      <div>
        <p class="cue">{cueName(painted.cue)} <span class="soft">{row.seen}</span></p>
        <p class="read" role="status">{session.readName(row.cutterRead)}</p>
      </div>
    </div>
    <p class="say">“{row.say}”</p>
    <div class="margin">
      <span class="numeral feet">{painted.margin.toFixed(1)} ft</span>
      <span class="rail"
        ><span class="fill" style:width={`${Math.min(100, (painted.margin / widest) * 100)}%`}></span></span
      >
      <span class="soft">
        {#if painted.exact?.late}{painted.exact.note}
        {:else}clear of {cueName(painted.exact?.next ?? '').toLowerCase()}{/if}
      </span>
    </div>
    {#if lab.last}
      <div class:moving={!painted.exact}>
        <p class="soft why">{painted.exact?.why ?? '…'}</p>
        <Options options={lab.last.options} chosen={row.cutterRead} />
      </div>
    {/if}
    <dl>
      <dt>Cutter</dt>
      <dd>{row.cutterPart}</dd>
      <dt>
        <span class="flex items-center gap-1">Screener <ReadGlyph read={row.screenerRead} size={24} /></span>
      </dt>
      <dd><b>{session.readName(row.screenerRead)}.</b> {row.screenerPart}</dd>
      <dt>Passer</dt>
      <dd>{row.passerPart}</dd>
    </dl>
    {#if lab.last}
      <h2>How it is set</h2>
      <Checks checks={lab.last.checks} />
    {/if}
    <h2>Expect these mistakes</h2>
    <ul>
      {#each row.mistakes as m (m)}<li>{m}</li>{/each}
    </ul>
    {#if lab.lesson}
      <details>
        <summary>Before the read</summary>
        <ul>
          {#each lab.lesson.screen.before as b (b)}<li>{b}</li>{/each}
        </ul>
      </details>
      <p class="caution">{lab.lesson.screen.caution}</p>
    {/if}
  {/if}
</aside>

<style>
  .answer {
    padding: 1.1rem;
    border-top: 10px solid var(--tape);
    display: grid;
    gap: 0.8rem;
  }
  .head {
    display: flex;
    gap: 0.9rem;
    align-items: center;
  }
  .cue {
    font-size: 1rem;
    line-height: 1.25;
  }
  .read {
    font-size: 2.3rem;
    font-weight: 700;
    line-height: 1.05;
  }
  .say {
    font-size: 1.22rem;
    line-height: 1.3;
  }
  .margin {
    display: grid;
    grid-template-columns: auto 6rem 1fr;
    gap: 0.7rem;
    align-items: center;
  }
  .feet {
    font-size: 1.5rem;
  }
  .rail {
    height: 10px;
    background: var(--seam);
  }
  .fill {
    display: block;
    height: 100%;
    background: var(--tape);
  }
  .moving {
    opacity: 0.45;
  }
  .why {
    font-size: 0.95rem;
  }
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0.4rem 0.9rem;
  }
  dt {
    color: var(--ink-soft);
  }
  ul {
    margin: 0;
    padding-left: 1.1rem;
    list-style: square;
  }
  .caution {
    border-left: 6px solid var(--mark);
    padding-left: 0.7rem;
    font-size: 0.92rem;
  }
  .problem {
    color: var(--alarm);
    font-weight: 700;
  }
  summary {
    cursor: pointer;
    min-height: 32px;
  }
</style>
