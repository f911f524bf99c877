import { expect, it } from 'vitest';
import { clampedUniformKnots } from '../../src/curve/index.js';
import { emptyFigure, nearlyFull } from '../../src/figure/index.js';
import { filledOfLesson, lessonVersion, newSheet, type LessonDocument } from '../../src/lesson/index.js';

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
  expect(nearlyFull(filledOfLesson(lesson(3, 10)))).toEqual([]);
  expect(nearlyFull(filledOfLesson(lesson(53, 1799)))).toEqual([]);
  expect(nearlyFull(filledOfLesson(lesson(54, 1999)))).toEqual([
    { of: 'points', sheet: 'Sheet 0', item: 'Rib', used: 1999, most: 2000 },
    { of: 'sheets', used: 54, most: 60 },
  ]);
});

it('counts the steps of a stage and the parts and signs of a text where there are most', () => {
  const text = (length: number) => ({ type: 'text' as const, text: 'x'.repeat(length) });
  const sheet = newSheet({
    id: 's',
    title: 'Ribs',
    figure: emptyFigure(),
    prose: {
      type: 'doc',
      content: [
        { type: 'paragraph', content: [text(5)] },
        {
          type: 'bulletList',
          content: [{ type: 'listItem', content: [{ type: 'paragraph', content: [text(19_000)] }] }],
        },
      ],
    },
    stages: [0, 185].map((count, k) => ({
      id: `stage${k}`,
      caption: '',
      commands: Array.from({ length: count }, () => ({
        name: 'setShown' as const,
        shown: { polygon: true },
      })),
    })),
  });
  expect(nearlyFull(filledOfLesson({ version: lessonVersion, title: 'Ribs', sheets: [sheet] }))).toEqual([
    { of: 'signs', sheet: 'Ribs', used: 19_000, most: 20_000 },
    { of: 'stageSteps', sheet: 'Ribs', used: 185, most: 200 },
  ]);
});
