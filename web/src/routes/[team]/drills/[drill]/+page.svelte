<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, Refusal, type Player, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import { download } from '$lib/drill/draft.svelte';
  import AnswerLadder from '$lib/drill/AnswerLadder.svelte';
  import About from '$lib/drill/About.svelte';
  import Counts from '$lib/drill/Counts.svelte';
  import Dealt from '$lib/drill/Dealt.svelte';
  import OrderTable from '$lib/drill/OrderTable.svelte';
  import PhasePicture from '$lib/drill/PhasePicture.svelte';
  import Shots from '$lib/drill/Shots.svelte';
  import { shoots } from '$lib/drills/library';
  import RunThrough from '$lib/drill/RunThrough.svelte';
  import TakePart from '$lib/drill/TakePart.svelte';
  import Wishes from '$lib/drill/Wishes.svelte';
  import Ladder from '$lib/parts/Ladder.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  const team = page.params.team ?? '';
  const path = { teamId: team };
  const drill = $derived(session.drill(page.params.drill ?? ''));

  let players = $state<Player[]>([]);
  let motion = $state.raw<Schemas['Motion'] | null>(null);
  let here = $state<Record<string, boolean>>({});
  let stageId = $state('');
  let noHelpers = $state(false);
  let matchSizes = $state(false);
  let baskets = $state(2);
  let minutes = $state(10);
  let seconds = $state<number>();
  let seed = $state(1);
  let order = $state<Schemas['Order'] | null>(null);
  let problem = $state('');
  let at = $state(0);
  /** Reps that have been run: they stand when somebody comes or leaves. */
  let done = $state.raw<Schemas['OrderRep'][]>([]);
  let apart = $state<string[][]>([]);
  let together = $state<string[][]>([]);
  let harder = $state<string[]>([]);
  /** The highest rung each player holds on a read of this drill's situation. */
  let held = $state<number[]>([]);
  /** The table of the drill's situation, for the coach's cue list on paper. */
  let answers = $state.raw<Schemas['Row'][]>([]);

  const stage = $derived(drill?.stages.find((s) => s.id === stageId) ?? drill?.stages[0]);
  const present = $derived(players.filter((p) => here[p.id]).map((p) => p.id));
  const byId = $derived(new Map(players.map((p) => [p.id, p])));
  const jersey = (id: string) => byId.get(id)?.jersey ?? '';
  const name = (id: string) => byId.get(id)?.name ?? 'coach';

  const own = $derived(drill?.positions.filter((p) => !p.helper) ?? []);
  const helpers = $derived(drill?.positions.filter((p) => p.helper) ?? []);
  onMount(async () => {
    const id = drill?.id;
    if (!id) return;
    // A drill opens at its first live stage, or where its ladder ends.
    stageId = (drill.stages.find((s) => s.defenders > 0) ?? drill.stages.at(-1))?.id ?? '';
    try {
      [players, motion] = await Promise.all([
        ask(api.GET('/api/teams/{teamId}/players', { params: { path } })),
        ask(api.GET('/api/teams/{teamId}/motion', { params: { path, query: { drill: id } } }))
      ]);
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
    here = Object.fromEntries(players.map((p) => [p.id, true]));
    await stand();
  });

  /** The answers to the drill's cues, and where the squad stands on its ladder. */
  async function stand() {
    const screen = drill?.screen;
    if (!screen) return;
    const role = session.catalogue?.screens.find((s) => s.id === screen)?.roles[0];
    const lesson = await ask(api.GET('/api/teams/{teamId}/lesson', { params: { path, query: { screen } } }));
    answers = lesson.rows;
    if (role !== 'cutter') return;
    const board = await ask(
      api.GET('/api/teams/{teamId}/board', { params: { path, query: { role: 'cutter' } } })
    );
    const asked = board.columns.flatMap((c, i) => (answers.some((r) => r.cutterRead === c) ? [i] : []));
    held = board.lines.map((l) => Math.max(0, ...asked.map((i) => l.cells[i]?.held ?? 0)));
  }

  const ownEntry = $derived(session.own.find((o) => o.drill.id === drill?.id));

  async function archive() {
    if (!ownEntry) return;
    try {
      await ask(
        api.POST('/api/drills/{drillId}/archive', {
          params: { path: { drillId: ownEntry.drill.id } },
          body: { archived: !ownEntry.archived }
        })
      );
      await session.loadOwn();
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }

  let asked = 0;
  /** While the list on the page is not yet that of the numbers above it. */
  let dealing = $state(false);
  $effect(() => {
    if (!drill || !stage || players.length === 0) return;
    const body = {
      drill: drill.id,
      stage: stage.id,
      players: present,
      baskets,
      minutes,
      seed,
      noHelpers,
      matchSizes,
      apart,
      together,
      harder,
      ...(done.length ? { done } : {}),
      ...(seconds ? { seconds } : {})
    };
    const mine = ++asked;
    dealing = true;
    ask(api.POST('/api/teams/{teamId}/order', { params: { path }, body })).then(
      (o) => {
        if (mine !== asked) return;
        order = o;
        dealing = false;
        problem = '';
        at = Math.min(done.length, o.reps.length - 1);
      },
      (e: Refusal) => {
        if (mine !== asked) return;
        order = null;
        dealing = false;
        problem = e.message;
      }
    );
  });
</script>

{#if !drill || !stage}
  <h1>This drill is not in the catalogue</h1>
  <p class="my-4"><a href={`/${team}/drills`}>Back to the drills</a></p>
{:else}
  <div
    class="drill grid grid-cols-[minmax(18rem,_24rem)_minmax(0,_1fr)] gap-6 items-start max-md:grid-cols-[minmax(0,_1fr)] print:grid-cols-[minmax(0,_1fr)] print:gap-2 print:text-[9pt] print:[zoom:0.85]"
  >
    <section
      class="first:grid first:gap-3 print:first:block print:first:[columns:3] print:first:[&_h1]:[column-span:all] print:first:[&_:not(h1)]:text-[9pt]"
    >
      <h1>{drill.name}</h1>
      <p>{drill.about}</p>
      <div class="stages flex gap-4 items-center print:hidden">
        <Ladder stages={drill.stages} chosen={stageId} {held} />
        <div class="grid gap-2" role="radiogroup" aria-label="Stage">
          {#each [...drill.stages].reverse() as s (s.id)}
            <Button
              class="justify-start text-left font-normal w-full min-h-12 aria-checked:font-bold"
              role="radio"
              aria-checked={s.id === stageId}
              onclick={() => {
                done = [];
                stageId = s.id;
              }}
            >
              <span class="numeral">{session.rung(s.rung)?.number}</span>
              <span>{s.name}</span>
            </Button>
          {/each}
        </div>
      </div>
      {#if held.length}<p class="soft text-sm print:hidden">In blue: how many players hold the rung.</p>{/if}
      <About {drill} {stage} {team} />
      <AnswerLadder {stage} rows={answers} />
      <p class="links no-print flex flex-wrap gap-2 my-3 mx-0">
        {#if ownEntry && session.coach}
          <Button href={`/${team}/drills/edit?drill=${drill.id}`}>Change it</Button>
          <Button onclick={archive}>{ownEntry.archived ? 'Bring it back' : 'Archive it'}</Button>
        {/if}
        {#if session.coach}
          <Button href={`/${team}/drills/edit?from=${drill.id}`}>Make it your own</Button>
        {/if}
        <Button onclick={() => download(drill)}>Export</Button>
        <Button onclick={() => print()}>Print</Button>
      </p>
      <div class="border-l-6 border-l-mark pl-3 text-sm">
        {#each drill.cautions as c (c)}<p>{c}</p>{/each}
      </div>
    </section>

    {#if motion}
      <section
        class="phases col-span-full [grid-row:2] grid grid-cols-[repeat(auto-fill,_minmax(min(100%,_18rem),_1fr))] gap-4 print:[grid-row:auto] print:grid-cols-[repeat(4,_1fr)] print:gap-2 first:grid first:gap-3 print:first:block print:first:[columns:3] print:first:[&_h1]:[column-span:all] print:first:[&_:not(h1)]:text-[9pt]"
        aria-label="Phase by phase"
      >
        {#each drill.phases as ph, i (i)}
          <figure class="m-0">
            <div class="aspect-[52/35]">
              <PhasePicture
                {drill}
                {motion}
                from={motion.play.steps[i]?.t ?? 0}
                to={motion.play.steps[i + 1]?.t ?? motion.play.duration}
              />
            </div>
            <figcaption class="text-sm leading-[1.3] print:text-[8pt]">
              <b>{i + 1}. {ph.name}.</b>
              {ph.say}
            </figcaption>
          </figure>
        {/each}
      </section>
    {/if}

    <section
      aria-labelledby="tonight"
      class="sheet tonight p-4 grid gap-4 border-t-8 border-t-mark print:grid-cols-[minmax(0,_1fr)] print:p-0 print:border-0 print:gap-2 first:grid first:gap-3 print:first:block print:first:[columns:3] print:first:[&_h1]:[column-span:all] print:first:[&_:not(h1)]:text-[9pt]"
      aria-busy={dealing}
    >
      <h2 id="tonight">Tonight</h2>
      <div class="no-print grid grid-cols-[repeat(3,_minmax(0,_1fr))] gap-3">
        <Label
          ><span>Baskets</span><Select placeholder="" bind:value={baskets}
            >{#each [1, 2, 3, 4, 5, 6] as b (b)}<option value={b}>{b}</option>{/each}</Select
          ></Label
        >
        <Label><span>Minutes</span><Input type="number" min="1" max="60" bind:value={minutes} /></Label>
        <Label>
          <span>Seconds a rep</span><Input
            type="number"
            min="5"
            max="120"
            placeholder={String(stage.seconds)}
            bind:value={seconds}
          />
        </Label>
      </div>
      {#if helpers.length}
        <Checkbox bind:checked={noHelpers} classes={{ div: 'print:hidden' }}
          >Nobody to help: a player stands in as
          {helpers.map((h) => h.name.toLowerCase()).join(', ')}</Checkbox
        >
      {/if}
      <TakePart {players} bind:here />
      <Wishes
        players={players.filter((p) => here[p.id])}
        cues={stage.cues}
        bind:apart
        bind:together
        bind:harder
      />
      {#if problem}
        <Note>{problem}</Note>
      {:else if order}
        <Dealt {order} {own} />
        {#if motion}
          <RunThrough {drill} {motion} {order} bind:at bind:done {jersey} {name} ondeal={() => (seed += 1)} />
        {/if}
        <Counts {order} {own} {jersey} {name} defended={stage.defenders > 0} />
        <OrderTable {order} {own} {stage} {answers} bind:at {jersey} {name} dim={dealing} />
      {/if}
      {#if !drill.screen && shoots(drill)}
        {@const alone = !session.rung(drill.stages[0]?.rung ?? '')?.live}
        {#key drill.id}<Shots {team} drill={drill.id} {jersey} {name} {alone} />{/key}
      {/if}
    </section>
  </div>
{/if}
