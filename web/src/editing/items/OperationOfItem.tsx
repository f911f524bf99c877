import {
  itemOf,
  offeredOperations,
  operations,
  type BuiltItem,
  type Field,
  type OfferedOperation,
  type Operation,
} from '@bogen/core/figure';
import { useRef, useState, useSyncExternalStore } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { heavy } from '../../worker/heavy.js';
import { DescribedField } from '../fields/DescribedField.js';
import { OperationFields, type Arguments } from '../change/OperationFields.js';

/** How a linked curve is made: the arguments of its operation, each change of which is tried before it is kept. */
export function OperationOfItem({ scene, item }: { scene: FigureScene; item: BuiltItem }) {
  const { t } = useTranslation();
  const [refused, setRefused] = useState<unknown>(null);
  /** What can't be drawn, to be kept all the same: a sheet may be about just that. */
  const [undrawn, setUndrawn] = useState<Operation | null>(null);
  useSyncExternalStore(scene.onRest, () => scene.document);
  const queue = useRef(Promise.resolve());
  const { name, source: _, ...values } = item.operation as Operation & { readonly source?: string };
  const keep = (operation: Operation): unknown =>
    scene.attempt('do', { name: 'setOperation', item: item.id, operation });
  // One after the other: what is set while another is still tried is about what that came to.
  const set = (key: string, value: unknown): void => {
    const step = async (): Promise<void> => {
      const now = itemOf(scene.document, item.id);
      if (now?.kind !== 'built') return;
      const operation = { ...now.operation, [key]: value } as Operation;
      const preview = await heavy.preview(scene.document, operation);
      const isDrawn = preview.status !== 'failed';
      setUndrawn(isDrawn || !scene.host.letReaders ? null : operation);
      setRefused(isDrawn ? keep(operation) : preview.reason);
    };
    queue.current = queue.current.then(step).catch(setRefused);
  };
  return (
    <section data-operation-of={name}>
      <h3 className="mb-1 text-[12px] text-soft">
        {isOffered(name)
          ? t('details.made', { operation: t(`operations.${name}`) })
          : t(`details.madeOf.${name}`)}
      </h3>
      {isOffered(name) ? (
        <OperationFields
          name={name}
          values={values as Arguments}
          onSet={set}
          scene={scene}
          item={item}
          of={'source' in item.operation ? item.operation.source : item.id}
        />
      ) : (
        <div className="flex flex-wrap items-center gap-2">
          {Object.entries(operations[name].arguments as Readonly<Record<string, Field>>).map(
            ([key, field]) => (
              <DescribedField
                key={key}
                label={t(`details.fields.through.${key as 'degree' | 'parametrisation' | 'closed'}`)}
                field={field}
                value={(values as Arguments)[key]}
                onChange={(value) => set(key, value)}
                wordFor={(choice) => t(`details.choices.${choice as 'uniform'}`)}
              />
            ),
          )}
        </div>
      )}
      <ProblemText error={refused} className="mt-1 text-[13px]" />
      {undrawn && (
        <Button
          quiet
          className="-ml-2.5"
          onClick={() => {
            setRefused(keep(undrawn));
            setUndrawn(null);
          }}
        >
          {t('details.keepUndrawn')}
        </Button>
      )}
    </section>
  );
}

const isOffered = (name: string): name is OfferedOperation =>
  (offeredOperations as readonly string[]).includes(name);
