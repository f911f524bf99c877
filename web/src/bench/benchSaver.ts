import type { FigureDocument } from '@bogen/core/figure';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { ApiProblem, NotConnected } from '../api/call.js';
import type { BenchFigure, BenchStore } from './kept.js';

export interface BenchSaving {
  readonly status: 'saved' | 'saving' | 'offline' | 'elsewhere' | 'refused';
  /** Why it can't be kept, where it can't. */
  readonly error: Error | null;
}

/** How long a change may wait for others that come right after it. */
const restMs = 400;
/** How long to wait before trying again without a connection. */
const againMs = 4000;

/** Keeps the states of an open figure, the newest each time, one after the other. */
export class BenchSaver {
  readonly store: StoreApi<BenchSaving> = createStore(() => ({ status: 'saved', error: null }));
  private base: number;
  private next: FigureDocument | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private isSending = false;

  constructor(
    private readonly bench: BenchStore,
    private readonly id: string,
    { revision }: BenchFigure,
  ) {
    this.base = revision;
  }

  /** The figure is another one now. */
  changed(figure: FigureDocument): void {
    if (this.store.getState().status === 'elsewhere') return;
    this.next = figure;
    this.store.setState({ status: 'saving', error: null });
    clearTimeout(this.timer);
    this.timer = setTimeout(this.send, this.bench.place === 'browser' ? 0 : restMs);
  }

  /** Sends at once what waits. */
  readonly send = (): void => {
    clearTimeout(this.timer);
    const figure = this.next;
    if (!figure || this.isSending) return;
    this.isSending = true;
    this.bench.keep(this.id, figure, this.base).then(
      (revision) => {
        this.isSending = false;
        this.base = revision;
        if (this.next === figure) {
          this.next = null;
          this.store.setState({ status: 'saved', error: null });
        } else this.send();
      },
      (error: Error) => {
        this.isSending = false;
        if (error instanceof NotConnected) {
          this.store.setState({ status: 'offline', error });
          this.timer = setTimeout(this.send, againMs);
        } else {
          const isStale = error instanceof ApiProblem && error.problem.type === 'stale';
          this.store.setState({ status: isStale ? 'elsewhere' : 'refused', error });
        }
      },
    );
  };
}
