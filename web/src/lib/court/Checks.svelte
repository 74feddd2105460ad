<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // How the screen is set and used, as a coach would go over it.
  let { checks }: { checks: Schemas['Check'][] } = $props();
</script>

<ul class="quiet-list" aria-label="How the screen is set">
  {#each checks as k (k.id)}
    <li class:bad={!k.ok}><span class="sign" aria-hidden="true">{k.ok ? '✓' : '!'}</span>{k.text}</li>
  {/each}
</ul>

<style>
  li {
    display: flex;
    gap: 0.5rem;
    font-size: 0.95rem;
    color: var(--ink-soft);
  }
  .sign {
    min-width: 0.9rem;
    text-align: center;
  }
  .bad {
    color: var(--ink);
    font-weight: 700;
    border-left: 6px solid var(--tape-orange);
    padding-left: 0.4rem;
  }
</style>
