<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';

  // What they do now, and what to use against it: from what the bench has logged so far.
  let { view }: { view: Schemas['GameView'] } = $props();

  const family = (id: string) => view.families.find((f) => f.id === id)?.name ?? id;
  const action = (id: string) => session.catalogue?.actions.find((s) => s.id === id)?.name ?? id;
  const names = (reads: string[]) => reads.map((r) => session.readName(r).toLowerCase()).join(', then ');
</script>

{#if view.now.length > 0}
  <section class="sheet mb-4 grid gap-4 p-4" aria-label="They now do this">
    {#each view.now as n (n.family)}
      <div>
        <h2>
          {family(n.family)}: they now show {session.cueName(n.cue).toLowerCase()}
        </h2>
        <p class="soft">
          <b class="numeral">{n.seen}</b> of <b class="numeral">{n.of}</b> logged{#if n.known}, expected
            <b class="numeral">{Math.round(n.expected)}</b> in 100{/if}
        </p>
        <ul class="quiet-list mt-2 grid gap-2">
          {#each n.uses as u (u.action)}
            <li class="flex items-center gap-3">
              <ReadGlyph read={u.first[0] ?? ''} size={40} />
              <span>
                <b>{action(u.action)}: {names(u.first)}</b>.
                {#if u.second.length > 0}The screener: {names(u.second)}.{/if}
                {#if u.reps > 0}<span class="soft"
                    >So far <span class="numeral">{u.correct} of {u.reps}</span> correct.</span
                  >{/if}
              </span>
            </li>
          {/each}
        </ul>
      </div>
    {/each}
  </section>
{/if}
