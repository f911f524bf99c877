import { offeredOperations, type BuiltItem, type OfferedOperation, type Operation } from '@bogen/core/figure';
import { useState, useSyncExternalStore } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { heavy } from '../../worker/heavy.js';
import { OperationFields, type Arguments } from '../change/OperationFields.js';

/** How a linked curve is made: the arguments of its operation, each change of which is tried before it is kept. */
export function OperationOfItem({ scene, item }: { scene: FigureScene; item: BuiltItem }) {
  const { t } = useTranslation();
  const [refused, setRefused] = useState<unknown>(null);
  const document = useSyncExternalStore(scene.onRest, () => scene.document);
  const { name, source: _, ...values } = item.operation as Operation & { readonly source?: string };
  if (!isOffered(name)) return null;
  const set = async (key: string, value: unknown): Promise<void> => {
    const operation = { ...item.operation, [key]: value } as Operation;
    const preview = await heavy.preview(document, operation);
    setRefused(
      preview.status === 'failed'
        ? preview.reason
        : scene.attempt('do', { name: 'setOperation', item: item.id, operation }),
    );
  };
  return (
    <section data-operation-of={name}>
      <h3 className="mb-1 text-[12px] text-soft">
        {t('details.made', { operation: t(`change.operations.${name}`) })}
      </h3>
      <OperationFields
        name={name}
        values={values as Arguments}
        onSet={(key, value) => void set(key, value)}
        scene={scene}
        item={item}
        of={'source' in item.operation ? item.operation.source : item.id}
      />
      <ProblemText error={refused} className="mt-1 text-[13px]" />
    </section>
  );
}

const isOffered = (name: string): name is OfferedOperation =>
  (offeredOperations as readonly string[]).includes(name);
