import '../text/enGlossary.js';
import type { Answer } from '@bogen/contract';
import type { FigureDocument } from '@bogen/core/figure';
import type { Prose, ProseNode } from '@bogen/core/lesson';
import i18next from 'i18next';
import { glossaryTerms } from '../text/en/glossary.js';
import { termFigures, type TermName } from './figures.js';

export type OwnTerm = Answer<'terms'>['terms'][number];

/** A term that can be asked. */
export interface Term {
  readonly id: string;
  readonly term: string;
  /** Everything that is found in a text as this term, in small letters. */
  readonly forms: readonly string[];
  readonly sentence: string;
  readonly figure: (() => FigureDocument) | null;
}

/** The terms of every course and those of one's own; one that the course has itself takes the place of another. */
export function allTerms(own: readonly OwnTerm[]): readonly Term[] {
  const mine = own.map(({ id, term, sentence, figure }): Term => ({
    id,
    term,
    forms: formsOf(term, []),
    sentence,
    figure: figure && (() => figure),
  }));
  const taken = new Set(mine.flatMap(({ forms }) => forms));
  const common = (Object.keys(glossaryTerms) as TermName[]).map((name): Term => {
    const { term, forms, sentence } = i18next.t(`glossaryTerms.${name}` as never, {
      returnObjects: true,
    }) as (typeof glossaryTerms)['knot'];
    return { id: name, term, forms: formsOf(term, forms), sentence, figure: termFigures[name] };
  });
  return [...mine, ...common.filter(({ forms }) => !forms.some((form) => taken.has(form)))];
}

const formsOf = (term: string, forms: readonly string[]): string[] => {
  const small = term.toLowerCase();
  return [...new Set([small, `${small}s`, ...forms.map((form) => form.toLowerCase())])];
};

/** A stretch of a text node that is a term. */
export interface Found {
  readonly from: number;
  readonly to: number;
  readonly term: Term;
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Where in a text each term stands for the first time, by the node of the text. Headings, links and pointing words are passed over. */
export function firstTerms(prose: Prose, terms: readonly Term[]): ReadonlyMap<ProseNode, readonly Found[]> {
  const byForm = new Map(terms.flatMap((term) => term.forms.map((form) => [form, term] as const)));
  // The longest first, so that a knot vector is not taken for a knot.
  const forms = [...byForm.keys()].sort((a, b) => b.length - a.length).map(escaped);
  const found = new Map<ProseNode, Found[]>();
  if (forms.length === 0) return found;
  const pattern = new RegExp(`(?<![\\p{L}\\p{N}])(?:${forms.join('|')})(?![\\p{L}\\p{N}])`, 'giu');
  const seen = new Set<Term>();
  const visit = (node: ProseNode): void => {
    if (node.type === 'heading') return;
    const isPlain = !node.marks?.some(({ type }) => type === 'link' || type === 'pointing');
    if (node.type === 'text' && node.text && isPlain) {
      const here = [...node.text.matchAll(pattern)].flatMap(({ 0: words, index }): Found[] => {
        const term = byForm.get(words.toLowerCase())!;
        if (seen.has(term)) return [];
        seen.add(term);
        return [{ from: index, to: index + words.length, term }];
      });
      if (here.length > 0) found.set(node, here);
    }
    node.content?.forEach(visit);
  };
  prose.content.forEach(visit);
  return found;
}
