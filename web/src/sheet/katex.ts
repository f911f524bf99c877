import { inNotation, type Notation } from '@bogen/core/lesson';
import katex from 'katex';
import 'katex/dist/katex.min.css';

/** Sets a formula in TeX, as a lesson with this notation writes it, into an element; what can't be read stands there as it was typed, marked. */
export function typeset(latex: string, notation: Notation, element: HTMLElement, block: boolean): void {
  katex.render(inNotation(latex, notation), element, {
    displayMode: block,
    throwOnError: false,
    trust: false,
    maxExpand: 200,
  });
}
