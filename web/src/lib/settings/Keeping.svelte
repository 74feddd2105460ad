<script lang="ts">
  import { onMount } from 'svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { chosen } from '$lib/parts/chosen';
  import Imports from './Imports.svelte';
  import Sure from '$lib/parts/Sure.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';
  import FileButton from '$lib/ui/FileButton.svelte';

  // For how long single reps are kept, and the program's archive out and in.
  let months = $state(0);
  let wanted = $state(0);
  let sure = $state(false);
  let busy = $state('');
  let problem = $state('');
  let imports = $state<Imports>();
  let got = $state.raw<Schemas['ArchiveReceipt'] | null>(null);

  const uploadPatience = 30 * 60_000; // ms: seasons of reps on a slow line (assumption)
  const choices = [
    [0, 'for good'],
    [12, 'for a year'],
    [24, 'for two years'],
    [36, 'for three years'],
    [60, 'for five years']
  ] as const;

  onMount(async () => {
    imports?.load().catch((e) => notices.fail(e));
    months = wanted = (await ask(api.GET('/api/program/settings'))).keepMonths;
  });

  async function store() {
    try {
      months = (await ask(api.PUT('/api/program/settings', { body: { keepMonths: wanted } }))).keepMonths;
      notices.say('Saved. Older reps stay in team totals without names.');
    } catch (e) {
      notices.fail(e);
      wanted = months;
    }
  }

  function choose() {
    if (wanted === 0 || (months > 0 && wanted > months)) void store();
    else sure = true;
  }

  async function read(e: Event) {
    const file = chosen(e);
    if (!file) return;
    busy = `Reading ${file.name}…`;
    problem = '';
    got = null;
    try {
      const answer = await fetch('/api/program/archive', {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: file,
        signal: AbortSignal.timeout(uploadPatience)
      });
      const said = await answer.json();
      if (answer.ok) {
        // It is imported, whether or not the list of teams can be had anew.
        await session.load().catch((e) => notices.fail(e));
        got = said;
        await imports?.load().catch((e) => notices.fail(e));
      } else problem = said.detail;
    } catch {
      problem = 'The file could not be sent. Nothing was imported; try again in a moment.';
    } finally {
      busy = '';
    }
  }
</script>

<section class="sheet grid gap-3 p-4" aria-label="What is kept">
  <h2>What is kept</h2>
  <Label>
    <span>Single reps of players are kept</span>
    <Select placeholder="" bind:value={wanted} onchange={choose}>
      {#each choices as [n, name] (n)}<option value={n}>{name}</option>{/each}
      {#if !choices.some(([n]) => n === months)}<option value={months}>for {months} months</option>{/if}
    </Select>
  </Label>
  <p class="soft">
    What is older leaves the players: who was where, and who made which read. How often the team made a read
    stays, without names.
  </p>
  <h2>The whole program as a file</h2>
  <p class="soft">
    An open format with teams, players, plans, games and every rep. It names children: keep it as carefully as
    the program itself.
  </p>
  <div class="acts flex gap-2 flex-wrap">
    <Button href="/api/program/archive" download>Download a copy</Button>
    <FileButton
      name="Restore a copy"
      accept=".json,application/json"
      disabled={Boolean(busy)}
      onchange={read}
    />
  </div>
  <Imports bind:this={imports} />
  {#if busy}<p role="status">{busy}</p>{/if}
  {#if problem}<Note>{problem}</Note>{/if}
  {#if got}
    <p role="status">
      Added <b class="numeral">{got.players}</b> players, <b class="numeral">{got.practices}</b> practices,
      <b class="numeral">{got.games}</b> games and <b class="numeral">{got.events}</b> lines of the log. Their teams
      are in the list at the top.
    </p>
  {/if}
</section>

<Sure
  bind:open={sure}
  title="Drop what is older?"
  text="Single reps from before that are gone for good, now and from now on. There is no way back but a backup."
  act="Drop it"
  onsure={store}
/>
