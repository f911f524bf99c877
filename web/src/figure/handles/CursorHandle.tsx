import { domainOf } from '@bogen/core/curve';
import { useLayoutEffect, useRef } from 'react';
import { useTranslation } from '../../text/text.js';
import type { Projection } from '../geometry/projection.js';
import { alongCurve } from '../hold/parameter.js';
import { useHold } from '../hold/useHold.js';
import { cursorPoint } from '../paint/drawFigure.js';
import type { FigureScene } from '../scene/scene.js';
import { cursorHold } from './cursorHold.js';

/** The rail's cursor as a point on the curve; it can be dragged along the curve. */
export function CursorHandle({ scene, projection }: { scene: FigureScene; projection: Projection }) {
  const { t } = useTranslation();
  const ref = useRef<SVGCircleElement>(null);
  const { onPointerDown, onMouseDown, onKeyDown } = useHold(() => {
    const curve = scene.railCurve;
    return curve && cursorPoint(scene) ? cursorHold(scene, alongCurve(curve, projection)) : undefined;
  });

  useLayoutEffect(() => {
    const element = ref.current!;
    const paint = (): void => {
      const point = cursorPoint(scene);
      const curve = scene.railCurve;
      const display = point ? '' : 'none';
      if (element.style.display !== display) element.style.display = display;
      // Its dot is drawn on the canvas; what is taken hold of follows when a drag is done.
      if (!point || !curve || scene.host.motion() !== 'rest') return;
      const [x, y] = projection.toScreen(point);
      element.setAttribute('transform', `translate(${x.toFixed(2)} ${y.toFixed(2)})`);
      const [start, end] = domainOf(curve.knots, curve.degree);
      element.setAttribute('aria-valuemin', String(start));
      element.setAttribute('aria-valuemax', String(end));
      element.setAttribute('aria-valuenow', scene.cursor.toFixed(3));
    };
    return scene.addPainter(paint);
  });

  return (
    <circle
      ref={ref}
      r={13}
      className="mark grip"
      tabIndex={0}
      role="slider"
      aria-label={t('figure.cursor')}
      data-handle="cursor"
      onPointerDown={onPointerDown}
      onMouseDown={onMouseDown}
      onKeyDown={onKeyDown}
    />
  );
}
