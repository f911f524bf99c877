import { sentences } from '@bogen/contract/sentences';
import { afterEach, describe, expect, it } from 'vitest';
import { usualNotation, type Notation } from '@bogen/core/lesson';
import i18next from 'i18next';
import '../src/text/enEditing.js';
import '../src/text/enTask.js';
import { translateNow } from '../src/text/text.js';
import { addTexts } from '../src/text/catalogue.js';
import { useNotation } from '../src/text/notation.js';
import { shownNumber, shownShort } from '../src/text/number.js';

const write = (notation: Partial<Notation>): void => useNotation.setState({ ...usualNotation, ...notation });
afterEach(() => useNotation.setState(usualNotation, true));

describe('texts in the notation of a lesson', () => {
  it('count, name the parameter, and round as it wants', () => {
    const step = (): string =>
      translateNow()('calculation.steps.newPoint', { index: 3, first: 2, second: 3, letter: 'P' });
    expect(step()).toBe('New point 3 between P2 and P3');
    expect(translateNow()('facts.atKnot', { u: shownNumber(0.25, 1) })).toBe('u = 0.250');
    write({ first: 1, parameter: 't', decimals: 1 });
    expect(step()).toBe('New point 4 between P3 and P4');
    expect(translateNow()('facts.atKnot', { u: shownNumber(0.25, 1) })).toBe('t = 0.25');
    expect([shownNumber(3.14159), shownShort(0.5), shownShort(-0.001), shownShort(20)]).toEqual([
      '3.1',
      '0.5',
      '0',
      '20',
    ]);
  });

  it('speak of the order where a lesson does', () => {
    const texts = (): string[] => [
      translateNow()('figure.degree', { degree: 3 }),
      translateNow()('rail.tracks.basis.note', { degree: 3, context: 'rational' }),
      translateNow()('checks.conditions.degreeAtMost.text', { item: 'A', count: 3 }),
      translateNow()('writer.degree'),
      translateNow()('calculation.steps.basisLevel', { degree: 3 }),
    ];
    expect(texts()).toEqual([
      'degree 3',
      'R of degree 3',
      'A has degree 3 at most',
      'Degree',
      'Basis functions of degree 3',
    ]);
    write({ size: 'order' });
    expect(texts()).toEqual([
      'order 4',
      'R of order 4',
      'A has order 4 at most',
      'Order',
      'Basis functions of order 4',
    ]);
  });

  it('count in what core tells, too', () => {
    addTexts('en', { told: sentences });
    const tell = (): string =>
      (i18next.t as (key: string, values: object) => string)('told.noControlPoint', {
        index: '9',
        last: '5',
      });
    expect(tell()).toBe('There is no control point 9; the last one is 5.');
    write({ first: 1 });
    expect(tell()).toBe('There is no control point 10; the last one is 6.');
  });
});
