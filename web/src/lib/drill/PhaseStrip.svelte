<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import PhasePicture from './PhasePicture.svelte';

  // The drill as a strip of moving pictures.
  let { drill, motion }: { drill: Schemas['Drill']; motion: Schemas['Motion'] } = $props();
</script>

<section
  class="col-span-full row-2 grid grid-cols-[repeat(auto-fill,minmax(min(100%,18rem),1fr))] gap-4 print:row-auto print:grid-cols-4 print:gap-2"
  aria-label="Phase by phase"
>
  {#each drill.phases as ph, i (i)}
    <figure class="m-0">
      <div class="aspect-[52/35]">
        <PhasePicture
          {drill}
          {motion}
          from={motion.play.steps[i]?.t ?? 0}
          to={motion.play.steps[i + 1]?.t ?? motion.play.duration}
        />
      </div>
      <figcaption class="text-sm leading-[1.3] print:text-[8pt]">
        <b>{i + 1}. {ph.name}.</b>
        {ph.say}
      </figcaption>
    </figure>
  {/each}
</section>
