<script lang="ts">
  import type { Snippet } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { rememberTeam, session } from '$lib/state/session.svelte';
  import KeysHelp from '$lib/parts/KeysHelp.svelte';
  import { views } from '$lib/parts/views';

  let { children }: { children: Snippet } = $props();

  const team = $derived(page.params.team ?? '');
  const here = $derived(page.url.pathname.split('/')[2] ?? '');
  const teams = $derived(session.view?.teams ?? []);
  const known = $derived(teams.find((t) => t.id === team));
  // The floor surface and the show for the team have no chrome of the desk.
  const floor = $derived(
    page.route.id === '/[team]/run/[practice]' || page.route.id === '/[team]/games/[game]/bench'
  );
  const bare = $derived(here === 'show' || here === 'clicker' || floor);
  let help = $state(false);

  $effect(() => {
    if (known) rememberTeam(known.id);
  });

  function key(e: KeyboardEvent) {
    const target = e.target as HTMLElement;
    if (e.ctrlKey || e.metaKey || e.altKey || target.closest('input, select, textarea, [contenteditable]'))
      return;
    const view = views.find((v) => v.key === e.key);
    if (view && !bare) goto(`/${team}/${view.id}`);
    if (e.key === '?') help = true;
  }

  function change(e: Event) {
    goto(`/${(e.currentTarget as HTMLSelectElement).value}/${here || 'now'}`);
  }
</script>

<svelte:window onkeydown={key} />
<svelte:head>
  <title
    >{[views.find((v) => v.id === here)?.name ?? 'Settings', known?.name, 'Evrik']
      .filter(Boolean)
      .join(' · ')}</title
  >
</svelte:head>

{#if !known}
  <main class="mx-auto max-w-lg p-8">
    <h1>This team is not in your program</h1>
    <p class="my-4">The address may be old, or the team belongs to somebody else.</p>
    <a class="tape" href="/">To your own team</a>
  </main>
{:else if floor && !session.coach}
  <main class="mx-auto max-w-lg p-8">
    <h1>Only coaches can log reps</h1>
    <p class="my-4">View only. What was logged is on the squad's board, and in the review of the practice.</p>
    <a class="tape" href={`/${team}/now`}>Back</a>
  </main>
{:else if bare}
  {@render children()}
{:else}
  <div class="shell">
    <header class="no-print">
      <div class="who">
        <select class="team" aria-label="Team" value={team} onchange={change}>
          {#each teams as t (t.id)}<option value={t.id}>{t.name}</option>{/each}
        </select>
        {#if !session.coach}<span class="looking">View only</span>{/if}
        <a href={`/${team}/settings`} aria-current={here === 'settings' ? 'page' : undefined}>Settings</a>
      </div>
      <nav aria-label="Views">
        {#each views as v (v.id)}
          <a href={`/${team}/${v.id}`} aria-current={here === v.id ? 'page' : undefined}>
            <span class="numeral" aria-hidden="true">{v.key}</span>{v.name}
          </a>
        {/each}
      </nav>
    </header>
    <main>
      {#key team}{@render children()}{/key}
    </main>
  </div>
{/if}
<KeysHelp bind:open={help} view={here} />

<style>
  .shell {
    min-height: 100%;
    display: flex;
    flex-direction: column;
  }
  header {
    display: flex;
    align-items: stretch;
    gap: 1.5rem;
    padding: 0 1.25rem;
    background: var(--sheet);
    border-bottom: 1px solid var(--seam);
  }
  .who {
    display: flex;
    align-items: center;
    gap: 0.9rem;
  }
  .who a {
    color: var(--ink-soft);
    font-size: 0.92rem;
    padding: 0.7rem 0;
  }
  .looking {
    font-size: 0.92rem;
    border-left: 6px solid var(--mark);
    padding-left: 0.5rem;
  }
  .team {
    border: 0;
    background-color: transparent;
    font: inherit;
    font-weight: 700;
    font-size: 1.15rem;
    color: var(--ink);
    padding: 0.6rem 2rem 0.6rem 0;
    min-height: 48px;
    cursor: pointer;
  }
  nav {
    display: flex;
    margin-left: auto;
  }
  nav a {
    display: flex;
    align-items: center;
    gap: 0.45rem;
    min-height: 54px;
    padding: 0 1.1rem;
    text-decoration: none;
    color: var(--ink-soft);
    border-bottom: 6px solid transparent;
    border-top: 6px solid transparent;
  }
  nav a .numeral {
    color: var(--line);
    font-size: 0.95rem;
  }
  nav a:hover {
    color: var(--ink);
  }
  nav a[aria-current='page'] {
    color: var(--ink);
    font-weight: 700;
    border-bottom-color: var(--mark);
  }
  main {
    flex: 1;
    padding: 1.25rem;
    max-width: 84rem;
    width: 100%;
    margin: 0 auto;
  }
  @media (max-width: 899px) {
    header {
      flex-direction: column;
      gap: 0;
      padding: 0 0.75rem;
    }
    nav {
      position: fixed;
      inset: auto 0 0 0;
      z-index: 20;
      margin: 0;
      justify-content: space-between;
      background: var(--sheet);
      border-top: 1px solid var(--seam);
      padding-bottom: env(safe-area-inset-bottom);
    }
    nav a {
      flex: 1;
      justify-content: center;
      padding: 0;
      border-bottom: 0;
      font-size: 0.86rem;
    }
    nav a .numeral {
      display: none;
    }
    nav a[aria-current='page'] {
      border-top-color: var(--mark);
    }
    .who {
      justify-content: space-between;
    }
    main {
      padding: 0.75rem 0.75rem 5rem;
    }
  }
</style>
