import { handlesOfShape, itemOf, pictureHandles, type PointKind } from '@bogen/core/figure';
import clsx from 'clsx';
import { useEffect, useLayoutEffect, useMemo, useRef, type ReactNode } from 'react';
import { Chooser } from '../handles/Chooser.js';
import { useSelectBox } from '../handles/useSelectBox.js';
import { useFonts } from '../../theme/fonts.js';
import { useTheme } from '../../theme/theme.js';
import { Late } from '../../ui/Late.js';
import { hasSize, prepare, useSize } from '../paint/canvas.js';
import { CursorHandle } from '../handles/CursorHandle.js';
import { Handles } from '../handles/Handles.js';
import { Layers } from '../paint/layers.js';
import type { Pane } from '../scene/pane.js';
import { picturesOf } from '../paint/pictures.js';
import { PickLayer } from '../handles/PickLayer.js';
import { fitPlane, type Plane } from '../geometry/plane.js';
import { ReferencePoint } from '../handles/ReferencePoint.js';
import { mayDraw } from '../scene/may.js';
import type { FigureScene } from '../scene/scene.js';
import { ShapeHandle } from '../handles/ShapeHandle.js';
import { useParts } from '../scene/useScene.js';
import { useZoom } from './zoom.js';

interface FigurePaneProps {
  readonly scene: FigureScene;
  readonly pane: Pane;
  /** Where points are made loose or fixed instead of moved. */
  readonly onToggle?: ((item: string, of: PointKind, index: number) => void) | undefined;
  readonly onSay: (text: string) => void;
  /** What lies over the drawing. */
  readonly children?: ((plane: Plane) => ReactNode) | undefined;
}

/** One drawing of a figure: curves on a canvas, and every point as a handle above it. */
export function FigurePane({ scene, pane, onToggle, onSay, children }: FigurePaneProps) {
  useParts(scene.structured, scene.selected, scene.viewed);
  const palette = useTheme((state) => state.palette);
  const fonts = useFonts();
  const [ref, { width, height }] = useSize<HTMLDivElement>(scene);
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawing = useRef<SVGSVGElement>(null);
  const { document, view } = scene;
  const isSeen = scene.arrival !== 'awaited';
  const plane = useMemo(() => fitPlane(view, width, height), [view, width, height]);
  useEffect(() => scene.noteScale(plane.scale), [scene, plane]);
  useZoom(ref, scene, plane);
  const box = useSelectBox(ref, scene, plane, pane);

  useLayoutEffect(() => {
    const layers = new Layers(scene, plane, palette, pane);
    const come = (): void => scene.invalidate();
    const stop = scene.addPainter(
      () => {
        const context = canvas.current && prepare(canvas.current, width, height);
        if (context) layers.draw(context, picturesOf(scene.document, pane, come));
        // From sheet to sheet the pane's size can change; what is drawn in the old one is drawn for nothing.
      },
      hasSize(ref.current, { width, height }),
    );
    return () => {
      stop();
      layers.close();
    };
  }, [ref, scene, plane, palette, fonts, width, height, pane]);

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

  const takes = width > 0 && scene.arrival === 'here';
  const own = { scene, plane, pane, onSay };
  return (
    <div
      ref={ref}
      // Two fingers zoom the figure and not the page; a reader still scrolls past it with one.
      className={clsx(
        'relative min-h-0 min-w-0 flex-1 overflow-hidden',
        mayDraw(scene.host) ? 'touch-none' : 'touch-pan-y',
      )}
      data-pane={pane.key}
    >
      <canvas
        ref={canvas}
        aria-hidden
        // Where the figure is awaited it still holds the one before.
        className={clsx('absolute top-0 left-0', !isSeen && 'invisible')}
        style={{ width, height }}
      />
      <svg ref={drawing} className="absolute top-0 left-0" width={width} height={height}>
        {document.items.map((item) =>
          isSeen && item.kind === 'point' && !item.hidden ? (
            <ReferencePoint
              key={`${scene.number}/${item.id}`}
              scene={scene}
              item={item}
              plane={plane}
              pane={pane}
            />
          ) : null,
        )}
        {isSeen && pane.shows(document.rail.item) && <CursorHandle scene={scene} plane={plane} />}
        {mayDraw(scene.host) &&
          document.items.flatMap((item) => {
            if (item.hidden || item.locked || !pane.shows(item.id)) return [];
            const places =
              item.kind === 'shape'
                ? handlesOfShape(item.shape)
                : item.kind === 'picture'
                  ? pictureHandles(item)
                  : [];
            return places.map(({ key }) => (
              <ShapeHandle key={`${scene.number}/${item.id}/${key}`} {...own} item={item.id} handle={key} />
            ));
          })}
        {/* The first picture does not wait for hundreds of elements that are not seen. */}
        {takes && (
          <Late key={scene.number}>
            <Handles {...own} onToggle={onToggle} />
          </Late>
        )}
      </svg>
      {box && (
        <div
          aria-hidden
          className="pointer-events-none absolute border border-dashed border-accent bg-accent/10"
          style={box}
        />
      )}
      {pane.item !== null && (
        <p className="pointer-events-none absolute top-2 left-4 font-serif text-[14px] italic">
          {itemOf(document, pane.item)?.name}
        </p>
      )}
      {scene.selected.question?.pane === pane.key && (
        <Chooser scene={scene} question={scene.selected.question} plane={plane} />
      )}
      {children?.(plane)}
      {scene.viewed.picking && <PickLayer scene={scene} plane={plane} picking={scene.viewed.picking} />}
    </div>
  );
}
