<script lang="ts">
  import type { Point } from '$lib/api/client';
  import { sy } from './geometry';

  // Offense: a solid disc with a jersey or a letter. Defense: an open wedge
  // that faces somewhere, because facing is information.
  let {
    kind,
    at,
    text = '',
    face = 0,
    lifted = false,
    large = false,
    ring = ''
  }: {
    kind: 'offense' | 'defense' | 'ball' | 'screener';
    at: Point;
    text?: string;
    face?: number;
    lifted?: boolean;
    /** The one whose place decides; or at the very moment that it does. */
    ring?: '' | 'on' | 'now';
    /** The number fills the disc, for a small picture or paper. */
    large?: boolean;
  } = $props();
</script>

<g transform={`translate(${at.x} ${sy(at)})`} class={kind} class:lifted>
  {#if kind === 'ball'}
    <circle r="0.66" />
    <path d="M-0.66 0H0.66M-0.4 -0.52Q0 0 -0.4 0.52M0.4 -0.52Q0 0 0.4 0.52" class="seam" />
  {:else if kind === 'defense'}
    <circle r="1.9" class="touch" />
    {#if ring}<circle r="2.5" class="ring" class:now={ring === 'now'} />{/if}
    <path d="M2.1 0L-1.25 -1.35L-0.7 0L-1.25 1.35Z" transform={`rotate(${face})`} class="wedge" />
    {#if text}<text y="0.36" class="label">{text}</text>{/if}
  {:else}
    {#if kind === 'screener'}<path
        d="M-1.5 -1.150H1.500"
        transform={`rotate(${face + 90})`}
        class="stance"
      />{/if}
    <circle r="1.22" class="disc" />
    <text y={large ? 0.66 : 0.5} class="jersey" class:large>{text}</text>
  {/if}
</g>

<style>
  .disc {
    stroke: var(--wood);
    stroke-width: 0.14;
    fill: var(--ink);
  }
  .jersey {
    fill: var(--on-ink);
    font-family: var(--font-numeral);
    font-weight: 600;
    font-size: 1.5px;
    text-anchor: middle;
  }
  .large {
    font-size: 1.95px;
  }
  .stance {
    stroke: var(--ink);
    stroke-width: 0.42;
  }
  .touch {
    fill: transparent;
  }
  .ring {
    fill: none;
    stroke: var(--mark);
    stroke-width: 0.42;
  }
  .ring.now {
    stroke-width: 0.9;
    animation: ring 0.7s ease-out;
  }
  @keyframes ring {
    from {
      r: 5px;
      opacity: 0;
    }
  }
  .wedge {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 0.3;
    stroke-linejoin: round;
  }
  .lifted .wedge {
    fill: var(--mark);
  }
  .label {
    fill: var(--ink);
    font-family: var(--font-numeral);
    font-weight: 600;
    font-size: 1.1px;
    text-anchor: middle;
  }
  .ball circle {
    fill: #d9772b;
    stroke: #5e2e0a;
    stroke-width: 0.14;
  }
  .seam {
    stroke: #5e2e0a;
    stroke-width: 0.1;
  }
</style>
