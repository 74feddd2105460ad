<script lang="ts">
  import { goto } from '$app/navigation';
  import { api, ask } from '$lib/api/client';
  import Sure from '$lib/parts/Sure.svelte';
  import { session } from '$lib/state/session.svelte';
  import type { Floor } from './floor.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What stands between a logged rep and the server, in words, and what to do.
  let { floor, team }: { floor: Floor; team: string } = $props();

  const queue = $derived(floor.queue);
  let sure = $state(false);
  let problem = $state('');

  /** The deleted practice comes back as it was, with what waits for it. */
  async function putBack() {
    const p = floor.run?.practice;
    if (!p) return;
    problem = '';
    try {
      const { startsAt, minutes, note, present, limited, terms, blocks } = p;
      const again = await ask(
        api.POST('/api/teams/{teamId}/practices', {
          params: { path: { teamId: team } },
          body: { startsAt, minutes, note, present, limited, terms, blocks }
        })
      );
      await queue.moveTo(again.id);
      location.replace(`/${team}/run/${again.id}`); // another floor, from its beginning
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }

  async function save() {
    const events = await queue.pending();
    const text = JSON.stringify({ practice: floor.run?.practice.startsAt, events }, null, 1);
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
    link.download = 'unsent-reps.json';
    link.click();
    URL.revokeObjectURL(link.href);
  }
</script>

{#if problem}<p role="alert" class="mt-3 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
    {problem}
  </p>{/if}
{#if queue.gone}
  <div role="alert" class="mt-3 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
    <p>
      The head coach has deleted this practice. <b>{queue.waiting} reps are kept on this device.</b>
    </p>
    <div class="acts flex flex-wrap gap-2 mt-2">
      <Button main onclick={putBack}>Put the practice back with them</Button>
      <Button onclick={save}>Save them as a file</Button>
      <Button onclick={() => (sure = true)}>Throw them away</Button>
    </div>
  </div>
{:else if queue.signedOut}
  <div role="alert" class="mt-3 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
    <p>
      You are signed out. Log on: <b>{queue.waiting} reps are kept on this device</b> and are sent when you have
      signed in again.
    </p>
    <div class="acts flex flex-wrap gap-2 mt-2">
      <Button main onclick={() => session.load()}>Sign in</Button>
    </div>
  </div>
{:else if queue.refused}
  <p role="alert" class="mt-3 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
    A rep was not taken and is kept on this device: {queue.refused}
  </p>
{/if}
{#if queue.unsafe && queue.waiting > 0 && !queue.reachable}
  <p role="status" class="mt-3 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
    This browser may delete what is kept here when it runs out of room. Keep this page open until {queue.waiting ===
    1
      ? 'the rep is'
      : `the ${queue.waiting} reps are`} sent.
  </p>
{/if}
{#if queue.unkept > 0}
  <p role="alert" class="mt-3 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
    This device has no room left. {queue.unkept} reps are only in this page: keep it open until they are sent, and
    free some space. What was logged before is safe.
  </p>
{:else if queue.low}
  <p role="status" class="mt-3 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
    This device is full. Every rep is still kept, in room that was set aside; free some space before that is
    used up.
  </p>
{/if}

<Sure
  bind:open={sure}
  title="Throw these reps away?"
  text="They are on this device alone. Nobody can bring them back."
  act="Throw away"
  onsure={async () => {
    await queue.discard();
    await goto(`/${team}/now`);
  }}
/>
