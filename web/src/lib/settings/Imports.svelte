<script lang="ts">
  import { api, ask, type Schemas } from '$lib/api/client';
  import Sure from '$lib/parts/Sure.svelte';
  import { dayOf, hourOf } from '$lib/state/teamclock';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What copies have added, and the way back.
  let list = $state.raw<Schemas['Imported'][]>([]);
  let undoing = $state.raw<Schemas['Imported'] | null>(null);
  let sure = $state(false);

  export async function load() {
    list = await ask(api.GET('/api/program/imports'));
  }

  async function undo() {
    const importId = undoing?.id;
    if (!importId) return;
    try {
      await ask(api.DELETE('/api/program/imports/{importId}', { params: { path: { importId } } }));
      notices.say('The import is undone.');
      await Promise.all([load(), session.load()]);
    } catch (e) {
      notices.fail(e);
    }
  }
</script>

{#if list.length}
  <h2>Imported</h2>
  <ul class="quiet-list">
    {#each list as i (i.id)}
      <li class="flex flex-wrap items-center justify-between gap-2 py-1">
        <span>
          <b>{i.teams.join(', ') || 'No team is left of it'}</b>
          <span class="soft"
            >{dayOf(i.at)}
            {hourOf(i.at)}, by {i.who}: {i.players} players, {i.practices} practices, {i.events}
            lines of the log</span
          >
        </span>
        <Button
          onclick={() => {
            undoing = i;
            sure = true;
          }}>Undo import</Button
        >
      </li>
    {/each}
  </ul>
{/if}
<Sure
  bind:open={sure}
  title="Undo this import?"
  text="The teams that came with it are deleted with everything in them, also what was added to them since."
  act="Undo import"
  onsure={undo}
/>
