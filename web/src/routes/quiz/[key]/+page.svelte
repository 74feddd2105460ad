<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import Choices from '$lib/quiz/Choices.svelte';
  import Home from '$lib/quiz/Home.svelte';
  import QuizFloor from '$lib/quiz/QuizFloor.svelte';
  import { Training } from '$lib/quiz/training.svelte';
  import Button from '$lib/ui/Button.svelte';

  // A player's own questions, by a private link: one thumb, with or without a network.
  const t = new Training(page.params.key ?? '');
  const a = t.asking;
  onMount(() => {
    void t.open();
    return () => t.close();
  });
  const item = $derived(a.item);
  const scene = $derived(t.pack?.scenes.find((s) => s.id === item?.card.action));
  const nameOf = (id: string) => t.pack?.reads.find((r) => r.id === id)?.name ?? id;
  const answers = (n: number) => (n === 1 ? 'One answer' : `${n} answers`);
  const begun = $derived(a.phase !== 'rest');
  const verdict = $derived.by(() => {
    if (!item || a.phase !== 'told') return '';
    if (a.right) return `Correct, in ${a.seconds.toFixed(1)} s.`;
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

<svelte:head><title>Read quiz · Evrik</title></svelte:head>
<svelte:window ononline={() => t.send()} />

<main
  class="min-h-dvh max-w-184 my-0 mx-auto pt-2 pr-3 pb-3 pl-3 flex flex-col gap-2 [box-sizing:border-box]"
>
  {#if t.dead}
    <div class="grid gap-4 flex-1 justify-items-start content-center">
      <h1 class="text-2xl">This link has ended</h1>
      <p role="alert">{t.dead}</p>
      {#if t.left > 0}
        <p>
          Not sent from this phone: {answers(t.left).toLowerCase()}. Your new link, opened on this phone, can
          take that along.
        </p>
        <Button onclick={() => t.claim(false)}>Discard</Button>
      {/if}
    </div>
  {:else if !t.pack}
    <div class="grid gap-4 flex-1 content-end justify-items-start">
      {#if t.problem}<h1 class="text-2xl">No questions yet</h1>
        <p role="alert">{t.problem}</p>
        <Button main onclick={() => t.open()}>Retry</Button>
      {:else}<p role="status" class="soft">Loading your questions…</p>{/if}
    </div>
  {:else}
    <header class="flex gap-3 items-baseline">
      {#if begun}
        <span class="numeral text-xl"
          >{Math.min(t.done + (a.phase === 'told' ? 0 : 1), t.size)} of {t.size}</span
        >
      {:else}<b class="text-lg">Read quiz</b>{/if}
      <span class="soft">step {t.step} of {t.pack.steps}</span>
      <span class="grow"></span>
      <span class="soft" role="status">
        {#if t.problem}{t.problem}{:else if t.waiting > 0}{t.waiting} on this phone{:else if !t.reachable}no
          network{:else if t.shape && t.shape.asked > 0}all sent{/if}
      </span>
    </header>
    {#if begun}
      <div class="floor border border-seam max-h-[52dvh] [&_svg]:max-h-[52dvh]">
        <QuizFloor asking={a} pack={t.pack} />
      </div>
      <div class="time h-[0.6rem] bg-seam" aria-hidden="true">
        <span class="block h-full bg-ink" style:width={`${100 * a.left}%`}></span>
      </div>
      <div class="min-h-[8.2rem]" aria-live="polite">
        {#if a.phase === 'told' && item}
          <p class="text-xl font-bold">{verdict}</p>
          <p>{item.seen}. {item.say}</p>
          <p class="soft text-sm">{item.why}{item.disguised ? ' They changed late.' : ''}</p>
        {:else}
          <p class="text-xl font-bold">
            {a.phase === 'asked' ? 'Now!' : `You are ${item?.word ?? 'the one in the ring'}.`}
          </p>
          <p class="soft">{scene?.name}: watch the defenders.</p>
        {/if}
      </div>
      <div class="foot mt-auto">
        <Choices asking={a} pack={t.pack} />
        <div
          class="on flex gap-2 min-h-[3.4rem] mt-2 items-center [&_.tape]:flex-1 [&_.tape]:justify-center [&_.tape]:min-h-[3.2rem]"
        >
          {#if a.phase === 'told'}
            <Button onclick={() => a.again()}>See it again</Button>
            {#if t.more || t.over}<Button main onclick={next}>{t.over ? 'Finish' : 'Next'}</Button>
            {:else}<p class="soft">No more questions until there is a network.</p>{/if}
          {/if}
        </div>
      </div>
    {:else}
      <div class="grid gap-4 flex-1 content-end justify-items-start">
        {#if finished}
          <h1 class="text-2xl">{t.right} of {t.size}</h1>
          <ol class="grid grid-cols-[1fr_1fr] gap-y-2 gap-x-4 w-full font-bold" aria-label="This turn">
            {#each t.turn as q, i (i)}
              <li class="flex gap-2 items-center">
                <ReadGlyph read={q.read} size={34} />{nameOf(q.read)}
                <b class="ml-auto text-lg">{q.right ? '✓' : '✕'}</b>
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
          <h1 class="text-2xl">What do you see?</h1>
          {#if t.left > 0}
            <div
              class="grid gap-2 pl-3 border-l-6 border-l-mark mb-3"
              role="group"
              aria-label="From a link that has ended"
            >
              <p>On this phone: {answers(t.left).toLowerCase()} of a link that has ended. Yours?</p>
              <Button onclick={() => t.claim(true)}>Mine, send that</Button>
              <Button onclick={() => t.claim(false)}>Not mine, forget that</Button>
            </div>
          {/if}
          <p>Everybody moves, then stops. Look at the defenders and tap what you do.</p>
          <p class="soft">
            You are the one with the ring. {t.size} questions; from "Now!" you have {t.upcoming?.seconds.toFixed(
              1
            )} seconds.
          </p>
          <ul
            class="grid grid-cols-[1fr_1fr] gap-y-2 gap-x-4 w-full font-bold"
            aria-label="What you can answer"
          >
            {#each t.upcoming?.choices ?? [] as c (c)}
              <li class="flex gap-2 items-center"><ReadGlyph read={c} size={34} />{nameOf(c)}</li>
            {/each}
          </ul>
          <p class="soft text-sm">Nothing about you is on this page, and seeing it is not yet doing it.</p>
        {/if}
        <Home key={page.params.key ?? ''} />
        {#if t.more}<Button main class="w-full justify-center min-h-16 text-xl" onclick={next}
            >{finished ? 'Ten more' : 'Start'}</Button
          >
        {:else}<p class="soft">No more questions until there is a network.</p>{/if}
      </div>
    {/if}
  {/if}
</main>
