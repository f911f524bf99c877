import { addLine, addSpans } from '@bogen/core/figure';
import { describe, expect, it } from 'vitest';

type Place = readonly [number, number];

/** Keeps a path as its pieces, each a start, a control place where it bends, and an end. */
class Recorder {
  readonly pieces: { from: Place; control: Place | undefined; to: Place }[] = [];
  private at: Place | undefined;

  moveTo(x: number, y: number): void {
    this.at = [x, y];
  }

  lineTo(x: number, y: number): void {
    if (this.at && (this.at[0] !== x || this.at[1] !== y)) this.add(undefined, [x, y]);
    this.at = [x, y];
  }

  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void {
    this.add([cx, cy], [x, y]);
    this.at = [x, y];
  }

  private add(control: Place | undefined, to: Place): void {
    this.pieces.push({ from: this.at!, control, to });
  }

  /** The shortest distance from a place to the path, whose bends are cut into short chords. */
  distance([x, y]: Place): number {
    let least = Infinity;
    for (const { from, control, to } of this.pieces) {
      const middle = control ?? [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
      let [beforeX, beforeY] = from;
      for (let k = 1; k <= 100; k++) {
        const t = k / 100;
        const [a, b, c] = [(1 - t) ** 2, 2 * t * (1 - t), t ** 2];
        const px = a * from[0] + b * middle[0] + c * to[0];
        const py = a * from[1] + b * middle[1] + c * to[1];
        const [dx, dy] = [px - beforeX, py - beforeY];
        const along = ((x - beforeX) * dx + (y - beforeY) * dy) / (dx * dx + dy * dy || 1);
        const share = Math.min(1, Math.max(0, along));
        least = Math.min(least, Math.hypot(beforeX + share * dx - x, beforeY + share * dy - y));
        [beforeX, beforeY] = [px, py];
      }
    }
    return least;
  }

  get context(): CanvasRenderingContext2D {
    return this as unknown as CanvasRenderingContext2D;
  }
}

const lines: Record<string, (t: number) => Place> = {
  'a straight line': (t) => [900 * t, 200 * t],
  'a wave': (t) => [900 * t, 80 * Math.sin(9 * t)],
  'a narrow bow': (t) => [300 * t, 100 / (1 + 900 * (t - 0.43) ** 2)],
  'a circle': (t) => [120 * Math.cos(6.283 * t), 120 * Math.sin(6.283 * t)],
  'a line that turns back': (t) => [100 * (t - 0.3) ** 2, 0],
};

describe('lines drawn through samples', () => {
  for (const [name, line] of Object.entries(lines)) {
    // All numbers of samples: also those that are no power of two and end in an odd rest.
    for (const count of [1, 2, 3, 7, 8, 14, 47, 48, 200]) {
      it(`of ${name} with ${count} steps pass every sample to a tenth of a pixel`, () => {
        const samples = Array.from({ length: count + 1 }, (_, k) => line(k / count));
        const recorder = new Recorder();
        addLine(
          recorder.context,
          0,
          count,
          (k) => samples[k]![0],
          (k) => samples[k]![1],
        );
        for (const sample of samples) expect(recorder.distance(sample)).toBeLessThan(0.15);
        expect(recorder.pieces[0]!.from).toEqual(samples[0]);
        expect(recorder.pieces.at(-1)!.to).toEqual(samples[count]);
      });
    }
  }

  it('are of few pieces where they bend little, and pass close to the line itself', () => {
    const wave = lines['a wave']!;
    const recorder = new Recorder();
    addLine(
      recorder.context,
      0,
      200,
      (k) => wave(k / 200)[0],
      (k) => wave(k / 200)[1],
    );
    expect(recorder.pieces.length).toBeLessThan(40);
    for (let k = 0; k < 1000; k++) expect(recorder.distance(wave(k / 1000))).toBeLessThan(0.25);
  });

  it('keep the corners and jumps between spans', () => {
    // Two spans of four steps: up, then down from another height.
    const heights = [0, 10, 20, 30, 40, 100, 90, 80, 70, 60];
    const places = [0, 5, 10, 15, 20, 20, 25, 30, 35, 40];
    const recorder = new Recorder();
    addSpans(
      recorder.context,
      { perSpan: 4, joined: Uint8Array.of(0, 1) },
      0,
      9,
      (k) => places[k]!,
      (k) => heights[k]!,
    );
    expect(recorder.pieces.map(({ from, to }) => [from, to])).toEqual([
      [
        [0, 0],
        [20, 40],
      ],
      [
        [20, 40],
        [20, 100],
      ],
      [
        [20, 100],
        [40, 60],
      ],
    ]);
  });
});
