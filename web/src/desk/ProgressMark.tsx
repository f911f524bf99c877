import type { Progress } from '@bogen/contract';
import { Check, Circle, CircleDashed, CircleDot, Minus } from 'lucide-react';

const icons = { unopened: Minus, opened: CircleDashed, begun: Circle, tried: CircleDot, done: Check };

/** How far somebody is with a sheet, by shape and not by colour alone. */
export function ProgressMark({ progress }: { progress: Progress }) {
  const Icon = icons[progress];
  return (
    <Icon
      aria-hidden
      size={16}
      className={progress === 'done' ? 'text-good' : progress === 'unopened' ? 'text-strong' : 'text-ink'}
    />
  );
}
