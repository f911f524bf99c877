import { useRef } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTranslation } from '../text/text.js';
import type { Track } from './track.js';

/** How low and how high a track can be. */
const limits = { least: 40, most: 320 };

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
  const held = useRef<{ y: number; height: number } | null>(null);
  const fit = (wanted: number): number => Math.round(Math.min(limits.most, Math.max(limits.least, wanted)));
  const set = (next: number): void => {
    const { rail } = scene.document;
    const heights = { ...rail.heights, [track.name]: next };
    scene.host.do({ name: 'setRail', rail: { ...rail, heights } });
  };
  const at = (y: number): number => fit(held.current!.height + y - held.current!.y);
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
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        held.current = { y: event.clientY, height };
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => held.current && onPull(at(event.clientY))}
      onPointerUp={(event) => {
        if (!held.current) return;
        const next = at(event.clientY);
        held.current = null;
        onPull(null);
        if (next !== height || next !== track.height) set(next);
      }}
      onPointerCancel={() => {
        held.current = null;
        onPull(null);
      }}
      onKeyDown={(event) => {
        const step = event.key === 'ArrowDown' ? 8 : event.key === 'ArrowUp' ? -8 : 0;
        if (step === 0) return;
        event.preventDefault();
        set(fit(height + step));
      }}
    />
  );
}
