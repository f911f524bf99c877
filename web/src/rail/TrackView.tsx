import {
  Suspense,
  useDeferredValue,
  useId,
  useLayoutEffect,
  useRef,
  useState,
  useSyncExternalStore,
  type PointerEvent,
} from 'react';
import type { TrackName } from '@bogen/core/figure';
import clsx from 'clsx';
import { drawBitmap, prepare } from '../figure/paint/canvas.js';
import { mayArrangeRail } from '../figure/scene/may.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTranslation } from '../text/text.js';
import { useFonts } from '../theme/fonts.js';
import { Deferred } from '../ui/Deferred.js';
import { useTheme, type Palette } from '../theme/theme.js';
import { gutter, railAxis } from './axis.js';
import { contentsOf } from './contents.js';
import { TrackEdge } from './TrackEdge.js';
import { plotFont, type Track, type TrackContents, type TrackInput } from './track.js';
import { noteOf, summaryOf } from './words.js';

interface TrackViewProps {
  readonly track: Track;
  readonly scene: FigureScene;
  readonly width: number;
}

/** One plot of the rail with its name, its values at the cursor, and its lower edge to resize it by. */
export function TrackView({ track, scene, width }: TrackViewProps) {
  const { t } = useTranslation();
  const palette = useTheme((state) => state.palette);
  const fonts = useFonts();
  const canvas = useRef<HTMLCanvasElement>(null);
  const values = useRef<HTMLCanvasElement>(null);
  const [pulled, setPulled] = useState<number | null>(null);
  const height = pulled ?? scene.document.rail.heights?.[track.name] ?? track.height;
  const parameterWindow = scene.axis.window;

  useLayoutEffect(() => {
    let before: readonly unknown[] = [];
    let told: readonly unknown[] = [];
    // While points are dragged the ground is copied. While a knot is, it is another in every frame, and drawn.
    let ground: ImageBitmap | undefined;
    let groundKnots: readonly number[] | undefined;
    let lastKnots: readonly number[] | undefined;
    const stop = scene.addPainter(() => {
      const contents = contentsOf(scene);
      if (!contents) return;
      const depends = track.dependsOn(contents);
      const same = (old: readonly unknown[], now: readonly unknown[]): boolean =>
        old.length === now.length && now.every((value, index) => value === old[index]);
      // Numbers at the cursor are words: they change when the cursor does or the curve.
      const tells = [scene.cursor, contents.curve, contents.compared];
      if (values.current && !same(told, tells)) {
        const texts = track.valuesAt(contents, scene.cursor);
        if (texts.join(gap) !== values.current.dataset['values'] || told.length === 0) {
          drawValues(values.current, texts, valuesWidth(width), palette);
        }
        told = tells;
      }
      if (same(before, depends)) return;
      // Even to ask a canvas for its context can make the browser copy it once more.
      const context = canvas.current && prepare(canvas.current, width, height);
      if (!context) return;
      before = depends;
      const axis = railAxis(contents.curve, width, parameterWindow);
      const input = { ...contents, context, axis, width, height, palette };
      const { knots } = contents.curve;
      const isKept = ground !== undefined && knots === groundKnots;
      if (scene.host.motion() !== 'rest' && (isKept || knots === lastKnots)) {
        if (!isKept) {
          ground?.close();
          ground = drawBitmap(width, height, (own) =>
            drawGround(track, { ...input, context: own }, parameterWindow !== null),
          );
          groundKnots = knots;
        }
        context.drawImage(ground!, 0, 0, width, height);
      } else drawGround(track, input, parameterWindow !== null);
      lastKnots = knots;
      drawInside(input, parameterWindow !== null, track.draw);
      track.drawScale?.(input);
    });
    return () => {
      stop();
      ground?.close();
    };
  }, [scene, track, width, height, palette, fonts, parameterWindow]);

  const pick = (event: PointerEvent<HTMLDivElement>): void => {
    const contents = contentsOf(scene);
    const item = scene.document.rail.item;
    if (!track.pickAt || !contents || item === null) return;
    const box = event.currentTarget.getBoundingClientRect();
    const axis = railAxis(contents.curve, width, parameterWindow);
    const place = [event.clientX - box.left, event.clientY - box.top] as const;
    const index = track.pickAt({ ...contents, axis, width, height }, ...place);
    scene.pointed.pick(index === null ? null : { item, of: 'controlPoints', index });
  };

  // The words beside the plot follow when a change is done.
  const shown = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const summary = useId();
  // Where the figure is awaited the plots still hold the ones before.
  const isAwaited = scene.arrival === 'awaited';
  if (!shown) return null;
  const title = t(`rail.tracks.${track.name}.name`);
  const contents = contentsOf(scene);
  if (!contents) return null;
  const atRest = { ...contents, curve: shown };
  const note = noteOf(track.name, atRest, t);
  return (
    <div
      // The line below it is not of its height: a canvas that is a pixel off its plot would be scaled and blurred.
      className="relative box-content"
      style={{ height }}
      data-track={track.name}
      onPointerMove={track.pickAt && pick}
      onPointerDown={track.pickAt && pick}
      onPointerLeave={track.pickAt && (() => scene.pointed.pick(null))}
    >
      <canvas
        ref={canvas}
        role="img"
        aria-labelledby={summary}
        className={clsx('absolute top-0 left-0', isAwaited && 'invisible')}
        style={{ width, height }}
      />
      <span id={summary} hidden>
        <Deferred key={scene.number} meanwhile={title}>
          <Summary name={track.name} contents={atRest} />
        </Deferred>
      </span>
      <div className="pointer-events-none absolute top-1.5 left-4 max-w-[104px] leading-tight">
        <h3 className="text-[13px] font-semibold">{title}</h3>
        <p className="text-[11.5px] text-soft">{note}</p>
      </div>
      <canvas
        ref={values}
        role="img"
        aria-label={t('rail.valuesAtCursor', { track: title })}
        className={clsx('pointer-events-none absolute top-0.5 right-7', isAwaited && 'invisible')}
        style={{ width: valuesWidth(width), height: valuesHeight }}
        data-track-values
      />
      {track.Marks && width > 0 && !isAwaited && (
        <Suspense fallback={null}>
          <track.Marks scene={scene} width={width} height={height} />
        </Suspense>
      )}
      {mayArrangeRail(scene.host, scene.document) && (
        <TrackEdge scene={scene} track={track} height={height} onPull={setPulled} />
      )}
    </div>
  );
}

