/** The chart as a file of its own: what is on the screen, with its size, its colours and a plain font to fall back to. */
export function chartAsSvg(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const box = svg.viewBox.baseVal;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(box.width));
  copy.setAttribute('height', String(box.height));
  copy.setAttribute('color', getComputedStyle(svg).color);
  // Classes mean nothing outside the page; what they gave is written onto the marks.
  const originals = svg.querySelectorAll<SVGElement>('.mark');
  copy.querySelectorAll<SVGElement>('.mark').forEach((mark, i) => {
    const style = getComputedStyle(originals[i] as SVGElement);
    mark.setAttribute('fill', style.fill);
    mark.setAttribute('stroke', style.stroke);
    mark.setAttribute('stroke-width', style.strokeWidth);
  });
  for (const element of copy.querySelectorAll('*')) {
    for (const name of ['class', 'tabindex', 'role', 'data-testid', 'data-line', 'data-chart'])
      element.removeAttribute(name);
    for (const { name } of [...element.attributes])
      if (name.startsWith('aria-')) element.removeAttribute(name);
  }
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}

export function download(name: string, type: string, content: BlobPart): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

export const fileName = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'schedule';
