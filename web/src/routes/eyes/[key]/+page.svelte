<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import Choices from '$lib/eyes/Choices.svelte';
  import Home from '$lib/eyes/Home.svelte';
  import EyesFloor from '$lib/eyes/EyesFloor.svelte';
  import { Training } from '$lib/eyes/training.svelte';

  // A player's own questions, by a private link: one thumb, with or without a network.
  const t = new Training(page.params.key ?? '');
  const a = t.asking;
  onMount(() => {
    void t.open();
    return () => t.close();
  });
  const item = $derived(a.item);
  const scene = $derived(t.pack?.scenes.find((s) => s.id === item?.card.screen));
  const nameOf = (id: string) => t.pack?.reads.find((r) => r.id === id)?.name ?? id;
  const answers = (n: number) => (n === 1 ? 'One answer' : `${n} answers`);
  const begun = $derived(a.phase !== 'rest');
  const verdict = $derived.by(() => {
    if (!item || a.phase !== 'told') return '';
    if (a.right) return `Right, in ${a.seconds.toFixed(1)} s.`;
    const right = nameOf(item.right).toLowerCase();
    return a.choice ? `No: ${right}.` : `Time. It was: ${right}.`;
  });
  let finished = $state(false);
  function next() {
    finished = t.over && !finished;
    if (finished) a.stop();
    else t.next();
  }
</script>

<svelte:head><title>Eyes · Evrik</title></svelte:head>
<svelte:window ononline={() => t.send()} />

