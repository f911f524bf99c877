import clsx from 'clsx';
import { useImperativeHandle, useState, type Ref } from 'react';

/** What is said beside the hand on the rail. */
export interface Spoken {
  readonly text: string;
  /** Whether it says why something can't be done. */
  readonly bad: boolean;
  /** Pixels along the track. */
  readonly x: number;
}

/** Says something, or nothing more. */
export type Say = (said: Spoken | null) => void;

interface SaidProps {
  /** Takes what is to be said: it changes in every frame of a drag, and the marks around it don't. */
  readonly ref: Ref<Say>;
  readonly width: number;
}

/** Words beside the hand, on the side where there is room; they are read out as well. */
export function Said({ ref, width }: SaidProps) {
  const [said, say] = useState<Spoken | null>(null);
  useImperativeHandle(ref, () => say, []);
  const isLeft = said !== null && said.x > width / 2;
  const at = said === null ? 0 : isLeft ? Math.min(width - 4, said.x - 16) : Math.max(4, said.x + 16);
  return (
    <span
      role="status"
      className={clsx(
        'pointer-events-none absolute top-1 left-0 z-20 rounded bg-ink px-1.5 py-px font-mono text-[11px] whitespace-nowrap text-sheet will-change-transform contain-content',
        !said && 'sr-only',
        said?.bad && 'bg-bad',
      )}
      style={{ transform: `translateX(${at.toFixed(1)}px)${isLeft ? ' translateX(-100%)' : ''}` }}
      data-said
    >
      {said?.text ?? ''}
    </span>
  );
}
