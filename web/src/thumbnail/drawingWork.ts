import '@bogen/core/mathematics';
import type { FigureDocument } from '@bogen/core/figure';
import { smallDrawingOf, type SmallDrawing } from './smallDrawing.js';

/** What the worker of small drawings answers: the drawing, or nothing where there was an error. */
export type DrawingAnswer = SmallDrawing | null;

onmessage = ({ data }: MessageEvent<FigureDocument>) => {
  let answer: DrawingAnswer = null;
  try {
    answer = smallDrawingOf(data);
  } catch (error) {
    console.error(error);
  }
  postMessage(answer);
};
