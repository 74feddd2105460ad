<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask } from '$lib/api/client';
  import { copyText } from '$lib/parts/copy';
  import { dayOf } from '$lib/state/teamclock';
  import Sure from '$lib/parts/Sure.svelte';
  import LinkSheet from '$lib/squad/LinkSheet.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import Button from '$lib/ui/Button.svelte';

  // Every player's private link to the read quiz: made all at once, printed as a sheet, ended one by one.
  let { data } = $props();

  const team = $derived(page.params.team ?? '');
  /** Links made on this page, which are shown once. */
  let fresh = $state.raw<Record<string, string>>({});
  let busy = $state(false);
  let asking = $state(false);

  const made = $derived(new Map(data.links.map((l) => [l.player, l.made])));
  const without = $derived(data.players.filter((p) => !made.get(p.id)));
  const sheet = $derived(
    data.players.flatMap((p) => (fresh[p.id] ? [{ player: p, link: fresh[p.id] ?? '' }] : []))
  );
  const name = (id: string) => data.players.find((p) => p.id === id)?.name ?? '';

  async function guarded(what: () => Promise<void>) {
    busy = true;
    try {
      await what();
      await invalidateAll();
    } catch (e) {
      notices.fail(e);
    } finally {
      busy = false;
    }
  }

  const make = (players: string[]) =>
    guarded(async () => {
      const had = players.filter((id) => made.get(id));
      const links = await ask(
        api.POST('/api/teams/{teamId}/links', { params: { path: { teamId: team } }, body: { players } })
      );
      fresh = { ...fresh, ...Object.fromEntries(links.map((l) => [l.player, location.origin + l.path])) };
      const said =
        links.length === 1 ? `${name(players[0] ?? '')} has a new link.` : `${links.length} new links.`;
      notices.say(
        had.length ? `${said} The ones before do not work any more.` : said,
        false,
        had.length === 1 ? { name: 'Undo', act: () => restore(had) } : undefined
      );
    });

  const end = (player: string) =>
    guarded(async () => {
      const path = { teamId: team, playerId: player };
      await ask(api.DELETE('/api/teams/{teamId}/players/{playerId}/quiz', { params: { path } }));
      drop([player]);
      notices.say(`${name(player)}'s link does not work any more. The answers are kept.`, false, {
        name: 'Undo',
        act: () => restore([player])
      });
    });

  const restore = (players: string[]) =>
    guarded(async () => {
      for (const playerId of players) {
        const path = { teamId: team, playerId };
        await ask(api.POST('/api/teams/{teamId}/players/{playerId}/quiz/restore', { params: { path } }));
      }
      drop(players);
      notices.say('The link before works again.');
    });

  function drop(players: string[]) {
    fresh = Object.fromEntries(Object.entries(fresh).filter(([id]) => !players.includes(id)));
  }

  async function share(id: string) {
    const url = fresh[id];
    if (!url) return;
    if (!navigator.share) return copyText(url, `${name(id)}'s link is copied.`);
    await navigator.share({ title: 'Your read quiz', url }).catch(() => undefined); // closed without sharing
  }
</script>

<div class="page-head no-print">
  <h1>Player links</h1>
  <span class="grow"></span>
  {#if sheet.length}<Button main onclick={() => print()}>Print the sheet</Button>{/if}
  {#if without.length}
    <Button main={sheet.length === 0} disabled={busy} onclick={() => make(without.map((p) => p.id))}
      >{without.length === data.players.length
        ? 'Make links for everybody'
        : `Make links for the ${without.length} without one`}</Button
    >
  {:else if data.players.length}
    <Button disabled={busy} onclick={() => (asking = true)}>Renew all</Button>
  {/if}
  <Button href={`/${team}/squad`}>Back to the board</Button>
</div>
<p class="no-print mb-4 max-w-3xl text-soft">
  A link opens a player's own read quiz on their phone, without an account and without a name on it. Whoever
  has it answers for them, so give it to the player alone. It is shown once: print the sheet or share it now.
</p>
{#if sheet.length}<LinkSheet rows={sheet} />{/if}
{#if data.players.length === 0}
  <p>Nobody is on the roster yet. <a href={`/${team}/squad`}>Add your players</a> first.</p>
{:else}
  <ul class="sheet no-print m-0 list-none p-0" aria-label="Players">
    {#each data.players as p (p.id)}
      {@const since = made.get(p.id)}
      <li class="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-seam px-4 py-2 last:border-0">
        <span class="numeral w-8 text-lg">{p.jersey}</span>
        <b class="w-40">{p.name}</b>
        <span class="grow text-soft">
          {fresh[p.id] ? 'new, not given yet' : since ? `has a link since ${dayOf(since)}` : 'no link'}
        </span>
        {#if fresh[p.id]}
          <Button aria-label={`Share ${p.name}'s link`} onclick={() => share(p.id)}>Share</Button>
        {/if}
        <Button
          aria-label={since ? `Renew ${p.name}'s link` : `Make a link for ${p.name}`}
          disabled={busy}
          onclick={() => make([p.id])}>{since ? 'Renew' : 'Make a link'}</Button
        >
        {#if since}
          <Button aria-label={`End ${p.name}'s link`} disabled={busy} onclick={() => end(p.id)}>End</Button>
        {/if}
      </li>
    {/each}
  </ul>
{/if}
<Sure
  bind:open={asking}
  title="Renew every link?"
  text="All links that are out stop working, and each player needs the new one. Answers are kept."
  act="Renew all"
  onsure={() => make(data.players.map((p) => p.id))}
/>
