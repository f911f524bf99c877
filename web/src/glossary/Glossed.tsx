import type { Answer } from '@bogen/contract';
import type { Prose, ProseNode } from '@bogen/core/lesson';
import { useEffect, useState, type ReactNode } from 'react';
import { TermsOfText } from '../sheet/TermsOfText.js';

interface GlossedProps {
  readonly prose: Prose;
  /** Terms of the course's own. */
  readonly terms: Answer<'terms'>['terms'];
  readonly children: ReactNode;
}

type Gloss = (node: ProseNode) => ReactNode | undefined;

/** A text whose terms can be asked. The glossary comes after the text, which is there to be read meanwhile. */
export function Glossed({ prose, terms, children }: GlossedProps) {
  const [gloss, setGloss] = useState<{ of: Prose; gloss: Gloss } | null>(null);
  useEffect(() => {
    let isGone = false;
    const fetch = (): void => {
      import('./glossing.js').then(
        ({ glossOf }) => {
          if (!isGone) setGloss({ of: prose, gloss: glossOf(prose, terms) });
        },
        // Without a connection words can't be asked, and the text can be read.
        () => undefined,
      );
    };
    const later =
      typeof requestIdleCallback === 'function' ? requestIdleCallback(fetch, { timeout: 1500 }) : 0;
    if (!later) fetch();
    return () => {
      isGone = true;
      if (later) cancelIdleCallback(later);
    };
  }, [prose, terms]);
  return (
    <TermsOfText.Provider value={gloss?.of === prose ? gloss.gloss : null}>{children}</TermsOfText.Provider>
  );
}
