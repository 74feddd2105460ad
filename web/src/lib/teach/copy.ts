/** What of a figure's style belongs to the picture. */
const drawn = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-weight',
  'font-size',
  'text-anchor'
];

/** An SVG element as a file of its own, with the page's styles written into it. */
export function svgText(source: SVGSVGElement): string {
  const copy = source.cloneNode(true) as SVGSVGElement;
  const from = [source, ...source.querySelectorAll('*')];
  const to = [copy, ...copy.querySelectorAll('*')];
  from.forEach((el, i) => {
    const style = getComputedStyle(el);
    const target = to[i];
    if (!target) return;
    target.setAttribute('style', drawn.map((k) => `${k}:${style.getPropertyValue(k)}`).join(';'));
    for (const name of ['class', 'role', 'tabindex', 'aria-label', 'aria-roledescription'])
      target.removeAttribute(name);
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  const box = source.viewBox.baseVal;
  const pixelsAFoot = 16;
  copy.setAttribute('width', String(Math.round(box.width * pixelsAFoot)));
  copy.setAttribute('height', String(Math.round(box.height * pixelsAFoot)));
  return new XMLSerializer().serializeToString(copy);
}

/** Copies the picture as SVG text; where the browser does not let it, stores a
 * file. It returns what was done. */
export async function copySvg(source: SVGSVGElement, name: string): Promise<'copied' | 'stored'> {
  const text = svgText(source);
  try {
    await navigator.clipboard.writeText(text);
    return 'copied';
  } catch {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }));
    link.download = `${name}.svg`;
    link.click();
    URL.revokeObjectURL(link.href);
    return 'stored';
  }
}
