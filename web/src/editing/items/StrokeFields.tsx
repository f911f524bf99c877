import type { Curve } from '@bogen/core/curve';
import type { ShapeOf } from '@bogen/core/figure';
import { useEffect, useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownAtMost, shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { SliderField } from '../../ui/SliderField.js';
import { heavy, type StrokeFit } from '../../worker/heavy.js';

interface StrokeFieldsProps {
  readonly scene: FigureScene;
  readonly shape: ShapeOf<'stroke'>;
  readonly onSet: (shape: ShapeOf<'stroke'>) => void;
}

/** Milliseconds that a tolerance rests before it is tried: a fit takes longer than a frame. */
const rest = 60;

/** The tolerance of a freehand stroke: what another one would come to is seen, and counted, while it is pulled. */
export function StrokeFields({ scene, shape, onSet }: StrokeFieldsProps) {
  const { t } = useTranslation();
  const [pulled, setPulled] = useState<number | null>(null);
  const [fit, setFit] = useState<(StrokeFit & { readonly curve: Curve }) | null>(null);
  const { points, tolerance, degree } = shape;
  const now = pulled ?? tolerance;
  useEffect(() => {
    let isStale = false;
    const timer = setTimeout(() => {
      void heavy.fitStroke(points, now, degree).then((outcome) => {
        if (!isStale) setFit('value' in outcome ? outcome.value : null);
      });
    }, rest);
    return () => {
      isStale = true;
      clearTimeout(timer);
    };
  }, [points, now, degree]);
  const isTried = pulled !== null && pulled !== tolerance;
  useEffect(() => {
    const made = isTried ? fit?.curve : undefined;
    scene.previews.show(
      'change',
      made ? { curve: made, places: made.points, pulls: [], polygon: false } : null,
    );
    return () => scene.previews.show('change', null);
  }, [scene, isTried, fit]);
  return (
    <div className="flex flex-col gap-1">
      <SliderField
        label={t('details.fields.stroke.tolerance')}
        value={tolerance}
        least={0.05}
        most={20}
        logarithmic
        shown={(value) => `${shownNumber(value)} mm`}
        onPreview={setPulled}
        onChange={(next) => {
          setPulled(null);
          onSet({ ...shape, tolerance: next });
        }}
      />
      <p role="status" className="text-[12.5px] text-soft" data-stroke-fit={fit?.points}>
        {fit &&
          t('draw.strokeFit', {
            drawn: points.length,
            count: fit.points,
            deviation: shownAtMost(fit.deviation),
          })}
      </p>
    </div>
  );
}
