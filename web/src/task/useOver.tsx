import { Fragment, useCallback, useMemo } from 'react';
import { useStateOf } from '../ui/useStateOf.js';
import type { OverFigure } from './answering.js';

type Overs = Readonly<Record<string, OverFigure>>;
const nothing: Overs = {};

/**
 * What the tasks of a sheet lay over its figure.
 * @param place names the stage: what lies over another one goes
 * @returns what is laid over, and how a task lays something there or takes it away
 */
export function useOver(
  place: string,
): readonly [OverFigure | undefined, (task: string, over: OverFigure | null) => void] {
  const [overs, setOvers] = useStateOf<Overs>(place, nothing);
  const lay = useCallback(
    (task: string, over: OverFigure | null) =>
      setOvers(({ [task]: _, ...others }) => (over ? { ...others, [task]: over } : others)),
    [setOvers],
  );
  const over = useMemo((): OverFigure | undefined => {
    const all = Object.entries(overs);
    return all.length === 0
      ? undefined
      : (projection, pane) =>
          all.map(([task, one]) => <Fragment key={task}>{one(projection, pane)}</Fragment>);
  }, [overs]);
  return [over, lay];
}
