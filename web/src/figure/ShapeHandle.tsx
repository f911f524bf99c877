import { handlesOfShape, itemOf, moveShapeHandle, type Point } from '@bogen/core';
import { useEffect, useRef } from 'react';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { useDragging } from './dragging.js';
import type { Plane } from './plane.js';
import type { FigureScene } from './scene.js';

interface ShapeHandleProps {
  readonly scene: FigureScene;
  readonly plane: Plane;
  readonly item: string;
  readonly handle: string;
  readonly onSay: (text: string) => void;
}

/** A place by which an arc, a conic, a chain or another shape is taken hold of. Its mark is drawn on the canvas below. */
export function ShapeHandle({ scene, plane, item: id, handle, onSay }: ShapeHandleProps) {
  const { t } = useTranslation();
  const ref = useRef<SVGGElement>(null);
  const shapeItem = () => {
    const item = itemOf(scene.document, id);
    return item?.kind === 'shape' ? item : undefined;
  };
  const place = (): Point | undefined => {
    const item = shapeItem();
    return item && handlesOfShape(item.shape).find(({ key }) => key === handle)?.at;
  };
  const dragging = useDragging({
    scene,
    plane,
    place,
    command: (to) => {
      const item = shapeItem();
      if (!item) return null;
      return { name: 'replaceItem', item: { ...item, shape: moveShapeHandle(item.shape, handle, to) } };
    },
    onStep: (to) =>
      onSay(t('figure.moved', { name: handle, x: shownNumber(to[0]!), y: shownNumber(to[1]!) })),
  });

  useEffect(() => {
    const element = ref.current!;
    const paint = (): void => {
      const at = place();
      if (!at) return;
      const [x, y] = plane.toScreen(at);
      element.setAttribute('transform', `translate(${x.toFixed(2)} ${y.toFixed(2)})`);
    };
    const name = (): void => {
      const at = place();
      if (!at) return;
      const facts = { x: shownNumber(at[0]!), y: shownNumber(at[1]!) };
      const curve = itemOf(scene.document, id)?.name ?? '';
      element.setAttribute('aria-label', t('figure.shapeHandle', { name: handle, curve, ...facts }));
    };
    paint();
    name();
    const stops = [scene.addPainter(paint), scene.onSettled(name)];
    return () => stops.forEach((stop) => stop());
  });
  return (
    <g
      ref={ref}
      className="mark loose"
      tabIndex={0}
      role="button"
      data-shape-handle={`${id}/${handle}`}
      {...dragging}
    >
      <circle className="halo" r={12} />
      <circle className="reach" r={12} />
    </g>
  );
}
