import type { Answer } from '@bogen/contract';
import { isAnythingFree, type FigureDocument } from '@bogen/core/figure';
import { figureOfStage } from '@bogen/core/lesson';
import { useMemo } from 'react';
import { useNotationOf } from '../text/notation.js';
import { lastSeen, type WorkPlace } from './work.js';
import { WorkHost } from './workHost.js';

/** A stage as it is shown until the work on it is here, and from then on with it. */
interface StageOfWork {
  /** What is seen until then. */
  readonly before: FigureDocument;
  readonly host: WorkHost;
  /** The figure as the stage gives it. */
  readonly start: FigureDocument;
  /** Whether nothing can be done at this stage, so that no work is opened for it. */
  readonly isLookedAt: boolean;
}

/** The stages of a sheet as they are opened, each as things are at that moment: what comes later comes to its host. */
export function useStageOfWork(
  lesson: Answer<'readLesson'>,
  index: number,
  place: WorkPlace,
  isFirst: boolean,
): StageOfWork {
  const sheet = lesson.sheets[index]!;
  useNotationOf(lesson.notation);
  const known = useMemo(() => new Map<string, StageOfWork>(), [place.edition, place.sheet]);
  let stage = known.get(place.stage);
  if (!stage) {
    const start = figureOfStage(sheet, place.stage);
    const seen = lastSeen(place);
    const before = seen ?? start;
    const isKnown = seen !== undefined || !lesson.progress[index]!.moved.includes(place.stage);
    // The first is opened in any case, so that it is known that the sheet was.
    const isAsked = sheet.tasks.some((task) => task.stage === place.stage);
    const isLookedAt = !isFirst && !isAsked && !isAnythingFree(start) && isKnown;
    stage = { before, host: new WorkHost(before, isKnown, start), start, isLookedAt };
    known.set(place.stage, stage);
  }
  return stage;
}
