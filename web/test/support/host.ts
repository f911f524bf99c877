import { applyFigureCommand, type FigureCommand, type FigureDocument } from '@bogen/core/figure';
import { vi } from 'vitest';
import type { FigureHost } from '../../src/figure/scene/host.js';

/** The browser's frames, one at a time. */
export function fakeFrames(): { next: () => void; readonly waiting: number } {
  let waiting = new Map<number, () => void>();
  let count = 0;
  vi.stubGlobal('requestAnimationFrame', (work: () => void) => {
    waiting.set(++count, work);
    return count;
  });
  vi.stubGlobal('cancelAnimationFrame', (id: number) => waiting.delete(id));
  return {
    next: () => {
      const due = waiting;
      waiting = new Map();
      due.forEach((work) => work());
    },
    get waiting() {
      return waiting.size;
    },
  };
}

/** A figure that everything can be done with and that nobody keeps. */
export class FakeHost implements FigureHost {
  private shown: FigureDocument;
  private readonly listeners = new Set<() => void>();

  constructor(private document: FigureDocument) {
    this.shown = document;
  }

  readonly read = (): FigureDocument => this.shown;
  readonly motion = (): 'rest' | 'hand' => (this.shown === this.document ? 'rest' : 'hand');
  readonly may = (): boolean => true;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly preview = (command: FigureCommand | null): void => {
    this.shown = command ? applyFigureCommand(this.document, command).document : this.document;
    this.listeners.forEach((listener) => listener());
  };
  readonly do = (command: FigureCommand): void => {
    this.shown = this.document = applyFigureCommand(this.document, command).document;
    this.listeners.forEach((listener) => listener());
  };
}
