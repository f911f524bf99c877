import katex from 'katex';
import 'katex/dist/katex.min.css';

/** Sets a formula in TeX notation into an element; what can't be read stands there as it was typed, marked. */
export function typeset(latex: string, element: HTMLElement, block: boolean): void {
  katex.render(latex, element, { displayMode: block, throwOnError: false, trust: false, maxExpand: 200 });
}
