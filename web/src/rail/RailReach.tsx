import { curveOf, itemOf, samplesOf } from '@bogen/core/figure';
import type { Curve } from '@bogen/core/curve';
import { useLayoutEffect, useRef } from 'react';
import { reachOf } from '../figure/paint/drawReach.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { gutter, railAxis } from './axis.js';

/** Half the breadth of the band where the curve moves most, in pixels. */
const broadest = 9;

/**
 * How far the pull of a point reaches, as a band along the spans on the rail: broad where the curve moves much and gone
 * where it stays. Its shape stays while one point is pulled, so it is made once for each pull.
 */
export function RailReach({ scene, width, line }: { scene: FigureScene; width: number; line: number }) {
  const path = useRef<SVGPathElement>(null);
  useLayoutEffect(() => {
    let of: Curve | undefined;
    const hide = (): void => {
      if (!of) return;
      of = undefined;
      path.current!.setAttribute('d', '');
    };
    return scene.addPainter(() => {
      const { picked } = scene.pointed;
      const item = itemOf(scene.restingDocument(), scene.document.rail.item ?? '');
      const isPulled =
        scene.host.motion() === 'hand' && picked?.item === item?.id && item?.kind === 'curve' && item.curve;
      if (!isPulled) {
        hide();
        return;
      }
      if (of === isPulled) return;
      const now = curveOf(scene.evaluation, scene.document.rail.item);
      const reach = now && now !== isPulled ? reachOf(isPulled, now) : undefined;
      const shape = reach && bandOf(isPulled, reach, railAxis(isPulled, width, scene.axis.window), line);
      if (!shape) return;
      of = isPulled;
      path.current!.setAttribute('d', shape);
    });
  }, [scene, width, line]);
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0" width={width} height="100%">
      <clipPath id="rail-reach">
        <rect x={gutter.left} y={0} width={Math.max(0, width - gutter.left - gutter.right)} height="100%" />
      </clipPath>
      <path ref={path} clipPath="url(#rail-reach)" fill="var(--accent)" fillOpacity={0.3} data-rail-reach />
    </svg>
  );
}

/** The outline of the band, where anything moved at all. */
function bandOf(
  curve: Curve,
  reach: Float64Array,
  x: (u: number) => number,
  line: number,
): string | undefined {
  const largest = reach.reduce((most, value) => Math.max(most, value), 0);
  if (!(largest > 0)) return undefined;
  const { parameters } = samplesOf(curve);
  const point = (k: number, sign: number): string =>
    `${x(parameters[k]!).toFixed(1)} ${(line - (sign * broadest * reach[k]!) / largest).toFixed(1)}`;
  const all = Array.from(reach, (_, k) => k).filter((k) => k % 3 === 0 || k === reach.length - 1);
  return `M${all.map((k) => point(k, 1)).join('L')}L${all
    .toReversed()
    .map((k) => point(k, -1))
    .join('L')}Z`;
}
