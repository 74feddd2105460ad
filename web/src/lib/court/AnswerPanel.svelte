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
  import { clearOf, hasMargin, spoken } from './spoken';
  import Note from '$lib/ui/Note.svelte';
  import Fold from '$lib/ui/Fold.svelte';

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
  class="answer sheet p-4 border-t-10 border-t-(--tape) grid gap-3"
  style:--tape={painted ? tapeOf(painted.row.cutterRead) : 'var(--line)'}
>
  {#if lab.problem}
    <Note>{lab.problem}</Note>
  {/if}
  <p class="sr-only" role="status">{painted && !lab.asking ? spoken(painted, session) : ''}</p>
  {#if lab.asking && painted}
    <Question {lab} right={painted.row.cutterRead} />
  {:else if painted}
    {@const row = painted.row}
    <div class="flex gap-4 items-center" data-cue={painted.cue}>
      {#if row.cutterRead}<ReadGlyph read={row.cutterRead} size={76} />{/if}
      <div>
        {#if exact?.state === 'open'}
          <p class="read text-2xl font-bold leading-[1.05]">Can't tell yet</p>
          <p class="cue soft text-sm leading-[1.25]">{exact.note}</p>
        {:else if exact?.state === 'none'}
          <p class="read text-2xl font-bold leading-[1.05]">{session.cueName('none')}</p>
          <p class="cue soft text-sm leading-[1.25]">{exact.note}</p>
        {:else}
          <p class="cue text-sm leading-[1.25]">
            {session.cueName(painted.cue)} <span class="soft">{row.seen}</span>
          </p>
        {/if}
        {#if row.cutterRead}
          <p class="read text-2xl font-bold leading-[1.05]">{session.readName(row.cutterRead)}</p>
        {/if}
      </div>
    </div>
    {#if row.say}<p class="say text-lg leading-[1.3]">“{row.say}”</p>{/if}
    {#if hasMargin(painted)}
      <div class="grid grid-cols-[auto_6rem_1fr] gap-3 items-center">
        <span class="numeral text-xl">{painted.margin.toFixed(1)} ft</span>
        <span class="h-[10px] bg-seam"
          ><span
            class="block h-full bg-(--tape)"
            style:width={`${Math.min(100, (painted.margin / widest) * 100)}%`}
          ></span></span
        >
        <span class="soft">{clearOf(painted, session)}</span>
      </div>
    {/if}
    <Picture {lab} />
    <AlsoRight
      answers={others}
      title={exact?.state === 'open' ? 'Correct for one of them' : 'Also correct'}
    />
    {#if lab.last}
      <div class:moving={!painted.exact} class="grid gap-3 [&.moving]:opacity-45">
        <p class="soft why text-sm">{painted.exact?.why ?? '…'}</p>
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
    <dl class="grid grid-cols-[auto_1fr] gap-y-2 gap-x-4">
      {#if row.cutterPart}
        <dt class="text-soft">{parts[0]}</dt>
        <dd>{row.cutterPart}</dd>
      {/if}
      {#if row.screenerRead}
        <dt class="text-soft">
          <span class="flex items-center gap-1"
            >{parts[1]} <ReadGlyph read={row.screenerRead} size={24} /></span
          >
        </dt>
        <dd><b>{session.readName(row.screenerRead)}.</b> {row.screenerPart}</dd>
      {/if}
      {#if row.passerPart}
        <dt class="text-soft">
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
    <AlsoRight answers={partner} title={`${parts[1]}: also correct`} />
    <AlsoRight answers={third.slice(1)} title={`${parts[2]}: also correct`} />
    {#if lab.last?.checks.length}
      <h2>How it is set</h2>
      <Checks checks={lab.last.checks} />
    {/if}
    {#if row.mistakes.length}
      <h2>Expect these mistakes</h2>
      <ul class="m-0 pl-4 list-[square]">
        {#each row.mistakes as m (m)}<li>{m}</li>{/each}
      </ul>
    {/if}
    {#if lab.lesson}
      <Fold
        >{#snippet title()}<span>Before the read</span>{/snippet}
        <ul class="m-0 pl-4 list-[square]">
          {#each lab.lesson.action.before as b (b)}<li>{b}</li>{/each}
        </ul>
      </Fold>
      <p class="border-l-6 border-l-mark pl-3 text-sm">{lab.lesson.action.caution}</p>
    {/if}
  {/if}
</aside>
