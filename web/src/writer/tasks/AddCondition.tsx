import {
  conditions,
  firstCondition,
  otherConditions,
  type ConditionKind,
  type SingleCondition,
} from '@bogen/core/lesson';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { isFound } from '../../ui/isFound.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { conditionText } from '../../task/conditionText.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Popup } from '../../ui/Popup.js';
import { SearchField } from '../../ui/SearchField.js';

/** So many conditions of one kind about other points are found at most. */
const mostOthers = 60;
const kinds = Object.keys(conditions) as ConditionKind[];

interface AddConditionProps {
  readonly scene: FigureScene;
  readonly onAdd: (condition: SingleCondition) => void;
}

/**
 * What can be asked of the curve on the rail, each as the sentence that it would be, with its blanks as they are measured
 * now. Typing finds some of them.
 */
export function AddCondition({ scene, onAdd }: AddConditionProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  return (
    <Popup
      label={t('task.add')}
      open={open}
      onOpen={setOpen}
      trigger={
        <Button quiet className="-ml-2.5 self-start">
          <Plus size={14} /> {t('task.add')}
        </Button>
      }
    >
      {open && (
        <ConditionList
          scene={scene}
          onChoose={(condition) => {
            setOpen(false);
            onAdd(condition);
          }}
        />
      )}
    </Popup>
  );
}

function ConditionList({
  scene,
  onChoose,
}: {
  scene: FigureScene;
  onChoose: (condition: SingleCondition) => void;
}) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState('');
  const { document, evaluation, cursor } = scene;
  const { item } = document.rail;
  // Of each kind one; whoever types finds those about other points too.
  const isFinding = typed.trim() !== '';
  const offered = kinds.flatMap((kind) => {
    const first =
      item === null ? undefined : firstCondition(kind, document, item, Number(cursor.toFixed(3)), evaluation);
    if (item === null || !first) return [];
    const others = isFinding ? otherConditions(kind, document, item, evaluation, mostOthers) : [];
    return [first, ...others].map((condition) => ({
      condition,
      text: conditionText(condition, document, t),
    }));
  });
  const found = offered.filter(({ text }) => isFound(text, typed));
  return (
    <div className="flex w-[360px] max-w-full flex-col gap-2" data-condition-list>
      <SearchField
        label={t('task.find')}
        value={typed}
        onChange={setTyped}
        onEnter={() => found[0] && onChoose(found[0].condition)}
      />
      {offered.length === 0 && <p className="text-[13px] text-soft">{t('task.noCurve')}</p>}
      {offered.length > 0 && found.length === 0 && (
        <p className="text-[13px] text-soft">{t('change.nothingFound')}</p>
      )}
      <ul>
        {found.map(({ condition, text }, index) => (
          <li key={`${condition.kind}${index}`}>
            <button
              type="button"
              className="block w-full rounded-md px-2 py-1 text-left text-[13px] hover:bg-tint focus-visible:ring-3 focus-visible:ring-accent/40"
              data-condition={condition.kind}
              onClick={() => onChoose(condition)}
            >
              {text}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
