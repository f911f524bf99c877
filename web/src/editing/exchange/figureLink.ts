import { evaluateFigure, type FigureDocument } from '@bogen/core/figure';
import { FormatError, json, readerOf } from '@bogen/core/format';
import { told } from '@bogen/core/lesson';

/** What stands before a figure in the part of an address that no server gets to see. */
const sign = '#figure=';
/** Characters of an address that every browser and most mail programs keep whole. */
const mostSigns = 30_000;
/** Bytes that may come out of one. */
const mostBytes = 4_000_000;

/**
 * The part of an address that carries a figure, without its pictures.
 * @throws FormatError where it would be too long
 */
export async function hashOf(document: FigureDocument): Promise<string> {
  const { text } = json.write({ document, evaluation: evaluateFigure(document) }, {});
  const plain = new Blob([JSON.stringify(JSON.parse(text))]).stream();
  const bytes = await bytesOf(plain.pipeThrough(new CompressionStream('deflate-raw')), mostBytes);
  const hash = sign + inLetters(bytes);
  if (hash.length > mostSigns)
    throw new FormatError(told('linkTooLong', { size: hash.length, most: mostSigns }));
  return hash;
}

/**
 * The figure that an address carries.
 * @throws FormatError where it is none
 */
export async function figureOf(hash: string): Promise<FigureDocument> {
  if (hash.length > mostSigns) throw new FormatError(told('linkBroken'));
  let text: string;
  try {
    const packed = new Blob([fromLetters(hash.slice(sign.length))]).stream();
    const bytes = await bytesOf(packed.pipeThrough(new DecompressionStream('deflate-raw')), mostBytes);
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new FormatError(told('linkBroken'));
  }
  const { figure } = readerOf(json)(text);
  if (!figure) throw new FormatError(told('linkBroken'));
  return figure;
}

/** The bytes of a stream, which is left as soon as there are too many. */
async function bytesOf(
  stream: ReadableStream<Uint8Array<ArrayBuffer>>,
  most: number,
): Promise<Uint8Array<ArrayBuffer>> {
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let count = 0;
  for (const reader = stream.getReader(); ;) {
    const { done, value } = await reader.read();
    if (done) break;
    count += value.length;
    if (count > most) {
      await reader.cancel();
      throw new FormatError(told('linkBroken'));
    }
    parts.push(value);
  }
  return new Uint8Array(await new Blob(parts).arrayBuffer());
}

/** Bytes in the letters that an address may have (RFC 4648, 5). */
function inLetters(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
}

function fromLetters(letters: string): Uint8Array<ArrayBuffer> {
  const text = atob(letters.replaceAll('-', '+').replaceAll('_', '/'));
  return Uint8Array.from(text, (sign) => sign.charCodeAt(0));
}
