import '../../text/enEditing.js';
import {
  filledOfFigure,
  itemOf,
  nearlyFull,
  offeredOperations,
  usesOf,
  type FigureDocument,
  type FreedomOf,
  type OfferedOperation,
} from '@bogen/core/figure';
import { useSyncExternalStore } from 'react';
import { OperationForm } from '../../editing/change/OperationForm.js';
import { operationName } from '../../editing/freedoms/freedomText.js';
import { OperationOfItem } from '../../editing/items/OperationOfItem.js';
import { ShapeFields } from '../../editing/items/ShapeFields.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Panel } from '../../ui/Panel.js';
import { WholeField } from '../../ui/WholeField.js';
import { useStateOf } from '../../ui/useStateOf.js';
import { WeightFields } from './WeightFields.js';

interface FreedomToolsProps {
  readonly scene: FigureScene;
  /** The figure as the stage gives it: it says what may be done. */
  readonly start: FigureDocument;
}

type Opened = FreedomOf<'operation'> | FreedomOf<'values'> | FreedomOf<'weights'> | null;

/** A tool for everything that the stage lets its readers do, besides what they take hold of in the figure and on the rail. */
export function FreedomTools({ scene, start }: FreedomToolsProps) {
  const { t } = useTranslation();
  // Tools need not follow the hand.
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  const [open, setOpen] = useStateOf<Opened>(start, null);
  const { host } = scene;
  const freedoms = start.readersMay ?? [];
  const close = (): void => setOpen(null);
  const item = open ? itemOf(document, open.item) : undefined;
  /** Whether the same may be done on another curve too, so that the tool has to say which one it is for. */
  const isOnSeveral = ({ operation, item }: FreedomOf<'operation'>): boolean =>
    freedoms.some(
      (other) => other.kind === 'operation' && other.operation === operation && other.item !== item,
    );
  const [fullest] = nearlyFull(filledOfFigure(document));
  return (
    <>
      {freedoms.map((freedom, index) => {
        if (freedom.kind === 'operation') {
          const left =
            freedom.most === undefined
              ? undefined
              : freedom.most - usesOf(document, freedom.operation) + usesOf(start, freedom.operation);
          return (
            <Button
              key={index}
              quiet
              disabled={(left !== undefined && left <= 0) || !itemOf(document, freedom.item)}
              onClick={() => setOpen(freedom)}
              data-tool={freedom.operation}
            >
              {isOnSeveral(freedom)
                ? t('freedoms.operationOn', {
                    operation: operationName(freedom.operation, t),
                    item: itemOf(document, freedom.item)?.name ?? '',
                  })
                : operationName(freedom.operation, t)}{' '}
              …
              {left !== undefined && (
                <span className="font-normal text-soft">
                  {left > 0 ? t('freedoms.left', { count: left }) : t('freedoms.none')}
                </span>
              )}
            </Button>
          );
        }
        if (freedom.kind === 'values' || freedom.kind === 'weights') {
          const name = itemOf(document, freedom.item)?.name;
          return (
            name !== undefined && (
              <Button key={index} quiet onClick={() => setOpen(freedom)} data-tool={freedom.kind}>
                {t(`freedoms.${freedom.kind}`, { item: name })} …
              </Button>
            )
          );
        }
        if (freedom.kind === 'degree') {
          const curve = itemOf(document, freedom.item);
          return (
            curve?.kind === 'curve' && (
              <WholeField
                key={index}
                label={t('freedoms.degree', { item: curve.name })}
                value={curve.curve.degree}
                least={freedom.least}
                most={freedom.most}
                onChange={(degree) =>
                  void scene.attempt('do', { name: 'setDegree', item: freedom.item, degree })
                }
              />
            )
          );
        }
        if (freedom.kind !== 'looks') return null;
        return freedom.keys.map((key) => (
          <Button
            key={key}
            quiet
            pressed={document.shown[key] ?? false}
            onClick={() => host.do({ name: 'setShown', shown: { [key]: !document.shown[key] } })}
            data-tool={key}
          >
            {t(`writer.shown.${key}`)}
          </Button>
        ));
      })}
      {fullest && (
        <span role="status" className="text-[13px] text-soft">
          {t(`freedoms.nearlyFull.${fullest.of}`, { ...fullest })}
        </span>
      )}
      {open?.kind === 'operation' && item && isOffered(open.operation) && (
        <Panel open onClose={close} title={t('change.title', { curve: item.name })} lead={t('change.lead')}>
          <OperationForm scene={scene} item={item} name={open.operation} onClose={close} />
        </Panel>
      )}
      {open?.kind === 'weights' && item?.kind === 'curve' && (
        <Panel open onClose={close} title={t('freedoms.weights', { item: item.name })}>
          <WeightFields scene={scene} item={item} indices={open.indices} />
        </Panel>
      )}
      {open?.kind === 'values' && item && (
        <Panel open onClose={close} title={t('freedoms.values', { item: item.name })}>
          {item.kind === 'shape' && <ShapeFields scene={scene} item={item} />}
          {item.kind === 'built' && <OperationOfItem scene={scene} item={item} />}
        </Panel>
      )}
    </>
  );
}

const isOffered = (name: string): name is OfferedOperation =>
  (offeredOperations as readonly string[]).includes(name);
