import { keepingLocks } from '@bogen/core/figure';
import type { Told } from '@bogen/core/lesson';
import { snapOfMove } from '../editing/draw/snapOfMove.js';
import type { FigureHost } from '../figure/scene/host.js';
import { hostThrough, tellingWhy } from '../figure/scene/pipeline.js';
import { endingOf, type EditedFigure } from '../saving/ending.js';

/**
 * A figure by itself, in which everything can be done.
 * @param keepPicture where pictures rest, if not on the server
 * @param refuse told why a change can't be done, where a locked joint forbids it, and `null` when one was done
 */
export function benchHost(
  edited: EditedFigure,
  refuse: (why: Told | null) => void = () => undefined,
  keepPicture?: FigureHost['keepPicture'],
): FigureHost {
  const host = hostThrough(endingOf(edited), [(command, now) => keepingLocks(now, command)], {
    snap: snapOfMove,
    isFree: true,
    ...(keepPicture && { keepPicture }),
    may: () => true,
  });
  return tellingWhy(host, refuse);
}
