<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import Checks from './Checks.svelte';
  import HelpPanel from './HelpPanel.svelte';
  import Options from './Options.svelte';
  import Question from './Question.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import type { Lab, Shooter } from './lab.svelte';

  let { lab }: { lab: Lab } = $props();

  const painted = $derived(lab.painted);
  const parts = $derived(lab.lesson?.screen.parts ?? ['Cutter', 'Screener', 'Passer']);
  // With the ball in the screen it matters who can shoot.
  const shooters = $derived.by((): { id: Shooter; name: string }[] => {
    if (lab.lesson?.screen.family !== 'ball') return [];
    const of = (id: string) => lab.lesson?.screen.people.find((p) => p.id === id);
    return (['cutter', 'screener', 'second'] as const).flatMap((id) => {
      const p = of(id);
      return p ? [{ id: `${id}Shoots` as Shooter, name: p.name }] : [];
    });
  });
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
        <p class="cue">{session.cueName(painted.cue)} <span class="soft">{row.seen}</span></p>
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
        {:else}clear of {session.cueName(painted.exact?.next ?? '').toLowerCase()}{/if}
      </span>
    </div>
    {#if row.then?.length}
      <ul class="quiet-list then" aria-label="Then">
        {#each row.then as t (t.read + t.if)}
          <li>
            <ReadGlyph read={t.read} size={26} /><span><b>{session.readName(t.read)}</b> if {t.if}</span>
          </li>
        {/each}
      </ul>
    {/if}
    {#if lab.last}
      <div class:moving={!painted.exact} class="grid gap-3">
        <p class="soft why">{painted.exact?.why ?? '…'}</p>
        {#if lab.last.help && lab.lesson}<HelpPanel
            help={lab.last.help}
            people={lab.lesson.screen.people}
          />{/if}
        {#if lab.last.options.length}<Options options={lab.last.options} chosen={row.cutterRead} />{/if}
      </div>
    {/if}
    {#if shooters.length}
      <fieldset class="shooters">
        <legend>Who makes the three</legend>
        {#each shooters as p (p.id)}
          <label
            ><input
              type="checkbox"
              checked={lab.situation?.[p.id] ?? false}
              onchange={(e) => lab.shoots(p.id, e.currentTarget.checked)}
            />{p.name}</label
          >
        {/each}
      </fieldset>
    {/if}
    <dl>
      <dt>{parts[0]}</dt>
      <dd>{row.cutterPart}</dd>
      <dt>
        <span class="flex items-center gap-1">{parts[1]} <ReadGlyph read={row.screenerRead} size={24} /></span
        >
      </dt>
      <dd><b>{session.readName(row.screenerRead)}.</b> {row.screenerPart}</dd>
      <dt>{parts[2]}</dt>
      <dd>{row.passerPart}</dd>
    </dl>
    {#if lab.last?.checks.length}
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
  .then {
    display: grid;
    gap: 0.25rem;
    font-size: 0.98rem;
  }
  .then li {
    display: flex;
    gap: 0.5rem;
    align-items: center;
  }
  .shooters {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.2rem;
    align-items: center;
    border: 0;
    padding: 0;
  }
  .shooters legend {
    float: left;
    margin-right: 1rem;
    color: var(--ink-soft);
  }
  .shooters label {
    display: flex;
    gap: 0.4rem;
    align-items: center;
    min-height: 40px;
    cursor: pointer;
  }
  .shooters input {
    width: 20px;
    height: 20px;
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
  summary {
    cursor: pointer;
    min-height: 44px;
  }
</style>
