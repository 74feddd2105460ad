<script lang="ts">
  import type { Player } from '$lib/api/client';
  import QrCode from '$lib/parts/QrCode.svelte';

  // Links as QR codes to cut apart, eight on a page of paper.
  let { rows }: { rows: { player: Player; link: string }[] } = $props();
</script>

<ul
  class="m-0 mb-6 grid list-none grid-cols-2 gap-3 p-0 sm:grid-cols-3 md:grid-cols-6 print:mb-0 print:grid-cols-2 print:gap-0"
  aria-label="QR codes"
>
  {#each rows as { player, link } (player.id)}
    <li
      class="break-inside-avoid border border-dashed border-line paper p-3 print:flex print:h-[2.4in] print:items-center print:gap-4"
    >
      <div class="print:w-[1.9in] print:shrink-0">
        <QrCode text={link} label={`Code for ${player.name}`} />
      </div>
      <div>
        <p><b class="numeral text-lg">{player.jersey}</b> <b>{player.name}</b></p>
        <p class="hidden text-sm print:block">
          Your own read quiz: point your phone's camera at the code. Do not pass it on.
        </p>
      </div>
    </li>
  {/each}
</ul>
