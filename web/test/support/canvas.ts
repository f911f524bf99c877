import { vi } from 'vitest';

/** One call on a drawing, with how it was to look. */
export interface Call {
  readonly name: string;
  readonly args: readonly unknown[];
  readonly strokeStyle: unknown;
  readonly fillStyle: unknown;
  readonly lineWidth: unknown;
}

/** A canvas's context that keeps what was called on it. */
export class FakeContext {
  readonly calls: Call[] = [];

  readonly context = new Proxy({} as Record<string | symbol, unknown>, {
    get: (state, name) => {
      if (name in state) return state[name];
      if (name === 'measureText') return (text: string) => ({ width: 6 * text.length });
      return (...args: unknown[]): void => {
        const { strokeStyle, fillStyle, lineWidth } = state;
        this.calls.push({ name: String(name), args, strokeStyle, fillStyle, lineWidth });
      };
    },
  }) as unknown as CanvasRenderingContext2D;

  named(name: string): Call[] {
    return this.calls.filter((call) => call.name === name);
  }
}

/** What was drawn out of sight, as pixels to copy. */
export interface FakeBitmap {
  readonly width: number;
  readonly height: number;
  readonly drawn: FakeContext;
  closed: boolean;
  readonly close: () => void;
}

/** Puts drawings out of sight in place of the browser's. @returns all that are made, in their order */
export function fakeBitmaps(): FakeBitmap[] {
  const made: FakeBitmap[] = [];
  vi.stubGlobal('window', { devicePixelRatio: 1 });
  vi.stubGlobal(
    'OffscreenCanvas',
    class {
      private readonly drawn = new FakeContext();
      constructor(
        private readonly width: number,
        private readonly height: number,
      ) {}
      getContext(): CanvasRenderingContext2D {
        return this.drawn.context;
      }
      transferToImageBitmap(): FakeBitmap {
        const { width, height, drawn } = this;
        const bitmap = { width, height, drawn, closed: false, close: () => void (bitmap.closed = true) };
        made.push(bitmap);
        return bitmap;
      }
    },
  );
  return made;
}

export const palette = {
  sheet: 'sheet',
  ink: 'ink',
  soft: 'soft',
  line: 'line',
  strong: 'strong',
  tint: 'tint',
  accent: 'accent',
  spans: ['span1', 'span2', 'span3', 'span4', 'span5', 'span6'],
  items: {
    ink: 'ink',
    teal: 'span1',
    ochre: 'span2',
    plum: 'span3',
    moss: 'span4',
    indigo: 'span5',
    coral: 'span6',
  },
};
