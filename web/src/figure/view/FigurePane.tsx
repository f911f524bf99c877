import { handlesOfItem, isMarked, itemOf, type PointKind } from '@bogen/core/figure';
import clsx from 'clsx';
import { Suspense, useEffect, useLayoutEffect, useMemo, useRef, type ReactNode } from 'react';
import { useGround } from '../handles/useGround.js';
import { useNotation } from '../../text/notation.js';
import { useFonts } from '../../theme/fonts.js';
import { useTheme } from '../../theme/theme.js';
import { Deferred } from '../../ui/Deferred.js';
import { lazyPart } from '../../ui/lazyPart.js';
import { hasSize, prepare, useSize } from '../paint/canvas.js';
import { CursorHandle } from '../handles/CursorHandle.js';
import { Handles } from '../handles/Handles.js';
import { Layers } from '../paint/layers.js';
import type { Pane } from '../scene/pane.js';
import { picturesOf } from '../paint/pictures.js';
import { PickLayer } from '../handles/PickLayer.js';
import { planeProjection, type Projection } from '../geometry/projection.js';
import { ReferencePoint } from '../handles/ReferencePoint.js';
import { mayDraw, mayMove } from '../scene/may.js';
import type { FigureScene } from '../scene/scene.js';
import { ItemHandle } from '../handles/ItemHandle.js';
import { useParts } from '../scene/useScene.js';
import { useZoom } from './zoom.js';

/** Only two curves side by side have them; without a connection they are missing, and the page goes on. */
const PaneFacts = lazyPart(async () => (await import('./PaneFacts.js')).PaneFacts);
/** Said at the earliest when something is in the hand. */
const HandWords = lazyPart(async () => (await import('./HandWords.js')).HandWords);
const Chooser = lazyPart(async () => (await import('../handles/Chooser.js')).Chooser);

interface FigurePaneProps {
  readonly scene: FigureScene;
  readonly pane: Pane;
  /** Where points are made loose or fixed instead of moved. */
  readonly onToggle?: ((item: string, of: PointKind, index: number) => void) | undefined;
  readonly onSay: (text: string) => void;
  /** How much larger than usual marks and type are. */
  readonly markScale?: number | undefined;
  /** What lies over every pane, such as marks that can be pressed. */
  readonly over?: ((projection: Projection, pane: Pane) => ReactNode) | undefined;
  /** What lies over the drawing while something is drawn. */
  readonly children?: ((projection: Projection) => ReactNode) | undefined;
}

/** One drawing of a figure: curves on a canvas, and every point as a handle above it. */
export function FigurePane({ scene, pane, onToggle, onSay, markScale = 1, over, children }: FigurePaneProps) {
  useParts(scene.structured, scene.selected, scene.viewed);
  const palette = useTheme((state) => state.palette);
  const fonts = useFonts();
  const notation = useNotation();
  const [ref, { width, height }] = useSize<HTMLDivElement>(scene);
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawing = useRef<SVGSVGElement>(null);
  const { document, view } = scene;
  const isSeen = scene.arrival !== 'awaited';
  const projection = useMemo(
    () => planeProjection(view, width, height, markScale),
    [view, width, height, markScale],
  );
  // Marks that painters of their own write follow it too.
  useEffect(() => scene.invalidate(), [scene, notation]);
  useEffect(() => scene.laidOut.note(pane.key, projection), [scene, pane, projection]);
  const ground = useGround(scene, projection, pane);
  useZoom(ref, scene, projection, ground.letGo);

  useLayoutEffect(() => {
    const layers = new Layers(scene, projection, palette, pane);
    const come = (): void => scene.invalidate();
    const stop = scene.addPainter(
      () => {
        const context = canvas.current && prepare(canvas.current, width, height, false, markScale);
        if (context) layers.draw(context, picturesOf(scene.document, pane, come));
        // From sheet to sheet the pane's size can change; what is drawn in the old one is drawn for nothing.
      },
      hasSize(ref.current, { width, height }),
    );
    return () => {
      stop();
      layers.close();
    };
  }, [ref, scene, projection, palette, fonts, notation, width, height, pane, markScale]);

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
  const own = { scene, projection, pane, onSay };
  return (
    <div
      ref={ref}
      // Two fingers zoom the figure and not the page; a reader still scrolls past it with one.
      className={clsx(
        'relative min-h-0 min-w-0 flex-1 overflow-hidden',
        mayDraw(scene.host) ? 'touch-none' : 'touch-pan-y',
      )}
      data-pane={pane.key}
      onPointerDown={ground.onPointerDown}
    >
      <canvas
        ref={canvas}
        aria-hidden
        // Where the figure is awaited it still holds the one before.
        className={clsx('absolute top-0 left-0', !isSeen && 'invisible')}
        style={{ width, height }}
      />
      <svg
        ref={drawing}
        className="absolute top-0 left-0"
        width={width}
        height={height}
        viewBox={`0 0 ${projection.width} ${projection.height}`}
      >
        {document.items.map((item) =>
          isSeen && item.kind === 'point' && !item.hidden ? (
            <ReferencePoint
              key={`${scene.number}/${item.id}`}
              scene={scene}
              item={item}
              projection={projection}
              pane={pane}
            />
          ) : null,
        )}
        {isSeen && pane.shows(document.rail.item) && <CursorHandle scene={scene} projection={projection} />}
        {isSeen &&
          document.items.flatMap((item) => {
            if (item.hidden || item.locked || !pane.shows(item.id) || !isMarked(document, item)) return [];
            // Readers take hold of what they may move.
            return handlesOfItem(item, scene.evaluation)
              .filter(({ key }) => mayMove(scene.host, { item: item.id, of: 'handle', key }))
              .map(({ key }) => (
                <ItemHandle key={`${scene.number}/${item.id}/${key}`} {...own} item={item.id} handle={key} />
              ));
          })}
        {/* The first picture does not wait for hundreds of elements that are not seen. */}
        {takes && (
          <Deferred key={scene.number}>
            <Handles {...own} onToggle={onToggle} />
          </Deferred>
        )}
      </svg>
      {ground.box && (
        <div
          aria-hidden
          className="pointer-events-none absolute border border-dashed border-accent bg-accent/10"
          style={ground.box}
        />
      )}
      {pane.item !== null && (
        <p className="pointer-events-none absolute top-2 left-4 font-serif text-[14px] italic">
          {itemOf(document, pane.item)?.name}
        </p>
      )}
      {pane.item !== null && isSeen && (
        <Deferred key={`facts ${scene.number}`}>
          <Suspense>
            <PaneFacts scene={scene} item={pane.item} />
          </Suspense>
        </Deferred>
      )}
      <Over projection={projection}>
        {scene.selected.question?.pane === pane.key && (
          <Suspense>
            <Chooser scene={scene} question={scene.selected.question} projection={projection} />
          </Suspense>
        )}
        <Suspense>
          <HandWords scene={scene} projection={projection} />
        </Suspense>
        {children?.(projection)}
        {over?.(projection, pane)}
        {scene.viewed.picking && (
          <PickLayer scene={scene} projection={projection} picking={scene.viewed.picking} />
        )}
      </Over>
    </div>
  );
}

/** What lies over the drawing is measured in dots as the drawing is. */
function Over({ projection, children }: { projection: Projection; children: ReactNode }) {
  const { markScale, width, height } = projection;
  if (markScale === 1) return children;
  const style = { width, height, transform: `scale(${markScale})` };
  return (
    <div
      className="pointer-events-none absolute top-0 left-0 origin-top-left *:pointer-events-auto"
      style={style}
    >
      {children}
    </div>
  );
}
