import type { FigureDocument } from '@bogen/core/figure';
import type { DrawingAnswer } from './drawingWork.js';
import type { SmallDrawing } from './smallDrawing.js';

/** How long one small drawing may take. A figure that takes longer is not drawn small. */
const limitMs = 1500;
/** Drawings that are kept; the oldest go. */
const mostKept = 300;

interface Job {
  readonly figure: FigureDocument;
  readonly done: (drawing: SmallDrawing | null) => void;
}

const kept = new Map<string, Promise<SmallDrawing | null>>();
const waiting: Job[] = [];
let worker: Worker | undefined;
let running = false;

/**
 * The small drawing of a figure, made in a worker, where nothing waits for it, one after the other and each within
 * a time. It is kept under a key that stands for this state of the figure for good: an edition, or a revision.
 * @returns `null` where it takes too long or can't be drawn
 */
export function drawingOf(key: string, figure: FigureDocument): Promise<SmallDrawing | null> {
  let drawing = kept.get(key);
  if (!drawing) {
    drawing = new Promise((done) => {
      waiting.push({ figure, done });
      next();
    });
    kept.set(key, drawing);
    if (kept.size > mostKept) kept.delete(kept.keys().next().value!);
  }
  return drawing;
}

function next(): void {
  if (running) return;
  const job = waiting.shift();
  if (!job) return;
  running = true;
  worker ??= new Worker(new URL('./drawingWork.ts', import.meta.url), { type: 'module' });
  const current = worker;
  const end = (drawing: SmallDrawing | null, isLost: boolean): void => {
    clearTimeout(timer);
    current.onmessage = current.onerror = null;
    if (isLost) {
      current.terminate();
      worker = undefined;
    }
    running = false;
    job.done(drawing);
    next();
  };
  const timer = setTimeout(() => end(null, true), limitMs);
  current.onmessage = ({ data }: MessageEvent<DrawingAnswer>) => end(data, false);
  current.onerror = () => end(null, true);
  current.postMessage(job.figure);
}
