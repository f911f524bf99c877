import '@bogen/core/mathematics';
import type { Prose, ProseNode } from '@bogen/core/lesson';
import type { ReactNode } from 'react';
import { AskedTerm } from './AskedTerm.js';
import { allTerms, firstTerms, type OwnTerm } from './terms.js';

/** How the nodes of a text are shown that hold terms to be asked. */
export function glossOf(prose: Prose, own: readonly OwnTerm[]): (node: ProseNode) => ReactNode | undefined {
  const found = firstTerms(prose, allTerms(own));
  return (node) => {
    const here = found.get(node);
    if (!here) return undefined;
    const text = node.text ?? '';
    const parts: ReactNode[] = [];
    let at = 0;
    for (const { from, to, term } of here) {
      parts.push(
        text.slice(at, from),
        <AskedTerm key={from} term={term}>
          {text.slice(from, to)}
        </AskedTerm>,
      );
      at = to;
    }
    return [...parts, text.slice(at)];
  };
}
