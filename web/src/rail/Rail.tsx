import type { Curve } from '@bogen/core/curve';
import { Suspense, useSyncExternalStore } from 'react';
import { useSize } from '../figure/paint/canvas.js';
import { mayArrangeRail } from '../figure/scene/may.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useParts } from '../figure/scene/useScene.js';
import { useTranslation } from '../text/text.js';
import { lazyPart } from '../ui/lazyPart.js';
import { useTop } from '../ui/useTop.js';
import { RailCursor } from './RailCursor.js';
import { RailFoot } from './RailFoot.js';
import { TrackView } from './TrackView.js';
import { tracks } from './tracks.js';
import { useRailZoom } from './useRailZoom.js';

/** Only where a panel holds values. */
const RailPins = lazyPart(async () => (await import('./RailPins.js')).RailPins);

/** The stack of plots under a figure: one parameter axis, one cursor through all of them. */
export function Rail({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  useParts(scene.structured);
  // The cursor moves without the rail being laid out anew.
  useSyncExternalStore(scene.axis.subscribe, () => scene.axis.window);
  const [ref, { width }] = useSize<HTMLDivElement>(scene);
  const plots = useTop<HTMLDivElement>(scene);
  useRailZoom(ref, scene, width);
  const names = scene.document.rail.tracks;
  const curve = scene.railCurve;
  const isEmpty = scene.document.items.every(({ kind }) => kind === 'point' || kind === 'picture');
  const isSeen = scene.arrival !== 'awaited';
  if (names.length === 0 && !mayArrangeRail(scene.host, scene.document)) return null;
  return (
    <section
      aria-label={t('rail.label')}
      className="relative flex max-h-[62%] shrink-0 flex-col border-t border-line bg-sheet"
      data-rail
    >
      <div ref={plots} className="relative min-h-0 overflow-x-hidden overflow-y-auto">
        <div ref={ref} className="relative divide-y divide-line px-0">
          {curve ? (
            names.map((name) => <TrackView key={name} track={tracks[name]} scene={scene} width={width} />)
          ) : (
            <p className="p-4 text-soft">{t(isEmpty ? 'rail.empty' : 'rail.none')}</p>
          )}
        </div>
        {isSeen && curve && width > 0 && names.length > 0 && <RailCursor scene={scene} width={width} />}
        {isSeen && curve && width > 0 && <Pinned scene={scene} width={width} curve={curve} />}
      </div>
      {curve && <RailFoot scene={scene} />}
    </section>
  );
}

function Pinned(props: { scene: FigureScene; width: number; curve: Curve }) {
  useParts(props.scene.pins);
  return props.scene.pins.list ? (
    <Suspense>
      <RailPins {...props} />
    </Suspense>
  ) : null;
}
