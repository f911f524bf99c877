import type { Point } from '@bogen/core/curve';
import { pictureCorners, scalePictureBy, type PictureItem } from '@bogen/core/figure';
import { useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { inDigits } from '../../text/number.js';
import { patched } from '../../figure/scene/patched.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Check } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { aboveZero } from '../../ui/limits.js';
import { SliderField } from '../../ui/SliderField.js';

interface PictureFieldsProps {
  readonly scene: FigureScene;
  readonly item: PictureItem;
}

/** Where a picture lies, how it is turned and faded, and its scale by two points that are known. */
export function PictureFields({ scene, item }: PictureFieldsProps) {
  const { t } = useTranslation();
  const patch = (attributes: Parameters<typeof patched>[1]): void => scene.host.do(patched(item, attributes));
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        {[0, 1].map((axis) => (
          <ExpressionField
            key={axis}
            label={t(axis === 0 ? 'picture.centreX' : 'picture.centreY')}
            value={item.centre[axis]!}
            onChange={(value) => patch({ centre: item.centre.with(axis, value) })}
          />
        ))}
        <ExpressionField
          label={t('picture.width')}
          value={item.width}
          limits={aboveZero}
          onChange={(width) => patch({ width })}
        />
        <ExpressionField
          label={t('picture.angle')}
          value={item.angle}
          onChange={(angle) => patch({ angle })}
        />
      </div>
      <Check label={t('picture.flipped')} value={item.flipped} onChange={(flipped) => patch({ flipped })} />
      <SliderField
        label={t('picture.fade')}
        value={item.fade}
        least={0}
        most={1}
        shown={(value) => `${Math.round(100 * value)} %`}
        onPreview={(fade) => scene.host.preview(patched(item, { fade }))}
        onChange={(fade) => {
          scene.host.preview(null);
          patch({ fade });
        }}
      />
      <Check
        label={t('picture.locked')}
        value={item.locked === true}
        onChange={(locked) => patch({ locked })}
      />
      <ScaleByPoints scene={scene} item={item} />
    </>
  );
}

function ScaleByPoints({ scene, item }: PictureFieldsProps) {
  const { t } = useTranslation();
  const corners = pictureCorners(item);
  const [points, setPoints] = useState<readonly [Point, Point]>([corners[0]!, corners[1]!]);
  const [length, setLength] = useState(() => distance(corners[0]!, corners[1]!));
  const set = (which: 0 | 1, axis: number, value: number): void =>
    setPoints(points.with(which, points[which].with(axis, value)) as unknown as readonly [Point, Point]);
  const scaled = scalePictureBy(item, points[0], points[1], length);
  const pick = (): void =>
    scene.viewed.pickPlaces(2, ([first, second]) => {
      setPoints([first!, second!]);
      setLength(distance(first!, second!));
    });
  return (
    <section data-scale-by-points>
      <h3 className="mb-1 text-[12px] text-soft">{t('picture.scaleTitle')}</h3>
      <p className="mb-2 text-[13px]">{t('picture.scaleLead')}</p>
      <Button onClick={pick}>{t('picture.pick')}</Button>
      {([0, 1] as const).map((which) => (
        <div key={which} className="mt-2 flex flex-wrap items-center gap-2">
          <span className="w-24 text-[13px] text-soft">
            {t(which === 0 ? 'picture.first' : 'picture.second')}
          </span>
          {(['x', 'y'] as const).map((name, axis) => (
            <ExpressionField
              key={name}
              label={name}
              value={Number(inDigits(points[which][axis]!, 3).replace('−', '-'))}
              onChange={(value) => set(which, axis, value)}
            />
          ))}
        </div>
      ))}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <ExpressionField label={t('picture.known')} value={length} limits={aboveZero} onChange={setLength} />
        <Button
          disabled={!scaled}
          onClick={() =>
            scaled && scene.host.do(patched(item, { centre: scaled.centre, width: scaled.width }))
          }
        >
          {t('picture.apply')}
        </Button>
      </div>
    </section>
  );
}

function distance(first: Point, second: Point): number {
  return Math.hypot(second[0]! - first[0]!, second[1]! - first[1]!);
}
