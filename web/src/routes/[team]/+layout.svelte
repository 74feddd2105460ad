<script lang="ts">
  import type { Snippet } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Select from 'flowbite-svelte/Select.svelte';
  import { rememberTeam, session } from '$lib/state/session.svelte';
  import KeysHelp from '$lib/parts/KeysHelp.svelte';
  import { titles, views } from '$lib/parts/views';
  import Button from '$lib/ui/Button.svelte';

  let { children }: { children: Snippet } = $props();

  const team = $derived(page.params.team ?? '');
  // Links lead to the team that was chosen, also while its view is still being loaded.
  let chosen = $derived(team);
  const here = $derived(page.url.pathname.split('/')[2] ?? '');
  const teams = $derived(session.view?.teams ?? []);
  const known = $derived(teams.find((t) => t.id === team));
  // The floor surface and the show for the team stand alone, without the menu.
  const floor = $derived(
    page.route.id === '/[team]/run/[practice]' || page.route.id === '/[team]/games/[game]/bench'
  );
  const bare = $derived(here === 'show' || here === 'clicker' || floor);
  const title = $derived<string>(
    page.data.title ??
      titles[(page.route.id ?? '').replace('/[team]', '')] ??
      views.find((v) => v.id === here)?.name ??
      ''
  );
  let help = $state(false);

  $effect(() => {
    if (known) rememberTeam(known.id);
  });

  function key(e: KeyboardEvent) {
    const target = e.target as HTMLElement;
    if (e.ctrlKey || e.metaKey || e.altKey || target.closest('input, select, textarea, [contenteditable]'))
      return;
    const view = views.find((v) => v.key === e.key);
    if (view && !bare) void goto(`/${chosen}/${view.id}`);
    if (e.key === '?') help = true;
  }

  function change(e: Event) {
    chosen = (e.currentTarget as HTMLSelectElement).value;
    void goto(`/${chosen}/${here || 'now'}`);
  }
</script>

<svelte:window onkeydown={key} />
<svelte:head>
  <title>{[title, known?.name, 'Evrik'].filter(Boolean).join(' · ')}</title>
</svelte:head>

{#if !known}
  <main class="mx-auto max-w-lg p-8">
    <h1>This team is not in your program</h1>
    <p class="my-4">The address may be old, or the team belongs to somebody else.</p>
    <Button main href="/">To your own team</Button>
  </main>
{:else if floor && !session.coach}
  <main class="mx-auto max-w-lg p-8">
    <h1>Only coaches can log reps</h1>
    <p class="my-4">View only. What was logged is on the squad's board, and in the review of the practice.</p>
    <Button main href={`/${team}/now`}>Back</Button>
  </main>
{:else if bare}
  {@render children()}
{:else}
  <a
    class="sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-30 focus:bg-sheet focus:p-3 focus:font-bold"
    href="#content">Skip to the page</a
  >
  <div class="flex min-h-full flex-col">
    <header
      class="no-print flex flex-col items-stretch gap-x-6 border-b border-seam bg-sheet px-3 md:flex-row md:px-6"
    >
      <div class="flex items-center gap-x-4 text-sm text-soft">
        <Select
          placeholder=""
          class="w-fit shrink-0"
          classes={{
            select: 'min-h-12 w-fit cursor-pointer border-0 bg-transparent pr-10 pl-0 text-lg font-bold'
          }}
          aria-label="Team"
          value={team}
          onchange={change}
        >
          {#each teams as t (t.id)}<option value={t.id}>{t.name}</option>{/each}
        </Select>
        {#if !session.coach}<span class="border-l-6 border-mark pl-2 text-ink">View only</span>{/if}
        {#each [['settings', 'Settings'], ['help', 'Help']] as [id, name] (id)}
          <a
            class="py-3 no-underline first-of-type:ml-auto hover:text-ink aria-[current]:font-bold aria-[current]:text-ink md:first-of-type:ml-0"
            href={`/${chosen}/${id}`}
            aria-current={here === id ? 'page' : undefined}>{name}</a
          >
        {/each}
      </div>
      <nav
        aria-label="Views"
        class="flex justify-between max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-20 max-md:border-t max-md:border-seam max-md:bg-sheet max-md:pb-[env(safe-area-inset-bottom)] md:ml-auto"
      >
        {#each views as v (v.id)}
          <a
            class="group flex min-h-14 items-center gap-2 border-y-6 border-transparent text-soft no-underline hover:text-ink aria-[current=page]:font-bold aria-[current=page]:text-ink max-md:flex-1 max-md:justify-center max-md:border-b-0 max-md:text-xs max-md:aria-[current=page]:border-t-mark md:px-4 md:aria-[current=page]:border-b-mark"
            href={`/${chosen}/${v.id}`}
            aria-current={here === v.id ? 'page' : undefined}
          >
            <span class="numeral text-sm text-line max-md:hidden" aria-hidden="true">{v.key}</span>{v.name}
          </a>
        {/each}
      </nav>
    </header>
    <main
      id="content"
      tabindex="-1"
      class:wide-paper={page.data.wide}
      class="mx-auto w-full max-w-[84rem] flex-1 p-3 outline-none max-md:pb-20 md:p-5"
    >
      {#key team}{@render children()}{/key}
    </main>
  </div>
{/if}
<KeysHelp bind:open={help} view={here} {team} />
