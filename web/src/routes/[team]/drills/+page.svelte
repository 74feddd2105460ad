<script lang="ts">
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import Ladder from '$lib/parts/Ladder.svelte';

  const team = page.params.team ?? '';
</script>

<h1>Drills</h1>
<p class="soft">A drill climbs one rung at a time, and goes back one when it breaks.</p>
<ul class="quiet-list list">
  {#each session.catalogue?.drills ?? [] as d (d.id)}
    <li class="sheet">
      <a href={`/${team}/drills/${d.id}`}>
        <Ladder stages={d.stages} />
        <div>
          <h2>{d.name}</h2>
          <p>{d.about}</p>
          <p class="soft cues">
            {#each d.stages.at(-1)?.cues ?? [] as c (c)}<CueGlyph cue={c} size={28} />{/each}
            {d.helpers}
          </p>
        </div>
      </a>
    </li>
  {/each}
</ul>

<style>
  .list {
    display: grid;
    gap: 1rem;
    margin-top: 1rem;
    max-width: 56rem;
  }
  .list a {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 1.25rem;
    padding: 1.1rem;
    text-decoration: none;
  }
  .list a:hover h2 {
    text-decoration: underline;
  }
  h2 {
    font-size: 1.4rem;
  }
  .cues {
    display: flex;
    align-items: center;
    gap: 0.3rem;
    margin-top: 0.5rem;
    flex-wrap: wrap;
  }
</style>
