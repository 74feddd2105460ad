<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // How far two observers see the same: what they agree on, and what to do about it.
  let { agreement: a }: { agreement: Schemas['Agreement'] } = $props();

  const things = $derived([
    { name: 'what the defense showed', same: a.cue },
    { name: 'what the player did', same: a.read },
    { name: 'correct or not', same: a.correct }
  ]);
  const differ = $derived(a.differ[0]);
</script>

<div class={a.watch ? 'warn' : ''}>
  <p>
    <b>{a.first}</b> and <b>{a.second}</b> both logged <b class="numeral">{a.reps}</b> reps and agree on
    {#each things as t, i (t.name)}{i === 0 ? '' : i === 2 ? ', and on ' : ', on '}{t.name} in
      <b class="numeral">{t.same.same}</b>{/each}.
    {#if differ}
      Most often one saw {session.readName(differ.first).toLowerCase()} where the other saw
      {session.readName(differ.second).toLowerCase()}.
    {/if}
    {#if a.watch}Watch a few reps together and say aloud what you see.{/if}
  </p>
  <Fold line="soft"
    >{#snippet title()}<span>The arithmetic</span>{/snippet}
    <ul class="soft">
      {#each things as t (t.name)}
        <li>
          {t.name}: kappa {t.same.kappa.toFixed(2)}, 95% between {t.same.interval.low.toFixed(2)} and
          {t.same.interval.high.toFixed(2)}.
          {#if t.same.lopsided}Nearly all answers are the same one, so the plain count says more.{/if}
        </li>
      {/each}
    </ul>
  </Fold>
</div>