/** What a plot comes to in words, for those who do not see it. It is computed when there is time. */
function Summary({ name, contents }: { name: TrackName; contents: TrackContents }) {
  const { t } = useTranslation();
  return summaryOf(name, useDeferredValue(contents), t);
}

/** Draws inside the plot alone, where only a part of the axis is shown. */
function drawInside(input: TrackInput, clipped: boolean, draw: (input: TrackInput) => void): void {
  if (!clipped) {
    draw(input);
    return;
  }
  const { context, width, height } = input;
  context.save();
  context.beginPath();
  context.rect(gutter.left, 0, width - gutter.left - gutter.right, height);
  context.clip();
  draw(input);
  context.restore();
}

/** The sheet with what stays while points move. */
function drawGround(track: Track, input: TrackInput, clipped: boolean): void {
  const { context, width, height, palette } = input;
  context.fillStyle = palette.sheet;
  context.fillRect(0, 0, width, height);
  if (track.drawGround) drawInside(input, clipped, track.drawGround);
}

/** As high as a line of the numbers; as wide as those of a high degree need, where there is room for it. */
const valuesHeight = 15;
const valuesWidth = (width: number): number =>
  Math.max(60, Math.min(660, Math.floor(width) - gutter.left - gutter.right));

/**
 * Numbers that follow a drag are drawn: text of the page would be laid out anew in every frame. Where they
 * are more than there is room for, the last ones are there.
 */
function drawValues(
  canvas: HTMLCanvasElement,
  values: readonly string[],
  width: number,
  palette: Palette,
): void {
  const context = prepare(canvas, width, valuesHeight, true);
  if (!context) return;
  canvas.dataset['values'] = values.join(gap);
  context.clearRect(0, 0, width, valuesHeight);
  context.font = plotFont;
  context.textAlign = 'right';
  context.textBaseline = 'middle';
  let text = values.join(gap);
  let wide = context.measureText(text).width;
  for (let from = 1; from < values.length && wide > width - 6; from++) {
    text = ['…', ...values.slice(from)].join(gap);
    wide = context.measureText(text).width;
  }
  // Clear of the plot by a plain ground: outlines of letters would cost more than all else here.
  context.fillStyle = palette.sheet;
  context.fillRect(width - wide - 5, 0, wide + 5, valuesHeight);
  context.fillStyle = palette.soft;
  context.fillText(text, width - 2, 8);
}
const gap = '   ';
