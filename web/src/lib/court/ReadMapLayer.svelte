<script lang="ts">
  import type { Row, Schemas } from '$lib/api/client';
  import GlyphStrokes from '$lib/parts/GlyphStrokes.svelte';
  import { glyphs, readOfCue } from '$lib/parts/glyphs';
  import { isLate, type ReadMap } from './lab.svelte';

  // The read map: where each answer is right, for every place of one defender.
  let {
    map,
    rows,
    lines
  }: {
    map: ReadMap;
    rows: Row[];
    lines: Schemas['Lines'];
  } = $props();

  const corner = 3; // ft, the roundness of the map's corners
  const width = $derived(map.cols * map.cell);
  const height = $derived(map.rows * map.cell);
  const top = $derived(-map.origin.y - height);

  const alphaClear = 84;
  const alphaLate = 34;
  const wideOpen = 60; // tenths of a foot from which a shot is wide open
  const alpha = (i: number) =>
    map.open
      ? 14 + Math.min(1, (map.open[i] ?? 0) / wideOpen) * 150
      : isLate(map.margins[i] ?? 0)
        ? alphaLate
        : alphaClear;

  const picture = $derived.by(() => {
    const canvas = document.createElement('canvas');
    canvas.width = map.cols;
    canvas.height = map.rows;
    const ctx = canvas.getContext('2d');
    if (!ctx) return '';
    const style = getComputedStyle(document.documentElement);
    const colors = map.legend.map((cue) => {
      const g = glyphs[readOfCue(rows, cue)];
      return g ? rgb(style.getPropertyValue(g.tape)) : null;
    });
    const image = ctx.createImageData(map.cols, map.rows);
    for (let i = 0; i < map.cues.length; i++) {
      const c = colors[parseInt(map.cues[i] ?? '0', 36)];
      if (!c) continue; // nothing to read there: the floor shows
      // The map's rows run upward, the picture's downward.
      const at = ((map.rows - 1 - Math.floor(i / map.cols)) * map.cols + (i % map.cols)) * 4;
      image.data.set([c[0] ?? 0, c[1] ?? 0, c[2] ?? 0, alpha(i)], at);
    }
    ctx.putImageData(image, 0, 0);
    return canvas.toDataURL();
  });

  // A read's glyph stands where its answer is surest.
  const signs = $derived.by(() => {
    const best = new Map<number, { at: number; score: number }>();
    for (let i = 0; i < map.cues.length; i++) {
      const k = parseInt(map.cues[i] ?? '0', 36);
      const col = i % map.cols;
      const row = Math.floor(i / map.cols);
      const x = map.origin.x + (col + 0.5) * map.cell;
      const y = -(map.origin.y + (row + 0.5) * map.cell);
      const inside = Math.min(
        width / 2 - Math.abs(x - map.origin.x - width / 2),
        height / 2 - Math.abs(y - top - height / 2),
        lines.halfWidth - Math.abs(x),
        -lines.baselineY - y
      );
      const score = Math.min(map.margins[i] ?? 0, inside * 10);
      if (score > (best.get(k)?.score ?? 3)) best.set(k, { at: i, score });
    }
    return [...best.entries()].map(([k, { at }]) => ({
      cue: k,
      read: readOfCue(rows, map.legend[k] ?? ''),
      x: map.origin.x + ((at % map.cols) + 0.5) * map.cell,
      y: -(map.origin.y + (Math.floor(at / map.cols) + 0.5) * map.cell)
    }));
  });

  function rgb(css: string): number[] {
    const hex = css.trim().replace('#', '');
    return [0, 2, 4].map((i) => parseInt(hex.slice(i, i + 2), 16));
  }
</script>

<clipPath id="map-edge"><rect x={map.origin.x} y={top} {width} {height} rx={corner} /></clipPath>
<clipPath id="map-floor">
  <rect
    x={-lines.halfWidth}
    y={-lines.halfY}
    width={2 * lines.halfWidth}
    height={lines.halfY - lines.baselineY}
  />
</clipPath>
<g class="map pointer-events-none" aria-hidden="true" clip-path="url(#map-floor)">
  <image
    clip-path="url(#map-edge)"
    href={picture}
    x={map.origin.x}
    y={top}
    {width}
    {height}
    preserveAspectRatio="none"
  />
  {#each signs as s (s.cue)}
    {@const g = glyphs[s.read]}
    {#if g}
      <g
        transform={`translate(${s.x - 1.75} ${s.y - 1.75}) scale(0.11)`}
        style:color={`var(${g.tape})`}
        class="sign"
      >
        <GlyphStrokes {g} />
      </g>
    {/if}
  {/each}
</g>
