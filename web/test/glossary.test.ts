import { evaluateFigure, validateFigure } from '@bogen/core/figure';
import type { Prose, ProseNode } from '@bogen/core/lesson';
import { describe, expect, it } from 'vitest';
import { allTerms, firstTerms } from '../src/glossary/terms.js';

const words = (text: string, marks?: ProseNode['marks']): ProseNode => ({
  type: 'text',
  text,
  ...(marks ? { marks } : {}),
});
const paragraph = (...content: ProseNode[]): ProseNode => ({ type: 'paragraph', content });
const found = (prose: Prose, own: Parameters<typeof allTerms>[0] = []) =>
  [...firstTerms(prose, allTerms(own))].flatMap(([node, here]) =>
    here.map(({ from, to, term }) => [node.text!.slice(from, to), term.id]),
  );

describe('terms in a text', () => {
  it('are found where they stand first, the longest first, and not in headings, links or parts of words', () => {
    const prose: Prose = {
      type: 'doc',
      content: [
        { type: 'heading', attrs: { level: 3 }, content: [words('Weights')] },
        paragraph(
          words('The Knot Vector has knots. A knotty word is no knot, and '),
          words('a span', [{ type: 'link', attrs: { href: 'https://ellerbrook.example' } }]),
          words(' is not asked in a link. Control points act on spans; a control point has a weight.'),
        ),
      ],
    };
    expect(found(prose)).toEqual([
      ['Knot Vector', 'knotVector'],
      ['knots', 'knot'],
      ['Control points', 'controlPoint'],
      ['spans', 'span'],
      ['weight', 'weight'],
    ]);
  });

  it('of one’s own take the place of others, with signs that mean something in patterns', () => {
    const own = [
      { id: 'mine', term: 'knot', sentence: 'Ours.', figure: null },
      { id: 'odd', term: 'C++ (old)', sentence: 'Odd.', figure: null },
    ];
    const prose: Prose = { type: 'doc', content: [paragraph(words('A knot and C++ (old).'))] };
    expect(found(prose, own)).toEqual([
      ['knot', 'mine'],
      ['C++ (old)', 'odd'],
    ]);
  });
});

describe('every term', () => {
  it.each(allTerms([]).map((term) => [term.id, term] as const))(
    '%s has one sentence and a whole figure',
    (_, term) => {
      expect(term.sentence).toMatch(/^[A-Z].*\.$/s);
      const figure = term.figure!();
      expect(() => validateFigure(figure)).not.toThrow();
      expect([...evaluateFigure(figure).items.values()].every(({ status }) => status !== 'failed')).toBe(
        true,
      );
    },
  );
});
