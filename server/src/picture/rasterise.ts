import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { toldByServer } from '@bogen/contract';
import { HttpProblem } from '../http/problem.js';
import { Gate } from '../pool/gate.js';

/** Pixels on the longer side. */
const side = 2400;
/** How long drawing may take, in ms, and how long it may take until it begins on a busy machine. */
const patience = { drawing: 1400, start: 10_000 };
/** Bytes of a drawn picture, as the database takes them. */
const mostBytes = 10_000_000;

const script = fileURLToPath(
  new URL(
    import.meta.url.endsWith('.ts') ? './rasterise.mjs' : '../../src/picture/rasterise.mjs',
    import.meta.url,
  ),
);
/** Each takes a processor for a moment. */
const gate = new Gate(2, 20);

/**
 * Draws a cleaned SVG into pixels, so that readers get no content that a browser has to make sense of.
 * @returns a PNG
 * @throws HttpProblem `refused` where drawing takes too long or too much
 */
export function rasterise(svg: Buffer, width: number, height: number): Promise<Buffer> {
  const scale = Math.min(1, side / Math.max(width, height));
  const size = (of: number): string => String(Math.max(1, Math.round(of * scale)));
  // The sizes of the outermost element stand where we wrote them.
  const text = svg
    .toString('utf8')
    .replace(/^(<svg[^>]*?) width="\d+" height="\d+"/, `$1 width="${size(width)}" height="${size(height)}"`);
  return gate.pass(() => draw(Buffer.from(text, 'utf8')));
}

function draw(svg: Buffer): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [script, String(side)], {
      // It says by a sign when it begins to draw.
      stdio: ['pipe', 'pipe', 'pipe'],
      // Nothing of what the server knows is handed on.
      env: { PATH: process.env['PATH'] },
    });
    const parts: Buffer[] = [];
    let bytes = 0;
    const endIn = (time: number) => setTimeout(() => child.kill('SIGKILL'), time);
    let timer = endIn(patience.start);
    child.stderr.once('data', () => {
      clearTimeout(timer);
      timer = endIn(patience.drawing);
    });
    child.stderr.resume();
    child.stdout.on('data', (part: Buffer) => {
      bytes += part.length;
      if (bytes > mostBytes) child.kill('SIGKILL');
      else parts.push(part);
    });
    // It may end before it has read all.
    child.stdin.on('error', () => undefined);
    child.stdin.end(svg);
    child.on('error', reject);
    child.on('close', (code) => {
      clearTimeout(timer);
      if (code === 0 && bytes > 0) resolve(Buffer.concat(parts));
      else reject(new HttpProblem('refused', toldByServer('pictureTooDetailed')));
    });
  });
}
