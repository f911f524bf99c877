import { useEffect, useRef } from 'react';

/** A formula, typeset by KaTeX, which is loaded when the first formula is shown. */
export function Formula({ latex, block }: { latex: string; block: boolean }) {
  const ref = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    let gone = false;
    void import('./katex.js').then(({ typeset }) => {
      if (!gone && ref.current) typeset(latex, ref.current, block);
    });
    return () => {
      gone = true;
    };
  }, [latex, block]);
  return (
    <span ref={ref} className={block ? 'block-formula block' : undefined}>
      {latex}
    </span>
  );
}
