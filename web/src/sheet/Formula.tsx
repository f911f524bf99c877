import { useEffect, useRef } from 'react';
import { useNotation } from '../text/notation.js';

/** A formula as the lesson writes it, typeset by KaTeX, which is loaded when the first formula is shown. */
export function Formula({ latex, block }: { latex: string; block: boolean }) {
  const notation = useNotation();
  const ref = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    let gone = false;
    void import('./katex.js').then(({ typeset }) => {
      if (!gone && ref.current) typeset(latex, notation, ref.current, block);
    });
    return () => {
      gone = true;
    };
  }, [latex, block, notation]);
  return (
    <span ref={ref} className={block ? 'block-formula block' : undefined}>
      {latex}
    </span>
  );
}
