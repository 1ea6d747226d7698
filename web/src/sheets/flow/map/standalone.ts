/** The map as a file of its own: whole, in the colours of the page as they are now, without anything of the page. */
export function standalone(svg: SVGSVGElement, { width, height }: { width: number; height: number }): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const style = getComputedStyle(svg);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('viewBox', `-14 -14 ${width + 28} ${height + 28}`);
  copy.setAttribute('width', String(width + 28));
  copy.setAttribute('height', String(height + 28));
  for (const element of [copy, ...copy.querySelectorAll('*')]) {
    element.removeAttribute('class');
    for (const name of ['fill', 'stroke'])
      element.setAttribute(
        name,
        (element.getAttribute(name) ?? '').replace(/var\((--[\w-]+)\)/g, (_all, variable: string) =>
          style.getPropertyValue(variable).trim(),
        ) || (name === 'stroke' ? 'none' : 'inherit'),
      );
  }
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}
