<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import Checks from './Checks.svelte';
  import HelpPanel from './HelpPanel.svelte';
  import Options from './Options.svelte';
  import Question from './Question.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import AlsoRight from './AlsoRight.svelte';
  import Picture from './Picture.svelte';
  import type { Lab } from './lab.svelte';

  let { lab }: { lab: Lab } = $props();

  const painted = $derived(lab.painted);
  const parts = $derived(lab.lesson?.action.parts ?? ['Cutter', 'Screener', 'Passer']);
  const exact = $derived(painted?.exact ?? null);
  // The first answer is the big one; the others are listed below it.
  const others = $derived(
    (exact?.accepted ?? []).filter((a) => a.who === 'cutter' && a.read !== painted?.row.cutterRead)
  );
  const partner = $derived(
    (exact?.accepted ?? []).filter((a) => a.who === 'screener' && a.read !== painted?.row.screenerRead)
  );
  const third = $derived((exact?.accepted ?? []).filter((a) => a.role === lab.lesson?.action.third));
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
      {#if row.cutterRead}<ReadGlyph read={row.cutterRead} size={76} />{/if}
      <div>
        {#if exact?.state === 'open'}
          <p class="read" role="status">Can't tell yet</p>
          <p class="cue soft">{exact.note}</p>
        {:else if exact?.state === 'none'}
          <p class="read" role="status">{session.cueName('none')}</p>
          <p class="cue soft">{exact.note}</p>
        {:else}
          <p class="cue">{session.cueName(painted.cue)} <span class="soft">{row.seen}</span></p>
        {/if}
        {#if row.cutterRead}<p class="read" role={exact?.state === 'open' ? undefined : 'status'}>
            {session.readName(row.cutterRead)}
          </p>{/if}
      </div>
    </div>
    {#if row.say}<p class="say">“{row.say}”</p>{/if}
    {#if painted.cue !== 'undecided' && painted.cue !== 'none'}
      <div class="margin">
        <span class="numeral feet">{painted.margin.toFixed(1)} ft</span>
        <span class="rail"
          ><span class="fill" style:width={`${Math.min(100, (painted.margin / widest) * 100)}%`}></span></span
        >
        <span class="soft">
          {#if exact?.state === 'close'}{exact.note}
          {:else if exact?.next === 'none'}until no cue is clear
          {:else if exact && exact.next !== painted.cue}clear of {session.cueName(exact.next).toLowerCase()}
          {:else}clear{/if}
        </span>
      </div>
    {/if}
    <Picture {lab} />
    <AlsoRight answers={others} title={exact?.state === 'open' ? 'Right for one of them' : 'Also right'} />
    {#if lab.last}
      <div class:moving={!painted.exact} class="grid gap-3">
        <p class="soft why">{painted.exact?.why ?? '…'}</p>
        {#if lab.last.help && lab.lesson}<HelpPanel
            help={lab.last.help}
            people={lab.lesson.action.participants}
          />{/if}
        {#if lab.last.options.length}<Options
            options={lab.last.options}
            right={[row.cutterRead, ...others.map((a) => a.read)]}
          />{/if}
      </div>
    {/if}
    <dl>
      {#if row.cutterPart}
        <dt>{parts[0]}</dt>
        <dd>{row.cutterPart}</dd>
      {/if}
      {#if row.screenerRead}
        <dt>
          <span class="flex items-center gap-1"
            >{parts[1]} <ReadGlyph read={row.screenerRead} size={24} /></span
          >
        </dt>
        <dd><b>{session.readName(row.screenerRead)}.</b> {row.screenerPart}</dd>
      {/if}
      {#if row.passerPart}
        <dt>
          <span class="flex items-center gap-1"
            >{parts[2]}{#if third[0]}<ReadGlyph read={third[0].read} size={24} />{/if}</span
          >
        </dt>
        <dd>
          {#if third[0]}<b>{session.readName(third[0].read)}.</b>{/if}
          {row.passerPart}
        </dd>
      {/if}
    </dl>
    <AlsoRight answers={partner} title={`${parts[1]}: also right`} />
    <AlsoRight answers={third.slice(1)} title={`${parts[2]}: also right`} />
    {#if lab.last?.checks.length}
      <h2>How it is set</h2>
      <Checks checks={lab.last.checks} />
    {/if}
    {#if row.mistakes.length}
      <h2>Expect these mistakes</h2>
      <ul>
        {#each row.mistakes as m (m)}<li>{m}</li>{/each}
      </ul>
    {/if}
    {#if lab.lesson}
      <details>
        <summary>Before the read</summary>
        <ul>
          {#each lab.lesson.action.before as b (b)}<li>{b}</li>{/each}
        </ul>
      </details>
      <p class="caution">{lab.lesson.action.caution}</p>
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
  summary {
    cursor: pointer;
    min-height: 44px;
  }
</style>
