<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { dayOf } from '$lib/state/teamclock';
  import { copyText } from '$lib/parts/copy';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // What a player sees away from the floor, and the private link to the questions.
  let { team, player }: { team: string; player: string } = $props();

  const at = $derived({ params: { path: { teamId: team, playerId: player } } });
  let seen = $state.raw<Schemas['PlayerQuiz'] | null>(null);
  let link = $state('');
  let problem = $state('');

  async function load() {
    try {
      seen = await ask(api.GET('/api/teams/{teamId}/players/{playerId}/quiz', at));
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }
  onMount(load);

  async function make() {
    try {
      const made = await ask(api.POST('/api/teams/{teamId}/players/{playerId}/quiz', at));
      link = location.origin + made.path;
      await load();
    } catch (e) {
      notices.fail(e);
    }
  }
  async function end() {
    try {
      await ask(api.DELETE('/api/teams/{teamId}/players/{playerId}/quiz', at));
      link = '';
      await load();
      notices.say('The link does not work any more. The answers are kept.', false, {
        name: 'Undo',
        act: async () => {
          await ask(api.POST('/api/teams/{teamId}/players/{playerId}/quiz/restore', at));
          await load();
        }
      });
    } catch (e) {
      notices.fail(e);
    }
  }
  const copy = () => copyText(link, 'The link is copied.');
</script>

<section class="sheet side pb-3">
  <h2 class="pt-3 pr-4 pb-2 pl-4">Read quiz</h2>
  {#if problem}<Note class="py-[0.15rem] px-4">{problem}</Note>
  {:else if !seen}<p role="status" class="soft py-[0.15rem] px-4">Loading answers…</p>
  {:else}
    {#if seen.shape.asked > 0}
      <p class="soft py-[0.15rem] px-4">
        {seen.shape.asked} answers, step {seen.step} of {seen.steps}{seen.last
          ? `, last ${dayOf(seen.last)}`
          : ''}. Seeing is not yet doing: none of it counts as a rep.
      </p>
      <ul class="quiet-list">
        {#each seen.reads as r (r.read)}
          <li class="py-[0.15rem] px-4 grid grid-cols-[auto_1fr_auto_3rem] gap-2 items-center">
            <ReadGlyph read={r.read} size={24} />
            <span>{session.readName(r.read)}</span>
            <b class="numeral">{r.right} of {r.asked}</b>
            <span class="soft numeral">{r.right > 0 ? `${r.median.toFixed(1)} s` : ''}</span>
            {#if r.gap}<span class="gap [grid-column:2_/_-1] text-sm font-bold">{r.gap}</span>{/if}
          </li>
        {/each}
      </ul>
    {:else}<p class="soft py-[0.15rem] px-4">Nothing is answered yet.</p>{/if}
    {#if link}
      <p class="py-[0.15rem] px-4 wrap-anywhere" role="status"><b>{link}</b></p>
      <p class="soft py-[0.15rem] px-4">
        Shown once. Give it to the player alone: whoever has it answers for them. No account, no name.
      </p>
    {/if}
    {#if session.coach}
      <p class="py-[0.15rem] px-4 flex flex-wrap gap-2 pt-2">
        {#if link}<Button main onclick={copy}>Copy the link</Button>{/if}
        <Button onclick={make}>{seen.linkMade ? 'New link, end the old' : 'Make a private link'}</Button>
        {#if seen.linkMade}<Button onclick={end}>End the link</Button>{/if}
      </p>
    {/if}
  {/if}
</section>
