import type { FigureDocument } from '@bogen/core/figure';

/** A figure on the bench. */
export interface BenchFigure {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly changedAt: string;
  readonly figure: FigureDocument;
}

/** Where the figures of a bench are kept. */
export interface BenchStore {
  readonly place: 'browser' | 'account';
  /** The one that was changed last first. */
  readonly list: () => Promise<readonly BenchFigure[]>;
  readonly read: (id: string) => Promise<BenchFigure>;
  /** @returns its id */
  readonly add: (name: string, figure: FigureDocument) => Promise<string>;
  readonly rename: (id: string, name: string) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
  readonly bringBack: (id: string) => Promise<void>;
  /** Keeps another state of a figure, made from a revision. @returns the new one */
  readonly keep: (id: string, figure: FigureDocument, base: number) => Promise<number>;
}
