import clsx from 'clsx';
import { useTold } from '../text/told.js';

/** What stood in the way of something that was asked for, in a sentence; nothing where nothing did. */
export function ProblemText({ error, className }: { error: unknown; className?: string }) {
  const tell = useTold();
  if (error === null || error === undefined) return null;
  return (
    <p role="alert" className={clsx('text-[14px] text-bad', className)}>
      {tell(error)}
    </p>
  );
}