<main class="eyes">
  {#if t.dead}
    <div class="note ended">
      <h1>This link has ended</h1>
      <p role="alert">{t.dead}</p>
      {#if t.left > 0}
        <p>
          Not sent from this phone: {answers(t.left).toLowerCase()}. Your new link, opened on this phone, can
          take that along.
        </p>
        <button class="tape plain" onclick={() => t.claim(false)}>Forget that</button>
      {/if}
    </div>
  {:else if !t.pack}
    <div class="note">
      {#if t.problem}<h1>No questions yet</h1>
        <p role="alert">{t.problem}</p>
        <button class="tape" onclick={() => t.open()}>Retry</button>
      {:else}<p role="status" class="soft">Getting your questions…</p>{/if}
    </div>
  {:else}
    <header>
      {#if begun}
        <span class="numeral">{Math.min(t.done + (a.phase === 'told' ? 0 : 1), t.size)} of {t.size}</span>
      {:else}<span class="numeral">Eyes</span>{/if}
      <span class="soft">step {t.step} of {t.pack.steps}</span>
      <span class="grow"></span>
      <span class="soft" role="status">
        {#if t.problem}{t.problem}{:else if t.waiting > 0}{t.waiting} on this phone{:else if !t.reachable}no
          network{:else if t.shape && t.shape.asked > 0}all sent{/if}
      </span>
    </header>
    {#if begun}
      <div class="floor"><EyesFloor asking={a} pack={t.pack} /></div>
      <div class="time" aria-hidden="true"><span style:width={`${100 * a.left}%`}></span></div>
      <div class="said" aria-live="polite">
        {#if a.phase === 'told' && item}
          <p class="verdict">{verdict}</p>
          <p>{item.seen}. {item.say}</p>
          <p class="soft small">{item.why}{item.disguised ? ' They changed late.' : ''}</p>
        {:else}
          <p class="verdict">
            {a.phase === 'asked' ? 'Now!' : `You are ${item?.word ?? 'the one in the ring'}.`}
          </p>
          <p class="soft">{scene?.name}: watch the defenders.</p>
        {/if}
      </div>
      <div class="foot">
        <Choices asking={a} pack={t.pack} />
        <div class="on">
          {#if a.phase === 'told'}
            <button class="tape plain" onclick={() => a.again()}>See it again</button>
            {#if t.more || t.over}<button class="tape" onclick={next}>{t.over ? 'Finish' : 'Next'}</button>
            {:else}<p class="soft">No more questions until there is a network.</p>{/if}
          {/if}
        </div>
      </div>
    {:else}
      <div class="note">
        {#if finished}
          <h1>{t.right} of {t.size}</h1>
          <ol class="turn" aria-label="This turn">
            {#each t.turn as q, i (i)}
              <li>
                <ReadGlyph read={q.read} size={34} />{nameOf(q.read)}
                <b>{q.right ? '✓' : '✕'}</b>
              </li>
            {/each}
          </ol>
          {#if t.shape}<p>
              What you missed comes back first. Of {t.shape.cards} pictures you know {t.shape.held} well by now.
            </p>{/if}
          {#if t.problem}{t.problem}{:else if t.waiting > 0}<p class="soft">
              {t.waiting} answers are on this phone; they are sent when there is a network.
            </p>{/if}
        {:else}
          <h1>What do you see?</h1>
          {#if t.left > 0}
            <div class="left" role="group" aria-label="From a link that has ended">
              <p>On this phone: {answers(t.left).toLowerCase()} of a link that has ended. Yours?</p>
              <button class="tape plain" onclick={() => t.claim(true)}>Mine, send that</button>
              <button class="tape plain" onclick={() => t.claim(false)}>Not mine, forget that</button>
            </div>
          {/if}
          <p>Everybody moves, then stops. Look at the defenders and tap what you do.</p>
          <p class="soft">
            You are the one with the ring. {t.size} questions; from "Now!" you have {t.upcoming?.seconds.toFixed(
              1
            )} seconds.
          </p>
          <ul class="answers" aria-label="What you can answer">
            {#each t.upcoming?.choices ?? [] as c (c)}
              <li><ReadGlyph read={c} size={34} />{nameOf(c)}</li>
            {/each}
          </ul>
          <p class="soft small">Nothing about you is on this page, and seeing it is not yet doing it.</p>
        {/if}
        <Home key={page.params.key ?? ''} />
        {#if t.more}<button class="tape start" onclick={next}>{finished ? 'Ten more' : 'Start'}</button>
        {:else}<p class="soft">No more questions until there is a network.</p>{/if}
      </div>
    {/if}
  {/if}
</main>

<style>
  .left {
    display: grid;
    gap: 0.5rem;
    padding-left: 0.8rem;
    border-left: 6px solid var(--mark);
    margin-bottom: 0.8rem;
  }
  .eyes {
    min-height: 100dvh;
    max-width: 46rem;
    margin: 0 auto;
    padding: 0.6rem 0.8rem 0.8rem;
    display: flex;
    flex-direction: column;
    gap: 0.5rem;
    box-sizing: border-box;
  }
  header {
    display: flex;
    gap: 0.8rem;
    align-items: baseline;
  }
  header .numeral {
    font-size: 1.6rem;
  }
  .floor {
    border: 1px solid var(--seam);
    max-height: 52dvh;
  }
  .floor :global(svg) {
    max-height: 52dvh;
  }
  .time {
    height: 0.6rem;
    background: var(--seam);
  }
  .time span {
    display: block;
    height: 100%;
    background: var(--ink);
  }
  .said {
    min-height: 8.2rem;
  }
  .verdict {
    font-size: 1.5rem;
    font-weight: 700;
  }
  .small {
    font-size: 0.9rem;
  }
  .foot {
    margin-top: auto;
  }
  .on {
    display: flex;
    gap: 0.6rem;
    min-height: 3.4rem;
    margin-top: 0.6rem;
    align-items: center;
  }
  .on :global(.tape) {
    flex: 1;
    justify-content: center;
    min-height: 3.2rem;
  }
  .note {
    display: grid;
    gap: 0.9rem;
    flex: 1;
    align-content: end;
    justify-items: start;
  }
  .answers,
  .turn {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem 1.2rem;
    width: 100%;
    font-weight: 700;
  }
  .turn b {
    margin-left: auto;
    font-size: 1.3rem;
  }
  .answers li,
  .turn li {
    display: flex;
    gap: 0.5rem;
    align-items: center;
  }
  .ended {
    align-content: center;
  }
  .note h1 {
    font-size: 2.2rem;
  }
  .start {
    width: 100%;
    justify-content: center;
    min-height: 4rem;
    font-size: 1.4rem;
  }
</style>
