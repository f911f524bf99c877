import { handlesOfShape, isLoose, itemOf, type PointKind } from '@bogen/core';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useTranslation } from '../text/text.js';
import { useFonts } from '../theme/fonts.js';
import { useTheme } from '../theme/theme.js';
import { prepare, useSize } from './canvas.js';
import { CursorHandle } from './CursorHandle.js';
import { drawFigure } from './drawFigure.js';
import { drawGround } from './drawGround.js';
import { handlesOf } from './drawMarks.js';
import { Facts, factsOf } from './Facts.js';
import { Handle } from './Handle.js';
import { fitPlane, type Plane } from './plane.js';
import { ReferencePoint } from './ReferencePoint.js';
import type { FigureScene } from './scene.js';
import { ShapeHandle } from './ShapeHandle.js';
import { useStructure } from './useScene.js';
import { useZoom, ZoomButtons } from './zoom.js';

interface FigureViewProps {
  readonly scene: FigureScene;
  /** Where points are made loose or fixed instead of moved. */
  readonly onToggle?: ((item: string, of: PointKind, index: number) => void) | undefined;
  /** What lies over the drawing, for instance while something is drawn. */
  readonly layer?: ((plane: Plane) => ReactNode) | undefined;
}

/** The live drawing of a sheet: curves on a canvas, and every point as a handle above it. */
export function FigureView({ scene, onToggle, layer }: FigureViewProps) {
  const { t } = useTranslation();
  useStructure(scene);
  const palette = useTheme((state) => state.palette);
  const fonts = useFonts();
  const [ref, { width, height }] = useSize<HTMLDivElement>();
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawing = useRef<SVGSVGElement>(null);
  const [said, say] = useState('');
  const { document, evaluation } = scene;
  const { view } = scene;
  const plane = useMemo(() => fitPlane(view, width, height), [view, width, height]);
  useZoom(ref, scene, plane);

  useEffect(() => {
    // The ground stays while everything else moves: it is drawn once and copied.
    let ground: ImageBitmap | undefined;
    const stop = scene.addPainter(() => {
      const context = canvas.current && prepare(canvas.current, width, height);
      if (!context) return;
      ground ??= drawGround(view, plane, palette);
      context.drawImage(ground, 0, 0, width, height);
      drawFigure(context, scene, plane, palette);
    });
    return () => {
      stop();
      ground?.close();
    };
  }, [scene, view, plane, palette, fonts, width, height]);

  // A finger on a handle drags it and does not scroll the page; browsers do not go by the style sheet's
  // touch-action for parts of a drawing, and React's own listeners come too late to say so.
  useEffect(() => {
    const element = drawing.current!;
    const hold = (event: TouchEvent): void => {
      if ((event.target as Element).closest('.mark')) event.preventDefault();
    };
    element.addEventListener('touchstart', hold, { passive: false });
    return () => element.removeEventListener('touchstart', hold);
  }, []);

  const railCurve = scene.railCurve;
  const failures = document.items.flatMap((item) => {
    const result = evaluation.items.get(item.id);
    return result?.status === 'failed' ? [{ name: item.name, reason: result.reason }] : [];
  });
  return (
    <div
      ref={ref}
      role="group"
      aria-label={t('figure.label', {
        facts: railCurve ? factsOf(railCurve, t).join(', ') : t('figure.empty'),
      })}
      className="relative min-h-0 flex-1 overflow-hidden bg-sheet"
      data-figure
    >
      <canvas ref={canvas} aria-hidden className="absolute inset-0 h-full w-full" />
      <svg ref={drawing} className="absolute inset-0 h-full w-full" width={width} height={height}>
        {document.items.map((item) =>
          item.kind === 'point' && !item.hidden ? (
            <ReferencePoint key={item.id} scene={scene} item={item} plane={plane} />
          ) : null,
        )}
        <CursorHandle scene={scene} plane={plane} />
        {scene.host.draws &&
          document.items.flatMap((item) =>
            item.kind === 'shape' && !item.hidden && !item.locked
              ? handlesOfShape(item.shape).map(({ key }) => (
                  <ShapeHandle
                    key={`${item.id}/${key}`}
                    scene={scene}
                    plane={plane}
                    item={item.id}
                    handle={key}
                    onSay={say}
                  />
                ))
              : [],
          )}
        {handlesOf(scene).map(({ item, of, index }) => (
          <Handle
            key={`${item}/${of}/${index}`}
            scene={scene}
            plane={plane}
            item={item}
            of={of}
            index={index}
            loose={isLoose(document, item, of, index)}
            movable={!itemOf(document, item)?.locked && scene.host.mayMove(document, item, of, index)}
            onToggle={onToggle ? () => onToggle(item, of, index) : null}
            onSay={say}
          />
        ))}
      </svg>
      {document.items.length === 0 && (
        <p className="absolute inset-0 grid place-items-center font-serif text-soft">{t('figure.empty')}</p>
      )}
      {failures.length > 0 && (
        <ul
          role="alert"
          className="absolute top-2 left-4 max-w-[70%] rounded-md border border-bad bg-sheet px-3 py-1.5 text-[13px]"
        >
          {failures.map((failure) => (
            <li key={failure.name}>{t('figure.failedItem', failure)}</li>
          ))}
        </ul>
      )}
      <Facts scene={scene} />
      {layer?.(plane)}
      <ZoomButtons scene={scene} plane={plane} />
      <p role="status" aria-live="polite" className="sr-only">
        {said}
      </p>
    </div>
  );
}
