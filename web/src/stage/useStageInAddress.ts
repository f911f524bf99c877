import type { Stage } from '@bogen/core/lesson';
import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';

/** A stage that was gone to, and what the address may still say until it follows. */
interface Chosen {
  readonly sheet: string;
  readonly stage: string;
  readonly before: readonly (string | null)[];
}

/**
 * The stage in the address, or else the first; where it has just gone, the one that was before it. A step shows in the
 * frame of its press, though the address follows a little later.
 */
export function useStageInAddress(
  sheet: string,
  stages: readonly Stage[],
): readonly [string, (stage: string) => void] {
  const [search, setSearch] = useSearchParams();
  const address = search.get('stage');
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const holds = chosen !== null && chosen.sheet === sheet && chosen.before.includes(address);
  const hasFollowed = chosen !== null && (!holds || chosen.stage === address);
  useEffect(() => {
    if (hasFollowed) setChosen(null);
  }, [hasFollowed]);
  const stage = holds ? chosen.stage : address;
  const last = useRef({ sheet, index: 0 });
  const wanted = stages.findIndex(({ id }) => id === stage);
  const index =
    wanted >= 0 || last.current.sheet !== sheet
      ? Math.max(0, wanted)
      : Math.min(Math.max(0, last.current.index - 1), stages.length - 1);
  if (wanted >= 0 || last.current.sheet !== sheet) last.current = { sheet, index };
  const goTo = (next: string): void => {
    setChosen({ sheet, stage: next, before: holds ? [...chosen.before, chosen.stage] : [address] });
    setSearch(
      (before) => {
        const changed = new URLSearchParams(before);
        changed.set('stage', next);
        return changed;
      },
      { replace: true },
    );
  };
  return [stages[index]!.id, goTo];
}
