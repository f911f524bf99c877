import { toldByServer } from '@bogen/contract';
import sharp from 'sharp';
import { HttpProblem } from '../http/problem.js';
import { cleanSvg, escaped } from './cleanSvg.js';

/** A picture that may be kept and shown. */
export interface CheckedPicture {
  readonly mediaType: 'image/png' | 'image/jpeg' | 'image/svg+xml';
  readonly width: number;
  readonly height: number;
  readonly bytes: Buffer;
}

/** The largest side in pixels, and the most pixels that are decoded. */
const limits = { side: 8000, pixels: 40_000_000 };

/**
 * Checks what was sent as a picture by its contents, not by its name. A PNG or JPEG is decoded whole and
 * written anew, upright and without what cameras write beside the pixels; an SVG keeps only what draws: no
 * scripts, no links, nothing from elsewhere.
 * @throws HttpProblem `refused` with a sentence that says what to do
 */
export async function checkPicture(bytes: Buffer): Promise<CheckedPicture> {
  if (looksLikeSvg(bytes)) return checkSvg(bytes);
  const kind = bytes.subarray(0, 8).equals(pngStart)
    ? 'image/png'
    : bytes.subarray(0, 3).equals(jpegStart)
      ? 'image/jpeg'
      : undefined;
  if (!kind) {
    throw new HttpProblem('refused', toldByServer('notAPictureFile'));
  }
  try {
    const image = sharp(bytes, { limitInputPixels: limits.pixels, failOn: 'error' }).rotate();
    const { data, info } = await (
      kind === 'image/png' ? image.png({ compressionLevel: 9 }) : image.jpeg({ quality: 90 })
    ).toBuffer({ resolveWithObject: true });
    if (Math.max(info.width, info.height) > limits.side) throw tooLarge();
    return { mediaType: kind, width: info.width, height: info.height, bytes: data };
  } catch (error) {
    if (error instanceof HttpProblem) throw error;
    if (error instanceof Error && error.message.includes('pixel limit')) throw tooLarge();
    throw new HttpProblem('refused', toldByServer('pictureDamaged'));
  }
}

const pngStart = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
const jpegStart = Buffer.from([0xff, 0xd8, 0xff]);

function tooLarge(): HttpProblem {
  return new HttpProblem('refused', toldByServer('pictureTooManyPixels', { most: limits.side }));
}

function looksLikeSvg(bytes: Buffer): boolean {
  return /^\uFEFF?\s*<(\?xml|!--|!doctype svg|svg[\s>])/i.test(bytes.subarray(0, 400).toString('utf8'));
}

function checkSvg(bytes: Buffer): CheckedPicture {
  const { inside, attributes } = cleanSvg(bytes.toString('utf8'));
  if (!/<(?!\/|style|defs|title|desc)/.test(inside)) {
    throw new HttpProblem('refused', toldByServer('pictureEmpty'));
  }
  const [width, height] = sizeOfSvg(attributes);
  // Browsers draw a picture without a size of its own at none or at 300 × 150.
  const { width: _, height: __, viewBox = `0 0 ${width} ${height}`, ...rest } = attributes;
  const all = { xmlns: 'http://www.w3.org/2000/svg', width, height, viewBox, ...rest };
  const written = Object.entries(all).map(([name, value]) => ` ${name}="${escaped(String(value))}"`);
  return {
    mediaType: 'image/svg+xml',
    width,
    height,
    bytes: Buffer.from(`<svg${written.join('')}>${inside}</svg>`, 'utf8'),
  };
}

/** Width and height from an SVG's own attributes, or from its view box; whole numbers above zero. */
function sizeOfSvg(attributes: Readonly<Record<string, string>>): [number, number] {
  const length = (name: string): number => {
    const text = attributes[name] ?? '';
    return text.endsWith('%') ? NaN : parseFloat(text);
  };
  const box = (attributes['viewBox'] ?? '').split(/[\s,]+/).map(Number);
  let [width, height] = [length('width'), length('height')];
  if (!(width > 0 && height > 0)) [width, height] = [box[2] ?? NaN, box[3] ?? NaN];
  if (!(width > 0 && height > 0 && Number.isFinite(width) && Number.isFinite(height))) return [800, 600];
  // Very small and very large units are brought to a size that is sharp.
  const scale = Math.max(width, height) < 600 ? 1200 / Math.max(width, height) : 1;
  const fit = Math.min(scale, limits.side / Math.max(width, height));
  return [Math.max(1, Math.round(width * fit)), Math.max(1, Math.round(height * fit))];
}
