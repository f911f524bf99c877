import { domainOf, type Curve } from '@bogen/core';
import type { TFunction } from 'i18next';
import { useEffect, useRef, useSyncExternalStore, type PointerEvent } from 'react';
import { prepare, useSize } from '../figure/canvas.js';
import { cursorKey } from '../figure/cursorKey.js';
import { distinctKnotsOf, samplesOf } from '../figure/geometry.js';
import type { FigureScene } from '../figure/scene.js';
import { useStructure } from '../figure/useScene.js';
import { shownNumber, shownScientific } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { useFonts } from '../theme/fonts.js';
import { useTheme } from '../theme/theme.js';
import { railAxis } from './axis.js';
import { rangeWithZero } from './functionTrack.js';
import { lengthsOf, speedsOf } from './lengthTracks.js';
import type { Track } from './track.js';
import { tracks } from './tracks.js';

/** The stack of plots under a figure: one parameter axis, one cursor through all of them. */
export function Rail({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  useStructure(scene);
  const [ref, { width }] = useSize<HTMLDivElement>();
  const names = scene.document.rail.tracks;
  if (names.length === 0) return null;
  const curve = scene.railCurve;
  return (
    <section
      aria-label={t('rail.label')}
      className="relative shrink-0 border-t border-line bg-sheet"
      data-rail
    >
      <div ref={ref} className="relative divide-y divide-line px-0">
        {curve ? (
          names.map((name) => <TrackView key={name} track={tracks[name]} scene={scene} width={width} />)
        ) : (
          <p className="p-4 text-soft">{t('rail.none')}</p>
        )}
      </div>
      {curve && width > 0 && <RailCursor scene={scene} width={width} />}
    </section>
  );
}

function TrackView({ track, scene, width }: { track: Track; scene: FigureScene; width: number }) {
  const { t } = useTranslation();
  const palette = useTheme((state) => state.palette);
  const fonts = useFonts();
  const canvas = useRef<HTMLCanvasElement>(null);

  useEffect(() => {
    let before: readonly unknown[] = [];
    return scene.addPainter(() => {
      const now = scene.railCurve;
      if (!now) return;
      const support = scene.litSupport;
      const lit = support?.item === scene.document.rail.item ? support : null;
      const depends = track.dependsOn(now, lit);
      if (depends.length === before.length && depends.every((value, index) => value === before[index]))
        return;
      // Even to ask a canvas for its context can make the browser copy it once more.
      const context = canvas.current && prepare(canvas.current, width, track.height);
      if (!context) return;
      before = depends;
      context.fillStyle = palette.sheet;
      context.fillRect(0, 0, width, track.height);
      track.draw({
        context,
        curve: now,
        axis: railAxis(now, width),
        width,
        height: track.height,
        palette,
        lit,
      });
    });
  }, [scene, track, width, palette, fonts]);

  // The words beside the plot follow when a change is done.
  const shown = useSyncExternalStore(scene.onSettled, () => scene.settledRailCurve());
  if (!shown) return null;
  const { title, note, summary } = wordsOf(track, shown, t);
  return (
    <div className="relative" style={{ height: track.height }} data-track={track.name}>
      <canvas ref={canvas} role="img" aria-label={summary} className="absolute inset-0 h-full w-full" />
      <div className="pointer-events-none absolute top-1.5 left-4 max-w-[88px] leading-tight">
        <h3 className="text-[13px] font-semibold">{title}</h3>
        <p className="text-[11.5px] text-soft">{note}</p>
      </div>
    </div>
  );
}

/** What a track is called, its note below, and its contents in words. */
function wordsOf(
  track: Track,
  curve: Curve,
  t: TFunction<'texts'>,
): { title: string; note: string; summary: string } {
  if (track.name === 'knots') {
    const list = distinctKnotsOf(curve)
      .map(({ value, multiplicity }) => t('rail.timesAt', { value: shownNumber(value, 3), multiplicity }))
      .join('; ');
    return {
      title: t('rail.knots'),
      note: t('rail.values', { count: curve.knots.length }),
      summary: t('rail.knotsAt', { list }),
    };
  }
  if (track.name === 'basis') {
    const facts = { degree: curve.degree, count: curve.points.length };
    return {
      title: t('rail.basis'),
      note: curve.weights ? t('rail.rationalOfDegree', facts) : t('rail.ofDegree', facts),
      summary: t('rail.basisSummary', facts),
    };
  }
  if (track.name === 'speed' || track.name === 'length') {
    const [least, most] = rangeWithZero(track.name === 'speed' ? speedsOf(curve) : lengthsOf(curve));
    const facts = { least: shownNumber(least), most: shownNumber(most) };
    return {
      title: t(`rail.${track.name}`),
      note: t(track.name === 'speed' ? 'rail.perParameter' : 'rail.inMillimetres'),
      summary: t(track.name === 'speed' ? 'rail.speedSummary' : 'rail.lengthSummary', facts),
    };
  }
  const [least, most] = rangeWithZero(samplesOf(curve).curvature);
  return {
    title: t('rail.curvature'),
    note: t('rail.perMillimetre'),
    summary: t('rail.curvatureSummary', { least: shownScientific(least), most: shownScientific(most) }),
  };
}

/** The line through all tracks, with a grip at its top and the parameter's value beside it. */
function RailCursor({ scene, width }: { scene: FigureScene; width: number }) {
  const { t } = useTranslation();
  const line = useRef<HTMLDivElement>(null);
  const value = useRef<HTMLSpanElement>(null);
  const held = useRef<{ offset: number; u: number } | null>(null);

  useEffect(
    () =>
      scene.addPainter(() => {
        const curve = scene.railCurve;
        if (!curve || !line.current || !value.current) return;
        const x = railAxis(curve, width)(scene.cursor);
        line.current.style.transform = `translateX(${x.toFixed(2)}px)`;
        value.current.textContent = `u = ${shownNumber(scene.cursor, 3)}`;
        // Beyond the middle the value stands to the left, so that it never leaves the rail.
        value.current.style.right = x > width - 110 ? '11px' : '';
        value.current.style.left = x > width - 110 ? '' : '11px';
        const [start, end] = domainOf(curve.knots, curve.degree);
        line.current.setAttribute('aria-valuemin', String(start));
        line.current.setAttribute('aria-valuemax', String(end));
        line.current.setAttribute('aria-valuenow', shownNumber(scene.cursor, 3));
      }),
    [scene, width],
  );

  const follow = (event: PointerEvent): void => {
    const curve = scene.railCurve;
    if (!held.current || !curve) return;
    const axis = railAxis(curve, width).clamp(true);
    scene.moveCursor(axis.invert(event.clientX + held.current.offset));
  };
  return (
    <div
      ref={line}
      role="slider"
      tabIndex={0}
      aria-label={t('figure.cursorOnRail')}
      data-handle="rail-cursor"
      className="group absolute top-0 bottom-0 left-0 -ml-3 w-6 cursor-ew-resize touch-none outline-none"
      onPointerDown={(event) => {
        const curve = scene.railCurve;
        if (event.button !== 0 || !curve) return;
        held.current = { offset: railAxis(curve, width)(scene.cursor) - event.clientX, u: scene.cursor };
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={follow}
      onPointerUp={() => (held.current = null)}
      onPointerCancel={() => (held.current = null)}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && held.current) {
          scene.moveCursor(held.current.u);
          held.current = null;
        } else cursorKey(event, scene);
      }}
    >
      <div className="absolute inset-y-0 left-1/2 w-px bg-ink" />
      <div className="absolute -top-[7px] left-1/2 size-[13px] -translate-x-1/2 rounded-full border-[3px] border-ink bg-sheet group-focus-visible:ring-4 group-focus-visible:ring-accent/40" />
      <span
        ref={value}
        className="absolute top-1 rounded bg-ink px-1.5 py-px font-mono text-[11px] whitespace-nowrap text-sheet"
      />
    </div>
  );
}
