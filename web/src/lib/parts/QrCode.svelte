<script lang="ts">
  import QRCode from 'qrcode';

  // An address as a QR code (ISO/IEC 18004), black on white in any light.
  let { text, label }: { text: string; label: string } = $props();

  const quiet = 4; // modules of white around it, as the standard asks
  const code = $derived(QRCode.create(text, { errorCorrectionLevel: 'M' }).modules);
  const path = $derived.by(() => {
    let d = '';
    for (let y = 0; y < code.size; y++)
      for (let x = 0; x < code.size; x++) if (code.get(y, x)) d += `M${x} ${y}h1v1h-1z`;
    return d;
  });
</script>

<svg
  viewBox={`${-quiet} ${-quiet} ${code.size + 2 * quiet} ${code.size + 2 * quiet}`}
  role="img"
  aria-label={label}
  class="block w-full bg-white"
  shape-rendering="crispEdges"
>
  <path d={path} fill="#000" />
</svg>
