import { unlessPole } from '@bogen/core/curve';
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
import type { TrackContents, TrackInput, TrackName } from '@bogen/core/figure';
import clsx from 'clsx';
import { prepare } from '../figure/paint/canvas.js';
import { drawBitmap, isSame, kept, type Kept } from '../figure/paint/kept.js';
import { mayArrangeRail } from '../figure/scene/may.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTranslation } from '../text/text.js';
import { useExact } from '../text/useExact.js';
import { useNotation } from '../text/notation.js';
import { useFonts } from '../theme/fonts.js';
import { Deferred } from '../ui/Deferred.js';
import { lazyPart } from '../ui/lazyPart.js';
import { useTheme, type Palette } from '../theme/theme.js';
import { gutter, railAxis } from './axis.js';
import { contentsOf } from './contents.js';
import type { Track } from './track.js';
import { trackWords } from './trackWords.js';
import { noteOf, summaryOf } from './words.js';

/** Only for those who arrange the rail. */
const TrackEdge = lazyPart(async () => (await import('./TrackEdge.js')).TrackEdge);

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
  const notation = useNotation();
  const exact = useExact((state) => state.exact);
  const canvas = useRef<HTMLCanvasElement>(null);
  const values = useRef<HTMLCanvasElement>(null);
  const [pulled, setPulled] = useState<number | null>(null);
  const height = pulled ?? scene.document.rail.heights?.[track.name] ?? track.height;
  const parameterWindow = scene.axis.window;

  useLayoutEffect(() => {
    let before: readonly unknown[] = [];
    let told: readonly unknown[] = [];
    // While something is dragged, what does not change is copied: the whole track as it was, or its ground.
    let standing: Kept | undefined;
    let ground: Kept | undefined;
    let lastKnots: readonly number[] | undefined;
    const isPart = parameterWindow !== null;
    const stop = scene.addPainter(() => {
      const contents = contentsOf(scene);
      if (!contents) return;
      const depends = track.dependsOn(contents);
      const same = (old: readonly unknown[], now: readonly unknown[]): boolean =>
        old.length === now.length && now.every((value, index) => value === old[index]);
      // Numbers at the cursor are words: they change when the cursor does or the curve.
      const tells = [scene.cursor, contents.curve, contents.compared];
      if (values.current && !same(told, tells)) {
        const texts = unlessPole(() => track.valuesAt(contents, scene.cursor)) ?? ['∞'];
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
      const input = { ...contents, pen: context, axis, width, height, colours: palette };
      const { knots } = contents.curve;
      const drawAll = (own: ScreenInput): void => {
        drawGround(track, own, isPart);
        drawPlot(track, own, isPart);
      };
      const drawNames = (): void => drawInside(input, isPart, track.drawNames);
      const isMoving = scene.host.motion() !== 'rest';
      const resting = scene.restingRailCurve();
      const past = resting && { ...contents, curve: resting };
      const part = isMoving && past ? track.changed?.(past, contents, height) : undefined;
      const { lit, compared } = contents;
      const stands = [resting, lit?.index, compared, scene.document.looks];
      if (past && part) {
        standing = kept(standing, stands, () =>
          drawBitmap(width, height, (own) => drawAll({ ...input, ...past, pen: own })),
        );
        context.drawImage(standing.image, 0, 0, width, height);
        drawWithin(input, part, drawAll);
        drawNames();
      } else if (!isMoving && standing && isSame(stands, standing.parts)) {
        // The hand is back where it began, or nothing came of it.
        context.drawImage(standing.image, 0, 0, width, height);
        drawNames();
      } else if (isMoving && (knots === ground?.parts[0] || knots === lastKnots)) {
        ground = kept(ground, [knots], () =>
          drawBitmap(width, height, (own) => drawGround(track, { ...input, pen: own }, isPart)),
        );
        context.drawImage(ground.image, 0, 0, width, height);
        drawPlot(track, input, isPart);
        drawNames();
      } else {
        drawAll(input);
        drawNames();
      }
      lastKnots = knots;
    });
    return () => {
      stop();
      ground?.image.close();
      standing?.image.close();
    };
  }, [scene, track, width, height, palette, fonts, notation, exact, parameterWindow]);

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
        <h2 className="text-[13px] font-semibold">{title}</h2>
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
        <Suspense fallback={null}>
          <TrackEdge scene={scene} track={track} height={height} onPull={setPulled} />
        </Suspense>
      )}
    </div>
  );
}

/** What a plot comes to in words, for those who do not see it. It is computed when there is time. */
function Summary({ name, contents }: { name: TrackName; contents: TrackContents }) {
  const { t } = useTranslation();
  return summaryOf(name, useDeferredValue(contents), t);
}

/** What is drawn on the screen's own canvas. */
type ScreenInput = TrackInput & { readonly pen: CanvasRenderingContext2D; readonly colours: Palette };

/** Draws the plot and its scale. */
function drawPlot(track: Track, input: ScreenInput, clipped: boolean): void {
  drawInside(input, clipped, track.draw);
  track.drawScale?.(input);
}

/** Pixels beside the part that changed in which its marks can stand. */
const margin = 8;

/** Draws a part of the axis, with what stands beside it, and leaves the rest as it is. */
function drawWithin(
  input: ScreenInput,
  [from, to]: readonly [number, number],
  draw: (input: ScreenInput) => void,
): void {
  const { pen, axis, width, height } = input;
  const left = Math.max(gutter.left, Math.floor(axis(from)) - margin);
  const right = Math.min(width - gutter.right, Math.ceil(axis(to)) + margin);
  if (from === to || right <= left) return;
  pen.save();
  pen.beginPath();
  pen.rect(left, 0, right - left, height);
  pen.clip();
  draw({ ...input, part: [axis.invert(left), axis.invert(right)] });
  pen.restore();
}

/** Draws inside the plot alone, where only a part of the axis is shown. */
function drawInside(
  input: ScreenInput,
  clipped: boolean,
  draw: ((input: ScreenInput) => void) | undefined,
): void {
  if (!draw) return;
  if (!clipped) {
    draw(input);
    return;
  }
  const { pen, width, height } = input;
  pen.save();
  pen.beginPath();
  pen.rect(gutter.left, 0, width - gutter.left - gutter.right, height);
  pen.clip();
  draw(input);
  pen.restore();
}

/** The sheet with what stays while points move. */
function drawGround(track: Track, input: ScreenInput, clipped: boolean): void {
  const { pen, width, height, colours } = input;
  pen.fillStyle = colours.sheet;
  pen.fillRect(0, 0, width, height);
  drawInside(input, clipped, track.drawGround);
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
  context.font = trackWords.fonts.number;
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
