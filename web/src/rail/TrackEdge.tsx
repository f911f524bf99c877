import { lengthDown } from '../figure/hold/scalar.js';
import { useHold } from '../figure/hold/useHold.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTranslation } from '../text/text.js';
import type { Track } from './track.js';

/** How low and how high a track can be, and what an arrow adds, in pixels. */
const limits = { least: 40, most: 320, step: 8 };

interface TrackEdgeProps {
  readonly scene: FigureScene;
  readonly track: Track;
  readonly height: number;
  /** The height while it is pulled, and `null` when that is done. */
  readonly onPull: (height: number | null) => void;
}

/** The lower edge of a track, by which it is made higher or lower. */
export function TrackEdge({ scene, track, height, onPull }: TrackEdgeProps) {
  const { t } = useTranslation();
  const set = (next: number): void => {
    const { rail } = scene.document;
    const heights = { ...rail.heights, [track.name]: next };
    scene.host.do({ name: 'setRail', rail: { ...rail, heights } });
  };
  const { onPointerDown, onMouseDown, onKeyDown } = useHold<number>(() => ({
    space: lengthDown([limits.least, limits.most], limits.step),
    value: () => height,
    take: () => ({
      preview: onPull,
      commit: (next) => {
        onPull(null);
        if (next !== height) set(next);
      },
      cancel: () => onPull(null),
    }),
  }));
  return (
    <div
      role="separator"
      aria-orientation="horizontal"
      aria-label={t('rail.edge', { track: t(`rail.tracks.${track.name}.name`) })}
      aria-valuenow={height}
      aria-valuemin={limits.least}
      aria-valuemax={limits.most}
      tabIndex={0}
      data-track-edge={track.name}
      className="absolute inset-x-0 -bottom-1 z-10 h-2 cursor-ns-resize touch-none hover:bg-tint focus-visible:bg-tint"
      onPointerDown={onPointerDown}
      onMouseDown={onMouseDown}
      onKeyDown={onKeyDown}
    />
  );
}
