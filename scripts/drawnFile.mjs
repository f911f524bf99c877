import { Buffer } from 'node:buffer';
import sharp from 'sharp';
import { startBrowser } from './browser.mjs';

/** Files that are made of a drawing as SVG, by the endings of their names: what each becomes, as bytes. */
export const drawn = { pdf: pageOf, png: pixelsOf };

/** A page as large as the drawing, with lines as lines and its fonts in it. */
async function pageOf(svg) {
  const browser = await startBrowser();
  try {
    const page = await browser.newPage({ javaScriptEnabled: false });
    const [width, height] = ['width', 'height'].map((name) =>
      parseFloat(new RegExp(`<svg[^>]* ${name}="([^"]+)mm"`).exec(svg)[1]),
    );
    // A hair more than the drawing, so that rounding does not begin a second page.
    const style = `@page { size: ${width + 0.2}mm ${height + 0.2}mm; margin: 0 } body { margin: 0 } svg { display: block }`;
    await page.setContent(`<!doctype html><style>${style}</style>${svg.slice(svg.indexOf('<svg'))}`);
    return await page.pdf({ preferCSSPageSize: true, printBackground: true });
  } finally {
    await browser.close();
  }
}

/** So many pixels across, on white paper. */
async function pixelsOf(svg, pixels) {
  const { width } = await sharp(Buffer.from(svg)).metadata();
  return sharp(Buffer.from(svg), { density: Math.min(72_000, Math.max(1, (72 * pixels) / width)) })
    .resize({ width: pixels })
    .flatten({ background: '#fff' })
    .png()
    .toBuffer();
}
