<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import type { Floor } from './floor.svelte';
  import Ends from './Ends.svelte';
  import Links from './Links.svelte';
  import Tally from './Tally.svelte';
  import Button from '$lib/ui/Button.svelte';

  // One tap a rep. Where the cue is known, the big button says "Read it";
  // on live rungs each big button is a cue read rightly.
  let { floor, pointing }: { floor: Floor; pointing: boolean } = $props();

  const live = $derived(Boolean(floor.line.current?.live));
</script>

<section class="flex flex-col gap-3 min-w-0 max-sm:gap-2" aria-label="What was seen">
  <Links {floor} />
  {#if floor.frozen}
    <div class="flex-1 grid content-center justify-items-center gap-4 text-center">
      <p class="text-[length:clamp(3rem,_8vw,_6rem)] font-bold leading-none text-(--tape-blue)">Frozen</p>
      <p class="hint text-lg max-sm:block">Nobody moves. The rep stays as it is, and the clock stands.</p>
      <Button main class="min-w-56 text-xl" onclick={() => floor.freeze()}>Play on</Button>
    </div>
  {:else if !floor.rep}
    <p class="hint text-lg max-sm:hidden">
      Nobody can run this block now. Go to the next one, or see who is here under More.
    </p>
  {:else if floor.wrong}
    <p class="hint text-lg max-sm:block">
      What did the defense show, and what did <b>{floor.up?.name}</b> do?
    </p>
    <div class="wrongs grid gap-3 flex-1">
      {#each floor.rows as row (row.cue)}
        <div
          class="grid grid-cols-[minmax(7rem,_1.3fr)] [grid-auto-flow:column] [grid-auto-columns:minmax(64px,_1fr)] gap-2 items-stretch max-sm:grid-cols-[5.2rem] max-sm:gap-1"
          role="group"
          aria-label={session.cueName(row.cue)}
        >
          <span
            class="cue flex items-center gap-2 text-lg font-bold leading-[1.1] max-sm:text-sm max-sm:gap-0 max-sm:[&_svg]:hidden"
            ><CueGlyph cue={row.cue} size={46} />{session.cueName(row.cue)}</span
          >
          {#each floor.wrongs(row) as a (a.key)}
            <button
              class="answer relative flex items-center gap-4 min-h-16 bg-sheet border-2 border-seam [box-shadow:inset_10px_0_0_var(--tape,_var(--line))] text-ink text-xl font-bold leading-[1.1] text-left cursor-pointer max-sm:min-h-16 max-sm:text-base max-sm:pt-1 max-sm:pr-2 max-sm:pb-1 max-sm:pl-4 max-sm:gap-2 justify-center pt-0 pr-0 pb-0 pl-2 active:bg-mark active:text-[color:#07090b]"
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
    <p class="hint text-lg max-sm:hidden">
      {#if floor.shooting}Did <b>{floor.up?.name}</b> make it?
      {:else if floor.role === 'defender'}What did <b>{floor.up?.name}</b> show, and in time?
      {:else if live}<b>{floor.up?.name}</b> read it right: which one?
      {:else}What did <b>{floor.up?.name}</b> do?{/if}
    </p>
    <div
      class="grid grid grid-cols-[repeat(2,_minmax(0,_1fr))] gap-3 flex-1 [grid-auto-rows:minmax(64px,_1fr)] max-sm:[grid-auto-rows:minmax(64px,_auto)] max-sm:gap-2 [&.lead]:grid-rows-[minmax(96px,_1.4fr)] max-sm:[&.lead]:grid-rows-[minmax(84px,_auto)]"
      class:lead={!live && !floor.shooting}
    >
      {#each floor.answers as a, i (a.key)}
        <button
          class="answer relative flex items-center gap-4 min-h-16 py-2 px-4 bg-sheet border-2 border-seam [box-shadow:inset_10px_0_0_var(--tape,_var(--line))] pl-6 text-ink text-xl font-bold leading-[1.1] text-left cursor-pointer max-sm:min-h-16 max-sm:text-base max-sm:pt-1 max-sm:pr-2 max-sm:pb-1 max-sm:pl-4 max-sm:gap-2 [&.main]:text-2xl [&.main]:[background:color-mix(in_srgb,_var(--tape)_22%,_var(--sheet))] [&.main]:border-(--tape) [&.pointed]:[outline:5px_solid_var(--mark)] [&.pointed]:[outline-offset:-2px] active:bg-mark active:text-[color:#07090b] max-md:[&.main]:text-xl max-md:[&_svg]:size-12 max-sm:[&.main]:text-lg [.grid.lead_&]:[&.main]:col-span-full [.grid.lead_&]:[&.main]:min-h-24 max-sm:[.grid.lead_&]:[&.main]:min-h-21"
          class:main={a.main}
          class:pointed={pointing && i === floor.pointed}
          style:--tape={a.read ? tapeOf(a.read) : 'var(--line)'}
          onclick={() => floor.answer(a)}
        >
          <ReadGlyph read={a.read} size={a.main ? 72 : 48} />
          <span>
            {#if a.main && !live && !floor.shooting}<small class="block text-sm font-normal"
                >{floor.line.current?.reads ? 'Read it' : 'As named'}</small
              >{/if}
            {a.label || session.readName(a.read)}
          </span>
          <kbd class="numeral absolute right-2 bottom-1 text-sm text-soft max-sm:hidden" aria-hidden="true"
            >{i + 1}</kbd
          >
        </button>
      {/each}
    </div>
  {/if}
  {#if floor.rep && !floor.frozen && live}
    {#if !floor.shooting}
      <Button class="text-xl" aria-pressed={floor.wrong} onclick={() => (floor.wrong = !floor.wrong)}>
        {floor.role === 'defender' ? 'Not done' : 'Wrong read'}
      </Button>
    {/if}
    <Tally {floor} />
  {/if}
</section>
