import { useLayoutEffect, useRef, useState } from 'react';
import { useTheme } from '../../theme/theme.js';
import { inDigits } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { extentOf, extentWith, spaceProjection, type Turn } from '../geometry/spaceProjection.js';
import { useHold } from '../hold/useHold.js';
import { stepsOf, within, type ValueSpace } from '../hold/valueSpace.js';
import { prepare, useSize } from '../paint/canvas.js';
import { nameOf } from '../scene/names.js';
import type { FigureScene } from '../scene/scene.js';
import { useParts } from '../scene/useScene.js';
import { drawLifted, liftedOf } from './drawLifted.js';

const firstTurn: Turn = { azimuth: 20, elevation: 24 };
const fromAbove: Turn = { azimuth: 0, elevation: 90 };
/** Pixels of the pointer to a degree, and degrees to an arrow. */
const pixels = 2.5;
const degrees = 3;
const elevations = [0, 90] as const;

/** All ways of looking at something that stands on the ground. */
const turns: ValueSpace<Turn> = {
  toScreen: ({ azimuth, elevation }) => [azimuth * pixels, elevation * pixels],
  at: ([x, y]) => ({ azimuth: x / pixels, elevation: within(y / pixels, elevations) }),
  nudged: ({ azimuth, elevation }, press) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[press.key];
    if (!by || press.ctrlKey || press.metaKey) return undefined;
    const step = degrees * Math.min(5, stepsOf(press));
    return {
      azimuth: azimuth + by[0]! * step,
      elevation: within(elevation + by[1]! * step, elevations),
    };
  },
};

/** The rail's curve from one dimension up, in step with the figure; it is turned by pulling it, or by the arrows. */
export function LiftedPane({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  useParts(scene.structured, scene.viewed);
  const palette = useTheme((state) => state.palette);
  const [ref, { width, height }] = useSize<HTMLDivElement>(scene);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [turn, setTurn] = useState(firstTurn);
  /** As it is seen now, also while it is in the hand. */
  const shown = useRef(turn);
  const { view } = scene;

  const look = (to: Turn): void => {
    shown.current = to;
    scene.invalidate();
  };
  const { onPointerDown, onMouseDown, onKeyDown } = useHold<Turn>(() => ({
    space: turns,
    value: () => shown.current,
    take: () => {
      const before = shown.current;
      return {
        preview: look,
        commit: (to) => {
          look(to);
          setTurn(to);
        },
        cancel: () => look(before),
      };
    },
  }));

  useLayoutEffect(() => {
    let resting = null as ReturnType<typeof extentOf> | null;
    let restingTurn = shown.current;
    return scene.addPainter(() => {
      const context = canvas.current && prepare(canvas.current, width, height);
      const curve = scene.railCurve;
      if (!context) return;
      context.fillStyle = palette.sheet;
      context.fillRect(0, 0, width, height);
      if (curve?.points[0]?.length !== 2) return;
      const lifted = liftedOf(curve, view);
      const now = extentOf(lifted.places, shown.current);
      // While something is in the hand the view goes along only with what would leave it.
      const keeps = scene.host.motion() !== 'rest' && resting && restingTurn === shown.current;
      const extent = keeps && resting ? extentWith(resting, now) : now;
      if (!keeps) [resting, restingTurn] = [now, shown.current];
      const projection = spaceProjection(shown.current, extent, width, height, 48);
      drawLifted(context, lifted, scene.cursor, projection, palette);
    });
  }, [scene, palette, width, height, view]);

  const name = nameOf(scene.document, scene.document.rail.item ?? '');
  const words = t('figure.liftedTurned', {
    azimuth: inDigits(turn.azimuth, 0),
    elevation: inDigits(turn.elevation, 0),
  });
  return (
    <div ref={ref} className="relative min-h-0 min-w-0 flex-1 overflow-hidden" data-lifted={name}>
      <canvas ref={canvas} aria-hidden className="absolute top-0 left-0" style={{ width, height }} />
      <div
        role="slider"
        tabIndex={0}
        aria-label={t('figure.lifted', { curve: name })}
        aria-valuemin={elevations[0]}
        aria-valuemax={elevations[1]}
        aria-valuenow={Math.round(turn.elevation)}
        aria-valuetext={words}
        title={t('figure.liftedHelp')}
        className="mark absolute inset-0 cursor-grab touch-none outline-none focus-visible:ring-3 focus-visible:ring-accent/40 focus-visible:ring-inset"
        data-turn={`${turn.azimuth} ${turn.elevation}`}
        onPointerDown={onPointerDown}
        onMouseDown={onMouseDown}
        onKeyDown={onKeyDown}
      />
      <p className="pointer-events-none absolute top-2 left-4 font-serif text-[14px] italic">
        {t('figure.liftedTitle', { curve: name })}
      </p>
      <div className="absolute top-1 right-2">
        <Button
          quiet
          onClick={() => {
            const next = turn.elevation === 90 ? firstTurn : fromAbove;
            look(next);
            setTurn(next);
          }}
        >
          {t(turn.elevation === 90 ? 'figure.liftedFromAside' : 'figure.liftedFromAbove')}
        </Button>
      </div>
    </div>
  );
}
