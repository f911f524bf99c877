import type { Point } from '@bogen/core/curve';
import {
  boxOf,
  curveOf,
  gripPlace,
  gripsOfItem,
  isCurveItem,
  itemColors,
  itemOf,
  lineWeights,
  moveGrips,
  scaling,
  type FigureItem,
  type ItemColor,
} from '@bogen/core/figure';
import { useState, useSyncExternalStore } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { aboveZero } from '../../ui/limits.js';
import { Panel } from '../../ui/Panel.js';
import { PictureFields } from '../picture/PictureFields.js';
import { patched } from '../../figure/scene/patched.js';
import { AsChain } from './AsChain.js';
import { HandlePlaces } from './HandlePlaces.js';
import { OperationOfItem } from './OperationOfItem.js';
import { ShapeFields } from './ShapeFields.js';

interface DetailsPanelProps {
  readonly scene: FigureScene;
  readonly item: string | null;
  readonly onItem: (id: string) => void;
  readonly onClose: () => void;
}

/** Everything about one item: name, colour, line, size, and the parameters of its own kind. */
export function DetailsPanel({ scene, item: id, onItem, onClose }: DetailsPanelProps) {
  const { t } = useTranslation();
  const document = useSyncExternalStore(scene.drawn.subscribe, () => scene.document);
  const item = itemOf(document, id ?? '') ?? document.items[0];
  if (!item) {
    return (
      <Panel open onClose={onClose} title={t('details.details')} lead={t('details.nothing')}>
        {null}
      </Panel>
    );
  }
  return (
    <Panel open onClose={onClose} title={t('details.title', { item: item.name })}>
      <div className="flex flex-col gap-3" data-details={item.id} key={item.id}>
        {document.items.length > 1 && (
          <Choice
            label={t('details.item')}
            value={item.id}
            choices={document.items.map((other) => other.id)}
            name={(other) => itemOf(document, other)!.name}
            onChange={onItem}
          />
        )}
        {isCurveItem(item) && <Line scene={scene} item={item} />}
        {item.kind === 'point' && (
          <div className="flex gap-2">
            {[0, 1].map((axis) => (
              <ExpressionField
                key={axis}
                label={t(axis === 0 ? 'details.x' : 'details.y')}
                value={item.at[axis]!}
                onChange={(value) =>
                  scene.host.do({ name: 'moveReferencePoint', item: item.id, to: item.at.with(axis, value) })
                }
              />
            ))}
          </div>
        )}
        {item.kind === 'shape' && (
          <section>
            <h3 className="mb-1 text-[12px] text-soft">{t('details.form')}</h3>
            <ShapeFields scene={scene} item={item} />
          </section>
        )}
        {item.kind === 'shape' && <HandlePlaces scene={scene} item={item} />}
        {isCurveItem(item) && <AsChain scene={scene} item={item} />}
        {item.kind === 'built' && <OperationOfItem scene={scene} item={item} />}
        {item.kind === 'picture' && <PictureFields scene={scene} item={item} />}
        {isCurveItem(item) && <Size scene={scene} item={item} />}
      </div>
    </Panel>
  );
}

/** Colour and weight of an item's line. */
function Line({ scene, item }: { scene: FigureScene; item: FigureItem }) {
  const { t } = useTranslation();
  const setColor = (color: ItemColor): void =>
    scene.host.do(patched(item, { color: color === 'ink' ? undefined : color }));
  return (
    <>
      <fieldset className="flex flex-wrap items-center gap-1">
        <legend className="float-left mr-2 text-[13px] text-soft">{t('details.color')}</legend>
        {itemColors.map((color) => (
          <label
            key={color}
            title={t(`details.colors.${color}`)}
            className="relative inline-flex size-7 cursor-pointer items-center justify-center rounded-md hover:bg-tint has-checked:bg-tint has-checked:outline-2 has-checked:outline-ink has-focus-visible:outline-2 has-focus-visible:outline-accent"
          >
            <input
              type="radio"
              name="item-color"
              className="absolute inset-0 cursor-pointer opacity-0"
              aria-label={t(`details.colors.${color}`)}
              checked={(item.color ?? 'ink') === color}
              onChange={() => setColor(color)}
            />
            <span
              aria-hidden
              className="pointer-events-none h-1 w-4 rounded-full"
              style={{ background: colorOf[color] }}
            />
          </label>
        ))}
      </fieldset>
      <Choice
        label={t('details.lineWeight')}
        value={item.lineWeight ?? 'medium'}
        choices={lineWeights}
        name={(weight) => t(`details.lineWeights.${weight}`)}
        onChange={(lineWeight) => scene.host.do(patched(item, { lineWeight }))}
      />
    </>
  );
}

const colorOf: Readonly<Record<ItemColor, string>> = {
  ink: 'var(--ink)',
  teal: 'var(--span-1)',
  ochre: 'var(--span-2)',
  plum: 'var(--span-3)',
  moss: 'var(--span-4)',
  indigo: 'var(--span-5)',
  coral: 'var(--span-6)',
};

/** Width and height of the box that holds an item's points; its lower left corner stays. */
function Size({ scene, item }: { scene: FigureScene; item: FigureItem }) {
  const { t } = useTranslation();
  const [kept, setKept] = useState(true);
  const grips = gripsOfItem(item);
  if (grips.length === 0) return <p className="text-[13px] text-soft">{t('details.follows')}</p>;
  const own = grips.flatMap((grip): Point[] => {
    const place = gripPlace(scene.document, scene.evaluation, grip);
    return place ? [place] : [];
  });
  // The box of a shape is that of its curve's polygon, since it may have two handles only.
  const places = item.kind === 'shape' ? (curveOf(scene.evaluation, item.id)?.points ?? own) : own;
  const box = boxOf(places);
  if (!box) return null;
  const [width, height] = [box.high[0]! - box.low[0]!, box.high[1]! - box.low[1]!];
  const scale = (factorX: number, factorY: number): void => {
    if (!(factorX > 0 && factorY > 0)) return;
    const command = moveGrips(scene.document, grips, scaling(box.low, factorX, factorY));
    if (command) scene.host.do(command);
  };
  return (
    <section>
      <h3 className="mb-1 text-[12px] text-soft">{t('details.size')}</h3>
      <div className="flex flex-wrap items-center gap-2">
        <ExpressionField
          label={t('details.width')}
          value={width}
          limits={aboveZero}
          onChange={(next) => width > 0 && scale(next / width, kept ? next / width : 1)}
        />
        <ExpressionField
          label={t('details.height')}
          value={height}
          limits={aboveZero}
          onChange={(next) => height > 0 && scale(kept ? next / height : 1, next / height)}
        />
        <Check label={t('details.proportion')} value={kept} onChange={setKept} />
      </div>
    </section>
  );
}
