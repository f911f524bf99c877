import { expect, it } from 'vitest';
import { clampedUniformKnots } from '../../src/curve/index.js';
import { emptyFigure } from '../../src/figure/index.js';
import { lessonVersion, nearlyFull, newSheet, type LessonDocument } from '../../src/lesson/index.js';

const lesson = (count: number, points: number): LessonDocument => ({
  version: lessonVersion,
  title: 'Ribs',
  sheets: Array.from({ length: count }, (_, k) =>
    newSheet({
      id: `s${k}`,
      title: `Sheet ${k}`,
      figure:
        k > 0
          ? emptyFigure()
          : {
              ...emptyFigure(),
              items: [
                {
                  id: 'rib',
                  name: 'Rib',
                  kind: 'curve',
                  curve: {
                    degree: 3,
                    knots: clampedUniformKnots(points, 3),
                    points: Array.from({ length: points }, (_, i) => [i, 0]),
                  },
                },
              ],
            },
    }),
  ),
});

it('tells what is nearly full, the fullest first, and nothing where there is room', () => {
  expect(nearlyFull(lesson(3, 10), 0.9)).toEqual([]);
  expect(nearlyFull(lesson(53, 1799), 0.9)).toEqual([]);
  expect(nearlyFull(lesson(54, 1999), 0.9)).toEqual([
    { of: 'points', sheet: 'Sheet 0', item: 'Rib', used: 1999, most: 2000 },
    { of: 'sheets', used: 54, most: 60 },
  ]);
});
