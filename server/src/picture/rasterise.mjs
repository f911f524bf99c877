// Draws an SVG from standard input as a PNG. It runs in a process of its own, which is ended where it takes too long:
// what draws is not JavaScript and could not be stopped in a thread.
import { Buffer } from 'node:buffer';
import process from 'node:process';
import sharp from 'sharp';

sharp.cache(false);
sharp.concurrency(1);
const parts = [];
for await (const part of process.stdin) parts.push(part);
const side = Number(process.argv[2]);
// From here on it counts: what came before is the machine's, however busy it is.
process.stderr.write('.');
const image = sharp(Buffer.concat(parts), { limitInputPixels: side * side, failOn: 'error' });
process.stdout.write(await image.png({ compressionLevel: 9 }).toBuffer());
