import clsx from 'clsx';

/** What is said beside the hand on the rail. */
export interface Spoken {
  readonly text: string;
  /** Whether it says why something can't be done. */
  readonly bad: boolean;
}

/** Words beside the hand, on the side where there is room; they are read out as well. */
export function Said({ said, x, width }: { said: Spoken | null; x: number; width: number }) {
  return (
    <span
      role="status"
      className={clsx(
        'pointer-events-none absolute top-1 z-20 rounded bg-ink px-1.5 py-px font-mono text-[11px] whitespace-nowrap text-sheet',
        !said && 'sr-only',
        said?.bad && 'bg-bad',
      )}
      style={x > width / 2 ? { right: Math.max(4, width - x + 16) } : { left: Math.max(4, x + 16) }}
      data-said
    >
      {said?.text ?? ''}
    </span>
  );
}
