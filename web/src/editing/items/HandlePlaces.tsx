import type { Point } from '@bogen/core/curve';
import { gripPlace, gripsOfItem, moveHandleOf, type ShapeItem } from '@bogen/core/figure';
import { handleName } from '../../figure/handles/gripName.js';
import { mayMove } from '../../figure/scene/may.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { ExpressionField } from '../../ui/ExpressionField.js';

/** Of a long chain not every node is listed here: these are taken by the pointer. */
const most = 40;

/** The places that a shape is made by, as numbers: what is typed moves the handle there, and what hangs on it follows. */
export function HandlePlaces({ scene, item }: { scene: FigureScene; item: ShapeItem }) {
  const { t } = useTranslation();
  const { document, evaluation } = scene;
  const places = gripsOfItem(item)
    .slice(0, most)
    .flatMap((grip) => {
      const at = gripPlace(document, evaluation, grip);
      return grip.of === 'handle' && at && mayMove(scene.host, grip) ? [{ key: grip.key, at }] : [];
    });
  if (places.length === 0) return null;
  const move = (key: string, to: Point): void => {
    scene.host.do(moveHandleOf(document, evaluation, item.id, key, to));
  };
  return (
    <section data-handle-places>
      <h3 className="mb-1 text-[12px] text-soft">{t('details.places')}</h3>
      <ul className="flex flex-col gap-1">
        {places.map(({ key, at }) => (
          <li key={key}>
            <fieldset className="flex items-center gap-2">
              <legend className="float-left flex-1 text-[13px]">{handleName(key, t)}</legend>
              {(['x', 'y'] as const).map((name, axis) => (
                <ExpressionField
                  key={name}
                  label={t(`details.${name}`)}
                  value={at[axis]!}
                  onChange={(value) => move(key, at.with(axis, value))}
                />
              ))}
            </fieldset>
          </li>
        ))}
      </ul>
    </section>
  );
}
