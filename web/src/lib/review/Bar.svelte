<script lang="ts">
  // Two amounts on one scale: a frame for the larger, a bar in it for what came of it.
  let { whole, part, most }: { whole: number; part: number; most: number } = $props();
  const share = (n: number) => `${(100 * n) / most}%`;
</script>

<span class="relative block h-3.5" aria-hidden="true">
  <i class="absolute inset-y-0 left-0 border" style:border-color="var(--line)" style:width={share(whole)}></i>
  <i class="absolute inset-y-1 left-0" style:background="var(--ink)" style:width={share(part)}></i>
</span>
