import { figureLimits } from '../figure/parts.js';
import { lessonLimits, type LessonDocument, type Sheet } from './lesson.js';

/** Something of a lesson of which only so much may be there. */
export interface Filled {
  readonly of: 'sheets' | 'stages' | 'items' | 'points';
  /** Where it is counted by sheet, and the curve where it is counted by curve. */
  readonly sheet?: string;
  readonly item?: string;
  readonly used: number;
  readonly most: number;
}

/**
 * What of a lesson is nearly as much as there may be, so that it can be told before something is refused.
 * @param share from which part of what may be there it counts, between 0 and 1
 * @returns the fullest first
 */
export function nearlyFull({ sheets }: LessonDocument, share: number): readonly Filled[] {
  const all: readonly Filled[] = [
    { of: 'sheets', used: sheets.length, most: lessonLimits.sheets },
    ...sheets.flatMap(ofSheet),
  ];
  return all
    .filter(({ used, most }) => used >= share * most)
    .toSorted((a, b) => b.used / b.most - a.used / a.most);
}

function ofSheet({ title, stages, figure }: Sheet): readonly Filled[] {
  return [
    { of: 'stages', sheet: title, used: stages.length, most: lessonLimits.stages },
    { of: 'items', sheet: title, used: figure.items.length, most: figureLimits.items },
    ...figure.items.flatMap((item): readonly Filled[] =>
      item.kind === 'curve'
        ? [
            {
              of: 'points',
              sheet: title,
              item: item.name,
              used: item.curve.points.length,
              most: figureLimits.points,
            },
          ]
        : [],
    ),
  ];
}
