<script lang="ts">
  import { ago } from './verdicts';
  import { dayOf, hourOf } from '$lib/state/teamclock';
  import Button from '$lib/ui/Button.svelte';

  // Says that what is shown is from this device, and how old it is.
  let { since, onretry }: { since: number | undefined; onretry?: () => void } = $props();
</script>

{#if since !== undefined}
  <div
    role="status"
    class="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 border-l-[6px] border-[var(--mark)] pl-3"
  >
    <p>
      The server does not answer.
      {#if since > 0}This is what this device kept on {dayOf(since)},
        {hourOf(since)} ({ago(since)}).{:else}This is what this device kept.{/if}
    </p>
    {#if onretry}<Button onclick={onretry}>Retry</Button>{/if}
  </div>
{/if}
