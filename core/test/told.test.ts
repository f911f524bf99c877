import { describe, expect, it } from 'vitest';
import { CurveError } from '../src/curve/error.js';
import { coreSentences } from '../src/told/coreSentences.js';
import { sentenceOf, told } from '../src/told/told.js';
import { curveSentences } from '../src/told/curveSentences.js';
import { documentSentences } from '../src/told/documentSentences.js';
import { formatSentences } from '../src/told/formatSentences.js';

describe('what core tells', () => {
  it('has one sentence for each code', () => {
    const codes = [curveSentences, documentSentences, formatSentences].flatMap((of) => Object.keys(of));
    expect(new Set(codes).size).toBe(codes.length);
    expect(Object.keys(coreSentences).sort()).toEqual([...codes].sort());
  });

  it.each(Object.entries(coreSentences))('%s is a sentence: “%s”', (code, sentence) => {
    expect(sentence).toMatch(
      ['about', 'waitsForSource', 'fileLine', 'fileEntity'].includes(code) ? /\{\{reason\}\}$/ : /[.}]$/,
    );
    expect(sentence).not.toMatch(/'/);
  });

  it('stands with its values, and with sentences in sentences', () => {
    const reason = told('radius', { radius: 1 / 3 });
    expect(sentenceOf(told('waitsForSource', { name: 'Arch', reason }), coreSentences)).toBe(
      'Arch waits for its source: The radius is 0.3333333333; it must be finite and above zero.',
    );
  });

  it('is said in another language by the same codes', () => {
    const other = { radius: '{{radius}} ist kein Radius.' };
    expect(sentenceOf(told('radius', { radius: -1 }), other)).toBe('-1 ist kein Radius.');
  });

  it('is carried by errors, whose message is the English sentence', () => {
    const error = new CurveError('argument', told('radius', { radius: -2 }), { value: -2 });
    expect(error.told).toEqual({ code: 'radius', parameters: { radius: -2 } });
    expect(error.message).toBe('The radius is -2; it must be finite and above zero.');
  });
});
