<script lang="ts">
  import { onMount } from 'svelte';
  import { replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import AnswerPanel from '$lib/court/AnswerPanel.svelte';
  import { Lab } from '$lib/court/lab.svelte';
  import { Player } from '$lib/court/player.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Chooser from '$lib/teach/Chooser.svelte';
  import LabFloor from '$lib/teach/LabFloor.svelte';
  import { copySvg } from '$lib/teach/copy';

  const team = page.params.team ?? '';
  const lab = new Lab(team);
  const player = new Player();
  let svg = $state<SVGSVGElement>();
  let showMap = $state(true);
  let choosing = $state(false);
  let problem = $state('');

  // The address names the screen and the cue, so that it can be sent to somebody.
  const asked = (name: string) => page.url.searchParams.get(name) ?? undefined;
  onMount(() =>
    guarded(async () => {
      await lab.load(asked('screen') ?? 'down', asked('cue'), asked('read'));
      const floor = asked('floor');
      if (floor) lab.place(floor);
    })
  );

  async function guarded(work: () => Promise<void>) {
    try {
      problem = '';
      await work();
    } catch (e) {
      if (lab.lesson) notices.fail(e);
      else problem = e instanceof Error ? e.message : String(e);
    }
  }

  const s = $derived(lab.situation);

  /** Keeps the address on the situation, so that it can be sent to somebody. */
  function remember() {
    lab.settle();
    if (s) replaceState(`?screen=${s.action}&floor=${lab.address}`, {});
  }

  function question() {
    player.clear();
    return guarded(() => lab.question());
  }

  function choose(screen: string, cue?: string) {
    player.clear();
    return guarded(async () => {
      await lab.load(screen, cue);
      replaceState(cue ? `?screen=${screen}&cue=${cue}` : `?screen=${screen}`, {});
    });
  }

  function mirror() {
    player.clear();
    lab.mirror();
    remember();
  }

  async function play() {
    if (player.running) return player.stop();
    await fetchPlay((p) => player.start(p));
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
    if (
      choosing ||
      e.ctrlKey ||
      e.metaKey ||
      e.altKey ||
      (e.target as HTMLElement).closest('input, select, textarea, button')
    )
      return;
    if (e.key === 'm') mirror();
    if (e.key === 'n') step();
    if (e.key === '/') {
      e.preventDefault();
      choosing = true;
    }
    if (e.key === ' ') {
      e.preventDefault();
      play();
    }
  }

  const shown = $derived(lab.asking ? undefined : lab.painted?.cue);
</script>

<svelte:window onkeydown={keys} />
<Chooser {team} current={lab.lesson?.action.id ?? ''} bind:open={choosing} onchoose={choose} />

<KeptNote since={lab.since} onretry={() => choose(s?.action ?? 'down')} />
{#if problem}
  <p role="alert">{problem}</p>
  <button class="tape" onclick={() => choose('down')}>Open the down screen</button>
{:else if !lab.lesson || !s}
  <p role="status" class="soft">Laying the court out…</p>
{:else}
  {@const lesson = lab.lesson}
  <div class="lab">
    <section class="floor">
      <div class="bar">
        <button class="screen" aria-haspopup="dialog" onclick={() => (choosing = true)}>
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
        <p class="soft">
          {lesson.action.about} <b>{lab.shadeOpen && showMap ? 'Darker is more open.' : 'Drag anybody.'}</b>
        </p>
      </div>
      <div class="court-box sheet">
        {#if player.moment}
          <p class="moment" role="status"><b>{player.moment.name}.</b> {player.moment.say}</p>
        {/if}
        <LabFloor {lab} {player} {showMap} bind:svg onsettle={remember} />
      </div>
      {#if lab.painted && !lab.asking}
        <p class="brief" aria-hidden="true">
          <ReadGlyph read={lab.painted.row.cutterRead} size={44} />
          <b>{session.readName(lab.painted.row.cutterRead)}</b>
          <span class="numeral">{lab.painted.margin.toFixed(1)} ft</span>
        </p>
      {/if}
      <div class="tools">
        <button class="tape" onclick={play}>{player.running ? 'Stop' : 'Play'}</button>
        <button class="tape plain" aria-pressed={player.slow} onclick={() => (player.slow = !player.slow)}
          >Slow</button
        >
        <button class="tape plain" onclick={step}>Step</button>
        {#if player.play}<button class="tape plain" onclick={() => player.clear()}>Back to the read</button
          >{/if}
        <button class="tape plain" onclick={mirror}>Mirror</button>
        <button class="tape plain" onclick={question}>Give me one</button>
        <button class="tape plain" aria-pressed={showMap} onclick={() => (showMap = !showMap)}
          >Read map</button
        >
        <button
          class="tape plain"
          aria-pressed={lab.shadeOpen}
          disabled={!showMap}
          onclick={() => lab.shade(!lab.shadeOpen)}>How open</button
        >
      </div>
      <div class="cues" role="group" aria-label="Show a cue">
        {#each lesson.rows as r (r.cue)}
          <button
            class="tape plain"
            aria-pressed={shown === r.cue}
            onclick={() => {
              player.clear();
              lab.example(r.cue);
            }}
          >
            <CueGlyph cue={r.cue} size={36} />{session.cueName(r.cue)}
          </button>
        {/each}
      </div>
    </section>
    <div class="grid grid-cols-[minmax(0,1fr)] gap-3">
      <AnswerPanel {lab} />
      <p class="papers">
        <a class="tape" href={`/${team}/show?screen=${lesson.action.id}&cue=${shown ?? ''}`}>Show the team</a>
        <a class="tape plain" href={`/${team}/teach/cards?screen=${lesson.action.id}`}>Cue cards</a>
        <a class="tape plain" href={`/${team}/teach/tape?screen=${lesson.action.id}`}>Tape sheet</a>
        <a class="tape plain" href={`/${team}/teach/motion`}>Motion offense</a>
        <a class="tape plain" href={`/${team}/show/round`}>Everybody points</a>
        <button class="tape plain" onclick={copy}>Copy as SVG</button>
      </p>
    </div>
  </div>
{/if}

<style>
  .lab {
    display: grid;
    grid-template-columns: minmax(0, 1.55fr) minmax(21rem, 1fr);
    gap: 1.25rem;
    align-items: start;
  }
  .floor {
    display: grid;
    grid-template-rows: auto minmax(20rem, 1fr) auto auto;
    gap: 0.75rem;
    height: calc(100dvh - 6.6rem);
    max-height: 60rem;
  }
  .bar {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0 1rem;
    align-items: center;
    min-height: 48px;
  }
  .screen {
    display: flex;
    gap: 0.7rem;
    align-items: center;
    font-size: 1.55rem;
    font-weight: 700;
    color: var(--ink);
    min-height: 48px;
    max-width: 24rem;
    text-align: left;
    line-height: 1.1;
    cursor: pointer;
  }
  .bar .soft {
    font-size: 0.92rem;
    line-height: 1.25;
  }
  .court-box {
    position: relative;
    min-height: 0;
  }
  .brief {
    display: none;
    align-items: center;
    gap: 0.6rem;
    font-size: 1.7rem;
  }
  .papers {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
  .tools,
  .cues {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
  }
  .cues .tape {
    padding: 0 0.8rem 0 0.5rem;
    font-weight: 400;
  }
  .moment {
    position: absolute;
    inset: 0 0 auto 0;
    padding: 0.5rem 0.9rem;
    background: color-mix(in srgb, var(--sheet) 88%, transparent);
    pointer-events: none;
  }
  @media (max-width: 900px) {
    .bar {
      grid-template-columns: minmax(0, 1fr);
    }
    .lab {
      grid-template-columns: minmax(0, 1fr);
    }
    .brief {
      display: flex;
    }
    .floor {
      height: auto;
      max-height: none;
      grid-template-rows: none;
    }
    .court-box {
      aspect-ratio: 52 / 39;
    }
  }
</style>
