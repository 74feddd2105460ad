<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { Asking } from '$lib/quiz/asking.svelte';
  import RoundFloor from '$lib/quiz/RoundFloor.svelte';
  import { RoundRemote } from '$lib/quiz/wall.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // A round of the whole team in front of a big screen: everybody points, the coach counts.
  // Begun from a practice, its second screens show the round, and this page leads it.
  const team = page.params.team ?? '';
  const remote = new RoundRemote(team, page.url.searchParams.get('practice') ?? '');
  const back = remote.practice ? `/${team}/run/${remote.practice}` : `/${team}/teach`;
  const backTo = remote.practice ? 'Back to practice' : 'Back to Teach';
  const a = new Asking(undefined, false);
  let pack = $state.raw<Schemas['QuizPack'] | null>(null);
  let problem = $state('');
  let step = $state(2);
  let action = $state('');
  let at = $state(-1);
  let here = $state(0);
  let counts = $state<number[]>([]);
  const over = $derived(pack !== null && at >= pack.items.length);
  const nameOf = (id: string) => pack?.reads.find((r) => r.id === id)?.name ?? id;
  const steps = [
    'Plain pictures, one side',
    'Both sides of the floor',
    'Closer, and mixed',
    'They change late',
    'They change late, and close'
  ];

  onMount(() => {
    ask(api.GET('/api/teams/{teamId}/players', { params: { path: { teamId: team } } })).then(
      (p) => (here = p.length),
      () => (here = 10)
    );
    return () => {
      a.stop();
      remote.end();
    };
  });

  // What has been told of the question, and how often it was shown again.
  let seed = 0;
  let again = $state(0);
  function tell(told: boolean) {
    remote.show({ step, seed, action, question: at, told, again });
  }

  async function begin() {
    problem = '';
    try {
      seed = crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;
      const query = action ? { step, seed, action } : { step, seed };
      pack = await ask(api.GET('/api/teams/{teamId}/round', { params: { path: { teamId: team }, query } }));
      counts = pack.items.map(() => 0);
      at = -1;
      next();
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }
  function next() {
    at++;
    again = 0;
    const item = pack?.items[at];
    if (item) {
      a.begin(item);
      tell(false);
    } else {
      a.stop();
      remote.end();
    }
  }
  // However it was answered, the screens show it too.
  $effect(() => {
    if (a.phase === 'told') tell(true);
  });
  function replay() {
    again++;
    a.again();
  }
  const count = (by: number) => (counts[at] = Math.min(here, Math.max(0, (counts[at] ?? 0) + by)));
  function leave() {
    a.stop();
    pack = null;
    remote.end();
  }
  function key(e: KeyboardEvent) {
    if (!pack || over || (e.target as HTMLElement).closest('button, select, input')) return;
    if (e.key === ' ' || e.key === 'Enter') {
      if (a.phase === 'asked') a.answer('');
      else if (a.phase === 'told') next();
    } else if (e.key === 'ArrowUp') count(1);
    else if (e.key === 'ArrowDown') count(-1);
    else return;
    e.preventDefault();
  }
  const sums = $derived.by(() => {
    const by: Record<string, { right: number; of: number }> = {};
    pack?.items.slice(0, Math.max(0, at)).forEach((it, i) => {
      const s = (by[it.right] ??= { right: 0, of: 0 });
      s.right += counts[i] ?? 0;
      s.of += here;
    });
    return Object.entries(by).sort((x, y) => x[1].right / x[1].of - y[1].right / y[1].of);
  });
</script>

<svelte:window onkeydown={key} />

<main
  class="lights-out min-h-dvh bg-floor text-ink grid grid-cols-[minmax(0,_1.35fr)_minmax(20rem,_1fr)] gap-4 p-4 items-center [box-sizing:border-box] max-md:grid-cols-[minmax(0,_1fr)] max-md:content-start"
>
  {#if !pack}
    <div class="start col-span-full grid gap-4 max-w-136 my-0 mx-auto text-base">
      <h1>Everybody points</h1>
      <p>
        A picture moves, then stops. The players point to where they would go; you show the answer and count
        who was right.
      </p>
      <Label
        >How hard
        <Select placeholder="" bind:value={step}>
          {#each steps as s, i (i)}<option value={i + 1}>{i + 1}: {s}</option>{/each}
        </Select>
      </Label>
      <Label
        >What
        <Select placeholder="" bind:value={action}>
          <option value="">A bit of everything</option>
          {#each session.catalogue?.actions ?? [] as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
        </Select>
      </Label>
      <Label>Players here <Input type="number" min="1" max="40" bind:value={here} /></Label>
      {#if problem}<Note>{problem}</Note>{/if}
      <div class="row flex flex-wrap gap-2 items-center">
        <Button main onclick={begin}>Begin the round</Button>
        <Button href={back}>{backTo}</Button>
      </div>
      {#if remote.practice}<p>The second screen of the practice shows the pictures; lead it from here.</p>
      {:else}<p class="soft">
          For the gym’s second screen, begin on the floor, under More: then you lead it from your own device.
        </p>{/if}
      <p class="soft">The count stays on this page: a crowd that points together is no record of anybody.</p>
    </div>
  {:else if over}
    <div class="start col-span-full grid gap-4 max-w-136 my-0 mx-auto text-base">
      <h1>The round</h1>
      <table>
        <tbody>
          {#each sums as [read, s] (read)}
            <tr
              ><td class="pt-1 pr-6 pb-1 pl-0 text-xl">{nameOf(read)}</td><td
                class="numeral pt-1 pr-6 pb-1 pl-0 text-xl">{s.right} of {s.of}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
      <p>The first line is what the team sees least.</p>
      <div class="row flex flex-wrap gap-2 items-center">
        <Button main onclick={begin}>Another round</Button>
        <Button onclick={leave}>Choose again</Button>
        <Button href={back}>{backTo}</Button>
      </div>
    </div>
  {:else}
    <RoundFloor asking={a} {pack} {at}>
      <div
        class="row lead flex flex-wrap gap-2 items-center max-md:sticky max-md:bottom-0 max-md:py-2 max-md:px-0 max-md:bg-floor"
      >
        {#if a.phase === 'asked'}<Button main onclick={() => a.answer('')}>Show the answer</Button>
        {:else if a.phase === 'told'}
          <span class="count flex flex-wrap gap-2 items-center">
            <Button aria-label="One fewer" onclick={() => count(-1)}>−</Button>
            <span><b class="numeral text-2xl">{counts[at]}</b> of {here} right</span>
            <Button aria-label="One more" onclick={() => count(1)}>+</Button>
          </span>
          <Button onclick={replay}>Again</Button>
          <Button main onclick={next}>Next</Button>
        {/if}
        <Button class="ml-auto" onclick={leave}>End</Button>
      </div>
      {#if remote.problem}<Note>{remote.problem}</Note>
      {:else if remote.practice}<p class="soft">The second screen shows it too.</p>{/if}
    </RoundFloor>
  {/if}
</main>
