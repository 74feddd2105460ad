<script lang="ts">
  import { replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import AnswerPanel from '$lib/court/AnswerPanel.svelte';
  import { Player } from '$lib/court/player.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Chooser from '$lib/teach/Chooser.svelte';
  import Scrubber from '$lib/court/Scrubber.svelte';
  import LabFloor from '$lib/teach/LabFloor.svelte';
  import { copySvg } from '$lib/teach/copy';
  import Button from '$lib/ui/Button.svelte';

  const team = page.params.team ?? '';
  let { data } = $props();
  const lab = $derived(data.lab);
  const player = new Player();
  let svg = $state<SVGSVGElement>();
  let showMap = $state(true);
  let choosing = $state(false);

  async function guarded(work: () => Promise<void>) {
    try {
      await work();
    } catch (e) {
      notices.fail(e);
    }
  }

  const s = $derived(lab.snapshot);

  /** Keeps the address on the snapshot, so that it can be sent to somebody. */
  function remember() {
    lab.settle();
    if (s) replaceState(`?action=${s.action}&floor=${lab.address}`, {});
  }

  function question() {
    player.clear();
    return guarded(() => lab.question());
  }

  function choose(action: string, cue?: string) {
    player.clear();
    return guarded(async () => {
      await lab.load(action, cue);
      replaceState(cue ? `?action=${action}&cue=${cue}` : `?action=${action}`, {});
    });
  }

  function mirror() {
    player.clear();
    lab.mirror();
    remember();
  }

  async function play() {
    if (player.running) return player.stop();
    await fetchPlay((p) => player.show(p));
  }

  function fetchPlay(use: (p: Schemas['Play']) => void) {
    return guarded(async () => {
      if (!s) return;
      use(await ask(api.POST('/api/teams/{teamId}/play', { params: { path: { teamId: team } }, body: s })));
    });
  }

  async function step() {
    if (player.play) return player.step();
    await fetchPlay((p) => player.load(p));
  }

  async function copy() {
    if (!svg || !s) return;
    const done = await copySvg(svg, `${s.action}-${lab.painted?.cue ?? 'floor'}`);
    notices.say(
      done === 'copied' ? 'The picture was copied as SVG.' : 'The picture was saved as an SVG file.'
    );
  }

  function keys(e: KeyboardEvent) {
    const elsewhere = (e.target as HTMLElement).closest('input, select, textarea, button');
    if (choosing || e.ctrlKey || e.metaKey || e.altKey || elsewhere) return;
    if (e.key === 'm') mirror();
    if (e.key === 'n') void step();
    if (e.key === '/') {
      e.preventDefault();
      choosing = true;
    }
    if (e.key === ' ') {
      e.preventDefault();
      void play();
    }
  }

  const shown = $derived(lab.asking ? undefined : lab.painted?.cue);
</script>

<svelte:window onkeydown={keys} />
<Chooser {team} current={lab.lesson?.action.id ?? ''} bind:open={choosing} onchoose={choose} />

<KeptNote since={lab.since} onretry={() => choose(s?.action ?? 'down')} />
{#if lab.lesson && s}
  {@const lesson = lab.lesson}
  <div
    class="lab grid grid-cols-[minmax(0,_1.55fr)_minmax(21rem,_1fr)] gap-4 items-start max-md:grid-cols-[minmax(0,_1fr)]"
  >
    <section
      class="floor grid grid-rows-[auto_minmax(20rem,_1fr)_auto_auto] gap-3 h-[calc(100dvh_-_6.6rem)] max-h-240 max-md:h-auto max-md:max-h-none max-md:grid-rows-[none]"
    >
      <div
        class="bar grid grid-cols-[auto_1fr] gap-y-0 gap-x-4 items-center min-h-12 max-md:grid-cols-[minmax(0,_1fr)]"
      >
        <button
          class="screen flex gap-3 items-center text-xl font-bold text-ink min-h-12 max-w-96 text-left leading-[1.1] cursor-pointer"
          aria-haspopup="dialog"
          onclick={() => (choosing = true)}
        >
          {lesson.action.name}
          <svg viewBox="0 0 16 10" width="16" height="10" aria-hidden="true"
            ><path
              d="M1.500 1.500L8 8L14.500 1.500"
              fill="none"
              stroke="currentColor"
              stroke-width="2.6"
            /></svg
          >
        </button>
        <p class="soft text-sm leading-[1.25]">
          {lesson.action.about} <b>{lab.shadeOpen && showMap ? 'Darker is more open.' : 'Drag anybody.'}</b>
        </p>
      </div>
      <div class="sheet relative min-h-0 max-md:aspect-[52/39]">
        {#if player.moment}
          <p class="absolute [inset:0_0_auto_0] py-2 px-4 bg-sheet/88 pointer-events-none" role="status">
            <b>{player.moment.name}.</b>
            {player.moment.say}
          </p>
        {/if}
        <LabFloor {lab} {player} {showMap} bind:svg onsettle={remember} />
      </div>
      {#if lab.painted && !lab.asking}
        <p class="brief hidden items-center gap-2 text-xl max-md:flex" aria-hidden="true">
          <ReadGlyph read={lab.painted.row.cutterRead} size={44} />
          <b>{session.readName(lab.painted.row.cutterRead)}</b>
          <span class="numeral">{lab.painted.margin.toFixed(1)} ft</span>
        </p>
      {/if}
      <div class="flex flex-wrap gap-2 items-center">
        <Button main onclick={play}>{player.running ? 'Stop' : 'Play'}</Button>
        <Button aria-pressed={player.slow} onclick={() => (player.slow = !player.slow)}>Slow</Button>
        <Button onclick={step}>Step</Button>
        <Scrubber {player} />
        <Button disabled={!player.play} onclick={() => player.clear()}>Back to the read</Button>
        <Button onclick={mirror}>Mirror</Button>
        <Button onclick={question}>Give me one</Button>
        <Button aria-pressed={showMap} onclick={() => (showMap = !showMap)}>Read map</Button>
        <Button aria-pressed={lab.shadeOpen} disabled={!showMap} onclick={() => lab.shade(!lab.shadeOpen)}
          >How open</Button
        >
      </div>
      <div class="cues flex flex-wrap gap-2 items-center" role="group" aria-label="Show a cue">
        {#each lesson.rows as r (r.cue)}
          <Button
            class="pt-0 pr-3 pb-0 pl-2 font-normal"
            aria-pressed={shown === r.cue}
            onclick={() => {
              player.clear();
              lab.example(r.cue);
            }}
          >
            <CueGlyph cue={r.cue} size={36} />{session.cueName(r.cue)}
          </Button>
        {/each}
      </div>
    </section>
    <div class="grid grid-cols-[minmax(0,1fr)] gap-3">
      <AnswerPanel {lab} />
      <p class="flex flex-wrap gap-2">
        <Button main href={`/${team}/show?action=${lesson.action.id}&cue=${shown ?? ''}`}
          >Show the team</Button
        >
        <Button href={`/${team}/teach/cards?action=${lesson.action.id}`}>Cue cards</Button>
        <Button href={`/${team}/teach/tape?action=${lesson.action.id}`}>Tape sheet</Button>
        <Button href={`/${team}/teach/motion`}>Motion offense</Button>
        <Button href={`/${team}/show/round`}>Everybody points</Button>
        <Button onclick={copy}>Copy as SVG</Button>
      </p>
    </div>
  </div>
{/if}
