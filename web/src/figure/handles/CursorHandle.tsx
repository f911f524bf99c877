import { domainOf, nearestPoint } from '@bogen/core/curve';
import { useLayoutEffect, useRef, type PointerEvent } from 'react';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { cursorPoint } from '../paint/drawFigure.js';
import { cursorKey } from './cursorKey.js';
import type { Plane } from '../geometry/plane.js';
import type { FigureScene } from '../scene/scene.js';

/** The rail's cursor as a point on the curve; it can be dragged along the curve. */
export function CursorHandle({ scene, plane }: { scene: FigureScene; plane: Plane }) {
  const { t } = useTranslation();
  const ref = useRef<SVGCircleElement>(null);
  const held = useRef<{ dx: number; dy: number; u: number } | null>(null);

  useLayoutEffect(() => {
    const element = ref.current!;
    const paint = (): void => {
      const point = cursorPoint(scene);
      const curve = scene.railCurve;
      const display = point ? '' : 'none';
      if (element.style.display !== display) element.style.display = display;
      // Its dot is drawn on the canvas; what is taken hold of follows when a drag is done.
      if (!point || !curve || scene.host.motion() !== 'rest') return;
      const [x, y] = plane.toScreen(point);
      element.setAttribute('transform', `translate(${x.toFixed(2)} ${y.toFixed(2)})`);
      const [start, end] = domainOf(curve.knots, curve.degree);
      element.setAttribute('aria-valuemin', String(start));
      element.setAttribute('aria-valuemax', String(end));
      element.setAttribute('aria-valuenow', shownNumber(scene.cursor, 3));
    };
    return scene.addPainter(paint);
  });

  const onPointerMove = (event: PointerEvent<SVGCircleElement>): void => {
    const curve = scene.railCurve;
    if (!held.current || !curve) return;
    const at = plane.toPlane(event.clientX + held.current.dx, event.clientY + held.current.dy);
    scene.moveCursor(nearestPoint(curve, at).parameter);
  };
  return (
    <circle
      ref={ref}
      r={13}
      className="mark grip"
      tabIndex={0}
      role="slider"
      aria-label={t('figure.cursor')}
      data-handle="cursor"
      onPointerDown={(event) => {
        const point = cursorPoint(scene);
        if (event.button !== 0 || !point) return;
        const [x, y] = plane.toScreen(point);
        held.current = { dx: x - event.clientX, dy: y - event.clientY, u: scene.cursor };
        ref.current!.setPointerCapture(event.pointerId);
      }}
      onPointerMove={onPointerMove}
      onPointerUp={() => (held.current = null)}
      onPointerCancel={() => (held.current = null)}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && held.current) {
          scene.moveCursor(held.current.u);
          held.current = null;
        } else cursorKey(event, scene);
      }}
    />
  );
}
