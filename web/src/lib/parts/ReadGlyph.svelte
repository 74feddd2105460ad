<script lang="ts">
  import { glyphs } from './glyphs';

  let {
    read,
    size = 32,
    label = '',
    mono = false
  }: { read: string; size?: number; label?: string; mono?: boolean } = $props();

  const g = $derived(glyphs[read]);
</script>

<svg
  viewBox="0 0 32 32"
  width={size}
  height={size}
  role={label ? 'img' : undefined}
  aria-label={label || undefined}
  aria-hidden={label ? undefined : 'true'}
  style:color={mono || !g ? 'currentColor' : `var(${g.tape})`}
  class="shrink-0"
>
  {#if g}
    <circle
      cx={g.post[0]}
      cy={g.post[1]}
      r="3.6"
      fill={g.hollow ? 'none' : 'currentColor'}
      stroke="currentColor"
      stroke-width="2"
    />
    <path
      d={g.way}
      fill="none"
      stroke="currentColor"
      stroke-width="2.6"
      stroke-linecap="round"
      stroke-linejoin="round"
    />
    {#if g.bar}<path d={g.bar} stroke="currentColor" stroke-width="3.2" stroke-linecap="butt" />{/if}
    {#if g.tip}
      <path
        d="M0 0L-6.500 -3.800V3.800Z"
        fill="currentColor"
        transform={`translate(${g.tip[0]} ${g.tip[1]}) rotate(${g.tip[2]})`}
      />
    {/if}
    {#if g.ball}<circle
        cx={g.ball[0]}
        cy={g.ball[1]}
        r="2.6"
        fill="none"
        stroke="currentColor"
        stroke-width="2"
      />{/if}
  {:else}
    <path d="M8 16H24" stroke="currentColor" stroke-width="2.600" stroke-dasharray="3 3" />
  {/if}
</svg>
