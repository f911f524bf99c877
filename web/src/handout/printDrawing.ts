import './handout.css';

/**
 * Prints a drawing alone, on a page of its own size, so that it comes out true; the browser's dialog saves it as PDF too.
 * @param svg whose size is in millimetres
 */
export function printDrawing(svg: string): void {
  const { documentElement: drawing } = new DOMParser().parseFromString(svg, 'image/svg+xml');
  const [width, height] = ['width', 'height'].map((name) => drawing.getAttribute(name) ?? '100mm');
  const page = document.createElement('div');
  page.className = 'handout-only-printed';
  page.dataset['printed'] = '';
  page.append(document.importNode(drawing, true));
  const style = new CSSStyleSheet();
  // A hair more than the drawing, so that rounding does not begin a second page.
  style.replaceSync(
    `@page { size: calc(${width} + 0.2mm) calc(${height} + 0.2mm); margin: 0; @bottom-center { content: none } }`,
  );
  document.body.append(page);
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, style];
  addEventListener(
    'afterprint',
    () => {
      page.remove();
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((other) => other !== style);
    },
    { once: true },
  );
  window.print();
}
