<script lang="ts">
  import type { Player } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import type { Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What the practice is for, who moves forward, and which rules of a good practice it keeps.
  let { draft, players }: { draft: Draft; players: Player[] } = $props();

  const goals = $derived(draft.sheet?.goals ?? []);
  const rules = $derived(draft.sheet?.rules ?? []);
  const broken = $derived(rules.filter((r) => !r.kept));
  const warnings = $derived(draft.sheet?.warnings.filter((w) => w.block) ?? []);
  const why = $derived(
    new Map((draft.fits ? draft.filled?.open : [])?.map((o) => [`${o.role} ${o.read}`, o.why]))
  );
  const title = (id: string) => draft.input.blocks.find((b) => b.id === id)?.title;
  const names = (ids: string[]) => ids.map((id) => players.find((p) => p.id === id)?.name ?? '?').join(', ');
  const focus = $derived(draft.input.terms.focus);

  /** Keeps a proposed goal, or lets a chosen one go. */
  function choose(read: string) {
    draft.setTerms({
      focus: focus.includes(read) ? focus.filter((r) => r !== read) : [...focus, read].slice(-4)
    });
  }
</script>

<section aria-label="Goals and rules" class="grid gap-5">
  <div class="grid gap-2">
    <h2>What this practice is for</h2>
    <p class="soft">
      {focus.length > 1
        ? 'You chose these goals.'
        : 'Proposed from the season, the squad board and the next game. Choose two or more to set them yourself.'}
    </p>
    {#if goals.length === 0}<p class="soft">
        No goals: tick who is here, or teach the team something new.
      </p>{/if}
    <ul class="quiet-list grid gap-2">
      {#each goals as g (g.role + g.read)}
        <li class="sheet flex flex-wrap gap-x-3 gap-y-1 p-3">
          <ReadGlyph read={g.read} size={40} />
          <div class="min-w-48 flex-1 leading-snug">
            <b>{session.readName(g.read)}</b>
            <span class="soft">{g.role}</span>
            <p>{g.why}</p>
            <p>
              <b class="numeral">{g.moves.length}</b> of <b class="numeral">{g.players.length}</b> move
              forward,
              <b class="numeral">{g.each.toFixed(1)}</b> reps each
            </p>
            {#if g.players.length > g.moves.length && g.moves.length > 0}
              <p class="soft">Not enough for {names(g.players.filter((id) => !g.moves.includes(id)))}</p>
            {/if}
            {#if why.has(`${g.role} ${g.read}`)}<p class="soft">{why.get(`${g.role} ${g.read}`)}</p>{/if}
          </div>
          {#if session.coach}
            <Button class="self-start" aria-pressed={focus.includes(g.read)} onclick={() => choose(g.read)}
              >{focus.includes(g.read) ? 'Chosen' : 'Choose'}<span class="visually-hidden"
                >: {session.readName(g.read)}</span
              ></Button
            >
          {/if}
        </li>
      {/each}
    </ul>
  </div>
  {#if warnings.length}
    <div>
      <h2>To know</h2>
      <ul class="quiet-list">
        {#each warnings as w (w.block + w.text)}
          <li class="mb-2 border-l-6 border-(--tape-orange) pl-3 leading-snug">
            <button
              class="cursor-pointer border-0 bg-transparent p-0 font-bold underline"
              onclick={() => (draft.chosen = w.block)}>{title(w.block)}</button
            >: {w.text}
          </li>
        {/each}
      </ul>
    </div>
  {/if}
  {#if rules.length}
    <div>
      <h2>Rules of a good practice</h2>
      <p class="soft">
        {broken.length === 0
          ? `All ${rules.length} are kept.`
          : `${rules.length - broken.length} of ${rules.length} are kept.`}
      </p>
      <ul class="quiet-list grid gap-1">
        {#each [...broken, ...rules.filter((r) => r.kept)] as r (r.id)}
          <li class="flex gap-2 leading-snug" class:warn={!r.kept}>
            <span class="w-14 flex-none font-bold">{r.kept ? 'Kept' : 'Broken'}</span>
            <span><b>{r.name}.</b> {r.says}</span>
          </li>
        {/each}
      </ul>
    </div>
  {/if}
</section>
