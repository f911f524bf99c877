import type { Stage } from '@bogen/core/lesson';
import { useRef } from 'react';
import { useSearchParams } from 'react-router';

/** The stage in the address, or else the first; where it has just gone, the one that was before it. */
export function useStageInAddress(
  sheet: string,
  stages: readonly Stage[],
): readonly [string, (stage: string) => void] {
  const [search, setSearch] = useSearchParams();
  const last = useRef({ sheet, index: 0 });
  const wanted = stages.findIndex(({ id }) => id === search.get('stage'));
  const index =
    wanted >= 0 || last.current.sheet !== sheet
      ? Math.max(0, wanted)
      : Math.min(Math.max(0, last.current.index - 1), stages.length - 1);
  if (wanted >= 0 || last.current.sheet !== sheet) last.current = { sheet, index };
  const goTo = (stage: string): void =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        next.set('stage', stage);
        return next;
      },
      { replace: true },
    );
  return [stages[index]!.id, goTo];
}
