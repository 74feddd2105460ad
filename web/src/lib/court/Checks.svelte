<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // How the screen is set and used, as a coach would go over it.
  let { checks }: { checks: Schemas['Check'][] } = $props();
</script>

<ul class="quiet-list" aria-label="How the screen is set">
  {#each checks as k (k.id)}
    <li
      class="flex gap-2 text-sm text-soft [&.bad]:text-ink [&.bad]:font-bold [&.bad]:border-l-6 [&.bad]:border-l-(--tape-orange) [&.bad]:pl-2"
      class:bad={!k.ok}
    >
      <span class="min-w-[0.9rem] text-center" aria-hidden="true">{k.ok ? '✓' : '!'}</span>{k.text}
    </li>
  {/each}
</ul>
